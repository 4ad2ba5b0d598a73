import { createPinia, setActivePinia } from 'pinia';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { effectScope, nextTick, ref, type EffectScope } from 'vue';
import { NotConnected } from './api/client';
import { useAsked } from './asked';
import { useDraft } from './draft';

describe('what the core is asked', () => {
  let scope: EffectScope;
  let waiting: { question: string; answer: (text: string) => void; fail: () => void }[];
  const question = ref<string | null>(null);

  const settle = async (): Promise<void> => {
    for (let i = 0; i < 6; i++) await Promise.resolve();
    await nextTick();
  };

  function start(): ReturnType<typeof useAsked<string>> {
    return scope.run(() =>
      useAsked(
        () => question.value,
        (_, asked) =>
          new Promise<string>((resolve, reject) => {
            waiting.push({ question: asked, answer: resolve, fail: () => reject(new NotConnected()) });
          }),
      ),
    )!;
  }

  async function ask(next: string | null): Promise<void> {
    question.value = next;
    await settle();
  }

  beforeEach(() => {
    setActivePinia(createPinia());
    useDraft().revision = { id: 7 } as never;
    scope = effectScope();
    waiting = [];
    question.value = null;
  });
  afterEach(() => scope.stop());

  it('asks nothing while there is no question, and forgets its answer when there is none any more', async () => {
    const { answer } = start();
    await settle();
    expect(waiting).toHaveLength(0);
    await ask('refit of h1');
    waiting[0]!.answer('six steps');
    await settle();
    expect(answer.value).toBe('six steps');
    await ask(null);
    expect(answer.value).toBeNull();
  });

  it('lets the later of two questions count, whichever is answered first', async () => {
    const { answer } = start();
    await ask('left');
    await ask('right');
    expect(waiting.map((w) => w.question)).toEqual(['left', 'right']);
    waiting[1]!.answer('of the right');
    await settle();
    waiting[0]!.answer('of the left');
    await settle();
    expect(answer.value).toBe('of the right');
  });

  it('asks again when the draft changes, the old answer in sight until then', async () => {
    const { answer } = start();
    await ask('chart');
    waiting[0]!.answer('of ten steps');
    await settle();
    useDraft().seq++;
    await settle();
    useDraft().seq++;
    await settle();
    expect(waiting).toHaveLength(3);
    expect(answer.value).toBe('of ten steps');
    waiting[1]!.answer('of eleven');
    await settle();
    expect(answer.value).toBe('of eleven');
    waiting[2]!.answer('of twelve');
    await settle();
    expect(answer.value).toBe('of twelve');
  });

  it('keeps an answer that cannot be had again, and shows none to a question that failed', async () => {
    const { answer, trouble, again } = start();
    await ask('left');
    waiting[0]!.answer('of the left');
    await settle();
    void again();
    await settle();
    waiting[1]!.fail();
    await settle();
    expect(answer.value).toBe('of the left');
    expect(trouble.value).not.toBeNull();
    await ask('right');
    waiting[2]!.fail();
    await settle();
    expect(answer.value).toBeNull();
    await ask('left');
    waiting[3]!.answer('of the left again');
    await settle();
    expect(answer.value).toBe('of the left again');
    expect(trouble.value).toBeNull();
  });
});
