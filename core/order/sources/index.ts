import { aligning } from './aligning';
import { asked, transit } from './asked';
import { baseline } from './baseline';
import { coating } from './coating';
import { cracks } from './cracks';
import { plates } from './plates';
import { proving } from './proving';
import type { TaskSource } from './source';
import { stripping } from './stripping';
import { supports } from './supports';
import { renewals, works } from './works';

export { locatesAxle, strikesArc } from './stripping';

/** Where tasks come from, a file each. */
export const TASK_SOURCES: readonly TaskSource[] = [
  baseline,
  stripping,
  supports,
  aligning,
  cracks,
  plates,
  works,
  renewals,
  asked,
  transit,
  coating,
  proving,
];
