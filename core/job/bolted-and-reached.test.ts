import fc from 'fast-check';
import { defaultFrame, facesOf, familyOf, type FaceId, type MemberShape } from '../frame';
import { DEFAULT_PRACTICE, leastEdgeMm, type SteelId } from '../reference';
import type { Reading } from '../probe';
import type { Repair } from '../shape';
import type { Crack } from '../trace';
import { lowerBound } from '../weigh';
import {
  brokenRules,
  candidates,
  inputsOf,
  plannedOn,
  sortedRecords,
  toWeldShut,
  workMember,
  type Evidence,
  type JobRecords,
  type MemberWork,
} from '.';

/** A heavy truck's rail: bolted on or not at all, where its maker does not let it be welded. */
const CHANNEL: MemberShape = { kind: 'channel', depthMm: 266, flangeMm: 89, thicknessMm: 8 };
const stamp = { by: 'RK', at: '2026-01-01T00:00:00Z', note: '' };

interface Scene {
  readonly shape?: MemberShape;
  readonly steel?: SteelId;
  readonly kept?: (face: FaceId, share: number) => number;
  readonly also?: readonly Evidence[];
  readonly repairs?: readonly Repair[];
  readonly legal?: string;
}
function records({
  legal = 'none',
  shape = CHANNEL,
  steel = 'heat-treated-110',
  kept,
  also = [],
  repairs = [],
}: Scene): JobRecords {
  const made = defaultFrame({
    ...familyOf('open-channel ladder').typical,
    family: 'open-channel ladder',
    steel,
    datum: 'hole',
  });
  const frame = {
    ...made,
    fittings: [],
    members: made.members.map((member) => (member.role === 'rail' ? { ...member, shape } : member)),
  };
  const readings = Array.from({ length: 31 }, (_, k) => 150 * k).flatMap((stationMm) =>
    facesOf(shape).flatMap((face) =>
      [0.05, 0.2, 0.35, 0.5, 0.65, 0.8, 0.95].map((share): Reading => ({
        kind: 'reading',
        id: `${stationMm} ${face.id} ${share}`,
        memberId: 'rail-left',
        stationMm,
        face: face.id,
        heightMm: face.widthMm * share,
        thicknessMm:
          face.wallMm * (stationMm >= 1950 && stationMm <= 2250 ? (kept?.(face.id, share) ?? 0.99) : 0.99),
        method: 'ultrasonic',
        ...stamp,
      })),
    ),
  );
  return {
    frame,
    practice: { ...DEFAULT_PRACTICE, legal: { ...DEFAULT_PRACTICE.legal, chosen: legal } },
    evidence: [...readings, ...also],
    strikes: [],
    repairs: [...repairs],
    grossMassKg: 9000,
  };
}
function work(scene: Scene): MemberWork {
  const sorted = sortedRecords(records(scene));
  const member = sorted.records.frame.members.find(({ id }) => id === 'rail-left')!;
  return workMember(inputsOf(sorted, member));
}
const crack = (face: FaceId, from: number, to: number): Crack => ({
  kind: 'crack',
  id: 'c1',
  memberId: 'rail-left',
  path: [
    { stationMm: 2100, face, heightMm: from },
    { stationMm: 2100, face, heightMm: to },
  ],
  startFound: true,
  finishFound: true,
  seenBy: 'dye penetrant',
  ...stamp,
});
const inWeb = (left: number) => (face: FaceId, share: number) =>
  face === 'web' && share > 0.3 && share < 0.7 ? left : 0.99;
const least = (done: MemberWork, from = 1950, to = 2250) =>
  Math.min(
    ...done.repairedAlong
      .filter(({ stationMm }) => stationMm >= from && stationMm <= to)
      .map(({ kept }) => Math.min(lowerBound(kept.modulusTop!), lowerBound(kept.modulusBottom!))),
  );

