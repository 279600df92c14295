'use client';

import { newId } from '../../_client';
import { useReader } from './reader-context';

/** Who and when, for a record made now. */
export function useStamp(): () => { id: string; by: string; at: string } {
  const { by } = useReader();
  return () => ({ id: newId(), by: by.trim() || 'unnamed', at: new Date().toISOString() });
}
