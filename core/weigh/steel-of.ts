import { steel, type Steel } from '../reference';
import { isClosed, type Family, type Frame, type Member } from '../frame';

/** Ladders whose open rails may be heat-treated. */
const MAY_BE_TREATED: ReadonlySet<Family> = new Set<Family>(['open-channel ladder', 'mixed ladder']);

/**
 * What a member is taken to be made of. Not identified, it is treated as heat-treated on a ladder's open rail only: nobody heat-treats crossmembers,
 * trailer beams or sheet (common practice, no source; a label or a hardness test settles it).
 */
export function steelOf({ family }: Pick<Frame, 'family'>, { steel: id, role, shape }: Member): Steel {
  if (id !== 'unknown') return steel(id);
  const isOpenRail = role === 'rail' && !isClosed(shape) && MAY_BE_TREATED.has(family);
  return steel(isOpenRail ? 'unknown' : 'presumed-mild');
}
