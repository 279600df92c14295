import { memberOf, twinOf, type Frame } from '../../frame';

/** The same member on the other side, by its id. */
export const twinIdOf = (frame: Frame, memberId: string): string | undefined => {
  const member = memberOf(frame, memberId);
  return member && twinOf(frame, member)?.id;
};
