import fc from 'fast-check';
import { defaultFrame, facesOf, familyOf, type FaceId, type MemberShape } from '../frame';
import { plateHours } from '../order';
import { DEFAULT_NORMS, DEFAULT_PRACTICE, STEEL_DENSITY_KG_PER_MM3, type Kit } from '../reference';
import type { Reading } from '../probe';
import { pieceName, repairPicture, type Piece } from '../shape';
import type { Crack } from '../trace';
import { lowerBound } from '../weigh';
import {
  brokenRules,
  candidates,
  inputsOf,
  sortedRecords,
  workMember,
  workRepair,
  type JobRecords,
  type MemberWork,
} from '.';

/** Rails of every flat-walled section, thinned over a stretch of one kind of face, read all over. */
const SHAPES: Readonly<Record<string, MemberShape>> = {
  channel: { kind: 'channel', depthMm: 200, flangeMm: 70, thicknessMm: 6.35 },
  box: { kind: 'box', depthMm: 150, widthMm: 75, thicknessMm: 4.8 },
  I: { kind: 'I', depthMm: 254, flangeMm: 100, thicknessMm: 4.8, flangeThicknessMm: 6.35 },
  'built-up': {
    kind: 'built-up',
    depthMm: 300,
    topMm: 120,
    bottomMm: 140,
    thicknessMm: 6.35,
    topThicknessMm: 8,
    bottomThicknessMm: 10,
  },
  hat: { kind: 'hat', depthMm: 110, widthMm: 90, lipMm: 25, thicknessMm: 3.2 },
  angle: { kind: 'angle', depthMm: 100, flangeMm: 80, thicknessMm: 6.35 },
  flat: { kind: 'flat', depthMm: 150, thicknessMm: 9.5 },
  tube: { kind: 'tube', depthMm: 114, thicknessMm: 6 },
};
type Where = 'bottom' | 'top' | 'low sides' | 'bottom and low sides';
const isThinned = (where: Where, face: { id: string; upright: boolean }, heightShare: number): boolean =>
  (where !== 'top' && where !== 'low sides' && face.id === 'bottom') ||
  (where === 'top' && face.id === 'top') ||
  (where.endsWith('low sides') && face.upright && heightShare < 0.3);

function records(shape: MemberShape, where: Where, left: number): JobRecords {
  const made = defaultFrame({
    ...familyOf('open-channel ladder').typical,
    family: 'open-channel ladder',
    steel: 'a36',
    datum: 'hole',
  });
  const frame = {
    ...made,
    members: made.members.map((member) => (member.role === 'rail' ? { ...member, shape } : member)),
  };
  const readings: Reading[] = [];
  for (let stationMm = 0; stationMm <= 4500; stationMm += 150)
    for (const face of facesOf(shape))
      for (let k = 0; k < 5; k++) {
        const heightMm = (face.widthMm * (k + 0.5)) / 5;
        const isRusty = stationMm >= 1800 && stationMm <= 2400 && isThinned(where, face, (k + 0.5) / 5);
        readings.push({
          kind: 'reading',
          id: `${readings.length}`,
          memberId: 'rail-left',
          stationMm,
          face: face.id,
          heightMm,
          thicknessMm: face.wallMm * (isRusty ? left : 0.99),
          method: 'ultrasonic',
          by: 'RK',
          at: '2026-01-01T00:00:00Z',
          note: '',
        });
      }
  return {
    frame,
    practice: DEFAULT_PRACTICE,
    evidence: readings,
    strikes: [],
    repairs: [],
    grossMassKg: 5000,
  };
}
function work(shape: MemberShape, where: Where, left: number): MemberWork {
  const sorted = sortedRecords(records(shape, where, left));
  const member = sorted.records.frame.members.find(({ id }) => id === 'rail-left')!;
  return workMember(inputsOf(sorted, member));
}
const least = (sections: MemberWork['picture']['sections']): number =>
  Math.min(
    ...sections.map(({ kept }) => Math.min(lowerBound(kept.modulusTop!), lowerBound(kept.modulusBottom!))),
  );
