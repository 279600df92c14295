'use client';

import { MEASURES, STOOD } from '@/core/weigh';
import { Choice, Entry, Pick, RecordForm } from '@/ui/controls';
import { CAUTIONS } from '../../../../_words/cautions';
import { INSTRUMENT_WORDS, MEASURE_WORDS, STOOD_WORDS } from '../../../../_words/geometry';
import { useMember, useReader, useRecords } from '../../../_desk';
import { isLength, rowKey, type GeometryField } from './geometry-typed';
import { InstrumentPanel } from './instrument-panel';
import { instrumentsFor, useMeasure, type Measuring } from './use-measure';

/** One measure of the frame's geometry: what, with what, how the unit stands, and its figures. */
export function GeometryForm({ onDone }: { onDone: () => void }) {
  const measuring = useMeasure(onDone);
  const { typed, form, problem, line, change, submit } = measuring;
  return (
    <RecordForm
      label="Measure the frame"
      keep="Keep what it measures"
      onKeep={submit}
      onLeave={onDone}
      beside={
        <>
          {form.rows && (
            <button type="button" className="plain" onClick={() => change({ rows: typed.rows + 1 })}>
              One more
            </button>
          )}{' '}
          {typed.isSimulated && (
            <span className="self-center font-semibold text-oxide">simulated figures</span>
          )}
        </>
      }
    >
      <Asked measuring={measuring} />
      <p className="caption my-2">{MEASURE_WORDS[typed.of][1]}.</p>
      {form.rows && <InstrumentPanel line={line} />}
      {(line.problem ?? problem?.words) && (
        <p role="alert" className="mt-1 font-semibold text-oxide">
          {line.problem ?? problem?.words}
        </p>
      )}
      <div className="grid grid-cols-2 items-start gap-2 sm:grid-cols-4">
        {form.single.map((each) => (
          <Single key={each.key} field={each} measuring={measuring} />
        ))}
      </div>
      {form.rows && <Rows fields={form.rows.fields} measuring={measuring} />}
      {typed.stood !== STOOD[0] && <p className="caution mt-2">{CAUTIONS.geometry}</p>}
    </RecordForm>
  );
}

/** What is measured, with what, how it stands, along which member. */
function Asked({ measuring: { typed, form, change, choose } }: { measuring: Measuring }) {
  const { file } = useRecords();
  const { member, selectMember } = useMember();
  const { members } = file.frame;
  return (
    <div className="grid grid-cols-1 gap-2 sm:grid-cols-3">
      <Pick
        label="what is measured"
        value={typed.of}
        options={MEASURES}
        onPick={choose}
        words={(each) => MEASURE_WORDS[each][0]}
      />
      <Pick
        label="with"
        value={typed.instrument}
        options={instrumentsFor(typed.of)}
        onPick={(instrument) => change({ instrument })}
        words={(each) => INSTRUMENT_WORDS[each]}
      />
      <Pick
        label="the unit stands"
        value={typed.stood}
        options={STOOD}
        onPick={(stood) => change({ stood })}
        words={(each) => STOOD_WORDS[each]}
      />
      <Entry
        label="it was checked last on, if known"
        type="date"
        value={typed.checkedOn}
        onChange={(event) => change({ checkedOn: event.target.value })}
      />
      {form.onMember && (
        <Pick
          label="along"
          value={member.id}
          options={members.map(({ id }) => id)}
          onPick={selectMember}
          words={(id) => members.find((each) => each.id === id)?.name ?? id}
        />
      )}
      {typed.of === 'line' && (
        <div className="self-end">
          <Choice
            label="Which way"
            value={typed.direction}
            options={['up', 'across'] as const}
            onChange={(direction) => change({ direction })}
            words={(each) => (each === 'up' ? 'up and down' : 'sideways')}
          />
        </div>
      )}
    </div>
  );
}

function Single({ field, measuring }: { field: GeometryField; measuring: Measuring }) {
  const { system } = useReader();
  const { shown, ends, problem, set } = measuring;
  const { key, label, is } = field;
  if (is === 'end')
    return (
      <Pick
        label={label}
        value={shown[key] ?? ''}
        options={ends.map(({ id }) => id)}
        onPick={(id) => set(key, id)}
        words={(id) => ends.find((end) => end.id === id)?.name ?? id}
      />
    );
  return (
    <Entry
      label={label}
      {...(isLength(field) && { unit: system })}
      value={shown[key] ?? ''}
      {...(problem?.at === key && { problem: problem.words })}
      onChange={(event) => set(key, event.target.value)}
    />
  );
}

/** Stations, marks or mounts, a row each; what an instrument reads is taken into its row. */
function Rows({ fields, measuring }: { fields: readonly GeometryField[]; measuring: Measuring }) {
  const { system } = useReader();
  const { typed, shown, line, problem, set } = measuring;
  return (
    <table className="mt-2 w-full">
      <thead>
        <tr className="caption text-left">
          {fields.map((each) => (
            <th key={each.key} scope="col" className="font-normal">
              {each.label}
              {isLength(each) && `, ${system}`}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {Array.from({ length: typed.rows }, (_, row) => (
          <tr key={row}>
            {fields.map((each) => {
              const key = rowKey(row, each.key);
              return (
                <td key={key} className="py-0.5 pr-2">
                  <input
                    aria-label={`${each.label} ${row + 1}`}
                    aria-invalid={problem?.at === key ? true : undefined}
                    className="field text-lg"
                    autoComplete="off"
                    value={shown[key] ?? ''}
                    onChange={(event) => set(key, event.target.value)}
                  />
                </td>
              );
            })}
            {line.isOn && (
              <td>
                <button
                  type="button"
                  className="plain"
                  disabled={line.isTaking}
                  onClick={() => void line.take(row, shown[rowKey(row, 'stationMm')] ?? '')}
                >
                  take {row + 1}
                </button>
              </td>
            )}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
