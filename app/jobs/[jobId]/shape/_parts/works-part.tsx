'use client';

import { useMemo, useState } from 'react';
import { jobHosts, worksOf, worksOn, type PlannedWork } from '@/core/job';
import { hostsOf } from '@/core/frame';
import { workPlace, worksAt, type Work, type WorkPlace } from '@/core/shape';
import { When } from '@/ui/controls';
import { HOST_NEED_WORDS } from '../../../../_words/by-hand';
import { WORK_WORDS } from '../../../../_words/works';
import { StrikeSheet, useMember, usePlace, useReader, useRecords } from '../../../_desk';
import { NewWork } from './new-work';
import { JudgedPart } from './judged-part';

/** What is made at brackets, joints, panels and the member itself, and is no plate on its wall: what is bad there, what is specified, and a new one. */
export function WorksPart() {
  const { file } = useRecords();
  const { member } = useMember();
  const [changing, setChanging] = useState<{ work?: Work }>();
  const planned = useMemo(() => worksOn(worksOf(file), member.id), [file, member.id]);
  const places = usePlaces();
  return (
    <section className="mt-4 border-t border-rule pt-2" aria-label="Brackets, joints and sheet">
      <h2 className="text-xl font-semibold">Brackets, joints and sheet</h2>
      <BadHere />
      {planned.map((each) => (
        <PlannedCard key={each.work.id} planned={each} onChange={() => setChanging({ work: each.work })} />
      ))}
      {changing ? (
        <NewWork
          key={changing.work?.id ?? 'new'}
          places={places}
          from={changing.work}
          onDone={() => setChanging(undefined)}
        />
      ) : (
        <button type="button" className="plain mt-2" onClick={() => setChanging({})}>
          Specify a work here
        </button>
      )}
    </section>
  );
}

/** Places of this member: itself at the cursor, and what hangs on it, first what was found bad. */
function usePlaces(): WorkPlace[] {
  const { file } = useRecords();
  const { member } = useMember();
  const { cursor } = usePlace();
  return useMemo(() => {
    const bad = new Set(jobHosts(file).map(({ on, id }) => `${on} ${id}`));
    const hosts = hostsOf(file.frame)
      .filter(({ spans }) => spans.some(({ memberId }) => memberId === member.id))
      .sort((a, b) => Number(bad.has(`${b.on} ${b.id}`)) - Number(bad.has(`${a.on} ${a.id}`)));
    const at = [
      { on: 'member' as const, hostId: member.id, stationMm: cursor.stationMm },
      ...hosts.map(({ on, id }) => ({ on, hostId: id })),
    ];
    return at
      .flatMap((each) => workPlace(file.frame, file.practice, each) ?? [])
      .filter((place) => worksAt(place).some(({ whyNot }) => whyNot === undefined));
  }, [file, member.id, cursor.stationMm]);
}

/** What was found bad of them, and what each needs. */
function BadHere() {
  const { file } = useRecords();
  const { member } = useMember();
  const bad = useMemo(
    () => jobHosts(file).filter(({ memberIds }) => memberIds.includes(member.id)),
    [file, member.id],
  );
  if (bad.length === 0) return <p className="caption">None of them was found bad on this member.</p>;
  return (
    <ul className="ruled" aria-label="Made good by hand">
      {bad.map(({ on, id, name, found, needs, verdict, carries }) => (
        <li key={`${on} ${id}`} className="py-1">
          <span className="font-semibold">
            {verdict} {name}: {found.join(', ')}
          </span>
          {carries.length > 0 && <span className="caption">; carries {carries.join(', ')}</span>}
          <br />
          {needs.map((need) => HOST_NEED_WORDS[need]).join('; ')}.
        </li>
      ))}
    </ul>
  );
}

/** One work as it was specified: what it comes to on the frame as it stands. */
function PlannedCard({ planned, onChange }: { planned: PlannedWork; onChange: () => void }) {
  const { work, place, judged, whyNot, isDone } = planned;
  const { system } = useReader();
  const [striking, setStriking] = useState(false);
  return (
    <article
      className="mt-3 border-l-[6px] border-slate pl-3"
      aria-label={`${WORK_WORDS[work.form]}, ${place.name}`}
    >
      <h3 className="text-lg font-semibold">
        {WORK_WORDS[work.form]}: {place.name}
        {isDone && <span className="caption">; put right since</span>}
      </h3>
      <p className="caption flex flex-wrap items-center gap-x-3">
        {work.by}, <When at={work.at} />
        <button type="button" className="hit px-2 underline" onClick={onChange}>
          change
        </button>
        <button type="button" className="hit px-2 underline" onClick={() => setStriking(true)}>
          strike
        </button>
      </p>
      <JudgedPart judged={judged} {...(whyNot && { whyNot })} system={system} />
      <StrikeSheet
        struck={striking ? { id: work.id, words: `${WORK_WORDS[work.form]}, ${place.name}` } : undefined}
        onClose={() => setStriking(false)}
      />
    </article>
  );
}
