import { randomUUID } from 'node:crypto';
import { writeFileSync } from 'node:fs';
import { readPdf } from '../checks/outside/validators';
import { choose, expectChosen } from './choose';
import { expect, kept, paperOf, sendJob, test, worked } from './stage';

/** A beam with a crack, a truck with a rotten crossmember: what the first plates of the trade would be, and by whose word. */
test('a beam gets its cover; what is in its way is passed; other forms stand beside it; metal is reinforced by hand', async ({
  page,
  untouched,
}) => {
  await page.goto(`${untouched.url}${untouched.jobs['BK-1']}/shape?member=rail-left`);
  await worked(page);
  await expect(page.getByRole('heading', { name: 'cover plate, bottom, laid over' })).toBeVisible();
  const follows = page.getByRole('region', { name: 'What follows' });
  await expect(follows).toContainText('No rule broken of those that could be checked');
  await expect(follows).toContainText('whether torch and drill come to each seam');

  const way = page.getByLabel('Spring, front hanger: way past it');
  await expectChosen(way, 'off and back');
  await choose(way, { label: 'not decided' });
  await expect(follows).toContainText('In the plate’s way: Spring, front hanger');
  await expect(follows.getByText(/^No rule broken/)).toHaveCount(0);
  await choose(way, { label: 'the plate is notched round it' });
  await expect(follows).not.toContainText('In the plate’s way');
  const deep = page.getByLabel('how deep');
  await deep.fill('40');
  await deep.press('Enter');
  await expect(
    page.getByRole('alert').filter({ hasText: 'leaves nothing of the cover plate' }),
  ).toBeVisible();
  await deep.fill('1/2');
  await deep.press('Enter');
  await expect(page.getByText(/^Kept by/)).toBeVisible();
  await kept(page);
  await page.reload();
  await worked(page);
  await expect(page.getByLabel('how deep')).toHaveValue('1/2');
  await page.getByRole('button', { name: /^Close notch 1/ }).click();
  await expect(follows).toContainText('In the plate’s way: Spring, front hanger');
  await choose(way, { label: 'looked at: clear of the plate' });
  await expect(follows).not.toContainText('In the plate’s way');

  const near = page.getByLabel('near edge, from the outer tip');
  await near.fill('0');
  await near.press('Enter');
  await expect(follows).toContainText('No room for its weld beside it');
  await page.getByText('Other forms that could go here').click();
  const forms = page.getByRole('table', { name: 'Other forms' });
  await expect(forms.getByRole('row')).not.toHaveCount(1);
  await expect(forms).toContainText('side plate + side plate, inside');
  await forms
    .getByRole('row')
    .filter({ hasText: 'cover plate, bottom + cover plate, top' })
    .getByRole('button', { name: 'Take this form' })
    .click();
  await expect(
    page.getByRole('heading', { name: /^cover plate, bottom and cover plate, top/ }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Take this piece out' }).last().click();
  await expect(page.getByRole('heading', { name: 'cover plate, bottom, laid over' })).toBeVisible();

  // Where nothing fits, every form stands with what speaks against it.
  await page.goto(`${untouched.url}${untouched.jobs['SV-9']}/shape?member=rail-right-front`);
  await worked(page);
  await expect(page.getByRole('region', { name: 'Nothing fits' })).toContainText('No plate fits');
  await page.getByText('Other forms that could go here').click();
  await expect(page.getByRole('table', { name: 'Other forms' })).toContainText('bottom U');

  // On sound metal a plate only reinforces; it is somebody's own from the first.
  await page.goto(`${untouched.url}${untouched.jobs['BK-1']}/shape?member=rail-right`);
  await worked(page);
  await page.getByRole('button', { name: /^Add a piece at/ }).click();
  await expect(page.getByText(/^Kept by RK/)).toBeVisible();
  await expect(page.getByRole('region', { name: 'What follows' })).toContainText('Sound metal reinforced');
  await choose(page.getByLabel('piece', { exact: true }), 'cover plate');
  await choose(page.getByLabel('on its'), 'top');
  await expect(page.getByRole('heading', { name: 'cover plate, top, laid over' })).toBeVisible();
  await page.getByLabel(/^to station/).fill('99999');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/reaches off Right beam; left as it was/)).toBeVisible();
  await kept(page);
});

