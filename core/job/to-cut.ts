import { blanksOfWork, massOfPartKg, type WorkPart } from '../shape';
import { memberOf } from '../frame';
import { toCutOf, type PlannedFlat, type ToCut } from './planned-flat';
import { openRenewals, plannedTube } from './renewals';
import type { JobRecords } from './records';
import { foundUnder } from './under-works';
import { brokenIn, ownOutlines, worksOf, type PlannedWork } from './works';

/** A part that is bought to length. */
export interface ToBuy {
  readonly name: string;
  readonly for: string;
  readonly count: number;
  /** Depth and width of a tube. */
  readonly sectionMm?: readonly [number, number];
  readonly lengthMm: number;
  readonly wallMm: number;
  readonly massKg: number;
}

type Records = Pick<JobRecords, 'evidence' | 'strikes' | 'frame' | 'practice'>;
const open = (records: Records): PlannedWork[] => worksOf(records).filter(({ isDone }) => !isDone);

/** Everything of a job that is cut from sheet: plates member by member, parts of works, outlines taken from openings. What is done already is not cut again. */
export const toCut = (
  flats: readonly PlannedFlat[],
  records: Records,
  members: Parameters<typeof foundUnder>[0] = [],
): ToCut[] => [
  ...flats.map(toCutOf),
  ...open(records).flatMap((planned) =>
    blanksOfWork(planned.work.id, planned.place.name, planned.judged.parts).map((blank) => ({
      blank,
      broken: brokenIn(planned, foundUnder(members, planned.work.id)).length,
      findings: [],
      isProposal: false,
    })),
  ),
  ...ownOutlines(records).map((blank) => ({ blank, broken: 0, findings: [], isProposal: false })),
];

/** What is bought to length: parts of works that are no sheet, and crossmembers renewed from tube. */
export const toBuy = (records: Records): ToBuy[] => [
  ...open(records).flatMap(({ place, judged }) =>
    judged.parts
      .filter((part) => part.shape?.is === 'length' && part.lengthMm > 0)
      .map((part: WorkPart) => ({
        name: part.name,
        for: place.name,
        count: part.count,
        lengthMm: part.lengthMm,
        wallMm: part.thicknessMm,
        massKg: massOfPartKg(part),
      })),
  ),
  ...openRenewals(records).flatMap((renewal) => {
    const member = memberOf(records.frame, renewal.memberId);
    const planned = plannedTube(records, renewal);
    return member && planned
      ? [
          {
            name: 'tube',
            sectionMm: [renewal.tube.depthMm, renewal.tube.widthMm] as const,
            for: member.name,
            count: 1,
            lengthMm: member.lengthMm,
            wallMm: planned.tube.thicknessMm,
            massKg: planned.massKg,
          },
        ]
      : [];
  }),
];
