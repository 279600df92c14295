'use client';

import { Link } from '@/app/_parts/link';
import { printStress, type UnitSystem } from '@/core/quantity';
import { nearest, plateEnd, type FatigueSpot } from '@/core/weigh';
import { jackedWords, plateEndWords } from '../../../../_words/demand';
import type { JobDemand } from '@/core/job';
import { printStation } from '../../../../_words/station';
import { useMember, usePlace, useReader, useRecords, useWork } from '../../../_desk';
import { DemandChart } from './demand-chart';
import { of, SHOWN, STATE_INK, Used } from './demand-states';

/** What the frame asks of the member in sight: along it, at the cursor, and where the frame is worst. */
export function DemandPanel() {
  const { file } = useRecords();
  const { system } = useReader();
  const { member } = useMember();
  const { cursor } = usePlace();
  const { demand } = useWork();
  const found = demand && of(demand, 'as found', member.id);
  const repaired = demand
    ? (of(demand, 'as repaired', member.id)?.spots ?? []).filter((spot) => spot.atPlateEnd)
    : [];
  if (!demand)
    return (
      <p className="mt-5 caption" role="status">
        What the frame asks is being worked out.
      </p>
    );
  if (!file.frame.loads?.items.length)
    return <NoLoads href={`/jobs/${file.job.id}/frame?member=${member.id}`} />;
  return (
    <section aria-label="Demand" className="mt-5 border-t border-rule pt-2">
      <h2 className="text-lg font-semibold">What the frame asks of {member.name.toLowerCase()}</h2>
      {found?.along.length ? (
        <>
          <DemandChart demand={demand} memberId={member.id} system={system} cursorMm={cursor.stationMm} />
          <AtCursor demand={demand} memberId={member.id} cursorMm={cursor.stationMm} system={system} />
        </>
      ) : (
        <p>This member takes no part as a beam: it stiffens the one it stands in.</p>
      )}
      {found && found.spots.length > 0 && (
        <Spots spots={found.spots} system={system} title="Where cracks would start" />
      )}
      {repaired.length > 0 && (
        <Spots
          spots={repaired}
          system={system}
          title="Once repaired, at the plates’ ends"
          judged={(spot) => plateEndWords(plateEnd(spot, of(demand, 'as built', member.id)))}
        />
      )}
      <p className="caption pt-1">
        Beam stresses are nominal: at brackets and joints shell models showed 1.4 to 1.7 times as much.{' '}
        {file.frame.family === 'unibody'
          ? 'A unibody is modelled as a few closed sections without floor and roof: read where force goes, not how much.'
          : ''}
      </p>
    </section>
  );
}

const NoLoads = ({ href }: { href: string }) => (
  <section aria-label="Demand" className="mt-5 border-t border-rule pt-2">
    <h2 className="text-lg font-semibold">What the frame asks</h2>
    <p>
      No loads are recorded: only the frame’s own weight is on it.{' '}
      <Link className="hit inline-flex items-center underline" href={href}>
        Say what it carries, in Frame
      </Link>
    </p>
  </section>
);

function AtCursor({
  demand,
  memberId,
  cursorMm,
  system,
}: {
  demand: JobDemand;
  memberId: string;
  cursorMm: number;
  system: UnitSystem;
}) {
  const rows = SHOWN.flatMap((state) => {
    const along = of(demand, state, memberId)?.along;
    return along?.length ? [{ state, here: nearest(along, cursorMm) }] : [];
  });
  const repaired = rows.find(({ state }) => state === 'as repaired');
  const lockedIn = repaired?.here.lockedIn;
  const lost =
    of(demand, 'as found', memberId)?.notHeldBy ?? of(demand, 'as repaired', memberId)?.notHeldBy ?? [];
  return (
    <div className="overflow-x-auto">
      <table className="w-full min-w-[520px] letters-15" aria-label="Demand at the cursor">
        <thead>
          <tr className="caption text-left">
            {['at the cursor', 'used', 'stress', 'may carry', 'worst in', 'held by'].map((head) => (
              <th key={head} scope="col" className="font-normal">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody className="ruled">
          {rows.map(({ state, here }) => (
            <tr key={state}>
              <th scope="row" className="text-left font-normal">
                {STATE_INK[state]?.[1] ?? state}
              </th>
              <Used here={here} />
              <td>
                {printStress(Math.abs(here.stressMpa), system)}
                {Math.abs(here.warpingMpa) > 0.3 * Math.abs(here.stressMpa) ? ', mostly warping' : ''}
              </td>
              <td>{printStress(here.allowableMpa, system)}</td>
              <td>{here.caseId}</td>
              <td>{here.why}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {lost.length > 0 && (
        <p>
          Where it is worst, {lost.join(' and ').toLowerCase()} should hold it sideways and was found bad:
          that is in these figures until it is renewed.
        </p>
      )}
      {lockedIn !== undefined && <p>{jackedWords(repaired!.here.utilisation, lockedIn)}</p>}
    </div>
  );
}

/** Lives as bands: a figure here is never sharper than a factor of two or three. */
function lifeBand(cycles: number): string {
  if (cycles === Infinity) return 'under the threshold';
  if (cycles > 1e7) return 'over ten million';
  return cycles > 2e6 ? 'some millions' : cycles > 5e5 ? 'about a million' : 'some hundred thousand or fewer';
}

function Spots({
  spots,
  system,
  title,
  judged,
}: {
  spots: readonly FatigueSpot[];
  system: UnitSystem;
  title: string;
  /** What is said of each, where anything is. */
  judged?: (spot: FatigueSpot) => string;
}) {
  const { member } = useMember();
  return (
    <details className="mt-1">
      <summary className="hit flex items-center font-semibold">
        {title}: {spots[0]!.what}, {lifeBand(spots[0]!.cycles)}
        {spots[0]!.cycles === Infinity ? '' : ' of half-g swings'}
      </summary>
      <div className="overflow-x-auto">
        <table className="w-full min-w-[480px] letters-15">
          <thead>
            <tr className="caption text-left">
              {[
                'place',
                'station',
                'category',
                'swing of stress',
                'swings to a crack',
                ...(judged ? ['as an end'] : []),
              ].map((head) => (
                <th key={head} scope="col" className="font-normal">
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody className="ruled">
            {spots.slice(0, 8).map((spot) => (
              <tr key={`${spot.what}-${spot.stationMm}`}>
                <td>{spot.what}</td>
                <td>{printStation(member, spot.stationMm, system)}</td>
                <td>{spot.category}</td>
                <td>{printStress(spot.rangeMpa, system)}</td>
                <td>{lifeBand(spot.cycles)}</td>
                {judged && <td>{judged(spot)}</td>}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </details>
  );
}
