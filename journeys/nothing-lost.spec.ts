import Database from 'better-sqlite3';
import type { Page } from '@playwright/test';
import {
  expect,
  kept,
  openJob,
  openJobByForm,
  recordsOf,
  sendJob,
  strip,
  test,
  typeColumn,
  worked,
} from './stage';
import { serveDemo } from '../set-up/server.mjs';

const status = (page: Page, words: RegExp | string) => page.getByRole('status').filter({ hasText: words });
const jobOf = (page: Page) => new URL(page.url()).pathname.split('/').slice(0, 3).join('/');
const readings = async (page: Page) =>
  (await recordsOf(new URL(page.url()).origin, jobOf(page))).evidence.filter(
    ({ kind }) => kind === 'reading',
  );

test('a log-in page, a bare status and a redirect are no answer: nothing is dropped, nothing called kept', async ({
  page,
}, info) => {
  await openJob(page, `NL-${info.workerIndex}1`);
  const answers = [
    { status: 200, contentType: 'text/html', body: '<h1>Log in to the network</h1>' },
    { status: 403, body: '' },
    { status: 404, contentType: 'text/html', body: '<h1>404</h1>' },
    { status: 413, body: '' },
    { status: 302, headers: { location: '/' } },
    { status: 500, body: 'oops' },
  ];
  let asked = 0;
  await page.route('**/evidence', (route) => route.fulfill(answers[asked++ % answers.length]!));
  await typeColumn(page, '24', 'web', { '2': '0.24', '3': '0.241' });
  await expect(status(page, /^not the server: 2 held here$/)).toBeVisible();
  await expect.poll(() => asked, { timeout: 120_000 }).toBeGreaterThan(answers.length);
  await page.reload();
  await worked(page);
  await expect(status(page, 'not the server: 2 held here')).toBeVisible();
  await expect(page.getByText('Readings on left rail: 2')).toBeVisible();
  expect(await readings(page)).toHaveLength(0);
  await page.unroute('**/evidence');
  await kept(page);
  expect(await readings(page)).toHaveLength(2);
});

test('records locked by another program: held with the server’s own reason, in order, and kept when it lets go', async ({
  page,
  server,
}, info) => {
  await openJob(page, `NL-${info.workerIndex}2`);
  const other = new Database(server.path);
  other.exec('BEGIN IMMEDIATE');
  await typeColumn(page, '24', 'web', { '2': '0.24', '3': '0.241' });
  await expect(status(page, 'server in trouble: 2 held here')).toBeVisible();
  await expect(status(page, 'server in trouble')).toHaveAttribute('title', /in use by another program/);
  other.exec('ROLLBACK');
  other.close();
  await kept(page);
  const heights = (await readings(page)).map((each) => Math.round((each as { heightMm: number }).heightMm));
  expect(heights).toEqual([51, 76]);
});

test('other records behind the same address get nothing', async ({ page }, info) => {
  await openJob(page, `NL-${info.workerIndex}3`);
  const ours = await page.evaluate(() => document.documentElement.dataset.records);
  await page.evaluate(() => (document.documentElement.dataset.records = 'f'.repeat(32)));
  await typeColumn(page, '24', 'web', { '2': '0.24' });
  await expect(status(page, 'other records: 1 held here')).toBeVisible();
  expect(await readings(page)).toHaveLength(0);
  await page.evaluate((to) => (document.documentElement.dataset.records = to), ours);
  await typeColumn(page, '30', 'web', { '2': '0.24' });
  await expect(status(page, 'other records: 2 held here')).toBeVisible();
});

