import { randomUUID } from 'node:crypto';
import { writeFileSync } from 'node:fs';
import { readPdf } from '../checks/outside/validators';
import { choose, expectChosen } from './choose';
import { expect, kept, openJob, paperOf, PIXEL, recordsOf, test, worked } from './stage';

test('three looks at a crack become a range of miles; what eases it is told, a trip typed in is answered', async ({
  page,
  jobs,
}) => {
  await page.goto(`${jobs['BK-1']}/trace?member=rail-left`);
  await worked(page);
  const panel = page.getByRole('region', { name: 'This crack' });
  await expect(page.getByRole('table', { name: 'Looks at this crack' }).getByRole('row')).toHaveCount(4);
  const goes = panel.getByRole('region', { name: 'How it goes on' });
  await expect(goes.getByText(/To its limit: [\d.]+ mi to/)).toBeVisible();
  const least = async () => Number(/To its limit: ([\d.]+) mi/.exec(await goes.innerText())![1]);
  const asItIs = await least();
  await choose(goes.getByLabel('load from now on'), '0.7');
  await expect.poll(least).toBeGreaterThan(1.5 * asItIs);
  await choose(goes.getByLabel('load from now on'), '1');
  await goes.getByLabel(/^a trip of/).fill('9000');
  await expect(goes.getByText(/may reach its limit on the way/)).toBeVisible();
  await goes.getByLabel('repair slot').fill('2026-12-20');
  await expect(goes.getByText(/By then, used as it was between the looks/)).toBeVisible();
  await goes.getByLabel(/^stress range/).fill('nothing');
  await expect(goes.getByText('a number above nothing')).toBeVisible();
  await expect(panel.getByRole('region', { name: 'Holes at its ends' })).toContainText(/drill .* in/);
  const sheet = await goes.getByRole('link', { name: /self-check/ }).getAttribute('href');
  const path = test.info().outputPath('self-check.pdf');
  writeFileSync(path, await (await page.request.get(sheet!)).body());
  const { pages, words } = readPdf(path);
  expect(pages).toBe(1);
  expect(words.replace(/\s+/g, ' ')).toContain('Stop at 1 3/8 in across');
  expect((await page.request.get(sheet!.replace(/crack=[^&]+/, 'crack=none'))).status()).toBe(404);
  expect((await page.request.get(sheet!.replace(/stop=[^&]+/, 'stop=-1'))).status()).toBe(422);
  await page.getByRole('button', { name: /^Units:/ }).click();
  await expect(goes.getByText(/To its limit: [\d.]+ km to/)).toBeVisible();
  await expect(panel.getByRole('region', { name: 'Holes at its ends' })).toContainText(/drill \d+ mm/);
});

