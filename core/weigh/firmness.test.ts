import { randomLcg, randomNormal } from 'd3-random';
import { defaultFrame, facesOf, familyOf, surfaceOf, type Member } from '../frame';
import { DEFAULT_PRACTICE } from '../reference';
import { sectionProperties, type SectionProperties } from '../mechanics';
import { ONE_SIDED_95 } from '../quantity';
import { METHOD_ERROR_MM, type Reading } from '../probe';
import type { Crack } from '../trace';
import { figure, firmnessOf, memberPicture, severity, wallSection, weigh } from '.';

const frame = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  family: 'open-channel ladder',
  steel: 'hot-rolled-50',
  datum: 'hole',
});
const rail: Member = { ...frame.members.find(({ id }) => id === 'rail-left')!, lengthMm: 2400 };
const surface = surfaceOf(rail.shape);
let made = 0;

/** A rail sound at its ends and rusted over its middle third, with waves in it: what is left of its wall at a place, a share. */
type Truth = (stationMm: number, uMm: number) => number;
const rusted = (random: () => number): Truth => {
  const [loss, depth] = [0.04 + 0.12 * random(), 0.01 + 0.02 * random()];
  const waves = Array.from({ length: 12 }, () => ({
    along: (0.5 + random()) / 500,
    across: (0.5 + random()) / 120,
    phase: 2 * Math.PI * random(),
  }));
  const isHere = (stationMm: number) =>
    Math.min(1, Math.max(0, 2.2 - Math.abs(stationMm - rail.lengthMm / 2) / 250));
  return (stationMm, uMm) => {
    const wave = waves.reduce(
      (sum, { along, across, phase }) => sum + Math.cos(along * stationMm + across * uMm + phase),
      0,
    );
    const rust = loss + depth * Math.sqrt(2 / waves.length) * wave;
    return Math.max(0, Math.min(1, 1 - rust * isHere(stationMm)));
  };
};
/** Read every so often along, at a few heights of every face, with the tool's own error. */
function read(truth: Truth, stepMm: number, random?: () => number): Reading[] {
  const noise = random ? randomNormal.source(random)(0, 0.1) : () => 0;
  return Array.from({ length: Math.floor(rail.lengthMm / stepMm) }, (_, k) => stepMm * (k + 0.5)).flatMap(
    (stationMm) =>
      facesOf(rail.shape).flatMap((face) =>
        [0.15, 0.5, 0.85].map((up): Reading => {
          const row = surface.uMm.findIndex((_u, each) => surface.rowFace[each]!.id === face.id);
          const uMm = surface.uMm[row]! + up * face.widthMm;
          return {
            kind: 'reading',
            id: `00000000-0000-4000-8000-${String(++made).padStart(12, '0')}`,
            memberId: rail.id,
            stationMm,
            face: face.id,
            heightMm: up * face.widthMm,
            thicknessMm: Math.max(0.1, face.wallMm * truth(stationMm, uMm) + noise()),
            method: 'ultrasonic',
            by: 'RK',
            at: '2026-11-10T08:00:00Z',
            note: '',
          };
        }),
      ),
  );
}
/** Whether the rail as it truly is keeps less than the shop leaves, anywhere, of what it was made as by its own sound metal. */
const isTrulyThin = (truth: Truth, built: SectionProperties): boolean =>
  Array.from({ length: 49 }, (_, k) => (k * rail.lengthMm) / 48).some((stationMm) => {
    const wall = Float64Array.from(
      surface.uMm,
      (uMm, row) => surface.rowFace[row]!.wallMm * truth(stationMm, uMm),
    );
    const found = sectionProperties(wallSection(surface, wall))!;
    return (['area', 'inertia', 'modulusTop', 'modulusBottom'] as const).some(
      (key) => figure(key, found) / figure(key, built) < DEFAULT_PRACTICE.leaveFraction,
    );
  });
const judged = (readings: readonly Reading[], more: object = {}) => {
  const picture = memberPicture({
    frame,
    member: rail,
    practice: DEFAULT_PRACTICE,
    readings,
    cracks: [],
    ...more,
  });
  return { picture, verdict: weigh(picture) };
};
const firm = (readings: readonly Reading[], seed = 0.3, more: object = {}, fields = 120) => {
  const { picture, verdict } = judged(readings, more);
  const firmness = firmnessOf(picture, readings, verdict, {
    random: randomLcg(seed),
    hiddenChance: 0.25,
    fields,
  });
  return {
    ...firmness,
    built: picture.builtProperties,
    isActed: severity(verdict.verdict) >= severity('Mend'),
  };
};

