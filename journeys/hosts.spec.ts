import Database from 'better-sqlite3';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { serve } from '../set-up/server.mjs';
import { choose, expectChosen } from './choose';
import { expect, kept, openJob, recordsOf, test, worked } from './stage';

const jobOf = (url: string) => new URL(url).pathname.split('/').slice(0, 3).join('/');

test('a hanger cracked and worn on a sound rail: a verdict of its own, heard at the lift gate and in the Yard, ended by being renewed', async ({
  page,
}, info) => {
  await openJob(page, `HO-${info.workerIndex}1`);
  const job = jobOf(page.url());
  await page.goto(`${job}/walk?member=rail-left`);
  await worked(page);
  await page
    .getByRole('region', { name: 'The way round' })
    .getByRole('button', { name: /Rear spring, front hanger, left/ })
    .click();
  const hanger = page.getByRole('region', { name: 'The bracket or mount itself' });
  await hanger.getByRole('radio', { name: 'weld' }).click();
  await hanger.getByRole('button', { name: 'cracked…' }).click();
  await hanger.getByLabel(/how long/).fill('long');
  await hanger.getByRole('button', { name: 'Keep: weld cracked' }).click();
  await expect(hanger.getByRole('alert')).toContainText('how long');
  await hanger.getByLabel(/how long/).fill('1 1/4');
  await hanger.getByRole('button', { name: 'Keep: weld cracked' }).click();

  // What it was made to stands there already; the size found is all that is typed, by keyboard here.
  await hanger.getByRole('radio', { name: 'pin' }).press('Enter');
  await hanger.getByRole('button', { name: 'worn…' }).press('Enter');
  await expect(hanger.getByLabel(/size made/)).toHaveValue('0.750');
  await page.keyboard.type('0.62');
  await page.keyboard.press('Enter');
  await kept(page);
  const found = hanger.getByRole('list', { name: 'Found of it' });
  await expect(found).toContainText('weld cracked 1.250 in');
  await expect(found).toContainText('pin worn: 0.620 in of 0.750 in made');
  await page.getByRole('button', { name: 'Units: in; switch to mm' }).click();
  await expect(found).toContainText('15.7 mm of 19.0 mm made');
  await page.reload();
  await worked(page);

  await page.goto(`${job}/weigh?member=rail-left`);
  await worked(page);
  const unit = page.getByRole('region', { name: 'The unit' });
  await expect(unit.getByRole('list', { name: 'Fittings: Renew' })).toContainText(
    'Rear spring, front hanger, left: pin worn, weld cracked',
  );
  await expect(page.getByRole('heading', { level: 1 })).not.toHaveText(/Mend|Splice|Renew/);
  await page.goto(`${job}/walk?part=lift`);
  await worked(page);
  await page.getByRole('button', { name: 'Ask', exact: true }).click();
  await expect(page.getByRole('region', { name: 'Answer' })).toContainText('Rear spring, front hanger, left');
  await page.goto('/');
  await expect(page.getByRole('link', { name: new RegExp(`HO-${info.workerIndex}1`) }).first()).toBeVisible();
  await expect(page.locator('main')).toContainText('Rear spring, front hanger, left');

  await page.goto(`${job}/walk?member=rail-left`);
  await worked(page);
  await page
    .getByRole('region', { name: 'The way round' })
    .getByRole('button', { name: /Rear spring, front hanger, left/ })
    .click();
  await hanger.getByRole('radio', { name: 'plate' }).click();
  await hanger.getByText('Put right since').click();
  await hanger.getByRole('button', { name: 'renewed whole' }).click();
  await expect(hanger.getByText('Nothing stands against it.')).toBeVisible();
  await kept(page);
  const { evidence } = await recordsOf(new URL(page.url()).origin, job);
  expect(evidence.filter(({ kind }) => kind === 'find')).toHaveLength(3);
});

