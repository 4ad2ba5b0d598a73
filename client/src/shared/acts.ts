/** Something that can be done from a menu. */
export interface Act {
  label: string;
  does: () => void;
  /** Its keys outside the menu, as ARIA writes them: "Alt+ArrowUp". */
  keys?: string;
  disabled?: boolean;
  /** Takes something away. */
  grave?: boolean;
}
