import { begin, expect, kept, share, test } from './workshop.mjs';

test('undo and redo work after a reload and after a restart of the server', async ({ enter, workshop }) => {
  const page = await enter(/Ines Aldaro/);
  const first = await begin(page, 'OT-130', 'Undo');
  await first.pressSequentially('Clean the face.');
  await kept(page);
  await page.keyboard.press('Enter');
  await page.keyboard.type('Clean the bore.');
  await kept(page);
  await page.reload();
  await expect(page.getByRole('textbox', { name: 'Step 2', exact: true })).toHaveValue('Clean the bore.');
  await workshop.stop();
  await workshop.start();
  await page.getByRole('textbox', { name: 'Step 1', exact: true }).focus();
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('textbox', { name: 'Step 2', exact: true })).toHaveCount(0);
  await page.keyboard.press('Control+y');
  await page.keyboard.press('Control+y');
  await expect(page.getByRole('textbox', { name: 'Step 2', exact: true })).toHaveValue('Clean the bore.');
});

test('what is typed while the server is away waits here, outlives a reload, and arrives', async ({ enter, workshop }) => {
  const page = await enter(/Ines Aldaro/);
  const first = await begin(page, 'OT-131', 'Away');
  await first.pressSequentially('Clean the face.');
  await kept(page);
  await workshop.stop();
  await page.keyboard.press('Enter');
  await page.keyboard.type('Remove nothing while the server is away.');
  await expect(page.getByTestId('kept')).toHaveText(/not connected: \d+ edits? wait/);
  await workshop.start();
  await expect(page.getByTestId('kept')).toHaveText(/^kept/, {
    timeout: 15_000,
  });
  await page.reload();
  await expect(page.getByRole('textbox', { name: 'Step 2', exact: true })).toHaveValue('Remove nothing while the server is away.');
});

test('two who write the same step: the second is told, with both texts, and loses nothing', async ({ enter }) => {
  const ines = await enter(/Ines Aldaro/);
  const first = await begin(ines, 'OT-132', 'Two');
  await first.pressSequentially('Clean the face.');
  await kept(ines);
  await share(ines, 'Marta Holm');
  const marta = await enter(/Marta Holm/);
  await marta.goto(ines.url());
  const hers = marta.getByRole('textbox', { name: 'Step 1', exact: true });
  await expect(hers).toHaveValue('Clean the face.');
  // Nobody's page hears of the other before both have written.
  await ines.route('**/changes?*', (route) => route.abort());
  await hers.fill('Clean the hub face.');
  await kept(marta);
  await first.fill('Clean the pad face.');
  const alert = ines.getByRole('alert').filter({ hasText: 'changed a moment ago' });
  await expect(alert).toContainText('Clean the hub face.');
  await expect(alert).toContainText('Clean the pad face.');
  await expect(first).toHaveValue('Clean the pad face.');
  await alert.getByRole('button', { name: 'Put mine there' }).click();
  await expect(alert).toHaveCount(0);
  await expect(hers).toHaveValue('Clean the pad face.', { timeout: 15_000 });
});

test('a hundred kilobytes in a step, markup, and values that cannot be are told, and stay where they were typed', async ({ enter }) => {
  const page = await enter(/Ines Aldaro/);
  const first = await begin(page, 'OT-133', '<img src=x onerror=alert(1)>');
  let dialogs = 0;
  page.on('dialog', (dialog) => {
    dialogs++;
    void dialog.dismiss();
  });
  await first.fill('x'.repeat(100_000));
  await expect(page.getByRole('alert').filter({ hasText: '100,000 characters are too many' })).toBeVisible();
  expect(await first.inputValue()).toHaveLength(100_000);
  await first.fill('Remove the <script>alert(1)</script> cover & **lid**.');
  await kept(page);
  await page.getByRole('link', { name: 'Joints' }).click();
  await page.getByLabel('Name of a new joint').fill('strap bolts');
  await page.keyboard.press('Enter');
  const torque = page.getByLabel(/Torque.* of J1/);
  for (const [bad, says] of [
    ['45 bananas', 'not a unit'],
    ['-5 N·m', 'cannot be set'],
    ['90000 N·m', 'beyond any hand torque wrench'],
  ]) {
    await torque.fill(bad);
    await torque.blur();
    const alert = page.getByRole('alert').filter({ hasText: says });
    await expect(alert).toBeVisible();
    await expect(torque).toHaveValue(bad);
    await expect(torque).toHaveAccessibleDescription(new RegExp(says));
  }
  // On another face it is said above the page; back in its cell it stands as it was typed, with the reason, until it is mended.
  const beyond = page.getByRole('alert').filter({ hasText: 'beyond any hand torque wrench' });
  await page.getByRole('link', { name: 'Ready' }).click();
  await expect(beyond.getByRole('button', { name: 'Understood' })).toBeVisible();
  await page.getByRole('link', { name: 'Joints' }).click();
  await expect(torque).toHaveValue('90000 N·m');
  await expect(beyond).toBeVisible();
  await expect(page.getByRole('button', { name: 'Understood' })).toHaveCount(0);
  await torque.fill('45 Nm');
  await torque.press('Enter');
  await expect(torque).toHaveValue('45 N·m');
  await expect(beyond).toHaveCount(0);
  await page.getByLabel('Name of a new part').fill('strap bolt');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'already the name of J1' })).toBeVisible();
  await page.getByRole('link', { name: 'Print' }).click();
  await expect(page.getByRole('article')).toContainText('<script>alert(1)</script>');
  expect(dialogs).toBe(0);
});

test('what is typed after the session ended waits, and arrives once signed in again', async ({ enter }) => {
  const page = await enter(/Ines Aldaro/);
  const first = await begin(page, 'OT-134', 'Signed out');
  await first.pressSequentially('Clean the face.');
  await kept(page);
  await page.context().clearCookies();
  await page.keyboard.press('Enter');
  await page.keyboard.type('Clean the bore.');
  await expect(page.getByTestId('kept')).toHaveText(/signed out: \d+ edits? wait/);
  await page.getByRole('link', { name: 'Sign in again' }).click();
  await page.getByRole('button', { name: /Ines Aldaro/ }).click();
  await expect(page.getByRole('textbox', { name: 'Step 2', exact: true })).toHaveValue('Clean the bore.');
  await kept(page);
});
