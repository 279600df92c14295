import { defaultFrame, familyOf } from '../../frame';
import { DEFAULT_PRACTICE, steel } from '../../reference';
import {
  checkMeasures,
  startMeasures,
  WORK_IDS,
  workForm,
  type Measures,
  type WorkId,
  type WorkPlace,
} from '..';

const inch = (inches: number) => inches * 25.4;
const LADDER = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  ...{ family: 'open-channel ladder', steel: 'a36', datum: 'hole' },
});
/** A place on a 200 × 70 × 6 channel of a frame 34 in wide, with 700 kg standing on it; nothing of it is on record as made. */
const shape = { kind: 'channel', depthMm: 200, flangeMm: 70, thicknessMm: 6 } as const;
const member = { ...LADDER.members.find(({ role }) => role === 'rail')!, shape, holes: [] };
const BARE: WorkPlace = {
  frame: { ...LADDER, widthMm: inch(34), fittings: [], members: [member] },
  practice: DEFAULT_PRACTICE,
  on: 'fitting',
  id: 'hanger',
  name: 'Hanger',
  kind: 'spring hanger',
  member,
  steel: steel('a36'),
  memberIds: [member.id],
  stationMm: 1500,
  made: {},
  loadKg: 700,
};

/** What a work starts from there, and between which figures a measure is one at all: mm, kg, °C, counts, numbers of choices. */
const STARTS: Readonly<
  Record<WorkId, Readonly<Record<string, readonly [usual: number, least: number, most: number]>>>
