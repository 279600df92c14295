import { defaultFrame, facesOf, familyOf, type Member } from '../frame';
import { DEFAULT_HAND_PRACTICE, DEFAULT_PRACTICE } from '../reference';
import { surfaceOf } from '../frame';
import { thicknessMap, type FeltEdge, type Reading } from '../probe';
import type { Crack } from '../trace';
import { mendedIn, type MendedBefore, type Sign, type SignDetail, type SpotState } from '../walk';
import {
  cellIs,
  columnsUnder,
  goneHeights,
  isAnyBad,
  metalAccount,
  ownReadings,
  partedShare,
  sayingsOf,
  standingAgainst,
  stillThere,
  struckEdges,
  type CellIs,
} from '.';

/** What records say of one rail's metal, each rule with the case that would break it. */
const frame = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  family: 'open-channel ladder',
  steel: 'a36',
  datum: 'hole',
});
const rail = frame.members.find((member) => member.id === 'rail-left')!;
const boxed = defaultFrame({
  ...familyOf('boxed ladder').typical,
  family: 'boxed ladder',
  steel: 'a36',
  datum: 'hole',
});
const AT = 2000;
const day = (d: number) => `2026-01-${String(d).padStart(2, '0')}T00:00:00Z`;
const sign = (detail: SignDetail, d: number, more: object = {}): Sign =>
  ({
    kind: 'sign',
    id: `s${d}`,
    memberId: rail.id,
    stationMm: AT,
    face: 'bottom',
    heightMm: 30,
    at: day(d),
    detail,
    ...more,
  }) as Sign;
const look = (result: string, d: number, spot: object = {}, ways: string[] = ['eye']): SpotState =>
  ({
    spot: { id: `p${d}`, title: 'Place', memberId: rail.id, fromMm: AT, toMm: AT, critical: true, ...spot },
    seen: result !== 'not seen',
    measured: false,
    result,
    look: { id: `l${d}`, at: day(d), ways, result },
  }) as SpotState;
const reading = (kept: number, d: number, more: object = {}): Reading =>
  ({
    kind: 'reading',
    id: `r${d}`,
    memberId: rail.id,
    stationMm: AT,
    face: 'bottom',
    heightMm: 30,
    method: 'ultrasonic',
    thicknessMm: kept * rail.shape.thicknessMm,
    at: day(d),
    ...more,
  }) as Reading;

interface Found {
  readonly spots?: readonly SpotState[];
  readonly signs?: readonly Sign[];
  readonly cracks?: readonly Crack[];
  readonly feltEdges?: readonly FeltEdge[];
  readonly readings?: readonly Reading[];
  /** Ids in the order they were kept, where that is not their clocks'. */
  readonly keptAs?: readonly string[];
}
function account(
  { spots = [], signs = [], cracks = [], feltEdges = [], readings = [], keptAs }: Found,
  member: Member = rail,
) {
  const kept = keptAs && new Map(keptAs.map((id, k): [string, number] => [id, k]));
  const witnesses = { walk: { spots }, signs, cracks, feltEdges, ...(kept && { kept }) };
  const sayings = sayingsOf(member, witnesses, DEFAULT_HAND_PRACTICE);
  const own = ownReadings(readings, sayings, kept);
  return metalAccount(
    member,
    surfaceOf(member.shape),
    {
      map: thicknessMap(member, own),
      readings: own,
      sayings,
      madeMm: member.shape.thicknessMm,
      soundShare: DEFAULT_PRACTICE.soundFraction,
    },
    DEFAULT_HAND_PRACTICE,
  );
}
const at = (found: Found, stationMm = AT, face = 'bottom'): CellIs => {
  const one = account(found);
  const rows = one.surface.rowFace.flatMap((each, row) => (each.id === face ? [row] : []));
  return cellIs(
    one,
    rows[Math.floor(rows.length / 2)]!,
    columnsUnder(one.stationsMm, stationMm, stationMm)[0],
  );
};
const rings: SignDetail = { sign: 'struck', tool: 'hammer', answer: 'even ring' };
const skin: SignDetail = { sign: 'old repair', cover: 'skin over rust' };
const taken: SignDetail = { sign: 'opened', how: 'cover taken off' };

