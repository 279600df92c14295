export { WELD_LINK, hasMetal, type Midline, type Section, type MidlineNode, type Strip } from './section';
export { midline, section, withThickness } from './midline';
export { sectionProperties, shearCentre, shearFlow, type SectionProperties, type ShearFlow } from './properties';
