import { NotConnected, Refused, type Trouble } from './client';

/** A caught error as something to show. Anything that is neither a refusal nor a lost connection is a fault of ours and goes on up. */
export function troubleOf(error: unknown): Trouble {
  if (error instanceof Refused) return error.trouble;
  if (error instanceof NotConnected)
    return { status: 0, title: 'The server cannot be reached.', detail: 'Check the connection and try again.' };
  throw error;
}
