import type { Finding } from '../finding';
import type { MemberPicture } from '../picture';

/** Zinc-coated metal: it asks for nothing, but whoever welds there strips it and minds the fume, or bolts. */
export const zincCoated = ({ signs = [] }: MemberPicture): Finding[] =>
  signs
    .filter(({ detail }) => detail.sign === 'coating' && detail.coat === 'zinc')
    .slice(0, 1)
    .map(({ stationMm, toMm }) => ({
      code: 'zinc-coated',
      verdict: 'Leave',
      quantity: 'count',
      source: 'practice',
      at: { fromMm: stationMm, toMm: toMm ?? stationMm },
      firmness: 'firm',
    }));
