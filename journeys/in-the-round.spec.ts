import { writeFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { missingPrograms } from '../checks/outside/programs';
import { readPdf } from '../checks/outside/validators';
import { expect, kept, test, worked } from './stage';

test('the repair in the round is turned by keys and pulled apart, on any unit; the work order holds a still of it', async ({
  page,
  jobs,
  request,
}, info) => {
  await page.goto(`${jobs['GR-7']}/shape?member=rail-right`);
  await worked(page);
  await page.getByRole('link', { name: 'See it in the round' }).click();
  const picture = page.getByRole('group', { name: /arrow keys turn it/ });
  await expect(picture).toBeVisible();
  const drawn = picture.getByRole('img');
  await expect(drawn).toBeVisible();
  // Tried for speed: a moving picture, or a still where it is too slow.
  await expect(async () => {
    // The canvas goes when the still comes: neither is waited for by itself.
    const frames = await picture
      .locator('canvas')
      .evaluateAll((canvases) => canvases.map((canvas) => Number((canvas as HTMLElement).dataset.frames)));
    const isStill = await page.getByText('A still: this device draws too slowly').isVisible();
    expect(isStill || (frames[0] ?? 0) >= 30).toBe(true);
  }).toPass({ timeout: 180_000 });
  const shot = () => drawn.screenshot();
  const before = await shot();
  await picture.focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowUp');
  await expect(async () => expect((await shot()).equals(before)).toBe(false)).toPass();
  const turned = await shot();
  await page.getByLabel('pull apart').fill('300');
  await expect(async () => expect((await shot()).equals(turned)).toBe(false)).toPass();
  await page.getByRole('button', { name: 'As at first' }).click();
  await page.getByRole('radio', { name: 'whole frame' }).click();
  await expect(page.getByRole('group', { name: /The frame of GR-7/ })).toBeVisible();

  await page.goto(`${jobs['BM-2']}/shape/round`);
  await worked(page);
  await page.getByRole('radio', { name: 'whole frame' }).click();
  await expect(page.getByRole('group', { name: /The frame of BM-2/ })).toBeVisible();

  const order = info.outputPath('order.pdf');
  writeFileSync(order, await (await request.get(`/api${jobs['GR-7']}/work-order`)).body());
  const missing = missingPrograms('qpdf', 'poppler');
  if (!missing) expect(readPdf(order).pages).toBe(1);
  await kept(page);
});

/** What a page of its own, in which something is amiss, says under its picture; the picture turns in steps and comes apart all the same. */
async function stillSays(page: Page, url: string, words: string): Promise<void> {
  await page.goto(url);
  await worked(page);
  const picture = page.getByRole('group', { name: /arrow keys turn it/ });
  await expect(page.getByText(words)).toBeVisible({ timeout: 180_000 });
  await expect(picture.locator('canvas')).toHaveCount(0);
  const drawn = () => picture.getByRole('img').innerHTML();
  const asAtFirst = await drawn();
  await picture.focus();
  await page.keyboard.press('ArrowRight');
  await expect.poll(drawn).not.toBe(asAtFirst);
  const turned = await drawn();
  await page.getByRole('button', { name: 'From above' }).click();
  await expect.poll(drawn).not.toBe(turned);
  const above = await drawn();
  await page.getByLabel('pull apart').fill('300');
  await expect.poll(drawn).not.toBe(above);
  await page.getByRole('button', { name: 'As at first' }).click();
  await page.getByLabel('pull apart').fill('0');
  await expect.poll(drawn).toBe(asAtFirst);
}

test('where it cannot be turned by hand it is a still that says why: too slow, no drawing in the round, the part did not come', async ({
  context,
  jobs,
}) => {
  const url = `${jobs['GR-7']}/shape/round?member=rail-right`;
  const slow = await context.newPage();
  await slow.addInitScript(() => {
    const read = WebGL2RenderingContext.prototype.readPixels as (...given: unknown[]) => void;
    WebGL2RenderingContext.prototype.readPixels = function (...given: unknown[]) {
      const until = performance.now() + 50;
      while (performance.now() < until);
      read.apply(this, given);
    };
  });
  await stillSays(slow, url, 'A still: this device draws too slowly to turn it by hand.');
  await slow.close();

  const without = await context.newPage();
  await without.addInitScript(() => {
    HTMLCanvasElement.prototype.getContext = () => null;
  });
  await stillSays(without, url, 'A still: this browser draws nothing in the round.');
  await without.close();

  const cutOff = await context.newPage();
  await cutOff.route('**/_next/static/**/*.js', async (route) => {
    const answer = await route.fetch();
    const isStage = (await answer.text()).includes('WebGLRenderer');
    await (isStage ? route.abort() : route.fulfill({ response: answer }));
  });
  await stillSays(cutOff, url, 'A still: the part of this page that turns it by hand did not come.');
  await cutOff.close();
});

test('a drawing taken away from a page and given back is drawn again', async ({ page, jobs }) => {
  // However slow this machine is, the picture is to be one that moves.
  await page.addInitScript(() => {
    WebGL2RenderingContext.prototype.readPixels = () => undefined;
  });
  await page.goto(`${jobs['GR-7']}/shape/round?member=rail-right`);
  await worked(page);
  const canvas = page.getByRole('group', { name: /arrow keys turn it/ }).locator('canvas');
  await expect(canvas).toHaveAttribute('data-frames', /\d/);
  const happens = (what: 'lost' | 'restored') =>
    canvas.evaluate((element, what) => {
      const drawing = (element as HTMLCanvasElement).getContext('webgl2')!;
      const store = globalThis as { loss?: WEBGL_lose_context };
      store.loss ??= drawing.getExtension('WEBGL_lose_context')!;
      const heard = new Promise<void>((hear) =>
        element.addEventListener(`webglcontext${what}`, () => hear(), { once: true }),
      );
      if (what === 'lost') store.loss.loseContext();
      else store.loss.restoreContext();
      return heard;
    }, what);
  const before = await canvas.screenshot();
  await happens('lost');
  await expect(async () => expect((await canvas.screenshot()).equals(before)).toBe(false)).toPass();
  const empty = await canvas.screenshot();
  await happens('restored');
  await expect(async () => expect((await canvas.screenshot()).equals(empty)).toBe(false)).toPass();
});
