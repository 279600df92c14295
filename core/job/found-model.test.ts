import {
  defaultFrame,
  facesOf,
  familyOf,
  hostsOf,
  typicalLoads,
  usualStands,
  type Frame,
  type Member,
} from '../frame';
import { DEFAULT_LOAD_FACTORS, DEFAULT_PRACTICE } from '../reference';
import type { Reading } from '../probe';
import type { Crack } from '../trace';
import { nearest, type FrameDemand } from '../weigh';
import { jobDemand, verdictWithDemand, workJob, type Evidence, type JobRecords, type MemberWork } from '.';

/** What is recorded of the metal and its joints is in the model that is solved: nothing of it may be ignored, nothing may condemn what is sound. */
const base = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  family: 'open-channel ladder',
  steel: 'hot-rolled-50',
  datum: 'hole',
});
const truck: Frame = { ...base, loads: { items: typicalLoads(base, 6000), stands: usualStands(base) } };
const memberNamed = (id: string): Member => truck.members.find((member) => member.id === id)!;

let last = 0;
const stamp = () => ({
  id: `00000000-0000-4000-8000-${String(++last).padStart(12, '0')}`,
  by: 'RK',
  at: '2026-11-01T00:00:00Z',
  note: '',
});
const read = (member: Member, kept: (share: number) => number = () => 0.99): Reading[] =>
  Array.from({ length: 25 }, (_, k) => k / 24).flatMap((share) =>
    facesOf(member.shape).flatMap((face) =>
      [0.1, 0.3, 0.5, 0.7, 0.9].map((up): Reading => ({
        kind: 'reading',
        ...stamp(),
        memberId: member.id,
        stationMm: share * member.lengthMm,
        face: face.id,
        heightMm: up * face.widthMm,
        thicknessMm: face.wallMm * kept(share),
        method: 'ultrasonic',
      })),
    ),
  );
/** Across the whole lower flange, up to `webMm` of the web. */
const crackAt = (stationMm: number, webMm = 0): Crack => ({
  kind: 'crack',
  ...stamp(),
  memberId: 'rail-right',
  path: [
    { stationMm, face: 'bottom', heightMm: 0 },
    { stationMm, face: 'bottom', heightMm: memberNamed('rail-right').shape.kind === 'channel' ? 69 : 0 },
    ...(webMm > 0 ? [{ stationMm, face: 'web' as const, heightMm: webMm }] : []),
  ],
  startFound: true,
  finishFound: true,
  seenBy: 'eye',
});
const rails = [...read(memberNamed('rail-left')), ...read(memberNamed('rail-right'))];
const solved = (evidence: readonly Evidence[], frame = truck) => {
  const records: JobRecords = {
    frame,
    // Without corners sideways buckling over a bump is what asks most.
    practice: { ...DEFAULT_PRACTICE, loadFactors: { ...DEFAULT_LOAD_FACTORS, cornerG: 0.1 } },
    evidence: [...rails, ...evidence],
    strikes: [],
    repairs: [],
  };
  const works = new Map(workJob(records).map((work): [string, MemberWork] => [work.picture.member.id, work]));
  return { works, demand: jobDemand(records, works, ['as built', 'as found', 'least']) };
};
const rail = (of: FrameDemand, id = 'rail-right') => of.members.find(({ memberId }) => memberId === id)!;
const sound = solved([]);
const felt = (of: FrameDemand, id: string) => of.felt.find((each) => each.id.startsWith(id))!.value;

