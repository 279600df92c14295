import Link from 'next/link';
import { printMass } from '@/core/quantity';
import { allJobs, allUnits, database, isClosed, noticesOf } from '@/data';
import { jobLine } from './_parts/job-line';
import { chosenSystem } from './_parts/units';
import { ThemeSwitch } from './_parts/switches';
import { KeepingLight } from './_outbox/keeping-light';
import { BundleIn } from './_parts/bundle-in';
import { ClosingButton } from './_parts/closing-button';
import { NoticeForm } from './_parts/notice-form';
import { UnitForm } from './_parts/unit-form';
import { When } from '@/ui/controls';

export const metadata = { title: 'Yard' };
export const dynamic = 'force-dynamic';

export default async function Yard() {
  const system = await chosenSystem();
  const db = database();
  const units = allUnits(db);
  const jobs = allJobs(db);
  return (
    <main className="mx-auto max-w-[1240px] px-5 pb-16">
      <header className="flex flex-wrap items-end justify-between gap-x-6 gap-y-2 border-b-2 border-ink pb-3 pt-5">
        <div>
          <p className="text-lg font-bold tracking-tight">Ossatura</p>
          <h1 className="text-4xl font-bold">Yard</h1>
        </div>
        <nav className="flex flex-wrap items-center gap-2" aria-label="Yard">
          <BundleIn />
          <Link href="/new" className="solid">
            Open a job
          </Link>
          <ThemeSwitch />
          <KeepingLight system={system} quiet />
        </nav>
      </header>
      {units.length === 0 && (
        <p className="max-w-prose pt-8 text-xl">
          Nothing in the yard yet. Open a job: say what the unit is and how its rails were made, and a frame
          to hang readings on is drawn for you.
        </p>
      )}
      {units.map((unit) => {
        const notices = noticesOf(db, unit.id);
        return (
          <section
            key={unit.id}
            className="grid gap-x-8 gap-y-3 border-b border-rule py-5 md:grid-cols-[230px_1fr]"
            aria-labelledby={`unit-${unit.id}`}
          >
            <div>
              <h2 id={`unit-${unit.id}`} className="text-3xl font-bold">
                {unit.tag}
              </h2>
              <p>{unit.description}</p>
              <p className="caption">
                {unit.exposure}; {unit.duty}
                {unit.grossMassKg !== undefined && `; gross ${printMass(unit.grossMassKg, system)}`}
              </p>
            </div>
            <div className="min-w-0">
              <ul className="mb-2">
                {notices.map((notice) => (
                  <li
                    key={notice.id}
                    className="flex items-baseline gap-3 border-l-[6px] border-here py-0.5 pl-3"
                  >
                    <span className="font-semibold">{notice.words}</span>{' '}
                    <span className="caption whitespace-nowrap">
                      {notice.by}, <When at={notice.at} only="day" />
                    </span>
                  </li>
                ))}
              </ul>
              <ul className="ruled border-y border-rule">
                {jobs
                  .filter((job) => job.unitId === unit.id)
                  .map((job) => {
                    const line = jobLine(db, job.id);
                    const closed = isClosed(db, job.id);
                    return (
                      <li key={job.id} className={`flex items-center ${closed ? 'text-soft' : ''}`}>
                        <Link
                          href={`/jobs/${job.id}/${line.verb}`}
                          className="grid min-h-[60px] min-w-0 flex-1 items-center gap-x-6 gap-y-1 px-2 py-2 hover:bg-well sm:grid-cols-[1.1fr_1fr_260px]"
                        >
                          <span>
                            <span className="block text-xl font-semibold">{job.title}</span>
                            <span className="caption">
                              {job.purpose}, opened <When at={job.openedAt} only="day" /> by {job.openedBy}
                              {closed && '; closed'}
                            </span>
                          </span>
                          <span>
                            {line.toAct.length > 0 && (
                              <span className="block font-semibold text-oxide">{line.toAct.join(', ')}</span>
                            )}
                            <span className="caption">
                              {line.readings} readings,{' '}
                              {line.cracks === 1 ? '1 crack' : `${line.cracks} cracks`}
                            </span>
                          </span>
                          <span className="font-medium sm:text-right">{closed ? 'Closed' : line.next} →</span>
                        </Link>
                        <ClosingButton jobId={job.id} title={job.title} closed={closed} by={job.openedBy} />
                      </li>
                    );
                  })}
              </ul>
              <div className="flex flex-wrap gap-2 pt-2">
                <Link href={`/new?unit=${unit.id}`} className="plain">
                  New job on {unit.tag}
                </Link>
                <NoticeForm unitId={unit.id} tag={unit.tag} />
                <UnitForm unit={unit} system={system} />
              </div>
            </div>
          </section>
        );
      })}
    </main>
  );
}
