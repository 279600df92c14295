/**
 * Heat in a thin plate, by superposed instantaneous line sources with loss from both faces (Rosenthal's thin-plate case in time; Carslaw and Jaeger,
 * Conduction of Heat in Solids, from memory). It orders and spaces runs of weld; it promises no degrees: plate edges, laps, air and draughts are not in it.
 *
 *   T(r, t) = Q / (4π k d t) · exp(−r²/4at − bt),   a = k/ρc,   b = 2h/ρcd
 *
 * Lengths mm, times s, heat J, conductivity W/(mm·K).
 */
export interface PlateHeat {
  readonly conductivity: number;
  /** Heat a cubic millimetre takes up, J/(mm³·K). */
  readonly perVolume: number;
  /** Loss of one face to still air, radiation counted, W/(mm²·K). */
  readonly loss: number;
}
/** Mild steel between hand-warm and 400 °C, in still air (handbook values, from memory): 45 W/(m·K), 7850 kg/m³ × 560 J/(kg·K), 25 W/(m²·K). */
export const STEEL_PLATE: PlateHeat = { conductivity: 0.045, perVolume: 4.4e-3, loss: 2.5e-5 };

/** e^-30 of a source's heat is none. */
const NONE_LEFT = 30;

/** Rise of temperature, K, `sinceS` after a source at a distance; 0 before it. Squared distance, so that a search need not take roots. */
export function riseK(
  heatJ: number,
  squareMm2: number,
  sinceS: number,
  thicknessMm: number,
  { conductivity, perVolume, loss }: PlateHeat = STEEL_PLATE,
): number {
  if (!(sinceS > 0)) return 0;
  const decay = (2 * loss) / (perVolume * thicknessMm);
  const gone = (squareMm2 * perVolume) / (4 * conductivity * sinceS) + decay * sinceS;
  return gone > NONE_LEFT
    ? 0
    : (heatJ / (4 * Math.PI * conductivity * thicknessMm * sinceS)) * Math.exp(-gone);
}
