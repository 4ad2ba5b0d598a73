import { shallowRef, type ShallowRef } from 'vue';
import { api, take, type FieldView, type ThingKind } from './api/client';

const fields: ShallowRef<Partial<Record<ThingKind, FieldView[]>>> = shallowRef({});

/** The fields of each kind of thing, as the core has them; asked for once. */
export async function askFields(): Promise<void> {
  if (Object.keys(fields.value).length > 0) return;
  const kinds = await take(api.GET('/api/fields'));
  fields.value = Object.fromEntries(kinds.map((k) => [k.kind, k.fields]));
}

export const useFields = (): ShallowRef<Partial<Record<ThingKind, FieldView[]>>> => fields;
