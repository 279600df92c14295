import { inchesToMm } from '@/core/quantity';
import type { FaceId, Member } from '@/core/frame';
import type { Reading } from '@/core/probe';
import { normal, seededId } from './seeded';
import { trueThicknessMm, type RustPatch } from './truth';

interface Visit {
  readonly by: string;
  readonly startedAt: string;
  readonly stationsIn: readonly number[];
  readonly spots: readonly (readonly [FaceId, number])[];
}

/** Readings a technician would have taken on a walk along a member: the truth, the gauge's noise, a pit now and then. */
export function survey(
  member: Member,
  patches: readonly RustPatch[],
  visit: Visit,
  random: () => number,
): Reading[] {
  let clock = Date.parse(visit.startedAt);
  return visit.stationsIn.flatMap((stationIn) =>
    visit.spots.map(([face, heightIn]): Reading => {
      clock += 9000 + Math.floor(random() * 9000);
      const spot = { stationMm: inchesToMm(stationIn), face, heightMm: inchesToMm(heightIn) };
      const truth = trueThicknessMm(member, patches, spot.stationMm, face, spot.heightMm);
      const pit = truth < 0.7 * member.shape.thicknessMm && random() < 0.15 ? -0.5 * random() : 0;
      const read = Math.max(0, truth + 0.07 * normal(random) + pit);
      return {
        kind: 'reading',
        id: seededId(random),
        memberId: member.id,
        ...spot,
        thicknessMm: Math.round(read * 1000) / 1000,
        method: 'ultrasonic',
        by: visit.by,
        at: new Date(clock).toISOString(),
        note: '',
      };
    }),
  );
}

/** Every `stepIn` from one station to another. */
export const every = (stepIn: number, fromIn: number, toIn: number): number[] =>
  Array.from({ length: Math.floor((toIn - fromIn) / stepIn + 1e-9) + 1 }, (_, k) => fromIn + k * stepIn);
