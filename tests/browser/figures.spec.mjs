import AxeBuilder from '@axe-core/playwright';
import { begin, expect, kept, share, test } from './workshop.mjs';

const ALT = 'The cover from above, the four bolts at its corners.';

/** A photograph as a camera held upright saves it: wider than high, a red upper left corner, turned by its EXIF, and where it was taken. */
async function photo(page) {
  const jpeg = Buffer.from(
    await page.evaluate(async () => {
      const canvas = Object.assign(document.createElement('canvas'), { width: 640, height: 400 });
      const paint = canvas.getContext('2d');
      paint.fillStyle = '#fff';
      paint.fillRect(0, 0, 640, 400);
      paint.fillStyle = '#f00';
      paint.fillRect(0, 0, 100, 100);
      const blob = await new Promise((done) => canvas.toBlob(done, 'image/jpeg', 0.95));
      return [...new Uint8Array(await blob.arrayBuffer())];
    }),
  );
  // EXIF 2.32: a big-endian TIFF with one entry, orientation (0x0112) 6.
  const exif = Buffer.concat([
    Buffer.from('Exif\0\0MM\0*\0\0\0\b', 'latin1'),
    Buffer.from([0, 1, 0x01, 0x12, 0, 3, 0, 0, 0, 1, 0, 6, 0, 0, 0, 0, 0, 0]),
    Buffer.from('GPS 48.1 11.6', 'latin1'),
  ]);
  const head = Buffer.from([0xff, 0xe1, 0, exif.length + 2]);
  return { name: 'cover.jpg', mimeType: 'image/jpeg', buffer: Buffer.concat([jpeg.subarray(0, 2), head, exif, jpeg.subarray(2)]) };
}

const drawing = (inner) => ({
  name: 'cover.svg',
  mimeType: 'image/svg+xml',
  buffer: Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 400 300">${inner}</svg>`),
});

/** Chooses files for a step from the keyboard: its "add a picture" is pressed with Enter. */
async function bring(page, files) {
  const asked = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'add a picture' }).press('Enter');
  await (await asked).setFiles(files);
}

const figuresOf = async (page, id) => {
  const file = await (await page.request.get(`/api/revisions/${id}/file`)).json();
  return file.sheet.phases.flatMap((p) => p.steps).flatMap((s) => s.shows ?? []);
};

/** Where it stands once its dialog has come to rest: it opens with a motion. */
async function steady(locator) {
  for (let was = ''; ;) {
    const box = await locator.boundingBox();
    if (JSON.stringify(box) === was) return box;
    was = JSON.stringify(box);
    await new Promise((r) => setTimeout(r, 150));
  }
}

