import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import {
  test as base,
  expect as plain,
  type APIRequestContext,
  type Locator,
  type Page,
} from '@playwright/test';
import { choose } from './choose';
import { defaultFrame, familyOf, type Family } from '../core/frame';
import type { JobFile } from '../core/job';
import type { SteelId } from '../core/reference';
import { serveDemo } from '../set-up/server.mjs';

type Server = Awaited<ReturnType<typeof serveDemo>>;

/** Before its program runs a page takes nothing, keys least of all: whoever goes to one, or asks for it anew, waits until it hears. */
function untilItHears(page: Page): void {
  const heard = () =>
    page.waitForFunction(() => !document.querySelector('body > fieldset:disabled'), undefined, {
      timeout: 120_000,
      polling: 100,
    });
  const [goTo, again] = [page.goto.bind(page), page.reload.bind(page)];
  page.goto = async (url, options) => {
    const answer = await goTo(url, options);
    if (options?.waitUntil !== 'commit') await heard();
    return answer;
  };
  page.reload = async (options) => {
    const answer = await again(options);
    await heard();
    return answer;
  };
}

/** The production build on a demo database: one a worker, kept between its tests. */
export const test = base.extend<
  { jobs: Readonly<Record<string, string>>; untouched: Server; quiet: void },
  { server: Server; spare: { lend: () => Promise<Server> } }
>({
  server: [
    async ({}, provide) => {
      const server = await serveDemo();
      await provide(server);
      server.stop();
    },
    { scope: 'worker', timeout: 240_000 },
  ],
  baseURL: async ({ server }, provide) => provide(server.url),
  browser: [
    async ({ browser }, provide) => {
      const open = browser.newContext.bind(browser);
      browser.newContext = async (options) => (await open(options)).on('page', untilItHears);
      await provide(browser);
    },
    { scope: 'worker' },
  ],
  jobs: async ({ server }, provide) => provide(server.jobs),
  /** A second server, started where one is first asked for, and as seeded for everybody who asks. */
  spare: [
    async ({}, provide) => {
      let server: Server | undefined;
      const lend = async () => {
        if (server) await server.asReady();
        return (server ??= await serveDemo());
      };
      await provide({ lend });
      server?.stop();
    },
    { scope: 'worker' },
  ],
  /** The demo as seeded, for a journey that what others measure or keep would change. */
  untouched: async ({ spare }, provide) => provide(await spare.lend()),
  /** A script error on any page fails the journey. */
  quiet: [
    async ({ page }, provide) => {
      const errors: string[] = [];
      page.on('pageerror', (error) => errors.push(error.message));
      await provide();
      plain(errors).toEqual([]);
    },
    { auto: true },
  ],
});

/** Waits before it is asked whether a thing is seen: each asking in vain writes down the whole page for the message that nobody reads. */
export const expect = plain.extend({
  async toBeVisible(locator: Locator, options: { readonly timeout?: number } = {}) {
    const state = this.isNot ? 'hidden' : 'visible';
    await locator.waitFor({ state, timeout: options.timeout ?? this.timeout }).catch(() => undefined);
    const asked = this.isNot ? plain(locator).not : plain(locator);
    return asked.toBeVisible({ timeout: 1000 }).then(
      () => ({ pass: !this.isNot, message: () => '' }),
      (error: Error) => ({ pass: this.isNot, message: () => error.message }),
    );
  },
});

/** Waits until the bench has worked everything out. Reading a page lays it out: it is not done in every frame while the page has work to do. */
export const worked = (page: Page): Promise<unknown> =>
  page.waitForFunction(
    () => {
      const words = document.body.innerText;
      return words.includes('members') && !words.includes('working…');
    },
    undefined,
    { timeout: 120_000, polling: 150 },
  );

export const strip = (page: Page): Locator => page.getByRole('application', { name: /^Strip of/ });

/** Everything typed so far is on the server's disk. */
export const kept = (page: Page): Promise<void> =>
  expect(page.getByRole('status').filter({ hasText: /^kept$/ })).toBeVisible();

