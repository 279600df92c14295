/** What hangs on a part: what falls or steers if it lets go. */
export const CARRIED = [
  'axle location',
  'steering',
  'spring seat',
  'shock',
  'hitch',
  'tank',
  'spare',
  'people',
  'body',
] as const;
export type Carried = (typeof CARRIED)[number];
