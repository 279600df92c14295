'use client';

import { standsOn } from '@/core/job';
import { useMemo } from 'react';
import { lengthDigits } from '@/core/quantity';
import { leftOfPlan, nextReadings, readingsThatMattered, surveyPlan, type NextReading } from '@/core/weigh';
import { faceWords } from '@/ui/strip';
import { useMember, useReader, useRecordsLater, useWork } from '../../../_desk';
import { printStation } from '../../../../_words/station';

export interface Next {
  readonly next: readonly NextReading[];
  readonly planned: number;
  readonly mattered: number | undefined;
  readonly readings: number;
  readonly isKnown: boolean;
}

/** Where one more reading would tell most; first the coarse plan, then what the decision hangs on; nothing once no reading would change it. */
export function useNext(): Next {
  const { file } = useRecordsLater();
  const { member } = useMember();
  const { work } = useWork();
  const picture = work?.picture.member.id === member.id ? work.picture : undefined;
  const asked = useMemo(() => (picture?.map ? nextReadings(picture) : []), [picture]);
  return useMemo(() => {
    const own = standsOn(file, 'reading', member.id);
    const left = leftOfPlan(surveyPlan(member), own);
    // Until a third of the plan is read the plan leads: doubt cannot be reckoned from nothing.
    const planLeads = !picture?.map || left.length > (2 / 3) * surveyPlan(member).length;
    return {
      next: planLeads ? left.slice(0, 8) : asked,
      planned: planLeads ? left.length : 0,
      mattered: picture?.map ? readingsThatMattered(picture, own) : undefined,
      readings: own.length,
      isKnown: own.length === 0 || picture?.map !== undefined,
    };
  }, [file, member, picture, asked]);
}

const WHY_WORDS: Readonly<Record<NextReading['why'], string>> = {
  plan: 'the coarse plan',
  'edge against the margin': 'is the margin long enough here?',
  'edge between columns': 'how the edge runs between two columns',
  'edge open below': 'nothing read further down',
  'no sound metal yet': 'is there sound metal at all?',
  'strength kept': 'what is kept of the section',
  'not read': 'a stretch nobody read',
};

export function NextPanel({ asked, onGo }: { asked: Next; onGo: (place: NextReading) => void }) {
  const { system } = useReader();
  const { member } = useMember();
  const { next, planned, mattered, readings, isKnown } = asked;
  if (!isKnown) return null;
  return (
    <section className="mt-3 border-t border-rule pt-2" aria-label="Next reading">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <h3 className="text-lg font-semibold">
          Next reading <kbd className="border border-edge px-1 text-sm">n</kbd>
        </h3>
        {next.length === 0 && (
          <p className="font-semibold">
            No reading would change the decision: stop here, or go on for the record.
          </p>
        )}
        {next.slice(0, 3).map((place) => (
          <button
            key={`${place.face}-${place.stationMm}-${place.heightMm}`}
            type="button"
            className="plain"
            onClick={() => onGo(place)}
          >
            {printStation(member, place.stationMm, system)}, {faceWords(member, place.face)}{' '}
            {lengthDigits(place.heightMm, system, 'length')}
            <span className="caption">{WHY_WORDS[place.why]}</span>
          </button>
        ))}
      </div>
      <p className="caption">
        {planned > 0
          ? `${planned} places of the coarse plan are not read yet.`
          : readings > 0 && mattered !== undefined
            ? `${mattered} of ${readings} readings set the edge or stand at the weakest station.`
            : ''}
      </p>
    </section>
  );
}
