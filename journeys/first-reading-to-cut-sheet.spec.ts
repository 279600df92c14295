import { copyFileSync, readFileSync, writeFileSync } from 'node:fs';
import { missingPrograms } from '../checks/outside/programs';
import { readDxf, readPdf } from '../checks/outside/validators';
import { choose } from './choose';
import { expect, kept, openJob, openJobByForm, strip, takeAway, test, typeColumn, worked } from './stage';

/** An 8 in rail whose bottom flange and lower web are thin between stations 96 and 120; sound metal all round. */
const SOUND = { '1': '1/4', '4': '0.249', '7': '0.251' };
const THIN = { '1': '0.09', '2': '0.11', '3': '0.24', '5': '0.249' };

test('a new job, from the first reading to a cut sheet and a work order', async ({ page }, info) => {
  await openJobByForm(page, `FT-${info.workerIndex}1`, { steel: 'hot-rolled-50' });

  await test.step('an empty job says what to do first', async () => {
    await expect(page.getByText('No readings on left rail yet')).toBeVisible();
    await expect(page.getByRole('link', { name: /Weigh/ })).toContainText('can’t say');
  });

  await test.step('readings by keyboard', async () => {
    for (const station of ['60', '72', '84', '132', '144', '156'])
      await typeColumn(page, station, 'web', SOUND);
    for (const station of ['96', '108', '120']) await typeColumn(page, station, 'web', THIN);
    for (const station of ['60', '72', '84', '132', '144', '156'])
      await typeColumn(page, station, 'bottom', { '1-1/2': '0.248' });
    for (const station of ['96', '108', '120']) await typeColumn(page, station, 'bottom', { '1-1/2': '0.1' });
    await expect(page.getByText('Readings on left rail: 39')).toBeVisible();
    await kept(page);
  });

  await test.step('the sound edge by bracketing, under each school', async () => {
    await worked(page);
    await page.getByText('Margin, station by station').click();
    await expect(page.getByRole('row', { name: /^108 web 2 and 3 5 between two readings/ })).toBeVisible();
    const wanted = page.getByRole('img', { name: /Sound metal below the top corner/ });
    await expect(wanted).toHaveAttribute('aria-label', /wants 1\/2 in/);
    await page.getByRole('radio', { name: '1 in left' }).click();
    await expect(wanted).toHaveAttribute('aria-label', /wants 1 in/);
    await page.getByRole('radio', { name: '1/2 in band' }).click();
    await expect(wanted).toHaveAttribute('aria-label', /wants 1\/2 in/);
  });

  await test.step('the slice names the worst station and what is kept there', async () => {
    const worst = page.getByRole('button', { name: /^Worst station/ });
    await worst.click();
    await expect(page.getByRole('heading', { name: /^Slice at 1[012]\d/ })).toBeVisible();
    const bottom = page.getByRole('row', { name: /^S bottom/ });
    await expect(bottom).toContainText(/[345]\d % ±\d/);
    await expect(page.getByRole('row', { name: /^J/ })).toContainText('open');
  });

  await test.step('the verdict opens to its reasons', async () => {
    await page.getByRole('link', { name: /^Weigh/ }).click();
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Mend');
    const reason = page
      .getByRole('region', { name: 'Reasons' })
      .getByRole('group')
      .filter({ hasText: 'Bending strength S kept' });
    await reason.locator('summary').click();
    for (const words of ['numbers', 'what changes this', 'source'])
      await expect(reason.getByText(words, { exact: true })).toBeVisible();
  });

  await test.step('units turn, the verdict does not', async () => {
    await page.getByRole('button', { name: /^Units:/ }).click();
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Mend');
    await expect(page.getByRole('heading', { name: /Slice at .* mm/ })).toBeVisible();
    await page.getByRole('button', { name: /^Units:/ }).click();
  });

  await test.step('the engine proposes, the technician changes, the rules answer', async () => {
    await page.getByRole('link', { name: /^Shape/ }).click();
    await expect(page.getByText('Proposed by the engine')).toBeVisible();
    const before = await page.getByLabel(/^to station/).inputValue();
    await choose(page.getByLabel('plate, from stock'), '3.175');
    await expect(page.getByText(/^Kept by TM/)).toBeVisible();
    await page.getByLabel(/^to station/).fill('112');
    await page.keyboard.press('Enter');
    await expect(page.getByText('broken').first()).toBeVisible();
    await page.getByLabel(/^to station/).fill('9999');
    await page.keyboard.press('Enter');
    await expect(page.getByText(/reaches off Left rail; left as it was/)).toBeVisible();
    await page.getByRole('button', { name: 'Back to the engine’s proposal' }).click();
    await expect(page.getByText('Proposed by the engine')).toBeVisible();
    await expect(page.getByLabel(/^to station/)).toHaveValue(before);
    await page.getByRole('button', { name: 'Keep this repair' }).click();
    await expect(page.getByText(/^Kept by TM/)).toBeVisible();
    await expect(page.getByRole('row', { name: /^S bottom/ })).toContainText(/1\d\d %/);
    await kept(page);
  });

  await test.step('every weld of it', async () => {
    await page.getByRole('link', { name: /^Join/ }).click();
    await expect(page.getByRole('heading', { name: /welds, .* of fillet/ })).toBeVisible();
    await expect(page.getByRole('row', { name: /A1 upper edge/ })).toContainText('kip/in');
    await expect(page.getByText('What the ends must take')).toBeVisible();
    await page.getByRole('button', { name: 'Plug welds' }).click();
    await expect(page.getByRole('row', { name: /filled flush/ }).first()).toBeVisible();
    await page.getByRole('button', { name: 'Plug welds' }).click();
    await expect(page.getByRole('row', { name: /filled flush/ })).toHaveCount(0);
    await kept(page);
  });

  const missing = missingPrograms('ezdxf', 'qpdf', 'poppler');
  if (missing && process.env.CI) throw new Error(missing);

  await test.step('the cut sheet, and its mirrored twin, are sound DXF', async () => {
    const sheet = await takeAway(page, /bottom L, left rail(?!.*twin)/);
    const twin = await takeAway(page, /bottom L, left rail.*twin/);
    expect(sheet.name).toMatch(/\.dxf$/);
    if (missing) return test.info().annotations.push({ type: 'skipped', description: missing });
    const [one, other] = [readDxf(sheet.path, sheet.text()), readDxf(twin.path, twin.text())];
    expect(one.units).toBe(1);
    expect(one.counts['CUT LWPOLYLINE']).toBe(1);
    expect(one.counts['BEND LWPOLYLINE']).toBe(3);
    const size = (contents: typeof one) => [
      contents.max[0] - contents.min[0],
      contents.max[1] - contents.min[1],
    ];
    size(one).forEach((each, k) => expect(size(other)[k]).toBeCloseTo(each, 3));
    expect(size(one)[0]).toBeGreaterThan(24);
    expect(twin.text()).toContain('MIRRORED TWIN');
  });

  await test.step('the work order is one sound page with its cautions', async () => {
    const order = await takeAway(page, /^Work order/);
    expect(readFileSync(order.path).subarray(0, 5).toString()).toBe('%PDF-');
    if (missing) return;
    const pdf = readPdf(order.path);
    expect(pdf.pages).toBe(1);
    for (const words of [
      `FT-${info.workerIndex}1`,
      'left rail',
      'Mend',
      'bottom L',
      'licensed practice',
      'local code',
    ])
      expect(pdf.words).toContain(words);
    const broken = info.outputPath('broken.pdf');
    copyFileSync(order.path, broken);
    writeFileSync(broken, readFileSync(order.path).subarray(0, 3000));
    expect(() => readPdf(broken)).toThrow(/qpdf/);
  });
});

