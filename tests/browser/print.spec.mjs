import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { readFile } from 'node:fs/promises';
import { HtmlValidate } from 'html-validate';
import readQr from 'jsqr';
import { begin, expect, test } from './workshop.mjs';

/** The text of each page as the browser prints it. */
async function printed(page, place) {
  await page.goto(place);
  await expect(page.getByRole('article')).toBeVisible();
  return textOf(await open(await page.pdf({ preferCSSPageSize: true, printBackground: true })));
}

const open = (data) => getDocument({ data: new Uint8Array(data), verbosity: 0 }).promise;

async function textOf(paper) {
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

test('the server makes a PDF of the sheet: of its size, tagged, with its furniture on every page, and no other than the page prints', async ({
  enter,
}) => {
  const page = await enter(/Ines Aldaro/);
  for (const [size, width, height] of [
    ['A4', 595, 842],
    ['Letter', 612, 792],
  ]) {
    await page.goto('/r/4/print');
    await page.getByLabel(size).check();
    const saved = page.waitForEvent('download');
    await page.getByRole('button', { name: 'PDF' }).press('Enter');
    const file = await saved;
    expect(file.suggestedFilename()).toMatch(/^OT-118-A-.*\.pdf$/);
    const paper = await open(await readFile(await file.path()));
    const pages = await textOf(paper);
    for (const [i, text] of pages.entries()) {
      expect(text).toContain('OT-118 Rear wheel spacers');
      expect(text).toContain('revision A · released');
      expect(text).toContain('for steel wheels · left');
      expect(text).toContain(`page ${i + 1} of ${pages.length}`);
      const [, , x, y] = (await paper.getPage(i + 1)).view;
      expect(Math.abs(x - width) + Math.abs(y - height)).toBeLessThan(3);
    }
    expect((await paper.getMarkInfo())?.Marked).toBe(true);
    expect(await (await paper.getPage(1)).getStructTree()).toMatchObject({ role: 'Root' });
    const whole = pages.join(' ');
    // In the order it is worked: what to have in hand, the steps, the table.
    const order = ['Parts', 'Make safe', 'Torque the spacer nuts to 190', 'After first use', 'Torque table', 'Patterns'].map((word) =>
      whole.indexOf(word),
    );
    expect(order).toEqual([...order].sort((a, b) => a - b));
    expect(order[0]).toBeGreaterThan(0);
    // The reader of PDFs parts words where the fonts do.
    const bare = (all) => all.map((text) => text.replace(/\s/g, ''));
    if (size === 'A4') expect(bare(pages)).toEqual(bare(await printed(page, page.url())));
  }
});

test('the bench card has every value in the order it is torqued, on one page, and says what it is like any print', async ({ enter }) => {
  const page = await enter(/Ines Aldaro/);
  for (const [revision, state] of [
    [3, 'revision A · released'],
    [1, 'DRAFT – NOT RELEASED'],
  ]) {
    const [first, ...more] = await printed(page, `/r/${revision}/print?layout=card`);
    expect(more).toEqual([]);
    expect(first).toContain(state);
    const print = await (await page.request.get(`/api/revisions/${revision}/print`)).json();
    const rows = print.phases.flatMap((p) => p.steps).flatMap((s) => s.tightens.map((t) => [`${s.number}`, t.value || 'no value']));
    await page.getByLabel('Bench card').check();
    await expect(page.locator('tbody tr td:first-child')).toHaveText(rows.map(([number]) => number));
    await expect(page.locator('tbody tr .value')).toHaveText(rows.map(([, value]) => value));
    for (const one of print.later) expect(first).toContain(one.what);
  }
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'PDF' }).click();
  expect((await saved).suggestedFilename()).toBe('OT-311-A-card.pdf');
});

test('PDFs asked for at once are made in turn, each with its place, and for nobody else', async ({ enter }) => {
  const page = await enter(/Ines Aldaro/);
  const csrf = (await (await page.request.get('/api/session')).json()).token;
  const ask = (revision) => page.request.post(`/api/revisions/${revision}/pdf?paper=A4`, { headers: { 'X-CSRF-TOKEN': csrf } });
  const tickets = await Promise.all([3, 4, 1, 2, 3, 4, 1, 2, 3, 4].map(async (revision) => (await (await ask(revision)).json()).ticket));
  const first = await Promise.all(tickets.map(async (t) => (await (await page.request.get(`/api/pdf/${t}`)).json()).ahead));
  expect([...first].sort((a, b) => a - b)).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8, 9]);
  const done = [];
  await expect
    .poll(
      async () => {
        const all = await Promise.all(tickets.map(async (t) => await (await page.request.get(`/api/pdf/${t}`)).json()));
        for (const one of all
          .filter((t) => t.state === 'ready' && !done.includes(t.ticket))
          .sort((a, b) => first[tickets.indexOf(a.ticket)] - first[tickets.indexOf(b.ticket)]))
          done.push(one.ticket);
        return all.map((t) => t.state);
      },
      { timeout: 100_000, intervals: [300] },
    )
    .toEqual(tickets.map(() => 'ready'));
  expect(done.map((t) => first[tickets.indexOf(t)])).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8, 9]);
  const pdf = await page.request.get(`/api/pdf/${tickets[0]}/file`);
  expect(pdf.headers()['content-type']).toBe('application/pdf');
  const other = await enter(/Odo Brandt/);
  expect((await other.request.get(`/api/pdf/${tickets[0]}/file`)).status()).toBe(404);
});

test('the code on the first page leads to the revision as it stands today', async ({ enter }) => {
  const page = await enter(/Ines Aldaro/);
  await page.goto('/r/4/print');
  const drawing = page.getByRole('img', { name: 'The revision as it stands today' });
  await expect(drawing).toBeVisible();
  const { data, side } = await drawing.evaluate(async (image) => {
    const side = 300;
    await image.decode();
    const canvas = Object.assign(document.createElement('canvas'), { width: side, height: side });
    const pen = canvas.getContext('2d');
    pen.fillStyle = '#fff';
    pen.fillRect(0, 0, side, side);
    pen.drawImage(image, 0, 0, side, side);
    return { data: [...pen.getImageData(0, 0, side, side).data], side };
  });
  const code = readQr(new Uint8ClampedArray(data), side, side);
  expect(code?.data).toBe(new URL('/r/4/follow', page.url()).href);
  expect((await page.request.get(code.data)).ok()).toBe(true);
});
