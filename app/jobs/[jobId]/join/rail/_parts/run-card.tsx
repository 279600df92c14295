'use client';

import { useMemo, useState } from 'react';
import type { WorkedRepair } from '@/core/job';
import {
  laidRuns,
  thermalTable,
  waitNowS,
  weldRuns,
  type Followed,
  type FollowedRun,
  type Ready,
  type RunDone,
  type WeldPlan,
} from '@/core/join';
import { legWords } from '../../../../../_words/seams';
import { runWords, waitWords } from '../../../../../_words/rail';
import { useMember, useReader, useRecords, useStamp } from '../../../../_desk';

interface RunCardProps {
  readonly plan: WeldPlan;
  readonly state: Followed;
  /** Ticked at the rail: what can be taken back here. */
  readonly ticked: readonly RunDone[];
  /** These, and those whose seam was logged. */
  readonly done: readonly RunDone[];
  readonly worked: WorkedRepair;
  readonly ready: Ready;
  readonly now: number;
}
type Tick = (run: FollowedRun, is?: 'run' | 'tack') => void;

/** The next run, large: where, which way, whether to wait; and the list of all, to tick one that was laid out of turn. */
export function RunCard(props: RunCardProps) {
  const { plan, state, ready } = props;
  const { keep } = useRecords();
  const { member } = useMember();
  const stamp = useStamp();
  const tick: Tick = ({ run: { seam, mark, nth } }, is = 'run') =>
    keep({ kind: 'run', ...stamp(), memberId: member.id, ofId: plan.ofId, seam, mark, nth, is, note: '' });
  const laid = state.runs.filter((each) => each.done).length;
  return (
    <div className="mt-3">
      <p className="caption" role="status">
        {laid} of {state.runs.length} laid; {ready.welder} welds
        {ready.qualification && ` (${ready.qualification})`}
      </p>
      {state.outOfTurn > 0 && (
        <p className="font-semibold">
          {state.outOfTurn} laid out of turn: the waits reckon with it; the rest can be planned anew in Join.
        </p>
      )}
      <Now {...props} tick={tick} />
      <AllRuns {...props} tick={tick} />
    </div>
  );
}

/** Tacks before the first run, then run by run; at last, the look at all of them. */
function Now({ plan, state: { next }, ticked, done, worked, now, tick }: RunCardProps & { tick: Tick }) {
  if (!next)
    return (
      <p className="mt-3 text-2xl font-semibold">
        All laid. Let it cool, then look at every seam: Join, Log.
      </p>
    );
  return ticked.some(({ is }) => is === 'tack') ? (
    <Next run={next} worked={worked} done={done} now={now} onLaid={() => tick(next)} />
  ) : (
    <Tacks plan={plan} onTacked={() => tick(next, 'tack')} />
  );
}

function AllRuns({ state, ticked, tick }: RunCardProps & { tick: Tick }) {
  const { strike } = useRecords();
  const { by } = useReader();
  const stamp = useStamp();
  const [shown, setShown] = useState(false);
  const last = ticked.findLast(({ is }) => is === 'run');
  const takeBack = ({ id: evidenceId }: RunDone) => {
    const { id, at } = stamp();
    strike({ id, evidenceId, why: 'ticked by mistake', by: by.trim() || 'unnamed', at });
  };
  return (
    <>
      <div className="mt-4 flex flex-wrap gap-2">
        <button type="button" className="plain" aria-expanded={shown} onClick={() => setShown(!shown)}>
          {shown ? 'Hide the list' : 'All runs: another was laid'}
        </button>
        {last && (
          <button type="button" className="plain" onClick={() => takeBack(last)}>
            {last.mark}.{last.nth} was not laid
          </button>
        )}
      </div>
      {shown && (
        <ol className="ruled mt-2" aria-label="All runs">
          {state.runs.map((each) => (
            <li key={each.number} className="flex items-center gap-3 py-1 text-lg">
              <span className="w-8 text-right font-bold tabular-nums">{each.number}</span>
              <span className="w-20">
                {each.run.mark}.{each.run.nth}
              </span>
              {each.done ? (
                <span className="caption">laid by {each.done.by}</span>
              ) : (
                <button type="button" className="plain" onClick={() => tick(each)}>
                  this one is laid
                </button>
              )}
            </li>
          ))}
        </ol>
      )}
    </>
  );
}

function Tacks({ plan, onTacked }: { plan: WeldPlan; onTacked: () => void }) {
  return (
    <section aria-label="Tacks" className="mt-2">
      <h2 className="text-2xl font-semibold">Tack first, {plan.tacks.length} of them</h2>
      <p className="text-lg">In this order: {plan.tacks.map(({ mark }) => mark).join(', ')}.</p>
      <p className="mt-1 text-lg">
        Middle of each seam, then its ends, then between. Measure against the baseline before the first run; a
        gap over its limit is fitted again.
      </p>
      <button type="button" className="solid mt-3 w-full py-5 text-2xl" onClick={onTacked}>
        Tacked, and measured
      </button>
    </section>
  );
}

function Next({
  run: { run, number },
  worked,
  done,
  now,
  onLaid,
}: {
  run: FollowedRun;
  worked: WorkedRepair;
  done: readonly RunDone[];
  now: number;
  onLaid: () => void;
}) {
  const { system } = useReader();
  const { member } = useMember();
  const { lines } = worked.joined;
  const table = useMemo(
    () =>
      thermalTable(
        member.shape,
        weldRuns(
          member.shape,
          lines,
          (id) => worked.repair.pieces.find((piece) => piece.id === id)!.thicknessMm,
        ),
      ),
    [member, lines, worked],
  );
  const line = lines.find(({ key }) => key === run.seam);
  const at = table.runs.findIndex(({ seam, nth }) => seam === run.seam && nth === run.nth);
  const waitS = at < 0 ? 0 : waitNowS(table, at, laidRuns(table.runs, done, now));
  return (
    <section aria-label="Next run" className="mt-2">
      <h2 className="text-4xl font-semibold">
        {number}. {run.mark}.{run.nth}
      </h2>
      <p className="mt-1 text-2xl">{runWords(member, run, system)}</p>
      {line && (
        <p className="text-lg">
          {line.plugs ? 'filled flush' : `leg ${legWords(line.legMm, system)}`}, {line.position}
          {line.access === 'poor' && ', poor access: slower, and look at it twice'}
        </p>
      )}
      <p className="mt-2 text-xl font-semibold" role="timer" aria-label="Wait">
        {waitS > 0
          ? `Wait about ${waitWords(waitS)}: what was laid is still warm there`
          : 'Cool there by reckoning: start'}
      </p>
      <p className="caption">
        Suggested. A thermometer or the bare hand near it decides, and the code’s own limit.
      </p>
      <button type="button" className="solid mt-3 w-full py-5 text-2xl" onClick={onLaid}>
        Laid: next
      </button>
    </section>
  );
}
