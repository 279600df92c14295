import Link from 'next/link';
import { bookedLooks, database, plannedJobs, shopLists } from '@/data';
import { today } from '@/ui/controls/local-time';
import { ThemeSwitch } from '../_parts/switches';
import { chosenSystem } from '../_parts/units';
import { UnitsHere } from '../_parts/units-here';
import { CalendarBench } from './_parts/calendar-bench';
import { Booked } from './_parts/waiting';

export const metadata = { title: 'Calendar' };
export const dynamic = 'force-dynamic';

/** All jobs of the shop in its bays and days, and those that wait. */
export default async function Calendar() {
  const system = await chosenSystem();
  const db = database();
  const lists = shopLists(db).part;
  return (
    <main id="main" className="mx-auto max-w-[1240px] px-5 pb-16">
      <header className="flex flex-wrap items-end justify-between gap-x-6 gap-y-2 border-b-2 border-ink pb-3 pt-5">
        <div>
          <p className="text-lg font-bold tracking-tight">
            <Link href="/" className="underline">
              Yard
            </Link>
          </p>
          <h1 className="text-4xl font-bold">Calendar</h1>
        </div>
        <nav className="flex flex-wrap items-center gap-2" aria-label="Calendar">
          <Link href="/shop" className="hit inline-flex items-center px-2 underline">
            People, bays, days
          </Link>
          <a href="/api/calendar" download className="plain">
            All of it, iCalendar
          </a>
          <UnitsHere system={system} />
          <ThemeSwitch />
        </nav>
      </header>
      <CalendarBench
        jobs={plannedJobs(db, today())}
        people={lists.people}
        bays={lists.bays}
        week={lists.week}
        system={system}
      />
      <Booked looks={bookedLooks(db)} today={today()} />
    </main>
  );
}
