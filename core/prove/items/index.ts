import { MAY_STAND, type ItemSource, type OpenItem, type ProveScene } from './item';
import {
  causes,
  complaints,
  failedTries,
  geometry,
  looks,
  snags,
  temporaries,
  undecided,
  unjudged,
} from './proofs';
import {
  bolts,
  closedIn,
  gates,
  isCutInto,
  landings,
  metalWork,
  refits,
  seams,
  stages,
  unreadable,
} from './work';

export {
  CLOSED_IN,
  MAY_STAND,
  OPEN_CODES,
  type ClosedIn,
  type ItemSource,
  type MayStand,
  type OpenCode,
  type OpenItem,
  type ProveScene,
} from './item';

export { isCutInto };

/** Where open items come from: a new kind of them is a function here. */
export const ITEM_SOURCES: readonly ItemSource[] = [
  refits,
  metalWork,
  seams,
  landings,
  closedIn,
  unreadable,
  bolts,
  gates,
  temporaries,
  failedTries,
  geometry,
  complaints,
  causes,
  undecided,
  unjudged,
  stages,
  snags,
  looks,
];

/** Everything open, what nobody may let stand first. */
export const openItems = (scene: ProveScene): OpenItem[] =>
  ITEM_SOURCES.flatMap((source) => source(scene)).sort(
    (a, b) => MAY_STAND.indexOf(a.may) - MAY_STAND.indexOf(b.may),
  );
