import { expect, kept, openJobByForm, recordsOf, strip, test, typeColumn, worked } from './stage';
import { serve, serveDemo } from '../set-up/server.mjs';

test.use({ serviceWorkers: 'allow' });

/** How many entries lie on this browser’s shelf. */
const entriesLeft = () =>
  new Promise<number>((resolve, reject) => {
    const opening = indexedDB.open('ossatura');
    opening.onerror = () => reject(opening.error);
    opening.onsuccess = () => {
      const count = opening.result.transaction('outbox').objectStore('outbox').count();
      count.onsuccess = () => resolve(count.result);
    };
  });

test('a device that opened a job starts without the server: every verb, what was recorded, and since when', async ({
  browser,
}, info) => {
  const first = await serveDemo({ empty: true });
  const context = await browser.newContext({
    serviceWorkers: 'allow',
    viewport: { width: 1280, height: 800 },
  });
  const page = await context.newPage();
  try {
    await openJobByForm(page, `OF-${info.workerIndex}1`, {}, first.url);
    await typeColumn(page, '24', 'web', { '2': '0.24' });
    await kept(page);
    await page.reload();
    await worked(page);
    const job = new URL(page.url()).pathname.split('/').slice(0, 3).join('/');
    const isKept = (path: string) =>
      page.evaluate(
        async (address) => Boolean(await (await caches.open('pages')).match(address)),
        `${first.url}${path}`,
      );
    for (const verb of [
      'walk',
      'frame',
      'probe',
      'trace',
      'weigh',
      'shape',
      'join',
      'order',
      'prove',
      'order/rail',
    ])
      await expect.poll(() => isKept(`${job}/${verb}`), { timeout: 120_000 }).toBe(true);

    // Kept by the server a moment before it goes: no answer of its own that this device has holds it.
    await typeColumn(page, '27', 'web', { '2': '0.235' });
    await kept(page);
    first.child.kill();
    await new Promise((resolve) => first.child.once('exit', resolve));
    await page.goto('about:blank');
    await page.goto(`${first.url}${job}/probe`);
    await worked(page);
    await expect(page.getByRole('list', { name: 'Not to be relied on' })).toContainText(
      'The server does not answer',
    );
    await expect(page.getByText('What was recorded elsewhere may be missing.')).toBeVisible();
    await expect(page.getByText('Readings on left rail: 2')).toBeVisible();
    await typeColumn(page, '30', 'web', { '2': '0.23' });
    await expect(page.getByRole('status').filter({ hasText: /^offline: 1 held here$/ })).toBeVisible();
    // Verbs never visited open too.
    for (const verb of ['Weigh', 'Frame', 'Trace', 'Order']) {
      await page.getByRole('link', { name: new RegExp(`^${verb}`) }).click();
      await page.waitForURL(new RegExp(verb.toLowerCase()));
      await expect(page.getByRole('heading', { level: 1 })).toHaveCount(1);
    }
    await page.goto(`${first.url}${job}/probe`);
    await worked(page);
    await expect(page.getByText('Readings on left rail: 3')).toBeVisible();
    await strip(page).focus();

    const second = await serve(first.path, { port: first.port });
    try {
      await kept(page);
      await expect(page.getByRole('list', { name: 'Not to be relied on' })).toHaveCount(0);
      expect((await recordsOf(second.url, job)).evidence).toHaveLength(3);
      // Once an answer holds them nothing stays behind in the browser.
      await expect.poll(() => page.evaluate(entriesLeft)).toBe(0);
    } finally {
      second.stop();
    }
  } finally {
    await context.close();
    first.stop();
  }
});