test('where a crack on a closed section may run on across the line it is unrolled at, the far face is doubtful', () => {
  const box = boxed.members.find((member) => member.id === 'rail-left')!;
  const surface = surfaceOf(box.shape);
  const first = surface.rowFace[0]!;
  const ends = [3, 33].map((uMm) => ({
    stationMm: AT,
    face: first.id,
    heightMm: first.reversed ? first.widthMm - uMm : uMm,
  }));
  const crack = { kind: 'crack', id: 'c', memberId: box.id, path: ends, at: day(1), startFound: false };
  const one = account({ cracks: [{ ...crack, finishFound: true } as unknown as Crack] }, box);
  const column = columnsUnder(one.stationsMm, AT, AT)[0];
  expect(cellIs(one, surface.uMm.length - 1, column)).toBe('doubtful');
  expect(cellIs(one, Math.floor(0.7 * surface.uMm.length), column)).toBe('unseen');
});

describe('what later evidence answers', () => {
  const stretch = { fromMm: 0, toMm: rail.lengthMm, face: 'bottom' };
  test('a place found delaminating is not answered by a sound look along the stretch, whichever came first', () => {
    const bad = look('delaminating', 2);
    for (const d of [1, 3])
      expect(at({ spots: [bad, look('sound', d, stretch, ['hammer'])] })).toBe('doubtful');
  });
  test('struck at the place itself it is', () => {
    expect(at({ spots: [look('delaminating', 2)], signs: [sign(rings, 3)] })).toBe('held');
    expect(at({ spots: [look('delaminating', 4)], signs: [sign(rings, 3)] })).toBe('doubtful');
  });
  test('what gave way stays gone however it rings later; put right it is new metal', () => {
    const gone = sign({ sign: 'struck', tool: 'pick', answer: 'gave way' }, 1);
    expect(at({ signs: [gone, sign(rings, 2)] })).toBe('gone');
    expect(at({ signs: [gone, sign({ sign: 'put right', done: 'renewed' }, 2)] })).toBe('held');
    expect(at({ signs: [sign({ sign: 'put right', done: 'renewed' }, 1), { ...gone, at: day(2) }] })).toBe(
      'gone',
    );
  });
  test('straightened answers a bend, and neither a hole nor a dull note', () => {
    const straight = sign({ sign: 'put right', done: 'straightened and checked' }, 5);
    const bent = sign({ sign: 'out of shape', is: 'bent', offMm: 8 }, 1);
    expect(at({ signs: [bent] })).toBe('doubtful');
    expect(at({ signs: [bent, straight] })).toBe('seen');
    expect(at({ signs: [sign({ sign: 'hole', acrossMm: 60 }, 1), straight] })).toBe('gone');
    expect(at({ signs: [sign({ sign: 'struck', tool: 'hammer', answer: 'dull' }, 1), straight] })).toBe(
      'doubtful',
    );
  });
});

describe('covers', () => {
  test('a tap on a cover vouches neither for what is beneath nor for the metal beside it', () => {
    expect(at({ signs: [sign(skin, 1), sign(rings, 2)] })).toBe('hidden');
    expect(at({ signs: [sign(skin, 1), sign(rings, 2)] }, AT + 600)).toBe('unseen');
    expect(at({ signs: [sign(rings, 2)] }, AT + 600)).toBe('between');
  });
  test('opened it is doubtful until somebody strikes or reads it', () => {
    const open = [sign(skin, 1), sign(taken, 2)];
    expect(at({ signs: open })).toBe('doubtful');
    expect(at({ signs: [...open, sign(rings, 3)] })).toBe('held');
    expect(at({ signs: open, readings: [reading(1, 3)] })).toBe('measured');
    expect(at({ signs: open, readings: [reading(1, 1)] })).toBe('doubtful');
    expect(at({ signs: [sign(skin, 1)], readings: [reading(1, 3)] })).toBe('hidden');
    expect(at({ signs: [sign(skin, 1)], readings: [reading(1, 3, { method: 'cut sample' })] })).toBe(
      'measured',
    );
  });
  test('a coat that was read through hides nothing there', () => {
    const coat = sign({ sign: 'coating', coat: 'paint over pits' }, 5);
    expect(at({ signs: [coat], readings: [reading(1, 1)] })).toBe('measured');
    expect(at({ signs: [coat] })).toBe('hidden');
  });
});

