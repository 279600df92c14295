import { createHash } from 'node:crypto';
import { writeFileSync } from 'node:fs';
import { unzipSync } from 'fflate';
import { readPdf } from '../checks/outside/validators';
import { choose } from './choose';
import { expect, kept, openJob, paperOf, test, worked } from './stage';

test('four answers open a job and head its papers; a no is kept as a standing notice with one tap, and lifted with a reason', async ({
  page,
  jobs,
}) => {
  await page.goto('/?search=GR-7');
  await page.getByRole('link', { name: /Right rail behind the hopper/ }).click();
  await page.waitForURL(/\/answers/);
  const answer = (question: RegExp) => page.getByRole('region', { name: question });
  await expect(answer(/driven/)).toContainText('To the shop only');
  await expect(answer(/driven/)).toContainText('Right rail is cracked at');
  const lift = answer(/lifted/);
  await expect(lift).toContainText('Not at all yet', { timeout: 90_000 });
  await expect(lift).toContainText('On pads or stands: not at all yet');
  await expect(answer(/beneath/)).toContainText('On its wheels and chocked only');
  await expect(answer(/repaired/)).toContainText('In part');
  await expect(answer(/repaired/)).toContainText('Renewed or made good: Crossmember 4');
  await lift.getByRole('button', { name: 'Keep as a standing notice' }).click();
  const notices = page.getByRole('list', { name: 'Standing notices' });
  await expect(notices).toContainText('Do not lift: on pads or stands');
  await expect(lift).toContainText('a standing notice says so');
  // It goes with the unit: another screen, another visit.
  await page.goto(`${jobs['GR-7']}/probe`);
  await expect(notices).toContainText('Do not lift: on pads or stands');
  const paper = await paperOf(page.request, `/api${jobs['GR-7']}/work-order`);
  const path = test.info().outputPath('order.pdf');
  writeFileSync(path, paper);
  const { words, pages } = readPdf(path);
  expect(pages).toBe(1);
  expect(words.replace(/\s+/g, ' ')).toContain('May it be driven? To the shop only');
  expect(words.replace(/\s+/g, ' ')).toContain('May it be lifted, and how? Not at all yet');
  await page.getByRole('link', { name: 'Answers for GR-7' }).click();
  const standing = page.getByRole('region', { name: 'Notices that stand' });
  await standing
    .getByRole('listitem')
    .filter({ hasText: 'Do not lift: on pads' })
    .getByRole('button', { name: 'it no longer stands' })
    .click();
  const sheet = page.getByRole('dialog');
  await sheet.getByRole('button', { name: 'Lift the notice' }).click();
  await expect(sheet.getByRole('alert')).toContainText('say why');
  await sheet.getByLabel('Why it no longer stands').fill('rail plated and looked at');
  await sheet.getByRole('button', { name: 'Lift the notice' }).click();
  await expect(notices).not.toContainText('Do not lift: on pads');
  await page.reload();
  await expect(notices).not.toContainText('Do not lift: on pads');
});

test('an empty job says look first, and nothing else is claimed; what is found changes the answer', async ({
  page,
}, info) => {
  await openJob(page, `AN-${info.workerIndex}1`);
  await page.getByRole('link', { name: /^Answers for/ }).click();
  const drive = page.getByRole('region', { name: 'May it be driven?' });
  await expect(drive).toContainText('Can’t say yet');
  await expect(drive).toContainText('Look first:');
  await expect(page.getByRole('region', { name: /beneath/ })).toContainText('Can’t say yet');
  await expect(page.getByRole('region', { name: /repaired/ })).toContainText('Can’t say yet');
  await expect(page.getByRole('region', { name: /lifted/ })).toContainText('Can’t say yet', {
    timeout: 60_000,
  });
  await page.getByRole('link', { name: /^Trace/ }).click();
  const panel = page.getByRole('region', { name: 'On brackets, welds, joints and skins' });
  await panel.getByRole('button', { name: 'Record one there' }).click();
  await choose(panel.getByLabel('bracket, joint, skin or floor'), { label: 'Steering gear, left' });
  await panel.getByRole('button', { name: 'plate torn' }).click();
  await panel.getByRole('button', { name: 'Keep this look' }).click();
  await kept(page);
  await page.getByRole('link', { name: /^Answers for/ }).click();
  await expect(drive).toContainText('Do not drive it');
  await expect(drive).toContainText('Steering gear, left has let go: plate torn; it carries steering');
  await page.setViewportSize({ width: 390, height: 844 });
  await expect(drive).toContainText('Do not drive it');
  await worked(page);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
});

