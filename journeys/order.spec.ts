import { writeFileSync } from 'node:fs';
import ICAL from 'ical.js';
import { readPdf } from '../checks/outside/validators';
import { choose, expectChosen, offered } from './choose';
import { expect, kept, paperOf, recordsOf, test } from './stage';
import { serve, serveDemo } from '../set-up/server.mjs';

const order = (page: import('@playwright/test').Page) => page.getByRole('region', { name: 'Plan' });

test('DV-3 stands at a shut gate: the permit is given check by check, the arc runs, the watch counts', async ({
  page,
  untouched,
}, info) => {
  const job = untouched.jobs['DV-3']!;
  await page.goto(`${untouched.url}${job}/order`);
  await expect(order(page).getByRole('heading', { level: 2 })).toHaveText(
    'Nothing may be begun: a gate is shut',
    { timeout: 60_000 },
  );
  await expect(order(page)).toContainText('asks for Renew, and nothing is decided');
  const weld = order(page).getByRole('listitem').filter({ hasText: 'Weld the crack' });
  await weld.getByRole('button', { name: /Weld the crack/ }).click();
  await expect(weld).toContainText('Hot work: shut. no permit is given');
  await expect(weld.getByRole('button', { name: 'Done' })).toBeDisabled();

  await page.getByRole('button', { name: /^Gates/ }).click();
  const gate = page.getByRole('listitem', { name: /^Hot work, zone/ });
  await expect(gate).toContainText('Nobody signs past it');
  await gate.getByRole('button', { name: 'Permit' }).click();
  const form = gate.getByRole('form', { name: /^Permit, zone/ });
  await form.getByRole('button', { name: 'Give the permit' }).click();
  await expect(form.getByRole('alert').filter({ hasText: 'not looked at yet' })).toBeVisible();
  for (const group of await form.getByRole('list').getByRole('group').all())
    await group.getByRole('button').last().click();
  await form.getByRole('button', { name: 'Give the permit' }).click();
  await expect(form.getByRole('alert')).toContainText('a helper who is not you');
  await form.getByRole('textbox', { name: 'helper' }).fill('AL');
  await form.getByRole('button', { name: 'Give the permit' }).click();
  await expect(gate).toContainText('open');

  // One task after another; finished once, though two say so.
  await page.getByRole('link', { name: 'At the truck' }).click();
  await page.setViewportSize({ width: 390, height: 844 });
  const now = page.getByRole('region', { name: 'Next task' });
  await expect(now.getByRole('heading', { level: 2 }).first()).toHaveText(/Weld the crack/, {
    timeout: 60_000,
  });
  await now.getByRole('button', { name: 'Begin' }).click();
  await expect(now.getByRole('button', { name: 'Stop' })).toBeVisible();
  await kept(page);
  await page.reload();
  await expect(now.getByRole('button', { name: 'Stop' })).toBeVisible({ timeout: 60_000 });
  await now.getByRole('button', { name: 'Done' }).click();
  await expect(now.getByRole('heading', { level: 2 }).first()).toHaveText(/Dye and look/);
  await expect(now).toContainText('Cool: shut. cools for another');
  await expect(now.getByRole('button', { name: 'Done' })).toBeDisabled();
  await kept(page);

  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto(`${untouched.url}${job}/order?part=gates`);
  await gate.getByRole('button', { name: 'Permit' }).click();
  const permit = gate.getByRole('link', { name: 'Permit, PDF' });
  const path = info.outputPath('permit.pdf');
  writeFileSync(path, await paperOf(page.request, `${untouched.url}${await permit.getAttribute('href')}`));
  expect(readPdf(path).words).toContain('Cavity looked into');
  await gate.getByRole('button', { name: 'Last arc is out: watch begins' }).click();
  await expect(gate.getByRole('timer')).toContainText(/5\d:\d\d to watch/);
  await expect(gate.getByRole('button', { name: 'Nothing smokes, nothing glows' })).toBeDisabled();
  await expect(gate).toContainText('the last permit is over');
  await kept(page);

  // The air decides: coat now, or wait.
  const coat = page.getByRole('listitem', { name: /^Coat now, or wait, zone/ });
  await coat.getByRole('button', { name: 'Air and steel' }).click();
  const air = coat.getByRole('form', { name: 'Air and steel' });
  await air.getByLabel('air').fill('68');
  await air.getByLabel('humidity').fill('damp');
  await air.getByLabel('steel itself').fill('60');
  await air.getByRole('button', { name: 'Measured like this' }).click();
  await expect(air.getByRole('alert')).toContainText('over 0 to 100 %');
  await expect(air).toContainText('Nothing was kept');
  await air.getByLabel('humidity').fill('70');
  await expect(air.getByRole('status')).toContainText('Wait: steel only 2.2 °F above the dew point');
  await air.getByLabel('steel itself').fill('68');
  await expect(air.getByRole('status')).toContainText('coat now');
  await air.getByRole('button', { name: 'Measured like this' }).click();
  await expect(coat).toContainText('open');

  // Past a gate that may be passed: two names and a reason, and it stands on the paper.
  const cure = page.getByRole('listitem', { name: /^Cured, zone/ });
  await cure.getByRole('button', { name: 'pass it all the same' }).click();
  const force = cure.getByRole('form', { name: 'Pass it all the same' });
  await force.getByLabel('why').fill('ferry at noon');
  await force.getByRole('button', { name: /sign for it/ }).click();
  await expect(force.getByRole('alert')).toContainText('a second pair of eyes');
  await force.getByRole('button', { name: 'Leave it' }).click();
});

