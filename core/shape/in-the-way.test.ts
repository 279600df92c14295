import {
  crossingsOn,
  defaultFrame,
  familyOf,
  fittingsOn,
  type Family,
  type Fitting,
  type Frame,
  type Member,
} from '../frame';
import { DEFAULT_PRACTICE } from '../reference';
import { memberPicture } from '../weigh';
import { clashesUnder, flatPattern, holesUnder, pieceSchema, type Piece, type Repair } from '.';
import { landing } from './rules/landing';
import { shopPlates, steelTakesWelds } from './rules/may-be-welded';
import { uncheckedIn } from './unchecked';
import { cutLoose, heatNear, holesBeneath, inTheWay } from './rules/in-the-way';
import type { RepairPicture } from './repair-picture';

const frameOf = (family: Family): Frame =>
  defaultFrame({ ...familyOf(family).typical, family, steel: 'a36', datum: 'hole' });
const ladder = frameOf('open-channel ladder');
const boxed = frameOf('boxed ladder');
const railOf = (frame: Frame): Member => frame.members.find(({ id }) => id === 'rail-left')!;
const only = (frame: Frame, fittings: readonly Fitting[]): Frame => ({ ...frame, fittings: [...fittings] });

const piece = (more: Partial<Piece> = {}): Piece =>
  pieceSchema.parse({
    id: 'p',
    kind: 'bottom L',
    startMm: 1000,
    endMm: 3000,
    thicknessMm: 6,
    lowerEdgeMm: 0,
    upperEdgeMm: 100,
    taperMm: 100,
    ...more,
  });
const context = (frame: Frame, pieces: readonly Piece[], more: Partial<Repair> = {}): RepairPicture => {
  const member = railOf(frame);
  return {
    picture: memberPicture({ frame, member, practice: DEFAULT_PRACTICE, readings: [], cracks: [] }),
    repair: { id: 'r', memberId: member.id, cutOut: false, pieces: [...pieces], ...more } as Repair,
    restored: [],
    pieces: [],
  };
};
const codes = (findings: readonly { code: string; weight: string }[]) =>
  findings.map(({ code, weight }) => `${weight} ${code}`);

describe('brackets under a plate', () => {
  const bracket: Fitting = { id: 'b', kind: 'bracket', name: 'Step bracket', side: 'left', stationMm: 2000 };
  const frame = only(ladder, [bracket]);
  /** Nobody gave its size: 6 in is taken. */
  const HALF_MM = 76.2;

  test.each([
    [2000 + HALF_MM + 1, 3000, []],
    [2000 + HALF_MM - 1, 3000, ['broken in-the-way']],
    [1000, 2000 - HALF_MM - 1, []],
    [1000, 2000 - HALF_MM + 1, ['broken in-the-way']],
  ])('a plate from %d to %d: %j', (startMm, endMm, said) =>
    expect(codes(inTheWay(context(frame, [piece({ startMm, endMm })])))).toEqual(said),
  );
  test('by its own size where that is on record', () => {
    const small = only(ladder, [{ ...bracket, size: { alongMm: 40, highMm: 80, thicknessMm: 5 } }]);
    expect(clashesUnder(small, railOf(small), piece({ startMm: 2021 }))).toEqual([]);
    expect(clashesUnder(small, railOf(small), piece({ startMm: 2019 }))).toHaveLength(1);
  });
  test.each<[string, Partial<Piece>, Repair['beneath'], string[]]>([
    ['nobody decided', {}, undefined, ['broken in-the-way']],
    ['off and back', {}, [{ hostId: 'b left', way: 'off and back' }], ['note off-and-back']],
    ['looked at and clear', {}, [{ hostId: 'b left', way: 'clear of it' }], []],
    ['another one is off', {}, [{ hostId: 'c left', way: 'off and back' }], ['broken in-the-way']],
    ['notched round', { notches: [{ fromMm: 1900, toMm: 2100, edge: 'first', deepMm: 40 }] }, undefined, []],
    [
      'notched a millimetre short',
      { notches: [{ fromMm: 1924.8, toMm: 2100, edge: 'first', deepMm: 40 }] },
      undefined,
      ['broken in-the-way'],
    ],
  ])('%s', (_, more, beneath, said) =>
    expect(codes(inTheWay(context(frame, [piece(more)], beneath && { beneath })))).toEqual(said),
  );
  test('a plate inside the wall meets its bolts and rivets, and no weld; an axle or a lift point has no foot', () => {
    const inside = piece({ inside: true, startMm: 1300, endMm: 2200 });
    const held = (by: 'weld' | 'rivets') => only(ladder, [{ ...bracket, attached: { by } }]);
    expect(inTheWay(context(held('weld'), [inside]))).toEqual([]);
    expect(codes(inTheWay(context(held('rivets'), [inside])))).toEqual(['broken in-the-way']);
    expect(codes(inTheWay(context(frame, [inside])))).toEqual(['broken in-the-way']);
    for (const kind of ['axle', 'lift point', 'line', 'tank'] as const)
      expect(inTheWay(context(only(ladder, [{ ...bracket, kind }]), [piece()]))).toEqual([]);
  });
  test('what hangs on the other side is not met', () =>
    expect(inTheWay(context(only(ladder, [{ ...bracket, side: 'right' }]), [piece()]))).toEqual([]));
});

