'use client';

import { startTransition, useEffect, useRef, useState } from 'react';

/** A page that is not in sight paints nothing: then this long is waited, ms. */
const UNSEEN_MS = 250;

/** Calls once what stands on the page now is painted. */
function oncePainted(call: () => void): void {
  let isCalled = false;
  const once = () => {
    if (isCalled) return;
    isCalled = true;
    clearTimeout(unseen);
    call();
  };
  const unseen = setTimeout(once, UNSEEN_MS);
  requestAnimationFrame(() => setTimeout(once));
}

/** A value as it was painted: what shows it is drawn after the frame that shows what is newer, never before it. Of several in one frame the last. */
export function useAfterPaint<Value>(value: Value): Value {
  const [painted, setPainted] = useState(value);
  const latestRef = useRef(value);
  const isWaitingRef = useRef(false);
  useEffect(() => {
    if (latestRef.current === value) return;
    latestRef.current = value;
    if (isWaitingRef.current) return;
    isWaitingRef.current = true;
    oncePainted(() => {
      isWaitingRef.current = false;
      startTransition(() => setPainted(latestRef.current));
    });
  }, [value]);
  return painted;
}
