'use client';

import { standsOn } from '@/core/job';
import { useCallback, useMemo, useState } from 'react';
import { faceOf, twinOf, type Member } from '@/core/frame';
import { foundNominal, nominalMm } from '@/core/probe';
import { percent, printLength } from '@/core/quantity';
import { lowerBound, type SectionKept } from '@/core/weigh';
import { EdgeLayer, MapLayer, ReadingLayer, Strip, type StripScale } from '@/ui/strip';
import { useQuery } from '@tanstack/react-query';
import { askEarlier, type EarlierSurvey } from '../../../../_client';
import { useMember, usePlace, useReader, useRecordsLater, useWork } from '../../../_desk';
import { printStation } from '../../../../_words/station';
import { Rates } from './rates';

const NONE: ReadonlySet<string> = new Set();

/** The unit's earlier surveys, fetched once the panel is opened. */
function useEarlier(open: boolean): readonly EarlierSurvey[] | undefined {
  const jobId = useRecordsLater().file.job.id;
  const { data } = useQuery({
    queryKey: ['earlier', jobId],
    queryFn: () => askEarlier(jobId),
    enabled: open,
  });
  return data && (data.ok ? data.value : []);
}

/** This member against its twin on the same ruler, and against what was read before; what it was made of; how fast it goes. */
export function ComparePanel() {
  const [open, setOpen] = useState(false);
  const surveys = useEarlier(open);
  return (
    <details
      className="mt-3 border-t border-rule pt-1"
      onToggle={(event) => setOpen(event.currentTarget.open)}
    >
      <summary className="hit flex items-center font-semibold">
        Compare: its twin, the last survey, how fast it goes
      </summary>
      {open && (
        <>
          <Twin />
          <Nominal />
          <Rates surveys={surveys} />
        </>
      )}
    </details>
  );
}

/** The twin's map, sound edge and readings. */
function useTwinLayers(twin: Member | undefined) {
  const { file } = useRecordsLater();
  const { views } = useWork();
  const work = twin && views.get(twin.id);
  const readings = useMemo(() => (twin ? standsOn(file, 'reading', twin.id) : []), [file, twin]);
  return useCallback(
    (scale: StripScale) =>
      twin && (
        <>
          {work?.contours ? (
            <MapLayer contours={work.contours} scale={scale} />
          ) : (
            <rect
              x={scale.left}
              y={scale.top}
              width={scale.width}
              height={scale.height}
              fill="url(#strip-unseen)"
            />
          )}
          {work && <EdgeLayer member={twin} edges={work.picture.edges} scale={scale} />}
          <ReadingLayer member={twin} readings={readings} struck={NONE} scale={scale} />
        </>
      ),
    [twin, work, readings],
  );
}

/** How far from a place a worked-out section still speaks for it, mm. */
const NEAR_MM = 60;
/** What is kept of the lesser modulus by the section nearest to a place. */
function keptWords(sections: readonly SectionKept[], atMm: number): string {
  const off = ({ stationMm }: SectionKept) => Math.abs(stationMm - atMm);
  const [nearest] = [...sections].sort((a, b) => off(a) - off(b));
  return nearest && off(nearest) < NEAR_MM
    ? percent(Math.min(lowerBound(nearest.kept.modulusTop!), lowerBound(nearest.kept.modulusBottom!)))
    : 'not read';
}

function Twin() {
  const { file } = useRecordsLater();
  const { system } = useReader();
  const { member, setCursor } = useMember();
  const { cursor, stretch } = usePlace();
  const { views } = useWork();
  const twin = twinOf(file.frame, member);
  const layers = useTwinLayers(twin);
  if (!twin) return <p>{member.name} has no twin on the other side.</p>;
  const hereS = (id: string) => keptWords(views.get(id)?.picture.sections ?? [], cursor.stationMm);
  return (
    <section aria-label="Twin" className="mb-3">
      <p>
        <span className="font-semibold">{twin.name}</span> on the same ruler. At{' '}
        {printStation(member, cursor.stationMm, system)} S kept, lower bound: {member.name.toLowerCase()}{' '}
        {hereS(member.id)}, {twin.name.toLowerCase()} {hereS(twin.id)}.
      </p>
      <Strip
        frame={file.frame}
        member={twin}
        stretch={stretch}
        cursor={{ ...cursor, face: faceOf(twin.shape, cursor.face) ? cursor.face : 'top' }}
        system={system}
        height={230}
        onSpot={(spot) => setCursor({ ...cursor, stationMm: spot.stationMm })}
        label={`Strip of ${twin.name}, to compare`}
      >
        {layers}
      </Strip>
    </section>
  );
}

const SURE_WORDS = {
  firm: 'firm',
  'one of two': 'one of these',
  open: 'open: a caliper at an edge would tell',
} as const;

function Nominal() {
  const { file } = useRecordsLater();
  const { system } = useReader();
  const { member } = useMember();
  // A beam’s flanges may be of another plate than its web, which is what the frame names.
  const own = useMemo(
    () =>
      standsOn(file, 'reading', member.id).filter(
        ({ face }) => nominalMm(member, face) === member.shape.thicknessMm,
      ),
    [file, member],
  );
  const found = useMemo(() => foundNominal(own), [own]);
  return (
    <section aria-label="What it was made of" className="mb-3 border-t border-rule pt-2">
      <h3 className="font-semibold">What it was made of</h3>
      {!found ? (
        <p>Five readings or more are needed; felt ones do not count.</p>
      ) : (
        <p>
          The {found.fromReadings} thickest credible readings are about{' '}
          {printLength(found.thicknessMm, system, 'thickness')}:{' '}
          {found.guesses.length
            ? found.guesses
                .slice(0, 3)
                .map(
                  (guess) =>
                    `${guess.name} (${printLength(guess.thicknessMm, system, 'thickness')}) ${percent(guess.share)}`,
                )
                .join(', ')
            : 'no usual gauge, fraction or plate'}
          ; {SURE_WORDS[found.sure]}. The frame says{' '}
          {printLength(member.shape.thicknessMm, system, 'thickness')}.
        </p>
      )}
    </section>
  );
}
