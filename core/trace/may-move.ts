/** Whether a unit may move until it is repaired, mildest first. */
export const MOVE_ANSWERS = [
  'no reason recorded against it',
  'restricted',
  'to the shop only',
  'do not move',
] as const;
export type MoveAnswer = (typeof MOVE_ANSWERS)[number];

/** Whether one answer holds back more than another. */
export const isStricter = (one: MoveAnswer, other: MoveAnswer): boolean =>
  MOVE_ANSWERS.indexOf(one) > MOVE_ANSWERS.indexOf(other);
