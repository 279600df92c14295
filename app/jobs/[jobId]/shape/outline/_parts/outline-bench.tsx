'use client';

import { Link } from '@/app/_parts/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { toast } from 'sonner';
import type { Point } from '@/core/geometry';
import { parseLengthMm, printLength, type Outcome, type UnitSystem } from '@/core/quantity';
import { blankFigures, blankOfOutline, contourOf, type Blank, type Outline } from '@/core/shape';
import { Choice, Entry } from '@/ui/controls';
import { useUnitTurn } from '../../../../../_parts/turned';
import { useMember, useReader, useRecords, useStamp } from '../../../../_desk';
import { BlankPicture } from '../../../../../_parts/blank-picture';
import { FromPhoto } from './from-photo';
import { NO_POINT, readPoints, turnedPlace, typedPoint, type PointTyped } from './outline-typed';

const FROM = ['measured points', 'photo of a card'] as const;
const NO_POINTS: readonly PointTyped[] = [NO_POINT, NO_POINT, NO_POINT];

/** What an outline still lacks before it can be cut. */
function lackOf(contour: Outcome<unknown>, name: string, thick: Outcome<number>): string | undefined {
  if (!contour.ok) return contour.reason;
  if (name.trim() === '') return 'say what it is';
  if (!thick.ok) return `thickness: ${thick.reason}`;
  return thick.value > 0.3 && thick.value < 40 ? undefined : 'no sheet is as thin or as thick as that';
}

/** The outline as it is typed or tapped, the flat it makes, and how it is kept. */
function useOutline() {
  const { file, keep } = useRecords();
  const { system } = useReader();
  const { member } = useMember();
  const stamp = useStamp();
  const router = useRouter();
  const [typed, setTyped] = useState<readonly PointTyped[]>(NO_POINTS);
  const [name, setName] = useState('');
  const [thickness, setThickness] = useState('');
  const [error, setError] = useState<number>();
  /** Some of its points were tapped: it is a photo's, however it is looked at. */
  const [isTapped, setTapped] = useState(false);
  const [problem, setProblem] = useState<string>();
  useUnitTurn(system, (as) => {
    setTyped(typed.map(({ x, y, round }) => ({ x: turnedPlace(x, as), y: turnedPlace(y, as), round })));
    setThickness(as(thickness));
  });
  const read = readPoints(typed, system);
  const points = read.ok ? read.value : [];
  const contour = read.ok ? contourOf(read.value) : read;
  const thick = parseLengthMm(thickness, system);
  const draft: Omit<Outline, 'id' | 'by' | 'at'> = {
    kind: 'outline',
    name: name.trim() || 'own outline',
    memberId: member.id,
    thicknessMm: thick.ok ? thick.value : 0,
    points,
    from: isTapped ? 'photo' : 'measured',
    ...(isTapped && error !== undefined && { errorPerMetreMm: error }),
    note: '',
  };
  const keepIt = () => {
    const lacks = lackOf(contour, name, thick);
    if (lacks !== undefined) return setProblem(lacks);
    keep({ ...draft, ...stamp() });
    toast.success('Now among what is to be cut');
    router.push(`/jobs/${file.job.id}/shape/cut?member=${member.id}`);
  };
  const tap = ([xMm, yMm]: Point) => {
    setTapped(true);
    setTyped([...typed.filter((point) => !isBlank(point)), typedPoint({ xMm, yMm }, system)]);
  };
  return {
    typed,
    setTyped,
    points,
    tap,
    onScale: setError,
    error: draft.errorPerMetreMm,
    blank: contour.ok ? blankOfOutline({ ...draft, id: '', by: '', at: '' }, member.name) : undefined,
    lacks: contour.ok ? '' : contour.reason,
    name,
    setName,
    thickness,
    setThickness,
    problem,
    keepIt,
  };
}
type OutlineDraft = ReturnType<typeof useOutline>;

const isBlank = ({ x, y }: PointTyped): boolean => !x.trim() && !y.trim();

