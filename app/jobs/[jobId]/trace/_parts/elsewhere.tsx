'use client';

import { useMemo, useState } from 'react';
import { hostOf, type Host } from '@/core/frame';
import { stands } from '@/core/job';
import { printDistance, printLength, type UnitSystem } from '@/core/quantity';
import { cracksElsewhere, type CrackElsewhere, type LookElsewhere } from '@/core/trace';
import { openFinds, type Find } from '@/core/walk';
import { When } from '@/ui/controls';
import { elsewhereWords, ELSEWHERE_FLAG_WORDS } from '../../../../_words/trace';
import { FIND_PART_WORDS } from '../../../../_words/walk';
import { PhotoButton, StrikeSheet, useMember, useReader, useRecords, useRecordsLater } from '../../../_desk';
import { AboutPicker, ElsewhereForm, type About } from './elsewhere-form';

/** Cracks, tears and gaps of what is no member's wall: brackets, welds, joints, skins and floors. */
export function Elsewhere() {
  const { file } = useRecordsLater();
  const [isPicking, setPicking] = useState(false);
  const [about, setAbout] = useState<About>();
  const [kept, setKept] = useState<Find>();
  const cracked = useMemo(
    () => cracksElsewhere(openFinds(stands(file, 'find'), file.practice.hand), stands(file, 'trip')),
    [file],
  );
  return (
    <section aria-label="On brackets, welds, joints and skins" className="mt-4 border-t border-rule pt-2">
      <div className="flex flex-wrap items-center gap-3">
        <h3 className="text-lg font-semibold">
          On brackets, welds, joints, skins and floors: {cracked.length}
        </h3>
        {!isPicking && !about && (
          <button type="button" className="plain" onClick={() => setPicking(true)}>
            Record one there
          </button>
        )}
      </div>
      {isPicking && (
        <AboutPicker
          onPick={(next) => {
            setAbout(next);
            setPicking(false);
          }}
        />
      )}
      {about && (
        <ElsewhereForm
          key={`${about.host.on} ${about.host.id} ${about.part} ${about.is}`}
          about={about}
          onDone={(find) => {
            setAbout(undefined);
            if (find) setKept(find);
          }}
        />
      )}
      {kept && <AskedAcross kept={kept} onPick={setAbout} onDone={() => setKept(undefined)} />}
      <ul className="ruled">
        {cracked.map((crack) => (
          <Line
            key={`${crack.on} ${crack.hostId} ${crack.part} ${crack.is}`}
            crack={crack}
            onLook={setAbout}
          />
        ))}
      </ul>
      {cracked.length === 0 && !about && (
        <p>None recorded. It has a length and two ends there, and no path.</p>
      )}
    </section>
  );
}

/** One of them, with its looks to open. */
function Line({ crack, onLook }: { crack: CrackElsewhere; onLook: (about: About) => void }) {
  const { file } = useRecords();
  const [striking, setStriking] = useState<Find>();
  const host = hostOf(file.frame, crack.on, crack.hostId);
  const { find } = crack.open;
  return (
    <li className="py-1">
      <details>
        <summary className="flex min-h-11 cursor-pointer items-center">
          <Seen crack={crack} name={host?.name ?? find.title} />
        </summary>
        <div className="overflow-x-auto">
          <table
            className="ruled w-full letters-16 [&_td]:py-1 [&_td]:pr-3"
            aria-label={`Looks at ${host?.name ?? find.title}`}
          >
            <tbody>
              {crack.looks.map((look) => (
                <LookRow
                  key={look.find.id}
                  look={look}
                  crack={crack}
                  onStrike={() => setStriking(look.find)}
                />
              ))}
            </tbody>
          </table>
        </div>
        {host && (
          <div className="mt-1 mb-2 flex flex-wrap gap-2">
            <button
              type="button"
              className="plain"
              onClick={() => onLook({ host, part: crack.part, is: crack.is })}
            >
              Look again at {host.name.toLowerCase()}
            </button>
            <PhotoButton
              caption={`${host.name}, ${FIND_PART_WORDS[crack.part]}, look ${crack.looks.length}`}
              spotId={`${crack.on} ${crack.hostId} ${crack.part}`.slice(0, 120)}
            />
          </div>
        )}
      </details>
      <StrikeSheet
        struck={
          striking && { id: striking.id, words: `${find.title}, the look of ${striking.at.slice(0, 10)}` }
        }
        onClose={() => setStriking(undefined)}
      />
    </li>
  );
}

