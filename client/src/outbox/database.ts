import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { RevisionView, ShelfRow } from '../shared/api/client';
import type { Waiting } from './waiting';

/** A sheet as it was last read by somebody, to be opened without a connection. */
export interface KeptSheet {
  person: string;
  revision: number;
  at: number;
  view: RevisionView;
}

interface Schema extends DBSchema {
  waiting: { key: number; value: Waiting; indexes: { person: string } };
  sheets: { key: [string, number]; value: KeptSheet };
  leases: { key: string; value: { name: string; holder: string; until: number } };
}

export type Database = IDBPDatabase<Schema>;

const SHEETS_KEPT = 20;
let opened: Promise<Database> | null = null;

/** The browser's own database, one for all people who sign in here. */
export function database(): Promise<Database> {
  opened ??= openDB<Schema>('wornpath', 1, {
    upgrade(db) {
      db.createObjectStore('waiting', { keyPath: 'key', autoIncrement: true }).createIndex('person', 'person');
      db.createObjectStore('sheets', { keyPath: ['person', 'revision'] });
      db.createObjectStore('leases', { keyPath: 'name' });
    },
    // Another tab wants a newer form: it shall not wait for this one.
    blocking: (_current, _wanted, event) => (event.target as IDBDatabase).close(),
    terminated: () => (opened = null),
  });
  opened.catch(() => (opened = null));
  return opened;
}

/** Keeps a sheet for reading without a connection; of many, those opened lately. */
export async function keepSheet(person: string, view: RevisionView): Promise<void> {
  const db = await database();
  const tx = db.transaction('sheets', 'readwrite');
  await tx.store.put({ person, revision: view.id, at: Date.now(), view: JSON.parse(JSON.stringify(view)) as RevisionView });
  const mine = (await tx.store.getAll(IDBKeyRange.bound([person, 0], [person, Infinity]))).sort((a, b) => b.at - a.at);
  for (const old of mine.slice(SHEETS_KEPT)) await tx.store.delete([person, old.revision]);
  await tx.done;
}

/** A sheet kept for somebody, or undefined. What a page of an earlier version kept is without what came since. */
export async function keptSheet(person: string, revision: number): Promise<KeptSheet | undefined> {
  const kept = await (await database()).get('sheets', [person, revision]);
  if (!kept) return kept;
  const view = kept.view as Partial<RevisionView>;
  return {
    ...kept,
    view: {
      ...kept.view,
      bulletins: view.bulletins ?? [],
      signing: view.signing ?? { needed: 1, why: '', signed: [] },
      lookAgainBy: view.lookAgainBy ?? null,
    },
  };
}

/** The shelf of what can be opened without a connection: the sheets kept for somebody, the latest first. */
export async function keptShelf(person: string): Promise<ShelfRow[]> {
  const kept = await (await database()).getAll('sheets', IDBKeyRange.bound([person, 0], [person, Infinity]));
  return kept
    .sort((a, b) => b.at - a.at)
    .map(({ view }) => {
      const findings = view.sheet.findings ?? [];
      const stops = findings.filter((f) => f.severity === 'stop').length;
      return {
        procedureId: view.procedureId,
        revisionId: view.id,
        number: view.number,
        title: view.title,
        platform: view.platform,
        letter: view.letter,
        state: view.state,
        stops,
        warnings: findings.length - stops,
        steps: view.sheet.steps.length,
        who: view.author,
        changedAt: view.changedAt,
        found: [],
      };
    });
}
