import { database } from './database';
import { newId } from '../shared/ids';

const LEASE_MS = 4000;

/**
 * Calls `lead` in one tab of all that are open, until that one is closed; then in another. By the browser's locks; where it has none
 * (a page over plain http), by a lease in the database that its holder renews.
 */
export function asLeader(lead: () => void): void {
  if (navigator.locks) {
    void navigator.locks.request('wornpath-outbox', () => {
      lead();
      // Held as long as the page lives.
      return new Promise<never>(() => undefined);
    });
    return;
  }
  const holder = newId();
  let leads = false;
  const beat = async (): Promise<void> => {
    try {
      const tx = (await database()).transaction('leases', 'readwrite');
      const now = Date.now();
      const lease = await tx.store.get('outbox');
      const free = !lease || lease.holder === holder || lease.until < now || lease.until > now + LEASE_MS;
      if (free) await tx.store.put({ name: 'outbox', holder, until: now + LEASE_MS });
      await tx.done;
      if (free && !leads) {
        leads = true;
        lead();
      }
    } catch {
      // Without a database every tab sends what is its own.
      if (!leads) {
        leads = true;
        lead();
      }
    }
  };
  void beat();
  setInterval(() => void beat(), LEASE_MS / 3);
}
