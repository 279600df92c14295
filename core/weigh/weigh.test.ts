import fc from 'fast-check';
import {
  builtProperties,
  changedSection,
  keptAt,
  shortStretch,
  type DemandPair,
  type SectionKept,
  laidSection,
  layoutsAlong,
  lowerBound,
  memberPicture,
  NO_CHANGE,
  severity,
  unitVerdict,
  VERDICTS,
  weigh,
  wallSection,
  type FindingCode,
  type MemberVerdict,
} from '.';
import { sectionProperties } from '../mechanics';
import { defaultFrame, evenWall, surfaceOf, facesOf, type Member, type MemberShape } from '../frame';
import type { Reading } from '../probe';
import type { Crack } from '../trace';
import { DEFAULT_PRACTICE, type SteelId } from '../reference';

const channel: MemberShape = { kind: 'channel', depthMm: 203.2, flangeMm: 69.85, thicknessMm: 6.35 };
const box: MemberShape = { kind: 'box', depthMm: 150, widthMm: 75, thicknessMm: 5 };
const frameOf = (shape: MemberShape, steel: SteelId = 'a36') =>
  defaultFrame({
    family: shape.kind === 'channel' ? 'open-channel ladder' : 'boxed ladder',
    railShape: shape,
    steel,
    lengthMm: 3000,
    widthMm: 860,
    datum: 'hole',
  });

let count = 0;
const reading = (
  member: Member,
  stationMm: number,
  face: Reading['face'],
  heightMm: number,
  thicknessMm: number,
): Reading => ({
  kind: 'reading',
  id: `r${count++}`,
  memberId: member.id,
  stationMm,
  face,
  heightMm,
  thicknessMm,
  method: 'ultrasonic',
  by: 'RK',
  at: '2026-01-01T00:00:00Z',
  note: '',
});

/** A dense survey of a member whose wall is given by a function of place. */
function surveyed(
  shape: MemberShape,
  wall: (station: number, face: Reading['face'], height: number) => number,
  options: { steel?: SteelId; member?: string; cracks?: Crack[]; stepMm?: number } = {},
) {
  const frame = frameOf(shape, options.steel);
  const member = frame.members.find((each) => each.id === (options.member ?? 'rail-left'))!;
  const readings: Reading[] = [];
  for (let station = 0; station <= member.lengthMm; station += options.stepMm ?? 100) {
    for (const face of facesOf(member.shape))
      for (let k = 0; k < 6; k++) {
        const height = (face.widthMm * (k + 0.5)) / 6;
        readings.push(reading(member, station, face.id, height, wall(station, face.id, height)));
      }
  }
  return memberPicture({ frame, member, readings, cracks: options.cracks ?? [], practice: DEFAULT_PRACTICE });
}

const codes = (verdict: MemberVerdict): FindingCode[] => verdict.findings.map((finding) => finding.code);
const sound = (shape: MemberShape) => () => shape.thicknessMm;
const inZone = (station: number) => station > 1200 && station < 1800;

test('a stretch that nobody read is neither damage nor soundness', () => {
  const frame = { ...frameOf(channel), lengthMm: 6096 };
  const member = { ...frame.members[0]!, lengthMm: 6096 };
  const at = (inches: number, thin: boolean) =>
    [1, 3, 5, 7]
      .map((height) => reading(member, inches * 25.4, 'web', height * 25.4, thin && height < 4 ? 2 : 6.3))
      .concat(reading(member, inches * 25.4, 'bottom', 40, thin ? 2 : 6.3));
  const picture = memberPicture({
    frame,
    member,
    readings: [72, 84, 96, 108, 120, 132, 144].flatMap((inches) => at(inches, inches > 90 && inches < 126)),
    cracks: [],
    practice: DEFAULT_PRACTICE,
  });
  expect(picture.zones).toHaveLength(1);
  expect(picture.zones[0]!.fromMm / 25.4).toBeGreaterThan(72);
  expect(picture.zones[0]!.toMm / 25.4).toBeLessThan(144);
  for (const finding of weigh(picture).findings)
    if (finding.at) expect(finding.at.toMm / 25.4).toBeLessThan(144);
  expect(codes(weigh(picture))).toContain('mostly-guessed');
});

