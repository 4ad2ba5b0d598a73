import { chromium } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import config from './playwright.config.mjs';
import { begin, expect, freePort, kept, share, test, Workshop } from './workshop.mjs';

const step = (page, number) => page.getByRole('textbox', { name: `Step ${number}`, exact: true });
const note = (page) => page.getByTestId('kept');

/** Holds every edit back until let go; the answers come then. */
async function hold(page) {
  let go;
  const gate = new Promise((r) => (go = r));
  await page.route('**/edits', async (route) => {
    await gate;
    await route.continue();
  });
  return () => go();
}

test('a page left with one edit on its way and another behind it loses neither', async ({ enter }) => {
  const page = await enter(/Ines Aldaro/);
  const first = await begin(page, 'OT-140', 'Left');
  const address = page.url();
  const go = await hold(page);
  await first.pressSequentially('Clean the face.');
  await page.keyboard.press('Enter');
  await page.keyboard.type('Clean the bore.');
  await page.getByRole('link', { name: 'Worn Path, to the shelf' }).click();
  await expect(page.getByRole('button', { name: /waits? in the outbox/ })).toBeVisible();
  go();
  await expect(page.getByRole('button', { name: /in the outbox/ })).toHaveCount(0);
  await page.goto(address);
  await expect(step(page, 1)).toHaveValue('Clean the face.');
  await expect(step(page, 2)).toHaveValue('Clean the bore.');
});

test('a clash answered after the page was left waits with both texts, wherever the writer is', async ({ enter }) => {
  const ines = await enter(/Ines Aldaro/);
  const first = await begin(ines, 'OT-141', 'Clash');
  await first.pressSequentially('Clean the face.');
  await kept(ines);
  await share(ines, 'Marta Holm');
  const address = ines.url();
  const marta = await enter(/Marta Holm/);
  await marta.goto(address);
  await expect(step(marta, 1)).toHaveValue('Clean the face.');
  await ines.route('**/changes?*', (route) => route.abort());
  const go = await hold(ines);
  await step(ines, 1).fill('Clean the pad face.');
  await ines.getByRole('link', { name: 'Worn Path, to the shelf' }).click();
  await step(marta, 1).fill('Clean the hub face.');
  await kept(marta);
  go();
  await ines.getByRole('button', { name: '1 not taken in the outbox' }).click();
  const drawer = ines.getByRole('dialog', { name: 'Outbox' });
  await expect(drawer).toContainText('Clean the pad face.');
  await expect(drawer).toContainText('Stands now: Clean the hub face.');
  // It outlives the page, too.
  await ines.reload();
  await ines.getByRole('button', { name: '1 not taken in the outbox' }).click();
  await ines.getByRole('dialog', { name: 'Outbox' }).getByRole('button', { name: 'Put mine there' }).click();
  await expect(step(marta, 1)).toHaveValue('Clean the pad face.');
});

test('two tabs that wait for the server keep each its own, and all of it arrives', async ({ enter, workshop }) => {
  const one = await enter(/Ines Aldaro/);
  await (await begin(one, 'OT-142', 'Tab one')).pressSequentially('Clean the face.');
  await kept(one);
  const two = await one.context().newPage();
  await two.goto('/');
  await (await begin(two, 'OT-143', 'Tab two')).pressSequentially('Clean the bore.');
  await kept(two);
  await workshop.stop();
  await step(one, 1).fill('Clean the left face.');
  await step(two, 1).fill('Clean the left bore.');
  await expect(note(one)).toHaveText(/not connected: 1 edit waits/);
  await expect(note(two)).toHaveText(/not connected: 1 edit waits/);
  await expect(one.getByRole('button', { name: '2 wait in the outbox' })).toBeVisible();
  // The tab that leads is closed with its edits unsent and its last words not yet kept: another takes over.
  const address = one.url();
  await step(one, 1).fill('Clean the left face twice.');
  await one.close({ runBeforeUnload: true });
  await workshop.start();
  await kept(two);
  await two.goto(address);
  await expect(step(two, 1)).toHaveValue('Clean the left face twice.');
  await expect(two.getByRole('button', { name: /in the outbox/ })).toHaveCount(0);
});

