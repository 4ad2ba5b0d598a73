import { api, take } from '../shared/api/client';
import { save } from '../shared/save';

/** Has the browser save what the server gives only to who has said again that it is she. */
export async function download(address: string): Promise<void> {
  await take(api.GET('/api/session/confirmed'));
  save(address);
}
