import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, test as base, type Page } from '@playwright/test';
import { unzipSync } from 'fflate';
import { CHROMIUM, CHROMIUM_ARGS } from '../set-up/browser.mjs';
import { serve, serveDemo } from '../set-up/server.mjs';
import { tapRecording, wavOf } from '../stand-ins/tap-sound';
import { ofKind } from '../core/frame';
import type { Look, Photo } from '../core/walk';
import { choose } from './choose';
import { expect, kept, openJob, recordsOf, takeAway, test, worked, PIXEL } from './stage';

const spot = (page: Page) => page.getByRole('region', { name: 'This spot' });
const result = (page: Page, name: string) =>
  page.getByRole('group', { name: 'What it is' }).getByRole('button', { name: new RegExp(`^${name}`) });

test('a round by keys and taps: what is bad asks for the other side, not seen wants a why, eye alone does not see into a box', async ({
  page,
}) => {
  await openJob(page, 'WK-1', { family: 'boxed ladder' });
  await page.getByRole('link', { name: /^Walk/ }).click();
  await expect(page.getByRole('main').getByText(/^0 of \d+ seen/)).toBeVisible();
  const first = (await spot(page).getByRole('heading').textContent())!;
  // Held down, struck twice or touched twice: the spots that come up meanwhile are nobody’s yet.
  for (let again = 0; again < 4; again++) await page.keyboard.down('1');
  await page.keyboard.up('1');
  await page.keyboard.press('1');
  await expect(spot(page).getByRole('heading')).not.toHaveText(first);
  await result(page, 'surface rust').dblclick();
  await kept(page);
  const { origin, pathname } = new URL(page.url());
  const { evidence } = await recordsOf(origin, pathname.split('/').slice(0, 3).join('/'));
  expect(ofKind(evidence, 'look').map((look) => look.result)).toEqual(['sound', 'surface rust']);

  await page
    .getByRole('region', { name: 'The way round' })
    .getByRole('button', { name: /Front shock mount, left/ })
    .click();
  await result(page, 'cracked').click();
  await expect(page.getByText('Now the other side and across the corner')).toBeVisible();
  await page.getByRole('button', { name: /Front shock mount, right →/ }).click();
  await expect(spot(page).getByRole('heading')).toHaveText('Front shock mount, right');
  await page.keyboard.press('0');
  await page.getByRole('group', { name: 'Why not seen' }).getByRole('button', { name: 'no light' }).click();

  await page
    .getByRole('region', { name: 'The way round' })
    .getByRole('button', { name: /Floor of the box, left rail \(1 of 2\)/ })
    .click();
  await page
    .getByRole('radiogroup', { name: 'Leave to hammer' })
    .getByRole('radio', { name: 'refused' })
    .click();
  await result(page, 'sound').click();
  const floor = page
    .getByRole('region', { name: 'The way round' })
    .getByRole('button', { name: /Floor of the box, left rail \(1 of 2\)/ });
  await expect(floor).toContainText('owner’s leave refused');
  await floor.click();
  await expect(spot(page)).toContainText('does not count as seen');
  await page.getByRole('button', { name: 'finger', exact: true }).click();
  await result(page, 'sound').click();
  await expect(floor).toContainText('sound');
  await kept(page);

  await page.reload();
  await worked(page);
  await expect(
    page
      .getByRole('region', { name: 'The way round' })
      .getByRole('button', { name: /Front shock mount, left/ }),
  ).toContainText('cracked');
  await expect(
    page
      .getByRole('region', { name: 'The way round' })
      .getByRole('button', { name: /Front shock mount, right/ }),
  ).toContainText('no light');
});

test('a crack is not looked away: it stands on its card until it is struck through', async ({ page }) => {
  await openJob(page, 'WK-1a', { family: 'boxed ladder' });
  await page.getByRole('link', { name: /^Walk/ }).click();
  const inList = page
    .getByRole('region', { name: 'The way round' })
    .getByRole('button', { name: /Front shock mount, left/ });
  await inList.click();
  await result(page, 'cracked').click();
  await result(page, 'sound').click();
  await expect(spot(page).getByRole('heading')).toHaveText('Front shock mount, left');
  await expect(spot(page)).toContainText(
    'Said since: sound. That does not answer it: it stands until it is put right, or struck through',
  );
  await expect(inList).toContainText('cracked');
  await spot(page).getByRole('button', { name: 'strike' }).click();
  const sheet = page.getByRole('dialog', { name: 'Strike through' });
  await sheet.getByLabel('or another reason').fill('the wrong spot was tapped');
  await sheet.getByRole('button', { name: 'Strike through' }).click();
  await expect(inList).toContainText('sound');
  await expect(spot(page)).not.toContainText('Said since');
  await kept(page);
});

