'use client';

import { useMemo } from 'react';
import { recorded, standsOn, type EvidenceOf } from '@/core/job';
import { cracksAsSeen } from '@/core/trace';
import { useMember } from './place-context';
import { useRecords, useRecordsLater, type Records } from './records-context';

/** Evidence that hangs on the member in sight. */
export interface OnMember {
  /** Struck ones too. */
  readonly readings: readonly EvidenceOf<'reading'>[];
  /** As they were seen last. */
  readonly cracks: readonly EvidenceOf<'crack'>[];
  readonly signs: readonly EvidenceOf<'sign'>[];
  readonly struck: ReadonlySet<string>;
}

export const useOnMember = (): OnMember => useOnMemberOf(useRecords());
/** The same a moment later, for lists. */
export const useOnMemberLater = (): OnMember => useOnMemberOf(useRecordsLater());

function useOnMemberOf({ file: { evidence, strikes, frame } }: Records): OnMember {
  const { id } = useMember().member;
  // By itself: a reading more must not draw all that were there again.
  const struck = useMemo(() => new Set(strikes.map((strike) => strike.evidenceId)), [strikes]);
  return useMemo(
    () => ({
      readings: recorded({ evidence }, 'reading').filter((reading) => reading.memberId === id),
      cracks: cracksAsSeen(
        frame,
        standsOn({ evidence, strikes }, 'crack', id),
        standsOn({ evidence, strikes }, 'crack look', id),
      ),
      signs: standsOn({ evidence, strikes }, 'sign', id),
      struck,
    }),
    [evidence, strikes, struck, frame, id],
  );
}
