import { ofKind } from '../core/frame';
import { expect, kept, recordsOf, strip, test, worked } from './stage';

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
  for (let k = 1; k <= 3; k++) {
    await page.keyboard.press('g');
    await expect(page.getByText(`Readings on right rail: ${before + k}`)).toBeVisible();
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