describe('the wall as a section', () => {
  test('an even wall is the textbook channel and box', () => {
    const c = sectionProperties(wallSection(surfaceOf(channel), evenWall(surfaceOf(channel), 6.35)))!;
    const h = 203.2 - 6.35,
      b = 69.85 - 6.35 / 2;
    expect(c.areaMm2).toBeCloseTo((h + 2 * b) * 6.35, 3);
    expect(c.ixMm4).toBeCloseTo(
      (6.35 * h ** 3) / 12 + 2 * b * 6.35 * (h / 2) ** 2 + (2 * b * 6.35 ** 3) / 12,
      0,
    );
    const q = sectionProperties(wallSection(surfaceOf(box), evenWall(surfaceOf(box), 5)))!;
    expect(q.jMm4).toBeCloseTo((4 * (145 * 70) ** 2 * 5) / 430 + (430 * 125) / 3, 0);
    expect(q.pieces).toBe(1);
  });

  test('cuts take metal away, carrying plates add it, tacked ones do not', () => {
    const surface = surfaceOf(channel);
    const even = evenWall(surface, 6.35);
    const area = (change: Parameters<typeof changedSection>[2]) =>
      sectionProperties(changedSection(surface, even, change))!.areaMm2;
    const plain = area(NO_CHANGE);
    expect(area({ cuts: [{ uFromMm: 273, uToMm: 343 }], plates: [] })).toBeCloseTo(
      plain - (343 - 273) * 6.35 * (66.675 / 69.85) - 0,
      -1.5,
    );
    const plate = { uFromMm: 173.05, uToMm: 342.9, thicknessMm: 5, weldedAtUMm: [173.05], carries: true };
    expect(area({ cuts: [], plates: [plate] })).toBeGreaterThan(plain + 5 * 165);
    expect(area({ cuts: [], plates: [{ ...plate, carries: false }] })).toBeCloseTo(plain, 9);
  });

  test('a plate welded at both edges closes a cell; at one edge it is a branch', () => {
    const surface = surfaceOf(channel);
    const even = evenWall(surface, 6.35);
    const plate = { uFromMm: 173.05, uToMm: 342.9, thicknessMm: 5, carries: true };
    const both = sectionProperties(
      changedSection(surface, even, { cuts: [], plates: [{ ...plate, weldedAtUMm: [173.05, 342.9] }] }),
    )!;
    const one = sectionProperties(
      changedSection(surface, even, { cuts: [], plates: [{ ...plate, weldedAtUMm: [173.05] }] }),
    )!;
    expect(both.cells).toBe(1);
    expect(one.cells).toBe(0);
    expect(one.pieces).toBe(1);
    expect(both.jMm4).toBeGreaterThan(2 * one.jMm4);
    expect(both.ixMm4).toBeCloseTo(one.ixMm4, 6);
  });

  test('a cap wrapped round the bottom of a box, bottom cut out, is one closed section again', () => {
    const surface = surfaceOf(box);
    const outer = facesOf(box)[1]!,
      inner = facesOf(box)[3]!;
    const [from, to] = [outer.uStartMm + 60, inner.uStartMm + 90];
    const capped = sectionProperties(
      changedSection(surface, evenWall(surface, 5), {
        cuts: [{ uFromMm: from + 30, uToMm: to - 30 }],
        plates: [{ uFromMm: from, uToMm: to, thicknessMm: 5, weldedAtUMm: [from, to], carries: true }],
      }),
    )!;
    const plain = builtProperties(surface, 5);
    expect(capped.pieces).toBe(1);
    expect(capped.cells).toBe(1);
    expect(capped.jMm4 / plain.jMm4).toBeGreaterThan(0.95);
  });
});

