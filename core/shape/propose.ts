import { inchesToMm } from '../quantity';
import {
  BESIDE_TOE_MM,
  BETWEEN_HEAT_ZONES_MM,
  chosenLegMm,
  lapMm,
  schoolEdgeMm,
  outstandLimit,
  type Approach,
} from '../reference';
import { highestUpperMm } from '../probe';
import { crackExtent } from '../trace';
import { goneHeights } from '../metal';
import { crossingsOn, isClosed } from '../frame';
import { lowerBound, type DamageZone, type MemberPicture } from '../weigh';
import { developmentMm } from './plating';
import { pieceKindsFor, type Piece, type PieceKind, type Repair } from './repair';
import { memberStates, stateKept } from './states';

/** Repairs are drawn to the nearest quarter inch along the rail. */
const STEP_MM = inchesToMm(1 / 4);
const roundUp = (mm: number): number => Math.ceil(mm / STEP_MM - 1e-6) * STEP_MM;
const roundDown = (mm: number): number => Math.floor(mm / STEP_MM + 1e-6) * STEP_MM;

interface Target {
  readonly fromMm: number;
  readonly toMm: number;
  readonly zone?: DamageZone;
}

/** Schools that weld plates on; the others splice, renew or bolt. */
const WELDS_PLATES: readonly Approach[] = ['repair', 'preservation'];

/**
 * A repair for every damaged zone and every crack outside one, except where a saved repair already lies.
 * Nothing is proposed on a member without readings (what would it land on?) or one whose steel may not be welded.
 */