test('the server’s disk is full: the page says so, keeps what is typed through a reload, and sends it when there is room', async ({
  browser,
}) => {
  const folder = mkdtempSync(join(tmpdir(), 'wornpath-full-'));
  execFileSync('mount', ['-t', 'tmpfs', '-o', 'size=6m', 'tmpfs', folder]);
  const workshop = new Workshop(await freePort(), folder);
  try {
    await workshop.start();
    const page = await (await browser.newContext({ baseURL: workshop.url, viewport: { width: 1280, height: 800 } })).newPage();
    await page.goto('/sign-in');
    await page.getByRole('button', { name: /Ines Aldaro/ }).click();
    await expect(page.getByRole('heading', { name: 'Shelf' })).toBeVisible();
    await (await begin(page, 'OT-144', 'Full')).pressSequentially('Clean the face.');
    await kept(page);
    // All that is left is taken, block by block.
    for (let size = 4_194_304; size >= 512; size /= 2)
      for (let n = 0; n < 64; n++)
        try {
          writeFileSync(join(folder, `fill-${size}-${n}`), Buffer.alloc(size));
        } catch {
          rmSync(join(folder, `fill-${size}-${n}`), { force: true });
          break;
        }
    await step(page, 1).fill(`Clean the face. ${'Wipe it with a dry rag. '.repeat(150)}`);
    await expect(note(page)).toHaveText(/The server’s disk is full: 1 edit waits here/);
    await page.reload();
    await expect(step(page, 1)).toHaveValue(/Wipe it with a dry rag/);
    await expect(note(page)).toHaveText(/The server’s disk is full: 1 edit waits here/);
    execFileSync('find', [folder, '-name', 'fill-*', '-delete']);
    await kept(page);
    await page.reload();
    await expect(step(page, 1)).toHaveValue(/Wipe it with a dry rag/);
    await expect(page.getByRole('button', { name: /in the outbox/ })).toHaveCount(0);
    await page.context().close();
  } finally {
    await workshop.stop();
    execFileSync('umount', ['-l', folder]);
    rmSync(folder, { recursive: true, force: true });
  }
});

test('a token that is out of date is renewed by itself', async ({ enter }) => {
  const page = await enter(/Ines Aldaro/);
  const first = await begin(page, 'OT-145', 'Token');
  await page.context().clearCookies({ name: 'wornpath-csrf' });
  await first.pressSequentially('Clean the face.');
  await kept(page);
  await page.reload();
  await expect(step(page, 1)).toHaveValue('Clean the face.');
});

test('what somebody typed waits while another is signed in in the same browser, and is sent as hers when she is back', async ({
  enter,
  workshop,
}) => {
  const page = await enter(/Ines Aldaro/);
  await (await begin(page, 'OT-146', 'Two people')).pressSequentially('Clean the face.');
  await kept(page);
  const address = page.url();
  await workshop.stop();
  await step(page, 1).fill('Clean the left face.');
  await expect(note(page)).toHaveText(/not connected: 1 edit waits/);
  await page.context().clearCookies();
  await workshop.start();
  await expect(note(page)).toHaveText(/signed out: 1 edit waits/);
  await page.getByRole('link', { name: 'Sign in again' }).click();
  await page.getByRole('button', { name: /Marta Holm/ }).click();
  await expect(page.getByText('Ines Aldaro writes this procedure.')).toBeVisible();
  await page.getByRole('button', { name: '1 waits in the outbox' }).click();
  await expect(page.getByRole('dialog', { name: 'Outbox' })).toContainText(
    '1 edit of Ines Aldaro waits in this browser until Ines Aldaro signs in here.',
  );
  await expect(page.getByRole('dialog', { name: 'Outbox' })).not.toContainText('Clean the left face.');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /sign out/i }).click();
  await page.getByRole('button', { name: /Ines Aldaro/ }).click();
  await expect(page.getByRole('heading', { name: 'Shelf' })).toBeVisible();
  await expect(page.getByRole('button', { name: /in the outbox/ })).toHaveCount(0);
  await page.goto(address);
  await expect(step(page, 1)).toHaveValue('Clean the left face.');
});

test('a page of one person stops writing when another signs in in a second tab, and says who', async ({ enter }) => {
  const page = await enter(/Ines Aldaro/);
  await (await begin(page, 'OT-147', 'Second tab')).pressSequentially('Clean the face.');
  await kept(page);
  const other = await page.context().newPage();
  await other.goto('/sign-in');
  await other.getByRole('button', { name: /Marta Holm/ }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'Marta Holm is signed in in this browser now.' })).toBeVisible();
  await expect(step(page, 1)).toHaveCount(0);
});

test('typing on in The job while the answer of the field before arrives overwrites no letter', async ({ enter }) => {
  const page = await enter(/Ines Aldaro/);
  await begin(page, 'OT-148', 'The job');
  await page.getByRole('button', { name: 'The job' }).click();
  const go = await hold(page);
  await page.getByLabel('What it achieves').fill('Stop the oil.');
  await page.keyboard.press('Tab');
  await page.keyboard.type('Oil dr');
  go();
  await kept(page);
  await page.keyboard.type('ips');
  await expect(page.getByLabel('What it fits')).toHaveValue('Oil drips');
  await page.keyboard.press('Tab');
  await page.getByLabel('People', { exact: true }).fill('lots');
  await page.keyboard.press('Tab');
  const alert = page.getByRole('alert').filter({ hasText: 'is no such number' });
  await expect(alert).toBeVisible();
  await expect(page.getByLabel('People', { exact: true })).toHaveValue('lots');
  // It stands there also after a reload, with the reason; Esc puts it away.
  await page.reload();
  await page.getByRole('button', { name: 'The job' }).click();
  await expect(alert).toBeVisible();
  await expect(page.getByLabel('People', { exact: true })).toHaveValue('lots');
  await page.getByLabel('People', { exact: true }).press('Escape');
  await expect(alert).toHaveCount(0);
  await expect(page.getByLabel('People', { exact: true })).not.toHaveValue('lots');
  await expect(page.getByLabel('What it achieves')).toHaveValue('Stop the oil.');
  await expect(page.getByLabel('What it fits')).toHaveValue('Oil drips');
});

