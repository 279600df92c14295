import { defaultFrame, familyOf, type MemberShape } from '../frame';
import { inchesToMm as inch } from '../quantity';
import { BESIDE_TOE_MM, chosenLegMm, DEFAULT_PRACTICE, type School } from '../reference';
import { memberPicture, type DamageZone, type MemberPicture } from '../weigh';
import { boltedLayoutsFor, firstBolts } from './bolted-layouts';
import { layoutsFor, roundDown, roundUp, type PieceLayout } from './layouts';

const frame = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  ...{ family: 'open-channel ladder', steel: 'a36', datum: 'hole' },
});
const rail = frame.members.find(({ id }) => id === 'rail-left')!;
const CHANNEL = { kind: 'channel', depthMm: 200, flangeMm: 70, thicknessMm: 6 } as const;
const BOX = { kind: 'box', depthMm: 150, widthMm: 75, thicknessMm: 5 } as const;
const BEAM = { kind: 'I', depthMm: 254, flangeMm: 100, thicknessMm: 4, flangeThicknessMm: 6 } as const;
const BUILT_UP = {
  kind: 'built-up',
  ...{ depthMm: 600, topMm: 150, bottomMm: 150, thicknessMm: 6, topThicknessMm: 16, bottomThicknessMm: 32 },
} as const;
const HAT = { kind: 'hat', depthMm: 90, widthMm: 80, lipMm: 25, thicknessMm: 2 } as const;
const ANGLE = { kind: 'angle', depthMm: 75, flangeMm: 60, thicknessMm: 6 } as const;
const FLAT = { kind: 'flat', depthMm: 120, thicknessMm: 8 } as const;

const [FROM, TO] = [1900, 2100];
const zone = (more: Partial<DamageZone> = {}): { fromMm: number; toMm: number; zone: DamageZone } => ({
  fromMm: FROM,
  toMm: TO,
  zone: { fromMm: FROM, toMm: TO, topFlange: false, bottomFlange: false, side: false, ...more },
});
const CRACK = { fromMm: FROM, toMm: TO };
const crack = (face: string, ...heights: readonly number[]) => ({
  id: face,
  path: heights.map((heightMm, k) => ({ stationMm: 2000 + k, face, heightMm })),
});
/** A member of this section: sound from so high up, cracked and holed so. */
function pictureOf(
  shape: MemberShape,
  {
    soundFromMm,
    school,
    cracks = [],
    hole,
  }: {
    soundFromMm?: number;
    school?: School;
    cracks?: readonly object[];
    hole?: readonly [face: string, lowMm: number, highMm: number];
  } = {},
): MemberPicture {
  const member = { ...rail, shape };
  const plain = memberPicture({ frame, member, practice: DEFAULT_PRACTICE, readings: [], cracks: [] });
  const column = { lowerMm: 0, upperMm: soundFromMm, kind: 'bracketed' };
  const faceHeightMm = shape.depthMm;
  const edges =
    soundFromMm === undefined
      ? []
      : [{ face: 'web', faceHeightMm, columns: [FROM, TO].map((stationMm) => ({ stationMm, ...column })) }];
  const saying = hole && {
    claim: 'gone',
    face: hole[0],
    fromMm: 1950,
    toMm: 2050,
    lowMm: hole[1],
    highMm: hole[2],
  };
  return {
    ...plain,
    edges,
    cracks,
    ways: { ...plain.ways, ...(school && { margin: school }) },
    ...(saying && {
      account: { ...plain.account, sayings: [saying], saidBy: plain.account.saidBy.map(() => 0) },
    }),
  } as unknown as MemberPicture;
}
/** Layouts by their pieces: kind, which face, whether inside. */
const named = (layouts: readonly PieceLayout[]): string[] =>
  layouts.map((layout) =>
    layout
      .map(({ kind, face, inside }) =>
        [kind, ...(face ? [face] : []), ...(inside ? ['inside'] : [])].join(' '),
      )
      .join(' + '),
  );
const on = (
  shape: MemberShape,
  of: Parameters<typeof pictureOf>[1],
  target: Parameters<typeof layoutsFor>[1],
) => layoutsFor(pictureOf(shape, of), target, shape.thicknessMm);