describe('steel that is not welded is bolted, where its web alone is bad', () => {
  const done = work({ kept: inWeb(0.5) });
  const [made] = done.repairs;

  test('plates on both sides of the web, bolts counted at both ends, and nothing asks for a weld', () => {
    expect(made!.repair.bolts).toMatchObject({ marks: 6 });
    expect(made!.repair.pieces.map(({ inside }) => inside === true)).toEqual([false, true]);
    expect(made!.joined.lines).toEqual([]);
    expect(made!.joined.bolts.some(({ counted }) => counted > 4)).toBe(true);
    expect(made!.joinFindings.filter(({ weight }) => weight === 'broken')).toEqual([]);
    expect(made!.findings.map(({ code }) => code)).toEqual(
      expect.arrayContaining(['plate-of-its-steel', 'coat-between', 'rust-between']),
    );
    expect(made!.findings.map(({ code }) => code)).not.toContain('steel-not-welded');
  });
  test('its ends take the plate’s force', () => {
    expect(made!.joined.ends.length).toBe(4);
    for (const end of made!.joined.ends) expect(end.capacityN).toBeGreaterThanOrEqual(end.forceN);
  });
  test('drilled and not yet plated it is weaker than it was found; plated it is stronger', () => {
    const state = (id: string) => done.states.find((each) => each.id === id)!;
    const area = (id: string) =>
      state(id)
        .wallAt(2100)
        .thicknessMm.reduce((sum, mm) => sum + mm, 0);
    expect(area('cut open')).toBeLessThan(area('as found'));
    expect(least(done)).toBeGreaterThan(
      Math.min(...done.picture.sections.map(({ kept }) => lowerBound(kept.modulusBottom!))),
    );
  });
  test('half the bolts’ pitch taken twice over no longer brings the force in: it is broken, not passed over', () => {
    const wide = { ...made!.repair, id: 'mine', by: 'MR', bolts: { ...made!.repair.bolts!, pitchMm: 300 } };
    const [again] = work({ kept: inWeb(0.5), repairs: [wide] }).repairs;
    const codes = brokenRules(again!).map(({ code }) => code);
    expect(codes).toEqual(expect.arrayContaining(['bolts-short', 'development-short']));
    expect(again!.findings.map(({ code }) => code)).toContain('bolts-far-apart');
  });
});

test('what is planned counts bolted plates by themselves, and no weld of theirs', () => {
  const done = work({ kept: inWeb(0.5) });
  expect(plannedOn(done)).toMatchObject({ plates: 0, bolted: 2, weldM: 0 });
  expect(plannedOn(done).steelKg).toBeGreaterThan(10);
});

test('plate from the shelf matches a rail of 50 ksi; a stronger one asks for its own steel', () => {
  const said = (steel: SteelId) => {
    const found = work({ steel, kept: inWeb(0.5) });
    const bolted = candidates(found.picture, found.picture.zones[0]!).find(({ repair }) => repair.bolts)!;
    return bolted.findings.some(({ code }) => code === 'plate-of-its-steel');
  };
  expect(said('hot-rolled-50')).toBe(false);
  expect(said('a36')).toBe(false);
  expect(said('heat-treated-110')).toBe(true);
});

test('a plate much taller than the one across the wall gapes past the rows they share: a rule is broken, by a millimetre', () => {
  const [made] = work({ kept: inWeb(0.5) }).repairs;
  const with_ = (thicknessMm: number, upperEdgeMm: number) => {
    const pieces = made!.repair.pieces.map((piece, k) => ({
      ...piece,
      thicknessMm: k === 0 ? thicknessMm : piece.thicknessMm,
      lowerEdgeMm: 30,
      upperEdgeMm: k === 0 ? upperEdgeMm : 150,
    }));
    const mine = { ...made!.repair, id: 'mine', by: 'MR', pieces };
    return brokenRules(work({ kept: inWeb(0.5), repairs: [mine] }).repairs[0]!).map(({ code }) => code);
  };
  // 5/8 in bolts lie 15/16 in inside the lower plate; 12 times 6 mm is 72 mm.
  const most = 150 - leastEdgeMm(15.875) + 72;
  expect(with_(6, most)).not.toContain('edge-unbolted');
  expect(with_(6, most + 1)).toContain('edge-unbolted');
});

test('plates bolted over sound metal: what their holes take near the ends is said; over what is bad they give more than they take', () => {
  const [made] = work({ kept: inWeb(0.5) }).repairs;
  const mine = { ...made!.repair, id: 'mine', by: 'MR' };
  const onSound = work({ repairs: [mine] }).repairs[0]!;
  const drilled = onSound.findings.find(({ code }) => code === 'drilled-weaker')!;
  expect(drilled.weight).toBe('deviation');
  expect(drilled.value).toBeLessThan(drilled.limit! - 0.01);
  expect(made!.findings.map(({ code }) => code)).not.toContain('drilled-weaker');
});

