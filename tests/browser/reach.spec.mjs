import AxeBuilder from '@axe-core/playwright';
import { begin, expect, fromShelf, kept, readValues, sayAgain, test } from './workshop.mjs';

const WIDTHS = [
  [360, 740],
  [390, 844],
  [768, 1024],
  [1024, 768],
  [1280, 800],
  [1920, 1080],
  // 1280 × 800 at 200 %.
  [640, 400],
];
/** Where axe looks: in the hand, on the desk, on the shop floor. */
const AXE = [
  ['light', 390, 844],
  ['light', 1280, 800],
  ['dark', 1280, 800],
];
const FACES = ['write', 'joints', 'chart', 'ready', 'review', 'print', 'follow'];
const PLACES = [
  '/',
  '/workshop',
  '/workshop/hand-tools',
  '/workshop/rules',
  '/workshop/schools',
  '/workshop/weights',
  '/workshop/words',
  '/workshop/documents',
  '/workshop/blocks',
  '/uses',
  '/slips',
  '/people',
  '/me',
  ...FACES.map((face) => `/r/2/${face}`),
  '/r/1/write',
  '/r/1/chart',
  '/r/3/print',
  '/r/3/follow?at=22',
  '/r/4/ready',
  '/r/4/follow',
];

/** What axe finds on a page, as lines a person can act on. */
async function found(page) {
  const { violations } = await new AxeBuilder({ page }).options({ rules: { 'target-size': { enabled: true } } }).analyze();
  return violations.map((v) => `${v.impact} ${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join('; ')}`);
}

async function settled(page, place) {
  await page.goto(place, { waitUntil: 'networkidle' });
  await expect(page.locator('main')).toBeVisible();
  if (place.endsWith('/print')) await expect(page.getByRole('article')).toBeVisible();
  if (place.endsWith('/follow')) await expect(page.getByRole('button', { name: 'Next' })).toBeVisible();
}

/** What stands out of the page to the side, or text that is cut where nothing says so. */
const cut = (page) =>
  page.evaluate(() => {
    const outside = [...document.querySelectorAll('body *')].filter((element) => {
      const box = element.getBoundingClientRect();
      if (!box.width || !box.height || box.right <= innerWidth + 1 || element.closest('.visually-hidden, [popover]')) return false;
      for (let at = element.parentElement; at; at = at.parentElement) {
        const { overflowX } = getComputedStyle(at);
        // What scrolls by itself to the side may hold more than is seen.
        if (overflowX === 'hidden' || (overflowX !== 'visible' && at.scrollWidth > at.clientWidth && at !== document.querySelector('main')))
          return false;
      }
      return true;
    });
    return {
      outside: outside.slice(0, 5).map((e) => `${e.tagName} ${e.className} ${(e.textContent ?? '').slice(0, 40)}`),
      scrolls: document.documentElement.scrollWidth > innerWidth,
      headings: document.querySelectorAll('h1').length,
      mains: document.querySelectorAll('main').length,
    };
  });

for (const place of PLACES)
  test(`${place}: nothing stands out at any width, one heading, one main part, and axe finds nothing`, async ({ enter }) => {
    const page = await enter(/Workshop office/);
    await settled(page, place);
    const wrong = [];
    for (const [width, height] of WIDTHS) {
      await page.setViewportSize({ width, height });
      const is = await cut(page);
      if (is.outside.length || is.scrolls || is.headings !== 1 || is.mains !== 1) wrong.push({ width, ...is });
    }
    for (const [look, width, height] of AXE) {
      await page.setViewportSize({ width, height });
      await page.emulateMedia({ colorScheme: look });
      for (const line of await found(page)) wrong.push(`${look}, ${width}: ${line}`);
    }
    expect(wrong).toEqual([]);
  });

