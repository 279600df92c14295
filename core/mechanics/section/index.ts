export { WELD_LINK, hasMetal, type Midline, type Section, type MidlineNode, type Strip } from './section';
export { midline, section, withThickness } from './midline';
export {
  sectionProperties,
  shearCentre,
  shearFlow,
  type SectionProperties,
  type ShearFlow,
} from './properties';
export { omegaAt, torsionFlow, warping, type Warping } from './warping';
export { plasticModuli, type PlasticModuli } from './plastic';
export { solveDense } from './linear';