/** What was seen of it, in one line. */
function Seen({ crack, name }: { crack: CrackElsewhere; name: string }) {
  const { system } = useReader();
  const { member } = useMember();
  return (
    <span className="flex min-w-0 grow flex-wrap items-center gap-x-4">
      <span className="font-semibold">{name}</span>
      <span>{elsewhereWords(crack, system)}</span>
      <span className="caption">
        {crack.looks.length} {crack.looks.length === 1 ? 'look' : 'looks'}
        {crack.open.find.memberIds.includes(member.id) && '; on this member'}
      </span>
    </span>
  );
}

function LookRow({
  look: { find, state, longMm, flags },
  crack,
  onStrike,
}: {
  look: LookElsewhere;
  crack: CrackElsewhere;
  onStrike: () => void;
}) {
  const { system } = useReader();
  return (
    <tr>
      <td className="whitespace-nowrap">
        <When at={find.at} only="day" />
      </td>
      <td className="font-semibold whitespace-nowrap">
        {longMm === undefined ? 'not measured' : printLength(longMm, system, 'length')}
      </td>
      <td>{usedWords(state, system)}</td>
      <td className="caption">
        {state.is !== 'gap' &&
          [state.ends && endWords(state.ends), ...(state.signs ?? []), state.seenBy]
            .filter(Boolean)
            .join(', ')}
        ; {find.by}
        {find.note && `; ${find.note}`}
        {flags.map((flag) => (
          <span key={flag} className="block font-semibold text-oxide">
            {ELSEWHERE_FLAG_WORDS[flag]}
          </span>
        ))}
      </td>
      <td>
        <button
          type="button"
          className="hit px-2 underline"
          aria-label={`strike the look at ${crack.open.find.title}`}
          onClick={onStrike}
        >
          strike
        </button>
      </td>
    </tr>
  );
}

const usedWords = (
  { usedKm, usedHours }: { usedKm?: number | undefined; usedHours?: number | undefined },
  system: UnitSystem,
): string =>
  usedKm !== undefined
    ? printDistance(usedKm, system, 7)
    : usedHours !== undefined
      ? `${Math.round(usedHours)} h`
      : '';

const endWords = ([one, other]: readonly [string, string]): string =>
  one === other ? `both ends ${one}` : `one end ${one}, the other ${other}`;

/** After one: the same thing on the other side, and the corner across within its set. */
function AskedAcross({
  kept,
  onPick,
  onDone,
}: {
  kept: Find;
  onPick: (about: About) => void;
  onDone: () => void;
}) {
  const { file } = useRecords();
  const host = hostOf(file.frame, kept.on, kept.hostId);
  const across = [host?.twinId, host?.diagonalId]
    .map((id) => (host && id !== undefined ? hostOf(file.frame, host.on, id) : undefined))
    .filter((each): each is Host => each !== undefined);
  const { is } = kept.state;
  if (across.length === 0 || (is !== 'cracked' && is !== 'torn' && is !== 'gap')) return null;
  return (
    <section
      aria-label="Look at its twin"
      className="mt-3 flex flex-wrap items-center gap-2 border-l-[6px] border-here px-3 py-1"
    >
      <p className="letters-17">What broke one side works at the other. Look now at</p>
      {across.map((each) => (
        <button
          key={each.id}
          type="button"
          className="plain"
          onClick={() => onPick({ host: each, part: kept.part, is })}
        >
          {each.name.toLowerCase()}
        </button>
      ))}
      <button type="button" className="hit px-2 underline" onClick={onDone}>
        looked at {across.length > 1 ? 'both' : 'it'}
      </button>
    </section>
  );
}
