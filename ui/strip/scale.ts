import {
  developedWidthMm,
  faceAtU,
  faceOf,
  facesOf,
  heightOnFace,
  uOnFace,
  type FaceId,
  type Member,
} from '@/core/frame';
import { inchesToMm, lengthDigits, type UnitSystem } from '@/core/quantity';

export interface Stretch {
  readonly fromMm: number;
  readonly toMm: number;
}
export interface Cursor {
  readonly stationMm: number;
  readonly face: FaceId;
  readonly heightMm: number;
}

/** Where things lie on the drawing: stations across, developed width down, each to its own scale. */
export interface StripScale {
  readonly x: (stationMm: number) => number;
  readonly y: (uMm: number) => number;
  readonly stationAt: (x: number) => number;
  readonly uAt: (y: number) => number;
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

export function stripScale(
  member: Member,
  stretch: Stretch,
  box: { left: number; top: number; width: number; height: number },
): StripScale {
  const perMm = box.width / (stretch.toMm - stretch.fromMm);
  const perU = box.height / developedWidthMm(member.shape);
  return {
    ...box,
    x: (stationMm) => box.left + (stationMm - stretch.fromMm) * perMm,
    y: (uMm) => box.top + uMm * perU,
    stationAt: (x) => stretch.fromMm + (x - box.left) / perMm,
    uAt: (y) => (y - box.top) / perU,
  };
}

/** Ruler ticks over a stretch: about `wanted` labelled ones at a round step of the unit system, read from the datum, `startsMm` before the member. */
export function rulerTicks(
  stretch: Stretch,
  system: UnitSystem,
  { wanted, startsMm }: { readonly wanted: number; readonly startsMm: number },
): { stationMm: number; label: string | undefined }[] {
  const steps = (system === 'in' ? [1, 2, 3, 6, 12, 24, 48, 96] : [20, 50, 100, 200, 500, 1000, 2000]).map(
    (step) => (system === 'in' ? inchesToMm(step) : step),
  );
  const span = stretch.toMm - stretch.fromMm;
  const major = steps.find((step) => span / step <= wanted) ?? steps[steps.length - 1]!;
  const minor = major / (system === 'in' ? 4 : 5);
  const first = Math.ceil((startsMm + stretch.fromMm) / minor - 1e-6);
  const last = Math.floor((startsMm + stretch.toMm) / minor + 1e-6);
  return Array.from({ length: Math.max(0, last - first + 1) }, (_, k) => {
    const readMm = (first + k) * minor;
    const isMajor = Math.abs(readMm / major - Math.round(readMm / major)) < 1e-6;
    return {
      stationMm: readMm - startsMm,
      label: isMajor ? lengthDigits(readMm, system, 'length') : undefined,
    };
  });
}

/** The spot under a place on the drawing, kept on the member. */
export function spotAt(member: Member, scale: StripScale, x: number, y: number): Cursor {
  const widthMm = developedWidthMm(member.shape);
  const uMm = Math.min(Math.max(scale.uAt(y), 0), widthMm - 1e-6);
  const face = faceAtU(member.shape, uMm);
  const heightMm = Math.min(Math.max(heightOnFace(face, uMm), 0), face.widthMm);
  return { stationMm: Math.min(Math.max(scale.stationAt(x), 0), member.lengthMm), face: face.id, heightMm };
}

export const cursorU = (member: Member, cursor: Cursor): number => {
  const face = faceOf(member.shape, cursor.face) ?? facesOf(member.shape)[0]!;
  return uOnFace(face, Math.min(cursor.heightMm, face.widthMm));
};

/** One step of the cursor: along by a station step, across by an eighth of an inch (3 mm) or more on the same face. */
export function stepCursor(member: Member, cursor: Cursor, alongMm: number, acrossMm: number): Cursor {
  const face = faceOf(member.shape, cursor.face)!;
  const up = face.reversed ? -acrossMm : acrossMm;
  return {
    face: cursor.face,
    stationMm: Math.min(Math.max(cursor.stationMm + alongMm, 0), member.lengthMm),
    heightMm: Math.min(Math.max(cursor.heightMm + up, 0), face.widthMm),
  };
}

/** The next face in unrolled order, the cursor at its middle. */
export function turnFace(member: Member, cursor: Cursor, by: 1 | -1): Cursor {
  const faces = facesOf(member.shape);
  const at = faces.findIndex((face) => face.id === cursor.face);
  const next = faces[(at + by + faces.length) % faces.length]!;
  return { ...cursor, face: next.id, heightMm: next.widthMm / 2 };
}

/** A stretch zoomed about a station, kept on the member; never under 6 in. */
export function zoomed(member: Member, stretch: Stretch, aboutMm: number, factor: number): Stretch {
  const span = Math.min(member.lengthMm, Math.max(152.4, (stretch.toMm - stretch.fromMm) * factor));
  const part = (aboutMm - stretch.fromMm) / (stretch.toMm - stretch.fromMm);
  const fromMm = Math.min(
    Math.max(0, aboutMm - span * Math.min(1, Math.max(0, part))),
    member.lengthMm - span,
  );
  return { fromMm, toMm: fromMm + span };
}

/** The same span moved so that a station is inside with a little to spare. */
export function following(member: Member, stretch: Stretch, stationMm: number): Stretch {
  const span = stretch.toMm - stretch.fromMm;
  const margin = span * 0.06;
  if (stationMm >= stretch.fromMm + margin && stationMm <= stretch.toMm - margin) return stretch;
  const wanted = stationMm < stretch.fromMm + margin ? stationMm - margin : stationMm + margin - span;
  const fromMm = Math.min(Math.max(0, wanted), member.lengthMm - span);
  return fromMm === stretch.fromMm ? stretch : { fromMm, toMm: fromMm + span };
}