describe('where it counts', () => {
  test('a reading speaks of its own face and a foot along it, and not round the fold', () => {
    const read = { readings: [reading(1, 1)] };
    expect(at(read)).toBe('measured');
    expect(at(read, AT + 250)).toBe('between');
    expect(at(read, AT + 400)).toBe('unseen');
    expect(at(read, AT, 'web')).toBe('unseen');
  });
  test('a failed look on a section without an underside counts all round', () => {
    const plate: Member = { ...rail, shape: { kind: 'flat', depthMm: 100, thicknessMm: 8 }, lengthMm: 400 };
    const found = account({ spots: [look('through', 1, { fromMm: 200, toMm: 200 })] }, plate);
    expect(isAnyBad(found)).toBe(true);
    expect(standingAgainst(found).map(({ claim }) => claim)).toContain('gone');
  });
  test('said not seen, a place stays so under a look along the stretch; a strike there has seen it', () => {
    const walked = look('sound', 3, { fromMm: 0, toMm: rail.lengthMm });
    expect(at({ spots: [walked, look('not seen', 2)] })).toBe('unseen');
    expect(at({ spots: [walked, look('not seen', 2)], signs: [sign(rings, 1)] })).toBe('held');
  });
  test('between two good places metal counts as seen up to 1.6 m from one, and no further', () => {
    expect(at({ signs: [sign(rings, 1)] }, AT + 1500)).toBe('between');
    expect(at({ signs: [sign(rings, 1)] }, AT + 1800)).toBe('unseen');
  });
  test('all round is all of the outline', () => {
    const round = facesOf(rail.shape).flatMap((face) =>
      [0.15, 0.5, 0.85].map((share, k) =>
        sign({ sign: 'hole', acrossMm: face.widthMm / 3 + 8 }, k + 1, {
          id: `${face.id}${k}`,
          face: face.id,
          heightMm: share * face.widthMm,
        }),
      ),
    );
    const one = account({ signs: round });
    expect(partedShare(one, columnsUnder(one.stationsMm, AT, AT)[0])).toBeCloseTo(1, 6);
    const [none] = columnsUnder(one.stationsMm, AT + 500, AT + 500);
    expect(partedShare(one, none)).toBe(0);
  });
});

describe('the edge that hand finds make', () => {
  const web = (heightMm: number, more: object = {}) =>
    account({ signs: [sign({ sign: 'hole', acrossMm: 30, ...more }, 1, { face: 'web', heightMm })] });
  test('rust from the corner up is an edge, a hole by itself is none, however worn', () => {
    expect(struckEdges(web(60), rail)).toHaveLength(2);
    expect(struckEdges(web(70), rail)).toEqual([]);
    expect(struckEdges(web(60, { expectedMm: 30 }), rail)).toEqual([]);
  });
  test('heights of what is gone, over its run and not beside it', () => {
    expect(goneHeights(web(100), rail, { fromMm: AT, toMm: AT })).toEqual({ lowMm: 85, highMm: 115 });
    expect(goneHeights(web(100), rail, { fromMm: AT + 100, toMm: AT + 200 })).toBeUndefined();
  });
  test('above it the lowest struck metal bounds it, else an inch', () => {
    const hole = sign({ sign: 'hole', acrossMm: 30 }, 1, { face: 'web', heightMm: 30 });
    const [bare] = struckEdges(account({ signs: [hole] }), rail);
    expect(bare!.column).toMatchObject({ kind: 'struck', lowerMm: 45 });
    expect(bare!.column.upperMm).toBeCloseTo(45 + 25.4, 6);
    const around = sign(rings, 2, { face: 'web', heightMm: 100 });
    const [bounded] = struckEdges(account({ signs: [hole, around] }), rail);
    expect(bounded!.column.upperMm).toBeLessThan(60);
    expect(bounded!.column.upperMm).toBeGreaterThanOrEqual(45);
  });
});

