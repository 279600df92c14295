import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, strip, test, worked } from './stage';

const SCREENS = ['answers', 'frame', 'probe', 'trace', 'weigh', 'shape', 'join', 'order', 'prove'] as const;
/** Parts of Walk and Join: each in one theme. */
const PARTS = {
  light: [
    'walk',
    'walk?part=lift',
    'walk?part=photos',
    'walk?part=buying',
    'join?part=order',
    'join?part=cracks',
    'join?part=bolts',
    'order?part=gates',
    'order?part=dates',
    'prove?part=measured',
    'prove?part=papers',
  ],
  dark: [
    'walk?part=signs',
    'walk?part=complaint',
    'walk?part=tap',
    'join?part=settings',
    'join?part=log',
    'join/rail',
    'order?part=off',
    'order?part=found',
    'order?part=papers',
    'order/rail',
    'prove?part=tried',
    'prove?part=sign',
  ],
} as const;

async function faults(page: Page): Promise<string[]> {
  const { violations } = await new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])
    .analyze();
  return violations.flatMap((each) =>
    each.nodes.map(
      (node) => `${each.id}: ${node.target.join(' ')}: ${node.failureSummary?.split('\n')[1]?.trim()}`,
    ),
  );
}

/** Each theme on one unit: an open-channel frame by daylight, a boxed one under the truck. */
for (const [theme, tag, member] of [
  ['light', 'GR-7', 'rail-right'],
  ['dark', 'BM-2', 'rail-left'],
] as const) {
  for (const [which, screens] of [
    ['verb', SCREENS],
    ['part', PARTS[theme]],
  ] as const)
    test(`no accessibility fault on any ${which}, ${theme}`, async ({ page, context, jobs, baseURL }) => {
      await context.addCookies([{ name: 'ossatura-theme', value: theme, url: baseURL! }]);
      for (const screen of screens) {
        await page.goto(`${jobs[tag]}/${screen}${screen.includes('?') ? '&' : '?'}member=${member}`);
        await worked(page);
        if (screen === 'weigh')
          await page.getByRole('region', { name: 'Reasons' }).locator('summary').first().click();
        if (screen === 'shape') await page.getByRole('button', { name: 'Specify a work here' }).click();
        expect(await faults(page), screen).toEqual([]);
      }
      for (const path of which === 'verb' ? ['/', '/new', '/calendar', '/patterns'] : []) {
        await page.goto(path);
        expect(await faults(page), path).toEqual([]);
      }
    });
}

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

  test('Walk works by touch alone, nothing runs off the side, nothing is too small', async ({
    page,
    jobs,
  }) => {
    for (const part of ['round', 'signs', 'lift', 'complaint', 'photos', 'tap', 'buying']) {
      await page.goto(`${jobs['BM-2']}/walk?part=${part}`);
      await worked(page);
      expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth), part).toBe(
        true,
      );
      expect(await faults(page), part).toEqual([]);
      const small = await page
        .getByRole('button')
        .evaluateAll((buttons) =>
          buttons
            .filter(
              (button) =>
                button.tagName !== 'INPUT' &&
                (button as HTMLElement).offsetParent &&
                button.getBoundingClientRect().height < 43.5,
            )
            .map((button) => button.textContent),
        );
      expect(small, part).toEqual([]);
    }
    await page.goto(`${jobs['BM-2']}/walk`);
    await worked(page);
    const seen = Number(
      (await page
        .getByRole('main')
        .getByText(/^\d+ of \d+ seen$/)
        .first()
        .textContent())!.split(' ')[0],
    );
    await page.getByRole('button', { name: 'hammer', exact: true }).tap();
    await page.getByRole('button', { name: /^sound/ }).tap();
    await expect(
      page
        .getByRole('main')
        .getByText(new RegExp(`^${seen + 1} of \\d+ seen$`))
        .first(),
    ).toBeVisible();
  });

  test('Probe and Trace work by touch alone, nothing runs off the side, nothing is too small', async ({
    page,
    jobs,
  }) => {
    await page.goto(`${jobs['GR-7']}/probe?member=rail-left`);
    await worked(page);
    const before = Number((await page.getByText(/^Readings on left rail:/).textContent())!.split(': ')[1]);
    const box = (await strip(page).boundingBox())!;
    await page.touchscreen.tap(box.x + 0.6 * box.width, box.y + 0.5 * box.height);
    const pad = page.getByRole('group', { name: 'Number pad' });
    for (const key of ['.', '2', '4', '4']) await pad.getByRole('button', { name: key, exact: true }).tap();
    await pad.getByRole('button', { name: 'Keep' }).tap();
    await expect(page.getByText(`Readings on left rail: ${before + 1}`)).toBeVisible();
    expect(await faults(page)).toEqual([]);
    expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);

    await page.getByRole('link', { name: /^Trace/ }).tap();
    await page.getByRole('button', { name: 'Record a crack' }).tap();
    const sheet = (await strip(page).boundingBox())!;
    await page.touchscreen.tap(sheet.x + 0.5 * sheet.width, sheet.y + 0.5 * sheet.height);
    await page.touchscreen.tap(sheet.x + 0.5 * sheet.width, sheet.y + 0.6 * sheet.height);
    await expect(page.getByText(/^2 points/)).toBeVisible();
    expect(await faults(page)).toEqual([]);
    expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
    await page.getByRole('button', { name: 'Leave it' }).tap();

    const small = await page
      .getByRole('button')
      .evaluateAll((buttons) =>
        buttons
          .filter(
            (button) => (button as HTMLElement).offsetParent && button.getBoundingClientRect().height < 43.5,
          )
          .map((button) => button.textContent),
      );
    expect(small).toEqual([]);
  });
});
