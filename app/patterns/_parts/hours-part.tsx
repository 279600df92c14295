import { Link } from '@/app/_parts/link';
import { correctedNorm, normsLearnt, type HoursSeen, type NormLearnt } from '@/core/patterns';
import type { Practice } from '@/core/reference';
import { bandWords, hoursWords, learntWords } from '../../_words/patterns';
import { NORM_WORDS } from '../../_words/ways-out';
import { TakeNorm } from './take-norm';

/** The shop's practice at its revision. */
interface Shop {
  readonly practice: Practice;
  readonly revision: number;
}

/** What closed jobs took against what the norms said: norm by norm, family by family, and who was far off. */
export function HoursPart({ seen, shop }: { seen: readonly HoursSeen[]; shop: Shop }) {
  const learnt = normsLearnt(seen);
  return (
    <section aria-label="Hours learned" className="mt-8">
      <h2 className="text-2xl font-semibold">Hours learned</h2>
      <p className="max-w-prose">
        From closed jobs that kept a plan and ran the clocks of its tasks. Few jobs move a norm little; each
        family is drawn towards the others. The band is meant to hold nine times of ten.
      </p>
      {learnt.length === 0 ? (
        <p className="pt-4 text-xl">No closed job has a plan and clocks yet.</p>
      ) : (
        learnt.map((each) => <NormRow key={each.norm} learnt={each} shop={shop} />)
      )}
    </section>
  );
}

function NormRow({ learnt, shop }: { learnt: NormLearnt; shop: Shop }) {
  const corrected = correctedNorm(learnt);
  const now = shop.practice.money.norms[learnt.norm];
  const isTaken = corrected.every((each, k) => Math.abs(each - now[k]!) < 1e-9);
  return (
    <article aria-label={NORM_WORDS[learnt.norm]} className="border-t border-rule py-3">
      <h3 className="text-lg font-semibold first-letter:uppercase">{NORM_WORDS[learnt.norm]}</h3>
      <div className="flex flex-wrap items-baseline gap-x-6 gap-y-1">
        <span>{learntWords(learnt)}</span>
        <span>
          the shop’s norm is {hoursWords(now)}
          {isTaken ? ', as learned' : `; learned, ${hoursWords(corrected)}`}
        </span>
        {!isTaken && (
          <TakeNorm
            norm={learnt.norm}
            words={`${NORM_WORDS[learnt.norm]}: ${hoursWords(corrected)}`}
            to={corrected}
            shop={shop}
          />
        )}
      </div>
      <ul className="caption flex flex-wrap gap-x-6">
        {learnt.families.map((family) => (
          <li key={family.family}>
            {family.family}: {bandWords(family)}, {family.jobs} {family.jobs === 1 ? 'job' : 'jobs'}
          </li>
        ))}
      </ul>
      <ul className="flex flex-wrap gap-x-6">
        {learnt.seen.map(({ jobId, tag, tookH, plannedH, isOutlier }) => (
          <li key={jobId} className={isOutlier ? 'font-semibold text-oxide' : ''}>
            <Link className="hit inline-flex items-center underline" href={`/jobs/${jobId}/order`}>
              {tag}
            </Link>{' '}
            took {tookH.toFixed(1)} h, planned {plannedH.toFixed(1)} h
            {isOutlier && ': far off the others, counts at its limit'}
          </li>
        ))}
      </ul>
    </article>
  );
}
