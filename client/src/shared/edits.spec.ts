import { describe, expect, it } from 'vitest';
import { buildsOn, wordsOf, type Waiting } from '../outbox/waiting';
import type { Edit } from './api/client';
import { madeBy, orderOf, stepsOf, textFrom } from './edits';

const waiting = (edit: Edit): Waiting => ({
  key: 1,
  clientId: 'c',
  person: 'p',
  personName: 'P',
  revision: 7,
  where: '',
  edit,
  at: 0,
  stamp: 0,
});

const pasted: Edit = {
  do: 'several',
  label: '2 new steps',
  edits: [
    {
      do: 'insertSteps',
      phase: 'h',
      after: 'a',
      steps: [
        { id: 'n1', text: 'Clean the hub.' },
        { id: 'n2', text: 'Clean the axle.' },
        { id: null, text: 'The server names this one.' },
      ],
    },
    { do: 'removeSteps', steps: [{ id: 'a', before: '' }] },
  ],
};

describe('what an edit does to the order of steps', () => {
  it('is the same of one and of many, and in groups', () => {
    expect(orderOf({ do: 'insertStep', id: 'n', phase: 'h', after: null, text: 't' })).toEqual(
      orderOf({ do: 'insertSteps', phase: 'h', after: null, steps: [{ id: 'n', text: 't' }] }),
    );
    expect(orderOf({ do: 'removeStep', id: 'n', before: 't' })).toEqual(orderOf({ do: 'removeSteps', steps: [{ id: 'n', before: 't' }] }));
    expect(orderOf({ do: 'moveStep', id: 'n', phase: 'h', after: 'a' })).toEqual(
      orderOf({ do: 'moveSteps', ids: ['n'], phase: 'h', after: 'a' }),
    );
    expect(orderOf(pasted)).toHaveLength(2);
    expect(madeBy(pasted)).toEqual(['n1', 'n2']);
    expect(textFrom(pasted, 'n2')).toBe('Clean the axle.');
  });

  it('makes what is written into a pasted step wait with a paste that was refused, and leaves other steps alone', () => {
    const refused = waiting(pasted);
    expect(buildsOn(waiting({ do: 'writeStep', id: 'n2', before: 'Clean the axle.', text: 'Clean both axles.' }), refused)).toBe(true);
    expect(buildsOn(waiting({ do: 'moveSteps', ids: ['x', 'n1'], phase: 'h', after: null }), refused)).toBe(true);
    expect(buildsOn(waiting({ do: 'writeStep', id: 'x', before: '', text: 'Clean.' }), refused)).toBe(false);
  });

  it('is told in the outbox with every line that was pasted, so that none is lost where it is refused', () => {
    const { text } = wordsOf(waiting(pasted));
    for (const line of ['Clean the hub.', 'Clean the axle.', 'The server names this one.']) expect(text).toContain(line);
  });

  it('brings so many steps, also in a group', () => {
    expect(stepsOf(pasted)).toBe(3);
    expect(stepsOf(null)).toBe(0);
  });
});
