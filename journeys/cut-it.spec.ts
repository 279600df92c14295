import { readFileSync, writeFileSync } from 'node:fs';
import sharp from 'sharp';
import { missingPrograms } from '../checks/outside/programs';
import { readDxf, readPdf } from '../checks/outside/validators';
import { expect, kept, test, worked } from './stage';

/** From the plates of Shape to the table: files, paper, sheets, the pile. */
test('flats leave as DXF, SVG, paper at 1:1 and a list; what nobody sells is named; pieces are laid on sheets and the rest goes back', async ({
  page,
  context,
  untouched,
}, info) => {
  const missing = missingPrograms('ezdxf', 'qpdf', 'poppler');
  test.skip(Boolean(missing) && !process.env.CI, missing);
  const job = `${untouched.url}${untouched.jobs['GR-7']}`;
  const api = `${untouched.url}/api${untouched.jobs['GR-7']}`;
  await page.goto(`${job}/shape?member=rail-right`);
  await worked(page);
  await page.getByRole('link', { name: 'Everything to cut, nested on sheets' }).click();
  await expect(page.getByRole('heading', { name: 'To cut', level: 1 })).toBeVisible();
  const flats = page.getByRole('region', { name: 'Flats' });
  await expect(flats.getByRole('button')).toHaveCount(2);
  await flats.getByRole('button').nth(1).click();
  const flat = page.getByRole('article', { name: 'bottom L, Right rail' });
  await expect(flat).toContainText('90° down');
  await expect(flat).toContainText('RIGHT side');
  await flat.getByRole('radio', { name: 'twin' }).click();
  await expect(flat).toContainText('LEFT side');

  const saved = async (name: string): Promise<string> => {
    const download = page.waitForEvent('download');
    await page.getByRole('link', { name }).click();
    const path = info.outputPath((await download).suggestedFilename());
    await (await download).saveAs(path);
    return path;
  };
  const dxf = await saved('DXF, mirrored twin');
  expect(readDxf(dxf, readFileSync(dxf, 'utf8')).counts['CUT LWPOLYLINE']).toBe(1);
  expect(readFileSync(await saved('SVG, mirrored twin'), 'utf8')).toContain('MIRRORED TWIN');
  const paper = await saved('Paper template 1:1, mirrored twin');
  expect(readPdf(paper).pages).toBeGreaterThan(3);
  expect(readPdf(paper).words).toContain('print at 100 %');
  const list = readFileSync(await saved('Cut list, CSV'), 'utf8');
  expect(list.split('\n')[0]).toContain('part,for,count');
  expect(list).toContain('bottom L,Right rail,1,sheet');

  const asked = async (path: string) => {
    const answer = await page.request.get(`${api}/${path}`);
    return [answer.status(), await answer.text()] as const;
  };
  const id = /cut-sheets\/([^?]+)/.exec(
    (await page.getByRole('link', { name: /^DXF/ }).getAttribute('href'))!,
  )![1]!;
  expect((await asked(`cut-sheets/${id}?as=pdf&paper=foolscap`))[1]).toContain('there is no paper');
  expect((await asked(`cut-sheets/${id}?as=stl`))[0]).toBe(422);
  expect((await asked('cut-sheets/nothing'))[0]).toBe(404);
  expect((await asked('scribes/nothing'))[0]).toBe(404);
  const scribe = await saved('Scribe sheet, DXF');
  // The reader measures what is cut: here that is the plate.
  writeFileSync(scribe, readFileSync(scribe, 'utf8').replaceAll('PLATE', 'CUT'));
  expect(readDxf(scribe, readFileSync(scribe, 'utf8')).counts['FOLD LWPOLYLINE']).toBe(1);

  const sheets = page.getByRole('region', { name: 'On sheets' });
  await sheets.getByLabel('sheet to buy, length').fill('40');
  await sheets.getByLabel('gap between pieces').fill('wide');
  await sheets.getByRole('button', { name: 'Lay them out' }).click();
  await expect(sheets.getByRole('alert')).toContainText('gap');
  await sheets.getByLabel('gap between pieces').fill('1/4');
  await sheets.getByRole('button', { name: 'Lay them out' }).click();
  await expect(sheets.getByRole('region', { name: 'Laid out' })).toContainText('Larger than any sheet');
  await expect(sheets.getByRole('button', { name: 'Lay them out' })).toBeEnabled({ timeout: 30_000 });

  await sheets.getByLabel('sheet to buy, length').fill('96');
  for (const twin of await sheets.getByLabel('mirrored twin').all()) await twin.fill('2');
  await sheets.getByRole('radio', { name: 'half a minute' }).click();
  await sheets.getByRole('button', { name: 'Lay them out' }).click();
  await expect(sheets.getByRole('progressbar', { name: 'Looking' })).toBeVisible();
  await expect(sheets.getByText(/[1-9]\d* tries/)).toBeVisible();
  await sheets.getByRole('button', { name: 'Enough' }).click();
  const out = sheets.getByRole('region', { name: 'Laid out' });
  await expect(out).toContainText('6 pieces on 1 sheet');
  await expect(out.getByRole('figure', { name: 'Sheet 1' })).toBeVisible();
  const download = page.waitForEvent('download');
  await out.getByRole('button', { name: 'DXF' }).click();
  const nested = info.outputPath('nested.dxf');
  await (await download).saveAs(nested);
  const { counts } = readDxf(nested, readFileSync(nested, 'utf8'));
  expect([counts['SHEET LWPOLYLINE'], counts['CUT LWPOLYLINE']]).toEqual([1, 6]);

  await page.reload();
  await worked(page);
  await expect(sheets.getByRole('region', { name: 'Laid out' })).toContainText('6 pieces');
  await expect(sheets).toContainText('has changed since this was laid out');
  for (const twin of await sheets.getByLabel('mirrored twin').all()) await twin.fill('2');
  await expect(sheets).not.toContainText('has changed since');

  const second = await context.newPage();
  await second.goto(`${job}/shape/cut?member=rail-right`);
  const there = second.getByRole('region', { name: 'On sheets' });
  await expect(there.getByRole('region', { name: 'Laid out' })).toContainText('6 pieces', {
    timeout: 60_000,
  });
  for (const twin of await there.getByLabel('mirrored twin').all()) await twin.fill('2');
  const cut = 'It is cut: sheets off the shelf, what is left back to the pile';
  await sheets.getByRole('button', { name: cut }).click();
  await expect(page.getByText('what is left of them lies on the pile')).toBeVisible();
  await expect(sheets).toContainText('On the shelf: 1 of');
  await there.getByRole('button', { name: cut }).click();
  // The same cut told twice is one cut: nothing lies on the pile twice.
  await expect(there).toContainText('On the shelf: 1 of');
  await second.close();
});