test('a heat-treated flange is never drilled: thin there, plates on the web carry for it', () => {
  const [made] = work({ kept: (face) => (face === 'bottom' ? 0.5 : 0.99) }).repairs;
  expect(made!.repair.bolts).toBeDefined();
  expect(made!.repair.pieces.map(({ kind }) => kind)).toEqual(['side plate', 'side plate']);
  const modulus = made!.restored.map(({ kept }) => lowerBound(kept.modulusBottom!));
  expect(Math.min(...modulus)).toBeGreaterThanOrEqual(DEFAULT_PRACTICE.leaveFraction);
});

test('all but gone there, nothing fits, and it is said', () => {
  const done = work({ kept: (face) => (face === 'bottom' ? 0.05 : 0.99) });
  expect(done.repairs).toEqual([]);
  expect(done.notOffered.flatMap(({ against }) => against.map(({ code }) => code))).toContain(
    'flange-drilled',
  );
});

test('the same of mild steel is welded; bolting it is among the other forms, its flange’s holes a stated deviation', () => {
  const done = work({ steel: 'a36', kept: (face) => (face === 'bottom' ? 0.5 : 0.99) });
  expect(done.repairs[0]!.repair.bolts).toBeUndefined();
  const all = candidates(done.picture, done.picture.zones[0]!);
  const drilled = all.find(({ repair }) => repair.bolts && repair.pieces[0]!.kind === 'bottom L')!;
  const said = drilled.findings.find(({ code }) => code === 'flange-drilled');
  expect(said?.weight).toBe('deviation');
  const [again] = work({
    steel: 'a36',
    repairs: [{ ...drilled.repair, id: 'mine', by: 'MR' }],
    legal: 'us-commercial',
  }).repairs;
  expect(again!.findings.find(({ code }) => code === 'flange-drilled')?.weight).toBe('broken');
});

test('steel that nobody identified is bolted too, with its unknown strength said', () => {
  const [made] = work({ steel: 'unknown', kept: inWeb(0.4) }).repairs;
  expect(made!.repair.bolts).toBeDefined();
  expect(made!.unchecked).toContain('steel');
});

test('bolts go where the metal is: through a web thin all over not one is counted, and it is not offered', () => {
  const done = work({ kept: (face) => (face === 'web' ? 0.4 : 0.99) });
  for (const { joined } of done.repairs)
    for (const end of joined.ends) expect(end.capacityN).toBeGreaterThanOrEqual(end.forceN);
  const thin = { ...work({ kept: inWeb(0.5) }).repairs[0]!.repair, id: 'mine', by: 'MR' };
  const short = { ...thin, pieces: thin.pieces.map((piece) => ({ ...piece, startMm: 1960, endMm: 2240 })) };
  const [mine] = work({ kept: (face) => (face === 'web' ? 0.4 : 0.99), repairs: [short] }).repairs;
  expect(brokenRules(mine!).map(({ code }) => code)).toContain('no-bolt-holds');
  expect(mine!.joined.bolts.every(({ counted }) => counted === 0)).toBe(true);
});

test('a crack under bolted plates stays a crack: it is counted as open, said, and not on the list to weld shut', () => {
  const seen = { steel: 'a36' as const, also: [crack('web', 100, 150)] };
  const found = work(seen);
  const all = candidates(found.picture, { fromMm: 2050, toMm: 2150 });
  const bolted = all.find(({ repair }) => repair.bolts !== undefined)!;
  const mine = { ...bolted.repair, id: 'mine', by: 'MR' };
  const done = work({ ...seen, repairs: [mine] });
  expect(toWeldShut(found)).toHaveLength(1);
  expect(toWeldShut(done)).toEqual([]);
  expect(done.repairs[0]!.findings.map(({ code }) => code)).toContain('crack-stays');
  const wall = (id: string) => done.states.find((each) => each.id === id)!.wallAt(2100).thicknessMm;
  // What the drills leave is the found wall, crack and all: never the welded one.
  const found100 = found.states.find(({ id }) => id === 'as found')!.wallAt(2100).thicknessMm;
  wall('as repaired').forEach((mm, row) => expect(mm).toBeLessThanOrEqual(found100[row]! + 1e-9));
});

test('a closed rail is never bolted by the engine', () => {
  const box: MemberShape = { kind: 'box', depthMm: 150, widthMm: 75, thicknessMm: 5 };
  const done = work({ shape: box, kept: (face) => (face === 'bottom' ? 0.4 : 0.99) });
  expect([...done.repairs, ...done.notOffered]).toEqual([]);
});

