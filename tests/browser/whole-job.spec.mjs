import { begin, expect, fromShelf, kept, readValues, release, test } from './workshop.mjs';

test('a procedure of ten steps is written by keyboard, cleared, released by a second person, and read in print', async ({ enter }) => {
  const page = await enter(/Ines Aldaro/);
  await begin(page, 'OT-120', 'Belly strap');
  const keys = page.keyboard;
  const bench = page.getByRole('region', { name: 'Bench' });
  const group = (name) => bench.locator(`[data-group=${name}]`);
  /** Says of the new name under the cursor that it is right. */
  const first = async (text) => {
    await expect(page.locator('.step.active .chip', { hasText: text }).locator('.new')).toBeVisible();
    await keys.press('Alt+1');
    await expect(page.locator('.step.active .chip .new')).toHaveCount(0);
  };

  // 1 to 4: make safe, then off with the strap; names are looked at as they come.
  await keys.type('Chock the rear wheels. Raise the front axle.');
  await keys.press('Enter');
  await keys.type('Unplug the lamp lead.');
  await first('lamp lead');
  await expect(group('open')).toContainText('lamp lead');
  await keys.press('Enter');
  await keys.type('Remove the two strap bolts.');
  await first('strap bolts');
  await expect(group('off')).toContainText('strap bolts');
  await keys.press('Enter');
  await keys.type('Remove the strap.');
  await first('strap');
  await expect(group('off')).toContainText('strap');
  await expect(group('off').locator('li')).toHaveCount(2);
  await keys.press('Enter');
  await keys.type('Clean the frame with brake cleaner.');
  await keys.press('Enter');
  await keys.type('Fit the strap. Start both strap bolts by hand.');
  await expect(group('slack')).toContainText('hand-tight');
  await keys.press('Enter');
  await keys.type('Torque the strap bolts to 70 lb-ft.');
  await expect(group('done')).toContainText('torqued');
  await expect(group('slack').locator('li')).toHaveCount(0);
  await keys.press('Enter');
  await keys.type('Inspect the strap.');
  await keys.press('Enter');
  await keys.type('Lower the tractor to the ground. Take the chocks away.');
  await keys.press('Enter');
  await keys.type('Check the function of the strap.');
  await kept(page);
  await expect(page.getByRole('textbox', { name: /^Step \d+$/ })).toHaveCount(10);

  // Words of which nothing came say so.
  await keys.press('Enter');
  await keys.type('Never weld the bar.');
  await expect(page.locator('.step.active')).toContainText('nothing is done here');
  await keys.press('ControlOrMeta+A');
  await keys.press('Backspace');
  await keys.press('Backspace');
  await expect(page.getByRole('textbox', { name: /^Step \d+$/ })).toHaveCount(10);

  // The bench follows the cursor: up through the steps by arrow key.
  for (let i = 0; i < 4; i++) await keys.press('ArrowUp');
  await expect(bench).toContainText('after step 6');
  await expect(group('slack')).toContainText('hand-tight');

  // Three findings: no stands, the lead left open, a value without a source. The first two by their fix.
  const count = page.locator('header .count');
  await expect(count).toContainText('3');
  await keys.press('F8');
  await keys.press('F8');
  await keys.press('F8');
  await expect(page.locator('.found.looked')).toBeVisible();
  await page.keyboard.press('Control+.');
  await expect(count).toContainText('2');
  await keys.press('F8');
  await expect(page.locator('.found.looked')).toBeVisible();
  const rule = await page.locator('.found.looked .why').textContent();
  if (rule === 'SRC001') await keys.press('F8');
  await page.keyboard.press('Control+.');
  await expect(count).toContainText('1');
  await expect(page.getByRole('textbox', { name: /^Step \d+$/ })).toHaveCount(13);

  // The last needs what only a person knows: where the value comes from, and the fastener for good measure.
  await page.getByRole('link', { name: 'Joints' }).press('Enter');
  await page.getByLabel('Source of the value of J1').fill('Sample manual, 3rd ed., p. 9');
  await keys.press('Enter');
  await page.getByLabel('Fastener of J1').fill('M12x1.25x40 10.9 bolt, 17 mm');
  await keys.press('Tab');
  await expect(page.locator('header .count')).toContainText('nothing found');
  await expect(page.locator('.computed').getByText('95 N·m', { exact: true })).toBeVisible();
  await expect(page.getByRole('img', { name: /of the proof load at the target/ })).toBeVisible();

  await page.getByRole('link', { name: 'Review' }).press('Enter');
  await page.getByRole('button', { name: 'Send for review' }).press('Enter');
  await expect(page.getByText('A reviewer looks at it now')).toBeVisible();
  // Its author may have second thoughts.
  await page.getByRole('button', { name: 'Call it back' }).press('Enter');
  await expect(page.getByText('called it back')).toBeVisible();
  await page.getByRole('button', { name: 'Send for review' }).press('Enter');
  await expect(page.getByText('A reviewer looks at it now')).toBeVisible();

  // The second person releases it; the author may not.
  await expect(page.getByRole('button', { name: /Release revision/ })).toHaveCount(0);
  const odo = await enter(/Odo Brandt/);
  await fromShelf(odo, 'Belly strap');
  await odo.getByRole('link', { name: 'Review' }).click();
  await expect(odo.locator('.state')).toContainText('A second person reads the values from their sources');
  await expect(odo.locator('.values')).not.toContainText('70');
  await readValues(odo, { J1: '70 lbf·in' });
  await expect(odo.locator('.found')).toContainText(/Odo Brandt \(odo\) reads .* and the sheet states another value/);
  await expect(odo.locator('.found')).not.toContainText('70 lbf·ft');
  // A bare number is no reading, and trying until it fits is none either: again with a reason, or by somebody else.
  const again = odo.getByLabel(/^Value of J1 .* as read$/);
  await again.fill('70');
  await again.press('Enter');
  await expect(odo.locator('.values')).toContainText('The value has no unit');
  await again.fill('70 lbf·ft');
  await again.press('Enter');
  await expect(odo.locator('.values')).toContainText('You have read another value there before');
  await odo.getByLabel('Why J1 strap bolts is read again').fill('took the line above');
  await readValues(odo, { J1: '70 lbf·ft' });
  await expect(odo.locator('.events')).toContainText('took the line above');
  // Told once more what it is, and by which rules.
  await odo.getByRole('button', { name: 'Release revision A' }).click();
  const asked = odo.getByRole('region', { name: /^Release OT-120 Belly strap, revision A/ });
  await expect(asked).toContainText('13 steps in');
  await expect(asked).toContainText('1 value, read from its source by Odo Brandt');
  await expect(asked).toContainText('Judged by the house rules');
  await asked.getByRole('button', { name: 'Not now' }).click();
  await expect(asked).toHaveCount(0);
  await release(odo);
  await expect(odo.getByText('It is released and cannot be changed')).toBeVisible();

  // Her window, open all the while, says so by itself.
  await expect(page.getByText('It is released and cannot be changed')).toBeVisible();

  // The installer reads the printed sheet.
  const tilde = await enter(/Tilde Rask/);
  await fromShelf(tilde, 'Belly strap');
  await tilde.getByRole('link', { name: 'Print', exact: true }).click();
  const paper = tilde.getByRole('article');
  await expect(paper).toContainText('values read from their sources by Odo Brandt');
  await expect(paper.getByRole('row', { name: /J1.*strap bolts/ })).toContainText('70 lbf·ft');
  await expect(paper).toContainText('17 mm socket');
  await expect(paper).toContainText('WARNING');
  const order = await paper.locator('.line .text').allInnerTexts();
  expect(order.findIndex((t) => t.includes('stands'))).toBeGreaterThan(order.findIndex((t) => t.includes('Raise')));
  await expect(tilde.getByRole('textbox')).toHaveCount(0);
});