test('a flat from the opening: measured points, then a photographed card made straight; what is no picture and what is tangled is named', async ({
  page,
  untouched,
}, info) => {
  await page.goto(`${untouched.url}${untouched.jobs['SV-9']}/shape/cut`);
  await worked(page);
  await page.getByRole('link', { name: 'From the opening' }).click();
  const points = page.getByRole('group', { name: 'Points, in order round it' });
  const point = (k: number) => points.getByRole('listitem').nth(k);
  const type = async (all: readonly (readonly [string, string])[]) => {
    for (const [k, [x, y]] of all.entries()) {
      if (k >= 3) await page.getByRole('button', { name: 'Another point' }).click();
      await point(k).getByLabel('to the right').fill(x);
      await point(k).getByLabel('up').fill(y);
    }
  };
  await type([
    ['0', '0'],
    ['10', '6'],
    ['10', '0'],
    ['0', '6'],
  ]);
  await expect(page.getByText('the outline crosses itself')).toBeVisible();
  await point(1).getByLabel('up').fill('0');
  await point(2).getByLabel('up').fill('6');
  await expect(page.getByText('10 in by 6 in')).toBeVisible();
  await page.getByLabel('what it is').fill('floor patch');
  await page.getByLabel('sheet').fill('18ga');
  await page.getByRole('button', { name: 'Keep it with what is cut' }).click();
  await expect(page.getByRole('region', { name: 'Flats' })).toContainText('floor patch');
  await kept(page);

  // A card of 4 by 3 in, its lower left corner 2 in in from the first mark; the marks 10 by 7 in apart, 100 px to the inch.
  const rings = [
    [100, 800],
    [1100, 800],
    [1100, 100],
    [100, 100],
  ] as const;
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="1200" height="900"><rect width="1200" height="900" fill="#ddd"/>
    ${rings.map(([x, y]) => `<circle cx="${x}" cy="${y}" r="20"/>`).join('')}
    <rect x="300" y="300" width="400" height="300" fill="#b97"/></svg>`;
  const photo = info.outputPath('card.png');
  await sharp(Buffer.from(svg)).png().toFile(photo);
  const text = info.outputPath('card.txt');
  writeFileSync(text, 'no picture');
  await page.getByRole('link', { name: 'From the opening' }).click();
  await page.getByRole('radio', { name: 'photo of a card' }).click();
  await page.getByLabel('marks apart, across').fill('10');
  await page.getByLabel('marks apart, up').fill('7');
  await page.getByLabel('Photo of the card').setInputFiles(text);
  await expect(page.locator('p[role=alert]')).toContainText('is no picture');
  await page.getByLabel('Photo of the card').setInputFiles(photo);
  const tap = async (
    name: string,
    [x, y]: readonly [number, number],
    [width, height]: readonly [number, number],
  ) => {
    const on = page.getByRole('application', { name });
    await on.scrollIntoViewIfNeeded();
    const box = (await on.boundingBox())!;
    await on.click({ position: { x: (x / width) * box.width, y: (y / height) * box.height } });
  };
  const marks = 'Photo of the card: tap its marks';
  for (const k of [0, 1, 3, 2]) await tap(marks, rings[k]!, [1200, 900]);
  await expect(page.locator('p[role=alert]')).toContainText('marks cross over');
  await page.getByRole('button', { name: 'Tap the marks again' }).click();
  for (const ring of rings) await tap(marks, ring, [1200, 900]);
  const straight = 'The card seen from above: tap its outline';
  await expect(page.getByRole('application', { name: straight })).toBeVisible();
  const perInch = 1000 / (10 * 1.12);
  const high = Math.round(7 * 1.12 * perInch);
  const px = (x: number, y: number) => [(x + 0.6) * perInch, high - (y + 0.42) * perInch] as const;
  for (const at of [px(2, 2), px(6, 2), px(6, 5), px(2, 5)]) await tap(straight, at, [1000, high]);
  await expect(page.getByText(/^4 in by 3 in; from the photo, ± /)).toBeVisible();
  await page.getByLabel('what it is').fill('card patch');
  await page.getByLabel('sheet').fill('0.048');
  await page.getByRole('button', { name: 'Keep it with what is cut' }).click();
  const flats = page.getByRole('region', { name: 'Flats' });
  await flats.getByRole('button', { name: /card patch/ }).click();
  await expect(page.getByText('From a photo by')).toBeVisible();
  await kept(page);
  const dxf = info.outputPath('card.dxf');
  const file = page.getByRole('article', { name: /card patch/ }).getByRole('link', { name: 'DXF' });
  const href = (await file.getAttribute('href'))!;
  writeFileSync(dxf, await (await page.request.get(`${untouched.url}${href}`)).body());
  if (missingPrograms('ezdxf')) return;
  const { min, max } = readDxf(dxf, readFileSync(dxf, 'utf8'));
  expect(Math.abs(max[0] - min[0] - 4)).toBeLessThan(0.06);
  expect(Math.abs(max[1] - min[1] - 3)).toBeLessThan(0.06);
});
