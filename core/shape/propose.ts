import { outstandLimit, type Kit } from '../reference';
import { crackExtent } from '../trace';
import { developedWidthMm, isClosed, type MemberShape } from '../frame';
import { isMended, lowerBound, type MemberPicture } from '../weigh';
import { landingsAt } from './landing';
import { formOf } from './forms';
import { boltedLayoutsFor, firstBolts } from './bolted-layouts';
import { layoutsFor, roundDown, roundUp, type Laid, type PieceLayout, type Target } from './layouts';
import { withReach } from './reach';
import { pieceName, type Bolts, type PieceKind, type Repair } from './repair';
import { memberStates, stateKept, type LetIn } from './states';
import { BOLTS_PLATES, WELDS_PLATES } from './rules/may-be-welded';
import { withWayPast } from './way-past';

/**
 * A repair for every damaged zone and every crack outside one, except where a saved repair already lies or a new length is let in.
 * Nothing is proposed on a member without readings: what would it land on? Where the steel may not be welded plates are bolted on, if the section lets them.
 */
export function proposeRepairs(
  picture: MemberPicture,
  saved: readonly Repair[],
  letIn: readonly LetIn[] = [],
): Repair[] {
  const isCovered = (target: Target) =>
    letIn.some(({ fromMm, toMm }) => fromMm <= target.fromMm && toMm >= target.toMm) ||
    saved.some((repair) =>
      repair.pieces.some((piece) => piece.startMm <= target.toMm && piece.endMm >= target.fromMm),
    );
  return targetsOf(picture).flatMap((target, k) =>
    isCovered(target) ? [] : proposal(picture, target, k + 1),
  );
}

/** Sections that a bought cap goes under, and in which form. */
const KIT_FORMS: Partial<Readonly<Record<MemberShape['kind'], PieceKind>>> = {
  channel: 'bottom L',
  angle: 'bottom L',
  box: 'bottom U',
  hat: 'bottom U',
};

/**
 * A cap as it is bought, set about the middle of a run of damage: its length, edge and thickness are what they are. Of a set as few pieces as reach past
 * the damage by the member's depth, end to end.
 */
export function kitOver(
  picture: MemberPicture,
  run: Pick<Target, 'fromMm' | 'toMm'>,
  kit: Kit,
): Repair | undefined {
  const { id, shape, lengthMm } = picture.member;
  const kind = KIT_FORMS[shape.kind];
  if (!kind || kit.edgeMm > shape.depthMm || (kit.family !== '' && kit.family !== picture.frame.family))
    return undefined;
  const middleMm = (run.fromMm + run.toMm) / 2;
  const wantedMm = run.toMm - run.fromMm + 2 * shape.depthMm;
  const pieces = Math.min(kit.pieces ?? 1, Math.max(1, Math.ceil(wantedMm / kit.coversMm - 1e-9)));
  const coversMm = pieces * kit.coversMm;
  const startMm = Math.max(0, Math.min(roundDown(middleMm - coversMm / 2), lengthMm - coversMm));
  const endMm = Math.min(lengthMm, startMm + coversMm);
  const joints = Array.from({ length: pieces - 1 }, (_, k) => startMm + (k + 1) * kit.coversMm).filter(
    (mm) => mm < endMm,
  );
  const { seams, plugs, opening } = picture.ways;
  return withWayPast(picture, {
    id: `kit-${id}-${kit.name}`.slice(0, 60),
    memberId: id,
    cutOut: opening === 'by section' ? isClosed(shape) : opening === 'cut out',
    pieces: [
      {
        id: `${id}-kit`,
        kind,
        startMm,
        endMm,
        thicknessMm: kit.thicknessMm,
        lowerEdgeMm: 0,
        upperEdgeMm: kit.edgeMm,
        taperMm: roundDown(0.25 * shape.depthMm),
        ...(joints.length > 0 && { joints }),
      },
    ],
    weldStyle: seams,
    plugs,
    onBench: false,
    by: 'proposed',
    at: '1970-01-01T00:00:00Z',
  });
}

/**
 * The same damage answered in every form that fits the section, each in the plate that does best, the engine's own choice first; held one way only where that
 * is asked for.
 */
