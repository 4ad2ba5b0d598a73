import { spawnSync } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { begin, expect, freePort, kept, release, root, sayAgain, test, Workshop } from './workshop.mjs';
import { verifyFile, verifyRecord } from './verify.mjs';

test('where lives hang on it two sign; the file alone tells whether it is what they signed, and the record whether it is whole', async ({
  enter,
  browser,
}) => {
  const ines = await enter(/Ines Aldaro/);
  const odo = await enter(/Odo Brandt/);
  const marta = await enter(/Marta Holm/);
  await begin(ines, 'OT-952', 'Drawbar off and on');
  for (const text of [
    'Park on level ground. Stop the engine.',
    'Take the drawbar off.',
    'Put the drawbar back on.',
    'Have a qualified person check the drawbar before it is used.',
  ]) {
    await ines.keyboard.type(text);
    await ines.keyboard.press('Enter');
  }
  await kept(ines);
  const face = (name) => ines.url().replace(/[^/]+$/, name);
  await ines.goto(face('review'));
  await ines.getByRole('button', { name: 'Send for review' }).click();
  await expect(ines.getByText('2 sign it, since lives hang on')).toBeVisible();
  await expect(ines.getByRole('button', { name: 'Sign it' })).toHaveCount(0);

  // Odo alone is not enough.
  await odo.goto(face('review'));
  await expect(odo.getByText('1 signature is missing.').first()).toBeVisible();

  // Marta signs, the sheet is returned and changed: her signature falls.
  await marta.goto(face('review'));
  const signs = async () => {
    await marta.getByRole('button', { name: 'Sign it' }).click();
    await sayAgain(marta);
    await expect(marta.getByRole('heading', { name: /Signatures 1 of 2/ })).toBeVisible();
  };
  await signs();
  await expect(marta.getByRole('button', { name: 'Sign it' })).toHaveCount(0);
  await odo.getByRole('button', { name: 'Return with a reason' }).click();
  await odo.getByLabel('What should the author change?').fill('Say that it is paved.');
  await odo.getByRole('button', { name: 'Return it' }).click();
  await ines.goto(face('write'));
  await ines.getByRole('textbox', { name: 'Step 1', exact: true }).fill('Park on level, paved ground. Stop the engine.');
  await kept(ines);
  await ines.goto(face('review'));
  await expect(ines.getByText('fallen: the sheet has changed since')).toBeVisible();
  await ines.getByRole('button', { name: 'Send for review' }).click();
  await expect(ines.getByRole('heading', { name: /Signatures 0 of 2/ })).toBeVisible();
  await signs();
  await release(odo);
  await expect(odo.getByText('It is released and cannot be changed.')).toBeVisible();
  await expect(odo.getByRole('heading', { name: /Signatures 2/ })).toBeVisible();

  // The file, by another program: both signatures hold, and for nothing else.
  const id = /\/r\/(\d+)\//.exec(odo.url())[1];
  const get = async (path) => (await odo.request.get(path)).json();
  const file = await get(`/api/revisions/${id}/file`);
  const key = await get('/api/workshop/key');
  const says = verifyFile(file);
  expect(says.map((s) => [s.number, s.revision, s.who, s.key])).toEqual([
    ['OT-952', 'A', 'Marta Holm (marta)', key.thumbprint],
    ['OT-952', 'A', 'Odo Brandt (odo)', key.thumbprint],
  ]);
  expect(() => verifyFile({ ...file, title: 'Drawbar off' })).toThrow('not what was signed');

  // The record: every edit and event, unbroken; each signature names the link of its day.
  await odo.getByText('The record, edit by edit').click();
  await expect(odo.getByText('none was changed or taken out')).toBeVisible();
  // By keys through what the sheet was.
  const was = odo.getByRole('region', { name: 'The sheet as it was' });
  await odo.getByLabel('The sheet as it was').and(odo.getByRole('slider')).focus();
  await odo.keyboard.press('Home');
  await expect(was).toContainText('behind line 1');
  await expect(was).not.toContainText('Take the drawbar off.');
  await odo.keyboard.press('End');
  await expect(was).toContainText('Park on level, paved ground.');
  await odo.keyboard.press('ArrowLeft');
  await expect(was).toContainText('Marta Holm signed it');
  await was.page().getByRole('button', { name: 'close' }).click();
  await expect(was).toHaveCount(0);
  const saved = await Promise.all([odo.waitForEvent('download'), odo.getByRole('link', { name: 'Save the record' }).click()]).then(([d]) =>
    d.path(),
  );
  const record = JSON.parse(await readFile(saved, 'utf8'));
  verifyRecord(record);
  expect(record.lines.filter((l) => l.what === 'edit').length).toBeGreaterThan(4);
  for (const { record: link } of says) expect(record.lines.map((l) => l.hash)).toContain(link);
  expect(record.lines.at(-1).hash).toBe(says[1].record);
  const cut = { lines: record.lines.filter((l) => l.number !== 3).map((l, i) => ({ ...l, number: i + 1 })) };
  expect(() => verifyRecord(cut)).toThrow('Line 3 does not hold');

  // The whole workshop, saved in open forms and brought into an empty folder: file and record are the same there, and hold as before.
  const office = await enter(/Workshop office/);
  await office.goto('/workshop/backup');
  await office.getByRole('button', { name: 'Save the workshop in open forms' }).click();
  const zip = await Promise.all([office.waitForEvent('download'), sayAgain(office)]).then(([d]) => d.path());
  const folder = mkdtempSync(join(tmpdir(), 'wornpath-brought-in-'));
  const wornpath = join(root, 'src/WornPath.Cli/bin/Debug/net10.0/wornpath.dll');
  const brought = spawnSync('dotnet', [wornpath, 'import', zip, '--to', folder], { encoding: 'utf8' });
  expect(brought.status, brought.stdout + brought.stderr).toBe(0);
  const there = new Workshop(await freePort(), folder);
  try {
    await there.start();
    const context = await browser.newContext({ baseURL: there.url });
    const again = await context.newPage();
    await again.goto('/sign-in');
    await again.getByRole('button', { name: /Odo Brandt/ }).click();
    await expect(again.getByRole('heading', { name: 'Shelf' })).toBeVisible();
    const same = await (await again.request.get(`/api/revisions/${id}/file`)).json();
    expect(same).toEqual(file);
    expect(verifyFile(same).map((s) => s.who)).toEqual(['Marta Holm (marta)', 'Odo Brandt (odo)']);
    const whole = await (await again.request.get(`/api/revisions/${id}/record`)).json();
    verifyRecord(whole);
    expect(whole.lines.map((l) => l.hash)).toEqual(record.lines.map((l) => l.hash));
    await context.close();
  } finally {
    await there.end();
  }

  // A file that was changed after it was signed does not come in.
  await ines.goto('/');
  const changed = { name: 'OT-952.json', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify({ ...file, number: 'OT-953' })) };
  await ines.getByLabel('Procedure file').setInputFiles(changed);
  await expect(ines.getByRole('alert').filter({ hasText: 'changed after Marta Holm (marta) signed it' })).toBeVisible();
});
