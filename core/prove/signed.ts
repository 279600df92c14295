import type { OpenItem } from './items';
import type { LeftUndone, SignOff } from './records';

/** How one open item is answered. */
export interface Answered {
  readonly item: OpenItem;
  /** Signed for by the owner's side. */
  readonly left?: LeftUndone;
  /** Let stand by two names. */
  readonly passed?: SignOff['passed'][number];
}

/** What of an item is let stand: itself, where it has no parts. */
export const partsOf = ({ key, parts }: OpenItem): readonly string[] => parts ?? [key];

/** Each open item with what was said of it: the owner's word counts where it is the owner's, two names where it is theirs. */
export const answered = (
  items: readonly OpenItem[],
  left: readonly LeftUndone[],
  signOff: SignOff | undefined,
): Answered[] =>
  items.map((item) => {
    const owners = item.may === 'the owner' ? left.findLast(({ of }) => of === item.key) : undefined;
    const said = item.may === 'two names' ? signOff?.passed.find(({ key }) => key === item.key) : undefined;
    const passed = said && partsOf(item).every((part) => said.parts.includes(part)) ? said : undefined;
    return { item, ...(owners && { left: owners }), ...(passed && { passed }) };
  });

/** What stands against signing off at all: what nobody may let stand, and what the owner has not signed for. */
export const holdsSignOff = (all: readonly Answered[]): Answered[] =>
  all.filter(({ item, left }) => item.may === 'nobody' || (item.may === 'the owner' && !left));

/** Whether a job is signed off as it stands: everything open was answered in it, or by its owner. */
export const isSignedOff = (all: readonly Answered[], signOff: SignOff | undefined): boolean =>
  signOff !== undefined && all.every(({ left, passed }) => left !== undefined || passed !== undefined);
