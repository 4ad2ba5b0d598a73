import { test as base, expect } from '@playwright/test';
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = resolve(dirname(fileURLToPath(import.meta.url)), '../..');

export const freePort = () =>
  new Promise((done) => {
    const server = createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address();
      server.close(() => done(port));
    });
  });

/** The built application with the sample workshop, as a process that can be stopped and started again. */
export class Workshop {
  constructor(port, data = mkdtempSync(join(tmpdir(), 'wornpath-browser-'))) {
    this.port = port;
    this.url = `http://127.0.0.1:${port}`;
    this.data = data;
  }

  async start() {
    const web = join(root, 'src/WornPath.Web');
    this.process = spawn('dotnet', [join(web, 'bin/Debug/net10.0/WornPath.Web.dll'), '--contentRoot', web], {
      env: {
        ...process.env,
        WornPath__Demo: 'true',
        WornPath__Data: this.data,
        ASPNETCORE_URLS: this.url,
        ASPNETCORE_ENVIRONMENT: 'Production',
        // One test opens it by another name than localhost.
        AllowedHosts: 'localhost;127.0.0.1;workshop.test',
      },
      stdio: ['ignore', 'ignore', 'inherit'],
    });
    for (let tries = 0; tries < 900; tries++) {
      try {
        if ((await fetch(`${this.url}/api/session`)).ok) return;
      } catch {
        // not up yet
      }
      await new Promise((r) => setTimeout(r, 100));
    }
    throw new Error('The server did not start.');
  }

  /** Kills the server without warning. */
  async stop() {
    const gone = new Promise((r) => this.process.once('exit', r));
    this.process.kill('SIGKILL');
    await gone;
  }

  async end() {
    await this.stop();
    rmSync(this.data, { recursive: true, force: true });
  }
}

export const test = base.extend({
  workshop: [
    async ({}, use) => {
      const workshop = new Workshop(await freePort());
      await workshop.start();
      await use(workshop);
      await workshop.end();
    },
    { scope: 'worker' },
  ],
  baseURL: async ({ workshop }, use) => use(workshop.url),
  /** Signs somebody of the sample workshop in, in a window of their own. */
  enter: async ({ browser, workshop }, use) => {
    const contexts = [];
    await use(async (name) => {
      const context = await browser.newContext({
        baseURL: workshop.url,
        viewport: { width: 1280, height: 800 },
      });
      contexts.push(context);
      const page = await context.newPage();
      page.on('pageerror', (error) => {
        throw error;
      });
      await page.goto('/sign-in');
      await page.getByRole('button', { name }).click();
      await expect(page.getByRole('heading', { name: 'Shelf' })).toBeVisible();
      return page;
    });
    for (const context of contexts) await context.close();
  },
});

export { expect };

/** A new procedure, begun from the shelf by keyboard; leaves the cursor in its first step. */
export async function begin(page, number, title) {
  await page.getByRole('button', { name: 'New procedure' }).press('Enter');
  await page.getByLabel('Number').fill(number);
  await page.keyboard.press('Tab');
  await page.keyboard.type(title);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('link', { name: 'Write' })).toBeVisible();
  const first = page.getByRole('textbox', { name: 'Step 1', exact: true });
  await first.focus();
  return first;
}

/** Opens a sheet from the shelf by its title, looked for: the page of the shelf shows the forty changed last. */
export async function fromShelf(page, title) {
  await page.getByRole('searchbox', { name: 'Search the shelf' }).fill(title);
  await page.getByRole('link', { name: title, exact: true }).click();
}

/** The procedure's owner lets somebody write along, under Review; then back to where she was. */
export async function share(page, name) {
  const back = page.url();
  await page.getByRole('link', { name: 'Review' }).click();
  await page.getByLabel('Author to write along').selectOption({ label: name });
  await page.getByRole('button', { name: 'Let write along', exact: true }).click();
  await expect(page.getByRole('button', { name: `Take back from ${name}` })).toBeVisible();
  await page.goto(back);
}

/** What counts is done in one's own name: the password is asked for again, and given. */
export async function sayAgain(page, password = 'orchard-demo-1') {
  await page.getByLabel('Password or code').fill(password);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog', { name: 'Say again that it is you' })).toBeHidden();
}

/** Releases what is open, in one's own name: told once more what it is. */
export async function release(page, letter = 'A') {
  await page.getByRole('button', { name: `Release revision ${letter}` }).click();
  await page.getByRole('button', { name: 'Release it', exact: true }).click();
  await sayAgain(page);
}

/** Everything typed is on the server's disk. */
export async function kept(page) {
  await expect(page.getByTestId('kept')).toHaveText(/^kept/);
}

/** Reads values under Review as somebody who did not write them: each of a joint, as it stands in the source. */
export async function readValues(page, values) {
  for (const [joint, read] of Object.entries(values)) {
    const marks = page.getByRole('row', { name: new RegExp(`^${joint} `) }).getByRole('img', { name: /verified|differs/ });
    const field = page.getByLabel(new RegExp(`^Value of ${joint} .* as read$`));
    await field.fill(read);
    const before = await marks.count();
    await field.press('Enter');
    // What was read before stays beside it.
    await expect(marks).toHaveCount(before + 1);
  }
}

/** Something from the menu of a phase. */
export async function phaseAct(page, phase, act) {
  await page.getByRole('button', { name: new RegExp(`^This phase .* ${phase}$`) }).click();
  await page.getByRole('menuitem', { name: act }).click();
}

/** Lines from the clipboard, put in where the focus is. */
export async function pasteLines(page, text) {
  await page.evaluate((lines) => {
    const data = new DataTransfer();
    data.setData('text/plain', lines);
    document.activeElement.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
  }, text);
}
