import fc from 'fast-check';
import { defaultFrame, FAMILY_IDS, familyOf, hostsOf, type Frame, type MemberShape } from '../../frame';
import { beamProfile, section, solveFrame, type BeamElement, type Vector3 } from '../../mechanics';
import { DEFAULT_PRACTICE, steel } from '../../reference';
import {
  checkMeasures,
  massOfPartKg,
  startMeasures,
  weldOf,
  WORK_IDS,
  workForm,
  workKind,
  workPlace,
  worksAt,
  type Measures,
  type WorkId,
  type WorkPlace,
} from '..';
import { openKept } from './access-opening';
import { worstFastenerShare } from './bracket-renewed';
import { portalShare } from './cross-brace';
import { gussetLimit } from './gusset';
import { patchFlatMm } from './sheet-patch';
import { bowStrain, pressN } from './straightening';

const inch = (inches: number) => inches * 25.4;
const frameOf = (family: (typeof FAMILY_IDS)[number]): Frame =>
  defaultFrame({ ...familyOf(family).typical, family, steel: 'a36', datum: 'hole' });
const LADDER = frameOf('open-channel ladder');
const place = (shape: MemberShape, more: Partial<WorkPlace> = {}): WorkPlace => {
  const member = { ...LADDER.members.find(({ role }) => role === 'rail')!, shape, holes: [] };
  return {
    frame: { ...LADDER, fittings: [], members: [member] },
    practice: DEFAULT_PRACTICE,
    on: 'fitting',
    id: 'mark-1 left',
    name: 'Hanger',
    kind: 'spring hanger',
    fitting: 'spring hanger',
    attachedBy: 'bolts',
    member,
    steel: steel('a36'),
    memberIds: [member.id],
    stationMm: 1500,
    made: { hole: 16, plate: 6, drop: 250, along: 100 },
    loadKg: 0,
    ...more,
  };
};
const CHANNEL: MemberShape = { kind: 'channel', depthMm: 180, flangeMm: 65, thicknessMm: 6 };
const BOX: MemberShape = { kind: 'box', depthMm: inch(3), widthMm: inch(3), thicknessMm: inch(3 / 16) };
const onMember = (shape: MemberShape, more: Partial<WorkPlace> = {}) =>
  place(shape, { on: 'member', kind: 'rail', made: {}, ...more });

/** A place where a form goes, of a metal and section it takes. */
const AT: Readonly<Record<WorkId, WorkPlace>> = {
  gusset: place(CHANNEL),
  'cross-brace': place(CHANNEL),
  'hole doubler': place(CHANNEL),
  'bracket renewed': place(CHANNEL),
  'bracket trimmed': place(CHANNEL),
  'captive mount': place(CHANNEL, { fitting: 'captive mount' }),
  'through plates': place({ ...CHANNEL, thicknessMm: 1.2 }, { made: {} }),
  'dish plate': place(CHANNEL, { fitting: 'tower top', made: {} }),
  'sheet patch': onMember({ ...BOX, thicknessMm: 1.2 }),
  'formed tab': onMember({ ...CHANNEL, thicknessMm: 3 }),
  'access opening': onMember({ ...BOX, depthMm: 150, widthMm: 75 }),
  straightening: onMember(CHANNEL),
  splice: onMember(CHANNEL),
  'upright sleeved': onMember(BOX, {
    member: { ...LADDER.members[0]!, role: 'upright', shape: BOX, lengthMm: 2000 },
  }),
  'leg structure': place(CHANNEL, { fitting: 'landing leg' }),
  'stud blocked': onMember(
    { kind: 'box', depthMm: 38, widthMm: 38, thicknessMm: 1.6 },
    {
      steel: steel('aluminium-6061'),
      member: {
        ...LADDER.members[0]!,
        role: 'stud',
        shape: { kind: 'box', depthMm: 38, widthMm: 38, thicknessMm: 1.6 },
        steel: 'aluminium-6061',
        lengthMm: 2000,
      },
    },
  ),
};
const codes = (id: WorkId, of: Measures, at = AT[id]) =>
  workForm(id)
    .judge(at, { ...startMeasures(workForm(id), at), ...of })
    .findings.map(({ code }) => code);

test('an opening is cut into a closed section that has a standing side, and into no other', () => {
  const of = (shape: MemberShape) => workForm('access opening').whyNot(onMember(shape));
  expect(of(BOX)).toBeUndefined();
  expect(of(CHANNEL)).toBe('the section does not take it');
});

