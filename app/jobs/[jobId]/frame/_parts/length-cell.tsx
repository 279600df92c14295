'use client';

import { useState } from 'react';
import { lengthDigits, parseLengthMm, parsePlaceMm, type LengthKind } from '@/core/quantity';
import { useReader } from '../../../_desk';
import { useUnitTurn } from '../../../../_parts/turned';

/** A length in a table, or none where none is said and `onNone` takes it back: typed as the trade writes it, taken on leaving the cell; what cannot be read is said and the old length stays. */
export function LengthCell({
  label,
  valueMm,
  kind,
  onLength,
  onNone,
  isPlace = false,
  usualMm,
}: {
  label: string;
  valueMm: number | undefined;
  /** What counts while nothing is said; shown in grey. */
  usualMm?: number;
  kind: LengthKind;
  onLength: (mm: number) => void;
  onNone?: () => void;
  /** A place along an axis, which may lie before its zero. */
  isPlace?: boolean;
}) {
  const { system } = useReader();
  const shown = valueMm === undefined ? '' : lengthDigits(valueMm, system, kind);
  const [typed, setTyped] = useState<string>();
  useUnitTurn(system, (as) => setTyped(typed === undefined ? undefined : as(typed)));
  const [problem, setProblem] = useState<string>();
  const take = () => {
    if (typed === undefined || typed === shown) return setTyped(undefined);
    if (typed.trim() === '' && onNone) {
      setProblem(undefined);
      setTyped(undefined);
      return onNone();
    }
    const length = (isPlace ? parsePlaceMm : parseLengthMm)(typed, system);
    if (!length.ok) return setProblem(length.reason);
    setProblem(undefined);
    setTyped(undefined);
    onLength(length.value);
  };
  return (
    <>
      <input
        aria-label={label}
        className="field"
        aria-invalid={problem ? true : undefined}
        value={typed ?? shown}
        placeholder={usualMm === undefined ? undefined : lengthDigits(usualMm, system, kind)}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={take}
        onKeyDown={(event) => event.key === 'Enter' && take()}
      />
      {problem && (
        <span role="alert" className="block text-sm font-medium text-oxide">
          {problem}
        </span>
      )}
    </>
  );
}
