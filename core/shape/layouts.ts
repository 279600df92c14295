import { inchesToMm } from '../quantity';
import { BESIDE_TOE_MM, chosenLegMm, lapMm, schoolEdgeMm } from '../reference';
import { highestUpperMm, nominalMm } from '../probe';
import { crackExtent } from '../trace';
import { goneHeights } from '../metal';
import { faceOf, type FaceId, type MemberShape } from '../frame';
import type { DamageZone, MemberPicture } from '../weigh';
import type { PieceKind } from './repair';

/** Repairs are drawn to the nearest quarter inch. */
const STEP_MM = inchesToMm(1 / 4);
export const roundUp = (mm: number): number => Math.ceil(mm / STEP_MM - 1e-6) * STEP_MM;
export const roundDown = (mm: number): number => Math.floor(mm / STEP_MM + 1e-6) * STEP_MM;

/** Damage that a repair is for: a zone, or cracks outside one. */
export interface Target {
  readonly fromMm: number;
  readonly toMm: number;
  readonly zone?: DamageZone;
}

/** A piece by its form and the heights of its edges, wherever along the member it comes to lie. */
export interface Laid {
  readonly kind: PieceKind;
  readonly face?: FaceId;
  readonly inside?: boolean;
  readonly lowerEdgeMm: number;
  readonly upperEdgeMm: number;
}
/** Pieces that together answer one piece of damage. */
export type PieceLayout = readonly Laid[];

/** What can be laid over a target on this section with plate of a thickness: the engine's own choice first, then other forms that fit. */
export function layoutsFor(picture: MemberPicture, target: Target, thicknessMm: number): PieceLayout[] {
  const asked: Asked = { picture, target, thicknessMm };
  const { shape } = picture.member;
  const all = BY_SECTION[shape.kind](asked, shape);
  return all.filter((layout, k) => all.findIndex((each) => sameLayout(each, layout)) === k);
}

interface Asked {
  readonly picture: MemberPicture;
  readonly target: Target;
  readonly thicknessMm: number;
}
type Choose = (asked: Asked, shape: MemberShape) => PieceLayout[];

const sameLayout = (one: PieceLayout, other: PieceLayout): boolean =>
  JSON.stringify(one) === JSON.stringify(other);

const onChannel: Choose = (asked, { depthMm }) => {
  const fullC: Laid = { kind: 'full C', lowerEdgeMm: 0, upperEdgeMm: depthMm };
  const topL: Laid = { kind: 'top L', lowerEdgeMm: roundDown(depthMm / 2), upperEdgeMm: depthMm };
  const edgeMm = upperEdge(asked);
  const bottomL: Laid | undefined =
    edgeMm === undefined ? undefined : { kind: 'bottom L', lowerEdgeMm: 0, upperEdgeMm: edgeMm };
  const plain = bottomL ? [[bottomL], [bottomL, { ...bottomL, inside: true }]] : [];
  const local = sidesOver(asked);
  if (asked.target.zone?.topFlange) return [[fullC], [topL], ...plain];
  if (local) return [[local], [local, { ...local, inside: true }], ...plain, [fullC]];
  if (isInTopOnly(asked)) return [[topL], [fullC]];
  return [...plain, [fullC], [coverOn(asked, 'bottom')]];
};

const onBox: Choose = (asked) => {
  const caps = bothCaps(asked);
  const local = sidesOver(asked);
  const edgeMm = upperEdge(asked);
  const cap: PieceLayout[] =
    edgeMm === undefined ? [] : [[{ kind: 'bottom U', lowerEdgeMm: 0, upperEdgeMm: edgeMm }]];
  if (local) return [[local], ...cap, caps];
  const needsTop = edgeMm === undefined || (asked.target.zone?.topFlange ?? false);
  return needsTop ? [caps, ...cap] : [...cap, caps, [coverOn(asked, 'bottom')]];
};

/** A beam: a cover on each flange that is bad, a pair on its web where that is, both where both are. */
const onBeam: Choose = (asked, shape) => {
  const { zone } = asked.target;
  const cracked = zone ? undefined : crackFaces(asked);
  const covers = (['bottom', 'top'] as const).filter(
    (face) => (face === 'bottom' ? zone?.bottomFlange : zone?.topFlange) || cracked?.[face],
  );
  const web = zone?.side || cracked?.side ? webPair(asked, shape) : [];
  const asFound = [...covers.map((face) => coverOn(asked, face)), ...web];
  return [
    ...(asFound.length > 0 ? [asFound] : []),
    [coverOn(asked, 'bottom')],
    [coverOn(asked, 'bottom'), coverOn(asked, 'top')],
    webPair(asked, shape),
    [coverOn(asked, 'bottom'), ...webPair(asked, shape)],
  ];
};

const onHat: Choose = (asked, { depthMm }) => {
  const edgeMm = upperEdge(asked);
  const local = sidesOver(asked);
  return [
    ...(local ? [[local]] : []),
    ...(edgeMm === undefined ? [] : [[{ kind: 'bottom U', lowerEdgeMm: 0, upperEdgeMm: edgeMm } as const]]),
    [coverOn(asked, 'bottom')],
    [wholeSide(asked, depthMm)],
  ];
};

const onAngle: Choose = (asked, { depthMm }) => {
  const edgeMm = upperEdge(asked);
  const local = sidesOver(asked);
  return [
    ...(local ? [[local]] : []),
    ...(edgeMm === undefined ? [] : [[{ kind: 'bottom L', lowerEdgeMm: 0, upperEdgeMm: edgeMm } as const]]),
    [wholeSide(asked, depthMm)],
  ];
};

