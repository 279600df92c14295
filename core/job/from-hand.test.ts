import { workJob, type JobRecords } from '.';
import { defaultFrame, facesOf, familyOf } from '../frame';
import { DEFAULT_PRACTICE } from '../reference';
import type { Sign, SignDetail } from '../walk';

/** From what hammer and finger found to a plate, no gauge in hand. */
const frame = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  family: 'open-channel ladder',
  steel: 'hot-rolled-50',
  datum: 'hole',
});
const rail = frame.members.find((member) => member.id === 'rail-left')!;
let made = 0;
const sign = (share: number, face: string, heightMm: number, detail: SignDetail, more: object = {}): Sign =>
  ({
    kind: 'sign',
    id: `00000000-0000-4000-8000-${String(++made).padStart(12, '0')}`,
    by: 'RK',
    at: '2026-01-02T00:00:00Z',
    note: '',
    memberId: rail.id,
    stationMm: share * rail.lengthMm,
    face,
    heightMm,
    detail,
    ...more,
  }) as Sign;
const gaveWay = (share: number) =>
  sign(share, 'bottom', 30, { sign: 'struck', tool: 'hammer', answer: 'gave way' });
const struckAll = facesOf(rail.shape).map((face) =>
  sign(
    0,
    face.id,
    10,
    { sign: 'struck', tool: 'hammer', answer: 'even ring' },
    {
      toMm: rail.lengthMm,
      at: '2026-01-03T00:00:00Z',
    },
  ),
);
const workOn = (evidence: readonly Sign[]) =>
  workJob({ frame, practice: DEFAULT_PRACTICE, evidence, strikes: [], repairs: [] } as JobRecords).find(
    ({ picture }) => picture.member.id === rail.id,
  )!;
const codes = (work: ReturnType<typeof workOn>) =>
  work.repairs[0]!.findings.map(({ code, weight }) => `${code}: ${weight}`);

test('hammered through underneath and struck sound all round: a plate, provisional where its welds land', () => {
  const work = workOn([gaveWay(0.4), gaveWay(0.45), ...struckAll]);
  expect(work.repairs.map(({ repair }) => repair.pieces.map(({ kind }) => kind))).toEqual([['bottom L']]);
  expect(codes(work)).toContain('edge-struck-only: deviation');
  const [piece] = work.repairs[0]!.repair.pieces;
  expect(piece!.startMm).toBeLessThan(0.4 * rail.lengthMm);
  expect(piece!.endMm).toBeGreaterThan(0.45 * rail.lengthMm);
});

test('nobody struck round it: nothing is offered, and what was tried says why', () => {
  const work = workOn([gaveWay(0.4), gaveWay(0.45)]);
  expect(work.repairs).toEqual([]);
  expect(work.notOffered).toHaveLength(1);
  expect(work.notOffered[0]!.findings.map(({ code }) => code)).toContain('edge-not-measured');
});

test('a hole by itself in the web gets a side plate over it', () => {
  const work = workOn([sign(0.4, 'web', 100, { sign: 'hole', acrossMm: 40 }), ...struckAll]);
  const tried = [...work.repairs, ...work.notOffered].flatMap(({ repair }) => repair.pieces);
  expect(tried.map(({ kind }) => kind)).toEqual(['side plate']);
  expect(tried[0]!.lowerEdgeMm).toBeLessThan(80);
  expect(tried[0]!.upperEdgeMm).toBeGreaterThan(120);
});

test('underneath gone and a hole high above it: the plate reaches past both', () => {
  const hole = sign(0.41, 'web', 90, { sign: 'hole', acrossMm: 30 });
  const work = workOn([gaveWay(0.4), hole, ...struckAll]);
  const tried = [...work.repairs, ...work.notOffered].flatMap(({ repair }) => repair.pieces);
  expect(Math.max(...tried.map(({ upperEdgeMm }) => upperEdgeMm))).toBeGreaterThan(105);
  for (const { kind } of tried) expect(['bottom L', 'full C']).toContain(kind);
});