test('the list is the shop’s: a spot of its own, one dropped, the reach of the UK profile', async ({
  page,
  jobs,
}) => {
  await page.goto(`${jobs['GR-7']}/walk?member=rail-left`);
  await worked(page);
  const spots = page.getByRole('region', { name: 'The way round' }).getByRole('listitem');
  const before = await spots.count();
  await page.getByRole('button', { name: 'What we look at' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByRole('form', { name: 'Add a spot' }).getByLabel('name').fill('Hopper leg');
  await choose(sheet.getByLabel('kind of bracket'), 'body mount');
  await sheet.getByRole('button', { name: 'Add the spot' }).click();
  await expect(sheet.getByText('Hopper leg')).toBeVisible();
  await sheet.getByRole('button', { name: 'UK, 300 mm' }).click();
  await expect(sheet.getByRole('button', { name: 'UK, 300 mm' })).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('Escape');
  await expect(spots).toHaveCount(before + 2);
  await page.getByRole('button', { name: 'What we look at' }).click();
  await sheet
    .getByRole('listitem')
    .filter({ hasText: 'Hopper leg' })
    .getByRole('button', { name: 'drop' })
    .click();
  await page.keyboard.press('Escape');
  await expect(spots).toHaveCount(before);
});

test('signs hang on the Strip, refuse nonsense, are struck through; a bolt’s marks say its grade', async ({
  page,
  jobs,
}) => {
  await page.goto(`${jobs['GR-7']}/walk?member=rail-left&part=signs`);
  await worked(page);
  const form = page.getByRole('form', { name: 'New sign' });
  await choose(form.getByLabel('sign', { exact: true }), 'fastener');
  await form.getByLabel(/^station/).fill('52');
  await form.getByRole('button', { name: /Keep the sign/ }).click();
  await expect(form.getByRole('alert')).toContainText('state: choose one');
  await choose(form.getByLabel('state', { exact: true }), 'loose');
  await form.getByLabel(/^station/).fill('600');
  await form.getByLabel(/^size/).fill('5/8');
  await form.getByLabel('lines on its head').fill('6');
  await form.getByRole('button', { name: /Keep the sign/ }).click();
  await expect(form.getByRole('alert')).toContainText('station is off');
  await form.getByLabel(/^station/).fill('52');
  await form.getByRole('button', { name: /Keep the sign/ }).click();
  const line = page.getByRole('region', { name: 'Signs' }).getByRole('listitem').filter({ hasText: 'bolt' });
  await expect(line).toContainText('grade 8');
  await expect(line).toContainText('from memory');
  await line.getByRole('button', { name: 'strike' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'wrong place' }).click();
  await expect(line).toContainText('struck by');
  await kept(page);
});

test('the lift gate: against it with a reason, not known where a look decides, kept with who asked, asked again when evidence changes; in millimetres too', async ({
  page,
  jobs,
}) => {
  await page.goto(`${jobs['BM-2']}/walk?member=rail-left&part=lift`);
  await worked(page);
  await page.getByRole('button', { name: 'Ask', exact: true }).click();
  const answer = page.getByRole('region', { name: 'Answer' });
  await expect(answer).toContainText(/Not here|Not at all yet/);
  await expect(answer.getByRole('region', { name: 'Against it' })).toContainText('rear left');
  await expect(answer.getByRole('region', { name: /Not known/ })).toContainText('nobody has looked');
  await expect(page.getByRole('region', { name: 'Asked before' })).toContainText('TM');
  await page.getByRole('button', { name: /^Units: in/ }).click();
  await expect(answer.getByRole('region', { name: 'Against it' })).toContainText('mm');
  await expect(answer.getByRole('region', { name: /Not known/ })).toContainText('this decides');
  // Past the soft stretch nothing is against it any more; what nobody has looked at still decides.
  for (const [k, mm] of ['2743', '2743', '5210', '5210'].entries())
    await page
      .getByLabel(/^station/)
      .nth(k)
      .fill(mm);
  await page.getByRole('button', { name: 'Ask', exact: true }).click();
  await expect(answer.getByRole('region', { name: 'Against it' })).toHaveCount(0);
  await expect(answer).toContainText('Not known');

  await page
    .getByRole('navigation', { name: 'Parts of the walk' })
    .getByRole('button', { name: 'Round' })
    .click();
  await result(page, 'sound').click();
  await kept(page);
  await page
    .getByRole('navigation', { name: 'Parts of the walk' })
    .getByRole('button', { name: 'Lift?' })
    .click();
  await expect(page.getByRole('region', { name: 'Asked before' })).toContainText(
    'evidence has changed since, ask again',
  );
  await page.getByLabel('ground falls to the front').fill('40');
  await page.getByRole('button', { name: 'Ask', exact: true }).click();
  await expect(page.getByRole('alert').filter({ hasText: '15°' })).toBeVisible();
});

test('a complaint is held against the model and stays unexplained', async ({ page, jobs }) => {
  await page.goto(`${jobs['DV-3']}/walk?part=complaint`);
  await worked(page);
  await expect(page.getByText('Unexplained: keep looking.')).toBeVisible();
  const form = page.getByRole('form', { name: 'New complaint' });
  await form.getByRole('button', { name: 'Keep the complaint' }).click();
  await expect(form.getByRole('alert').first()).toContainText('where is it felt');
  await choose(form.getByLabel('what is felt'), 'squeak');
  await form.getByLabel('where').fill('front wall');
  await form.getByText('Left steel wall stud').click();
  await form.getByRole('button', { name: 'Keep the complaint' }).click();
  const line = page.getByRole('listitem').filter({ hasText: 'squeak, front wall' });
  // The wall's skin over it has a crack that grows: that is a witness.
  await expect(line).toContainText('Damage is recorded there');
  await expect(line).toContainText('Still unseen on that path');
});

test('photos: before and after side by side, wrong content refused and nothing lost, struck not erased', async ({
  page,
  untouched,
}) => {
  // Photos are counted here: of a unit that no other journey photographs.
  const job = `${untouched.url}${untouched.jobs['BK-1']}`;
  await page.goto(`${job}/walk?member=rail-left&part=photos`);
  await worked(page);
  await page.getByLabel('what it shows').fill('outrigger weld');
  await choose(page.getByLabel('when'), 'before');
  await page.getByLabel(/Photo at/).setInputFiles({ name: 'a.png', mimeType: 'image/png', buffer: PIXEL });
  const figure = page
    .getByRole('region', { name: 'Photos' })
    .getByRole('listitem')
    .filter({ hasText: 'outrigger weld' });
  await expect(figure.getByRole('img')).toHaveAttribute('src', /^\/api\/photos\/[0-9a-f]{64}/);
  await figure.getByLabel('After').setInputFiles({ name: 'b.png', mimeType: 'image/png', buffer: PIXEL });
  await expect(page.getByRole('region', { name: 'Before and after' }).getByRole('img')).toHaveCount(2);
  await page.getByLabel('what it shows').fill('not a picture');
  await page
    .getByLabel(/Photo at/)
    .setInputFiles({ name: 'c.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('hello') });
  await expect(page.getByText(/no picture that can be read/)).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Photos: 2' })).toBeVisible();
  await figure.last().getByRole('button', { name: 'strike' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'wrong place' }).click();
  await expect(page.getByRole('heading', { name: 'Photos: 1' })).toBeVisible();
  const zip = await takeAway(page, /^Photos/);
  expect(zip.name).toBe('BK-1-photos.zip');
  const [[name, bytes]] = Object.entries(unzipSync(readFileSync(zip.path))) as [[string, Uint8Array]];
  expect(name).toBe('001 after outrigger weld.jpg');
  expect([...bytes.subarray(0, 3)]).toEqual([0xff, 0xd8, 0xff]);

  await page.goto(`${job}/prove?part=papers`);
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Photo book' }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('BK-1-photos.pdf');
  const path = await download.path();
  expect(spawnSync('qpdf', ['--check', path]).status).toBe(0);
  const words = spawnSync('pdftotext', ['-layout', path, '-'], { encoding: 'utf8' }).stdout;
  for (const said of ['Left beam', 'after: outrigger weld', '1 photo;', 'page 1 of 1'])
    expect(words).toContain(said);
  expect(words).not.toContain('not here');
});

test('the look before buying: a claim, and one page that says what was not seen', async ({ page, jobs }) => {
  // In letters of four alphabets, the last of which no sheet has: it says that one is missing, and prints no other.
  const claim = 'New brake lines, Łódź, Đừng, Не 漢';
  await page.goto(`${jobs['SV-9']}/walk?part=buying`);
  await worked(page);
  await expect(page.getByRole('region', { name: 'Answer for a buyer' })).toContainText('Do not decide yet');
  await page.getByRole('form', { name: 'New claim' }).getByLabel('claimed to be done').fill(claim);
  await page.getByRole('form', { name: 'New claim' }).getByRole('button', { name: 'Add' }).click();
  await page
    .getByRole('radiogroup', { name: `Claim: ${claim}` })
    .getByRole('radio', { name: 'borne out', exact: true })
    .click();
  await kept(page);
  const file = await takeAway(page, /Look before buying/);
  const text = spawnSync('pdftotext', ['-layout', file.path, '-'], { encoding: 'utf8' }).stdout;
  for (const words of [
    'Do not decide yet',
    'left sill',
    'New brake lines, Łódź, Đừng, Не ?',
    'borne out',
    'Not seen: nothing is said of these',
    'refused: scrape, drill',
    'an hour',
  ])
    expect(text).toContain(words);
  expect(spawnSync('pdfinfo', [file.path], { encoding: 'utf8' }).stdout).toMatch(/Pages:\s+1\b/);
});

test('the tap ear by stand-in: thin metal rings duller, the test is kept', async ({ page, jobs }) => {
  await page.goto(`${jobs['GR-7']}/walk?member=rail-right&part=tap`);
  await worked(page);
  for (const [title, metal] of [
    ['Good metal', 'solid'],
    ['Doubtful spot', 'thin'],
  ] as const) {
    const side = page.getByRole('region', { name: title });
    await choose(side.getByLabel('listen to'), metal);
    await side.getByRole('button', { name: 'Listen' }).click();
  }
  await expect(page.getByRole('status').filter({ hasText: 'duller' })).toBeVisible();
  await page.getByRole('button', { name: 'Keep this test' }).click();
  await expect(page.getByRole('region', { name: 'Tests kept' })).toContainText('stand-in');
});

base('the tap ear by microphone hears what is played to it', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'tap-'));
  writeFileSync(join(folder, 'solid.wav'), wavOf(tapRecording('solid', 3, { taps: 12 })));
  const server = await serveDemo();
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: [
      ...CHROMIUM_ARGS,
      '--use-fake-device-for-media-stream',
      '--use-fake-ui-for-media-stream',
      `--use-file-for-fake-audio-capture=${join(folder, 'solid.wav')}`,
    ],
  });
  const page = await browser.newPage({ baseURL: server.url, permissions: ['microphone'] });
  await page.goto(`${server.jobs['GR-7']}/walk?member=rail-right&part=tap`);
  await worked(page);
  const side = page.getByRole('region', { name: 'Good metal' });
  await side.getByRole('button', { name: 'Listen' }).click();
  await expect(side.getByRole('table').getByRole('row')).not.toHaveCount(0);
  const tones = await side.getByRole('table').locator('tbody tr td:nth-child(3)').allTextContents();
  expect(tones.length).toBeGreaterThanOrEqual(3);
  for (const tone of tones) expect(Math.abs(Number(tone) / 1840 - 1)).toBeLessThan(0.06);
  await browser.close();
  server.stop();
});

