'use client';

import { useCallback, useMemo, useState } from 'react';
import Link from 'next/link';
import type { Data, Layout } from 'plotly.js';
import { CASE_IDS, memberOf, startsAtMm, type CaseId } from '@/core/frame';
import type { JobDemand } from '@/core/job';
import {
  ksiToMpa,
  mmToInches,
  percent,
  printForce,
  printLength,
  printMass,
  printStress,
  type UnitSystem,
} from '@/core/quantity';
import { nearest, type FatigueSpot, type MemberDemand, type StationDemand } from '@/core/weigh';
import { STATE_IDS, type StateId } from '@/core/shape';
import { Plot, type Ink } from '@/ui/charts';
import { FlexView, type FlexLayer } from '@/ui/skeleton';
import { Choice, Pick } from '@/ui/controls';
import { CAUTIONS } from '../../../../_words/cautions';
import { FELT_WORDS, problemWords, unsolvedWords, usedWords } from '../../../../_words/demand';
import { useMember, usePlace, useReader, useRecords, useWork } from '../../../_desk';
import { printStation } from '../../../../_words/station';

const SHOWN: readonly StateId[] = ['as built', 'as found', 'as repaired'];
const STATE_INK: Readonly<Record<string, readonly [keyof Ink, string]>> = {
  'as built': ['ink', 'built'],
  'as found': ['oxide', 'found'],
  'as repaired': ['slate', 'repaired'],
};

const of = (demand: JobDemand, state: StateId, memberId: string): MemberDemand | undefined =>
  demand[state]?.members.find((each) => each.memberId === memberId);

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
  if (!file.frame.loads?.items.length) {
    return (
      <section aria-label="Demand" className="mt-5 border-t border-rule pt-2">
        <h2 className="text-lg font-semibold">What the frame asks</h2>
        <p>
          No loads are recorded: only the frame’s own weight is on it.{' '}
          <Link
            className="hit inline-flex items-center underline"
            href={`/jobs/${file.job.id}/frame?member=${member.id}`}
          >
            Say what it carries, in Frame
          </Link>
        </p>
      </section>
    );
  }
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
        <Spots spots={repaired} system={system} title="Once repaired, at the plates’ ends" />
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

const DRAWN = ['share', 'stress'] as const;
const DRAWN_WORDS: Readonly<Record<(typeof DRAWN)[number], string>> = {
  share: 'as a share',
  stress: 'as stress',
};

