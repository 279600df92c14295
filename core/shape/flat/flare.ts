/**
 * Hole to cut for one whose edge is then turned down to a lip. The metal of the lip comes from the hole's rim:
 * d = D − 2 (H − 0.43 R − 0.72 t), D the lip's mean diameter, H its height over all, R the inside radius of its turn (hole flanging, die design
 * handbooks, from memory). Turned with a punch and hammer over a plate's edge, R is taken as nothing.
 */
export function pilotMm(finishedMm: number, thicknessMm: number, lipMm: number): number {
  const meanMm = finishedMm + thicknessMm;
  const heightMm = thicknessMm + lipMm;
  return Math.min(finishedMm, meanMm - 2 * (heightMm - 0.72 * thicknessMm));
}