test('on 120 seeded rails a firm decision is the true one but for one in fifty; open ones are wrong oftener', () => {
  const random = randomLcg(0.137);
  let [firmOnes, wrongFirm, others, wrongOthers] = [0, 0, 0, 0];
  for (let k = 0; k < 120; k++) {
    const truth = rusted(random);
    const { is, isActed, built } = firm(read(truth, 300, random), 0.2 + k / 200, {}, 200);
    const isWrong = isActed !== isTrulyThin(truth, built);
    if (is === 'firm') [firmOnes, wrongFirm] = [firmOnes + 1, wrongFirm + Number(isWrong)];
    else [others, wrongOthers] = [others + 1, wrongOthers + Number(isWrong)];
  }
  expect(firmOnes).toBeGreaterThan(15);
  expect(others).toBeGreaterThan(8);
  expect(wrongFirm / firmOnes).toBeLessThanOrEqual(0.02);
  expect(wrongOthers / others).toBeGreaterThan(wrongFirm / firmOnes);
});

describe('metal read thinner than sound decides as surely as it was read', () => {
  const one = (face: string, up: number, kept: number): Reading => {
    const { widthMm, wallMm } = facesOf(rail.shape).find(({ id }) => id === face)!;
    const [like] = read(() => kept, 2400);
    return { ...like!, face: face as Reading['face'], heightMm: up * widthMm, thicknessMm: kept * wallMm };
  };
  const around = read(() => 1, 300).filter(({ stationMm }) => Math.abs(stationMm - 1200) > 200);
  /** What an ultrasonic gauge is off by, or more, one time in twenty, as a share of the wall. */
  const off = (ONE_SIDED_95 * METHOD_ERROR_MM.ultrasonic) / rail.shape.thicknessMm;
  const [surely, perhaps] = [-0.004, 0.004].map((beside) => DEFAULT_PRACTICE.soundFraction - off + beside);
  test.each([
    ['web', 0.15, 0.5, 'firm'],
    ['web', 0.15, surely!, 'firm'],
    ['web', 0.15, perhaps!, 'could flip with one more reading'],
    ['web', 0.15, 0.79, 'could flip with one more reading'],
    ['top', 0.5, 0.5, 'open'],
    ['top', 0.5, 0.79, 'open'],
    ['bottom', 0.5, 0.5, 'open'],
  ])('%s, %d of its width up, %d of its wall left, by itself: %s', (face, up, kept, is) => {
    const said = firm([one(face, up, kept)]);
    expect(said).toMatchObject({ is, isActed: true });
  });
  test.each([
    ['web', 0.15, surely!, 'firm'],
    ['web', 0.15, perhaps!, 'could flip with one more reading'],
    ['top', 0.5, 0.5, 'firm'],
    ['top', 0.5, 0.79, 'open'],
  ])('%s, %d of its width up, %d of its wall left, the rail read on both sides: %s', (face, up, kept, is) =>
    expect(firm([...around, one(face, up, kept)])).toMatchObject({ is, isActed: true }),
  );
  test('gone by hand it is firm, however little was read', () => {
    const hole = { sign: 'hole', acrossMm: 60 };
    const signs = [
      {
        kind: 'sign',
        id: 's',
        memberId: rail.id,
        stationMm: 1200,
        face: 'top',
        heightMm: 30,
        at: '2026-11-10T08:00:00Z',
        detail: hole,
      },
    ];
    expect(firm([one('top', 0.5, 0.79)], 0.3, { signs })).toMatchObject({ is: 'firm', isActed: true });
  });
});

