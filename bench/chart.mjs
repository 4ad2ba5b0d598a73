// The chart of 1,000 steps by 200 rows in the real page: its first draw against bare rectangles of what is in sight, and its scrolling.
// After ./test has built everything: node bench/chart.mjs
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';

const root = join(dirname(fileURLToPath(import.meta.url)), '..');
const require = createRequire(join(root, 'tests/browser/package.json'));
const { chromium } = require('playwright-core');
const { longProcedure } = await import('./longProcedure.mjs');
const { Workshop } = await import(pathToFileURL(join(root, 'tests/browser/workshop.mjs')).href);

const median = (values) => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)];
const server = createRequire(import.meta.url)('node:net').createServer();
const port = await new Promise((done) => server.listen(0, '127.0.0.1', () => done(server.address().port)));
await new Promise((done) => server.close(done));
const workshop = new Workshop(port);
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
    return (await answer.json()).revisionId;
  }, longProcedure());
  const firsts = [];
  const bares = [];
  for (let i = 0; i < 9; i++) {
    await page.goto(`${workshop.url}/r/${id}/chart`);
    await page.waitForFunction(() => performance.getEntriesByName('chart').length > 0);
    firsts.push(await page.evaluate(() => performance.getEntriesByName('chart')[0].duration));
    // What is in sight, as bare rectangles: a row is 24, a column 22 px; every cell once, on a canvas of the same size, as its first draw.
    bares.push(
      await page.evaluate(() => {
        const shown = document.querySelector('.scroller canvas');
        const canvas = document.createElement('canvas');
        [canvas.width, canvas.height] = [shown.width, shown.height];
        const context = canvas.getContext('2d', { alpha: false });
        const begun = performance.now();
        context.fillStyle = '#fff';
        context.fillRect(0, 0, canvas.width, canvas.height);
        for (let y = 46; y < canvas.height; y += 24)
          for (let x = 216; x < canvas.width; x += 22) {
            context.fillStyle = (x + y) % 3 ? '#4b5d3a' : '#a94a22';
            context.fillRect(x, y, 21, 16);
          }
        return performance.now() - begun;
      }),
    );
  }
  // Scrolled along and down by a screenful a frame: what a frame of drawing takes, and how far frames are apart.
  const scrolled = await page.evaluate(async () => {
    const box = document.querySelector('.scroller');
    performance.clearMeasures();
    const gaps = [];
    let last = await new Promise(requestAnimationFrame);
    for (let i = 0; i < 120; i++) {
      box.scrollLeft += 170;
      box.scrollTop += 37;
      const now = await new Promise(requestAnimationFrame);
      gaps.push(now - last);
      last = now;
    }
    return { draws: performance.getEntriesByName('chart').map((e) => e.duration), gaps };
  });
  const [first, bare] = [median(firsts), median(bares)];
  console.log(
    `first draw of 1,000 steps by 200 rows ${first.toFixed(2)} ms, bare rectangles ${bare.toFixed(2)} ms: ratio ${(first / bare).toFixed(2)}, at most 2${first / bare > 2 ? '  TOO SLOW' : ''}`,
  );
  console.log(
    `scrolling: a draw ${median(scrolled.draws).toFixed(2)} ms, at most ${Math.max(...scrolled.draws).toFixed(2)}; frames ${median(scrolled.gaps).toFixed(1)} ms apart, ${scrolled.gaps.filter((g) => g > 25).length} of ${scrolled.gaps.length} late`,
  );
} finally {
  await browser.close();
  await workshop.end();
}