test('with the text spaced wider, as WCAG 1.4.12 has it, nothing is cut and nothing stands out', async ({ enter }) => {
  test.setTimeout(240_000);
  const page = await enter(/Workshop office/);
  const wrong = [];
  for (const place of PLACES) {
    await settled(page, place);
    // The server lets no foreign style in; the page's own script may set them, as an extension of the reader's would.
    await page.evaluate(() => {
      const sheet = new CSSStyleSheet();
      sheet.replaceSync(
        '* { line-height: 1.5 !important; letter-spacing: 0.12em !important; word-spacing: 0.16em !important } p { margin-bottom: 2em !important }',
      );
      document.adoptedStyleSheets = [...document.adoptedStyleSheets, sheet];
    });
    expect(await page.evaluate(() => getComputedStyle(document.querySelector('h1')).letterSpacing)).not.toBe('normal');
    const is = await cut(page);
    // Text that its own box cuts, where nothing says that it goes on (an ellipsis) and nothing scrolls.
    const clipped = await page.evaluate(() =>
      [...document.querySelectorAll('body *')]
        .filter((e) => {
          const style = getComputedStyle(e);
          if (e.closest('.visually-hidden, [popover], svg, select, textarea, input') || style.textOverflow === 'ellipsis') return false;
          if (![...e.childNodes].some((n) => n.nodeType === 3 && n.textContent.trim())) return false;
          const hides = (axis) => ['hidden', 'clip'].includes(style[axis]);
          return (hides('overflowX') && e.scrollWidth > e.clientWidth + 1) || (hides('overflowY') && e.scrollHeight > e.clientHeight + 3);
        })
        .slice(0, 5)
        .map((e) => `${e.tagName} ${e.className} ${e.textContent.slice(0, 40)}`),
    );
    if (is.outside.length || is.scrolls || clipped.length) wrong.push({ place, outside: is.outside, scrolls: is.scrolls, clipped });
  }
  expect(wrong).toEqual([]);
});

test('a reader finds what is released, works through it on a phone and sees no author’s face', async ({ enter }) => {
  const page = await enter(/Tilde Rask/);
  await page.setViewportSize({ width: 390, height: 844 });
  await fromShelf(page, 'Rear wheel spacers and drawbar height');
  await expect(page.getByRole('navigation', { name: 'Faces of the procedure' }).getByRole('link')).toHaveText([
    'Follow',
    'Ready',
    'Print',
    'Chart',
  ]);
  const next = page.getByRole('button', { name: 'Next' });
  await expect(page.getByRole('heading', { name: 'Step 1 of 34' })).toBeVisible();
  await next.click();
  await expect(page.getByRole('heading', { name: 'Step 2 of 34' })).toBeFocused();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('heading', { name: 'Step 3 of 34' })).toBeFocused();
  // The phone taken up again is where it was laid down.
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Step 3 of 34' })).toBeVisible();
  // At every step that brings a joint to a value, what the wrench is set to stands beside it; before it, its cautions.
  const print = await (await page.request.get(`/api/revisions/${page.url().match(/r\/(\d+)/)[1]}/print`)).json();
  const steps = print.phases.flatMap((p) => p.steps);
  const tightened = steps.filter((s) => s.tightens.length > 0);
  expect(tightened.length).toBeGreaterThan(2);
  for (const step of tightened) {
    await page.goto(page.url().replace(/at=\d+/, `at=${step.number}`));
    await expect(page.locator('.torque .value')).toHaveText(step.tightens.map((t) => t.value));
  }
  // The Bench of that step.
  await expect(page.getByRole('region', { name: 'Bench' })).toContainText('Tightened');
  await page.getByLabel('the whole sheet').check();
  await expect(page.locator('.row')).toHaveCount(steps.length);
});

test('dark by hand holds over a reload, and paper stays white', async ({ enter }) => {
  const page = await enter(/Tilde Rask/);
  const ground = () => page.evaluate(() => getComputedStyle(document.body).backgroundColor);
  const light = await ground();
  await page.getByRole('button', { name: 'Dark page' }).click();
  await expect.poll(ground).not.toBe(light);
  await page.reload();
  await expect(page.getByRole('button', { name: 'Light page' })).toBeVisible();
  expect(await ground()).not.toBe(light);
  await page.emulateMedia({ media: 'print' });
  expect(await ground()).toBe('rgb(255, 255, 255)');
});