test('whatever was read wrong is put right where it stands, by keys, and stays so while the words stand', async ({ enter }) => {
  const page = await enter(/Ines Aldaro/);
  await begin(page, 'OT-172', 'Last word');
  const keys = page.keyboard;
  const chips = page.locator('.step.active .chip');
  const mend = page.getByRole('group', { name: /^Mend: / });
  await keys.type('Zip the two pump bolts out and lift the pump off, minding the spring.');
  await kept(page);
  await expect(chips).toHaveCount(2);

  // Two strokes from the text: what stands nearest the caret is struck out.
  await keys.press('Alt+Enter');
  await expect(mend).toContainText('remove P1 pump');
  await keys.press('2');
  await expect(chips).toHaveCount(1);
  await expect(page.getByRole('textbox', { name: 'Step 1', exact: true })).toBeFocused();

  // In full: how many of them, and only if.
  await keys.press('Alt+Enter');
  await expect(mend).toContainText('take out J1 pump bolts');
  await keys.press('0');
  await page.getByLabel('How many').selectOption('1 of them');
  await page.getByLabel('Only if').fill('the bracket stays on');
  await keys.press('Enter');
  await expect(chips).toHaveText([/take out 1 of J1 pump bolts, the bracket stays on\s*your word/]);

  // One more from the words, to something the sheet does not have; refused where it cannot be, with all that was chosen still there.
  await page.getByRole('button', { name: '+ more' }).press('Enter');
  await page.getByLabel('From the words').selectOption('minding the spring');
  await page.getByLabel('To what').selectOption('something new …');
  await page.getByLabel('It is').selectOption('a part');
  await page.getByLabel('called').fill('spring');
  await page.getByLabel('What is done').selectOption('remove');
  await keys.press('Tab');
  await page.getByRole('button', { name: 'Add it' }).press('Enter');
  await expect(chips).toHaveCount(2);
  await expect(chips.nth(1)).toContainText('remove P2 spring');

  // It holds while its words stand, over other writing and a reload; when they go, it is told, and what was said is not lost.
  const text = page.getByRole('textbox', { name: 'Step 1', exact: true });
  await text.fill('First of all, zip the two pump bolts out and lift the pump off, minding the spring.');
  await kept(page);
  await page.reload();
  await page.locator('.step').first().click();
  await expect(chips).toHaveCount(2);
  await text.fill('Zip the two pump bolts out and lift the pump off.');
  await expect(page.locator('.step.active')).toContainText('Your word on “minding the spring” no longer holds');
  await page.getByRole('button', { name: 'Forget it' }).click();
  await expect(page.locator('.step.active')).not.toContainText('no longer holds');

  // Taken back: as it was read.
  await page.getByRole('button', { name: /take out 1 of J1/ }).click();
  await page.getByRole('button', { name: 'Take my word back' }).click();
  await expect(chips.first()).toHaveText(/^take out J1 pump bolts/);

  // Words that came to nothing stand under what was read: said to do something, or put away for good.
  await text.fill('Zip the two pump bolts out, let the plunger find its seat, make sure that it rests, and lift the pump off.');
  const said = page.getByRole('list', { name: /^Only said/ });
  await expect(said.getByRole('listitem')).toHaveText([/let the plunger find its seat/, /make sure that it rests/]);
  await said.getByRole('button', { name: /^Just words: make sure/ }).press('Enter');
  await expect(said.getByRole('listitem')).toHaveCount(1);
  await said.getByRole('button', { name: 'let the plunger find its seat', exact: true }).press('Enter');
  await expect(page.getByLabel('From the words')).toHaveValue('let the plunger find its seat');
  await page.getByLabel('To what').selectOption('something new …');
  await page.getByLabel('It is').selectOption('a control');
  await page.getByLabel('called').fill('plunger');
  await page.getByLabel('What is done').selectOption('set');
  await page.getByRole('button', { name: 'Add it' }).press('Enter');
  await expect(page.locator('.step.active .chips')).toContainText('set L1 plunger');
  await expect(said).toHaveCount(0);
  await kept(page);
  await page.reload();
  await page.locator('.step').first().click();
  await expect(page.locator('.step.active .chips')).toContainText('set L1 plunger');
  await expect(said).toHaveCount(0);
});

