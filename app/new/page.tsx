import { Link } from '@/app/_parts/link';
import { allUnits, database, noticesOf, startingFrames } from '@/data';
import { ThemeSwitch } from '../_parts/switches';
import { chosenSystem } from '../_parts/units';
import { KeepingLight } from '../_outbox/keeping-light';
import { NewJobForm } from './_parts/new-job-form';

export const metadata = { title: 'Open a job' };
export const dynamic = 'force-dynamic';

export default async function NewJob({ searchParams }: { searchParams: Promise<{ unit?: string }> }) {
  const db = database();
  const units = allUnits(db);
  const unitId = (await searchParams).unit;
  const unit = units.find((each) => each.id === unitId);
  return (
    <main id="main" className="mx-auto max-w-[1100px] px-5 pb-16">
      <header className="flex items-end justify-between border-b-2 border-ink pb-3 pt-5">
        <div>
          <Link href="/" className="font-bold underline">
            Yard
          </Link>
          <h1 className="text-4xl font-bold">Open a job{unit && ` on ${unit.tag}`}</h1>
        </div>
        <span className="flex items-center">
          <ThemeSwitch />
          <KeepingLight system={await chosenSystem()} quiet />
        </span>
      </header>
      {unit &&
        noticesOf(db, unit.id).map((notice) => (
          <p key={notice.id} className="mt-2 border-l-[6px] border-here pl-3 text-lg font-semibold">
            {notice.words}
          </p>
        ))}
      <NewJobForm
        unit={unit}
        tags={units.map((each) => each.tag)}
        startings={startingFrames(db).map(({ id, name, frame }) => ({ id, name, frame }))}
        initialSystem={await chosenSystem()}
      />
    </main>
  );
}
