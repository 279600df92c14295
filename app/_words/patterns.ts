import type {
  FailedUnit,
  Fault,
  FaultPlace,
  Held,
  ListedPattern,
  NormLearnt,
  tallyOf,
  ToCallIn,
  Unlike,
} from '@/core/patterns';
import { printLength, type UnitSystem } from '@/core/quantity';
import { pieceName, type Repair } from '@/core/shape';
import { dayWords } from './dates';

/** What a repair is made of, as a line. */
export const madeOfWords = ({ pieces, cutOut, bolts }: Pick<Repair, 'pieces' | 'cutOut' | 'bolts'>): string =>
  `${pieces.map(pieceName).join(' and ')}, ${bolts ? 'bolted' : cutOut ? 'bad metal cut out' : 'laid over'}`;

/** In what a member differs from what a pattern was made on. */
export function unlikeWords(unlike: Unlike, { pieces }: Pick<Repair, 'pieces'>, system: UnitSystem): string {
  switch (unlike.code) {
    case 'other side':
      return 'the other side: its flats are cut as the other hand';
    case 'section': {
      const [was, is] = [unlike.wasMm, unlike.isMm].map((mm) =>
        printLength(mm, system, unlike.what === 'thickness' ? 'thickness' : 'length'),
      );
      return `${unlike.what} ${is}, where it was made ${was}`;
    }
    case 'length': {
      const [was, is] = [unlike.wasMm, unlike.isMm].map((mm) => printLength(mm, system, 'length'));
      return `${pieceName(pieces[unlike.piece]!)} comes out ${is} long, where it was made ${was}`;
    }
    case 'measured from':
      return `${pieceName(pieces[unlike.piece]!)} is measured from a ${unlike.is}: it has no ${unlike.was} like the one it was made by`;
    default:
      return unlike satisfies never;
  }
}

export function heldWords(held: Held): string {
  switch (held.is) {
    case 'not closed':
      return 'its job is open';
    case 'nobody looked':
      return 'nobody looked there since';
    case 'held':
      return `looked at ${dayWords(held.at.slice(0, 10))}: sound`;
    case 'failed':
      return `failed: ${held.what}, ${dayWords(held.at.slice(0, 10))}`;
    case 'mended again':
      return `mended again: ${held.what}, ${dayWords(held.at.slice(0, 10))}`;
    default:
      return held satisfies never;
  }
}

const times = (count: number): string => (count === 1 ? 'once' : count === 2 ? 'twice' : `${count} times`);
/** How often a pattern was made and how it held; nothing is said of those that nobody looked at. */
export function tallyWords({ made, looked, held, failed }: ReturnType<typeof tallyOf>): string {
  if (made === 0) return 'not made yet: its job is open';
  const since =
    looked === 0
      ? 'nobody has looked at one since'
      : `${looked} looked at since: ${held} sound, ${failed} failed or mended again`;
  return `made ${times(made)}; ${since}`;
}

/** Where a pattern comes from. */
export const fromWords = ({ pattern: { from, member, by, at } }: Pick<ListedPattern, 'pattern'>): string =>
  `${from.tag}, ${member.name.toLowerCase()}; kept by ${by}, ${dayWords(at.slice(0, 10))}`;

/** Members that run fore and aft have a front; of the others one end is where their stations begin. */
const ALONG: ReadonlySet<FaultPlace['role']> = new Set<FaultPlace['role']>([
  'rail',
  'sill',
  'floor rail',
  'tongue',
]);
const endWords = (kind: 'front end' | 'rear end', role: FaultPlace['role']): string =>
  ALONG.has(role) ? `its ${kind}` : kind === 'front end' ? 'the end its tape begins at' : 'its other end';

/** Where a fault is, on any frame of its family. */
export function placeWords({ onName, role, zone, kind, nth, of }: FaultPlace): string {
  if (kind === 'front end' || kind === 'rear end') {
    const by = zone === 'at' ? 'at' : 'some way in from';
    return `${onName}, ${by} ${endWords(kind, role)}`;
  }
  return `${onName}, ${zone} ${of === 1 ? `the ${kind}` : `${kind} ${nth} of ${of} from the front`}`;
}

const yearsWords = ([from, to]: readonly [number, number]): string =>
  from === to ? `built ${from}` : `built ${from} to ${to}`;

/** On how many units, of how many that anybody looked at there. */
export const faultCountWords = ({ failed, looked, years }: Fault): string =>
  `bad on ${failed.length} of ${looked} looked at there${years ? `, ${yearsWords(years)}` : ''}`;

/** What was found on each unit that failed. */
export const failedWords = ({ tag, what, builtYear, at }: FailedUnit): string =>
  `${tag}: ${what.join(', ')}, ${dayWords(at.slice(0, 10))}${builtYear === undefined ? '' : `, built ${builtYear}`}`;

export const callInWords = ({ tag, builtYear, isHere }: ToCallIn): string =>
  `${tag}${builtYear === undefined ? ', year not known' : `, built ${builtYear}`}${isHere ? ': here now, nobody looked there yet' : ''}`;

const timesWords = (factor: number): string => factor.toFixed(2);
/** A factor with its band. */
export const bandWords = ({ factor, low, high }: Pick<NormLearnt, 'factor' | 'low' | 'high'>): string =>
  `${timesWords(factor)} times (${timesWords(low)} to ${timesWords(high)})`;

/** What closed jobs say of a norm: nothing is said to differ while it could as well be right. */
export function learntWords(learnt: NormLearnt): string {
  const jobs = learnt.seen.length;
  const from = `${jobs} ${jobs === 1 ? 'job' : 'jobs'}`;
  const says = learnt.low <= 1 && learnt.high >= 1 ? ': the usual norm may be right as it is' : '';
  return `${bandWords(learnt)} the usual norm, from ${from}${says}`;
}

const hour = (hours: number): string => String(Number(hours.toFixed(2)));
export const hoursWords = ([least, most]: readonly [number, number]): string =>
  `${hour(least)} to ${hour(most)} h`;
