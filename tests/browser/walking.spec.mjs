import AxeBuilder from '@axe-core/playwright';
import { begin, expect, fromShelf, kept, phaseAct, release, test } from './workshop.mjs';

test('the chart shows what is left open, is walked by keys, read as text, and leads to the step', async ({ enter }) => {
  const page = await enter(/Ines Aldaro/);
  await page.goto('/r/4/chart');
  const chart = page.getByRole('application');
  await expect(chart).toBeVisible();
  const said = page.locator('#chart-said');
  await chart.focus();
  await page.keyboard.press('End');
  await expect(said).toContainText('vehicle, after step 34: on the ground');
  // Down to the drawbar clamp bolts, and by its changes: loosened, snugged, torqued.
  for (let i = 0; i < 10; i++) await page.keyboard.press('ArrowDown');
  await expect(said).toContainText('J5 drawbar clamp bolts, after step 34: torqued since step 31');
  await page.keyboard.press('p');
  await expect(said).toContainText('after step 31: torqued since step 31. This step does it.');
  await page.keyboard.press('p');
  await expect(said).toContainText('after step 29: snug');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Bench')).toContainText('after step 29');
  await expect(page.locator('[data-group=slack]')).toContainText('torque in step 31');

  await page.goto('/r/1/chart');
  await page.getByLabel(/only what is left open/).check();
  await page.getByRole('checkbox', { name: 'as text' }).check();
  await expect(page.getByRole('row')).toHaveCount(3);
  const bolts = page.getByRole('row', { name: /J3 bracket bolts/ });
  await expect(bolts).toContainText('left open');
  await bolts.getByRole('button', { name: 'Go to step 12' }).click();
  await expect(page.getByLabel('Bench')).toContainText('after step 12');
});

test('walking as another side changes the bench, the chart, what is needed and what prints', async ({ enter }) => {
  const page = await enter(/Tilde Rask/);
  await page.goto('/r/4/write');
  await page.locator('[data-step=s7]').click();
  await expect(page.locator('[data-group=off]')).toContainText('speed sensor');
  await page.getByRole('button', { name: /Walking as/ }).click();
  await page.getByRole('radio', { name: 'right' }).check();
  await page.getByRole('radio', { name: /it will not come off/ }).check();
  await expect(page.locator('[data-group=off]')).not.toContainText('speed sensor');
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'Chart' }).click();
  await page.getByRole('checkbox', { name: 'as text' }).check();
  await expect(page.getByRole('row', { name: /rear wheel/ })).toBeVisible();
  await expect(page.getByRole('row', { name: /speed lead/ })).toHaveCount(0);
  await page.getByRole('link', { name: 'Print' }).click();
  await expect(page.getByRole('article')).toContainText('steel wheels · right · step 10 if it will not come off the pilot');
  await expect(page.getByRole('article')).not.toContainText('speed lead');
  await expect(page.getByRole('article')).toContainText('Still to torque:J5 drawbar clamp bolts 120 N·m (step 31)');
  await expect(page.getByRole('cell', { name: '411–440 mm' })).toBeVisible();
});

test('what is in hand is ticked off, until it says go; days are counted back', async ({ enter }) => {
  const page = await enter(/Tilde Rask/);
  await page.goto('/r/4/ready');
  await expect(page.locator('.word')).toHaveText('Not yet');
  // A day as one says it; what could be two days is asked.
  const wanted = page.getByLabel('Wanted on', { exact: true });
  await wanted.fill('3/4/2027');
  await wanted.press('Enter');
  const asked = page.getByRole('alert').filter({ hasText: 'Which is the month in 3/4/2027?' });
  await expect(asked).toBeVisible();
  await wanted.fill('in 30 days');
  await wanted.press('Enter');
  const day = new Date(Date.now() + 30 * 864e5).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });
  await expect(wanted).toHaveValue(day);
  await expect(asked).toBeHidden();
  await expect(page.locator('.lists')).toContainText('order by');
  for (const all of await page.getByRole('button', { name: /all \d+ in hand/ }).all()) await expect(all).toBeVisible();
  while ((await page.getByRole('button', { name: /all \d+ in hand/ }).count()) > 0) {
    const before = await page.getByRole('button', { name: /all \d+ in hand/ }).count();
    await page
      .getByRole('button', { name: /all \d+ in hand/ })
      .first()
      .click();
    await expect(page.getByRole('button', { name: /all \d+ in hand/ })).toHaveCount(before - 1);
  }
  // Sockets and ratchets lie in the tool trolley; the second person is asked for.
  await expect(page.getByRole('checkbox', { name: '1/2 in ratchet or bar in hand' })).toBeDisabled();
  await page.getByRole('checkbox', { name: 'a second person in hand' }).check();
  await page.getByRole('checkbox', { name: 'wheel spacer in hand' }).check();
  await expect(page.locator('.word')).toHaveText('Not yet');
  await page.getByRole('checkbox', { name: /spacer nuts.* in hand/ }).check();
  await expect(page.locator('.word')).toHaveText('Go');
  await page.reload();
  await expect(page.locator('.word')).toHaveText('Go');
  await page.getByRole('checkbox', { name: 'wheel spacer in hand' }).uncheck();
  await expect(page.locator('.word')).toHaveText('Not yet');
  // The plan: what decides the end is said to those who do not see it.
  await expect(page.getByRole('heading', { name: 'Time, and the critical chain' })).toBeVisible();
  await expect(page.locator('.chain li.critical').first()).toContainText('on the critical chain');
});