export function candidatesOver(
  picture: MemberPicture,
  run: Pick<Target, 'fromMm' | 'toMm'>,
  held?: 'by welds' | 'by bolts',
): Repair[] {
  const ways = waysToHold(picture).filter(
    ({ bolts }) => held === undefined || (bolts !== undefined) === (held === 'by bolts'),
  );
  return targetsOf(picture)
    .map((target, k) => ({ target, number: k + 1 }))
    .filter(({ target }) => target.fromMm <= run.toMm && target.toMm >= run.fromMm)
    .flatMap(({ target, number }) => {
      const byForm = new Map<string, Repair[]>();
      for (const way of ways)
        for (const thicknessMm of platesFor(picture))
          for (const layout of laidAs(picture, target, way, thicknessMm)) {
            const name = `${way.bolts ? 'bolted' : 'welded'} ${layout.map(pieceName).join(' + ')}`;
            const id = `${number}-${byForm.size}`;
            const draft = drafted(picture, target, { layout, thicknessMm, number: id, ...way });
            byForm.set(name, [...(byForm.get(name) ?? []), draft]);
          }
      return [...byForm.values()].map((drafts) => bestOf(picture, target, drafts));
    });
}

/** How a plate is held: by welds, or by bolts. */
interface Held {
  readonly bolts?: Bolts;
}

/**
 * How plates may be put on a member, the better way first: welded where steel and school let them be, bolted where somebody gets to the nuts. None on a
 * member nobody read, or one that is sooner renewed.
 */
function waysToHold(picture: MemberPicture): Held[] {
  const { member, steel, legal, ways } = picture;
  if (!picture.found || !isMended(member)) return [];
  const isWelded = steel.weldRepair === 'yes' && WELDS_PLATES.includes(ways.approach);
  const isBoltedOn =
    !isClosed(member.shape) &&
    steel.youngsMpa === undefined &&
    BOLTS_PLATES.includes(ways.approach) &&
    !legal.seamsContinuous;
  return [...(isWelded ? [{}] : []), ...(isBoltedOn ? [{ bolts: firstBolts(picture) }] : [])];
}

const laidAs = (
  picture: MemberPicture,
  target: Target,
  { bolts }: Held,
  thicknessMm: number,
): PieceLayout[] =>
  bolts ? boltedLayoutsFor(picture, target, bolts) : layoutsFor(picture, target, thicknessMm);

/** What asks for plates on a member; nothing where none may be put on. */
function targetsOf(picture: MemberPicture): Target[] {
  const [held] = waysToHold(picture);
  if (!held) return [];
  const isPlated = held.bolts !== undefined || picture.ways.cracks === 'weld and plate';
  return joined(
    [
      ...picture.zones.map((zone) => ({ fromMm: zone.fromMm, toMm: zone.toMm, zone })),
      ...(isPlated ? picture.cracks.map(crackExtent) : []),
    ],
    2 * picture.member.shape.depthMm,
  );
}

/** Damage whose repairs would run into each other is one target. */
function joined(targets: readonly Target[], gapMm: number): Target[] {
  const runs: Target[] = [];
  for (const target of [...targets].sort((a, b) => a.fromMm - b.fromMm)) {
    const last = runs[runs.length - 1];
    if (!last || target.fromMm - last.toMm > gapMm) runs.push(target);
    else runs[runs.length - 1] = merged(last, target);
  }
  return runs;
}

function merged(one: Target, other: Target): Target {
  const run = { fromMm: one.fromMm, toMm: Math.max(one.toMm, other.toMm) };
  if (!one.zone || !other.zone)
    return { ...run, ...((one.zone ?? other.zone) && { zone: (one.zone ?? other.zone)! }) };
  return {
    ...run,
    zone: {
      ...run,
      topFlange: one.zone.topFlange || other.zone.topFlange,
      bottomFlange: one.zone.bottomFlange || other.zone.bottomFlange,
      side: one.zone.side || other.zone.side,
    },
  };
}

/** A plate much lighter than the wall is no repair: from seven tenths of it up (our judgement). */
const LIGHTEST = 0.7;

function proposal(picture: MemberPicture, target: Target, number: number): Repair[] {
  const [held = {}] = waysToHold(picture);
  const drafts = platesFor(picture).flatMap((thicknessMm) => {
    const [layout] = laidAs(picture, target, held, thicknessMm);
    return layout ? [drafted(picture, target, { layout, thicknessMm, number: String(number), ...held })] : [];
  });
  return drafts.length > 0 ? [bestOf(picture, target, drafts)] : [];
}

/** Plates on the shelf that are heavy enough; the heaviest where none is. */
function platesFor({ practice, built }: MemberPicture): number[] {
  const thicknesses = [...practice.stockThicknessesMm].sort((a, b) => a - b);
  const heavyEnough = thicknesses.filter((thicknessMm) => thicknessMm >= LIGHTEST * built.thicknessMm);
  return heavyEnough.length > 0 ? heavyEnough : thicknesses.slice(-1);
}

