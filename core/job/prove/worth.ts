import { lowerBound, type SectionKept } from '../../weigh';
import type { MemberWork } from '../member';

/** What a kept repair makes of the section where least was left: as found, and as it is specified. */
export interface RepairWorth {
  readonly repairId: string;
  readonly memberId: string;
  /** The member's own station, mm. */
  readonly stationMm: number;
  /** Absent where nobody read the metal there. */
  readonly before?: SectionKept;
  /** Absent where nothing is known of the metal that it is made on. */
  readonly after?: SectionKept;
}

/** A section found farther than this from where the repair was looked at is another place, mm. */
const NEAR_MM = 60;

const leastModulus = ({ kept: { modulusTop, modulusBottom } }: SectionKept): number =>
  Math.min(
    modulusTop ? lowerBound(modulusTop) : Infinity,
    modulusBottom ? lowerBound(modulusBottom) : Infinity,
  );
const weakest = <Each>(all: readonly Each[], of: (each: Each) => number): Each | undefined =>
  all.reduce<Each | undefined>((least, each) => (!least || of(each) < of(least) ? each : least), undefined);

/**
 * Each kept repair at its weakest place: as found where the metal was read, else as repaired. Strength as specified: whether its welds are whole is for
 * whoever looked at them.
 */
export const worthOf = (works: readonly Pick<MemberWork, 'picture' | 'repairs'>[]): RepairWorth[] =>
  works.flatMap(({ picture, repairs }) =>
    repairs.flatMap(({ repair, isProposal, restored }) => {
      if (isProposal) return [];
      const both = restored.map((after) => {
        const near = weakest(picture.sections, ({ stationMm }) => Math.abs(stationMm - after.stationMm));
        const isThere = near && Math.abs(near.stationMm - after.stationMm) <= NEAR_MM;
        return { after, ...(isThere && { before: near }) };
      });
      const read = both.filter(({ before }) => before !== undefined);
      const at =
        weakest(read, ({ before }) => leastModulus(before!)) ??
        weakest(both, ({ after }) => leastModulus(after));
      const { id: repairId, memberId, pieces } = repair;
      const middleMm = (pieces[0]!.startMm + pieces[0]!.endMm) / 2;
      return [{ repairId, memberId, stationMm: at?.after.stationMm ?? middleMm, ...at }];
    }),
  );
