import { writeFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { readPdf } from '../checks/outside/validators';
import { choose } from './choose';
import { expect, kept, paperOf, PIXEL, recordsOf, strip, test, worked } from './stage';

/** A proposal of the gritting truck's right rail taken over, with its order of runs kept. */
async function ordered(page: Page, home: string, job: string): Promise<string> {
  await page.goto(`${home}${job}/join?member=rail-right&part=order`);
  await worked(page);
  await page.getByRole('button', { name: 'Take this repair over' }).click();
  await expect(page.getByRole('button', { name: 'Find an order' })).toBeEnabled();
  await worked(page);
  await page.getByRole('button', { name: 'Find an order' }).click();
  await page.getByRole('button', { name: 'Keep this order' }).click({ timeout: 60_000 });
  await kept(page);
  return (await page.getByRole('link', { name: 'At the rail' }).getAttribute('href'))!;
}

async function ready(page: Page): Promise<void> {
  const form = page.getByRole('form', { name: 'Ready to weld' });
  await expect(form.getByRole('button', { name: /^Ready: / })).toBeDisabled();
  for (const check of await form.getByRole('listitem').getByRole('button').all()) await check.click();
  await form.getByLabel('who welds it').fill('TM');
  await expect(form.getByRole('list', { name: 'What stands against it' })).toContainText(
    'as the maker allows',
  );
  await expect(form.getByRole('button', { name: /^Ready: / })).toBeDisabled();
  await form.getByLabel(/the maker’s leave/).fill('bulletin 12, 2026-11-02');
  await form.getByRole('button', { name: /^Ready: / }).click();
}

test('a seam is chosen on the table or the Strip; its gap, access and what stays open are heard', async ({
  page,
  untouched,
}) => {
  await page.goto(`${untouched.url}${untouched.jobs['GR-7']}/join?member=rail-right`);
  await worked(page);
  const welds = page.getByRole('table', { name: 'Welds' });
  await expect(page.getByRole('region', { name: 'Ends' })).toContainText('enough');
  await expect(page.getByText(/Welded as it lies: .* on the bench/)).toBeVisible();
  await welds.getByRole('button', { name: 'A1', exact: true }).click();
  await page.getByRole('button', { name: 'Take this repair over' }).click();
  await worked(page);
  const seam = page.getByRole('region', { name: 'Seam A1' });
  const gap = seam.getByLabel(/^gap when tacked/);
  for (const [typed, says] of [
    ['wide', /could not be read|not a length|read/i],
    ['2', 'is no joint'],
  ] as const) {
    await gap.fill(typed);
    await gap.press('Enter');
    await expect(seam.getByRole('alert')).toContainText(says);
  }
  await gap.fill('3/32');
  await gap.press('Enter');
  const remarks = page.getByRole('region', { name: 'Remarks' });
  await expect(remarks).toContainText('Gap up to 0.094 in: leg grown by it at A1');
  await expect(welds.getByRole('row', { name: /^A1/ })).toContainText('5/16 in');
  // Kept by Enter, and left before it is worked out: noted once.
  await gap.fill('1/4');
  await gap.press('Enter');
  await gap.press('Tab');
  await expect(remarks).toContainText('not to be welded over, A1');
  await kept(page);
  const { evidence } = await recordsOf(untouched.url, untouched.jobs['GR-7']!);
  expect(evidence.filter(({ kind }) => kind === 'seam')).toHaveLength(2);
  await page.reload();
  await worked(page);
  await expect(remarks).toContainText('not to be welded over, A1');

  // A touch on the Strip chooses what lies under it.
  const box = (await strip(page).boundingBox())!;
  const label = strip(page).getByText('A4', { exact: true });
  const at = (await label.boundingBox())!;
  await strip(page).click({ position: { x: at.x + at.width / 2 - box.x, y: at.y + at.height / 2 - box.y } });
  const end = page.getByRole('region', { name: 'Seam A4' });
  await expect(end).toBeVisible();
  await end.getByRole('radio', { name: 'poor' }).click();
  await expect(remarks).toContainText('Poor access at A4');
  await end.getByLabel('stays open, because').fill('water gets out there');
  await end.getByRole('button', { name: 'Leave it open' }).click();
  await expect(remarks).toContainText('Left open on purpose: A4');
  await end.getByRole('button', { name: 'Weld it after all' }).click();
  await expect(remarks).not.toContainText('Left open');
});

test('an order of runs is found, kept, and followed at the rail on a phone, over a reload and without the server', async ({
  page,
  untouched,
}) => {
  const job = untouched.jobs['GR-7']!;
  const rail = await ordered(page, untouched.url, job);
  await expect(page.getByRole('region', { name: 'The order kept' })).toContainText('0 of');
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${untouched.url}${rail}`);
  await ready(page);
  // A glove that touches twice says it once: nothing is laid that nobody has seen on the screen.
  await page.getByRole('button', { name: 'Tacked, and measured' }).dblclick();
  const next = page.getByRole('region', { name: 'Next run' });
  await expect(next.getByRole('heading')).toHaveText(/^1\. /);
  await expect(next).toContainText(/Start at .*; .* (rearward|forward|upward|downward|outward|inward)/);
  await expect(next.getByRole('timer')).toContainText('Cool there');
  await next.getByRole('button', { name: 'Laid: next' }).dblclick();
  await expect(next.getByRole('heading')).toHaveText(/^2\. /);
  await kept(page);
  await page.reload();
  await expect(next.getByRole('heading')).toHaveText(/^2\. /);
  // Drawn as wide as the phone is once that is measured.
  await expect.poll(() => page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(391);
  // What stands on the unit is read to its end.
  const notices = page.getByRole('list', { name: 'Standing notices' });
  await expect(notices).toContainText('Do not lift on the right rail behind the cab');
  expect(await notices.evaluate((list) => list.scrollWidth - list.clientWidth)).toBe(0);

  // The server goes quiet under the truck: what is ticked is held here.
  await page.route('**/api/**', (route) => route.abort());
  await next.getByRole('button', { name: 'Laid: next' }).click();
  await expect(next.getByRole('heading')).toHaveText(/^3\. /);
  await expect(page.getByRole('status').filter({ hasText: 'held here' })).toBeVisible();
  await page.unroute('**/api/**');
  await expect(page.getByRole('status').filter({ hasText: /^kept$/ })).toBeVisible({ timeout: 60_000 });

  // Somebody laid another one: it is ticked, said, and one ticked by mistake is taken back.
  await page.getByRole('button', { name: 'All runs: another was laid' }).click();
  const all = page.getByRole('list', { name: 'All runs' });
  await all.getByRole('listitem').nth(9).getByRole('button', { name: 'this one is laid' }).click();
  await next.getByRole('button', { name: 'Laid: next' }).click();
  await expect(page.getByText(/1 laid out of turn/)).toBeVisible();
  await page.getByRole('button', { name: /was not laid$/ }).dblclick();
  await expect(next.getByRole('heading')).toHaveText(/^3\. /);
  await kept(page);
  const file = await recordsOf(untouched.url, job);
  expect(file.evidence.filter((each) => each.kind === 'run')).toHaveLength(5);

  // The log hears of it, and the rail of the log.
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto(`${untouched.url}${job}/join?member=rail-right&part=log`);
  await worked(page);
  const log = page.getByRole('region', { name: 'Log of seams' });
  await expect(log).toContainText(/\d of \d+ runs laid/);
  await expect(log).toContainText('some of its runs are laid');
  await log.getByRole('button', { name: 'A1', exact: true }).click();
  await log.getByRole('group', { name: 'Weld of A1' }).getByRole('button', { name: 'Welded' }).click();
  await expect(log).toContainText('welded, not looked at');
  await page.getByRole('button', { name: 'Order of runs' }).click();
  await expect(page.getByRole('region', { name: 'The order kept' })).toContainText(/[4-9]\d of \d+ laid/);

  // Other plates, and the numbers no longer mean them.
  await page.goto(`${untouched.url}${job}/join?member=rail-right`);
  await worked(page);
  await page.getByRole('radio', { name: 'continuous', exact: true }).click();
  await kept(page);
  await page.goto(`${untouched.url}${rail}`);
  await expect(page.getByText(/were changed since this order was kept/)).toBeVisible({ timeout: 60_000 });
});

test('a seam’s log, its hold, and the sheet that goes to the truck', async ({ page, untouched }, info) => {
  const job = untouched.jobs['GR-7']!;
  const rail = await ordered(page, untouched.url, job);
  const repairId = new URL(rail, untouched.url).searchParams.get('repair')!;
  await page.getByRole('button', { name: /^Log/ }).click();
  const log = page.getByRole('region', { name: 'Log of seams' });
  await expect(log).toContainText('No coat, no plate, no skin');
  await log.getByRole('button', { name: 'A1', exact: true }).click();
  const weld = log.getByRole('group', { name: 'Weld of A1' });
  await weld.getByLabel('amps').fill('many');
  await weld.getByRole('button', { name: 'Welded' }).click();
  await expect(weld.getByRole('alert')).toContainText('nothing was kept');
  await weld.getByLabel('amps').fill('140');
  await weld.getByLabel('machine').fill('the red one');
  await weld.getByRole('button', { name: 'Welded' }).click();
  await expect(log).toContainText('welded, not looked at');
  const look = log.getByRole('group', { name: 'Look at A1' });
  await look.getByRole('button', { name: 'crack', exact: true }).click();
  await look.getByRole('button', { name: 'Keep what was seen' }).click();
  await expect(log).toContainText('a defect: grind out, redo, look again');
  await kept(page);

  // It is heard where the rail is judged, and where somebody asks whether it may be driven.
  const cracked = 'Weld A1 of the repair cracked';
  await page.goto(`${untouched.url}${job}/weigh?member=rail-right`);
  await worked(page);
  await expect(page.getByRole('region', { name: 'Reasons' })).toContainText(cracked);
  await page.goto(`${untouched.url}${job}/trace?member=rail-right`);
  await worked(page);
  await expect(page.getByText(cracked).first()).toBeAttached();

  // What hides it is not put right yet.
  await page.goto(`${untouched.url}${job}/walk?member=rail-right&part=signs&station=110`);
  const sign = page.getByRole('form', { name: 'New sign' });
  await choose(sign.getByLabel('sign', { exact: true }), 'put right');
  await worked(page);
  await sign.getByRole('button', { name: /^Keep/ }).click();
  await expect(sign.getByRole('alert')).toContainText('hold: A1 a defect');

  await page.goto(`${untouched.url}${job}/join?member=rail-right&part=log`);
  await worked(page);
  await log.getByRole('button', { name: 'A1', exact: true }).click();
  await weld.getByRole('button', { name: 'Ground out and redone' }).click();
  await look.getByRole('button', { name: 'Looked at: nothing found' }).click();
  await expect(log).toContainText('looked at; no photo yet');
  await log
    .locator('input[type=file]')
    .first()
    .setInputFiles({ name: 'a1.png', mimeType: 'image/png', buffer: PIXEL });
  await expect(log.getByRole('listitem').filter({ hasText: 'upper edge' }).first()).toContainText('good');
  await kept(page);

  const path = info.outputPath('weld.pdf');
  writeFileSync(
    path,
    await paperOf(page.request, `${untouched.url}/api${job}/weld-sheets/${repairId}?unit=in`),
  );
  const { words, pages } = readPdf(path);
  expect(pages).toBe(1);
  expect(words).toContain('Weld sheet');
  expect(words).toContain('upper edge, web');
  expect(words).toMatch(/1: A\d\.\d+/);
  expect(words).toContain('Tacks first');
  expect(words).toContain('may be covered');
  const none = await page.request.get(`${untouched.url}/api${job}/weld-sheets/nobody`);
  expect(none.status()).toBe(404);
});

test('settings begin where scrap held; cracks and rivets have their cards', async ({ page, untouched }) => {
  const job = untouched.jobs['GR-7']!;
  await page.goto(`${untouched.url}${job}/join?member=rail-right&part=settings`);
  const start = page.getByRole('region', { name: 'Settings to start from' });
  await expect(start).toContainText('A common start');
  const scrap = start.getByRole('group', { name: 'A scrap test' });
  await scrap.getByLabel('tried at').fill('0');
  await scrap.getByRole('button', { name: 'Broken open: it held' }).click();
  await expect(scrap.getByRole('alert')).toContainText('nothing was kept');
  await scrap.getByLabel('tried at').fill('151');
  await scrap.getByLabel('and').fill('21.5');
  await scrap.getByRole('button', { name: 'Broken open: it held' }).click();
  await expect(start).toContainText('151 A, 21.5 V');
  await expect(start).toContainText('This shop’s own');
  await kept(page);
  // Another job of the shop begins there too.
  await page.goto(`${untouched.url}${untouched.jobs['DV-3']}/join?part=settings`);
  await page.getByLabel('thinner part').fill('1/4');
  await expect(start).toContainText('151 A, 21.5 V');
  await page.getByLabel('thinner part').fill('thin');
  await expect(start).toHaveCount(0);

  await page.goto(`${untouched.url}${job}/join?member=rail-right&part=cracks`);
  await worked(page);
  const crack = page.getByRole('article', { name: 'Crack C1' });
  await expect(crack).toContainText('Holes at its ends');
  const steps = crack.getByRole('list', { name: 'Steps' }).getByRole('listitem');
  await expect(steps.nth(1).getByRole('button', { name: 'done' })).toBeDisabled();
  await steps.nth(0).getByRole('button', { name: 'done' }).click();
  await expect(steps.nth(0)).toContainText('done: RK');
  await page.getByRole('button', { name: /^Bolts and rivets/ }).click();
  const rivets = page.getByRole('region', { name: 'Rivets out' });
  await rivets.getByText('Front spring, front hanger, right').click();
  await rivets.getByRole('button', { name: 'done' }).first().click();
  await expect(rivets).toContainText('done: RK');
  await kept(page);
});
