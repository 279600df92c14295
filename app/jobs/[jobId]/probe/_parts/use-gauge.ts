'use client';

import { openGauge, tellGauge } from '../../../../_client';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Problem } from '@/core/exchange';
import { parseGaugeLine, type GaugeMessage } from '@/core/probe';

export type GaugeState = 'off' | 'connecting' | 'on' | 'gone';
export interface GaugeShown {
  readonly thicknessMm?: number;
  readonly quality?: number;
  readonly hasEcho: boolean;
  readonly scan: readonly number[];
}
const NOTHING: GaugeShown = { hasEcho: false, scan: [] };
type Ask =
  | { readonly does: 'mode'; readonly mode: 'single' | 'echo' }
  | { readonly does: 'velocity'; readonly mps: number }
  | { readonly does: 'block'; readonly stepMm: number }
  | { readonly does: 'read' }
  | { readonly does: 'unplug' }
  | {
      readonly does: 'place';
      readonly jobId: string;
      readonly memberId: string;
      readonly stationMm: number;
      readonly face: string;
      readonly heightMm: number;
    };

/** A gauge has this long to answer a reading before it counts as not answering. */
const ANSWER_MS = 4000;

/** The gauge behind the server: its lines as they come, and readings asked of it one at a time. */
export function useGauge(jobId: string) {
  const [state, setState] = useState<GaugeState>('off');
  const [shown, setShown] = useState<GaugeShown>(NOTHING);
  const [nonsense, setNonsense] = useState<string>();
  const [isSimulated, setSimulated] = useState(false);
  const [refused, setRefused] = useState<Problem>();
  const source = useRef<EventSource | undefined>(undefined);
  const session = useRef('');
  const waiting = useRef<((message: GaugeMessage | undefined) => void) | undefined>(undefined);

  const settle = (message: GaugeMessage | undefined) => {
    waiting.current?.(message);
    waiting.current = undefined;
  };
  const disconnect = useCallback(() => {
    source.current?.close();
    source.current = undefined;
    settle(undefined);
    setState('off');
    setShown(NOTHING);
  }, []);
  useEffect(() => () => source.current?.close(), []);

  const connect = useCallback(
    async (simulated: boolean) => {
      source.current?.close();
      setState('connecting');
      setNonsense(undefined);
      setRefused(undefined);
      const opened = await openGauge(jobId, simulated);
      if (!opened.ok) {
        setState('off');
        return setRefused(opened.problem);
      }
      session.current = opened.value.session;
      setSimulated(opened.value.simulated);
      const events = new EventSource(`/api/gauge?session=${session.current}`);
      source.current = events;
      const gone = () => {
        events.close();
        settle(undefined);
        setState('gone');
        setShown(NOTHING);
      };
      events.addEventListener('gone', gone);
      events.onerror = gone;
      events.addEventListener('line', (event) => {
        const message = parseGaugeLine((event as MessageEvent<string>).data);
        if (!message.ok) return setNonsense(message.reason);
        const said = message.value;
        setState('on');
        if (said.says === 'scan') setShown((before) => ({ ...before, scan: said.heights }));
        else if (said.says === 'live' || said.says === 'reading')
          setShown((before) => ({
            ...before,
            thicknessMm: said.thicknessMm,
            quality: said.quality,
            hasEcho: true,
          }));
        else if (said.says === 'no echo' || said.says === 'silent')
          setShown((before) => ({ scan: before.scan, hasEcho: false }));
        if (said.says === 'reading' || said.says === 'no echo') settle(said);
      });
    },
    [jobId],
  );

  const ask = useCallback(async (what: Ask) => {
    await tellGauge({ ...what, session: session.current });
  }, []);

  /** One reading: its message, *no echo*, or undefined where the gauge did not answer or is gone. */
  const read = useCallback(
    (): Promise<GaugeMessage | undefined> =>
      new Promise((resolve) => {
        settle(undefined);
        const timer = setTimeout(() => settle(undefined), ANSWER_MS);
        waiting.current = (message) => {
          clearTimeout(timer);
          resolve(message);
        };
        void ask({ does: 'read' });
      }),
    [ask],
  );

  return { state, shown, nonsense, isSimulated, refused, connect, disconnect, ask, read };
}