test('a crack by eye with all that is seen of it, its twin asked for; a look that shrinks is kept and flagged; struck, it counts no more', async ({
  page,
}, info) => {
  await openJob(page, `TR-${info.workerIndex}1`);
  await page.getByRole('link', { name: /^Trace/ }).click();
  await expect(page.getByRole('region', { name: 'May it move' })).toContainText(
    'No reason recorded against it',
  );
  await page.getByRole('button', { name: 'Record a crack' }).click();
  const form = page.getByRole('form', { name: 'New crack' });
  await expectChosen(form.getByLabel('how seen'), 'eye');
  await choose(form.getByLabel('face', { exact: true }), 'bottom');
  for (const height of ['2', '1-1/4']) {
    await form.getByLabel(/^station/).fill('72');
    await form.getByLabel(/^height on face/).fill(height);
    await form.getByRole('button', { name: 'Add this point' }).click();
  }
  const end = (which: string, is: string) =>
    form
      .getByRole('radiogroup', { name: `${which} end of the crack` })
      .getByRole('radio', { name: is, exact: true })
      .click();
  await end('first', 'found');
  await end('last', 'runs under something');
  await choose(form.getByLabel('starts at'), 'plain edge');
  await form.getByRole('button', { name: 'fresh streak' }).click();
  await form.getByLabel(/^odometer/).fill('far');
  await form.getByRole('button', { name: 'Keep the crack' }).click();
  await expect(form.getByRole('alert')).toContainText('odometer: miles, such as 30');
  await form.getByLabel(/^odometer/).fill('81,000');
  await form.getByRole('button', { name: 'Keep the crack' }).click();
  await expect(page.getByRole('region', { name: 'Look at the twin' })).toContainText(/right rail, 72 in/);
  await page.getByRole('button', { name: 'looked at both' }).click();
  const list = page.getByRole('region', { name: 'Cracks', exact: true });
  await expect(list).toContainText('3/4 in');
  await expect(list).toContainText('one end not found, runs under something');
  await expect(page.getByRole('region', { name: 'May it move' })).toContainText('To the shop only');

  await test.step('one look is no growth; two with a distance between them want a stress', async () => {
    const goes = page.getByRole('region', { name: 'How it goes on' });
    await expect(goes).toContainText('Can’t say: one look is no growth');
    const look = async (last: string, odometer: string) => {
      await page.getByRole('button', { name: 'Look again' }).click();
      const again = page.getByRole('form', { name: 'Another look' });
      await again.getByLabel(/^last end ran on by/).fill(last);
      await choose(again.getByLabel('how seen'), 'dye penetrant');
      await again.getByLabel(/^odometer/).fill(odometer);
      await again.getByRole('button', { name: 'Keep this look' }).click();
    };
    await page.getByRole('button', { name: 'Look again' }).click();
    const wrong = page.getByRole('form', { name: 'Another look' });
    await wrong.getByLabel('day, if not today').fill('2031-01-01');
    await wrong.getByRole('button', { name: 'Keep this look' }).click();
    await expect(wrong.getByRole('alert')).toContainText('a look lies in the past');
    await wrong.getByLabel('day, if not today').fill('');
    await wrong.getByLabel(/^gap, load on/).fill('20');
    await wrong.getByRole('button', { name: 'Keep this look' }).click();
    await expect(wrong.getByRole('alert')).toContainText('200');
    await wrong.getByRole('button', { name: 'Leave it' }).click();
    await look('1/2', '82,000');
    await expect(list).toContainText('1 1/4 in');
    await goes.getByLabel(/^stress range/).fill('2');
    await expect(goes).toContainText(/To its limit/);
    await look('1/4', '81,500');
    const table = page.getByRole('table', { name: 'Looks at this crack' });
    await expect(table).toContainText('shorter than at a look before');
    await expect(table).toContainText('the odometer is lower than before');
    await expect(list).toContainText('1 1/4 in');
    await expect(goes).toContainText('the odometer goes backwards');
    await table.getByRole('row').last().getByRole('button', { name: 'strike' }).click();
    await page.getByLabel('or another reason').fill('read the wrong tape');
    await page.getByRole('button', { name: 'Strike through' }).click();
    await expect(goes).toContainText(/To its limit/);
    await kept(page);
  });
  await test.step('its pictures: the first and the last side by side', async () => {
    for (const name of ['a.png', 'b.png', 'c.png']) {
      await page
        .getByLabel('Photo of this crack')
        .setInputFiles({ name, mimeType: 'image/png', buffer: PIXEL });
      await kept(page);
    }
    const panel = page.getByRole('region', { name: 'This crack' });
    await expect(panel).toContainText('3 taken');
    await expect(panel.getByRole('button', { name: 'Open crack, look 1' })).toBeVisible();
    await expect(panel.getByRole('button', { name: 'Open crack, look 3' })).toBeVisible();
    await expect(panel.getByRole('button', { name: 'Open crack, look 2' })).toHaveCount(0);
  });
  await page.reload();
  await expect(page.getByRole('region', { name: 'Cracks', exact: true })).toContainText('1 1/4 in');
});

test('a temporary repair counts down on every screen and paper, and is called over', async ({
  page,
  jobs,
}) => {
  await page.goto(`${jobs['DV-3']}/walk`);
  const banner = page.getByRole('list', { name: 'Temporary repairs' });
  await expect(banner).toContainText('Temporary clamp: 18 mi of 30 mi left, under 40 mph');
  // The yard has pages, and other jobs may have been opened since.
  await page.goto('/?search=DV-3');
  await expect(page.getByText('Temporary clamp: 18 mi of 30 mi left')).toBeVisible();
  await page.goto(`${jobs['DV-3']}/trace?member=rail-left`);
  const move = page.getByRole('region', { name: 'May it move' });
  // A clamp lets the beam go a short way; the upright behind the front wall stops the unit all the same.
  await expect(move).toContainText('To the shop only');
  await move.locator('summary').click();
  await expect(move).toContainText(
    /Restricted: Left beam is cracked at .* held by a clamp: 18 mi of 30 mi left/,
  );
  await expect(move).toContainText('Left upright behind the front wall');
  await expect(page.getByRole('region', { name: 'Temporary repairs and trips' })).toContainText(
    'no load test has released it yet',
  );
  const panel = page.getByRole('region', { name: 'Temporary repairs and trips' });
  await panel.getByLabel(/^it went/).fill('lots');
  await panel.getByRole('button', { name: 'Keep the trip' }).click();
  await expect(panel.getByRole('alert')).toContainText('miles, such as 30');
  await panel.getByLabel(/^it went/).fill('18');
  await panel.getByRole('button', { name: 'Keep the trip' }).click();
  await expect(banner).toContainText('Do not move it. Temporary clamp: its 30 mi are used up');
  await expect(move).toContainText('Do not move it');
  await kept(page);
  const paper = await paperOf(page.request, `/api${jobs['DV-3']}/work-order`);
  const path = test.info().outputPath('order.pdf');
  writeFileSync(path, paper);
  expect(readPdf(path).words.replace(/\s+/g, ' ')).toContain('its 30 mi are used up');
});

