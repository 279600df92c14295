import { ONE_SIDED_95 } from '../quantity';
import { faceOf, heightOnFace, type FaceId, type Member } from '../frame';
import { schoolMarginMm } from '../reference';
import {
  edgeAt,
  KNOWN,
  METHOD_ERROR_MM,
  wallAt,
  type EdgeColumn,
  type Reading,
  type SoundEdge,
} from '../probe';
import { sectionProperties } from '../mechanics';
import { isJudged, type SectionKept } from './kept';
import type { MemberPicture } from './picture';
import { laidSection, layoutOf, NO_CHANGE } from './wall-section';

export const NEXT_WHYS = [
  'plan',
  'edge against the margin',
  'edge between columns',
  'edge open below',
  'no sound metal yet',
  'strength kept',
  'not read',
] as const;
/** A place for one more reading. `worth`: how much doubt about the decision it takes away, 0 to ½. */
export interface NextReading {
  readonly stationMm: number;
  readonly face: FaceId;
  readonly heightMm: number;
  readonly worth: number;
  readonly why: (typeof NEXT_WHYS)[number];
}

/** Below this worth no reading is asked for: nineteen in twenty times it would change nothing (our judgement). */
export const NOT_WORTH_IT = 0.05;
/** A corner nobody read below sound metal is unsound about this often (our judgement). */
const CORNER_PRIOR = 0.12;
/** The edge wanders at least this much, mm a √mm along (our judgement; more where the columns read say so). */
const LEAST_WANDER = 2;
/** Between two sound columns this far apart rust may hide; nearer, by the square of the distance, less so (our judgement). */
const HIDES_MM = 900;
const HIDDEN_PRIOR = 0.15;
/** Gaps between columns shorter than this are not looked into: 3 in. */
const SHORT_GAP_MM = 76;

/**
 * Where one more reading would most change what is decided, best first: whether the sound margin holds, whether what is kept of the section
 * does. Empty when none would. Each doubt is the chance that the decision is wrong as things stand; a reading's worth is how much of it goes.
 */
export function nextReadings(picture: MemberPicture, count = 8): NextReading[] {
  if (!picture.map) return [];
  const all = [
    ...picture.edges.flatMap((edge) => edgeDoubts(picture, edge)),
    ...sectionDoubts(picture),
    ...unreadStretches(picture),
  ].filter((each) => each.worth >= NOT_WORTH_IT);
  const best: NextReading[] = [];
  for (const each of all.sort((a, b) => b.worth - a.worth)) {
    // One question is asked once: places close together would be answered by the same reading.
    if (
      best.every(
        (other) =>
          other.face !== each.face ||
          Math.hypot((other.stationMm - each.stationMm) / 4, other.heightMm - each.heightMm) > 15,
      )
    )
      best.push(each);
    if (best.length === count) break;
  }
  return best;
}

// ——— the sound edge ———

