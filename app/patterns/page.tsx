import {
  asBuiltFor,
  database,
  listedPatterns,
  noting,
  patternsOf,
  shopFaults,
  shopHours,
  shopPractice,
} from '@/data';
import { AroundHead } from '../_parts/around-head';
import { chosenSystem } from '../_parts/units';
import { AsBuiltPart } from './_parts/as-built-part';
import { FaultsPart } from './_parts/faults-part';
import { HoursPart } from './_parts/hours-part';
import { PatternRow } from './_parts/pattern-row';

export const metadata = { title: 'Patterns' };
export const dynamic = 'force-dynamic';

/** What the shop learned: its own repairs to make again, and how they held. */
export default async function Patterns() {
  const system = await chosenSystem();
  const db = database();
  const unreadable = noting();
  const listed = listedPatterns(db, patternsOf(db, unreadable.of('pattern')));
  const { part: practice, revision } = shopPractice(db);
  return (
    <main id="main" className="mx-auto max-w-[1240px] px-5 pb-16">
      <AroundHead title="Patterns" system={system} />
      {unreadable.list.length > 0 && (
        <p role="alert" className="my-3 border-l-[6px] border-oxide pl-3 font-semibold">
          {unreadable.list.length} patterns cannot be read; the others are shown as they are.
        </p>
      )}
      <section aria-label="Repairs to make again" className="mt-3">
        <h2 className="text-2xl font-semibold">Repairs to make again</h2>
        <p className="max-w-prose">
          A repair that somebody kept as the shop’s own. Shape offers it on frames of the same family and
          section, laid by their own brackets, on either side; every rule is asked again there.
        </p>
        {listed.length === 0 ? (
          <p className="pt-4 text-xl">
            None yet. In Shape, a repair that is kept and breaks no rule can be kept as a pattern.
          </p>
        ) : (
          listed.map((each) => (
            <PatternRow key={each.pattern.id} listed={each} practice={practice} system={system} />
          ))
        )}
      </section>
      <FaultsPart faults={shopFaults(db)} />
      <AsBuiltPart pictures={asBuiltFor(db)} />
      <HoursPart seen={shopHours(db)} shop={{ practice, revision }} />
    </main>
  );
}
