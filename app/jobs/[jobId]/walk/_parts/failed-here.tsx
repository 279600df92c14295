'use client';

import { useMemo } from 'react';
import { faultsOver, placeKey } from '@/core/patterns';
import type { HotSpot } from '@/core/walk';
import { failedWords, faultCountWords, placeWords } from '../../../../_words/patterns';
import { useRecords } from '../../../_desk';

/** Where other units of its family failed in this shop. */
export function FailedHere({ spot: { memberId, fromMm, toMm } }: { spot: HotSpot }) {
  const { file } = useRecords();
  const faults = useMemo(
    () =>
      memberId === undefined || fromMm === undefined || toMm === undefined
        ? []
        : faultsOver(
            file.faults ?? [],
            { frame: file.frame, unitId: file.unit.id },
            { memberId, fromMm, toMm },
          ),
    [file, memberId, fromMm, toMm],
  );
  return faults.map((fault) => (
    <p
      key={placeKey(fault.place)}
      className={fault.failed.length > 1 ? 'font-semibold text-oxide' : 'font-semibold'}
    >
      Look well: {placeWords(fault.place).toLowerCase()}, {faultCountWords(fault)}.{' '}
      <span className="caption">{fault.failed.map(failedWords).join('; ')}</span>
    </p>
  ));
}
