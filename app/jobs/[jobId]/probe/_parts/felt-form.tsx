'use client';

import { recorded } from '@/core/job';
import { useState } from 'react';
import { facesOf, type FaceId } from '@/core/frame';
import { feltEdgeKind, type FeltEdge } from '@/core/probe';
import { lengthDigits, parseLengthMm, printLength } from '@/core/quantity';
import { Entry, Pick, When } from '@/ui/controls';
import { faceWords } from '@/ui/strip';
import { StrikeSheet, useMember, usePlace, useReader, useRecords } from '../../../_desk';
import { newId } from '../../../../_client';
import { printStation, stationDigits, parseStationMm } from '../../../../_words/station';
import { useUnitTurn, eachText } from '../../../../_parts/turned';

/** The edge as a finger found it: a bracket of its own beside the gauge's. */
export function FeltForm() {
  const { file, keep } = useRecords();
  const { system, by } = useReader();
  const { member } = useMember();
  const { cursor } = usePlace();
  const uprights = facesOf(member.shape).filter((face) => face.upright);
  const [face, setFace] = useState<FaceId>(uprights[0]?.id ?? 'web');
  const [typed, setTyped] = useState<{ station?: string; lower: string; upper: string }>({
    lower: '',
    upper: '',
  });
  useUnitTurn(system, (as) => setTyped({ ...typed, ...eachText(typed, as) }));
  const [problem, setProblem] = useState<string>();
  const [striking, setStriking] = useState<FeltEdge>();
  const strikes = new Map(file.strikes.map((strike) => [strike.evidenceId, strike]));
  const felt = recorded(file, 'felt edge').filter((each) => each.memberId === member.id);
  if (uprights.length === 0) return null;
  const chosen = uprights.some((each) => each.id === face) ? face : uprights[0]!.id;

  const submit = () => {
    const station =
      typed.station === undefined
        ? { ok: true as const, value: cursor.stationMm }
        : parseStationMm(typed.station, member, system);
    const [lower, upper] = [parseLengthMm(typed.lower, system), parseLengthMm(typed.upper, system)];
    if (!station.ok) return setProblem(`station: ${station.reason}`);
    if (!lower.ok) return setProblem(`thin up to: ${lower.reason}`);
    if (!upper.ok) return setProblem(`full from: ${upper.reason}`);
    const record: FeltEdge = {
      kind: 'felt edge',
      id: newId(),
      memberId: member.id,
      stationMm: station.value,
      face: chosen,
      lowerMm: lower.value,
      upperMm: upper.value,
      note: '',
      by: by.trim() || 'unnamed',
      at: new Date().toISOString(),
    };
    const check = feltEdgeKind.fits(file.frame, record);
    if (!check.ok) return setProblem(check.reason);
    keep(record);
    setTyped({ lower: '', upper: '' });
    setProblem(undefined);
  };

  return (
    <details className="mt-3 border-t border-rule pt-1">
      <summary className="hit flex items-center font-semibold">
        Edge felt by hand{felt.length > 0 && `: ${felt.filter((each) => !strikes.has(each.id)).length}`}
      </summary>
      <form
        className="grid grid-cols-2 items-end gap-2 sm:grid-cols-5"
        aria-label="Felt edge"
        onSubmit={(event) => {
          event.preventDefault();
          submit();
        }}
      >
        <Entry
          label="station"
          unit={system}
          value={typed.station ?? stationDigits(member, cursor.stationMm, system)}
          onChange={(event) => setTyped({ ...typed, station: event.target.value })}
        />
        <Pick
          label="face"
          value={chosen}
          options={uprights.map((each) => each.id)}
          words={(id) => faceWords(member, id)}
          onPick={setFace}
        />
        <Entry
          label="thin up to"
          unit={system}
          value={typed.lower}
          onChange={(event) => setTyped({ ...typed, lower: event.target.value })}
        />
        <Entry
          label="full from"
          unit={system}
          value={typed.upper}
          onChange={(event) => setTyped({ ...typed, upper: event.target.value })}
        />
        <button type="submit" className="plain">
          Pin the edge
        </button>
      </form>
      {problem && (
        <p role="alert" className="mt-1 font-semibold text-oxide">
          {problem}
        </p>
      )}
      <ul className="ruled">
        {felt.map((each) => {
          const strike = strikes.get(each.id);
          return (
            <li
              key={each.id}
              className={`flex flex-wrap items-center gap-x-3 ${strike ? 'text-soft line-through' : ''}`}
            >
              <span>
                {printStation(member, each.stationMm, system)}, {faceWords(member, each.face)}: between{' '}
                {lengthDigits(each.lowerMm, system, 'length')} and{' '}
                {printLength(each.upperMm, system, 'length')} up
              </span>
              <span className="caption">
                {each.by} <When at={each.at} only="day" />
              </span>
              {strike ? (
                <span className="caption no-underline">
                  struck by {strike.by}: {strike.why}
                </span>
              ) : (
                <button
                  type="button"
                  className="hit ml-auto px-2 underline"
                  onClick={() => setStriking(each)}
                >
                  strike
                </button>
              )}
            </li>
          );
        })}
      </ul>
      <StrikeSheet
        struck={
          striking && {
            id: striking.id,
            words: `The edge felt at ${printStation(member, striking.stationMm, system)}`,
          }
        }
        onClose={() => setStriking(undefined)}
      />
    </details>
  );
}
