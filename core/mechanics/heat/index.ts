export { riseK, STEEL_PLATE, type PlateHeat } from './thin-plate';
