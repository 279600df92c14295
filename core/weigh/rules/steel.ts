import type { Finding } from '../finding';
import { actOn } from '../mended';
import type { MemberPicture } from '../picture';

/**
 * Heat-treated rails are not weld-repaired unless the maker says so. Steel nobody has identified is treated as heat-treated on an open rail of a
 * ladder, and elsewhere taken as mild, which is said (common practice, no source).
 */
export function steelAllowsWelding(picture: MemberPicture): Finding[] {
  const wantsWelding = picture.zones.length > 0 || picture.cracks.length > 0;
  if (wantsWelding && picture.steel.id === 'presumed-mild')
    return [
      {
        code: 'steel-presumed',
        verdict: 'Leave',
        quantity: 'count',
        source: 'practice',
        firmness: 'could flip with one more reading',
      },
    ];
  if (!wantsWelding || picture.steel.weldRepair === 'yes') return [];
  if (picture.steel.id === 'unknown')
    return [
      {
        code: 'steel-unknown',
        verdict: 'Can’t say',
        quantity: 'count',
        source: 'practice',
        firmness: 'open',
      },
    ];
  return [
    {
      code: 'steel-heat-treated',
      // Bolted through its web, with no heat, a shop that bolts can mend what it may not weld.
      verdict: picture.ways.approach === 'bolt on' ? actOn(picture) : 'Renew',
      quantity: 'count',
      source: 'weldByMaker',
      firmness: 'firm',
    },
  ];
}
