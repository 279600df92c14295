import { evenWall, type Member, type Role } from '../frame';
import { wallAt } from '../probe';
import { CELL_IS, isAnyUnseen, type MetalAccount } from '../metal';
import type { MemberPicture } from './picture';

/** Members that a frame's load goes along. What stands between them braces, unless it is found bad. */
const LOAD_BEARING: ReadonlySet<Role> = new Set<Role>([
  'rail',
  'sill',
  'tongue',
  'upright',
  'deck beam',
  'leg',
]);
export const bearsLoad = (member: Pick<Member, 'role'>): boolean => LOAD_BEARING.has(member.role);

/**
 * Taken away metal is left this share of its wall, so that the frame can still be solved: where nothing is asked of it the member passes all the
 * same, where anything is it fails by far (our choice; a hundredth would do as well).
 */
const TAKEN_AWAY = 0.02;

/** The wall that surely carries, by station. Of a member that only braces, metal that nobody saw counts as it was made. */
export function leastWall({ member, account, surface, built }: MemberPicture) {
  const field = { ...account.best, thicknessMm: leastMm(account, !bearsLoad(member)) };
  const made = evenWall(surface, built.thicknessMm);
  return (stationMm: number): Float64Array =>
    wallAt(field, stationMm).thicknessMm.map((mm, row) => Math.max(mm, TAKEN_AWAY * made[row]!));
}

const leastMm = (account: MetalAccount, unseenStands: boolean): Float64Array =>
  unseenStands
    ? account.leastMm.map((mm, cell) =>
        CELL_IS[account.is[cell]!] === 'unseen' ? account.best.thicknessMm[cell]! : mm,
      )
    : account.leastMm;

/** Whether the removal test says anything of this member: something is known of it, and nothing unknown of it was left standing. */
export const isRemovalTested = ({ member, account }: MemberPicture): boolean =>
  account.isKnown && (bearsLoad(member) || !isAnyUnseen(account));