export function proposeRepairs(picture: MemberPicture, saved: readonly Repair[]): Repair[] {
  if (
    !picture.found ||
    picture.steel.weldRepair !== 'yes' ||
    picture.member.role !== 'rail' ||
    !WELDS_PLATES.includes(picture.ways.approach) ||
    pieceKindsFor(picture.member.shape).length === 0
  )
    return [];
  const targets = joined(
    [
      ...picture.zones.map((zone) => ({ fromMm: zone.fromMm, toMm: zone.toMm, zone })),
      ...(picture.ways.cracks === 'weld and plate' ? picture.cracks.map(crackExtent) : []),
    ],
    2 * picture.member.shape.depthMm,
  );
  const isCovered = (target: Target) =>
    saved.some((repair) =>
      repair.pieces.some((piece) => piece.startMm <= target.toMm && piece.endMm >= target.fromMm),
    );
  return targets.flatMap((target, k) => (isCovered(target) ? [] : [proposal(picture, target, k + 1)]));
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

function proposal(picture: MemberPicture, target: Target, number: number): Repair {
  const { opening, seams, plugs } = picture.ways;
  const thicknesses = [...picture.practice.stockThicknessesMm].sort((a, b) => a - b);
  const draft = (thicknessMm: number): Repair =>
    withReach(picture, target, {
      id: `proposal-${picture.member.id}-${number}`,
      memberId: picture.member.id,
      cutOut: opening === 'by section' ? isClosed(picture.member.shape) : opening === 'cut out',
      pieces: piecesFor(picture, target, thicknessMm, `${picture.member.id}-${number}`),
      weldStyle: seams,
      plugs,
      onBench: false,
      by: 'proposed',
      at: '1970-01-01T00:00:00Z',
    });
  const heavyEnough = thicknesses.filter(
    (thicknessMm) => thicknessMm >= LIGHTEST * picture.built.thicknessMm,
  );
  const usable = heavyEnough.length ? heavyEnough : [thicknesses[thicknesses.length - 1]!];
  const drafts = usable.map(draft);
  const good = drafts.find(
    (candidate) => restoredFraction(picture, candidate, target) >= 1 && !hasSlenderLeg(picture, candidate),
  );
  return (
    good ??
    drafts.reduce((best, candidate) =>
      restoredFraction(picture, candidate, target) > restoredFraction(picture, best, target) + 0.02
        ? candidate
        : best,
    )
  );
}

/** The least lower-bound section modulus over the target, as a fraction of built, with the repair in place. */
export function restoredFraction(
  picture: MemberPicture,
  repair: Repair,
  target: { fromMm: number; toMm: number },
): number {
  const repaired = memberStates(picture, [repair]).find((state) => state.id === 'as repaired');
  if (!repaired) return 0;
  const stations = [0, 0.25, 0.5, 0.75, 1].map(
    (part) => target.fromMm + part * (target.toMm - target.fromMm),
  );
  return Math.min(
    ...stations.map((stationMm) => {
      const kept = stateKept(picture, repaired, stationMm)?.kept;
      return kept ? Math.min(lowerBound(kept.modulusTop!), lowerBound(kept.modulusBottom!)) : 0;
    }),
  );
}

function piecesFor(picture: MemberPicture, target: Target, thicknessMm: number, stem: string): Piece[] {
  const { shape } = picture.member;
  const taperMm = roundUp(0.75 * shape.depthMm);
  const piece = (kind: PieceKind, lowerEdgeMm: number, upperEdgeMm: number, n: number): Piece => ({
    id: `${stem}-${n}`,
    kind,
    startMm: target.fromMm,
    endMm: target.toMm,
    thicknessMm,
    lowerEdgeMm,
    upperEdgeMm,
    taperMm,
  });
  const crackOnly = target.zone ? undefined : crackFaces(picture, target);
  if (crackOnly?.side && !crackOnly.top && !crackOnly.bottom)
    return [sidePlateOver(picture, crackHeights(picture, target), piece)];
  if (crackOnly?.top && !crackOnly.bottom && !isClosed(shape))
    return [piece('top L', roundDown(shape.depthMm / 2), shape.depthMm, 1)];
  const hole = goneHeights(picture.account, picture.member, target);
  if (hole && isLocalHole(picture, target)) return [sidePlateOver(picture, hole, piece)];
  const edge = upperEdge(picture, target, thicknessMm);
  const needsTop = edge === undefined || (target.zone?.topFlange ?? false);
  if (isClosed(shape))
    return needsTop ? bothCaps(picture, piece, thicknessMm) : [piece('bottom U', 0, edge, 1)];
  return [needsTop ? piece('full C', 0, shape.depthMm, 1) : piece('bottom L', 0, edge, 1)];
}

function crackFaces(picture: MemberPicture, target: Target) {
  const faces = picture.cracks
    .filter((crack) => crackExtent(crack).fromMm <= target.toMm && crackExtent(crack).toMm >= target.fromMm)
    .flatMap((crack) => crack.path.map((spot) => spot.face));
  return {
    top: faces.includes('top'),
    bottom: faces.includes('bottom'),
    side: faces.some((face) => face === 'web' || face === 'outer' || face === 'inner'),
  };
}

/** A hole by itself in a side, with sound flanges: no tide line runs to it. */
const isLocalHole = (picture: MemberPicture, { zone, fromMm, toMm }: Target): boolean =>
  zone !== undefined &&
  !zone.topFlange &&
  !zone.bottomFlange &&
  picture.edges.every((edge) => (highestUpperMm(edge, fromMm, toMm) ?? 0) === 0);

function crackHeights(picture: MemberPicture, target: Target): { lowMm: number; highMm: number } {
  const heights = picture.cracks
    .filter((crack) => crackExtent(crack).fromMm <= target.toMm && crackExtent(crack).toMm >= target.fromMm)
    .flatMap((crack) => crack.path.map((spot) => spot.heightMm));
  return { lowMm: Math.min(...heights), highMm: Math.max(...heights) };
}

function sidePlateOver(
  picture: MemberPicture,
  { lowMm, highMm }: { readonly lowMm: number; readonly highMm: number },
  piece: (kind: PieceKind, lower: number, upper: number, n: number) => Piece,
): Piece {
  const past = inchesToMm(2);
  const cornerMm = chosenLegMm(picture.built.thicknessMm, picture.built.thicknessMm) + BESIDE_TOE_MM;
  const lower = Math.max(cornerMm, roundDown(lowMm - past));
  const upper = Math.min(picture.member.shape.depthMm - cornerMm, roundUp(highMm + past));
  return piece('side plate', lower, upper, 1);
}

/** Both caps of a box, meeting at mid-height with room for one weld between them. */
function bothCaps(
  picture: MemberPicture,
  piece: (kind: PieceKind, lower: number, upper: number, n: number) => Piece,
  thicknessMm: number,
): Piece[] {
  const middle = roundDown(picture.member.shape.depthMm / 2);
  return [
    piece('bottom U', 0, middle, 1),
    piece(
      'top U',
      middle + 2 * chosenLegMm(thicknessMm, picture.built.thicknessMm),
      picture.member.shape.depthMm,
      2,
    ),
  ];
}

/**
 * Height of a bottom piece's edge: the full lap above the sound edge where the school's band leaves room, else as high as the school lets it
 * come (a stated deviation). Undefined when not even the weld finds sound metal: the top needs a cap too.
 */
function upperEdge(picture: MemberPicture, target: Target, thicknessMm: number): number | undefined {
  const { shape } = picture.member;
  const bounds = picture.edges
    .map((edge) => highestUpperMm(edge, target.fromMm, target.toMm))
    .filter((upper) => upper !== undefined);
  const gone = goneHeights(picture.account, picture.member, target)?.highMm ?? 0;
  const soundFromMm = Math.max(gone, ...bounds);
  const legMm = chosenLegMm(thicknessMm, picture.built.thicknessMm);
  const highestMm = shape.depthMm - Math.max(schoolEdgeMm(picture.ways.margin), legMm + BESIDE_TOE_MM);
  const leastMm = soundFromMm + BESIDE_TOE_MM;
  if (leastMm > highestMm + 1e-6) return undefined;
  const wantedMm = roundUp(soundFromMm + lapMm(Math.min(thicknessMm, picture.built.thicknessMm)));
  const generousMm = roundUp(shape.depthMm / 3);
  return Math.max(leastMm, Math.min(Math.max(wantedMm, generousMm), roundDown(highestMm)));
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

/** Moves the ends out past the damage: one rail depth, the taper and a lap, and the development length, whichever is most. Ends of twin caps are staggered. */
function withReach(picture: MemberPicture, target: Target, repair: Repair): Repair {
  const { member } = picture;
  const pieces = repair.pieces.map((piece, k) => {
    const lap = lapMm(Math.min(piece.thicknessMm, picture.built.thicknessMm));
    const plain = Math.max(member.shape.depthMm, piece.taperMm + lap) + k * inchesToMm(3);
    let placed = {
      ...piece,
      startMm: Math.max(0, target.fromMm - plain),
      endMm: Math.min(member.lengthMm, target.toMm + plain),
    };
    for (let round = 0; round < 3; round++) {
      const reach = (end: 'start' | 'finish') =>
        Math.max(plain, finiteOr(developmentMm(picture, { pieces: [placed] }, placed, end), plain));
      placed = {
        ...placed,
        startMm: endPlace(picture, target.fromMm - reach('start'), -1),
        endMm: endPlace(picture, target.toMm + reach('finish'), 1),
      };
    }
    return placed;
  });
  return { ...repair, pieces };
}

/** An end rounded outward, on the member, and clear of the heat of a crossmember's weld. */
function endPlace(picture: MemberPicture, wantedMm: number, outward: 1 | -1): number {
  const clearMm = BETWEEN_HEAT_ZONES_MM + inchesToMm(1);
  const near = crossingsOn(picture.frame, picture.member).find(
    ({ stationMm }) => Math.abs(stationMm - wantedMm) < clearMm,
  );
  const cleared = near ? near.stationMm + outward * clearMm : wantedMm;
  const rounded = outward > 0 ? roundUp(cleared) : roundDown(cleared);
  return Math.min(picture.member.lengthMm, Math.max(0, rounded));
}

/** The same repair with one end of a piece taken further out: the way back from welds that do not fit. */
export function lengthened(
  picture: MemberPicture,
  repair: Repair,
  pieceId: string,
  end: 'front end' | 'rear end',
  byMm: number,
): Repair {
  const pieces = repair.pieces.map((piece) => {
    if (piece.id !== pieceId) return piece;
    return end === 'front end'
      ? { ...piece, startMm: endPlace(picture, piece.startMm - byMm, -1) }
      : { ...piece, endMm: endPlace(picture, piece.endMm + byMm, 1) };
  });
  return { ...repair, pieces };
}

const finiteOr = (value: number, otherwise: number): number => (Number.isFinite(value) ? value : otherwise);
