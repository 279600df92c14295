import { defaultFrame, facesOf, surfaceOf, uOnFace, type Member } from '@/core/frame';
import {
  fittedCovariance,
  Neighbourhood,
  placedReadings,
  thicknessMap,
  withOneMore,
  type Reading,
} from '@/core/probe';
import { seeded } from '@/demo/seeded';
import { trueThicknessMm } from '@/demo/truth';

/** The thickness map: kriging in neighbourhoods against the direct dense solve over all readings, ratios within one run. */
const shape = { kind: 'box', depthMm: 200, widthMm: 100, thicknessMm: 5 } as const;
const frame = defaultFrame({
  family: 'boxed ladder',
  railShape: shape,
  steel: 'a36',
  lengthMm: 12_000,
  widthMm: 900,
  datum: 'hole',
});
const rail: Member = frame.members[0]!;
const random = seeded(31);
const patches = [
  { centreIn: 150, halfLengthIn: 60, tideIn: 3, worstFraction: 0.3 },
  { centreIn: 380, halfLengthIn: 40, tideIn: 2, worstFraction: 0.5 },
];

const reading = (k: number): Reading => {
  const face = facesOf(shape)[Math.floor(4 * random())]!;
  const [stationMm, heightMm] = [rail.lengthMm * random(), face.widthMm * random()];
  return {
    kind: 'reading',
    id: `${k}`,
    memberId: rail.id,
    stationMm,
    face: face.id,
    heightMm,
    thicknessMm: trueThicknessMm(rail, patches, stationMm, face.id, heightMm) + 0.13 * (random() - 0.5),
    method: 'ultrasonic',
    by: 'RK',
    at: '2026-01-01T00:00:00Z',
    note: '',
  };
};

function timed<Value>(work: () => Value, times = 5): { ms: number; value: Value } {
  let best = Infinity,
    value!: Value;
  for (let k = 0; k < times; k++) {
    const start = performance.now();
    value = work();
    best = Math.min(best, performance.now() - start);
  }
  return { ms: best, value };
}

const rows = surfaceOf(shape).uMm.length;
const columns = (cells: number) =>
  Float64Array.from(
    { length: Math.round(cells / rows) },
    (_, k) => (k * rail.lengthMm) / (Math.round(cells / rows) - 1),
  );

// What one more reading costs, at the product's own columns: the whole map again, and only what stands near the reading.
const own = Array.from({ length: 500 }, (_, k) => reading(k));
const halfRail = { ...rail, lengthMm: 6000 };
const fitting = own.filter((each) => each.stationMm <= 6000);
const before = thicknessMap(halfRail, fitting.slice(0, -1))!;
const again = timed(() => thicknessMap(halfRail, fitting)!);
const near = timed(() => withOneMore(before, halfRail, fitting)!);
const off = again.value.thicknessMm.map((mm, cell) => Math.abs(mm - near.value.thicknessMm[cell]!));
console.log(
  `one more reading, ${fitting.length} on a 6 m box rail of ${again.value.thicknessMm.length} cells: whole map ${again.ms.toFixed(0)} ms, ` +
    `only what is near ${near.ms.toFixed(0)} ms, ${(again.ms / near.ms).toFixed(0)} : 1; the two at most ${Math.max(...off).toFixed(3)} mm apart`,
);

for (const [count, cells, times] of [
  [500, 20_000, 5],
  [5000, 20_000, 3],
] as const) {
  const readings = Array.from({ length: count }, (_, k) => reading(k));
  const { ms, value } = timed(() => thicknessMap(rail, readings, columns(cells))!, times);
  console.log(`${count} readings → ${value.thicknessMm.length} cells with error: ${ms.toFixed(0)} ms`);
  if (count !== 500) continue;
  const points = placedReadings(rail, readings);
  const all = Int32Array.from({ length: count }, (_, k) => k);
  const dense = timed(() => {
    const whole = new Neighbourhood(points, fittedCovariance(points), all, count);
    return Array.from({ length: 200 }, (_, k) =>
      whole.at((k * rail.lengthMm) / 200, uOnFace(facesOf(shape)[1]!, 100)),
    );
  }, 1);
  const perCell = dense.ms / 200;
  console.log(
    `direct dense solve over all ${count}: ${perCell.toFixed(2)} ms a cell, ${((perCell * value.thicknessMm.length) / ms).toFixed(0)} : 1 of the neighbourhoods' time`,
  );
}
