import {
  arcStart,
  STEEL_DENSITY_KG_PER_MM3,
  wireRow,
  type ArcStart,
  type Gas,
  type Wire,
} from '../reference';
import type { ScrapTest } from './records';
import type { WeldPosition } from './weld-line';

export interface ArcAsked {
  readonly thicknessMm: number;
  readonly wire: Wire;
  readonly gas: Gas;
  readonly position: WeldPosition;
}

/** Tests on metal within this of the thickness asked speak of it (ours: a gauge or so). */
const NEAR = 0.15;

/** Where to begin: what held in this shop, newest first, or else the common start. What broke at those settings since is said. */
export function startFrom(
  asked: ArcAsked,
  tests: readonly ScrapTest[],
): { readonly start: ArcStart; readonly own?: ScrapTest; readonly broke: readonly ScrapTest[] } {
  const alike = tests.filter(
    (test) =>
      test.wire === asked.wire &&
      test.gas === asked.gas &&
      test.position === asked.position &&
      Math.abs(test.thicknessMm - asked.thicknessMm) <= NEAR * asked.thicknessMm + 1e-9,
  );
  const common = arcStart(asked.thicknessMm, asked.wire, asked.gas, asked.position);
  const own = alike.findLast(({ held }) => held);
  const broke = alike.filter(({ held }) => !held);
  if (!own) return { start: common, broke };
  return { start: { ok: true, amps: own.amps, volts: own.volts, feedMmS: feedOf(own) }, own, broke };
}

/** How fast the wire ran in a test: as it was noted, or by its amps. */
const feedOf = ({ feedMmS, wire, amps }: Pick<ScrapTest, 'feedMmS' | 'wire' | 'amps'>): number =>
  feedMmS ?? wireRow(wire).feedPerAmp * amps;

export interface Spool {
  readonly wire: Wire;
  readonly gas: Gas;
  readonly feedMmS: number;
}

/** What is reckoned with where nothing was tried: a wall of 3/16 in, upright as most seams beneath a frame are (common practice, no source). */
const USUAL = { wire: '0.035 solid', gas: '75 Ar 25 CO2', amps: 160 } as const;

/** The wire, gas and feed that held last, of tests oldest first; the usual ones where none did. */
export function usualSpool(tests: readonly ScrapTest[]): Spool {
  const { wire, gas, ...ran } = tests.findLast(({ held }) => held) ?? USUAL;
  return { wire, gas, feedMmS: feedOf({ wire, ...ran }) };
}

/** What welding takes, with what is lost. */
export interface Consumed {
  readonly wireKg: number;
  readonly gasL: number;
  readonly arcMinutes: number;
  readonly discs: number;
  readonly primerMl: number;
}

/** Of the wire that is fed (common practice, no source): spatter, stubs, slag. */
const LAID_SHARE = { solid: 0.93, cored: 0.8 } as const;
/** Gas while the arc burns and before and after it, L/min (common practice, no source: 30 ft³/h, a quarter lost). */
const GAS_L_MIN = 14 * 1.25;
/** A flap disc cleans so much of a seam, both sides of it and the weld ground (common practice, no source: 10 ft), mm. */
const DISC_MM = 3000;
/** Weld-through primer, 50 µm wet on both faces of a lap of 1 in, ml for a metre, and half again for what misses. */
const PRIMER_ML_PER_M = 2 * 0.05 * 25.4 * 1.5;

/** Consumables of seams by the metal they lay: `volumeMm3` in all, `lengthMm` of seam, of which `lapMm` are laps. */
export function consumed(
  {
    volumeMm3,
    lengthMm,
    lapMm,
  }: { readonly volumeMm3: number; readonly lengthMm: number; readonly lapMm: number },
  { wire, gas, feedMmS }: Spool,
): Consumed {
  const { diameterMm, isCored } = wireRow(wire);
  const fedMm3 = volumeMm3 / (isCored ? LAID_SHARE.cored : LAID_SHARE.solid);
  const perSecond = ((Math.PI * diameterMm ** 2) / 4) * feedMmS;
  const arcMinutes = perSecond > 0 ? fedMm3 / perSecond / 60 : 0;
  return {
    wireKg: fedMm3 * STEEL_DENSITY_KG_PER_MM3,
    gasL: gas === 'none' ? 0 : arcMinutes * GAS_L_MIN,
    arcMinutes,
    discs: Math.ceil(lengthMm / DISC_MM - 1e-9),
    primerMl: (lapMm / 1000) * PRIMER_ML_PER_M,
  };
}
