import { begin, expect, kept, release, test } from './workshop.mjs';

/** The sample sheet in review. */
const IN_REVIEW = '/r/2';

const thread = (page, name) => page.getByRole('article', { name: new RegExp(`^Comment on ${name}`) });

test('a round of review in three windows: comments, a suggestion taken at one key, settled, sent again', async ({ enter }) => {
  const ines = await enter(/Ines Aldaro/);
  const odo = await enter(/Odo Brandt/);
  const marta = await enter(/Marta Holm/);
  await begin(ines, 'OT-951', 'Tray cover off and on');
  for (const text of ['Park on level ground. Stop the engine.', 'Take the tray cover off.', 'Put the tray cover back on.']) {
    await ines.keyboard.type(text);
    await ines.keyboard.press('Enter');
  }
  await kept(ines);
  const face = (name) => ines.url().replace(/[^/]+$/, name);
  await ines.goto(face('review'));
  await ines.getByRole('group', { name: 'Asked by name to look at it' }).getByLabel('Marta Holm').check();
  await ines.getByRole('button', { name: 'Send for review' }).click();
  await expect(ines.getByText('Marta Holm (marta) is asked and has not said so yet, no comment')).toBeVisible();

  // Marta chooses words of the step and suggests others; Ines sees it come.
  await marta.goto(face('write'));
  const step = marta.locator('[data-step]', { hasText: 'Park on level ground.' }).locator('p.text');
  await step.evaluate((p) => getSelection().setBaseAndExtent(p.firstChild, 8, p.firstChild, 20));
  await marta.keyboard.press('F9');
  await marta.keyboard.type('Paved, too, @Ines Aldaro.');
  await expect(marta.getByLabel('What is wrong, or what should stand there?')).toHaveValue('Paved, too, @Ines Aldaro.');
  await expect(marta.getByLabel('Comment on', { exact: true }).locator('option:checked')).toHaveText('the words “level ground”');
  await marta.getByLabel('Suggest other words').check();
  await marta.getByLabel('The step should say').fill('Park on level, paved ground. Stop the engine.');
  await marta.getByRole('button', { name: 'Say it' }).click();
  await expect(thread(marta, 'Step 1')).toContainText('“level ground”');
  await expect(thread(ines, 'Step 1')).toContainText('Paved, too');
  await expect(ines.getByRole('button', { name: '1 open comment' })).toBeVisible();
  await marta.goto(face('review'));
  await marta.getByRole('button', { name: 'I have looked at it' }).click();
  await expect(ines.getByText('Marta Holm (marta) has looked at it, 1 comment')).toBeVisible();

  // Odo cannot release over it, and returns it.
  await odo.goto(face('review'));
  await expect(odo.getByText('1 comment is open.')).toBeVisible();
  await odo.getByRole('button', { name: 'Return with a reason' }).click();
  await odo.getByLabel('What should the author change?').fill('See the comment.');
  await odo.getByRole('button', { name: 'Return it' }).click();

  // Ines takes it with one key; it stands in the step, and the comment is settled.
  await expect(thread(ines, 'Step 1').getByRole('button', { name: 'Take it' })).toBeVisible();
  await thread(ines, 'Step 1').focus();
  await ines.keyboard.press('t');
  await expect(thread(ines, 'Step 1')).toHaveCount(0);
  await ines.getByRole('button', { name: /Also those that are settled/ }).click();
  await expect(thread(ines, 'Step 1')).toContainText('took the suggestion');
  await ines.goto(face('write'));
  await expect(ines.getByRole('textbox', { name: 'Step 1', exact: true })).toHaveValue('Park on level, paved ground. Stop the engine.');
  await ines.goto(face('review'));
  await ines.getByRole('button', { name: 'Send for review' }).click();
  await expect(ines.getByText('Round 2, sent by')).toBeVisible();
  await odo.goto(face('review'));
  await release(odo);
  await expect(odo.getByText('It is released and cannot be changed.')).toBeVisible();
});

test('what is typed of a comment is kept until it is sent, and what was written on stays with its words', async ({ enter }) => {
  const ines = await enter(/Ines Aldaro/);
  await ines.goto(`${IN_REVIEW}/review`);
  await expect(thread(ines, 'Step 16')).toContainText('“with a second wrench on the valve”');
  await ines.getByRole('button', { name: 'Write a comment' }).click();
  await ines.getByLabel('What is wrong, or what should stand there?').fill('Half a thought');
  await ines.reload();
  await expect(ines.getByLabel('What is wrong, or what should stand there?')).toHaveValue('Half a thought');
  await ines.getByLabel('Comment on', { exact: true }).selectOption('the sheet');
  // The server is gone for a moment: said, and kept.
  await ines.route('**/comments', (route) => route.abort());
  await ines.getByRole('button', { name: 'Say it' }).click();
  await expect(ines.getByRole('alert').filter({ hasText: 'The server cannot be reached.' })).toBeVisible();
  await expect(ines.getByLabel('What is wrong, or what should stand there?')).toHaveValue('Half a thought');
  await ines.unroute('**/comments');
  await ines.getByRole('button', { name: 'Say it' }).click();
  await expect(thread(ines, 'The sheet')).toContainText('Half a thought');
  // Another's question is not settled without an answer; one's own is.
  await thread(ines, 'The sheet').getByRole('button', { name: 'Settled' }).click();
  await expect(thread(ines, 'The sheet')).toHaveCount(0);
  await expect(thread(ines, 'Step 16').getByRole('button', { name: 'Settled' })).toHaveCount(0);
});

