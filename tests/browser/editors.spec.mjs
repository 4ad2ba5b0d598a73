import { begin, expect, kept, share, test } from './workshop.mjs';

const EDITORS = ['alpha', 'bravo', 'delta', 'gamma', 'kilo', 'lima', 'omega', 'tango'];
const EDITS = 250;
const SHARED = 6;
const sentence = (name, n) => `Wipe pin ${name} ${n} times.`;

/** Everything that stands on the page, in order. */
const texts = (page) => page.locator('[data-step] textarea').evaluateAll((areas) => areas.map((a) => a.value));

/** Writes as somebody does who never rests, in the page's own fields; returns what of hers must stand at the end. */
function write(page, name, edits, shared) {
  return page.evaluate(
    async ({ name, edits, shared }) => {
      const ids = [...document.querySelectorAll('[data-step]')].slice(0, shared).map((s) => s.dataset.step);
      const area = (id) => document.querySelector(`[data-step="${id}"] textarea`);
      const set = Object.getOwnPropertyDescriptor(HTMLTextAreaElement.prototype, 'value').set;
      const rest = (ms) => new Promise((go) => setTimeout(go, ms));
      const type = (field, text) => {
        field.focus();
        set.call(field, text);
        field.dispatchEvent(new Event('input', { bubbles: true }));
      };
      const press = (where, key, more = {}) =>
        where.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...more }));
      const own = [];
      const last = Object.fromEntries(ids.map((id) => [id, 0]));
      const mine = new RegExp(`Wipe pin ${name} \\d+ times\\.`);
      const ofText = (text) => [...document.querySelectorAll('[data-step] textarea')].find((a) => a.value === text);
      for (let n = 1; n <= edits; n++) {
        const [dice, id] = [Math.random(), ids[Math.floor(Math.random() * ids.length)]];
        const held = own.length && ofText(own[Math.floor(Math.random() * own.length)]);
        if (dice < 0.8 || !area(id)) {
          const field = area(id);
          type(field, field.value.replace(mine, `Wipe pin ${name} ${n} times.`));
          last[id] = n;
          field.blur();
        } else if (dice < 0.9 && own.length < 4) {
          const field = area(id);
          field.focus();
          field.setSelectionRange(field.value.length, field.value.length);
          press(field, 'Enter');
          for (let tries = 0; document.activeElement === field || document.activeElement?.value !== ''; tries++) {
            if (tries > 200) throw new Error(`${name} ${n}: no new step`);
            await rest(20);
          }
          own.push(`Lay pin ${name} ${n} aside.`);
          type(document.activeElement, own.at(-1));
          document.activeElement.blur();
        } else if (held && dice < 0.95) {
          const gone = held.value;
          const step = held.closest('[data-step]');
          step.focus();
          press(step, 'Delete');
          own.splice(own.indexOf(gone), 1);
        } else if (held) {
          held.focus();
          press(held, Math.random() < 0.5 ? 'ArrowUp' : 'ArrowDown', { altKey: true });
        }
        await rest(40 + Math.random() * 260);
      }
      return { last: ids.map((id) => last[id]), own };
    },
    { name, edits, shared },
  );
}

/** A test of loss and not of speed: what each of eight types into the same steps at once stands there in the end, in every window and on the disk. */
test('eight write in one draft at once, offline now and then, and nothing of anybody is lost', async ({ enter }) => {
  test.setTimeout(1_500_000);
  const first = await enter(/Ines Aldaro/);
  await begin(first, 'OT-959', 'Pins, wiped by many');
  for (let i = 0; i < SHARED; i++) {
    await first.keyboard.insertText(EDITORS.map((name) => sentence(name, 0)).join(' '));
    if (i + 1 < SHARED) await first.keyboard.press('Enter');
  }
  await kept(first);
  await share(first, 'Marta Holm');
  const pages = [first];
  while (pages.length < EDITORS.length) pages.push(await enter(pages.length % 2 ? /Marta Holm/ : /Ines Aldaro/));
  for (const page of pages) {
    // Only what is in sight is drawn.
    await page.setViewportSize({ width: 1280, height: 12_000 });
    await page.goto(first.url());
    await expect(page.locator('[data-step] textarea')).toHaveCount(SHARED);
  }

  let writing = true;
  const written = Promise.all(EDITORS.map((name, i) => write(pages[i], name, EDITS, SHARED))).finally(() => (writing = false));
  const offline = (async () => {
    for (let i = 1; writing; i = (i + 3) % pages.length) {
      await pages[i].context().setOffline(true);
      await new Promise((go) => setTimeout(go, 2500));
      await pages[i].context().setOffline(false);
      await new Promise((go) => setTimeout(go, 1500));
    }
  })();
  const meant = await written;
  await offline;
  for (const page of pages) await expect(page.getByTestId('kept')).toHaveText(/^kept/, { timeout: 600_000 });

  // They came one by one, but for what was typed over before it could be sent.
  const id = /r\/(\d+)/.exec(first.url())[1];
  const { sheet } = await first.evaluate((id) => fetch(`/api/revisions/${id}`).then((r) => r.json()), id);
  expect(sheet.seq).toBeGreaterThan(EDITORS.length * EDITS * 0.6);

  const wanted = [...Array(SHARED).keys()].map((s) => EDITORS.map((name, i) => sentence(name, meant[i].last[s])).join(' '));
  const owned = meant.flatMap((m) => m.own).toSorted();
  const isOwned = (text) => text.startsWith('Lay pin');
  for (const page of pages)
    await expect.poll(async () => (await texts(page)).filter((t) => !isOwned(t)), { timeout: 60_000 }).toEqual(wanted);
  const order = await texts(first);
  expect(order.filter(isOwned).toSorted()).toEqual(owned);
  for (const page of pages) {
    expect(await texts(page)).toEqual(order);
    await page.reload();
    await expect.poll(() => texts(page)).toEqual(order);
  }
});
