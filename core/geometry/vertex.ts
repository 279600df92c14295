/** A corner of a closed path and how its way to the next one bends: `bulge` is the tangent of a quarter of the arc's sweep, positive counter-clockwise, 0 a line. */
export interface Vertex {
  readonly x: number;
  readonly y: number;
  readonly bulge: number;
}
/** A closed path of lines and arcs, mm. */
export type Contour = readonly Vertex[];
