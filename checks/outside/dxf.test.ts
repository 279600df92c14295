import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { blankDxf } from '@/core/exchange';
import { blankOfPiece } from '@/core/shape';
import { workJob } from '@/core/job';
import { demoBundles } from '@/demo';
import { against } from './programs';
import { readDxf } from './validators';

const patterns = demoBundles().flatMap((bundle) =>
  workJob(bundle).flatMap((work) => work.repairs.flatMap((worked) => worked.patterns)),
);

against(['ezdxf'], 'flat patterns as DXF, by ezdxf and dxf-parser', () => {
  const folder = mkdtempSync(join(tmpdir(), 'ossatura-dxf-'));
  afterAll(() => rmSync(folder, { recursive: true, force: true }));
  let made = 0;
  const read = (text: string) => {
    const path = join(folder, `${made++}.dxf`);
    writeFileSync(path, text);
    return readDxf(path, text);
  };

  test('the demo has something to cut', () => expect(patterns.length).toBeGreaterThanOrEqual(3));

  test.each(
    patterns.flatMap((pattern, k) =>
      (['in', 'mm'] as const).flatMap((system) => [false, true].map((twin) => [k, system, twin] as const)),
    ),
  )('piece %i in %s, twin %s: sound, counted, of the right size', (k, system, twin) => {
    const pattern = patterns[k]!;
    const contents = read(blankDxf(blankOfPiece(pattern), system, { twin }));
    const scale = system === 'in' ? 1 / 25.4 : 1;
    expect(contents.units).toBe(system === 'in' ? 1 : 4);
    expect(contents.closed).toBe(true);
    expect(contents.counts['CUT LWPOLYLINE']).toBe(1);
    expect(contents.counts['CUT CIRCLE'] ?? 0).toBe(pattern.holes.length);
    expect(contents.counts['BEND LWPOLYLINE'] ?? 0).toBe(3 * pattern.bends.length);
    expect(contents.counts['MARK TEXT']).toBeGreaterThanOrEqual(3);
    expect(contents.max[0] - contents.min[0]).toBeCloseTo(pattern.lengthMm * scale, 2);
    expect(contents.max[1] - contents.min[1]).toBeCloseTo(pattern.widthMm * scale, 2);
  });

  const good = blankDxf(blankOfPiece(patterns[0]!), 'mm', { twin: false });
  test.each([
    [
      'cut off in the middle of its entities',
      good.slice(0, good.indexOf('LWPOLYLINE', good.indexOf('ENTITIES')) + 40),
    ],
    ['with a layer name no program takes', good.replaceAll('CUT', 'C<U>T')],
    ['without its entities', good.replace(/ENTITIES[\s\S]*?ENDSEC/, 'ENTITIES\n  0\nENDSEC')],
    ['that is no DXF', 'solid plate'],
  ])('a file %s is refused', (_what, text) => {
    expect(() => read(text)).toThrow();
  });
});
