import AxeBuilder from '@axe-core/playwright';
import { begin, expect, fromShelf, kept, test } from './workshop.mjs';

const table = [
  'Remarks\tFastener\tJoint\tQty\tTorque (N·m)\tSource\tPattern\tTreatment',
  'x\tM8×30 8.8 flange bolt, 13 mm\trear cover bolts\t12\t24\tSample manual, p. 12\tcircle\tnone',
  'x\tM8×45 8.8 flange bolt, 13 mm\tdowel bolts\t2\t24\tSample manual, p. 12\t\tnone',
  'x\tM12×1.25×60 10.9 bolt, 18 mm\tarm bolts\t4\t95\tSample manual, p. 14\trectangle 2×2\tthreadlocker, medium',
  'x\tM14×1.5 10.9 nut, 21 mm\twheel nuts\t5\t130\tSample manual, p. 20\tcircle\tnone',
  'x\tM6×16 8.8 bolt, 10 mm\tguard screws\t6\t9\tSample manual, p. 21\tgrid 2×3\tnone',
  'x\tM10×30 8.8 bolt, 16 mm\tpad bolts\t8\t48\tSample manual, p. 22\tgrid 2×4\tnone',
  'x\tM16×1.5 castle nut, 24 mm\tpivot nut\t1\t80\tSample manual, p. 23\t\tnone',
  'x\tM20×60 8.8 bolt, 30 mm\thitch bolts\t4\t320\tSample manual, p. 24\trectangle 2×2\tnone',
  'x\tM5×12 8.8 pan head screw, T25\tcap screws\t3\t5\tSample manual, p. 25\trow\tnone',
  'x\tM8×20 8.8 bolt, 13 mm\tpipe bolts\t2\tplenty\tSample manual, p. 26\t\tnone',
  'x\t3/8-16 UNC grade 8 bolt, 9/16 in\tvalve bolts\t2\t33\tSample manual, p. 27\t\tnone',
  'x\tM12 8.8 bolt, 18 mm\taxle bolts\t6\t60\tSample manual, p. 28\tU-bolts\tnone',
].join('\n');

test('a fastener table of twelve rows is pasted, and ends with a compiled tool list and drawn patterns', async ({ enter }) => {
  const page = await enter(/Ines Aldaro/);
  await begin(page, 'OT-160', 'Rear cover');
  await page.getByRole('link', { name: 'Joints' }).click();
  await page.getByRole('button', { name: 'Paste a table' }).click();
  await page.getByLabel('Table to paste').fill(table);
  const preview = page.getByRole('dialog');
  await expect(preview.getByText('left out: not understood')).toBeVisible();
  await expect(preview.locator('td.odd')).toHaveCount(1);
  await expect(preview.locator('td.odd')).toContainText('cannot be read as a torque');
  await preview.getByRole('button', { name: 'Take 12 rows' }).click();
  await expect(page.getByLabel('Fastener of J12')).toHaveValue('M12 8.8 bolt, 18 mm');
  await expect(page.getByLabel(/Torque.* of J10/)).toHaveValue('');

  // Both units, the preload bar, the wrench with its setting.
  const row = page.locator('tr', { has: page.getByLabel('Fastener of J3') });
  await expect(row).toContainText('70 lbf·ft');
  await expect(row).toContainText('TW-3');
  await expect(row.getByRole('img', { name: /of the proof load at the target/ })).toBeVisible();
  await expect(page.locator('tr', { has: page.getByLabel('Fastener of J8') })).toContainText('none covers');

  // The pattern beside the row under the cursor: the order of the standard for twelve.
  await page.getByLabel('Fastener of J1', { exact: true }).click();
  const panel = page.getByRole('complementary', { name: 'About J1' });
  await expect(panel.getByRole('img', { name: /order 1, 7, 4, 10, 2, 8, 5, 11, 3, 9, 6, 12;/ })).toBeVisible();
  await expect(panel.getByRole('listitem').filter({ hasText: 'once round' })).toBeVisible();

  // Enter goes down the column, Alt+→ to the panel and back.
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Fastener of J2')).toBeFocused();
  await page.keyboard.press('Alt+ArrowRight');
  await expect(page.getByLabel('treatment of J2')).toBeFocused();
  await page.keyboard.press('Alt+ArrowLeft');
  await expect(page.locator('tr', { has: page.getByLabel('Fastener of J2') }).locator('textarea:focus')).toHaveCount(1);

  // A step that uses them compiles the tool list; what the crib lacks is marked.
  await page.getByRole('link', { name: 'Write' }).click();
  await page.getByRole('textbox', { name: 'Step 1' }).click();
  await page.keyboard.type('Loosen the rear cover bolts.');
  await page.keyboard.press('Enter');
  await page.keyboard.type('Torque the rear cover bolts to 24 N·m. Torque the arm bolts. Torque the hitch bolts.');
  await kept(page);
  await page.getByRole('link', { name: 'Joints' }).click();
  const tools = page.getByRole('region', { name: 'Tool list' });
  await expect(tools.getByRole('row', { name: /13 mm socket/ })).toContainText('J1');
  await expect(tools.getByRole('row', { name: /torque wrench TW-2/ })).toContainText('2');
  await expect(tools.getByRole('row', { name: /torque wrench for 320 N·m/ })).toContainText('lacking');
  await expect(tools.getByRole('row', { name: /24 mm socket/ })).toHaveCount(0);

  // Grouped by wrench, filtered by a finding.
  await page.getByRole('combobox', { name: 'Order' }).selectOption('wrench');
  await expect(page.getByRole('columnheader', { name: 'none in the crib' })).toBeVisible();
  await page.getByRole('combobox', { name: 'Found' }).selectOption('TRQ007');
  await expect(page.getByLabel(/^Fastener of/)).toHaveCount(1);

  // The patterns are drawn on the sheet as well.
  await page.getByRole('link', { name: 'Print' }).click();
  await expect(page.getByRole('img', { name: /^rear cover bolts: tighten in the order 1, 7, 4/ })).toBeVisible();
  await expect(page.getByText('Not judged:')).toBeVisible();
});

