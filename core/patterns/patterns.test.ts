import fc from 'fast-check';
import { defaultFrame, FAMILY_IDS, familyOf, memberOf, twinOf, type Frame, type Member } from '../frame';
import { checkRepair, lieOver, repairSchema, type Piece, type Repair } from '../shape';
import {
  howItHeld,
  landmarksOn,
  layPattern,
  patternForm,
  patternOf,
  patternSchema,
  suits,
  type LaterRecord,
  type PatternUse,
} from '.';
import { opened, packed, valueOf } from '../quantity';

const frameOf = (family: (typeof FAMILY_IDS)[number] = 'open-channel ladder'): Frame =>
  defaultFrame({ ...familyOf(family).typical, family, steel: 'a36', datum: 'front hole' });
const left = (frame: Frame): Member => memberOf(frame, 'rail-left')!;
const right = (frame: Frame): Member => memberOf(frame, 'rail-right')!;

const repairOn = (member: Member, pieces: readonly Partial<Piece>[]): Repair =>
  repairSchema.parse({
    id: 'r-1',
    memberId: member.id,
    cutOut: true,
    pieces: pieces.map((piece, k) => ({
      id: `p-${k + 1}`,
      kind: 'side plate',
      startMm: 2000,
      endMm: 2900,
      thicknessMm: 4.7625,
      lowerEdgeMm: 10,
      upperEdgeMm: 60,
      taperMm: 100,
      ...piece,
    })),
    weldStyle: 'skip',
    plugs: true,
    onBench: false,
    by: 'TM',
    at: '2026-11-24T08:00:00Z',
  });
const about = {
  id: '00000000-0000-4000-8000-000000000077',
  name: 'Cap by the hanger',
  from: { jobId: '00000000-0000-4000-8000-000000000001', tag: 'BM-2' },
  photos: [],
  note: '',
  by: 'TM',
  at: '2026-11-25T08:00:00Z',
};
const laid = (repair: Repair, from: { frame: Frame; member: Member }, on: { frame: Frame; member: Member }) =>
  layPattern(patternOf(from.frame, from.member, repair, about), on.frame, on.member);
const without = ({ pieces }: Pick<Repair, 'pieces'>) => pieces.map(({ id: _, ...piece }) => piece);

/** The frame with every fitting of one kind moved along, the rails as they were. */
const withMoved = (frame: Frame, kind: string, byMm: number): Frame => ({
  ...frame,
  fittings: frame.fittings.map((each) =>
    each.kind === kind ? { ...each, stationMm: each.stationMm + byMm } : each,
  ),
});
const withRight = (frame: Frame, change: Partial<Member>): Frame => ({
  ...frame,
  members: frame.members.map((each) => (each.id === 'rail-right' ? { ...each, ...change } : each)),
});

test('landmarks count from the front, ends and crossmembers among them; what is clipped on is none', () => {
  const made = frameOf();
  const hanger = made.fittings.find(({ kind }) => kind === 'spring hanger')!;
  const frame = {
    ...made,
    fittings: [...made.fittings, { ...hanger, id: 'brake-line', kind: 'line' as const, name: 'Brake line' }],
  };
  const marks = landmarksOn(frame, left(frame));
  expect(marks[0]).toEqual({ kind: 'front end', nth: 1, of: 1, stationMm: 0 });
  expect(marks.at(-1)).toEqual({
    kind: 'rear end',
    nth: 1,
    of: 1,
    stationMm: left(frame).lengthMm,
  });
  expect(marks.some(({ kind }) => kind === 'line')).toBe(false);
  const crossings = marks.filter(({ kind }) => kind === 'crossmember');
  expect(crossings.map(({ nth, of }) => [nth, of])).toEqual(
    crossings.map((_, k) => [k + 1, crossings.length]),
  );
  const atMm = frame.members.flatMap(({ atMm: at, role }) =>
    role === 'crossmember' && at !== undefined ? [at] : [],
  );
  expect(crossings.map(({ stationMm }) => stationMm)).toEqual([...atMm].sort((a, b) => a - b));
});