test('a load test, led: two states and what was read in them become what opens, and the crack hears of its gap', async ({
  page,
  jobs,
}) => {
  await page.goto(`${jobs['BK-1']}/trace?member=rail-left`);
  const panel = page.getByRole('region', { name: 'Load test' });
  await panel.getByRole('button', { name: 'Begin a load test' }).click();
  const form = panel.getByRole('form', { name: 'New load test' });
  await form.getByRole('button', { name: 'Keep the test' }).click();
  await expect(form.getByRole('alert')).toContainText('two states');
  await form.getByRole('button', { name: 'on its legs' }).click();
  await form.getByRole('button', { name: 'hitched' }).click();
  await form.getByRole('button', { name: /^Left beam, bottom flange/ }).click();
  await form.getByLabel('where').fill('door frame, rear');
  await form.getByRole('button', { name: 'Watch it' }).click();
  await page.reload();
  const legs = form.getByRole('group', { name: 'on its legs' });
  const hitched = form.getByRole('group', { name: 'hitched' });
  await expect(hitched).toContainText('nobody between the two while it backs up');
  await legs.getByLabel(/^Left beam/).fill('0');
  await hitched
    .getByLabel('Photo')
    .first()
    .setInputFiles({ name: 'gap.png', mimeType: 'image/png', buffer: PIXEL });
  await expect(hitched).toContainText('1 photo');
  await hitched.getByLabel(/^Left beam/).fill('1/16');
  await legs.getByLabel(/^door frame/).fill('a lot');
  await form.getByRole('button', { name: 'Keep the test' }).click();
  await expect(form.getByRole('alert')).toContainText('door frame, rear, on its legs');
  await legs.getByLabel(/^door frame/).fill('1/2');
  await hitched.getByLabel(/^door frame/).fill('3/8');
  await form.getByRole('button', { name: 'Keep the test' }).click();
  await expect(panel).toContainText('hitched: opens by 0.063 in');
  await expect(panel).toContainText('tells of left beam');
  await expect(panel.getByRole('figure')).toHaveCount(1);
  await expect(panel).toContainText('hitched: closes by 0.125 in');
  const looks = page.getByRole('table', { name: 'Looks at this crack' });
  await expect(looks.getByRole('row').last()).toContainText('not read');
  await expect(looks.getByRole('row').last()).toContainText('0.063 in');
  // The gap goes into the demand first: a slow machine takes its time.
  await worked(page);
  await expect(page.getByText(/To its limit: [\d.]+ mi to/)).toBeVisible();
  await kept(page);
});