test('in forced colours the face one is on and the state of a step are still told apart', async ({ enter }) => {
  const page = await enter(/Ines Aldaro/);
  await page.emulateMedia({ forcedColors: 'active', reducedMotion: 'reduce' });
  await page.goto('/r/1/write');
  const style = (selector, name) =>
    page
      .locator(selector)
      .first()
      .evaluate((e, n) => getComputedStyle(e)[n], name);
  const current = page.getByRole('link', { name: 'Write', exact: true });
  await expect(current).toHaveAttribute('aria-current', 'page');
  expect(await current.evaluate((e) => getComputedStyle(e).borderBottomColor)).not.toBe(
    await page.getByRole('link', { name: 'Chart', exact: true }).evaluate((e) => getComputedStyle(e).borderBottomColor),
  );
  expect(await style('.step.active', 'borderLeftColor')).not.toBe(await style('.step:not(.active)', 'borderLeftColor'));
});

test('the bar’s first stop leads over it to the page', async ({ enter }) => {
  const page = await enter(/Ines Aldaro/);
  await page.goto('/r/2/ready');
  await expect(page).toHaveTitle('OT-207 Second remote valve: Ready · Worn Path');
  await expect(page.getByRole('heading', { name: 'Parts' })).toBeVisible();
  await page.keyboard.press('Tab');
  await expect(page.getByRole('link', { name: 'Skip to the page' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('main')).toBeFocused();
});

test('a whole job through names and roles alone: written, read a second time, released and followed', async ({ enter }) => {
  const page = await enter(/Ines Aldaro/);
  await begin(page, 'OT-190', 'Names only');
  const step = (n) => page.getByRole('textbox', { name: `Step ${n}`, exact: true });
  const keys = page.keyboard;
  await keys.type('Take the four shield bolts out. Lift the shield off.');
  await keys.press('Enter');
  await keys.type('Clean the face.');
  await keys.press('Enter');
  await keys.type('Fit the shield. Start the shield bolts by hand.');
  await keys.press('Enter');
  await keys.type('Torque the shield bolts to 22 N·m, crosswise.');
  await kept(page);
  await expect(step(4)).toBeFocused();
  await page.getByRole('link', { name: 'Joints' }).press('Enter');
  await page.getByRole('textbox', { name: 'Source of the value of J1' }).fill('Sample manual, 3rd ed., p. 9');
  await keys.press('Enter');
  await page.getByRole('button', { name: 'They lie in a circle' }).press('Enter');
  await expect(page.getByRole('button', { name: 'nothing found' })).toBeVisible();
  await page.getByRole('link', { name: 'Review' }).press('Enter');
  await page.getByRole('button', { name: 'Send for review' }).press('Enter');
  await expect(page.getByText('A reviewer looks at it now')).toBeVisible();

  const odo = await enter(/Odo Brandt/);
  await odo.getByRole('link', { name: 'Names only' }).press('Enter');
  await odo.getByRole('link', { name: 'Review' }).press('Enter');
  await readValues(odo, { J1: '22 N·m' });
  await odo.getByRole('button', { name: 'Release revision A' }).press('Enter');
  await odo.getByRole('button', { name: 'Release it', exact: true }).press('Enter');
  await sayAgain(odo);
  await expect(odo.getByText('It is released and cannot be changed')).toBeVisible();

  const tilde = await enter(/Tilde Rask/);
  await tilde.getByRole('link', { name: 'Names only' }).press('Enter');
  const article = (n) => tilde.getByRole('article', { name: `Step ${n}`, exact: true });
  for (let n = 1; n < 4; n++) {
    await expect(article(n)).toBeVisible();
    await tilde.getByRole('button', { name: 'Next' }).press('Enter');
  }
  await expect(article(4)).toContainText('22 N·m');
  await expect(tilde.getByRole('region', { name: 'Bench' })).toContainText('shield bolts');
});
