'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { Problem } from '@/core/exchange';
import type { Outcome } from '@/core/quantity';
import { LINE_ROUTES, openLine, tellLine, type LineInstrument } from '../../_client';

export type LineState = 'off' | 'connecting' | 'on' | 'gone';
/** How an instrument's lines are read, and which of its messages answers a reading. */
interface LineEars<Message> {
  readonly parse: (line: string) => Outcome<Message>;
  readonly onMessage: (message: Message) => void;
  readonly isAnswer: (message: Message) => boolean;
  readonly onOff: () => void;
}

/** An instrument has this long to answer a reading before it counts as not answering. */
const ANSWER_MS = 4000;

/** One answer waited for at a time: whoever asks next, or nobody answers in time, ends the wait before. */
function useAnswer<Message>() {
  const waiting = useRef<((message: Message | undefined) => void) | undefined>(undefined);
  const settle = useCallback((message: Message | undefined) => {
    waiting.current?.(message);
    waiting.current = undefined;
  }, []);
  const wait = useCallback(
    (): Promise<Message | undefined> =>
      new Promise((resolve) => {
        settle(undefined);
        const timer = setTimeout(() => settle(undefined), ANSWER_MS);
        waiting.current = (message) => {
          clearTimeout(timer);
          resolve(message);
        };
      }),
    [settle],
  );
  return { settle, wait };
}

/** An instrument behind the server: its lines as they come, and readings asked of it one at a time. */
export function useLine<Message>(which: LineInstrument, jobId: string, ears: LineEars<Message>) {
  const [state, setState] = useState<LineState>('off');
  const [nonsense, setNonsense] = useState<string>();
  const [isSimulated, setSimulated] = useState(false);
  const [refused, setRefused] = useState<Problem>();
  const source = useRef<EventSource | undefined>(undefined);
  const session = useRef('');
  const { settle, wait } = useAnswer<Message>();
  const heard = useRef(ears);
  useEffect(() => {
    heard.current = ears;
  });
  useEffect(() => () => source.current?.close(), []);

  const leave = (next: LineState) => {
    source.current?.close();
    source.current = undefined;
    settle(undefined);
    setState(next);
    heard.current.onOff();
  };
  const onLine = (text: string) => {
    const message = heard.current.parse(text);
    if (!message.ok) return setNonsense(message.reason);
    setState('on');
    heard.current.onMessage(message.value);
    if (heard.current.isAnswer(message.value)) settle(message.value);
  };
  const connect = async (simulated: boolean) => {
    source.current?.close();
    setState('connecting');
    setNonsense(undefined);
    setRefused(undefined);
    const opened = await openLine(which, jobId, simulated);
    if (!opened.ok) {
      setState('off');
      return setRefused(opened.problem);
    }
    session.current = opened.value.session;
    setSimulated(opened.value.simulated);
    const events = new EventSource(`${LINE_ROUTES[which]}?session=${session.current}`);
    source.current = events;
    const gone = () => source.current === events && leave('gone');
    events.addEventListener('gone', gone);
    events.onerror = gone;
    events.addEventListener('line', (event) => onLine((event as MessageEvent<string>).data));
  };
  const ask = useCallback(
    async (what: object) => {
      await tellLine(which, { ...what, session: session.current });
    },
    [which],
  );
  /** One reading: its message, or undefined where the instrument did not answer or is gone. */
  const read = useCallback((): Promise<Message | undefined> => {
    const answered = wait();
    void ask({ does: 'read' });
    return answered;
  }, [ask, wait]);
  return { state, nonsense, isSimulated, refused, connect, disconnect: () => leave('off'), ask, read };
}