test('over plain http on another name than localhost everything is kept and sent', async ({ workshop }) => {
  const { executablePath, args } = config.use.launchOptions;
  const browser = await chromium.launch({ executablePath, args: [...args, '--host-resolver-rules=MAP workshop.test 127.0.0.1'] });
  try {
    const context = await browser.newContext({ baseURL: `http://workshop.test:${workshop.port}`, viewport: { width: 1280, height: 800 } });
    const page = await context.newPage();
    await page.goto('/sign-in');
    expect(await page.evaluate(() => [window.isSecureContext, 'randomUUID' in crypto, 'locks' in navigator])).toEqual([
      false,
      false,
      false,
    ]);
    await page.getByRole('button', { name: /Ines Aldaro/ }).click();
    await expect(page.getByRole('heading', { name: 'Shelf' })).toBeVisible();
    await (await begin(page, 'OT-149', 'Plain')).pressSequentially('Clean the face.');
    await page.keyboard.press('Enter');
    await page.keyboard.type('Clean the bore.');
    await kept(page);
    await workshop.stop();
    await step(page, 2).fill('Clean the bore twice.');
    await expect(note(page)).toHaveText(/not connected: 1 edit waits/);
    const second = await context.newPage();
    await page.close();
    await workshop.start();
    await second.goto('/');
    await second.getByRole('link', { name: 'Plain' }).click();
    await expect(step(second, 2)).toHaveValue('Clean the bore twice.');
    await expect(second.getByRole('button', { name: /in the outbox/ })).toHaveCount(0, { timeout: 20_000 });
  } finally {
    await browser.close();
  }
});

test('a reload without a connection opens the sheet, for reading and writing, and says of when it is', async ({ enter, workshop }) => {
  const page = await enter(/Ines Aldaro/);
  await (await begin(page, 'OT-150', 'Away')).pressSequentially('Clean the face.');
  await kept(page);
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await page.reload();
  await expect(step(page, 1)).toHaveValue('Clean the face.');
  await workshop.stop();
  await page.reload();
  await expect(step(page, 1)).toHaveValue('Clean the face.');
  await expect(note(page)).toHaveText(/not connected, as of \d+:\d+/);
  await step(page, 1).focus();
  await page.keyboard.press('End');
  await page.keyboard.press('Enter');
  await page.keyboard.type('Clean the bore.');
  await expect(note(page)).toHaveText(/not connected, as of .*: \d edits? waits? here/);
  await page.reload();
  await expect(step(page, 2)).toHaveValue('Clean the bore.');
  await page.goto('/');
  await expect(page.getByRole('link', { name: 'Away' })).toBeVisible();
  await expect(page.getByText('opened lately in this browser')).toBeVisible();
  await page.getByRole('link', { name: 'Away' }).click();
  await expect(step(page, 2)).toHaveValue('Clean the bore.');
  await workshop.start();
  await kept(page);
  await expect(note(page)).not.toHaveText(/as of/);
  await page.reload();
  await expect(step(page, 2)).toHaveValue('Clean the bore.');
});

test('who has a sheet open hears of an edit at once, without asking, and sees who else is here', async ({ enter }) => {
  const ines = await enter(/Ines Aldaro/);
  await (await begin(ines, 'OT-151', 'Live')).pressSequentially('Clean the face.');
  await kept(ines);
  await share(ines, 'Marta Holm');
  const marta = await enter(/Marta Holm/);
  let asked = 0;
  marta.on('request', (request) => (asked += request.url().includes('/changes?') ? 1 : 0));
  await marta.goto(ines.url());
  await expect(ines.getByTitle('Marta Holm has this open')).toBeVisible();
  await expect(marta.getByTitle('Ines Aldaro has this open')).toBeVisible();
  await marta.waitForTimeout(9000);
  const quiet = asked;
  expect(quiet).toBeLessThanOrEqual(1);
  await step(ines, 1).fill('Clean the hub face.');
  await expect(step(marta, 1)).toHaveValue('Clean the hub face.', { timeout: 3000 });
  expect(asked).toBe(quiet + 1);
  await marta.close();
  await expect(ines.getByTitle('Marta Holm has this open')).toHaveCount(0);
});