test('drawn to the nearest quarter inch, up or down; what lies on one stays', () => {
  expect([roundUp(6.35), roundUp(6.4), roundDown(6.35), roundDown(12.6)]).toEqual(
    [1, 2, 1, 1].map((quarters) => expect.closeTo(quarters * 6.35, 9)),
  );
});

describe('how high a bottom piece comes', () => {
  const edge = (soundFromMm: number, school?: School) =>
    on(CHANNEL, { soundFromMm, ...(school && { school }) }, zone({ bottomFlange: true })).find(
      ([piece]) => piece!.kind === 'bottom L',
    )?.[0]?.upperEdgeMm;
  // A lap of five times 6 mm over the sound edge, a third of the depth at least; 7 1/2 in where a 3/16 in weld and its shelf stop it short of the top.
  test.each([
    ['low rust: a third of the depth', 10, inch(2.75)],
    ['a full lap comes to a third', 39.85, inch(2.75)],
    ['by the lap', 41, inch(3)],
    ['half way up', 100, inch(5.25)],
    ['no room for the full lap', 170, inch(7.5)],
    ['only the weld’s shelf is left', 188, 191.175],
    ['the last of it', 188.8, 191.975],
    ['not even that', 188.9, undefined],
  ])('%s: sound from %s mm up', (_what, soundFromMm, expected) => {
    if (expected === undefined) expect(edge(soundFromMm)).toBeUndefined();
    else expect(edge(soundFromMm)).toBeCloseTo(expected, 6);
  });
  test.each([
    ['one inch left', 171.4, true],
    ['one inch left', 171.5, false],
    ['where rust ends', 188.8, true],
    ['where rust ends', 188.9, false],
  ] as const)('the school of %s, sound from %s mm: %s', (school, soundFromMm, has) =>
    expect(edge(soundFromMm, school) !== undefined).toBe(has),
  );
  test('a hole found by hand counts like an edge, the higher of both', () => {
    const of = (high: number, soundFromMm: number) =>
      on(CHANNEL, { hole: ['web', 0, high], soundFromMm }, zone({ bottomFlange: true }))
        .flat()
        .find(({ kind }) => kind === 'bottom L')!.upperEdgeMm;
    expect(of(100, 20)).toBeCloseTo(inch(5.25), 6);
    expect(of(20, 100)).toBeCloseTo(inch(5.25), 6);
  });
  test('a thin plate asks for its own lap, an inch at least', () => {
    const of = (thicknessMm: number) =>
      layoutsFor(pictureOf(CHANNEL, { soundFromMm: 100 }), zone({ bottomFlange: true }), thicknessMm)[0]![0]!
        .upperEdgeMm;
    expect(of(4)).toBeCloseTo(inch(5), 6);
    expect(of(12)).toBeCloseTo(inch(5.25), 6);
  });
});

