import { ofKind, standing } from '@/core/frame';
import { foundIn, TELLING_KINDS, type FoundThere } from '@/core/patterns';
import type { Db } from '../connection';
import { evidenceOf } from '../evidence';
import { noting } from '../readable';
import { strikesOf } from '../strike';

/** Places of a job that were found bad or sound. A row that cannot be read is its job's to say; here it only says nothing. */
export function foundOn(db: Db, jobId: string): FoundThere[] {
  const unread = noting();
  const all = evidenceOf(db, jobId, TELLING_KINDS, unread.of('evidence'));
  const evidence = standing(all, strikesOf(db, jobId, unread.of('strike')));
  return foundIn([...ofKind(evidence, 'sign'), ...ofKind(evidence, 'crack'), ...ofKind(evidence, 'look')]);
}
