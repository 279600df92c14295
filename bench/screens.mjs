// First load of each screen on the production build: JavaScript transferred, and the time until the page answers a touch.
import { chromium } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS } from '../set-up/browser.mjs';

/** Presses the light-or-dark switch every frame until it answers: then the page is live. */
const untilLive = () => {
  const theme = () => document.documentElement.dataset.theme ?? 'light';
  const tick = (began) => {
    document.querySelector('[aria-label="Light or dark"]')?.click();
    if (theme() === began) requestAnimationFrame(() => tick(began));
    else window.liveAfterMs = performance.now();
  };
  document.addEventListener('DOMContentLoaded', () => tick(theme()));
};

export async function benchScreens(server) {
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
  const job = server.jobs['GR-7'];
  const screens = [
    ['Yard', '/'],
    ['New job', '/new'],
    ...['frame', 'probe', 'trace', 'weigh', 'shape', 'join'].map((verb) => [
      verb[0].toUpperCase() + verb.slice(1),
      `${job}/${verb}?member=rail-right`,
    ]),
  ];
  console.log('screens: first load, empty cache (warm server), median of 3');
  console.log('  screen     JS kB   live ms   worked ms   to the Yard, live');
  let yard;
  for (const [name, path] of screens) {
    const runs = [];
    for (let k = 0; k < 3; k++) {
      const context = await browser.newContext({
        baseURL: server.url,
        viewport: { width: 1280, height: 800 },
      });
      const page = await context.newPage();
      await page.addInitScript(untilLive);
      const network = await context.newCDPSession(page);
      await network.send('Network.enable');
      const scripts = new Set();
      let bytes = 0;
      network.on(
        'Network.responseReceived',
        ({ requestId, type, response }) =>
          (type === 'Script' || /\.js(\?|$)/.test(response.url)) && scripts.add(requestId),
      );
      network.on(
        'Network.loadingFinished',
        ({ requestId, encodedDataLength }) => scripts.has(requestId) && (bytes += encodedDataLength),
      );
      await page.goto(path);
      await page.waitForFunction(() => window.liveAfterMs !== undefined);
      if (path.includes('/jobs/'))
        await page.waitForFunction(() => !document.body.innerText.includes('working…'));
      const worked = path.includes('/jobs/') ? await page.evaluate(() => performance.now()) : undefined;
      await page.waitForLoadState('networkidle');
      runs.push({ bytes, live: await page.evaluate(() => window.liveAfterMs), worked });
      await context.close();
    }
    const middle = (key) => runs.map((run) => run[key]).sort((a, b) => a - b)[1];
    yard ??= middle('live');
    console.log(
      `  ${name.padEnd(9)} ${(middle('bytes') / 1024).toFixed(0).padStart(6)} ${middle('live').toFixed(0).padStart(9)} ${(middle('worked')?.toFixed(0) ?? '').padStart(11)} ${(middle('live') / yard).toFixed(2).padStart(12)}`,
    );
  }
  await browser.close();
}
