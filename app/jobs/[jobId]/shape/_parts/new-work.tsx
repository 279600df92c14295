'use client';

import { useCallback, useState } from 'react';
import { footingsOf, underWorks, withMetal, type UnderIt } from '@/core/job';
import {
  startMeasures,
  workForm,
  worksAt,
  type Measures,
  type Work,
  type WorkId,
  type WorkPlace,
} from '@/core/shape';
import { Pick } from '@/ui/controls';
import { CAUTIONS } from '../../../../_words/cautions';
import { WORK_WORDS } from '../../../../_words/works';
import { useReader, useRecords, useStamp, useWork } from '../../../_desk';
import { JudgedPart } from './judged-part';
import { MeasureEntry } from './measure-entry';
import { WorksSideBySide } from './works-side-by-side';

const keyOf = ({ on, id }: WorkPlace): string => `${on} ${id}`;

interface NewWorkProps {
  readonly places: readonly WorkPlace[];
  readonly from?: Work | undefined;
  /** Where and what to begin with. */
  readonly at?: string | undefined;
  readonly form?: WorkId | undefined;
  readonly onDone: () => void;
}

/** What the metal of the member in sight says of a work at a place. */
function useUnderIt(place: WorkPlace | undefined): UnderIt {
  const { work } = useWork();
  return useCallback(
    (form, measures) =>
      place && work
        ? underWorks(
            work,
            footingsOf(place, { form, measures }).filter(
              ({ memberId }) => memberId === work.picture.member.id,
            ),
          ).map(({ finding }) => finding)
        : [],
    [place, work],
  );
}

/** Where a work goes, which of those that fit there, and its measures: as typed, else usual or the frame's own. */
function useNewWork({ places, from, at: startAt, form: startForm }: NewWorkProps) {
  const [at, setAt] = useState(
    from ? `${from.on} ${from.hostId}` : (startAt ?? (places[0] && keyOf(places[0]))),
  );
  const [chosen, setChosen] = useState<WorkId | undefined>(from?.form ?? startForm);
  const [typed, setTyped] = useState<Record<string, Measures>>(
    from ? { [`${at} ${from.form}`]: from.measures } : {},
  );
  const place = places.find((each) => keyOf(each) === at);
  const underIt = useUnderIt(place);
  const all = place ? worksAt(place) : [];
  const fitting = all.filter(({ whyNot }) => whyNot === undefined).map(({ id }) => id);
  const form = chosen && fitting.includes(chosen) ? chosen : fitting[0];
  if (!place || !form) return undefined;
  const key = `${at} ${form}`;
  const measures = typed[key] ?? startMeasures(workForm(form), place);
  return {
    place,
    setAt,
    fitting,
    form,
    setForm: setChosen,
    key,
    measures,
    underIt,
    judged: withMetal(workForm(form).judge(place, measures), underIt(form, measures)),
    setMeasure: (name: string, value: Measures[string]) =>
      setTyped({ ...typed, [key]: { ...measures, [name]: value } }),
  };
}

/** A work being specified: where, which, its measures; judged while they are typed, kept when somebody says so. */
export function NewWork(props: NewWorkProps) {
  const { places, onDone } = props;
  const { system } = useReader();
  const work = useNewWork(props);
  const keepIt = useKeepWork(onDone);
  if (!work)
    return (
      <p>
        No work of the list goes here any more.{' '}
        <button type="button" className="plain" onClick={onDone}>
          Leave it
        </button>
      </p>
    );
  const { place, setAt, fitting, form, setForm, key, measures, setMeasure, underIt, judged } = work;
  return (
    <div className="mt-2 border-l-4 border-slate pl-3" role="group" aria-label="A new work">
      <div className="grid items-start gap-2 sm:grid-cols-2">
        <Pick
          label="where"
          value={keyOf(place)}
          options={places.map(keyOf)}
          words={(each) => places.find((one) => keyOf(one) === each)!.name}
          onPick={setAt}
        />
        <Pick
          label="what is made"
          value={form}
          options={fitting}
          words={(id) => WORK_WORDS[id]}
          onPick={setForm}
        />
      </div>
      <WorksSideBySide place={place} form={form} underIt={underIt} onPick={setForm} />
      <p className="caption mt-2">Usual measures, or the frame’s own, until yours stand here.</p>
      <div className="mt-1 grid grid-cols-2 items-start gap-2 sm:grid-cols-3">
        {workForm(form).measures.map((measure) => (
          <MeasureEntry
            key={`${key} ${measure.key}`}
            measure={measure}
            value={measures[measure.key]!}
            onValue={(value) => setMeasure(measure.key, value)}
          />
        ))}
      </div>
      <JudgedPart judged={judged} system={system} />
      <p className="caution mt-2">{CAUTIONS.shape}</p>
      <div className="mt-2 flex flex-wrap gap-2">
        <button type="button" className="solid" onClick={() => keepIt(place, form, measures)}>
          Keep this work
        </button>
        <button type="button" className="plain" onClick={onDone}>
          Leave it
        </button>
      </div>
    </div>
  );
}

function useKeepWork(onDone: () => void) {
  const { keep } = useRecords();
  const stamp = useStamp();
  return (place: WorkPlace, form: WorkId, measures: Measures) => {
    keep({
      kind: 'work',
      ...stamp(),
      form,
      on: place.on,
      hostId: place.id,
      ...(place.on === 'member' && { stationMm: place.stationMm }),
      measures: { ...measures },
      memberIds: [...place.memberIds],
      note: '',
    });
    onDone();
  };
}
