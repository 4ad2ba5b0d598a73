// The server's times are UTC; some come without saying so.
const dateOf = (iso: string): Date => new Date(iso.endsWith('Z') ? iso : `${iso}Z`);

/** A day, as it is written here: 25 Nov 2026. */
export const day = (iso: string, month: 'short' | 'long' = 'short'): string =>
  dateOf(iso).toLocaleDateString('en-GB', { day: 'numeric', month, year: 'numeric' });

/** A day and the time on it. */
export const dayAndTime = (iso: string): string =>
  dateOf(iso).toLocaleString('en-GB', { day: 'numeric', month: 'short', year: 'numeric', hour: '2-digit', minute: '2-digit' });
