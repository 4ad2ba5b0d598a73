import { onScopeDispose, watch } from 'vue';

/** What is open, the last opened last. */
const layers: (() => void)[] = [];

function hear(event: KeyboardEvent): void {
  const close = event.key === 'Escape' ? layers.at(-1) : undefined;
  if (!close) return;
  // Heard once, for the topmost alone.
  event.stopPropagation();
  close();
}

/**
 * Closes a dialog on Esc, wherever the focus is, where it is the topmost. The dialogs hear it by themselves only while something
 * in them has the focus: not yet while they open, and no more once the button that had it is disabled.
 */
export function useEscape(isOpen: () => boolean, close: () => void): void {
  document.addEventListener('keydown', hear, true);
  const leave = (): void => {
    const at = layers.indexOf(close);
    if (at >= 0) layers.splice(at, 1);
  };
  watch(
    isOpen,
    (now) => {
      leave();
      if (now) layers.push(close);
    },
    { immediate: true, flush: 'sync' },
  );
  onScopeDispose(leave);
}
