import { writeFileSync } from 'node:fs';
import { ofKind } from '../core/frame';
import { readPdf } from '../checks/outside/validators';
import { choose } from './choose';
import { expect, kept, openJob, paperOf, recordsOf, test } from './stage';

test('geometry: measured, refused by name, compared, heard by the answers and the work order, struck through', async ({
  page,
}, info) => {
  await openJob(page, `GM-${info.workerIndex}1`, { steel: 'hot-rolled-50' });
  await page.getByRole('link', { name: /^Weigh/ }).click();
  await page.getByRole('button', { name: 'Geometry' }).click();
  const part = page.getByRole('region', { name: 'Geometry' });
  await expect(part.getByRole('heading', { level: 1 })).toHaveText('Not measured yet');
  await part.getByRole('button', { name: 'Measure the frame' }).click();
  const form = part.getByRole('form', { name: 'Measure the frame' });
  await form.getByRole('button', { name: 'Keep what it measures' }).click();
  await expect(form.getByRole('alert').first()).toContainText('left side');
  await form.getByLabel('left side').fill(`11' 10-1/8"`);
  await form.getByLabel('right side').fill('141 5/8');
  await form.getByRole('button', { name: 'Keep what it measures' }).click();
  await kept(page);
  await expect(part.getByRole('heading', { level: 1 })).toHaveText('Out of true');
  const rows = part.getByRole('list', { name: 'What was measured' });
  await expect(rows).toContainText('left is longer by 0.500 in');
  await page.getByRole('button', { name: 'Units: in; switch to mm' }).click();
  await expect(rows).toContainText('left is longer by 12.7 mm');
  await page.getByRole('button', { name: 'Units: mm; switch to in' }).click();

  await page.reload();
  await expect(rows).toContainText('left is longer by 0.500 in');
  const job = new URL(page.url()).pathname.replace('/weigh', '');
  await page.getByRole('link', { name: /^Answers for/ }).click();
  const repair = page.getByRole('region', { name: /repaired/ });
  await expect(repair).toContainText('Brought back into line, and measured again', { timeout: 60_000 });
  const path = info.outputPath('order.pdf');
  writeFileSync(path, await paperOf(page.request, `/api${job}/work-order`));
  expect(readPdf(path).words.replace(/\s+/g, ' ')).toContain('Straighten first.');

  await page.getByRole('link', { name: /^Weigh/ }).click();
  await page.getByRole('button', { name: /^Geometry/ }).click();
  await rows.getByRole('button', { name: 'strike' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'wrong place' }).click();
  await expect(part.getByRole('heading', { level: 1 })).toHaveText('Not measured yet');
});

test('geometry: a laser’s and an angle finder’s figures are taken where they are held, and are marked simulated; on a phone', async ({
  page,
  server,
}, info) => {
  await openJob(page, `GM-${info.workerIndex}2`);
  const job = new URL(page.url()).pathname.replace('/probe', '');
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${job}/weigh?part=geometry`);
  const part = page.getByRole('region', { name: 'Geometry' });
  await part.getByRole('button', { name: 'Measure the frame' }).click();
  const form = part.getByRole('form', { name: 'Measure the frame' });
  await choose(form.getByLabel('what is measured'), 'line');
  await form.getByRole('button', { name: 'Connect the laser' }).click();
  // Outside the demo nobody gets invented figures unasked.
  await form.getByRole('button', { name: 'Switch on the simulated laser' }).click();
  await expect(form).toContainText('simulated: what it reads is invented');
  for (const row of [1, 2, 3, 4, 5]) {
    await form.getByRole('button', { name: `take ${row}` }).click();
    await expect(form.getByLabel(`line to member ${row}`)).not.toHaveValue('');
  }
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await form.getByRole('button', { name: 'Keep what it measures' }).click();
  await kept(page);
  await expect(part).toContainText('simulated: its figures are invented');

  await part.getByRole('button', { name: 'Measure the frame' }).click();
  await choose(form.getByLabel('what is measured'), 'level across');
  await form.getByRole('button', { name: 'Connect the angle finder' }).click();
  await form.getByRole('button', { name: 'Switch on the simulated angle finder' }).click();
  await expect(form).toContainText('simulated: what it reads is invented');
  for (const row of [1, 2]) {
    await form.getByRole('button', { name: `take ${row}` }).click();
    await expect(form.getByLabel(`angle, ° ${row}`)).not.toHaveValue('');
  }
  await form.getByRole('button', { name: 'Keep what it measures' }).click();
  await kept(page);
  const taken = ofKind((await recordsOf(server.url, job)).evidence, 'geometry');
  expect(taken.map(({ measure, simulated }) => [measure.of, simulated])).toEqual([
    ['line', true],
    ['level across', true],
  ]);
});
