import { drawRounded, polygonArea, type Pen, type Point } from '../geometry';
import {
  boltHoleMm,
  CORNER_RADIUS_MM,
  STEEL_DENSITY_KG_PER_MM3,
  type MetalPractice,
  type Ways,
} from '../reference';
import { lengthDigits, type UnitSystem } from '../quantity';
import { startsAtMm, surfaceOf, type Member } from '../frame';
import { foldsBetween, type DamageZone } from '../weigh';
import { bendAllowanceMm } from './bend';
import { boltRowsAt, boltStationsMm, isBolted } from './bolting';
import { drainsOf } from './drains';
import { holesUnder } from './holes';
import { plugLayout } from './plugs';
import { coverage, isInside, outlineOnStrip, pieceName, type Piece, type Repair } from './repair';

export interface FlatHole {
  readonly xMm: number;
  readonly vMm: number;
  readonly diameterMm: number;
  readonly purpose: 'drain' | 'plug weld' | 'kept hole' | 'bolt';
}

/**
 * A piece laid flat. x runs along the rail from the piece's front end, v across it from its first edge:
 *
 *      v=0 ┌──╲____________╱──┐      bends are drawn at both tangent lines and the middle;
 *          │  ·· bend ····     │     v is shorter than the wrapped width by what each bend saves
 *          └──╱‾‾‾‾‾‾‾‾‾‾‾‾╲──┘
 */
export interface FlatPattern {
  readonly piece: Piece;
  /** Where its member begins, mm behind the datum: stations on the plate are read from there. */
  readonly memberStartsMm: number;
  readonly outline: readonly Point[];
  readonly bends: readonly {
    readonly startVMm: number;
    readonly endVMm: number;
    readonly fromXMm: number;
    readonly toXMm: number;
  }[];
  readonly holes: readonly FlatHole[];
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly insideRadiusMm: number;
  readonly bendAllowanceMm: number;
  readonly massKg: number;
}

/** What of the shop's practice shapes a flat; pockets are drained where nothing is said. */
type FlatPractice = Pick<MetalPractice, 'bendRadiusPerThickness' | 'bendK' | 'drainDiameterMm'> &
  Partial<Pick<Ways, 'drains'>> & {
    /** Damage under the piece: where it is cut out, its water stands. */
    readonly zones?: readonly DamageZone[];
  };

export function flatPattern(
  member: Member,
  repair: Repair,
  piece: Piece,
  practice: FlatPractice,
): FlatPattern {
  const surface = surfaceOf(member.shape);
  const whole = coverage(member.shape, piece);
  const insideRadiusMm = practice.bendRadiusPerThickness * piece.thicknessMm;
  const allowanceMm = bendAllowanceMm(Math.PI / 2, insideRadiusMm, piece.thicknessMm, practice.bendK);
  const isRound = member.shape.kind === 'tube';
  const folds = isRound ? [] : foldsBetween(surface, whole.uFromMm, whole.uToMm);
  // Rolled round a tube it is as long as the circle through the middle of its own wall.
  const rolled = isRound ? 1 + piece.thicknessMm / member.shape.depthMm : 1;
  // Laid inside, its own corner lies a wall and its own thickness in from the rail's.
  const cornerMm = insideRadiusMm + (isInside(piece) ? member.shape.thicknessMm + piece.thicknessMm : 0);
  const toV = (uMm: number) => rolled * flattened(uMm, whole.uFromMm, folds, cornerMm, allowanceMm);
  const outline = outlineOnStrip(member, piece).map(([stationMm, uMm]): Point => [
    stationMm - piece.startMm,
    toV(uMm),
  ]);
  const lengthMm = piece.endMm - piece.startMm;
  return {
    piece,
    memberStartsMm: startsAtMm(member),
    outline,
    lengthMm,
    widthMm: toV(whole.uToMm),
    bends: folds.map((fold) => ({
      startVMm: toV(fold - cornerMm),
      endVMm: toV(fold + cornerMm),
      ...spanAcross(outline, toV(fold)),
    })),
    holes: [
      ...drainsOf(member, repair, piece, { practice, zones: practice.zones ?? [] }).map(
        ({ stationMm, uMm, diameterMm }): FlatHole => ({
          xMm: stationMm - piece.startMm,
          vMm: toV(uMm),
          diameterMm,
          purpose: 'drain',
        }),
      ),
      ...plugs(member, repair, piece, toV),
      ...keptHoles(member, piece, toV),
      ...boltHoles(member, repair, piece, toV),
    ],
    insideRadiusMm,
    bendAllowanceMm: allowanceMm,
    massKg: Math.abs(polygonArea(outline)) * piece.thicknessMm * STEEL_DENSITY_KG_PER_MM3,
  };
}

/** Flat coordinate of a wrapped one: what lies within `cornerMm` of each fold, up to the bend's tangent lines, becomes one bend allowance. */
function flattened(
  uMm: number,
  uFromMm: number,
  folds: readonly number[],
  cornerMm: number,
  allowanceMm: number,
): number {
  let v = uMm - uFromMm;
  for (const fold of folds) {
    const into = Math.min(Math.max(uMm - (fold - cornerMm), 0), 2 * cornerMm);
    v -= into * (1 - allowanceMm / (2 * cornerMm));
  }
  return v;
}