describe('each limit has a case on either side, a millimetre apart or one choice', () => {
  const MOUNT = { threadMm: 14, freeBoltMm: 60, seatMm: 60, heightMm: 300 };
  test.each<[WorkId, string, Measures, Measures]>([
    [
      'gusset',
      'plate buckles',
      { alongMm: 100, downMm: 100, thicknessMm: 100 / 41.5 },
      { alongMm: 101, downMm: 101, thicknessMm: 100 / 41.7 },
    ],
    ['gusset', 'stiffer than its wall', { thicknessMm: 9 }, { thicknessMm: 9.1 }],
    ['gusset', 'weld over an edge', { fromEdgeMm: 12.7 }, { fromEdgeMm: 11.7 }],
    ['gusset', 'corner not cut back', { snipeMm: 19.05 }, { snipeMm: 18.05 }],
    ['gusset', 'weld too weak', { loadKg: 100 }, { loadKg: 20000 }],
    ['cross-brace', 'tie buckles', { tubeMm: 40, apartMm: 2600 }, { tubeMm: 30, apartMm: 2600 }],
    [
      'cross-brace',
      'tie hardly helps',
      { tubeMm: 50, hangerDeepMm: 76 },
      { tubeMm: 20, tubeWallMm: 1, hangerDeepMm: 300, hangerThickMm: 20 },
    ],
    ['cross-brace', 'no such tube', { tubeMm: 50, tubeWallMm: 5 }, { tubeMm: 50, tubeWallMm: 24 }],
    ['hole doubler', 'thinner than beneath', { thicknessMm: 6 }, { thicknessMm: 5 }],
    ['hole doubler', 'no room round the hole', { holeMm: 16, acrossMm: 48 }, { holeMm: 16, acrossMm: 47 }],
    ['hole doubler', 'off the flat', { acrossMm: 60, edgeMm: 40 }, { acrossMm: 60, edgeMm: 30 }],
    ['hole doubler', 'hole too near the edge', { holeMm: 20, edgeMm: 30 }, { holeMm: 20, edgeMm: 29 }],
    ['hole doubler', 'not worn', { holeMm: 16, wornMm: 16 }, { holeMm: 16, wornMm: 15 }],
    [
      'bracket renewed',
      'holes do not meet',
      { oldPitchMm: 76.2, newPitchMm: 76.9 },
      { oldPitchMm: 76.2, newPitchMm: 77.2 },
    ],
    ['bracket renewed', 'bolt over its hole', { holeMm: 14, boltMm: 14 }, { holeMm: 14, boltMm: 15 }],
    ['bracket renewed', 'no such bolt', { boltMm: 14, marks: 2 }, { boltMm: 15, marks: 2 }],
    ['bracket renewed', 'bolt loose in its hole', { holeMm: 14, boltMm: 12.7 }, { holeMm: 15, boltMm: 12.7 }],
    ['bracket renewed', 'bolts too weak', { loadKg: 100 }, { loadKg: 20000 }],
    [
      'bracket trimmed',
      'hole too near the edge',
      { holeMm: 12.7, leftToHoleMm: 19.1 },
      { holeMm: 12.7, leftToHoleMm: 18.1 },
    ],
    ['bracket trimmed', 'plate no longer than the bracket', { plateLongMm: 150.8 }, { plateLongMm: 149.8 }],
    ['bracket trimmed', 'thinner than beneath', { thicknessMm: 6 }, { thicknessMm: 5 }],
    [
      'bracket trimmed',
      'tie too steep',
      { how: 1, tieLongMm: 300, tieRiseMm: 100 },
      { how: 1, tieLongMm: 300, tieRiseMm: 101 },
    ],
    ['bracket trimmed', 'cause still there', { how: 1 }, { how: 2 }],
    ['captive mount', 'not taken down: seatMm', MOUNT, { ...MOUNT, seatMm: 0 }],
    ['captive mount', 'not taken down: freeBoltMm', MOUNT, { ...MOUNT, freeBoltMm: 0 }],
    ['captive mount', 'disc smaller than its seat', { ...MOUNT, discMm: 60 }, { ...MOUNT, discMm: 59 }],
    [
      'captive mount',
      'thinner than beneath',
      { discThickMm: 6, boxWallMm: 6 },
      { discThickMm: 5, boxWallMm: 6 },
    ],
    ['captive mount', 'seams left open', { reachedSeams: 4 }, { reachedSeams: 3 }],
    ['captive mount', 'weld too weak', { loadKg: 100 }, { loadKg: 25000 }],
    [
      'through plates',
      'plate no wider than its washer',
      { plateMm: 50.8, boltMm: 12.7 },
      { plateMm: 49.8, boltMm: 12.7 },
    ],
    ['through plates', 'no sound sheet round it', { soundPastMm: 12.7 }, { soundPastMm: 11.7 }],
    ['through plates', 'a sleeve in the gap', { gapMm: 0 }, { gapMm: 1 }],
    ['through plates', 'no such bolt', { boltMm: 12.7 }, { boltMm: 40 }],
    ['through plates', 'no such bolt', { boltMm: 12, marks: 2 }, { boltMm: 12, marks: 1 }],
    ['dish plate', 'no such bolt', { boltMm: 10, marks: 3 }, { boltMm: 10, marks: 0 }],
    ['through plates', 'pulls through', { loadKg: 50 }, { loadKg: 5000 }],
    ['dish plate', 'does not reach the rim', { dishMm: 177, rustedMm: 100 }, { dishMm: 176, rustedMm: 100 }],
    ['dish plate', 'dish over the rim', { dishMm: 165, rimMm: 165 }, { dishMm: 165, rimMm: 164 }],
    [
      'dish plate',
      'stem too short',
      { stemMm: 60, gripMm: 25, thicknessMm: 3, nutMm: 11 },
      { stemMm: 43, gripMm: 25, thicknessMm: 3, nutMm: 11 },
    ],
    ['dish plate', 'dish too flat', { dishMm: 168, riseMm: 14 }, { dishMm: 168, riseMm: 13 }],
    [
      'dish plate',
      'collar does not fit',
      { collarMm: 25, collarHoleMm: 25 },
      { collarMm: 25, collarHoleMm: 24 },
    ],
    ['dish plate', 'thinner than usual', { thicknessMm: 3.2 }, { thicknessMm: 2.2 }],
    ['dish plate', 'bolts too weak', { loadKg: 100 }, { loadKg: 20000 }],
    ['sheet patch', 'thinner than made', { madeMm: 1.2, sheetMm: 1.2 }, { madeMm: 1.2, sheetMm: 1.1 }],
    ['sheet patch', 'much thicker than made', { madeMm: 1, sheetMm: 2 }, { madeMm: 1, sheetMm: 2.1 }],
    ['sheet patch', 'sheet round it too thin', { madeMm: 1, aroundMm: 0.65 }, { madeMm: 1, aroundMm: 0.64 }],
    ['sheet patch', 'lap too narrow', { join: 0, lapMm: 19.05 }, { join: 0, lapMm: 18.05 }],
    ['sheet patch', 'lap too narrow', { join: 1, lapMm: 10 }, { join: 1, lapMm: 9 }],
    ['sheet patch', 'plugs too far apart', { pitchMm: 38.1 }, { pitchMm: 39.1 }],
    ['sheet patch', 'corners not round', { cornerMm: 12.7 }, { cornerMm: 11.7 }],
    ['sheet patch', 'stitches too long', { join: 2, stitchMm: 25.4 }, { join: 2, stitchMm: 26.4 }],
    ['formed tab', 'bend too tight', { thicknessMm: 3, radiusMm: 3 }, { thicknessMm: 3, radiusMm: 2 }],
    [
      'formed tab',
      'tab too short',
      { thicknessMm: 3, radiusMm: 3, tabMm: 12 },
      { thicknessMm: 3, radiusMm: 3, tabMm: 11 },
    ],
    ['formed tab', 'too thick by hand', { thicknessMm: 3.175 }, { thicknessMm: 4.175 }],
    ['formed tab', 'tacks too far apart', { thicknessMm: 3, tackMm: 48 }, { thicknessMm: 3, tackMm: 49 }],
    ['formed tab', 'thinner than beneath', { thicknessMm: 3 }, { thicknessMm: 2 }],
    ['access opening', 'opening too high', { highMm: 50 }, { highMm: 51 }],
    ['access opening', 'corners not round', { highMm: 45, cornerMm: 12.7 }, { highMm: 45, cornerMm: 11.7 }],
    ['access opening', 'thinner than beneath', { thicknessMm: 4.7 }, { thicknessMm: 3.7 }],
    ['access opening', 'lap too narrow', { lapMm: 12.7 }, { lapMm: 11.7 }],
    ['access opening', 'off the flat', { highMm: 45, lapMm: 40 }, { highMm: 45, lapMm: 60 }],
    ['access opening', 'off the member', { atMm: 4000 }, { atMm: 9000 }],
    ['straightening', 'too hot', { heat: 1, hottestC: 650 }, { heat: 1, hottestC: 651 }],
    ['straightening', 'bent too far to press cold', { bowMm: 5, overMm: 1000 }, { bowMm: 60, overMm: 1000 }],
    ['straightening', 'still out', { overMm: 1200, leftMm: 1.2 }, { overMm: 1200, leftMm: 2.2 }],
    ['straightening', 'not bent', { bowMm: 1 }, { bowMm: 0 }],
    ['straightening', 'press too short', { spanMm: 360 }, { spanMm: 359 }],
    ['splice', 'ends before it starts', { fromMm: 1000, toMm: 1001 }, { fromMm: 1000, toMm: 1000 }],
    ['splice', 'off the member', { toMm: 4000 }, { toMm: 20000 }],
    ['splice', 'thinner than made', { newWallMm: 6 }, { newWallMm: 5 }],
    ['splice', 'much thicker than made', { newWallMm: 7.5 }, { newWallMm: 8.5 }],
    ['splice', 'square cut', { cut: 0 }, { cut: 2 }],
    ['splice', 'plates too short past the joint', { pastMm: 180 }, { pastMm: 179 }],
    ['splice', 'more than this shop splices', { fromMm: 500, toMm: 1000 }, { fromMm: 500, toMm: 3900 }],
    ['splice', 'level with the twin’s joint', { twinApartMm: 60 }, { twinApartMm: 20 }],
    [
      'upright sleeved',
      'does not go over',
      { outDeepMm: 90, outWideMm: 90, wallMm: 6.9 },
      { outDeepMm: 89, outWideMm: 90, wallMm: 6.9 },
    ],
    [
      'upright sleeved',
      'too loose',
      { outDeepMm: 92, outWideMm: 92, wallMm: 6.35 },
      { outDeepMm: 93, outWideMm: 92, wallMm: 6.35 },
    ],
    [
      'upright sleeved',
      'does not go over',
      { outDeepMm: 90, outWideMm: 90, wallMm: 6.9 },
      { outDeepMm: 90, outWideMm: 89, wallMm: 6.9 },
    ],
    [
      'upright sleeved',
      'too loose',
      { outDeepMm: 92, outWideMm: 92, wallMm: 6.35 },
      { outDeepMm: 92, outWideMm: 93, wallMm: 6.35 },
    ],
    ['upright sleeved', 'thinner than beneath', { wallMm: 4.8 }, { wallMm: 3.8 }],
    ['upright sleeved', 'too short past the crack', { pastMm: 115 }, { pastMm: 114 }],
    ['upright sleeved', 'square ends', { ends: 0 }, { ends: 1 }],
    ['upright sleeved', 'no second member', { second: 0 }, { second: 1 }],
    ['upright sleeved', 'no gusset at its foot', { foot: 0 }, { foot: 1 }],
    ['upright sleeved', 'bracket on its middle', { face: 0 }, { face: 1 }],
    ['upright sleeved', 'off the member', { atMm: 2000 }, { atMm: 2001 }],
    [
      'leg structure',
      'not plumb',
      { legLongMm: 1000, outOfPlumbMm: 3 },
      { legLongMm: 1000, outOfPlumbMm: 4 },
    ],
    ['leg structure', 'legs not alike', { unlikeMm: 3 }, { unlikeMm: 4 }],
    ['leg structure', 'shaft not in', { shaft: 0 }, { shaft: 1 }],
    ['leg structure', 'fitted without its legs', { fitted: 0 }, { fitted: 1 }],
    [
      'leg structure',
      'plate buckles',
      { plateHighMm: 600, thicknessMm: 6 },
      { plateHighMm: 601, thicknessMm: 6 },
    ],
    ['leg structure', 'weld too weak', { loadKg: 500 }, { loadKg: 30000, plateHighMm: 40, plateLongMm: 40 }],
    ['stud blocked', 'bond too short', { pastMm: 200 }, { pastMm: 60 }],
    [
      'stud blocked',
      'does not go in',
      { blockDeepMm: 34.8, blockWideMm: 33 },
      { blockDeepMm: 35.8, blockWideMm: 33 },
    ],
    [
      'stud blocked',
      'too loose',
      { blockDeepMm: 32.8, blockWideMm: 33 },
      { blockDeepMm: 31.8, blockWideMm: 33 },
    ],
    ['stud blocked', 'too short past the crack', { pastMm: 76 }, { pastMm: 75 }],
    ['stud blocked', 'screws too far apart', { screwsMm: 101.6 }, { screwsMm: 102.6 }],
    ['stud blocked', 'no gussets', { gussets: 0 }, { gussets: 1 }],
    ['stud blocked', 'skin still on', { skin: 0 }, { skin: 1 }],
  ])('%s: %s', (id, code, good, bad) => {
    expect(codes(id, good)).not.toContain(code);
    expect(codes(id, bad)).toContain(code);
  });
  test('a load away from its seat, and a seam nobody reaches, on a bracket that is welded', () => {
    const welded = place(CHANNEL, { attachedBy: 'weld' });
    expect(codes('bracket renewed', { pushes: 0, seamMm: 100 }, welded)).toEqual([]);
    expect(codes('bracket renewed', { pushes: 1, seamMm: 0 }, welded)).toEqual([
      'load away from its seat',
      'no seam reached',
    ]);
  });
  test('an opening near a bracket, and one that costs a shallow tube too much', () => {
    const { member, frame } = AT['access opening'];
    const near = (stationMm: number): WorkPlace => ({
      ...AT['access opening'],
      frame: {
        ...frame,
        fittings: [{ id: 'm', kind: 'bracket', name: 'Bracket', side: 'left', stationMm, onId: member.id }],
      },
    });
    const of = { atMm: 1000, longMm: 100 };
    expect(codes('access opening', of, near(1354))).toContain('near a bracket');
    expect(codes('access opening', of, near(1355))).not.toContain('near a bracket');
    const thick = onMember({ kind: 'box', depthMm: 150, widthMm: 40, thicknessMm: 5 });
    expect(codes('access opening', { highMm: 50 }, thick)).not.toContain('opening costs too much');
    expect(codes('access opening', { highMm: 120 }, thick)).toContain('opening costs too much');
  });
  test('a sleeve weaker than the upright was made, and one whose ends do not take its moment', () => {
    const old = AT['upright sleeved'];
    const thin = { outDeepMm: 84, outWideMm: 84, wallMm: 3 };
    expect(codes('upright sleeved', thin)).toContain('weaker than made');
    expect(codes('upright sleeved', { outDeepMm: 92, outWideMm: 92, wallMm: 6.35 })).not.toContain(
      'weaker than made',
    );
    const heavy: MemberShape = { kind: 'box', depthMm: 60, widthMm: 60, thicknessMm: 19 };
    const solid = { ...old, member: { ...old.member, shape: heavy } };
    const fits = { outDeepMm: 74, outWideMm: 74, wallMm: 6 };
    expect(codes('upright sleeved', fits, solid)).toContain('end weld too weak');
    const wide: MemberShape = { kind: 'box', depthMm: 102, widthMm: 102, thicknessMm: 4 };
    expect(
      codes(
        'upright sleeved',
        { outDeepMm: 116, outWideMm: 116 },
        { ...old, member: { ...old.member, shape: wide } },
      ),
    ).not.toContain('end weld too weak');
  });
  test('heat is for steel that its maker lets be heated, and no press for aluminium', () => {
    const hard = onMember(CHANNEL, { steel: steel('heat-treated-110') });
    expect(codes('straightening', { heat: 1 }, hard)).toContain('no heat on this steel');
    expect(codes('straightening', { heat: 0 }, hard)).not.toContain('no heat on this steel');
    expect(workForm('straightening').whyNot(onMember(CHANNEL, { steel: steel('aluminium-6061') }))).toBe(
      'not of this metal',
    );
  });
  test('what is bent too far to press cold may be heated', () => {
    const far = { bowMm: 100, overMm: 600, hottestC: 600 };
    expect(codes('straightening', { ...far, heat: 0 })).toContain('bent too far to press cold');
    expect(codes('straightening', { ...far, heat: 1 })).not.toContain('bent too far to press cold');
  });
  test('a profile that asks for a seam all round takes no plugged patch', () => {
    const uk = { ...DEFAULT_PRACTICE, legal: { ...DEFAULT_PRACTICE.legal, chosen: 'uk-inspection' } };
    const at = { ...AT['sheet patch'], practice: uk };
    expect(codes('sheet patch', { join: 0 }, at)).toContain('a seam all round is asked');
    expect(codes('sheet patch', { join: 1 }, at)).not.toContain('a seam all round is asked');
  });
  test('a joint keeps off a bracket and off a crossmember’s weld', () => {
    const frame: Frame = {
      ...LADDER,
      fittings: [{ id: 'm', kind: 'spring hanger', name: 'Hanger', side: 'left', stationMm: 2000 }],
    };
    const rail = LADDER.members.find(({ id }) => id === 'rail-left')!;
    const cross = LADDER.members.find(({ role }) => role === 'crossmember')!;
    const at = onMember(rail.shape, { frame, member: rail });
    const off = (mm: number) => codes('splice', { fromMm: mm, toMm: mm + 30 }, at);
    expect(off(1670)).toContain('near a bracket');
    expect(off(1660)).not.toContain('near a bracket');
    expect(off(cross.atMm! + 45)).toContain('near another weld');
    expect(off(cross.atMm! + 80)).not.toContain('near another weld');
  });
});

