import { writeFileSync } from 'node:fs';
import { missingPrograms } from '../checks/outside/programs';
import { readPdf } from '../checks/outside/validators';
import { choose } from './choose';
import { ofKind } from '../core/frame';
import { expect, kept, openJob, paperOf, recordsOf, strip, test, worked } from './stage';

const jobOf = (url: string) => new URL(url).pathname.split('/').slice(0, 3).join('/');

test('a pickup by hammer and thumb on a phone: five holes in under fifteen taps, a verdict, no lift, and the work order says what was found', async ({
  page,
  request,
}, info) => {
  await openJob(page, `BH-${info.workerIndex}1`, { family: 'boxed ladder' });
  const job = jobOf(page.url());
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${job}/walk?member=rail-left`);
  await worked(page);
  let taps = 0;
  const tap = async (name: string | RegExp, within = page.getByRole('region', { name: 'At the spot' })) => {
    taps++;
    await within.getByRole('button', { name }).first().click();
  };
  await tap(/^bottom/);
  for (let hole = 0; hole < 5; hole++) {
    await tap('Hammer went in');
    if (hole < 4) await tap('+6 in');
  }
  expect(taps).toBeLessThan(15);
  await kept(page);
  const { evidence } = await recordsOf(new URL(page.url()).origin, job);
  const signs = evidence.filter(({ kind }) => kind === 'sign');
  expect(signs).toHaveLength(5);
  expect(new Set(signs.map((sign) => Math.round((sign as { stationMm: number }).stationMm))).size).toBe(5);

  // Nothing of it is typed again: Weigh has it, the lift gate has it, the paper has it.
  await page.goto(`${job}/weigh?member=rail-left`);
  await worked(page);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Mend');
  await expect(page.getByRole('region', { name: 'Reasons' })).toContainText('Failed where it was tried');
  await expect(page.getByRole('region', { name: 'The unit' })).toContainText('Left rail');
  await page.goto(`${job}/walk?member=rail-left&part=lift`);
  await worked(page);
  await page.getByRole('button', { name: 'Ask', exact: true }).click();
  const answer = page.getByRole('region', { name: 'Answer' });
  await expect(answer).toContainText(/Not known|Not here|Not at all yet/);
  await expect(answer).not.toContainText('Lift here');

  const missing = missingPrograms('qpdf', 'poppler');
  test.skip(Boolean(missing) && !process.env.CI, missing);
  const path = info.outputPath('order.pdf');
  writeFileSync(path, await paperOf(request, `/api${job}/work-order`));
  const { words, pages } = readPdf(path);
  expect(pages).toBe(1);
  expect(words).toContain('Found, and how it is known');
  expect(words).toContain('hammer went in (struck)');
  expect(words).not.toContain('nothing on record asks for one');
});

test('a skin over rust: ringing on it opens nothing; taken off, what is beneath counts', async ({
  page,
}, info) => {
  await openJob(page, `BH-${info.workerIndex}2`);
  const job = jobOf(page.url());
  const signs = async () => {
    await page.goto(`${job}/walk?member=rail-left&part=signs`);
    await worked(page);
  };
  const reasons = async () => {
    await page.goto(`${job}/weigh?member=rail-left`);
    await worked(page);
    return page.getByRole('region', { name: 'Reasons' });
  };
  await signs();
  const spot = page.getByRole('region', { name: 'At the spot' });
  await spot.getByRole('button', { name: /^bottom/ }).click();
  await spot.getByRole('button', { name: 'Skin over rust' }).click();
  await spot.getByRole('button', { name: 'Rings evenly' }).click();
  await kept(page);
  await expect(await reasons()).toContainText('An old repair hides metal');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Can’t say');

  await signs();
  const form = page.getByRole('form', { name: 'New sign' });
  await choose(form.getByLabel('sign', { exact: true }), 'opened');
  await choose(form.getByLabel(/^face/), 'bottom');
  await form.getByRole('button', { name: /Keep the sign/ }).click();
  await spot.getByRole('button', { name: 'Hole 1 in' }).click();
  await kept(page);
  const found = await reasons();
  await expect(found).toContainText('a hole nobody made');
  await expect(found).not.toContainText('An old repair hides metal');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Mend');
});

test('an edge felt in two touches is of one place: neither of twice the same, nor of two members', async ({
  page,
}, info) => {
  await openJob(page, `BH-${info.workerIndex}3`);
  const job = jobOf(page.url());
  await page.goto(`${job}/walk?member=rail-left&part=signs`);
  await worked(page);
  const spot = page.getByRole('region', { name: 'At the spot' });
  const gone = spot.getByRole('button', { name: 'Felt: gone up to here' });
  const full = spot.getByRole('button', { name: /^Full from here/ });
  await spot.getByRole('button', { name: /^web/ }).click();
  await gone.dblclick();
  await expect(page.getByText('Touch where it is full again')).toBeVisible();
  // Over on the other rail, and a yard farther along, it begins anew.
  await page.getByRole('button', { name: /^Right rail: / }).click();
  await expect(gone).toBeVisible();
  await page.getByRole('button', { name: /^Left rail: / }).click();
  await expect(full).toBeVisible();
  await spot.getByRole('button', { name: '+6 in' }).click();
  await expect(full).toBeVisible();
  await spot.getByRole('button', { name: '+1 in' }).click();
  await expect(gone).toBeVisible();
  for (const back of ['−6 in', '−1 in']) await spot.getByRole('button', { name: back }).click();

  await strip(page).focus();
  await page.keyboard.press('ArrowUp');
  await full.click();
  await kept(page);
  const { evidence } = await recordsOf(new URL(page.url()).origin, job);
  const felt = ofKind(evidence, 'felt edge');
  expect(felt.map(({ memberId, face }) => [memberId, face])).toEqual([['rail-left', 'web']]);
  expect(felt[0]!.upperMm).toBeGreaterThan(felt[0]!.lowerMm);
});