/** A flat from the opening itself: its outline measured, or tapped on a card's photo, put right by hand, and kept with what is to be cut. */
export function OutlineBench() {
  const { file } = useRecords();
  const { system } = useReader();
  const { member } = useMember();
  const [from, setFrom] = useState<(typeof FROM)[number]>('measured points');
  const outline = useOutline();
  const { points, tap, onScale, typed, setTyped } = outline;
  return (
    <main id="main" className="mx-auto max-w-[1280px] px-3 pb-10 pt-3 lg:px-5">
      <div className="flex flex-wrap items-center justify-between gap-2">
        <h1 className="text-3xl font-semibold">From the opening, {member.name.toLowerCase()}</h1>
        <Link className="plain" href={`/jobs/${file.job.id}/shape/cut?member=${member.id}`}>
          Back to what is cut
        </Link>
      </div>
      <div className="mt-2">
        <Choice label="Where the outline comes from" value={from} options={FROM} onChange={setFrom} />
      </div>
      <div className="mt-3 grid gap-x-6 gap-y-4 lg:grid-cols-[minmax(0,1.3fr)_minmax(0,1fr)]">
        <div className="min-w-0">
          {from === 'photo of a card' && (
            <FromPhoto points={points} system={system} onPoint={tap} onScale={onScale} />
          )}
          <SoFar outline={outline} />
        </div>
        <div className="min-w-0">
          <Points typed={typed} system={system} onTyped={setTyped} />
          <Keep outline={outline} />
        </div>
      </div>
    </main>
  );
}

/** The flat, or what it still lacks. */
function SoFar({ outline: { blank, error, typed, lacks } }: { outline: OutlineDraft }) {
  const { system } = useReader();
  if (blank) return <Drawn blank={blank} system={system} error={error} />;
  return (
    <p className="mt-3 caption">
      {typed.every(isBlank) ? 'Measure corners from the first one, to the right and up.' : lacks}
    </p>
  );
}

function Keep({
  outline: { name, setName, thickness, setThickness, problem, keepIt },
}: {
  outline: OutlineDraft;
}) {
  const { system } = useReader();
  return (
    <>
      <div className="mt-3 flex flex-wrap items-end gap-3">
        <Entry
          label="what it is"
          value={name}
          maxLength={60}
          onChange={(event) => setName(event.target.value)}
        />
        <Entry
          label="sheet"
          unit={system}
          className="w-28"
          value={thickness}
          onChange={(event) => setThickness(event.target.value)}
        />
        <button type="button" className="solid" onClick={keepIt}>
          Keep it with what is cut
        </button>
      </div>
      {problem && (
        <p role="alert" className="mt-2 font-semibold text-oxide">
          {problem}
        </p>
      )}
      <p className="caption mt-3">
        Cut outside the line and trim: too large first. Edges fold back and laps are added by hand: the
        outline is cut as it stands.
      </p>
    </>
  );
}

function Drawn({ blank, system, error }: { blank: Blank; system: UnitSystem; error: number | undefined }) {
  const { lengthMm: wide, widthMm: high } = blankFigures(blank);
  return (
    <div className="mt-3">
      <BlankPicture blank={blank} system={system} isBare={!(blank.thicknessMm > 0)} />
      <p>
        {printLength(wide, system, 'length')} by {printLength(high, system, 'length')}
        {error !== undefined &&
          `; from the photo, ± ${printLength((error * Math.max(wide, high)) / 1000, system, 'thickness')} over its length`}
      </p>
    </div>
  );
}

function Points({
  typed,
  system,
  onTyped,
}: {
  typed: readonly PointTyped[];
  system: UnitSystem;
  onTyped: (typed: readonly PointTyped[]) => void;
}) {
  const set = (k: number, change: Partial<PointTyped>) =>
    onTyped(typed.map((each, n) => (n === k ? { ...each, ...change } : each)));
  return (
    <fieldset>
      <legend className="text-xl font-semibold">Points, in order round it</legend>
      <ol className="ruled">
        {typed.map((point, k) => (
          <li key={k} className="flex flex-wrap items-end gap-2 py-1">
            <span className="w-6 self-center tabular-nums">{k + 1}</span>
            <Entry
              label="to the right"
              unit={system}
              className="w-24"
              value={point.x}
              onChange={(event) => set(k, { x: event.target.value })}
            />
            <Entry
              label="up"
              unit={system}
              className="w-24"
              value={point.y}
              onChange={(event) => set(k, { y: event.target.value })}
            />
            <label className="plain">
              <input
                type="checkbox"
                className="size-5 accent-[var(--ink)]"
                checked={point.round}
                onChange={(event) => set(k, { round: event.target.checked })}
              />{' '}
              on a round
            </label>
            <button
              type="button"
              className="hit px-2 underline"
              aria-label={`Take point ${k + 1} out`}
              onClick={() => onTyped(typed.filter((_, n) => n !== k))}
            >
              out
            </button>
          </li>
        ))}
      </ol>
      <button type="button" className="plain mt-1" onClick={() => onTyped([...typed, NO_POINT])}>
        Another point
      </button>
    </fieldset>
  );
}
