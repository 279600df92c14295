'use client';

import { useMemo, type ReactNode } from 'react';
import { standing, type Frame } from '@/core/frame';
import { crackExtent } from '@/core/trace';
import type { StateId } from '@/core/shape';
import { isDoubtful, latest, ofKind, signWeight } from '@/core/walk';
import { Skeleton, type MemberMark, type SkeletonProps } from '@/ui/skeleton';
import { Pick } from '@/ui/controls';
import { useDesk } from './desk';
import { SlicePanel } from './slice-panel';

/** The common bench of a verb: Skeleton left, the verb's own work in the middle, Slice right. Narrow screens stack them. */
export function Bench({
  children,
  slice = 'as found',
  picker = true,
  draft,
  onMove,
}: {
  children: ReactNode;
  slice?: StateId | false;
  /** A list of members to choose from, where the Skeleton is not in sight or has many. */ picker?: boolean;
  draft?: Frame;
  onMove?: SkeletonProps['onMove'];
}) {
  const { file, works, member, selectMember, cursor } = useDesk();
  const marks = useMemo(() => {
    const cracks = standing(file.cracks, file.strikes);
    const walk = standing(file.walk, file.strikes);
    const found = [
      ...ofKind(walk, 'sign')
        .filter((sign) => !['note', 'sound'].includes(signWeight(sign.detail)))
        .map((sign) => ({ memberId: sign.memberId, stationMm: sign.stationMm, seen: true })),
      ...[...latest(ofKind(walk, 'look'), (look) => look.spotId).values()]
        .filter(
          (look) => look.memberId !== undefined && (look.result === 'not seen' || isDoubtful(look.result)),
        )
        .map((look) => ({
          memberId: look.memberId!,
          stationMm: look.stationMm!,
          seen: look.result !== 'not seen',
        })),
    ];
    return new Map<string, MemberMark>(
      [...works].map(([id, work]) => [
        id,
        {
          verdict: work.verdict.verdict,
          sections: work.picture.sections,
          measured: work.picture.map !== undefined,
          found: found.filter((each) => each.memberId === id),
          crackStationsMm: cracks
            .filter((crack) => crack.memberId === id)
            .map((crack) => (crackExtent(crack).fromMm + crackExtent(crack).toMm) / 2),
        },
      ]),
    );
  }, [works, file.cracks, file.walk, file.strikes]);
  return (
    <div
      className={`lg:grid lg:min-h-[calc(100dvh-60px)] ${slice ? 'lg:grid-cols-[206px_minmax(0,1fr)_292px]' : 'lg:grid-cols-[206px_minmax(0,1fr)]'}`}
    >
      <aside className="hidden border-r border-rule px-1 pt-3 lg:block" aria-label="Skeleton">
        <div className="sticky top-[92px]">
          <Skeleton
            frame={draft ?? file.frame}
            marks={marks}
            selected={member.id}
            cursorMm={cursor.stationMm}
            onSelect={selectMember}
            height={640}
            {...(onMove && { onMove })}
          />
        </div>
      </aside>
      <main className="min-w-0 px-3 pb-10 pt-3 lg:px-4">
        {picker && (
          <Pick
            label="Member"
            className={`mb-2 ${file.frame.members.length > 12 ? '' : 'lg:hidden'}`}
            value={member.id}
            options={file.frame.members.map((each) => each.id)}
            onPick={selectMember}
            words={(id) =>
              `${file.frame.members.find((each) => each.id === id)!.name}: ${works.get(id)?.verdict.verdict ?? '…'}`
            }
          />
        )}
        {children}
      </main>
      {slice && (
        <aside
          className="border-t border-rule bg-sheet px-3 pb-8 pt-3 lg:border-l lg:border-t-0"
          aria-label="Slice"
        >
          <div className="lg:sticky lg:top-[92px]">
            <SlicePanel shows={slice} />
          </div>
        </aside>
      )}
    </div>
  );
}
