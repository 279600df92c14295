export * from './section';
export * from './beam';
export { baseMetalStrengthNPerMm, filletStrengthNPerMm, filletThroatMm, plugStrengthN } from './weld';