test('sides, a block, a plan B and a caution are written by a new author', async ({ enter }) => {
  const page = await enter(/Ines Aldaro/);
  await begin(page, 'OT-930', 'Sensor ring');
  const keys = page.keyboard;
  await page.getByRole('button', { name: /^The job/ }).click();
  await page.getByLabel('Variants and sides').fill('side: left, right');
  await keys.press('Tab');
  await expect(page.getByRole('button', { name: /Walking as/ })).toBeVisible();

  // A block by its stroke: aids and joints it names are new here.
  await page.getByRole('textbox', { name: 'Step 1', exact: true }).click();
  await keys.press('/');
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Search the blocks').fill('raise');
  await keys.press('Enter');
  await expect(dialog.getByLabel('chocks', { exact: true })).toBeVisible();
  expect(
    (await new AxeBuilder({ page }).analyze()).violations.filter((v) => v.impact === 'serious' || v.impact === 'critical').map((v) => v.id),
  ).toEqual([]);
  await dialog.getByRole('button', { name: /^Insert 4 steps/ }).click();
  await expect(page.getByRole('textbox', { name: /^Step \d+$/ })).toHaveCount(4);
  await expect(page.getByRole('textbox', { name: 'Step 2', exact: true })).toHaveValue('Put the chocks at the wheels that stay down.');

  await page.getByRole('textbox', { name: 'Step 4', exact: true }).click();
  await keys.press('End');
  await keys.press('Enter');
  await keys.type('Left: unplug the sensor lead.');
  await expect(page.locator('.step.active .chip')).toContainText('left: disconnect C1 sensor lead');
  await keys.press('End');
  await keys.press('Enter');
  await keys.type('Pull the ring off by hand.');
  await keys.press('Shift+Enter');
  await keys.type('Or, if it sits fast: heat the ring. Pull the ring off.');
  await expect(page.locator('.step.active .chip').first()).toContainText('ring');
  await kept(page);
  await page.getByRole('button', { name: /Walking as/ }).click();
  await expect(page.getByRole('radio', { name: 'or, if it sits fast' })).toBeVisible();
  await keys.press('Escape');

  // The usual caution of heat is there; a warning of the jack goes only with a reason.
  await expect(page.locator('.step.active')).toContainText('Heated parts stay hot');
  await page.getByRole('textbox', { name: 'Step 3', exact: true }).click();
  await page.getByRole('button', { name: /Take off: The vehicle can slip/ }).click();
  await page.getByRole('button', { name: 'Take it off' }).click();
  await expect(page.getByText('A WARNING is not taken off without a reason.')).toBeVisible();
  await page.getByLabel(/not hold here/).fill('The shop has a lift with locks.');
  await page.getByRole('button', { name: 'Take it off' }).click();
  await expect(page.locator('.step.active .gone')).toContainText('The shop has a lift with locks.');
});

test('what is repeated on the other side is walked there, found there, and its side and its steps are mended on the chip', async ({
  enter,
}) => {
  const page = await enter(/Ines Aldaro/);
  await begin(page, 'OT-932', 'Both drums');
  const keys = page.keyboard;
  const chips = page.locator('.step.active .chip');
  const text = (n) => page.getByRole('textbox', { name: `Step ${n}`, exact: true });
  for (const line of [
    'Lift the wheel off.',
    'Draw the brake drum off.',
    'Repeat steps 1 to 2 on the right-hand side.',
    'Push both brake drums on.',
  ]) {
    await keys.type(line);
    await keys.press('Enter');
  }
  await keys.type('Lift the left-hand wheel on.');
  await kept(page);
  await expect(chips).toContainText('fit P1 wheel on the left-hand side');
  await expect(page.locator('[data-group=off]')).toContainText('right-hand wheel');
  await expect(page.locator('[data-group=off]')).not.toContainText('left-hand wheel');
  await text(3).click();
  await expect(page.locator('.step.active')).toContainText('never fitted again: P1 right-hand wheel');

  // A step that comes in between is repeated with the others, and undo takes both back.
  await text(1).click();
  await keys.press('End');
  await keys.press('Enter');
  await keys.type('Mark the brake drum.');
  await kept(page);
  await expect(text(4)).toHaveValue('Repeat steps 1 to 3 on the right-hand side.');
  await page.getByRole('link', { name: 'Chart' }).click();
  await page.getByRole('checkbox', { name: 'as text' }).check();
  await expect(page.getByRole('row', { name: /P1 right-hand wheel/ })).toContainText('left open');
  await expect(page.getByRole('row', { name: /P1 left-hand wheel/ })).toContainText('as it should be');
  await page.getByRole('link', { name: 'Write' }).click();

  // The author has the last word on where, and on which steps.
  await text(4).click();
  await page.getByRole('button', { name: /^repeat steps 1–3 on the right-hand side/ }).click();
  await page.getByRole('button', { name: /Say it in full/ }).click();
  await expect(page.getByLabel('Which steps')).toHaveValue('1–3');
  await page.getByLabel('Which steps').fill('1–7');
  await page.getByLabel('On which side').selectOption('the left');
  await page.getByRole('button', { name: 'Say so' }).click();
  await expect(chips).toHaveText([/repeat steps 1–7 on the left-hand side\s*your word/]);
  await expect(page.locator('.step.active')).toContainText('the sheet has 6');
  await page.getByRole('button', { name: /^repeat steps 1–7/ }).click();
  await page.getByRole('button', { name: 'Take my word back' }).click();
  await expect(chips).toHaveText([/^repeat steps 1–3 on the right-hand side/]);
});

