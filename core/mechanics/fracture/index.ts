export {
  centreCrackFactor,
  edgeCrackFactor,
  holeCrackFactor,
  intensityPerMpa,
  type CrackedStrip,
} from './intensity';
export { driveAt, growthCurve, integrateOverLog, lengthAt, parisCycles, type GrowthCurve } from './growth';
