import {
  baseMetalStrengthNPerMm,
  filletStrengthNPerMm,
  plugStrengthN,
  shearFlow,
  WELD_LINK,
} from '../mechanics';
import {
  chosenLegMm,
  FILLER_TENSILE_MPA,
  maximumLegMm,
  minimumLegMm,
  shortestRunMm,
  widestPitchMm,
  YOUNGS_MODULUS_MPA,
} from '../reference';
import { pathLength, type Point } from '../geometry';
import { STANDARD_GRAVITY } from '../quantity';
import { faceAtU, onSheet, type Face, type FaceId } from '../frame';
import {
  boltedForceN,
  coverageAt,
  formOf,
  isBolted,
  isInside,
  memberStates,
  plateForceN,
  plugLayout,
  stateSection,
  taperLengthMm,
  type BoltedRepair,
  type Piece,
  type PieceStation,
  type RepairPicture,
} from '../shape';
import { boltFlowShare, boltSets, type BoltSet } from './bolt-set';

export type WeldPlace =
  | 'upper edge'
  | 'lower edge'
  | 'flange tip'
  | 'edge on the flange'
  | 'seam'
  | 'front end'
  | 'rear end'
  | 'plugs';
export type WeldPosition = 'flat' | 'horizontal' | 'vertical' | 'overhead';

/** Intermittent runs: each `lengthMm` long, `pitchMm` from centre to centre. */
export interface Runs {
  readonly lengthMm: number;
  readonly pitchMm: number;
}

/** One weld of a repair. Forces are allowable ones; strength per mm of weld. */
export interface WeldLine {
  readonly id: string;
  readonly pieceId: string;
  readonly kind: 'fillet' | 'plug';
  readonly place: WeldPlace;
  readonly face: FaceId;
  readonly fromMm: number;
  readonly toMm: number;
  readonly lengthMm: number;
  readonly legMm: number;
  readonly minimumLegMm: number;
  readonly maximumLegMm: number;
  /** Lower-bound wall beneath. */
  readonly wallMm: number;
  readonly style: 'continuous' | 'runs to continuous' | 'skip';
  readonly runs?: Runs;
  readonly position: WeldPosition;
  readonly fillerNPerMm: number;
  readonly baseNPerMm: number;
  /** Flow the line must carry at the design shear; absent when the unit's weight is unknown or the line is an end. */
  readonly flowNPerMm?: number;
  readonly plugs?: { readonly count: number; readonly diameterMm: number; readonly strengthN: number };
}

export const strengthNPerMm = (line: WeldLine): number => Math.min(line.fillerNPerMm, line.baseNPerMm);

/** What one end of a piece must bring into the plate, and what its welds can. */
export interface EndDemand {
  readonly pieceId: string;
  readonly end: 'front end' | 'rear end';
  readonly forceN: number;
  readonly capacityN: number;
  /** Weld within this run counts: from the end to the damage. */
  readonly runMm: number;
}

export interface Joining {
  readonly lines: readonly WeldLine[];
  readonly ends: readonly EndDemand[];
  readonly totalWeldMm: number;
  /** Bolts, where it is bolted on: it then has no weld lines. */
  readonly bolts: readonly BoltSet[];
  /** What the shear along the plates asks of one bolt, of its strength; absent where there is none or the weight is unknown. */
  readonly boltShare?: number;
}

/**
 * Shear a rail is designed for here, N: bump 3 g (common practice, no source); half the unit's weight to each rail, two thirds of that over
 * the heavier axle, half of it to each side of the spring, so a sixth of the weight. A stand-in until the frame's own demand is computed.
 */
export const designShearN = (grossMassKg: number): number => (3 * STANDARD_GRAVITY * grossMassKg) / 6;

/** Every weld line of a repair. `shearN` gives the flow along the edges; without it the flow is left out. */
export function joining(context: RepairPicture, shearN: number | undefined): Joining {
  return isBolted(context.repair) ? bolting(context, context.repair, shearN) : welding(context, shearN);
}

