import { useEventListener } from '@vueuse/core';

/**
 * Closes a dialog on Esc, wherever the focus is. The dialogs hear it by themselves only while something in them has the focus:
 * not yet while they open, and no more once the button that had it is disabled.
 */
export function useEscape(isOpen: () => boolean, close: () => void): void {
  useEventListener(document, 'keydown', (event: KeyboardEvent) => {
    if (event.key === 'Escape' && isOpen()) close();
  });
}
