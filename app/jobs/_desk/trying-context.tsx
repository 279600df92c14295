'use client';

import { createContext, useCallback, useContext, useMemo, useRef, useState, type ReactNode } from 'react';
import type { WorkedRepair } from '@/core/job';
import type { MemberState, Repair } from '@/core/shape';
import { loadedLater } from '../../_parts/loaded-later';
import { useRecords } from './records-context';
import type { Tried } from './tried';
import { useWork, type WorkView } from './work-context';

/** A repair as it would be, while somebody drags it: checked and drawn, kept nowhere. */
interface Trying {
  readonly tried: WorkedRepair | undefined;
  /** States of its member with it; undefined while nothing is dragged. */
  readonly triedStates: readonly MemberState[] | undefined;
  /** Checks the repair of this id as it would be. It stands until the member is worked out anew, or it is let go. */
  readonly tryOut: (repair: Repair) => void;
  readonly letGo: () => void;
}

const TryingContext = createContext<Trying | undefined>(undefined);

export function useTrying(): Trying {
  const trying = useContext(TryingContext);
  if (!trying) throw new Error('useTrying is used outside a job');
  return trying;
}

export function TryingProvider({ children }: { children: ReactNode }) {
  const { file } = useRecords();
  const { work } = useWork();
  const [held, setHeld] = useState<Tried & { readonly from: WorkView }>();
  // What was asked before is answered no more once something else is, or it is let go.
  const asked = useRef<symbol>(undefined);
  const tryOut = useCallback(
    async (repair: Repair) => {
      if (!work) return;
      const mine = (asked.current = Symbol());
      const part = await loadedLater(() => import('./tried'));
      if (part && asked.current === mine) setHeld({ ...part.triedAs(work, repair, file), from: work });
    },
    [work, file],
  );
  const value = useMemo<Trying>(() => {
    const here = work && held?.from === work ? held : undefined;
    return {
      tried: here?.tried,
      triedStates: here?.states,
      tryOut: (repair) => void tryOut(repair),
      letGo: () => {
        asked.current = undefined;
        setHeld(undefined);
      },
    };
  }, [held, work, tryOut]);
  return <TryingContext.Provider value={value}>{children}</TryingContext.Provider>;
}

/** Repairs of the member in sight, the one that is being dragged as it would be. */
export function useShownRepairs(): readonly WorkedRepair[] {
  const { work } = useWork();
  const { tried } = useTrying();
  return useMemo(
    () => (work?.repairs ?? []).map((each) => (tried && each.repair.id === tried.repair.id ? tried : each)),
    [work, tried],
  );
}

/** States of the member in sight with its repairs as they are shown. */
export function useShownStates(): readonly MemberState[] {
  const { states } = useWork();
  const { triedStates } = useTrying();
  return triedStates ?? states;
}
