'use client';

import { useState } from 'react';
import {
  INSTRUMENTS,
  readsAngles,
  readsLengths,
  STOOD,
  wheelbaseEnds,
  type Instrument,
  type MeasureOf,
} from '@/core/weigh';
import { useUnitTurn } from '../../../../_parts/turned';
import { useMember, useReader, useRecords, useStamp } from '../../../_desk';
import {
  GEOMETRY_FORMS,
  readGeometry,
  rowKey,
  suggestedStations,
  turnedFields,
  type GeometryTyped,
  type TypedMeasure,
} from './geometry-typed';
import { useInstrument } from './instrument-panel';

const isAngle = (of: MeasureOf): boolean => of === 'level across' || of === 'angle along';
export const instrumentsFor = (of: MeasureOf): readonly Instrument[] =>
  INSTRUMENTS.filter(isAngle(of) ? readsAngles : readsLengths);
const usualFor = (of: MeasureOf): Instrument =>
  of === 'line' ? 'laser line' : isAngle(of) ? 'angle finder' : 'tape';
const blank = (of: MeasureOf): TypedMeasure => ({
  of,
  fields: {},
  rows: 5,
  direction: 'up',
  instrument: usualFor(of),
  stood: STOOD[0],
  checkedOn: '',
  isSimulated: false,
});

/** What is typed for one measure, what an instrument adds to it, and keeping it. */
export function useMeasure(onDone: () => void) {
  const { file, keep } = useRecords();
  const { system } = useReader();
  const { member } = useMember();
  const stamp = useStamp();
  const [typed, setTyped] = useState<TypedMeasure>(blank('wheelbase'));
  const [problem, setProblem] = useState<{ at?: string | undefined; words: string }>();
  const { of, fields, direction } = typed;
  const form = GEOMETRY_FORMS[of];
  const change = (next: Partial<TypedMeasure>) => setTyped((before) => ({ ...before, ...next }));
  useUnitTurn(system, (as) => change({ fields: turnedFields(fields, of, as) }));
  const ends = wheelbaseEnds(file.frame);
  const shown: GeometryTyped = {
    ...(of === 'wheelbase' && { fromId: ends[0]?.id ?? '', toId: ends[ends.length - 1]?.id ?? '' }),
    ...suggestedStations(of, { frame: file.frame, member, system }),
    ...fields,
  };
  const set = (key: string, text: string) =>
    setTyped((before) => ({ ...before, fields: { ...before.fields, [key]: text } }));
  const line = useInstrument(typed.instrument, {
    of,
    memberId: form.onMember ? member.id : '',
    direction,
    onTaken: (row, text, isSimulated) => {
      set(rowKey(row, form.rows!.fields[1]!.key), text);
      if (isSimulated) change({ isSimulated });
    },
  });
  const choose = (next: MeasureOf) => {
    setTyped({ ...blank(next), stood: typed.stood, checkedOn: typed.checkedOn });
    setProblem(undefined);
  };
  const submit = () => {
    const read = readGeometry({ ...typed, fields: shown }, { system, member }, stamp());
    if (!read.ok) return setProblem({ at: read.at, words: read.reason });
    keep(read.value);
    onDone();
  };
  return { typed, shown, form, ends, problem, line, set, change, choose, submit };
}
export type Measuring = ReturnType<typeof useMeasure>;
