export * from './section';
export * from './beam';
export * from './fracture';
export * from './group';
export * from './heat';
export {
  acrossForce,
  baseMetalStrengthNPerMm,
  filletStrengthNPerMm,
  filletThroatMm,
  plugStrengthN,
} from './weld';
