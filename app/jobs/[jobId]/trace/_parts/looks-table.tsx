'use client';

import { useState } from 'react';
import { printDistance, printLength, type UnitSystem } from '@/core/quantity';
import { stands } from '@/core/job';
import { crackLengthMm, runOn, type Crack, type CrackLook, type Trip } from '@/core/trace';
import { When } from '@/ui/controls';
import { StrikeSheet, useMember, useReader, useRecords } from '../../../_desk';
import { flagsOf } from './look-form';

type Used = Pick<Crack, 'usedKm' | 'usedHours' | 'at'>;
/** Odometer or hours as noted, else how far trips had taken it by then. */
function usedWords({ usedKm, usedHours, at }: Used, trips: readonly Trip[], system: UnitSystem): string {
  if (usedKm !== undefined) return printDistance(usedKm, system, 7);
  if (usedHours !== undefined) return `${Math.round(usedHours)} h`;
  const km = trips.filter((trip) => trip.at <= at).reduce((sum, trip) => sum + trip.km, 0);
  return km > 0 ? `${printDistance(km, system, 7)} of trips` : '';
}

/** Every look at a crack, its first record on top. */
export function LooksTable({ crack, looks }: { crack: Crack; looks: readonly CrackLook[] }) {
  const { file } = useRecords();
  const { system } = useReader();
  const { member } = useMember();
  const [striking, setStriking] = useState<CrackLook>();
  const struck = new Map(file.strikes.map((strike) => [strike.evidenceId, strike]));
  const trips = stands(file, 'trip');
  const standing = looks.filter(({ id }) => !struck.has(id));
  const length = (look: Pick<CrackLook, 'startMm' | 'finishMm'>) =>
    printLength(crackLengthMm(member.shape, runOn(member, crack.path, look)), system, 'length');
  return (
    <>
      <div className="overflow-x-auto">
        <table
          className="ruled w-full letters-16 [&_td]:py-1 [&_td]:pr-3 [&_th]:pr-3"
          aria-label="Looks at this crack"
        >
          <LooksHead />
          <tbody>
            <FirstSeen
              crack={crack}
              length={length({ startMm: 0, finishMm: 0 })}
              done={usedWords(crack, trips, system)}
            />
            {looks.map((look) => (
              <LookRow
                key={look.id}
                look={look}
                isStruck={struck.has(look.id)}
                length={length}
                done={usedWords(look, trips, system)}
                flags={flagsOf(member, crack, standing, look)}
                onStrike={() => setStriking(look)}
              />
            ))}
          </tbody>
        </table>
      </div>
      <StrikeSheet
        struck={striking && { id: striking.id, words: `The look of ${striking.at.slice(0, 10)}` }}
        onClose={() => setStriking(undefined)}
      />
    </>
  );
}

const LooksHead = () => (
  <thead>
    <tr className="caption text-left">
      <th scope="col">when</th>
      <th scope="col">length</th>
      <th scope="col">done by then</th>
      <th scope="col">gap off, on</th>
      <th scope="col">how</th>
      <th scope="col">
        <span className="sr-only">strike</span>
      </th>
    </tr>
  </thead>
);

/** The crack as it was recorded first. */
const FirstSeen = ({ crack, length, done }: { crack: Crack; length: string; done: string }) => (
  <tr>
    <td className="whitespace-nowrap">
      <When at={crack.at} only="day" />
    </td>
    <td className="whitespace-nowrap font-semibold">{length}</td>
    <td>{done}</td>
    <td />
    <td className="caption">
      {crack.seenBy}; {crack.by}
    </td>
    <td />
  </tr>
);

function LookRow({
  look,
  isStruck,
  length,
  done,
  flags,
  onStrike,
}: {
  look: CrackLook;
  isStruck: boolean;
  length: (look: CrackLook) => string;
  done: string;
  flags: readonly string[];
  onStrike: () => void;
}) {
  const { system } = useReader();
  const gap = (mm: number | undefined) => (mm === undefined ? '' : printLength(mm, system, 'thickness'));
  return (
    <tr className={isStruck ? 'text-soft line-through' : ''}>
      <td className="whitespace-nowrap">
        <When at={look.at} only="day" />
      </td>
      <td className="whitespace-nowrap font-semibold">
        {look.gapOnly ? <span className="caption">not read</span> : length(look)}
      </td>
      <td>{done}</td>
      <td>
        {[gap(look.gapUnloadedMm), gap(look.gapLoadedMm)].filter(Boolean).join(', ')}
        {look.loadedBy && <span className="caption"> {look.loadedBy}</span>}
      </td>
      <td className="caption">
        {look.seenBy}; {look.by}
        {look.note && `; ${look.note}`}
        {!isStruck &&
          flags.map((words) => (
            <span key={words} className="block font-semibold text-oxide">
              {words}
            </span>
          ))}
      </td>
      <td>
        {!isStruck && (
          <button type="button" className="hit px-2 underline" onClick={onStrike}>
            strike
          </button>
        )}
      </td>
    </tr>
  );
}
