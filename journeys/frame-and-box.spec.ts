import { choose, offered } from './choose';
import { expect, kept, openJob, openJobByForm, strip, takeAway, test, typeColumn, worked } from './stage';

test('the frame is edited: members, mounts, judgements; what is impossible is refused and the frame stays', async ({
  page,
}, info) => {
  await openJob(page, `FR-${info.workerIndex}1`);
  await typeColumn(page, '200', 'web', { '2': '0.24' });
  await kept(page);
  await page.getByRole('link', { name: /^Frame/ }).click();
  await page.waitForURL(/frame/);
  const keep = page.getByRole('button', { name: 'Keep the frame' });
  await expect(keep).toBeDisabled();

  await page.getByRole('button', { name: 'Add a member' }).click();
  const station = page.getByLabel('Crossmember 7 station');
  await station.fill('72');
  await station.press('Enter');
  await page.getByRole('button', { name: 'Add a fitting' }).click();
  await choose(page.getByLabel('Left rail steel'), 'hot-rolled-50');
  await keep.click();
  await expect(page.getByText('Frame kept').first()).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('Crossmember 7 station')).toHaveValue('72');
  // Touched twice, one fitting goes: the next one, come up under the finger, stays.
  const removals = page.getByRole('region', { name: 'Fittings' }).getByRole('button', { name: /^Remove/ });
  const before = await removals.count();
  await removals.first().dblclick();
  await expect(removals).toHaveCount(before - 1);
  await page.getByRole('button', { name: 'Put back' }).click();
  await expect(removals).toHaveCount(before);
  await expect(page.getByRole('button', { name: /^Crossmember 7/ })).toBeVisible();

  const depth = page.getByLabel('Left rail depth');
  await depth.fill('tall');
  await depth.press('Enter');
  await expect(page.getByRole('alert').first()).toBeVisible();
  await page.reload();

  const wall = page.getByLabel('Left rail wall');
  await wall.fill('1');
  await wall.press('Enter');
  await keep.click();
  await expect(page.getByRole('alert').filter({ hasText: 'a third of a side' })).toBeVisible();
  await page.getByRole('button', { name: 'Put back' }).click();
  await expect(keep).toBeDisabled();

  const narrow = page.getByLabel('Left rail depth');
  await narrow.fill('1');
  await narrow.press('Enter');
  await keep.click();
  await expect(page.getByRole('alert').first()).toContainText('lose its place');
  // What was typed outlives the reload; putting it back shows the frame that stands.
  await page.reload();
  await expect(page.getByLabel('Left rail depth')).toHaveValue('1');
  await page.getByRole('button', { name: 'Put back' }).click();
  await expect(page.getByLabel('Left rail depth')).toHaveValue('8');
});

test('a boxed rail in millimetres: four faces, a cap with drains, its own brake', async ({
  page,
  baseURL,
}, info) => {
  await page.context().addCookies([{ name: 'ossatura-unit', value: 'mm', url: baseURL! }]);
  await openJobByForm(page, `FR-${info.workerIndex}2`, {
    family: 'boxed ladder',
    fields: {
      'Rail depth, mm': '150',
      'Rail width, mm': '75',
      'Wall, mm': '5',
      'Rail length, mm': '4000',
      'Wheelbase, mm': '2400',
      'Front axle at, mm': '640',
    },
    steel: 'hot-rolled-50',
  });
  const form = page.getByRole('form', { name: 'New reading' });
  await expect
    .poll(() => offered(form.getByLabel(/^face$/)))
    .toEqual(['top', 'outer side', 'bottom', 'inner side']);
  for (const station of ['1000', '1300', '1600', '1900', '2200', '2500', '2800']) {
    const isRusty = ['1600', '1900', '2200'].includes(station);
    for (const face of ['outer', 'inner'])
      await typeColumn(page, station, face, { '20': isRusty ? '1.6' : '4.9', '70': '4.9', '125': '5' });
    await typeColumn(page, station, 'bottom', { '37': isRusty ? '1.4' : '4.9' });
  }
  await kept(page);
  await worked(page);
  await page.getByRole('button', { name: /^Worst station/ }).click();
  await expect(page.getByRole('row', { name: /^J/ })).toContainText('%');
  await page.getByRole('link', { name: /^Shape/ }).click();
  await expect(page.getByRole('heading', { name: /bottom U, bad metal cut out/ })).toBeVisible();
  await expect(page.getByText('drain').first()).toBeVisible();
  for (const state of ['found', 'cut open', 'tacked', 'repaired']) {
    await page.getByRole('radio', { name: state }).click();
    await expect(page.getByRole('img', { name: /^Cross-section/ })).toHaveAttribute(
      'aria-label',
      new RegExp(state),
    );
  }

  await page.getByRole('button', { name: 'Correct it with a coupon' }).click();
  const coupon = page.getByRole('dialog', { name: 'Brake coupon' });
  const figures: [RegExp, string][] = [
    [/^flat length/, '100'],
    [/^first leg/, '52.7'],
    [/^second leg/, '52.7'],
    [/^inside radius/, '5'],
    [/^thickness/, '3'],
  ];
  for (const [label, value] of figures) await coupon.getByLabel(label).fill(value);
  await coupon.getByRole('button', { name: 'Use this K' }).click();
  await expect(page.getByText(/^Brake: K 0\.\d+/).first()).not.toContainText('0.410');

  const sheet = await takeAway(page, /bottom U, left rail(?!.*twin)/);
  expect(sheet.text()).toMatch(/\$INSUNITS\s+70\s+4\s/);
  const away = await takeAway(page, /^Readings/);
  expect(away.text()).toContain(',mm,ultrasonic,');
});

test('by keyboard alone: from the Yard to a kept reading and to its verdict', async ({ page }, info) => {
  await openJob(page, `KB-${info.workerIndex}`);
  const own = new URL(page.url()).pathname.split('/')[2]!;
  await page.goto('/');
  const tabTo = async (name: RegExp) => {
    for (let presses = 0; presses < 250; presses++) {
      await page.keyboard.press('Tab');
      const words = await page.evaluate(() =>
        (document.activeElement?.getAttribute('href')?.startsWith('/jobs/') && location.pathname === '/'
          ? document.activeElement.getAttribute('href')!
          : (document.activeElement?.getAttribute('aria-label') ?? document.activeElement?.textContent ?? '')
        ).trim(),
      );
      if (name.test(words)) return;
    }
    throw new Error(`Tab never came to ${name}`);
  };
  await tabTo(new RegExp(own));
  await page.keyboard.press('Enter');
  await page.waitForURL(/answers/);
  await worked(page);
  await tabTo(/^Probe/);
  await page.keyboard.press('Enter');
  await page.waitForURL(/probe/);
  await worked(page);
  await tabTo(/^Strip of/);
  await expect(strip(page)).toBeFocused();
  await page.keyboard.press('Home');
  for (let k = 0; k < 6; k++) await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.type('3/16');
  await page.keyboard.press('Enter');
  await kept(page);
  await expect(page.getByRole('region', { name: 'Readings' }).getByRole('row').nth(1)).toContainText('0.187');
  await tabTo(/^Weigh/).catch(async () => {
    await page.keyboard.press('Control+Home');
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await tabTo(/^Weigh/);
  });
  await page.keyboard.press('Enter');
  await page.waitForURL(/weigh/);
  await expect(page.getByRole('heading', { level: 1 })).not.toHaveText('…');
});