/** Where a line of constant v crosses the outline, outermost. */
function spanAcross(outline: readonly Point[], v: number): { fromXMm: number; toXMm: number } {
  const crossings: number[] = [];
  outline.forEach(([x, y], k) => {
    const [nextX, nextY] = outline[(k + 1) % outline.length]!;
    if (y > v !== nextY > v) crossings.push(x + ((v - y) * (nextX - x)) / (nextY - y));
  });
  return crossings.length
    ? { fromXMm: Math.min(...crossings), toXMm: Math.max(...crossings) }
    : { fromXMm: 0, toXMm: 0 };
}

/** The maker's holes beneath a piece are repeated in it: none that drains, locates or is looked through is covered. */
const keptHoles = (member: Member, piece: Piece, toV: (uMm: number) => number): FlatHole[] =>
  holesUnder(member, piece)
    .filter(({ is }) => is === 'under it')
    .map(({ hole, uMm }) => ({
      xMm: hole.stationMm - piece.startMm,
      vMm: toV(uMm),
      diameterMm: hole.diameterMm,
      purpose: 'kept hole',
    }));

/** Holes of a piece's bolts, drilled through the wall at the same places. */
const boltHoles = (member: Member, repair: Repair, piece: Piece, toV: (uMm: number) => number): FlatHole[] =>
  isBolted(repair)
    ? boltStationsMm(repair, piece).flatMap((stationMm) =>
        boltRowsAt(member, repair, piece, stationMm).map((uMm): FlatHole => ({
          xMm: stationMm - piece.startMm,
          vMm: toV(uMm),
          diameterMm: boltHoleMm(repair.bolts.diameterMm),
          purpose: 'bolt',
        })),
      )
    : [];

/** Plug holes of one row after another, in the piece's flat. */
function plugs(member: Member, repair: Repair, piece: Piece, toV: (uMm: number) => number): FlatHole[] {
  if (!repair.plugs || isBolted(repair)) return [];
  const { rowsUMm, fromMm, pitchMm, diameterMm, count } = plugLayout(member, piece);
  return rowsUMm.flatMap((uMm) =>
    Array.from({ length: count }, (_, k): FlatHole => ({
      xMm: fromMm + k * pitchMm,
      vMm: toV(uMm),
      diameterMm,
      purpose: 'plug weld',
    })),
  );
}

export const FLAT_LAYERS = ['CUT', 'BEND', 'MARK'] as const;

/** Draws a flat pattern: layer CUT (outline and holes), BEND (both tangents and the middle), MARK (what a painter would write). y runs up. */
export function drawFlatPattern(
  pen: Pen,
  pattern: FlatPattern,
  system: UnitSystem,
  marked: { readonly mirroredTwin: boolean; readonly warning?: string | undefined },
): void {
  const { mirroredTwin, warning } = marked;
  const flip = (v: number) => pattern.widthMm - v;
  pen.layer('CUT');
  drawRounded(
    pen,
    pattern.outline.map(([x, v]): Point => [x, flip(v)]),
    CORNER_RADIUS_MM,
  );
  for (const hole of pattern.holes) pen.circle(hole.xMm, flip(hole.vMm), hole.diameterMm / 2);
  pen.layer('BEND');
  for (const bend of pattern.bends) {
    for (const v of [bend.startVMm, (bend.startVMm + bend.endVMm) / 2, bend.endVMm]) {
      pen.moveTo(bend.fromXMm, flip(v));
      pen.lineTo(bend.toXMm, flip(v));
    }
  }
  pen.layer('MARK');
  const size = Math.min(12, pattern.widthMm / 8);
  const middle = pattern.lengthMm / 2;
  pen.moveTo(middle, flip(0) - size / 2);
  pen.lineTo(middle, flip(0) - 2.5 * size);
  const length = (mm: number) => `${lengthDigits(mm, system, 'length')} ${system}`;
  const label = `${pieceName(pattern.piece)} ${lengthDigits(pattern.piece.thicknessMm, system, 'thickness')} ${system}  stations ${length(pattern.memberStartsMm + pattern.piece.startMm)} to ${length(pattern.memberStartsMm + pattern.piece.endMm)}`;
  const words = mirroredTwin ? `${label}  MIRRORED TWIN` : label;
  const textX = (mirroredTwin ? 0.78 : 0.22) * pattern.lengthMm;
  if (warning) pen.text(textX, flip(0.3 * pattern.widthMm) + 1.8 * size, size, warning);
  pen.text(textX, flip(0.3 * pattern.widthMm), size, words);
  pen.text(
    textX,
    flip(0.3 * pattern.widthMm) - 1.8 * size,
    size,
    mirroredTwin ? 'this edge up   > front' : 'front <   this edge up',
  );
}
