import { createHmac } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { begin, expect, kept, sayAgain, test } from './workshop.mjs';

/** A code of RFC 6238 (SHA-1, 30 s, six figures), made here and not by the program that is tried. */
function codeOf(secret, at = Date.now()) {
  const bits = [...secret.replace(/\s/g, '')]
    .map((c) => 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567'.indexOf(c).toString(2).padStart(5, '0'))
    .join('');
  const key = Buffer.from(bits.match(/.{8}/g).map((b) => parseInt(b, 2)));
  const counter = Buffer.alloc(8);
  counter.writeBigUInt64BE(BigInt(Math.floor(at / 30_000)));
  const hash = createHmac('sha1', key).update(counter).digest();
  const offset = hash[19] & 15;
  return String((hash.readUInt32BE(offset) & 0x7fffffff) % 1_000_000).padStart(6, '0');
}

test('invited, signed in with a second factor, disabled in the middle of an edit: told, and nothing typed is lost', async ({
  enter,
  browser,
  workshop,
}) => {
  const office = await enter(/Workshop office/);
  await office.getByRole('link', { name: 'People' }).click();
  await office.getByRole('button', { name: 'Invite somebody' }).click();
  await office.getByLabel('Account').fill('hanne');
  await office.getByLabel('Name', { exact: true }).fill('Hanne Lund');
  await office.getByRole('textbox', { name: /^Mail/ }).fill('hanne@shop.example');
  await office.getByRole('checkbox', { name: /^author/ }).check();
  await office.getByRole('button', { name: 'Make the link' }).click();
  await office.getByLabel('Password or code').fill('not-my-password');
  await office.keyboard.press('Enter');
  await expect(office.getByRole('alert').filter({ hasText: 'That was not right.' })).toBeVisible();
  await sayAgain(office);
  const url = await office.getByLabel('The link').inputValue();
  await expect(office.getByRole('row', { name: /^Hanne Lund hanne/ })).toContainText('invited');

  // The mail that would have been sent has the same link.
  await office.getByRole('button', { name: 'Show what would have been sent' }).click();
  await expect(office.getByRole('article')).toContainText(url);

  const context = await browser.newContext({ baseURL: workshop.url, viewport: { width: 1280, height: 800 } });
  const hanne = await context.newPage();
  await hanne.goto(url);
  await expect(hanne.getByRole('heading', { name: 'Welcome, Hanne Lund.' })).toBeVisible();
  await hanne.getByLabel('New password').fill('wornpath2026!');
  await hanne.keyboard.press('Enter');
  await expect(hanne.getByRole('alert')).toContainText('little more than your name');
  await hanne.getByLabel('New password').fill('apple cart on the hill');
  await hanne.keyboard.press('Enter');
  await expect(hanne.getByRole('heading', { name: 'Shelf' })).toBeVisible();

  // The second factor.
  await hanne.getByRole('link', { name: 'Hanne Lund' }).click();
  await hanne.getByRole('button', { name: 'Set it up' }).click();
  await sayAgain(hanne, 'apple cart on the hill');
  const secret = await hanne.locator('.secret').innerText();
  // The code of the step before, so that the one of now is left for the sign-in.
  await hanne.getByLabel('Code the app shows now').fill(codeOf(secret, Date.now() - 30_000));
  await hanne.keyboard.press('Enter');
  await expect(hanne.getByText('Write these recovery codes down now')).toBeVisible();
  await expect(hanne.getByRole('listitem').filter({ hasText: /^[A-Z2-7]{4}-/ })).toHaveCount(10);
  await hanne.getByRole('button', { name: 'I have them' }).click();
  await hanne.getByRole('button', { name: 'Sign out' }).click();
  await expect(hanne.getByRole('heading', { name: 'Sign in' })).toBeVisible();
  await hanne.getByLabel('Name').fill('hanne');
  await hanne.getByLabel('Password', { exact: true }).fill('apple cart on the hill');
  await hanne.keyboard.press('Enter');
  const code = hanne.getByLabel('Code of your second factor');
  await expect(code).toBeFocused();
  await hanne.keyboard.type('000000');
  await hanne.keyboard.press('Enter');
  await expect(hanne.getByRole('alert')).toContainText('This code does not open.');
  await code.fill(codeOf(secret));
  await hanne.keyboard.press('Enter');
  await expect(hanne.getByRole('heading', { name: 'Shelf' })).toBeVisible();

  // She writes; in the middle of a word the office disables her.
  const step = await begin(hanne, 'H-1', 'Cover');
  await step.pressSequentially('Take the cover ');
  await kept(hanne);
  await office.getByRole('button', { name: 'Disable Hanne Lund' }).click();
  await expect(office.getByRole('status').filter({ hasText: 'signs in no more' })).toBeVisible();
  await expect(hanne.getByRole('alert').filter({ hasText: 'An administrator has disabled your account.' })).toBeVisible();
  await step.pressSequentially('off by hand.');
  await hanne.keyboard.press('Tab');
  await expect(hanne.getByTestId('kept')).toHaveText(/signed out: \d edits? waits? here/);
  await hanne.reload();
  await expect(hanne.getByRole('alert').filter({ hasText: 'An administrator has disabled your account.' })).toBeVisible();
  await hanne.getByLabel('Name').fill('hanne');
  await hanne.getByLabel('Password', { exact: true }).fill('apple cart on the hill');
  await hanne.keyboard.press('Enter');
  await expect(hanne.getByRole('alert').filter({ hasText: 'This account is disabled.' })).toBeVisible();

  // Enabled again, she is where she was, and finds what she typed.
  await office.getByRole('button', { name: 'Enable Hanne Lund' }).click();
  await expect(office.getByRole('row', { name: /^Hanne Lund hanne/ })).toContainText('active');
  await hanne.keyboard.press('Enter');
  await expect(code).toBeFocused();
  await expect(async () => {
    await code.fill(codeOf(secret));
    await hanne.keyboard.press('Enter');
    await expect(hanne.getByRole('link', { name: 'Write' })).toBeVisible({ timeout: 4000 });
  }).toPass({ timeout: 70_000, intervals: [10_000] });
  await expect(hanne.getByRole('textbox', { name: 'Step 1', exact: true })).toHaveValue('Take the cover off by hand.');
  await kept(hanne);
  await context.close();
});

test('a session ended from another browser is over there, and the page says so', async ({ enter }) => {
  const one = await enter(/Ines Aldaro/);
  const two = await enter(/Ines Aldaro/);
  await begin(two, 'H-2', 'Cover');
  await one.getByRole('link', { name: 'Ines Aldaro' }).click();
  await one.getByRole('button', { name: 'End all others' }).click();
  await expect(one.getByRole('status').filter({ hasText: 'All other sessions have ended.' })).toBeVisible();
  await expect(two.getByRole('alert').filter({ hasText: 'You ended this session from another browser.' })).toBeVisible();
});

test('a calendar program fetches what waits and what falls due, at an address that can be taken away', async ({ enter, workshop }) => {
  const page = await enter(/Ines Aldaro/);
  await page.getByRole('link', { name: 'Ines Aldaro' }).click();
  await page.getByRole('button', { name: 'Make the address' }).click();
  await sayAgain(page);
  const address = await page.getByLabel('Address of your calendar').inputValue();
  expect(address.startsWith(`${workshop.url}/api/calendar/`)).toBe(true);
  // Fetched as a calendar program does: nobody is signed in there.
  const fetched = await fetch(address);
  expect(fetched.headers.get('content-type')).toContain('text/calendar');
  expect(await fetched.text()).toContain('OT-126 Front weights and their carrier');
  await page.getByRole('button', { name: 'Take the address away' }).click();
  await expect(page.getByRole('button', { name: 'Make the address' })).toBeVisible();
  expect((await fetch(address)).status).toBe(404);
});

test('the trail is saved as lines of JSON, and a demo says on every page that it is one', async ({ enter }) => {
  const office = await enter(/Workshop office/);
  for (const place of ['/', '/workshop', '/slips', '/people', '/me', '/r/1/write', '/sign-in']) {
    await office.goto(place);
    await expect(office.getByText('Sample workshop. Invented people and values')).toBeVisible();
  }
  await office.goto('/people');
  const saved = office.waitForEvent('download');
  await office.getByRole('button', { name: /Save all of it/ }).click();
  await sayAgain(office);
  const lines = readFileSync(await (await saved).path(), 'utf8')
    .trim()
    .split('\n')
    .map((l) => JSON.parse(l));
  expect(lines.map((l) => l.kind)).toContain('SignedIn');
  expect(lines.map((l) => l.kind)).toContain('Released');
  expect(lines.every((l) => /Z$/.test(l.at))).toBe(true);
  expect(lines.map((l) => l.at)).toEqual(lines.map((l) => l.at).toSorted());
});

test('who reads or types is kept signed in; before a session of nothing ends, the page says so and one press keeps it', async ({
  enter,
}) => {
  const page = await enter(/Tilde Rask/);
  await page.clock.install();
  // A page without a live connection: a clock that leaps would make one ask for itself.
  await page.goto('/slips');
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  let asked = 0;
  let answered = 0;
  const isSession = (request) => new URL(request.url()).pathname === '/api/session';
  page.on('request', (request) => isSession(request) && asked++);
  page.on('requestfinished', (request) => isSession(request) && answered++);
  // She reads on, of which the server hears nothing: it is told once in a while.
  await page.evaluate(() => addEventListener('wheel', () => (globalThis.wheelHeard = true)));
  await expect
    .poll(async () => {
      await page.mouse.wheel(0, 200);
      return page.evaluate(() => globalThis.wheelHeard === true);
    })
    .toBe(true);
  await page.clock.fastForward('06:00');
  await expect.poll(() => asked).toBe(1);
  // The clock leaps once the page has its answer: one that came behind the leap would begin the session anew.
  await expect.poll(() => answered).toBe(1);
  await page.evaluate(() => fetch('/health/ready').then((r) => r.text()));
  // Nothing for long.
  await page.clock.fastForward('28:10');
  const warning = page.getByRole('alert').filter({ hasText: 'You are signed out in 2 minutes.' });
  await expect(warning).toBeVisible();
  expect(asked).toBe(1);
  await warning.getByRole('button', { name: 'Stay signed in' }).click();
  await expect(warning).toBeHidden();
  await page.clock.fastForward('20:00');
  await expect(page.getByRole('alert')).toBeHidden();
});

test('no page breaks the content policy', async ({ enter }) => {
  const office = await enter(/Ines Aldaro/);
  const broken = [];
  office.on('console', (m) => m.text().includes('Content Security Policy') && broken.push(m.text()));
  for (const face of ['write', 'joints', 'chart', 'ready', 'review', 'print']) {
    await office.goto(`/r/3/${face}`);
    await expect(office.getByRole('link', { name: 'Write' })).toBeVisible();
    await office.keyboard.press('Control+k');
    await office.keyboard.press('Escape');
  }
  for (const place of ['/workshop', '/workshop/schools', '/workshop/weights', '/slips', '/me']) {
    await office.goto(place);
    await expect(office.getByRole('heading').first()).toBeVisible();
  }
  // The policy itself holds: a style without the number of the page is not let in.
  await office.evaluate(() => {
    const style = document.createElementNS('http://www.w3.org/1999/xhtml', 'style');
    style.textContent = 'body { outline: 7px solid red }';
    document.head.append(style);
  });
  expect(await office.evaluate(() => getComputedStyle(document.body).outlineWidth)).not.toBe('7px');
  expect(broken.splice(-1)).toHaveLength(1);
  expect(broken).toEqual([]);
});
