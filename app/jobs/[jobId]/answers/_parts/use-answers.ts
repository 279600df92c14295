'use client';

import { useEffect, useMemo, useState } from 'react';
import { fourAnswers, liftBasis, type FourAnswers, type LiftTried } from '@/core/job';
import { today } from '@/ui/controls';
import { useRecordsLater, useWork } from '../../../_desk';

/** The four answers as they stand; the usual ways of lifting are tried once everything else is worked out. */
export function useAnswers(): FourAnswers {
  const { file } = useRecordsLater();
  const { summaries, demand, isWorking, tryLifts } = useWork();
  const basis = useMemo(() => liftBasis(file, file.notices), [file]);
  const [tried, setTried] = useState<{ readonly basis: string; readonly lifts: readonly LiftTried[] }>();
  const isTried = tried?.basis === basis;
  useEffect(() => {
    if (isWorking || isTried) return;
    let isWanted = true;
    tryLifts().then(
      (lifts) => isWanted && setTried({ basis, lifts }),
      // Stopped or not yet begun: what changes next asks again.
      () => undefined,
    );
    return () => {
      isWanted = false;
    };
  }, [isWorking, isTried, basis, tryLifts]);
  return useMemo(
    () =>
      fourAnswers(file, {
        weighed: summaries,
        demand,
        lifts: isTried ? tried.lifts : undefined,
        notices: file.notices,
        today: today(),
      }),
    [file, summaries, demand, isTried, tried],
  );
}
