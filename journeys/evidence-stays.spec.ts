import { choose } from './choose';
import { expect, kept, openJob, recordsOf, strip, test, typeColumn, worked } from './stage';

test('a reading struck through stays, with who and why, and no longer counts', async ({ page }, info) => {
  await openJob(page, `EV-${info.workerIndex}1`);
  await typeColumn(page, '60', 'web', { '1': '0.249', '3': '0.03', '6': '0.25' });
  await kept(page);
  const table = page.getByRole('region', { name: 'Readings' });
  await table
    .getByRole('row', { name: /0\.030/ })
    .getByRole('button', { name: 'strike' })
    .click();
  const sheet = page.getByRole('dialog', { name: 'Strike through' });
  await sheet.getByRole('button', { name: 'Strike through' }).click();
  await expect(sheet.getByRole('alert')).toContainText('say why');
  await sheet.getByRole('button', { name: 'gauge slipped' }).click();
  await kept(page);
  await page.reload();
  await worked(page);
  const row = table.getByRole('row', { name: /0\.030/ });
  await expect(row).toContainText('struck by TM: gauge slipped');
  await expect(row.getByRole('button')).toHaveCount(0);
  await expect(page.getByRole('link', { name: /^Probe/ })).toContainText('2 readings');
});

test('a reload in the middle loses nothing: readings kept, a crack half traced, a form half filled', async ({
  page,
}, info) => {
  await openJob(page, `EV-${info.workerIndex}2`);
  await typeColumn(page, '48', 'web', { '2': '0.24', '4': '0.245' });
  await page.reload();
  await worked(page);
  await expect(page.getByText('Readings on left rail: 2')).toBeVisible();

  await page.getByRole('link', { name: /^Trace/ }).click();
  await page.getByRole('button', { name: 'Record a crack' }).click();
  await strip(page).focus();
  await page.keyboard.press('Enter');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  await expect(page.getByText('2 points, 1 in long')).toBeVisible();
  await page.reload();
  await expect(page.getByText('2 points, 1 in long')).toBeVisible();
  await page.getByRole('button', { name: 'Leave it' }).click();

  await page.goto('/new');
  await page.getByLabel('Tag').fill('half typed');
  await page.getByLabel('Rail depth').fill('9-1/2');
  await page.reload();
  await expect(page.getByLabel('Tag')).toHaveValue('half typed');
  await expect(page.getByLabel('Rail depth')).toHaveValue('9-1/2');
});

test('offline, readings are held in the browser and sent when the server is back, even after a restart of the page', async ({
  page,
  context,
}, info) => {
  await openJob(page, `EV-${info.workerIndex}3`);
  await typeColumn(page, '24', 'web', { '2': '0.24' });
  await kept(page);
  await context.setOffline(true);
  await typeColumn(page, '36', 'web', { '2': '0.23', '4': '0.235' });
  await expect(page.getByRole('status').filter({ hasText: /^offline: 2 held here$/ })).toBeVisible();
  await expect(page.getByText('Readings on left rail: 3')).toBeVisible();
  const address = page.url();
  await page.goto('about:blank').catch(() => undefined);
  await context.setOffline(false);
  await page.goto(address);
  await worked(page);
  await kept(page);
  await expect(page.getByText('Readings on left rail: 3')).toBeVisible();
  const { origin, pathname } = new URL(address);
  const { evidence } = await recordsOf(origin, pathname.split('/').slice(0, 3).join('/'));
  expect(evidence.map((record) => record.kind)).toEqual(['reading', 'reading', 'reading']);
});

test('what was held here and then sent stands on the page, though the server’s records do not come', async ({
  page,
  context,
}, info) => {
  await openJob(page, `EV-${info.workerIndex}8`);
  const address = page.url();
  await context.setOffline(true);
  await typeColumn(page, '36', 'web', { '2': '0.23', '4': '0.235' });
  await expect(page.getByRole('status').filter({ hasText: /^offline: 2 held here$/ })).toBeVisible();
  await page.goto('about:blank').catch(() => undefined);
  await context.setOffline(false);
  await page.route('**/records', (route) => route.abort());
  await page.goto(address);
  await worked(page);
  await kept(page);
  await expect(page.getByText('Readings on left rail: 2')).toBeVisible();
  await page.unroute('**/records');
  await expect(page.getByRole('list', { name: 'Not to be relied on' })).toHaveCount(0);
  await expect(page.getByText('Readings on left rail: 2')).toBeVisible();
});

