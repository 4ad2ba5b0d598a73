// A sheet of 1,000 steps, or another, in the real page, for what is measured there.
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';

const root = join(dirname(fileURLToPath(import.meta.url)), '..');
const { chromium } = createRequire(join(root, 'tests/browser/package.json'))('playwright-core');
const { freePort, Workshop } = await import(pathToFileURL(join(root, 'tests/browser/workshop.mjs')).href);

/** 100 covers with a joint each: off and on again, ten steps a cover. */
function longProcedure() {
  const covers = Array.from({ length: 100 }, (_, i) => i + 1);
  const off = covers.flatMap((i) => [
    `Inspect cover ${i}.`,
    `Loosen the cover ${i} bolts.`,
    `Remove the cover ${i} bolts.`,
    `Remove cover ${i}.`,
    `Clean cover ${i}.`,
  ]);
  const on = covers
    .toReversed()
    .flatMap((i) => [
      `Fit cover ${i}.`,
      `Start the cover ${i} bolts by hand.`,
      `Snug the cover ${i} bolts.`,
      i % 10 ? `Torque the cover ${i} bolts to 24 N·m.` : `Inspect the cover ${i} bolts.`,
      `Inspect cover ${i}.`,
    ]);
  const steps = (texts, letter) => texts.map((text, i) => ({ id: `${letter}${i}`, text }));
  return {
    format: 'wornpath-procedure',
    version: 1,
    number: 'B-1',
    title: 'A thousand steps',
    sheet: {
      parts: covers.map((i) => ({ id: `P${i}`, name: `cover ${i}` })),
      joints: covers.map((i) => ({ id: `J${i}`, name: `cover ${i} bolts`, torque: '24 N·m', holds: [`P${i}`] })),
      phases: [
        { id: 'h1', name: 'Removal', steps: steps(off, 'a') },
        { id: 'h2', name: 'Refit', steps: steps(on, 'b') },
      ],
    },
  };
}

/** The sheet in a server of its own and a page that is signed in: what `measure` is given; both are ended behind it. */
export async function withLongSheet(measure, procedure = longProcedure()) {
  const workshop = new Workshop(await freePort());
  await workshop.start();
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`${workshop.url}/sign-in`);
    await page.getByRole('button', { name: /Ines Aldaro/ }).click();
    await page.getByRole('heading', { name: 'Shelf' }).waitFor();
    const id = await page.evaluate(async (file) => {
      const { token } = await (await fetch('/api/session')).json();
      const answer = await fetch('/api/procedures/file', {
        method: 'POST',
        headers: { 'Content-Type': 'application/json', 'X-CSRF-TOKEN': token },
        body: JSON.stringify(file),
      });
      if (!answer.ok) throw new Error(await answer.text());
      return (await answer.json()).revisionId;
    }, procedure);
    await measure(page, `${workshop.url}/r/${id}`);
  } finally {
    await browser.close();
    await workshop.end();
  }
}

export const at = (values, share) => values.toSorted((a, b) => a - b)[Math.floor(values.length * share)];
