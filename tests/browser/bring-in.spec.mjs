import { expect, test } from './workshop.mjs';

const TEXT = `# OT-840 Tray cover seal

Renews the seal under the tray cover.

## Tools

- a soft mallet

## Torques

| Joint | Fastener | Torque |
| --- | --- | --- |
| tray bolts | M8x25 8.8 bolt, 13 mm | 24 N·m |

## Removal

1. Remove the tray bolts.
2. Lift the tray cover off.

CAUTION: sharp edges.

## Refit

1. Fit the tray cover. Start the tray bolts by hand.
2. Torque the tray bolts to 24 N·m.
`;

test('an existing procedure in Markdown is looked at, brought in under its number, and goes out again with all of it', async ({
  enter,
}) => {
  const page = await enter(/Ines Aldaro/);
  const choose = (name, text) =>
    page.getByLabel('Procedure file').setInputFiles({ name, mimeType: 'text/markdown', buffer: Buffer.from(text) });

  // What is no procedure is told, and nothing is made.
  await choose('notes.md', '# Only a title');
  await expect(page.getByRole('alert')).toContainText('No step was found in it');

  await choose('tray.md', TEXT);
  const becomes = page.getByRole('region', { name: 'What becomes of tray.md' });
  await expect(becomes).toContainText('Removal 2 steps');
  await expect(becomes).toContainText('1 joint; nothing to ask of its sentences');
  await expect(becomes.getByRole('row', { name: /^7 a soft mallet/ })).toContainText('makes its lists from steps and joints');
  await expect(page.getByRole('alert')).toHaveCount(0);
  await expect(page.getByLabel('Number', { exact: true })).toHaveValue('OT-840');
  // A number that is taken is told, and what was typed stays.
  await page.getByLabel('Number', { exact: true }).fill('OT-104');
  await page.getByRole('button', { name: 'Bring it in' }).click();
  await expect(page.getByRole('alert')).toContainText('The number OT-104 is taken');
  await expect(becomes).toBeVisible();
  await page.getByLabel('Number', { exact: true }).fill('OT-840');
  await page.getByRole('button', { name: 'Bring it in' }).click();
  await page.waitForURL(/\/r\/\d+\/write/);
  await expect(page.getByRole('textbox', { name: 'Step 2', exact: true })).toHaveValue('Lift the tray cover off.');
  const id = /\/r\/(\d+)\//.exec(page.url())[1];
  const file = await (await page.request.get(`/api/revisions/${id}/file`)).json();
  expect(file.sheet.phases.map((p) => [p.name, ...p.steps.map((s) => s.text)])).toEqual([
    ['Removal', 'Remove the tray bolts.', 'Lift the tray cover off.'],
    ['Refit', 'CAUTION: sharp edges.\nFit the tray cover. Start the tray bolts by hand.', 'Torque the tray bolts to 24 N·m.'],
  ]);
  const out = await (await page.request.get(`/api/revisions/${id}/export/markdown`)).text();
  for (const line of TEXT.split('\n').filter((l) => /^\d\./.test(l))) expect(out).toContain(line.slice(3));
  expect(out).toContain('24 N·m');
});

test('a document of a word processor that a sheet went out as is brought in again by keyboard', async ({ enter }) => {
  const page = await enter(/Ines Aldaro/);
  const written = await (await page.request.get('/api/revisions/3/export/docx')).body();
  await page.getByLabel('Procedure file').setInputFiles({
    name: 'hub.docx',
    mimeType: 'application/vnd.openxmlformats-officedocument.wordprocessingml.document',
    buffer: written,
  });
  const becomes = page.getByRole('region', { name: 'What becomes of hub.docx' });
  await expect(becomes).toContainText('Removal 12 steps');
  await expect(becomes).toContainText('9 joints');
  await expect(becomes.getByRole('row', { name: /Page header: OT-104/ })).toContainText('every page');
  await page.getByLabel('Number', { exact: true }).fill('OT-841');
  await page.keyboard.press('Enter');
  await page.waitForURL(/\/r\/\d+\/write/);
  await expect(page.getByRole('textbox', { name: 'Step 1', exact: true })).toHaveValue(/Stop on level concrete/);
  // Half a document is told, and nothing is made.
  await page.goto('/');
  await page.getByLabel('Procedure file').setInputFiles({ name: 'half.docx', mimeType: '', buffer: written.subarray(0, 3000) });
  await expect(page.getByRole('alert')).toContainText('It is no document of a word processor');
});