test('what is refused for what it says lies under "not taken": mended it goes, thrown away it is gone', async ({
  page,
}, info) => {
  await openJob(page, `NL-${info.workerIndex}4`);
  await page.route('**/evidence', async (route) => {
    const { evidence } = route.request().postDataJSON() as { evidence: { heightMm: number }[] };
    if (evidence[0]!.heightMm < 100) return route.continue();
    const problem = {
      code: 'invalid',
      message: 'above the corner',
      kept: 'All else stands.',
      at: 'evidence.0.heightMm',
    };
    return route.fulfill({ status: 422, json: { ok: false, problem } });
  });
  await typeColumn(page, '24', 'web', { '2': '0.24', '5': '0.241', '6': '0.242' });
  const open = page.getByRole('button', { name: '2 not taken' });
  await expect(open).toBeVisible();
  // It stands in the head without pushing a verb off it, and no green *kept* beside it.
  await expect(page.getByText('the rest is kept')).toHaveClass('sr-only');
  const verbs = page.getByRole('navigation', { name: 'Verbs' });
  expect(await verbs.evaluate((nav) => nav.scrollWidth - nav.clientWidth)).toBe(0);
  await expect(open).toBeVisible();
  expect(await readings(page)).toHaveLength(1);
  await page.reload();
  await worked(page);
  await open.click();
  const sheet = page.getByRole('dialog', { name: 'Not taken' });
  const first = sheet.getByRole('region').first();
  await expect(first).toContainText('above the corner');
  await expect(first).toContainText('this is what was refused');
  await first.getByLabel(/^height/).fill('tall');
  await first.getByRole('button', { name: 'Send it again' }).click();
  await expect(first.getByRole('alert')).toContainText('not a length');
  const download = page.waitForEvent('download');
  await first.getByRole('button', { name: 'Take it away' }).click();
  expect((await download).suggestedFilename()).toMatch(/^not-taken-.*\.json$/);
  await first.getByLabel(/^height/).fill('3');
  await first.getByRole('button', { name: 'Send it again' }).click();
  await expect(sheet.getByRole('region')).toHaveCount(1);
  // A finger that touches twice has asked once.
  await sheet.getByRole('button', { name: 'Throw it away' }).dblclick();
  await sheet.getByRole('button', { name: 'Throw it away for good' }).click();
  await expect(page.getByRole('button', { name: /not taken/ })).toHaveCount(0);
  expect(await readings(page)).toHaveLength(2);
});

test('a browser that lets pages store nothing: it works, and warns that closing the page loses what is held', async ({
  page,
  context,
}, info) => {
  await page.addInitScript(() => {
    const forbidden = () => {
      throw new DOMException('storage is blocked', 'SecurityError');
    };
    for (const name of ['indexedDB', 'localStorage', 'sessionStorage'])
      Object.defineProperty(window, name, { get: forbidden });
  });
  await openJob(page, `NL-${info.workerIndex}5`);
  await typeColumn(page, '24', 'web', { '2': '0.24' });
  await kept(page);
  await context.setOffline(true);
  await typeColumn(page, '30', 'web', { '2': '0.24' });
  await expect(status(page, 'offline: 1 held here; not safe if you close this page')).toBeVisible();
  await context.setOffline(false);
  await kept(page);
  expect(await readings(page)).toHaveLength(2);
});

test('what a job’s page left behind goes from the Yard too', async ({ page, context }, info) => {
  await openJob(page, `NL-${info.workerIndex}6`);
  const job = jobOf(page);
  await page.route('**/evidence', (route) => route.abort());
  await typeColumn(page, '24', 'web', { '2': '0.24' });
  await expect(status(page, /^offline: 1 held here$/)).toBeVisible();
  await page.goto('/');
  await expect(status(page, '1 held here')).toBeVisible();
  await page.unroute('**/evidence');
  await expect(status(page, 'held here')).toHaveCount(0);
  expect((await recordsOf(new URL(page.url()).origin, job)).evidence).toHaveLength(1);
  await context.close();
});

test('two tabs plan the same repair: neither is overwritten unseen, and both are shown to choose from', async ({
  page,
  context,
  untouched,
}) => {
  await page.goto(`${untouched.url}${untouched.jobs['GR-7']}/shape`);
  await worked(page);
  await page
    .getByRole('button', { name: /^Keep this/ })
    .first()
    .dblclick();
  await kept(page);
  const other = await context.newPage();
  await other.goto(page.url());
  await worked(other);
  // The other tab does not hear of what is changed here.
  await other.route('**/records', (route) => route.abort());
  const end = (tab: Page) => tab.getByLabel(/^to station/).first();
  // Asked for by Enter, and left before it is worked out: one change, not two.
  const put = async (tab: Page, station: string) => {
    await end(tab).fill(station);
    await end(tab).press('Enter');
    await end(tab).press('Tab');
  };
  await put(page, '121');
  await expect(page.getByText(/Kept by/)).toBeVisible();
  await expect(end(page)).toHaveValue('121');
  await kept(page);
  await put(page, '122');
  await kept(page);
  await put(other, '118');
  await expect(other.getByRole('button', { name: '1 not taken' })).toBeVisible();
  await expect(end(page)).toHaveValue(/^122/);
  await other.unroute('**/records');
  await other.getByRole('button', { name: '1 not taken' }).click();
  const sheet = other.getByRole('dialog', { name: 'Not taken' });
  await expect(sheet).toContainText('changed elsewhere meanwhile');
  await expect(sheet.getByRole('region')).toHaveCount(1);
  await expect(sheet).toContainText(/Made here.*to 118 in/);
  await expect(sheet).toContainText(/Stands on the server.*to 122 in/);
  await sheet.getByRole('button', { name: 'Put mine in its place' }).click();
  await expect(other.getByRole('button', { name: /not taken/ })).toHaveCount(0);
  await kept(other);
  await page.reload();
  await worked(page);
  await expect(end(page)).toHaveValue(/^118/);
});