test('what is kept and laid again where it came from is the same repair, wherever it lies', () => {
  const frame = frameOf();
  const rail = left(frame);
  const faceMm = rail.shape.depthMm;
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: rail.lengthMm - 60, noNaN: true }),
      fc.double({ min: 55, max: 1500, noNaN: true }),
      fc.double({ min: 0, max: faceMm / 2 - 15, noNaN: true }),
      (startMm, longMm, lowerEdgeMm) => {
        const repair = repairOn(rail, [
          {
            startMm,
            endMm: Math.min(rail.lengthMm, startMm + longMm),
            lowerEdgeMm,
            upperEdgeMm: faceMm - lowerEdgeMm,
          },
        ]);
        fc.pre(checkRepair(rail, repair).ok);
        const again = laid(repair, { frame, member: rail }, { frame, member: rail });
        if (!again.ok) throw new Error(again.reason);
        const [was, is] = [repair.pieces[0]!, again.value.repair.pieces[0]!];
        for (const key of ['startMm', 'endMm', 'lowerEdgeMm', 'upperEdgeMm'] as const)
          expect(is[key]).toBeCloseTo(was[key], 6);
        expect(again.value.unlike).toEqual([]);
      },
    ),
    { seed: 4, numRuns: 200 },
  );
});

test('every family: a plate of the first rail or sill lies on its twin, level, and says that it is the other side', () => {
  let tried = 0;
  for (const family of FAMILY_IDS) {
    const frame = frameOf(family);
    const member = frame.members.find(
      (each) => each.side === 'left' && each.lengthMm > 800 && twinOf(frame, each),
    )!;
    const repair = repairOn(member, [
      { startMm: 0.4 * member.lengthMm, endMm: 0.4 * member.lengthMm + 200, lowerEdgeMm: 2, upperEdgeMm: 40 },
    ]);
    if (!checkRepair(member, repair).ok) continue;
    tried++;
    const on = layPattern(patternOf(frame, member, repair, about), frame, twinOf(frame, member)!);
    expect(on).toMatchObject({ ok: true });
    if (on.ok) expect(on.value.unlike).toContainEqual({ code: 'other side' });
    if (on.ok) expect(on.value.repair.pieces[0]!.startMm).toBeCloseTo(repair.pieces[0]!.startMm, 6);
  }
  expect(tried).toBeGreaterThanOrEqual(5);
});

describe('where brackets stand elsewhere', () => {
  const frame = frameOf();
  const rail = left(frame);
  const [hanger] = landmarksOn(frame, rail).filter(({ kind }) => kind === 'spring hanger');
  const repair = repairOn(rail, [
    {
      startMm: hanger!.stationMm + 20,
      endMm: hanger!.stationMm + 30 + 500,
      notches: [{ fromMm: hanger!.stationMm + 21, toMm: hanger!.stationMm + 60, edge: 'first', deepMm: 15 }],
    },
  ]);

  test('a plate and its notch go with the hanger that they were measured from', () => {
    const moved = withMoved(frame, 'spring hanger', 15);
    const on = laid(repair, { frame, member: rail }, { frame: moved, member: right(moved) });
    if (!on.ok) throw new Error(on.reason);
    const [piece] = on.value.repair.pieces;
    expect(piece!.startMm).toBeCloseTo(hanger!.stationMm + 35, 6);
    expect(piece!.notches![0]).toMatchObject({ edge: 'first', deepMm: 15 });
    expect(piece!.notches![0]!.fromMm).toBeCloseTo(hanger!.stationMm + 36, 6);
    expect(on.value.unlike).toContainEqual({ code: 'other side' });
  });

  test('its joints keep their share of its length', () => {
    const [piece] = repair.pieces as [Piece];
    const jointed = { ...repair, pieces: [{ ...piece, notches: [], joints: [piece.startMm + 255] }] };
    const moved = withMoved(frame, 'spring hanger', 15);
    const on = laid(jointed, { frame, member: rail }, { frame: moved, member: right(moved) });
    if (!on.ok) throw new Error(on.reason);
    const [there] = on.value.repair.pieces;
    expect(there!.joints).toHaveLength(1);
    const share = (there!.joints![0]! - there!.startMm) / (there!.endMm - there!.startMm);
    expect(share).toBeCloseTo(255 / (piece.endMm - piece.startMm), 6);
  });

  test('a length that comes out otherwise is said; one within a millimetre is not', () => {
    const ends = (byMm: number) => {
      const longer = withRight(frame, { lengthMm: rail.lengthMm + byMm });
      const atEnd = repairOn(rail, [{ startMm: rail.lengthMm - 900, endMm: rail.lengthMm }]);
      const on = laid(atEnd, { frame, member: rail }, { frame: longer, member: right(longer) });
      if (!on.ok) throw new Error(on.reason);
      return on.value.unlike.filter(({ code }) => code === 'length');
    };
    expect(ends(0.9)).toEqual([]);
    expect(ends(40)).toMatchObject([{ piece: 0, wasMm: 900 }]);
    expect((ends(40)[0] as { isMm: number }).isMm).toBeCloseTo(940, 6);
  });

  test('without that hanger, or with one more, the next landmark tells, and that is said', () => {
    const bare = { ...frame, fittings: frame.fittings.filter(({ kind }) => kind !== 'spring hanger') };
    const one = frame.fittings.find(({ kind }) => kind === 'spring hanger')!;
    const more = {
      ...frame,
      fittings: [...frame.fittings, { ...one, id: 'hanger-more', side: 'both' as const, stationMm: 100 }],
    };
    for (const other of [bare, more]) {
      const on = laid(repair, { frame, member: rail }, { frame: other, member: right(other) });
      if (!on.ok) throw new Error(on.reason);
      // The frame is as it was otherwise: measured from something else it comes to lie at the same place.
      expect(on.value.repair.pieces[0]!.startMm).toBeCloseTo(repair.pieces[0]!.startMm, 6);
      const told = on.value.unlike.filter(({ code }) => code === 'measured from');
      expect(told[0]).toMatchObject({ was: 'spring hanger', piece: 0 });
    }
  });

  test('of whatever is left out of a frame, each place is still told by its member’s ends', () => {
    const nothing = { ...frame, fittings: [], members: frame.members.filter(({ role }) => role === 'rail') };
    const on = laid(repair, { frame, member: rail }, { frame: nothing, member: right(nothing) });
    if (!on.ok) throw new Error(on.reason);
    expect(on.value.repair.pieces[0]!.startMm).toBeCloseTo(repair.pieces[0]!.startMm, 6);
    const told = on.value.unlike.flatMap((each) => (each.code === 'measured from' ? [each.is] : []));
    expect(new Set(told)).toEqual(new Set([told[0]]));
    expect(told[0]).toMatch(/end$/);
  });

  test('a plate that would end off the rail is refused', () => {
    const atEnd = repairOn(rail, [{ startMm: rail.lengthMm - 300, endMm: rail.lengthMm - 100 }]);
    const pattern = patternOf(frame, rail, atEnd, about);
    const short = withRight(frame, { lengthMm: 100 });
    expect(layPattern(pattern, short, right(short)).ok).toBe(false);
  });
});

