'use client';

import { createContext, useContext, useMemo, useState, type ReactNode } from 'react';
import { besideRepairs, workRepair, type JobFile, type WorkedRepair } from '@/core/job';
import { memberStates, repairPicture, type MemberState, type Repair } from '@/core/shape';
import { useRecords } from './records-context';
import { useWork, type WorkView } from './work-context';

/** A repair as it would be, while somebody drags it: checked and drawn, kept nowhere. */
interface Trying {
  readonly tried: WorkedRepair | undefined;
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
  const [asked, setAsked] = useState<{ readonly repair: Repair; readonly from: WorkView }>();
  const value = useMemo<Trying>(
    () => ({
      tried: work && asked?.from === work ? workedAs(work, asked.repair, file) : undefined,
      tryOut: (repair) => work && setAsked({ repair, from: work }),
      letGo: () => setAsked(undefined),
    }),
    [asked, work, file],
  );
  return <TryingContext.Provider value={value}>{children}</TryingContext.Provider>;
}

/** As if it had been kept so. */
function workedAs({ picture, repairs }: WorkView, repair: Repair, file: JobFile): WorkedRepair {
  const { isProposal = false } = repairs.find((each) => each.repair.id === repair.id) ?? {};
  const beside = besideRepairs(file, picture.member);
  return workRepair(repairPicture(picture, repair), isProposal, file.grossMassKg, beside);
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
  const { work, states } = useWork();
  const { tried } = useTrying();
  const repairs = useShownRepairs();
  return useMemo(
    () =>
      work && tried
        ? memberStates(
            work.picture,
            repairs.map(({ repair }) => repair),
            work.letIn,
          )
        : states,
    [work, states, tried, repairs],
  );
}
