import type { Ahead } from '../shared/api/client';

/** What would stand behind the caret, and where it is taken from. */
export interface Offer {
  rest: string;
  source: string;
}

const wordSign = /[\p{L}\p{N}-]/u;
/** Fewer signs left are typed sooner than they are read. */
const fewestLeft = 3;
/** So many signs of a sentence, and of a word of the trade, are typed before it is offered; of the sheet's own names the core says it. */
const sentenceFrom = 2;
const wordFrom = 3;
/** Names are no longer than this; what is typed before them is not looked at. */
const longest = 80;

/** Where the sentence that is being typed begins. */
function sentenceStart(text: string): number {
  const ends = [...text.matchAll(/[.!?;:]\s+|\n/g)];
  const last = ends.at(-1);
  return last ? last.index + last[0].length : 0;
}

/**
 * What is offered behind a text, the caret at its end: the likely next step on an empty line, the rest of a sentence that
 * begins like one, of a name, a value or a word. Null where there is nothing worth a key.
 */
export function offerFor(text: string, ahead: Ahead | null, words: readonly string[]): Offer | null {
  if (text === '') return ahead?.next ? { rest: ahead.next, source: '' } : null;
  const typed = text.toLowerCase();
  const rest = (whole: string, from: number): string | null =>
    whole.toLowerCase().startsWith(typed.slice(from)) && whole.length - (typed.length - from) >= fewestLeft
      ? whole.slice(typed.length - from)
      : null;

  const sentence = sentenceStart(text);
  if (text.length - sentence >= sentenceFrom)
    for (const step of ahead?.steps ?? []) {
      const found = rest(step, sentence);
      if (found) return { rest: found, source: '' };
    }

  const phrases = ahead?.phrases ?? [];
  for (const phrase of phrases.filter((p) => p.behind)) {
    const behind = phrase.behind.toLowerCase();
    const at = typed.lastIndexOf(behind);
    const found = at >= 0 ? rest(phrase.text, at + behind.length) : null;
    if (found) return { rest: found, source: phrase.source };
  }

  // The most words that begin a name come first: "caliper br" before "br".
  for (let from = Math.max(sentence, text.length - longest); from < text.length - 1; from++) {
    if (!wordSign.test(text[from]!) || (from > 0 && wordSign.test(text[from - 1]!))) continue;
    const here = text.length - from;
    for (const phrase of phrases) {
      const found = !phrase.behind && here >= phrase.from ? rest(phrase.text, from) : null;
      if (found) return { rest: found, source: phrase.source };
    }
    const word = here >= wordFrom && words.find((w) => rest(w, from));
    if (word) return { rest: rest(word, from)!, source: '' };
  }
  return null;
}