describe('the stretch where too little is kept', () => {
  const at = (stationMm: number, area: number, guessedShare = 0): SectionKept =>
    ({ stationMm, guessedShare, kept: { area: { value: area, plusMinus: 0 } } }) as unknown as SectionKept;
  test.each<[string, SectionKept[], ReturnType<typeof shortStretch>]>([
    ['nowhere', [at(0, 0.9), at(100, 0.95)], undefined],
    ['at one station', [at(0, 1), at(100, 0.89), at(200, 1)], { fromMm: 100, toMm: 100 }],
    ['of two the worse', [at(0, 0.85), at(100, 1), at(200, 0.8), at(300, 0.89)], { fromMm: 200, toMm: 300 }],
    ['up to both ends', [at(0, 0.7), at(100, 0.7)], { fromMm: 0, toMm: 100 }],
    ['a guess is none', [at(0, 0.7, 0.51), at(100, 0.85, 0.5)], { fromMm: 100, toMm: 100 }],
    ['no section at all', [], undefined],
  ])('%s', (_, sections, stretch) => expect(shortStretch(sections, 0.9)).toEqual(stretch));
});

describe('what is kept', () => {
  test('an untouched wall keeps everything; less metal keeps less, never more', () => {
    const surface = surfaceOf(channel);
    const built = builtProperties(surface, 6.35);
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 1, noNaN: true }), {
          minLength: surface.uMm.length,
          maxLength: surface.uMm.length,
        }),
        (left) => {
          const wall = {
            thicknessMm: Float64Array.from(left, (part) => 6.35 * part),
            errorMm: new Float64Array(left.length),
            known: new Uint8Array(left.length),
          };
          const kept = keptAt(surface, wall, built, 0);
          if (!kept) return;
          expect(kept.kept.area!.value).toBeLessThanOrEqual(1 + 1e-9);
          expect(kept.kept.inertia!.value).toBeLessThanOrEqual(1 + 1e-9);
          expect(kept.kept.torsion).toBeUndefined();
        },
      ),
      { seed: 8, numRuns: 40 },
    );
  });

  test('the ± is no smaller than one face’s own error makes it, and grows with it', () => {
    const surface = surfaceOf(channel);
    const built = builtProperties(surface, 6.35);
    const wall = (error: number) => ({
      thicknessMm: evenWall(surface, 6.35),
      errorMm: new Float64Array(surface.uMm.length).fill(error),
      known: new Uint8Array(surface.uMm.length),
    });
    const [tight, loose] = [0.1, 0.4].map((error) => keptAt(surface, wall(error), built, 0)!.kept.area!);
    expect(tight!.plusMinus).toBeGreaterThan((1.645 * 0.1 * 190) / built.areaMm2);
    expect(loose!.plusMinus / tight!.plusMinus).toBeCloseTo(4, 6);
    expect(lowerBound({ value: 0.1, plusMinus: 0.5 })).toBe(0);
  });
});

