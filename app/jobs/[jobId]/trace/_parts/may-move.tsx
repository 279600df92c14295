'use client';

import { useMemo } from 'react';
import { jobSpots } from '@/core/job';
import { progressOf } from '@/core/walk';
import { CAUTIONS } from '../../../../_words/cautions';
import { moveReasonWords, MOVE_WORDS } from '../../../../_words/trace';
import { useMayMove, useReader, useRecordsLater, useWork } from '../../../_desk';

/** Whether the unit may move until it is mended, with every reason. */
export function MayMovePanel() {
  const { file } = useRecordsLater();
  const { isWorking } = useWork();
  const { system } = useReader();
  const answer = useMayMove();
  const told = { frame: file.frame, system };
  const walked = useMemo(() => progressOf(jobSpots(file, file.job.purpose === 'pre-purchase look')), [file]);
  const isBad = answer.answer !== 'no reason recorded against it';
  return (
    <section
      aria-label="May it move"
      className={`mb-2 border-l-[6px] px-3 py-1 ${isBad ? 'border-oxide bg-oxide-wash' : 'border-rule'}`}
    >
      <details>
        <summary className="flex min-h-11 cursor-pointer items-center letters-17">
          <span className="flex min-w-0 grow flex-wrap items-center gap-x-3">
            <span>May it move until it is mended?</span>
            <span className="text-xl font-semibold">{MOVE_WORDS[answer.answer]}</span>
            {answer.reasons[0] && (
              <span className="caption">
                {moveReasonWords(answer.reasons[0], told)}
                {answer.reasons.length > 1 && `, and ${answer.reasons.length - 1} more`}
              </span>
            )}
            {isWorking && <span className="caption">still working it out</span>}
          </span>
        </summary>
        <ul className="ruled">
          {answer.reasons.map((reason, k) => (
            <li key={k} className="py-1">
              <span className="font-semibold">{MOVE_WORDS[reason.answer]}</span>:{' '}
              {moveReasonWords(reason, told)}
            </li>
          ))}
        </ul>
        <p className="caption">
          From cracks, what each member’s metal came to, brackets and temporary repairs. Seen so far:{' '}
          {walked.seen} of {walked.spots} spots; what was not seen speaks neither for nor against.
        </p>
        <p className="caution">{CAUTIONS.move}</p>
      </details>
    </section>
  );
}
