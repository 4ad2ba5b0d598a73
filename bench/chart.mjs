// The chart of 1,000 steps by 200 rows in the real page: its first draw against bare rectangles of what is in sight, and its scrolling.
// After ./test has built everything: node bench/chart.mjs
import { at, withLongSheet } from './longSheet.mjs';

const half = (values) => at(values, 0.5);

await withLongSheet(async (page, sheet) => {
  const firsts = [];
  const bares = [];
  for (let i = 0; i < 9; i++) {
    await page.goto(`${sheet}/chart`);
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
  const [first, bare] = [half(firsts), half(bares)];
  console.log(
    `first draw of 1,000 steps by 200 rows ${first.toFixed(2)} ms, bare rectangles ${bare.toFixed(2)} ms: ratio ${(first / bare).toFixed(2)}, at most 2${first / bare > 2 ? '  TOO SLOW' : ''}`,
  );
  console.log(
    `scrolling: a draw ${half(scrolled.draws).toFixed(2)} ms, at most ${Math.max(...scrolled.draws).toFixed(2)}; frames ${half(scrolled.gaps).toFixed(1)} ms apart, ${scrolled.gaps.filter((g) => g > 25).length} of ${scrolled.gaps.length} late`,
  );
});
