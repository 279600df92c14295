import type { Approach } from '../../reference';
import { isBolted } from '../bolting';
import type { RepairFinding } from '../repair-finding';
import type { RepairPicture } from '../repair-picture';

/** Schools that weld plates on; the others splice, renew or bolt. */
export const WELDS_PLATES: readonly Approach[] = ['repair', 'preservation'];

/** Steel that its maker does not let be welded, or that nobody has identified on a heavy truck's rail, takes no plate, whoever draws it. */
export const steelTakesWelds = ({ picture: { steel } }: RepairPicture): RepairFinding[] =>
  steel.weldRepair === 'yes'
    ? []
    : [
        {
          code: 'steel-not-welded',
          weight: 'broken',
          quantity: 'count',
          source: 'practice',
          name: steel.name,
        },
      ];

/** Schools that bolt plates on, where they are not to be welded or always. */
export const BOLTS_PLATES: readonly Approach[] = [...WELDS_PLATES, 'bolt on'];

/** A plate drawn by hand in a shop that puts on none, or not like that: its own choice, said. */
export const shopPlates = ({ picture: { ways }, repair }: RepairPicture): RepairFinding[] =>
  (isBolted(repair) ? BOLTS_PLATES : WELDS_PLATES).includes(ways.approach)
    ? []
    : [
        {
          code: 'not-this-school',
          weight: 'deviation',
          quantity: 'count',
          source: 'practice',
          name: ways.approach,
        },
      ];
