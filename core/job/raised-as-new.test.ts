import { axlesOf, defaultFrame, facesOf, familyOf, FAMILY_IDS, typicalLoads, type Family } from '../frame';
import type { Reading } from '../probe';
import { DEFAULT_PRACTICE } from '../reference';
import type { LiftPlan, Look } from '../walk';
import { askLift, jobSpots, workJob, type JobRecords } from '.';

/** Every family as new, gauged, looked at and found sound, without its payload: nothing speaks against raising it as shops do. */
const at = '2026-01-01T00:00:00Z';
const stageOf = (family: Family) => {
  const { typical } = familyOf(family);
  const bare = defaultFrame({ ...typical, family, steel: 'hot-rolled-50', datum: 'hole' });
  const frame = { ...bare, loads: { items: typicalLoads(bare, 0.4 * typical.grossKg) } };
  const readings = frame.members.flatMap((member) =>
    facesOf(member.shape).flatMap((face) =>
      Array.from({ length: 13 }, (_, k) =>
        [0.2, 0.5, 0.8].map((up): Reading => ({
          kind: 'reading',
          id: `${member.id} ${face.id} ${k} ${up}`,
          memberId: member.id,
          stationMm: (k / 12) * member.lengthMm,
          face: face.id,
          heightMm: up * face.widthMm,
          thicknessMm: face.wallMm,
          method: 'caliper',
          by: 'RK',
          at,
          note: '',
        })),
      ).flat(),
    ),
  );
  const bareJob: JobRecords = {
    frame,
    practice: DEFAULT_PRACTICE,
    evidence: readings,
    strikes: [],
    repairs: [],
  };
  const looks = jobSpots(bareJob).map(({ spot }): Look => ({
    kind: 'look',
    id: `look ${spot.id}`,
    spotId: spot.id,
    title: spot.title,
    ...(spot.memberId && { memberId: spot.memberId, stationMm: (spot.fromMm! + spot.toMm!) / 2 }),
    result: 'sound',
    ways: ['eye', 'hammer'],
    by: 'RK',
    at,
    note: '',
  }));
  const job = { ...bareJob, evidence: [...readings, ...looks] };
  return { frame, job, works: new Map(workJob(job).map((work) => [work.picture.member.id, work])) };
};

describe.each(FAMILY_IDS)('%s as new', (family) => {
  const { frame, job, works } = stageOf(family);
  const axles = axlesOf(frame).map(({ stationMm }) => stationMm);
  const [front, rear] = [Math.min(...axles), Math.max(...axles)];
  const down = axlesOf(frame).flatMap(({ id }) => [`${id} left`, `${id} right`]);
  const from = family === 'gooseneck trailer' ? 0.35 : 0.2;
  const points = (sides: readonly ('left' | 'right')[], ...stations: readonly number[]): LiftPlan['points'] =>
    stations.flatMap((stationMm) =>
      sides.map((side) => ({ id: `${side} ${Math.round(stationMm)}`, side, stationMm, ratingN: 500_000 })),
    );
  const ask = (more: Partial<LiftPlan>) =>
    askLift(job, [], works, {
      way: 'jack',
      points: [],
      wheelsDown: down,
      unloaded: false,
      slopeAlongDeg: 0,
      slopeAcrossDeg: 0,
      ...more,
    });
  const pillars = points(['left', 'right'], from * frame.lengthMm, 0.78 * frame.lengthMm);
  test.each<[string, Partial<LiftPlan>]>([
    ['on a two-post lift', { way: 'two-post pads', points: pillars, wheelsDown: [] }],
    ['on four stands', { way: 'stands', points: pillars, wheelsDown: [] }],
    ['by its axles', { way: 'by the axles', hoistRatingN: 500_000 }],
    ['with a jack under one corner', { points: points(['left'], rear - 500) }],
    ['with one behind its front axle', { points: points(['right'], front + 400) }],
    ['with two jacks', { points: points(['left', 'right'], rear - 500) }],
    ['with two jacks on ground of 3°', { points: points(['left', 'right'], rear - 500), slopeAlongDeg: 3 }],
  ])('%s', (_, plan) => {
    const { answer, reasons } = ask(plan);
    expect(reasons.filter(({ weight }) => weight !== 'note')).toEqual([]);
    expect(answer).toBe('Lift here');
  });
});