function edgeDoubts(picture: MemberPicture, edge: SoundEdge): NextReading[] {
  const { columns, faceHeightMm } = edge;
  // Just below the limit: sound there, the margin holds; unsound there, it does not.
  const limitMm = faceHeightMm - schoolMarginMm(picture.ways.margin) - 1;
  const at = (stationMm: number, heightMm: number, worth: number, why: NextReading['why']): NextReading => ({
    stationMm,
    face: edge.face,
    heightMm: Math.min(Math.max(heightMm, 2), faceHeightMm - 2),
    worth,
    why,
  });
  const own = columns.flatMap((column): NextReading[] => {
    const { stationMm, lowerMm, upperMm, kind } = column;
    // Sound metal at the limit is all that has to be known; above it, how much is left matters less.
    if (kind === 'no sound metal read')
      return lowerMm < limitMm - 3 ? [at(stationMm, limitMm, 0.4, 'no sound metal yet')] : [];
    if (kind === 'not read further down') return [openBelow(picture, edge, stationMm, upperMm)];
    if (kind === 'sound to the corner' || !(lowerMm < limitMm - 2 && upperMm > limitMm + 3)) return [];
    // By its conservative bound the margin is short here; a reading at the limit says otherwise as often as the edge lies below it.
    return [
      at(
        stationMm,
        limitMm,
        Math.min(0.49, (limitMm - lowerMm) / (upperMm - lowerMm)),
        'edge against the margin',
      ),
    ];
  });
  const wander = wanderOf(columns);
  const between = columns.slice(1).flatMap((column, k): NextReading[] => {
    const before = columns[k]!;
    const gapMm = column.stationMm - before.stationMm;
    if (gapMm < SHORT_GAP_MM) return [];
    const middleMm = (before.stationMm + column.stationMm) / 2;
    if (isSoundDown(before) && isSoundDown(column))
      return [
        at(
          middleMm,
          0.06 * faceHeightMm,
          HIDDEN_PRIOR * Math.min(1, (gapMm / HIDES_MM) ** 2),
          'edge between columns',
        ),
      ];
    const { lowerMm, upperMm } = edgeAt(edge, middleMm)!;
    // Somewhere in the bracket; and between two columns the edge strays like a bridge, half the square root of the gap.
    const sigma = Math.hypot((wander * Math.sqrt(gapMm)) / 2, (upperMm - lowerMm) / Math.sqrt(12));
    return [
      at(
        middleMm,
        Math.min(upperMm, limitMm),
        tail((limitMm - (lowerMm + upperMm) / 2) / sigma),
        'edge between columns',
      ),
    ].map((each) => ({ ...each, worth: Math.min(each.worth, 1 - each.worth) }));
  });
  return [...own, ...between];
}

/** Below sound metal the corner, or the flange under it, tells whether there is an edge at all. */
function openBelow(
  picture: MemberPicture,
  edge: SoundEdge,
  stationMm: number,
  lowestMm: number,
): NextReading {
  const bottom = faceOf(picture.member.shape, 'bottom');
  const onFlange = bottom && lowestMm < 0.25 * edge.faceHeightMm;
  return {
    stationMm,
    face: onFlange ? 'bottom' : edge.face,
    heightMm: onFlange ? bottom.widthMm / 2 : 0.06 * edge.faceHeightMm,
    worth: onFlange || !bottom || lowestMm > 16 ? CORNER_PRIOR : 0,
    why: 'edge open below',
  };
}

const isSoundDown = (column: EdgeColumn): boolean =>
  column.kind === 'sound to the corner' || column.kind === 'not read further down';

/** How far the bound moves from column to column, mm a √mm. */
function wanderOf(columns: readonly EdgeColumn[]): number {
  const steps = columns
    .slice(1)
    .map(
      (column, k) =>
        Math.abs(column.upperMm - columns[k]!.upperMm) /
        Math.sqrt(Math.max(1, column.stationMm - columns[k]!.stationMm)),
    )
    .sort((a, b) => a - b);
  return Math.max(LEAST_WANDER, steps[Math.floor(steps.length * 0.7)] ?? LEAST_WANDER);
}

// ——— what is kept of the section ———

/** Stations looked into closely: those whose chance of being judged wrong is greatest. */
const LOOKED_INTO = 10;

function sectionDoubts(picture: MemberPicture): NextReading[] {
  const limit = picture.practice.leaveFraction;
  const judged = picture.sections.filter(isJudged).map((section) => ({ section, ...weakest(section) }));
  const isDecided =
    judged.some(({ value, sigma }) => value + 1.3 * sigma < limit) ||
    picture.edges.some((edge) =>
      edge.columns.some((column) => column.kind === 'bracketed' || column.kind === 'no sound metal read'),
    );
  const doubts = judged
    .map((each) => ({ ...each, doubt: tail(Math.abs(each.value - limit) / Math.max(each.sigma, 1e-6)) }))
    // Once one station surely calls for repair, the others only move where it ends.
    .map((each) => ({
      ...each,
      doubt: isDecided ? (nearZoneEnd(picture, each.section.stationMm) ? 0.5 * each.doubt : 0) : each.doubt,
    }))
    .sort((a, b) => b.doubt - a.doubt)
    .slice(0, LOOKED_INTO);
  return doubts
    .filter((each) => each.doubt >= NOT_WORTH_IT)
    .flatMap((each) =>
      bestFace(picture, each.section.stationMm, each.value, each.sigma, limit).map((found) => ({
        ...found,
        worth: found.worth * (isDecided ? 0.5 : 1),
      })),
    );
}