test('a removal is sorted, and a phase written for the other side', async ({ enter }) => {
  const page = await enter(/Ines Aldaro/);
  await page.goto('/r/1/write');
  await phaseAct(page, 'Removal', 'Sort what comes off');
  await expect(page.getByRole('dialog')).toContainText('Step 6 goes to 5: P2 right guard is held by J2 right guard screws.');
  await page.getByRole('button', { name: 'Move 1 step' }).click();
  await expect(page.getByRole('textbox', { name: 'Step 5', exact: true })).toHaveValue('Run the right guard screws out.');
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('textbox', { name: 'Step 5', exact: true })).toHaveValue('Lift the right guard off.');
  await phaseAct(page, 'Removal', 'Write it for the other side');
  await expect(page.getByRole('dialog')).toContainText('Back the four right guard screws out.');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
});

test('a warning is waived with a reason under review, and the house weighs a rule and keeps a block', async ({ enter }) => {
  const author = await enter(/Ines Aldaro/);
  await begin(author, 'OT-931', 'Strap');
  await author.keyboard.type('Start the strap bolts by hand. Tighten the strap bolts good and tight.');
  await expect(author.locator('.step.active .chip').first()).toContainText('strap bolts');
  await kept(author);
  await author.getByRole('link', { name: 'Joints' }).click();
  await author.getByLabel('Torque, other unit of J1').fill('snug');
  await author.keyboard.press('Tab');
  await author.getByRole('link', { name: 'Review' }).click();
  await expect(author.locator('.found')).toContainText('is a different torque in every hand');
  await author.getByRole('button', { name: 'Send for review' }).click();
  await expect(author.getByText('A reviewer looks at it now.')).toBeVisible();

  const odo = await enter(/Odo Brandt/);
  await fromShelf(odo, 'Strap');
  await odo.getByRole('link', { name: 'Review' }).click();
  await expect(odo.locator('.state')).toContainText('1 warning has no reason to stand');
  await odo.getByRole('button', { name: 'waive with a reason' }).click();
  await odo.getByLabel('Why may this warning stand?').fill('The strap maker writes it so.');
  await odo.getByRole('button', { name: 'Let it stand' }).click();
  await expect(odo.getByText('Waived by Odo Brandt (odo): The strap maker writes it so.')).toBeVisible();
  await release(odo);
  await expect(odo.getByText('It is released and cannot be changed')).toBeVisible();

  await odo.goto('/workshop/weights');
  const weightOf = (rule) => odo.getByRole('group', { name: `Weight of ${rule}` });
  await expect(weightOf('CLO001, Joint left out').getByRole('radio')).toHaveCount(1);
  await odo.getByRole('searchbox', { name: 'Rule' }).fill('left and right');
  await weightOf('WRD007, Left and right undefined').getByText('warn').click();
  await odo.getByText(/^It would touch/).click();
  await expect(odo.getByRole('region', { name: 'Keeping' })).toContainText(
    'OT-311 Loader brackets and roll-over bar pads, A: found besides WRD007 step 4, warn',
  );
  await odo.getByRole('link', { name: 'Blocks' }).click();
  await odo.getByRole('button', { name: 'Add a block' }).click();
  await odo.getByLabel('Name of block 1').fill('hood open');
  await odo.getByLabel('Steps of block 1').fill('Open the hood.\nStand the {aid: hood prop} in place.');
  await odo.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(odo.getByRole('region', { name: 'Keeping' })).toContainText('Kept.');
  // The weight is still not kept: each place is kept by itself.
  await expect(odo.getByRole('link', { name: 'Weights not kept' })).toBeVisible();
});
