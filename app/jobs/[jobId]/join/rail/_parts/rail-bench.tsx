'use client';

import { Link } from '@/app/_parts/link';
import { useSearchParams } from 'next/navigation';
import { useCallback, useMemo } from 'react';
import { brokenRules, lastOf, stands, type JobFile, type WorkedRepair } from '@/core/job';
import {
  followed,
  isStillReady,
  laidByLog,
  weldBasis,
  type Ready,
  type RunDone,
  type WeldPlan,
} from '@/core/join';
import { Settling } from '@/ui/controls';
import type { StripScale } from '@/ui/strip';
import { CAUTIONS } from '../../../../../_words/cautions';
import { MemberStrip, useInSight, useMember, useNow, useRecords, useWork } from '../../../../_desk';
import { runsDrawn } from '../../_parts/runs-drawn';
import { RunLayer } from '../../_parts/seam-layer';
import { ReadyForm } from './ready-form';
import { RunCard } from './run-card';

/** One run at a time, at the rail: where to start, which way, when; ticked by hand or glove. Kept here where nothing answers. */
export function RailBench() {
  const { file } = useRecords();
  const { member } = useMember();
  const { work } = useWork();
  const asked = useSearchParams().get('repair');
  const planOf = (which: (plan: WeldPlan) => boolean) =>
    lastOf(file, 'weld plan', (plan) => plan.memberId === member.id && which(plan));
  const plan = planOf(({ ofId }) => ofId === asked) ?? planOf(() => true);
  const worked = work?.repairs.find(({ repair }) => repair.id === plan?.ofId);
  return (
    <main id="main" className="mx-auto max-w-[860px] px-3 pb-10 pt-3">
      <div className="flex flex-wrap items-center justify-between gap-2">
        <h1 className="text-2xl font-semibold">At the rail, {member.name.toLowerCase()}</h1>
        <Link className="plain" href={`/jobs/${file.job.id}/join?member=${member.id}&part=order`}>
          Back to the order
        </Link>
      </div>
      {!plan && (
        <p className="mt-4 text-xl">
          No order is kept for this member. Find one in Join, under <b>Order of runs</b>, and keep it.
        </p>
      )}
      {plan && !work && <p className="mt-4 text-xl">working…</p>}
      {plan && work && !worked && (
        <p className="mt-4 text-xl font-semibold">
          The repair this order was for is no longer planned. Back to the order: find another.
        </p>
      )}
      {plan && worked && <Follow plan={plan} worked={worked} />}
      <p className="caution mt-4">{CAUTIONS.arc}</p>
    </main>
  );
}

/** Runs ticked here, and with them those whose whole seam the log says is welded. */
function useLaid(file: JobFile, plan: WeldPlan): { ticked: readonly RunDone[]; done: readonly RunDone[] } {
  return useMemo(() => {
    const ticked = stands(file, 'run').filter(({ ofId }) => ofId === plan.ofId);
    return { ticked, done: [...ticked, ...laidByLog(plan, stands(file, 'seam log'), ticked)] };
  }, [file, plan]);
}

function Follow({ plan, worked }: { plan: WeldPlan; worked: WorkedRepair }) {
  const { file } = useRecords();
  const { member } = useMember();
  const now = useNow();
  const { lines } = worked.joined;
  const { ticked, done } = useLaid(file, plan);
  const state = followed(plan, done, weldBasis(lines));
  const ready: Ready | undefined = stands(file, 'ready to weld').findLast(({ ofId }) => ofId === plan.ofId);
  const over = useCallback(
    (scale: StripScale) => <RunLayer member={member} runs={runsDrawn(plan, done, lines)} scale={scale} />,
    [member, plan, done, lines],
  );
  useInSight(state.next?.run.path[0]?.[0]);
  const broken = brokenRules(worked).length;
  if (state.isStale)
    return (
      <p className="mt-4 text-xl font-semibold text-oxide">
        The plates or their seams were changed since this order was kept: its numbers no longer mean them.
        Plan it anew in Join.
      </p>
    );
  const isReady = ready !== undefined && isStillReady(ready, now);
  return (
    <>
      <MemberStrip readings={false} height={190} over={over} />
      {broken > 0 && (
        <p className="mt-2 text-lg font-semibold text-oxide">
          Not to be welded like this: rules broken, {broken}. Back in Join and Shape they are named.
        </p>
      )}
      {broken === 0 && (
        <Settling of={`${isReady} ${ticked.length}`}>
          {isReady ? (
            <RunCard
              plan={plan}
              state={state}
              ticked={ticked}
              done={done}
              worked={worked}
              ready={ready}
              now={now}
            />
          ) : (
            <ReadyForm plan={plan} before={ready} />
          )}
        </Settling>
      )}
    </>
  );
}