function weakest(section: SectionKept): { value: number; sigma: number } {
  const [top, bottom] = [section.kept.modulusTop!, section.kept.modulusBottom!];
  const kept = top.value - top.plusMinus < bottom.value - bottom.plusMinus ? top : bottom;
  return { value: kept.value, sigma: kept.plusMinus / ONE_SIDED_95 };
}

const nearZoneEnd = (picture: MemberPicture, stationMm: number): boolean =>
  picture.zones.some((zone) =>
    [zone.fromMm, zone.toMm].some((end) => Math.abs(end - stationMm) < picture.member.shape.depthMm),
  );

/** The face whose error weighs most at a station, and the place on it known worst. */
function bestFace(
  picture: MemberPicture,
  stationMm: number,
  value: number,
  sigma: number,
  limit: number,
): NextReading[] {
  const { surface, builtProperties } = picture;
  const wall = wallAt(picture.map!, stationMm);
  const layout = layoutOf(surface, NO_CHANGE);
  const found = sectionProperties(laidSection(layout, wall.thicknessMm));
  if (!found) return [];
  const least = (properties: typeof found) =>
    Math.min(
      properties.sTopMm3 / builtProperties.sTopMm3,
      properties.sBottomMm3 / builtProperties.sBottomMm3,
    );
  return surface.faces.map((face): NextReading => {
    const thinned = sectionProperties(
      laidSection(
        layout,
        wall.thicknessMm.map((t, row) =>
          surface.rowFace[row] === face ? Math.max(0, t - wall.errorMm[row]!) : t,
        ),
      ),
    );
    const part = Math.min((least(found) - (thinned ? least(thinned) : 0)) ** 2, sigma ** 2);
    let worst = -1;
    surface.rowFace.forEach((rowFace, row) => {
      if (rowFace === face && (worst < 0 || wall.errorMm[row]! > wall.errorMm[worst]!)) worst = row;
    });
    const error = wall.errorMm[worst]!;
    // No reading makes the map surer than its tool is: where it is that sure already, one more takes nothing away.
    const tool = METHOD_ERROR_MM.ultrasonic;
    const left = Math.min(1, Math.max(tool ** 2 / error ** 2, tool ** 2 / (error ** 2 + tool ** 2)));
    const after = Math.sqrt(Math.max(0, sigma ** 2 - part * (1 - left)));
    return {
      stationMm,
      face: face.id,
      heightMm: Math.min(Math.max(heightOnFace(face, surface.uMm[worst]!), 1), face.widthMm - 1),
      worth: doubtTaken(value - limit, sigma, after),
      why: 'strength kept',
    };
  });
}

/** Chance of a wrong decision now, less what is expected of it once the error is smaller (the mean then moves by as much as the error shrank). */
function doubtTaken(off: number, before: number, after: number): number {
  if (!(before > 0)) return 0;
  const moved = Math.sqrt(Math.max(0, before ** 2 - after ** 2));
  if (moved === 0) return 0;
  let expected = 0,
    weights = 0;
  for (let z = -3; z <= 3; z += 0.25) {
    const weight = Math.exp((-z * z) / 2);
    expected += weight * (after > 0 ? tail(Math.abs(off + z * moved) / after) : 0);
    weights += weight;
  }
  return Math.max(0, tail(Math.abs(off) / before) - expected / weights);
}

// ——— stretches nobody read ———

