import type { HandPractice } from '../../reference';
import { isLetGo, isWornOrRusted, type Sign, type SignDetail } from '../../walk';
import type { Claim, KnownBy, Saying } from '../saying';

/** A light tap that goes in has found at least this much gone round it, mm (common practice, no source: a thumb). */
const THUMB_MM = 25;

/** What a sign claims: of which face, over which extent, how it is known. Undefined where it says nothing of metal. */
interface Word {
  readonly claim: Claim;
  readonly by: KnownBy;
  readonly what: string;
  /** How far it reaches to each side of its place where it has no length of its own; the tap's reach where nothing is said. */
  readonly reachMm?: number;
  /** How far up and down; the face's whole height where nothing is said. */
  readonly highMm?: number;
  readonly wholeSection?: boolean;
  readonly isSkin?: boolean;
  readonly isShape?: boolean;
}

export function signSays(sign: Sign, practice: HandPractice): Saying[] {
  const word = wordOf(sign.detail);
  if (!word) return [];
  const runs = sign.toMm !== undefined && sign.toMm > sign.stationMm;
  const extent = (reachMm: number) => ({
    fromMm: sign.stationMm - (runs ? 0 : reachMm),
    toMm: (runs ? sign.toMm! : sign.stationMm) + (runs ? 0 : reachMm),
  });
  return [
    ...(word.claim === 'gone' ? [collar(sign, word, practice)] : []),
    {
      claim: word.claim,
      by: word.by,
      recordId: sign.id,
      at: sign.at,
      what: word.what,
      ...extent(word.reachMm ?? practice.tapReachMm),
      ...(!word.wholeSection && { face: sign.face }),
      ...(word.highMm !== undefined && {
        lowMm: sign.heightMm - word.highMm,
        highMm: sign.heightMm + word.highMm,
      }),
      ...(word.isSkin && { isSkin: true }),
      ...(word.isShape && { isShape: true }),
      ...(word.claim === 'held' && { keptLow: practice.struckKept }),
    },
  ];
}

/** Rust goes on past the hole it has made: round gone metal its face is doubtful as far as a tap speaks. */
const collar = (sign: Sign, { by, what }: Word, { tapReachMm }: HandPractice): Saying => ({
  claim: 'doubtful',
  by,
  recordId: sign.id,
  at: sign.at,
  what: `round it: ${what}`,
  isRound: true,
  face: sign.face,
  fromMm: sign.stationMm - tapReachMm,
  toMm: (sign.toMm ?? sign.stationMm) + tapReachMm,
});

function wordOf(detail: SignDetail): Word | undefined {
  switch (detail.sign) {
    case 'struck':
      return struckSays(detail);
    case 'layers':
      return detail.counted > detail.expected ? hides(`${detail.counted} layers`) : undefined;
    case 'old repair':
      return hides(detail.cover);
    case 'coating':
      return detail.coat === 'thick rubber over a seam' || detail.coat === 'paint over pits'
        ? { claim: 'hidden', by: 'seen', what: detail.coat }
        : undefined;
    case 'debris':
      return detail.full >= 0.25 || detail.wet === 'wet' ? doubt('wet debris inside', 'seen') : undefined;
    case 'light through':
      return detail.shows === 'it lights up' ? gone('light shines through', 'seen') : undefined;
    case 'delamination':
      return doubt('delaminating', 'seen');
    case 'dent':
      return { ...doubt('dent', 'seen'), reachMm: detail.acrossMm / 2, highMm: detail.acrossMm / 2 };
    case 'hole':
      return holeSays(detail);
    case 'holds it together':
      return { ...doubt(`held together by ${detail.part}`, 'seen'), wholeSection: true };
    case 'opened':
      return { claim: 'opened', by: 'opened', what: detail.how };
    case 'out of shape':
      return isLetGo(detail.is) ? gone(detail.is, 'seen') : { ...doubt(detail.is, 'seen'), isShape: true };
    case 'put right':
      if (detail.done === 'straightened and checked')
        return { claim: 'straightened', by: 'opened', what: detail.done, wholeSection: true };
      return { claim: 'put right', by: 'opened', what: detail.done, wholeSection: true };
    case 'fastener':
    case 'maker’s weld':
    case 'welded solid':
    case 'not a crack':
    case 'access':
      return undefined;
    default:
      return detail satisfies never;
  }
}

const gone = (what: string, by: KnownBy): Word => ({
  claim: 'gone',
  by,
  what,
  reachMm: THUMB_MM,
  highMm: THUMB_MM,
});
const doubt = (what: string, by: KnownBy): Word => ({ claim: 'doubtful', by, what });
const hides = (what: string): Word => ({ claim: 'hidden', by: 'seen', what, isSkin: true });

function struckSays({ tool, answer }: Extract<SignDetail, { sign: 'struck' }>): Word {
  if (answer === 'gave way') return gone(`${tool} went in`, 'struck');
  if (answer === 'even ring')
    return tool === 'pick' ? seen('picked, holds') : { claim: 'held', by: 'struck', what: 'rings evenly' };
  return doubt(`${tool}: ${answer}`, 'struck');
}
const seen = (what: string): Word => ({ claim: 'seen', by: 'seen', what });

/** What is missing beyond what was made: a hole nobody made is gone whole, a worn one is as large as it is now. */
function holeSays(hole: Extract<SignDetail, { sign: 'hole' }>): Word | undefined {
  if (!isWornOrRusted(hole)) return undefined;
  return {
    claim: 'gone',
    by: 'seen',
    what: hole.expectedMm === undefined ? 'a hole nobody made' : 'a worn hole',
    reachMm: (hole.longMm ?? hole.acrossMm) / 2,
    highMm: hole.acrossMm / 2,
  };
}
