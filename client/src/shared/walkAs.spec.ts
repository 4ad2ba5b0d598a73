import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, describe, expect, it } from 'vitest';
import type { StepView } from './api/client';
import { useDraft } from './draft';
import { useWalkAs } from './walkAs';

const step = (id: string, branches: { key: string; says: string }[] = []): StepView => ({
  id,
  text: '',
  only: '',
  branches,
  chips: [],
  questions: [],
  cautions: [],
  dropped: [],
  residue: [],
  lost: [],
  measures: false,
  fields: {},
  figures: [],
  shown: [],
});

describe('walking as', () => {
  beforeEach(() => setActivePinia(createPinia()));

  function draftOf(): ReturnType<typeof useDraft> {
    const draft = useDraft();
    draft.phases = [{ id: 'h1', name: 'Removal', steps: ['s1', 's2'] }];
    draft.steps.set('s1', step('s1'));
    draft.steps.set('s2', step('s2', [{ key: 's2=1', says: 'or, if it sits fast' }]));
    draft.factors = [
      { name: 'wheels', options: ['steel wheels', 'cast wheels'] },
      { name: 'side', options: ['left', 'right'] },
    ];
    return draft;
  }

  it('is the first of everything, as planned, until something is chosen', () => {
    draftOf();
    const walkAs = useWalkAs();
    expect(walkAs.key).toBe('steel wheels|left');
    walkAs.choose('side', 'right');
    walkAs.turn('s2', 's2=1');
    expect(walkAs.key).toBe('steel wheels|right|s2=1');
    expect(walkAs.says).toBe('steel wheels · right · step 2 or, if it sits fast');
    walkAs.turn('s2', '');
    expect(walkAs.key).toBe('steel wheels|right');
  });

  it('forgets an option that the header no longer has, and a turn its step no longer has', () => {
    const draft = draftOf();
    const walkAs = useWalkAs();
    walkAs.choose('side', 'right');
    walkAs.turn('s2', 's2=1');
    draft.factors = [{ name: 'side', options: ['front', 'rear'] }];
    draft.steps.set('s2', step('s2'));
    expect(walkAs.key).toBe('front');
  });

  it('is not offered where nothing differs', () => {
    const draft = draftOf();
    draft.factors = [];
    draft.steps.set('s2', step('s2'));
    const walkAs = useWalkAs();
    expect(walkAs.isOffered).toBe(false);
    expect(walkAs.key).toBe('');
    expect(walkAs.says).toBe('as planned');
  });
});