describe('where the section is another', () => {
  const frame = frameOf();
  const rail = left(frame);
  const { depthMm } = rail.shape;
  const deeper = (byMm: number) => withRight(frame, { shape: { ...rail.shape, depthMm: depthMm + byMm } });
  const upper = repairOn(rail, [{ lowerEdgeMm: depthMm - 60, upperEdgeMm: depthMm - 5 }]);

  test('edges stay as far from the corner that they are near to, and the depth is said', () => {
    const on = laid(upper, { frame, member: rail }, { frame: deeper(40), member: right(deeper(40)) });
    if (!on.ok) throw new Error(on.reason);
    expect(on.value.repair.pieces[0]).toMatchObject({
      lowerEdgeMm: depthMm - 20,
      upperEdgeMm: depthMm + 35,
    });
    expect(on.value.unlike).toContainEqual({
      code: 'section',
      what: 'depth',
      wasMm: depthMm,
      isMm: depthMm + 40,
    });
  });

  test('within one part in a hundred it is the same section; on a far shallower one there is no room', () => {
    const nearly = deeper(0.009 * depthMm);
    const same = laid(upper, { frame, member: rail }, { frame: nearly, member: right(nearly) });
    expect(same).toMatchObject({ ok: true, value: {} });
    if (same.ok) expect(same.value.unlike.filter(({ code }) => code === 'section')).toEqual([]);
    const shallow = deeper(-depthMm + 40);
    const on = laid(upper, { frame, member: rail }, { frame: shallow, member: right(shallow) });
    expect(on).toMatchObject({ ok: false, reason: expect.stringContaining('too narrow') });
  });

  test('another family, kind of member or kind of section is not offered, and refused when tried', () => {
    const pattern = patternOf(frame, rail, upper, about);
    const boxed = frameOf('boxed ladder');
    const crossmember = frame.members.find(({ role }) => role === 'crossmember')!;
    expect(suits(pattern, frame, right(frame))).toBe(true);
    expect(suits(pattern, boxed, right(boxed))).toBe(false);
    expect(suits(pattern, frame, crossmember)).toBe(false);
    const tube = withRight(frame, {
      shape: { kind: 'box', depthMm, widthMm: 80, thicknessMm: 5 },
    });
    expect(suits(pattern, tube, right(tube))).toBe(false);
    expect(layPattern(pattern, tube, right(tube)).ok).toBe(false);
  });
});

