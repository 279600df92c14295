'use client';

import { useMemo, useState } from 'react';
import { CASE_IDS, memberOf, type CaseId } from '@/core/frame';
import { printMass, type UnitSystem } from '@/core/quantity';
import type { JobDemand } from '@/core/job';
import type { FrameDemand } from '@/core/weigh';
import { FlexView, type FlexLayer } from '@/ui/skeleton';
import { Choice, Pick } from '@/ui/controls';
import { FELT_WORDS, feltFigure, problemWords, unsolvedWords } from '../../../../_words/demand';
import { printStation } from '../../../../_words/station';
import { useMember, usePlace, useReader, useRecords, useWork } from '../../../_desk';
import { SHOWN, STATE_INK, Used } from './demand-states';
import { Pads } from './demand-pads';
import { WhileCut } from './while-cut';

const EXAGGERATIONS = ['10', '30', '100'] as const;

/** The whole frame: where it is worst, how it bends, what the trade would feel of it, what stands on its wheels. */
export function FramePanel() {
  const { file } = useRecords();
  const { system } = useReader();
  const { demand } = useWork();
  const found = demand?.['as found'];
  if (!demand || !found || !file.frame.loads?.items.length) return null;
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
        <WorstMembers found={found} />
        <WhatIsFelt demand={demand} system={system} />
      </div>
      <Bent demand={demand} />
      <OnTheGround found={found} system={system} />
      <Pads demand={demand} system={system} />
      {found.unsolved
        .filter(({ why }) => why.kind !== 'not for this frame')
        .map(({ id, why }) => (
          <p key={id} className="caption">
            {id}: {unsolvedWords(why, system)}
          </p>
        ))}
      <WhileCut demand={demand} system={system} />
    </section>
  );
}

/** The five members used most, on the road. */
function WorstMembers({ found }: { found: FrameDemand }) {
  const { file } = useRecords();
  const { system } = useReader();
  const { selectMember, setCursor } = useMember();
  const { cursor } = usePlace();
  const worst = [...found.members]
    .filter((each) => each.worst)
    .sort((a, b) => b.worst!.utilisation - a.worst!.utilisation)
    .slice(0, 5);
  return (
    <div className="self-start overflow-x-auto">
      <table className="w-full letters-15" aria-label="Where the frame is worst">
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
    </div>
  );
}

/** What one would feel of the frame, state by state. */
function WhatIsFelt({ demand, system }: { demand: JobDemand; system: UnitSystem }) {
  const states = SHOWN.filter((state) => demand[state]);
  const found = demand['as found']!;
  return (
    <div className="self-start overflow-x-auto">
      <table className="w-full letters-15" aria-label="What is felt of it">
        <thead>
          <tr className="caption text-left">
            <th scope="col" className="font-normal">
              what one would feel
            </th>
            {states.map((state) => (
              <th key={state} scope="col" className="pl-5 text-right font-normal">
                {STATE_INK[state]![1]}
              </th>
            ))}
          </tr>
        </thead>
        <tbody className="ruled">
          {found.felt.map(({ id }) => (
            <tr key={id}>
              <th scope="row" className="py-1 text-left font-normal">
                {FELT_WORDS[id]}
              </th>
              {states.map((state) => {
                const felt = demand[state]!.felt.find((each) => each.id === id);
                return (
                  <td key={state} className="whitespace-nowrap pl-5 text-right">
                    {felt ? feltFigure(felt, system) : '–'}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** How a case bends the frame, drawn larger. */
function Bent({ demand }: { demand: JobDemand }) {
  const { member } = useMember();
  const [caseId, setCaseId] = useState<CaseId>('standing');
  const [exaggeration, setExaggeration] = useState<(typeof EXAGGERATIONS)[number]>('30');
  const layers = useMemo<FlexLayer[]>(
    () =>
      SHOWN.flatMap((state) => {
        const shapes = demand[state]?.shapes;
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
  const solved = demand['as found']!.shapes.cases;
  const cases = CASE_IDS.filter((id) => solved.some((each) => each.id === id));
  const chosen = cases.includes(caseId) ? caseId : cases[0];
  return (
    <>
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
    </>
  );
}

/** What stands on each axle and the coupler, against what they are rated for. */
function OnTheGround({ found, system }: { found: FrameDemand; system: UnitSystem }) {
  return (
    <div className="overflow-x-auto">
      <table className="mt-2 w-full max-w-xl letters-15" aria-label="Standing on the ground">
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
    </div>
  );
}
