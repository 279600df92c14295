import { randomUUID } from 'node:crypto';
import {
  defaultFrame,
  FAMILY_IDS,
  faceOf,
  facesOf,
  familyOf,
  fittingsOn,
  type Fitting,
  type Frame,
  type Member,
  type MemberShape,
} from '../frame';
import { lineGroup, worstInGroup } from '../mechanics';
import { DEFAULT_PRACTICE } from '../reference';
import type { Reading } from '../probe';
import type { Crack } from '../trace';
import { memberPicture, type MemberEvidence } from '../weigh';
import { repairSchema, startMeasures, workForm, workPlace, type Repair } from '../shape';
import {
  bentSection,
  brokenRules,
  fittingWelds,
  heldAtHost,
  heldSeams,
  inputsOf,
  laidAndHeld,
  seamLedger,
  seamSpot,
  sortedRecords,
  weldTotals,
  workMember,
  type Evidence,
  type JobRecords,
} from '.';

/** A plate kept over a thin stretch of a mild rail, and what is recorded of its seams: heard by strength, findings, ledger and hold. */
const SHAPE: MemberShape = { kind: 'channel', depthMm: 200, flangeMm: 75, thicknessMm: 6.35 };
const stamp = () => ({ id: randomUUID(), by: 'RK', at: '2026-11-20T08:00:00Z', note: '' });
const REPAIR: Repair = repairSchema.parse({
  id: 'repair-1',
  memberId: 'rail-left',
  cutOut: false,
  pieces: [
    {
      id: 'p1',
      kind: 'side plate',
      startMm: 1600,
      endMm: 2600,
      thicknessMm: 4.7625,
      lowerEdgeMm: 40,
      upperEdgeMm: 160,
      taperMm: 100,
    },
  ],
  weldStyle: 'continuous',
  plugs: false,
  onBench: false,
  by: 'RK',
  at: '2026-11-20T08:00:00Z',
});

function records(also: readonly Evidence[] = [], legal = 'none'): JobRecords {
  const made = defaultFrame({
    ...familyOf('open-channel ladder').typical,
    family: 'open-channel ladder',
    steel: 'a36',
    datum: 'hole',
  });
  const frame = {
    ...made,
    fittings: [],
    members: made.members.map((member) => (member.role === 'rail' ? { ...member, shape: SHAPE } : member)),
  };
  const readings = Array.from({ length: 31 }, (_, k) => 150 * k).flatMap((stationMm) =>
    facesOf(SHAPE).flatMap((face) =>
      [0.05, 0.2, 0.35, 0.5, 0.65, 0.8, 0.95].map((share): Reading => ({
        kind: 'reading',
        memberId: 'rail-left',
        stationMm,
        face: face.id,
        heightMm: face.widthMm * share,
        thicknessMm:
          face.wallMm *
          (face.id === 'web' && share > 0.3 && share < 0.7 && Math.abs(stationMm - 2100) <= 150 ? 0.5 : 0.99),
        method: 'ultrasonic',
        ...stamp(),
      })),
    ),
  );
  return {
    frame,
    practice: { ...DEFAULT_PRACTICE, legal: { ...DEFAULT_PRACTICE.legal, chosen: legal } },
    evidence: [...readings, ...also],
    strikes: [],
    repairs: [REPAIR],
    grossMassKg: 6000,
  };
}
const workOf = (of: JobRecords) => {
  const sorted = sortedRecords(of);
  return workMember(
    inputsOf(
      sorted,
      sorted.records.frame.members.find(({ id }) => id === 'rail-left')!,
    ),
  );
};
const at = { memberId: 'rail-left', ofId: 'repair-1' };
const UPPER = 'p1 upper edge 1';
const said = (more: object): Evidence =>
  ({ kind: 'seam', ...stamp(), ...at, seam: UPPER, ...more }) as Evidence;
const own = (of: JobRecords) => workOf(of).repairs.find(({ repair }) => repair.id === 'repair-1')!;
const logged = (what: 'welded' | 'looked at', more: object = {}): Evidence =>
  ({
    kind: 'seam log',
    ...stamp(),
    ...at,
    seam: UPPER,
    mark: 'A1',
    what,
    ...(what === 'looked at' && { defects: [] }),
    ...more,
  }) as Evidence;

