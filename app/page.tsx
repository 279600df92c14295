import { Link } from '@/app/_parts/link';
import { jobTimeLeft, type JobLine } from '@/core/job';
import { printMass, type UnitSystem } from '@/core/quantity';
import {
  database,
  evidenceOf,
  heldElsewhere,
  knownDamage,
  mendedBefore,
  noticesOf,
  noting,
  strikesOf,
  yardPage,
  type Db,
  type YardJob,
  type YardPage,
} from '@/data';
import { today, When } from '@/ui/controls';
import { KeepingLight } from './_outbox/keeping-light';
import { BundleIn } from './_parts/bundle-in';
import { ClosingButton } from './_parts/closing-button';
import { NoticeForm } from './_parts/notice-form';
import { ThemeSwitch } from './_parts/switches';
import { UnitForm } from './_parts/unit-form';
import { chosenSystem } from './_parts/units';
import { nextWords } from './_words/job-line';
import { timeLeftWords } from './_words/trace';
import { couldNot, knownLine, linesWanted, wantLines } from './_yard/lines';
import { PracticeCopy } from './_yard/practice-copy';
import { StillWorking } from './_yard/still-working';
import { addressOf, viewFrom } from './_yard/view';
import { YardFilters } from './_yard/yard-filters';

export const metadata = { title: 'Yard' };
export const dynamic = 'force-dynamic';

type Params = Readonly<Record<string, string | string[] | undefined>>;

export default async function Yard({ searchParams }: { searchParams: Promise<Params> }) {
  const [system, params] = [await chosenSystem(), await searchParams];
  const db = database();
  const view = viewFrom(params);
  const unreadable = noting();
  const page = yardPage(db, view, unreadable.of('row of the yard'));
  const lines = linesOf(db, page);
  const isAll = !view.search && !view.verdict && !view.verb;
  return (
    <main id="main" className="mx-auto max-w-[1240px] px-5 pb-16">
      <YardHead system={system} />
      <Troubles unreadable={unreadable.list.length} />
      <YardFilters params={params} view={view} />
      {linesWanted() > 0 && <StillWorking jobs={linesWanted()} />}
      {page.found === 0 && (
        <p className="max-w-prose pt-8 text-xl">
          {isAll
            ? 'Nothing in the yard yet. Open a job: say what the unit is and how its rails were made, and a frame to hang readings on is drawn for you.'
            : 'Nothing in the yard is like that. Ask for less, or for closed ones too.'}
        </p>
      )}
      {page.found === 0 && isAll && <PracticeCopy />}
      {page.units.map(({ unit, jobs }) => (
        <UnitRow key={unit.id} db={db} unit={unit} jobs={jobs} lines={lines} system={system} />
      ))}
      <Pages page={view.page} of={page.pages} found={page.found} params={params} />
    </main>
  );
}

/** What is known of the jobs in sight; what is not is asked for. */
function linesOf(db: Db, page: YardPage): ReadonlyMap<string, JobLine> {
  const ids = page.units.flatMap(({ jobs }) => jobs.map((job) => job.id));
  const lines = new Map(
    ids.flatMap((id) => {
      const line = knownLine(db, id);
      return line ? [[id, line] as const] : [];
    }),
  );
  wantLines(ids.filter((id) => !lines.has(id)));
  return lines;
}

function YardHead({ system }: { system: UnitSystem }) {
  return (
    <header className="flex flex-wrap items-end justify-between gap-x-6 gap-y-2 border-b-2 border-ink pb-3 pt-5">
      <div>
        <p className="text-lg font-bold tracking-tight">Ossatura</p>
        <h1 className="text-4xl font-bold">Yard</h1>
      </div>
      <nav className="flex flex-wrap items-center gap-2" aria-label="Yard">
        <Link href="/shop" className="hit inline-flex items-center px-2 underline">
          Shop
        </Link>
        <Link href="/calendar" className="hit inline-flex items-center px-2 underline">
          Calendar
        </Link>
        <Link href="/patterns" className="hit inline-flex items-center px-2 underline">
          Patterns
        </Link>
        <BundleIn />
        <Link href="/new" className="solid">
          Open a job
        </Link>
        <ThemeSwitch />
        <KeepingLight system={system} quiet />
      </nav>
    </header>
  );
}

/** Damage to what is kept: said before anything else is. */
function Troubles({ unreadable }: { unreadable: number }) {
  const damage = knownDamage();
  if (damage === undefined && unreadable === 0) return null;
  return (
    <div className="my-3 border-l-[6px] border-oxide pl-3 font-semibold" role="alert">
      {damage !== undefined && (
        <p>The file of records is damaged: stop, and put back a copy before more is recorded. ({damage})</p>
      )}
      {unreadable > 0 && (
        <p>{unreadable} units or jobs on this page cannot be read; the others are shown as they are.</p>
      )}
    </div>
  );
}

type Unit = YardPage['units'][number]['unit'];

