import { useMemo } from 'react';
import { openCracks } from '@/core/job';
import type { Crack } from '@/core/trace';
import { useRecords } from '../../../_desk';

/** Whether a crack was put right and not found again since. */
export function usePutRight({ id }: Pick<Crack, 'id'>): boolean {
  const { file } = useRecords();
  return useMemo(() => !openCracks(file).some((each) => each.id === id), [file, id]);
}
