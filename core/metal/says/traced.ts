import type { MemberShape } from '../../frame';
import type { HandPractice } from '../../reference';
import type { FeltEdge } from '../../probe';
import { crackExtent, unrolledPath, type SeenCrack } from '../../trace';
import type { Saying } from '../saying';

/** A crack whose end was not found runs on at least this far, mm: doubtful there (common practice, no source). */
const PAST_END_MM = 25;

/** The strips a crack crosses do not carry at its stations; past an end that was not found metal is doubtful. */
export function crackSays(crack: SeenCrack, shape: MemberShape): Saying[] {
  const path = unrolledPath(shape, crack.path);
  const us = path.map(([, u]) => u);
  const { fromMm, toMm } = crackExtent(crack);
  const about = { by: 'seen' as const, recordId: crack.id, at: (crack.lastLook ?? crack).at, what: 'crack' };
  const band = { uFromMm: Math.min(...us), uToMm: Math.max(...us) };
  const along = toMm - fromMm > band.uToMm - band.uFromMm;
  const open = !crack.startFound || !crack.finishFound;
  return [
    ...(open
      ? [
          {
            ...about,
            what: 'a crack’s end not found',
            claim: 'doubtful' as const,
            fromMm: fromMm - (along ? PAST_END_MM : 0),
            toMm: toMm + (along ? PAST_END_MM : 0),
            band: along ? band : { uFromMm: band.uFromMm - PAST_END_MM, uToMm: band.uToMm + PAST_END_MM },
          },
        ]
      : []),
    { ...about, claim: 'parted', fromMm, toMm, band },
  ];
}

/** A finger's edge: full above, unsound below, as far as a hand reaches along. */
export function feltSays(felt: FeltEdge, practice: HandPractice): Saying[] {
  const about = {
    by: 'felt' as const,
    recordId: felt.id,
    at: felt.at,
    what: 'felt edge',
    face: felt.face,
    fromMm: felt.stationMm - practice.tapReachMm,
    toMm: felt.stationMm + practice.tapReachMm,
  };
  return [
    { ...about, claim: 'held', keptLow: practice.feltKept, lowMm: felt.upperMm, highMm: Infinity },
    ...(felt.upperMm > felt.lowerMm
      ? [{ ...about, claim: 'doubtful' as const, lowMm: felt.lowerMm, highMm: felt.upperMm }]
      : []),
    ...(felt.lowerMm > 0 ? [{ ...about, claim: 'unsound' as const, lowMm: 0, highMm: felt.lowerMm }] : []),
  ];
}
