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