test('what the owner tells and the shop’s figures set the ways out side by side; nothing said is never nought', async ({
  page,
  untouched,
}) => {
  await page.goto(`${untouched.url}${untouched.jobs['GR-7']}/answers`);
  const counter = page.getByRole('region', { name: 'At the counter' });
  await counter.getByRole('button', { name: 'Change what was told' }).click();
  const form = page.getByRole('form', { name: 'At the counter' });
  await form.getByLabel('owner’s ceiling').fill('0');
  await form.getByRole('button', { name: 'Keep what was told' }).click();
  await expect(form.getByRole('alert')).toContainText('more than nothing');
  await form.getByLabel('owner’s ceiling').fill('$900');
  await form.getByLabel('unit’s value').fill('40,000');
  await form.getByLabel(/frame built/).fill('last year');
  await form.getByRole('button', { name: 'Keep what was told' }).click();
  await expect(form.getByRole('alert')).toContainText('such as 2011');
  await form.getByLabel(/frame built/).fill('2011-04');
  await form.getByLabel(/who pays/).fill('its maker');
  await choose(form.getByLabel('authorised before cutting?'), 'asked, not yet');
  await form.getByRole('button', { name: 'Keep what was told' }).click();
  await expect(counter).toContainText('$900');
  await expect(page.getByRole('region', { name: /repaired/ })).toContainText(
    'its maker pays and has not said yes: nothing is cut before',
    { ignoreCase: true },
  );
  await kept(page);
  await page.getByRole('link', { name: /^Weigh/ }).click();
  const ways = page.getByRole('region', { name: 'Ways out and money' });
  const row = (name: string) => ways.getByRole('row').filter({ hasText: name });
  await expect(row('Mend as drawn')).toContainText(/\$[\d,]+ to \$[\d,]+/, { timeout: 60_000 });
  await expect(row('Mend as drawn')).toContainText('over the owner’s ceiling');
  await expect(row('Swap the frame')).toContainText('give what a frame costs');
  await ways.getByText('Rate, prices and norms').click();
  const norms = page.getByRole('form', { name: 'Rate, prices and norms' });
  await norms.getByLabel('a frame as good, delivered').fill('6000 to 4000');
  await norms.getByRole('button', { name: 'Keep these figures' }).click();
  await expect(norms.getByRole('alert')).toContainText('the least comes first');
  await norms.getByLabel('a frame as good, delivered').fill('4,000 to 6,000');
  await norms.getByRole('button', { name: 'Keep these figures' }).click();
  await expect(row('Swap the frame')).toContainText(/\$[\d,]+ to \$[\d,]+/);
  const hours = ways.getByRole('region', { name: 'Hours it took' });
  await hours.getByRole('button', { name: 'Record the hours' }).click();
  const took = page.getByRole('form', { name: 'Hours' });
  await took.getByLabel('hours, all hands').fill('none');
  await took.getByRole('button', { name: 'Keep the hours' }).click();
  await expect(took.getByRole('alert')).toContainText('say how many hours');
  await took.getByLabel('hours, all hands').fill('61');
  await choose(took.getByLabel('way it went'), { label: 'Take it off the road' });
  await took.getByRole('button', { name: 'Keep the hours' }).click();
  await expect(took.getByRole('alert')).toContainText('foresee no hours for that way');
  await choose(took.getByLabel('way it went'), { label: 'Mend as drawn' });
  await took.getByRole('button', { name: 'Keep the hours' }).click();
  await expect(hours).toContainText(/Mend as drawn: 61 h.*the norms by themselves: \d+ to \d+ h/);
  await norms.getByLabel('money an hour').fill('0');
  await norms.getByRole('button', { name: 'Keep these figures' }).click();
  await expect(row('Mend as drawn')).toContainText('give the shop’s rate');
  await page.reload();
  await expect(row('Mend as drawn')).toContainText('give the shop’s rate', { timeout: 60_000 });
  const choice = ways.getByRole('region', { name: 'The owner’s choice' });
  await choice.getByRole('button', { name: 'Record a choice' }).click();
  const pick = page.getByRole('form', { name: 'A choice' });
  await choose(pick.getByLabel('chosen'), { label: 'part of it is repaired' });
  await pick.getByRole('button', { name: 'Keep the choice' }).click();
  await expect(pick.getByRole('alert')).toContainText('say what is left undone');
  await pick.getByLabel('what is left undone').fill('holes ahead of the rear hanger');
  await choose(pick.getByLabel('and where that does not hold'), { label: 'another frame' });
  await pick.getByRole('button', { name: 'Keep the choice' }).click();
  await expect(pick.getByRole('alert')).toContainText('say when it counts as held');
  await pick.getByLabel('it counts as held when').fill('nothing moved in 1,000 miles');
  await pick.getByRole('button', { name: 'Keep the choice' }).click();
  await expect(choice).toContainText('part of it is repaired');
  await expect(choice).toContainText('held when nothing moved in 1,000 miles; else another frame');
  await kept(page);
  await page.getByRole('button', { name: /^Say otherwise of/ }).click();
  const own = page.getByRole('form', { name: 'A verdict of one’s own' });
  await own.getByRole('button', { name: 'Keep it beside the computed one' }).click();
  await expect(own.getByRole('alert')).toContainText('say why');
  await own.getByLabel('because').fill('hammered all along by two of us');
  await own.getByRole('button', { name: 'Keep it beside the computed one' }).click();
  await expect(page.getByText(/RK says Watch: hammered all along/)).toBeVisible();
  await kept(page);
  for (const paper of ['owners-report', 'work-order', 'buyers-look']) {
    const sent = await paperOf(page.request, `${untouched.url}/api${untouched.jobs['GR-7']}/${paper}`);
    const path = test.info().outputPath(`${paper}.pdf`);
    writeFileSync(path, sent);
    const { words, pages } = readPdf(path);
    expect(pages).toBeLessThanOrEqual(paper === 'owners-report' ? 2 : 1);
    expect(words.replace(/\s+/g, ' ')).toContain('holes ahead of the rear hanger');
    expect(words.replace(/\s+/g, ' ')).toContain('RK says Watch of');
    expect(words.replace(/\s+/g, ' ')).toContain('May it be driven? To the shop only');
    if (paper === 'owners-report') {
      expect(words).toContain('What is wrong');
      expect(words).toContain('give the shop’s rate');
      expect(words).toContain('Not seen: 1');
      expect(words.replace(/\s+/g, ' ')).toContain(
        'held when nothing moved in 1,000 miles; else another frame',
      );
    }
  }
  const pack = unzipSync(
    new Uint8Array(
      await paperOf(page.request, `${untouched.url}/api${untouched.jobs['GR-7']}/evidence-pack`),
    ),
  );
  const { SHA256SUMS, ...parts } = pack;
  const sums = new TextDecoder().decode(SHA256SUMS).trim().split('\n');
  expect(sums).toHaveLength(5);
  for (const [name, bytes] of Object.entries(parts))
    expect(sums).toContain(`${createHash('sha256').update(bytes).digest('hex')}  ${name}`);

  // Asked for more than it is worth before anything is mended: by the money it is done with.
  await page.goto(`${untouched.url}${untouched.jobs['SV-9']}/weigh`);
  const van = page.getByRole('region', { name: 'Ways out and money' });
  await expect(van.getByText(/^By the money: Retire/)).toBeVisible({ timeout: 60_000 });
  await expect(van.getByRole('row').filter({ hasText: 'Splice in or renew' })).toContainText(
    'with its price more than it is worth',
  );
  const report = test.info().outputPath('van.pdf');
  writeFileSync(
    report,
    await paperOf(page.request, `${untouched.url}/api${untouched.jobs['SV-9']}/owners-report`),
  );
  expect(readPdf(report).words.replace(/\s+/g, ' ')).toContain('By the money: Retire.');
});