describe('on a channel', () => {
  test.each([
    [
      'the bottom',
      zone({ bottomFlange: true }),
      {},
      ['bottom L', 'bottom L + bottom L inside', 'full C', 'cover plate bottom'],
    ],
    ['the top', zone({ topFlange: true }), {}, ['full C', 'top L', 'bottom L', 'bottom L + bottom L inside']],
    [
      'rust up to the top',
      zone({ bottomFlange: true }),
      { soundFromMm: 195 },
      ['full C', 'cover plate bottom'],
    ],
    [
      'a hole in its web by itself',
      zone({ side: true }),
      { hole: ['web', 80, 120] },
      ['side plate', 'side plate + side plate inside', 'bottom L', 'bottom L + bottom L inside', 'full C'],
    ],
    [
      'a hole a tide line runs to',
      zone({ side: true }),
      { hole: ['web', 80, 120], soundFromMm: 20 },
      ['bottom L', 'bottom L + bottom L inside', 'full C', 'cover plate bottom'],
    ],
    [
      'a hole beside a bad flange',
      zone({ side: true, bottomFlange: true }),
      { hole: ['web', 80, 120] },
      ['bottom L', 'bottom L + bottom L inside', 'full C', 'cover plate bottom'],
    ],
    [
      'a crack in its web',
      CRACK,
      { cracks: [crack('web', 80, 120)] },
      ['side plate', 'side plate + side plate inside', 'bottom L', 'bottom L + bottom L inside', 'full C'],
    ],
    ['a crack in its top', CRACK, { cracks: [crack('top', 10, 20)] }, ['top L', 'full C']],
    [
      'a crack from its top into the web',
      CRACK,
      { cracks: [crack('top', 10), crack('web', 190)] },
      ['top L', 'full C'],
    ],
    [
      'cracks in both flanges',
      CRACK,
      { cracks: [crack('top', 10), crack('bottom', 10)] },
      ['bottom L', 'bottom L + bottom L inside', 'full C', 'cover plate bottom'],
    ],
    [
      'a crack from its bottom into the web',
      CRACK,
      { cracks: [crack('bottom', 10), crack('web', 10)] },
      ['bottom L', 'bottom L + bottom L inside', 'full C', 'cover plate bottom'],
    ],
  ] as const)('%s', (_what, target, of, expected) =>
    expect(named(on(CHANNEL, of as Parameters<typeof pictureOf>[1], target))).toEqual(expected),
  );
  test('a top piece comes down to half its depth; a full one and a cover take all of it', () => {
    const [fullC, topL] = on(CHANNEL, {}, zone({ topFlange: true }));
    expect(fullC![0]).toMatchObject({ lowerEdgeMm: 0, upperEdgeMm: 200 });
    expect(topL![0]!.lowerEdgeMm).toBeCloseTo(inch(3.75), 6);
    expect(topL![0]!.upperEdgeMm).toBe(200);
    const cover = on(CHANNEL, {}, zone({ bottomFlange: true })).at(-1)![0]!;
    expect([cover.lowerEdgeMm, cover.upperEdgeMm]).toEqual([
      expect.closeTo(inch(1 / 2), 6),
      expect.closeTo(70 - inch(1 / 2), 6),
    ]);
  });
  test.each([
    ['in the middle', [80, 120], inch(1), inch(6.75)],
    ['near the bottom: as low as weld and shelf', [20, 40], inch(5 / 16), inch(3.75)],
    ['near the top: as high', [170, 195], inch(4.5), 200 - inch(5 / 16)],
  ] as const)('two inches past a crack %s', (_where, heights, low, high) => {
    const [[plate]] = on(CHANNEL, { cracks: [crack('web', ...heights)] }, CRACK) as [PieceLayout];
    expect([plate!.lowerEdgeMm, plate!.upperEdgeMm]).toEqual([
      expect.closeTo(low, 6),
      expect.closeTo(high, 6),
    ]);
  });
  test.each([
    ['that ends where the damage begins', 1900, true],
    ['that ends ahead of it', 1899, false],
  ])('a crack %s is of it: %s', (_where, stationMm, is) => {
    const cracks = [
      { id: 'c', path: [1850, stationMm].map((mm) => ({ stationMm: mm, face: 'top', heightMm: 9 })) },
    ];
    const layouts = named(on(CHANNEL, { cracks }, { fromMm: 1900, toMm: 2100 }));
    expect(layouts[0] === 'top L').toBe(is);
  });
});

describe('on a box', () => {
  test.each([
    ['the bottom', zone({ bottomFlange: true }), {}, ['bottom U', 'bottom U + top U', 'cover plate bottom']],
    ['the top', zone({ topFlange: true }), {}, ['bottom U + top U', 'bottom U']],
    ['rust up to the top', zone({ bottomFlange: true }), { soundFromMm: 148 }, ['bottom U + top U']],
    [
      'a hole in a side by itself',
      zone({ side: true }),
      { hole: ['outer', 60, 80] },
      ['side plate', 'bottom U', 'bottom U + top U'],
    ],
    [
      'a crack in a side',
      CRACK,
      { cracks: [crack('inner', 60, 80)] },
      ['side plate', 'bottom U', 'bottom U + top U'],
    ],
  ] as const)('%s', (_what, target, of, expected) =>
    expect(named(on(BOX, of as Parameters<typeof pictureOf>[1], target))).toEqual(expected),
  );
  test('two caps meet at half its height with room for one weld of both legs', () => {
    const [[bottom, top]] = on(BOX, {}, zone({ topFlange: true })) as [PieceLayout];
    expect(bottom).toMatchObject({ lowerEdgeMm: 0, upperEdgeMm: expect.closeTo(inch(2.75), 6) });
    expect(top).toMatchObject({
      lowerEdgeMm: expect.closeTo(inch(2.75) + 2 * chosenLegMm(5, 5), 6),
      upperEdgeMm: 150,
    });
  });
});

