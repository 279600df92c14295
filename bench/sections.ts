/** Section properties of one frame's worth of stations, found and repaired: 24 members × 100 stations, one thread. */
import { surfaceOf, type MemberShape } from '@/core/frame';
import { sectionProperties } from '@/core/mechanics';
import { laidSection, layoutsAlong, NO_CHANGE, wallSection, type SectionChange } from '@/core/weigh';

const channel: MemberShape = { kind: 'channel', depthMm: 203.2, flangeMm: 69.85, thicknessMm: 6.35 };
const box: MemberShape = { kind: 'box', depthMm: 152.4, widthMm: 76.2, thicknessMm: 4.7625 };
const CAPS: Readonly<Record<'channel' | 'box', SectionChange>> = {
  channel: {
    cuts: [],
    plates: [{ uFromMm: 150, uToMm: 342.9, thicknessMm: 6.35, weldedAtUMm: [150, 342.9], carries: true }],
  },
  box: {
    cuts: [{ uFromMm: 180, uToMm: 330 }],
    plates: [{ uFromMm: 120, uToMm: 410, thicknessMm: 4.7625, weldedAtUMm: [120, 410], carries: true }],
  },
};

/** A cap over the whole member whose ends taper over its first and last tenth. */
function capAt(kind: MemberShape['kind'], part: number, tapers: boolean): SectionChange {
  const whole = CAPS[kind as 'channel' | 'box'];
  const fullness = !tapers ? 1 : Math.min(1, (1 + (9 * Math.min(part, 1 - part)) / 0.1) / 10);
  if (fullness === 1) return whole;
  const [plate] = whole.plates;
  const middle = (plate!.uFromMm + plate!.uToMm) / 2;
  const [uFromMm, uToMm] = [
    middle + (plate!.uFromMm - middle) * fullness,
    middle + (plate!.uToMm - middle) * fullness,
  ];
  return { ...whole, plates: [{ ...plate!, uFromMm, uToMm, weldedAtUMm: [uFromMm, uToMm] }] };
}

function frameOf(members: number, stations: number) {
  const surfaces = [surfaceOf(channel), surfaceOf(box)];
  return Array.from({ length: members }, (_, m) => {
    const surface = surfaces[m % 2]!;
    const walls = Array.from({ length: stations }, (_, s) =>
      Float64Array.from(
        { length: surface.uMm.length },
        (_, row) => surface.shape.thicknessMm * (0.55 + 0.4 * Math.abs(Math.sin(row + 0.37 * s + m))),
      ),
    );
    return { surface, walls };
  });
}

/** Least of several runs, ms: what the code takes when nothing else does. */
function best(work: () => number, runs = 15): number {
  let least = Infinity;
  for (let k = 0; k < runs; k++) {
    const began = performance.now();
    if (!(work() > 0)) throw new Error('nothing was computed');
    least = Math.min(least, performance.now() - began);
  }
  return least;
}

const sweep = (frame: ReturnType<typeof frameOf>, tapers: boolean): number => {
  let sum = 0;
  for (const { surface, walls } of frame) {
    const [found, repaired] = [layoutsAlong(surface), layoutsAlong(surface)];
    for (let s = 0; s < walls.length; s++) {
      sum += sectionProperties(laidSection(found(NO_CHANGE), walls[s]!))!.ixMm4;
      sum += sectionProperties(
        laidSection(
          repaired(capAt(surface.shape.kind as 'channel' | 'box', s / walls.length, tapers)),
          walls[s]!,
        ),
      )!.ixMm4;
    }
  }
  return sum;
};

/** A plain loop, to know the machine by: ten million multiply-adds. */
function plainLoop(): number {
  const a = new Float64Array(1000).fill(1.1);
  let sum = 0;
  for (let k = 0; k < 10_000; k++) for (let i = 0; i < 1000; i++) sum += a[i]! * a[i]!;
  return sum;
}

const frames = [frameOf(24, 100), frameOf(24, 50), frameOf(24, 25)];
const plain = best(plainLoop);
const [whole, half, quarter] = frames.map((frame) => best(() => sweep(frame, false)));
const tapered = best(() => sweep(frames[0]!, true));
const found = best(() =>
  frames[0]!.reduce(
    (sum, { surface, walls }) =>
      sum + walls.reduce((s, wall) => s + sectionProperties(wallSection(surface, wall))!.ixMm4, 0),
    0,
  ),
);
const line = (name: string, ms: number, note = '') =>
  console.log(
    `  ${name.padEnd(38)} ${ms.toFixed(1).padStart(7)} ms  ${(ms / plain).toFixed(2).padStart(6)} plain loops  ${note}`,
  );
console.log(
  `sections: 24 members × 100 stations, ${surfaceOf(channel).uMm.length} strips a channel wall, one thread, least of 15 runs`,
);
line('plain loop, 10 million multiply-adds', plain);
line('found', found);
line('found and repaired', whole!, '(target 30 ms)');
line('the same, a fifth of it in plate tapers', tapered);
console.log(
  `  linear in stations: 100 : 50 : 25 take ${(whole! / quarter!).toFixed(2)} : ${(half! / quarter!).toFixed(2)} : 1 (4 : 2 : 1 is linear)`,
);