test('a slip beside a joint shows its numbers, follows a change, and is kept as the justification', async ({ enter }) => {
  const page = await enter(/Ines Aldaro/);
  await fromShelf(page, 'Loader brackets and roll-over bar pads');
  await page.getByRole('link', { name: 'Joints' }).click();
  await page.getByLabel('Fastener of J5').click();
  await page.getByRole('button', { name: 'Work it out on a slip' }).click();
  const drawer = page.locator('.ant-drawer-content');
  await expect(drawer).toContainText('71 % of the proof load');
  await drawer.getByLabel('torque').fill('90 N·m');
  await expect(drawer).toContainText('the fastener yields');
  await drawer.getByLabel('torque').fill('bananas');
  await expect(drawer.getByRole('alert')).toContainText('torque');
  await drawer.getByLabel('torque').fill('48 N·m');
  await drawer.getByRole('button', { name: 'Keep as' }).click();
  await expect(drawer).toContainText('Kept.');
  await page.keyboard.press('Escape');

  // A free layout, placed by mouse and keyboard; its order follows.
  await page.getByRole('button', { name: 'Place them freely' }).click();
  const board = page.locator('svg.board');
  for (const [x, y] of [
    [60, 60],
    [360, 60],
    [60, 360],
  ])
    await board.click({ position: { x, y } });
  await page.getByRole('button', { name: 'Set the next in the middle' }).press('Enter');
  await page.getByRole('button', { name: /^Position 4/ }).press('ArrowRight');
  await page.getByRole('button', { name: 'Lay them so' }).click();
  await expect(page.getByLabel('pattern of J5')).toHaveValue(/^free \d+,\d+ \| .* \| 52,50$/);
  await expect(page.getByRole('img', { name: /^pad bolts: tighten in the order 4/ })).toBeVisible();
  await expect(page.getByLabel('justification of J5')).toHaveValue(/F = 48 N·m/);
});

