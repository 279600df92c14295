'use client';

import { Link } from '@/app/_parts/link';
import { QUESTIONS, type Answered, type AnswerIs, type AnswerReason, type Question } from '@/core/job';
import { CAUTIONS, DEFERENCE } from '../../../../_words/cautions';
import { answerReasonWords, answerWords, QUESTION_WORDS } from '../../../../_words/answers';
import { Bench, useReader, useRecordsLater } from '../../../_desk';
import { IntakePanel } from './intake-panel';
import { NoticeOffer } from './notice-offer';
import { StandingNotices } from './standing-notices';
import { useAnswers } from './use-answers';

/** What everybody asks first, before any chart: drive, lift, work beneath, repair here. */
export function AnswersBench() {
  const four = useAnswers();
  return (
    <Bench slice={false} picker={false}>
      <div className="grid gap-3">
        {QUESTIONS.map((question) => (
          <OneAnswer key={question} question={question} answered={four[question]} />
        ))}
      </div>
      <StandingNotices />
      <IntakePanel />
      <p className="caution mt-4">
        What is on record and was worked out from it, not leave to do it.{' '}
        {CAUTIONS.lift.replace(DEFERENCE, '')}
        {DEFERENCE}
      </p>
    </Bench>
  );
}

/** Told apart by bar, pattern and words, never by colour alone. */
const LOOK: Readonly<Record<AnswerIs, string>> = {
  yes: 'border-good',
  'with limits': 'border-here',
  'can’t say': 'unseen border-ink',
  no: 'border-oxide',
};
const MARK: Readonly<Record<AnswerIs, string>> = {
  yes: '✓',
  'with limits': '!',
  'can’t say': '?',
  no: '✕',
};
/** Where what a question asks for next is done. */
const LEADS_TO: Readonly<Record<Question, string>> = {
  drive: 'trace',
  lift: 'walk?part=lift',
  beneath: 'walk?part=lift',
  repair: 'shape',
};
/** Reasons shown before the rest is opened. */
const FIRST = 2;

function OneAnswer({ question, answered }: { question: Question; answered: Answered }) {
  const { file } = useRecordsLater();
  const { reasons, is } = answered;
  const rest = reasons.slice(FIRST);
  const isOpen = reasons.some(({ why }) => why === 'look first' || why === 'agreed look overdue');
  return (
    <section aria-label={QUESTION_WORDS[question]} className={`border border-l-[14px] bg-sheet ${LOOK[is]}`}>
      <div className="grid gap-x-6 bg-sheet px-4 py-2 lg:grid-cols-[minmax(260px,340px)_minmax(0,1fr)]">
        <div>
          <h2 className="letters-17">{QUESTION_WORDS[question]}</h2>
          <p className={`text-2xl font-bold leading-tight ${is === 'no' ? 'text-oxide' : ''}`}>
            <span aria-hidden className="mr-2 inline-block w-5 text-center">
              {MARK[is]}
            </span>
            {answerWords(question, answered)}
          </p>
          <p className="mt-1 flex flex-wrap gap-x-4">
            <Link
              className="hit underline"
              href={`/jobs/${file.job.id}/${isOpen ? 'walk' : LEADS_TO[question]}`}
            >
              {isOpen ? 'Do this first: look' : WAY_ON[question]}
            </Link>
            {is === 'no' && <NoticeOffer question={question} answered={answered} />}
          </p>
        </div>
        <div className="min-w-0 letters-17">
          <Reasons reasons={reasons.slice(0, FIRST)} />
          {rest.length > 0 && (
            <details>
              <summary className="flex min-h-11 cursor-pointer items-center underline">
                {rest.length} more
              </summary>
              <Reasons reasons={rest} />
            </details>
          )}
        </div>
      </div>
    </section>
  );
}
const WAY_ON: Readonly<Record<Question, string>> = {
  drive: 'Cracks and temporary repairs',
  lift: 'Ask for a way of lifting',
  beneath: 'Ask for a way of lifting',
  repair: 'Repairs, piece by piece',
};

function Reasons({ reasons }: { reasons: readonly AnswerReason[] }) {
  const { file } = useRecordsLater();
  const { system } = useReader();
  return (
    <ul className="ruled">
      {reasons.map((reason, k) => {
        const words = answerReasonWords(reason, { frame: file.frame, system });
        return (
          <li key={k} className="py-1">
            {words[0]!.toUpperCase()}
            {words.slice(1)}
          </li>
        );
      })}
    </ul>
  );
}
