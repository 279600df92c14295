'use client';

import { type SectionKept, type Verdict } from '@/core/weigh';

/** What the Skeleton shows of a member: absent while it is still being worked out. */
export interface MemberMark {
  readonly verdict: Verdict;
  readonly sections: readonly Pick<SectionKept, 'stationMm' | 'kept' | 'guessedShare'>[];
  readonly crackStationsMm: readonly number[];
  readonly measured: boolean;
  /** What was found on foot, and where nobody could look. */ readonly found: readonly {
    readonly stationMm: number;
    readonly seen: boolean;
  }[];
  /** Something of it is left undone with its owner's word. */
  readonly stays: boolean;
}

/** What can be moved along the frame. */
export interface MovedPart {
  readonly kind: 'fitting' | 'member';
  readonly id: string;
}
