'use client';

import { createContext, useCallback, useContext, useMemo, useState, type ReactNode } from 'react';
import type { UnitSystem } from '@/core/quantity';
import { useRemembered } from '../../_parts/remembered';

/** Who stands before the page: the units they read, and the role or initials they record under. */
export interface Reader {
  readonly system: UnitSystem;
  readonly setSystem: (system: UnitSystem) => void;
  readonly by: string;
  readonly setBy: (by: string) => void;
}

const ReaderContext = createContext<Reader | undefined>(undefined);

export function useReader(): Reader {
  const reader = useContext(ReaderContext);
  if (!reader) throw new Error('useReader is used outside a job');
  return reader;
}

export function ReaderProvider({
  initialSystem,
  openedBy,
  children,
}: {
  initialSystem: UnitSystem;
  openedBy: string;
  children: ReactNode;
}) {
  const [system, setSystemState] = useState(initialSystem);
  const [by, setBy] = useRemembered('ossatura-by', openedBy);
  const setSystem = useCallback((next: UnitSystem) => {
    setSystemState(next);
    document.cookie = `ossatura-unit=${next}; path=/; max-age=31536000; samesite=lax`;
  }, []);
  const reader = useMemo(() => ({ system, setSystem, by, setBy }), [system, setSystem, by, setBy]);
  return <ReaderContext.Provider value={reader}>{children}</ReaderContext.Provider>;
}
