import type { UseKind } from '../shared/api/client';

/** What is looked for, in the order it is asked for most. */
export const kinds: { key: UseKind; one: string; many: string }[] = [
  { key: 'document', one: 'document', many: 'documents' },
  { key: 'source', one: 'page', many: 'pages cited' },
  { key: 'value', one: 'kept value', many: 'kept values' },
  { key: 'block', one: 'block', many: 'blocks' },
  { key: 'joint', one: 'fastener and value', many: 'fasteners and values' },
  { key: 'part', one: 'part', many: 'parts' },
  { key: 'tool', one: 'tool', many: 'tools and aids' },
  { key: 'consumable', one: 'used up', many: 'what is used up' },
  { key: 'fluid', one: 'fluid', many: 'fluids' },
  { key: 'connection', one: 'connection', many: 'connections' },
];
