import type { Family, Frame, Member } from '../frame';
import { ofKind } from '../frame';
import type { Photo } from '../walk';
import { AT_MM, placeKey, placesOver, type FaultPlace } from './faults';
import type { FoundThere } from './found';

/** Why a place may not be as its maker built it: something bad was on record there, or a repair lies over it. */
export type NotAsBuilt = 'found bad' | 'mended';

/** A place as its maker built it, photographed on one unit, for whoever finds it rotted away on another of the family. */
export interface AsBuilt {
  readonly family: Family;
  readonly jobId: string;
  readonly unitId: string;
  readonly tag: string;
  readonly builtYear?: number;
  readonly photo: Photo;
  readonly place: FaultPlace;
  readonly side?: Member['side'];
  /** What its own unit's records say against it. */
  readonly doubt?: NotAsBuilt;
}

/** A job whose photos are asked for, and what its unit's jobs recorded up to them. */
export interface AsBuiltIn {
  readonly frame: Frame;
  readonly jobId: string;
  readonly unit: { readonly id: string; readonly tag: string; readonly builtYear?: number | undefined };
  readonly photos: readonly Photo[];
  /** What was found of the same unit, and by which job. */
  readonly found: readonly (FoundThere & { readonly jobId: string })[];
  /** Where repairs lie on the same unit, from when they were kept. */
  readonly mended: readonly Pick<FoundThere, 'memberId' | 'fromMm' | 'toMm' | 'at'>[];
}

/** Photos of places as built that stand in a job, each with the place that other frames of the family know too. One whose member is gone has none. */
export const asBuiltIn = ({ frame, jobId, unit, photos, found, mended }: AsBuiltIn): AsBuilt[] =>
  ofKind(photos, 'photo').flatMap((photo): AsBuilt[] => {
    const { memberId, stationMm, moment } = photo;
    const member = frame.members.find(({ id }) => id === memberId);
    if (moment !== 'as built' || !member || stationMm === undefined) return [];
    const [place] = placesOver(frame, member, stationMm, stationMm);
    if (!place) return [];
    const isThere = (each: Pick<FoundThere, 'memberId' | 'fromMm' | 'toMm'>) =>
      each.memberId === memberId && each.fromMm <= stationMm + AT_MM && each.toMm >= stationMm - AT_MM;
    // What the same job found counts whenever it was written down; rust found by a later job says nothing of an older picture.
    const wasBad = found.some(
      (each) => each.is === 'bad' && isThere(each) && (each.jobId === jobId || each.at <= photo.at),
    );
    const wasMended = mended.some((each) => isThere(each) && each.at <= photo.at);
    const doubt = wasMended ? ('mended' as const) : wasBad ? ('found bad' as const) : undefined;
    return [
      {
        family: frame.family,
        jobId,
        unitId: unit.id,
        tag: unit.tag,
        ...(unit.builtYear !== undefined && { builtYear: unit.builtYear }),
        photo,
        place,
        ...(member.side !== undefined && { side: member.side }),
        ...(doubt && { doubt }),
      },
    ];
  });

/** Where somebody stands who would like to see how it was built; stations are the member's own, mm. */
export interface StandsAt {
  readonly frame: Frame;
  readonly unitId: string;
  readonly jobId: string;
  readonly builtYear?: number | undefined;
  readonly memberId: string;
  readonly fromMm: number;
  readonly toMm: number;
}
/** A photo that shows the place, and in what its unit is another. */
export interface ShownAsBuilt {
  readonly asBuilt: AsBuilt;
  readonly isThisUnit: boolean;
  /** It shows the other side: as in a mirror. */
  readonly isMirrored: boolean;
  /** Years between the two frames, where both are known. */
  readonly yearsApart?: number;
}

/**
 * Photos that show a place as built: of this unit first, then without doubt before doubtful, then of the nearest year, then the same side, then the
 * last taken. Those of the job that asks are among its own photos.
 */
export function asBuiltOver(pictures: readonly AsBuilt[], here: StandsAt): ShownAsBuilt[] {
  const member = here.frame.members.find(({ id }) => id === here.memberId);
  if (!member) return [];
  const keys = new Set(placesOver(here.frame, member, here.fromMm, here.toMm).map(placeKey));
  return pictures
    .filter(
      ({ family, place, jobId }) =>
        family === here.frame.family && jobId !== here.jobId && keys.has(placeKey(place)),
    )
    .map((asBuilt): ShownAsBuilt => {
      const { unitId, side, builtYear } = asBuilt;
      const yearsApart =
        builtYear !== undefined && here.builtYear !== undefined
          ? Math.abs(builtYear - here.builtYear)
          : undefined;
      return {
        asBuilt,
        isThisUnit: unitId === here.unitId,
        isMirrored: side !== undefined && member.side !== undefined && side !== member.side,
        ...(yearsApart !== undefined && { yearsApart }),
      };
    })
    .sort(
      (a, b) =>
        Number(b.isThisUnit) - Number(a.isThisUnit) ||
        Number(a.asBuilt.doubt !== undefined) - Number(b.asBuilt.doubt !== undefined) ||
        (a.yearsApart ?? Infinity) - (b.yearsApart ?? Infinity) ||
        Number(a.isMirrored) - Number(b.isMirrored) ||
        b.asBuilt.photo.at.localeCompare(a.asBuilt.photo.at),
    );
}
