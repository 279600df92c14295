import { memberOf } from '../frame';
import { alignmentLacks, crackedShare, type Alignment, type AlignmentLack } from '../trace';
import { openCracks } from './cracks';
import { jobHosts } from './inputs';
import { stands, type JobRecords } from './records';

/** Something that must stand in its place before anything is welded there. */
export interface ToAlign {
  readonly of: Alignment['of'];
  readonly name: string;
  readonly locatesAxle: boolean;
  readonly last?: Alignment;
  readonly lacks: readonly AlignmentLack[];
}

/** Members that parted at a crack, and brackets that let go of an axle; with what each still lacks. */
export function toAlign(records: JobRecords): ToAlign[] {
  const cracks = openCracks(records);
  const parted = cracks.flatMap((crack): Omit<ToAlign, 'lacks'>[] => {
    const member = memberOf(records.frame, crack.memberId);
    if (!member || crackedShare(member.shape, crack, cracks) <= records.practice.hand.partedShare) return [];
    const of = { on: 'member' as const, id: member.id, stationMm: crack.path[0]!.stationMm };
    return [{ of, name: member.name, locatesAxle: false }];
  });
  const members = [...new Map(parted.map((each) => [each.of.id, each])).values()];
  const brackets = jobHosts(records)
    .filter(({ hasLetGo, carries }) => hasLetGo && carries.includes('axle location'))
    .map(({ on, id, name }) => ({ of: { on, id }, name, locatesAxle: true }));
  const all = stands(records, 'alignment').sort((a, b) => a.at.localeCompare(b.at));
  return [...members, ...brackets].map((each) => {
    const last = all.filter(({ of }) => of.on === each.of.on && of.id === each.of.id).at(-1);
    return { ...each, ...(last && { last }), lacks: alignmentLacks(last, each.locatesAxle) };
  });
}
