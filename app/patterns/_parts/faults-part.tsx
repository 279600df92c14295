import { Link } from '@/app/_parts/link';
import { placeKey, type Fault } from '@/core/patterns';
import { callInWords, failedWords, faultCountWords, placeWords } from '../../_words/patterns';

/** Where frames failed here, by family; which other units are like them, and nobody looked there. */
export function FaultsPart({ faults }: { faults: readonly Fault[] }) {
  const families = [...new Set(faults.map(({ family }) => family))];
  return (
    <section aria-label="Where frames failed" className="mt-8">
      <h2 className="text-2xl font-semibold">Where frames failed</h2>
      <p className="max-w-prose">
        Every place that was soft, cracked, through or hid something, told by what stands near it. It is said
        on the Round of the next unit of the family. Few units say little: the count stands beside each, and
        what only one unit had stands behind a touch.
      </p>
      {faults.length === 0 && <p className="pt-4 text-xl">Nothing bad is on record yet.</p>}
      {families.map((family) => (
        <div key={family} className="mt-4">
          <h3 className="border-b border-ink text-lg font-semibold">{family}</h3>
          <Family faults={faults.filter((fault) => fault.family === family)} />
        </div>
      ))}
    </section>
  );
}

/** What failed on one unit only is one unit's own until another has it too: it stands behind a touch. */
function Family({ faults }: { faults: readonly Fault[] }) {
  const [often, once] = [
    faults.filter(({ failed }) => failed.length > 1),
    faults.filter(({ failed }) => failed.length === 1),
  ];
  return (
    <>
      <FaultList faults={often} />
      {once.length > 0 && (
        <details>
          <summary className="flex min-h-11 cursor-pointer items-center">
            On one unit so far: {once.length} {once.length === 1 ? 'place' : 'places'}
          </summary>
          <FaultList faults={once} />
        </details>
      )}
    </>
  );
}

const FaultList = ({ faults }: { faults: readonly Fault[] }) => (
  <ul className="ruled">
    {faults.map((fault) => (
      <li key={placeKey(fault.place)} className="py-1.5">
        <span className="font-semibold">{placeWords(fault.place)}</span>: {faultCountWords(fault)}
        <ul className="flex flex-wrap gap-x-4">
          {fault.failed.map((unit) => (
            <li key={unit.unitId}>
              <Link className="hit inline-flex items-center underline" href={`/jobs/${unit.jobId}/walk`}>
                {failedWords(unit)}
              </Link>
            </li>
          ))}
        </ul>
        {fault.toCallIn.length > 0 && (
          <p>
            <span className="font-semibold">To call in, never looked at there:</span>{' '}
            {fault.toCallIn.map(callInWords).join('; ')}
          </p>
        )}
      </li>
    ))}
  </ul>
);
