import { choose, expectChosen } from './choose';
import { expect, test, worked } from './stage';

/** The shop's practice is everybody's: a demo of its own. */
test('the shop changes its school: the job keeps to the old one, sees what would change, takes it up; a job’s own figure wants a reason', async ({
  page,
  untouched,
}) => {
  await page.goto(untouched.url);
  await page.getByRole('link', { name: 'Shop', exact: true }).click();
  await page.waitForURL(/\/shop/);
  const practice = page.getByRole('form', { name: 'The shop’s practice' });
  await practice.getByText('Metal, and looking at it').click();
  const sound = practice.getByLabel('sound from, of the wall as made');
  await sound.fill('120');
  await practice.getByRole('button', { name: 'Keep the shop’s practice' }).click();
  await expect(practice.getByRole('alert').last()).toContainText('sound from, of the wall as made');
  await sound.fill('80');
  await choose(practice.getByLabel('school', { exact: true }), { label: 'Section' });
  await practice.getByRole('button', { name: 'Keep the shop’s practice' }).click();
  await expect(practice.getByRole('alert').last()).toContainText('say who');
  await practice.getByLabel('changed by').fill('RK');
  await practice.getByRole('button', { name: 'Keep the shop’s practice' }).click();
  await expect(practice).toContainText('revision 1');

  await practice.getByRole('button', { name: 'Copy it to make one of our own' }).click();
  await practice.getByText('Meant for:').click();
  await practice.getByLabel('from a gross mass of').fill('heavy');
  await expect(practice.getByRole('alert')).toContainText('that is no mass');
  await practice.getByLabel('from a gross mass of').fill('26,000 lb');
  await practice.getByRole('checkbox', { name: 'pickup' }).check();
  await expect(practice).toContainText(
    'truck, trailer, motorhome; used for work or towing; from 26000 lb gross',
  );

  const lists = page.getByRole('form', { name: 'What the shop has' });
  await lists.getByRole('button', { name: 'Add to people' }).click();
  await lists.getByLabel('initials', { exact: true }).last().fill('Somebody’s whole name');
  await lists.getByLabel('changed by').fill('RK');
  await lists.getByRole('button', { name: 'Keep the lists' }).click();
  await expect(lists.getByRole('alert')).toContainText('People, row 4');
  await lists.getByLabel('initials', { exact: true }).last().fill('XW');
  await lists.getByLabel('role', { exact: true }).last().fill('welder');
  await lists.getByRole('checkbox', { name: 'welds' }).last().check();
  await lists.getByRole('button', { name: 'Keep the lists' }).click();
  await expect(page.getByText('The lists are kept').first()).toBeVisible();
  await page.reload();
  await expect(lists.getByLabel('initials', { exact: true }).last()).toHaveValue('XW');
  await expectChosen(practice.getByLabel('school', { exact: true }), 'section');

  await page.goto(`${untouched.url}${untouched.jobs['GR-7']}/weigh`);
  await worked(page);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Mend');
  await page.getByRole('button', { name: 'How it is judged' }).click();
  const judged = page.getByRole('region', { name: 'How this job is judged' });
  await expect(judged).toContainText('The shop has changed since: revision 1');
  await judged.getByRole('button', { name: 'See what would change here' }).click();
  const would = judged.getByRole('list', { name: 'What would change' });
  await expect(would).toContainText('Right rail: Mend → Splice', { timeout: 90_000 });
  await judged.getByRole('button', { name: 'Take it up' }).click();
  await expect(judged).toContainText('By the shop’s practice, revision 1');
  await expect(judged).toContainText('It differs from its shop in nothing');

  const own = judged.getByRole('form', { name: 'Practice of this job' });
  await choose(own.getByLabel('school', { exact: true }), { label: 'Replace only' });
  await own.getByRole('button', { name: 'Keep for this job' }).click();
  await expect(own.getByRole('alert')).toContainText('say why');
  await own.getByLabel('why this job differs from its shop').fill('the owner wants no plates');
  await own.getByRole('button', { name: 'Keep for this job' }).click();
  await expect(judged).toContainText('It differs from its shop: the owner wants no plates');
  await page.getByRole('button', { name: /^Verdicts/ }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Renew', { timeout: 60_000 });
  await page.getByRole('button', { name: 'How it is judged' }).click();
  const differences = judged.getByRole('list', { name: 'Where this job differs from its shop' });
  await differences.getByRole('button', { name: 'back to the shop’s' }).click();
  await expect(judged).toContainText('It differs from its shop in nothing');
});
