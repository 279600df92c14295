'use client';

import { useSyncExternalStore, type ReactNode } from 'react';

const never = () => () => undefined;

/** Until the page's program runs, its fields and buttons take nothing: what was typed before would stand there, heard and kept by nobody. */
export function Heard({ children }: { children: ReactNode }) {
  const hears = useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
  return (
    <fieldset role="none" disabled={!hears} className="contents">
      {!hears && <p className="unheard late">Still loading: nothing can be typed or kept here yet</p>}
      {children}
    </fieldset>
  );
}
