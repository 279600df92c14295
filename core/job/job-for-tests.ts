import { axlesOf, defaultFrame, familyOf, typicalLoads, type Strike } from '../frame';
import type { BoltSet } from '../join';
import type { Reading } from '../probe';
import { DEFAULT_PRACTICE } from '../reference';
import { repairSchema } from '../shape';
import { jobOrder, jobProof, workJob, type Evidence, type JobFile } from '.';
import { jobLedger } from './seams';

const REPAIR = repairSchema.parse({
  id: 'repair-1',
  memberId: 'rail-right',
  cutOut: true,
  pieces: [
    {
      id: 'p1',
      kind: 'side plate',
      startMm: 2400,
      endMm: 3400,
      thicknessMm: 4.7625,
      lowerEdgeMm: 20,
      upperEdgeMm: 150,
      taperMm: 100,
    },
  ],
  weldStyle: 'continuous',
  plugs: false,
  onBench: false,
  by: 'TM',
  at: '2026-11-25T08:00:00Z',
});

/** Half of the right web's wall gone over a yard. */
const readings = (): Reading[] =>
  [2400, 2600, 2800, 3000, 3200].flatMap((stationMm, k) =>
    [40, 90, 140].map((heightMm, n) => ({
      kind: 'reading' as const,
      id: `00000000-0000-4000-8000-1${String(k * 10 + n).padStart(11, '0')}`,
      memberId: 'rail-right',
      stationMm,
      face: 'web' as const,
      heightMm,
      thicknessMm: 2.5,
      method: 'ultrasonic' as const,
      by: 'TM',
      at: '2026-11-24T08:00:00Z',
      note: '',
    })),
  ) as Reading[];

type Plates = 'cut out' | 'proposed';

/** A truck with a thin right rail. */
function thinRail(plates: Plates): JobFile {
  const made = defaultFrame({
    ...familyOf('open-channel ladder').typical,
    family: 'open-channel ladder',
    steel: 'a36',
    datum: 'hole',
  });
  const frame = { ...made, loads: { items: typicalLoads(made, 5000), takenOff: ['payload', 'tank'] } };
  const unit = {
    id: '00000000-0000-4000-8000-000000000777',
    tag: 'T-1',
    description: 'truck',
    kind: 'truck',
    exposure: 'road salt',
    duty: 'work',
  } as const;
  return {
    frame,
    practice: { ...DEFAULT_PRACTICE, legal: { ...DEFAULT_PRACTICE.legal, chosen: 'none' } },
    evidence: readings(),
    strikes: [],
    repairs: plates === 'cut out' ? [REPAIR] : [],
    unit,
    notices: [],
    job: {
      id: '00000000-0000-4000-8000-000000000778',
      unitId: unit.id,
      title: 'rail',
      purpose: 'repair',
      complaint: '',
      openedBy: 'TM',
      openedAt: '2026-11-24T08:00:00Z',
    },
    frameRevision: 1,
    practiceRevision: 1,
    repairChanges: {},
    closed: false,
  };
}

/** Its records with plates decided, or only proposed; worked out anew only for records that tell of metal. */
export function demoJob(plates: Plates) {
  const file = thinRail(plates);
  const axles = axlesOf(file.frame);
  const worksOf = (of: JobFile) =>
    new Map(
      workJob(of).map((work) => [
        work.picture.member.id,
        plates === 'proposed'
          ? work
          : { ...work, repairs: work.repairs.filter(({ isProposal }) => !isProposal) },
      ]),
    );
  // Worked out anew only for records that tell of metal.
  const known = worksOf(file);
  return {
    file,
    repairId: REPAIR.id,
    /** Every seam of its repair. */
    seams: jobLedger(file, [...known.values()]),
    fuelId: 'load tank',
    wheelbaseIds: { fromId: axles[0]!.id, toId: axles.at(-1)!.id },
    order: (more: readonly Evidence[], nowAt = '2026-11-26T20:00:00Z', strikes: readonly Strike[] = []) => {
      const now = { ...file, evidence: [...file.evidence, ...more], strikes };
      const isOfMetal = more.some(({ kind }) => kind === 'sign' || kind === 'crack');
      return jobOrder(now, isOfMetal ? worksOf(now) : known, Date.parse(nowAt));
    },
    /** What it takes, in a shop that has these on its lists. */
    toGet: (lists: Pick<JobFile, 'shelf' | 'kits'>) =>
      jobOrder({ ...file, ...lists }, known, Date.parse('2026-11-26T20:00:00Z')).toGet,
    /** The same with its plates bolted on in these sets. */
    bolted: (sets: readonly string[], more: readonly Evidence[], nowAt = '2026-11-28T20:00:00Z') =>
      jobProof(
        { ...file, evidence: [...file.evidence, ...more] },
        new Map(
          [...known].map(([id, work]) => [
            id,
            {
              ...work,
              repairs: work.repairs.map((worked) => ({
                ...worked,
                joined: { ...worked.joined, bolts: sets.map((set) => ({ id: set }) as BoltSet) },
              })),
            },
          ]),
        ),
        Date.parse(nowAt),
        nowAt.slice(0, 10),
      ),
    /** What is open with these records, at the end of the day they were made on. */
    proof: (more: readonly Evidence[], nowAt = '2026-11-28T20:00:00Z') =>
      jobProof(
        { ...file, evidence: [...file.evidence, ...more] },
        known,
        Date.parse(nowAt),
        nowAt.slice(0, 10),
      ),
  };
}