/** Where most of the section is guessed nothing is known: a reading where the map knows least, low on an upright face first, since loss is low. */
function unreadStretches(picture: MemberPicture): NextReading[] {
  const { surface } = picture;
  const map = picture.map!;
  const [rows, columns] = [surface.uMm.length, map.stationsMm.length];
  const guessed = (column: number) =>
    Array.from({ length: rows }, (_, row) => row).filter(
      (row) => map.known[row * columns + column] === KNOWN.guess,
    );
  const isGuessed = Array.from(map.stationsMm, (_, column) => guessed(column).length / rows > 0.5);
  const out: NextReading[] = [];
  for (let from = 0; from < columns; from++) {
    if (!isGuessed[from]) continue;
    let to = from;
    while (to + 1 < columns && isGuessed[to + 1]) to++;
    const column = Math.round((from + to) / 2);
    const told = guessed(column)
      .map((row) => {
        const face = surface.rowFace[row]!;
        const heightMm = heightOnFace(face, surface.uMm[row]!);
        return {
          face,
          heightMm,
          says:
            map.errorMm[row * columns + column]! *
            (face.upright ? 1.3 - 0.3 * (heightMm / face.widthMm) : face.id === 'bottom' ? 1.1 : 1),
        };
      })
      .sort((a, b) => b.says - a.says)[0]!;
    const lengthMm = map.stationsMm[to]! - map.stationsMm[from]!;
    out.push({
      stationMm: map.stationsMm[column]!,
      face: told.face.id,
      heightMm: told.heightMm,
      worth: Math.min(0.45, 0.08 + lengthMm / 8000),
      why: 'not read',
    });
    from = to;
  }
  return out;
}

/** Upper tail of the normal distribution (Abramowitz & Stegun 26.2.17, to 7.5e-8). */
export function tail(z: number): number {
  if (z < 0) return 1 - tail(-z);
  const t = 1 / (1 + 0.2316419 * z);
  return (
    0.3989422804014327 *
    Math.exp((-z * z) / 2) *
    t *
    (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))))
  );
}

// ——— before the first reading, and afterwards ———

/** The coarse grid a survey starts with: columns about two feet apart, low, middle and high on upright faces, once on the others; faces that cannot be reached left out. */
export function surveyPlan(member: Member, stepMm = 610): NextReading[] {
  const columns = Math.max(3, Math.round(member.lengthMm / stepMm) + 1);
  const inset = Math.min(150, member.lengthMm / 10);
  const stations = Array.from(
    { length: columns },
    (_, k) => inset + ((member.lengthMm - 2 * inset) * k) / (columns - 1),
  );
  const faces = (['bottom', 'outer', 'web', 'inner', 'top'] as const)
    .flatMap((id) => faceOf(member.shape, id) ?? [])
    .filter((face) => !member.hidden?.includes(face.id));
  return stations.flatMap((stationMm) =>
    faces.flatMap((face) =>
      (face.upright ? [0.88, 0.5, 0.12] : face.id === 'top' ? [] : [0.5]).map((share): NextReading => ({
        stationMm,
        face: face.id,
        heightMm: share * face.widthMm,
        worth: 0.5,
        why: 'plan',
      })),
    ),
  );
}

/** Places of the plan that no reading stands near. */
export const leftOfPlan = (plan: readonly NextReading[], readings: readonly Reading[]): NextReading[] =>
  plan.filter(
    (place) =>
      !readings.some(
        (reading) =>
          reading.face === place.face &&
          Math.abs(reading.stationMm - place.stationMm) < 200 &&
          Math.abs(reading.heightMm - place.heightMm) < 40,
      ),
  );

/** How many readings the decision rests on: those that set a bound of the sound edge, or stand at the weakest judged station. */
export function readingsThatMattered(picture: MemberPicture, readings: readonly Reading[]): number {
  const worst = picture.sections.filter(isJudged).sort((a, b) => weakest(a).value - weakest(b).value)[0];
  return readings.filter((reading) => {
    const edge = picture.edges.find((each) => each.face === reading.face);
    const column = edge?.columns.find((each) => Math.abs(each.stationMm - reading.stationMm) < 26);
    const setsBound =
      column?.kind === 'bracketed' &&
      (Math.abs(column.lowerMm - reading.heightMm) < 0.5 ||
        Math.abs(column.upperMm - reading.heightMm) < 0.5);
    return setsBound || (worst !== undefined && Math.abs(worst.stationMm - reading.stationMm) < 80);
  }).length;
}
