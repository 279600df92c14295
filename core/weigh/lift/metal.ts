import { facesOf, memberOver, placementOf, type Member } from '../../frame';
import {
  cellIs,
  columnsUnder,
  standingAgainst,
  standingNear,
  type MetalAccount,
  type Saying,
} from '../../metal';
import type { LiftReason } from '../../walk';
import type { LiftEvidence } from './evidence';
import { note, refused, unknown } from './reason';

/** Kept below this under a point, metal is no place to lift by, whatever the sum says (our judgement). */
const LEAST_KEPT = 0.5;
/** This little of a wall is a hole. */
const THROUGH = 0.02;
/** Of the face a point bears on, at least this share within reach has to be known (our judgement). */
const BEARING_KNOWN = 0.5;

/** The metal within reach of a place: what is wrong with it, and whether anybody saw what the point bears on. */
export function metalReasons(
  member: Member,
  stationMm: number,
  account: MetalAccount | undefined,
  reachMm: number,
): LiftReason[] {
  const here = { memberId: member.id, stationMm };
  if (!account) return [unknown({ code: 'unseen under', ...here })];
  const place = { member, stationMm, account, reachMm };
  const [from, to] = [stationMm - reachMm, stationMm + reachMm];
  const standsNear = new Set(standingNear(account, from, to));
  // What is doubtful along a stretch may have been answered here; what failed is not answered in part.
  const isAnswered = (saying: Saying) =>
    (saying.claim === 'doubtful' || saying.claim === 'hidden') && !standsNear.has(saying);
  const said = standingAgainst(account)
    .filter((saying) => saying.fromMm <= to && saying.toMm >= from && !isAnswered(saying))
    .flatMap((saying) => saidNear(place, saying));
  return [...onePerKind(said), ...thinNear(place), bearing(place)];
}

interface Place {
  readonly member: Member;
  readonly stationMm: number;
  readonly account: MetalAccount;
  readonly reachMm: number;
}

/** The face a point bears on: underneath; where a section has none, any of its faces. */
const bearsOn = (member: Member): string | undefined =>
  facesOf(member.shape).find((face) => face.id === 'bottom')?.id;

function saidNear({ member, stationMm }: Place, saying: Saying): LiftReason[] {
  const at = {
    memberId: member.id,
    stationMm: Math.min(Math.max(stationMm, saying.fromMm), saying.toMm),
    name: (saying.where ? `${saying.where}: ${saying.what}` : saying.what).slice(0, 200),
  };
  switch (saying.claim) {
    case 'gone':
      return [refused({ code: isThrough(saying.what) ? 'through near' : 'failed near', ...at })];
    case 'unsound':
      return [refused({ code: 'failed near', ...at })];
    case 'parted':
      return [refused({ code: 'crack near', ...at })];
    case 'hidden':
    case 'doubtful': {
      const code = saying.claim === 'hidden' ? 'hidden under' : 'doubtful under';
      const face = bearsOn(member);
      const bears = saying.face === undefined || face === undefined || saying.face === face;
      return [bears ? unknown({ code, ...at }) : note({ code, ...at })];
    }
    default:
      return [];
  }
}
const isThrough = (what: string): boolean => what === 'through' || what.includes('hole');

/** Of several findings of one kind and weight near a point, the first says it. */
function onePerKind(reasons: readonly LiftReason[]): LiftReason[] {
  const seen = new Set<string>();
  return reasons.filter(({ code, weight }) => {
    const key = `${code} ${weight}`;
    return !seen.has(key) && seen.add(key);
  });
}

/** The thinnest that was read within reach. */
function thinNear({ member, stationMm, account, reachMm }: Place): LiftReason[] {
  const [from, to] = columnsUnder(account.stationsMm, stationMm - reachMm, stationMm + reachMm);
  let least = Infinity,
    at = stationMm;
  account.surface.rowFace.forEach((face, row) => {
    for (let column = from; column <= to; column++) {
      const kept = account.readMm[row * account.stationsMm.length + column]! / face.wallMm;
      if (kept < least) [least, at] = [kept, account.stationsMm[column]!];
    }
  });
  const here = { memberId: member.id, stationMm: at };
  if (least <= THROUGH) return [refused({ code: 'through near', ...here })];
  return least < LEAST_KEPT ? [refused({ code: 'thin near', ...here, value: least, limit: LEAST_KEPT })] : [];
}

/** Whether the face a point bears on is known: read, struck, or at least seen. */
function bearing({ member, stationMm, account, reachMm }: Place): LiftReason {
  const face = bearsOn(member);
  const [from, to] = columnsUnder(account.stationsMm, stationMm - reachMm, stationMm + reachMm);
  let [all, unseen, read] = [0, 0, 0];
  account.surface.rowFace.forEach((each, row) => {
    if (face !== undefined && each.id !== face) return;
    for (let column = from; column <= to; column++) {
      const is = cellIs(account, row, column);
      all++;
      if (is === 'unseen') unseen++;
      if (is === 'measured' || is === 'held') read++;
    }
  });
  const here = { memberId: member.id, stationMm };
  if (1 - unseen / all < BEARING_KNOWN) return unknown({ code: 'unseen under', ...here });
  return note({ code: read > 0 ? 'seen under' : 'nothing read under', ...here });
}

/** Stations along the frame worth trying for points, both sides alike: no refusal from the metal on either, and nothing unknown beneath. */
export function candidateStations(evidence: LiftEvidence, stepMm = 150): number[] {
  const out: number[] = [];
  for (let stationMm = stepMm; stationMm < evidence.frame.lengthMm; stationMm += stepMm)
    if (takesPoint(evidence, ['left', 'right'], stationMm)) out.push(stationMm);
  return out;
}

/** Where a jack may stand in the middle: under whatever runs across and is known to be good there. */
export const middleStations = (evidence: LiftEvidence): number[] =>
  evidence.frame.members
    .filter((member) => member.role === 'crossmember' || member.role === 'brace')
    .map((member) => placementOf(evidence.frame, member).from[0])
    .filter((stationMm) => takesPoint(evidence, ['centre'], stationMm))
    .sort((a, b) => a - b);

const takesPoint = (
  evidence: LiftEvidence,
  sides: readonly ('left' | 'centre' | 'right')[],
  stationMm: number,
): boolean =>
  sides.every((side) => {
    const over = memberOver(evidence.frame, { side, stationMm });
    if (!over) return false;
    const account = evidence.accounts.get(over.member.id);
    return metalReasons(over.member, over.stationMm, account, evidence.reachMm).every(
      ({ weight }) => weight === 'note',
    );
  });
