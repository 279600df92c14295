import { faceAtU, onSheet, type Member } from '../frame';
import { BETWEEN_HEAT_ZONES_MM, plugHoleMm, type WeldPractice } from '../reference';
import { coverage, taperLengthMm, type Piece } from './repair';

/**
 * Where a piece's plug welds sit: rows a hole and a half inside its upright edges, holes at a pitch of 4 in over its straight part. `fromMm` and
 * `toMm` are along the piece from its start, the first and the last hole's middle; `count` holes a row.
 */
export interface PlugLayout {
  readonly rowsUMm: readonly number[];
  readonly fromMm: number;
  readonly toMm: number;
  readonly pitchMm: number;
  readonly diameterMm: number;
  readonly count: number;
}

/** Two heat zones apart (common practice, no source). */
const PITCH_MM = 2 * BETWEEN_HEAT_ZONES_MM;

export function plugLayout(
  { shape }: Pick<Member, 'shape'>,
  piece: Piece,
  { plugMm }: Pick<WeldPractice, 'plugMm'> = {},
): PlugLayout {
  const whole = coverage(shape, piece);
  const diameterMm = plugMm ?? plugHoleMm(piece.thicknessMm);
  const rowsUMm = [whole.uFromMm + 1.5 * diameterMm, whole.uToMm - 1.5 * diameterMm].filter(
    (uMm) => faceAtU(shape, onSheet(shape, uMm)).upright,
  );
  const fromMm = taperLengthMm(piece) + PITCH_MM / 2;
  const roomMm = piece.endMm - piece.startMm - 2 * fromMm;
  const count = Math.max(0, Math.floor(roomMm / PITCH_MM) + 1);
  return { rowsUMm, fromMm, toMm: fromMm + (count - 1) * PITCH_MM, pitchMm: PITCH_MM, diameterMm, count };
}
