import { expect, test } from 'vitest';
import { readDay } from './dayText';

// A Saturday.
const today = new Date(2026, 10, 28);

test.each([
  ['2026-12-04', '2026-12-04'],
  ['4 Dec 2026', '2026-12-04'],
  ['4. December', '2026-12-04'],
  ['Dec 4th, 2026', '2026-12-04'],
  ['4.12.', '2026-12-04'],
  ['4.12.26', '2026-12-04'],
  ['13/12', '2026-12-13'],
  ['12/13/2026', '2026-12-13'],
  ['5/5/2027', '2027-05-05'],
  // Without a year: the next one.
  ['27 Nov', '2027-11-27'],
  ['28 Nov', '2026-11-28'],
  ['today', '2026-11-28'],
  ['tomorrow', '2026-11-29'],
  ['Friday', '2026-12-04'],
  ['next Mon', '2026-11-30'],
  ['saturday', '2026-12-05'],
  ['in 5 days', '2026-12-03'],
  ['in 2 weeks', '2026-12-12'],
  ['29 Feb 2028', '2028-02-29'],
])('%s is %s', (text, iso) => expect(readDay(text, today)).toEqual({ iso }));

test.each([
  ['3/4/2026', 'Which is the month in 3/4/2026? Write it as 3 Apr or 4 Mar.'],
  ['29 Feb 2027', 'There is no such day.'],
  ['31.4.', 'There is no such day.'],
  ['soon', 'No day was read.'],
  ['2026', 'No day was read.'],
])('%s is asked', (text, says) => expect(readDay(text, today)).toEqual({ problem: expect.stringContaining(says) as string }));