function bolting(context: RepairPicture, repair: BoltedRepair, shearN: number | undefined): Joining {
  const boltShare = shearN === undefined ? undefined : boltFlowShare(context, shearN);
  return {
    lines: [],
    totalWeldMm: 0,
    bolts: boltSets(context),
    ends: repair.pieces.flatMap((piece) =>
      endsWithin(context, piece).map((end): EndDemand => {
        const [low, high] = runToDamage(context, piece, end);
        return {
          pieceId: piece.id,
          end,
          forceN: plateForceN(context.picture, piece),
          capacityN: boltedForceN(context.picture, repair, piece, [low, high]),
          runMm: Math.max(0, high - low),
        };
      }),
    ),
    ...(boltShare !== undefined && { boltShare }),
  };
}

/** A piece's ends that lie within its member. */
const endsWithin = ({ picture }: RepairPicture, piece: Piece): EndDemand['end'][] => [
  ...(piece.startMm > 1 ? (['front end'] as const) : []),
  ...(piece.endMm < picture.member.lengthMm - 1 ? (['rear end'] as const) : []),
];

/** From an end of a piece to the damage it is for, or to its middle where it is for none. */
function runToDamage({ target }: RepairPicture, piece: Piece, end: EndDemand['end']): [number, number] {
  const isFront = end === 'front end';
  const damageMm = target ? (isFront ? target.fromMm : target.toMm) : (piece.startMm + piece.endMm) / 2;
  return isFront ? [piece.startMm, damageMm] : [damageMm, piece.endMm];
}

function welding(context: RepairPicture, shearN: number | undefined): Joining {
  const lines = context.pieces.flatMap(({ piece, stations }, k) =>
    [
      ...edgeLines(context, piece, stations, shearN),
      ...endLines(context, piece, stations),
      ...plugLine(context, piece, stations),
    ].map((line, n) => ({ ...line, id: `${String.fromCharCode(65 + k)}${n + 1}` })),
  );
  return {
    lines,
    bolts: [],
    ends: context.pieces.flatMap(({ piece }) => endDemands(context, piece, lines)),
    totalWeldMm: lines.filter((line) => line.kind === 'fillet').reduce((sum, line) => sum + line.lengthMm, 0),
  };
}

function filletBase(context: RepairPicture, piece: Piece, wallMm: number) {
  const { picture } = context;
  const thinner = Math.min(piece.thicknessMm, picture.built.thicknessMm);
  const legMm = chosenLegMm(piece.thicknessMm, picture.built.thicknessMm);
  return {
    pieceId: piece.id,
    kind: 'fillet' as const,
    legMm,
    minimumLegMm: minimumLegMm(thinner),
    maximumLegMm: maximumLegMm(piece.thicknessMm),
    wallMm,
    fillerNPerMm: filletStrengthNPerMm(legMm, FILLER_TENSILE_MPA),
    baseNPerMm: baseMetalStrengthNPerMm(
      Math.min(wallMm, piece.thicknessMm),
      picture.steel.yieldMpa,
      picture.steel.tensileMpa,
    ),
  };
}

/** Lengthwise edges over the straight part, one line per unbroken landed run. */
function edgeLines(
  context: RepairPicture,
  piece: Piece,
  stations: readonly PieceStation[],
  shearN: number | undefined,
): Omit<WeldLine, 'id'>[] {
  const { repair, picture } = context;
  if (formOf(piece.kind).wraps) return seamLines(context, piece);
  const straight = stations.filter(
    ({ stationMm }) =>
      stationMm >= piece.startMm + taperLengthMm(piece) - 1 &&
      stationMm <= piece.endMm - taperLengthMm(piece) + 1,
  );
  return [0, 1].flatMap((side) =>
    landedRuns(straight, side).map((run) => {
      const [first, last] = [run[0]!, run[run.length - 1]!];
      const face = first.edges[side]!.face;
      const wallMm = Math.min(...run.map((station) => station.edges[side]!.wallMm));
      const base = filletBase(context, piece, wallMm);
      const flow = shearN === undefined ? undefined : flowAlong(context, piece, side, run, shearN);
      const lengthMm = last.stationMm - first.stationMm;
      return {
        ...base,
        place: edgePlace(piece, face, side),
        face: face.id,
        fromMm: first.stationMm,
        toMm: last.stationMm,
        lengthMm,
        style: repair.weldStyle,
        position: positionOf(face, { onBench: repair.onBench, inside: isInside(piece), isEnd: false }),
        ...(repair.weldStyle !== 'continuous' && {
          runs: runsOf(repair.weldStyle, base.legMm, piece.thicknessMm, picture.steel.yieldMpa),
        }),
        ...(flow !== undefined && { flowNPerMm: flow }),
      };
    }),
  );
}

