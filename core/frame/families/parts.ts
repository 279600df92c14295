import { inchesToMm } from '../../quantity';
import type { SteelId } from '../../reference';
import type { Vector3 } from '../../mechanics';
import type { Fitting } from '../fitting';
import type { Family, Frame, Member } from '../frame';
import { lineLengthMm } from '../placement';
import { breadthMm, isBranched, type MemberShape } from '../shape';

/** What a technician knows of a frame before looking at it: enough to start from. */
export interface FamilyChoice {
  readonly family: Family;
  readonly railShape: MemberShape;
  readonly steel: SteelId;
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly datum: string;
  /** Station of the first axle; of the coupler or king pin on trailers. */
  readonly firstMm?: number;
  /** First axle, coupler or pin to the (middle of the) rear axles. */
  readonly wheelbaseMm?: number;
  readonly rearAxles?: number;
  /** Between neighbouring rear axles. */
  readonly spreadMm?: number;
}

/** A choice with its gaps filled and its axle stations worked out. */
export interface Plan extends FamilyChoice {
  readonly firstMm: number;
  readonly rearMm: number;
  readonly rearAxlesMm: readonly number[];
}

export const SIDES = ['left', 'right'] as const;
export const inch = inchesToMm;
export const rounded = (mm: number): number => Math.round(mm);

export function planned(choice: FamilyChoice, firstShare: number, rearShare: number): Plan {
  const firstMm = choice.firstMm ?? firstShare * choice.lengthMm;
  const rearMm = firstMm + (choice.wheelbaseMm ?? (rearShare - firstShare) * choice.lengthMm);
  const count = Math.max(1, Math.min(4, Math.round(choice.rearAxles ?? 1)));
  const spreadMm = choice.spreadMm ?? inch(34);
  return {
    ...choice,
    firstMm,
    rearMm,
    rearAxlesMm: Array.from({ length: count }, (_, k) => rounded(rearMm + (k - (count - 1) / 2) * spreadMm)),
  };
}

const sideName = (side: 'left' | 'right'): string => (side === 'left' ? 'Left' : 'Right');

/** Both of a pair, the right one a mirror image of the left. */
export function pair(
  id: string,
  name: string,
  make: (
    side: 'left' | 'right',
    hand: -1 | 1,
  ) => Omit<Member, 'id' | 'name' | 'side' | 'lengthMm'> & { lengthMm?: number },
): Member[] {
  return SIDES.map((side) => {
    const made = make(side, side === 'left' ? -1 : 1);
    const lengthMm = made.lengthMm ?? (made.line ? lineLengthMm(made.line) : 0);
    return {
      id: id.includes('#') ? id.replace('#', side) : `${id}-${side}`,
      name: `${sideName(side)} ${name}`,
      side,
      ...made,
      lengthMm,
    };
  });
}

/** A member that stands from one point to another. */
export const lineMember = (
  member: Pick<Member, 'id' | 'name' | 'role' | 'shape' | 'steel'> & Partial<Member>,
  from: Vector3,
  to: Vector3,
): Member => ({
  ...member,
  line: { from: [...from], to: [...to] },
  lengthMm: lineLengthMm({ from, to }),
});

/** How long a crossmember is: between the webs of the rails. */
export function betweenMm({ railShape: rail, widthMm }: Pick<FamilyChoice, 'railShape' | 'widthMm'>): number {
  return isBranched(rail) ? widthMm - breadthMm(rail) - rail.thicknessMm : widthMm - 2 * rail.thicknessMm;
}

/** A crossmember between the rails at a station: of the rail's kind, three quarters of its depth, a little thinner. */
export function crossmember(
  choice: Pick<FamilyChoice, 'railShape' | 'steel' | 'widthMm'>,
  number: number,
  atMm: number,
): Member {
  const rail = choice.railShape;
  const depthMm = Math.round(rail.depthMm * 0.75);
  const thicknessMm = Math.min(rail.thicknessMm, inch(3 / 16));
  const shape: MemberShape =
    rail.kind === 'box'
      ? { kind: 'box', depthMm, widthMm: Math.round(rail.widthMm * 0.75), thicknessMm }
      : {
          kind: 'channel',
          depthMm,
          flangeMm: Math.round((rail.kind === 'channel' ? rail.flangeMm : inch(2.5)) * 0.75),
          thicknessMm,
        };
  return {
    id: `cross-${number}`,
    name: `Crossmember ${number}`,
    role: 'crossmember',
    atMm: Math.round(atMm),
    shape,
    steel: choice.steel,
    lengthMm: betweenMm(choice),
  };
}

export type MarkSeed = readonly [
  kind: Fitting['kind'],
  name: string,
  side: Fitting['side'],
  stationMm: number,
  more?: Partial<Fitting>,
];
export const marks = (seeds: readonly MarkSeed[], lengthMm: number): Fitting[] =>
  seeds.map(([kind, name, side, stationMm, more], k) => ({
    id: `mark-${k + 1}`,
    kind,
    name,
    side,
    stationMm: Math.min(lengthMm, Math.max(0, Math.round(stationMm))),
    ...more,
  }));

/** Axles behind, with their hangers: one spring an axle, a shared hanger between neighbours. */
export function rearAxleMarks(
  plan: Plan,
  name: string,
  halfSpringMm: number,
  hanger: Partial<Fitting> & { readonly dropMm: number },
): MarkSeed[] {
  const axles = plan.rearAxlesMm;
  const several = axles.length > 1;
  const axleName = (k: number) =>
    !several ? `${name} axle` : name ? `${name} axle ${k + 1}` : `Axle ${k + 1}`;
  const spring = name ? `${name} spring` : 'Spring';
  const seeds: MarkSeed[] = [
    ['spring hanger', `${spring}, front hanger`, 'both', axles[0]! - halfSpringMm, hanger],
  ];
  axles.forEach((stationMm, k) => {
    seeds.push(['axle', axleName(k).trim(), 'both', stationMm]);
    if (k + 1 < axles.length)
      seeds.push([
        'spring hanger',
        `Hanger between axles ${k + 1} and ${k + 2}`,
        'both',
        (stationMm + axles[k + 1]!) / 2,
        hanger,
      ]);
  });
  seeds.push([
    'spring hanger',
    `${spring}, rear hanger`,
    'both',
    axles[axles.length - 1]! + halfSpringMm,
    hanger,
  ]);
  return seeds;
}

export interface FamilyDefinition {
  readonly family: Family;
  readonly typical: Pick<FamilyChoice, 'railShape' | 'lengthMm' | 'widthMm'> & {
    readonly firstMm: number;
    readonly wheelbaseMm: number;
    readonly rearAxles: number;
    readonly spreadMm: number;
    /** Gross mass such a frame is built for, kg (ours). */
    readonly grossKg: number;
  };
  /** What stands at the front: words for the form. */
  readonly first: 'axle' | 'coupler' | 'king pin';
  readonly build: (choice: FamilyChoice) => Frame;
}
