import { readFileSync } from 'node:fs';
import { choose } from './choose';
import { expect, kept, recordsOf, test } from './stage';

test('a left rail’s repair becomes the shop’s pattern and is laid on its unequal right, judged there, and dropped with a reason', async ({
  page,
  untouched,
}, info) => {
  const { url, jobs } = untouched;
  const job = jobs['BM-2']!;
  // Somebody welded the right front hanger on 2 in farther back.
  const file = await recordsOf(url, job);
  const frame = {
    ...file.frame,
    fittings: file.frame.fittings.flatMap((fitting) =>
      fitting.id === 'mark-7'
        ? [
            { ...fitting, side: 'left' },
            { ...fitting, id: 'mark-7-r', side: 'right', stationMm: fitting.stationMm + 50.8 },
          ]
        : [fitting],
    ),
  };
  const moved = await page.request.post(`${url}/api${job}/frame`, {
    data: { basedOn: file.frameRevision, to: frame, by: 'TM', at: new Date().toISOString() },
  });
  expect(moved.ok()).toBe(true);

  await test.step('kept with a name of its own, or not at all', async () => {
    await page.goto(`${url}${job}/shape?member=rail-left`);
    const offered = page.getByRole('region', { name: 'The shop’s patterns' });
    await expect(offered).toContainText('made twice; 1 looked at since: 1 sound, 0 failed');
    await page.getByRole('button', { name: 'Keep this repair' }).click();
    await page.getByRole('button', { name: 'Keep it as a pattern' }).click();
    const form = page.getByRole('form', { name: 'Keep as a pattern' });
    const keep = form.getByRole('button', { name: 'Keep the pattern' });
    await keep.click();
    await expect(form.getByRole('alert')).toContainText('give it a name; nothing was kept');
    await form.getByLabel('name of it').fill('Cap under the rear springs');
    await keep.click();
    await expect(form.getByRole('alert')).toContainText('another pattern has this name');
    await form.getByLabel('name of it').fill('Long cap');
    await form.getByLabel('what the next one should know').fill('<b>wash it out first</b>');
    // No server: what was typed stays, and nothing is said to be kept.
    await page.route('**/api/patterns', (route) => route.abort());
    await keep.click();
    await expect(form.getByRole('alert')).toContainText('the server cannot be reached');
    await page.unroute('**/api/patterns');
    await keep.click();
    await expect(page.getByRole('status').filter({ hasText: 'Long cap is among' })).toBeVisible();
    await expect(offered).toContainText('<b>wash it out first</b>');
  });

  await test.step('laid on the right by its own hangers, told in what it differs, and judged there', async () => {
    await page.goto(`${url}${job}/shape?member=rail-right`);
    const row = page
      .getByRole('region', { name: 'The shop’s patterns' })
      .getByRole('listitem')
      .filter({ hasText: 'Long cap' });
    await expect(row).toContainText('the other side: its flats are cut as the other hand');
    await row.getByRole('button', { name: 'Lay it here' }).click();
    await expect(page.getByText(/rules broken: \d/).first()).toBeVisible({ timeout: 90_000 });
    await expect(page.getByRole('button', { name: 'Keep it as a pattern' })).toBeDisabled();
    await kept(page);
    const { repairs } = await recordsOf(url, job);
    const [left, right] = ['rail-left', 'rail-right'].map((id) =>
      repairs.find(({ memberId }) => memberId === id)!,
    );
    expect(right!.pattern?.name).toBe('Long cap');
    expect(right!.pieces).toHaveLength(left!.pieces.length);
    await page.reload();
    await expect(page.getByText(/rules broken: \d/).first()).toBeVisible({ timeout: 90_000 });
    // Laid once it is not laid over itself.
    await expect(row).toContainText('lies there already');
    await expect(row.getByRole('button', { name: 'Lay it here' })).toHaveCount(0);
  });

  await test.step('the page of patterns: where it was made, its flats, and dropped with a reason', async () => {
    await page.goto(`${url}/patterns`);
    const long = page.getByRole('article', { name: 'Long cap' });
    await expect(long.getByRole('list', { name: 'Where it was made' }).getByRole('listitem')).toHaveCount(2);
    await expect(long).toContainText('not made yet: its job is open');
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      long.getByRole('link', { name: 'DXF, other hand' }).first().click(),
    ]);
    const path = info.outputPath('pattern.dxf');
    await download.saveAs(path);
    expect(readFileSync(path, 'utf8')).toMatch(/CUT[\s\S]*EOF/);
    await page.screenshot({ path: info.outputPath('patterns.png') });
    await long.getByRole('button', { name: 'Drop it' }).click();
    const sheet = page.getByRole('dialog');
    await sheet.getByRole('button', { name: 'Drop the pattern' }).click();
    await expect(sheet.getByRole('alert')).toHaveText(['say why it is dropped', 'who: role or initials']);
    await sheet.getByLabel('Why').fill('the shorter one will do');
    await sheet.getByLabel('By (role or initials)').fill('RK');
    await sheet.getByRole('button', { name: 'Drop the pattern' }).click();
    await expect(long).toHaveCount(0);
  });
});

