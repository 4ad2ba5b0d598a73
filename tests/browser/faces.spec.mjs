import AxeBuilder from '@axe-core/playwright';
import Ajv2020 from 'ajv/dist/2020.js';
import { unit } from 'mathjs';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { begin, expect, fromShelf, kept, pasteLines, root, test } from './workshop.mjs';

/** What axe finds serious or worse on a page, as lines a person can act on. */
async function serious(page) {
  const { violations } = await new AxeBuilder({ page }).analyze();
  return violations
    .filter((v) => v.impact === 'serious' || v.impact === 'critical')
    .map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join('; ')}`);
}

test('axe finds nothing serious before signing in, on the shelf, nor on the dialogs', async ({ enter, page }) => {
  await page.goto('/sign-in');
  await expect(page.getByRole('button', { name: /Ines Aldaro/ })).toBeVisible();
  expect(await serious(page)).toEqual([]);
  const ines = await enter(/Ines Aldaro/);
  expect(await serious(ines)).toEqual([]);
  await ines.goto('/r/1/write');
  await ines.getByRole('button', { name: 'Keys and glyphs' }).click();
  await expect(ines.getByRole('dialog')).toBeVisible();
  await ines.waitForTimeout(400);
  expect(await serious(ines), 'keys').toEqual([]);
  await ines.keyboard.press('Escape');
  await ines.locator('header .count').click();
  await expect(ines.getByText('Findings (22)')).toBeVisible();
  await ines.waitForTimeout(400);
  expect(await serious(ines), 'findings').toEqual([]);

  // A joint opened from its chip, and a blank sheet with the ways to begin.
  await ines.keyboard.press('Escape');
  await ines.locator('.chip .word', { hasText: /J\d/ }).first().click();
  await ines.getByRole('button', { name: /: fastener, torque, source …$/ }).click();
  await expect(ines.getByLabel('source of the value of J7')).toBeVisible();
  expect(await serious(ines), 'a joint beside the text').toEqual([]);
  await ines.goto('/');
  await begin(ines, 'OT-195', 'Blank');
  await expect(ines.getByRole('region', { name: 'How to begin' }).getByRole('link')).toBeVisible();
  expect(await serious(ines), 'a blank sheet').toEqual([]);
  await ines.keyboard.type('Park up.');
  await expect(ines.getByRole('region', { name: 'How to begin' })).toHaveCount(0);
});

test('an explained finding, the places of the sheet and the keys are reached without a mouse', async ({ enter }) => {
  const page = await enter(/Ines Aldaro/);
  await page.goto('/r/1/write');
  await expect(page.getByRole('textbox', { name: 'Step 1', exact: true })).toBeVisible();
  await page.keyboard.press('Control+k');
  await page.getByRole('combobox').fill('bracket bolts');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(page.locator('.step.active textarea')).toBeFocused();
  await page.keyboard.press('Escape');
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toContainText('next finding');
  await page.keyboard.press('Escape');
  // Gone, it gives the focus back to where one was.
  await expect(page.getByRole('dialog')).toBeHidden();
  await page.keyboard.press('F8');
  await page.locator('.found .why').first().press('Enter');
  await expect(page.getByRole('dialog').last()).toContainText('What it rests on');
});

test('steps are moved, parted, taken to another phase, chosen and deleted by keyboard, and Tab goes through', async ({ enter }) => {
  const page = await enter(/Ines Aldaro/);
  await page.goto('/');
  await begin(page, 'OT-180', 'Keys');
  const keys = page.keyboard;
  const texts = () => page.locator('.step textarea').evaluateAll((areas) => areas.map((a) => a.value));
  await keys.type('Clean the face. Clean the bore.');
  for (let i = 0; i < 15; i++) await keys.press('ArrowLeft');
  await keys.press('Enter');
  await expect.poll(texts).toEqual(['Clean the face.', 'Clean the bore.']);
  await keys.press('Alt+ArrowUp');
  await expect.poll(texts).toEqual(['Clean the bore.', 'Clean the face.']);
  // Into the next phase by its own keys, and it is said; Tab only goes on.
  await keys.press('Alt+Shift+ArrowDown');
  await expect(page.locator('.phase').nth(1).locator('textarea')).toHaveValue('Clean the bore.');
  await expect(page.getByTestId('said')).toContainText('The step is in “Removal” now');
  await keys.press('Tab');
  await expect(page.getByRole('button', { name: 'Step 2: move, delete and more' })).not.toBeFocused();
  await expect(page.locator('.phase').nth(1).locator('textarea')).toHaveValue('Clean the bore.');
  await keys.press('Shift+Tab');
  await keys.press('Enter');
  await keys.press('Backspace');
  await expect.poll(texts).toEqual(['Clean the face.', 'Clean the bore.']);
  await kept(page);
  // The address leads to the step: a reload returns there.
  await expect(page).toHaveURL(/step=/);
  await page.reload();
  await expect.poll(texts).toEqual(['Clean the face.', 'Clean the bore.']);
  await expect(page.getByRole('textbox', { name: 'Step 2', exact: true })).toBeFocused();
  await page.locator('.step textarea').first().focus();
  await pasteLines(page, '1. Clean the hub.\n2. Clean the axle.');
  await expect.poll(texts).toEqual(['Clean the face.', 'Clean the hub.', 'Clean the axle.', 'Clean the bore.']);

  // Several are chosen from the text on, moved together and taken away; one undo each.
  await keys.press('Shift+ArrowDown');
  await keys.press('Shift+ArrowUp');
  await expect(page.getByRole('group', { name: 'Chosen steps' })).toContainText('2 steps chosen');
  await keys.press('Alt+ArrowUp');
  await expect.poll(texts).toEqual(['Clean the hub.', 'Clean the axle.', 'Clean the face.', 'Clean the bore.']);
  await keys.press('Delete');
  await expect.poll(texts).toEqual(['Clean the face.', 'Clean the bore.']);
  await keys.press('Control+z');
  await keys.press('Control+z');
  await expect.poll(texts).toEqual(['Clean the face.', 'Clean the hub.', 'Clean the axle.', 'Clean the bore.']);

  // The menu of a step, by keys: a new phase from here on, its name written at once.
  await page.getByRole('textbox', { name: 'Step 3', exact: true }).focus();
  await keys.press('Control+m');
  await expect(page.getByRole('menu')).toBeVisible();
  await keys.press('n');
  await keys.press('Enter');
  await expect(page.getByLabel('Name of phase New phase')).toBeFocused();
  await keys.type('Cleaning');
  await keys.press('Enter');
  await kept(page);
  await page.reload();
  await expect(page.locator('.phase h2 input').nth(1)).toHaveValue('Cleaning');
  await expect(page.locator('.phase').nth(1).locator('textarea')).toHaveValue('Clean the axle.');
});

test('a hundred pasted lines are one edit, and one undo takes them back', async ({ enter }) => {
  const page = await enter(/Ines Aldaro/);
  await begin(page, 'OT-182', 'Pasted');
  const sent = [];
  page.on('request', (r) => r.url().endsWith('/edits') && sent.push(r.url()));
  const lines = Array.from({ length: 100 }, (_, i) => `${i + 1}. ${i % 2 ? 'Remove the strap bolts.' : 'Clean the face of the strap.'}`);
  await pasteLines(page, lines.join('\n'));
  // They stand there at once, before the server has answered.
  expect(await page.locator('.step').count()).toBe(100);
  await expect(page.getByRole('textbox', { name: 'Step 100', exact: true })).toBeFocused();
  await kept(page);
  await expect(page.locator('.step.active .chip').first()).toContainText('strap bolts');
  expect(sent).toHaveLength(1);
  await page.keyboard.press('Control+z');
  await expect(page.locator('.step')).toHaveCount(1);
});

test('demo files and saved files are what the published schema says', async ({ enter }) => {
  const schema = JSON.parse(readFileSync(join(root, 'docs/formats/wornpath-procedure.schema.json'), 'utf8'));
  const validate = new Ajv2020({
    allErrors: true,
    strict: true,
    allowUnionTypes: true,
  }).compile(schema);
  const check = (name, text) => {
    validate(JSON.parse(text));
    expect(validate.errors ?? [], name).toEqual([]);
  };
  for (const file of readdirSync(join(root, 'demo')).filter((f) => f.endsWith('.json')))
    check(file, readFileSync(join(root, 'demo', file), 'utf8'));
  const ines = await enter(/Ines Aldaro/);
  for (const id of [1, 2, 3]) check(`saved ${id}`, await (await ines.request.get(`/api/revisions/${id}/file`)).text());
  expect(
    validate({
      format: 'wornpath-procedure',
      version: 1,
      number: '1',
      title: 'x',
      sheet: { joints: [{ id: 'J1' }] },
    }),
  ).toBe(false);
});

test('nothing jumps on a page that is opened, also where its fonts and what waits are late', async ({ browser, workshop }) => {
  const context = await browser.newContext({ baseURL: workshop.url, serviceWorkers: 'block', viewport: { width: 1280, height: 800 } });
  let late = 0;
  await context.route(/\.woff2$|\/api\/desk$/, async (route) => {
    await new Promise((r) => setTimeout(r, late));
    await route.continue().catch(() => undefined);
  });
  await context.addInitScript(() => {
    window.moved = 0;
    const add = (list) => list.getEntries().forEach((e) => (window.moved += e.value));
    new PerformanceObserver(add).observe({ type: 'layout-shift', buffered: true });
  });
  const page = await context.newPage();
  await page.goto('/sign-in');
  await page.getByRole('button', { name: /Ines Aldaro/ }).click();
  await expect(page.getByRole('heading', { name: 'Shelf' })).toBeVisible();
  const faceOf = (family) =>
    page.evaluate((f) => [...document.fonts].some((face) => face.family.includes(f) && face.status === 'loaded'), family);
  for (late of [0, 900])
    for (const place of ['/', '/r/1/write', '/r/3/print', '/r/4/follow']) {
      await page.goto(place);
      await expect.poll(() => faceOf('Barlow')).toBe(true);
      await page.waitForTimeout(400);
      // The share of the page that moved, by how far (CLS): under 0.1 counts as good.
      expect(await page.evaluate(() => window.moved), `${place}, fonts ${late} ms late`).toBeLessThan(0.03);
    }
  await context.close();
});

test('script and style: the first page under 120 kB compressed, each later face under 60, and nothing comes from elsewhere', async ({
  browser,
  workshop,
}) => {
  // Without the worker that fetches all of it ahead: each face then fetches what it needs itself.
  const context = await browser.newContext({ baseURL: workshop.url, serviceWorkers: 'block', viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  let waits = [];
  page.on('response', (response) => {
    expect(response.url().startsWith(workshop.url)).toBe(true);
    if (/\.(js|css)$/.test(new URL(response.url()).pathname)) waits.push(response.body().then((body) => gzipSync(body).length));
  });
  const kilobytes = async (go) => {
    waits = [];
    await go();
    await page.waitForLoadState('networkidle');
    return (await Promise.all(waits)).reduce((sum, n) => sum + n, 0) / 1024;
  };
  const sizes = { first: await kilobytes(() => page.goto('/')) };
  sizes.shelf = await kilobytes(async () => {
    await page.getByRole('button', { name: /Ines Aldaro/ }).click();
    await expect(page.getByRole('heading', { name: 'Shelf' })).toBeVisible();
  });
  sizes.Write = await kilobytes(async () => {
    await fromShelf(page, 'Loader brackets and roll-over bar pads');
    await expect(page.getByRole('main', { name: 'Write' })).toBeVisible();
  });
  for (const face of ['Joints', 'Chart', 'Ready', 'Review', 'Print', 'Follow'])
    sizes[face] = await kilobytes(async () => {
      await page.getByRole('link', { name: face, exact: true }).click();
      await expect(page.getByRole('main', { name: face === 'Follow' ? 'Work from the sheet' : face })).toBeVisible();
    });
  console.log(
    Object.entries(sizes)
      .map(([name, size]) => `${name} ${size.toFixed(0)} kB`)
      .join(', '),
  );
  expect(sizes.first).toBeGreaterThan(10);
  expect(sizes.first).toBeLessThan(120);
  for (const [name, size] of Object.entries(sizes)) if (name !== 'first') expect(size, name).toBeLessThan(60);
  await context.close();
});

test('values shown in the other unit agree with a reference library of units', async ({ enter }) => {
  const page = await enter(/Ines Aldaro/);
  await begin(page, 'OT-181', 'Units');
  await page.getByRole('link', { name: 'Joints' }).click();
  await page.getByLabel('Name of a new joint').fill('strap bolts');
  await page.keyboard.press('Enter');
  const torque = page.getByLabel(/Torque.* of J1/);
  for (const [text, from, to, symbol, step] of [
    ['95 N·m', 'N m', 'lbf ft', 'lbf·ft', 1],
    ['9 N·m', 'N m', 'lbf in', 'lbf·in', 1],
    ['250 N·m', 'N m', 'lbf ft', 'lbf·ft', 1],
    ['70 lbf·ft', 'lbf ft', 'N m', 'N·m', 1],
    ['108 lbf·in', 'lbf in', 'N m', 'N·m', 0.5],
    ['300 lbf·ft', 'lbf ft', 'N m', 'N·m', 5],
  ]) {
    await torque.fill(text);
    await torque.blur();
    const exact = unit(parseFloat(text), from).toNumber(to);
    const shown = page.locator('.computed');
    await expect(shown).toContainText(symbol);
    await expect
      .poll(async () => Math.abs(parseFloat(await shown.innerText()) - exact), { message: text })
      .toBeLessThanOrEqual(step / 2 + 1e-9);
  }
});

test('of a long sheet what is out of sight is its text alone, found by a search, and written in once it is gone to', async ({ enter }) => {
  const page = await enter(/Ines Aldaro/);
  await begin(page, 'OT-192', 'Two hundred faces');
  await pasteLines(page, Array.from({ length: 200 }, (_, i) => `Clean face ${i + 1}.`).join('\n'));
  await expect(page.getByRole('textbox', { name: 'Step 200', exact: true })).toBeFocused();
  await kept(page);
  expect(await page.locator('.step textarea').count()).toBeLessThan(90);
  expect(await page.locator('.sheet').innerText()).toContain('Clean face 3.');
  expect(await page.getByRole('button', { name: /^Step \d+( |$)/ }).count()).toBeLessThan(120);
  await page.locator('.far', { hasText: /^Clean face 3\.$/ }).evaluate((text) => text.click());
  await expect(page.getByRole('textbox', { name: 'Step 3', exact: true })).toBeFocused();
  await page.keyboard.press('Enter');
  await page.keyboard.type('Dry it.');
  await expect(page.getByRole('textbox', { name: 'Step 4', exact: true })).toHaveValue('Dry it.');
  await kept(page);
});

test('words are offered in the line: taken by one key, passed by typing on, put away by another, and off for who wants none', async ({
  enter,
}) => {
  const page = await enter(/Ines Aldaro/);
  await begin(page, 'OT-193', 'Ahead');
  const keys = page.keyboard;
  const offered = page.getByTestId('ahead').locator('.rest');
  const active = page.locator('.step.active textarea');
  await keys.type('Remove the two caliper bracket bolts.');
  await kept(page);
  await keys.press('Enter');
  await keys.type('Clean the cal');
  await expect(offered).toHaveText('iper bracket bolts');
  await expect(active).toHaveAccessibleDescription(/Goes on: “iper bracket bolts”/);
  // A key held down takes nothing, nor does End; → does, and the browser’s undo gives it back.
  await keys.press('End');
  await expect(active).toHaveValue('Clean the cal');
  await keys.press('ArrowRight');
  await expect(active).toHaveValue('Clean the caliper bracket bolts');
  await keys.type('.');
  await kept(page);
  await keys.press('Enter');
  await keys.type('Start the cal');
  await expect(offered).toHaveText(/^iper bracket bolts/);
  await keys.press('Escape');
  await expect(offered).toHaveCount(0);
  await expect(active).toBeFocused();
  await keys.type('ipers');
  await expect(active).toHaveValue('Start the calipers');
  await keys.press('ControlOrMeta+A');
  await keys.type('Fit the cover and start the caliper bracket bolts by hand.');
  await kept(page);
  await page.getByRole('link', { name: 'Joints' }).click();
  await page.getByLabel(/Torque.* of J1/).fill('95 N·m');
  await page.getByLabel('Source of the value of J1').fill('MD-12, 2nd ed., p. 4');
  await keys.press('Enter');
  await page.getByRole('link', { name: 'Write' }).click();
  await page.getByRole('textbox', { name: 'Step 3', exact: true }).click();
  await keys.press('End');
  await keys.press('Enter');
  // The likely next step, on an empty line; and a value with where it is from.
  await expect(offered).toHaveText('Torque the caliper bracket bolts to 95 N·m.');
  await keys.type('Tighten the caliper bracket bolts to ');
  await expect(page.getByTestId('ahead')).toContainText('95 N·m (MD-12, 2nd ed., p. 4)');
  await keys.press('ArrowRight');
  await expect(active).toHaveValue('Tighten the caliper bracket bolts to 95 N·m');

  await page.goto('/me');
  await page.getByLabel(/Words and the likely next step are offered/).uncheck();
  await page.goBack();
  await page.getByRole('textbox', { name: 'Step 4', exact: true }).click();
  await keys.press('End');
  await keys.press('Enter');
  await keys.type('Clean the cal');
  await page.waitForTimeout(500);
  await expect(offered).toHaveCount(0);
});
