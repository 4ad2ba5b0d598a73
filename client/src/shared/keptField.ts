import { ref, watch, type Ref } from 'vue';

/**
 * A field whose text is kept by the server: what comes back replaces what stands, and never what has been typed since. What was
 * refused stays in the field.
 */
export function useKeptField(
  stands: () => string,
  keep: (before: string, after: string) => Promise<boolean>,
): {
  text: Ref<string>;
  commit: () => Promise<void>;
  undoTyping: () => void;
} {
  const text = ref(stands());
  let base = stands();

  watch(stands, (now) => {
    if (text.value === base) text.value = now;
    base = now;
  });

  async function commit(): Promise<void> {
    const after = text.value;
    if (after === stands()) return;
    // Taken: as the core writes it, unless she has typed on meanwhile.
    if ((await keep(base, after)) && text.value === after) text.value = base = stands();
  }

  function undoTyping(): void {
    text.value = base = stands();
  }

  return { text, commit, undoTyping };
}
