import { Link } from '@/app/_parts/link';
import { bookedLooks, database, plannedJobs, shopLists } from '@/data';
import { today } from '@/ui/controls/local-time';
import { AroundHead } from '../_parts/around-head';
import { chosenSystem } from '../_parts/units';
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
      <AroundHead title="Calendar" system={system}>
        <Link href="/shop" className="hit inline-flex items-center px-2 underline">
          People, bays, days
        </Link>
        <a href="/api/calendar" download className="plain">
          All of it, iCalendar
        </a>
      </AroundHead>
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
