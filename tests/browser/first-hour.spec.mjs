import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, kept, root, test } from './workshop.mjs';

/** An author's hands: every key and every click is counted. What is offered in the line is taken where it is what she means. */
class Hands {
  keys = 0;
  clicks = 0;

  constructor(page) {
    this.page = page;
  }

  async press(...keys) {
    for (const key of keys) {
      await this.page.keyboard.press(key);
      this.keys++;
    }
  }

  async type(text) {
    for (let at = 0; at < text.length;) {
      const rest = await this.page.evaluate(() => document.querySelector('[data-testid=ahead] .rest')?.textContent ?? null);
      if (rest && text.startsWith(rest, at)) {
        await this.press('ArrowRight');
        at += rest.length;
      } else {
        await this.page.keyboard.type(text[at++]);
        this.keys++;
      }
    }
  }

  async click(where) {
    await where.click({ timeout: 60_000 });
    this.clicks++;
  }
}

// A job somebody else wrote, in the phases a new sheet has.
const rows = readFileSync(join(root, 'tests/corpus/b4.jsonl'), 'utf8').trim().split('\n').map(JSON.parse).slice(1);
const phases = [3, 17, 28, rows.length];

test('the first hour: a job of thirty steps from a blank page to its release', async ({ enter }) => {
  test.setTimeout(600_000);
  const ines = await enter(/Ines Aldaro/);
  const hands = new Hands(ines);
  await hands.click(ines.getByRole('button', { name: 'New procedure' }));
  await hands.type('OT-194');
  await hands.press('Tab');
  await hands.type('Gearbox input seal');
  await hands.press('Enter');
  await expect(ines.getByRole('textbox', { name: 'Step 1', exact: true })).toBeFocused();
  for (const [i, { text }] of rows.entries()) {
    if (i > 0) await hands.press('Enter');
    if (phases.includes(i)) await hands.press('Alt+Shift+ArrowDown');
    await expect(ines.getByRole('textbox', { name: `Step ${i + 1}`, exact: true })).toBeFocused();
    await hands.type(text);
  }
  await kept(ines);
  // The oil drained from the box is the gear oil that is filled in; nobody had to say so.
  await hands.click(ines.getByRole('textbox', { name: 'Step 4', exact: true }));
  await expect(ines.locator('.step.active .chips')).toContainText('drain F2 gear oil');
  // Where the values are from, down the column.
  await hands.click(ines.getByRole('link', { name: 'Joints' }));
  await hands.click(ines.getByLabel('Source of the value of J1'));
  for (const source of ['Gearbox manual, 2nd ed., p. 14', 'Gearbox manual, 2nd ed., p. 15', 'Gearbox manual, 2nd ed., p. 15']) {
    await hands.type(source);
    await hands.press('Enter');
  }
  // What is still found: mended by its fix.
  await hands.click(ines.locator('header .count'));
  const found = ines.getByRole('region', { name: 'warnings' });
  const replaced = found.getByRole('button', { name: /^Put P\d+ down as replaced$/ });
  await expect(replaced.first()).toBeVisible();
  for (let left = await replaced.count(); left > 0; left--) {
    await expect(replaced).toHaveCount(left);
    await hands.click(replaced.first());
  }
  for (const fix of ['They lie in a circle', 'J2 is locked by a stake', /^Joints takes .*threadlocker/, 'Clean J3 first'])
    await hands.click(found.getByRole('button', { name: fix }));
  await expect(ines.locator('header .count .of')).toHaveCount(1);
  // The drawer of what is found covers the page.
  await hands.press('Escape');
  await hands.click(ines.getByRole('link', { name: 'Review' }));
  await hands.click(ines.getByRole('button', { name: 'Send for review' }));
  await expect(ines.getByText('A reviewer looks at it now')).toBeVisible();

  const odo = await enter(/Odo Brandt/);
  const his = new Hands(odo);
  await his.click(odo.getByRole('link', { name: 'Gearbox input seal' }));
  await his.click(odo.getByRole('link', { name: 'Review' }));
  await his.click(odo.getByLabel(/^Value of J1 .* as read$/));
  // The values of the joints, and those of the passes that step 23 states.
  for (const [i, value] of ['35 N·m', '160–180 N·m', '25 N·m', '10 N·m', '18 N·m'].entries()) {
    await his.type(value);
    await his.press('Enter');
    await expect(odo.getByText(`${i + 1} of 5 verified`)).toBeVisible();
  }
  await his.click(odo.getByRole('button', { name: 'Release revision A' }));
  await his.click(odo.getByRole('button', { name: 'Release it', exact: true }));
  await expect(odo.getByLabel('Password or code')).toBeFocused();
  await his.type('orchard-demo-1');
  await his.press('Enter');
  await expect(odo.getByText('It is released and cannot be changed')).toBeVisible();

  const plain = rows.reduce((n, r) => n + r.text.length + 1, 0);
  const keys = hands.keys + his.keys;
  console.log(`${keys} keys for ${plain} of plain text (${(keys / plain).toFixed(2)}), ${hands.clicks + his.clicks} clicks`);
  expect(keys).toBeLessThanOrEqual(1.1 * plain);
  expect(hands.clicks + his.clicks).toBeLessThanOrEqual(20);
});
