/** So many characters on each side of the caret tell where it stands. */
const CONTEXT = 24;

/** Where a caret belongs in a text that somebody else has changed: between the same words as before, as near as can be. */
export function caretIn(was: string, now: string, at: number): number {
  let head = 0;
  while (head < was.length && head < now.length && was[head] === now[head]) head++;
  if (at <= head) return at;
  let tail = 0;
  while (tail < was.length - head && tail < now.length - head && was.at(-1 - tail) === now.at(-1 - tail)) tail++;
  if (at >= was.length - tail) return at + now.length - was.length;
  // Changed before and behind it: by the words around it, as many as stand there still.
  for (let length = CONTEXT; length > 2; length--) {
    const before = was.slice(Math.max(head, at - length), at);
    const behind = was.slice(at, Math.min(was.length - tail, at + length));
    const found = now.indexOf(before + behind, head);
    if (found >= 0) return found + before.length;
  }
  return head;
}
