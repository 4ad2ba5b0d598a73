import { describe, expect, it } from 'vitest';
import { caretIn } from './caret';

/** The text with its caret as a stroke. */
const kept = (was: string, now: string): string => {
  const at = was.indexOf('|');
  const to = caretIn(was.replace('|', ''), now, at);
  return `${now.slice(0, to)}|${now.slice(to)}`;
};

describe('the caret in a text somebody else changes', () => {
  it.each([
    ['Lift it| off. Wipe it.', 'Lift it off. Wipe it dry.', 'Lift it| off. Wipe it dry.'],
    ['Lift it off. Wipe it|.', 'Lift the cover off. Wipe it.', 'Lift the cover off. Wipe it|.'],
    [
      'One. Lift it off| now. Three.',
      'One and a half. Lift it off now. Three and a half.',
      'One and a half. Lift it off| now. Three and a half.',
    ],
    ['Lift it off.|', 'Lift it off. Wipe it.', 'Lift it off.| Wipe it.'],
    ['|Lift it off.', 'Wipe it. Lift it off.', '|Wipe it. Lift it off.'],
    ['Lift| it.', '', '|'],
    ['Wipe it.|', 'Wipe it.', 'Wipe it.|'],
  ])('%s becomes %s', (was, now, wanted) => expect(kept(was, now)).toBe(wanted));
});
