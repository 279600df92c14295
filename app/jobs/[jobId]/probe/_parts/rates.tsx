'use client';

import { stands } from '@/core/job';
import { useMemo, useState } from 'react';
import {
  ATMOSPHERE_BY_EXPOSURE,
  changesBetween,
  forecasts,
  nextLook,
  soundThresholdMm,
  thinnest,
  type LossForecast,
} from '@/core/probe';
import { lengthDigits, printLength, significant, type UnitSystem } from '@/core/quantity';
import {
  ATMOSPHERES,
  ATMOSPHERE_SOURCE,
  CAVITY_MM_PER_YEAR,
  printSource,
  type Atmosphere,
} from '@/core/reference';
import { type DamageZone } from '@/core/weigh';
import { Entry, Pick } from '@/ui/controls';
import { faceWords } from '@/ui/strip';
import { type EarlierSurvey } from '../../../../_client';
import { useRemembered } from '../../../../_parts/remembered';
import { useMember, useReader, useRecordsLater, useWork } from '../../../_desk';
import { printStation, stationDigits } from '../../../../_words/station';

const FROM_WORDS: Readonly<Record<LossForecast['from'], string>> = {
  'two surveys': 'by two surveys, half as much again for planning',
  'no loss seen': 'two surveys show none beyond their own error',
  'nominal and age': 'by nominal and age, half as much again for planning',
  'outside air': `by open air on one face; ${printSource(ATMOSPHERE_SOURCE)}`,
  'wet debris inside': 'by wet salty debris inside; common practice, no source',
};

/** What is asked of how fast it goes, as it is typed. */
interface Asked {
  /** The number of a zone, or `whole`. */
  readonly zone: string;
  readonly air: Atmosphere;
  readonly cavity: boolean;
  readonly low: string;
  readonly high: string;
}

const CLOSED_INSIDE: ReadonlySet<string> = new Set(['box', 'tube', 'hat']);

export function Rates({ surveys }: { surveys: readonly EarlierSurvey[] | undefined }) {
  const { file } = useRecordsLater();
  const { system } = useReader();
  const { member } = useMember();
  const { work } = useWork();
  const [age, setAge] = useRemembered(`ossatura-age-${file.unit.id}`, '');
  const [asked, setAsked] = useState<Asked>({
    zone: 'whole',
    air: ATMOSPHERE_BY_EXPOSURE[file.unit.exposure],
    cavity: CLOSED_INSIDE.has(member.shape.kind),
    low: String(CAVITY_MM_PER_YEAR[0]),
    high: String(CAVITY_MM_PER_YEAR[1]),
  });
  const ask = (to: Partial<Asked>) => setAsked({ ...asked, ...to });
  const zones = work?.picture.member.id === member.id ? work.picture.zones : [];
  const found = useForecasts(surveys, asked, { years: Number(age), zone: zones[Number(asked.zone)] });
  if (!found)
    return (
      <p className="border-t border-rule pt-2">
        No reading of metal here yet: nothing to say how long it lasts.{' '}
        {asked.zone !== 'whole' && (
          <button type="button" className="hit underline" onClick={() => ask({ zone: 'whole' })}>
            the whole member
          </button>
        )}
      </p>
    );
  const { worst, limitMm, all, changes } = found;
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
      <RateFields asked={asked} age={age} zones={zones} onAsk={ask} onAge={setAge} />
      <Forecasts all={all} />
      {surveys && changes.length > 0 ? (
        <ReadTwice changes={changes} />
      ) : (
        <p className="caption" role={surveys ? undefined : 'status'}>
          {surveys ? noneTwiceWords(surveys) : 'looking for earlier surveys…'}
        </p>
      )}
    </section>
  );
}

const noneTwiceWords = (surveys: readonly EarlierSurvey[]): string => {
  const earlier = surveys.length
    ? `; earlier surveys: ${surveys.map((survey) => survey.title).join(', ')}`
    : '';
  return `No place of this member was read twice, three months or more apart${earlier}.`;
};

