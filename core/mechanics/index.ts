export * from './section';
export * from './beam';
export * from './fracture';
export { baseMetalStrengthNPerMm, filletStrengthNPerMm, filletThroatMm, plugStrengthN } from './weld';
