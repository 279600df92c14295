import { DEFAULT_NORMS, type Kit, type Norms } from '../reference';
import { isClosed } from '../frame';
import { lowerBound, type MemberPicture } from '../weigh';
import { plateHours } from '../order';
import {
  blankFigures,
  blankOfPiece,
  candidatesOver,
  drainsOf,
  kitOver,
  lengthsOf,
  memberStates,
  repairPicture,
  stateKept,
  type Repair,
} from '../shape';
import { drawnOut, workRepair, type RepairBeside } from './work-repair';
import { brokenRules, type WorkedRepair } from './worked-repair';

/** Whether water gets out of what a repair closes in. */
export const DRAINAGE = ['holds no water', 'as it was', 'drained', 'sealed'] as const;
export type Drainage = (typeof DRAINAGE)[number];

/** What forms are told apart by. Lengths mm, areas mm². */
export interface CandidateFigures {
  /** Least section modulus over the damage, lower bound, of as built; absent where nothing is known. */
  readonly modulus?: number;
  /** Stiffness just where the plates begin to carry, of what is there just outside: the greater of both ends. */
  readonly stiffStep?: number;
  readonly weldMm: number;
  readonly bolts: number;
  /** Plate that is cut. */
  readonly areaMm2: number;
  /** By the shop's norms, least and most: made ready, made, fitted, welded; what comes off its way and goes back. */
  readonly hours: readonly [number, number];
  /** Faces that nobody gets to as it stands. */
  readonly hidden: readonly string[];
  readonly drainage: Drainage;
  readonly drains: number;
}

/** One way to answer damage: drawn, or bought in from the shop's catalogue. */
export type Candidate = WorkedRepair & { readonly kit?: Kit; readonly figures: CandidateFigures };

/** What candidates are worked out from, beside the member: the unit's weight, kits on offer, the shop's hours, one way of holding alone. */
export interface CandidateAsked {
  readonly grossMassKg?: number | undefined;
  readonly kits?: readonly Kit[];
  readonly norms?: Norms;
  readonly held?: 'by welds' | 'by bolts';
  readonly beside?: RepairBeside;
}

/**
 * Every form that could answer a run of damage, worked right through: those that may be offered first, of these what breaks least, of these what deviates
 * least, then what takes fewer hours. What speaks against the others stands with them.
 */
export function candidates(
  picture: MemberPicture,
  run: { readonly fromMm: number; readonly toMm: number },
  { grossMassKg, kits = [], norms = DEFAULT_NORMS, held, beside }: CandidateAsked = {},
): Candidate[] {
  const worked = (repair: Repair, kit?: Kit): Candidate => {
    const all = workRepair(repairPicture(picture, repair), true, grossMassKg, beside);
    return {
      ...all,
      ...(kit && { kit }),
      figures: figuresOf(picture, all, { norms, isBought: kit !== undefined }),
    };
  };
  const drawn = candidatesOver(picture, run, held);
  // Where no plate may be welded at all, a bought one may not either.
  const bought = drawn.length === 0 ? [] : kits;
  return [
    ...drawn.map((each) => worked(drawnOut(picture, each))),
    ...bought.flatMap((kit): Candidate[] => {
      const repair = kitOver(picture, run, kit);
      return repair ? [worked(repair, kit)] : [];
    }),
  ].sort(
    (a, b) =>
      a.against.length - b.against.length ||
      brokenRules(a).length - brokenRules(b).length ||
      deviationsIn(a) - deviationsIn(b) ||
      middle(a.figures.hours) - middle(b.figures.hours),
  );
}

const middle = ([least, most]: readonly [number, number]): number => (least + most) / 2;
const deviationsIn = ({ findings }: WorkedRepair): number =>
  findings.filter(({ weight }) => weight === 'deviation').length;

function figuresOf(
  picture: MemberPicture,
  { repair, restored, findings, patterns, joined }: WorkedRepair,
  { norms, isBought }: { readonly norms: Norms; readonly isBought: boolean },
): CandidateFigures {
  const moduli = restored.map(({ kept }) =>
    Math.min(lowerBound(kept.modulusTop!), lowerBound(kept.modulusBottom!)),
  );
  const stiffStep = stiffStepOf(picture, repair);
  const off = (repair.beneath ?? []).filter(({ way }) => way === 'off and back').length;
  const drains = repair.pieces.reduce(
    (sum, piece) =>
      sum +
      drainsOf(picture.member, repair, piece, {
        practice: { ...picture.practice, drains: picture.ways.drains },
        zones: picture.zones,
      }).length,
    0,
  );
  return {
    ...(moduli.length > 0 && { modulus: Math.min(...moduli) }),
    ...(stiffStep !== undefined && { stiffStep }),
    weldMm: joined.totalWeldMm,
    bolts: joined.bolts.reduce((sum, { count }) => sum + count, 0),
    areaMm2: patterns.reduce((sum, pattern) => sum + blankFigures(blankOfPiece(pattern)).areaMm2, 0),
    hours: plateHours(norms, {
      plates: repair.pieces.reduce((sum, piece) => sum + lengthsOf(piece).length, 0),
      weldM: joined.totalWeldMm / 1000,
      isCutOut: repair.cutOut,
      isBolted: repair.bolts !== undefined,
      isBought,
      offAndBack: off,
    }),
    hidden: findings.flatMap(({ code, name }) => (code === 'face-hidden' && name ? [name] : [])),
    drainage: drainageOf(picture, repair, drains),
    drains,
  };
}

function drainageOf({ member, ways }: MemberPicture, { pieces }: Repair, drains: number): Drainage {
  if (!isClosed(member.shape)) return 'holds no water';
  if (!pieces.some(({ kind }) => kind === 'bottom U')) return 'as it was';
  return drains > 0 && ways.drains !== 'sealed' ? 'drained' : 'sealed';
}

/** Outside an end by so much, and inside where it carries, mm. */
const BESIDE_MM = 5;

function stiffStepOf(picture: MemberPicture, repair: Repair): number | undefined {
  const states = memberStates(picture, [repair]);
  const of = (id: 'as found' | 'as repaired', mm: number) => {
    const state = states.find((each) => each.id === id);
    return state && stateKept(picture, state, mm)?.kept.inertia?.value;
  };
  const steps = repairPicture(picture, repair).pieces.flatMap(({ piece, carries }) =>
    (
      [
        [piece.startMm, piece.startMm - BESIDE_MM, carries.startMm + BESIDE_MM],
        [piece.endMm, piece.endMm + BESIDE_MM, carries.endMm - BESIDE_MM],
      ] as const
    ).flatMap(([endMm, outsideMm, insideMm]) => {
      if (endMm <= 1 || endMm >= picture.member.lengthMm - 1 || !Number.isFinite(insideMm)) return [];
      const [outside, inside] = [of('as found', outsideMm), of('as repaired', insideMm)];
      return outside !== undefined && inside !== undefined && outside > 0 ? [inside / outside] : [];
    }),
  );
  return steps.length > 0 ? Math.max(...steps) : undefined;
}