test('a crack of a bracket: recorded here, its twin asked for, looked at again with its pace; told of, it restricts only', async ({
  page,
}, info) => {
  await openJob(page, `TR-${info.workerIndex}7`);
  await page.getByRole('link', { name: /^Trace/ }).click();
  const panel = page.getByRole('region', { name: 'On brackets, welds, joints and skins' });
  await panel.getByRole('button', { name: 'Record one there' }).click();
  await choose(panel.getByLabel('bracket, joint, skin or floor'), { label: 'Steering gear, left' });
  await panel.getByRole('button', { name: 'weld cracked' }).click();
  const form = panel.getByRole('form', { name: /Steering gear, left/ });
  await form.getByLabel('how long, end to end').fill('a bit');
  await form.getByRole('button', { name: 'Keep this look' }).click();
  await expect(form.getByRole('alert')).toContainText('length');
  await form.getByLabel('how long, end to end').fill('1/2');
  await choose(form.getByLabel('how seen'), 'told');
  await form.getByLabel('day, if not today').fill('2026-01-10');
  await form.getByLabel(/^odometer/).fill('41000');
  await form.getByRole('button', { name: 'Keep this look' }).click();
  const move = page.getByRole('region', { name: 'May it move' });
  await expect(move).toContainText('Restricted');
  await panel.getByText('weld cracked, 1/2 in').click();
  const again = async (long: string, odometer: string, day = '') => {
    await panel.getByRole('button', { name: 'Look again at steering gear, left' }).click();
    await form.getByLabel('how long, end to end').fill(long);
    await form.getByLabel(/^odometer/).fill(odometer);
    if (day) await form.getByLabel('day, if not today').fill(day);
    await form.getByRole('radio', { name: 'runs under something' }).first().click();
    await form.getByRole('button', { name: 'Keep this look' }).click();
  };
  await again('1/2', '42000', '2026-03-10');
  await expect(move).toContainText('Do not move it');
  await again('3/4', '44000');
  await expect(panel).toContainText(
    'weld cracked, 3/4 in; grown by 1/4 in; 0.125 in per 1,000 mi since the look before',
  );
  await again('5/8', '44100');
  await expect(panel).toContainText('shorter than at a look before; kept as entered, the longest counts');
  await expect(panel).toContainText('weld cracked, 3/4 in');
  await page.reload();
  await expect(panel.getByText('4 looks')).toBeVisible();
});

test('branches are one family, and stand in Join as grooves to grind before a plate goes over them; put right, they are answered', async ({
  page,
  baseURL,
}, info) => {
  await openJob(page, `TR-${info.workerIndex}8`, { steel: 'hot-rolled-50' });
  await page.getByRole('link', { name: /^Trace/ }).click();
  const record = async (points: readonly (readonly [string, string])[], found: boolean) => {
    await page.getByRole('button', { name: 'Record a crack' }).click();
    const form = page.getByRole('form', { name: 'New crack' });
    await choose(form.getByLabel('face', { exact: true }), 'web');
    for (const [station, height] of points) {
      await form.getByLabel(/^station/).fill(station);
      await form.getByLabel(/^height on face/).fill(height);
      await form.getByRole('button', { name: 'Add this point' }).click();
    }
    if (found)
      for (const end of await form.getByRole('radio', { name: 'found', exact: true }).all())
        await end.click();
    await form.getByRole('button', { name: 'Keep the crack' }).click();
  };
  await record(
    [
      ['60', '2'],
      ['60', '4'],
    ],
    true,
  );
  await record(
    [
      ['60', '3'],
      ['61 1/2', '3'],
    ],
    false,
  );
  const cracks = page.getByRole('region', { name: 'Cracks', exact: true });
  await expect(cracks).toContainText('2 in 1 family');
  await expect(cracks).toContainText('a family of 2, 3 1/2 in in all');
  await page.getByRole('link', { name: /^Join/ }).click();
  const first = page.getByRole('region', { name: 'Cracks to weld first' });
  await expect(first).toContainText(
    '2 in from 60 in: grind a 60° V right through, root open 0.063 in; 3 passes',
  );
  await expect(first).toContainText('then gouge the back to sound metal and weld it');
  await expect(first).toContainText('an end of it was not found');

  // Put right over both of them, they are answered wherever they were heard.
  await kept(page);
  const [job] = /\/jobs\/[^/]+/.exec(page.url())!;
  const { evidence } = await recordsOf(baseURL!, job);
  const { memberId } = evidence.find(({ kind }) => kind === 'crack') as { memberId: string };
  const sign = {
    kind: 'sign',
    version: 1,
    id: randomUUID(),
    memberId,
    face: 'web',
    stationMm: 1300,
    toMm: 1700,
    heightMm: 0,
    detail: { sign: 'put right', done: 'renewed' },
    by: 'TM',
    at: new Date().toISOString(),
    note: '',
  };
  const answer = await page.request.post(`${baseURL}/api${job}/evidence`, { data: { evidence: [sign] } });
  expect(answer.ok()).toBe(true);
  await page.goto(`${job}/trace?member=${memberId}`);
  await worked(page);
  await expect(cracks.getByText('put right since')).toHaveCount(2);
  await cracks.getByRole('button', { name: 'show' }).first().click();
  await expect(page.getByRole('region', { name: 'How it goes on' })).toContainText('Put right since');
  await expect(page.getByRole('region', { name: 'May it move' })).not.toContainText('is cracked');
});
