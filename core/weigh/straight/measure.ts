import { z } from 'zod';
import {
  bySchema,
  evidenceKind,
  instantSchema,
  memberOf,
  recordIdSchema,
  type Fit,
  type Fitting,
  type FittingKind,
  type Frame,
} from '../../frame';
import { fail, ok, type Outcome } from '../../quantity';
import { INSTRUMENTS, readsAngles, readsLengths } from './instruments';

export const farMm = z
  .number()
  .gt(0, 'a distance is more than nothing')
  .lte(40_000, 'over 40 m is off any frame');
const offMm = z.number().gte(-1000).lte(1000);
const stationMm = z.number().gte(0).lte(40_000);
export const placeName = z.string().trim().min(1, 'say which').max(60);
const coordinate = z.number().gte(-40_000).lte(40_000);
export const hostIdSchema = z.string().min(1).max(60);

/** A mount by its place: x rearward, y to the right, z up, from any one corner of the shop's choosing. */
export const mountSchema = z.object({ name: placeName, xMm: coordinate, yMm: coordinate, zMm: coordinate });
export type MountPlace = z.infer<typeof mountSchema>;

/**
 * What is measured. Lengths are as read, offsets from the line to the member, angles as the instrument shows them.
 *
 *      wheelbase          diagonals          angles               line
 *      ●───left───●       ●──one─/●          ╱ 0.4°   ╱ 0.9°      beam ┄┄┄┄┄┄┄┄┄┄┄┄
 *                         │     ╳ │                                    │  │     │ offsets
 *      ●───right──●       ●───other          station  station     rail ════════════
 */
export const geometryMeasureSchema = z.discriminatedUnion('of', [
  z.object({
    of: z.literal('wheelbase'),
    fromId: hostIdSchema,
    toId: hostIdSchema,
    leftMm: farMm,
    rightMm: farMm,
  }),
  z.object({ of: z.literal('diagonals'), place: placeName, oneMm: farMm, otherMm: farMm }),
  z.object({
    of: z.literal('level across'),
    stations: z
      .array(z.object({ stationMm, degrees: z.number().gte(-45).lte(45) }))
      .min(2)
      .max(20),
  }),
  z.object({
    of: z.literal('angle along'),
    memberId: hostIdSchema,
    stations: z
      .array(z.object({ stationMm, degrees: z.number().gte(-90).lte(90) }))
      .min(2)
      .max(20),
  }),
  z.object({
    of: z.literal('line'),
    memberId: hostIdSchema,
    direction: z.enum(['up', 'across']),
    marks: z.array(z.object({ stationMm, offMm })).min(2, 'a line wants three marks or more').max(30),
  }),
  z.object({
    of: z.literal('mounts'),
    set: placeName,
    points: z.array(mountSchema).min(3, 'a set has three mounts or more').max(12),
  }),
  z.object({
    of: z.literal('twins'),
    place: placeName,
    left: z.object({ alongMm: coordinate, upMm: coordinate }),
    right: z.object({ alongMm: coordinate, upMm: coordinate }),
  }),
]);
export type GeometryMeasure = z.infer<typeof geometryMeasureSchema>;
export const MEASURES = [
  'wheelbase',
  'diagonals',
  'level across',
  'angle along',
  'line',
  'mounts',
  'twins',
] as const satisfies readonly GeometryMeasure['of'][];
export type MeasureOf = GeometryMeasure['of'];

/** How the unit stood: a frame bends and twists under its load, and on what holds it. */
export const STOOD = ['on its wheels, empty', 'on its wheels, loaded', 'on stands', 'on a lift'] as const;
export type Stood = (typeof STOOD)[number];

export const geometrySchema = z
  .object({
    kind: z.literal('geometry'),
    id: recordIdSchema,
    measure: geometryMeasureSchema,
    instrument: z.enum(INSTRUMENTS),
    /** How exactly it was read where somebody knows better than the instrument's usual, two standard deviations, mm or degrees. */
    plusMinus: z.number().gt(0).lte(100).optional(),
    stood: z.enum(STOOD),
    /** The day it was last checked against something known, where somebody said. */
    checkedOn: z.iso.date().optional(),
    simulated: z.literal(true).optional(),
    by: bySchema,
    at: instantSchema,
    note: z.string().max(300).default(''),
  })
  .superRefine(({ measure, instrument, checkedOn, at }, context) => {
    const wrong = (path: string[], message: string) =>
      context.addIssue({ code: 'custom', path: ['measure', ...path], message });
    const isAngle = measure.of === 'level across' || measure.of === 'angle along';
    if (isAngle ? !readsAngles(instrument) : !readsLengths(instrument))
      context.addIssue({
        code: 'custom',
        path: ['instrument'],
        message: isAngle ? 'angles are read with an angle finder or a level' : `${instrument} reads angles`,
      });
    const doubled = twice(stationsOf(measure).map(String)) ?? twice(namesOf(measure));
    if (doubled !== undefined) wrong([], `${doubled} is there twice`);
    if (checkedOn !== undefined && checkedOn > at.slice(0, 10))
      context.addIssue({
        code: 'custom',
        path: ['checkedOn'],
        message: 'it was checked before it measured, not after',
      });
    if (measure.of === 'wheelbase' && measure.fromId === measure.toId)
      wrong(['toId'], 'from one place to another one');
  });
