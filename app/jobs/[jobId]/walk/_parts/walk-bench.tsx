'use client';

import { useMemo } from 'react';
import { jobSpots, stands } from '@/core/job';
import { Bench, PartsNav, usePart, useRecords } from '../../../_desk';
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
  const part = usePart(PARTS);
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
      <PartsNav label="Parts of the walk" parts={PARTS} words={PART_WORDS} counts={counts} open={part} />
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
