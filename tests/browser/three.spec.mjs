import { begin, expect, kept, readValues, release, share, test } from './workshop.mjs';

const thread = (page, name) => page.getByRole('article', { name: new RegExp(`^Comment on ${name}`) });

/** What is written by two, looked at by a third, released, warned of and written anew, in three windows that stay open. */
test('three people in three windows: from edits at once to the next revision and what differs', async ({ enter }) => {
  const ines = await enter(/Ines Aldaro/);
  const marta = await enter(/Marta Holm/);
  const odo = await enter(/Odo Brandt/);
  await begin(ines, 'OT-958', 'Tool tray off and on');
  for (const text of [
    'Park on level ground. Stop the engine.',
    'Take the two tray bolts out and lift the tray off.',
    'Put the tray back on and start both tray bolts by hand.',
    'Torque the tray bolts to 22 N·m.',
  ]) {
    await ines.keyboard.type(text);
    await ines.keyboard.press('Enter');
  }
  await kept(ines);
  const face = (name) => ines.url().replace(/[^/]+$/, name);
  await share(ines, 'Marta Holm');

  // Both write at once, each at her own step, and each sees the other's.
  const step = (page, number) => page.getByRole('textbox', { name: `Step ${number}`, exact: true });
  await marta.goto(face('write'));
  await expect(step(marta, 4)).toHaveValue('Torque the tray bolts to 22 N·m.');
  await Promise.all([
    step(marta, 1).fill('Park on level, paved ground. Stop the engine.'),
    step(ines, 3).fill('Put the tray back on, its lip to the front, and start both tray bolts by hand.'),
  ]);
  await Promise.all([marta.keyboard.press('Tab'), ines.keyboard.press('Tab')]);
  await expect(step(ines, 1)).toHaveValue('Park on level, paved ground. Stop the engine.');
  await expect(step(marta, 3)).toHaveValue('Put the tray back on, its lip to the front, and start both tray bolts by hand.');
  await Promise.all([kept(ines), kept(marta)]);
  await ines.getByRole('link', { name: 'Joints' }).click();
  await ines.getByLabel('Source of the value of J1').fill('Sample tray sheet, p. 3');
  await ines.keyboard.press('Enter');
  await ines.goto(face('review'));
  await ines.getByRole('button', { name: 'Send for review' }).click();

  // Marta suggests other words, Odo returns it, and Ines takes them with one key.
  await marta.goto(face('write'));
  const words = marta.locator('[data-step]', { hasText: 'Take the two tray bolts out' }).locator('p.text');
  await words.evaluate((p) => getSelection().setBaseAndExtent(p.firstChild, 0, p.firstChild, 27));
  await marta.keyboard.press('F9');
  await marta.getByLabel('What is wrong, or what should stand there?').fill('Say that it hooks in behind.');
  await marta.getByLabel('Suggest other words').check();
  await marta.getByLabel('The step should say').fill('Take the two tray bolts out, unhook the tray behind and lift it off.');
  await marta.getByRole('button', { name: 'Say it' }).click();
  await expect(thread(ines, 'Step 2')).toContainText('hooks in behind');
  await odo.goto(face('review'));
  await odo.getByRole('button', { name: 'Return with a reason' }).click();
  await odo.getByLabel('What should the author change?').fill('See the comment.');
  await odo.getByRole('button', { name: 'Return it' }).click();
  await expect(thread(ines, 'Step 2').getByRole('button', { name: 'Take it' })).toBeVisible();
  await thread(ines, 'Step 2').focus();
  await ines.keyboard.press('t');
  await expect(thread(ines, 'Step 2')).toHaveCount(0);
  await expect(step(marta, 2)).toHaveValue('Take the two tray bolts out, unhook the tray behind and lift it off.');
  await ines.getByRole('button', { name: 'Send for review' }).click();

  // The value is read from its source by who did not write it: first another, then the one that stands there.
  await readValues(odo, { J1: '25 N·m' });
  await expect(odo.locator('.found')).toContainText('reads');
  await odo.getByLabel('Why J1 tray bolts is read again').fill('took the line above');
  await readValues(odo, { J1: '22 N·m' });
  await release(odo);
  await expect(odo.getByText('It is released and cannot be changed')).toBeVisible();
  await expect(ines.getByText('It is released and cannot be changed')).toBeVisible();

  // A bulletin comes out, and shows wherever the sheet is open.
  await odo.getByRole('button', { name: 'Give out a bulletin' }).click();
  await odo.getByLabel('What is it, and what should be done instead?').fill('The lip goes to the rear.');
  await odo.getByLabel('What is wrong?').selectOption(await odo.locator('option', { hasText: /^step 3:/ }).getAttribute('value'));
  await odo.getByRole('button', { name: 'Give it out' }).click();
  for (const page of [ines, marta]) await expect(page.getByRole('list', { name: 'Bulletins' })).toContainText('The lip goes to the rear.');

  // The next revision settles it: what differs is told, and why.
  await ines.getByRole('button', { name: 'Start a new revision' }).click();
  await ines.waitForURL(/write/);
  await step(ines, 3).fill('Put the tray back on, its lip to the rear, and start both tray bolts by hand.');
  await ines.keyboard.press('Tab');
  await kept(ines);
  await ines.getByRole('link', { name: 'Review', exact: true }).click();
  const told = ines.getByRole('region', { name: /What has changed/ });
  await expect(told).toContainText('rear');
  await ines.getByRole('button', { name: 'Send for review' }).click();
  await ines.getByLabel(/Why does it change what people work from/).fill('The tray fouled the seat.');
  await ines.getByRole('button', { name: 'Send it' }).click();
  await odo.goto(face('review'));
  await expect(odo.getByRole('region', { name: /What has changed/ })).toContainText('rear');
  await release(odo, 'B');
  await expect(odo.getByText('It is released and cannot be changed')).toBeVisible();
  await odo.goto(face('print'));
  await expect(odo.getByRole('heading', { name: 'Changed since revision A' })).toBeVisible();
  await expect(odo.getByText(/^BULLETIN/)).toHaveCount(0);
});