test('a word that was settled once is kept for all sheets, and taken back under Workshop', async ({ enter }) => {
  const page = await enter(/Ines Aldaro/);
  await begin(page, 'OT-173', 'Words');
  const words = page.getByRole('region', { name: 'House words' });
  await page.keyboard.type('Frob the gland off the shaft and frob the seal.');
  await kept(page);
  await expect(page.locator('.question')).toContainText('frob the seal');
  await page.getByRole('button', { name: 'Remove seal, a new part' }).click();
  await page.getByRole('button', { name: /remove P\d seal/ }).click();
  await page.getByRole('button', { name: 'Always: “frob” means remove' }).click();
  await words.getByRole('button', { name: 'keep it for all sheets' }).click();
  await expect(words).toContainText('every new sheet knows it now');

  // Another sheet knows it; forgotten there, it is offered again.
  await page.goto('/');
  await begin(page, 'OT-174', 'Other words');
  await page.keyboard.type('Frob the cover.');
  await kept(page);
  await expect(page.locator('.step.active .chip')).toContainText('remove P1 cover');

  await page.goto('/workshop/words');
  await page.getByRole('button', { name: 'Take back: “frob” means remove' }).click();
  await expect(page.getByText('None yet.')).toBeVisible();
});

test('new names are taken up, mended on the chip and in the list, and go with their sentence', async ({ enter }) => {
  const page = await enter(/Ines Aldaro/);
  await begin(page, 'OT-171', 'Names');
  const keys = page.keyboard;
  const names = page.getByRole('region', { name: 'New names' });
  await keys.type('Zip the two pump bolts out with an impact wrench and lift the pump off.');
  await kept(page);
  await expect(page.locator('.step.active .chip')).toHaveCount(2);
  await expect(names).toContainText('3 new names');

  // On the chip: another kind by keys, and back by undo.
  await page.getByRole('button', { name: /remove P1 pump/ }).press('Enter');
  await expect(page.getByRole('group', { name: /Mend: remove P1 pump/ })).toBeVisible();
  await page.getByRole('button', { name: 'It is a connection' }).press('Enter');
  await expect(page.locator('.step.active .chip').nth(1)).toContainText('disconnect C1 pump');
  await kept(page);
  await keys.press('Control+z');
  await expect(page.locator('.step.active .chip').nth(1)).toContainText('remove P1 pump');

  // In the list: looked at one, then all.
  await names.getByRole('button', { name: /new names/ }).click();
  await names.getByRole('button', { name: 'pump is right' }).click();
  await expect(names).toContainText('2 new names');
  await names.getByLabel('Kind of impact wrench').selectOption('aid');
  await expect(names).toContainText('1 new name');

  // A name that is written away goes; what was looked at stays. Words nobody understands are shown and asked.
  await page.getByRole('textbox', { name: 'Step 1', exact: true }).fill('Frobnicate the pump.');
  await expect(page.locator('.question')).toContainText('was not understood');
  await expect(names).toHaveCount(0);
  await page.getByRole('button', { name: 'Remove P1 pump' }).click();
  await expect(page.locator('.step.active .chip')).toContainText('remove P1 pump');
  await expect(page.locator('.question')).toHaveCount(0);
  await page.reload();
  await expect(page.locator('.step .chip').first()).toContainText('remove P1 pump');
});