> = {
  gusset: {
    alongMm: [inch(4), 20, 1000],
    downMm: [inch(4), 20, 1000],
    thicknessMm: [inch(1 / 4), 0.4, 40],
    fromEdgeMm: [inch(1 / 2), 0, 200],
    snipeMm: [inch(3 / 4), 0, 200],
    loadKg: [700, 0, 30000],
  },
  'cross-brace': {
    dropMm: [inch(10), 30, 2000],
    apartMm: [inch(34), 200, 4000],
    hangerDeepMm: [inch(3), 5, 500],
    hangerThickMm: [inch(1 / 4), 0.4, 40],
    tubeMm: [inch(2), 10, 300],
    tubeWallMm: [inch(3 / 16), 0.4, 40],
    tie: [0, 0, 1],
  },
  'hole doubler': {
    holeMm: [inch(5 / 8), 2, 150],
    wornMm: [inch(5 / 8), 2, 200],
    acrossMm: [inch(2.5), 10, 600],
    thicknessMm: [inch(1 / 4), 0.4, 40],
    edgeMm: [inch(2), 1, 1000],
  },
  'bracket renewed': {
    fasteners: [4, 1, 40],
    oldGaugeMm: [inch(2), 0, 1000],
    oldPitchMm: [inch(3), 0, 1000],
    newGaugeMm: [inch(2), 0, 1000],
    newPitchMm: [inch(3), 0, 1000],
    holeMm: [inch(9 / 16), 4, 100],
    boltMm: [inch(1 / 2), 4, 40],
    marks: [1, 0, 3],
    besideMm: [inch(3), 0, 1000],
    seamMm: [inch(8), 0, 5000],
    pushes: [0, 0, 1],
    loadKg: [700, 0, 30000],
  },
  'bracket trimmed': {
    how: [0, 0, 2],
    trimMm: [inch(1 / 2), 0, 300],
    leftToHoleMm: [inch(1), 0, 300],
    holeMm: [inch(1 / 2), 2, 150],
    plateLongMm: [inch(8), 0, 2000],
    plateHighMm: [inch(4), 0, 1000],
    thicknessMm: [inch(1 / 4), 0.4, 40],
    tieLongMm: [inch(12), 0, 4000],
    tieRiseMm: [inch(2), 0, 2000],
  },
  'captive mount': {
    threadMm: [0, 0, 60],
    freeBoltMm: [0, 0, 500],
    seatMm: [0, 0, 400],
    heightMm: [0, 0, 2000],
    discMm: [inch(3), 10, 400],
    discThickMm: [inch(1 / 4), 0.4, 40],
    boxWideMm: [inch(4), 20, 600],
    boxHighMm: [inch(3), 20, 600],
    boxWallMm: [inch(1 / 4), 0.4, 40],
    reachedSeams: [4, 1, 12],
    loadKg: [700, 0, 30000],
  },
  'through plates': {
    plateMm: [inch(3), 10, 600],
    thicknessMm: [inch(3 / 16), 0.4, 40],
    sheetMm: [6, 0.4, 40],
    gapMm: [0, 0, 400],
    boltMm: [inch(1 / 2), 4, 40],
    marks: [0, 0, 3],
    soundPastMm: [inch(1), 0, 300],
    loadKg: [700, 0, 30000],
  },
  'dish plate': {
    rustedMm: [inch(3.25), 5, 600],
    rimMm: [inch(7), 10, 800],
    dishMm: [inch(6.5), 10, 800],
    riseMm: [inch(3 / 4), 0, 200],
    thicknessMm: [inch(1 / 8), 0.4, 40],
    stemMm: [inch(2), 5, 300],
    gripMm: [inch(1), 0, 300],
    nutMm: [inch(7 / 16), 3, 60],
    collarMm: [inch(1), 2, 200],
    collarHoleMm: [inch(1) + 1, 2, 200],
    bolts: [6, 3, 24],
    boltMm: [inch(3 / 8), 4, 20],
    marks: [0, 0, 3],
    loadKg: [700, 0, 30000],
  },
  'sheet patch': {
    openLongMm: [inch(8), 10, 3000],
    openWideMm: [inch(6), 10, 3000],
    madeMm: [6, 0.4, 6],
    sheetMm: [6, 0.4, 6],
    aroundMm: [6, 0.1, 6],
    join: [0, 0, 2],
    lapMm: [inch(3 / 4), 0, 100],
    pitchMm: [inch(1.5), 10, 300],
    cornerMm: [inch(1), 0, 300],
    turned: [0, 0, 2],
    flangeMm: [inch(1), 0, 300],
    stitchMm: [inch(1), 3, 300],
  },
  'formed tab': {
    longMm: [inch(6), 10, 2000],
    standsMm: [inch(3), 5, 500],
    tabMm: [inch(2), 2, 500],
    thicknessMm: [inch(1 / 8), 0.4, 12],
    radiusMm: [inch(1 / 8), 0, 100],
    tackMm: [inch(1.5), 5, 300],
  },
  'access opening': {
    atMm: [1500, 0, 40000],
    longMm: [inch(4), 10, 1000],
    highMm: [60, 5, 600],
    cornerMm: [inch(1), 0, 300],
    thicknessMm: [inch(1 / 4), 0.4, 40],
    lapMm: [inch(1), 0, 100],
  },
  straightening: {
    bowMm: [0, 0, 500],
    overMm: [inch(48), 100, 15000],
    way: [0, 0, 1],
    spanMm: [inch(36), 100, 10000],
    heat: [0, 0, 1],
    hottestC: [600, 20, 1200],
    leftMm: [0, 0, 200],
  },
  splice: {
    fromMm: [1200, 0, 40000],
    toMm: [1800, 0, 40000],
    cut: [0, 0, 2],
    newWallMm: [6, 0.4, 40],
    fishMm: [inch(3 / 16), 0.4, 40],
    pastMm: [250, 0, 2000],
    twinApartMm: [inch(6), 0, 5000],
  },
  'upright sleeved': {
    atMm: [1500, 0, 40000],
    crackMm: [inch(2), 0, 2000],
    outDeepMm: [200 + 2 * inch(1 / 4) + 2, 10, 1000],
    outWideMm: [200 + 2 * inch(1 / 4) + 2, 10, 1000],
    wallMm: [inch(1 / 4), 0.4, 40],
    pastMm: [400, 0, 3000],
    ends: [0, 0, 1],
    second: [0, 0, 1],
    foot: [0, 0, 1],
    face: [0, 0, 1],
  },
  'leg structure': {
    plateLongMm: [inch(12), 20, 1500],
    plateHighMm: [inch(10), 20, 1500],
    thicknessMm: [inch(1 / 4), 0.4, 40],
    legLongMm: [inch(30), 100, 3000],
    outOfPlumbMm: [0, 0, 500],
    unlikeMm: [0, 0, 500],
    shaft: [0, 0, 1],
    fitted: [0, 0, 1],
    loadKg: [700, 0, 30000],
  },
  'stud blocked': {
    insideDeepMm: [188, 2, 500],
    insideWideMm: [188, 2, 500],
    blockDeepMm: [187, 1, 500],
    blockWideMm: [187, 1, 500],
    pastMm: [600, 0, 2000],
    screwsMm: [inch(3), 5, 500],
    gussetMm: [inch(1 / 8), 0.4, 40],
    gussets: [0, 0, 1],
    skin: [0, 0, 1],
  },
};