const foundUnder = ({ picture }: MemberWork, { fromMm, toMm }: { fromMm: number; toMm: number }): number =>
  least(picture.sections.filter(({ stationMm }) => stationMm >= fromMm && stationMm <= toMm));

describe.each(Object.entries(SHAPES))('on a %s', (_, shape) => {
  test('whatever is thinned, a repair is offered that is better than what was found, or it is said why none is', () => {
    fc.assert(
      fc.property(
        fc.constantFrom<Where>('bottom', 'top', 'low sides', 'bottom and low sides'),
        fc.double({ min: 0.3, max: 0.85, noNaN: true }),
        (where, left) => {
          const done = work(shape, where, left);
          if (done.picture.zones.length === 0) return;
          expect(done.repairs.length + done.notOffered.length).toBeGreaterThan(0);
          for (const repair of done.repairs) {
            expect(repair.against).toEqual([]);
            expect(least(repair.restored)).toBeGreaterThan(foundUnder(done, repair.target!));
          }
          for (const tried of done.notOffered) expect(tried.against.length).toBeGreaterThan(0);
          // Where plates lie along the member is the engine's own choice: none of its forms is drawn with two ends level.
          const codes = candidates(done.picture, done.picture.zones[0]!).flatMap(({ findings }) =>
            findings.map(({ code }) => code),
          );
          expect(codes).not.toContain('ends-level');
        },
      ),
      { seed: 15, numRuns: 8 },
    );
  });
});

test.each<[string, Where, number, string]>([
  ['hat', 'bottom', 0.5, 'bottom U'],
  ['channel', 'bottom', 0.5, 'bottom L'],
  ['box', 'bottom', 0.5, 'bottom U'],
  ['tube', 'bottom', 0.5, 'sleeve'],
])('%s, %s thinned to %d: %s', (kind, where, left, form) => {
  const { repairs, notOffered } = work(SHAPES[kind]!, where, left);
  expect(notOffered.flatMap(({ against }) => against.map(({ code }) => code))).toEqual([]);
  expect(repairs[0]!.repair.pieces[0]).toMatchObject({ kind: form });
  // What Shape counts on, Join finds weld enough for.
  expect(repairs[0]!.joinFindings.filter(({ code }) => code === 'end-short')).toEqual([]);
});

describe.each(['I', 'built-up'])('a crack in a sound beam, %s', (kind) => {
  const cracked = (face: FaceId, from: number, to: number) => {
    const sound = records(SHAPES[kind]!, 'bottom', 0.99);
    const crack: Crack = {
      kind: 'crack',
      id: 'c',
      memberId: 'rail-left',
      path: [from, to].map((heightMm) => ({ stationMm: 2100, face, heightMm })),
      startFound: true,
      finishFound: true,
      seenBy: 'dye penetrant',
      by: 'RK',
      at: '2026-01-02T00:00:00Z',
      note: '',
    };
    const sorted = sortedRecords({ ...sound, evidence: [...sound.evidence, crack] });
    const { repairs } = workMember(
      inputsOf(
        sorted,
        sorted.records.frame.members.find(({ id }) => id === 'rail-left')!,
      ),
    );
    return repairs.map(({ repair }) => repair.pieces.map(pieceName).join(' + '));
  };
  test.each<[FaceId, number, number, string]>([
    ['bottom', 0, 30, 'cover plate, bottom'],
    ['top', 60, 90, 'cover plate, top'],
    ['web', 100, 140, 'side plate + side plate, inside'],
  ])('in its %s, from %d to %d: %s', (face, from, to, form) =>
    expect(cracked(face, from, to)).toEqual([form]),
  );
});

test('a flange thinner than sound has nothing for a flat cover to land on: said, not drawn', () => {
  const { repairs, notOffered } = work(SHAPES.I!, 'bottom', 0.5);
  expect(repairs).toEqual([]);
  expect(notOffered[0]!.against.map(({ code }) => code)).toContain('edge-not-on-sound-metal');
});

