// Takes the pictures in docs/screenshots from the production build with demo data. Usage: npm run screenshots [-- name …]
import { chromium } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS } from './browser.mjs';
import { serveDemo } from './server.mjs';

const SIZE = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };
const wanted = process.argv.slice(2);
const folder = process.env.SCREENSHOTS ?? 'docs/screenshots';
const server = await serveDemo();
const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });

/** A section's top under the sticky head. */
const scrollTo = (page, name) =>
  page
    .getByRole('region', { name, exact: true })
    .evaluate((section) => window.scrollTo(0, section.getBoundingClientRect().top + window.scrollY - 110));

const SHOTS = [
  {
    name: 'yard',
    open: () => '/',
    then: (page) => page.waitForFunction(() => !document.body.innerText.includes('being worked out')),
  },
  { name: 'shop', open: () => '/shop' },
  {
    name: 'answers',
    open: (jobs) => `${jobs['GR-7']}/answers`,
    then: (page) => page.waitForFunction(() => !document.body.innerText.includes('being worked out')),
  },
  { name: 'patterns', open: () => '/patterns' },
  {
    name: 'walk',
    open: (jobs) => `${jobs['GR-7']}/walk?member=rail-right`,
    then: (page) =>
      page
        .getByRole('region', { name: 'The way round' })
        .getByRole('button', { name: /Rear spring, front hanger, right/ })
        .click(),
  },
  { name: 'walk-phone', size: PHONE, open: (jobs) => `${jobs['BM-2']}/walk?member=rail-left` },
  {
    name: 'walk-lift',
    open: (jobs) => `${jobs['BM-2']}/walk?member=rail-left&part=lift`,
    then: async (page) => {
      await page.getByRole('button', { name: 'Ask', exact: true }).click();
      await page.getByRole('region', { name: 'Answer' }).waitFor();
    },
  },
  { name: 'frame', open: (jobs) => `${jobs['GR-7']}/frame?member=rail-right` },
  {
    name: 'probe',
    open: (jobs) => `${jobs['GR-7']}/probe?member=rail-right`,
    then: (page) => page.getByRole('button', { name: /Worst station/ }).click(),
  },
  {
    name: 'shape-cut',
    open: (jobs) => `${jobs['GR-7']}/shape/cut?member=rail-right`,
    then: async (page) => {
      for (const twin of await page.getByLabel('mirrored twin').all()) await twin.fill('1');
      await page.getByRole('button', { name: 'Lay them out' }).click();
      await page.getByRole('button', { name: /^It is cut/ }).waitFor();
      await scrollTo(page, 'On sheets');
    },
  },
  {
    name: 'shape-round',
    open: (jobs) => `${jobs['GR-7']}/shape/round?member=rail-right`,
    then: async (page) => {
      await page.getByLabel('pull apart').fill('220');
      await page.waitForTimeout(6000);
    },
  },
  {
    name: 'trace',
    open: (jobs) => `${jobs['BK-1']}/trace?member=rail-left`,
    then: async (page) => {
      const goes = page.getByRole('region', { name: 'How it goes on' });
      await goes.getByText(/To its limit/).waitFor();
      await scrollTo(page, 'This crack');
      await page.waitForTimeout(2500);
    },
  },
  {
    name: 'weigh',
    open: (jobs) => `${jobs['GR-7']}/weigh?member=rail-right`,
    then: async (page) => {
      await page.getByRole('button', { name: /Worst station/ }).click();
      // What the frame asks is in the reasons once it is worked out.
      await page.getByText(/Uses \d+ % of what it may carry/).waitFor();
    },
  },
  {
    name: 'shape',
    open: (jobs) => `${jobs['GR-7']}/shape?member=rail-right`,
    then: async (page) => {
      await page.getByRole('group', { name: 'Repairs' }).getByRole('button').first().click();
      // An end held in the hand, too short: rules, figures and Slice are of the plate as it is held, and nothing is kept.
      const grip = await page.locator('g.cursor-ew-resize').nth(1).boundingBox();
      const [x, y] = [grip.x + grip.width / 2, grip.y + grip.height / 2];
      await page.mouse.move(x, y);
      await page.mouse.down();
      await page.mouse.move(x - 190, y, { steps: 12 });
      await page.getByText(/Bending strength comes back to/).waitFor();
    },
  },
  {
    name: 'join',
    open: (jobs) => `${jobs['GR-7']}/join?member=rail-right`,
    then: (page) => page.getByRole('table', { name: 'Welds' }).getByRole('button', { name: 'A1' }).click(),
  },
  { name: 'order', open: (jobs) => `${jobs['DV-3']}/order` },
  {
    name: 'prove',
    open: (jobs) => `${jobs['DV-3']}/prove`,
    then: (page) => page.getByRole('heading', { name: /in the way of signing off/ }).waitFor(),
  },
  {
    name: 'calendar',
    open: () => '/calendar',
    then: (page) => page.getByRole('button', { name: /^GR-7,/ }).waitFor(),
  },
  {
    // Last: a repair is taken over and an order kept.
    name: 'join-rail',
    size: PHONE,
    open: (jobs) => `${jobs['GR-7']}/join?member=rail-right&part=order`,
    then: async (page) => {
      await page.getByRole('button', { name: 'Take this repair over' }).click();
      await page.getByRole('button', { name: 'Find an order' }).click();
      await page.getByRole('button', { name: 'Keep this order' }).click();
      await page.getByRole('link', { name: 'At the rail' }).click();
      const form = page.getByRole('form', { name: 'Ready to weld' });
      await form.waitFor();
      for (const check of await form.getByRole('listitem').getByRole('button').all()) await check.click();
      await form.getByLabel(/the maker’s leave/).fill('bulletin 12');
      await form.getByRole('button', { name: /^Ready: / }).click();
      await page.getByRole('button', { name: 'Tacked, and measured' }).click();
      await page.getByRole('button', { name: 'Laid: next' }).click();
      await page.getByRole('heading', { name: /^2\. / }).waitFor();
    },
  },
];

for (const shot of SHOTS.filter((each) => wanted.length === 0 || wanted.includes(each.name))) {
  const context = await browser.newContext({ viewport: shot.size ?? SIZE, baseURL: server.url });
  await context.addCookies([
    { name: 'ossatura-theme', value: shot.dark ? 'dark' : 'light', url: server.url },
    { name: 'ossatura-unit', value: 'in', url: server.url },
  ]);
  const page = await context.newPage();
  page.on(
    'console',
    (message) => message.type() === 'error' && console.log(`${shot.name}: console: ${message.text()}`),
  );
  page.on('pageerror', (error) => console.log(`${shot.name}: page error: ${error.message}`));
  await page.goto(shot.open(server.jobs));
  if (shot.open(server.jobs).includes('/jobs/'))
    await page.waitForFunction(() => !document.body.innerText.includes('working…'));
  await shot.then?.(page);
  await page.waitForTimeout(700);
  await page.screenshot({ path: `${folder}/${shot.name}.png` });
  console.log(`${shot.name}.png`);
  await context.close();
}
await browser.close();
server.stop();
