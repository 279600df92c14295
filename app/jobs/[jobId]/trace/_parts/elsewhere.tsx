'use client';

import Link from 'next/link';
import { useMemo } from 'react';
import { hostOf } from '@/core/frame';
import { stands } from '@/core/job';
import { printLength } from '@/core/quantity';
import { openFinds } from '@/core/walk';
import { FIND_PART_WORDS } from '../../../../_words/walk';
import { useMember, useReader, useRecordsLater } from '../../../_desk';

/** Cracks and gaps of what is no member's wall: brackets, welds, joints, skins and floors. They are looked at where they are walked to. */
export function Elsewhere() {
  const { file } = useRecordsLater();
  const { system } = useReader();
  const { member } = useMember();
  const cracked = useMemo(
    () =>
      openFinds(stands(file, 'find'), file.practice.hand).filter(
        ({ find: { state } }) => state.is === 'cracked' || state.is === 'torn' || state.is === 'gap',
      ),
    [file],
  );
  return (
    <section aria-label="On brackets, welds, joints and skins" className="mt-4 border-t border-rule pt-2">
      <h3 className="text-lg font-semibold">
        On brackets, welds, joints, skins and floors: {cracked.length}
      </h3>
      <ul className="ruled">
        {cracked.map(({ find, grownMm }) => {
          const { state } = find;
          const mm = state.is === 'gap' ? state.openMm : 'longMm' in state ? state.longMm : undefined;
          return (
            <li key={find.id} className="flex flex-wrap items-center gap-x-4 py-1">
              <span className="font-semibold">
                {hostOf(file.frame, find.on, find.hostId)?.name ?? find.title}
              </span>
              <span>
                {FIND_PART_WORDS[find.part]} {state.is}
                {mm !== undefined && `, ${printLength(mm, system, 'length')}`}
                {grownMm !== undefined && grownMm > 0 && (
                  <span className="font-semibold text-oxide">
                    , grown by {printLength(grownMm, system, 'length')}
                  </span>
                )}
              </span>
              <span className="caption">
                {find.by}
                {find.memberIds.includes(member.id) && '; on this member'}
              </span>
            </li>
          );
        })}
      </ul>
      <p className="caption">
        A crack of these has a length and no path; record it, and each later look at it,{' '}
        <Link className="underline" href={`/jobs/${file.job.id}/walk?member=${member.id}`}>
          at its spot on the way round
        </Link>
        . The last length counts, and says how much it grew.
      </p>
    </section>
  );
}
