const months = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];
const weekdays = ['sun', 'mon', 'tue', 'wed', 'thu', 'fri', 'sat'];

/** A day as it was read, or why it was not: a day is never guessed. */
export type ReadDay = { iso: string } | { problem: string };

const isoOf = (date: Date): string =>
  `${date.getFullYear()}-${String(date.getMonth() + 1).padStart(2, '0')}-${String(date.getDate()).padStart(2, '0')}`;

const after = (today: Date, days: number): ReadDay => ({
  iso: isoOf(new Date(today.getFullYear(), today.getMonth(), today.getDate() + days)),
});

const examples = 'Write it as 4 Dec 2026, 2026-12-04, Friday or in 5 days.';

function dayOf(day: number, month: number, year: number | undefined, today: Date): ReadDay {
  const of = (y: number): Date => new Date(y, month - 1, day);
  const written = year === undefined ? today.getFullYear() : year < 100 ? 2000 + year : year;
  let date = of(written);
  if (month < 1 || month > 12 || date.getMonth() !== month - 1) return { problem: `There is no such day. ${examples}` };
  // Without a year it is the next one.
  if (year === undefined && isoOf(date) < isoOf(today)) date = of(written + 1);
  return date.getMonth() === month - 1 ? { iso: isoOf(date) } : { problem: `There is no such day. ${examples}` };
}

const named = (month: number): string => months[month - 1]!.replace(/^./, (letter) => letter.toUpperCase());

const number = (text: string | undefined): number | undefined => (text === undefined ? undefined : Number(text));

/** Reads a day in any of the ways people write one. Where two days could be meant, it asks. */
export function readDay(text: string, today: Date): ReadDay {
  const said = text.trim().toLowerCase().replace(/\s+/g, ' ');
  const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(said);
  if (iso) return dayOf(Number(iso[3]), Number(iso[2]), Number(iso[1]), today);
  if (said === 'today') return after(today, 0);
  if (said === 'tomorrow') return after(today, 1);
  const ahead = /^in (\d{1,3}) (day|week)s?$/.exec(said);
  if (ahead) return after(today, Number(ahead[1]) * (ahead[2] === 'week' ? 7 : 1));

  const weekday = /^(?:(?:on|next) )?([a-z]{3})[a-z]*$/.exec(said);
  const wanted = weekdays.indexOf(weekday?.[1] ?? '');
  if (wanted >= 0) return after(today, (wanted - today.getDay() + 6) % 7 === 6 ? 7 : (wanted - today.getDay() + 7) % 7);

  const dayFirst = /^(\d{1,2})(?:st|nd|rd|th|\.)? ([a-z]{3})[a-z]*\.?,?(?: (\d{4}|\d{2}))?$/.exec(said);
  if (dayFirst && months.includes(dayFirst[2]!))
    return dayOf(Number(dayFirst[1]), months.indexOf(dayFirst[2]!) + 1, number(dayFirst[3]), today);
  const american = /^([a-z]{3})[a-z]*\.? (\d{1,2})(?:st|nd|rd|th)?,?(?: (\d{4}))?$/.exec(said);
  if (american && months.includes(american[1]!))
    return dayOf(Number(american[2]), months.indexOf(american[1]!) + 1, number(american[3]), today);
  const dotted = /^(\d{1,2})\. ?(\d{1,2})\.? ?(\d{4}|\d{2})?$/.exec(said);
  if (dotted) return dayOf(Number(dotted[1]), Number(dotted[2]), number(dotted[3]), today);
  const slashed = /^(\d{1,2})\/(\d{1,2})(?:\/(\d{4}|\d{2}))?$/.exec(said);
  if (slashed) {
    const [first, second] = [Number(slashed[1]), Number(slashed[2])];
    if (first <= 12 && second <= 12 && first !== second)
      return {
        problem: `Which is the month in ${text.trim()}? Write it as ${first} ${named(second)} or ${second} ${named(first)}.`,
      };
    return dayOf(Math.max(first, second), Math.min(first, second), number(slashed[3]), today);
  }
  return { problem: `No day was read. ${examples}` };
}
