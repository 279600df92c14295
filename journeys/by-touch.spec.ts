import type { CDPSession, Page } from '@playwright/test';
import { expect, kept, openJob, strip, test, typeColumn } from './stage';

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

type At = readonly [number, number];
const finger = async (page: Page) => {
  const session = await page.context().newCDPSession(page);
  const send = (type: string, points: readonly At[]) =>
    (session as CDPSession).send('Input.dispatchTouchEvent', {
      type: type as 'touchStart',
      touchPoints: points.map(([x, y]) => ({ x, y })),
    });
  /** From one place to another, resting first for so long. */
  return async (from: At, to: At, restMs: number) => {
    await send('touchStart', [from]);
    await page.waitForTimeout(restMs);
    for (let step = 1; step <= 8; step++)
      await send('touchMove', [
        [0, 1].map((k) => from[k]! + ((to[k]! - from[k]!) * step) / 8) as unknown as At,
      ]);
    await send('touchEnd', []);
  };
};
/** A swipe carries on after the finger has left, and a tap meanwhile only stops it. */
const hasSettled = async (page: Page) => {
  let last: number | undefined;
  await expect
    .poll(
      async () => {
        const before = last;
        last = await page.evaluate(() => scrollY);
        return before === last;
      },
      { intervals: [300] },
    )
    .toBe(true);
};
const stationOf = async (page: Page) =>
  /station ([\d /]+) in/.exec((await strip(page).getAttribute('aria-label'))!)![1];

test('a swipe over the Strip scrolls the page and changes nothing; a tap places; a rest and a drag moves the cursor', async ({
  page,
}, info) => {
  await openJob(page, `TO-${info.workerIndex}1`);
  const move = await finger(page);
  await strip(page).scrollIntoViewIfNeeded();
  const box = (await strip(page).boundingBox())!;
  const at = (x: number, y: number): At => [box.x + x * box.width, box.y + y * box.height];
  const before = await stationOf(page);
  const top = await page.evaluate(() => scrollY);
  await move(at(0.7, 0.7), at(0.72, 0.1), 0);
  await hasSettled(page);
  expect(await stationOf(page)).toBe(before);
  expect(await page.evaluate(() => scrollY)).not.toBe(top);

  await strip(page).scrollIntoViewIfNeeded();
  await hasSettled(page);
  const again = (await strip(page).boundingBox())!;
  const now = (x: number, y: number): At => [again.x + x * again.width, again.y + y * again.height];
  await page.touchscreen.tap(...now(0.4, 0.6));
  await expect.poll(() => stationOf(page)).not.toBe(before);
  const tapped = await stationOf(page);
  await move(now(0.4, 0.6), now(0.8, 0.6), 600);
  await expect.poll(() => stationOf(page)).not.toBe(tapped);
});

test('swiping over a crack half traced adds no point; each tap adds one', async ({ page }, info) => {
  await openJob(page, `TO-${info.workerIndex}2`);
  await page.getByRole('link', { name: /^Trace/ }).click();
  await page.getByRole('button', { name: 'Record a crack' }).click();
  const form = page.getByRole('form', { name: 'New crack' });
  await expect(form).toContainText('0 points');
  const move = await finger(page);
  await strip(page).scrollIntoViewIfNeeded();
  const box = (await strip(page).boundingBox())!;
  const at = (x: number, y: number): At => [box.x + x * box.width, box.y + y * box.height];
  await move(at(0.5, 0.8), at(0.52, 0.2), 0);
  await hasSettled(page);
  await expect(form).toContainText('0 points');
  await strip(page).scrollIntoViewIfNeeded();
  await hasSettled(page);
  const again = (await strip(page).boundingBox())!;
  await page.touchscreen.tap(again.x + 0.5 * again.width, again.y + 0.6 * again.height);
  await expect(form).toContainText('1 point');
  await page.touchscreen.tap(again.x + 0.6 * again.width, again.y + 0.6 * again.height);
  await expect(form).toContainText('2 points');
  await page.reload();
  await expect(form).toContainText('2 points');
});