test('every seam of the plate is in the ledger with its key, mark, length and metal', () => {
  const of = records();
  const ledger = seamLedger(of, workOf(of));
  // Over the thin stretch neither long edge lands: it is welded before and behind it.
  expect(ledger.map(({ seam, mark, stands }) => [seam, mark, stands])).toEqual([
    [UPPER, 'A1', 'not welded'],
    ['p1 upper edge 2', 'A2', 'not welded'],
    ['p1 lower edge 1', 'A3', 'not welded'],
    ['p1 lower edge 2', 'A4', 'not welded'],
    ['p1 front end 1', 'A5', 'not welded'],
    ['p1 rear end 1', 'A6', 'not welded'],
  ]);
  const [upper] = ledger;
  expect(upper!.volumeMm3).toBeCloseTo((upper!.legMm! ** 2 / 2) * upper!.lengthMm, 3);
  const totals = weldTotals(ledger);
  expect(totals.lengthMm).toBeCloseTo(
    ledger.reduce((sum, { lengthMm }) => sum + lengthMm, 0),
    9,
  );
  expect(totals.lapMm).toBeCloseTo(totals.lengthMm, 9);
});

test('a proposal has no seams to log', () => {
  const of = { ...records(), repairs: [] };
  const work = workOf(of);
  expect(work.repairs.length).toBeGreaterThan(0);
  expect(seamLedger(of, work)).toEqual([]);
});

test('a gap is heard by leg, findings and what the plan is marked by; another repair’s is not', () => {
  const plain = own(records());
  const gap = own(records([said({ gapMm: 2 })]));
  const line = (of: typeof plain) => of.joined.lines.find(({ key }) => key === UPPER)!;
  expect(line(gap).legMm).toBeCloseTo(line(plain).legMm + 2, 9);
  expect(gap.joinFindings.map(({ code }) => code)).toContain('gap-grows-leg');
  const over = own(records([said({ gapMm: 5 })]));
  expect(brokenRules(over).map(({ code }) => code)).toContain('gap-over');
  expect(
    brokenRules(own(records([said({ gapMm: 5, ofId: 'another' })]))).map(({ code }) => code),
  ).not.toContain('gap-over');
  const [before, after] = [records(), records([said({ gapMm: 2 })])].map((of) => {
    const sorted = sortedRecords(of);
    return inputsOf(
      sorted,
      sorted.records.frame.members.find(({ id }) => id === 'rail-left')!,
    );
  });
  expect(after!.mark).not.toBe(before!.mark);
});

test('poor access takes from the ends; left open takes all of its share, and the UK profile does not have it', () => {
  const capacity = (of: JobRecords) => own(of).joined.ends[0]!.capacityN;
  const plain = capacity(records());
  const poor = capacity(
    records(
      ['upper edge', 'lower edge', 'front end'].map((place) =>
        said({ seam: `p1 ${place} 1`, access: 'poor' }),
      ),
    ),
  );
  expect(poor).toBeLessThan(plain);
  const open = capacity(records([said({ leftOpen: 'drains there' })]));
  expect(open).toBeLessThan(plain);
  const codes = (legal: string) =>
    own(records([said({ leftOpen: 'drains there' })], legal)).joinFindings.map(({ code }) => code);
  expect(codes('none')).toContain('left-open');
  expect(codes('uk-inspection')).toContain('open-not-allowed');
});

