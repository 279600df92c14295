import { choose, expectChosen } from './choose';
import { expect, kept, openJobByForm, test, typeColumn, worked } from './stage';

const FAMILIES = [
  'open-channel ladder',
  'boxed ladder',
  'mixed ladder',
  'I-beam trailer',
  'gooseneck trailer',
  'semi trailer',
  'unibody',
] as const;

test('every family draws itself while one types; what cannot be is said at its field and nothing is sent', async ({
  page,
}) => {
  await page.goto('/new');
  const skeleton = page.getByRole('group', { name: /^Skeleton/ });
  const seen: number[] = [];
  for (const family of FAMILIES) {
    await choose(page.getByLabel('Frame family'), family);
    await expect(skeleton).toBeVisible();
    seen.push(await skeleton.getByRole('button').count());
  }
  expect(Math.min(...seen)).toBeGreaterThanOrEqual(8);
  expect(seen[3]).toBeGreaterThan(20);
  await expect(page.getByText('floor, roof and glass are not in it')).toBeVisible();

  await choose(page.getByLabel('Frame family'), 'open-channel ladder');
  await page.getByLabel(/^Wheelbase/).fill('0');
  await expect(page.getByText(/Not drawn yet: the axles would stand in one place/)).toBeVisible();
  await page.getByRole('button', { name: 'Open the job' }).click();
  await expect(
    page.getByRole('alert').filter({ hasText: 'the axles would stand in one place' }),
  ).toBeVisible();
  await page.getByLabel(/^Wheelbase/).fill('146');
  await expect(skeleton).toBeVisible();
});

test('a gooseneck from its form to what its beams carry, on the legs and hitched', async ({ page }, info) => {
  await openJobByForm(page, `GN-${info.workerIndex}`, {
    family: 'gooseneck trailer',
    steel: 'hot-rolled-50',
    fields: { 'Gross weight, lb': '15000', 'Rail depth, in': '12' },
  });
  await choose(page.getByLabel('Member', { exact: true }), 'rail-left');
  await typeColumn(page, '200', 'web', { 10: '.158', 6: '.155', 2: '.150' });
  await kept(page);
  await page.getByRole('link', { name: /^Weigh/ }).click();
  await worked(page);
  const frame = page.getByRole('region', { name: 'The whole frame' });
  await expect(frame.getByRole('table', { name: 'What is felt of it' })).toContainText(
    'Front wall leans, hitched against on legs',
  );
  await expect(frame.getByRole('table', { name: 'Standing on the ground' })).toContainText('Coupler or pin');
  await choose(frame.getByLabel('Load case'), 'on legs');
  await expect(
    frame.getByRole('img', { name: 'The frame bent: on legs, movements 30 times as large' }),
  ).toBeVisible();
  await frame.getByRole('radio', { name: '×100' }).click();
  await expect(frame.getByRole('img', { name: /movements 100 times/ })).toBeVisible();
  const worst = frame.getByRole('table', { name: 'Where the frame is worst' }).getByRole('button').first();
  const name = (await worst.textContent())!.split(',')[0]!;
  await worst.click();
  await expect(page.getByText(`${name}: limited by its worst reason`)).toBeVisible();
  await expect(
    page
      .getByRole('region', { name: 'Demand', exact: true })
      .getByRole('table', { name: 'Demand at the cursor' }),
  ).toContainText('found');
});

