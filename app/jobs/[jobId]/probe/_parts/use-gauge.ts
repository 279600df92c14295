'use client';

import { useState } from 'react';
import { parseGaugeLine, type GaugeMessage } from '@/core/probe';
import { useLine } from '../../../_desk';

export interface GaugeShown {
  readonly thicknessMm?: number;
  readonly quality?: number;
  readonly hasEcho: boolean;
  readonly scan: readonly number[];
}
const NOTHING: GaugeShown = { hasEcho: false, scan: [] };

/** What the gauge shows after one more of its messages. */
function after(before: GaugeShown, said: GaugeMessage): GaugeShown {
  switch (said.says) {
    case 'scan':
      return { ...before, scan: said.heights };
    case 'live':
    case 'reading':
      return { ...before, thicknessMm: said.thicknessMm, quality: said.quality, hasEcho: true };
    case 'no echo':
    case 'silent':
      return { scan: before.scan, hasEcho: false };
    case 'ok':
      return before;
    default:
      return said satisfies never;
  }
}

/** The thickness gauge behind the server: its lines as they come, and readings asked of it one at a time. */
export function useGauge(jobId: string) {
  const [shown, setShown] = useState<GaugeShown>(NOTHING);
  const line = useLine<GaugeMessage>('gauge', jobId, {
    parse: parseGaugeLine,
    onMessage: (said) => setShown((before) => after(before, said)),
    isAnswer: ({ says }) => says === 'reading' || says === 'no echo',
    onOff: () => setShown(NOTHING),
  });
  return { ...line, shown };
}
