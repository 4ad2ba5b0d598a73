import { chromium } from 'playwright-core';
const [, , who, out, widths, look, ...paths] = process.argv;
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] });
for (const w of widths.split(',')) {
  const [width, height] = w.split('x').map(Number);
  const context = await browser.newContext({ baseURL: 'http://127.0.0.1:5391', viewport: { width, height }, colorScheme: look });
  const page = await context.newPage();
  page.on('pageerror', (e) => console.log('ERROR', e.message));
  await page.goto('/sign-in');
  if (who !== '-') {
    await page.getByRole('button', { name: new RegExp(who) }).click();
    await page.getByRole('heading', { name: 'Shelf' }).waitFor();
  }
  for (const path of paths) {
    await page.goto(path);
    await page.waitForLoadState('networkidle');
    await page.waitForTimeout(400);
    const facts = await page.evaluate(() => {
      const wide = [...document.querySelectorAll('body *')]
        .filter((e) => {
          const r = e.getBoundingClientRect();
          if (!r.width || r.right <= innerWidth + 1) return false;
          let p = e.parentElement;
          while (p) {
            const o = getComputedStyle(p);
            if (/(auto|scroll|hidden)/.test(o.overflowX)) return false;
            p = p.parentElement;
          }
          return true;
        })
        .slice(0, 3)
        .map((e) => e.tagName + '.' + e.className);
      return { scroll: document.documentElement.scrollWidth, h1: [...document.querySelectorAll('h1')].length, wide };
    });
    console.log(w, path, JSON.stringify(facts));
    await page.screenshot({ path: `/tmp/shots/${out}-${width}-${path.replace(/\W+/g, '_')}.png` });
  }
  await context.close();
}
await browser.close();