describe('on a beam', () => {
  const WEB = 'side plate + side plate inside';
  const OTHERS = [
    'cover plate bottom',
    'cover plate bottom + cover plate top',
    WEB,
    `cover plate bottom + ${WEB}`,
  ];
  test.each([
    ['its bottom', zone({ bottomFlange: true }), [], OTHERS],
    ['its top', zone({ topFlange: true }), [], ['cover plate top', ...OTHERS]],
    ['its web', zone({ side: true }), [], [WEB, ...OTHERS.filter((each) => each !== WEB)]],
    ['top and web', zone({ topFlange: true, side: true }), [], [`cover plate top + ${WEB}`, ...OTHERS]],
    ['a crack in its top', CRACK, [crack('top', 10)], ['cover plate top', ...OTHERS]],
    ['a crack in its web', CRACK, [crack('web', 100)], [WEB, ...OTHERS.filter((each) => each !== WEB)]],
    ['a crack counts nothing where there is rust', zone({ bottomFlange: true }), [crack('top', 10)], OTHERS],
  ] as const)('%s first', (_what, target, cracks, expected) =>
    expect(named(on(BEAM, { cracks }, target))).toEqual(expected),
  );
  test('plates on its web leave the flange, its weld and the shelf beside it', () => {
    const [[plate]] = on(BEAM, {}, zone({ side: true })) as [PieceLayout];
    const margin = roundUp(6) + roundUp(chosenLegMm(4, 4) + BESIDE_TOE_MM);
    expect(plate).toMatchObject({ lowerEdgeMm: margin, upperEdgeMm: 254 - margin });
  });
  test('each by its own thickness: a beam of three plates has a thick flange beneath and a thinner one above', () => {
    const [[plate]] = on(BUILT_UP, {}, zone({ side: true })) as [PieceLayout];
    const beside = roundUp(chosenLegMm(6, 6) + BESIDE_TOE_MM);
    expect(plate).toMatchObject({
      lowerEdgeMm: roundUp(32) + beside,
      upperEdgeMm: 600 - roundUp(16) - beside,
    });
    const bolts = { diameterMm: inch(1 / 2), marks: 3, pitchMm: inch(2) } as const;
    const [[bolted]] = boltedLayoutsFor(pictureOf(BUILT_UP), zone({ side: true }), bolts) as [PieceLayout];
    expect(bolted).toMatchObject({ lowerEdgeMm: roundUp(64), upperEdgeMm: roundDown(600 - roundUp(32)) });
  });
});

describe('on hats, angles, bars and tubes', () => {
  test.each([
    [
      'a hat’s bottom',
      HAT,
      zone({ bottomFlange: true }),
      {},
      ['bottom U', 'cover plate bottom', 'side plate'],
    ],
    [
      'a hat rusted to the top',
      HAT,
      zone({ bottomFlange: true }),
      { soundFromMm: 89 },
      ['cover plate bottom', 'side plate'],
    ],
    [
      'a hat’s side, cracked',
      HAT,
      CRACK,
      { cracks: [crack('outer', 40, 50)] },
      ['side plate', 'bottom U', 'cover plate bottom', 'side plate'],
    ],
    ['an angle’s bottom', ANGLE, zone({ bottomFlange: true }), {}, ['bottom L', 'side plate']],
    ['an angle rusted to the top', ANGLE, zone({ bottomFlange: true }), { soundFromMm: 74 }, ['side plate']],
    ['a bar', FLAT, zone({ side: true }), {}, ['side plate', 'side plate + side plate inside']],
    ['a tube', { kind: 'tube', depthMm: 90, thicknessMm: 4 }, zone({ bottomFlange: true }), {}, ['sleeve']],
  ] as const)('%s', (_what, shape, target, of, expected) =>
    expect(named(on(shape, of as Parameters<typeof pictureOf>[1], target))).toEqual(expected),
  );
  test('a bar’s plate covers all of it but its welds; over a crack, two inches past it', () => {
    const margin = roundUp(chosenLegMm(8, 8) + BESIDE_TOE_MM);
    const [[whole]] = on(FLAT, {}, zone({ side: true })) as [PieceLayout];
    expect(whole).toMatchObject({ lowerEdgeMm: margin, upperEdgeMm: 120 - margin });
    const [[local]] = on(FLAT, { cracks: [crack('web', 60, 60)] }, CRACK) as [PieceLayout];
    expect([local!.lowerEdgeMm, local!.upperEdgeMm]).toEqual([
      expect.closeTo(chosenLegMm(8, 8) + BESIDE_TOE_MM, 6),
      expect.closeTo(Math.min(120 - chosenLegMm(8, 8) - BESIDE_TOE_MM, roundUp(60 + inch(2))), 6),
    ]);
  });
});

