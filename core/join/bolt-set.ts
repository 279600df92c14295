import { shearFlow, WELD_LINK } from '../mechanics';
import {
  boltHoleMm,
  boltLengthMm,
  boltSlipN,
  boltStack,
  boltTorqueNm,
  type BoltMarks,
  type BoltStack,
} from '../reference';
import type { FaceId } from '../frame';
import {
  boltsAt,
  boltStationsMm,
  isBolted,
  memberStates,
  stateSection,
  strengthOfBolts,
  type BoltedRepair,
  type Piece,
  type RepairPicture,
} from '../shape';

/** Bolts of a repair that go through the same plates and the same face: bought, drilled and tightened alike. */
export interface BoltSet {
  readonly id: string;
  readonly pieceIds: readonly string[];
  readonly face: FaceId;
  readonly count: number;
  /** Of these, where the metal is known to hold them. */
  readonly counted: number;
  readonly diameterMm: number;
  readonly marks: BoltMarks;
  readonly holeMm: number;
  readonly pitchMm: number;
  readonly gripMm: number;
  readonly lengthMm: number;
  /** Where shank and thread lie; absent where no bolt of whole quarter inches does it. */
  readonly stack?: BoltStack;
  /** Before bare faces slip, N a bolt; coated faces are not counted on. */
  readonly slipN?: number;
  readonly torqueNm?: number;
  /** The least that one counted bolt may carry for one plate, N; absent where none is counted. */
  readonly strengthN?: number;
  readonly fromMm: number;
  readonly toMm: number;
}

/** Epoxy or primer on each face that is closed (common practice, no source). */
const COAT_MM = 0.1;

/** The bolts of a repair by what they go through; none where it is welded. */
export function boltSets({ picture, repair }: RepairPicture): BoltSet[] {
  if (!isBolted(repair)) return [];
  const { diameterMm, marks, pitchMm } = repair.bolts;
  const groups = new Map<string, ReturnType<typeof strengthOfBolts>>();
  for (const bolt of strengthOfBolts(picture, repair)) {
    const key = `${bolt.pieceIds.join(' ')} ${bolt.face}`;
    groups.set(key, [...(groups.get(key) ?? []), bolt]);
  }
  const torqueNm = boltTorqueNm(marks, diameterMm);
  return [...groups.values()].map((bolts, k): BoltSet => {
    const { pieceIds, face } = bolts[0]!;
    const held = bolts.flatMap(({ strengthN }) => (strengthN === undefined ? [] : [strengthN]));
    const wallMm = picture.surface.faces.find(({ id }) => id === face)!.wallMm;
    const platesMm = [
      wallMm,
      ...repair.pieces.filter(({ id }) => pieceIds.includes(id)).map(({ thicknessMm }) => thicknessMm),
    ];
    const gripMm = platesMm.reduce((sum, each) => sum + each, 0);
    const stack = boltStack(diameterMm, platesMm, { coatMm: COAT_MM });
    const slipN = boltSlipN(marks, diameterMm);
    return {
      id: `K${k + 1}`,
      pieceIds,
      face,
      count: bolts.length,
      counted: held.length,
      diameterMm,
      marks,
      holeMm: boltHoleMm(diameterMm),
      pitchMm,
      gripMm,
      lengthMm: stack?.lengthMm ?? boltLengthMm(diameterMm, gripMm),
      ...(stack && { stack }),
      ...(slipN !== undefined && { slipN }),
      ...(torqueNm !== undefined && { torqueNm }),
      ...(held.length > 0 && { strengthN: Math.min(...held) }),
      fromMm: bolts[0]!.stationMm,
      toMm: bolts.at(-1)!.stationMm,
    };
  });
}

/** The largest share of its strength that one bolt is asked for by the shear along the plates: flow at its row over one pitch. */
export function boltFlowShare(context: RepairPicture, shearN: number): number | undefined {
  const { picture, repair } = context;
  if (!isBolted(repair)) return undefined;
  const repaired = memberStates(picture, [repair]).find((state) => state.id === 'as repaired');
  if (!repaired) return undefined;
  const shares = repair.pieces.flatMap((piece) => {
    return boltStationsMm(repair, piece).flatMap((stationMm) =>
      flowShares(context, repair, { piece, stationMm, shearN, repaired }),
    );
  });
  return shares.length > 0 ? Math.max(...shares) : undefined;
}

type Repaired = ReturnType<typeof memberStates>[number];

/** Shear flow across each link of the section there, taken up by its bolt over a pitch. */
function flowShares(
  { picture }: RepairPicture,
  repair: BoltedRepair,
  at: {
    readonly piece: Piece;
    readonly stationMm: number;
    readonly shearN: number;
    readonly repaired: Repaired;
  },
): number[] {
  const section = stateSection(picture, at.repaired, at.stationMm);
  const flow = shearFlow(section, 0, at.shearN);
  const strengths = boltsAt(picture, repair, at.piece, at.stationMm).map(({ strengthN }) => strengthN);
  if (!flow || strengths.length === 0) return [];
  const links = [...section.thicknessMm.keys()].filter((strip) => section.thicknessMm[strip] === WELD_LINK);
  const mostNPerMm = Math.max(0, ...links.map((strip) => Math.abs(flow.startNPerMm[strip]!)));
  return [(mostNPerMm * repair.bolts.pitchMm) / Math.min(...strengths)];
}
