import { spawnSync } from 'node:child_process';

/** Debian's Python, which sees Debian's modules whatever other Python is first on the path. */
export const PYTHON = '/usr/bin/python3';

/** Each outside program: how to tell that it is there, and the Debian packages that bring it. */
const PROGRAMS = {
  'section table': { asks: ['test', '-r', '/usr/share/cba/sections.xml'], packages: 'cba' },
  'finite elements': {
    asks: [PYTHON, '-c', 'import gmsh, numpy, scipy'],
    packages: 'gmsh python3-gmsh python3-numpy python3-scipy',
  },
  frames: { asks: ['test', '-r', '/usr/share/z88/z88.dyn'], packages: 'z88 z88-data' },
  shells: { asks: ['sh', '-c', 'command -v ccx'], packages: 'calculix-ccx' },
  'continuous beams': { asks: ['sh', '-c', 'command -v cba'], packages: 'cba' },
  kriging: { asks: ['sh', '-c', 'octave --no-gui -q --eval "pkg load stk"'], packages: 'octave octave-stk' },
  units: { asks: ['units', '--version'], packages: 'units' },
  ezdxf: { asks: [PYTHON, '-c', 'import ezdxf'], packages: 'python3-ezdxf' },
  sympy: { asks: [PYTHON, '-c', 'import sympy'], packages: 'python3-sympy' },
  shapely: { asks: [PYTHON, '-c', 'import shapely'], packages: 'python3-shapely' },
  rsvg: { asks: ['rsvg-convert', '--version'], packages: 'librsvg2-bin' },
  qpdf: { asks: ['qpdf', '--version'], packages: 'qpdf' },
  poppler: { asks: ['pdftotext', '-v'], packages: 'poppler-utils' },
} as const;
export type Program = keyof typeof PROGRAMS;

/** What is missing, said so that a reader can put it right; undefined when all are there. */
export function missingPrograms(...needed: Program[]): string | undefined {
  const missing = needed.filter(
    (name) => spawnSync(PROGRAMS[name].asks[0], PROGRAMS[name].asks.slice(1)).status !== 0,
  );
  if (missing.length === 0) return undefined;
  return `needs ${missing.join(', ')}; on Debian: apt-get install ${missing.map((name) => PROGRAMS[name].packages).join(' ')}`;
}

/** A group of checks against outside programs: skipped with a reason where they are missing, failed there when CI is set. */
export function against(needed: readonly Program[], name: string, body: () => void): void {
  const missing = missingPrograms(...needed);
  if (!missing) return void describe(name, body);
  if (!process.env.CI) return void describe.skip(`${name} (skipped: ${missing})`, body);
  describe(
    name,
    () =>
      void test('the outside programs are there', () => {
        throw new Error(missing);
      }),
  );
}

/** Runs a program with text on its standard input; answers what it printed. */
export function run(
  command: string,
  words: readonly string[],
  input = '',
): { status: number | null; out: string; err: string } {
  const ran = spawnSync(command, words, { input, encoding: 'utf8', maxBuffer: 64e6 });
  return { status: ran.status, out: ran.stdout ?? '', err: ran.stderr ?? String(ran.error ?? '') };
}
