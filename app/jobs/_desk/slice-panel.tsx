'use client';

import { Link } from '@/app/_parts/link';
import { useMemo, useState } from 'react';
import { faceOf, surfaceOf, type Member } from '@/core/frame';
import type { Section } from '@/core/mechanics';
import { inchesToMm, percent, printLength, sectionDigits, sectionUnit } from '@/core/quantity';
import { edgeAt } from '@/core/probe';
import { crackExtent, ligamentsOf, unrolledPath, type Crack } from '@/core/trace';
import { figure, lowerBound, NO_CHANGE, worstStation, type KeptKey, type SectionKept } from '@/core/weigh';
import { stateKept, stateSection, STATE_IDS, type MemberState, type StateId } from '@/core/shape';
import { cursorU, faceWords } from '@/ui/strip';
import { Slice } from '@/ui/slice';
import { Choice } from '@/ui/controls';
import { useMember, usePlaceLater } from './place-context';
import { useReader } from './reader-context';
import { useRecords } from './records-context';
import { sectionMore } from './section-more';
import { useShownStates } from './trying-context';
import { useWork, type WorkView } from './work-context';
import { printStation } from '../../_words/station';

const ROWS: readonly (readonly [KeptKey, string, 2 | 3 | 4])[] = [
  ['area', 'area', 2],
  ['inertia', 'Ix', 4],
  ['modulusTop', 'S top', 3],
  ['modulusBottom', 'S bottom', 3],
  ['inertiaSideways', 'Iy', 4],
  ['torsion', 'J', 4],
];
const STATE_WORDS: Readonly<Record<StateId, string>> = {
  'as built': 'built',
  'as found': 'found',
  'cut open': 'cut open',
  tacked: 'tacked',
  'as repaired': 'repaired',
};

/** The Slice at the cursor: drawing, figures, what is kept, where the worst station is. */
export function SlicePanel({ shows }: { shows: StateId }) {
  const { work } = useWork();
  const states = useShownStates();
  const { cursor } = usePlaceLater();
  const [wanted, setWanted] = useState<StateId>(shows);
  const available = states.map((state) => state.id);
  const shown =
    [wanted, 'as found' as const].find((state) => available.includes(state)) ?? ('as built' as const);
  const state = states.find((each) => each.id === shown);
  const here =
    work && state && shown !== 'as built' ? stateKept(work.picture, state, cursor.stationMm) : undefined;
  return (
    <div>
      <Worst />
      <Drawing state={state} shown={shown} />
      {available.length > 1 && (
        <div className="mb-1 letters-14 [&_button]:px-[4px]">
          <Choice
            label="State shown"
            value={shown}
            options={STATE_IDS.filter((id) => available.includes(id))}
            onChange={setWanted}
            words={(id) => STATE_WORDS[id]}
          />
        </div>
      )}
      <Figures shown={shown} here={here} />
      {work && state && <SectionMore section={stateSection(work.picture, state, cursor.stationMm)} />}
      <KnownHow work={work} states={states} />
    </div>
  );
}

function Drawing({ state, shown }: { state: MemberState | undefined; shown: StateId }) {
  const { system } = useReader();
  const { member } = useMember();
  const { cursor } = usePlaceLater();
  const { work } = useWork();
  const [exaggeration, setExaggeration] = useState<1 | 3>(3);
  const surface = useMemo(() => surfaceOf(member.shape), [member.shape]);
  const station = printStation(member, cursor.stationMm, system);
  return (
    <>
      <div className="flex items-baseline justify-between">
        <h2 className="text-lg font-semibold">Slice at {station}</h2>
        <button
          type="button"
          className="hit caption underline"
          onClick={() => setExaggeration(exaggeration === 3 ? 1 : 3)}
        >
          walls ×{exaggeration}
        </button>
      </div>
      <Slice
        member={member}
        surface={surface}
        builtMm={work?.picture.built.thicknessMm ?? member.shape.thicknessMm}
        height={236}
        system={system}
        exaggeration={exaggeration}
        {...(state && shown !== 'as built' && { wall: state.wallAt(cursor.stationMm) })}
        change={state?.changeAt(cursor.stationMm) ?? NO_CHANGE}
        edges={edgesHere(work, member, cursor.stationMm)}
        cracksU={cracksHere(work, member, cursor.stationMm)}
        cursorU={cursorU(member, cursor)}
        mirrored={member.side === 'right'}
        label={`Cross-section of ${member.name} at ${station}, ${shown}`}
      />
      {ligamentsHere(work, member, cursor.stationMm).map(({ face, leftMm }) => (
        <p key={face} className="letters-15 font-semibold text-oxide">
          Cracked here: {printLength(leftMm, system, 'length')} of the {faceWords(member, face)} left
        </p>
      ))}
    </>
  );
}

