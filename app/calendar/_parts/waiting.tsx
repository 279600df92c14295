import { Link } from '@/app/_parts/link';
import type { UnitSystem } from '@/core/quantity';
import type { BookedLook, PlannedJob } from '@/data';
import { dayWords, lookDueWords } from '../../_words/dates';
import { MOVE_WORDS } from '../../_words/trace';

/** What the owner of a waiting unit was told, when it is looked at again, and that something was found since. */
export function ToldLine({ told, system }: { told: PlannedJob['told']; system: UnitSystem }) {
  if (!told) return null;
  const { interim, due, foundSince } = told;
  return (
    <p>
      Until then: <b>{MOVE_WORDS[interim.answer]}</b>
      {interim.advice && `; ${interim.advice}`}.{' '}
      {due && (
        <span className={due.isOver ? 'font-semibold text-oxide' : ''}>{lookDueWords(due, system)}. </span>
      )}
      {foundSince > 0 && (
        <span className="font-semibold text-oxide">
          {foundSince === 1 ? 'Something was' : `${foundSince} things were`} recorded since it was told: look
          whether it still holds.
        </span>
      )}
    </p>
  );
}

const isDue = ({ told }: PlannedJob): boolean => told?.due?.isOver === true;

/** Jobs without a plan, or with nothing left of it, those whose look is due first: they stand in nobody's way, and are not forgotten. */
export function Waiting({ jobs, system }: { jobs: readonly PlannedJob[]; system: UnitSystem }) {
  if (jobs.length === 0) return null;
  return (
    <section aria-label="Waiting" className="mt-5">
      <h2 className="border-b border-ink text-lg font-semibold">Waiting, no day</h2>
      <ul className="ruled">
        {[...jobs]
          .sort((a, b) => Number(isDue(b)) - Number(isDue(a)))
          .map((job) => (
            <li key={job.id} className="flex flex-wrap items-baseline gap-x-4 py-1">
              <Link
                className="hit inline-flex items-center text-lg font-bold underline"
                href={`/jobs/${job.id}/answers`}
              >
                {job.tag}
              </Link>
              <span className="min-w-40 flex-1">{job.title}</span>
              <span>{job.plan ? 'everything of its plan is done' : 'no plan is kept'}</span>
              {job.needBy && <span>needed by {dayWords(job.needBy)}</span>}
              <Link
                className="hit inline-flex items-center underline"
                href={`/jobs/${job.id}/order?part=dates`}
              >
                {job.told ? 'what its owner was told' : 'may it be used until then?'}
              </Link>
              <div className="basis-full">
                <ToldLine told={job.told} system={system} />
              </div>
            </li>
          ))}
      </ul>
    </section>
  );
}

/** Looks that were booked as jobs were closed, and that nobody has made since. */
export function Booked({ looks, today }: { looks: readonly BookedLook[]; today: string }) {
  if (looks.length === 0) return null;
  return (
    <section aria-label="Looks booked" className="mt-5">
      <h2 className="border-b border-ink text-lg font-semibold">Looks booked</h2>
      <ul className="ruled">
        {looks.map(({ id, jobId, tag, on, what }) => (
          <li key={id} className="flex flex-wrap items-baseline gap-x-4 py-1">
            <Link
              className="hit inline-flex items-center text-lg font-bold underline"
              href={`/jobs/${jobId}/prove?part=tried`}
            >
              {tag}
            </Link>
            <span className="min-w-40 flex-1">{what}</span>
            <span className={on <= today ? 'font-semibold text-oxide' : ''}>
              {dayWords(on)}
              {on <= today && ': due'}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