/** What a job is opened with where a journey is about what comes after: the family's usual frame, taken from the unit. */
const opening = (tag: string, family: Family, steel: SteelId) => {
  const [unitId, id] = [randomUUID(), randomUUID()];
  const { typical } = familyOf(family);
  return {
    unit: {
      id: unitId,
      tag,
      description: 'flatbed truck',
      kind: 'truck',
      exposure: 'road salt',
      duty: 'work',
    },
    job: {
      id,
      unitId,
      title: 'rust ahead of the axle',
      purpose: 'repair',
      openedBy: 'TM',
      openedAt: new Date().toISOString(),
    },
    frame: defaultFrame({ ...typical, family, steel, datum: 'front gauge hole' }),
  };
};

/** Sends a new job as the form would; its id. */
export async function sendJob(
  page: Page,
  tag: string,
  { family = 'open-channel ladder', steel = 'unknown' }: { family?: Family; steel?: SteelId } = {},
  home = '',
): Promise<string> {
  const data = opening(tag, family, steel);
  const answer = await page.request.post(`${home}/api/jobs`, { data });
  expect(answer.ok(), await answer.text()).toBe(true);
  return data.job.id;
}

/** Opens a new job past the form, and the Probe on it. */
export async function openJob(
  page: Page,
  tag: string,
  as: { family?: Family; steel?: SteelId } = {},
): Promise<void> {
  await page.goto(`/jobs/${await sendJob(page, tag, as)}/probe`);
  await worked(page);
}

/** Opens a new job through the form; the fields given replace the defaults. */
export async function openJobByForm(
  page: Page,
  tag: string,
  more: { family?: Family; steel?: SteelId; fields?: Readonly<Record<string, string>> } = {},
  home = '',
): Promise<void> {
  await page.goto(`${home}/new`);
  await page.getByLabel('Tag').fill(tag);
  await page.getByLabel('What it is').fill('flatbed truck');
  await page.getByLabel('Name of the job').fill('rust ahead of the axle');
  await page.getByLabel('Opened by (role or initials)').fill('TM');
  await page.getByLabel('Stations measured from').fill('front gauge hole');
  if (more.family) await choose(page.getByLabel('Frame family'), more.family);
  if (more.steel) await choose(page.getByLabel('Steel', { exact: true }), more.steel);
  await choose(page.getByLabel('These measures are'), 'taken from this unit');
  for (const [label, value] of Object.entries(more.fields ?? {})) await page.getByLabel(label).fill(value);
  await page.getByRole('button', { name: 'Open the job' }).click();
  await page.waitForURL(/\/jobs\/[^/]+\/walk/);
  await page.getByRole('link', { name: /^Probe/ }).click();
  await page.waitForURL(/\/jobs\/[^/]+\/probe/);
  await worked(page);
}

/** A row of readings typed on the keyboard: at one station and face, heights with thicknesses. */
export async function typeColumn(
  page: Page,
  station: string,
  face: string,
  readings: Readonly<Record<string, string>>,
): Promise<void> {
  const form = page.getByRole('form', { name: 'New reading' });
  for (const [height, thickness] of Object.entries(readings)) {
    const field = form.getByLabel(/^face$/);
    if ((await field.getAttribute('data-value')) !== face) await choose(field, face);
    await form.getByLabel(/^station/).fill(station);
    await form.getByLabel(/from corner/).fill(height);
    await form.getByLabel(/^thickness/).fill(thickness);
    await page.keyboard.press('Enter');
    await expect(form.getByLabel(/^thickness/)).toHaveValue('');
  }
}

/** Takes a file away through the menu. */
export async function takeAway(
  page: Page,
  item: RegExp,
): Promise<{ path: string; name: string; text: () => string }> {
  await page.getByRole('button', { name: 'Take away' }).click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('menuitem', { name: item }).first().click(),
  ]);
  const path = await download.path();
  return { path, name: download.suggestedFilename(), text: () => readFileSync(path, 'utf8') };
}

/** A paper of a job as it is sent: worked out whole before, which takes a while on a slow machine. */
export async function paperOf(request: APIRequestContext, url: string): Promise<Buffer> {
  const answer = await request.get(url, { timeout: 180_000 });
  expect(answer.ok(), url).toBe(true);
  return answer.body();
}

/** The job's file as the server has it on disk; `job` is its page, `/jobs/…`. */
export async function recordsOf(url: string, job: string): Promise<JobFile> {
  const answer = (await (await fetch(`${url}/api${job}/records`)).json()) as { value: JobFile };
  return answer.value;
}

/** The smallest picture there is. */
export const PIXEL = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M/wHwAEBgIApD5fRAAAAABJRU5ErkJggg==',
  'base64',
);