test('an answer from before a reading reached the server does not take the reading off the page', async ({
  page,
}, info) => {
  await openJob(page, `EV-${info.workerIndex}9`);
  await typeColumn(page, '24', 'web', { '2': '0.24' });
  await kept(page);
  let release = () => {};
  const released = new Promise<void>((resolve) => (release = resolve));
  const answered = new Promise<void>((resolve) => {
    void page.route('**/records', async (route) => {
      const response = await route.fetch();
      resolve();
      await released;
      await route.fulfill({ response });
    });
  });
  await page.evaluate(() => window.dispatchEvent(new Event('focus')));
  await answered;
  await typeColumn(page, '36', 'web', { '2': '0.23' });
  await kept(page);
  await expect(page.getByText('Readings on left rail: 2')).toBeVisible();
  const late = page.waitForResponse('**/records');
  release();
  await (await late).finished();
  await page.evaluate(() => new Promise((painted) => setTimeout(painted, 500)));
  await expect(page.getByText('Readings on left rail: 2')).toBeVisible({ timeout: 1 });
});

test('two tabs: a change made on an old frame is refused, and says that the other one stands', async ({
  page,
  context,
}, info) => {
  await openJob(page, `EV-${info.workerIndex}4`);
  const frame = page.url().replace('/probe', '/frame');
  await page.goto(frame);
  const other = await context.newPage();
  await other.goto(frame);
  const datum = (tab: typeof page) => tab.getByLabel(/^Stations are measured from/);
  await datum(page).fill('rear face of the bumper');
  await datum(other).fill('front hanger bolt');
  // The other one does not hear of the change before it tries to keep its own, however slow the machine.
  let release = () => {};
  const isKept = new Promise<void>((resolve) => (release = resolve));
  await other.route('**/records', async (route) => {
    await isKept;
    await route.continue();
  });
  await page.getByRole('button', { name: 'Keep the frame' }).click();
  await expect(page.getByText('Frame kept')).toBeVisible();
  const refused = other.waitForResponse('**/frame');
  await other.getByRole('button', { name: 'Keep the frame' }).click();
  expect((await refused).status()).toBe(409);
  release();
  await expect(other.getByText('changed elsewhere meanwhile').first()).toBeVisible();
  await other.getByRole('button', { name: 'Take the kept one, drop mine' }).click();
  await expect(datum(other)).toHaveValue('rear face of the bumper');
  await other.reload();
  await expect(datum(other)).toHaveValue('rear face of the bumper');
});

test('a crack: traced, shown on Strip, Skeleton and Slice, and a reason not to use the frame', async ({
  page,
}, info) => {
  await openJob(page, `EV-${info.workerIndex}5`, { steel: 'hot-rolled-50' });
  await page.getByRole('link', { name: /^Trace/ }).click();
  await page.waitForURL(/trace/);
  await strip(page).focus();
  await page.keyboard.press('k');
  const form = page.getByRole('form', { name: 'New crack' });
  await form.getByRole('button', { name: 'Keep the crack' }).click();
  await expect(form.getByRole('alert')).toContainText('at least two points');
  const add = async (station: string, face: string, height: string) => {
    await choose(form.getByLabel('face', { exact: true }), face);
    await form.getByLabel(/^station/).fill(station);
    await form.getByLabel(/^height/).fill(height);
    await form.getByRole('button', { name: 'Add this point' }).click();
  };
  await add('100', 'bottom', '1');
  await add('100', 'web', '2');
  await expect(form).toContainText('2 points, 3 in long');
  await add('9999', 'web', '2');
  await expect(form.getByRole('alert')).toBeVisible();
  await form
    .getByRole('radiogroup', { name: 'first end of the crack' })
    .getByRole('radio', { name: 'found', exact: true })
    .click();
  await form.getByRole('button', { name: 'Keep the crack' }).click();
  await kept(page);
  await expect(page.getByRole('region', { name: 'Cracks' })).toContainText('one end not found');
  await expect(page.getByRole('button', { name: /Left rail/ })).toBeVisible();
  await page.getByRole('link', { name: /^Weigh/ }).click();
  const reasons = page.getByRole('region', { name: 'Reasons' });
  await expect(reasons).toContainText('Cracked, 3 in long: do not use until repaired');
  await reasons.getByRole('group').filter({ hasText: 'Cracked, 3 in long' }).locator('summary').click();
  await expect(reasons).toContainText('393.201');
});
