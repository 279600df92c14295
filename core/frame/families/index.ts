import type { Family, Frame } from '../frame';
import { boxedLadder, mixedLadder, openLadder } from './ladder';
import type { FamilyChoice, FamilyDefinition } from './parts';
import { beamTrailerFamily, goosenecks, semiTrailers } from './trailers';
import { unibodies } from './unibody';

const DEFINITIONS: readonly FamilyDefinition[] = [
  openLadder,
  boxedLadder,
  mixedLadder,
  beamTrailerFamily,
  goosenecks,
  semiTrailers,
  unibodies,
];
export const familyOf = (family: Family): FamilyDefinition =>
  DEFINITIONS.find((definition) => definition.family === family)!;

/** The frame a family starts from. A starting point to be edited, not a maker's drawing. */
export const defaultFrame = (choice: FamilyChoice): Frame => familyOf(choice.family).build(choice);

export { crossmember, type FamilyChoice, type FamilyDefinition } from './parts';
