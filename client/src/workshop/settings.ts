import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import { api, take, type HouseRules, type PreviewView, type SettingsForm, type Trouble, type WorkshopView } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import { useSession } from '../shared/session';

/** The server always sends all of them; the schema lets a writer leave some out. */
export type Rules = Required<Omit<HouseRules, 'nutFactors'>> & { nutFactors: Required<NonNullable<HouseRules['nutFactors']>> };

/** What the page writes on: each part as its fields have it. */
export interface Written {
  crib: Record<string, string>[];
  handTools: { name: string; holds: string }[];
  /** The passes as they are typed, until they are sent. */
  rules: { rules: Rules; few: string; many: string };
  documents: { name: string; edition: string; dated: string }[];
  values: Record<string, string>[];
  blocks: { name: string; text: string }[];
}
export type Part = keyof Written;
const parts: Part[] = ['crib', 'handTools', 'rules', 'documents', 'values', 'blocks'];

/** Sent as it is kept. */
const sent: { [P in Part]: (written: Written[P]) => Partial<SettingsForm> } = {
  crib: (rows) => ({ crib: rows }),
  handTools: (sets) => ({ handTools: sets }),
  rules: ({ rules, few, many }) => ({ rules: { ...rules, fewPasses: percents(few), manyPasses: percents(many) } }),
  documents: (documents) => ({ documents }),
  values: (values) => ({ values }),
  blocks: (rows) => ({ blocks: rows.map((r) => ({ name: r.name, steps: r.text.split('\n').filter((l) => l.trim()) })) }),
};

/** "30, 70, 100"; what is no number is sent as nought, and refused by the server with the rest of the line still there. */
const percents = (text: string): number[] =>
  text
    .split(/[,;\s%]+/)
    .filter(Boolean)
    .map((t) => (/^\d{1,3}$/.test(t) ? Number(t) : 0));

function writtenOf(view: WorkshopView): Written {
  const copy = JSON.parse(JSON.stringify(view)) as WorkshopView;
  const rules = copy.rules as Rules;
  return {
    crib: copy.crib.map((w) => ({ ...w.cells }) as Record<string, string>),
    handTools: copy.handTools,
    rules: { rules, few: rules.fewPasses.join(', '), many: rules.manyPasses.join(', ') },
    documents: copy.documents.map((d) => ({ name: d.name, edition: d.edition, dated: d.dated ?? '' })),
    values: copy.values.map((v) => ({ ...v.cells }) as Record<string, string>),
    blocks: copy.blocks.map((b) => ({ name: b.name, text: b.steps.join('\n') })),
  };
}

/**
 * The workshop's settings as they stand, and as somebody is writing them: one way of keeping for every part. What is not kept yet
 * stays, on the way to another place, another page and after a reload.
 */
