'use client';

import { useMemo, useState } from 'react';
import {
  foundUnder,
  withMetal,
  jobHosts,
  worksForHost,
  worksForMember,
  worksOf,
  worksOn,
  type PlannedWork,
} from '@/core/job';
import { hostsOf } from '@/core/frame';
import { workPlace, worksAt, type Work, type WorkId, type WorkPlace } from '@/core/shape';
import { When } from '@/ui/controls';
import { HOST_NEED_WORDS } from '../../../../_words/by-hand';
import { WORK_WORDS } from '../../../../_words/works';
import { StrikeSheet, useMember, usePlace, useReader, useRecords, useWork } from '../../../_desk';
import { NewWork } from './new-work';
import { JudgedPart } from './judged-part';
import { WorkPhotos } from './work-photos';

/** A work that is being changed, or a new one at a place, in a form. */
interface Draft {
  readonly work?: Work;
  readonly at?: string;
  readonly form?: WorkId;
}

/** What is made at brackets, joints, panels and the member itself, and is no plate on its wall: what is bad there, what is specified, and a new one. */
export function WorksPart() {
  const { file } = useRecords();
  const { member } = useMember();
  const [changing, setChanging] = useState<Draft>();
  const planned = useMemo(() => worksOn(worksOf(file), member.id), [file, member.id]);
  const places = usePlaces();
  return (
    <section className="mt-4 border-t border-rule pt-2" aria-label="Brackets, joints and sheet">
      <h2 className="text-xl font-semibold">Brackets, joints and sheet</h2>
      <BadHere places={places} onSpecify={(at, form) => setChanging({ at, form })} />
      {planned.map((each) => (
        <PlannedCard key={each.work.id} planned={each} onChange={() => setChanging({ work: each.work })} />
      ))}
      {changing ? (
        <NewWork
          key={changing.work?.id ?? `${changing.at ?? 'new'} ${changing.form ?? ''}`}
          places={places}
          from={changing.work}
          at={changing.at}
          form={changing.form}
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
  const hanging = useMemo(() => {
    const bad = new Set(jobHosts(file).map(({ on, id }) => `${on} ${id}`));
    return hostsOf(file.frame)
      .filter(({ spans }) => spans.some(({ memberId }) => memberId === member.id))
      .sort((a, b) => Number(bad.has(`${b.on} ${b.id}`)) - Number(bad.has(`${a.on} ${a.id}`)))
      .flatMap(({ on, id }) => workPlace(file.frame, file.practice, { on, hostId: id }) ?? [])
      .filter(hasWork);
  }, [file, member.id]);
  return useMemo(() => {
    const at = { on: 'member', hostId: member.id, stationMm: cursor.stationMm } as const;
    const itself = workPlace(file.frame, file.practice, at);
    return itself && hasWork(itself) ? [itself, ...hanging] : hanging;
  }, [file.frame, file.practice, hanging, member.id, cursor.stationMm]);
}

const hasWork = (place: WorkPlace): boolean => worksAt(place).some(({ whyNot }) => whyNot === undefined);

/** What was found bad of them and of the member itself, what each needs, and the works that would mend it. */
function BadHere({
  places,
  onSpecify,
}: {
  places: readonly WorkPlace[];
  onSpecify: (at: string, form: WorkId) => void;
}) {
  const { file } = useRecords();
  const { member } = useMember();
  const bad = useMemo(
    () => jobHosts(file).filter(({ memberIds }) => memberIds.includes(member.id)),
    [file, member.id],
  );
  const { work } = useWork();
  const itself = places.find(({ on }) => on === 'member');
  const forItself = work && itself ? worksForMember(itself, work.verdict) : [];
  if (bad.length === 0 && forItself.length === 0)
    return <p className="caption">None of them was found bad on this member.</p>;
  const offer = (place: WorkPlace | undefined, forms: readonly WorkId[]) =>
    place && (
      <span className="flex flex-wrap gap-2">
        {forms.slice(0, MOST_OFFERED).map((form) => (
          <button
            key={form}
            type="button"
            className="plain"
            onClick={() => onSpecify(`${place.on} ${place.id}`, form)}
          >
            {WORK_WORDS[form]}
          </button>
        ))}
      </span>
    );
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
          {offer(placeOf(places, on, id), hostWorks(placeOf(places, on, id), needs))}
        </li>
      ))}
      {forItself.length > 0 && (
        <li className="py-1">
          <span className="font-semibold">
            {work!.verdict.verdict} {member.name}
          </span>
          , beside plates or instead of them:
          {offer(itself, forItself)}
        </li>
      )}
    </ul>
  );
}

/** Works offered by a button; the others stand in the list. */
const MOST_OFFERED = 3;
const placeOf = (places: readonly WorkPlace[], on: string, id: string): WorkPlace | undefined =>
  places.find((place) => place.on === on && place.id === id);
const hostWorks = (place: WorkPlace | undefined, needs: Parameters<typeof worksForHost>[1]['needs']) =>
  place ? worksForHost(place, { needs }) : [];

/** One work as it was specified: what it comes to on the frame as it stands. */
function PlannedCard({ planned, onChange }: { planned: PlannedWork; onChange: () => void }) {
  const { work, place, judged, whyNot, isDone } = planned;
  const { system } = useReader();
  const { summaries } = useWork();
  const underIt = foundUnder(
    [...summaries.values()].map(({ plan }) => plan),
    work.id,
  );
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
      <JudgedPart judged={withMetal(judged, underIt)} {...(whyNot && { whyNot })} system={system} />
      <WorkPhotos planned={planned} />
      <StrikeSheet
        struck={striking ? { id: work.id, words: `${WORK_WORDS[work.form]}, ${place.name}` } : undefined}
        onClose={() => setStriking(false)}
      />
    </article>
  );
}