const onFlat: Choose = (asked, { depthMm }) => {
  const plate = sidesOver(asked) ?? wholeSide(asked, depthMm);
  return [[plate], [plate, { ...plate, inside: true }]];
};

/** Over all of a standing face but room for its welds: where nothing smaller will do, it says why it will not either. */
const wholeSide = (asked: Asked, depthMm: number): Laid => ({
  kind: 'side plate',
  lowerEdgeMm: besideMm(asked),
  upperEdgeMm: depthMm - besideMm(asked),
});

const BY_SECTION: Readonly<Record<MemberShape['kind'], Choose>> = {
  channel: onChannel,
  box: onBox,
  I: onBeam,
  'built-up': onBeam,
  hat: onHat,
  angle: onAngle,
  flat: onFlat,
  tube: () => [[{ kind: 'sleeve', lowerEdgeMm: 0, upperEdgeMm: 0 }]],
};

/** Room for a fillet and sound metal beside it. */
const besideMm = ({ picture, thicknessMm }: Asked): number =>
  roundUp(chosenLegMm(thicknessMm, picture.built.thicknessMm) + BESIDE_TOE_MM);

function coverOn(asked: Asked, id: 'top' | 'bottom'): Laid {
  const { widthMm } = faceOf(asked.picture.member.shape, id)!;
  const marginMm = besideMm(asked);
  return { kind: 'cover plate', face: id, lowerEdgeMm: marginMm, upperEdgeMm: widthMm - marginMm };
}

/** Plates on both sides of a beam's web, between its flanges. */
function webPair(asked: Asked, shape: MemberShape): Laid[] {
  const marginMm = (id: 'top' | 'bottom') => roundUp(nominalMm({ shape }, id)) + besideMm(asked);
  const plate: Laid = {
    kind: 'side plate',
    lowerEdgeMm: marginMm('bottom'),
    upperEdgeMm: shape.depthMm - marginMm('top'),
  };
  return [plate, { ...plate, inside: true }];
}

/** A plate over a hole or a crack by itself in a standing face; undefined where damage reaches its corners. */
function sidesOver(asked: Asked): Laid | undefined {
  const { picture, target } = asked;
  const cracked = target.zone ? undefined : crackFaces(asked);
  if (cracked)
    return cracked.side && !cracked.top && !cracked.bottom
      ? sidePlate(picture, crackHeights(picture, target))
      : undefined;
  const hole = goneHeights(picture.account, picture.member, target);
  return hole && isLocalHole(asked) ? sidePlate(picture, hole) : undefined;
}

const isInTopOnly = (asked: Asked): boolean => {
  const cracked = asked.target.zone ? undefined : crackFaces(asked);
  return cracked !== undefined && cracked.top && !cracked.bottom;
};

const cracksIn = ({ picture, target }: Pick<Asked, 'picture' | 'target'>) =>
  picture.cracks.filter(
    (crack) => crackExtent(crack).fromMm <= target.toMm && crackExtent(crack).toMm >= target.fromMm,
  );

function crackFaces(asked: Asked) {
  const faces = cracksIn(asked).flatMap((crack) => crack.path.map((spot) => spot.face));
  return {
    top: faces.includes('top'),
    bottom: faces.includes('bottom'),
    side: faces.some((face) => face === 'web' || face === 'outer' || face === 'inner'),
  };
}

/** A hole by itself in a side, with sound flanges: no tide line runs to it. */
const isLocalHole = ({ picture, target: { zone, fromMm, toMm } }: Asked): boolean =>
  zone !== undefined &&
  !zone.topFlange &&
  !zone.bottomFlange &&
  picture.edges.every((edge) => (highestUpperMm(edge, fromMm, toMm) ?? 0) === 0);

/** Between which heights the cracks of a target run. */
export function crackHeights(
  picture: MemberPicture,
  target: Target,
): { readonly lowMm: number; readonly highMm: number } {
  const heights = cracksIn({ picture, target }).flatMap((crack) => crack.path.map((spot) => spot.heightMm));
  return { lowMm: Math.min(...heights), highMm: Math.max(...heights) };
}

function sidePlate(
  picture: MemberPicture,
  { lowMm, highMm }: { readonly lowMm: number; readonly highMm: number },
): Laid {
  const past = inchesToMm(2);
  const cornerMm = chosenLegMm(picture.built.thicknessMm, picture.built.thicknessMm) + BESIDE_TOE_MM;
  return {
    kind: 'side plate',
    lowerEdgeMm: Math.max(cornerMm, roundDown(lowMm - past)),
    upperEdgeMm: Math.min(picture.member.shape.depthMm - cornerMm, roundUp(highMm + past)),
  };
}

/** Both caps of a box, meeting at mid-height with room for one weld between them: a sleeve. */
function bothCaps({ picture, thicknessMm }: Asked): PieceLayout {
  const { depthMm } = picture.member.shape;
  const middle = roundDown(depthMm / 2);
  return [
    { kind: 'bottom U', lowerEdgeMm: 0, upperEdgeMm: middle },
    {
      kind: 'top U',
      lowerEdgeMm: middle + 2 * chosenLegMm(thicknessMm, picture.built.thicknessMm),
      upperEdgeMm: depthMm,
    },
  ];
}

/**
 * Height of a bottom piece's edge: the full lap above the sound edge where the school's band leaves room, else as high as the school lets it
 * come (a stated deviation). Undefined when not even the weld finds sound metal: the top needs a cap too.
 */
function upperEdge({ picture, target, thicknessMm }: Asked): number | undefined {
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
