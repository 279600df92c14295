'use client';

import { useSearchParams } from 'next/navigation';
import { useMemo } from 'react';
import { jobSpots, stands } from '@/core/job';
import { Bench, useRecords } from '../../../_desk';
import { BuyingPart } from './buying-part';
import { ComplaintPart } from './complaint-part';
import { LiftPart } from './lift-part';
import { PhotosPart } from './photos-part';
import { RoundPart } from './round-part';
import { SignsPart } from './signs-part';
import { TapPart } from './tap-part';

const PARTS = ['round', 'signs', 'lift', 'complaint', 'photos', 'tap', 'buying'] as const;
type Part = (typeof PARTS)[number];
const PART_WORDS: Readonly<Record<Part, string>> = {
  round: 'Round',
  signs: 'Signs',
  lift: 'Lift?',
  complaint: 'Complaint',
  photos: 'Photos',
  tap: 'Tap ear',
  buying: 'Buying',
};

/** Look before you lift: the round, what was found on it, and what may be done because of it. */
export function WalkBench() {
  const { file } = useRecords();
  const asked = useSearchParams().get('part');
  const part = PARTS.find((each) => each === asked) ?? 'round';
  const beforeBuying = file.job.purpose === 'pre-purchase look';
  const states = useMemo(() => jobSpots(file, beforeBuying), [file, beforeBuying]);
  const counts = useMemo(
    (): Partial<Record<Part, number>> => ({
      signs: stands(file, 'sign').length,
      complaint: stands(file, 'complaint').length,
      photos: stands(file, 'photo').length,
      tap: stands(file, 'tap').length,
    }),
    [file],
  );

  return (
    <Bench slice={false} picker={part === 'signs' || part === 'tap' || part === 'photos'}>
      <nav
        aria-label="Parts of the walk"
        className="-mx-3 mb-3 flex overflow-x-auto border-b border-rule px-3 lg:-mx-4 lg:px-4"
      >
        {PARTS.map((each) => (
          <button
            key={each}
            type="button"
            aria-current={each === part ? 'page' : undefined}
            onClick={() => openPart(each)}
            className="hit relative shrink-0 whitespace-nowrap px-3 text-[16px] font-medium aria-[current=page]:font-bold"
          >
            {PART_WORDS[each]}
            {counts[each] ? <span className="caption"> {counts[each]}</span> : null}
            {each === part && <span aria-hidden className="absolute inset-x-1 bottom-0 h-[4px] bg-here" />}
          </button>
        ))}
      </nav>
      {part === 'round' && <RoundPart states={states} />}
      {part === 'signs' && <SignsPart />}
      {part === 'lift' && <LiftPart />}
      {part === 'complaint' && <ComplaintPart states={states} />}
      {part === 'photos' && <PhotosPart />}
      {part === 'tap' && <TapPart />}
      {part === 'buying' && <BuyingPart />}
    </Bench>
  );
}

/** Parts are places of their own: the address names them, back and reload keep them. */
export function openPart(part: Part): void {
  const url = new URL(window.location.href);
  url.searchParams.set('part', part);
  window.history.pushState(null, '', url);
}
