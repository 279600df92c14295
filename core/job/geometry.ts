import { memberOf } from '../frame';
import {
  figureKind,
  geometryChecks,
  geometryKind,
  type GeometryCheck,
  type MeasuredElsewhere,
} from '../weigh';
import { stands, type JobRecords } from './records';

/** What stands measured of the unit's geometry, in this job and in its others, where it has its place on this frame. */
export function geometryMeasured(
  records: Pick<JobRecords, 'frame' | 'evidence' | 'strikes' | 'measuredElsewhere'>,
): MeasuredElsewhere {
  const { geometry = [], figures = [] } = records.measuredElsewhere ?? {};
  return {
    geometry: [
      ...geometry.filter((record) => geometryKind.fits(records.frame, record).ok),
      ...stands(records, 'geometry'),
    ],
    figures: [
      ...figures.filter((record) => figureKind.fits(records.frame, record).ok),
      ...stands(records, 'figure'),
    ],
  };
}

/** Everything measured of the frame's geometry that stands, compared; the worst first. */
export function jobGeometry(records: JobRecords): GeometryCheck[] {
  const { geometry, figures } = geometryMeasured(records);
  return geometryChecks(geometry, figures, records.practice.geometry);
}

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
