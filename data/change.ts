/** A change of frame or practice: what it was based on, what it says, who and when. */
export interface Change<Part> {
  readonly basedOn: number;
  readonly to: Part;
  readonly by: string;
  readonly at: string;
}
