import { openSync, closeSync, readFileSync, writeSync } from 'node:fs';
import { ofKind } from '../core/frame';
import { choose } from './choose';
import { expect, openJob, recordsOf, takeAway, test, worked } from './stage';

const csv = (rows: readonly string[]) => ({
  name: 'readings.csv',
  mimeType: 'text/csv',
  buffer: Buffer.from(['member,station,face,height,thickness,unit,method', ...rows].join('\n')),
});

test('good rows are kept, bad ones named by line and reason; the corrected file adds only what was missing', async ({
  page,
}, info) => {
  await openJob(page, `CSV-${info.workerIndex}1`);
  const input = page.getByLabel('Readings CSV file');
  const good = [
    'Left rail,24,web,2,0.248,in,ultrasonic',
    'Left rail,36,web,2,3/16,in,caliper',
    'Right rail,600,bottom,30,4.7,mm,',
  ];
  await input.setInputFiles(
    csv([
      good[0]!,
      'Left rail,ten,web,2,0.2,in,',
      good[1]!,
      'Middle rail,10,web,2,0.2,in,',
      good[2]!,
      'Left rail,9999,web,2,0.2,in,',
      'Left rail,40,web,2,-0.2,in,',
    ]),
  );
  const report = page.getByRole('dialog');
  await expect(report.getByRole('heading')).toHaveText('3 readings kept');
  await expect(report.getByRole('listitem')).toHaveText([
    /^Line 3: station/,
    /^Line 5: member "Middle rail" is not on this frame/,
    /^Line 7:.*off/,
    /^Line 8: thickness/,
  ]);
  await page.keyboard.press('Escape');
  await expect(page.getByText('Readings on left rail: 2')).toBeVisible();

  await input.setInputFiles(csv([good[0]!, 'Left rail,10,web,2,0.2,in,', good[1]!, good[2]!]));
  await expect(report.getByRole('heading')).toHaveText('1 readings kept');
  await expect(report).toContainText('3 rows on record already, passed over');
  await page.keyboard.press('Escape');
  await page.reload();
  await worked(page);
  await expect(page.getByText('Readings on left rail: 3')).toBeVisible();
});

test('what was taken away as CSV comes in again as nothing new', async ({ page, jobs, server }) => {
  await page.goto(`${jobs['BM-2']}/probe?member=rail-left`);
  await worked(page);
  const away = await takeAway(page, /^Readings/);
  const rows = readFileSync(away.path, 'utf8').trim().split('\n');
  expect(rows[0]).toBe(
    'id,member,station,face,height,thickness,unit,method,by,at,note,struck_by,struck_at,struck_why,simulated',
  );
  const readings = ofKind((await recordsOf(server.url, jobs['BM-2']!)).evidence, 'reading');
  expect(rows).toHaveLength(readings.length + 1);
  await page.getByLabel('Readings CSV file').setInputFiles(away.path);
  await expect(page.getByRole('dialog')).toContainText(
    `${readings.length} rows on record already, passed over`,
  );
});

test('a file that is no such table, and one far too big, change nothing and say so', async ({
  page,
  jobs,
}, info) => {
  await page.goto(`${jobs['GR-7']}/probe?member=rail-left`);
  await worked(page);
  const before = await page.getByText(/^Readings on left rail:/).textContent();
  const input = page.getByLabel('Readings CSV file');
  await input.setInputFiles({
    name: 'photo.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from([0xff, 0xd8, 0, 1, 2, 3, 10, 34, 34, 9]),
  });
  await expect(page.getByText('Nothing was imported').first()).toBeVisible();
  await input.setInputFiles(fiftyMegabytes(info.outputPath('big.csv')));
  await expect(page.getByText('over 20 MB').first()).toBeVisible();
  await page.reload();
  await worked(page);
  expect(await page.getByText(/^Readings on left rail:/).textContent()).toBe(before);
});

test('a part of the page that does not come is said to be out of reach; when it comes, the file is taken', async ({
  page,
  jobs,
}) => {
  await page.goto(`${jobs['GR-7']}/probe?member=rail-left`);
  await worked(page);
  const gone = '**/_next/static/**';
  await page.route(gone, (route) => route.abort());
  const file = {
    name: 'gauge.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('Point;Distance (mm)\n1;3000\n'),
  };
  await page.getByLabel('Readings CSV file').setInputFiles(file);
  await expect(page.getByText('A part of this page did not come.')).toBeVisible();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.unroute(gone);
  await page.reload();
  await worked(page);
  await page.getByLabel('Readings CSV file').setInputFiles(file);
  await expect(page.getByRole('dialog')).toContainText('Still open');
});

test('another tool’s file is matched column by column before anything of it is taken in', async ({
  page,
  jobs,
}) => {
  await page.goto(`${jobs['GR-7']}/probe?member=rail-left`);
  await worked(page);
  const count = async () =>
    Number((await page.getByText(/^Readings on left rail:/).textContent())!.split(': ')[1]);
  const before = await count();
  const file = {
    name: 'gauge.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('Point;Distance (mm);Level;THK (mm)\n1;3000;40;6,1\n2;3100;40;5,9\n3;99999;40;5,0\n'),
  };
  await page.getByLabel('Readings CSV file').setInputFiles(file);
  const sheet = page.getByRole('dialog');
  await expect(sheet).toContainText('Still open: member, face, height on the face');
  await expect(sheet.getByRole('button', { name: 'Take it in' })).toBeDisabled();
  await choose(sheet.getByLabel('member', { exact: true }), { label: 'always Left rail' });
  await choose(sheet.getByLabel('face', { exact: true }), { label: 'always web' });
  await choose(sheet.getByLabel('height on the face'), 'Level');
  await expect(sheet.getByRole('region', { name: 'First rows as they would be read' })).toContainText('5,9');
  await sheet.getByRole('button', { name: 'Take it in' }).click();
  await expect(page.getByRole('dialog')).toContainText('2 readings kept');
  await expect(page.getByRole('dialog')).toContainText('Line 4');
  await page.keyboard.press('Escape');
  await expect.poll(count).toBe(before + 2);
});

/** Rows that would each be good, fifty megabytes of them. */
function fiftyMegabytes(path: string): string {
  const file = openSync(path, 'w');
  writeSync(file, 'member,station,face,height,thickness,unit\n');
  const block = 'Left rail,24,web,2,0.248,in\n'.repeat(40_000);
  for (let written = 0; written < 50 * 1024 * 1024; written += block.length) writeSync(file, block);
  closeSync(file);
  return path;
}
