import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { readFile } from 'node:fs/promises';
import { HtmlValidate } from 'html-validate';
import { begin, expect, test } from './workshop.mjs';

/** The text of each page as the browser prints it. */
async function printed(page, place) {
  await page.goto(place);
  await expect(page.getByRole('article')).toBeVisible();
  const data = await page.pdf({ preferCSSPageSize: true, printBackground: true });
  const paper = await getDocument({ data: new Uint8Array(data), verbosity: 0 }).promise;
  const pages = [];
  for (let i = 1; i <= paper.numPages; i++) {
    const { items } = await (await paper.getPage(i)).getTextContent();
    pages.push(
      items
        .map((item) => item.str)
        .join(' ')
        .replace(/\s+/g, ' '),
    );
  }
  return pages;
}

test('on every page of paper stand number, title, revision, state and page; what is not released says so across each', async ({
  enter,
}) => {
  const page = await enter(/Ines Aldaro/);
  for (const [place, title, state, across] of [
    ['/r/1/print', 'OT-311 Loader brackets', 'revision A · draft – NOT RELEASED', 'DRAFT'],
    ['/r/2/print', 'OT-207', 'revision A · in review – NOT RELEASED', 'IN REVIEW'],
    ['/r/4/print', 'OT-118 Rear wheel spacers', 'revision A · released', ''],
  ]) {
    const pages = await printed(page, place);
    expect(pages.length).toBeGreaterThan(1);
    for (const [i, text] of pages.entries()) {
      expect(text).toContain(title);
      expect(text).toContain(state);
      expect(text).toContain(`page ${i + 1} of ${pages.length}`);
      if (across) expect(text.replace(state, '').toUpperCase()).toContain(across);
      else expect(text).not.toContain('NOT RELEASED');
      // Nothing of the page around it is printed.
      expect(text).not.toContain('Skip to the page');
      expect(text).not.toContain('Sample workshop.');
    }
  }
});

test('a sheet is taken out in each format that is offered, by keyboard, for what it is walked as', async ({ enter }) => {
  const page = await enter(/Ines Aldaro/);
  await page.goto('/r/4/print');
  await page.getByRole('button', { name: 'Take it out' }).press('Enter');
  const out = page.getByRole('region', { name: 'Take it out' });
  await expect(out.getByRole('link', { name: 'Worn Path file' })).toBeVisible();
  const names = await out.getByRole('link').allTextContents();
  expect(names).toContain('Web page');
  expect(names).toContain('Worn Path file');
  for (const name of names) {
    const saved = page.waitForEvent('download');
    await out.getByRole('link', { name, exact: true }).press('Enter');
    const file = await saved;
    expect(file.suggestedFilename()).toMatch(/^OT-118-A/);
    expect((await readFile(await file.path(), 'utf8')).length).toBeGreaterThan(80);
  }

  // The page it saves is sound HTML and shows the sheet by itself, with nothing fetched from anywhere.
  const html = await (await page.request.get('/api/revisions/4/export/html')).text();
  const report = await new HtmlValidate({ extends: ['html-validate:standard'] }).validateString(html);
  expect(report.results.flatMap((r) => r.messages.map((m) => `${m.line}: ${m.message}`))).toEqual([]);
  const asked = [];
  page.on('request', (request) => asked.push(request.url()));
  await page.setContent(html);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('OT-118 Rear wheel spacers');
  await expect(page.getByText(/Released .* by Odo/)).toBeVisible();
  expect(asked).toEqual([]);
});

test('each step that tightens has its value beside it, and a number never parts from its unit', async ({ enter }) => {
  const page = await enter(/Ines Aldaro/);
  await page.goto('/r/4/print');
  await expect(page.getByRole('article')).toBeVisible();
  const print = await (await page.request.get('/api/revisions/4/print')).json();
  const steps = print.phases.flatMap((p) => p.steps);
  for (const [i, step] of steps.entries())
    await expect(page.locator('.step').nth(i).locator('.tightens strong')).toHaveText(step.tightens.map((t) => t.value));
  const parted = await page
    .locator('.step .text > div, .hand li')
    .evaluateAll((all) => all.map((e) => e.textContent).filter((text) => /\d (N·m|mm|kN|mL|L|°C)(?![\p{L}\d])/u.test(text)));
  expect(parted).toEqual([]);
});

test('a title that is written to break the page is printed as it is written', async ({ enter }) => {
  const page = await enter(/Ines Aldaro/);
  const title = 'A "quoted" } title; content: url(x) <b>';
  await begin(page, 'OT-196', title);
  const [first] = await printed(page, page.url().replace(/write.*/, 'print'));
  expect(first).toContain(`OT-196 ${title}`);
  expect(first).toContain('page 1 of 1');
});