/** The thinnest metal of the member or of a zone, down to where it is sound, and how fast it goes by each way of telling; undefined without a reading. */
function useForecasts(
  surveys: readonly EarlierSurvey[] | undefined,
  { air, cavity, ...inside }: Asked,
  { years, zone }: { years: number; zone: DamageZone | undefined },
) {
  const { file } = useRecordsLater();
  const { member } = useMember();
  const own = useMemo(
    () =>
      stands(file, 'reading').filter(
        (reading) =>
          reading.memberId === member.id &&
          (!zone || (reading.stationMm >= zone.fromMm - 1 && reading.stationMm <= zone.toMm + 1)),
      ),
    [file, member, zone],
  );
  const changes = useMemo(
    () => changesBetween([...(surveys ?? []).flatMap((survey) => survey.readings), ...own], own),
    [surveys, own],
  );
  const worst = useMemo(() => thinnest(member, own), [member, own]);
  if (!worst) return undefined;
  const [low, high] = [Number(inside.low), Number(inside.high)];
  const limitMm = soundThresholdMm(worst.wallMm, file.practice);
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
  return { worst, limitMm, all, changes };
}

const printRate = (mm: number, system: UnitSystem): string =>
  system === 'in' ? `${significant(mm / 0.0254, 2)} mil` : `${significant(mm, 2)} mm`;

function RateFields({
  asked,
  age,
  zones,
  onAsk,
  onAge,
}: {
  asked: Asked;
  age: string;
  zones: readonly DamageZone[];
  onAsk: (to: Partial<Asked>) => void;
  onAge: (age: string) => void;
}) {
  const { system } = useReader();
  const { member } = useMember();
  const zoneWords = ({ fromMm, toMm }: DamageZone) =>
    `${stationDigits(member, fromMm, system)} to ${printStation(member, toMm, system)}`;
  return (
    <div className="flex flex-wrap items-end gap-2">
      <Pick
        label="zone"
        value={asked.zone}
        options={['whole', ...zones.map((_, k) => String(k))]}
        words={(id) => (id === 'whole' ? 'whole member' : zoneWords(zones[Number(id)]!))}
        onPick={(zone) => onAsk({ zone })}
      />
      <Entry
        label="age"
        unit="years"
        className="w-24"
        inputMode="decimal"
        value={age}
        onChange={(event) => onAge(event.target.value)}
      />
      <Pick
        label="air outside"
        value={asked.air}
        options={Object.keys(ATMOSPHERES) as Atmosphere[]}
        words={(id) => `${id}: ${ATMOSPHERES[id][0]} to ${ATMOSPHERES[id][1]} µm in the first year`}
        onPick={(air) => onAsk({ air })}
      />
      <label className="plain">
        <input
          type="checkbox"
          className="size-5"
          checked={asked.cavity}
          onChange={(event) => onAsk({ cavity: event.target.checked })}
        />{' '}
        wet debris inside
      </label>
      {asked.cavity && <InsideFields asked={asked} onAsk={onAsk} />}
    </div>
  );
}

/** How fast wet debris is taken to eat, from and to. */
const InsideFields = ({ asked, onAsk }: { asked: Asked; onAsk: (to: Partial<Asked>) => void }) => (
  <>
    <Entry
      label="inside, from"
      unit="mm/year"
      className="w-28"
      value={asked.low}
      onChange={(event) => onAsk({ low: event.target.value })}
    />
    <Entry
      label="to"
      unit="mm/year"
      className="w-28"
      value={asked.high}
      onChange={(event) => onAsk({ high: event.target.value })}
    />
  </>
);

function Forecasts({ all }: { all: readonly LossForecast[] }) {
  const { system } = useReader();
  const rate = (mm: number) => printRate(mm, system);
  return (
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
  );
}

function ReadTwice({ changes }: { changes: ReturnType<typeof changesBetween> }) {
  const { system } = useReader();
  const { member } = useMember();
  const rate = (mm: number) => printRate(mm, system);
  return (
    <table className="mt-2 w-full letters-15">
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
  );
}
