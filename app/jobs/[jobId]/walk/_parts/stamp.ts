'use client';

import { useDesk } from '../../../_desk';

/** Who and when, for a record made now. */
export function useStamp(): () => { id: string; by: string; at: string } {
  const { by } = useDesk();
  return () => ({ id: crypto.randomUUID(), by: by.trim() || 'unnamed', at: new Date().toISOString() });
}
