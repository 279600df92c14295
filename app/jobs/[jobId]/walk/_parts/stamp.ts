'use client';

import { useReader } from '../../../_desk';
import { newId } from '../../../../_client';

/** Who and when, for a record made now. */
export function useStamp(): () => { id: string; by: string; at: string } {
  const { by } = useReader();
  return () => ({ id: newId(), by: by.trim() || 'unnamed', at: new Date().toISOString() });
}