test('what was put right ends evidence of before that lies wholly in its extent', () => {
  const mended = sign({ sign: 'put right', done: 'plated and welded' }, 5, { toMm: AT + 400 });
  const stands = stillThere(sayingsOf(rail, { signs: [mended], cracks: [] }, DEFAULT_HAND_PRACTICE));
  expect(stands({ id: 'r', at: day(4), fromMm: AT, toMm: AT + 100 })).toBe(false);
  expect(stands({ id: 'r', at: day(6), fromMm: AT, toMm: AT + 100 })).toBe(true);
  expect(stands({ id: 'r', at: day(4), fromMm: AT - 10, toMm: AT + 100 })).toBe(true);
  expect(stands({ id: 'r', at: day(4), fromMm: AT + 390, toMm: AT + 410 })).toBe(true);
});

describe('clocks that are wrong, devices that were out of reach', () => {
  const gone = sign({ sign: 'struck', tool: 'pick', answer: 'gave way' }, 3);
  const renewed = sign({ sign: 'put right', done: 'renewed' }, 5);
  test('in order by both: renewed ends what was found before', () =>
    expect(at({ signs: [gone, renewed], keptAs: ['s3', 's5'] })).toBe('held'));
  test('a hole kept after the work, by a clock set back, stands', () =>
    expect(at({ signs: [renewed, gone], keptAs: ['s5', 's3'] })).toBe('gone'));
  test('work kept late does not take back a hole that was found after it', () => {
    const later = { ...gone, id: 's7', at: day(7) };
    expect(at({ signs: [later, renewed], keptAs: ['s7', 's5'] })).toBe('gone');
  });
  test('nor a ring kept late a dull note', () => {
    const dull = sign({ sign: 'struck', tool: 'hammer', answer: 'dull' }, 6);
    const rang = sign(rings, 4);
    expect(at({ signs: [dull, rang], keptAs: ['s6', 's4'] })).toBe('doubtful');
    expect(at({ signs: [dull, rang], keptAs: ['s4', 's6'] })).toBe('doubtful');
    expect(at({ signs: [{ ...dull, at: day(3), id: 's3' }, rang], keptAs: ['s3', 's4'] })).toBe('held');
    expect(at({ signs: [{ ...dull, at: day(3), id: 's3' }, rang], keptAs: ['s4', 's3'] })).toBe('doubtful');
  });
  test('a reading kept before the skin was taken off is the skin’s, whatever its clock says', () => {
    const open = [sign(skin, 1), sign(taken, 2)];
    const readings = [reading(1, 3)];
    expect(at({ signs: open, readings, keptAs: ['s1', 's2', 'r3'] })).toBe('measured');
    expect(at({ signs: open, readings, keptAs: ['s1', 'r3', 's2'] })).not.toBe('measured');
  });
  test('evidence is ended only by work that came after it both ways', () => {
    const mended = sign({ sign: 'put right', done: 'plated and welded' }, 5, { toMm: AT + 400 });
    const sayings = sayingsOf(rail, { signs: [mended], cracks: [] }, DEFAULT_HAND_PRACTICE);
    const stands = (ids: readonly string[]) =>
      stillThere(
        sayings,
        new Map(ids.map((id, k) => [id, k])),
      )({
        id: 'r',
        at: day(4),
        fromMm: AT,
        toMm: AT + 100,
      });
    expect(stands(['r', 's5'])).toBe(false);
    expect(stands(['s5', 'r'])).toBe(true);
  });
});

