import type { Page } from '@playwright/test';
import Database from 'better-sqlite3';
import { expectChosen } from './choose';
import { expect, kept, openJob, strip, test, worked } from './stage';
import { seeded } from '../demo/seeded';
import { killRun, TROUBLES, troubleRun } from '../set-up/faults.mjs';
import { serveDemo } from '../set-up/server.mjs';

test('killed at random writes, locked, no room, damaged, the clock backwards: what was acknowledged is there, once, in order', async () => {
  const server = await serveDemo();
  const { path, jobs } = server;
  server.child.kill();
  await new Promise((resolve) => server.child.once('exit', resolve));
  const jobId = jobs['GR-7']!.split('/')[2]!;
  try {
    const run = await killRun(path, jobId, { kills: 12, random: seeded(20261127) });
    expect(run).toMatchObject({ missing: 0, twice: 0, sound: 'ok' });
    expect(run.acknowledged).toBeGreaterThan(0);
    for (const trouble of TROUBLES(path)) {
      const troubled = await troubleRun(path, jobId, { ...trouble, writes: 6 });
      const meanwhile = trouble.isNoTrouble ? 6 : 0;
      expect(troubled).toMatchObject({
        meanwhile,
        after: 6,
        missing: 0,
        twice: 0,
        outOfOrder: 0,
        sound: 'ok',
      });
      if (trouble.says) expect(troubled.said.join()).toMatch(trouble.says);
    }
  } finally {
    server.stop();
  }
});

test('a row that cannot be read hides only itself, and the job says so on screen', async ({
  page,
  server,
  jobs,
}) => {
  const jobId = jobs['DV-3']!.split('/')[2]!;
  const db = new Database(server.path);
  db.prepare(
    "INSERT INTO evidence (id, job_id, kind, version, number, body) VALUES ('bad', ?, 'reading', 2, 999999, '{}')",
  ).run(jobId);
  await page.goto(`${jobs['DV-3']}/probe`);
  await worked(page);
  await expect(page.getByRole('list', { name: 'Not to be relied on' })).toContainText(
    '1 record of this job cannot be read on the server',
  );
  await page.goto(`${jobs['DV-3']}/answers`);
  for (const question of ['May it be driven?', 'May somebody work beneath it?'])
    await expect(page.getByRole('region', { name: question })).toContainText('cannot be read on the server', {
      timeout: 60_000,
    });
  db.exec('DROP TRIGGER evidence_stays');
  db.prepare("DELETE FROM evidence WHERE id = 'bad'").run();
  db.exec(
    "CREATE TRIGGER evidence_stays BEFORE DELETE ON evidence BEGIN SELECT RAISE(ABORT, 'evidence is never erased: strike it through'); END",
  );
  db.close();
});

test('one tape along a frame: a place on a rail that begins behind the datum is the same figure everywhere', async ({
  page,
}, info) => {
  await openJob(page, `NF-${info.workerIndex}1`, { family: 'I-beam trailer' });
  const form = page.getByRole('form', { name: 'New reading' });
  await form.getByLabel(/^station/).fill('20');
  await form.getByLabel(/^thickness/).fill('0.2');
  await page.keyboard.press('Enter');
  await expect(form.getByRole('alert')).toContainText('begins at station 36 in');
  await form.getByLabel(/^station/).fill('100');
  await page.keyboard.press('Enter');
  await kept(page);
  const row = page.getByRole('region', { name: 'Readings' }).getByRole('row').nth(1);
  await expect(row).toContainText(/^100/);
  await page.goto(`${page.url().split('?')[0]}?member=rail-left&station=100in`);
  await worked(page);
  await expect(strip(page)).toHaveAttribute('aria-label', /cursor at station 100 in/);
  await expect(page.getByRole('heading', { name: 'Slice at 100 in' })).toBeVisible();
});

test('a frame half edited outlives leaving the screen and another tab’s keeping: both are shown to choose from', async ({
  page,
  context,
}, info) => {
  await openJob(page, `NF-${info.workerIndex}2`);
  const frame = page.url().replace('/probe', '/frame');
  await page.goto(frame);
  const datum = (tab: typeof page) => tab.getByLabel(/^Stations are measured from/);
  await datum(page).fill('rear face of the bumper');
  await page.getByRole('link', { name: /^Weigh/ }).click();
  await page.getByRole('link', { name: /^Frame/ }).click();
  await expect(datum(page)).toHaveValue('rear face of the bumper');
  const other = await context.newPage();
  await other.goto(frame);
  await datum(other).fill('front hanger bolt');
  await other.getByRole('button', { name: 'Keep the frame' }).click();
  await expect(other.getByText('Frame kept')).toBeVisible();
  await page.reload();
  const both = page.getByRole('region', { name: 'Two frames' });
  await expect(both).toContainText('They differ in: the datum');
  await expect(page.getByRole('button', { name: 'Keep the frame' })).toBeDisabled();
  await expect(datum(page)).toHaveValue('rear face of the bumper');
  await both.getByRole('button', { name: 'Go on with mine' }).click();
  await page.getByRole('button', { name: 'Keep the frame' }).click();
  await expect(page.getByText('Frame kept')).toBeVisible();
  await page.reload();
  await expect(datum(page)).toHaveValue('rear face of the bumper');
});