describe('verdicts', () => {
  test('sound and well measured: Leave, which says that it rests on the section alone', () => {
    const verdict = weigh(surveyed(channel, sound(channel)));
    expect(verdict.verdict).toBe('Leave');
    expect(verdict.findings[0]!.code).toBe('section-alone');
  });

  test('nothing measured: can’t say, never Leave', () => {
    const frame = frameOf(channel);
    expect(
      weigh(
        memberPicture({
          frame,
          member: frame.members[0]!,
          readings: [],
          cracks: [],
          practice: DEFAULT_PRACTICE,
        }),
      ),
    ).toMatchObject({ verdict: 'Can’t say', findings: [{ code: 'not-measured' }] });
  });

  test('sound readings on one face only leave the rest guessed: can’t say', () => {
    const frame = frameOf(channel);
    const member = frame.members[0]!;
    const top = Array.from({ length: 20 }, (_, k) => reading(member, 150 * k, 'top', 35, 6.35));
    const verdict = weigh(
      memberPicture({ frame, member, readings: top, cracks: [], practice: DEFAULT_PRACTICE }),
    );
    expect(verdict.verdict).toBe('Can’t say');
    expect(codes(verdict)).toContain('mostly-guessed');
  });

  test('bottom rotted up to a known edge: Mend, worst station inside the zone, margin enough', () => {
    const picture = surveyed(channel, (s, face, h) =>
      inZone(s) && (face === 'bottom' || (face === 'web' && h < 60)) ? 2 : 6.35,
    );
    const verdict = weigh(picture);
    expect(verdict.verdict).toBe('Mend');
    expect(picture.zones).toHaveLength(1);
    expect(picture.zones[0]!.fromMm).toBeGreaterThan(1050);
    expect(picture.zones[0]!.toMm).toBeLessThan(1950);
    expect(codes(verdict)).toEqual(expect.arrayContaining(['modulus-kept', 'area-kept', 'margin-enough']));
    const modulus = verdict.findings.find((finding) => finding.code === 'modulus-kept')!;
    expect(inZone(modulus.at!.fromMm)).toBe(true);
  });

  test('rust up to a finger’s breadth below the top: the margin is short', () => {
    const picture = surveyed(channel, (s, face, h) =>
      inZone(s) && (face === 'bottom' || (face === 'web' && h < 180)) ? 2 : 6.35,
    );
    expect(codes(weigh({ ...picture, ways: { ...picture.ways, margin: 'one inch left' } }))).toContain(
      'margin-short',
    );
  });

  test('top flange gone: Splice; both flanges gone over most of it: Renew, and nothing left to land on', () => {
    expect(weigh(surveyed(channel, (s, face) => (inZone(s) && face === 'top' ? 1 : 6.35))).verdict).toBe(
      'Splice',
    );
    const both = weigh(surveyed(channel, (_s, face) => (face === 'web' ? 6.35 : 1)));
    expect(both.verdict).toBe('Renew');
    const rail = frameOf(channel).members[0]!;
    expect(unitVerdict([{ member: rail, verdict: both }])).toMatchObject({
      verdict: 'Retire',
      nothingToLandOn: [rail.name],
    });
    expect(both.findings[0]!.code).toBe('both-flanges-gone');
  });

  test('a thin crossmember is renewed, not mended', () => {
    const verdict = weigh(
      surveyed(channel, (_s, face) => (face === 'bottom' ? 1 : 4.7625), { member: 'cross-2', stepMm: 40 }),
    );
    expect(verdict.verdict).toBe('Renew');
  });

  test('a crack in a sound rail: Mend, do not use; an end not found is said too', () => {
    const crack: Crack = {
      kind: 'crack',
      id: 'c',
      memberId: 'rail-left',
      path: [
        { stationMm: 500, face: 'web', heightMm: 0 },
        { stationMm: 510, face: 'web', heightMm: 40 },
      ],
      startFound: true,
      finishFound: false,
      seenBy: 'eye',
      by: 'RK',
      at: '2026-01-01T00:00:00Z',
      note: '',
    };
    const verdict = weigh(surveyed(channel, sound(channel), { cracks: [crack] }));
    expect(verdict.verdict).toBe('Mend');
    expect(codes(verdict)).toEqual(expect.arrayContaining(['crack', 'crack-end-open']));
    expect(verdict.findings.find((finding) => finding.code === 'crack')!.source).toBe('crack');
  });

  test('steel decides whether damage may be welded', () => {
    const rotten = (s: number, face: Reading['face']) => (inZone(s) && face === 'bottom' ? 2 : 6.35);
    expect(weigh(surveyed(channel, rotten, { steel: 'heat-treated-110' })).verdict).toBe('Renew');
    expect(codes(weigh(surveyed(channel, rotten, { steel: 'unknown' })))).toContain('steel-unknown');
    expect(codes(weigh(surveyed(channel, sound(channel), { steel: 'unknown' })))).not.toContain(
      'steel-unknown',
    );
  });

  test('rusted right through: parted, and no number pretends otherwise', () => {
    const picture = surveyed(channel, (s) => (inZone(s) ? 0 : 6.35));
    expect(picture.partedAtMm.length).toBeGreaterThan(0);
    expect(severity(weigh(picture).verdict)).toBeGreaterThanOrEqual(severity('Splice'));
    expect(picture.sections.every((section) => Number.isFinite(section.found.ixMm4))).toBe(true);
  });

  test('read all over and kept by the best estimate alone: Watch, whatever falls where its errors are taken away', () => {
    const picture = surveyed(channel, (s) => (s >= 1200 && s <= 1800 ? 0.91 : 1) * 6.35);
    const asked = (utilisation: number) =>
      ({
        memberId: 'rail-left',
        worst: { utilisation, stationMm: 1500, caseId: 'bump' },
        pads: [],
      }) as unknown;
    const held = (least: number) =>
      weigh(picture, { found: {}, built: {}, least: asked(least) } as unknown as DemandPair);
    expect(held(0.99).verdict).toBe('Watch');
    expect(codes(held(0.99))).toContain('stands-without');
    expect(held(1.01).verdict).toBe('Watch');
    expect(codes(held(1.01))).not.toContain('falls-without');
  });

  test('the worst reason governs, whatever it is', () => {
    const verdict = weigh(
      surveyed(channel, (s, face, h) =>
        inZone(s) && (face === 'bottom' || (face === 'web' && h < 60)) ? 2 : 6.35,
      ),
    );
    expect(severity(verdict.verdict)).toBe(
      Math.max(...verdict.findings.map((finding) => severity(finding.verdict))),
    );
    expect(VERDICTS.filter((word) => word !== 'Can’t say')).toEqual([
      'Leave',
      'Leave by hand',
      'Watch',
      'Mend',
      'Splice',
      'Renew',
      'Retire',
    ]);
  });

  test('a closed rail is judged on J too', () => {
    const verdict = weigh(surveyed(box, (s, face) => (inZone(s) && face === 'bottom' ? 1 : 5)));
    expect(codes(verdict)).toContain('torsion-kept');
    expect(verdict.verdict).toBe('Mend');
  });
});