describe('a repair that an earlier job of the unit closed', () => {
  const patched = look('patched before', 10);
  const claims = (mendedBefore: readonly MendedBefore[], state = patched) =>
    sayingsOf(rail, { walk: { spots: [state] }, cracks: [], mendedBefore }, DEFAULT_HAND_PRACTICE).map(
      ({ claim }) => claim,
    );
  const mended = (more: Partial<MendedBefore> = {}): MendedBefore => ({
    memberId: rail.id,
    fromMm: AT - 300,
    toMm: AT + 300,
    at: day(5),
    ...more,
  });
  test('is as made: the patch asks nothing; anything else found there does', () => {
    expect(claims([])).toEqual(['doubtful']);
    expect(claims([mended()])).toEqual(['seen']);
    expect(claims([mended()], look('delaminating', 10))).toEqual(['doubtful']);
    expect(claims([mended()], look('through', 10))).toContain('gone');
  });
  test('only where it covers the place, and only what was seen since', () => {
    expect(claims([mended({ fromMm: AT, toMm: AT })])).toEqual(['seen']);
    expect(claims([mended({ fromMm: AT + 1 })])).toEqual(['doubtful']);
    expect(claims([mended({ toMm: AT - 1 })])).toEqual(['doubtful']);
    expect(claims([mended({ at: day(11) })])).toEqual(['doubtful']);
  });
  test('new metal counts, a straightened wall is the old one', () => {
    const done = (what: 'renewed' | 'plated and welded' | 'straightened and checked') =>
      mendedIn([sign({ sign: 'put right', done: what }, 5, { toMm: AT + 50 })]);
    expect(done('renewed')).toEqual([{ memberId: rail.id, fromMm: AT, toMm: AT + 50, at: day(5) }]);
    expect(done('plated and welded')).toHaveLength(1);
    expect(done('straightened and checked')).toEqual([]);
  });
});

describe('what somebody was told', () => {
  const told = (result: string): SpotState =>
    ({ ...look(result, 2, {}, ['told']), seen: false }) as SpotState;
  const claims = (state: SpotState) =>
    account({ spots: [state] }).sayings.map(({ claim, by }) => `${claim} ${by}`);
  test('bad, it leaves the metal doubtful, never failed; good, it clears nothing', () => {
    expect(claims(told('through'))).toEqual(['unseen seen', 'doubtful told']);
    expect(claims(told('sound'))).toEqual(['unseen seen']);
    expect(at({ spots: [told('cracked')] })).toBe('doubtful');
    expect(at({ spots: [told('sound')] })).toBe('unseen');
  });
  test('looked at since, it is what was seen', () =>
    expect(at({ spots: [look('sound', 3, {}, ['eye', 'hammer'])] })).toBe('held'));
});

