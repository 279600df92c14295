'use client';

import type { WorkedRepair } from '@/core/job';
import type { JoinDesk } from './use-join';

/** What the engine proposes is nobody's yet: records hang on a repair that somebody took over. */
export function TakeOver({ join, worked, what }: { join: JoinDesk; worked: WorkedRepair; what: string }) {
  return (
    <p className="mt-2 flex flex-wrap items-center gap-3 text-lg">
      Proposed by the engine, not yet kept: {what} on a repair that stands.
      <button type="button" className="solid" onClick={() => join.change(worked, () => ({}))}>
        Take this repair over
      </button>
    </p>
  );
}
