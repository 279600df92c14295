'use client';

import { useMemo } from 'react';
import { jobDebris } from '@/core/job';
import type { HotSpot } from '@/core/walk';
import { debrisWords } from '../../../../_words/preserved';
import { useReader, useRecords } from '../../../_desk';

/** More dirt comes into the member here than did before: a drain is shut, or something is open. */
export function ComesInHere({ spot: { memberId } }: { spot: HotSpot }) {
  const { file } = useRecords();
  const { system } = useReader();
  const more = useMemo(
    () => jobDebris(file).find((trend) => trend.memberId === memberId && trend.says === 'more'),
    [file, memberId],
  );
  return more ? <p className="font-semibold text-oxide">{debrisWords(file.frame, more, system)}</p> : null;
}
