// From the Enter key to the painted reading, with 2,000 readings on the member.
import { randomUUID } from 'node:crypto';
import { chromium } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS } from '../set-up/browser.mjs';

const READINGS = 2000;
const TYPED = 60;

/** Notes each Enter, and the first frame after the readings drawn on the Strip have changed. */
const watch = () => {
  window.painted = [];
  let pressed;
  addEventListener('keydown', (event) => event.key === 'Enter' && (pressed = event.timeStamp), true);
  const drawn = document.querySelector('[role=application]');
  new MutationObserver((changes) => {
    if (
      pressed === undefined ||
      !changes.some(
        (change) => change.attributeName === 'd' && change.target.getAttribute('stroke') === 'var(--ink)',
      )
    )
      return;
    const began = pressed;
    pressed = undefined;
    requestAnimationFrame(() => {
      const channel = new MessageChannel();
      channel.port1.onmessage = () => window.painted.push(performance.now() - began);
      channel.port2.postMessage(0);
    });
  }).observe(drawn, { attributes: true, subtree: true });
};

async function timesWith(browser, server, memberId, add) {
  const job = server.jobs['GR-7'];
  if (add > 0) {
    const readings = Array.from({ length: add }, (_, k) => ({
      kind: 'reading',
      version: 2,
      id: randomUUID(),
      memberId,
      stationMm: 20 + (k % 400) * 15,
      face: ['web', 'top', 'bottom'][k % 3],
      heightMm: 5 + ((k * 7) % 40),
      thicknessMm: 4 + ((k * 13) % 20) / 10,
      method: 'ultrasonic',
      by: 'RK',
      at: '2026-11-20T08:00:00.000Z',
      note: '',
    }));
    const answer = await fetch(`${server.url}/api${job}/evidence`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ evidence: readings }),
    });
    if (!answer.ok) throw new Error(await answer.text());
  }
  const context = await browser.newContext({ baseURL: server.url, viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  await page.goto(`${job}/probe?member=${memberId}`);
  await page.waitForFunction(() => !document.body.innerText.includes('working…'));
  await page.waitForTimeout(1500);
  await page.evaluate(watch);
  const thickness = page.getByLabel(/^thickness/);
  for (let k = 0; k < TYPED; k++) {
    await thickness.pressSequentially('0.17', { delay: 25 });
    await page.keyboard.press('Enter');
    await page.waitForFunction((count) => window.painted.length > count, k);
    await page.waitForTimeout(120);
  }
  const times = (await page.evaluate(() => window.painted)).sort((a, b) => a - b);
  await context.close();
  return { median: times[Math.floor(times.length / 2)], p95: times[Math.floor(times.length * 0.95)] };
}

export async function benchTyping(server) {
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
  const few = await timesWith(browser, server, 'cross-5', 40);
  const many = await timesWith(browser, server, 'rail-left', READINGS);
  console.log(`typing: Enter to painted reading, ${TYPED} readings typed`);
  console.log(
    `  with ${READINGS} more readings   median ${many.median.toFixed(0)} ms, p95 ${many.p95.toFixed(0)} ms   (target p95 50 ms)`,
  );
  console.log(`  with 40 readings          median ${few.median.toFixed(0)} ms, p95 ${few.p95.toFixed(0)} ms`);
  console.log(`  many to few               ${(many.p95 / few.p95).toFixed(2)}`);
  await browser.close();
}
