/**
 * How a crossmember's end takes part in the warping of the rail it meets.
 *
 *   flange-joined   its flanges lap the rail's: both flanges turn together, ψ_cross = ψ_rail · depth_rail / depth_cross, and the lap is rigid
 *   web-joined      its flanges push the rail's web in and out: a spring between the two warpings, soft as the web is thin
 */

/**
 * The web's spring between a rail's warping and that of a web-joined crossmember, N·mm² a unit of warping: 1.5 E t³ on the turn of one
 * flange strip, times depth²/2 for the two. The 1.5 is fitted to shell models of six-rung ladders (crossmember half and three quarters of
 * the rail's depth): stiffness in twist −8 to +6 %, flange stress 1.4 to 1.8 times the shells' (checks/outside/shells.test.ts).
 */
export const webTieStiffness = (youngsMpa: number, webMm: number, crossDepthMm: number): number =>
  (1.5 * youngsMpa * webMm ** 3 * crossDepthMm ** 2) / 2;

/** A rail's web and the crossmember that is joined to it, mm: how high the web, how thick; how deep the crossmember, how broad along the rail. */
export interface WebJoint {
  readonly webHighMm: number;
  readonly webMm: number;
  readonly deepMm: number;
  readonly broadMm: number;
}

/**
 * What a web-joined crossmember's end turns against about the web's upright line, N·mm a radian: it pries the rail's web in and out, soft as the web is
 * thin. 25 E t³ (b/H)^1.2 (h/H)^1.4 is fitted to shells: broad a quarter to a half of the web's height, deep a half to three quarters, within 10 %; 22 %
 * softer than shells where the web is as thin as the crossmember (checks/outside/web-joint.test.ts). A rigid joint asks crossmembers of a
 * ladder in a ditch 1.4 times what shells do under the same forces, this one 1.1 times (ditch.test.ts).
 */
export const webTurnStiffness = (
  youngsMpa: number,
  { webHighMm, webMm, deepMm, broadMm }: WebJoint,
): number =>
  25 *
  youngsMpa *
  webMm ** 3 *
  (broadMm / webHighMm) ** 1.2 *
  (Math.min(deepMm, webHighMm) / webHighMm) ** 1.4;