function Figures({ shown, here }: { shown: StateId; here: SectionKept | undefined }) {
  const { system } = useReader();
  const { work } = useWork();
  const built = work?.picture.builtProperties;
  const limit = work?.picture.practice.leaveFraction;
  return (
    <div className="overflow-x-auto">
      <table className="w-full border-collapse letters-15">
        <thead>
          <tr className="caption border-b border-ink text-right">
            <th scope="col" className="py-1 text-left font-normal">
              <span className="sr-only">figure</span>
            </th>
            {['built', shown === 'as built' ? '' : STATE_WORDS[shown], 'kept'].map((head, k) => (
              <th key={k} scope="col" className="font-normal">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody className="ruled">
          {ROWS.map(([key, name, power]) => (
            <tr key={key} className="text-right">
              <th scope="row" className="py-1 text-left font-normal">
                {name}, {sectionUnit(power, system)}
              </th>
              <td>{built ? sectionDigits(figure(key, built), power, system) : ''}</td>
              <td>{here ? sectionDigits(figure(key, here.found), power, system) : ''}</td>
              <KeptCell figureKey={key} here={here} limit={limit} />
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function KeptCell({
  figureKey,
  here,
  limit,
}: {
  figureKey: KeptKey;
  here: SectionKept | undefined;
  limit: number | undefined;
}) {
  const kept = here?.kept[figureKey];
  const isLow = kept !== undefined && limit !== undefined && lowerBound(kept) < limit;
  return (
    <td className={`whitespace-nowrap ${isLow ? 'font-bold text-oxide' : ''}`}>
      {kept ? (
        <>
          {percent(kept.value)}
          <span className="caption"> ±{Math.round(kept.plusMinus * 100)}</span>
        </>
      ) : (
        here && figureKey === 'torsion' && <span className="caption">open</span>
      )}
    </td>
  );
}

/** How the section shown is known: measured, guessed, nominal, or not at all. */
function KnownHow({ work, states }: { work: WorkView | undefined; states: readonly MemberState[] }) {
  const { cursor } = usePlaceLater();
  if (!work)
    return (
      <p className="caption pt-2" role="status">
        working…
      </p>
    );
  const { picture } = work;
  const found = states.find((each) => each.id === 'as found');
  const here = found && stateKept(picture, found, cursor.stationMm);
  const nothing = picture.found
    ? 'No metal is left at this station.'
    : 'Nothing found on this member differs from as built, and nothing was measured.';
  return (
    <>
      {!here && <p className="pt-2">{nothing}</p>}
      {here && here.guessedShare > 0 && (
        <p className="caption pt-1">{percent(here.guessedShare)} of this section is guessed.</p>
      )}
      <p className="caption">
        {picture.built.fromReadings
          ? `As built from ${picture.built.fromReadings} sound readings of its own.`
          : 'As built is nominal.'}
      </p>
    </>
  );
}

function SectionMore({ section }: { section: Section }) {
  const [open, setOpen] = useState(false);
  return (
    <details className="letters-14" onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="hit flex items-center">More of this section</summary>
      {open && <SectionRows section={section} />}
    </details>
  );
}

function SectionRows({ section }: { section: Section }) {
  const { system } = useReader();
  return (
    <dl className="grid grid-cols-[1fr_auto] gap-x-3">
      {sectionMore(section, system)?.map(([name, value]) => (
        <div key={name} className="contents">
          <dt className="caption">{name}</dt>
          <dd className="text-right">{value}</dd>
        </div>
      ))}
    </dl>
  );
}

const weaker = ({ kept }: SectionKept): number =>
  Math.min(lowerBound(kept.modulusBottom!), lowerBound(kept.modulusTop!));

function Worst() {
  const { file } = useRecords();
  const { system } = useReader();
  const { member, setCursor } = useMember();
  const { cursor } = usePlaceLater();
  const { work } = useWork();
  const worst =
    work &&
    (['modulusBottom', 'modulusTop'] as const)
      .flatMap((key) => worstStation(work.picture.sections, key) ?? [])
      .sort((a, b) => weaker(a) - weaker(b))[0];
  if (!work || !worst) return null;
  return (
    <div className="mb-1 grid grid-cols-[auto_1fr] items-center gap-3 border-b-2 border-ink pb-2">
      <Link
        href={`/jobs/${file.job.id}/weigh?member=${member.id}`}
        className="hit flex items-center text-3xl font-bold leading-none"
      >
        {work.verdict.verdict}
      </Link>
      <button
        type="button"
        className="plain justify-between! px-2! letters-14"
        onClick={() => setCursor({ ...cursor, stationMm: worst.stationMm })}
      >
        <span className="text-left leading-tight">
          Worst station{' '}
          <span className="block whitespace-nowrap font-semibold">
            {printStation(member, worst.stationMm, system)}
          </span>
        </span>
        <span className="whitespace-nowrap text-lg font-semibold">
          S {percent(Math.min(worst.kept.modulusBottom!.value, worst.kept.modulusTop!.value))}
        </span>
      </button>
    </div>
  );
}

function edgesHere(work: WorkView | undefined, member: Member, stationMm: number) {
  return (work?.picture.edges ?? []).flatMap((edge) => {
    const at = edgeAt(edge, stationMm);
    const face = faceOf(member.shape, edge.face);
    return at && face && at.kind !== 'not read further down' && at.upperMm > 1
      ? [{ face, upperMm: at.upperMm }]
      : [];
  });
}

const isHere = (crack: Pick<Crack, 'path'>, stationMm: number): boolean => {
  const { fromMm, toMm } = crackExtent(crack);
  return stationMm > fromMm - inchesToMm(1) && stationMm < toMm + inchesToMm(1);
};

/** What cracks within an inch leave whole of each face they cross. */
function ligamentsHere(work: WorkView | undefined, member: Member, stationMm: number) {
  const here = (work?.picture.cracks ?? []).filter((crack) => isHere(crack, stationMm));
  return [...ligamentsOf(member.shape, here)].map(([face, leftMm]) => ({ face, leftMm }));
}

/** Where cracks cross this station, within an inch. */
const cracksHere = (work: WorkView | undefined, member: Member, stationMm: number): number[] =>
  (work?.picture.cracks ?? []).flatMap((crack) =>
    unrolledPath(member.shape, crack.path)
      .filter(([crackMm]) => Math.abs(crackMm - stationMm) < inchesToMm(1))
      .map(([, uMm]) => uMm),
  );