describe.each(WORK_IDS)('%s', (id) => {
  const form = workForm(id);
  test('starts from what is usual', () => {
    const usual = startMeasures(form, BARE);
    expect(Object.keys(usual)).toEqual(Object.keys(STARTS[id]));
    for (const [key, [value]] of Object.entries(STARTS[id]))
      expect([key, usual[key]]).toEqual([key, expect.closeTo(value, 6)]);
  });
  test.each(Object.entries(STARTS[id]))(
    '%s is taken at both its ends, and not past them',
    (key, [, least, most]) => {
      const of = (value: number) => checkMeasures(form, { ...startMeasures(form, BARE), [key]: value }).ok;
      expect([least, most].map(of)).toEqual([true, true]);
      expect([least - 0.001, most + 0.001].map(of)).toEqual([false, false]);
    },
  );
});

/** What the frame has on record of a bracket takes the place of what is usual. */
test.each<[WorkId, string, number]>([
  ['gusset', 'alongMm', 120],
  ['gusset', 'downMm', 130],
  ['cross-brace', 'dropMm', 260],
  ['cross-brace', 'hangerThickMm', 8],
  ['hole doubler', 'holeMm', 20],
  ['hole doubler', 'wornMm', 20],
  // Three times its hole were less than 2 1/2 in; the shelf’s 5/16 is within 0.2 mm of its 8.
  ['hole doubler', 'acrossMm', inch(2.5)],
  ['hole doubler', 'thicknessMm', inch(5 / 16)],
  ['bracket renewed', 'holeMm', 20],
  ['bracket renewed', 'seamMm', 240],
  ['bracket trimmed', 'holeMm', 20],
  ['bracket trimmed', 'plateLongMm', 120 + inch(4)],
  ['through plates', 'sheetMm', 8],
  ['leg structure', 'legLongMm', 260],
])('%s: %s as made', (id, key, value) => {
  const place = { ...BARE, made: { hole: 20, plate: 8, drop: 260, along: 120 } };
  expect(startMeasures(workForm(id), place)[key]).toBeCloseTo(value, 6);
});

test('a hole wider than five sixths of an inch wants a wider doubler: three of it across', () =>
  expect(startMeasures(workForm('hole doubler'), { ...BARE, made: { hole: 25 } })['acrossMm']).toBeCloseTo(
    75,
    9,
  ));

test('a gusset is no thicker than the thinner of its bracket and its wall', () => {
  const thick = (plate: number) =>
    startMeasures(workForm('gusset'), { ...BARE, made: { plate } })['thicknessMm'];
  expect(thick(4.7)).toBeCloseTo(inch(3 / 16), 9);
  expect(thick(12)).toBeCloseTo(inch(1 / 4), 9);
});

describe('in a panel', () => {
  const PANEL: WorkPlace = { ...BARE, on: 'panel', kind: 'floor' };
  test.each([
    ['nothing known of its sheet', {}, [0.036, 0.048, 0.036]],
    ['its sheet on record', { plate: inch(0.06) }, [0.06, 0.06, 0.036]],
  ] as const)('%s', (_what, made, inches) => {
    const of = startMeasures(workForm('sheet patch'), { ...PANEL, made });
    expect([of['madeMm'], of['sheetMm'], of['aroundMm']]).toEqual(
      inches.map((each) => expect.closeTo(inch(each), 9)),
    );
  });
});