test('readings typed on the Strip: digits start, Enter keeps and steps on, keys move', async ({
  page,
}, info) => {
  await openJob(page, `FT-${info.workerIndex}2`);
  await strip(page).focus();
  await page.keyboard.press('Home');
  await page.keyboard.press(']');
  await page.keyboard.press('[');
  await page.keyboard.type('.248');
  await page.keyboard.press('Enter');
  await page.keyboard.type('10ga');
  await page.keyboard.press('Enter');
  await page.keyboard.type('0');
  await page.keyboard.press('Enter');
  const rows = page.getByRole('region', { name: 'Readings' }).getByRole('row');
  await expect(rows).toHaveCount(4);
  await expect(rows.nth(1)).toContainText('0.000');
  await expect(rows.nth(2)).toContainText('0.135');
  await expect(rows.nth(3)).toContainText('0.248');
  await expect(rows.nth(1).getByRole('cell').first()).toHaveText('12');
  await page.getByRole('application').focus();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
});

test('what cannot be a reading is refused in words; what is unlikely is kept with a warning', async ({
  page,
}, info) => {
  await openJob(page, `FT-${info.workerIndex}3`);
  const form = page.getByRole('form', { name: 'New reading' });
  const refuse = async (station: string, height: string, thickness: string, words: RegExp) => {
    await form.getByLabel(/^station/).fill(station);
    await form.getByLabel(/from corner/).fill(height);
    await form.getByLabel(/^thickness/).fill(thickness);
    await page.keyboard.press('Enter');
    await expect(form.getByRole('alert').first()).toHaveText(words);
  };
  await refuse('24', '2', '-0.1', /./);
  await refuse('24', '2', 'thick', /./);
  await refuse('24', '2', '', /./);
  await refuse('9999', '2', '0.2', /off/);
  await refuse('24', '99', '0.2', /./);
  await expect(page.getByText('No readings on left rail yet')).toBeVisible();
  await form.getByLabel(/^station/).fill('24');
  await form.getByLabel(/from corner/).fill('2');
  await form.getByLabel(/^thickness/).fill('0.5');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Look at that again')).toBeVisible();
  await expect(page.getByText('Readings on left rail: 1')).toBeVisible();
});
