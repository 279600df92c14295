import type { SteelId } from '../reference';
import { inchesToMm } from '../quantity';
import type { Family, Frame, Landmark, Member } from './frame';
import type { MemberShape } from './shape';

export interface FamilyChoice {
  readonly family: Family;
  readonly railShape: MemberShape;
  readonly steel: SteelId;
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly datum: string;
}

/** Where crossmembers, axles and mounts sit by default, as fractions of the frame's length (our judgement; every one can be moved). */
const LADDER_CROSSMEMBERS = [0.04, 0.2, 0.38, 0.54, 0.74, 0.96];
const LADDER_LANDMARKS: readonly (readonly [Landmark['kind'], string, Landmark['side'], number])[] = [
  ['axle', 'Front axle', 'both', 0.16],
  ['steering gear', 'Steering gear', 'left', 0.1],
  ['spring hanger', 'Front spring, front hanger', 'both', 0.08],
  ['spring hanger', 'Front spring, rear hanger', 'both', 0.25],
  ['body mount', 'Cab mount', 'both', 0.32],
  ['tank strap', 'Fuel tank straps', 'left', 0.46],
  ['spring hanger', 'Rear spring, front hanger', 'both', 0.66],
  ['axle', 'Rear axle', 'both', 0.77],
  ['spring hanger', 'Rear spring, rear hanger', 'both', 0.88],
  ['hitch', 'Hitch', 'both', 0.98],
];

/** The frame a family starts from: two rails, six crossmembers, hangers and mounts. A starting point to be edited, not a maker's drawing. */
export function defaultFrame(choice: FamilyChoice): Frame {
  const rail = (side: 'left' | 'right'): Member => ({
    id: `rail-${side}`, name: `${side === 'left' ? 'Left' : 'Right'} rail`, role: 'rail', side, shape: choice.railShape, steel: choice.steel, lengthMm: choice.lengthMm,
  });
  return {
    family: choice.family,
    lengthMm: choice.lengthMm,
    widthMm: choice.widthMm,
    datum: choice.datum,
    members: [rail('left'), rail('right'), ...LADDER_CROSSMEMBERS.map((part, k) => crossmember(choice, k + 1, part * choice.lengthMm))],
    landmarks: LADDER_LANDMARKS.map(([kind, name, side, part], k) => ({ id: `mark-${k + 1}`, kind, name, side, stationMm: Math.round(part * choice.lengthMm) })),
  };
}

/** A crossmember between the rails, three quarters of their depth, at a station. */
export function crossmember(choice: Pick<FamilyChoice, 'railShape' | 'steel' | 'widthMm'>, number: number, atMm: number): Member {
  const rail = choice.railShape;
  const depthMm = Math.round(rail.depthMm * 0.75);
  const thicknessMm = Math.min(rail.thicknessMm, inchesToMm(3 / 16));
  const shape: MemberShape = rail.kind === 'channel'
    ? { kind: 'channel', depthMm, flangeMm: Math.round(rail.flangeMm * 0.75), thicknessMm }
    : { kind: 'box', depthMm, widthMm: Math.round(rail.widthMm * 0.75), thicknessMm };
  return { id: `cross-${number}`, name: `Crossmember ${number}`, role: 'crossmember', atMm: Math.round(atMm), shape, steel: choice.steel, lengthMm: choice.widthMm - 2 * rail.thicknessMm };
}

/** A typical rail for each family: what the new-job form starts with. */
export const typicalRail = (family: Family): MemberShape =>
  family === 'open-channel ladder'
    ? { kind: 'channel', depthMm: inchesToMm(8), flangeMm: inchesToMm(2.75), thicknessMm: inchesToMm(1 / 4) }
    : { kind: 'box', depthMm: inchesToMm(5), widthMm: inchesToMm(2.5), thicknessMm: 0.1345 * inchesToMm(1) };