describe('what makes a decision firm, and what does not', () => {
  const even = (kept: number) => read(() => kept, 300);
  test('sound all over: firm; far too thin: firm; at the limit: not', () => {
    expect(firm(even(1))).toMatchObject({ is: 'firm', isActed: false });
    expect(firm(even(0.5))).toMatchObject({ is: 'firm', isActed: true });
    expect(firm(even(0.902)).is).not.toBe('firm');
    expect(firm(even(0.902)).other).toBeGreaterThan(0.02);
  });
  test('fewer readings never make it firmer', () => {
    const [often, seldom] = [200, 800].map((step) =>
      firm(
        read(() => 0.909, step),
        0.3,
        {},
        400,
      ),
    );
    expect(seldom!.other).toBeGreaterThan(often!.other + 0.02);
  });
  test('hand and eye alone are never firm where they leave it in use; what they condemn is', () => {
    const { picture } = judged([]);
    const said = (
      verdict: 'Leave by hand' | 'Watch' | 'Mend',
      code: 'stands-without' | 'struck-failed' | 'thin-read' | 'margin-short',
      firmness: 'firm' | 'open' = 'firm',
    ) =>
      firmnessOf(
        picture,
        [],
        { verdict, findings: [{ code, verdict, quantity: 'count', source: 'practice', firmness }] },
        { random: randomLcg(0.3), hiddenChance: 0.25 },
      );
    expect(said('Leave by hand', 'stands-without')).toMatchObject({
      is: 'could flip with one more reading',
      fields: 0,
    });
    expect(said('Watch', 'stands-without').is).toBe('could flip with one more reading');
    expect(said('Mend', 'struck-failed').is).toBe('firm');
    expect(said('Mend', 'thin-read', 'open').is).toBe('open');
    // Nothing was read thin: a finger found it.
    expect(said('Mend', 'margin-short')).toMatchObject({ is: 'firm', fields: 0 });
  });
  test('thin metal that is preserved goes by what it carries', () => {
    const readings = even(0.8);
    const { picture } = judged(readings);
    const { stationMm } = picture.sections[10]!;
    const at = { fromMm: stationMm, toMm: stationMm };
    const said = (value: number) =>
      firmnessOf(
        picture,
        readings,
        {
          verdict: 'Watch',
          findings: [
            {
              code: 'preserved',
              verdict: 'Watch',
              quantity: 'fraction',
              source: 'practice',
              firmness: 'firm',
            },
            {
              code: 'demand-near',
              verdict: 'Watch',
              quantity: 'fraction',
              value,
              at,
              source: 'demand',
              firmness: 'firm',
            },
          ],
        },
        { random: randomLcg(0.3), hiddenChance: 0.25, fields: 200 },
      );
    expect(said(0.7)).toMatchObject({ is: 'firm', other: 0 });
    expect(said(0.999).other).toBeGreaterThan(0.2);
  });
  test('a map whose readings nobody hands over is no field to draw from', () => {
    const { picture } = judged(even(1));
    const basis = { random: randomLcg(0.3), hiddenChance: 0.25 };
    expect(firmnessOf(picture, [], { verdict: 'Leave', findings: [] }, basis)).toMatchObject({
      is: 'could flip with one more reading',
      fields: 0,
    });
  });
  test('nothing measured: open', () => expect(firm([])).toMatchObject({ is: 'open', fields: 0 }));
  test('a crack decides in every field', () => {
    const crack: Crack = {
      kind: 'crack',
      id: '00000000-0000-4000-8000-00000000ffff',
      memberId: rail.id,
      path: [
        { stationMm: 1000, face: 'web', heightMm: 60 },
        { stationMm: 1000, face: 'web', heightMm: 90 },
      ],
      startFound: true,
      finishFound: true,
      seenBy: 'dye penetrant',
      by: 'RK',
      at: '2026-11-10T08:00:00Z',
      note: '',
    };
    expect(firm(even(0.902), 0.3, { cracks: [crack] })).toMatchObject({
      is: 'firm',
      other: 0,
      isActed: true,
    });
  });
  test('what nobody saw may hide a patch: a spot unseen takes its chance off', () => {
    const spot = { spot: { id: 'a', title: 'rear hanger', critical: true }, seen: false };
    const seen = Array.from({ length: 7 }, (_, k) => ({ spot: { ...spot.spot, id: `${k}` }, seen: true }));
    const walk = { spots: [spot, ...seen], twinBad: [] };
    const unseen = firm(even(1), 0.3, { walk }, 500);
    expect(unseen.unseen).toEqual(['rear hanger']);
    expect(Math.abs(unseen.other - 0.25)).toBeLessThan(0.06);
    expect(firm(even(1), 0.3, { walk: { spots: seen, twinBad: [] } }).other).toBe(0);
  });
  describe('what the frame asks is drawn with the metal', () => {
    const asked = (code: 'demand-near' | 'demand-over-by-others', value: number) => {
      const readings = even(0.95);
      const { picture, verdict } = judged(readings);
      const { stationMm } = picture.sections[10]!;
      const demand = {
        code,
        verdict: 'Watch' as const,
        quantity: 'fraction' as const,
        value,
        limit: 1,
        source: 'demand' as const,
        at: { fromMm: stationMm, toMm: stationMm },
        firmness: 'firm' as const,
      };
      const basis = { random: randomLcg(0.3), hiddenChance: 0.25, fields: 200 };
      return firmnessOf(
        picture,
        readings,
        { verdict: 'Watch', findings: [demand, ...verdict.findings] },
        basis,
      );
    };
    test('near its limit a little less metal is over it; far below it is not', () => {
      expect(asked('demand-near', 0.998).other).toBeGreaterThan(0.2);
      expect(asked('demand-near', 0.8)).toMatchObject({ is: 'firm', other: 0 });
    });
    test('what it is asked for others no reading of its own changes', () =>
      expect(asked('demand-over-by-others', 1.3)).toMatchObject({ is: 'firm', other: 0 }));
  });
  test('the same seed, the same answer', () => expect(firm(even(0.9))).toEqual(firm(even(0.9))));
});