test('over a shop’s plain HTTP: the key is asked for once, then everything works as at home', async ({
  browser,
}) => {
  const server = await serveDemo({
    empty: true,
    env: { OSSATURA_NAMES: 'shop.test', OSSATURA_KEY: 'abc234' },
  });
  const page = await browser.newPage();
  const errors: string[] = [];
  page.on('pageerror', (error) => errors.push(error.message));
  const home = `http://shop.test:${server.port}`;
  try {
    await page.goto(home);
    await page.getByLabel('Key').fill('abc');
    await page.getByRole('button', { name: 'Let this device in' }).click();
    await expect(page.getByRole('alert')).toContainText('not the key');
    await page.getByLabel('Key').fill('abc234');
    await page.getByRole('button', { name: 'Let this device in' }).click();
    await expect(page.getByRole('heading', { name: 'Yard' })).toBeVisible();
    expect(page.url()).not.toContain('key');
    expect(await page.evaluate(() => window.isSecureContext)).toBe(false);
    await openJobByForm(page, 'HTTP-1', {}, home);
    await typeColumn(page, '24', 'web', { '2': '0.24' });
    await kept(page);
    await strip(page).focus();
    await page.getByRole('link', { name: /^Frame/ }).click();
    await page.getByRole('link', { name: /^Weigh/ }).click();
    await worked(page);
    expect(errors).toEqual([]);
    const stranger = await fetch(`${server.url}/api${jobOf(page)}/records`);
    expect(stranger.status).toBe(401);
  } finally {
    await page.close();
    server.stop();
  }
});

test('while the page is still loading its fields take nothing, and it says so; what is typed after is kept', async ({
  page,
}, info) => {
  await openJob(page, `NL-${info.workerIndex}9`);
  let release = () => {};
  const come = new Promise<void>((resolve) => (release = resolve));
  await page.route('**/_next/static/**/*.js', async (route) => {
    await come;
    await route.continue();
  });
  await page.goto(page.url().replace('/probe', '/frame'), { waitUntil: 'commit' });
  const datum = page.getByLabel(/^Stations are measured from/);
  await expect(datum).toBeDisabled();
  await expect(page.getByText('Still loading')).toBeVisible();
  release();
  await datum.fill('rear face of the bumper');
  await expect(page.getByText('Still loading')).toHaveCount(0);
  await page.getByRole('button', { name: 'Keep the frame' }).click();
  await expect(page.getByText('Frame kept')).toBeVisible();
  await page.reload();
  await expect(datum).toHaveValue('rear face of the bumper');
});

test('the yard while lines of it are worked out: out of reach of the server it stays, with what is being typed on it', async ({
  page,
}) => {
  const server = await serveDemo({ empty: true });
  try {
    await sendJob(page, 'ALONE-1', {}, server.url);
    const outOfReach = (url: URL) => url.pathname === '/manifest.webmanifest' || url.searchParams.has('_rsc');
    let asked = 0;
    await page.route(outOfReach, (route) => {
      asked++;
      return route.abort();
    });
    await page.goto(server.url);
    const working = status(page, 'being worked out');
    await expect(working).toBeVisible();
    await page.getByLabel('tag, unit or job').fill('ALO');
    await expect.poll(() => asked).toBeGreaterThan(2);
    await expect(page.getByRole('heading', { name: 'Yard' })).toBeVisible();
    await expect(page.getByLabel('tag, unit or job')).toHaveValue('ALO');
    await page.unroute(outOfReach);
    await expect(working).toHaveCount(0);
    await expect(page.getByLabel('tag, unit or job')).toHaveValue('ALO');
  } finally {
    server.stop();
  }
});