/** What is cut and welded for each work as it starts there, worked out by hand in inches. */
describe('parts and seams', () => {
  const of = (id: WorkId, more: Measures = {}, place = BARE) => {
    const { parts, seams } = workForm(id).judge(place, { ...startMeasures(workForm(id), place), ...more });
    return {
      parts: parts.map(({ name, count, lengthMm, widthMm, thicknessMm }) => [
        ...[name, count],
        ...[lengthMm, widthMm, thicknessMm].map((mm) => Number((mm / 25.4 + 1e-9).toFixed(3))),
      ]),
      seams: seams.map(({ what, type, lengthMm, count }) => [
        ...[what, type, Number((lengthMm / 25.4 + 1e-9).toFixed(3))],
        ...(count === undefined ? [] : [count]),
      ]),
    };
  };
  const round = (inches: number) => Number(inches.toFixed(3));
  test.each<[what: string, WorkId, Measures, parts: readonly unknown[], seams: readonly unknown[]]>([
    // Both legs on both sides, less the corner’s snipe of 3/4 in on each.
    ['4 in legs', 'gusset', {}, [['gusset', 1, 4, 4, 0.25]], [['gusset, both sides', 'fillet', 13]]],
    // A square tube’s developed width by its middle line; two ends, four sides of 2 in.
    [
      'a 2 in tube across 34 in',
      'cross-brace',
      {},
      [['tube', 1, 34, 7.25, 0.188]],
      [['tube to hangers, all round', 'fillet', 16]],
    ],
    [
      'two and a half across',
      'hole doubler',
      {},
      [['doubler', 1, 2.5, 2.5, 0.25]],
      [
        ['old hole, filled flush', 'plug', 0.625, 1],
        ['doubler, all round', 'lap', round(2.5 * Math.PI)],
      ],
    ],
    ['welded', 'bracket renewed', {}, [], [['bracket', 'fillet', 8]]],
    [
      'a plate beneath',
      'bracket trimmed',
      { how: 0 },
      [['plate beneath', 1, 8, 4, 0.25]],
      [['plate beneath, all round', 'fillet', 24]],
    ],
    [
      'tied back',
      'bracket trimmed',
      { how: 1 },
      [['tie', 1, 12, 2, 0.25]],
      [['tie, both ends, both sides', 'fillet', 8]],
    ],
    ['trimmed alone', 'bracket trimmed', { how: 2 }, [], []],
    [
      'four seams reached',
      'captive mount',
      {},
      [
        ['disc', 1, 3, 3, 0.25],
        ['box side', 4, 4, 3, 0.25],
      ],
      [
        ['box', 'fillet', 14],
        ['disc, all round', 'fillet', round(3 * Math.PI)],
      ],
    ],
    ['two plates', 'through plates', {}, [['plate', 2, 3, 3, 0.188]], []],
    // Nine and a half by seven and a half with its laps; 28 in of opening and four laps of 3/4 in, a spot every 1 1/2 in.
    [
      'lapped and plugged',
      'sheet patch',
      { join: 0 },
      [['patch', 1, 9.5, 7.5, 0.236]],
      [['patch, spots drilled out and restored', 'spots restored', 28, 21]],
    ],
    [
      'lapped and seamed',
      'sheet patch',
      { join: 1 },
      [['patch', 1, 9.5, 7.5, 0.236]],
      [['patch, all round', 'lap', 28]],
    ],
    [
      'butted, thick enough for a groove',
      'sheet patch',
      { join: 2 },
      [['patch', 1, 8, 6, 0.236]],
      [['patch, all round, backed', 'bevel', 28]],
    ],
    [
      'butted, thin',
      'sheet patch',
      { join: 2, sheetMm: 1.2 },
      [['patch', 1, 8, 6, 0.047]],
      [['patch, all round, backed', 'butt', 28]],
    ],
    // Three inches standing and two over, less the corner twice, plus the bend’s allowance of 0.64 t + 1.57 R.
    [
      'hammered over',
      'formed tab',
      {},
      [
        [
          'tab piece',
          1,
          6,
          round(3 + 2 - 2 * (1 / 8 + 1 / 8) + (0.41 * Math.PI) / 2 / 8 + Math.PI / 2 / 8),
          0.125,
        ],
      ],
      [['tab, all round', 'edge', 16]],
    ],
    [
      'an inch past the opening',
      'access opening',
      {},
      [['closing piece', 1, 6, round(60 / 25.4 + 2), 0.25]],
      [['closing piece, all round', 'lap', round(2 * (6 + 60 / 25.4 + 2))]],
    ],
    [
      'both plates on three sides',
      'leg structure',
      {},
      [['leg plate', 2, 12, 10, 0.25]],
      [['both leg plates', 'fillet', 64]],
    ],
  ])('%s: %s', (_what, id, more, parts, seams) => {
    expect(of(id, more)).toEqual({ parts, seams });
  });
  test('a captive mount of which three or one seam is reached is welded along those', () => {
    const box = (reachedSeams: number) => of('captive mount', { reachedSeams }).seams[0];
    expect([3, 2, 1].map(box)).toEqual([11, 7, 4].map((inches) => ['box', 'fillet', inches]));
  });
});

test.each([
  [76.2, 76.2, 1],
  [76.2, 100, 0.762],
  [76.2, 0, 0],
])('a disc of %s mm covers a seat of %s mm by %s', (discMm, seatMm, share) => {
  const form = workForm('captive mount');
  const { figures } = form.judge(BARE, { ...startMeasures(form, BARE), discMm, seatMm });
  expect(figures.find(({ id }) => id === 'seat covered')!.value).toBeCloseTo(share, 9);
});