test('GR-7 in mid plan: found more, asked, granted; its days kept; papers', async ({
  page,
  untouched,
}, info) => {
  const job = untouched.jobs['GR-7']!;
  await page.goto(`${untouched.url}${job}/order`);
  await expect(order(page)).toContainText('Right rail asks for Mend, and nothing is decided', {
    timeout: 60_000,
  });
  await expect(order(page)).toContainText('Granted since: a second flat beneath the old bar');

  // Off, and where it lies: said where nobody said.
  await page.getByRole('button', { name: /^Off and back/ }).click();
  const off = page.getByRole('region', { name: 'Off and back' });
  await expect(off.getByRole('heading', { level: 2 })).toHaveText(/Not to be closed/);
  await expect(off.getByRole('listitem').filter({ hasText: 'Fuel' })).toContainText('out of the building');
  const load = off.getByRole('listitem').filter({ hasText: 'Payload' });
  await expect(load).toContainText('off; nobody said where');
  await load.getByRole('button', { name: 'Payload' }).click();
  await load.getByRole('button', { name: /It lies elsewhere/ }).click();
  const lies = load.getByRole('form', { name: 'Payload, off' });
  await lies.getByLabel('it sat at').fill('nowhere');
  await lies.getByRole('button', { name: 'It is off' }).click();
  await expect(lies.getByRole('alert')).toContainText('nowhere');
  await expect(lies).toContainText('Nothing was kept');
  await lies.getByLabel('it sat at').fill('105');
  await lies.getByRole('button', { name: 'It is off' }).click();
  await expect(load).toContainText('Nobody said where it lies');
  await page.request
    .post(`${untouched.url}/api${job}/closing`, {
      data: {
        id: '00000000-0000-4000-8000-00000000c105',
        closed: true,
        by: 'RK',
        at: '2026-11-28T08:00:00Z',
      },
    })
    .then(async (answer) => {
      expect(answer.ok()).toBe(false);
      expect(await answer.text()).toContain('not closed while something is off or untried');
    });

  await page.getByRole('button', { name: /^More found/ }).click();
  const found = page.getByRole('region', { name: 'More found' });
  await expect(found).toContainText('yes: it is on the plan: owner, by telephone');
  await found.getByRole('button', { name: 'Something more was found' }).click();
  const form = page.getByRole('form', { name: 'Something more was found' });
  await form.getByLabel('what was found').fill('harness chafed through');
  await form.getByRole('button', { name: 'Ask the owner' }).click();
  await expect(form.getByRole('alert')).toContainText('hours, from least to most');
  await form.getByLabel('hours, least').fill('3');
  await form.getByLabel('most', { exact: true }).fill('1');
  await form.getByRole('button', { name: 'Ask the owner' }).click();
  await expect(form.getByRole('alert')).toContainText('the least comes first');
  await form.getByLabel('hours, least').fill('0.5');
  await form.getByRole('button', { name: 'Ask the owner' }).click();
  const row = found.getByRole('listitem').filter({ hasText: 'harness chafed' });
  await row.getByRole('button', { name: 'What the owner says' }).click();
  const said = row.getByRole('form', { name: 'What the owner says' });
  await said.getByRole('radio', { name: 'later' }).click();
  await said.getByRole('button', { name: 'The owner said so' }).click();
  await expect(said.getByRole('alert')).toContainText('put off until when?');
  await said.getByRole('radio', { name: 'yes' }).click();
  await said.getByRole('button', { name: 'The owner said so' }).click();
  await expect(row).toContainText('yes: it is on the plan');
  await kept(page);

  await page.getByRole('button', { name: 'Dates' }).click();
  const dates = page.getByRole('region', { name: 'Dates' });
  await expect(
    dates.getByRole('status').filter({ hasText: /^Ready .* kept 80 times in a hundred$/ }),
  ).toBeVisible({
    timeout: 60_000,
  });
  await expect(dates).toContainText('is no longer this one');
  await dates.getByRole('button', { name: 'Keep the plan anew' }).click();
  await expect(dates).not.toContainText('is no longer this one');
  await kept(page);

  const calendar = ICAL.parse(
    (await paperOf(page.request, `${untouched.url}/api${job}/calendar`)).toString(),
  );
  const events = new ICAL.Component(calendar)
    .getAllSubcomponents('vevent')
    .map((each) => new ICAL.Event(each));
  expect(events.length).toBeGreaterThan(10);
  expect(new Set(events.map(({ uid }) => uid)).size).toBe(events.length);
  expect(events[0]!.summary).toContain('GR-7');
  for (const { startDate, endDate } of events) expect(endDate.compare(startDate)).toBeGreaterThan(0);

  for (const [which, words] of [
    ['plan', 'Why here'],
    ['tags', 'Cut along the dashes'],
    ['change-note', 'a second flat beneath the old bar'],
    ['handover', 'Half done'],
  ] as const) {
    const path = info.outputPath(`${which}.pdf`);
    writeFileSync(
      path,
      await paperOf(page.request, `${untouched.url}/api${job}/order-papers/${which}?unit=in`),
    );
    expect(readPdf(path).words.toLowerCase()).toContain(words.toLowerCase());
  }
  expect((await page.request.get(`${untouched.url}/api${job}/order-papers/toString`)).status()).toBe(404);
});