export type Geometry = z.infer<typeof geometrySchema>;

/** An instrument is checked once a year (common practice, no source). */
const IN_DATE_DAYS = 366;
/** Whether what it was measured with was checked too long before; where nobody said, nothing is held against it. */
export const isOutOfDate = ({ checkedOn, at }: Pick<Geometry, 'checkedOn' | 'at'>): boolean =>
  checkedOn !== undefined && Date.parse(at) - Date.parse(checkedOn) > IN_DATE_DAYS * 86_400_000;

/** Any two marks lie on a straight line. */
export const tellsNothing = (measure: GeometryMeasure): boolean =>
  measure.of === 'line' && measure.marks.length < 3;

const twice = (values: readonly string[]): string | undefined =>
  values.find((value, k) => values.indexOf(value) !== k);
const namesOf = (measure: GeometryMeasure): string[] =>
  measure.of === 'mounts' ? measure.points.map(({ name }) => name.toLowerCase()) : [];
function stationsOf(measure: GeometryMeasure): number[] {
  if (measure.of === 'line') return measure.marks.map((mark) => mark.stationMm);
  if (measure.of === 'level across' || measure.of === 'angle along')
    return measure.stations.map((each) => each.stationMm);
  return [];
}

export const geometryKind = evidenceKind<Geometry>({
  name: 'geometry',
  schema: geometrySchema,
  fits: (frame, { measure }) => fitsMeasure(frame, measure),
  tells: ({ measure }) => (measure.of === 'line' || measure.of === 'angle along' ? [measure.memberId] : []),
});

/** What a trailer is drawn by: its wheelbase is from there to each hub. */
const DRAWN_BY: readonly FittingKind[] = ['coupler', 'pin box', 'coupler plate'];

/** What a wheelbase runs between, front to rear: axles, and what a trailer is drawn by. */
export const wheelbaseEnds = (frame: Frame): Fitting[] =>
  frame.fittings
    .filter(({ kind }) => kind === 'axle' || DRAWN_BY.includes(kind))
    .sort((a, b) => a.stationMm - b.stationMm);

/** Whether what was measured is on the frame. */
export function fitsMeasure(frame: Frame, measure: GeometryMeasure): Outcome<Fit> {
  if (measure.of === 'wheelbase') {
    const ends = wheelbaseEnds(frame);
    const stray = [measure.fromId, measure.toId].find((each) => !ends.some(({ id }) => id === each));
    return stray === undefined ? ok({}) : fail(`${stray} is no axle or coupler of this frame`, 'measure');
  }
  if (measure.of === 'level across') {
    const far = measure.stations.find((each) => each.stationMm > frame.lengthMm);
    return far ? fail('a station is off the rails', 'measure') : ok({});
  }
  if (measure.of !== 'line' && measure.of !== 'angle along') return ok({});
  const member = memberOf(frame, measure.memberId);
  if (!member) return fail(`member ${measure.memberId} is not on this frame`, 'measure');
  const off = stationsOf(measure).find((each) => each > member.lengthMm);
  return off === undefined ? ok({}) : fail(`a mark is off ${member.name}`, 'measure');
}

/** What is measured again takes the place of what was measured before: the same thing has the same key. */
export function keyOfMeasure(measure: GeometryMeasure): string {
  switch (measure.of) {
    case 'wheelbase':
      return `wheelbase ${[measure.fromId, measure.toId].sort().join(' ')}`;
    case 'diagonals':
    case 'twins':
      return `${measure.of} ${measure.place.toLowerCase()}`;
    case 'level across':
      return measure.of;
    case 'angle along':
      return `${measure.of} ${measure.memberId}`;
    case 'line':
      return `line ${measure.direction} ${measure.memberId}`;
    case 'mounts':
      return `mounts ${measure.set.toLowerCase()}`;
    default:
      return measure satisfies never;
  }
}