test('a frame is built on: a second upright with its brace, an outrigger, a floor, a bracket on the upright; what is wrong is said and kept', async ({
  page,
}, info) => {
  await openJob(page, `HO-${info.workerIndex}2`, { family: 'gooseneck trailer' });
  const job = jobOf(page.url());
  await page.goto(`${job}/frame`);
  await worked(page);
  const members = page.getByRole('region', { name: 'Members' });
  for (const role of ['upright', 'brace', 'outrigger']) {
    await choose(members.getByLabel('role'), role);
    await members.getByRole('button', { name: 'Add a member' }).click();
  }
  await expect(page.getByRole('region', { name: 'The member chosen' })).toContainText('Left outrigger 1');
  const out = page.getByLabel('Left outrigger 1 to to the right');
  await out.fill('-60');
  await out.press('Enter');

  const panels = page.getByRole('region', { name: 'Panels' });
  await panels.getByRole('button', { name: 'Add a panel' }).click();
  await panels.getByText('lies over').last().click();
  const floor = panels.getByRole('listitem').last();
  await floor.getByRole('checkbox', { name: 'Left beam', exact: true }).uncheck();
  await page.getByRole('button', { name: 'Keep the frame' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'which member does it lie over?' })).toBeVisible();
  await floor.getByRole('checkbox', { name: 'Left outrigger 1' }).check();

  const fittings = page.getByRole('region', { name: 'Fittings' });
  await choose(fittings.getByLabel('kind', { exact: true }), 'gusset');
  await fittings.getByRole('button', { name: 'Add a fitting' }).click();
  await fittings
    .getByRole('button', { name: /^More of Gusset/ })
    .last()
    .click();
  const more = fittings.getByRole('group', { name: /^More of Gusset/ });
  await choose(more.getByLabel('hangs on'), { label: 'Left upright 1' });
  await choose(more.getByLabel('held by'), 'weld');
  const hole = more.getByLabel(/hole as made/);
  await hole.fill('9/16');
  await hole.press('Enter');
  await page.getByRole('button', { name: 'Keep the frame' }).click();
  await expect(page.getByText('Frame kept').first()).toBeVisible();
  await page.reload();
  await worked(page);

  const { frame } = await recordsOf(new URL(page.url()).origin, job);
  const added = frame.members.filter(({ id }) => /^(upright|brace|outrigger)-(left|right)-1$/.test(id));
  expect(added).toHaveLength(6);
  expect(frame.members.find(({ id }) => id === 'outrigger-right-1')!.line!.to[1]).toBeCloseTo(1524, 3);
  expect(frame.fittings.at(-1)).toMatchObject({
    onId: 'upright-left-1',
    attached: { by: 'weld' },
    holeMm: 14.2875,
  });
  expect(frame.panels!.at(-1)!.behindIds).toEqual(['outrigger-left-1']);

  // What was added is on the way round, and what is found of it is told to what it lies over.
  await page.goto(`${job}/walk`);
  await worked(page);
  await page
    .getByRole('region', { name: 'The way round' })
    .getByRole('button', { name: /^Floor 1/ })
    .click();
  const panel = page.getByRole('region', { name: 'The panel itself' });
  await panel.getByRole('radio', { name: 'sheet' }).click();
  await panel.getByRole('button', { name: 'rusted through…' }).click();
  await panel.getByRole('button', { name: 'Keep: sheet rusted through' }).click();
  await kept(page);
  await page.goto(`${job}/weigh?member=outrigger-left-1`);
  await worked(page);
  await expect(page.getByRole('region', { name: 'Reasons' })).toContainText('Floor 1: sheet rusted through');
});

