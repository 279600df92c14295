'use client';

import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import type { JobFile } from '@/core/job';
import type { UnitSystem } from '@/core/quantity';
import { PlaceProvider } from './place-context';
import { ReaderProvider } from './reader-context';
import { RecordsProvider } from './records-context';
import { TryingProvider } from './trying-context';
import { useEngine } from './use-engine';
import { WorkProvider } from './work-context';

/**
 * Everything a job's screens stand on, in five parts that change at different times: who reads (units, initials), the records, the place
 * looked at, what was worked out, and what is only being tried. A screen listens to what it shows and to nothing else.
 */
export function DeskProvider({
  initial,
  madeAt,
  initialSystem,
  children,
}: {
  initial: JobFile;
  madeAt: string;
  initialSystem: UnitSystem;
  children: ReactNode;
}) {
  const [queries] = useState(() => new QueryClient());
  const engine = useEngine(initial, initial.frame.members[0]!.id);
  return (
    <QueryClientProvider client={queries}>
      <ReaderProvider initialSystem={initialSystem} openedBy={initial.job.openedBy}>
        <RecordsProvider initial={initial} madeAt={madeAt} onChange={engine.hear}>
          <PlaceProvider onShow={engine.show}>
            <WorkProvider engine={engine}>
              <TryingProvider>{children}</TryingProvider>
            </WorkProvider>
          </PlaceProvider>
        </RecordsProvider>
      </ReaderProvider>
    </QueryClientProvider>
  );
}
