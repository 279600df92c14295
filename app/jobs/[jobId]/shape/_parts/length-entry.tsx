'use client';

import { useRef, useState } from 'react';
import { lengthDigits, parseLengthMm, type LengthKind } from '@/core/quantity';
import { Entry } from '@/ui/controls';
import { useUnitTurn } from '../../../../_parts/turned';
import { useReader } from '../../../_desk';

/** A length that is kept on Enter or on leaving its field. */
export function LengthEntry({
  label,
  valueMm,
  kind,
  problem,
  fromMm = 0,
  onLength,
  onWrong,
}: {
  label: string;
  valueMm: number;
  kind: LengthKind;
  /** Where the field's zero lies: stations are read from the datum. */
  fromMm?: number;
  problem?: string;
  onLength: (mm: number) => void;
  onWrong: (words: string) => void;
}) {
  const { system } = useReader();
  const shown = lengthDigits(fromMm + valueMm, system, kind);
  // What is typed stands until what it asks for has been worked out: neither an older result nor a slow one takes it out of the field.
  const [typed, setTyped] = useState<{ readonly text: string; readonly instead?: string }>();
  useUnitTurn(system, (as) => setTyped(typed && { text: as(typed.text) }));
  const isTyped = typed && (typed.instead === undefined || typed.instead === shown);
  const text = isTyped ? typed.text : shown;
  const take = () => {
    if (text === shown) return setTyped(undefined);
    const parsed = parseLengthMm(text, system);
    if (!parsed.ok) return onWrong(parsed.reason);
    const isSame = Math.abs(parsed.value - fromMm - valueMm) <= 0.01;
    setTyped(isSame ? undefined : { text, instead: shown });
    onLength(parsed.value - fromMm);
  };
  // What Enter asked for is not asked for again on leaving the field, however long it takes to be worked out; come back to, it is.
  const isAskedRef = useRef(false);
  const enter = () => {
    isAskedRef.current = true;
    take();
  };
  return (
    <Entry
      label={label}
      unit={system}
      value={text}
      onChange={(event) => {
        isAskedRef.current = false;
        setTyped({ text: event.target.value });
      }}
      onFocus={() => (isAskedRef.current = false)}
      onBlur={() => !isAskedRef.current && take()}
      onKeyDown={(event) => event.key === 'Enter' && enter()}
      {...(problem && { problem })}
    />
  );
}
