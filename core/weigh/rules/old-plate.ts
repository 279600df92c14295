import { evenWall } from '../../frame';
import { sectionProperties } from '../../mechanics';
import { standingAgainst } from '../../metal';
import { crackExtent } from '../../trace';
import type { Sign } from '../../walk';
import type { Finding } from '../finding';
import { actOnCrack } from '../mended';
import type { MemberPicture } from '../picture';
import { laidSection, layoutOf, NO_CHANGE } from '../wall-section';

/** Above this multiple of the built section modulus a plate moves the trouble to its end (our reading of common practice). */
export const STIFF_STEP = 1.15;

/**
 * Where an old plate or flat stops, the rail beside it takes the step in stiffness: cracks start there. Its thickness is not on record: it is taken
 * for another wall (as overlays of nominal plate are). An end at the member's own end has no rail beside it; one that was taken off has none at all.
 */
export function oldPlateEnds(picture: MemberPicture): Finding[] {
  const onIt = new Set(standingAgainst(picture.account).map(({ recordId }) => recordId));
  return (picture.signs ?? [])
    .filter((sign) => isPlate(sign) && onIt.has(sign.id))
    .flatMap((sign) => {
      const step = stiffnessStep(picture, sign.face);
      if (!(step > STIFF_STEP)) return [];
      return endsOf(picture, sign).map((stationMm) => atEnd(picture, stationMm, step));
    });
}

const isPlate = ({ detail, toMm }: Sign): boolean =>
  toMm !== undefined &&
  detail.sign === 'old repair' &&
  (detail.cover === 'plate, welded all round' || detail.cover === 'added angle or flat');

const endsOf = ({ member }: MemberPicture, { stationMm, toMm }: Sign): number[] =>
  [stationMm, toMm!].filter((mm) => mm > 0 && mm < member.lengthMm);

/** Bending strength beside the plate's end, plated over bare, by its fibre that gains most. */
function stiffnessStep({ surface, built, builtProperties }: MemberPicture, face: Sign['face']): number {
  const plated = evenWall(surface, built.thicknessMm).map(
    (mm, row) => mm * (surface.rowFace[row]!.id === face ? 2 : 1),
  );
  const properties = sectionProperties(laidSection(layoutOf(surface, NO_CHANGE), plated));
  if (!properties) return 1;
  return Math.max(
    properties.sTopMm3 / builtProperties.sTopMm3,
    properties.sBottomMm3 / builtProperties.sBottomMm3,
  );
}

/** A crack within one depth of the end is drawn by it; none yet asks to be looked for. */
function atEnd(picture: MemberPicture, stationMm: number, step: number): Finding {
  const reachMm = picture.member.shape.depthMm;
  const crack = picture.cracks
    .map(crackExtent)
    .find(({ fromMm, toMm }) => fromMm <= stationMm + reachMm && toMm >= stationMm - reachMm);
  return {
    code: crack ? 'crack-at-plate-end' : 'plate-end',
    verdict: crack ? actOnCrack(picture) : 'Watch',
    quantity: 'fraction',
    value: step,
    limit: STIFF_STEP,
    source: 'practice',
    at: { fromMm: stationMm, toMm: stationMm },
    firmness: crack ? 'firm' : 'could flip with one more reading',
  };
}
