import { randomUUID } from 'node:crypto';
import { writeFileSync } from 'node:fs';
import { missingPrograms } from '../checks/outside/programs';
import { readPdf } from '../checks/outside/validators';
import type { JobBundle } from '../core/exchange';
import { ofKind } from '../core/frame';
import { expect, test, paperOf } from './stage';

test('the work order of a job with everything at once is still one page, and says what it left out', async ({
  request,
  jobs,
}, info) => {
  const missing = missingPrograms('qpdf', 'poppler');
  test.skip(Boolean(missing) && !process.env.CI, missing);
  const bundle = (await (await request.get(`/api${jobs['GR-7']}/bundle`)).json()) as JobBundle;
  const unit = {
    ...bundle.unit,
    id: randomUUID(),
    tag: `FULL-${info.workerIndex}`,
    description: 'x'.repeat(115),
  };
  const job = {
    ...bundle.job,
    id: randomUUID(),
    unitId: unit.id,
    complaint: 'The body leans and the left door will not shut. '.repeat(10),
    title: 'Everything that can be wrong with a frame, at the same time',
  };
  const rail = bundle.frame.members.find((member) => member.id === 'rail-right')!;
  const sown = ofKind(bundle.evidence, 'reading').filter((reading) => reading.memberId === rail.id);
  const crossmembers = Array.from({ length: 14 }, (_, k) => ({
    ...bundle.frame.members.find((member) => member.role === 'crossmember')!,
    id: `cross-${k + 1}`,
    name: `Crossmember number ${k + 1} of the rear frame`,
    atMm: 300 + 400 * k,
  }));
  const frame = {
    ...bundle.frame,
    members: [...bundle.frame.members.filter((member) => member.role === 'rail'), ...crossmembers],
  };
  const readings = [
    ...sown.map((reading) => ({ ...reading, id: randomUUID() })),
    ...sown.map((reading) => ({ ...reading, id: randomUUID(), memberId: 'rail-left' })),
    ...crossmembers.slice(0, 9).flatMap((member) =>
      [50, 300, 600].map((stationMm) => ({
        ...sown[0]!,
        id: randomUUID(),
        memberId: member.id,
        stationMm,
        face: 'web' as const,
        heightMm: 60,
        thicknessMm: 1.2,
      })),
    ),
  ];
  const cracks = [400, 2500, 5600].map((stationMm, k) => ({
    ...ofKind(bundle.evidence, 'crack')[0]!,
    id: randomUUID(),
    memberId: k ? 'rail-left' : 'rail-right',
    path: [
      { stationMm, face: 'web' as const, heightMm: 120 },
      { stationMm: stationMm + 30, face: 'web' as const, heightMm: 180 },
    ],
  }));
  const notices = Array.from({ length: 12 }, (_, k) => ({
    ...bundle.notices[0]!,
    id: randomUUID(),
    unitId: unit.id,
    words: `Standing notice ${k + 1}: do not lift, tow or jack anywhere near this place`,
  }));
  const taken = await request.post('/api/bundles', {
    data: Buffer.from(
      JSON.stringify({
        ...bundle,
        unit,
        job,
        frame,
        evidence: [...readings, ...cracks],
        notices,
        strikes: [],
        repairs: [],
      }),
    ),
  });
  expect(await taken.text()).toContain('"ok":true');
  for (const system of ['in', 'mm']) {
    const path = info.outputPath(`order-${system}.pdf`);
    writeFileSync(path, await paperOf(request, `/api/jobs/${job.id}/work-order?unit=${system}`));
    const pdf = readPdf(path);
    expect(pdf.pages).toBe(1);
    for (const words of ['7 more standing notices', 'Also:', 'on their own cut sheets', 'licensed practice'])
      expect(pdf.words).toContain(words);
  }
});
