import { SQUARE_BUTT_TO_MM } from '../reference';
import { faceOf, isClosed, type FaceId, type Member } from '../frame';
import { crackLengthMm, unrolledPath, type Crack } from '../trace';

/** What stands behind the joint while it is filled, so that the root can be run hot. */
export const BACKINGS = [
  'gouge and weld the back',
  'copper or magnetic bar',
  'strip left inside',
  'none reaches',
] as const;
export type Backing = (typeof BACKINGS)[number];

/** How a crack is ground out and filled before a plate goes over it. Lengths mm. */
export interface CrackWeld {
  readonly crackId: string;
  readonly lengthMm: number;
  /** The thickest wall it goes through. */
  readonly wallMm: number;
  readonly faces: readonly FaceId[];
  /** A square gap in thin sheet, else a V right through. */
  readonly groove: 'square' | 'V';
  /** Between the V's walls; 0 for a square gap. */
  readonly angleDeg: number;
  readonly rootGapMm: number;
  readonly passes: number;
  readonly backing: Backing;
  /** Deposited, mm³, flush with no cap. */
  readonly weldMm3: number;
  /** Its ends are on record. A crack whose end nobody found is not welded. */
  readonly isReady: boolean;
  /** Where its course on the member's unrolled wall begins. */
  readonly stationMm: number;
}

/** A single V of 60 degrees (AWS D1.1 prequalified B-U2, from memory); root open by about 1/16 in. */
const [V_DEG, ROOT_MM] = [60, 1.6];
/** One pass of short-arc wire fills about so deep: 1/4 in plate in three passes or so (common practice, no source). */
const PASS_DEEP_MM = 2.4;

/** Each crack as a groove: how it is opened, filled and backed. Walls as made: metal is read again after grinding. */
export function crackWelds(member: Pick<Member, 'shape'>, cracks: readonly Crack[]): CrackWeld[] {
  return cracks.map((crack) => {
    const { shape } = member;
    const faces = [...new Set(crack.path.map(({ face }) => face))];
    const wallMm = Math.max(...faces.map((face) => faceOf(shape, face)?.wallMm ?? 0));
    const lengthMm = crackLengthMm(shape, crack.path);
    const isThin = wallMm <= SQUARE_BUTT_TO_MM;
    const side = wallMm * Math.tan((V_DEG / 2) * (Math.PI / 180));
    const areaMm2 = isThin ? wallMm * (wallMm / 2) : wallMm * (ROOT_MM + side);
    const isAllRound = isClosed(shape) && unrolledPath(shape, crack.path).length > 2 && faces.length > 3;
    return {
      crackId: crack.id,
      lengthMm,
      wallMm,
      faces,
      groove: isThin ? 'square' : 'V',
      angleDeg: isThin ? 0 : V_DEG,
      // Half the wall, so that the arc reaches through.
      rootGapMm: isThin ? wallMm / 2 : ROOT_MM,
      passes: isThin ? 1 : Math.ceil(wallMm / PASS_DEEP_MM - 1e-9),
      backing: !isClosed(shape)
        ? isThin
          ? 'copper or magnetic bar'
          : 'gouge and weld the back'
        : backingInside(isAllRound),
      weldMm3: areaMm2 * lengthMm,
      isReady: crack.startFound && crack.finishFound,
      stationMm: crack.path[0]!.stationMm,
    };
  });
}

/** Nobody reaches the inside of a closed section; parted all round, a strip can be laid in before it is drawn together. */
const backingInside = (isAllRound: boolean): Backing => (isAllRound ? 'strip left inside' : 'none reaches');
