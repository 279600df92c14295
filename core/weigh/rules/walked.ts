import { isFailed, signWeight, type Sign, type SignKind } from '../../walk';
import type { Finding, FindingCode, Verdict } from '../finding';
import type { MemberPicture } from '../picture';
import { actOn } from '../mended';

/** What was seen, struck and found on foot, and what was not seen. */
export function walked(picture: MemberPicture): Finding[] {
  return [...unseen(picture), ...looked(picture), ...signed(picture)];
}

const finding = (
  code: FindingCode,
  verdict: Verdict,
  source: Finding['source'],
  more: Partial<Finding> = {},
): Finding => ({ code, verdict, quantity: 'count', source, firmness: 'firm', ...more });

/** Critical spots nobody saw, against the shop's share; and the twin of a bad spot. */
function unseen({ walk, practice }: MemberPicture): Finding[] {
  if (!walk) return [];
  const critical = walk.spots.filter((state) => state.spot.critical);
  const missed = critical.filter((state) => !state.seen);
  const share = critical.length ? missed.length / critical.length : 0;
  const [first, last] = [missed[0], missed[missed.length - 1]];
  return [
    ...(share > practice.walk.unseenShare
      ? [
          finding('spots-unseen', 'Can’t say', 'seen', {
            quantity: 'fraction',
            value: share,
            limit: practice.walk.unseenShare,
            name: first!.spot.title,
            firmness: 'open',
            at: {
              fromMm: Math.min(first!.spot.fromMm!, last!.spot.fromMm!),
              toMm: Math.max(first!.spot.toMm!, last!.spot.toMm!),
            },
          }),
        ]
      : []),
    ...walk.twinBad.slice(0, 1).map((state) =>
      finding('twin-unseen', 'Can’t say', 'practice', {
        name: state.spot.title,
        firmness: 'open',
        at: { fromMm: state.spot.fromMm!, toMm: state.spot.toMm! },
      }),
    ),
  ];
}

/** The worst result of a look. A crack somebody saw but nobody traced is longer than it looks. */
function looked(picture: MemberPicture): Finding[] {
  const worst = picture.walk?.worst;
  if (!worst?.result) return [];
  const about = {
    name: `${worst.spot.title}: ${worst.result}`,
    at: { fromMm: worst.spot.fromMm!, toMm: worst.spot.toMm! },
  };
  if (worst.result === 'cracked')
    return picture.cracks.length
      ? []
      : [finding('crack-not-traced', actOn(picture.member), 'crack', { ...about, firmness: 'open' })];
  return isFailed(worst.result)
    ? [finding('looked-failed', actOn(picture.member), 'practice', about)]
    : [
        finding(
          'looked-doubtful',
          worst.result === 'patched before' || worst.result === 'delaminating' ? 'Can’t say' : 'Watch',
          'practice',
          { ...about, firmness: 'could flip with one more reading' },
        ),
      ];
}

const SAYS: Partial<
  Record<SignKind, readonly [FindingCode, (picture: MemberPicture) => Verdict, Finding['source']]>
> = {
  struck: ['struck-failed', ({ member }) => actOn(member), 'practice'],
  'light through': ['struck-failed', ({ member }) => actOn(member), 'practice'],
  hole: ['struck-failed', ({ member }) => actOn(member), 'practice'],
  layers: ['layered-repair', () => 'Can’t say', 'practice'],
  'old repair': ['layered-repair', () => 'Can’t say', 'practice'],
  coating: ['coated-over', () => 'Can’t say', 'practice'],
  fastener: ['fastener', () => 'Mend', 'fastened'],
  'maker’s weld': ['maker-weld', () => 'Mend', 'practice'],
  'welded solid': ['welded-solid', () => 'Watch', 'practice'],
};
const COUNTS: Partial<Record<SignKind, readonly string[]>> = {
  struck: ['failed'],
  'light through': ['failed'],
  hole: ['failed'],
  layers: ['hides'],
  coating: ['hides'],
  'old repair': ['hides', 'doubtful'],
  fastener: ['doubtful'],
};

/** One finding a kind of sign, at the first of its places. What hides metal stops counting once the metal beneath was read or struck later. */
function signed(picture: MemberPicture): Finding[] {
  const signs = picture.signs ?? [];
  const said = new Map<FindingCode, Finding>();
  for (const sign of signs) {
    const says = SAYS[sign.detail.sign];
    const weight = signWeight(sign.detail);
    if (
      !says ||
      (COUNTS[sign.detail.sign] && !COUNTS[sign.detail.sign]!.includes(weight)) ||
      (weight === 'hides' && wasOpened(sign, signs))
    )
      continue;
    const [code, verdict, source] = says;
    if (!said.has(code))
      said.set(
        code,
        finding(code, verdict(picture), source, {
          name: nameOf(sign),
          at: { fromMm: sign.stationMm, toMm: sign.toMm ?? sign.stationMm },
        }),
      );
  }
  return [...said.values()];
}

/** Looked at beneath: struck or lit at the same place after the cover was noted. */
const BENEATH_MM = 100;
const wasOpened = (cover: Sign, signs: readonly Sign[]): boolean =>
  signs.some(
    (sign) =>
      (sign.detail.sign === 'struck' ||
        sign.detail.sign === 'delamination' ||
        sign.detail.sign === 'light through') &&
      sign.at > cover.at &&
      sign.stationMm >= cover.stationMm - BENEATH_MM &&
      sign.stationMm <= (cover.toMm ?? cover.stationMm) + BENEATH_MM,
  );

function nameOf({ detail }: Sign): string {
  switch (detail.sign) {
    case 'layers':
      return `${detail.counted} layers where ${detail.expected} were made`;
    case 'old repair':
      return detail.cover;
    case 'coating':
      return detail.coat;
    case 'fastener':
      return `${detail.is} ${detail.state}`;
    case 'maker’s weld':
      return `weld ${detail.state}`;
    case 'welded solid':
      return detail.joint;
    case 'struck':
      return `${detail.tool}: ${detail.answer}`;
    case 'light through':
      return 'light shines through';
    case 'hole':
      return 'a hole that should not be there';
    default:
      return detail.sign;
  }
}