test('who works from a released sheet says what is wrong with it, and the next draft has it', async ({ enter }) => {
  const tilde = await enter(/Tilde Rask/);
  await tilde.goto('/r/3/follow');
  await tilde.getByRole('button', { name: '0 open comments' }).click();
  await tilde.getByRole('button', { name: 'Write a comment' }).click();
  await tilde.getByLabel('Comment on', { exact: true }).selectOption('the sheet');
  await tilde.getByLabel('What is wrong, or what should stand there?').fill('The wedge in the kit is too thick.');
  await tilde.getByRole('button', { name: 'Say it' }).click();
  await expect(thread(tilde, 'The sheet')).toContainText('too thick');
  const ines = await enter(/Ines Aldaro/);
  await ines.goto('/r/3/review');
  await expect(thread(ines, 'The sheet')).toContainText('Tilde Rask');
});

test('a bulletin shows at once on every open page and on paper, and tells who has not seen it, until it is taken back', async ({
  enter,
}) => {
  const odo = await enter(/Odo Brandt/);
  const tilde = await enter(/Tilde Rask/);
  // Between her and the server stands something that lets no news through: her page has to ask.
  await tilde.routeWebSocket('**/api/live', (socket) => socket.close());
  // Ines has had it open and on paper, and is elsewhere when the bulletin comes out.
  const ines = await enter(/Ines Aldaro/);
  await ines.goto('/r/3/print');
  await expect(ines.getByRole('main', { name: 'Print' })).toHaveAttribute('data-settled', 'printed');
  const noted = ines.waitForResponse((r) => r.url().endsWith('/held'));
  await ines.evaluate(() => window.dispatchEvent(new Event('beforeprint')));
  expect((await noted).status()).toBe(204);
  await ines.goto('/workshop');
  await tilde.goto('/r/3/follow');
  await odo.goto('/r/3/review');
  await odo.getByRole('button', { name: 'Give out a bulletin' }).click();
  await odo.getByLabel('What is wrong?').selectOption('something on the sheet');
  await odo.getByRole('button', { name: 'Give it out' }).click();
  await expect(odo.getByRole('alert').filter({ hasText: 'The bulletin says nothing.' })).toBeVisible();
  await odo.getByLabel('What is it, and what should be done instead?').fill('Do not reuse the old seal, whatever it says.');
  const twenty = await odo.locator('option', { hasText: /^step 20:/ }).getAttribute('value');
  await odo.getByLabel('What is wrong?').selectOption(twenty);
  await odo.getByRole('button', { name: 'Give it out' }).click();
  const strip = tilde.getByRole('list', { name: 'Bulletins' });
  await expect(strip).toContainText('Do not reuse the old seal');
  const hands = odo.getByRole('region', { name: 'In whose hands' }).last();
  await expect(hands.getByRole('row', { name: /^Tilde Rask/ })).toContainText('has opened it since');
  await expect(hands.getByRole('row', { name: /^Ines Aldaro/ })).toContainText(/printed .*not that anybody knows/s);
  // The open page is told by itself.
  await ines.goto('/r/3/review');
  await expect(hands.getByRole('row', { name: /^Ines Aldaro/ })).toContainText('has opened it since');
  await odo.getByLabel('The sheet is to be looked at again by').fill('2036-01-31');
  await odo.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(ines.getByText('The sheet is to be looked at again by 31 Jan 2036.')).toBeVisible();
  // At its step, too, and at no other.
  const here = tilde.getByRole('note').filter({ hasText: 'Do not reuse the old seal' });
  await expect(here).toHaveCount(0);
  await tilde.goto('/r/3/follow?at=20');
  await expect(here).toContainText('Step 20');
  await tilde.goto('/r/3/follow?at=21');
  await expect(tilde.getByRole('article', { name: 'Step 21' })).toBeVisible();
  await expect(here).toHaveCount(0);
  await tilde.goto('/r/3/print');
  await expect(tilde.getByText(/^BULLETIN .*Do not reuse the old seal/)).toBeVisible();
  await odo.getByRole('button', { name: 'take it back' }).click();
  await odo.getByLabel('Why can the sheet be followed as it stands?').fill('The seal is a new one there.');
  await odo.getByRole('button', { name: 'Take it back', exact: true }).click();
  await expect(odo.getByText('took a bulletin back')).toBeVisible();
  await tilde.goto('/r/3/follow');
  await expect(tilde.getByRole('heading').first()).toBeVisible();
  await expect(strip).toHaveCount(0);
});