test('laid and not looked at holds what hides it; a look and a photo let it go; no log holds nobody up', () => {
  const held = (evidence: Evidence[]) => {
    const of = records(evidence);
    return laidAndHeld(seamLedger(of, workOf(of)), { fromMm: 1750, toMm: 1800 }).map(({ mark, stands }) => [
      mark,
      stands,
    ]);
  };
  const photo = {
    kind: 'photo',
    ...stamp(),
    memberId: 'rail-left',
    spotId: seamSpot('repair-1', UPPER),
    caption: 'A1',
    moment: 'after',
  } as Evidence;
  expect(held([])).toEqual([]);
  expect(held([logged('welded')])).toEqual([['A1', 'not looked at']]);
  expect(held([logged('welded'), logged('looked at')])).toEqual([['A1', 'no photo']]);
  expect(held([logged('welded'), logged('looked at', { defects: ['porosity'] }), photo])).toEqual([
    ['A1', 'defect'],
  ]);
  expect(held([logged('welded'), logged('looked at'), photo])).toEqual([]);
  const of = records([logged('welded'), logged('looked at'), photo]);
  expect(heldSeams(seamLedger(of, workOf(of)))).toHaveLength(5);
  expect(
    laidAndHeld(seamLedger(records([logged('welded')]), workOf(records([logged('welded')]))), {
      fromMm: 2700,
      toMm: 2800,
    }),
  ).toEqual([]);
});

test('seams of a work are in the ledger with marks of their own, bonds without metal', () => {
  const of = records();
  const place = workPlace(of.frame, of.practice, { on: 'member', hostId: 'rail-left', stationMm: 3000 })!;
  const form = workForm('splice');
  const work = {
    kind: 'work',
    ...stamp(),
    id: 'work-1',
    form: 'splice',
    on: 'member',
    hostId: 'rail-left',
    stationMm: 3000,
    measures: startMeasures(form, place),
    memberIds: ['rail-left'],
  } as Evidence;
  const full = records([work]);
  const seams = seamLedger(full, workOf(full)).filter((each) => each.of === 'work');
  expect(seams.map(({ mark, type }) => [mark, type])).toEqual([
    ['W1.1', 'bevel'],
    ['W1.2', 'lap'],
  ]);
  for (const { volumeMm3 } of seams) expect(volumeMm3).toBeGreaterThan(0);
});

test('a host is not put right over seams of its works that were laid and not looked at', () => {
  const bracket = {
    id: 'h',
    kind: 'spring hanger',
    name: 'Hanger',
    side: 'left',
    stationMm: 2000,
    size: { alongMm: 120, highMm: 80, thicknessMm: 6 },
    attached: { by: 'weld' },
  } as Fitting;
  const base = records();
  const frame = { ...base.frame, fittings: [bracket] };
  const place = workPlace(frame, base.practice, { on: 'fitting', hostId: 'h left' })!;
  const work = {
    kind: 'work',
    ...stamp(),
    id: 'work-2',
    form: 'gusset',
    on: 'fitting',
    hostId: 'h left',
    measures: startMeasures(workForm('gusset'), place),
    memberIds: ['rail-left'],
  } as Evidence;
  const held = (more: Evidence[]) =>
    heldAtHost({ ...base, frame, evidence: [work, ...more] }, 'fitting', 'h left').map(({ mark }) => mark);
  const laid = logged('welded', { ofId: 'work-2', seam: '1 gusset, both sides', mark: 'W1.1' });
  expect(held([])).toEqual([]);
  expect(held([laid])).toEqual(['W1.1']);
  expect(heldAtHost({ ...base, frame, evidence: [work, laid] }, 'fitting', 'h right')).toEqual([]);
});

test('runs ticked at the rail stand in the ledger, in part and right along', () => {
  const run = (nth: number): Evidence =>
    ({ kind: 'run', ...stamp(), ...at, seam: UPPER, mark: 'A1', nth, is: 'run' }) as Evidence;
  const plan = {
    kind: 'weld plan',
    ...stamp(),
    ...at,
    runs: [1, 2].map((nth) => ({ seam: UPPER, mark: 'A1', nth, path: [[0, 0]], lengthMm: 50, waitS: 0 })),
    tacks: [],
    basis: 'x',
  } as unknown as Evidence;
  const upper = (evidence: Evidence[]) => {
    const of = records(evidence);
    return seamLedger(of, workOf(of)).find(({ seam }) => seam === UPPER)!;
  };
  expect(upper([plan]).stands).toBe('not welded');
  expect(upper([plan, run(1)])).toMatchObject({ stands: 'part laid', laid: { runs: 1, of: 2 } });
  expect(upper([plan, run(1), run(2)]).stands).toBe('not looked at');
});