describe('figures against what they come from', () => {
  test('gusset plates, Salmon and Johnson: 250/√36 = 41.7 for equal legs, twice that at most where one is longer (from memory)', () => {
    expect(gussetLimit(100, 100, 36 * 6.894757)).toBeCloseTo(41.67, 1);
    expect(gussetLimit(50, 100, 36 * 6.894757)).toBeCloseTo(41.67, 1);
    expect(gussetLimit(150, 100, 36 * 6.894757)).toBeCloseTo(62.5, 1);
    expect(gussetLimit(400, 100, 36 * 6.894757)).toBeCloseTo(83.3, 1);
  });
  test('a portal’s feet by the frame solver: two columns fixed below, a beam welded across, both pushed alike', () => {
    const box = (wide: number, deep: number, t: number) =>
      beamProfile(
        section(
          [
            [0, 0],
            [wide, 0],
            [wide, deep],
            [0, deep],
          ],
          [
            [0, 1, t],
            [1, 2, t],
            [2, 3, t],
            [3, 0, t],
          ],
        ),
        { xMm: wide / 2, yMm: deep / 2, mirrored: false },
        false,
      )!;
    const [h, apart, W] = [400, 900, 1000];
    const column = box(80, 80, 5);
    for (const tie of [box(80, 80, 5), box(40, 40, 3), box(120, 120, 6)]) {
      const nodes: Vector3[] = [
        [0, 0, 0],
        [0, 0, h],
        [apart, 0, h],
        [apart, 0, 0],
      ];
      const bar = (id: string, from: number, to: number, profile: typeof tie, up: Vector3): BeamElement => ({
        id,
        upGlobal: up,
        profile,
        from: { node: from, warping: { kind: 'fixed' } },
        to: { node: to, warping: { kind: 'fixed' } },
      });
      const held = [Infinity, Infinity, Infinity, Infinity, Infinity, Infinity] as const;
      const solved = solveFrame(
        {
          nodes,
          elements: [
            bar('a', 0, 1, column, [1, 0, 0]),
            bar('b', 1, 2, tie, [0, 0, 1]),
            bar('c', 3, 2, column, [1, 0, 0]),
          ],
          supports: [0, 3].map((node) => ({ id: `${node}`, node, stiffness: held })),
          shearDeforms: false,
          youngsMpa: 200_000,
          shearMpa: 77_000,
        },
        [
          {
            id: 'push',
            nodeLoads: [1, 2].map((node) => ({ node, forceN: [W, 0, 0] as Vector3 })),
            lineLoads: [],
          },
        ],
      );
      if (!solved.ok) throw new Error('not solved');
      const foot = Math.abs(solved.cases[0]!.reactions[0]![4]!) / (W * h);
      const k = (tie.iyyMm4 * h) / (column.iyyMm4 * apart);
      expect(Math.abs(portalShare(k) / foot - 1)).toBeLessThan(0.03);
    }
  });
  test('one of four bolts under a load beside them, worked by hand: 4 in pitch, 3 in gauge, 6 in out', () => {
    // Polar sum 4 (1.5² + 2²) = 25 in²; 1/4 + 6 × 1.5 / 25 down and 6 × 2 / 25 across.
    expect(worstFastenerShare(4, 3, 4, 6)).toBeCloseTo(Math.hypot(0.25 + 0.36, 0.48), 6);
    expect(worstFastenerShare(1, 3, 4, 6)).toBeCloseTo(1, 9);
    expect(worstFastenerShare(6, 3, 3, 0)).toBeCloseTo(1 / 6, 9);
  });
  test('no group of fasteners carries less than its even share, and more of them less each', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 12 }),
        fc.double({ min: 20, max: 150, noNaN: true }),
        fc.double({ min: 0, max: 300, noNaN: true }),
        (n, apart, beside) => {
          expect(worstFastenerShare(2 * n, apart, apart, beside)).toBeGreaterThanOrEqual(1 / (2 * n) - 1e-9);
          expect(worstFastenerShare(2 * n + 2, apart, apart, beside)).toBeLessThan(
            worstFastenerShare(2 * n, apart, apart, beside),
          );
        },
      ),
      { seed: 7 },
    );
  });
  test('a bow of 10 mm over a metre: radius L²/8δ = 12.5 m, strain 100 mm from the middle 0.8 %', () =>
    expect(bowStrain(100, 10, 1000)).toBeCloseTo(100 / 12_500, 9));
  test('a press on a span: M_p = F L / 4', () => expect((pressN(1e7, 500) * 500) / 4).toBeCloseTo(1e7, 3));
  test('an opening in one side of a box takes what the closed form takes: I − t h³/12 about the same axis, all but its shift', () => {
    const at = onMember({ kind: 'box', depthMm: 150, widthMm: 75, thicknessMm: 5 });
    const [b, d, t, h] = [75, 150, 5, 45];
    const whole = (b * d ** 3 - (b - 2 * t) * (d - 2 * t) ** 3) / 12;
    expect(openKept(at, h)).toBeCloseTo((whole - (t * h ** 3) / 12) / whole, 2);
    expect(openKept(at, 0.1)).toBeCloseTo(1, 3);
  });
  test('a patch with a lap all round, and with an edge turned up: 1 in flange of 0.048 in sheet by its allowance', () => {
    const none = { turned: 0, flangeMm: 0, thicknessMm: 1.2, k: 0.41 };
    expect(patchFlatMm(200, 19, none)).toBeCloseTo(238, 9);
    const allowance = (Math.PI / 2) * (1.2 + 0.41 * 1.2);
    expect(patchFlatMm(200, 19, { ...none, turned: 1, flangeMm: 25.4 })).toBeCloseTo(
      200 + 19 + 25.4 + allowance - 4.8,
      9,
    );
  });
  test('steel of a gusset: half of its rectangle', () =>
    expect(
      massOfPartKg({
        name: 'gusset',
        lengthMm: 100,
        widthMm: 100,
        thicknessMm: 10,
        count: 1,
        shape: { is: 'triangle', snipeMm: 0 },
      }),
    ).toBeCloseTo(0.392, 2));
});

