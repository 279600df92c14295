import { memberOf } from '../frame';
import { geometryChecks, type GeometryCheck } from '../weigh';
import { stands, type JobRecords } from './records';

/** Everything measured of the frame's geometry that stands, compared; the worst first. */
export const jobGeometry = (records: JobRecords): GeometryCheck[] =>
  geometryChecks(stands(records, 'geometry'), stands(records, 'figure'), records.practice.geometry);

/** Members and places out of straight or square, by name: nothing is plated or welded shut on them before they are brought back. */
export const straightenedFirst = (records: JobRecords): string[] => [
  ...new Set(
    jobGeometry(records)
      .filter(({ is }) => is === 'out')
      .map((check) => placeOf(records, check)),
  ),
];

/** What a check is of, by name: its member, its axles, its place. */
export function placeOf({ frame }: Pick<JobRecords, 'frame'>, { memberId, of, says }: GeometryCheck): string {
  if (memberId !== undefined) return memberOf(frame, memberId)?.name ?? memberId;
  const named = of.map((each) => frame.fittings.find(({ id }) => id === each)?.name ?? each);
  return named.length > 0 ? named.join(' to ') : says === 'twisted' ? 'The frame’s twist' : says;
}
