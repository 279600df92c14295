import { axlesOf, type Frame } from '@/core/frame';
import { inchesToMm } from '@/core/quantity';
import type { Geometry, GeometryMeasure } from '@/core/weigh';
import { demoBeamMm } from './geometry-truth';
import { seeded, seededId } from './seeded';

/** What the demo's people measured of their frames, tag by tag. */
const SEED = 29;

interface Told {
  readonly measure: GeometryMeasure;
  readonly instrument: Geometry['instrument'];
  readonly stood: Geometry['stood'];
  readonly note?: string;
}
const toldAs = (tag: string, by: string, day: string, told: readonly Told[]): Geometry[] => {
  const random = seeded(SEED + tag.charCodeAt(0));
  return told.map(({ measure, instrument, stood, note = '' }, k): Geometry => ({
    kind: 'geometry',
    id: seededId(random),
    measure,
    instrument,
    stood,
    by,
    at: `${day}T${String(8 + k).padStart(2, '0')}:15:00Z`,
    note,
  }));
};

/** A laser along a member, read to half a millimetre where it stands. */
const lineOf = (tag: string, frame: Frame, memberId: string, direction: 'up' | 'across'): GeometryMeasure => {
  const lengthMm = frame.members.find(({ id }) => id === memberId)!.lengthMm;
  return {
    of: 'line',
    memberId,
    direction,
    marks: [0.02, 0.25, 0.5, 0.75, 0.98].map((share) => ({
      stationMm: share * lengthMm,
      offMm: Math.round(2 * demoBeamMm(tag, frame, { memberId, stationMm: share * lengthMm, direction })) / 2,
    })),
  };
};
const ends = (frame: Frame) => {
  const axles = axlesOf(frame);
  return { fromId: axles[0]!.id, toId: axles[axles.length - 1]!.id };
};

/** The gritter before its first cut: square, the right rail a little down under its hopper's place. */
export const gritterMeasured = (frame: Frame): Geometry[] =>
  toldAs('GR-7', 'RK', '2026-11-19', [
    {
      measure: {
        of: 'wheelbase',
        ...ends(frame),
        leftMm: inchesToMm(142.125),
        rightMm: inchesToMm(142.0625),
      },
      instrument: 'trammel',
      stood: 'on its wheels, empty',
    },
    {
      measure: {
        of: 'diagonals',
        place: 'front and rear hanger bolts',
        oneMm: inchesToMm(131.5),
        otherMm: inchesToMm(131.5625),
      },
      instrument: 'trammel',
      stood: 'on its wheels, empty',
    },
    {
      measure: lineOf('GR-7', frame, 'rail-right', 'up'),
      instrument: 'laser line',
      stood: 'on its wheels, empty',
    },
  ]);

/** The library trailer with its shelves full: its left beam hangs, and nobody can say how much of that is books. */
export const libraryMeasured = (frame: Frame): Geometry[] =>
  toldAs('BK-1', 'RK', '2026-11-12', [
    {
      measure: lineOf('BK-1', frame, 'rail-left', 'up'),
      instrument: 'laser line',
      stood: 'on its wheels, loaded',
      note: 'shelves full',
    },
    {
      measure: lineOf('BK-1', frame, 'rail-left', 'across'),
      instrument: 'laser line',
      stood: 'on its wheels, loaded',
      note: 'shelves full',
    },
  ]);

/** The survey van: the diagonals of its front opening differ, as a catching door would have it. */
export const vanMeasured = (): Geometry[] =>
  toldAs('SV-9', 'RK', '2026-11-19', [
    {
      measure: {
        of: 'diagonals',
        place: 'front subframe bolts',
        oneMm: inchesToMm(41.625),
        otherMm: inchesToMm(41.25),
      },
      instrument: 'trammel',
      stood: 'on its wheels, empty',
    },
  ]);