test('the keeper of the crib adds a wrench, is told of a range upside down, and the value it covers is covered', async ({ enter }) => {
  const page = await enter(/Workshop office/);
  await page.getByRole('link', { name: 'Workshop', exact: true }).click();
  await page.getByRole('button', { name: 'Add a tool' }).click();
  const cell = (name) => page.getByLabel(new RegExp(`^${name} of`)).last();
  await cell('name').fill('TW-5');
  await cell('min').fill('500');
  await cell('max').fill('100');
  // What cannot be meant is said before it is kept.
  await expect(page.getByRole('alert')).toContainText('TW-5, range: The range runs from 500 down to 100');
  await cell('min').fill('100');
  await cell('max').fill('500');
  await cell('drive').fill('3/4 in');
  const keeping = page.getByRole('region', { name: 'Keeping' });
  await expect(keeping).toContainText(/Not kept yet.*It would touch \d sheets?.*OT-311 Loader brackets/);

  // What is written and not kept stays, through another place, another page and a reload.
  const places = page.getByRole('navigation', { name: 'The workshop' });
  await places.getByRole('link', { name: 'House rules' }).click();
  await page.getByLabel('Dry value on a treated thread').selectOption('reduce by the ratio');
  await expect(page.getByRole('main')).toContainText('is set and printed as reduced');
  await page.getByRole('link', { name: 'Shelf', exact: true }).click();
  await page.getByRole('link', { name: 'Workshop', exact: true }).click();
  await page.reload();
  await expect(places.getByRole('link', { name: 'House rules not kept' })).toBeVisible();
  await expect(cell('max')).toHaveValue('500');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(keeping).toContainText('Kept.');
  await expect(page.getByText('TW-5: 100 to 500 N·m')).toBeAttached();
  await places.getByRole('link', { name: 'House rules not kept' }).click();
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(keeping).toContainText('Kept.');
  for (const place of [
    'Torque tools',
    'Hand tools',
    'House rules',
    'Schools of practice',
    'Weights',
    'Words',
    'Source documents',
    'Blocks',
    'Backup',
  ]) {
    await places.getByRole('link', { name: place }).click();
    await expect(page.getByRole('heading', { level: 1, name: place })).toBeVisible();
    const audit = await new AxeBuilder({ page }).analyze();
    expect([place, ...audit.violations.map((v) => v.id)]).toEqual([place]);
  }

  // Hand tools that are kept as a set are at hand on Ready; a change of mind is put back.
  await places.getByRole('link', { name: 'Hand tools' }).click();
  await page.getByRole('button', { name: 'take out Tool trolley' }).click();
  await page.getByRole('button', { name: 'Put back' }).click();
  await page.getByRole('button', { name: 'take out Tool trolley' }).click();
  await page.getByRole('button', { name: 'Begin from the usual set' }).click();
  await page.getByLabel('set of Tool trolley').fill('Trolley 2');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(keeping).toContainText('Kept.');

  const ines = await enter(/Ines Aldaro/);
  await fromShelf(ines, 'Loader brackets and roll-over bar pads');
  await ines.getByRole('link', { name: 'Joints' }).click();
  await expect(ines.locator('tr', { has: ines.getByLabel('Fastener of J11') })).toContainText('TW-5');
  // 18 N·m dry on anti-seize: reduced by 0.70 to 12.6, and said so.
  await ines.getByLabel('Fastener of J9').click();
  await expect(ines.getByRole('complementary')).toContainText('Reduced by the house rule from 18 N·m dry');

  await ines.goto('/slips?ask=adapter');
  await expect(ines.getByText('T_set = T · L / (L + E · cos θ)')).toBeVisible();
  const slips = await new AxeBuilder({ page: ines }).analyze();
  expect(slips.violations.filter((v) => ['serious', 'critical'].includes(v.impact)).map((v) => v.id)).toEqual([]);
});

test('cells take what a mechanic calls things: what sits on what, washers and nut, a pinch bolt with its finish, a star', async ({
  enter,
}) => {
  const page = await enter(/Ines Aldaro/);
  await begin(page, 'OT-161', 'Rocker and pinch bolts');
  await page.keyboard.type('Take out the four pinch bolts and lift the rocker off.');
  await page.keyboard.press('Enter');
  await page.keyboard.type('Press the new bush into the rocker.');
  await page.keyboard.press('Enter');
  await page.keyboard.type('Lift the rocker on, pinch bolts in, nuts finger-tight.');
  await kept(page);
  await page.getByRole('link', { name: 'Joints' }).click();
  const type = async (label, text) => {
    await page.getByLabel(label).fill(text);
    await page.keyboard.press('Enter');
  };

  // What it is called and what is said besides stay as they are written; the order of a star is a circle's.
  await type('Fastener of J1', 'M10x45 pinch bolt 10.9, 17 mm, zinc plated');
  await expect(page.getByLabel('Fastener of J1')).toHaveValue('M10×45 10.9 pinch bolt, 17 mm, zinc plated');
  await page.getByLabel('Fastener of J1').click();
  await type('pattern of J1', 'star');
  await expect(page.getByLabel('pattern of J1')).toHaveValue('circle');
  await type('washers and nut of J1', 'spring washer, nut 17 mm');
  await expect(page.getByLabel('washers and nut of J1')).toHaveValue('spring washer, nut 17 mm');

  // A word nobody knows stays in the cell and is named.
  await type('Fastener of J1', 'M10x45 frobbed bolt');
  await expect(page.getByText('“frobbed” is not understood')).toBeVisible();
  await expect(page.getByLabel('Fastener of J1')).toHaveValue('M10x45 frobbed bolt');

  // The bush sits in the rocker, and the rocker not in its own bush.
  const rocker =
    (await page
      .getByLabel(/^name of P\d+$/)
      .first()
      .inputValue()) === 'rocker'
      ? 'P1'
      : 'P2';
  const bush = rocker === 'P1' ? 'P2' : 'P1';
  await type(`sits on or in of ${bush}`, 'rocker');
  await expect(page.getByLabel(`sits on or in of ${bush}`)).toHaveValue(rocker);
  await type(`sits on or in of ${rocker}`, 'bush');
  await expect(page.getByText(/cannot sit on/)).toBeVisible();
});
