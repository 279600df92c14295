export * from './section';
export { baseMetalStrengthNPerMm, filletStrengthNPerMm, filletThroatMm, plugStrengthN } from './weld';
