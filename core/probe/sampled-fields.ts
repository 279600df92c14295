import type { Member } from '../frame';
import type { Reading } from './reading';
import { neighbourhoodAt, placedReadings, type ThicknessMap } from './thickness-map';
import { ALONG_PER_ACROSS, type PlacedReadings } from './variogram';

/** Waves that one field is put together from: enough for its values to be all but normal. */
const WAVES = 64;

/** A cell that is drawn, with what its neighbours' readings say of it. */
interface DrawnCell {
  readonly alongMm: number;
  readonly uMm: number;
  readonly wallMm: number;
  readonly kept: number;
  readonly spread: number;
  readonly weights: Float64Array;
  readonly members: Int32Array;
}

/**
 * Whole fields of thickness, each as likely as the readings leave it: what a map says once, with its error, drawn as it may really be, alike
 * where places are near. A field of the map's own covariance is drawn without regard to the readings, and corrected by what kriging would have
 * made of *its* values at the readings' places (conditioning by kriging: Chilès & Delfiner, *Geostatistics*, 7.3, from memory):
 *
 *     Z(x) = Ẑ(x) + √roughness · (S(x) − Σ wᵢ (S(xᵢ) + εᵢ))        εᵢ: each reading's own tool
 *
 * S is a sum of waves with the exponential covariance's spectrum in the plane, ω = √(1/(1−u)² − 1)/range, u even on 0 to 1. Rows × columns of mm,
 * for the columns named; between 0 and what the wall was made as. Undefined without readings.
 */
export function sampledFields(
  member: Member,
  readings: readonly Reading[],
  map: ThicknessMap,
  columns: readonly number[],
): ((random: () => number) => Float64Array) | undefined {
  const points = placedReadings(member, readings);
  if (points.count === 0 || columns.length === 0) return undefined;
  const cells = Array.from(map.surface.uMm).flatMap((uMm, row) =>
    columns.map((column) => drawnCell(map, points, { row, column, uMm })),
  );
  return (random) => {
    const field = waves(map.basis.covariance, random);
    const atReadings = Float64Array.from(
      { length: points.count },
      (_, k) =>
        field(points.stationMm[k]! / ALONG_PER_ACROSS, points.uMm[k]!) +
        Math.sqrt(points.variance[k]!) * normal(random),
    );
    return Float64Array.from(cells, (cell) => {
      let kriged = 0;
      for (let k = 0; k < cell.members.length; k++)
        kriged += cell.weights[k]! * atReadings[cell.members[k]!]!;
      const kept = cell.kept + cell.spread * (field(cell.alongMm, cell.uMm) - kriged);
      return cell.wallMm * Math.min(Math.max(kept, 0), map.basis.mostKept);
    });
  };
}

function drawnCell(
  map: ThicknessMap,
  points: PlacedReadings,
  { row, column, uMm }: { readonly row: number; readonly column: number; readonly uMm: number },
): DrawnCell {
  const stationMm = map.stationsMm[column]!;
  const neighbourhood = neighbourhoodAt(points, map.basis.covariance, stationMm, uMm);
  return {
    alongMm: stationMm / ALONG_PER_ACROSS,
    uMm,
    wallMm: map.surface.rowFace[row]!.wallMm,
    kept: neighbourhood.at(stationMm, uMm).kept,
    spread: Math.sqrt(neighbourhood.roughness),
    weights: neighbourhood.weightsAt(stationMm, uMm),
    members: neighbourhood.members,
  };
}

/** The cosine of turns off a table, straight between its 4,096 entries: right to 3e-7, and a field asks for thousands. */
const STEPS = 4096;
const TABLE = Float64Array.from({ length: STEPS + 1 }, (_, k) => Math.cos((2 * Math.PI * k) / STEPS));
function cosine(turns: number): number {
  const place = (turns - Math.floor(turns)) * STEPS;
  const k = Math.floor(place);
  return TABLE[k]! + (place - k) * (TABLE[k + 1]! - TABLE[k]!);
}

/** A field of the covariance sill · exp(−h/range) over the plane, drawn. */
function waves(
  { sill, rangeMm }: ThicknessMap['basis']['covariance'],
  random: () => number,
): (xMm: number, yMm: number) => number {
  const [kx, ky, phase] = [new Float64Array(WAVES), new Float64Array(WAVES), new Float64Array(WAVES)];
  for (let k = 0; k < WAVES; k++) {
    const wave = Math.sqrt(1 / (1 - random()) ** 2 - 1) / rangeMm;
    const angle = 2 * Math.PI * random();
    // Counted in turns: a whole turn more changes nothing.
    kx[k] = (wave * Math.cos(angle)) / (2 * Math.PI);
    ky[k] = (wave * Math.sin(angle)) / (2 * Math.PI);
    phase[k] = random();
  }
  const height = Math.sqrt((2 * sill) / WAVES);
  return (xMm, yMm) => {
    let total = 0;
    for (let k = 0; k < WAVES; k++) total += cosine(kx[k]! * xMm + ky[k]! * yMm + phase[k]!);
    return height * total;
  };
}

const normal = (random: () => number): number =>
  Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