describe('crossmembers and a plate', () => {
  const bare = only(ladder, []);
  const rail = railOf(bare);
  const [crossing] = crossingsOn(bare, rail).filter(({ stationMm }) => stationMm > 1000);
  const { stationMm, member: cross } = crossing!;
  const over = (more: Partial<Piece>): Piece =>
    piece({ startMm: stationMm - 400, endMm: stationMm + 400, ...more });

  test('one that stands on the web’s inside is met by a plate inside, not by one outside', () => {
    const web = {
      ...bare,
      members: bare.members.map((each) => (each.id === cross.id ? { ...each, joint: 'web' as const } : each)),
    };
    expect(inTheWay(context(web, [over({ upperEdgeMm: 150 })]))).toEqual([]);
    expect(codes(inTheWay(context(web, [over({ inside: true, upperEdgeMm: 150 })])))).toEqual([
      'broken in-the-way',
    ]);
  });
  test('one lapped over the flanges is met by whatever covers a flange', () => {
    const lapped = {
      ...bare,
      members: bare.members.map((each) =>
        each.id === cross.id ? { ...each, joint: 'flange' as const } : each,
      ),
    };
    expect(codes(inTheWay(context(lapped, [over({})])))).toContain('broken in-the-way');
    // Its foot is as wide as the flanges: it has no band of its own on the wall, as one on the web has.
    const bandOf = (frame: Frame, more: Partial<Piece>) =>
      clashesUnder(frame, rail, over(more)).find(({ name }) => name === cross.name)!.band;
    expect(bandOf(lapped, {})).toBeUndefined();
    expect(
      inTheWay(context(lapped, [over({ kind: 'side plate', lowerEdgeMm: 40, upperEdgeMm: 120 })])),
    ).toEqual([]);
  });
  test('on a box a cap meets it where it comes up the inner side as high as its foot', () => {
    const frame = only(boxed, []);
    const box = railOf(frame);
    const { member: other, stationMm: at } = crossingsOn(frame, box).filter(
      ({ stationMm: mm }) => mm > 600,
    )[0]!;
    const footMm = (box.shape.depthMm - Math.min(other.shape.depthMm, box.shape.depthMm)) / 2;
    const cap = (upperEdgeMm: number) =>
      inTheWay(
        context(frame, [piece({ kind: 'bottom U', startMm: at - 300, endMm: at + 300, upperEdgeMm })]),
      );
    expect(cap(footMm - 1)).toEqual([]);
    expect(codes(cap(footMm + 1))).toEqual(['broken in-the-way']);
  });
});

describe('what the cut takes with it', () => {
  const bare = only(ladder, []);
  const rail = railOf(bare);
  const { stationMm, member: cross } = crossingsOn(bare, rail).filter(({ stationMm: mm }) => mm > 1000)[0]!;
  const lapped = {
    ...bare,
    members: bare.members.map((each) =>
      each.id === cross.id ? { ...each, joint: 'flange' as const } : each,
    ),
  };
  const zone = (fromMm: number, toMm: number) => ({
    fromMm,
    toMm,
    topFlange: false,
    bottomFlange: true,
    side: false,
  });
  const of = (cutOut: boolean, fromMm: number, beneath?: Repair['beneath']) => {
    const plain = context(lapped, [piece({ startMm: stationMm - 900, endMm: stationMm + 900 })], {
      cutOut,
      ...(beneath && { beneath }),
    });
    const picture = {
      ...plain.picture,
      zones: [zone(fromMm, stationMm + 300)],
      found: plain.picture.account.best,
    };
    return codes(cutLoose({ ...plain, picture } as RepairPicture));
  };
  test('a crossmember on the flange that is cut away', () => {
    expect(of(true, stationMm - 1)).toEqual(['broken cut-beneath']);
    expect(of(true, stationMm + 1)).toEqual([]);
    expect(of(false, stationMm - 1)).toEqual([]);
    expect(of(true, stationMm - 1, [{ hostId: `${cross.id} start`, way: 'off and back' }])).toEqual([]);
    expect(of(true, stationMm - 1, [{ hostId: `${cross.id} start`, way: 'clear of it' }])).toEqual([
      'broken cut-beneath',
    ]);
  });
});

