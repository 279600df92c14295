/** What hangs on a part: what falls or steers if it lets go; gravest first. */
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

/**
 * What steers, holds an axle in its place or a trailer on its hitch: it falls or runs away when that parts. It must have been looked at before
 * anybody may say that nothing speaks against driving (our judgement).
 */
export const GOVERNS_DRIVING: readonly Carried[] = ['steering', 'axle location', 'spring seat', 'hitch'];
/** How grave it is that what carries these lets go: 0 the gravest; what nothing hangs on comes after all. */
export const gravity = (carries: readonly Carried[]): number =>
  Math.min(CARRIED.length, ...carries.map((each) => CARRIED.indexOf(each)));