test('a job begins with a tag, a kind and who opens it; the measures are nobody’s until somebody takes them', async ({
  page,
}, info) => {
  await page.goto('/new');
  await page.getByLabel('Tag').fill(`HO-${info.workerIndex}3`);
  await choose(page.getByLabel('Kind'), 'pickup');
  await page.getByLabel('Opened by (role or initials)').fill('TM');
  await expectChosen(page.getByLabel('Steel', { exact: true }), 'presumed-mild');
  await page.getByRole('button', { name: 'Open the job' }).click();
  await page.waitForURL(/\/jobs\/[^/]+\/walk/);
  await worked(page);
  const said = page.getByRole('list', { name: 'Not to be relied on' });
  await expect(said).toContainText('nobody took them from this unit');
  await page.getByRole('link', { name: /^Frame/ }).click();
  await page.waitForURL(/frame/);
  await page.getByRole('button', { name: 'They are taken from this unit' }).click();
  await page.getByRole('button', { name: 'Keep the frame' }).click();
  await expect(page.getByText('Frame kept').first()).toBeVisible();
  await page.getByRole('link', { name: /^Weigh/ }).click();
  await page.waitForURL(/weigh/);
  await worked(page);
  await expect(said).toHaveCount(0);
});

const OLD_JOB = '00000000-0000-4000-8000-00000000000c';
/** A database as the third version of its tables left it, with one job from before fittings had their name. */
function oldDatabase(path: string): void {
  const db = new Database(path);
  const folder = join('data', 'migrations');
  for (const file of readdirSync(folder).sort().slice(0, 3))
    db.exec(readFileSync(join(folder, file), 'utf8'));
  db.pragma('user_version = 3');
  const stored = (name: string) => readFileSync(join('core', 'job', 'stored', `${name}.json`), 'utf8');
  const at = '2026-01-01T00:00:00Z';
  const [unitId, readingId] = ['a', 'b'].map((end) => `00000000-0000-4000-8000-00000000000${end}`);
  db.prepare(
    "INSERT INTO unit VALUES (?, 'OLD-1', 'an older trailer', 'trailer', 'road salt', 'work', NULL)",
  ).run(unitId);
  db.prepare("INSERT INTO job VALUES (?, ?, 'look', 'repair', '', 'RK', ?)").run(OLD_JOB, unitId, at);
  db.prepare("INSERT INTO evidence VALUES (?, ?, 'reading', 1)").run(readingId, OLD_JOB);
  db.prepare(
    "INSERT INTO reading (id, member_id, station_mm, face, height_mm, thickness_mm, method, by_whom, at, note) VALUES (?, 'rail-left', 1000, 'outer', 50, 4.5, 'caliper', 'RK', ?, 'kept from before')",
  ).run(readingId, at);
  db.prepare("INSERT INTO job_setup VALUES (?, 1, ?, ?, 'RK', ?)").run(
    OLD_JOB,
    stored('frame.1'),
    stored('practice-profile.1'),
    at,
  );
  db.close();
}

test('an old database is opened: its frame, its brackets and its reading are there, and it is worked on', async ({
  page,
}) => {
  const folder = mkdtempSync(join(tmpdir(), 'old-'));
  const path = join(folder, 'shop.db');
  oldDatabase(path);
  const server = await serve(path);
  try {
    await page.goto(`${server.url}/jobs/${OLD_JOB}/probe?member=rail-left`);
    await worked(page);
    await expect(page.getByText('Readings on left rail: 1')).toBeVisible();
    await page.getByRole('link', { name: /^Frame/ }).click();
    await page.waitForURL(/frame/);
    const fittings = page.getByRole('region', { name: 'Fittings' });
    const old = JSON.parse(readFileSync(join('core', 'job', 'stored', 'frame.1.json'), 'utf8')) as {
      landmarks: readonly { name: string }[];
    };
    await expect(fittings.getByLabel('Fitting name')).toHaveCount(old.landmarks.length);
    await page.getByRole('button', { name: 'Add a member' }).click();
    await page.getByRole('button', { name: 'Keep the frame' }).click();
    await expect(page.getByText('Frame kept').first()).toBeVisible();
    await page.getByRole('link', { name: /^Weigh/ }).click();
    await page.waitForURL(/weigh/);
    await worked(page);
    await expect(page.getByRole('region', { name: 'The unit' })).toBeVisible();
  } finally {
    server.stop();
    rmSync(folder, { recursive: true, force: true });
  }
});