describe('forms side by side', () => {
  const done = work(SHAPES.channel!, 'bottom', 0.5);
  const [target] = done.picture.zones;
  const all = candidates(done.picture, target!);
  test('each once; those that may be offered before those that may not, what breaks less before what breaks more', () => {
    const names = all.map(
      ({ repair: { bolts, pieces } }) =>
        (bolts ? 'bolted ' : '') +
        pieces.map(({ kind, face, inside }) => [kind, face, inside].join()).join('+'),
    );
    expect(names.some((each) => each.startsWith('bolted'))).toBe(true);
    expect(new Set(names).size).toBe(all.length);
    expect(all.length).toBeGreaterThan(2);
    const ranks = all.map((each) => [each.against.length, brokenRules(each).length]);
    expect(ranks).toEqual([...ranks].sort((a, b) => a[0]! - b[0]! || a[1]! - b[1]!));
    expect(all[0]!.against).toEqual([]);
  });
  test('the engine’s own choice is among them', () => {
    const [own] = done.repairs;
    expect(all.map(({ repair }) => JSON.stringify(repair.pieces.map(({ kind }) => kind)))).toContain(
      JSON.stringify(own!.repair.pieces.map(({ kind }) => kind)),
    );
  });
  test('each with what it takes: weld or bolts, plate, hours of the shop’s norms, the step in stiffness at its ends', () => {
    for (const { figures, repair, joined, patterns } of all) {
      expect(figures.weldMm).toBeCloseTo(joined.totalWeldMm, 6);
      expect(figures.bolts > 0).toBe(repair.bolts !== undefined);
      const massKg = patterns.reduce((sum, each) => sum + each.massKg, 0);
      // Net of holes and rounded corners.
      const share = (figures.areaMm2 * repair.pieces[0]!.thicknessMm * STEEL_DENSITY_KG_PER_MM3) / massKg;
      expect(share).toBeLessThanOrEqual(1);
      expect(share).toBeGreaterThan(0.94);
      expect(figures.hours[1]).toBeGreaterThan(figures.hours[0]);
      expect(figures.drainage).toBe('holds no water');
      if (!repair.bolts) expect(figures.stiffStep!).toBeGreaterThan(1);
    }
    const slow = {
      ...DEFAULT_NORMS,
      plate: [10, 30] as [number, number],
      boltedPlate: [40, 120] as [number, number],
    };
    const slower = candidates(done.picture, target!, { norms: slow });
    for (const each of all) {
      const same = slower.find(({ repair }) => repair.id === each.repair.id)!;
      expect(same.figures.hours[0]).toBeGreaterThan(each.figures.hours[0]);
    }
  });
  test('the step in stiffness is the repaired section’s over the one beside it, by parallel axes', () => {
    const cover = all.find(
      ({ repair: { bolts, pieces } }) => !bolts && pieces.map(pieceName).join() === 'cover plate, bottom',
    )!;
    const { depthMm, flangeMm, thicknessMm } = SHAPES.channel as MemberShape & { flangeMm: number };
    const [{ upperEdgeMm, lowerEdgeMm, thicknessMm: plateMm }] = cover.repair.pieces as [Piece];
    const wall = 0.99 * thicknessMm;
    const strips = [
      { area: depthMm * wall, at: depthMm / 2, own: (wall * depthMm ** 3) / 12 },
      { area: flangeMm * wall, at: 0, own: 0 },
      { area: flangeMm * wall, at: depthMm, own: 0 },
    ];
    const plate = { area: (upperEdgeMm - lowerEdgeMm) * plateMm, at: -(thicknessMm + plateMm) / 2, own: 0 };
    const inertia = (parts: readonly { area: number; at: number; own: number }[]) => {
      const area = parts.reduce((sum, part) => sum + part.area, 0);
      const middle = parts.reduce((sum, part) => sum + part.area * part.at, 0) / area;
      return parts.reduce((sum, part) => sum + part.own + part.area * (part.at - middle) ** 2, 0);
    };
    expect(cover.figures.stiffStep!).toBeGreaterThan(1);
    expect(
      Math.abs(cover.figures.stiffStep! / (inertia([...strips, plate]) / inertia(strips)) - 1),
    ).toBeLessThan(0.06);
  });
  test('a set of pieces covers what one does not, jointed where they meet, no more of them than it takes', () => {
    const set = (pieces: number, coversMm = 900) =>
      candidates(done.picture, target!, {
        kits: [{ name: 'set', family: '', coversMm, edgeMm: 100, thicknessMm: 6.35, pieces }],
      }).find((each) => each.kit !== undefined)!;
    const codes = (pieces: number) => brokenRules(set(pieces)).map(({ code }) => code);
    const spanOf = ({ repair: { pieces } }: { repair: { pieces: readonly Piece[] } }) =>
      pieces[0]!.endMm - pieces[0]!.startMm;
    expect(codes(1)).toContain('run-out-short');
    const two = set(2);
    expect(spanOf(two)).toBeCloseTo(1800, 6);
    expect(two.repair.pieces[0]!.joints).toEqual([two.repair.pieces[0]!.startMm + 900]);
    expect(codes(2)).not.toContain('run-out-short');
    expect(spanOf(set(5))).toBeCloseTo(1800, 6);
    expect(set(5, 3000).repair.pieces[0]!.joints).toBeUndefined();
    // Bought is not made: fewer hours than the same plates would take.
    const own = workRepair(repairPicture(done.picture, two.repair), true, undefined);
    expect(own.joined.totalWeldMm).toBeCloseTo(two.figures.weldMm, 6);
    const hours = (isBought: boolean) =>
      plateHours(DEFAULT_NORMS, {
        plates: 2,
        weldM: two.figures.weldMm / 1000,
        isCutOut: false,
        isBolted: false,
        isBought,
        offAndBack: two.repair.beneath!.filter(({ way }) => way === 'off and back').length,
      });
    expect(two.figures.hours[0]).toBeCloseTo(hours(true)[0], 6);
    expect(hours(false)[0] - hours(true)[0]).toBeCloseTo(0.6 * 2 * DEFAULT_NORMS.plate[0], 6);
  });
  test('a bought cap stands among them: long enough it may be taken, too short, too low or another family’s it says why or is not there', () => {
    const kit = (more: Partial<Kit>): Kit => ({
      name: 'rail cap',
      family: '',
      coversMm: 2000,
      edgeMm: 100,
      thicknessMm: 6.35,
      price: 140,
      ...more,
    });
    const bought = (more: Partial<Kit>) =>
      candidates(done.picture, target!, { kits: [kit(more)] }).find((each) => each.kit !== undefined);
    const good = bought({})!;
    expect(good.against).toEqual([]);
    expect(good.repair.pieces[0]).toMatchObject({ kind: 'bottom L', upperEdgeMm: 100, thicknessMm: 6.35 });
    expect(good.repair.pieces[0]!.endMm - good.repair.pieces[0]!.startMm).toBeCloseTo(2000, 6);
    expect(brokenRules(bought({ coversMm: 800 })!).map(({ code }) => code)).toContain('run-out-short');
    expect(bought({ family: 'open-channel ladder' })).toBeDefined();
    expect(bought({ family: 'unibody' })).toBeUndefined();
    expect(bought({ edgeMm: SHAPES.channel!.depthMm })).toBeDefined();
    expect(bought({ edgeMm: SHAPES.channel!.depthMm + 1 })).toBeUndefined();
  });
  test('nothing away from the damage, and nothing on a member that is renewed', () => {
    expect(candidates(done.picture, { fromMm: 4000, toMm: 4100 })).toEqual([]);
    const cross = { ...done.picture, member: { ...done.picture.member, role: 'crossmember' as const } };
    expect(candidates(cross, target!)).toEqual([]);
  });
});