export const useSettings = defineStore('settings', () => {
  const session = useSession();
  const view = shallowRef<WorkshopView | null>(null);
  const now = ref<Written | null>(null);
  /** The version each part was begun from. */
  const from = ref<Partial<Record<Part, number>>>({});
  const troubles = ref<Partial<Record<Part | 'page', Trouble>>>({});
  const keptParts = ref<Partial<Record<Part, boolean>>>({});
  const preview = shallowRef<PreviewView | null>(null);
  const busy = ref(false);

  const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);
  const stands = computed(() => (view.value ? writtenOf(view.value) : null));
  const changed = computed(() => {
    const there: Partial<Record<Part, boolean>> = {};
    if (now.value && stands.value) for (const part of parts) if (!same(now.value[part], stands.value[part])) there[part] = true;
    return there;
  });

  const shelf = (): string => `wornpath-settings-${session.view?.id ?? ''}`;

  /** Takes what the server has; what is written and not kept stays, with the version it was begun from. */
  function show(next: WorkshopView, kept?: Part, sentAs?: string): void {
    const before = { ...changed.value };
    // What was written on while it was being kept is still to be kept.
    if (kept && now.value && JSON.stringify(now.value[kept]) === sentAs) delete before[kept];
    const written = writtenOf(next);
    view.value = next;
    const put = <P extends Part>(part: P): void => {
      if (now.value && before[part]) written[part] = now.value[part];
      if (!before[part] || part === kept) from.value[part] = next.version;
    };
    parts.forEach(put);
    now.value = written;
  }

  async function open(): Promise<void> {
    delete troubles.value.page;
    try {
      const first = now.value === null;
      show(await take(api.GET('/api/workshop')));
      if (first && view.value?.mayChange) restore();
    } catch (error) {
      troubles.value.page = troubleOf(error);
    }
  }

  function restore(): void {
    const left = sessionStorage.getItem(shelf());
    if (left === null || !now.value) return;
    const { written, versions } = JSON.parse(left) as { written: Partial<Written>; versions: typeof from.value };
    now.value = { ...now.value, ...written };
    from.value = { ...from.value, ...versions };
  }

  function shelve(): void {
    if (!now.value || !stands.value) return;
    const left = parts.filter((p) => changed.value[p]);
    if (left.length === 0) return sessionStorage.removeItem(shelf());
    const written = Object.fromEntries(left.map((p) => [p, now.value![p]]));
    const versions = Object.fromEntries(left.map((p) => [p, from.value[p]]));
    sessionStorage.setItem(shelf(), JSON.stringify({ written, versions }));
  }

  function putBack(part: Part): void {
    if (!now.value || !view.value) return;
    // Of its own, so that writing on it leaves what stands alone.
    const fresh = writtenOf(view.value);
    const put = <P extends Part>(key: P): void => void (now.value![key] = fresh[key]);
    put(part);
    from.value[part] = view.value.version;
    delete troubles.value[part];
  }

  const formOf = <P extends Part>(part: P): Partial<SettingsForm> => sent[part](now.value![part]);

  async function keep(part: Part): Promise<boolean> {
    delete troubles.value[part];
    busy.value = true;
    const sentAs = JSON.stringify(now.value![part]);
    try {
      show(await take(api.PUT('/api/workshop', { body: { version: from.value[part] ?? 0, ...formOf(part) } })), part, sentAs);
      keptParts.value[part] = !changed.value[part];
      return true;
    } catch (error) {
      const trouble = (troubles.value[part] = troubleOf(error));
      // Somebody else wrote on the same: theirs is shown when this is put back, and written over when it is kept all the same.
      if (trouble.status === 409) {
        await open();
        from.value[part] = view.value!.version;
      }
      return false;
    } finally {
      busy.value = false;
    }
  }

  let turn = 0;
  /** Asks what a part as it is written would touch, and shows its rules at work; what it refuses is said where it is kept. */
  async function look(part: Part, examples: boolean): Promise<void> {
    const mine = ++turn;
    try {
      const seen = await take(
        api.POST('/api/workshop/preview', {
          params: { query: { examples } },
          body: { version: from.value[part] ?? 0, ...(changed.value[part] ? formOf(part) : {}) },
        }),
      );
      if (mine !== turn) return;
      preview.value = seen;
      if (troubles.value[part]?.status === 400) delete troubles.value[part];
    } catch (error) {
      if (mine === turn) troubles.value[part] = troubleOf(error);
    }
  }

  async function takeWordBack(word: string): Promise<void> {
    delete troubles.value.page;
    try {
      show(await take(api.DELETE('/api/workshop/words/{word}', { params: { path: { word } } })));
    } catch (error) {
      troubles.value.page = troubleOf(error);
    }
  }

  watch(
    now,
    () => {
      shelve();
      for (const part of parts)
        if (changed.value[part]) delete keptParts.value[part];
        // Written back to what stands: nothing is wrong with it any more.
        else delete troubles.value[part];
    },
    { deep: true },
  );
  // Somebody else is signed in here now.
  watch(
    () => session.view?.id,
    () => {
      view.value = now.value = null;
    },
  );

  return { view, now, changed, troubles, keptParts, preview, busy, open, keep, putBack, look, takeWordBack };
});