test('the frame is moved by hand and by typing, undone, kept in step, and saved as the shop’s starting point', async ({
  page,
}, info) => {
  const tag = `MV-${info.workerIndex}`;
  await openJobByForm(page, tag, { family: 'I-beam trailer', fields: { 'Gross weight, lb': '9000' } });
  await page.getByRole('link', { name: /^Frame/ }).click();
  const keep = page.getByRole('button', { name: 'Keep the frame' });
  const undo = page.getByRole('button', { name: 'Undo' });
  const station = page.getByLabel('Crossmember 2 station');
  const before = await station.inputValue();
  const rung = page.getByRole('group', { name: /^Skeleton/ }).getByRole('button', { name: /^Crossmember 2/ });
  const box = (await rung.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  for (const step of [10, 22, 34])
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2 + step);
  await page.mouse.up();
  await expect(station).not.toHaveValue(before);
  await undo.click();
  await expect(station).toHaveValue(before);
  await expect(keep).toBeDisabled();

  await page.getByLabel('Left outrigger 3 station').fill('150');
  await page.getByLabel('Left outrigger 3 station').press('Enter');
  await expect(page.getByLabel('Right outrigger 3 station')).toHaveValue('150');
  await page.getByLabel(/^Left and right are kept in step/).uncheck();
  await page.getByLabel('Left outrigger 3 station').fill('155');
  await page.getByLabel('Left outrigger 3 station').press('Enter');
  await expect(page.getByLabel('Right outrigger 3 station')).toHaveValue('150');
  await choose(page.getByLabel('Left outrigger 4 section'), 'angle');
  const detail = page.getByRole('region', { name: 'The member chosen' });
  await detail.getByRole('button', { name: 'Add a hole' }).click();
  await detail.getByLabel('Hole 1 station').fill('900');
  await detail.getByLabel('Hole 1 station').press('Enter');
  await keep.click();
  await expect(page.getByRole('alert').first()).toContainText('station is off');
  await detail.getByLabel('Hole 1 station').fill('60');
  await detail.getByLabel('Hole 1 station').press('Enter');
  await detail.getByLabel('web', { exact: true }).first().check();
  await keep.click();
  await expect(page.getByText('Frame kept')).toBeVisible();

  await page
    .getByLabel(/^Save this frame as the shop’s starting point/)
    .fill(`Our trailer ${info.workerIndex}`);
  await page.getByRole('button', { name: 'Save as a starting point' }).click();
  await expect(page.getByText('can be chosen when a job is opened')).toBeVisible();
  await page.goto('/new');
  await choose(page.getByLabel('Start from'), { label: `Our trailer ${info.workerIndex}` });
  for (const [label, text] of [
    ['Tag', `${tag}b`],
    ['What it is', 'trailer'],
    ['Name of the job', 'second'],
    ['Opened by (role or initials)', 'RK'],
    ['Stations measured from', 'coupler'],
  ] as const)
    await page.getByLabel(label).fill(text);
  await page.getByRole('button', { name: 'Open the job' }).click();
  await page.waitForURL(/\/walk/);
  await page.getByRole('link', { name: /^Frame/ }).click();
  await expect(page.getByLabel('Left outrigger 3 station')).toHaveValue('155');
  await expectChosen(page.getByLabel('Left outrigger 4 section'), 'angle');
});

test('loads from a scale ticket put the payload where it stands; a bad ticket changes nothing; too much for an axle is said', async ({
  page,
}, info) => {
  await openJobByForm(page, `LD-${info.workerIndex}`, { fields: { 'Gross weight, lb': '16000' } });
  await page.getByRole('link', { name: /^Frame/ }).click();
  const loads = page.getByRole('region', { name: 'Loads' });
  const weight = loads.getByLabel('Payload weight');
  const listed = await weight.inputValue();
  await loads.getByRole('button', { name: 'Paste a ticket' }).click();
  await loads.getByLabel(/^Ticket/).fill('AXLE 1;LEFT lots');
  await loads.getByRole('button', { name: 'Read the ticket' }).click();
  await expect(loads.getByRole('alert')).toContainText('line 1 is no stand of a scale ticket');
  await loads.getByLabel(/^Ticket/).fill('AXLE 1;LEFT 100 kg;RIGHT 100 kg\nAXLE 2;LEFT 100 kg;RIGHT 100 kg');
  await loads.getByRole('button', { name: 'Read the ticket' }).click();
  await expect(loads.getByRole('alert')).toContainText('less than the frame and what is listed');
  await expect(weight).toHaveValue(listed);
  await loads.getByRole('button', { name: 'Take the scale’s ticket' }).click();
  await expect(loads.getByText(/^Last ticket/)).toBeVisible();
  await expect(weight).not.toHaveValue(listed);
  await weight.fill('heavy');
  await weight.press('Enter');
  await expect(loads.getByRole('alert')).toContainText('pounds');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(loads.getByText(/^Last ticket/)).toBeHidden();
  await loads.getByRole('button', { name: 'Take the scale’s ticket' }).click();
  await expect(loads.getByText(/^Last ticket/)).toBeVisible();
  await page.getByLabel('Rear axle rating').fill('6000');
  await page.getByLabel('Rear axle rating').press('Enter');
  await page.getByLabel('bump, g').fill('99');
  await page.getByLabel('bump, g').press('Enter');
  await expect(page.getByText('out of range; 3 stands')).toBeVisible();
  await page.getByLabel('bump, g').fill('2.5');
  await page.getByLabel('bump, g').press('Enter');
  await page.getByRole('button', { name: 'Keep the frame' }).click();
  await expect(page.getByText('Frame kept')).toBeVisible();
  await page.getByRole('link', { name: /^Weigh/ }).click();
  await worked(page);
  await expect(page.getByRole('table', { name: 'Standing on the ground' })).toContainText('6000 lb: over');
});

