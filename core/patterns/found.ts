import { ofKind } from '../frame';
import type { Crack } from '../trace';
import { isDoubtful, isOnlyTold, signWeight, type Look, type Sign } from '../walk';

/** A place on a member as somebody found it: bad where it failed or is doubtful, sound where it was looked at and was good. Stations are the member's own. */
export interface FoundThere {
  readonly id: string;
  readonly memberId: string;
  readonly fromMm: number;
  readonly toMm: number;
  readonly at: string;
  readonly is: 'bad' | 'sound';
  readonly what: string;
  /** Nobody here looked: somebody told it. */
  readonly isTold?: true;
}

/** Evidence that tells of a place being bad or sound. */
export const TELLING_KINDS = ['sign', 'crack', 'look'] as const;

/**
 * Places that were found bad or sound: signs of failed or hidden metal, cracks, looks at what is there. What nobody saw says nothing, and what was
 * only told clears nothing. Struck evidence is left out before.
 */
export const foundIn = (evidence: readonly (Sign | Crack | Look)[]): FoundThere[] => [
  ...ofKind(evidence, 'sign')
    .filter(({ detail }) => ['failed', 'hides'].includes(signWeight(detail)))
    .map(({ stationMm, toMm = stationMm, detail, ...sign }) => ({
      ...stampOf(sign),
      memberId: sign.memberId,
      fromMm: stationMm,
      toMm,
      is: 'bad' as const,
      what: detail.sign,
    })),
  ...ofKind(evidence, 'crack').map(({ path, ...crack }) => ({
    ...stampOf(crack),
    memberId: crack.memberId,
    fromMm: Math.min(...path.map(({ stationMm }) => stationMm)),
    toMm: Math.max(...path.map(({ stationMm }) => stationMm)),
    is: 'bad' as const,
    what: 'crack',
  })),
  ...ofKind(evidence, 'look').flatMap(lookedAt),
];

function lookedAt({ memberId, stationMm, result, ways, ...look }: Look): FoundThere[] {
  if (memberId === undefined || stationMm === undefined || result === 'not seen') return [];
  const is = isDoubtful(result) ? ('bad' as const) : ('sound' as const);
  const isTold = isOnlyTold(ways);
  if (is === 'sound' && isTold) return [];
  const at = { memberId, fromMm: stationMm, toMm: stationMm };
  return [{ ...stampOf(look), ...at, is, what: result, ...(isTold && { isTold }) }];
}

const stampOf = ({ id, at }: { readonly id: string; readonly at: string }) => ({ id, at });