function DemandChart({
  demand,
  memberId,
  system,
  cursorMm,
}: {
  demand: JobDemand;
  memberId: string;
  system: UnitSystem;
  cursorMm: number;
}) {
  const [drawn, setDrawn] = useState<(typeof DRAWN)[number]>('share');
  const { member } = useMember();
  const at = useCallback(
    (ownMm: number) => {
      const mm = startsAtMm(member) + ownMm;
      return system === 'in' ? mmToInches(mm) : mm;
    },
    [member, system],
  );
  const lines = useMemo(
    () =>
      SHOWN.flatMap((state) => {
        const along = of(demand, state, memberId)?.along;
        return along?.length ? [{ state, along }] : [];
      }),
    [demand, memberId],
  );
  const inUnit = useCallback((mpa: number) => (system === 'in' ? mpa / ksiToMpa(1) : mpa), [system]);
  const data = useCallback(
    (ink: Ink): Data[] => [
      ...(drawn === 'stress' ? lines.filter(({ state }) => state === 'as found') : []).map(
        ({ along }) =>
          ({
            x: along.map((each) => at(each.stationMm)),
            y: along.map((each) => inUnit(each.allowableMpa)),
            type: 'scatter',
            mode: 'lines',
            name: 'may carry, found',
            line: { color: ink.ink, width: 2, shape: 'hvh' },
            fill: 'tozeroy',
            fillcolor: ink.rule,
          }) satisfies Data,
      ),
      ...lines.map(
        ({ state, along }) =>
          ({
            x: along.map((each) => at(each.stationMm)),
            y: along.map((each) =>
              drawn === 'share' ? Math.min(each.utilisation, 3) * 100 : inUnit(Math.abs(each.stressMpa)),
            ),
            type: 'scatter',
            mode: 'lines',
            name: STATE_INK[state]![1],
            line: {
              color: ink[STATE_INK[state]![0]],
              width: state === 'as found' ? 3 : 2,
              dash: state === 'as repaired' ? 'dash' : state === 'as built' ? 'dot' : 'solid',
              shape: 'hvh',
            },
            text: along.map((each) => `${each.caseId}, ${each.why}`),
            hovertemplate: `%{y:.0f} ${drawn === 'share' ? '%' : system === 'in' ? 'ksi' : 'MPa'}<br>%{text}<extra>%{fullData.name}</extra>`,
          }) satisfies Data,
      ),
    ],
    [lines, at, drawn, inUnit, system],
  );
  const layout = useCallback(
    (ink: Ink): Partial<Layout> => ({
      xaxis: {
        title: { text: `station, ${system}` },
        gridcolor: ink.rule,
        zeroline: false,
        fixedrange: true,
      },
      yaxis: {
        title: {
          text: drawn === 'share' ? 'of allowable, %' : system === 'in' ? 'stress, ksi' : 'stress, MPa',
        },
        ...(drawn === 'share' && {
          range: [
            0,
            Math.min(
              300,
              Math.max(110, ...lines.flatMap(({ along }) => along.map((each) => each.utilisation * 105))),
            ),
          ],
        }),
        gridcolor: ink.rule,
        rangemode: 'tozero',
        zeroline: false,
        fixedrange: true,
      },
      shapes: [
        ...(drawn === 'share'
          ? [
              {
                type: 'line' as const,
                xref: 'paper' as const,
                x0: 0,
                x1: 1,
                y0: 100,
                y1: 100,
                line: { color: ink.ink, width: 2 },
              },
            ]
          : []),
        {
          type: 'line',
          x0: at(cursorMm),
          x1: at(cursorMm),
          yref: 'paper',
          y0: 0,
          y1: 1,
          line: { color: ink.here, width: 3 },
        },
      ],
      annotations: [
        ...(drawn === 'share'
          ? [
              {
                xref: 'paper' as const,
                x: 0.005,
                xanchor: 'left' as const,
                y: 100,
                yanchor: 'bottom' as const,
                text: 'all it may carry',
                showarrow: false,
                font: { color: ink.ink },
              },
            ]
          : []),
        {
          xref: 'paper',
          x: 0,
          xanchor: 'left',
          yref: 'paper',
          y: 1,
          yanchor: 'bottom',
          text:
            lines
              .map(({ state }) =>
                state === 'as found'
                  ? '<b>— found</b>'
                  : state === 'as built'
                    ? '<b>··· built</b>'
                    : '<b>- - repaired</b>',
              )
              .join('   ') + (drawn === 'stress' ? '   shaded: may carry, found' : ''),
          showarrow: false,
          font: { color: ink.ink },
        },
      ],
    }),
    [system, at, cursorMm, lines, drawn],
  );
  return (
    <>
      <div className="flex justify-end">
        <Choice
          label="Demand drawn"
          value={drawn}
          options={DRAWN}
          onChange={setDrawn}
          words={(id) => DRAWN_WORDS[id]}
        />
      </div>
      <Plot
        data={data}
        layout={layout}
        height={250}
        label={
          drawn === 'share'
            ? 'Demand along the member as a share of what it may carry: as built, as found, as repaired'
            : 'Stress along the member against what it may carry: as built, as found, as repaired'
        }
      />
    </>
  );
}

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
  const rows = STATE_IDS.flatMap((state) => {
    const along = of(demand, state, memberId)?.along;
    return along?.length ? [{ state, here: nearest(along, cursorMm) }] : [];
  });
  return (
    <div className="overflow-x-auto">
      <table className="w-full min-w-[520px] text-[15px]" aria-label="Demand at the cursor">
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
    </div>
  );
}

