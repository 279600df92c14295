'use client';

import { useCallback } from 'react';
import { toast } from 'sonner';
import { printLength } from '@/core/quantity';
import { recorded, standsOn } from '@/core/job';
import type { Reading } from '@/core/probe';
import { useMember, usePlace, useReader, useRecords } from '../../../_desk';
import { lastToTakeBack, nearestReading } from './entry';
import { newId } from '../../../../_client';
import { printStation } from '../../../../_words/station';

/** The standing reading nearest the cursor, on its face. */
export function useNearest(): () => Reading | undefined {
  const { file } = useRecords();
  const { member } = useMember();
  const { cursor } = usePlace();
  return useCallback(
    () => nearestReading(standsOn(file, 'reading', member.id), cursor),
    [file, member.id, cursor],
  );
}

/** Takes back the last reading somebody on this page just kept: it is struck, not erased. */
export function useTakeBack(): () => void {
  const { file, strike } = useRecords();
  const { system, by } = useReader();
  const { member, setCursor } = useMember();
  return useCallback(() => {
    const struck = new Set(file.strikes.map((each) => each.evidenceId));
    const who = by.trim() || 'unnamed';
    const last = lastToTakeBack(recorded(file, 'reading'), struck, member.id, who, Date.now());
    if (!last)
      return void toast.info('No reading of yours was kept just now', {
        description: 'An older one, or another’s, is struck with its reason: s, or the list below.',
      });
    strike({
      id: newId(),
      evidenceId: last.id,
      why: 'undone at once',
      by: who,
      at: new Date().toISOString(),
    });
    setCursor({ stationMm: last.stationMm, face: last.face, heightMm: last.heightMm });
    const what = `${printLength(last.thicknessMm, system, 'thickness')} at ${printStation(member, last.stationMm, system)}`;
    toast.info(`Taken back: ${what}`, { description: 'Struck through; it stays on record.' });
  }, [file, member, by, system, strike, setCursor]);
}
