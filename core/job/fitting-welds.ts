import {
  baseMetalStrengthNPerMm,
  filletStrengthNPerMm,
  lineGroup,
  worstInGroup,
  type GroupLoad,
} from '../mechanics';
import { axlesOf, fittingsOn, sidesOf, type Fitting, type Frame, type Member } from '../frame';
import { columnsUnder } from '../metal';
import { STANDARD_GRAVITY } from '../quantity';
import { chosenLegMm, FILLER_TENSILE_MPA, steel, type Practice } from '../reference';
import { workPlace } from '../shape';
import { KNOWN } from '../probe';
import type { MemberPicture } from '../weigh';

/** What a bracket's welds are asked for, one way at a time. */
export type FittingPush = 'bump' | 'brake' | 'scrub';

/** A welded bracket's weld group as a line, under what hangs on it. Forces N/mm. */
export interface FittingWeld {
  readonly hostId: string;
  readonly name: string;
  readonly loadKg: number;
  /** No axle has a rating: all of the unit's gross mass is taken to stand on its axles, a quarter of each on a hanger. */
  readonly isAssumed: boolean;
  readonly legMm: number;
  /** The wall beside it that was counted: as made, or the thinnest that was found under it where that is less. */
  readonly wallMm: number;
  readonly madeMm: number;
  readonly strengthNPerMm: number;
  readonly asked: readonly { readonly push: FittingPush; readonly nPerMm: number }[];
  /** The worst of them over the strength. */
  readonly use: number;
}

/** Why a welded bracket's demand is not worked out. */
export interface FittingWeldUnknown {
  readonly hostId: string;
  readonly name: string;
  readonly lacks: 'its size' | 'what hangs on it' | 'metal under it';
}

/**
 * The welds of every bracket welded to a member, all round its own plate as made: bump straight up, brake fore and aft and scrub sideways at the height its load
 * acts, each by itself. The wall beside counts as made, or as the thinnest of its standing faces that was found along the plate, where that is less: what hangs
 * there hangs on what is left.
 *
 *    y up │  ┌──────┐ high     x along the member; out of the plane towards whoever looks
 *         └──┴─along┴── x
 */
export function fittingWelds(
  frame: Frame,
  practice: Practice,
  picture: Pick<MemberPicture, 'account' | 'member'>,
  grossMassKg?: number,
): { readonly judged: FittingWeld[]; readonly unknown: FittingWeldUnknown[] } {
  const { member } = picture;
  const hosts = fittingsOn(frame, member)
    .map(({ id }) => frame.fittings.find((fitting) => fitting.id === id))
    .filter((fitting): fitting is Fitting => fitting?.attached?.by === 'weld')
    .flatMap((fitting) => sidesOf(fitting).map((side) => ({ fitting, hostId: `${fitting.id} ${side}` })));
  const judged: FittingWeld[] = [];
  const unknown: FittingWeldUnknown[] = [];
  for (const { fitting, hostId } of hosts) {
    const place = workPlace(frame, practice, { on: 'fitting', hostId });
    if (!place || place.member.id !== member.id) continue;
    const { name } = place;
    const assumedKg = place.loadKg > 0 ? 0 : assumedLoadKg(frame, fitting, grossMassKg);
    const loadKg = place.loadKg || assumedKg;
    const wallMm = wallUnder(picture, place.stationMm, fitting.size?.alongMm ?? 0);
    if (!fitting.size) unknown.push({ hostId, name, lacks: 'its size' });
    else if (!(loadKg > 0)) unknown.push({ hostId, name, lacks: 'what hangs on it' });
    else if (!(wallMm > 0)) unknown.push({ hostId, name, lacks: 'metal under it' });
    else
      judged.push({
        hostId,
        name,
        loadKg,
        isAssumed: assumedKg > 0,
        wallMm,
        madeMm: member.shape.thicknessMm,
        ...groupOf(practice, member, fitting, { loadKg, wallMm }),
      });
  }
  return { judged, unknown };
}

const SPRUNG: ReadonlySet<Fitting['kind']> = new Set<Fitting['kind']>([
  'spring hanger',
  'spring seat',
  'spring bucket',
  'equaliser',
]);
const assumedLoadKg = (frame: Frame, { kind }: Fitting, grossMassKg: number | undefined): number => {
  const axles = axlesOf(frame).length;
  return SPRUNG.has(kind) && grossMassKg !== undefined && axles > 0 ? grossMassKg / axles / 4 : 0;
};

/** The thinnest wall of the standing faces along a bracket's plate, of what is known of it; never more than it was made. */
function wallUnder(
  { account, member }: Pick<MemberPicture, 'account' | 'member'>,
  stationMm: number,
  alongMm: number,
): number {
  const { stationsMm, surface, best, readMm } = account;
  const [from, to] = columnsUnder(stationsMm, stationMm - alongMm / 2, stationMm + alongMm / 2);
  const found = surface.rowFace.flatMap((face, row) =>
    face.upright
      ? Array.from({ length: to - from + 1 }, (_, k) => row * stationsMm.length + from + k).map((cell) =>
          Math.min(best.known[cell] === KNOWN.guess ? Infinity : best.thicknessMm[cell]!, readMm[cell]!),
        )
      : [],
  );
  return Math.min(member.shape.thicknessMm, ...found);
}

function groupOf(
  practice: Practice,
  member: Member,
  fitting: Fitting,
  { loadKg, wallMm }: { readonly loadKg: number; readonly wallMm: number },
) {
  const { alongMm, highMm, thicknessMm } = fitting.size!;
  const of = steel(member.steel);
  const legMm = chosenLegMm(thicknessMm, member.shape.thicknessMm);
  const strengthNPerMm = Math.min(
    filletStrengthNPerMm(legMm, FILLER_TENSILE_MPA),
    baseMetalStrengthNPerMm(Math.min(thicknessMm, wallMm), of.yieldMpa, of.tensileMpa),
  );
  const corners = [
    [0, 0],
    [alongMm, 0],
    [alongMm, highMm],
    [0, highMm],
  ] as const;
  const group = lineGroup(corners.map((corner, k) => [corner, corners[(k + 1) % 4]!]))!;
  const asked = (['bump', 'brake', 'scrub'] as const).map((push) => ({
    push,
    nPerMm: worstInGroup(group, loadOf(push, practice, { alongMm, highMm, loadKg, fitting })).force,
  }));
  return {
    legMm,
    strengthNPerMm,
    asked,
    use: Math.max(...asked.map(({ nPerMm }) => nPerMm)) / strengthNPerMm,
  };
}

/** Its load acts under the middle of its plate, as far below the rail's middle as the frame says, and as far out. */
function loadOf(
  push: FittingPush,
  { loadFactors: { bumpG, brakeG, scrubShare } }: Practice,
  {
    alongMm,
    highMm,
    loadKg,
    fitting: { dropMm = 0, outMm = 0 },
  }: {
    readonly alongMm: number;
    readonly highMm: number;
    readonly loadKg: number;
    readonly fitting: Fitting;
  },
): GroupLoad {
  const weightN = STANDARD_GRAVITY * loadKg;
  const at = [alongMm / 2, highMm / 2 - dropMm] as const;
  switch (push) {
    // Straight up, beside the wall by how far it stands out: it bends the group out of its plane.
    case 'bump':
      return { at: [alongMm / 2, highMm / 2], y: bumpG * weightN, mx: bumpG * weightN * Math.abs(outMm) };
    case 'brake':
      return { at, x: brakeG * weightN };
    case 'scrub':
      return { at, z: scrubShare * weightN };
  }
}
