import { SQUARE_BUTT_TO_MM } from '../../reference';

/** How parts are held along a seam. */
export const SEAM_TYPES = [
  'fillet',
  'lap',
  'butt',
  'bevel',
  'plug',
  'spots restored',
  'bond',
  'screws',
  'edge',
] as const;
export type SeamType = (typeof SEAM_TYPES)[number];

/** One seam of a work, mm. */
export interface WorkSeam {
  /** What it joins: `doubler, all round`. */
  readonly what: string;
  readonly type: SeamType;
  readonly lengthMm: number;
  readonly legMm?: number;
  /** Of plugs, spots and screws: how many, how big, how far apart. */
  readonly count?: number;
  readonly diameterMm?: number;
  readonly pitchMm?: number;
  /** Laid in stitches no longer than this. */
  readonly stitchMm?: number;
  /** The thinner of what it joins. */
  readonly thinnerMm: number;
  /** It is made where the part lies on the bench. */
  readonly onBench?: boolean;
}

/** A seam of fillets; none where there is no length of it. */
export const filletSeam = (
  what: string,
  lengthMm: number,
  { legMm, thinnerMm }: Pick<WorkSeam, 'thinnerMm'> & { readonly legMm: number },
  type: 'fillet' | 'lap' | 'edge' = 'fillet',
): WorkSeam[] => (lengthMm > 0 ? [{ what, type, lengthMm, legMm, thinnerMm }] : []);

/** A butt, square where it is thin and in a groove where it is not. */
export const buttSeam = (what: string, lengthMm: number, thinnerMm: number): WorkSeam[] =>
  lengthMm > 0 ? [{ what, type: thinnerMm > SQUARE_BUTT_TO_MM ? 'bevel' : 'butt', lengthMm, thinnerMm }] : [];

/** Length of weld that seams take, mm: bonds, screws and plugs are none. */
export const weldOf = (seams: readonly WorkSeam[]): number =>
  seams
    .filter(({ type }) => type !== 'bond' && type !== 'screws')
    .reduce(
      (sum, { lengthMm, count, diameterMm }) =>
        sum + (count !== undefined && diameterMm !== undefined ? count * Math.PI * diameterMm : lengthMm),
      0,
    );