function landedRuns(stations: readonly PieceStation[], side: number): PieceStation[][] {
  const runs: PieceStation[][] = [];
  let open: PieceStation[] = [];
  const close = () => {
    if (open.length > 1) runs.push(open);
    open = [];
  };
  for (const station of stations) {
    if (station.edges[side]?.lands) open.push(station);
    else close();
  }
  close();
  return runs;
}

const edgePlace = ({ kind }: Piece, face: Face, side: number): WeldPlace =>
  kind === 'cover plate'
    ? 'edge on the flange'
    : !face.upright
      ? 'flange tip'
      : (side === 0) !== (face.id === 'inner')
        ? 'upper edge'
        : 'lower edge';

/** Seen from the side the weld is made on: the bottom is welded from below outside and from above inside. */
function positionOf(
  { id }: Face,
  {
    onBench,
    inside,
    isEnd,
  }: { readonly onBench: boolean; readonly inside: boolean; readonly isEnd: boolean },
): WeldPosition {
  if (onBench) return 'flat';
  if (id === 'bottom') return inside ? 'flat' : 'overhead';
  if (id === 'top') return inside ? 'overhead' : 'flat';
  return isEnd ? 'vertical' : 'horizontal';
}

/** Both seams of a piece that goes all the way round: its halves welded to each other, which brings no force in. */
const seamLines = (context: RepairPicture, piece: Piece): Omit<WeldLine, 'id'>[] =>
  (['outer', 'inner'] as const).map((face) => ({
    ...filletBase(context, piece, piece.thicknessMm),
    place: 'seam',
    face,
    fromMm: piece.startMm,
    toMm: piece.endMm,
    lengthMm: piece.endMm - piece.startMm,
    style: 'continuous',
    position: context.repair.onBench ? 'flat' : 'horizontal',
  }));

/** Skip: the shortest run allowed at the widest pitch that still stitches the plate. To continuous: the same runs laid skipping about until they meet. */
function runsOf(
  style: 'runs to continuous' | 'skip',
  legMm: number,
  plateMm: number,
  yieldMpa: number,
): Runs {
  const lengthMm = shortestRunMm(legMm);
  return {
    lengthMm,
    pitchMm:
      style === 'skip'
        ? Math.max(lengthMm, Math.min(widestPitchMm(plateMm, YOUNGS_MODULUS_MPA, yieldMpa), 4 * lengthMm))
        : lengthMm,
  };
}

/** Largest flow across the edge's weld link over a run, N/mm, from the repaired section's own shear flow. */
function flowAlong(
  context: RepairPicture,
  piece: Piece,
  side: number,
  run: readonly PieceStation[],
  shearN: number,
): number | undefined {
  const { picture, repair } = context;
  const repaired = memberStates(picture, [repair]).find((state) => state.id === 'as repaired');
  if (!repaired) return undefined;
  const samples = [run[0]!, run[run.length >> 1]!, run[run.length - 1]!];
  const flows = samples
    .map((station) => {
      const plates = repaired.changeAt(station.stationMm).plates;
      const section = stateSection(picture, repaired, station.stationMm);
      const flow = shearFlow(section, 0, shearN);
      const cover = coverageAt(picture.member, piece, station.stationMm);
      if (!flow || !cover) return undefined;
      const links = plates.flatMap(({ weldedAtUMm, inside = false }) =>
        weldedAtUMm.map((uMm) => ({ uMm, inside })),
      );
      const edgeUMm = side === 0 ? cover.uFromMm : cover.uToMm;
      const at = links.findIndex(
        ({ uMm, inside }) => inside === isInside(piece) && Math.abs(uMm - edgeUMm) < 1e-6,
      );
      const strips = [...section.thicknessMm.keys()].filter(
        (strip) => section.thicknessMm[strip] === WELD_LINK,
      );
      return at >= 0 ? Math.abs(flow.startNPerMm[strips[at]!]!) : undefined;
    })
    .filter((flow) => flow !== undefined);
  return flows.length ? Math.max(...flows) : undefined;
}