test('Escape asks before the points of a crack are thrown away; keys are listed on every verb', async ({
  page,
}, info) => {
  await openJob(page, `NF-${info.workerIndex}3`);
  await page.getByRole('link', { name: /^Trace/ }).click();
  await page.getByRole('button', { name: 'Record a crack' }).click();
  await strip(page).focus();
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  const form = page.getByRole('form', { name: 'New crack' });
  await expect(form).toContainText('1 point');
  await page.getByRole('button', { name: 'Throw them away' }).click();
  await expect(form).toHaveCount(0);
  for (const verb of ['Walk', 'Frame', 'Weigh', 'Shape', 'Join', 'Trace']) {
    await page.getByRole('link', { name: new RegExp(`^${verb}`) }).click();
    await page.waitForURL(new RegExp(verb.toLowerCase()));
    await expect(page.getByRole('heading', { level: 1 })).toHaveCount(1);
    await page
      .getByRole('heading', { level: 1 })
      .evaluate(() => (document.activeElement as HTMLElement)?.blur());
    await page.keyboard.press('?');
    await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toHaveCount(0);
  }
});

test('light or dark as the device is, until somebody chooses; the first Tab skips to the work', async ({
  browser,
  server,
}) => {
  const dark = await browser.newContext({ colorScheme: 'dark', baseURL: server.url });
  const page = await dark.newPage();
  const errors: string[] = [];
  page.on('console', (message) => message.type() === 'error' && errors.push(message.text()));
  const theme = () => page.evaluate(() => document.documentElement.dataset.theme);
  await page.goto('/');
  expect(await theme()).toBe('dark');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('link', { name: 'Skip to the work' })).toBeFocused();
  await page.getByRole('button', { name: 'Light or dark' }).click();
  expect(await theme()).toBe('light');
  await page.reload();
  expect(await theme()).toBe('light');
  expect(errors).toEqual([]);
  await dark.close();
});

test('printed from the dark, a page is dark on white: every word of the answers, and what was chosen', async ({
  browser,
  server,
}) => {
  const dark = await browser.newContext({ colorScheme: 'dark', baseURL: server.url });
  const page = await dark.newPage();
  await page.goto(`${server.jobs['GR-7']}/answers`);
  await worked(page);
  /** The least contrast of any letter to the ground it stands on; on paper what has no ground of its own lies on white. */
  const leastContrast = () =>
    page.evaluate(() => {
      const brush = document.createElement('canvas').getContext('2d', { willReadFrequently: true })!;
      const light = (colour: string) => {
        brush.clearRect(0, 0, 1, 1);
        brush.fillStyle = colour;
        brush.fillRect(0, 0, 1, 1);
        const [r, g, b, alpha] = brush.getImageData(0, 0, 1, 1).data;
        const linear = [r, g, b].map((c) => ((c! / 255 + 0.055) / 1.055) ** 2.4);
        return { alpha: alpha!, is: 0.2126 * linear[0]! + 0.7152 * linear[1]! + 0.0722 * linear[2]! };
      };
      const ground = (of: Element | null): number => {
        if (!of) return 1;
        const own = light(getComputedStyle(of).backgroundColor);
        return own.alpha > 200 ? own.is : ground(of.parentElement);
      };
      const said = [...document.querySelectorAll('main *')].filter(
        (each) =>
          each.checkVisibility() &&
          [...each.childNodes].some(({ nodeType, textContent }) => nodeType === 3 && textContent!.trim()),
      );
      const contrasts = said.map((each) => {
        const pair = [light(getComputedStyle(each).color).is, ground(each)].sort((a, b) => a - b);
        return (pair[1]! + 0.05) / (pair[0]! + 0.05);
      });
      return { words: contrasts.length, least: Math.min(...contrasts) };
    });
  const ofMain = () => page.evaluate(() => getComputedStyle(document.documentElement).backgroundColor);
  expect(await ofMain()).not.toBe('rgb(255, 255, 255)');
  await page.emulateMedia({ media: 'print' });
  expect(await ofMain()).toBe('rgb(255, 255, 255)');
  await expect(page.getByRole('link', { name: 'Skip to the work' })).toHaveCount(0);
  const { words, least } = await leastContrast();
  expect(words).toBeGreaterThan(20);
  // WCAG 2.2, 1.4.3: 4.5 to 1.
  expect(least).toBeGreaterThanOrEqual(4.5);
  await dark.close();
});

test('the Yard is searched, filtered and put in order by its address', async ({ page }) => {
  await page.goto('/');
  await page.getByLabel('tag, unit or job').fill('hopper');
  await page.getByRole('button', { name: 'Find' }).click();
  await expect(page.getByRole('heading', { level: 2 })).toHaveText(['GR-7']);
  await expect(page.getByText(/^\d+ readings, /).first()).toBeVisible();
  await page.getByRole('link', { name: 'Renew', exact: true }).click();
  await expect(page.getByRole('heading', { level: 2 })).toHaveText(['GR-7']);
  await page.getByRole('link', { name: 'Retire', exact: true }).click();
  await expect(page.getByText('Nothing in the yard is like that')).toBeVisible();
});

/** What stands above everything grows and shrinks by so many pixels, in one frame after the other. */
const grows = (page: Page, steps: readonly number[]) =>
  page.evaluate(async (heights) => {
    const answer = document.createElement('div');
    document.querySelector('main')!.prepend(answer);
    for (const height of heights) {
      answer.style.height = `${answer.offsetHeight + height}px`;
      await new Promise(requestAnimationFrame);
    }
  }, steps);

test('a list that is open stays in sight, whatever is worked out above it meanwhile', async ({
  page,
  jobs,
}) => {
  await page.goto(`${jobs['GR-7']}/weigh`);
  await worked(page);
  const cases = page.getByRole('region', { name: 'The whole frame' }).getByLabel('Load case');
  await cases.click();
  const list = page.getByRole('listbox');
  await expect(list).toBeInViewport();
  await grows(page, [1500, 700, 700, 700, -1800, -1800, 1500]);
  await expect(list).toBeInViewport();
  await list.locator('[role="option"][data-value="brake"]').click();
  await expectChosen(cases, 'brake');
});
