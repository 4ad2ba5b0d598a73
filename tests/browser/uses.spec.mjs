import { begin, expect, kept, test } from './workshop.mjs';

/** The index follows what is written a few seconds behind. */
const SOON = { timeout: 20_000 };

test('what a change would touch is found by words and from a joint, and leads to where it stands', async ({ enter }) => {
  const page = await enter(/Ines Aldaro/);
  await page.getByRole('link', { name: 'Where used' }).click();
  const names = page.getByRole('region', { name: 'What is used' });
  const sheets = page.getByRole('region', { name: 'The sheets that use it' });
  // A first-time reader sees what values come from.
  await expect(names.getByRole('link', { name: /^Sample workshop manual T28/ }).first()).toBeVisible(SOON);
  const word = page.getByRole('searchbox', { name: 'Look for' });
  await expect(word).toBeFocused();
  await page.keyboard.type('calip');
  await page.keyboard.press('Tab');
  await page.getByRole('button', { name: 'parts', exact: true }).press('Enter');
  await names.getByRole('link', { name: /^caliper part/ }).press('Enter');
  // Other sheets may have one, too.
  const hub = sheets.getByRole('listitem').filter({ hasText: 'A released' }).filter({ hasText: 'OT-104' });
  await expect(hub).toContainText(/Front hub bearing, left.*P3, steps 11, 32, 33 and 44/s);
  // What was looked for stands in the address: Back returns to it.
  await hub.getByRole('link', { name: 'Front hub bearing, left' }).press('Enter');
  await expect(page.locator('.step.active')).toContainText('caliper');
  await page.goBack();
  await expect(word).toHaveValue('calip');
  await expect(hub).toHaveCount(1);
  await word.fill('no such thing');
  await expect(page.getByText('No sheet uses anything called “no such thing” that is so.')).toBeVisible();

  // Beside a joint stands where else its fastener and value are.
  await page.goto('/r/1/joints');
  await page.getByLabel('Fastener of J5').click();
  await page.getByRole('link', { name: 'this fastener and value' }).click();
  await names.getByRole('link').first().click();
  await expect(sheets.getByRole('listitem').filter({ hasText: 'OT-311' })).toContainText('J5');
});

test('a new edition is a list of what to look up again, told on the shelf, and gone once it is looked up', async ({ enter }) => {
  const page = await enter(/Ines Aldaro/);
  await begin(page, 'OT-183', 'Tipper guard');
  await page.keyboard.type('Torque the guard bolts to 24 N·m.');
  await kept(page);
  await page.getByRole('link', { name: 'Joints' }).click();
  await page.getByLabel('Source of the value of J1').fill('Sample tipper leaflet, 1st ed., p. 3');
  await page.keyboard.press('Tab');
  await kept(page);

  const office = await enter(/Workshop office/);
  await office.goto('/workshop/documents');
  await office.getByRole('button', { name: 'Add a document' }).click();
  await office.getByLabel('document, as sources cite it of document').fill('Sample tipper leaflet');
  await office.getByLabel('edition in force of Sample tipper leaflet').fill('2nd ed.');
  await office.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(office.getByRole('region', { name: 'Keeping' })).toContainText('Kept.');
  const list = office.getByRole('region', { name: 'To be looked up again' });
  await expect(async () => {
    await office.reload();
    await expect(list.getByRole('listitem').filter({ hasText: 'Tipper guard' })).toContainText(
      'J1 guard bolts from “Sample tipper leaflet, 1st ed., p. 3”',
      { timeout: 1000 },
    );
  }).toPass(SOON);

  await page.goto('/');
  const waiting = page
    .getByRole('region', { name: /^Waits for you/ })
    .getByRole('listitem')
    .filter({ hasText: 'Tipper guard' });
  await expect(waiting).toContainText('has values from a former edition of Sample tipper leaflet; the 2nd ed. is in force');
  await waiting.getByRole('link').click();
  await page.getByRole('link', { name: 'Joints' }).click();
  await page.getByLabel('Source of the value of J1').fill('Sample tipper leaflet, 2nd ed., p. 4');
  await page.keyboard.press('Tab');
  await kept(page);
  await expect(async () => {
    await page.goto('/');
    await expect(page.getByRole('link', { name: 'Tipper guard', exact: true })).toBeVisible();
    await expect(waiting).toHaveCount(0, { timeout: 1000 });
  }).toPass(SOON);
});

