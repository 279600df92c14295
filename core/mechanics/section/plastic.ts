import { hasMetal, type Section } from './section';

/** Plastic section moduli about axes parallel to x and y, mm³, and the height (or place across) of the line that halves the area. */
export interface PlasticModuli {
  readonly zxMm3: number;
  readonly zyMm3: number;
  readonly halvingYMm: number;
  readonly halvingXMm: number;
}

/** A strip as seen along one axis: its area spread evenly between two coordinates. Exact for strips along or across the axis. */
interface Slab {
  readonly low: number;
  readonly high: number;
  readonly area: number;
}

/** Plastic moduli: the line that halves the area, and the area's moment about it. Undefined when no metal is left. */
export function plasticModuli(section: Section): PlasticModuli | undefined {
  const upright = slabs(section, section.yMm, section.xMm);
  if (upright.length === 0) return undefined;
  const sideways = slabs(section, section.xMm, section.yMm);
  const [halvingYMm, halvingXMm] = [halving(upright), halving(sideways)];
  return {
    zxMm3: momentAbout(upright, halvingYMm),
    zyMm3: momentAbout(sideways, halvingXMm),
    halvingYMm,
    halvingXMm,
  };
}

function slabs(
  { from, to, lengthMm, thicknessMm }: Section,
  along: Float64Array,
  across: Float64Array,
): Slab[] {
  const out: Slab[] = [];
  for (let e = 0; e < from.length; e++) {
    const t = thicknessMm[e]!;
    if (!hasMetal(t) || !(lengthMm[e]! > 0)) continue;
    const i = from[e]!,
      j = to[e]!;
    const reach = (t * Math.abs(across[j]! - across[i]!)) / lengthMm[e]! / 2;
    out.push({
      low: Math.min(along[i]!, along[j]!) - reach,
      high: Math.max(along[i]!, along[j]!) + reach,
      area: t * lengthMm[e]!,
    });
  }
  return out;
}

const areaBelow = (slab: Slab, c: number): number =>
  c >= slab.high ? slab.area : c <= slab.low ? 0 : (slab.area * (c - slab.low)) / (slab.high - slab.low);

function halving(all: readonly Slab[]): number {
  const half = all.reduce((sum, slab) => sum + slab.area, 0) / 2;
  let low = Math.min(...all.map((slab) => slab.low)),
    high = Math.max(...all.map((slab) => slab.high));
  for (let round = 0; round < 60; round++) {
    const middle = (low + high) / 2;
    if (all.reduce((sum, slab) => sum + areaBelow(slab, middle), 0) < half) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

const momentAbout = (all: readonly Slab[], c: number): number =>
  all.reduce((sum, slab) => {
    const below = areaBelow(slab, c);
    const above = slab.area - below;
    const [lowTop, highBottom] = [Math.min(slab.high, c), Math.max(slab.low, c)];
    return sum + below * (c - (slab.low + lowTop) / 2) + above * ((highBottom + slab.high) / 2 - c);
  }, 0);
