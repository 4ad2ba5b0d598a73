// The server's times are UTC; some come without saying so.
const dateOf = (iso: string): Date => new Date(iso.endsWith('Z') ? iso : `${iso}Z`);

/** A day, as it is written here: 25 Nov 2026. */
export const day = (iso: string, month: 'short' | 'long' = 'short'): string =>
  dateOf(iso).toLocaleDateString('en-GB', { day: 'numeric', month, year: 'numeric' });

/** A day and the time on it. */
export const dayAndTime = (iso: string): string =>
  dateOf(iso).toLocaleString('en-GB', { day: 'numeric', month: 'short', year: 'numeric', hour: '2-digit', minute: '2-digit' });

/** A time of day, with the date where it was another day. */
export function clock(at: number): string {
  const date = new Date(at);
  const time = date.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
  return date.toDateString() === new Date().toDateString()
    ? time
    : `${date.toLocaleDateString('en-GB', { day: 'numeric', month: 'short' })} ${time}`;
}