describe('what the map makes of metal that nobody read', () => {
  const sound = DEFAULT_PRACTICE.soundFraction * rail.shape.thicknessMm;
  const thickness = (found: Found, stationMm: number, face: string) => {
    const { surface, best, leastMm } = account(found);
    const column = columnsUnder(best.stationsMm, stationMm, stationMm)[0];
    const cells = surface.rowFace.flatMap((each, row) =>
      each.id === face ? [row * best.stationsMm.length + column] : [],
    );
    return cells.map((cell) => ({ best: best.thicknessMm[cell]!, least: leastMm[cell]! }));
  };
  const thin = reading(0.3, 2);
  const ofBest = (cells: ReturnType<typeof thickness>) => cells.map(({ best }) => best);

  test('the one bad place read first does not thin the rail: a guess is taken for sound at least', () => {
    expect(Math.min(...ofBest(thickness({ readings: [thin] }, AT, 'bottom')))).toBeLessThan(0.4 * sound);
    for (const [stationMm, face] of [
      [AT + 2000, 'bottom'],
      [AT, 'web'],
    ] as const)
      for (const best of ofBest(thickness({ readings: [thin] }, stationMm, face)))
        expect(best).toBeCloseTo(sound, 9);
  });
  test('a guess that is better than that stays as it is, and a cell that was read as it was read', () => {
    const far = ofBest(thickness({ readings: [reading(0.95, 2)] }, AT + 2000, 'bottom'));
    for (const best of far) expect(best).toBeCloseTo(0.95 * rail.shape.thicknessMm, 6);
  });
  test('no metal is thinner than a hammer vouches for, but where it was read so', () => {
    const struckAll = { signs: [sign({ ...rings }, 3, { stationMm: 0, toMm: rail.lengthMm })] };
    const cells = [AT, AT + 150, AT + 2000].flatMap((stationMm) =>
      thickness({ ...struckAll, readings: [thin] }, stationMm, 'bottom'),
    );
    const worst = cells.filter(({ best, least }) => best < least);
    expect(worst).toEqual([]);
    expect(Math.min(...ofBest(cells))).toBeCloseTo(0.3 * rail.shape.thicknessMm, 6);
    const vouched = ofBest(thickness({ ...struckAll, readings: [thin] }, AT + 150, 'bottom'));
    expect(Math.min(...vouched)).toBeCloseTo(DEFAULT_HAND_PRACTICE.struckKept * rail.shape.thicknessMm, 6);
  });
});

describe('an edge felt by hand', () => {
  const felt = (upperMm: number, lowerMm: number): FeltEdge =>
    ({
      kind: 'felt edge',
      id: 'f',
      memberId: rail.id,
      stationMm: AT,
      face: 'web',
      upperMm,
      lowerMm,
      at: day(1),
    }) as FeltEdge;
  const isAt = (heightMm: number, found: Found) => {
    const one = account(found);
    const { faces, rowFace, uMm } = one.surface;
    const web = faces.find(({ id }) => id === 'web')!;
    const u = web.uStartMm + (web.reversed ? web.widthMm - heightMm : heightMm);
    const row = rowFace.flatMap((face, k) => (face === web ? [k] : []));
    const [nearest] = row.sort((a, b) => Math.abs(uMm[a]! - u) - Math.abs(uMm[b]! - u));
    return cellIs(one, nearest!, columnsUnder(one.stationsMm, AT, AT)[0]);
  };
  test('is unsound beneath, held above, and doubtful where the finger could not tell', () => {
    const found = { feltEdges: [felt(80, 40)] };
    expect([20, 60, 100].map((heightMm) => isAt(heightMm, found))).toEqual(['unsound', 'doubtful', 'held']);
    expect(isAt(60, { feltEdges: [felt(40, 40)] })).toBe('held');
    const read = [reading(0.9, 1, { face: 'web', heightMm: 20 })];
    expect(isAt(20, { feltEdges: [felt(80, 40)], readings: read })).toBe('measured');
  });
  test('a sound look along the stretch does not answer what the finger doubted', () => {
    const walked = look('sound', 3, { fromMm: 0, toMm: rail.lengthMm, face: 'web' }, ['hammer']);
    expect(isAt(60, { feltEdges: [felt(80, 40)], spots: [walked] })).toBe('doubtful');
    expect(isAt(120, { feltEdges: [felt(80, 40)], spots: [walked] })).toBe('held');
  });
});

test('what was read on bare metal stays read under a cover found later, and failed metal stays failed', () => {
  const cut = { readings: [reading(1, 1, { method: 'cut sample' })] };
  expect(at({ ...cut, signs: [sign(skin, 5)] })).toBe('measured');
  expect(at({ ...cut, signs: [sign({ sign: 'hole', acrossMm: 60 }, 5)] })).toBe('gone');
  const gone = sign({ sign: 'hole', acrossMm: 60 }, 1);
  expect(at({ signs: [gone, sign(skin, 5)] })).toBe('gone');
});
