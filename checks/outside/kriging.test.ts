import { Neighbourhood, type PlacedReadings } from '@/core/probe';
import { seeded } from '@/demo/seeded';
import { against, run } from './programs';

/**
 * Ordinary kriging's mean and variance against Debian's octave-stk with the same fixed covariance (exponential, long along the rail), each
 * reading with its own tool variance.
 */
const covariance = { sill: 0.15 ** 2, rangeMm: 60 };

function scattered(count: number, seed: number): { points: PlacedReadings; places: [number, number][] } {
  const random = seeded(seed);
  const stations = Array.from({ length: count }, () => 3000 * random()).sort((a, b) => a - b);
  const points: PlacedReadings = {
    count,
    roundMm: Infinity,
    stationMm: Float64Array.from(stations),
    uMm: Float64Array.from({ length: count }, () => 300 * random()),
    kept: Float64Array.from({ length: count }, () => 0.3 + 0.7 * random()),
    variance: Float64Array.from({ length: count }, () => (0.02 + 0.06 * random()) ** 2),
  };
  return { points, places: Array.from({ length: 40 }, () => [3000 * random(), 300 * random()]) };
}

/** Four millimetres along count as one across: the range along is four times as long. stk writes its exponential as exp(−√2 h/ρ). */
function byOctave({ points, places }: ReturnType<typeof scattered>): { mean: number; variance: number }[] {
  const rows = (values: ArrayLike<number>[]) =>
    `[${Array.from(values[0]!, (_, k) => values.map((each) => each[k]!.toPrecision(17)).join(' ')).join(';')}]`;
  const script = `
    warning('off','all'); pkg load stk;
    model = stk_model('stk_expcov_aniso', 2);
    model.param = [log(${covariance.sill}); -log(${Math.SQRT2 * 4 * covariance.rangeMm}); -log(${Math.SQRT2 * covariance.rangeMm})];
    model.lognoisevariance = log(${rows([points.variance])});
    p = stk_predict(model, ${rows([points.stationMm, points.uMm])}, ${rows([points.kept])}, ${rows([places.map(([s]) => s), places.map(([, u]) => u)])});
    printf('%.15g %.15g\\n', [p.mean p.var]');`;
  return run('octave', ['--no-gui', '-q', '--eval', script])
    .out.trim()
    .split('\n')
    .map((line) => {
      const [mean, variance] = line.trim().split(/\s+/).map(Number);
      return { mean: mean!, variance: variance! };
    });
}

against(['kriging'], 'the thickness map’s kriging by octave-stk', () => {
  test.each([
    [8, 1],
    [40, 2],
    [120, 3],
  ])('%d readings: mean and variance to 1e-6', (count, seed) => {
    const one = scattered(count, seed);
    const theirs = byOctave(one);
    const ours = new Neighbourhood(
      one.points,
      covariance,
      Int32Array.from({ length: count }, (_, k) => k),
      count,
    );
    expect(theirs).toHaveLength(40);
    one.places.forEach(([stationMm, uMm], k) => {
      const { kept, error } = ours.at(stationMm, uMm, 1);
      expect(Math.abs(kept - theirs[k]!.mean)).toBeLessThan(1e-6);
      expect(Math.abs(error ** 2 - theirs[k]!.variance)).toBeLessThan(1e-6);
    });
  });
});
