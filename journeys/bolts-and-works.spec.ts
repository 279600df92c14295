import { writeFileSync } from 'node:fs';
import type { Page, TestInfo } from '@playwright/test';
import { readPdf } from '../checks/outside/validators';
import { choose, expectChosen, offered } from './choose';
import { expect, kept, paperOf, test, worked } from './stage';

async function orderOf(page: Page, info: TestInfo, address: string) {
  const path = info.outputPath('order.pdf');
  writeFileSync(path, await paperOf(page.request, address));
  return readPdf(path);
}

const ONE_PIXEL =
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==';

/** A rail whose plates are bolted on; brackets, tubes and sheet that are put right by other means than a plate. */
test('plates are bolted on instead of welded: their holes, bolts and torque stand in Shape, Join and on paper', async ({
  page,
  untouched,
}, info) => {
  await page.goto(`${untouched.url}${untouched.jobs['GR-7']}/shape?member=rail-right`);
  await worked(page);
  const follows = page.getByRole('region', { name: 'What follows' });
  await expect(follows).toContainText('Near the heat: Rear harness');
  await page.getByRole('radio', { name: 'bolted' }).click();
  await expect(page.getByRole('heading', { name: 'bottom L, bolted' })).toBeVisible();
  await expect(follows).toContainText('Its bolts go through the bottom flange');
  await expect(follows).toContainText('Coat every face that will touch another');
  await expect(follows).not.toContainText('Near the heat');
  await expect(page.getByText(/bolt holes, Ø 11\/16 in/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Cut the bad metal out' })).toHaveCount(0);

  const pitch = page.getByLabel(/^pitch, middle to middle/);
  await pitch.fill('1/2');
  await pitch.press('Enter');
  await expect(page.getByText(/bolts stand .* apart; left as it was/)).toBeVisible();
  await pitch.fill('8');
  await pitch.press('Enter');
  await expect(follows).toContainText('Bolts 8 in apart');
  await pitch.fill('2 1/2');
  await pitch.press('Enter');
  await expect(follows).not.toContainText('apart');
  await kept(page);
  await page.reload();
  await worked(page);
  await expect(page.getByRole('radio', { name: 'bolted' })).toBeChecked();

  // Metric bolts: what is drilled and bought for them is told in millimetres to whoever reads inches.
  const size = page.getByLabel('bolt', { exact: true });
  const before = (await size.getAttribute('data-value'))!;
  await choose(size, { label: 'M16' });
  await expect.poll(() => offered(page.getByLabel('head marks'))).toEqual(['class 8.8', 'class 10.9']);
  await expect(page.getByText(/bolt holes, Ø 18 mm/)).toBeVisible();
  await choose(size, before);
  await expect
    .poll(() => offered(page.getByLabel('head marks')))
    .toEqual(['grade 5 (3 marks)', 'grade 8 (6 marks)']);
  await expect(page.getByText(/bolt holes, Ø 11\/16 in/)).toBeVisible();

  await page.getByRole('button', { name: 'The same on left rail' }).click();
  await expect(page.getByText('Drawn on left rail too: look at it there.')).toBeVisible();
  await kept(page);
  await page.goto(`${untouched.url}${untouched.jobs['GR-7']}/shape?member=rail-left`);
  await worked(page);
  await expect(page.getByRole('heading', { name: 'bottom L, bolted' })).toBeVisible();
  await expect(page.getByText(/^Kept by RK/)).toBeVisible();
  const onTwin = page.getByRole('region', { name: 'What follows' });
  await expect(onTwin).toContainText('Sound metal drilled');
  await expect(onTwin).toContainText('where the plates do not carry yet');
  await page.goto(`${untouched.url}${untouched.jobs['GR-7']}/shape?member=rail-right`);
  await worked(page);

  await page.getByRole('link', { name: /^Join/ }).click();
  await worked(page);
  await expect(page.getByRole('heading', { name: /bolts of 5\/8 in, grade 5 \(3 marks\)/ })).toBeVisible();
  const bolts = page.getByRole('table', { name: 'Bolts' });
  await expect(bolts.getByRole('row')).toHaveCount(3);
  await expect(bolts).toContainText('150 lbf·ft');
  await expect(bolts).toContainText('of them counted');
  await expect(page.getByRole('region', { name: 'Remarks' })).toContainText('The holes decide');
  await page
    .getByRole('button', { name: 'mm', exact: true })
    .or(page.getByText('mm', { exact: true }))
    .first()
    .click();
  await expect(bolts).toContainText('N·m');

  // Touched twice, a set is tightened once, and nobody looked at it again: right after the wrench that would tell nothing.
  await page.getByRole('button', { name: /^Bolts and rivets/ }).click();
  const sets = page.getByRole('region', { name: 'Bolts tightened' });
  await sets
    .getByRole('button', { name: /^Tightened to/ })
    .first()
    .dblclick();
  await expect(sets).toContainText('looked at again after a day');
  await expect(sets).not.toContainText('settled');
  await expect(sets.getByRole('button', { name: 'Again: none moved' })).toBeDisabled();

  const paper = await orderOf(page, info, `${untouched.url}/api${untouched.jobs['GR-7']}/work-order`);
  expect(paper.words).toContain('bolted on');
  expect(paper.words).toContain('Bolts:');
  expect(paper.pages).toBe(1);
});

test('a work is specified at a bracket: judged while it is typed, kept, changed, struck, on paper, at phone width too', async ({
  page,
  untouched,
}, info) => {
  await page.goto(`${untouched.url}${untouched.jobs['GR-7']}/shape?member=rail-left`);
  await worked(page);
  const part = page.getByRole('region', { name: 'Brackets, joints and sheet' });
  await part.getByRole('button', { name: 'Specify a work here' }).click();
  const draft = part.getByRole('group', { name: 'A new work' });
  await choose(draft.getByLabel('where'), { label: 'Rear spring, front hanger, left' });
  await draft.getByText(/works go here, side by side/).click();
  const beside = draft.getByRole('table', { name: 'Works that go here' });
  await expect(beside).toContainText('Gusset to the rail');
  await beside
    .getByRole('row')
    .filter({ hasText: 'Doubler round a hole' })
    .getByRole('button', { name: 'Take this work' })
    .click();
  await expectChosen(draft.getByLabel('what is made'), 'hole doubler');
  await choose(draft.getByLabel('what is made'), 'cross-brace');
  await expect(draft).toContainText('Moment left at the flange');
  const tube = draft.getByLabel(/^square tube, in/);
  await tube.fill('many');
  await tube.press('Enter');
  await expect(draft.getByRole('alert')).toBeVisible();
  await tube.fill('1/2');
  await tube.press('Enter');
  await expect(draft).toContainText('Tie buckles');
  await tube.fill('2');
  await tube.press('Enter');
  await expect(draft).not.toContainText('Tie buckles');
  await expect(draft).toContainText('Not checked: whether springs and axle stay clear of it');
  await choose(draft.getByLabel('tied how'), { label: 'with a diagonal' });
  await expect(draft).toContainText('Moment left at the flange: 0 %');
  await draft.getByRole('button', { name: 'Keep this work' }).click();
  const card = part.getByRole('article', { name: /^Cross-brace between two hangers/ });
  await expect(card).toContainText('2 × tube');
  await card.getByLabel('Photo before').setInputFiles({
    name: 'before.png',
    mimeType: 'image/png',
    buffer: Buffer.from(ONE_PIXEL, 'base64'),
  });
  const pinned = card.getByRole('button', { name: /^Open Cross-brace between two hangers/ });
  await expect(pinned).toBeVisible();
  await kept(page);

  await page.setViewportSize({ width: 390, height: 800 });
  await page.reload();
  await worked(page);
  await expect(card).toContainText('Moment left at the flange: 0 %');
  await card.getByRole('button', { name: 'change' }).click();
  await choose(draft.getByLabel('tied how'), { label: 'straight, welded at both ends' });
  await draft.getByRole('button', { name: 'Keep this work' }).click();
  await expect(card).toHaveCount(1);
  await expect(card).not.toContainText('Moment left at the flange: 0 %');
  await expect(pinned).toBeVisible();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(391);
  await page.setViewportSize({ width: 1280, height: 800 });

  await page.getByRole('button', { name: 'Specify a work here' }).click();
  await choose(draft.getByLabel('what is made'), 'splice');
  await choose(draft.getByLabel('cuts', { exact: true }), { label: 'square' });
  await expect(draft).toContainText('Square cut');
  await draft.getByRole('button', { name: 'Keep this work' }).click();
  await kept(page);
  const paper = await orderOf(page, info, `${untouched.url}/api${untouched.jobs['GR-7']}/work-order`);
  expect(paper.words).toContain('Cross-brace between two hangers');
  expect(paper.words).toContain('NOT LIKE THIS');

  await card.getByRole('button', { name: 'strike' }).click();
  await page.getByRole('button', { name: 'wrong place' }).click();
  await expect(part.getByRole('article', { name: /^Cross-brace/ })).toHaveCount(1);
  await expect(card).toContainText('Moment left at the flange: 0 %');
});

test('a length let in with its joint in rusted metal is said not to hold: while it is typed, kept, in the plan’s paper; moved to sound metal, no longer', async ({
  page,
  untouched,
}, info) => {
  await page.goto(`${untouched.url}${untouched.jobs['GR-7']}/shape?member=rail-right`);
  await worked(page);
  const part = page.getByRole('region', { name: 'Brackets, joints and sheet' });
  await part.getByRole('button', { name: 'Specify a work here' }).click();
  const draft = part.getByRole('group', { name: 'A new work' });
  await choose(draft.getByLabel('what is made'), 'splice');
  const cut = async (first: string, second: string) => {
    for (const [label, station] of [
      [/^second cut/, second],
      [/^first cut/, first],
    ] as const) {
      await draft.getByLabel(label).fill(station);
      await draft.getByLabel(label).press('Enter');
    }
  };
  await cut('120', '230');
  // Said of the work by its own measures; works beside it stand at their usual ones.
  const underIt = draft.getByText(/^Right rail, from .* by what was found there/);
  await expect(underIt).toHaveCount(1);
  await expect(draft).not.toContainText('No rule broken');
  await expect(draft).not.toContainText('the metal it lands on: read it first');
  await cut('200', '230');
  await expect(underIt).toHaveCount(0);
  await expect(draft).toContainText('the metal it lands on: read it first');
  await cut('120', '230');
  await draft.getByRole('button', { name: 'Keep this work' }).click();
  await kept(page);
  const card = part.getByRole('article', { name: /^A length let in/ });
  await expect(card).toContainText('Bad metal under it');
  await expect(card).toContainText('a plate over it first, or another place');
  const paper = await orderOf(page, info, `${untouched.url}/api${untouched.jobs['GR-7']}/work-order`);
  expect(paper.words).toContain('Bad metal under it');
});
