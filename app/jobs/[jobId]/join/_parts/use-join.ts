'use client';

import { useMemo, useState } from 'react';
import { lastOf, seamLedger, stands, type LedgerSeam } from '@/core/job';
import { laidByLog, type WeldPlan } from '@/core/join';
import { useMember, useRecords, useRepairs } from '../../../_desk';

/** The repair looked at in Join: its lines, the seam chosen of them, its plan and what was laid. */
export function useJoin() {
  const { file } = useRecords();
  const { member } = useMember();
  const desk = useRepairs();
  const { work, current } = desk;
  const [seam, setSeam] = useState<string>();
  const ledger = useMemo<readonly LedgerSeam[]>(() => (work ? seamLedger(file, work) : []), [file, work]);
  const id = current?.repair.id;
  const plan = useMemo<WeldPlan | undefined>(
    () => lastOf(file, 'weld plan', ({ ofId }) => ofId === id),
    [file, id],
  );
  const done = useMemo(() => {
    const ticked = stands(file, 'run').filter(({ ofId }) => ofId === id);
    return plan ? [...ticked, ...laidByLog(plan, stands(file, 'seam log'), ticked)] : ticked;
  }, [file, id, plan]);
  return { ...desk, file, member, ledger, plan, done, seam, setSeam };
}
export type JoinDesk = ReturnType<typeof useJoin>;