describe('a crack across the lower flange', () => {
  // Half way between two columns of the account, and off the middle of an element.
  test.each([2911, 2937, 2960])(
    'at %d mm is not missed, wherever it stands between the mesh’s middles',
    (mm) => {
      const cracked = solved([crackAt(mm)]).demand['as found']!;
      const [was, is] = [sound.demand['as found']!, cracked].map((of) => nearest(rail(of).along, mm));
      expect(is!.utilisation).toBeGreaterThan(1.5 * was!.utilisation);
      expect(nearest(rail(cracked).along, mm - 900).utilisation).toBeLessThan(
        1.1 * nearest(rail(sound.demand['as found']!).along, mm - 900).utilisation,
      );
    },
  );
  test('makes the frame softer, deeper still softer: it sags more there, standing', () => {
    const sag = (of: FrameDemand) => {
      const standing = of.shapes.cases.find(({ id }) => id === 'standing')!;
      const { nodes } = of.shapes.members.find(({ id }) => id === 'rail-right')!;
      const z = (share: number) => standing.movedMm[3 * nodes[Math.round(share * (nodes.length - 1))]! + 2]!;
      return (z(0.25) + z(0.7)) / 2 - z(0.48);
    };
    const [whole, flange, web] = [sound, solved([crackAt(2937)]), solved([crackAt(2937, 80)])].map(
      ({ demand }) => sag(demand['as found']!),
    );
    expect(flange!).toBeGreaterThan(1.005 * whole!);
    expect(web!).toBeGreaterThan(1.02 * flange!);
    expect(web!).toBeLessThan(3 * whole!);
  });
  test('the other rail is asked as much as it was when the cracked one was as stiff as made, or more: both count', () => {
    const cracked = solved([crackAt(2937, 100)]).demand;
    for (const here of rail(cracked['as found']!, 'rail-left').along) {
      const made = nearest(rail(cracked['as built']!, 'rail-left').along, here.stationMm);
      expect(here.utilisation).toBeGreaterThan(0.97 * made.utilisation);
    }
    // The cracked one does not get away with having become soft.
    const [was, is] = [sound.demand, cracked].map((of) => nearest(rail(of['as found']!).along, 2937));
    expect(is!.utilisation).toBeGreaterThan(2 * was!.utilisation);
  });
});

describe('joints and brackets', () => {
  const broken = (on: 'joint' | 'fitting', name: RegExp): Evidence => {
    const host = hostsOf(truck).find((each) => each.on === on && name.test(each.id + each.name))!;
    return {
      kind: 'find',
      ...stamp(),
      on,
      hostId: host.id,
      title: host.name,
      part: 'weld',
      state: { is: 'broken' },
      memberIds: host.spans.map(({ memberId }) => memberId),
    };
  };
  const gone = solved([broken('joint', /^cross-4 start/)]);
  test('a crossmember’s end that let go carries nothing there, as far as the frame has become soft', () => {
    const inDitch = (of: typeof sound) => {
      const { nodes } = of.demand['as found']!.shapes.members.find(({ id }) => id === 'cross-4')!;
      return nodes[0];
    };
    expect(inDitch(gone)).not.toBe(inDitch(sound));
    expect(felt(gone.demand['as found']!, 'twist')).toBeGreaterThan(
      1.001 * felt(sound.demand['as found']!, 'twist'),
    );
  });
  test('and it braces neither rail any more: sideways buckling comes sooner between its neighbours', () => {
    const [was, is] = [sound, gone].map(({ demand }) =>
      nearest(
        rail(demand['as found']!).along.filter(({ why }) => why === 'sideways buckling'),
        3000,
      ),
    );
    expect(is!.allowableMpa).toBeLessThan(0.9 * was!.allowableMpa);
  });
  test('with the doubtful taken away, a rail is spared nothing by the end that let go: it carries it again once that is mended', () => {
    const end = solved([broken('joint', /^cross-6 start/)]);
    for (const { memberId, worst } of sound.demand.least!.members) {
      const now = end.demand.least!.members.find((each) => each.memberId === memberId)!.worst;
      expect(now?.utilisation ?? 0).toBeGreaterThanOrEqual((worst?.utilisation ?? 0) - 1e-9);
    }
  });
  test('with the doubtful taken away, a tongue is spared nothing by a beam that let go behind it: it carries it again once that is mended', () => {
    const bare = defaultFrame({
      ...familyOf('I-beam trailer').typical,
      family: 'I-beam trailer',
      steel: 'hot-rolled-50',
      datum: 'hole',
    });
    const frame: Frame = { ...bare, loads: { items: typicalLoads(bare, 3000) } };
    const hammered = (memberId: string, fromMm: number, toMm: number, answer: string) =>
      facesOf(frame.members.find(({ id }) => id === memberId)!.shape).map(
        ({ id }): Evidence =>
          ({
            kind: 'sign',
            ...stamp(),
            memberId,
            face: id,
            stationMm: fromMm,
            toMm,
            heightMm: 0,
            detail: { sign: 'struck', tool: 'hammer', answer },
          }) as Evidence,
      );
    const rung = frame.members.flatMap(({ id, lengthMm }) => hammered(id, 0, lengthMm, 'even ring'));
    const leastOf = (evidence: readonly Evidence[]) => {
      const records = { frame, practice: DEFAULT_PRACTICE, evidence, strikes: [], repairs: [] };
      const works = new Map(workJob(records).map((work) => [work.picture.member.id, work]));
      const { members } = jobDemand(records, works, ['least']).least!;
      return members.find(({ memberId }) => memberId === 'tongue-left')!.worst!.utilisation;
    };
    const whole = leastOf(rung);
    const gone = leastOf([...rung, ...hammered('rail-left', 0, 1500, 'gave way')]);
    expect(gone).toBeGreaterThan(0.95 * whole);
  });
  test('a hanger that let go is felt and does not condemn the rail it hung on', () => {
    const hanger = solved([broken('fitting', /Rear spring, front hanger, right/)]).demand['as found']!;
    expect(rail(hanger).worst!.utilisation).toBeCloseTo(
      rail(sound.demand['as found']!).worst!.utilisation,
      9,
    );
    expect(felt(hanger, 'twist')).not.toBeCloseTo(felt(sound.demand['as found']!, 'twist'), 4);
  });
});