describe('plates that are bolted on', () => {
  const bolts = { diameterMm: inch(1 / 2), marks: 3, pitchMm: inch(2) } as const;
  const bolted = (
    shape: MemberShape,
    target: Parameters<typeof layoutsFor>[1],
    of: Parameters<typeof pictureOf>[1] = {},
  ) => boltedLayoutsFor(pictureOf(shape, of), target, bolts);
  const BOTH = 'side plate + side plate inside';
  test.each([
    [
      'a channel’s bottom: round its corner first',
      CHANNEL,
      zone({ bottomFlange: true }),
      {},
      ['bottom L + bottom L inside', BOTH],
    ],
    ['a channel’s web', CHANNEL, zone({ side: true }), {}, [BOTH, 'bottom L + bottom L inside']],
    [
      'a hole in a web: round it, then over all of it',
      CHANNEL,
      zone({ side: true }),
      { hole: ['web', 90, 110] },
      [BOTH, BOTH, 'bottom L + bottom L inside'],
    ],
    [
      'a hole from edge to edge: all of it',
      CHANNEL,
      zone({ side: true }),
      { hole: ['web', 20, 180] },
      [BOTH, 'bottom L + bottom L inside'],
    ],
    ['a beam has no corner to go round', BEAM, zone({ bottomFlange: true }), {}, [BOTH]],
    ['nobody gets to the nuts in a box', BOX, zone({ bottomFlange: true }), {}, []],
  ] as const)('%s', (_what, shape, target, of, expected) =>
    expect(named(bolted(shape, target, of as Parameters<typeof pictureOf>[1]))).toEqual(expected),
  );
  test('two edge distances past a crack, and never into the corner’s radius: twice the wall', () => {
    const [[around], [whole]] = bolted(CHANNEL, CRACK, { cracks: [crack('web', 90, 110)] }) as [
      PieceLayout,
      PieceLayout,
    ];
    expect([whole!.lowerEdgeMm, whole!.upperEdgeMm]).toEqual([
      expect.closeTo(inch(1 / 2), 6),
      expect.closeTo(roundDown(200 - inch(1 / 2)), 6),
    ]);
    // 3/4 in from a 1/2 in bolt to an edge (AISC J3.4, from memory).
    expect([around!.lowerEdgeMm, around!.upperEdgeMm]).toEqual([
      expect.closeTo(roundDown(90 - 2 * inch(3 / 4)), 6),
      expect.closeTo(roundUp(110 + 2 * inch(3 / 4)), 6),
    ]);
  });
  test('round a corner it comes up three quarters of the depth, on an angle no higher than its side is flat', () => {
    const [corner] = bolted(CHANNEL, zone({ bottomFlange: true }));
    expect(corner![0]!.upperEdgeMm).toBeCloseTo(roundUp(150), 6);
    expect(corner![0]!.lowerEdgeMm).toBe(0);
  });
  test.each([
    [3 / 8, 5 / 8],
    [1 / 4, 5 / 8],
    [0.245, 1 / 2],
    [1 / 8, 1 / 2],
    [0.12, 3 / 8],
  ])('through a wall of %s in bolts of %s in', (wall, bolt) => {
    const of = firstBolts({ built: { thicknessMm: inch(wall) }, steel: { weldRepair: 'yes' } } as never);
    expect(of.diameterMm).toBeCloseTo(inch(bolt), 6);
    expect(of.marks).toBe(3);
    expect(of.pitchMm).toBeCloseTo(roundUp(4 * inch(bolt)), 6);
  });
  test('steel that is not welded takes grade 8', () =>
    expect(firstBolts({ built: { thicknessMm: 6 }, steel: { weldRepair: 'no' } } as never).marks).toBe(6));
});
