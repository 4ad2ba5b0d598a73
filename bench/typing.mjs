// Typing in a sheet of 1,000 steps in the real page: key to paint, Enter to the new step, opening; and the same in a tab in which
// as many keys were struck as an author strikes in an hour (2,700: tests/browser/first-hour.spec.mjs).
// After ./test has built everything: node bench/typing.mjs
import { at, withLongSheet } from './longSheet.mjs';

const anHourOfKeys = 2700;
const sentence = 'Wipe the face with a clean rag and look for nicks. ';

await withLongSheet(async (page, sheet) => {
  const open = async () => {
    const from = Date.now();
    await page.goto(`${sheet}/write?step=a250`);
    await page.locator('.step.active textarea').waitFor();
    return Date.now() - from;
  };
  const step = () => page.locator('.step.active textarea');
  const heap = async () => {
    const client = await page.context().newCDPSession(page);
    await client.send('HeapProfiler.collectGarbage');
    const { metrics } = await client.send('Performance.enable').then(() => client.send('Performance.getMetrics'));
    return metrics.find((m) => m.name === 'JSHeapUsedSize').value / 1e6;
  };

  /** From a key to the paint that shows what came of it: the task behind the next frame. */
  const measure = () =>
    page.evaluate(() => {
      globalThis.times = { key: [], enter: [] };
      const painted = (from, into) => requestAnimationFrame(() => setTimeout(() => into.push(performance.now() - from)));
      addEventListener(
        'keydown',
        (event) => {
          const from = event.timeStamp;
          if (event.key.length === 1) painted(from, globalThis.times.key);
          if (event.key !== 'Enter') return;
          const before = document.activeElement;
          const wait = () =>
            document.activeElement !== before && document.activeElement.matches('.step.active textarea')
              ? painted(from, globalThis.times.enter)
              : requestAnimationFrame(wait);
          wait();
        },
        true,
      );
    });
  const type = async (keys, delay) => {
    for (let typed = 0; typed < keys; typed += sentence.length) {
      await page.keyboard.type(sentence.slice(0, Math.min(sentence.length, keys - typed)), { delay });
      await page.keyboard.press('Enter');
      await page.waitForTimeout(400);
    }
  };
  const say = async (what) => {
    await page.evaluate(() => (globalThis.times = Object.assign(globalThis.times, { key: [], enter: [] })));
    await type(300, 60);
    const { key, enter } = await page.evaluate(() => globalThis.times);
    console.log(
      `${what}: key to paint median ${at(key, 0.5).toFixed(0)} ms, p95 ${at(key, 0.95).toFixed(0)} ms (${key.length} keys); ` +
        `Enter to the new step median ${at(enter, 0.5).toFixed(0)} ms, longest ${Math.max(...enter).toFixed(0)} ms (${enter.length})`,
    );
  };

  const opening = [];
  for (let i = 0; i < 5; i++) opening.push(await open());
  console.log(`opening 1,000 steps: median ${at(opening, 0.5)} ms (of ${opening.join(', ')})`);
  await step().click();
  await measure();
  await type(60, 30);
  const heapNew = await heap();
  await say('a new tab');
  await type(anHourOfKeys, 15);
  await page.waitForTimeout(1000);
  await say(`after ${anHourOfKeys} keys more`);
  console.log(`memory of the page: ${heapNew.toFixed(1)} MB, then ${(await heap()).toFixed(1)} MB`);
});
