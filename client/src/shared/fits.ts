/** Whether the browser makes a text area as high as its text by itself. */
export const fitsItself = CSS.supports('field-sizing', 'content');

/** Makes a text area as high as its text, where the browser does not. */
export function fit(area: HTMLTextAreaElement | null): void {
  if (!area || fitsItself) return;
  area.style.height = 'auto';
  area.style.height = `${area.scrollHeight}px`;
}
