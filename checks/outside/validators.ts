import DxfParser from 'dxf-parser';
import { PYTHON, run } from './programs';

export interface DxfContents {
  /** $INSUNITS: 1 inch, 4 mm. */
  readonly units: number;
  /** Entities by 'LAYER TYPE'. */
  readonly counts: Readonly<Record<string, number>>;
  readonly closed: boolean;
  /** Extents of what is cut. */
  readonly min: readonly [number, number];
  readonly max: readonly [number, number];
}

const LAYER_NAME = /^[A-Za-z0-9_-]+$/;

/** Reads a DXF with ezdxf and with dxf-parser; throws what either has against it, or where they count differently. */
export function readDxf(path: string, text: string): DxfContents {
  const audited = run(PYTHON, ['checks/outside/audit_dxf.py', path]);
  if (audited.status !== 0) throw new Error(`ezdxf: ${audited.err.trim()}`);
  const contents = JSON.parse(audited.out) as DxfContents;
  const parsed = new DxfParser().parseSync(text);
  if (!parsed) throw new Error('dxf-parser: nothing read');
  const counts: Record<string, number> = {};
  for (const entity of parsed.entities) {
    if (!LAYER_NAME.test(entity.layer))
      throw new Error(`dxf-parser: layer name ${JSON.stringify(entity.layer)}`);
    counts[`${entity.layer} ${entity.type}`] = (counts[`${entity.layer} ${entity.type}`] ?? 0) + 1;
  }
  const sorted = (record: Readonly<Record<string, number>>) => JSON.stringify(Object.entries(record).sort());
  if (sorted(counts) !== sorted(contents.counts))
    throw new Error(`ezdxf and dxf-parser count differently: ${sorted(contents.counts)} ${sorted(counts)}`);
  return contents;
}

/** The words of a sound PDF and how many pages it has; throws qpdf's complaints. */
export function readPdf(path: string): { pages: number; words: string } {
  const checked = run('qpdf', ['--check', path]);
  if (checked.status !== 0) throw new Error(`qpdf: ${checked.out}${checked.err}`);
  const words = run('pdftotext', ['-layout', path, '-']);
  if (words.status !== 0) throw new Error(`pdftotext: ${words.err}`);
  return { pages: Number(run('qpdf', ['--show-npages', path]).out.trim()), words: words.out };
}