test('a value is kept once, taken by keyboard with its source, and when it changes the sheet that has it takes it anew', async ({
  enter,
}) => {
  const office = await enter(/Workshop office/);
  await office.goto('/workshop/values');
  await office.getByRole('button', { name: 'Add a value' }).click();
  const keep = async (said) => {
    await office.getByRole('button', { name: 'Keep', exact: true }).click();
    await expect(office.getByRole('region', { name: 'Keeping' })).toContainText(said);
  };
  await office.getByLabel(/^name of value/).fill('Sample tipper bar bolts');
  await office.getByLabel('torque of Sample tipper bar bolts').fill('24');
  await office.getByLabel('source of Sample tipper bar bolts').fill('Sample tipper leaflet, 1st ed., p. 3');
  // A bare number is no value: what was typed stays beside what is wrong with it.
  await keep('The value has no unit.');
  await expect(office.getByLabel('torque of Sample tipper bar bolts')).toHaveValue('24');
  await office.getByLabel('torque of Sample tipper bar bolts').fill('24 N·m');
  await office.getByLabel('torqued with of Sample tipper bar bolts').selectOption('suspension loaded');
  await keep('Kept.');

  const page = await enter(/Ines Aldaro/);
  await begin(page, 'OT-185', 'Tipper bar');
  await page.keyboard.type('Torque the tipper bar bolts.');
  await kept(page);
  await page.getByRole('link', { name: 'Joints' }).click();
  await page.getByLabel('Torque, other unit of J1').focus();
  await page.getByRole('button', { name: 'Take a kept value' }).press('Enter');
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByLabel('Words of its name, value or source')).toBeFocused();
  await page.keyboard.type('tipper 24');
  await expect(dialog.getByRole('listitem')).toHaveCount(1);
  await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  await expect(dialog).toBeHidden();
  await kept(page);
  const torque = page.getByLabel('Torque, other unit of J1');
  await expect(torque).toHaveValue('24 N·m');
  await expect(page.getByLabel('Source of the value of J1')).toHaveValue('Sample tipper leaflet, 1st ed., p. 3');
  const beside = page.getByLabel('About J1');
  await expect(beside).toContainText('Has the kept value Sample tipper bar bolts, v1');
  await expect(beside.getByLabel('torqued with of J1')).toHaveValue('suspension loaded');

  await office.getByLabel('torque of Sample tipper bar bolts').fill('26 N·m');
  await keep('Kept.');
  const list = office.getByRole('region', { name: 'Sheets that have another version' });
  await expect(async () => {
    await office.reload();
    await expect(list.getByRole('listitem').filter({ hasText: 'Tipper bar' })).toContainText(
      'J1 tipper bar bolts with “Sample tipper bar bolts, v1”',
      {
        timeout: 1000,
      },
    );
  }).toPass(SOON);

  await page.reload();
  await page.getByLabel('Torque, other unit of J1').focus();
  await beside.getByRole('button', { name: /^Take version 2: 26 N·m/ }).click();
  await kept(page);
  await expect(torque).toHaveValue('26 N·m');
  await expect(beside).toContainText('Sample tipper bar bolts, v2');
  // One edit: taken back whole.
  await page.keyboard.press('Control+z');
  await expect(torque).toHaveValue('24 N·m');
  await expect(beside).toContainText('Sample tipper bar bolts, v1');
});

test('a value is read a second time off the page of its source, which the workshop keeps', async ({ enter }) => {
  const office = await enter(/Workshop office/);
  await office.goto('/workshop/documents');
  await office.getByRole('button', { name: 'Add a document' }).click();
  await office.getByLabel(/^document, as sources cite it of document/).fill('Sample jib leaflet');
  await office.getByLabel('edition in force of Sample jib leaflet').fill('1st ed.');
  await office.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(office.getByRole('region', { name: 'Keeping' })).toContainText('Kept.');

  const page = await enter(/Ines Aldaro/);
  await begin(page, 'OT-186', 'Jib bolts');
  await page.keyboard.type('Torque the jib bolts to 36 N·m.');
  await kept(page);
  await page.getByRole('link', { name: 'Joints' }).click();
  await page.getByLabel('Source of the value of J1').fill('Sample jib leaflet, 1st ed., p. 7');
  await page.keyboard.press('Tab');
  await kept(page);
  // Whoever writes has the page before her. What is no page of a document is refused, and what was typed stays.
  await page.goto('/workshop/documents');
  const pages = page.getByRole('region', { name: 'Pages kept' });
  const drawing = {
    name: 'page 7.svg',
    mimeType: 'image/svg+xml',
    buffer: Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 300 200"><text x="20" y="40">Jib bolts 38 N·m</text></svg>'),
  };
  const source = pages.getByLabel('Page, as values cite it');
  await source.fill('Sample jib leaflet, p. 7');
  await pages.getByLabel('Picture of the page').setInputFiles(drawing);
  await expect(pages).toContainText('names no edition');
  await expect(source).toHaveValue('Sample jib leaflet, p. 7');
  await source.fill('sample jib leaflet 1st edition page 7');
  await pages.getByLabel('Picture of the page').setInputFiles(drawing);
  await expect(pages.getByRole('listitem').filter({ hasText: 'sample jib leaflet 1st edition page 7' })).toBeVisible();
  await page.goBack();
  await page.getByRole('link', { name: 'Review' }).click();
  await page.getByRole('button', { name: 'Send for review' }).click();

  // The second person sees the page, and not what the author wrote.
  const odo = await enter(/Odo Brandt/);
  await odo.goto(new URL(page.url()).pathname);
  await odo.getByRole('button', { name: 'See the page: Sample jib leaflet, 1st ed., p. 7' }).press('Enter');
  const dialog = odo.getByRole('dialog');
  const shown = dialog.getByRole('img', { name: 'Page of Sample jib leaflet, 1st ed., p. 7' });
  await expect(shown).toHaveJSProperty('complete', true);
  expect(await shown.evaluate((img) => img.naturalWidth)).toBeGreaterThan(0);
  await expect(odo.locator('main')).not.toContainText('36 N·m');
  await dialog.getByLabel(/^J1 jib bolts.* as it stands here$/).fill('38 N·m');
  await odo.keyboard.press('Enter');
  await expect(dialog).toBeHidden();
  const values = odo.getByRole('region', { name: /^Values/ });
  await expect(values).toContainText('Odo Brandt (odo) reads 38 N·m');
  // What differs is a Stop, and the page is still there to look at again.
  await expect(values.getByRole('button', { name: /^See the page/ })).toBeVisible();
});
