'use client';

import { usePathname } from 'next/navigation';
import { useMemo, type ReactNode } from 'react';
import type { Frame } from '@/core/frame';
import type { StateId } from '@/core/shape';
import { Skeleton, type SkeletonProps } from '@/ui/skeleton';
import { Pick } from '@/ui/controls';
import { useMember, usePlaceLater } from './place-context';
import { useRecordsLater } from './records-context';
import { skeletonMarks } from './skeleton-marks';
import { SlicePanel } from './slice-panel';
import { useWork } from './work-context';

/** The common bench of a verb: Skeleton left, the verb's own work in the middle, Slice right. Narrow screens stack them. */
export function Bench({
  children,
  slice = 'as found',
  picker = true,
  ...skeleton
}: {
  children: ReactNode;
  slice?: StateId | false;
  /** A list of members to choose from, where the Skeleton is not in sight or has many. */
  picker?: boolean;
  draft?: Frame;
  onMove?: SkeletonProps['onMove'];
}) {
  const columns = slice ? 'lg:grid-cols-[206px_minmax(0,1fr)_292px]' : 'lg:grid-cols-[206px_minmax(0,1fr)]';
  return (
    <div className={`lg:grid lg:min-h-[calc(100dvh-60px)] ${columns}`}>
      <aside className="hidden border-r border-rule px-1 pt-3 lg:block" aria-label="Skeleton">
        <div className="sticky top-[calc(var(--head,80px)+12px)]">
          <JobSkeleton {...skeleton} />
        </div>
      </aside>
      <main id="main" className="min-w-0 px-3 pb-10 pt-3 lg:px-4">
        <Heading />
        {picker && <MemberPicker />}
        {children}
      </main>
      {slice && (
        <aside
          className="border-t border-rule bg-sheet px-3 pb-8 pt-3 lg:border-l lg:border-t-0"
          aria-label="Slice"
        >
          <div className="lg:sticky lg:top-[calc(var(--head,80px)+12px)]">
            <SlicePanel shows={slice} />
          </div>
        </aside>
      )}
    </div>
  );
}

/** Screens whose own first words are their heading. */
const HEADED: ReadonlySet<string> = new Set(['frame', 'weigh']);

/** Which screen this is, for whoever hears it instead of seeing it. */
function Heading() {
  const verb = usePathname().split('/')[3] ?? '';
  const { tag } = useRecordsLater().file.unit;
  return HEADED.has(verb) ? null : (
    <h1 className="sr-only">
      {tag}: {verb}
    </h1>
  );
}

function JobSkeleton({ draft, onMove }: { draft?: Frame; onMove?: SkeletonProps['onMove'] }) {
  const { file } = useRecordsLater();
  const { member, selectMember } = useMember();
  const { cursor } = usePlaceLater();
  const { summaries } = useWork();
  const { evidence, strikes } = file;
  const marks = useMemo(
    () => skeletonMarks({ evidence, strikes }, summaries),
    [evidence, strikes, summaries],
  );
  return (
    <Skeleton
      frame={draft ?? file.frame}
      marks={marks}
      selected={member.id}
      cursorMm={cursor.stationMm}
      onSelect={selectMember}
      height={640}
      {...(onMove && { onMove })}
    />
  );
}

function MemberPicker() {
  const { members } = useRecordsLater().file.frame;
  const { member, selectMember } = useMember();
  const { summaries } = useWork();
  const names = new Map(members.map((each) => [each.id, each.name]));
  return (
    <Pick
      label="Member"
      className={`mb-2 ${members.length > 12 ? '' : 'lg:hidden'}`}
      value={member.id}
      options={members.map((each) => each.id)}
      onPick={selectMember}
      words={(id) => `${names.get(id)}: ${summaries.get(id)?.verdict.verdict ?? '…'}`}
    />
  );
}