test('a profile that asks for a seam all round offers none, and says so where one is drawn by hand', () => {
  const mine = { ...work({ kept: inWeb(0.5) }).repairs[0]!.repair, id: 'mine', by: 'MR' };
  const done = work({ kept: inWeb(0.5), repairs: [mine], legal: 'uk-inspection' });
  expect(work({ kept: inWeb(0.5), legal: 'uk-inspection' }).repairs).toEqual([]);
  if (!done.picture.legal.seamsContinuous) throw new Error('the profile did not arrive');
  expect(done.repairs[0]!.findings.filter(({ code }) => code === 'bolted-not-allowed')).toHaveLength(1);
});

test('whatever of the web is thin, what is offered is better than what was found, and its bolts lie on read metal', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.25, max: 0.8, noNaN: true }),
      fc.double({ min: 0.1, max: 0.6, noNaN: true }),
      fc.double({ min: 0.1, max: 0.3, noNaN: true }),
      (left, low, tall) => {
        const done = work({
          kept: (face, share) => (face === 'web' && share > low && share < low + tall ? left : 0.99),
        });
        for (const { restored, target, against, joined } of done.repairs) {
          expect(against).toEqual([]);
          const under = done.picture.sections
            .filter(({ stationMm }) => stationMm >= target!.fromMm && stationMm <= target!.toMm)
            .map(({ kept }) => Math.min(lowerBound(kept.modulusTop!), lowerBound(kept.modulusBottom!)));
          const after = restored.map(({ kept }) =>
            Math.min(lowerBound(kept.modulusTop!), lowerBound(kept.modulusBottom!)),
          );
          expect(Math.min(...after)).toBeGreaterThan(Math.min(...under));
          expect(joined.bolts.reduce((sum, { counted }) => sum + counted, 0)).toBeGreaterThan(0);
        }
      },
    ),
    { numRuns: 12, seed: 31 },
  );
});

describe('faces that are not reached', () => {
  const hidden = (faces: readonly FaceId[], [fromMm, toMm]: readonly [number, number] = [1500, 2600]) => {
    const of = records({ steel: 'a36', kept: (face) => (face === 'bottom' ? 0.5 : 0.99) });
    const frame = {
      ...of.frame,
      members: of.frame.members.map((member) =>
        member.id === 'rail-left' ? { ...member, hidden: [...faces] } : member,
      ),
      panels: [
        {
          id: 'floor',
          kind: 'floor' as const,
          name: 'Cargo floor',
          fromMm,
          toMm,
          behindIds: ['rail-left'],
        },
      ],
    };
    const sorted = sortedRecords({ ...of, frame });
    const done = workMember(
      inputsOf(
        sorted,
        frame.members.find(({ id }) => id === 'rail-left')!,
      ),
    );
    return done.repairs[0]!.findings.filter(({ code }) => code === 'face-hidden');
  };
  test('a plate on one says so and names what lies over it; a plate beside it says nothing', () => {
    expect(hidden(['bottom']).map(({ name, weight }) => [name, weight])).toEqual([
      ['bottom, behind cargo floor', 'deviation'],
    ]);
    expect(hidden(['top'])).toEqual([]);
    expect(hidden([])).toEqual([]);
    expect(hidden(['bottom'], [100, 400]).map(({ name }) => name)).toEqual(['bottom']);
  });
});

test('the same plates on metric bolts: holes, lengths and strength are theirs, and the rules speak of them alike', () => {
  const [made] = work({ kept: inWeb(0.4) }).repairs;
  const as = (bolts: NonNullable<Repair['bolts']>) =>
    work({ kept: inWeb(0.4), repairs: [{ ...made!.repair, id: 'mine', by: 'MR', bolts }] }).repairs.find(
      ({ isProposal }) => !isProposal,
    )!;
  const pitchMm = made!.repair.bolts!.pitchMm;
  const inches = as({ diameterMm: 15.875, marks: 6, pitchMm });
  const metric = as({ diameterMm: 16, marks: 10.9, pitchMm });
  const [one, other] = [inches.joined.bolts[0]!, metric.joined.bolts[0]!];
  expect(other.holeMm).toBe(18);
  expect(other.lengthMm % 5).toBe(0);
  expect(other.count).toBe(one.count);
  expect(other.strengthN! / one.strengthN!).toBeGreaterThan(0.95);
  expect(other.strengthN! / one.strengthN!).toBeLessThan(1.1);
  expect(metric.findings.map(({ code }) => code)).toEqual(inches.findings.map(({ code }) => code));
});
