import { ofKind } from '../core/frame';
import { expect, kept, openJob, recordsOf, strip, takeAway, test, worked } from './stage';

test('the gauge: connected, set on its block, g takes readings that know their calibration, unplugged nothing is recorded', async ({
  page,
  jobs,
  server,
}) => {
  const onRight = async () =>
    ofKind((await recordsOf(server.url, jobs['BM-2']!)).evidence, 'reading').filter(
      (reading) => reading.memberId === 'rail-right',
    );
  const before = (await onRight()).length;
  await page.goto(`${jobs['BM-2']}/probe?member=rail-right`);
  await worked(page);
  await strip(page).focus();
  await page.keyboard.press('g');
  await expect(page.getByText('No gauge is connected').first()).toBeVisible();
  const panel = page.getByRole('region', { name: 'Gauge' });
  await panel.getByRole('button', { name: 'Connect the gauge' }).click();
  await expect(panel.getByRole('status')).toHaveText('connected');
  await expect(panel.getByLabel('Live thickness')).toContainText('in');

  for (const step of ['block 0.079', 'block 0.197']) {
    await panel.getByRole('button', { name: new RegExp(`^${step}`) }).click();
    await expect(panel.getByRole('button', { name: new RegExp(`^${step}`) })).toContainText('reads');
  }
  await panel.getByRole('button', { name: 'Keep the calibration' }).click();
  await expect(panel).toContainText('set on its block');
  await panel.getByRole('radio', { name: /echo to echo/ }).click();

  await strip(page).focus();
  await page.keyboard.press('Home');
  // Struck twice at once, or held down, a key takes one reading: by the second the cursor is where nobody holds the gauge.
  for (let k = 1; k <= 3; k++) {
    for (let again = 0; again < 4; again++) await page.keyboard.down('g');
    await page.keyboard.up('g');
    await page.keyboard.press('g');
    await expect(page.getByText(`Readings on right rail: ${before + k}`)).toBeVisible();
    await page.waitForTimeout(700);
  }
  await kept(page);
  const { evidence } = await recordsOf(server.url, jobs['BM-2']!);
  const taken = (await onRight()).slice(before);
  const calibration = ofKind(evidence, 'calibration')[0]!;
  expect(taken.map((reading) => reading.calibrationId)).toEqual([
    calibration.id,
    calibration.id,
    calibration.id,
  ]);
  expect(new Set(taken.map((reading) => reading.stationMm)).size).toBe(3);
  // Sound metal at the front of the rail, 3/16 in as made, read through paint.
  for (const reading of taken) expect(Math.abs(reading.thicknessMm - 4.7)).toBeLessThan(0.5);

  await panel.getByRole('button', { name: 'Disconnect' }).click();
  await expect(panel.getByRole('status')).toHaveText('not connected');
  await strip(page).focus();
  await page.keyboard.press('g');
  await expect(page.getByText(`Readings on right rail: ${before + 3}`)).toBeVisible();
});

test('a gauge unplugged in the middle says so and records nothing; one said to nobody is refused', async ({
  page,
  jobs,
}) => {
  const sessions: string[] = [];
  page.on('request', (request) => {
    const session = new URL(request.url()).searchParams.get('session');
    if (session) sessions.push(session);
  });
  await page.goto(`${jobs['GR-7']}/probe?member=rail-left`);
  await worked(page);
  const before = await page.getByText(/^Readings on left rail:/).textContent();
  const panel = page.getByRole('region', { name: 'Gauge' });
  await panel.getByRole('button', { name: 'Connect the gauge' }).click();
  await expect(panel.getByRole('status')).toHaveText('connected');
  expect(
    (await page.request.post('/api/gauge', { data: { does: 'unplug', session: sessions.at(-1) } })).ok(),
  ).toBe(true);
  await expect(panel.getByRole('status')).toContainText('gone');
  await strip(page).focus();
  await page.keyboard.press('g');
  expect(await page.getByText(/^Readings on left rail:/).textContent()).toBe(before);
  expect(
    (
      await page.request.post('/api/gauge', { data: { does: 'read', session: crypto.randomUUID() } })
    ).status(),
  ).toBe(404);
  expect(
    (
      await page.request.post('/api/gauge', {
        data: { does: 'velocity', session: crypto.randomUUID(), mps: 1 },
      })
    ).status(),
  ).toBe(422);
});

test('on a job that is no demo the simulated gauge is switched on by hand, and what it invents says so everywhere', async ({
  page,
}, info) => {
  await openJob(page, `SI-${info.workerIndex}1`);
  const panel = page.getByRole('region', { name: 'Gauge' });
  await panel.getByRole('button', { name: 'Connect the gauge' }).click();
  await expect(panel.getByRole('alert')).toContainText('only the simulated one');
  await expect(panel.getByRole('status')).toHaveText('not connected');
  await panel.getByRole('button', { name: 'Switch on the simulated gauge' }).click();
  await expect(panel.getByRole('status')).toHaveText('connected');
  await expect(panel).toContainText('its readings are invented');
  await expect(panel.getByLabel('Live thickness')).toContainText('in');
  await strip(page).focus();
  await page.keyboard.press('g');
  await kept(page);
  const row = page.getByRole('region', { name: 'Readings' }).getByRole('row').nth(1);
  await expect(row).toContainText('simulated');
  await expect(page.getByRole('list', { name: 'Not to be relied on' })).toContainText(
    '1 reading invented by a stand-in',
  );
  const csv = await takeAway(page, /readings/i);
  expect(csv.text()).toMatch(/,yes\r?\n/);
});

test('a gauge is opened by the page that uses it, once, and not without end', async ({
  page,
  jobs,
  request,
}) => {
  await page.goto(`${jobs['BM-2']}/probe`);
  const jobId = jobs['BM-2']!.split('/')[2];
  const open = () => page.request.post('/api/gauge', { data: { does: 'open', jobId, simulated: true } });
  expect((await page.request.get(`/api/gauge?session=${crypto.randomUUID()}`)).status()).toBe(404);
  const answers = await Promise.all(Array.from({ length: 40 }, open));
  const statuses = answers.map((answer) => answer.status());
  expect(statuses.filter((status) => status === 200).length).toBeLessThanOrEqual(8);
  expect(statuses).toContain(429);
  const elsewhere = await request.post(new URL('/api/gauge', page.url()).href, {
    data: { does: 'open', jobId, simulated: true },
    headers: { 'sec-fetch-site': 'cross-site' },
  });
  expect(elsewhere.status()).toBe(403);
});
