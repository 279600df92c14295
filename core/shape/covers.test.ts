import { defaultFrame, familyOf, type Member } from '../frame';
import { BETWEEN_HEAT_ZONES_MM, DEFAULT_PRACTICE, stiffenedLimit } from '../reference';
import type { Crack } from '../trace';
import type { Sign } from '../walk';
import { memberPicture } from '../weigh';
import { pieceSchema, type Piece, type Repair } from '.';
import { crackCoverage, skinBeneath, staggered, wideBetweenWelds } from './rules/covers';
import type { RepairPicture } from './repair-picture';

const frame = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  family: 'open-channel ladder',
  steel: 'a36',
  datum: 'hole',
});
const rail: Member = frame.members.find(({ id }) => id === 'rail-left')!;
const by = { by: 'RK', at: '2026-11-10T08:00:00Z', note: '' };
const piece = (more: Partial<Piece> = {}): Piece =>
  pieceSchema.parse({
    id: 'p',
    kind: 'side plate',
    startMm: 1000,
    endMm: 3000,
    thicknessMm: 6,
    lowerEdgeMm: 40,
    upperEdgeMm: 120,
    taperMm: 100,
    ...more,
  });
const context = (
  pieces: readonly Piece[],
  { cracks = [], signs = [], ...more }: { cracks?: Crack[]; signs?: Sign[] } & Partial<Repair> = {},
): RepairPicture => ({
  picture: memberPicture({ frame, member: rail, practice: DEFAULT_PRACTICE, readings: [], cracks, signs }),
  repair: { id: 'r', memberId: rail.id, cutOut: false, plugs: false, pieces: [...pieces], ...more } as Repair,
  restored: [],
  pieces: [],
});
const codes = (findings: readonly { code: string; weight: string }[]) =>
  findings.map(({ code, weight }) => `${weight} ${code}`);

describe('a crack under a plate', () => {
  const crack = (face: 'web' | 'bottom', from: number, to: number, stationMm = 2000): Crack => ({
    kind: 'crack',
    id: '00000000-0000-4000-8000-000000000001',
    memberId: rail.id,
    path: [from, to].map((heightMm) => ({ stationMm, face, heightMm })),
    startFound: true,
    finishFound: true,
    seenBy: 'eye',
    ...by,
  });
  const of = (one: Crack, pieces = [piece()]) => codes(crackCoverage(context(pieces, { cracks: [one] })));
  test.each<[string, string[], Crack]>([
    ['wholly under it', [], crack('web', 41, 119)],
    ['its tip a millimetre out', ['broken crack-uncovered'], crack('web', 41, 121)],
    ['below it', ['broken crack-uncovered'], crack('web', 39, 60)],
    ['beside it along the rail', [], crack('web', 41, 119, 3200)],
  ])('%s: %j', (_, said, one) => expect(of(one)).toEqual(said));
  test('one that runs out of the flange’s free edge has no tip there', () => {
    const { flangeMm } = rail.shape as typeof rail.shape & { flangeMm: number };
    const cover = (upperEdgeMm: number) => [piece({ kind: 'cover plate', lowerEdgeMm: 10, upperEdgeMm })];
    expect(of(crack('bottom', 30, flangeMm), cover(flangeMm - 12))).toEqual([]);
    expect(of(crack('bottom', 30, flangeMm - 14), cover(flangeMm - 15))).toEqual(['broken crack-uncovered']);
  });
  test('two pieces together cover it round the corner', () => {
    const round: Crack = {
      ...crack('web', 5, 5),
      path: [
        { stationMm: 2000, face: 'web', heightMm: 30 },
        { stationMm: 2000, face: 'bottom', heightMm: 20 },
      ],
    };
    const web = piece({ lowerEdgeMm: 10 });
    const under = piece({ id: 'q', kind: 'cover plate', lowerEdgeMm: 10, upperEdgeMm: 40 });
    expect(of(round, [web])).toEqual(['broken crack-uncovered']);
    expect(of(round, [web, under])).toEqual([]);
  });
});

describe('an earlier repair under a plate', () => {
  const ID = '00000000-0000-4000-8000-000000000002';
  const flat = (face: 'web' | 'bottom', from: number, to: number): Sign => ({
    kind: 'sign',
    id: ID,
    memberId: rail.id,
    stationMm: from,
    toMm: to,
    face,
    heightMm: 60,
    detail: { sign: 'old repair', cover: 'added angle or flat' },
    ...by,
  });
  const of = (sign: Sign, way?: 'off for good' | 'stays beneath' | 'off and back') =>
    codes(
      skinBeneath(
        context([piece()], { signs: [sign], ...(way && { beneath: [{ hostId: `skin ${ID}`, way }] }) }),
      ),
    );
  test('comes off, stays and is signed for, or breaks', () => {
    expect(of(flat('web', 1500, 1900))).toEqual(['broken skin-beneath']);
    expect(of(flat('web', 1500, 1900), 'off for good')).toEqual(['note skin-off']);
    expect(of(flat('web', 1500, 1900), 'stays beneath')).toEqual(['deviation skin-stays']);
    expect(of(flat('web', 1500, 1900), 'off and back')).toEqual(['broken skin-beneath']);
  });
  test('on a face that the plate does not cover, or elsewhere along the rail, it is not met', () => {
    expect(of(flat('bottom', 1500, 1900))).toEqual([]);
    expect(of(flat('web', 4000, 4300))).toEqual([]);
  });
});

describe('ends of two plates', () => {
  const pair = (apartMm: number) => [
    piece(),
    piece({ id: 'q', inside: true, startMm: 1000 - apartMm, endMm: 3200 }),
  ];
  test.each([
    [0, ['broken ends-level']],
    [BETWEEN_HEAT_ZONES_MM - 1, ['broken ends-level']],
    [BETWEEN_HEAT_ZONES_MM, []],
  ])('%d mm apart: %j', (apartMm, said) => expect(codes(staggered(context(pair(apartMm))))).toEqual(said));
  test('at the member’s own end there is none to stagger; one plate has no other', () => {
    const atEnd = [piece({ startMm: 0 }), piece({ id: 'q', startMm: 0, endMm: 3200, inside: true })];
    expect(staggered(context(atEnd))).toEqual([]);
    expect(staggered(context([piece()]))).toEqual([]);
  });
});

describe('wide and thin between its welds', () => {
  const most = stiffenedLimit(248.2);
  const widthMm = 80;
  test.each([
    [widthMm / most + 0.01, []],
    [widthMm / most - 0.01, ['deviation wide-between-welds']],
  ])('80 mm of %d mm plate: %j', (thicknessMm, said) =>
    expect(codes(wideBetweenWelds(context([piece({ thicknessMm })])))).toEqual(said),
  );
  test('a row of plugs holds it', () => {
    const thin = piece({ thicknessMm: 1.2, lowerEdgeMm: 20, upperEdgeMm: 100 });
    expect(wideBetweenWelds(context([thin]))).toHaveLength(1);
    expect(wideBetweenWelds(context([thin], { plugs: true }))).toEqual([]);
  });
});