test('the shop’s calendar: a job is moved by key and by form, and stays moved', async ({
  page,
  untouched,
}) => {
  await page.goto(untouched.url);
  await page.getByRole('link', { name: 'Calendar' }).click();
  const bar = page.getByRole('button', { name: /^DV-3,/ });
  await expect(bar).toBeVisible({ timeout: 60_000 });
  const before = await bar.getAttribute('aria-label');
  await bar.focus();
  await page.keyboard.press('PageDown');
  await expect(bar).not.toHaveAttribute('aria-label', before!);
  const moved = await bar.getAttribute('aria-label');
  await page.keyboard.press('ArrowUp');
  await expect(bar).toHaveAttribute('aria-label', /North$/);
  const list = page.getByRole('list', { name: 'Planned jobs' });
  await expectChosen(list.getByRole('listitem').filter({ hasText: 'DV-3' }).getByLabel('bay'), 'North');
  await expect
    .poll(
      async () =>
        (await recordsOf(untouched.url, untouched.jobs['DV-3']!)).evidence.filter(
          ({ kind }) => kind === 'slot',
        ).length,
    )
    .toBe(3);
  await page.reload();
  await expect(bar).toHaveAttribute('aria-label', /North$/, { timeout: 60_000 });
  expect(moved).not.toBe(before);
  // Dragged by hand: two days on, and back into the other bay.
  const at = (await bar.boundingBox())!;
  const day =
    (await page.locator('svg line').nth(1).boundingBox())!.x -
    (await page.locator('svg line').nth(0).boundingBox())!.x;
  const dropped = await bar.getAttribute('aria-label');
  await page.mouse.move(at.x + 10, at.y + at.height / 2);
  await page.mouse.down();
  await page.mouse.move(at.x + 10 + 2 * day, at.y + at.height / 2 + 60, { steps: 6 });
  await page.mouse.up();
  await expect(bar).toHaveAttribute('aria-label', /South$/);
  expect(await bar.getAttribute('aria-label')).not.toBe(dropped);
  const waiting = page
    .getByRole('region', { name: 'Waiting' })
    .getByRole('listitem')
    .filter({ hasText: 'BM-2' });
  await expect(waiting).toContainText('To the shop only');
  await expect(waiting).toContainText(/Looked at again|look was due/);
});

