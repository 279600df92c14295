import { readFileSync } from 'node:fs';
import { serveDemo } from '../set-up/server.mjs';
import { choose } from './choose';
import { expect, takeAway, test, worked } from './stage';

test('a job leaves one shop as a bundle and arrives in another the same, to the byte', async ({
  page,
  jobs,
  browser,
}) => {
  await page.goto(`${jobs['GR-7']}/shape?member=rail-right`);
  await worked(page);
  await page.getByRole('button', { name: 'Keep this repair' }).click();
  await expect(page.getByText(/^Kept by/)).toBeVisible();
  await expect(page.getByRole('status').filter({ hasText: /^kept$/ })).toBeVisible();
  const bundle = await takeAway(page, /^The whole job/);
  const sent = readFileSync(bundle.path, 'utf8');

  const elsewhere = await serveDemo({ empty: true });
  try {
    const context = await browser.newContext({
      baseURL: elsewhere.url,
      viewport: { width: 1280, height: 800 },
    });
    const there = await context.newPage();
    await there.goto('/');
    await expect(there.getByText('Nothing in the yard yet')).toBeVisible();
    await there.getByLabel('Job bundle file').setInputFiles(bundle.path);
    await expect(there.getByRole('heading', { name: 'GR-7' })).toBeVisible();
    await there.getByRole('link', { name: /Right rail behind the hopper/ }).click();
    await worked(there);
    await expect(there.getByRole('list', { name: 'Standing notices' })).toContainText(
      'Do not lift on the right rail behind the cab',
    );
    const again = await takeAway(there, /^The whole job/);
    expect(readFileSync(again.path, 'utf8')).toBe(sent);

    await there.goto('/');
    await there.getByLabel('Job bundle file').setInputFiles(bundle.path);
    await expect(there.getByText('already here')).toBeVisible();
    await there.getByLabel('Job bundle file').setInputFiles({
      name: 'x.json',
      mimeType: 'application/json',
      buffer: Buffer.from(sent.replace('"thicknessMm":', '"thicknessMm":-')),
    });
    await expect(there.getByText('Nothing was imported').first()).toBeVisible();
    await context.close();
  } finally {
    elsewhere.stop();
  }
});

test('a notice on the unit shows on its later jobs', async ({ page }) => {
  await page.goto('/');
  const unit = page.getByRole('region', { name: 'BM-2' });
  const opener = unit.getByRole('button', { name: 'Standing notice' });
  const sheet = page.getByRole('dialog');
  // By the keyboard alone: closed, it is back where it was.
  await opener.focus();
  await page.keyboard.press('Enter');
  await expect(sheet.getByLabel('Notice')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(sheet).toBeHidden();
  await expect(opener).toBeFocused();
  await opener.click();
  await sheet.getByLabel('Notice').fill('Do not jack under the left rail');
  await sheet.getByLabel(/^By/).fill('RK');
  await sheet.getByRole('button', { name: 'Keep the notice' }).click();
  await expect(unit.getByText('Do not jack under the left rail')).toBeVisible();
  await expect(opener).toBeFocused();
  await unit.getByRole('link', { name: 'New job on BM-2' }).click();
  await page.getByLabel('Name of the job').fill('spring check');
  await page.getByLabel('Opened by (role or initials)').fill('RK');
  await page.getByLabel('Stations measured from').fill('coupler pin');
  await choose(page.getByLabel('Frame family'), 'boxed ladder');
  const open = page.getByRole('button', { name: 'Open the job' });
  await open.dblclick();
  await page.waitForURL(/\/jobs\/[^/]+\/walk/);
  await expect(page.getByRole('list', { name: 'Standing notices' })).toContainText(
    'Do not jack under the left rail',
  );
  await page.goto('/');
  await expect(unit.getByText('spring check')).toHaveCount(1);
});

test('a unit’s weight learned later gives the welds their shear flow; a wrong one is refused where it stands', async ({
  page,
}, info) => {
  const tag = `WT-${info.workerIndex}`;
  await page.goto('/');
  const unit = page.getByRole('region', { name: 'GR-7' });
  await unit.getByRole('button', { name: 'Correct the unit' }).click();
  const sheet = page.getByRole('dialog');
  await expect(sheet.getByLabel(/^Gross weight/)).toHaveValue('15500');
  await sheet.getByLabel('Tag').fill('BM-2');
  await sheet.getByRole('button', { name: 'Keep the correction' }).click();
  await expect(sheet.getByRole('alert')).toContainText('is another unit’s');
  await sheet.getByLabel('Tag').fill(tag);
  await sheet.getByLabel(/^Gross weight/).fill('heavy');
  await sheet.getByRole('button', { name: 'Keep the correction' }).click();
  await expect(sheet.getByRole('alert')).toContainText('pounds');
  await sheet.getByLabel(/^Gross weight/).fill('');
  await sheet.getByRole('button', { name: 'Keep the correction' }).click();
  const renamed = page.getByRole('region', { name: tag });
  await expect(renamed).not.toContainText('gross');
  await renamed.getByRole('link', { name: /Right rail behind the hopper/ }).click();
  await worked(page);
  await page.getByRole('link', { name: /^Join/ }).click();
  await expect(page.getByText('Shear flow not computed')).toBeVisible();
  await page.goto('/');
  await renamed.getByRole('button', { name: 'Correct the unit' }).click();
  await sheet.getByLabel('Tag').fill('GR-7');
  await sheet.getByLabel(/^Gross weight/).fill('7,031 kg');
  await sheet.getByRole('button', { name: 'Keep the correction' }).click();
  await expect(unit).toContainText('gross 15500 lb');
});