/** The tapered ends: both slanted edges and the nose, one line an end. */
function endLines(
  context: RepairPicture,
  piece: Piece,
  stations: readonly PieceStation[],
): Omit<WeldLine, 'id'>[] {
  const { member } = context.picture;
  const taper = taperLengthMm(piece);
  const ends: { place: 'front end' | 'rear end'; tipMm: number; fullMm: number }[] = [];
  if (piece.startMm > 1)
    ends.push({ place: 'front end', tipMm: piece.startMm, fullMm: piece.startMm + taper });
  if (piece.endMm < member.lengthMm - 1)
    ends.push({ place: 'rear end', tipMm: piece.endMm, fullMm: piece.endMm - taper });
  return ends.map(({ place, tipMm, fullMm }) => {
    const [tip, full] = [coverageAt(member, piece, tipMm)!, coverageAt(member, piece, fullMm)!];
    const outline: Point[] = [
      [fullMm, full.uFromMm],
      [tipMm, tip.uFromMm],
      [tipMm, tip.uToMm],
      [fullMm, full.uToMm],
    ];
    const [fromMm, toMm] = [Math.min(tipMm, fullMm), Math.max(tipMm, fullMm)];
    const walls = stations
      .filter(({ stationMm }) => stationMm >= fromMm - 1 && stationMm <= toMm + 1)
      .flatMap(({ edges }) => edges.filter((edge) => edge.wallMm > 0).map((edge) => edge.wallMm));
    const face = faceAtU(member.shape, wrapU(context, (tip.uFromMm + tip.uToMm) / 2 - 1e-3));
    return {
      ...filletBase(context, piece, walls.length ? Math.min(...walls) : 0),
      place,
      face: face.id,
      fromMm,
      toMm,
      lengthMm: pathLength(outline),
      style: 'continuous' as const,
      position: positionOf(face, { onBench: context.repair.onBench, inside: isInside(piece), isEnd: true }),
    };
  });
}

const wrapU = (context: RepairPicture, uMm: number): number => onSheet(context.picture.member.shape, uMm);

/** Plug welds through the lapped edges where chosen: those that the flat pattern has holes for. */
function plugLine(
  context: RepairPicture,
  piece: Piece,
  stations: readonly PieceStation[],
): Omit<WeldLine, 'id'>[] {
  if (!context.repair.plugs) return [];
  const { rowsUMm, fromMm, toMm, pitchMm, diameterMm, count } = plugLayout(context.picture.member, piece);
  const middle = stations[stations.length >> 1];
  if (count === 0 || rowsUMm.length === 0 || !middle?.edges[0]) return [];
  const face = middle.edges[0].face;
  return [
    {
      ...filletBase(context, piece, middle.edges[0].wallMm),
      kind: 'plug',
      place: 'plugs',
      face: face.id,
      fromMm: piece.startMm + fromMm,
      toMm: piece.startMm + toMm,
      lengthMm: toMm - fromMm,
      style: 'skip',
      runs: { lengthMm: diameterMm, pitchMm },
      position: positionOf(face, { onBench: context.repair.onBench, inside: isInside(piece), isEnd: false }),
      plugs: {
        count: count * rowsUMm.length,
        diameterMm,
        strengthN: plugStrengthN(diameterMm, FILLER_TENSILE_MPA),
      },
    },
  ];
}

/** Force against the welds between an end and the damage. */
function endDemands(context: RepairPicture, piece: Piece, lines: readonly WeldLine[]): EndDemand[] {
  const { picture } = context;
  const forceN = plateForceN(picture, piece);
  const own = lines.filter(
    (line) => line.pieceId === piece.id && line.kind === 'fillet' && line.place !== 'seam',
  );
  return own
    .filter((line) => line.place === 'front end' || line.place === 'rear end')
    .map((endLine) => {
      const end = endLine.place === 'front end' ? 'front end' : 'rear end';
      const [low, high] = runToDamage(context, piece, end);
      const capacityN = own.reduce(
        (sum, line) =>
          sum +
          strengthNPerMm(line) *
            (line === endLine ? line.lengthMm : overlap(line.fromMm, line.toMm, low, high) * share(line)),
        0,
      );
      return {
        pieceId: piece.id,
        end,
        forceN,
        capacityN,
        runMm: Math.max(0, high - low),
      };
    });
}

/** Part of an intermittent line that is weld. */
const share = (line: WeldLine): number =>
  line.style === 'skip' && line.runs ? line.runs.lengthMm / line.runs.pitchMm : 1;
const overlap = (a: number, b: number, low: number, high: number): number =>
  Math.max(0, Math.min(b, high) - Math.max(a, low));