function UnitRow({
  db,
  unit,
  jobs,
  lines,
  system,
}: {
  db: Db;
  unit: Unit;
  jobs: readonly YardJob[];
  lines: ReadonlyMap<string, JobLine>;
  system: UnitSystem;
}) {
  return (
    <section
      className="grid gap-x-8 gap-y-3 border-b border-rule py-5 md:grid-cols-[230px_1fr]"
      aria-labelledby={`unit-${unit.id}`}
    >
      <UnitHead unit={unit} system={system} />
      <div className="min-w-0">
        <UnitWarnings
          temporary={jobs.filter((job) => !job.closed).flatMap((job) => temporaryLines(db, job.id, system))}
          notices={noticesOf(db, unit.id)}
        />
        <ul className="ruled border-y border-rule">
          {jobs.map((job) => (
            <JobRow key={job.id} job={job} line={lines.get(job.id)} isStuck={couldNot(db, job.id)} />
          ))}
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
}

const UnitHead = ({ unit, system }: { unit: Unit; system: UnitSystem }) => (
  <div>
    <h2 id={`unit-${unit.id}`} className="text-3xl font-bold">
      {unit.tag}
    </h2>
    <p>{unit.description}</p>
    <p className="caption">
      {unit.exposure}; {unit.duty}
      {unit.builtYear !== undefined && `; built ${unit.builtYear}`}
      {unit.grossMassKg !== undefined && `; gross ${printMass(unit.grossMassKg, system)}`}
    </p>
  </div>
);

/** What only holds for a while, and what was written to whoever takes the unit next. */
const UnitWarnings = ({
  temporary,
  notices,
}: {
  temporary: ReturnType<typeof temporaryLines>;
  notices: ReturnType<typeof noticesOf>;
}) => (
  <ul className="mb-2">
    {temporary.map(({ repair, words }) => (
      <li key={repair.id} className="border-l-[6px] border-oxide py-0.5 pl-3 font-semibold">
        {words}
      </li>
    ))}
    {notices.map((notice) => (
      <li
        key={notice.id}
        className="flex flex-wrap items-baseline gap-x-3 border-l-[6px] border-here py-0.5 pl-3"
      >
        <span className="font-semibold">{notice.words}</span>{' '}
        <span className="caption whitespace-nowrap">
          {notice.by}, <When at={notice.at} only="day" />
        </span>
      </li>
    ))}
  </ul>
);

/** What is left of the temporary repairs on a job's unit. */
function temporaryLines(db: Db, jobId: string, system: UnitSystem) {
  const strikes = strikesOf(db, jobId);
  const held = { strikes, heldElsewhere: heldElsewhere(db, jobId) };
  const evidence = evidenceOf(db, jobId, ['temporary repair', 'trip']);
  if (jobTimeLeft({ ...held, evidence }, today()).length === 0) return [];
  // Somewhere something holds for a while: only now is it asked what was renewed since.
  const signs = evidenceOf(db, jobId, ['sign']);
  const left = jobTimeLeft(
    { ...held, evidence: [...evidence, ...signs], mendedBefore: mendedBefore(db, jobId) },
    today(),
  );
  return left.map((each) => ({
    repair: each.repair,
    words: `${each.isOver ? 'Do not move it. ' : ''}Temporary ${timeLeftWords(each, system)}`,
  }));
}

function JobRow({ job, line, isStuck }: { job: YardJob; line: JobLine | undefined; isStuck: boolean }) {
  return (
    <li className={`flex items-center ${job.closed ? 'text-soft' : ''}`}>
      <Link
        href={`/jobs/${job.id}/answers`}
        className="grid min-h-[60px] min-w-0 flex-1 items-center gap-x-6 gap-y-1 px-2 py-2 hover:bg-well sm:grid-cols-[1.1fr_1fr_260px]"
      >
        <span>
          <span className="block text-xl font-semibold">{job.title}</span>
          <span className="caption">
            {job.purpose}, opened <When at={job.openedAt} only="day" /> by {job.openedBy}
            {job.closed && '; closed'}
          </span>
        </span>
        <span>
          {line && line.toAct.length > 0 && (
            <span className="block font-semibold text-oxide">
              {line.toAct.map(({ name, verdict }) => `${name} ${verdict}`).join(', ')}
            </span>
          )}
          <span className="caption">
            {line
              ? `${line.readings} readings, ${line.cracks === 1 ? '1 crack' : `${line.cracks} cracks`}`
              : isStuck
                ? 'could not be worked out: open it'
                : 'being worked out…'}
          </span>
        </span>
        <span className="font-medium sm:text-right">
          {job.closed ? 'Closed' : line ? nextWords(line.next) : 'Open it'} →
        </span>
      </Link>
      <ClosingButton jobId={job.id} title={job.title} closed={job.closed} by={job.openedBy} />
    </li>
  );
}

function Pages({ page, of, found, params }: { page: number; of: number; found: number; params: Params }) {
  if (of <= 1) return null;
  const here = Math.min(page, of);
  return (
    <nav className="flex items-center gap-3 pt-4" aria-label="Pages">
      {here > 1 && (
        <Link className="plain" href={addressOf(params, { page: String(here - 1) })}>
          Before
        </Link>
      )}
      <span>
        page {here} of {of}, {found} units
      </span>
      {here < of && (
        <Link className="plain" href={addressOf(params, { page: String(here + 1) })}>
          After
        </Link>
      )}
    </nav>
  );
}
