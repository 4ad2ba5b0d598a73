import { chromium } from 'playwright-core';
const [, , port, who, out, ...paths] = process.argv;
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] });
const p = await b.newPage({ viewport: { width: Number(process.env.W ?? 1280), height: Number(process.env.H ?? 800) } });
p.on('pageerror', (e) => console.log('ERR', e.message));
await p.goto(`http://127.0.0.1:${port}/sign-in`);
await p.getByRole('button', { name: new RegExp(who) }).click();
await p.waitForTimeout(1200);
let i = 0;
for (const path of paths) {
  await p.goto(`http://127.0.0.1:${port}${path}`);
  await p.waitForTimeout(1800);
  await p.screenshot({ path: `/tmp/${out}${i++}.png` });
}
await b.close();