test('by keyboard alone a picture comes into a step, says what is on it, and goes to paper and out of the house', async ({ enter }) => {
  const page = await enter(/Ines Aldaro/);
  const first = await begin(page, 'OT-871', 'Cover');
  const id = /\/r\/(\d+)\//.exec(page.url())[1];
  await first.pressSequentially('Remove the four cover bolts as shown.');
  await expect(page.getByRole('list', { name: 'Read as' })).toContainText('J1');
  await expect(page.getByText('“as shown” points at a figure, and this step shows none.')).toBeVisible();

  await bring(page, await photo(page));
  const dialog = page.getByRole('dialog', { name: 'Figure 1, step 1' });
  await expect(dialog).toBeVisible();
  // It stands upright, and another decoder than the server's reads it.
  const [shows] = await figuresOf(page, id);
  expect([shows.picture.width, shows.picture.height]).toEqual([400, 640]);
  const picture = `/api/revisions/${id}/pictures/${shows.picture.key}`;
  const bytes = await (await page.request.get(picture)).body();
  expect(bytes.toString('latin1')).not.toMatch(/Exif|GPS/);
  const corner = await page.evaluate(async (address) => {
    const bitmap = await createImageBitmap(await (await fetch(address)).blob(), { imageOrientation: 'none' });
    const canvas = new OffscreenCanvas(bitmap.width, bitmap.height);
    const paint = canvas.getContext('2d');
    paint.drawImage(bitmap, 0, 0);
    return [bitmap.width, bitmap.height, ...paint.getImageData(bitmap.width - 30, 30, 1, 1).data.slice(0, 2)];
  }, picture);
  expect(corner.slice(0, 2)).toEqual([400, 640]);
  expect(corner[2]).toBeGreaterThan(220);
  expect(corner[3]).toBeLessThan(40);

  // The button again puts a balloon in the middle; it names what the step is about, and the arrows move it.
  const balloon = dialog.getByRole('button', { name: 'Balloon', exact: true });
  await balloon.press('Enter');
  await balloon.press('Enter');
  await expect(dialog.getByLabel('What balloon 1 names')).toHaveValue('J1');
  await expect(dialog.getByRole('button', { name: 'Balloon 1, cover bolts' })).toBeFocused();
  await page.keyboard.press('Shift+ArrowUp');
  await page.keyboard.press('ArrowUp');
  await dialog.getByLabel('What is to be seen').focus();
  await page.keyboard.type(ALT);
  await page.keyboard.press('Tab');
  await page.keyboard.type('Cover');
  await page.keyboard.press('Escape');
  await expect(dialog).toBeHidden();
  await kept(page);
  const [marked] = await figuresOf(page, id);
  expect(marked).toMatchObject({ alt: ALT, caption: 'Cover', balloons: [{ thing: 'J1', value: true, tip: { x: 5000, y: 5000 } }] });
  expect(marked.balloons[0].at.y).toBe(5000 + 900 - 600);
  await expect(page.getByText('points at a figure')).toHaveCount(0);

  // It is undone like any edit, and done again.
  await page.getByRole('textbox', { name: 'Step 1', exact: true }).focus();
  await page.keyboard.press('Control+z');
  await kept(page);
  expect((await figuresOf(page, id))[0].caption).not.toBe('Cover');
  await page.keyboard.press('Control+y');
  await expect.poll(async () => (await figuresOf(page, id))[0].caption).toBe('Cover');
  await expect(page.getByRole('button', { name: `Figure 1, ${ALT}: open` })).toBeVisible();

  // A name that changes changes on the figure.
  await page.getByRole('textbox', { name: 'Step 1', exact: true }).focus();
  await page.getByRole('link', { name: 'Joints' }).press('Enter');
  const name = page.getByLabel('Joint of J1', { exact: true });
  await name.fill('lid bolts');
  await name.press('Enter');
  await kept(page);
  await page.getByRole('link', { name: 'Print' }).press('Enter');
  const printed = page.getByRole('figure').filter({ hasText: 'Figure 1' });
  await expect(printed).toContainText('Figure 1: Cover');
  await expect(printed.getByRole('listitem')).toHaveText('J1 lid bolts');
  await expect(printed.getByRole('img', { name: ALT })).toBeVisible();
  const out = await (await page.request.get(`/api/revisions/${id}/export/html`)).text();
  expect(out).toContain('data:image/jpeg;base64,');
  expect(out).toContain('<li>J1 lid bolts</li>');
});

