export * from './section';
export * from './beam';
export * from './fracture';
export * from './group';
export * from './heat';
export { baseMetalStrengthNPerMm, filletStrengthNPerMm, filletThroatMm, plugStrengthN } from './weld';