describe('the maker’s holes under a plate', () => {
  const hole = { id: 'h', stationMm: 2000, face: 'web' as const, heightMm: 50, diameterMm: 20 };
  const holed = (more: Partial<typeof hole> = {}, frame = ladder): Member => ({
    ...railOf(frame),
    holes: [{ ...hole, ...more }],
  });
  const is = (member: Member, one: Piece) => holesUnder(member, one).map((each) => each.is);
  test.each([
    // Its own radius, and half its diameter of metal round it, make 20 mm from its middle to the edge.
    [79, ['under it']],
    [81, ['half covered']],
    [109, ['half covered']],
    [111, []],
  ])('%d mm up, under a plate that ends at 100: %j', (heightMm, said) =>
    expect(is(holed({ heightMm }), piece())).toEqual(said),
  );
  test('at the plate’s end', () => {
    const square = piece({ taperMm: 0 });
    expect(is(holed({ stationMm: 1021 }), square)).toEqual(['under it']);
    expect(is(holed({ stationMm: 1019 }), square)).toEqual(['half covered']);
    expect(is(holed({ stationMm: 989 }), square)).toEqual([]);
  });
  test('one under it is drawn in the flat where it is on the rail, and its own rule is a note; half covered breaks', () => {
    const member = holed();
    const flat = flatPattern(
      member,
      { plugs: false, pieces: [] as Piece[] } as Repair,
      piece(),
      DEFAULT_PRACTICE,
    );
    expect(flat.holes).toEqual([{ xMm: 1000, vMm: 50, diameterMm: 20, purpose: 'kept hole' }]);
    const said = (of: Member) => {
      const plain = context(ladder, [piece()]);
      return codes(holesBeneath({ ...plain, picture: { ...plain.picture, member: of } }));
    };
    expect(said(member)).toEqual(['note hole-kept']);
    expect(said(holed({ heightMm: 95 }))).toEqual(['broken hole-half-covered']);
  });
  test('on the inner side of a box, under a cap that comes round', () => {
    const cap = piece({ kind: 'bottom U', upperEdgeMm: 60 });
    const inner = { ...holed({}, boxed), holes: [{ ...hole, face: 'inner' as const, heightMm: 20 }] };
    expect(is(inner, cap)).toEqual(['under it']);
    expect(is({ ...inner, holes: [{ ...inner.holes[0]!, heightMm: 80 }] }, cap)).toEqual([]);
  });
});

describe('near the heat', () => {
  const line: Fitting = { id: 'l', kind: 'line', name: 'Brake line', side: 'left', stationMm: 3000 + 304.8 };
  const of = (more: Partial<Fitting>, beneath?: Repair['beneath']) =>
    codes(heatNear(context(only(ladder, [{ ...line, ...more }]), [piece()], beneath && { beneath })));
  test.each([
    [0, ['deviation heat-near']],
    [1, []],
  ])('12 in and %d mm past the plate’s end: %j', (mm, said) =>
    expect(of({ stationMm: line.stationMm + mm })).toEqual(said),
  );
  test('moved, it is not; a bracket minds no heat', () => {
    expect(of({}, [{ hostId: 'l left', way: 'off and back' }])).toEqual([]);
    expect(of({ kind: 'bracket' })).toEqual([]);
  });
  test('the default frames hang brackets that a plate along the whole rail meets', () =>
    expect(
      inTheWay(context(ladder, [piece({ startMm: 0, endMm: railOf(ladder).lengthMm })])).length,
    ).toBeGreaterThan(
      fittingsOn(ladder, railOf(ladder)).filter(({ kind }) => kind === 'spring hanger').length,
    ));
});

describe('a plate by hand where none should be', () => {
  const of = (steelId: string, approach = 'repair') => {
    const plain = context(
      { ...ladder, members: ladder.members.map((each) => ({ ...each, steel: steelId as Member['steel'] })) },
      [piece()],
    );
    const picture = { ...plain.picture, ways: { ...plain.picture.ways, approach } };
    const whole = { ...plain, picture } as RepairPicture;
    return codes([...steelTakesWelds(whole), ...shopPlates(whole)]);
  };
  test.each<[string, string, string[]]>([
    ['a36', 'repair', []],
    ['a36', 'preservation', []],
    ['heat-treated-110', 'repair', ['broken steel-not-welded']],
    ['unknown', 'repair', ['broken steel-not-welded']],
    ['a36', 'bolt on', ['deviation not-this-school']],
    ['a36', 'replace only', ['deviation not-this-school']],
  ])('%s, %s: %j', (steelId, approach, said) => expect(of(steelId, approach)).toEqual(said));
  test('with nothing on record of the metal its landing is not known, and that is said', () => {
    const plain = context(ladder, [piece()]);
    const whole: RepairPicture = {
      ...plain,
      pieces: [{ piece: piece(), stations: [], carries: { startMm: 0, endMm: 0 } }],
    };
    expect(plain.picture.found).toBeUndefined();
    const found = landing(whole);
    expect(codes(found)).toEqual(['deviation edge-not-measured']);
    expect(uncheckedIn(whole, found)).toContain('landing');
  });
});