describe('layouts along a member', () => {
  const surface = surfaceOf(box);
  const change = (uFromMm: number, uToMm: number, cut?: [number, number]) => ({
    cuts: cut ? [{ uFromMm: cut[0], uToMm: cut[1] }] : [],
    plates: [{ uFromMm, uToMm, thicknessMm: 5, weldedAtUMm: [uFromMm, uToMm], carries: true }],
  });

  test('a layout taken over from the station before gives what a fresh one gives', () => {
    const lay = layoutsAlong(surface);
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(fc.integer({ min: 80, max: 130 }), fc.integer({ min: 320, max: 420 }), fc.boolean()),
          { minLength: 1, maxLength: 6 },
        ),
        fc.double({ min: 0.2, max: 1, noNaN: true }),
        (stations, share) => {
          const wall = evenWall(surface, 5).map((t, row) => (row % 3 === 0 ? t * share : t));
          for (const [from, to, hasCut] of stations) {
            const here = change(from, to, hasCut ? [from + 20, to - 20] : undefined);
            expect(sectionProperties(laidSection(lay(here), wall))).toEqual(
              sectionProperties(changedSection(surface, wall, here)),
            );
          }
        },
      ),
      { seed: 9, numRuns: 60 },
    );
  });

  test('the same change twice is laid out once, another one anew', () => {
    const lay = layoutsAlong(surface);
    const first = lay(change(100, 400));
    expect(lay(change(100, 400))).toBe(first);
    expect(lay(change(100, 401))).not.toBe(first);
    expect(lay(change(100, 400, [120, 380]))).not.toBe(first);
  });

  test('a wall rusted through opens the box: its cell is gone and so is most of J', () => {
    const closed = sectionProperties(wallSection(surface, evenWall(surface, 5)))!;
    const open = sectionProperties(
      wallSection(
        surface,
        evenWall(surface, 5).map((t, row) => (row === 4 ? 0 : t)),
      ),
    )!;
    expect([closed.cells, open.cells]).toEqual([1, 0]);
    expect(open.jMm4 / closed.jMm4).toBeLessThan(0.02);
  });
});