interface Draft extends Held {
  readonly layout: PieceLayout;
  readonly thicknessMm: number;
  readonly number: string;
}

function drafted(
  picture: MemberPicture,
  target: Target,
  { layout, thicknessMm, number, bolts }: Draft,
): Repair {
  const { opening, seams, plugs } = picture.ways;
  const { shape, id } = picture.member;
  const cutsOut = opening === 'by section' ? isClosed(shape) : opening === 'cut out';
  // Round a tube the end falls back at 45°: that is when its weld takes most.
  const taperOf = ({ kind }: Laid) =>
    roundUp(formOf(kind).wraps ? developedWidthMm(shape) / 2 : 0.75 * shape.depthMm);
  const plain: Repair = {
    id: `proposal-${id}-${number}`,
    memberId: id,
    cutOut: !bolts && cutsOut && layout.some(({ kind }) => formOf(kind).replaces),
    pieces: layout.map((laid, k) => ({
      ...laid,
      id: `${id}-${number}-${k + 1}`,
      startMm: target.fromMm,
      endMm: target.toMm,
      thicknessMm,
      taperMm: taperOf(laid),
    })),
    weldStyle: seams,
    plugs: !bolts && plugs,
    ...(bolts && { bolts }),
    onBench: false,
    by: 'proposed',
    at: '1970-01-01T00:00:00Z',
  };
  return pastAll(picture, target, withReach(picture, target, plain));
}

/** Notched where the plate still lands beside its notches and brings back as much; else what it meets comes off. */
function pastAll(picture: MemberPicture, target: Target, repair: Repair): Repair {
  const notched = withWayPast(picture, repair);
  if (notched.pieces.every(({ notches }) => notches === undefined)) return notched;
  const whole = withWayPast(picture, repair, false);
  if (!landsAtNotches(picture, notched)) return whole;
  const wanted = Math.min(1, restoredFraction(picture, whole, target));
  return restoredFraction(picture, notched, target) >= wanted ? notched : whole;
}

/** The thinnest that brings the strength back without a slender leg; else the one that brings back most. */
function bestOf(picture: MemberPicture, target: Target, drafts: readonly Repair[]): Repair {
  const known = new Map<Repair, number>();
  const restored = (draft: Repair): number => {
    const of = known.get(draft) ?? restoredFraction(picture, draft, target);
    known.set(draft, of);
    return of;
  };
  return (
    drafts.find((draft) => restored(draft) >= 1 && !hasSlenderLeg(picture, draft)) ??
    drafts.reduce((best, draft) => (restored(draft) > restored(best) + 0.02 ? draft : best))
  );
}

const landsAtNotches = (picture: MemberPicture, repair: Repair): boolean =>
  repair.pieces.every((piece) =>
    (piece.notches ?? []).every(({ fromMm, toMm }) =>
      landingsAt(picture, repair, piece, (fromMm + toMm) / 2).every(({ lands }) => lands),
    ),
  );

/** The least lower-bound section modulus over the target, as a fraction of built, with the repair in place. */
export function restoredFraction(
  picture: MemberPicture,
  repair: Repair,
  target: { fromMm: number; toMm: number },
): number {
  const repaired = memberStates(picture, [repair]).find((state) => state.id === 'as repaired');
  if (!repaired) return 0;
  const notched = repair.pieces
    .flatMap(({ notches = [] }) => notches.map(({ fromMm, toMm }) => (fromMm + toMm) / 2))
    .filter((mm) => mm >= target.fromMm && mm <= target.toMm);
  const along = [0, 0.25, 0.5, 0.75, 1].map((part) => target.fromMm + part * (target.toMm - target.fromMm));
  const stations = [...along, ...notched];
  return Math.min(
    ...stations.map((stationMm) => {
      const kept = stateKept(picture, repaired, stationMm)?.kept;
      return kept ? Math.min(lowerBound(kept.modulusTop!), lowerBound(kept.modulusBottom!)) : 0;
    }),
  );
}

/** A bottom leg that may hang free beside a rotten flange must not buckle: b/t within 0.56√(E/Fy). */
function hasSlenderLeg(picture: MemberPicture, repair: Repair): boolean {
  const { shape } = picture.member;
  const most = outstandLimit(picture.steel.yieldMpa);
  return (
    shape.kind === 'channel' &&
    repair.pieces.some((piece) => piece.kind === 'bottom L' && shape.flangeMm / piece.thicknessMm > most)
  );
}