describe('bracing', () => {
  const thinned = (kept: number) => solved(read(memberNamed('cross-4'), () => kept));
  const allowable = ({ demand }: typeof sound) =>
    nearest(
      rail(demand['as found']!).along.filter(({ why }) => why === 'sideways buckling'),
      3000,
    ).allowableMpa;
  test.each([
    [0.55, true],
    [0.45, false],
  ])('a crossmember with %d of its wall left braces: %s', (kept, holds) => {
    const least = allowable(thinned(kept)) / allowable(sound);
    if (holds) expect(least).toBeGreaterThan(0.98);
    else expect(least).toBeLessThan(0.9);
  });
  test('found bad, it is named where a rail is worst for want of it', () => {
    const { demand } = thinned(0.45);
    expect(rail(demand['as found']!).notHeldBy).toEqual(['Crossmember 4']);
    expect(rail(sound.demand['as found']!).notHeldBy).toBeUndefined();
  });
  test('one that nobody looked at braces, is named, and the answer is not firm; read, it is', () => {
    const demandOf = ({ works, demand }: typeof sound) =>
      verdictWithDemand(works.get('rail-right')!.picture, demand).findings.find(({ code }) =>
        code.startsWith('demand'),
      )!;
    expect(demandOf(sound)).toMatchObject({
      restsOn: ['Crossmember 3', 'Crossmember 4'],
      firmness: 'could flip with one more reading',
    });
    const seen = demandOf(solved([...read(memberNamed('cross-3')), ...read(memberNamed('cross-4'))]));
    expect(seen.restsOn).toBeUndefined();
  });
});

describe('what is not known is not claimed', () => {
  const codes = (frame: Frame) => {
    const { works, demand } = solved([], frame);
    return verdictWithDemand(works.get('rail-right')!.picture, demand).findings.map(({ code }) => code);
  };
  test('no loads: it rests on the section alone, whatever was solved', () => {
    const said = codes({ ...truck, loads: { items: [] } });
    expect(said.filter((code) => code.startsWith('demand') || code === 'lift-over')).toEqual([]);
  });
  test('no axles to stand on: the same', () => {
    const said = codes({ ...truck, fittings: truck.fittings.filter(({ kind }) => kind !== 'axle') });
    expect(said.filter((code) => code.startsWith('demand'))).toEqual([]);
  });
  test('loads and axles: what the frame asks counts', () =>
    expect(codes(truck).some((code) => code.startsWith('demand'))).toBe(true));
});