describe('each form worked once by hand', () => {
  const FY = steel('a36').yieldMpa;
  const figure = (id: WorkId, name: string, of: Measures, at = AT[id]) => {
    const form = workForm(id);
    const found = form
      .judge(at, { ...startMeasures(form, at), ...of })
      .figures.find((each) => each.id === name);
    if (!found) throw new Error(`${id} has no figure ${name}`);
    return found.value;
  };
  test('straightening: a channel is strained sideways at its flanges’ tips, far from a middle near the web', () => {
    // C 180 × 65 × 6 on its midlines, parallel axes: two flanges b and a web h.
    const [b, h, t] = [65 - 3, 180 - 6, 6];
    const middle = (b * b) / (2 * b + h);
    const tip = b - middle;
    const iy = 2 * ((t * b ** 3) / 12 + t * b * (b / 2 - middle) ** 2) + t * h * middle ** 2;
    const of = { bowMm: 12, overMm: 1200, spanMm: 600 };
    const sideways = { ...of, way: 1 };
    expect(figure('straightening', 'strain to undo', sideways) / ((8 * 12 * tip) / 1200 ** 2)).toBeCloseTo(
      1,
      1,
    );
    expect(figure('straightening', 'strain to undo', of) / ((8 * 12 * 90) / 1200 ** 2)).toBeCloseTo(1, 1);
    // Pressed through, half the area pushes and half pulls: the web is more than half, so the line runs up it, and both flanges count by their middle.
    expect(h).toBeGreaterThan(2 * b);
    const z = 2 * t * b * (b / 2);
    const { yieldMpa } = AT.straightening.steel;
    expect(figure('straightening', 'press needs', sideways) / ((4 * z * yieldMpa) / 600)).toBeCloseTo(1, 1);
    // More than what makes the tips yield, by far; upright it is little more.
    expect(z / (iy / tip)).toBeGreaterThan(1.5);
    expect(
      figure('straightening', 'springs back by', sideways) /
        ((z * yieldMpa * 600 ** 2) / (12 * 200_000 * iy)),
    ).toBeCloseTo(1, 1);
    const zx = t * b * h + (t * h ** 2) / 4;
    expect(figure('straightening', 'press needs', of) / ((4 * zx * yieldMpa) / 600)).toBeCloseTo(1, 1);
  });
  test.each([
    [0, 41.3, false],
    [0, 42, true],
    [1, 75, false],
    [1, 78, true],
  ])(
    'pressed cold, way %d, %d mm out over a metre: too far %p (3 % at the outer fibre)',
    (way, bowMm, tooFar) => {
      const form = workForm('straightening');
      const { findings } = form.judge(AT.straightening, {
        ...startMeasures(form, AT.straightening),
        ...{ way, bowMm, overMm: 1000, spanMm: 600 },
      });
      expect(findings.some(({ code }) => code === 'bent too far to press cold')).toBe(tooFar);
    },
  );
  test('gusset: both legs along the rail, both sides, less the corner, by the weaker of weld and wall', () => {
    // 0.30 F_EXX over √2 on the leg, 3/16 in; 0.4 Fy on a 6 mm wall: the weld is weaker.
    const nPerMm = Math.min((0.3 * 482.6 * inch(3 / 16)) / Math.SQRT2, 0.4 * FY * 6);
    const of = { alongMm: 100, downMm: 100, thicknessMm: 6, snipeMm: 20 };
    expect(figure('gusset', 'weld takes', of) / (160 * nPerMm)).toBeCloseTo(1, 1);
    expect(
      weldOf(
        workForm('gusset').judge(AT.gusset, { ...startMeasures(workForm('gusset'), AT.gusset), ...of }).seams,
      ),
    ).toBe(320);
  });
  test('cross-brace: k of a 50 mm tube between hangers 250 mm down and 900 apart; its pull at 0.67 Fy', () => {
    const of = {
      tubeMm: 50,
      tubeWallMm: 5,
      dropMm: 250,
      apartMm: 900,
      hangerDeepMm: 76,
      hangerThickMm: 6,
      tie: 0,
    };
    const [i2, i1] = [(50 ** 4 - 40 ** 4) / 12, (2 * 6 * 76 ** 3) / 12];
    const k = (i2 * 250) / (i1 * 900);
    expect(figure('cross-brace', 'moment left at the flange', of)).toBeCloseTo((3 * k + 1) / (6 * k + 1), 9);
    expect(figure('cross-brace', 'tie carries', of)).toBeCloseTo(0.67 * FY * 900, 3);
    expect(figure('cross-brace', 'moment left at the flange', { ...of, tie: 1 })).toBe(0);
    // Crossed ties are two, with twice the weld.
    const form = workForm('cross-brace');
    const judged = (tie: number) =>
      form.judge(AT['cross-brace'], { ...startMeasures(form, AT['cross-brace']), ...of, tie });
    expect([0, 1].map((tie) => judged(tie).parts[0]!.count)).toEqual([1, 2]);
    expect(weldOf(judged(1).seams)).toBeCloseTo(2 * weldOf(judged(0).seams), 9);
  });
  test('doubler: half the pressure where it is as thick as what is beneath', () => {
    expect(figure('hole doubler', 'pin’s pressure on it', { thicknessMm: 6 })).toBeCloseTo(0.5, 9);
    expect(figure('hole doubler', 'worn by', { holeMm: 16, wornMm: 18 })).toBe(2);
    const form = workForm('hole doubler');
    const of = { ...startMeasures(form, AT['hole doubler']), acrossMm: 60, holeMm: 16 };
    expect(form.judge(AT['hole doubler'], of).parts[0]!.drillLater).toEqual([
      { at: [30, 30], diameterMm: 16 },
    ]);
  });
  test('bracket: four 1/2 in grade 8 bolts, the worst carrying its share; a welded one by its seam', () => {
    const of = { fasteners: 4, oldGaugeMm: 50, oldPitchMm: 75, besideMm: 0, boltMm: 12.7, marks: 1 };
    const bolt = (0.45 * 1034.2 * Math.PI * 12.7 ** 2) / 4 / 2;
    expect(figure('bracket renewed', 'bolts take', of) / (4 * bolt)).toBeCloseTo(1, 3);
    expect(figure('bracket renewed', 'worst bolt carries', of)).toBeCloseTo(0.25, 9);
  });
  test('through plates: the sheet lets go round the plate, the plate bends over what stands out past its washer', () => {
    const of = { plateMm: 76, thicknessMm: 4.8, sheetMm: 1.2, boltMm: 12.7, gapMm: 0 };
    expect(figure('through plates', 'sheet lets the plate through at', of)).toBeCloseTo(
      4 * 76 * 1.2 * 0.4 * FY,
      3,
    );
    const out = (76 - 25.4) / 2;
    expect(figure('through plates', 'plate bends at', of)).toBeCloseTo(
      (0.75 * FY * 76 * 4.8 ** 2) / 6 / (out / 4),
      3,
    );
    expect(figure('through plates', 'grip', of)).toBeCloseTo(10.8, 9);
  });
  test('dish plate: the ring between rust and edge, the thread past grip, plate and nut', () => {
    const of = { dishMm: 170, rustedMm: 90, stemMm: 50, gripMm: 25, thicknessMm: 3, nutMm: 11 };
    expect(figure('dish plate', 'ring on sound metal', of)).toBe(40);
    expect(figure('dish plate', 'thread left', of)).toBe(11);
  });
  test('patch: plugs round its lap at their pitch; stitches round its opening', () => {
    const of = { openLongMm: 200, openWideMm: 150, lapMm: 20, pitchMm: 39, join: 0, turned: 0 };
    expect(figure('sheet patch', 'plug welds', of)).toBe(Math.ceil(780 / 39));
    expect(figure('sheet patch', 'flat, long', of)).toBe(240);
    expect(figure('sheet patch', 'flat, wide', { ...of, join: 2 })).toBe(150);
    expect(figure('sheet patch', 'stitches', { ...of, join: 1, stitchMm: 25 })).toBe(28);
  });
  test('formed tab: flat and bend line by the allowance', () => {
    const of = { standsMm: 80, tabMm: 50, thicknessMm: 3, radiusMm: 3, longMm: 150, tackMm: 40 };
    const allowance = (Math.PI / 2) * (3 + DEFAULT_PRACTICE.bendK * 3);
    expect(figure('formed tab', 'flat, wide', of)).toBeCloseTo(130 + allowance - 12, 9);
    expect(figure('formed tab', 'bend line from the long edge', of)).toBeCloseTo(74 + allowance / 2, 9);
    expect(figure('formed tab', 'tacks', of)).toBe(5);
  });
  test('straightening: what it springs back by, M L²/12EI of the moment it was pressed with', () => {
    const of = { bowMm: 10, overMm: 1200, spanMm: 900, way: 0 };
    const press = figure('straightening', 'press needs', of);
    // F = 4 Z Fy / L, and let go it gives back the elastic δ = F L³/48EI.
    const [d, b, t] = [180, 65, 6];
    const i = (t * d ** 3) / 12 + 2 * b * t * ((d - t) / 2) ** 2 - 2 * t * t * ((d - t) / 2) ** 2;
    expect(
      figure('straightening', 'springs back by', of) / ((press * 900 ** 3) / (48 * 199_948 * i)),
    ).toBeCloseTo(1, 1);
    expect(figure('straightening', 'may stay out by', of)).toBeCloseTo(1.2, 9);
  });
  test('leg: plumb within 3 mm a metre; stud: its bond round the block against the tube at 0.67 Fy', () => {
    expect(figure('leg structure', 'out of plumb', { outOfPlumbMm: 2, legLongMm: 800 })).toBe(2);
    const of = { blockDeepMm: 34, blockWideMm: 34, pastMm: 120 };
    expect(figure('stud blocked', 'bond takes', of)).toBe(2 * 68 * 120);
    expect(figure('stud blocked', 'screws a side', { pastMm: 120, screwsMm: 60 })).toBe(5);
  });
  test('splice: its share of the member and the joints to fill, slanted', () => {
    const share = figure('splice', 'of the member', {
      fromMm: 1000,
      toMm: 1000 + AT.splice.member.lengthMm / 10,
    });
    expect(share).toBeCloseTo(0.1, 9);
    const joint = (cut: number) => figure('splice', 'joint to fill', { cut });
    expect(joint(2)).toBeCloseTo(2 * (180 + 130), 9);
    expect(joint(0) / joint(2)).toBeCloseTo(Math.SQRT2, 9);
    const form = workForm('splice');
    const of = { ...startMeasures(form, AT.splice), pastMm: 180 };
    const { parts, seams } = form.judge(AT.splice, of);
    const plate = parts.find(({ name }) => name === 'fish plate')!;
    // Inside and outside at both joints, each welded round.
    expect([plate.count, plate.lengthMm]).toEqual([4, 360]);
    const round = seams.find(({ what }) => what === 'fish plates, all round')!;
    expect(round.lengthMm).toBeCloseTo(4 * 2 * (360 + plate.widthMm), 9);
  });
  test.each<[MemberShape, way: 0 | 1, deepMm: number]>([
    [CHANNEL, 0, 180],
    [CHANNEL, 1, 65],
    [{ kind: 'hat', depthMm: 90, widthMm: 80, lipMm: 25, thicknessMm: 2 }, 1, 80 + 2 * 25],
    [
      {
        ...{ kind: 'built-up', depthMm: 300, topMm: 120, bottomMm: 140 },
        ...{ thicknessMm: 5, topThicknessMm: 8, bottomThicknessMm: 10 },
      },
      1,
      140,
    ],
  ])(
    'a press spans twice as far as the section is deep the way it bends: %j, way %i',
    (shape, way, deepMm) => {
      const at = onMember(shape);
      const says = (spanMm: number) => codes('straightening', { way, spanMm, bowMm: 5 }, at);
      expect(says(2 * deepMm)).not.toContain('press too short');
      expect(says(2 * deepMm - 1)).toContain('press too short');
    },
  );
  test.each<[MemberShape, roundMm: number]>([
    [CHANNEL, 180 + 2 * 65],
    [{ kind: 'box', depthMm: 150, widthMm: 75, thicknessMm: 5 }, 2 * (150 + 75)],
    [{ kind: 'I', depthMm: 254, flangeMm: 100, thicknessMm: 4, flangeThicknessMm: 6 }, 254 + 2 * 100],
    [
      {
        ...{ kind: 'built-up', depthMm: 300, topMm: 120, bottomMm: 140 },
        ...{ thicknessMm: 5, topThicknessMm: 8, bottomThicknessMm: 10 },
      },
      300 + 120 + 140,
    ],
    [{ kind: 'hat', depthMm: 90, widthMm: 80, lipMm: 25, thicknessMm: 2 }, 80 + 2 * 90 + 2 * 25],
    [{ kind: 'angle', depthMm: 75, flangeMm: 60, thicknessMm: 6 }, 75 + 60],
    [{ kind: 'tube', depthMm: 90, thicknessMm: 4 }, Math.PI * 90],
    [{ kind: 'flat', depthMm: 120, thicknessMm: 8 }, 120],
  ])('a joint right round a section is as long as its wall, whichever it is: %j', (shape, roundMm) => {
    const at = onMember(shape);
    const { figures, seams } = workForm('splice').judge(at, {
      ...startMeasures(workForm('splice'), at),
      cut: 2,
    });
    // The wall by its middle line, or by its outside: within two of its thickness at each fold.
    const longMm = figures.find(({ id }) => id === 'joint to fill')!.value / 2;
    expect(Math.abs(longMm - roundMm)).toBeLessThan(5 * shape.thicknessMm);
    expect(seams[0]!.lengthMm).toBeCloseTo(2 * longMm, 9);
  });
  test('the shelf: plate within 0.2 mm of what is asked for will do; a hanger carries a quarter of its axle', () => {
    const stock = { ...DEFAULT_PRACTICE, stockThicknessesMm: [4.7625, 6.35, 9.525] };
    const start = (made: number) =>
      startMeasures(workForm('hole doubler'), {
        ...AT['hole doubler'],
        practice: stock,
        made: { plate: made },
      }).thicknessMm;
    expect(start(6.5)).toBe(6.35);
    expect(start(6.6)).toBe(9.525);
    expect(start(20)).toBe(9.525);
    const frame: Frame = {
      ...LADDER,
      fittings: [
        { id: 'a', kind: 'axle', name: 'Axle', side: 'both', stationMm: 2000, ratingKg: 2000 },
        { id: 'h', kind: 'spring hanger', name: 'Hanger', side: 'left', stationMm: 1500 },
        { id: 'far', kind: 'spring hanger', name: 'Hanger', side: 'left', stationMm: 700 },
      ],
    };
    const load = (hostId: string) => workPlace(frame, DEFAULT_PRACTICE, { on: 'fitting', hostId })!.loadKg;
    expect(load('h left')).toBe(500);
    expect(load('far left')).toBe(0);
    expect(workPlace(frame, DEFAULT_PRACTICE, { on: 'fitting', hostId: 'none left' })).toBeUndefined();
  });
  test.each([
    ['spring hanger', 500],
    ['spring seat', 500],
    ['spring bucket', 500],
    ['equaliser', 500],
    ['shock mount', 0],
    ['bracket', 0],
    ['body mount', 0],
  ] as const)('what stands on a %s of an axle rated 2000 kg: %s kg', (kind, standing) => {
    const axle = { id: 'a', kind: 'axle', name: 'Axle', side: 'both', ratingKg: 2000 } as const;
    const loadAt = (axleMm: number) => {
      const fittings: Frame['fittings'] = [
        { ...axle, stationMm: axleMm },
        { id: 'h', kind, name: 'Host', side: 'left', stationMm: 1500 },
      ];
      return workPlace({ ...LADDER, fittings }, DEFAULT_PRACTICE, { on: 'fitting', hostId: 'h left' })!
        .loadKg;
    };
    // As far as 1.2 m off it is that axle’s.
    expect([2700, 300].map(loadAt)).toEqual([standing, standing]);
    expect([2701, 299].map(loadAt)).toEqual([0, 0]);
  });
});