test('GR-7: what rust does to what the frame carries, found against built against repaired', async ({
  page,
  jobs,
}) => {
  await page.goto(`${jobs['GR-7']}/weigh?member=rail-right`);
  await worked(page);
  await page.getByRole('button', { name: /Worst station/ }).click();
  const rows = page.getByRole('table', { name: 'Demand at the cursor' }).getByRole('row');
  const used = async (state: string) =>
    Number(
      /(\d+) %/.exec(
        (await rows
          .filter({ has: page.getByRole('rowheader', { name: state, exact: true }) })
          .textContent())!,
      )![1],
    );
  expect(await used('found')).toBeGreaterThan(1.5 * (await used('built')));
  expect(await used('repaired')).toBeLessThan(0.6 * (await used('found')));
  // Its plate alone does not do it: the crossmember beside it is to be renewed.
  await expect(page.getByRole('region', { name: 'Demand' })).toContainText(
    'crossmember 4 should hold it sideways and was found bad',
  );
  await expect(page.getByRole('region', { name: 'Reasons' })).toContainText(
    /Uses \d+ % of what it may carry/,
  );
  await expect(page.getByRole('region', { name: 'Reasons' })).not.toContainText(
    'Leave rests on the section alone',
  );
  await page.getByRole('radio', { name: 'as stress' }).click();
  await expect(page.getByRole('img', { name: /^Stress along the member/ })).toBeVisible();
  await page.getByText('More of this section').click();
  await expect(page.getByRole('complementary', { name: 'Slice' })).toContainText('warping constant Cw');
});

test('GR-7, cut open: nothing is said until its stands are; then on them, apart from the road', async ({
  page,
  jobs,
}) => {
  await page.goto(`${jobs['GR-7']}/weigh?member=rail-right`);
  await worked(page);
  const cut = page.getByRole('region', { name: 'While it is cut' });
  await expect(cut).toContainText('nobody has said what it stands on');
  await cut.getByRole('link', { name: 'Say where the stands are, in Frame' }).click();
  await page.getByRole('button', { name: 'Start with four, where a lift would hold it' }).click();
  await page.getByLabel('Stand 1 station').fill('far');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Stands while it is cut' }).getByRole('alert')).toBeVisible();
  await page.getByLabel('Stand 1 station').fill('50');
  await page.keyboard.press('Enter');
  await page.getByLabel('Payload height of its centre above ground').fill('64');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Keep the frame' }).click();
  await expect(page.getByText('Frame kept')).toBeVisible();
  await page.getByRole('link', { name: /^Weigh/ }).click();
  await worked(page);
  const stands = page.getByRole('table', { name: 'On its stands' });
  for (const state of ['cut open', 'tacked'])
    await expect(
      stands.getByRole('row').filter({ has: page.getByRole('rowheader', { name: state, exact: true }) }),
    ).toContainText(/\d+ %/);
  await expect(cut).toContainText('left stand at 50');
  await expect(cut).toContainText(/lbf|kip/);
  // The road's table has the states that drive, and no others.
  await expect(page.getByRole('table', { name: 'Demand at the cursor' })).not.toContainText('cut open');
  await page.reload();
  await page.getByRole('link', { name: /^Frame/ }).click();
  await expect(page.getByLabel('Payload height of its centre above ground')).toHaveValue('64');
});

test('neighbouring axles share unless the frame says each is on its own, and keep to what was said', async ({
  page,
  jobs,
}) => {
  await page.goto(`${jobs['BK-1']}/frame`);
  await expect(page.getByRole('radio', { name: 'share by an equaliser' })).toBeChecked();
  await page.getByRole('radio', { name: 'each on its own' }).press('Enter');
  await page.getByRole('button', { name: 'Keep the frame' }).click();
  await expect(page.getByText('Frame kept')).toBeVisible();
  await page.reload();
  await expect(page.getByRole('radio', { name: 'each on its own' })).toBeChecked();
});