test('what the shop learned: where frames failed is said on the Round, a norm is taken by name, and a phone shows it all', async ({
  page,
  untouched,
}, info) => {
  const { url, jobs } = untouched;
  await page.goto(`${url}/patterns`);

  await test.step('where frames failed: on the page, and on the Round of the next one', async () => {
    const failed = page.getByRole('region', { name: 'Where frames failed' });
    await expect(failed).toContainText('bad on 2 of 2 looked at there, built 2009 to 2011');
    await page.goto(`${url}${jobs['BM-2']!}/walk`);
    const spot = page.getByRole('region', { name: 'This spot' });
    await expect(async () => {
      await page.keyboard.press('n');
      await expect(spot).toContainText('Look well: rail, at spring hanger', { timeout: 500 });
    }).toPass({ timeout: 90_000 });
    await expect(spot).toContainText('BM-1');
  });

  await test.step('a norm as closed jobs have it is taken by name, once', async () => {
    await page.goto(`${url}/patterns`);
    const plate = page.getByRole('article', { name: 'make and fit a plate' });
    await expect(plate).toContainText('from 1 job: the usual norm may be right as it is');
    await plate.getByRole('button', { name: 'Take it into' }).click();
    const sheet = page.getByRole('dialog');
    await sheet.getByRole('button', { name: 'Take it', exact: true }).click();
    await expect(sheet.getByRole('alert')).toHaveText('who: role or initials');
    await sheet.getByLabel('By (role or initials)').fill('RK');
    await sheet.getByRole('button', { name: 'Take it', exact: true }).click();
    await expect(plate).toContainText('as learned');
    await expect(plate.getByRole('button', { name: 'Take it into' })).toHaveCount(0);
    await page.goto(`${url}/shop`);
    await expect(page.getByText('Revisions so far: 1')).toBeVisible();
  });

  await test.step('on a phone nothing runs off the side', async () => {
    await page.setViewportSize({ width: 390, height: 844 });
    await page.goto(`${url}/patterns`);
    await expect(page.getByRole('heading', { name: 'Hours learned' })).toBeVisible();
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    await page.screenshot({ path: info.outputPath('patterns-phone.png'), fullPage: true });
  });
});

test('a photo of a place as it was built is shown on the Round of the next frame of its family, with what speaks against it', async ({
  page,
  untouched,
}) => {
  const { url, jobs } = untouched;
  await page.goto(`${url}${jobs['BM-2']!}/walk?part=photos&member=rail-left`);
  await choose(page.getByLabel('when'), 'as built');
  await expect(page.getByText('Only where the metal is still the maker’s')).toBeVisible();

  await page.goto(`${url}${jobs['BM-2']!}/walk`);
  const built = page.getByRole('region', { name: 'As it was built' });
  const next = page.getByRole('button', { name: 'The next spot' });
  await expect(next).toBeVisible();
  await expect(async () => {
    if ((await built.count()) === 0) await next.click();
    await expect(built).toContainText('Front hanger, left (simulated)', { timeout: 300 });
  }).toPass();
  await expect(built).toContainText(
    'Another unit 2 years apart: its maker may have built this one otherwise',
  );
  await expect(built).toContainText('bad metal was on record right there', { ignoreCase: true });
  await built.getByRole('button', { name: 'Open as built: Front hanger, left (simulated), BM-1' }).click();
  const sheet = page.getByRole('dialog');
  await expect(sheet.getByRole('img')).toBeVisible();
  await expect
    .poll(() => sheet.getByRole('img').evaluate((img) => (img as HTMLImageElement).naturalWidth))
    .toBe(960);
  await page.keyboard.press('Escape');

  await page.goto(`${url}/patterns`);
  const all = page.getByRole('region', { name: 'As they were built' });
  await expect(
    all.getByRole('listitem').filter({ hasText: 'Front spring hanger (simulated)' }),
  ).toContainText('spring hanger 1 of 4 from the front');
});