describe('on every place of every family', () => {
  const places = FAMILY_IDS.flatMap((family) => {
    const frame = frameOf(family);
    return [
      ...hostsOf(frame).map(({ on, id }) => ({ on, hostId: id })),
      ...frame.members.map(({ id }) => ({ on: 'member' as const, hostId: id })),
    ].map((at) => ({ frame, at, place: workPlace(frame, DEFAULT_PRACTICE, at) }));
  });
  test('every host that hangs on a member is a place, and every form goes somewhere', () => {
    expect(places.filter(({ place: at }) => at !== undefined).length).toBeGreaterThan(200);
    const taken = new Set(
      places.flatMap(({ place: at }) =>
        at ? worksAt(at).flatMap(({ id, whyNot }) => (whyNot ? [] : [id])) : [],
      ),
    );
    expect([...WORK_IDS].filter((id) => !taken.has(id))).toEqual([]);
  });
  test('usual measures are measures, and what comes of them are figures', () => {
    for (const { place: at } of places)
      for (const id of WORK_IDS) {
        const form = workForm(id);
        if (!at || form.whyNot(at)) continue;
        const of = startMeasures(form, at);
        expect([id, at.name, checkMeasures(form, of)]).toEqual([id, at.name, { ok: true, value: null }]);
        const judged = form.judge(at, of);
        for (const { id: figure, value } of judged.figures)
          expect([id, figure, Number.isFinite(value) && value >= 0]).toEqual([id, figure, true]);
        expect(judged.asks.length).toBeGreaterThan(2);
        expect(judged.unchecked.length).toBeGreaterThan(0);
      }
  });
  test('whatever measures somebody types within their limits, nothing comes out that is no number', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...WORK_IDS),
        fc.infiniteStream(fc.double({ min: 0, max: 1, noNaN: true })),
        (id, draws) => {
          const form = workForm(id);
          const of = Object.fromEntries(
            form.measures.map(({ key, least, most, as }) => {
              const value = least + draws.next().value * (most - least);
              return [key, as === 'count' || as === 'choice' ? Math.round(value) : value];
            }),
          );
          const judged = form.judge(AT[id], of);
          for (const { value } of judged.figures) expect(Number.isNaN(value)).toBe(false);
          for (const { value } of judged.findings) expect(Number.isNaN(value)).toBe(false);
          expect(weldOf(judged.seams)).toBeGreaterThanOrEqual(0);
        },
      ),
      { seed: 11, numRuns: 300 },
    );
  });
  test('a patch in a panel whose steel nobody recorded says so; in a member of unknown steel there is none', () => {
    const member = { ...AT['sheet patch'], steel: steel('unknown') };
    expect(workForm('sheet patch').whyNot(member)).toBe('the steel is not welded');
    const panel = { ...AT['sheet patch'], on: 'panel' as const };
    expect(workForm('sheet patch').whyNot(panel)).toBeUndefined();
    expect(
      workForm('sheet patch').judge(panel, startMeasures(workForm('sheet patch'), panel)).unchecked,
    ).toContain('what the sheet is');
  });
  test('a joint belongs to the plans of both members it joins, a panel to those it hides', () => {
    const frame = frameOf('open-channel ladder');
    const joint = hostsOf(frame).find(({ on }) => on === 'joint')!;
    const at = workPlace(frame, DEFAULT_PRACTICE, { on: 'joint', hostId: joint.id })!;
    expect([...at.memberIds].sort()).toEqual(joint.spans.map(({ memberId }) => memberId).sort());
  });
  test('steel that is not welded takes nothing that is welded on', () => {
    const hard = (at: WorkPlace) => ({ ...at, steel: steel('heat-treated-110') });
    for (const id of WORK_IDS) {
      const form = workForm(id);
      const at = { ...hard(AT[id]), attachedBy: 'bolts' as const };
      if (form.whyNot(at) === undefined && weldOf(form.judge(at, startMeasures(form, at)).seams) > 0)
        expect([id, at.on]).toEqual(['nothing', 'member']);
    }
  });
});

