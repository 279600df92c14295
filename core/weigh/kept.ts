import { ONE_SIDED_95 } from '../quantity';
import { sectionProperties, type SectionProperties } from '../mechanics';
import { wallAt, type WallProfile, KNOWN } from '../probe';
import type { WallField } from '../metal';
import { evenWall, type Surface } from '../frame';
import { laidSection, layoutOf, NO_CHANGE, wallSection, type SectionLayout } from './wall-section';

/** A fraction of the as-built figure with its ± (one-sided 95 %). Lower bound = value − plusMinus. */
export interface Kept {
  readonly value: number;
  readonly plusMinus: number;
}

export const lowerBound = (kept: Kept): number => Math.max(0, kept.value - kept.plusMinus);

export const KEPT_KEYS = [
  'area',
  'inertia',
  'modulusTop',
  'modulusBottom',
  'inertiaSideways',
  'torsion',
] as const;
export type KeptKey = (typeof KEPT_KEYS)[number];

/** What is kept of the section at a station. `torsion` is absent for open sections: J ∝ t³ would trip inside mill tolerance. */
export interface SectionKept {
  readonly stationMm: number;
  readonly found: SectionProperties;
  readonly kept: Readonly<Partial<Record<KeptKey, Kept>>>;
  /** Share of the wall here that no reading stands near. */
  readonly guessedShare: number;
}

/** A section more than half guessed is not judged: a guess is neither damage nor soundness (our judgement). */
const MOSTLY_GUESSED = 0.5;
export const isJudged = (section: Pick<SectionKept, 'guessedShare'>): boolean =>
  section.guessedShare <= MOSTLY_GUESSED;

const FIGURES: Readonly<Record<KeptKey, (properties: SectionProperties) => number>> = {
  area: (p) => p.areaMm2,
  inertia: (p) => p.ixMm4,
  modulusTop: (p) => p.sTopMm3,
  modulusBottom: (p) => p.sBottomMm3,
  inertiaSideways: (p) => p.iyMm4,
  torsion: (p) => p.jMm4,
};

export const figure = (key: KeptKey, properties: SectionProperties): number => FIGURES[key](properties);

export const builtProperties = (surface: Surface, builtMm: number): SectionProperties =>
  sectionProperties(wallSection(surface, evenWall(surface, builtMm)))!;

/**
 * The section at a station against the section as built.
 * Errors within a face move together (a neighbourhood was misjudged), faces are independent: each face in turn is thinned by its
 * one-sided 95 % error, and the losses add as squares. Undefined when no metal is left there.
 */
export function keptAt(
  surface: Surface,
  wall: WallProfile,
  built: SectionProperties,
  stationMm: number,
  layout: SectionLayout = layoutOf(surface, NO_CHANGE),
): SectionKept | undefined {
  const found = sectionProperties(laidSection(layout, wall.thicknessMm));
  if (!found) return undefined;
  const keys = KEPT_KEYS.filter((key) => key !== 'torsion' || surface.closed);
  const squares = new Float64Array(keys.length);
  for (const face of surface.faces) {
    const thinned = wall.thicknessMm.map((t, row) =>
      surface.rowFace[row] === face ? Math.max(0, t - ONE_SIDED_95 * wall.errorMm[row]!) : t,
    );
    const properties = sectionProperties(laidSection(layout, thinned));
    keys.forEach((key, k) => {
      const loss = figure(key, found) - (properties ? figure(key, properties) : 0);
      squares[k]! += loss * loss;
    });
  }
  const kept: Partial<Record<KeptKey, Kept>> = {};
  keys.forEach(
    (key, k) =>
      (kept[key] = {
        value: figure(key, found) / figure(key, built),
        plusMinus: Math.sqrt(squares[k]!) / figure(key, built),
      }),
  );
  const guessed = wall.known.reduce((sum, known) => sum + (known === KNOWN.guess ? 1 : 0), 0);
  return { stationMm, found, kept, guessedShare: guessed / wall.known.length };
}

/** The kept section at every column of the wall as found; stations where no metal is left are absent from it and listed in `partedAtMm`. */
export function keptAlong(
  map: WallField,
  built: SectionProperties,
): { sections: SectionKept[]; partedAtMm: number[] } {
  const sections: SectionKept[] = [];
  const partedAtMm: number[] = [];
  const plain = layoutOf(map.surface, NO_CHANGE);
  map.stationsMm.forEach((stationMm) => {
    const kept = keptAt(map.surface, wallAt(map, stationMm), built, stationMm, plain);
    if (kept) sections.push(kept);
    else partedAtMm.push(stationMm);
  });
  return { sections, partedAtMm };
}

/** The station where the lower bound of a figure is least, among those that can be judged. */
export function worstStation(sections: readonly SectionKept[], key: KeptKey): SectionKept | undefined {
  return sections.filter(isJudged).reduce<SectionKept | undefined>((worst, here) => {
    const mine = here.kept[key];
    if (!mine) return worst;
    return !worst || lowerBound(mine) < lowerBound(worst.kept[key]!) ? here : worst;
  }, undefined);
}
