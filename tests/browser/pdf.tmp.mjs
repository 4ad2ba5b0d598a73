import { chromium } from 'playwright-core';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { createCanvas } from '@napi-rs/canvas';
import { writeFileSync } from 'node:fs';
const [, , port, path, out] = process.argv;
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] });
const p = await b.newPage({ viewport: { width: 1280, height: 800 } });
await p.goto(`http://127.0.0.1:${port}/sign-in`); await p.getByRole('button', { name: /Ines/ }).click(); await p.waitForTimeout(800);
await p.goto(`http://127.0.0.1:${port}${path}`); await p.waitForTimeout(2000);
await p.screenshot({ path: `/tmp/${out}-screen.png` });
const data = await p.pdf({ preferCSSPageSize: true, printBackground: true, tagged: true });
writeFileSync(`/tmp/${out}.pdf`, data);
const doc = await getDocument({ data: new Uint8Array(data) }).promise;
for (let i = 1; i <= doc.numPages; i++) {
  const page = await doc.getPage(i);
  const text = (await page.getTextContent()).items.map((x) => x.str).join(' ');
  console.log(i, text.slice(0, 60), '|', text.slice(-160));
  if (i > 3) continue;
  const v = page.getViewport({ scale: 1.2 }); const c = createCanvas(v.width, v.height);
  await page.render({ canvas: c, canvasContext: c.getContext('2d'), viewport: v }).promise;
  writeFileSync(`/tmp/${out}-${i}.png`, c.toBuffer('image/png'));
}
await b.close();