test('a rotten crossmember is renewed of a tube that leaves space beneath; that the rail is rusted at its end is said there and on the work order', async ({
  page,
  untouched,
}, info) => {
  await page.goto(`${untouched.url}${untouched.jobs['GR-7']}/shape?member=cross-4`);
  await worked(page);
  const renewed = page.getByRole('region', { name: 'Renewed' });
  await expect(renewed).toContainText('Renewed, of a stock tube');
  await renewed.getByText(/others, and why not/).click();
  await expect(renewed).toContainText('weaker than the old one was made');
  await renewed.getByRole('button', { name: 'Take it' }).first().click();
  await expect(renewed.getByRole('heading')).toContainText(/^To be renewed: tube \d/);
  await kept(page);
  await page.getByRole('button', { name: 'Units: in; switch to mm' }).click();
  await expect(renewed.getByRole('heading')).toContainText('102 mm deep');
  await page.getByRole('button', { name: 'Units: mm; switch to in' }).click();
  await renewed.getByText('Bad metal under it').click();
  await expect(renewed).toContainText('Right rail, from 128 in, by what was found there');
  const path = info.outputPath('order.pdf');
  writeFileSync(
    path,
    await paperOf(page.request, `${untouched.url}/api${untouched.jobs['GR-7']}/work-order`),
  );
  const { words, pages } = readPdf(path);
  expect(pages).toBe(1);
  expect(words.replace(/\s+/g, ' ')).toMatch(
    /Renew Crossmember 4: tube [^;]+; Bad metal under it, Right rail, from 128 in.*NOT LIKE THIS/,
  );
  await renewed.getByRole('button', { name: 'strike' }).click();
  await page.getByLabel('or another reason').fill('a channel is on the shelf');
  await page.getByRole('button', { name: 'Strike through' }).click();
  await expect(renewed).toContainText('Renewed, of a stock tube');
  await expect(renewed).not.toContainText('Bad metal under it');
});