base(
  'the server dies in the middle of a round and comes back: every entry is there once, in order',
  async ({ browser }) => {
    const first = await serveDemo();
    const page = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
    await page.goto(`${first.url}${first.jobs['BM-2']}/walk`);
    await worked(page);
    const seenBefore = (await recordsOf(first.url, first.jobs['BM-2']!)).evidence.length;
    await result(page, 'sound').click();
    await kept(page);
    first.child.kill();
    await new Promise((resolve) => first.child.once('exit', resolve));
    const titles: string[] = [];
    for (const name of ['scaling', 'pitted', 'soft']) {
      titles.push((await spot(page).getByRole('heading').textContent())!);
      await result(page, name).click();
      await page.getByRole('button', { name: 'The next spot' }).click();
    }
    await page
      .getByLabel('Photo', { exact: true })
      .setInputFiles({ name: 'a.png', mimeType: 'image/png', buffer: PIXEL });
    await expect(page.getByRole('status').filter({ hasText: /held here/ })).toContainText('4 held here');
    const port = Number(new URL(first.url).port);
    const second = await serve(first.path, { port });
    await expect(page.getByRole('status').filter({ hasText: /^kept$/ })).toBeVisible();
    await page.reload();
    await worked(page);
    const added = (await recordsOf(second.url, first.jobs['BM-2']!)).evidence.slice(seenBefore);
    // Looks in the order they were taken; a picture comes when it is through, and holds up none of them.
    const looks = added.filter((record): record is Look => record.kind === 'look');
    expect(looks.map((look) => look.result)).toEqual(['sound', 'scaling', 'pitted', 'soft']);
    expect(looks.slice(1).map((look) => look.title)).toEqual(titles);
    const photos = added.filter((record): record is Photo => record.kind === 'photo');
    expect([added.length, photos.length]).toEqual([5, 1]);
    expect(photos[0]!.picture!.hash).toMatch(/^[0-9a-f]{64}$/);
    second.stop();
    first.stop();
  },
);