test('until its turn: no milder than the records, with a look; a bay that does not take it is said', async ({
  page,
  untouched,
}) => {
  const job = untouched.jobs['BK-1']!;
  await page.goto(`${untouched.url}${job}/order?part=dates`);
  const until = page.getByRole('region', { name: 'Until its turn' });
  await expect(until).toContainText('To the shop only', { timeout: 60_000 });
  await until.getByRole('button', { name: 'What the owner is told' }).click();
  const form = until.getByRole('form', { name: 'Until its turn' });
  await expect
    .poll(() => offered(form.getByLabel(/^it may/)))
    .toEqual(['To the shop only', 'Do not move it']);
  await expect(until).not.toContainText('still working it out', { timeout: 60_000 });
  await form.getByRole('button', { name: 'This was told' }).click();
  await expect(form.getByRole('alert')).toContainText('say how it may be used; nothing was kept');
  await form.getByLabel(/^how:/).fill('empty, on the flat');
  await form.getByLabel(/^or after/).fill('far');
  await form.getByRole('button', { name: 'This was told' }).click();
  await expect(form.getByRole('alert')).toContainText('such as 30');
  await expect(form).toContainText('Nothing was kept');
  await form.getByLabel(/^or after/).fill('50');
  await form.getByRole('button', { name: 'This was told' }).click();
  await expect(until).toContainText('Looked at again after 50 mi more');
  await kept(page);
  await page.reload();
  await expect(until).toContainText('empty, on the flat');
  // Whoever asks whether it may be driven hears what its owner was told.
  await page.goto(`${untouched.url}${job}/answers`);
  await expect(page.getByRole('region', { name: 'May it be driven?' })).toContainText(
    'What its owner was told until its turn: to the shop only; empty, on the flat',
  );

  await page.goto(`${untouched.url}${untouched.jobs['GR-7']!}/order?part=dates`);
  const dates = page.getByRole('form', { name: 'When and where' });
  await choose(dates.getByLabel('bay'), 'South');
  await dates.getByRole('button', { name: 'Needs a lift' }).click();
  await dates.getByRole('button', { name: 'Keep this' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'South has no lift' })).toContainText(
    'it stands in North',
  );
});

test('the server dies in mid task: nothing lost, nothing twice', async ({ page }) => {
  const first = await serveDemo();
  const job = first.jobs['DV-3']!;
  const tasks = async (url: string) =>
    (await recordsOf(url, job)).evidence.filter(({ kind }) => kind === 'task').length;
  try {
    await page.goto(`${first.url}${job}/order`);
    const plan = order(page);
    await expect(plan.getByRole('heading', { level: 2 })).toBeVisible({ timeout: 60_000 });
    const before = await tasks(first.url);
    first.child.kill('SIGKILL');
    await new Promise((resolve) => first.child.once('exit', resolve));
    const row = plan.getByRole('listitem').filter({ hasText: 'Torque again' });
    await row.getByRole('button', { name: /Torque again/ }).click();
    await row.getByRole('button', { name: 'not needed' }).click();
    await row.getByLabel('why it is done without').fill('nothing was bolted');
    await row.getByRole('button', { name: 'Not needed' }).click();
    await expect(page.getByRole('status').filter({ hasText: 'offline: 1 held here' })).toBeVisible();
    const second = await serve(first.path, { port: first.port });
    try {
      await kept(page);
      expect(await tasks(second.url)).toBe(before + 1);
      await page.reload();
      await kept(page);
      expect(await tasks(second.url)).toBe(before + 1);
    } finally {
      second.stop();
    }
  } finally {
    first.stop();
  }
});