/** Somebody pulls a plate's end along the rail and watches what the rules say; then makes it in lengths. */
test('rules speak while an end is dragged; what is let go is kept; a plate is made in lengths, each with its own flat', async ({
  page,
  untouched,
}, info) => {
  await page.goto(`${untouched.url}${untouched.jobs['GR-7']}/shape?member=rail-right`);
  await worked(page);
  const follows = page.getByRole('region', { name: 'What follows' });
  await expect(page.getByRole('heading', { name: 'bottom L, laid over' })).toBeVisible();
  await expect(follows).not.toContainText('comes back to');
  const rear = page.getByLabel('to station');
  const before = await rear.inputValue();
  const grip = (await page.locator('g.cursor-ew-resize').nth(1).boundingBox())!;
  const [x, y] = [grip.x + grip.width / 2, grip.y + grip.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x - 60, y, { steps: 4 });
  await page.mouse.move(x - 150, y, { steps: 8 });
  // Not let go yet, and nothing is kept: the rules, the figures and the Slice are of the plate as it is held.
  await expect(follows).toContainText(/Bending strength comes back to \d+ % only/);
  await expect(rear).not.toHaveValue(before);
  await expect(page.getByText('As it is held: kept when it is let go.')).toBeVisible();
  await page.mouse.move(x, y, { steps: 8 });
  await expect(follows).not.toContainText('comes back to');
  await page.mouse.up();
  await expect(rear).toHaveValue(before);
  await expect(page.getByText('Proposed by the engine')).toBeVisible();

  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x - 150, y, { steps: 10 });
  await page.mouse.up();
  await expect(page.getByText(/^Kept by/)).toBeVisible();
  await kept(page);
  await page.reload();
  await worked(page);
  await expect(follows).toContainText(/Bending strength comes back to \d+ % only/);
  await page.getByRole('button', { name: 'Back to the engine’s proposal' }).click();
  await expect(rear).toHaveValue(before);

  // Bought caps of the shop's catalogue stand among the forms, a set end to end.
  await page.getByText('Other forms that could go here').first().click();
  const bought = page.getByRole('row').filter({ hasText: 'bought: rail cap, 4 ft' });
  await expect(bought).toContainText('$95');
  await expect(bought).toContainText('middle joint first');

  // In lengths: refused in a taper, kept on the straight part, each length with a flat of its own.
  const flats = page.getByRole('region', { name: 'Flat patterns' });
  const joint = page.getByLabel('joint 1, at station');
  await page.getByRole('button', { name: 'A joint at the cursor' }).click();
  await expect(joint).toBeVisible();
  await joint.fill('72');
  await joint.press('Enter');
  await expect(
    page.getByRole('alert').filter({ hasText: 'lies in the taper of its end; left as it was' }),
  ).toBeVisible();
  await joint.fill('100');
  await joint.press('Enter');
  await expect(follows).toContainText('Its joint lies over the bad metal');
  await joint.fill('140 1/2');
  await joint.press('Enter');
  await expect(follows).not.toContainText('Its joint lies over the bad metal');
  await expect(follows).toContainText('its joint is welded right through');
  await expect(flats.getByRole('heading', { name: /^bottom L, length 1 of 2, flat/ })).toBeVisible();
  await expect(flats.getByRole('heading', { name: /^bottom L, length 2 of 2, flat/ })).toBeVisible();
  await kept(page);
  // Each length is taken away as a drawing of its own, and stands on the work order by its own stations.
  await page.getByRole('button', { name: 'Take away' }).click();
  const drawings = page.getByRole('menuitem', { name: /^bottom L, length [12] of 2, .*flat pattern, DXF/ });
  await expect(drawings).toHaveCount(2);
  for (const at of [0, 1]) {
    const got = await page.request.get(`${untouched.url}${await drawings.nth(at).getAttribute('href')}`);
    expect(got.ok()).toBe(true);
    expect(await got.text()).toContain('ENTITIES');
  }
  await page.keyboard.press('Escape');
  const paper = info.outputPath('lengths.pdf');
  writeFileSync(
    paper,
    await (await page.request.get(`${untouched.url}/api${untouched.jobs['GR-7']}/work-order?unit=in`)).body(),
  );
  expect(readPdf(paper).words).toMatch(/length 1 of 2[\s\S]*length 2 of 2/);
  await page.goto(page.url().replace('/shape', '/join'));
  await worked(page);
  await expect(page.getByText(/joint/).first()).toBeVisible();
  await page.goto(page.url().replace('/join', '/shape'));
  await worked(page);
  await page.getByRole('button', { name: 'Make these two lengths one' }).first().click();
  await expect(flats.getByRole('heading', { name: /^bottom L, flat/ })).toBeVisible();
});

test('a rail thin all over and cut nowhere gets a piece over that stretch by one touch', async ({
  page,
}, info) => {
  const job = await sendJob(page, `SF-${info.workerIndex}9`, { steel: 'a36' });
  const [lengthMm, deepMm, wallMm] = [6096, 203.2, 6.35];
  const evidence = Array.from({ length: 25 }, (_, k) => k / 24).flatMap((share) =>
    (['web', 'top', 'bottom'] as const).flatMap((face) =>
      [0.2, 0.5, 0.8].map((up) => ({
        ...{ kind: 'reading', version: 2, id: randomUUID(), memberId: 'rail-right', face },
        ...{ stationMm: share * lengthMm, heightMm: up * (face === 'web' ? deepMm : 60) },
        ...{ thicknessMm: wallMm * (share >= 0.4 && share <= 0.6 ? 0.85 : 1), method: 'ultrasonic' },
        ...{ by: 'RK', at: '2026-11-20T08:00:00Z', note: '' },
      })),
    ),
  );
  const sent = await page.request.post(`/api/jobs/${job}/evidence`, { data: { evidence } });
  expect(sent.ok(), await sent.text()).toBe(true);
  await page.goto(`/jobs/${job}/shape?member=rail-right`);
  await worked(page);
  await expect(page.getByText(/No wall of right rail is thin enough to be cut out/)).toBeVisible();
  await page.getByRole('button', { name: /^Lay a piece over \d+ .*in to \d+ .*in$/ }).click();
  await expect(page.getByRole('heading', { name: /^bottom L, laid over/ })).toBeVisible();
  await expect(page.getByText(/^Sound metal reinforced/)).toBeVisible();
  await kept(page);
});
