import type { SectionProperties, Section } from '../mechanics';
import { sectionProperties } from '../mechanics';
import { developedWidthMm, evenWall } from '../frame';
import { wallAt, type WallProfile } from '../probe';
import {
  keptAt,
  laidSection,
  layoutsAlong,
  NO_CHANGE,
  type CutBand,
  type PlateBand,
  type MemberPicture,
  type SectionChange,
  type SectionKept,
  type SectionLayout,
} from '../weigh';
import { isBolted } from './bolting';
import { cutsAt, drilledWall, repairedChange } from './plating';
import { coverageAt, type Repair } from './repair';

export const STATE_IDS = ['as built', 'as found', 'cut open', 'tacked', 'as repaired'] as const;
export type StateId = (typeof STATE_IDS)[number];

/** A named state of a member: one wall and one list of changes per station. All five are the same model with other strips. */
export interface MemberState {
  readonly id: StateId;
  readonly wallAt: (stationMm: number) => WallProfile;
  readonly changeAt: (stationMm: number) => SectionChange;
  readonly layoutAt: (stationMm: number) => SectionLayout;
}

/** A length of a member that is let in: a whole section of new metal. */
export interface LetIn {
  readonly workId: string;
  readonly fromMm: number;
  readonly toMm: number;
  readonly wallMm: number;
}
const isIn = (stationMm: number, { fromMm, toMm }: LetIn): boolean =>
  stationMm >= fromMm && stationMm <= toMm;

/**
 * The member's states. As found and later need something found; the three that cut or plate need a repair or a length let in. While that is out there is
 * no member there at all.
 */
export function memberStates(
  picture: MemberPicture,
  repairs: readonly Repair[],
  letIn: readonly LetIn[] = [],
): MemberState[] {
  const sure = new Float64Array(picture.surface.uMm.length);
  const builtWall: WallProfile = {
    thicknessMm: evenWall(picture.surface, picture.built.thicknessMm),
    errorMm: sure,
    known: new Uint8Array(sure.length),
  };
  const state = (
    id: StateId,
    wall: MemberState['wallAt'],
    changeAt: MemberState['changeAt'],
  ): MemberState => {
    const lay = layoutsAlong(picture.surface);
    return { id, wallAt: wall, changeAt, layoutAt: (stationMm) => lay(changeAt(stationMm)) };
  };
  const states: MemberState[] = [
    state(
      'as built',
      () => builtWall,
      () => NO_CHANGE,
    ),
  ];
  const { found } = picture;
  if (!found) return states;
  const foundWall = (stationMm: number) => wallAt(found, stationMm);
  states.push(state('as found', foundWall, () => NO_CHANGE));
  if (repairs.length === 0 && letIn.length === 0) return states;
  const out: CutBand = { uFromMm: -1, uToMm: developedWidthMm(picture.member.shape) + 1 };
  const isOut = (stationMm: number) => letIn.some((each) => isIn(stationMm, each));
  const cutsOf = (stationMm: number): CutBand[] =>
    isOut(stationMm) ? [out] : repairs.flatMap((repair) => cutsAt(picture, repair, stationMm));
  const changes = repairs.map((repair) => repairedChange(picture, repair));
  const whole = (stationMm: number): SectionChange => {
    const all = changes.map((change) => change(stationMm));
    return { cuts: all.flatMap((change) => change.cuts), plates: all.flatMap((change) => change.plates) };
  };
  const drilled = (wall: MemberState['wallAt']): MemberState['wallAt'] =>
    repairs.some(isBolted) ? (mm) => drilledWall(picture, repairs, mm, wall(mm)) : wall;
  const opened = drilled(foundWall);
  states.push(state('cut open', opened, (stationMm) => ({ cuts: cutsOf(stationMm), plates: [] })));
  states.push(
    state('tacked', opened, (stationMm) => ({
      cuts: cutsOf(stationMm),
      plates: tackedAt(picture, repairs, stationMm),
    })),
  );
  const mended = renewed(picture, letIn, builtWall, drilled(plated(picture, repairs, foundWall)));
  states.push(state('as repaired', mended, (mm) => (isOut(mm) ? NO_CHANGE : whole(mm))));
  return states;
}

/** Plates that are only tacked, or bolted hand-tight: there, and carrying nothing. */
const tackedAt = (picture: MemberPicture, repairs: readonly Repair[], stationMm: number): PlateBand[] =>
  repairs
    .flatMap(({ pieces }) => pieces)
    .flatMap((piece): PlateBand[] => {
      const cover = coverageAt(picture.member, piece, stationMm);
      if (!cover) return [];
      const { uFromMm, uToMm } = cover;
      return [{ uFromMm, uToMm, thicknessMm: piece.thicknessMm, weldedAtUMm: [], carries: false }];
    });

/** The wall of a length let in is as it is bought. */
function renewed(
  picture: MemberPicture,
  letIn: readonly LetIn[],
  built: WallProfile,
  wall: MemberState['wallAt'],
): MemberState['wallAt'] {
  const walls = letIn.map((each) => ({
    each,
    wall: {
      ...built,
      thicknessMm: built.thicknessMm.map((mm) => (mm * each.wallMm) / picture.built.thicknessMm),
    },
  }));
  return (stationMm) => walls.find(({ each }) => isIn(stationMm, each))?.wall ?? wall(stationMm);
}

/** The wall under its plates: cracks beneath one are ground out and welded before it covers them; under a bolted one they stay. */
function plated(
  picture: MemberPicture,
  repairs: readonly Repair[],
  foundWall: (stationMm: number) => WallProfile,
): (stationMm: number) => WallProfile {
  const isPlated = (stationMm: number) =>
    repairs.some(
      (repair) =>
        !isBolted(repair) &&
        repair.pieces.some(({ startMm, endMm }) => stationMm >= startMm && stationMm <= endMm),
    );
  return (stationMm) =>
    isPlated(stationMm) ? wallAt(picture.account.welded, stationMm) : foundWall(stationMm);
}

export const stateSection = (picture: MemberPicture, state: MemberState, stationMm: number): Section =>
  laidSection(state.layoutAt(stationMm), state.wallAt(stationMm).thicknessMm);

export const stateProperties = (
  picture: MemberPicture,
  state: MemberState,
  stationMm: number,
): SectionProperties | undefined => sectionProperties(stateSection(picture, state, stationMm));

/** The state's section against the as-built one at a station, with its ±. */
export const stateKept = (
  picture: MemberPicture,
  state: MemberState,
  stationMm: number,
): SectionKept | undefined =>
  keptAt(
    picture.surface,
    state.wallAt(stationMm),
    picture.builtProperties,
    stationMm,
    state.layoutAt(stationMm),
  );
