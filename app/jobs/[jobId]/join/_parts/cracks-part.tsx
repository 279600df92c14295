'use client';

import { Link } from '@/app/_parts/link';
import { stands, toWeldShut } from '@/core/job';
import { cardSteps, type StepDone } from '@/core/join';
import { When } from '@/ui/controls';
import { crackWeldWords, NOT_READY_WORDS } from '../../../../_words/crack-weld';
import { CRACK_STEPS, CRACK_STEP_WORDS } from '../../../../_words/weld-cards';
import {
  ArrestPanel,
  CracksToWeld,
  DyeTimer,
  useMember,
  useOnMember,
  useReader,
  useRecords,
  useStamp,
} from '../../../_desk';
import type { JoinDesk } from './use-join';

/** Each crack that is welded shut, as a card: ends, holes, groove, passes, flush, dye again, plate over both tips. */
export function CracksPart({ join: { work, member, file } }: { join: JoinDesk }) {
  const { system } = useReader();
  const { cracks } = useOnMember();
  if (!work) return null;
  const welds = toWeldShut(work);
  if (welds.length === 0)
    return (
      <>
        <CracksToWeld />
        <p className="mt-3 text-lg">
          No crack here is to be welded shut
          {cracks.length > 0 && ': what there is goes with the metal, is bolted over, or may not be welded'}.
        </p>
      </>
    );
  return (
    <>
      <DyeTimer />
      {welds.map((weld, k) => (
        <article
          key={weld.crackId}
          className="mt-4 border-t-2 border-ink pt-2"
          aria-label={`Crack C${k + 1}`}
        >
          <h2 className="text-xl font-semibold">
            C{k + 1}: {crackWeldWords(weld, member, system)}
          </h2>
          {!weld.isReady && (
            <p className="font-semibold text-oxide">
              {NOT_READY_WORDS}.{' '}
              <Link className="underline" href={`/jobs/${file.job.id}/trace?member=${member.id}`}>
                Find it in Trace
              </Link>
            </p>
          )}
          <CrackCard crackId={weld.crackId} isReady={weld.isReady} />
          {cracks
            .filter(({ id }) => id === weld.crackId)
            .map((crack) => (
              <ArrestPanel key={crack.id} crack={crack} />
            ))}
        </article>
      ))}
    </>
  );
}

function CrackCard({ crackId, isReady }: { crackId: string; isReady: boolean }) {
  const { file, keep } = useRecords();
  const { member } = useMember();
  const stamp = useStamp();
  const onStep = (step: string) =>
    keep({ kind: 'step', ...stamp(), memberId: member.id, ofId: crackId, card: 'crack', step, note: '' });
  const done: readonly StepDone[] = stands(file, 'step').filter(
    ({ ofId, card }) => ofId === crackId && card === 'crack',
  );
  const steps = cardSteps(CRACK_STEPS, done);
  const next = steps.find((each) => !each.done)?.step;
  return (
    <ol className="ruled mt-1" aria-label="Steps">
      {steps.map(({ step, done: by }, k) => (
        <li key={step} className="flex flex-wrap items-center gap-x-3 py-1 letters-17">
          <span className="w-6 text-right font-bold tabular-nums">{k + 1}</span>
          <span className="min-w-[220px] grow">{CRACK_STEP_WORDS[step]}</span>
          {by ? (
            <span className="caption">
              done: {by.by}, <When at={by.at} />
            </span>
          ) : (
            <button
              type="button"
              className="plain"
              disabled={step !== next || (step !== CRACK_STEPS[0] && !isReady)}
              onClick={() => onStep(step)}
            >
              done
            </button>
          )}
        </li>
      ))}
    </ol>
  );
}
