import type { Point } from '../../geometry';

/** A bend of a part, across its length or along it, by where its middle lies from the left or lower edge, or from the other one, mm. */
export interface PartBend {
  readonly runs: 'across' | 'along';
  readonly atMm: number;
  readonly fromEnd?: boolean;
  readonly insideRadiusMm: number;
  readonly allowanceMm: number;
}

export interface PartHole {
  readonly at: Point;
  readonly diameterMm: number;
}

/** How a part is cut from its rectangle, its length to the right and its width up. Without one it is the rectangle itself, its corners rounded. */
export type PartShape =
  | { readonly is: 'disc' }
  /** Right-angled, both legs along the rectangle's edges, the corner between them cut back. */
  | { readonly is: 'triangle'; readonly snipeMm: number }
  | { readonly is: 'sheet'; readonly cornerMm?: number; readonly bends?: readonly PartBend[] }
  /** Tube, timber or a made section: bought to length, cut from no sheet. */
  | { readonly is: 'length' };

/** A part to be cut, mm: the rectangle it comes out of, and how. */
export interface WorkPart {
  readonly name: string;
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly thicknessMm: number;
  readonly count: number;
  readonly shape?: PartShape;
  readonly holes?: readonly PartHole[];
  /** Where it is drilled once it is welded on: only marked. */
  readonly drillLater?: readonly PartHole[];
}
