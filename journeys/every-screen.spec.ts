import AxeBuilder from '@axe-core/playwright';
import type { Locator, Page } from '@playwright/test';
import { expect, sendJob, strip, test, worked } from './stage';

const VERBS = ['Frame', 'Probe', 'Trace', 'Weigh', 'Shape', 'Join', 'Order', 'Prove'] as const;
/** Parts of verbs, by their names on screen: each in one theme; then pages of their own. */
const PARTS = {
  light: {
    Walk: ['Round', 'Lift?', 'Photos', 'Buying'],
    Join: ['Order of runs', 'Cracks', 'Bolts and rivets'],
    Order: ['Gates', 'Dates'],
    Prove: ['Before and after', 'Papers'],
  },
  dark: {
    Walk: ['Signs', 'Complaint', 'Tap ear'],
    Join: ['Settings', 'Log'],
    Order: ['Off and back', 'More found', 'Papers'],
    Prove: ['Tried, and looks', 'Sign off'],
  },
} as const;
const OWN_PAGES = { light: [], dark: ['join/rail', 'order/rail'] } as const;

/** As a person goes from verb to verb: by the head of the page, without loading it anew. */
async function goTo(page: Page, verb: string): Promise<void> {
  const link = page.getByRole('navigation', { name: 'Verbs' }).getByRole('link', { name: verb });
  await link.click();
  await expect(link).toHaveAttribute('aria-current', 'page');
  await worked(page);
}

/** A part of a verb, by its name. */
async function openPart(page: Page, part: string): Promise<void> {
  const button = page.getByRole('navigation', { name: /^Parts of / }).getByRole('button', { name: part });
  await button.click();
  await expect(button).toHaveAttribute('aria-current', 'page');
  await worked(page);
}

async function faults(page: Page): Promise<string[]> {
  // In the page itself: there are no frames of others, for whom a blank page would be opened each time.
  const { violations } = await new AxeBuilder({ page })
    .setLegacyMode(true)
    // Where each rule holds is not listed, only where it does not.
    .options({ resultTypes: ['violations'], preload: false })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])
    .analyze();
  return violations.flatMap((each) =>
    each.nodes.map(
      (node) => `${each.id}: ${node.target.join(' ')}: ${node.failureSummary?.split('\n')[1]?.trim()}`,
    ),
  );
}

/** What makes the page wider than its window, px. */
const tooWide = (page: Page): Promise<number> =>
  page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);

/** Each theme on one unit: an open-channel frame by daylight, a boxed one under the truck. */
for (const [theme, tag, member] of [
  ['light', 'GR-7', 'rail-right'],
  ['dark', 'BM-2', 'rail-left'],
] as const) {
  test(`no accessibility fault on any verb, ${theme}`, async ({ page, context, jobs, baseURL }) => {
    await context.addCookies([{ name: 'ossatura-theme', value: theme, url: baseURL! }]);
    await page.goto(`${jobs[tag]}/answers?member=${member}`);
    await worked(page);
    expect(await faults(page), 'Answers').toEqual([]);
    for (const verb of VERBS) {
      await goTo(page, verb);
      if (verb === 'Weigh')
        await page.getByRole('region', { name: 'Reasons' }).locator('summary').first().click();
      if (verb === 'Shape') await page.getByRole('button', { name: 'Specify a work here' }).click();
      expect(await faults(page), verb).toEqual([]);
    }
    for (const path of ['/', '/new', '/calendar', '/patterns']) {
      await page.goto(path);
      expect(await faults(page), path).toEqual([]);
    }
  });
  test(`no accessibility fault on any part, ${theme}`, async ({ page, context, jobs, baseURL }) => {
    await context.addCookies([{ name: 'ossatura-theme', value: theme, url: baseURL! }]);
    await page.goto(`${jobs[tag]}/walk?member=${member}`);
    await worked(page);
    for (const [verb, parts] of Object.entries(PARTS[theme])) {
      if (verb !== 'Walk') await goTo(page, verb);
      for (const part of parts) {
        await openPart(page, part);
        expect(await faults(page), `${verb}, ${part}`).toEqual([]);
      }
    }
    for (const screen of OWN_PAGES[theme]) {
      await page.goto(`${jobs[tag]}/${screen}?member=${member}`);
      await worked(page);
      expect(await faults(page), screen).toEqual([]);
    }
  });
}

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

  test('Walk works by touch alone, nothing runs off the side, nothing is too small', async ({
    page,
    jobs,
  }) => {
    await page.goto(`${jobs['BM-2']}/walk`);
    await worked(page);
    for (const part of ['Round', 'Signs', 'Lift?', 'Complaint', 'Photos', 'Tap ear', 'Buying']) {
      await openPart(page, part);
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

  test('on the smallest phone, and with letters twice the size, nothing runs off the side', async ({
    page,
    jobs,
  }) => {
    const twice = (isOn: boolean) =>
      page.evaluate((size) => (document.documentElement.style.fontSize = size), isOn ? '200%' : '');
    /** At its own letters on 320, at twice their size on 390. */
    const fits = async (what: string) => {
      await page.setViewportSize({ width: 320, height: 640 });
      await expect.poll(() => tooWide(page), { message: `${what}, 320 wide` }).toBe(0);
      await page.setViewportSize({ width: 390, height: 844 });
      await twice(true);
      await expect.poll(() => tooWide(page), { message: `${what}, twice the size` }).toBe(0);
      await twice(false);
    };
    await page.goto(`${jobs['GR-7']}/answers?member=rail-right`);
    await worked(page);
    await fits('Answers');
    for (const verb of ['Walk', ...VERBS]) {
      await goTo(page, verb);
      await fits(verb);
    }
    for (const path of ['/', '/new', '/shop', '/calendar', '/patterns']) {
      await page.goto(path);
      await fits(path);
    }
  });

  test('where a device puts its own colours in, what was chosen and what was seen still differ from the rest', async ({
    page,
    jobs,
  }) => {
    await page.emulateMedia({ forcedColors: 'active' });
    await page.goto(`${jobs['GR-7']}/walk`);
    const results = page.getByRole('group', { name: 'What it is' });
    const groundOf = (which: Locator) =>
      which.first().evaluate((element) => getComputedStyle(element).backgroundColor);
    const [chosen, other] = [true, false].map((pressed) => results.getByRole('button', { pressed }));
    await expect(chosen!).toHaveText(/surface rust/);
    expect(await groundOf(chosen!)).not.toBe(await groundOf(other!));
    const seen = page.getByRole('button', { name: /^Steering gear, left/ });
    expect(await groundOf(seen.locator('span'))).not.toBe(await groundOf(seen));
  });

  test('a long tag is read to its end: two units may differ in its last letter alone', async ({
    page,
  }, info) => {
    const tag = `NORTHYARD-TRAIL-19-${info.workerIndex % 10}`;
    await page.goto(`/jobs/${await sendJob(page, tag)}/walk`);
    const said = page.getByRole('link', { name: `Answers for ${tag}` }).getByText(tag, { exact: true });
    for (const width of [320, 390, 1280]) {
      await page.setViewportSize({ width, height: 800 });
      await expect
        .poll(() => said.evaluate((words) => words.scrollWidth - words.clientWidth), { message: `${width}` })
        .toBe(0);
    }
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
