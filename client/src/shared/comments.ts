import { useDebounceFn, useEventListener, useLocalStorage } from '@vueuse/core';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import { api, take, type AnchorKind, type CommentsView, type Trouble } from './api/client';
import { troubleOf } from './api/trouble';
import { useDraft } from './draft';

/** What a new comment is about. */
export interface About {
  kind: AnchorKind;
  target: string;
  start: number;
  length: number;
}

/** The comments of the open procedure. What is typed of one is kept in this browser until it is sent. */
export const useComments = defineStore('comments', () => {
  const draft = useDraft();
  const view = shallowRef<CommentsView | null>(null);
  const trouble = ref<Trouble | null>(null);
  const busy = ref(false);
  /** The drawer beside every face. */
  const open = ref(false);
  /** How many lists of them stand on the page: only then is each edit followed. */
  const shown = ref(0);
  const about = ref<About | null>(null);
  /** Whether one is being written. */
  const writing = ref(false);
  /** True until the drawer that was called has the focus: what is typed meanwhile is the comment's. */
  const opening = ref(false);
  /** The words of a step that were chosen last. */
  const chosen = ref<About | null>(null);
  const typed = useLocalStorage<Record<string, string>>('wornpath-comments', {});

  const threads = computed(() => view.value?.threads ?? []);
  const openThreads = computed(() => threads.value.filter((t) => t.open));
  const byStep = computed(() => {
    const by = new Map<string, number>();
    for (const { place } of openThreads.value) if (place.stepId) by.set(place.stepId, (by.get(place.stepId) ?? 0) + 1);
    return by;
  });

  async function load(): Promise<void> {
    const id = draft.revision?.id;
    if (id === undefined) return;
    try {
      const told = await take(api.GET('/api/revisions/{id}/comments', { params: { path: { id } } }));
      if (draft.revision?.id !== id) return;
      if (!view.value) trouble.value = null;
      view.value = told;
    } catch (error) {
      // What was told last stands; where nothing was, it is said.
      if (draft.revision?.id === id && !view.value) trouble.value = troubleOf(error);
    }
  }
  watch(
    () => draft.revision?.id,
    () => {
      [view.value, about.value, chosen.value, trouble.value] = [null, null, null, null];
      writing.value = textOf('new') !== '';
      void load();
    },
    { immediate: true },
  );
  const follow = useDebounceFn(load, 800);
  watch(
    () => [draft.seq, draft.revision?.state],
    () => shown.value > 0 && void follow(),
  );
  watch(shown, (now, was) => now > was && void load());

  useEventListener(document, 'selectionchange', () => {
    const field = document.activeElement;
    const selection = getSelection();
    const node = selection?.anchorNode;
    // Words of a step that is written stand in its field, else in its one line of text. Elsewhere what was chosen last holds.
    const inField = field instanceof HTMLTextAreaElement;
    const place = inField ? field : node?.parentElement;
    const step = place?.closest<HTMLElement>('[data-step]')?.dataset.step;
    if (!step || (!inField && (node !== selection?.focusNode || node?.nodeValue !== draft.textOf(step)))) return;
    const [a, b] = inField ? [field.selectionStart, field.selectionEnd] : [selection!.anchorOffset, selection!.focusOffset];
    const [start, end] = [Math.min(a, b), Math.max(a, b)];
    chosen.value = end > start ? { kind: 'words', target: step, start, length: end - start } : null;
  });

  /** Where a text that is being typed is kept: by revision's procedure, person and thread. */
  function keyOf(thread: number | 'new'): string {
    return `${draft.person?.id ?? ''} ${draft.revision?.procedureId ?? ''} ${thread}`;
  }
  function textOf(thread: number | 'new'): string {
    return typed.value[keyOf(thread)] ?? '';
  }
  function type(thread: number | 'new', text: string): void {
    const kept = { ...typed.value };
    if (text) kept[keyOf(thread)] = text;
    else delete kept[keyOf(thread)];
    typed.value = kept;
  }

  /** Has a comment written on this; without, on the words that are chosen. In the drawer, or where the list stands on the page. */
  function write(on: About | null, inDrawer: boolean): void {
    about.value = on ?? chosen.value;
    writing.value = true;
    if (!inDrawer) return;
    opening.value = !open.value;
    open.value = true;
  }

  return {
    view,
    threads,
    openThreads,
    byStep,
    trouble,
    busy,
    open,
    shown,
    about,
    writing,
    opening,
    chosen,
    load,
    textOf,
    type,
    write,
  };
});
