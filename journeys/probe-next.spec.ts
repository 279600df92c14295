import { expectChosen } from './choose';
import { expect, kept, openJob, strip, test, worked } from './stage';

test('n goes where the next reading tells most: the plan first, the count of places left goes down, the same by touch', async ({
  page,
}) => {
  await openJob(page, 'NX-1');
  const panel = page.getByRole('region', { name: 'Next reading' });
  const left = async () =>
    Number((await panel.getByText(/places of the coarse plan/).textContent())!.split(' ')[0]);
  const before = await left();
  await strip(page).focus();
  await page.keyboard.press('n');
  const form = page.getByRole('form', { name: 'New reading' });
  await expectChosen(form.getByLabel(/^face$/), 'bottom');
  await page.keyboard.type('.25');
  await page.keyboard.press('Enter');
  await expect.poll(left).toBe(before - 1);
  await panel.getByRole('button').first().click();
  await expect(form.getByLabel(/^station/)).not.toHaveValue('120');
  await kept(page);
});

test('an edge felt by hand is pinned, moves the margin, refuses nonsense, is struck; in millimetres', async ({
  page,
  jobs,
  context,
  baseURL,
}) => {
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

test('sixty readings by keyboard alone: three hundred strokes and a few, all kept', async ({ page }) => {
  await openJob(page, 'FAST-1');
  await strip(page).focus();
  await page.keyboard.press('Home');
  let strokes = 1;
  const type = async (text: string) => {
    await page.keyboard.type(text);
    strokes += text.length;
  };
  for (let k = 0; k < 60; k++) {
    await type(k % 7 === 0 ? '.19' : '.245');
    await page.keyboard.press('Enter');
    strokes++;
  }
  await expect(page.getByText('Readings on left rail: 60')).toBeVisible();
  await kept(page);
  // The last one taken back: struck, on record, and the cursor back at its place.
  await strip(page).focus();
  await page.keyboard.press('u');
  await expect(page.getByRole('row').filter({ hasText: 'undone at once' })).toHaveCount(1);
  await kept(page);
  // Three strokes a second, as somebody types who reads off a gauge: well under two minutes.
  expect(strokes).toBeLessThanOrEqual(310);
  expect(strokes / 3).toBeLessThan(120);
  await page.reload();
  await expect(page.getByText('Readings on left rail: 60')).toBeVisible();
});

test('compared: the twin on the same ruler, the last survey of the same unit, how long it lasts, what it was made of', async ({
  page,
  jobs,
}) => {
  await page.goto(`${jobs['SV-9']}/probe?member=sill-right`);
  await worked(page);
  await page.getByText(/^Compare: its twin/).click();
  await expect(page.getByRole('application', { name: /^Strip of Left sill, to compare/ })).toBeVisible();
  const rates = page.getByRole('region', { name: 'How fast it goes' });
  await expect(rates.getByRole('table')).toContainText('places read twice');
  await expect(rates).toContainText('by two surveys');
  await rates.getByLabel(/^age/).fill('9');
  await expect(rates).toContainText('by nominal and age');
  await expect(rates).toContainText('common practice, no source');
  await expect(page.getByRole('region', { name: 'What it was made of' })).toContainText(
    'thickest credible readings',
  );
});

test('a closed job is said to be closed, and open again', async ({ page, untouched }) => {
  const { url } = untouched;
  await page.goto(`${url}/?search=BM-1&closed=1`);
  const looked = 'Caps looked at after a year';
  const sister = page.getByRole('region', { name: 'BM-1' });
  await sister.getByRole('button', { name: `Open again: ${looked}` }).click();
  // Touched twice it is closed once, and not opened again.
  const closings: string[] = [];
  page.on('request', (request) => request.url().endsWith('/closing') && closings.push(request.method()));
  await sister.getByRole('button', { name: `Close: ${looked}` }).dblclick();
  await expect(sister.getByRole('button', { name: `Open again: ${looked}` })).toBeVisible();
  expect(closings).toHaveLength(1);

  // Signed off as it stood then; opened again, it hears what was measured of the unit since, and is not closed on the old word.
  await page.goto(`${url}/?search=SV-9&closed=1`);
  const van = page.getByRole('region', { name: 'SV-9' });
  const patched = await van.getByRole('link', { name: /Left sill patched/ }).getAttribute('href');
  const proved = `${url}${patched!.match(/\/jobs\/[^/?]+/)![0]}/prove?part=sign`;
  const signed = page.getByRole('region', { name: 'Sign off' }).getByRole('heading', { level: 2 });
  await page.goto(proved);
  await expect(signed).toHaveText('Signed off', { timeout: 60_000 });
  await page.goto(`${url}/?search=SV-9&closed=1`);
  await van.getByRole('button', { name: 'Open again: Left sill patched' }).click();
  await van.getByRole('button', { name: 'Close: Left sill patched' }).click();
  await expect(page.getByText(/open that the sign-off does not name/)).toBeVisible();
  await page.goto(proved);
  await expect(signed).toHaveText('Signed off before what is open now', { timeout: 60_000 });
});

test('every reading of a rail is in its table: those in sight are drawn, the oldest stands at the end', async ({
  page,
  jobs,
}) => {
  await page.goto(`${jobs['GR-7']}/probe`);
  const table = page.getByRole('region', { name: 'Readings', exact: true });
  const rows = table.locator('tbody tr:not([aria-hidden])');
  await expect(rows).toHaveCount(12);
  await table.getByRole('button', { name: /^Show all \d+/ }).click();
  const count = Number(await table.getByRole('table').getAttribute('aria-rowcount')) - 1;
  expect(count).toBeGreaterThan(200);
  expect(await rows.count()).toBeLessThan(60);
  await table
    .locator('div')
    .first()
    .evaluate((box) => box.scrollTo(0, box.scrollHeight));
  await expect(rows.last()).toHaveAttribute('aria-rowindex', String(count + 1));
  await rows.last().getByRole('button', { name: 'show' }).click();
  await expect(page.getByRole('form', { name: 'New reading' }).getByLabel(/^station/)).not.toHaveValue('120');
});

test('readings stand as their headings sort them: thinnest first at a press, thickest at the next, newest at a third', async ({
  page,
  jobs,
}) => {
  await page.goto(`${jobs['GR-7']}/probe?member=rail-right`);
  const table = page.getByRole('region', { name: 'Readings', exact: true });
  const column = (k: number) => table.locator(`tbody tr td:nth-child(${k})`).allInnerTexts();
  await table.getByRole('table').waitFor();
  const newest = await column(7);
  const heading = table.getByRole('columnheader', { name: /^thickness/ });
  await heading.getByRole('button').focus();
  await page.keyboard.press('Enter');
  await expect(heading).toHaveAttribute('aria-sort', 'ascending');
  const rising = (await column(4)).map(Number);
  expect(rising).toHaveLength(12);
  expect(rising).toEqual([...rising].sort((a, b) => a - b));
  // A struck one stands among them, struck.
  await expect(table.getByRole('row', { name: /0\.061/ })).toContainText('struck by TM');
  await heading.getByRole('button').click();
  await expect(heading).toHaveAttribute('aria-sort', 'descending');
  const falling = (await column(4)).map(Number);
  expect(falling[0]!).toBeGreaterThan(rising.at(-1)!);
  await heading.getByRole('button').click();
  await expect(heading).not.toHaveAttribute('aria-sort', /./);
  expect(await column(7)).toEqual(newest);
  // Sorted, all of them: the box scrolls to the far end of the order.
  await table
    .getByRole('columnheader', { name: /^station/ })
    .getByRole('button')
    .click();
  await table.getByRole('button', { name: /^Show all \d+/ }).click();
  await table
    .locator('div')
    .first()
    .evaluate((box) => box.scrollTo(0, box.scrollHeight));
  const last = table.locator('tbody tr:not([aria-hidden])').last();
  await expect(last).toHaveAttribute('aria-rowindex', '292');
  expect(Number((await last.getByRole('cell').first().innerText()).split(' ')[0])).toBeGreaterThan(180);
});