test('what cannot be taken in is told by its name, what a drawing loses is told too, and marks are dragged', async ({ enter }) => {
  const page = await enter(/Ines Aldaro/);
  const first = await begin(page, 'OT-872', 'Cover');
  const id = /\/r\/(\d+)\//.exec(page.url())[1];
  await first.pressSequentially('Remove the four cover bolts.');
  await expect(page.getByRole('list', { name: 'Read as' })).toContainText('J1');
  await bring(page, [drawing('<path d="M0 0L9 9"/>'), { name: 'notes.png', mimeType: 'image/png', buffer: Buffer.from('no picture') }]);
  await expect(page.getByText('“notes.png”: The file is no picture that can be read.')).toBeVisible();
  // What came before it stays.
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'Figure 1, not described: open' })).toBeVisible();

  await bring(page, drawing('<script>alert(1)</script><path d="M0 0L399 299" stroke="#000"/>'));
  const dialog = page.getByRole('dialog', { name: 'Figure 2, step 1' });
  await expect(dialog.getByText('Not kept of “cover.svg”: a script.')).toBeVisible();
  const board = dialog.locator('.board');
  const box = await steady(board);
  const at = (x, y) => [box.x + box.width * x, box.y + box.height * y];
  await dialog.getByRole('button', { name: 'Balloon', exact: true }).click();
  await page.mouse.click(...at(0.5, 0.5));
  await dialog.getByRole('button', { name: 'Arrow', exact: true }).click();
  await page.mouse.click(...at(0.8, 0.2));
  const tip = await dialog.getByRole('button', { name: 'What balloon 1 points at' }).boundingBox();
  await page.mouse.move(tip.x + tip.width / 2, tip.y + tip.height / 2);
  await page.mouse.down();
  await page.mouse.move(...at(0.25, 0.75), { steps: 4 });
  await page.mouse.up();
  await dialog.getByRole('button', { name: 'Enlarge a part' }).click();
  await page.mouse.click(...at(0.3, 0.3));
  await dialog.getByRole('button', { name: 'Show only a part' }).click();
  await page.mouse.click(...at(0.5, 0.5));
  await dialog.getByLabel('Words of balloon 1').fill('upper pair');
  await dialog.getByRole('button', { name: 'Show only a part' }).isDisabled();
  const { violations } = await new AxeBuilder({ page }).include('.ant-modal').analyze();
  expect(violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.target).join(' ')}`)).toEqual([]);
  await page.keyboard.press('Escape');
  await kept(page);
  const [, figure] = await figuresOf(page, id);
  expect(figure.balloons[0].says).toBe('upper pair');
  expect(Math.abs(figure.balloons[0].tip.x - 2500)).toBeLessThan(120);
  expect(Math.abs(figure.balloons[0].tip.y - 7500)).toBeLessThan(120);
  expect(figure.arrows).toHaveLength(1);
  expect([figure.crop.width, figure.inset.times]).toEqual([6000, 20]);

  // Its joint has no pattern; with one, that is a figure, too.
  await page.getByRole('button', { name: /^Figure 2/ }).press('Enter');
  await page.getByRole('button', { name: 'Delete the figure' }).press('Enter');
  await expect(page.getByRole('button', { name: /^Figure 2/ })).toHaveCount(0);
  await page.getByRole('textbox', { name: 'Step 1', exact: true }).focus();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: /^Figure 2/ })).toBeVisible();
});

test('two who draw on the same figure are told, and what the second drew stands until she chooses', async ({ enter }) => {
  const ines = await enter(/Ines Aldaro/);
  const first = await begin(ines, 'OT-873', 'Cover');
  const id = /\/r\/(\d+)\//.exec(ines.url())[1];
  await first.pressSequentially('Remove the four cover bolts.');
  await expect(ines.getByRole('list', { name: 'Read as' })).toContainText('J1');
  await share(ines, 'Marta Holm');
  await ines.getByRole('textbox', { name: 'Step 1', exact: true }).focus();
  await bring(ines, drawing('<path d="M0 0L9 9"/>'));
  await expect(ines.getByRole('dialog')).toBeVisible();
  const marta = await enter(/Marta Holm/);
  await marta.goto(`/r/${id}/write`);
  await marta.getByRole('button', { name: /^Figure 1/ }).click();
  // Marta's connection is slow: what Ines draws meanwhile is there first.
  await marta.route('**/changes**', (route) => route.abort());
  await marta.context().setOffline(true);
  await marta.getByLabel('Line under it').fill('Marta’s line');
  await ines.getByLabel('Line under it').fill('Ines’ line');
  await expect.poll(async () => (await figuresOf(ines, id))[0].caption).toBe('Ines’ line');
  await marta.waitForTimeout(900);
  await marta.context().setOffline(false);
  await expect(marta.getByText('Somebody else changed this figure')).toBeVisible({ timeout: 20_000 });
  await expect(marta.getByLabel('Line under it')).toHaveValue('Marta’s line');
  await marta.getByRole('button', { name: 'Put mine over it' }).click();
  await expect.poll(async () => (await figuresOf(ines, id))[0].caption).toBe('Marta’s line');
  await expect(ines.getByLabel('Line under it')).toHaveValue('Marta’s line');
});
