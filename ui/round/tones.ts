import { KEPT_LEVELS } from '@/core/probe';
import type { RoundFace } from '@/core/job';

/** Token of a face's colour: walls by what is left of them, the one nobody knows of its own; steel and joints each their own. */
export function toneOf({ part, kept }: Pick<RoundFace, 'part' | 'kept'>): string {
  switch (part) {
    case 'wall':
      return kept === undefined ? 'hatch' : `kept-${KEPT_LEVELS.filter((level) => kept < level).length + 1}`;
    case 'plate':
      return 'slate';
    case 'weld':
    case 'drain':
      return 'ink';
    case 'bolt':
      return 'soft';
    case 'fitting':
      return 'edge';
    case 'crossmember':
      return 'rule';
    default:
      return part satisfies never;
  }
}

/** Grey of a face on paper, 0 black to 1 white: worn walls darker, plates mid, joints black. */
export function greyOf({ part, kept }: Pick<RoundFace, 'part' | 'kept'>): number {
  switch (part) {
    case 'wall':
      return kept === undefined ? 0.9 : 0.35 + 0.6 * kept;
    case 'plate':
      return 0.62;
    case 'weld':
    case 'drain':
    case 'bolt':
      return 0.1;
    case 'fitting':
      return 0.5;
    case 'crossmember':
      return 0.8;
    default:
      return part satisfies never;
  }
}
