import { expect, kept, openJob, strip, test, worked } from './stage';

test('n goes where the next reading tells most: the plan first, the count of places left goes down, the same by touch', async ({ page }) => {
  await openJob(page, 'NX-1');
  const panel = page.getByRole('region', { name: 'Next reading' });
  const left = async () => Number((await panel.getByText(/places of the coarse plan/).textContent())!.split(' ')[0]);
  const before = await left();
  await strip(page).focus();
  await page.keyboard.press('n');
  const form = page.getByRole('form', { name: 'New reading' });
  await expect(form.getByLabel(/^face$/)).toHaveValue('bottom');
  await page.keyboard.type('.25');
  await page.keyboard.press('Enter');
  await expect.poll(left).toBe(before - 1);
  await panel.getByRole('button').first().click();
  await expect(form.getByLabel(/^station/)).not.toHaveValue('120');
  await kept(page);
});

test('an edge felt by hand is pinned, moves the margin, refuses nonsense, is struck; in millimetres', async ({ page, jobs, context, baseURL }) => {
  await context.addCookies([{ name: 'ossatura-unit', value: 'mm', url: baseURL! }]);
  await page.goto(`${jobs['GR-7']}/probe?member=rail-left`);
  await worked(page);
  await page.getByText(/^Edge felt by hand/).click();
  const form = page.getByRole('form', { name: 'Felt edge' });
  await form.getByLabel(/^thin up to/).fill('90');
  await form.getByLabel(/^full from/).fill('60');
  await form.getByRole('button', { name: 'Pin the edge' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'lower first' })).toBeVisible();
  await form.getByLabel(/^station/).fill('3300');
  await form.getByLabel(/^full from/).fill('120');
  await form.getByRole('button', { name: 'Pin the edge' }).click();
  const line = page.getByRole('listitem').filter({ hasText: 'between 90 and 120 mm up' });
  await expect(line).toBeVisible();
  await worked(page);
  await page.getByText('Margin, station by station').click();
  await expect(page.getByRole('row').filter({ hasText: 'felt by hand' })).toContainText('90 and 120');
  await line.getByRole('button', { name: 'strike' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'wrong place' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: 'struck by' })).toContainText('wrong place');
  await worked(page);
  await expect(page.getByRole('row').filter({ hasText: 'felt by hand' })).toHaveCount(0);
  await page.reload();
  await worked(page);
  await page.getByText(/^Edge felt by hand/).click();
  await expect(page.getByText('wrong place')).toBeVisible();
});

test('a closed job is said to be closed, and open again', async ({ page }) => {
  await page.goto('/');
  const unit = page.getByRole('region', { name: 'SV-9' });
  await expect(unit.getByRole('button', { name: 'Open again: Left sill patched' })).toBeVisible();
  await unit.getByRole('button', { name: 'Open again: Left sill patched' }).click();
  await unit.getByRole('button', { name: 'Close: Left sill patched' }).click();
  await expect(unit.getByText('; closed')).toBeVisible();
});
