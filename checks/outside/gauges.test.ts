import { GAUGE_NUMBERS, gaugeThicknessMm, parseLengthMm } from '@/core/quantity';
import { against, run } from './programs';

/** GNU units' own sheet-steel gauge table. */
const stdgauge = (gauge: number) =>
  Number(run('units', ['-t', '-o', '%.10g', `stdgauge(${gauge})`, 'mm']).out.trim());

against(['units'], 'lengths and gauges by GNU units', () => {
  test('every sheet gauge from 3 to 30, to the table’s four decimals of an inch', () => {
    const off = GAUGE_NUMBERS.map((gauge) => {
      const ours = gaugeThicknessMm(gauge);
      return { gauge, difference: ours.ok ? Math.abs(ours.value - stdgauge(gauge)) / 25.4 : NaN };
    }).filter((each) => !(each.difference <= 0.00005 + 1e-9));
    expect(GAUGE_NUMBERS).toHaveLength(28);
    expect(off).toEqual([]);
  });

  test.each([
    ['3/16', '3|16 in'],
    ['14-3/8', '14 in + 3|8 in'],
    [`1' 2"`, '1 ft + 2 in'],
    ['4.7mm', '4.7 mm'],
    ['10ga', 'stdgauge(10)'],
  ])('%s', (typed, asked) => {
    const parsed = parseLengthMm(typed, 'in');
    expect(parsed.ok && parsed.value).toBeCloseTo(
      Number(run('units', ['-t', '-o', '%.10g', asked, 'mm']).out.trim()),
      2,
    );
  });

  test('another series would be noticed: the wire gauge of the same number is another thickness', () => {
    const wire = Number(run('units', ['-t', '-o', '%.10g', 'wiregauge(10)', 'mm']).out.trim());
    const ours = gaugeThicknessMm(10);
    expect(ours.ok && Math.abs(ours.value - wire)).toBeGreaterThan(0.5);
  });
});
