import { signWeight, type LookResult, type Sign, type SignKind } from '../../walk';
import { partedShare, standingAgainst, type Saying } from '../../metal';
import type { Finding, FindingCode, Verdict } from '../finding';
import type { MemberPicture } from '../picture';
import { actOn, isMended } from '../mended';

/** What was seen, struck and found on foot, and what was not seen. */
export function walked(picture: MemberPicture): Finding[] {
  return [...unseen(picture), ...foundByHand(picture), ...partedByHand(picture), ...fastened(picture)];
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

/** A kind of thing found by eye, hammer and finger: its code, what it asks for, and how it is told from the others. */
interface HandRule {
  readonly code: FindingCode;
  readonly verdict: (picture: MemberPicture) => Verdict;
  readonly source: Finding['source'];
  readonly firmness: Finding['firmness'];
  readonly is: (saying: Saying) => boolean;
}
const HAND_RULES: readonly HandRule[] = [
  {
    code: 'crack-not-traced',
    verdict: actOn,
    source: 'crack',
    firmness: 'open',
    is: ({ claim, unlocated }) => claim === 'parted' && unlocated === true,
  },
  {
    code: 'looked-failed',
    verdict: actOn,
    source: 'practice',
    firmness: 'firm',
    is: ({ claim, unlocated }) => claim === 'gone' && unlocated === true,
  },
  {
    code: 'struck-failed',
    verdict: actOn,
    source: 'practice',
    firmness: 'firm',
    is: ({ claim, unlocated }) => claim === 'gone' && !unlocated,
  },
  {
    code: 'looked-doubtful',
    verdict: () => 'Can’t say',
    source: 'practice',
    firmness: 'could flip with one more reading',
    is: ({ claim, what }) => claim === 'doubtful' && !isCrackEnd(what) && !FAILED_LOOKS.has(what),
  },
  {
    code: 'layered-repair',
    verdict: () => 'Can’t say',
    source: 'practice',
    firmness: 'open',
    is: ({ claim, isSkin }) => claim === 'hidden' && isSkin === true,
  },
  {
    code: 'coated-over',
    verdict: () => 'Can’t say',
    source: 'practice',
    firmness: 'open',
    is: ({ claim, isSkin }) => claim === 'hidden' && !isSkin,
  },
];
/** What a failed look says of the rest of its extent is said by the look itself. */
const FAILED_LOOKS: ReadonlySet<string> = new Set<LookResult>(['soft', 'through', 'cracked']);
const isCrackEnd = (what: string): boolean => what.startsWith('a crack’s end');

/** One reason a kind of thing, however many places it was found at. */
function foundByHand(picture: MemberPicture): Finding[] {
  const against = standingAgainst(picture.account);
  return HAND_RULES.flatMap((rule) => {
    const places = against.filter(rule.is);
    const [first] = places;
    if (!first) return [];
    return [
      finding(rule.code, rule.verdict(picture), rule.source, {
        value: places.length,
        name: placeNames(places),
        firmness: rule.firmness,
        at: {
          fromMm: Math.max(0, Math.min(...places.map(({ fromMm }) => fromMm))),
          toMm: Math.min(picture.member.lengthMm, Math.max(...places.map(({ toMm }) => toMm))),
        },
      }),
    ];
  });
}

/** How many places are named before the rest are only counted. */
const NAMED = 2;
const placeNames = (places: readonly Saying[]): string =>
  namedFew(places.map(({ where, what }) => (where ? `${where}: ${what}` : what)));
function namedFew(all: readonly string[]): string {
  const names = [...new Set(all)];
  const rest = names.length - NAMED;
  return names.slice(0, NAMED).join('; ') + (rest > 0 ? `; and ${rest} more` : '');
}

/** Gone or cracked over more than the shop's share of its outline, a member is parted: no plate bridges that by itself. */
function partedByHand(picture: MemberPicture): Finding[] {
  const { account, member, practice } = picture;
  const shares = Array.from(account.stationsMm, (_, column) => partedShare(account, column));
  const worst = Math.max(...shares);
  if (!(worst > practice.hand.partedShare)) return [];
  const at = account.stationsMm.filter((_, column) => shares[column]! > practice.hand.partedShare);
  return [
    finding('parted-by-hand', isMended(member) ? 'Splice' : 'Renew', 'practice', {
      quantity: 'fraction',
      value: worst,
      limit: practice.hand.partedShare,
      at: { fromMm: at[0]!, toMm: at[at.length - 1]! },
    }),
  ];
}

/** What holds the member to others: fastenings, the maker's own welds, joints that were meant to move. */
const FASTENED: Partial<Record<SignKind, readonly [FindingCode, Verdict, Finding['source']]>> = {
  fastener: ['fastener', 'Mend', 'fastened'],
  'maker’s weld': ['maker-weld', 'Mend', 'practice'],
  'welded solid': ['welded-solid', 'Watch', 'practice'],
};

/** One reason a kind of thing, however many places it was found at. */
function fastened({ signs = [] }: MemberPicture): Finding[] {
  return Object.entries(FASTENED).flatMap(([kind, [code, verdict, source]]) => {
    const places = signs.filter(({ detail }) => detail.sign === kind && signWeight(detail) === 'doubtful');
    if (places.length === 0) return [];
    return [
      finding(code, verdict, source, {
        value: places.length,
        name: namedFew(places.map(nameOf)),
        at: {
          fromMm: Math.min(...places.map(({ stationMm }) => stationMm)),
          toMm: Math.max(...places.map(({ stationMm, toMm }) => toMm ?? stationMm)),
        },
      }),
    ];
  });
}

function nameOf({ detail }: Sign): string {
  switch (detail.sign) {
    case 'fastener':
      return `${detail.is} ${detail.state}`;
    case 'maker’s weld':
      return `weld ${detail.state}`;
    case 'welded solid':
      return detail.joint;
    default:
      return detail.sign;
  }
}