test('two repairs lie over one another where their plates share a stretch of one member', () => {
  const rail = left(frameOf());
  const [a, b] = [
    repairOn(rail, [{}]),
    (startMm: number, id = 'rail-left') => ({
      ...repairOn(rail, [{ startMm, endMm: startMm + 500 }]),
      memberId: id,
    }),
  ];
  expect(lieOver(a, b(2899))).toBe(true);
  expect(lieOver(a, b(2900))).toBe(false);
  expect(lieOver(a, b(1501))).toBe(true);
  expect(lieOver(a, b(1500))).toBe(false);
  expect(lieOver(a, b(2899, 'rail-right'))).toBe(false);
});

test('a pattern keeps how it was joined, names where it came from, and is read as it was written', () => {
  const frame = frameOf();
  const pattern = patternOf(frame, left(frame), repairOn(left(frame), [{}, { inside: true }]), {
    ...about,
    workedH: 6.5,
  });
  expect(patternSchema.parse(pattern)).toEqual(pattern);
  expect(valueOf(opened(patternForm, packed(patternForm, pattern)))).toEqual(pattern);
  expect(patternSchema.safeParse({ ...pattern, places: pattern.places.slice(1) }).success).toBe(false);
  expect(pattern).toMatchObject({
    family: 'open-channel ladder',
    member: { side: 'left', role: 'rail' },
    from: { tag: 'BM-2' },
    repair: { id: 'r-1', cutOut: true, weldStyle: 'skip', plugs: true },
  });
  const on = layPattern(pattern, frame, right(frame));
  if (!on.ok) throw new Error(on.reason);
  expect(on.value.repair).toMatchObject({
    cutOut: true,
    weldStyle: 'skip',
    plugs: true,
    memberId: 'rail-right',
    pattern: { id: about.id, name: about.name },
  });
  expect(without(on.value.repair as Repair)[1]).toMatchObject({ inside: true });
  // What was in the way there is that rail's own.
  expect(on.value.repair).not.toHaveProperty('beneath');
});

describe('how it held', () => {
  const use: PatternUse = {
    jobId: about.from.jobId,
    tag: 'BM-2',
    memberId: 'rail-left',
    memberName: 'Left rail',
    fromMm: 2000,
    toMm: 2900,
    closedAt: '2025-05-01T10:00:00Z',
    isChanged: false,
  };
  const record = (more: Partial<LaterRecord>): LaterRecord => ({
    memberId: 'rail-left',
    fromMm: 2500,
    toMm: 2500,
    at: '2026-05-01T10:00:00Z',
    is: 'sound',
    what: 'sound',
    ...more,
  });

  test('nothing is said of one whose job is open, nor of one that nobody looked at', () => {
    const { closedAt: _, ...open } = use;
    expect(howItHeld(open, [record({})])).toEqual({ is: 'not closed' });
    expect(howItHeld(use, [])).toEqual({ is: 'nobody looked' });
  });
  test('a look at another place, another rail, or from before it was closed says nothing', () => {
    for (const elsewhere of [
      { fromMm: 2901, toMm: 3000 },
      { fromMm: 1000, toMm: 1999 },
      { memberId: 'rail-right' },
      { at: '2025-05-01T10:00:00Z' },
    ])
      expect(howItHeld(use, [record(elsewhere)])).toEqual({ is: 'nobody looked' });
    for (const there of [
      { fromMm: 2900, toMm: 3000 },
      { fromMm: 1000, toMm: 2000 },
      { at: '2025-05-01T10:00:01Z' },
    ])
      expect(howItHeld(use, [record(there)]).is).toBe('held');
  });
  test('the first bad word counts, whatever was said of it later; a repair over it says that it did not last', () => {
    const crack = record({ is: 'bad', what: 'crack', at: '2026-02-01T10:00:00Z' });
    expect(howItHeld(use, [record({}), crack])).toMatchObject({ is: 'failed', what: 'crack' });
    expect(howItHeld(use, [record({}), record({ is: 'mended', what: 'side plate' })])).toMatchObject({
      is: 'mended again',
    });
  });
});