test('readings by thumb: the pad stands ready, with the Strip and Keep in sight, and no keyboard over them', async ({
  page,
}, info) => {
  await openJob(page, `TO-${info.workerIndex}3`);
  const pad = page.getByRole('group', { name: 'Number pad' });
  await pad.scrollIntoViewIfNeeded();
  await expect(page.getByLabel(/^thickness/)).toHaveAttribute('inputmode', 'none');
  for (const key of ['.', '2', '4']) await pad.getByRole('button', { name: key, exact: true }).tap();
  await expect(strip(page)).toBeInViewport();
  await expect(pad.getByRole('button', { name: 'Keep' })).toBeInViewport();
  await pad.getByRole('button', { name: 'Keep' }).tap();
  await kept(page);
  await expect(page.getByText('Readings on left rail: 1')).toBeVisible();
});

test('figures typed in one unit are the same metal when the units are turned, there and back', async ({
  page,
}, info) => {
  await openJob(page, `TO-${info.workerIndex}4`);
  await typeColumn(page, '24', 'web', { '2': '0.24' });
  const thickness = page.getByRole('form', { name: 'New reading' }).getByLabel(/^thickness/);
  await thickness.fill('0.250');
  await page.getByRole('button', { name: /^Units: in/ }).click();
  await expect(thickness).toHaveValue('6.35');
  await page.getByRole('button', { name: /^Units: mm/ }).click();
  await expect(thickness).toHaveValue('0.25');
  await page.getByRole('button', { name: /^Units: in/ }).click();
  await thickness.fill('.148');
  await thickness.press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'write .148 in' })).toBeVisible();

  await page.goto('/new');
  await page.getByLabel(/^Gross/).fill('26,000');
  const wasIn = await page.getByRole('button', { name: /^Units: in/ }).isVisible();
  await page.getByRole('button', { name: /^Units/ }).click();
  await expect(page.getByLabel(/^Gross/)).toHaveValue(wasIn ? '11793.4016' : '57320.188');
});

test('a list that closes leaves the page covered for a moment: a second touch there falls on nothing', async ({
  page,
}, info) => {
  await openJob(page, `TO-${info.workerIndex}5`);
  await page.getByRole('combobox').last().tap();
  const option = page.getByRole('option').last();
  const box = (await option.boundingBox())!;
  const beneath = page.evaluate(
    ([x, y]) => {
      const isPage = () => Boolean(document.elementFromPoint(x!, y!)?.closest('main'));
      return new Promise<[boolean, boolean]>((resolve) => {
        const gone = new MutationObserver(() => {
          if (document.querySelector('[role="listbox"]')) return;
          gone.disconnect();
          const atOnce = isPage();
          const again = setInterval(() => {
            if (!isPage()) return;
            clearInterval(again);
            resolve([atOnce, true]);
          }, 50);
        });
        gone.observe(document.body, { childList: true, subtree: true });
      });
    },
    [box.x + box.width / 2, box.y + box.height / 2],
  );
  await option.tap();
  expect(await beneath).toEqual([false, true]);
});

test('going back on a phone closes what lies over the page, and leaves what is typed beneath', async ({
  page,
}, info) => {
  // A desktop's browser has the watcher, and no gesture that asks it: what it would be told is told here.
  await page.addInitScript(() => {
    const asked: { requestClose: () => void }[] = [];
    const scope = window as unknown as {
      CloseWatcher: new () => { requestClose: () => void };
      goBack: unknown;
    };
    scope.CloseWatcher = class extends scope.CloseWatcher {
      constructor() {
        super();
        asked.push(this);
      }
    };
    scope.goBack = () => asked.at(-1)!.requestClose();
  });
  const goBack = () => page.evaluate(() => (window as unknown as { goBack: () => void }).goBack());
  await openJob(page, `TO-${info.workerIndex}6`);
  const thickness = page.getByRole('form', { name: 'New reading' }).getByLabel(/^thickness/);
  await thickness.fill('0.2');
  const address = page.url();
  const covers = [
    [page.getByRole('button', { name: /^Keys/ }).first(), page.getByRole('dialog')],
    [page.getByRole('button', { name: 'Take away' }), page.getByRole('menu')],
    [page.getByRole('combobox').last(), page.getByRole('listbox')],
  ] as const;
  for (const [opens, cover] of covers) {
    await opens.tap();
    await expect(cover).toBeVisible();
    await goBack();
    await expect(cover).toHaveCount(0);
    await page.waitForTimeout(400);
  }
  expect(page.url()).toBe(address);
  await expect(thickness).toHaveValue('0.2');
});