const Used = ({ here }: { here: StationDemand }) => (
  <td className={`whitespace-nowrap pr-3 font-semibold ${here.utilisation > 1 ? 'text-oxide' : ''}`}>
    {usedWords(here.utilisation)}
  </td>
);

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
}: {
  spots: readonly FatigueSpot[];
  system: UnitSystem;
  title: string;
}) {
  const { member } = useMember();
  return (
    <details className="mt-1">
      <summary className="hit flex items-center font-semibold">
        {title}: {spots[0]!.what}, {lifeBand(spots[0]!.cycles)}
        {spots[0]!.cycles === Infinity ? '' : ' of half-g swings'}
      </summary>
      <div className="overflow-x-auto">
        <table className="w-full min-w-[480px] text-[15px]">
          <thead>
            <tr className="caption text-left">
              {['place', 'station', 'category', 'swing of stress', 'swings to a crack'].map((head) => (
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
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </details>
  );
}

const EXAGGERATIONS = ['10', '30', '100'] as const;

/** The whole frame: where it is worst, how it bends, what the trade would feel of it, what stands on its wheels. */
export function FramePanel() {
  const { file } = useRecords();
  const { system } = useReader();
  const { member, selectMember, setCursor } = useMember();
  const { cursor } = usePlace();
  const { demand } = useWork();
  const [caseId, setCaseId] = useState<CaseId>('standing');
  const [exaggeration, setExaggeration] = useState<(typeof EXAGGERATIONS)[number]>('30');
  const found = demand?.['as found'];
  const layers = useMemo<FlexLayer[]>(
    () =>
      SHOWN.flatMap((state) => {
        const shapes = demand?.[state]?.shapes;
        return shapes
          ? [
              {
                name: STATE_INK[state]![1],
                ink: `var(--${STATE_INK[state]![0]})`,
                dashed: state !== 'as found',
                shapes,
              },
            ]
          : [];
      }),
    [demand],
  );
  if (!demand || !found || !file.frame.loads?.items.length) return null;
  const cases = CASE_IDS.filter((id) => found.shapes.cases.some((each) => each.id === id));
  const chosen = cases.includes(caseId) ? caseId : cases[0];
  const worst = [...found.members]
    .filter((each) => each.worst)
    .sort((a, b) => b.worst!.utilisation - a.worst!.utilisation)
    .slice(0, 5);
  return (
    <section aria-label="The whole frame" className="mt-5 border-t border-rule pt-2">
      <h2 className="text-lg font-semibold">The whole frame</h2>
      {found.problems.map((problem) => (
        <p
          key={`${problem.code}-${problem.memberId}-${problem.atMm}`}
          role="alert"
          className="border-l-[6px] border-oxide pl-3"
        >
          {problemWords(
            problem,
            memberOf(file.frame, problem.memberId) ?? { name: problem.memberId },
            system,
          )}
        </p>
      ))}
      <div className="grid gap-x-6 lg:grid-cols-2">
        <table className="w-full self-start text-[15px]" aria-label="Where the frame is worst">
          <thead>
            <tr className="caption text-left">
              <th scope="col" className="font-normal">
                worst, as found
              </th>
              <th scope="col" className="font-normal">
                used
              </th>
              <th scope="col" className="font-normal">
                in
              </th>
            </tr>
          </thead>
          <tbody className="ruled">
            {worst.map(({ memberId, worst: here }) => (
              <tr key={memberId}>
                <td className="pr-3">
                  <button
                    type="button"
                    className="hit text-left underline"
                    onClick={() => {
                      selectMember(memberId);
                      setCursor({ ...cursor, stationMm: here!.stationMm });
                    }}
                  >
                    {memberOf(file.frame, memberId)!.name},{' '}
                    {printStation(memberOf(file.frame, memberId)!, here!.stationMm, system)}
                  </button>
                </td>
                <Used here={here!} />
                <td>{here!.caseId}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <table className="w-full self-start text-[15px]" aria-label="What is felt of it">
          <thead>
            <tr className="caption text-left">
              <th scope="col" className="font-normal">
                what one would feel
              </th>
              {SHOWN.filter((state) => demand[state]).map((state) => (
                <th key={state} scope="col" className="pl-5 text-right font-normal">
                  {STATE_INK[state]![1]}
                </th>
              ))}
            </tr>
          </thead>
          <tbody className="ruled">
            {found.felt.map(({ id, quantity }) => (
              <tr key={id}>
                <th scope="row" className="py-1 text-left font-normal">
                  {FELT_WORDS[id]}
                </th>
                {SHOWN.filter((state) => demand[state]).map((state) => {
                  const felt = demand[state]!.felt.find((each) => each.id === id);
                  return (
                    <td key={state} className="whitespace-nowrap pl-5 text-right">
                      {felt
                        ? quantity === 'angle'
                          ? `${((felt.value * 180) / Math.PI).toFixed(1)}°`
                          : printLength(felt.value, system, felt.value > 25.4 ? 'length' : 'thickness')
                        : '–'}
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <div className="mt-3 flex flex-wrap items-end gap-3">
        {chosen && <Pick label="Load case" value={chosen} options={cases} onPick={setCaseId} />}
        <Choice
          label="Movements drawn larger"
          value={exaggeration}
          options={EXAGGERATIONS}
          onChange={setExaggeration}
          words={(times) => `×${times}`}
        />
        <p className="caption pb-3">
          <b className="text-oxide">— found</b>
          {demand['as built'] && <b className="text-ink"> ··· built</b>}
          {demand['as repaired'] && <b className="text-slate"> - - repaired</b>}
        </p>
      </div>
      {chosen && (
        <FlexView
          layers={layers}
          caseId={chosen}
          exaggeration={Number(exaggeration)}
          selected={member.id}
          label={`The frame bent: ${chosen}, movements ${exaggeration} times as large`}
        />
      )}
      <table className="mt-2 w-full max-w-xl text-[15px]" aria-label="Standing on the ground">
        <thead>
          <tr className="caption text-left">
            <th scope="col" className="font-normal">
              standing, worked out
            </th>
            <th scope="col" className="font-normal">
              left
            </th>
            <th scope="col" className="font-normal">
              right
            </th>
            <th scope="col" className="font-normal">
              rated
            </th>
          </tr>
        </thead>
        <tbody className="ruled">
          {[...new Set(found.wheels.map((wheel) => wheel.axleId))].map((id) => {
            const [left, right] = (['left', 'right'] as const).map((side) =>
              found.wheels.find((wheel) => wheel.axleId === id && wheel.side === side),
            );
            const rating = left?.ratingKg === undefined ? undefined : 2 * left.ratingKg;
            const over = rating !== undefined && (left?.loadKg ?? 0) + (right?.loadKg ?? 0) > rating;
            return (
              <tr key={id}>
                <th scope="row" className="text-left font-normal">
                  {left?.axleName ?? right?.axleName}
                </th>
                <td>{left ? printMass(left.loadKg, system) : ''}</td>
                <td>{right ? printMass(right.loadKg, system) : ''}</td>
                <td className={over ? 'font-bold text-oxide' : ''}>
                  {rating === undefined ? '–' : `${printMass(rating, system)}${over ? ': over' : ''}`}
                </td>
              </tr>
            );
          })}
          {found.couplerKg !== undefined && (
            <tr>
              <th scope="row" className="text-left font-normal">
                Coupler or pin
              </th>
              <td colSpan={3}>{printMass(found.couplerKg, system)}</td>
            </tr>
          )}
        </tbody>
      </table>
      <Pads demand={demand} system={system} />
      {found.unsolved
        .filter(({ why }) => why.kind !== 'not for this frame')
        .map(({ id, why }) => (
          <p key={id} className="caption">
            {id}: {unsolvedWords(why, system)}
          </p>
        ))}
    </section>
  );
}

function Pads({ demand, system }: { demand: JobDemand; system: UnitSystem }) {
  const { file } = useRecords();
  const raised = (demand['as found']?.members ?? [])
    .filter((each) => each.lifted)
    .sort((a, b) => b.lifted!.utilisation - a.lifted!.utilisation)[0];
  const pads = (demand['as found']?.members ?? []).flatMap(({ memberId, pads: own }) =>
    own.map((pad) => ({ ...pad, member: memberOf(file.frame, memberId)! })),
  );
  if (pads.length === 0) return null;
  return (
    <details className="mt-1">
      <summary className="hit flex items-center font-semibold">
        On a lift or a jack: webs at the pads{' '}
        {percent(Math.max(...pads.map((pad) => pad.upN / pad.capacityN)))}
        {raised &&
          `, ${memberOf(file.frame, raised.memberId)!.name.toLowerCase()} ${usedWords(raised.lifted!.utilisation)} ${raised.lifted!.caseId}`}
      </summary>
      <table className="w-full max-w-xl text-[15px]">
        <thead>
          <tr className="caption text-left">
            {['case', 'under', 'station', 'carries', 'web takes'].map((head) => (
              <th key={head} scope="col" className="font-normal">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody className="ruled">
          {pads.map((pad) => (
            <tr key={`${pad.caseId}-${pad.member.id}-${pad.stationMm}`}>
              <td>{pad.caseId}</td>
              <td>{pad.member.name}</td>
              <td>{printStation(pad.member, pad.stationMm, system)}</td>
              <td className={pad.upN > pad.capacityN ? 'font-bold text-oxide' : ''}>
                {printForce(pad.upN, system)}
              </td>
              <td>{printForce(pad.capacityN, system)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="caution mt-1">{CAUTIONS.lift}</p>
    </details>
  );
}
