import type { LocationQuery, LocationQueryRaw } from 'vue-router';
import type { RevisionState } from '../shared/api/client';

/** What the shelf is asked for. */
export interface Asked {
  q: string;
  state?: RevisionState;
  platform?: string;
  owner?: string;
  mine?: boolean;
  findings?: 'stop' | 'any' | 'none';
  sort: 'changed' | 'number' | 'title';
  page: number;
}

const one = (value: LocationQuery[string] | undefined): string | undefined =>
  typeof value === 'string' && value !== '' ? value : undefined;
const among = <T extends string>(value: string | undefined, words: readonly T[]): T | undefined => words.find((w) => w === value);

/** What an address asks for; what is none of the shelf's words is left out. */
export const asked = (query: LocationQuery): Asked => ({
  q: one(query.q)?.slice(0, 200) ?? '',
  state: among(one(query.state), ['draft', 'in review', 'released', 'superseded', 'withdrawn']),
  platform: one(query.platform),
  owner: one(query.owner),
  mine: query.mine === 'true' ? true : undefined,
  findings: among(one(query.findings), ['stop', 'any', 'none']),
  sort: among(one(query.sort), ['changed', 'number', 'title']) ?? 'changed',
  page: Math.max(1, Math.min(1_000_000, Number(one(query.page)) || 1)),
});

/** The same as an address, what is usual left out. */
export const inAddress = ({ q, page, sort, mine, ...rest }: Asked): LocationQueryRaw =>
  Object.fromEntries(
    Object.entries({
      q: q || undefined,
      ...rest,
      mine: mine ? 'true' : undefined,
      sort: sort === 'changed' ? undefined : sort,
      page: page > 1 ? String(page) : undefined,
    }).filter(([, value]) => value !== undefined),
  );