describe('refused at the door', () => {
  const record = {
    kind: 'work' as const,
    id: '3f0d3a52-6a3e-4a38-9d56-2b6c3a7f1e10',
    form: 'straightening' as const,
    on: 'member' as const,
    hostId: 'rail-left',
    measures: startMeasures(workForm('straightening'), AT.straightening),
    memberIds: ['rail-left'],
    by: 'MR',
    at: '2026-05-01T08:00:00Z',
    note: '',
  };
  const why = (more: object) => {
    const fits = workKind.fits(LADDER, { ...record, ...more });
    return fits.ok ? '' : fits.reason;
  };
  test('what is not on the frame, a measure missing, over its limit, of no such name, or a half choice', () => {
    expect(why({})).toBe('');
    expect(why({ hostId: 'rail-nowhere' })).toMatch(/not on this frame/);
    expect(why({ measures: {} })).toMatch(/missing/);
    expect(why({ measures: { ...record.measures, bowMm: 500 } })).toBe('');
    expect(why({ measures: { ...record.measures, bowMm: 501 } })).toMatch(/between 0 and 500/);
    expect(why({ measures: { ...record.measures, other: 1 } })).toMatch(/no measure other/);
    expect(why({ measures: { ...record.measures, way: 0.5 } })).toMatch(/whole number/);
  });
});