test('the section its welds bend is the repaired one', () => {
  const work = workOf(records());
  const worked = work.repairs.find(({ repair }) => repair.id === 'repair-1')!;
  const section = bentSection(work, worked)!;
  expect(section.middle[1]).toBeGreaterThan(80);
  expect(section.middle[1]).toBeLessThan(120);
  expect(section.ixMm4).toBeGreaterThan(section.iyMm4);
  expect(bentSection({ picture: work.picture, states: [] }, worked)).toBeUndefined();
});

describe('a welded bracket’s welds as a line', () => {
  const frameWith = (fitting: Partial<Fitting>) => {
    const { frame } = records();
    return {
      ...frame,
      fittings: [
        { id: 'axle', kind: 'axle', name: 'Axle', side: 'both', stationMm: 2400, ratingKg: 4000 },
        {
          id: 'h',
          kind: 'spring hanger',
          name: 'Hanger',
          side: 'left',
          stationMm: 2000,
          dropMm: 300,
          outMm: 60,
          size: { alongMm: 120, highMm: 80, thicknessMm: 6 },
          attached: { by: 'weld' },
          ...fitting,
        },
      ] as Fitting[],
    };
  };
  const rail = (frame: ReturnType<typeof frameWith>) => frame.members.find(({ id }) => id === 'rail-left')!;
  const unread = (frame: Frame, member: Member, found: Partial<MemberEvidence> = {}) =>
    memberPicture({ ...{ frame, member, practice: DEFAULT_PRACTICE, readings: [], cracks: [] }, ...found });
  test('bump, brake and scrub by hand', () => {
    const frame = frameWith({});
    const { judged } = fittingWelds(frame, DEFAULT_PRACTICE, unread(frame, rail(frame)));
    const [weld] = judged;
    const weight = 9.80665 * 1000;
    const [b, d] = [120, 80];
    const asked = new Map(weld!.asked.map(({ push, nPerMm }) => [push, nPerMm]));
    // All round: length 2(b+d), modulus about its own axis bd + d²/3 (Blodgett, from memory).
    const modulus = b * d + d ** 2 / 3;
    const scrub = 0.7 * weight;
    // From the plate's middle: its load acts 300 below.
    expect(asked.get('scrub')).toBeCloseTo(scrub / (2 * (b + d)) + (scrub * 300) / modulus, 6);
    const bump = 3 * weight;
    expect(asked.get('bump')).toBeCloseTo(Math.hypot(bump / (2 * (b + d)), (bump * 60) / modulus), 6);
    const polar = (b + d) ** 3 / 6;
    const brake = 0.6 * weight;
    const turn = (brake * 300) / polar;
    expect(asked.get('brake')).toBeCloseTo(
      Math.hypot(brake / (2 * (b + d)) + (turn * d) / 2, (turn * b) / 2),
      6,
    );
    expect(weld!.use).toBeCloseTo(Math.max(...asked.values()) / weld!.strengthNPerMm, 9);
    expect(
      worstInGroup(
        lineGroup([
          [
            [0, 0],
            [b, 0],
          ],
        ])!,
        { at: [0, 0], x: 1 },
      ).force,
    ).toBeGreaterThan(0);
  });
  test('as new, at an ordinary mass, every family’s brackets carry what hangs on them', () => {
    for (const family of FAMILY_IDS) {
      const frame = defaultFrame({ ...familyOf(family).typical, family, steel: 'a36', datum: 'hole' });
      for (const member of frame.members)
        for (const { use } of fittingWelds(frame, DEFAULT_PRACTICE, unread(frame, member), 5000).judged) {
          expect(use).toBeGreaterThan(0);
          expect(use).toBeLessThan(1);
        }
    }
  });
  test('on a wall read thinner it takes as much less; thin metal beside it, or on the flange, takes nothing from it; cracked through beneath it, nothing is worked out', () => {
    const frame = frameWith({});
    const member = rail(frame);
    const AT = fittingsOn(frame, member).find(({ id }) => id === 'h')!.stationMm;
    const read = (from: number, to: number, face: 'web' | 'bottom', kept: number): Reading[] =>
      Array.from({ length: Math.round((to - from) / 40) + 1 }, (_, k) => from + 40 * k).flatMap((stationMm) =>
        [0.1, 0.5, 0.9].map(
          (up, n) =>
            ({
              ...{ kind: 'reading', memberId: member.id, stationMm, face, method: 'ultrasonic', by: 'RK' },
              ...{ id: `${stationMm} ${n}`, heightMm: up * faceOf(member.shape, face)!.widthMm },
              ...{
                thicknessMm: kept * faceOf(member.shape, face)!.wallMm,
                at: '2026-11-10T08:00:00Z',
                note: '',
              },
            }) as Reading,
        ),
      );
    const found = (evidence: Partial<MemberEvidence>) =>
      fittingWelds(frame, DEFAULT_PRACTICE, unread(frame, member, evidence));
    const asMade = found({}).judged[0]!;
    const half = found({ readings: read(AT - 200, AT + 200, 'web', 0.5) }).judged[0]!;
    expect(half.wallMm / asMade.wallMm).toBeCloseTo(0.5, 2);
    expect(half.use / asMade.use).toBeGreaterThan(1.5);
    expect(half.legMm).toBe(asMade.legMm);
    for (const readings of [read(AT + 600, AT + 900, 'web', 0.5), read(AT - 200, AT + 200, 'bottom', 0.5)])
      expect(found({ readings }).judged[0]!.use).toBe(asMade.use);
    const crack = {
      ...{ kind: 'crack', id: 'c', memberId: member.id, startFound: true, finishFound: true, seenBy: 'eye' },
      path: [0, 60].map((heightMm) => ({ stationMm: AT, face: 'web', heightMm })),
      ...{ by: 'RK', at: '2026-11-10T08:00:00Z', note: '' },
    } as Crack;
    const through = found({ cracks: [crack], readings: read(AT - 200, AT + 200, 'web', 1) });
    expect([through.judged, through.unknown]).toMatchObject([[], [{ lacks: 'metal under it' }]]);
  });
  test('a taller hanger is asked for more, a thinner one carries less', () => {
    const use = (fitting: Partial<Fitting>) => {
      const frame = frameWith(fitting);
      return fittingWelds(frame, DEFAULT_PRACTICE, unread(frame, rail(frame))).judged[0]!;
    };
    expect(use({ dropMm: 500 }).use).toBeGreaterThan(use({}).use);
    expect(use({ size: { alongMm: 120, highMm: 80, thicknessMm: 3 } }).strengthNPerMm).toBeLessThan(
      use({}).strengthNPerMm,
    );
  });
  test('without its size or its load nothing is worked out, and that is said; a bolted one is no weld', () => {
    const says = (fitting: Partial<Fitting>) => {
      const frame = frameWith(fitting);
      const { judged, unknown } = fittingWelds(frame, DEFAULT_PRACTICE, unread(frame, rail(frame)));
      return [judged.length, unknown.map(({ lacks }) => lacks)];
    };
    expect(says({ size: undefined })).toEqual([0, ['its size']]);
    expect(says({ kind: 'bracket' })).toEqual([0, ['what hangs on it']]);
    // No rating anywhere: the gross mass is shared by the axles, and that is said; a bracket that is no spring's still has nothing.
    const unrated = (fitting: Partial<Fitting>) => {
      const made = frameWith(fitting);
      const frame = { ...made, fittings: made.fittings.map(({ ratingKg: _, ...rest }) => rest) };
      return fittingWelds(frame, DEFAULT_PRACTICE, unread(frame, rail(frame)), 6000).judged;
    };
    expect(unrated({})[0]).toMatchObject({ isAssumed: true, loadKg: 1500 });
    expect(unrated({ kind: 'bracket' })).toEqual([]);
    const rated = frameWith({});
    expect(fittingWelds(rated, DEFAULT_PRACTICE, unread(rated, rail(rated)), 6000).judged[0]).toMatchObject({
      isAssumed: false,
      loadKg: 1000,
    });
    expect(says({ attached: { by: 'bolts' } })).toEqual([0, []]);
  });
});
