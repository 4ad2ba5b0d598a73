import { describe, expect, it } from 'vitest';
import { NotConnected } from './api/client';
import { EditQueue, type Queued, type QueueState } from './editQueue';

class Memory implements Storage {
  private readonly map = new Map<string, string>();
  get length(): number {
    return this.map.size;
  }
  clear = (): void => this.map.clear();
  getItem = (key: string): string | null => this.map.get(key) ?? null;
  key = (): string | null => null;
  removeItem = (key: string): void => void this.map.delete(key);
  setItem = (key: string, value: string): void => void this.map.set(key, value);
}

const write = (text: string): Queued['edit'] => ({ do: 'setField', id: 'J1', field: 'source', before: '', after: text });

function queueOver(storage: Memory, send: (item: Queued) => Promise<void>): { queue: EditQueue; states: QueueState[] } {
  const states: QueueState[] = [];
  const queue = new EditQueue('q', send, (s) => states.push(s), 5, storage);
  queue.start();
  return { queue, states };
}

describe('the edit queue', () => {
  it('sends edits one after the other, in the order they were made', async () => {
    const sent: string[] = [];
    let under = 0;
    const { queue } = queueOver(new Memory(), async (item) => {
      expect(++under).toBe(1);
      await new Promise((r) => setTimeout(r, 2));
      under--;
      sent.push(item.edit?.do === 'setField' ? item.edit.after : '');
    });
    for (const text of ['a', 'b', 'c']) queue.add({ revision: 1, edit: write(text) });
    await queue.settled();
    expect(sent).toEqual(['a', 'b', 'c']);
  });

  it('keeps an edit through a lost connection and sends it again under the same id', async () => {
    const ids: string[] = [];
    let down = true;
    const { queue, states } = queueOver(new Memory(), async (item) => {
      ids.push(item.clientId);
      if (down) {
        down = false;
        throw new NotConnected();
      }
    });
    queue.add({ revision: 1, edit: write('a') });
    await new Promise((r) => setTimeout(r, 40));
    expect(ids).toHaveLength(2);
    expect(ids[0]).toBe(ids[1]);
    expect(states.some((s) => !s.connected && s.waiting === 1)).toBe(true);
    expect(states.at(-1)).toEqual({ waiting: 0, connected: true, kept: true });
  });

  it('sends what an earlier page could not, after a reload', async () => {
    const storage = new Memory();
    const first = queueOver(storage, () => Promise.reject(new NotConnected()));
    first.queue.add({ revision: 1, edit: write('typed while away') });
    await new Promise((r) => setTimeout(r, 10));
    first.queue.stop();

    const sent: Queued[] = [];
    const second = queueOver(storage, async (item) => void sent.push(item));
    await second.queue.settled();
    expect(sent.map((s) => (s.edit?.do === 'setField' ? s.edit.after : ''))).toEqual(['typed while away']);
    expect(storage.getItem('q')).toBeNull();
  });

  it('joins texts of one step that are not on their way yet, and gives each the text that was seen', async () => {
    const sent: [string, string][] = [];
    let seen = '';
    const { queue } = queueOver(new Memory(), async (item) => {
      await new Promise((r) => setTimeout(r, 3));
      if (item.edit?.do === 'writeStep') {
        sent.push([item.edit.before, item.edit.text]);
        seen = item.edit.text;
      }
    });
    for (const text of ['R', 'Re', 'Remove', 'Remove the cover.']) queue.addText(1, 's1', text, () => seen);
    await queue.settled();
    expect(sent).toEqual([
      ['', 'R'],
      ['R', 'Remove the cover.'],
    ]);
  });
});
