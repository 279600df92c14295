import type { Frame } from '../../frame';
import type { MetalAccount } from '../../metal';
import type { HostVerdict } from '../hosts';

/** What lifting asks of what was found: the account of every member's metal, and the unit's notices. */
export interface LiftEvidence {
  readonly frame: Frame;
  readonly accounts: ReadonlyMap<string, MetalAccount>;
  /** Brackets, hangers, mounts and joints found bad by themselves. */
  readonly hosts: readonly HostVerdict[];
  /** Standing notices of the unit, as written. */
  readonly notices: readonly string[];
  /** Metal is looked at this far round a point: 12 in by common practice, 300 mm in the UK manual's prescribed area. */
  readonly reachMm: number;
  /** Gone or cracked over more of its outline than this, a member is parted. */
  readonly partedShare: number;
  /** Records that could not be read: what they say of the metal nobody knows. */
  readonly unreadable?: number;
}
