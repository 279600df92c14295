import { gravity, hostsOf, type Carried, type Frame, type Host, type HostOn } from '../frame';
import type { HandPractice } from '../reference';
import {
  isDoubtful,
  isFailed,
  isToldOnly,
  openFinds,
  type Find,
  type FindIs,
  type OpenFind,
  type SpotState,
} from '../walk';
import { severity, type Finding, type Verdict } from './finding';

/** What a bad host asks for, as data. */
export const HOST_NEEDS = [
  'weld anew',
  'fasten anew',
  'bond anew',
  'renew it',
  'close the sheet',
  'clear it',
  'look closer',
] as const;
export type HostNeed = (typeof HOST_NEEDS)[number];

/** A bracket, joint, panel or closed space found bad by itself: what is to be done with it, and what falls or steers if it lets go. */
export interface HostVerdict {
  readonly on: HostOn;
  readonly id: string;
  readonly kind: Host['kind'];
  readonly name: string;
  /** The members it hangs on, joins, hides or lies in; the first is where it is drawn. */
  readonly memberIds: readonly string[];
  /** The first member's own station. */
  readonly stationMm: number;
  /** What was found of it, worst first. */
  readonly found: readonly string[];
  readonly needs: readonly HostNeed[];
  /** It carries nothing any more. */
  readonly carriesNothing: boolean;
  /** Of that: torn, broken, gone or rusted through, where worn, loose or bent still holds for now. */
  readonly hasLetGo: boolean;
  /** Cracked: it holds until it does not. */
  readonly isCracked: boolean;
  /** Somebody said that it is cracked or torn; nobody looked yet. */
  readonly isToldBad: boolean;
  readonly verdict: Extract<Verdict, 'Watch' | 'Mend' | 'Renew'>;
  readonly carries: readonly Carried[];
  /** Hearsay is open; what is only doubtful one closer look may settle. */
  readonly firmness: Finding['firmness'];
  /** Put right once in this job, and bad again: it points past itself. */
  readonly isAgain: boolean;
}

/** What was found of one host, from whichever record. */
interface Found {
  readonly words: string;
  readonly need: HostNeed;
  readonly carriesNothing: boolean;
  readonly hasLetGo: boolean;
  readonly isCracked: boolean;
  readonly isTold?: boolean;
  readonly verdict: HostVerdict['verdict'];
  readonly isAgain?: boolean;
}

/** Hosts that somebody looked at and found bad, worst first and of these first what the gravest thing hangs on; what was said of the member they hang on is the member's. */
export function hostVerdicts(
  frame: Frame,
  states: readonly SpotState[],
  finds: readonly Find[],
  hand: HandPractice,
): HostVerdict[] {
  const found = new Map<string, Found[]>();
  const note = (key: string, said: Found) => found.set(key, [...(found.get(key) ?? []), said]);
  const renewed = renewedAt(finds);
  for (const shown of states) {
    const state = shown.ofFitting ?? shown;
    const said = lookedAt(state);
    const key = said && keyOf(state.spot.host!);
    if (said && !((renewed.get(key!) ?? '') > state.look!.at)) note(key!, said);
  }
  for (const open of openFinds(finds, hand))
    note(keyOf({ on: open.find.on, id: open.find.hostId }), {
      ...foundOf(open),
      isAgain: finds.some((find) => putsRight(find, open.find)),
    });
  return hostsOf(frame)
    .flatMap((host) => {
      const said = found.get(keyOf(host));
      return said ? [verdictOf(host, said)] : [];
    })
    .sort((a, b) => severity(b.verdict) - severity(a.verdict) || gravity(a.carries) - gravity(b.carries));
}

/** Whether one find is of the mending of what the other is of: its part, or the whole thing renewed. */
const putsRight = ({ on, hostId, part, state }: Find, other: Find): boolean =>
  state.is === 'put right' &&
  on === other.on &&
  hostId === other.hostId &&
  (state.done === 'renewed whole' || part === other.part);

const keyOf = ({ on, id }: Pick<Host, 'on' | 'id'>): string => `${on} ${id}`;

/** When each host was last renewed whole: what was seen of it before was another. */
const renewedAt = (finds: readonly Find[]): ReadonlyMap<string, string> =>
  new Map(
    finds.flatMap(({ on, hostId, state, at }) =>
      state.is === 'put right' && state.done === 'renewed whole' ? [[keyOf({ on, id: hostId }), at]] : [],
    ),
  );

/** A result at a host's spot is the host's where that was said, and always where the spot is of no member's wall. */
function lookedAt({ spot, look, result }: SpotState): Found | undefined {
  if (!spot.host || (spot.memberId !== undefined && look?.on !== 'fitting')) return undefined;
  if (result === undefined || !isDoubtful(result)) return undefined;
  const failed = isFailed(result);
  return {
    words: result,
    need: failed ? 'renew it' : 'look closer',
    carriesNothing: failed,
    hasLetGo: failed && result !== 'cracked',
    isCracked: result === 'cracked',
    verdict: failed ? 'Renew' : 'Watch',
  };
}

/** Welds and fastenings are made good where they are; a thing that is itself gone, worn or torn is renewed. */
const MADE_GOOD: Partial<Record<Find['part'], HostNeed>> = {
  weld: 'weld anew',
  fasteners: 'fasten anew',
  bond: 'bond anew',
  sheet: 'close the sheet',
};

/** States of a part that hold nothing (our reading). */
const LETS_GO: readonly FindIs[] = ['torn', 'broken', 'missing', 'rusted through'];

function foundOf({ find: { part, state }, weight, grownMm }: OpenFind): Found {
  const grown = grownMm === undefined ? '' : ', and growing';
  const isShut = part === 'inside' || part === 'drain';
  return {
    words: `${part} ${state.is}${grown}${isToldOnly(state) ? ', by hearsay' : ''}`,
    need: weight === 'failed' ? (MADE_GOOD[part] ?? 'renew it') : isShut ? 'clear it' : 'look closer',
    carriesNothing: weight === 'failed',
    hasLetGo: weight === 'failed' && LETS_GO.includes(state.is),
    isCracked: weight === 'failed' && state.is === 'cracked',
    isTold: isToldOnly(state),
    verdict: weight === 'doubtful' ? 'Watch' : MADE_GOOD[part] ? 'Mend' : 'Renew',
  };
}

function verdictOf(host: Host, said: readonly Found[]): HostVerdict {
  const ranked = [...said].sort((a, b) => severity(b.verdict) - severity(a.verdict));
  return {
    on: host.on,
    id: host.id,
    kind: host.kind,
    name: host.name,
    memberIds: [...new Set(host.spans.map(({ memberId }) => memberId))],
    stationMm: host.spans[0] ? (host.spans[0].fromMm + host.spans[0].toMm) / 2 : 0,
    found: [...new Set(ranked.map(({ words }) => words))],
    needs: [...new Set(ranked.map(({ need }) => need))],
    carriesNothing: said.some((each) => each.carriesNothing),
    hasLetGo: said.some((each) => each.hasLetGo),
    isCracked: said.some((each) => each.isCracked),
    isToldBad: said.some((each) => each.isTold),
    verdict: ranked[0]!.verdict,
    carries: host.carries,
    firmness: said.every((each) => each.isTold)
      ? 'open'
      : said.some((each) => each.carriesNothing)
        ? 'firm'
        : 'could flip with one more reading',
    isAgain: said.some((each) => each.isAgain),
  };
}

/** Brackets and joints carry the frame; a skin or a closed space tells of what does. */
export const carriesFrame = ({ on }: Pick<HostVerdict, 'on'>): boolean => on === 'fitting' || on === 'joint';
