'use client';

import { stands, standsOn } from '@/core/job';
import { useCallback, useMemo, useState } from 'react';
import { faceOf, twinOf } from '@/core/frame';
import {
  ATMOSPHERE_BY_EXPOSURE,
  changesBetween,
  forecasts,
  foundNominal,
  nextLook,
  soundThresholdMm,
  thinnest,
  type LossForecast,
} from '@/core/probe';
import { lengthDigits, percent, printLength, significant } from '@/core/quantity';
import {
  ATMOSPHERES,
  ATMOSPHERE_SOURCE,
  CAVITY_MM_PER_YEAR,
  printSource,
  type Atmosphere,
} from '@/core/reference';
import { lowerBound } from '@/core/weigh';
import { Entry, Pick } from '@/ui/controls';
import { EdgeLayer, faceWords, MapLayer, ReadingLayer, Strip, type StripScale } from '@/ui/strip';
import { useQuery } from '@tanstack/react-query';
import { askEarlier, type EarlierSurvey } from '../../../../_client';
import { useRemembered } from '../../../../_parts/remembered';
import { useMember, usePlace, useReader, useRecordsLater, useWork } from '../../../_desk';
import { printStation, stationDigits } from '../../../../_words/station';

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

function Twin() {
  const { file } = useRecordsLater();
  const { system } = useReader();
  const { member, setCursor } = useMember();
  const { cursor, stretch } = usePlace();
  const { views } = useWork();
  const twin = twinOf(file.frame, member);
  const work = twin && views.get(twin.id);
  const readings = useMemo(() => (twin ? standsOn(file, 'reading', twin.id) : []), [file, twin]);
  const layers = useCallback(
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
  if (!twin) return <p>{member.name} has no twin on the other side.</p>;
  const hereS = (id: string) => {
    const sections = views.get(id)?.picture.sections ?? [];
    const at = [...sections].sort(
      (a, b) => Math.abs(a.stationMm - cursor.stationMm) - Math.abs(b.stationMm - cursor.stationMm),
    )[0];
    return at && Math.abs(at.stationMm - cursor.stationMm) < 60
      ? percent(Math.min(lowerBound(at.kept.modulusTop!), lowerBound(at.kept.modulusBottom!)))
      : 'not read';
  };
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
  const own = useMemo(() => standsOn(file, 'reading', member.id), [file, member]);
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

const FROM_WORDS: Readonly<Record<LossForecast['from'], string>> = {
  'two surveys': 'by two surveys, half as much again for planning',
  'no loss seen': 'two surveys show none beyond their own error',
  'nominal and age': 'by nominal and age, half as much again for planning',
  'outside air': `by open air on one face; ${printSource(ATMOSPHERE_SOURCE)}`,
  'wet debris inside': 'by wet salty debris inside; common practice, no source',
};

function Rates({ surveys }: { surveys: readonly EarlierSurvey[] | undefined }) {
  const { file } = useRecordsLater();
  const { system } = useReader();
  const { member } = useMember();
  const { work } = useWork();
  const [age, setAge] = useRemembered(`ossatura-age-${file.unit.id}`, '');
  const [air, setAir] = useState<Atmosphere>(ATMOSPHERE_BY_EXPOSURE[file.unit.exposure]);
  const [cavity, setCavity] = useState(
    member.shape.kind === 'box' || member.shape.kind === 'tube' || member.shape.kind === 'hat',
  );
  const [inside, setInside] = useState({
    low: String(CAVITY_MM_PER_YEAR[0]),
    high: String(CAVITY_MM_PER_YEAR[1]),
  });
  const zones = work?.picture.member.id === member.id ? work.picture.zones : [];
  const [zone, setZone] = useState('whole');
  const inZone = zones[Number(zone)];
  const own = useMemo(
    () =>
      stands(file, 'reading').filter(
        (reading) =>
          reading.memberId === member.id &&
          (!inZone || (reading.stationMm >= inZone.fromMm - 1 && reading.stationMm <= inZone.toMm + 1)),
      ),
    [file, member, inZone],
  );
  const before = useMemo(
    () => [...(surveys ?? []).flatMap((survey) => survey.readings), ...own],
    [surveys, own],
  );
  const changes = useMemo(() => changesBetween(before, own), [before, own]);
  const worst = useMemo(() => thinnest(member, own), [member, own]);
  if (!worst)
    return (
      <p className="border-t border-rule pt-2">
        No reading of metal here yet: nothing to say how long it lasts.{' '}
        {inZone && (
          <button type="button" className="hit underline" onClick={() => setZone('whole')}>
            the whole member
          </button>
        )}
      </p>
    );
  const years = Number(age);
  const [low, high] = [Number(inside.low), Number(inside.high)];
  const limitMm =
    (soundThresholdMm(member.shape.thicknessMm, file.practice) * worst.wallMm) / member.shape.thicknessMm;
  const all = forecasts({
    thicknessMm: worst.reading.thicknessMm,
    limitMm,
    nominalMm: worst.wallMm,
    changes,
    atmosphere: air,
    cavity,
    ...(years > 0 && { ageYears: years }),
    ...(low >= 0 && high >= low && { cavityMmPerYear: [low, high] as const }),
  });
  const rate = (mm: number) =>
    system === 'in' ? `${significant(mm / 0.0254, 2)} mil` : `${significant(mm, 2)} mm`;
  const look = nextLook(all[0]!, new Date().toISOString());
  return (
    <section aria-label="How fast it goes" className="border-t border-rule pt-2">
      <h3 className="font-semibold">How fast it goes</h3>
      <p>
        Thinnest: {printLength(worst.reading.thicknessMm, system, 'thickness')} at{' '}
        {printStation(member, worst.reading.stationMm, system)}, {faceWords(member, worst.reading.face)};
        sound down to {printLength(limitMm, system, 'thickness')}.{' '}
        {look ? `Look again by ${look}.` : 'Past the limit already: it is for Weigh, not for waiting.'}
      </p>
      <div className="flex flex-wrap items-end gap-2">
        <Pick
          label="zone"
          value={zone}
          options={['whole', ...zones.map((_, k) => String(k))]}
          words={(id) =>
            id === 'whole'
              ? 'whole member'
              : `${stationDigits(member, zones[Number(id)]!.fromMm, system)} to ${printStation(member, zones[Number(id)]!.toMm, system)}`
          }
          onPick={setZone}
        />
        <Entry
          label="age"
          unit="years"
          className="w-24"
          inputMode="decimal"
          value={age}
          onChange={(event) => setAge(event.target.value)}
        />
        <Pick
          label="air outside"
          value={air}
          options={Object.keys(ATMOSPHERES) as Atmosphere[]}
          words={(id) => `${id}: ${ATMOSPHERES[id][0]} to ${ATMOSPHERES[id][1]} µm in the first year`}
          onPick={setAir}
        />
        <label className="plain">
          <input
            type="checkbox"
            className="size-5"
            checked={cavity}
            onChange={(event) => setCavity(event.target.checked)}
          />{' '}
          wet debris inside
        </label>
        {cavity && (
          <>
            <Entry
              label="inside, from"
              unit="mm/year"
              className="w-28"
              value={inside.low}
              onChange={(event) => setInside({ ...inside, low: event.target.value })}
            />
            <Entry
              label="to"
              unit="mm/year"
              className="w-28"
              value={inside.high}
              onChange={(event) => setInside({ ...inside, high: event.target.value })}
            />
          </>
        )}
      </div>
      <ul className="ruled mt-2 border-y border-rule">
        {all.map((each) => (
          <li key={each.from} className="py-1">
            {each.from === 'no loss seen' ? (
              <span className="font-semibold">
                no loss seen between surveys: less than {rate(each.ratePerYearMm[1])} a year
              </span>
            ) : (
              <>
                <span className="font-semibold">
                  {each.bands[0] === each.bands[1] ? each.bands[0] : `${each.bands[0]} or ${each.bands[1]}`}
                </span>{' '}
                <span>
                  {rate(each.ratePerYearMm[0])} to {rate(each.ratePerYearMm[1])} a year
                </span>{' '}
                <span className="caption">{FROM_WORDS[each.from]}</span>
              </>
            )}
          </li>
        ))}
      </ul>
      {surveys === undefined ? (
        <p role="status" className="caption">
          looking for earlier surveys…
        </p>
      ) : changes.length === 0 ? (
        <p className="caption">
          No place of this member was read twice, three months or more apart
          {surveys.length ? `; earlier surveys: ${surveys.map((survey) => survey.title).join(', ')}` : ''}.
        </p>
      ) : (
        <table className="mt-2 w-full text-[15px]">
          <caption className="text-left font-semibold">
            Against the last survey: {changes.length} places read twice
          </caption>
          <thead>
            <tr className="caption text-left">
              <th scope="col" className="font-normal">
                station, {system}
              </th>
              <th scope="col" className="font-normal">
                face
              </th>
              <th scope="col" className="font-normal">
                then, {system}
              </th>
              <th scope="col" className="font-normal">
                now, {system}
              </th>
              <th scope="col" className="font-normal">
                loss a year
              </th>
            </tr>
          </thead>
          <tbody className="ruled">
            {changes.slice(0, 8).map((change) => (
              <tr key={`${change.stationMm}-${change.face}-${change.heightMm}`}>
                <td className="py-0.5">{stationDigits(member, change.stationMm, system)}</td>
                <td>{faceWords(member, change.face)}</td>
                <td>{lengthDigits(change.beforeMm, system, 'thickness')}</td>
                <td>{lengthDigits(change.nowMm, system, 'thickness')}</td>
                <td className="font-semibold">
                  {rate(change.lossPerYearMm)} ± {rate(change.errorPerYearMm)}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}
