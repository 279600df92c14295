export * from './solved';
export { defaultLiftPoints, type LiftPoints } from './lift-points';
export { heightOfMm, sprungMassKg, totalKg, usualHeightMm } from './gravity';
export { solveCases, solveStanding } from './solve';
export { ON_STANDS_G, solveOnStands, usualStands } from './stands';
