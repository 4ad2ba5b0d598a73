import { expect, kept, test } from './workshop.mjs';

/** The sample sheet that was released three times. */
const LATEST = '/r/7';

test('what has changed is told against any revision, side by side, and on paper with a bar in the margin', async ({ enter }) => {
  const page = await enter(/Ines Aldaro/);
  await page.goto(`${LATEST}/review`);
  const told = page.getByRole('region', { name: /What has changed/ });
  await expect(told.getByRole('heading', { level: 3 })).toHaveText([/Safety/, /What is done/, /How it stands/]);
  await expect(told).toContainText('Step 10 of B is step 14 now: “Strap off.”');
  await told.getByLabel(/since revision/).selectOption({ label: 'A, superseded' });
  await expect(told).toContainText('J2 carrier bolts: torque 170 N·m → 190 N·m');
  await told.getByText('The steps side by side').click();
  const row = told.getByRole('row', { name: /Step 9/ });
  await expect(row.locator('del')).toHaveText('170');
  await expect(row.locator('ins')).toHaveText('190');

  await page.getByRole('link', { name: 'Print', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Changed since revision B' })).toBeVisible();
  await expect(page.locator('.step.changed .number')).toHaveText([/^10/, /^13/, /^14/, /^15/, /^16/]);
  // Who only works from released sheets reads on paper what is new, and is told of no draft.
  const tilde = await enter(/Tilde Rask/);
  await tilde.goto(`${LATEST}/print`);
  await expect(tilde.getByRole('heading', { name: 'Changed since revision B' })).toBeVisible();
});

test('who follows a sheet step by step is told what is new in it, at the top and at the step', async ({ enter }) => {
  const page = await enter(/Tilde Rask/);
  await page.goto(`${LATEST}/follow?at=9`);
  const since = page.getByText(/^Changed since revision B: \d+ changes$/);
  await expect(since).toBeVisible();
  const news = page.getByText('Changed since revision B: read it');
  await expect(page.getByRole('article', { name: 'Step 9' })).toBeVisible();
  await expect(news).toHaveCount(0);
  await page.getByRole('button', { name: 'Next' }).click();
  await expect(page.getByRole('article', { name: 'Step 10' })).toBeVisible();
  await expect(news).toBeVisible();
  await since.click();
  await expect(page.getByText('Step 10 of B is step 14 now')).toBeVisible();
  // Whole: the same steps are marked as on paper.
  await page.getByLabel('the whole sheet').check();
  await expect(page.locator('.step.changed .number')).toHaveText([/^10 \(changed\)/, /^13/, /^14/, /^15/, /^16/]);
  // A first revision has nothing before it.
  await page.goto('/r/4/follow');
  await expect(page.locator('.step').first()).toBeVisible();
  await expect(page.getByText(/^Changed since/)).toHaveCount(0);
});

test('while a new revision is written, Review tells what differs from the released one, and leads to the step', async ({ enter }) => {
  const page = await enter(/Ines Aldaro/);
  await page.goto(`${LATEST}/review`);
  await page.getByRole('button', { name: 'Start a new revision' }).click();
  await page.waitForURL(/write/);
  const first = page.getByRole('textbox', { name: 'Step 1', exact: true });
  await page.getByRole('link', { name: 'Review', exact: true }).click();
  const told = page.getByRole('region', { name: /What has changed/ });
  await expect(told).toContainText('Nothing: what is done, its values and its words are those of revision C.');
  await page.getByRole('link', { name: 'Write', exact: true }).click();
  await first.fill('Park on level ground, and stop the engine.');
  await page.keyboard.press('Tab');
  await kept(page);
  await page.getByRole('link', { name: 'Review', exact: true }).click();
  await told.getByRole('button', { name: /^Step 1: / }).click();
  await expect(first).toBeFocused();

  // It is not sent without a reason, and the reason stands on paper.
  await page.getByRole('link', { name: 'Review', exact: true }).click();
  await page.getByRole('button', { name: 'Send for review' }).click();
  const why = page.getByLabel(/Why does it change what people work from/);
  await expect(why).toBeFocused();
  await page.getByRole('button', { name: 'Send it' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'does not say why' })).toBeVisible();
  await why.fill('The engine was left running in one shop.');
  await page.getByRole('button', { name: 'Send it' }).click();
  await expect(page.getByText('sent it for review')).toContainText('The engine was left running in one shop.');
  await page.getByRole('link', { name: 'Print', exact: true }).click();
  await expect(page.getByText('The engine was left running in one shop.')).toBeVisible();
});
