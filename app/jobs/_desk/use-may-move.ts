'use client';

import { useMemo } from 'react';
import { mayMove, pastLimitOf, type MayMove } from '@/core/job';
import { today } from '@/ui/controls';
import { useRecordsLater } from './records-context';
import { useWork } from './work-context';

/** Whether the unit may move until it is mended, by everything that is worked out so far. */
export function useMayMove(): MayMove {
  const { file } = useRecordsLater();
  const { summaries, demand } = useWork();
  return useMemo(
    () => mayMove(file, today(), { weighed: summaries, pastLimit: pastLimitOf(file, demand) }),
    [file, summaries, demand],
  );
}
