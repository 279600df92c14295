'use client';

import { useMemo, useState } from 'react';
import type { Point } from '@/core/geometry';
import { lengthDigits, parseLengthMm, type UnitSystem } from '@/core/quantity';
import { errorPerMetreMm, marksAt, marksOf, PAPER_NAMES, type OutlinePoint, type Paper } from '@/core/shape';
import { Entry, Pick } from '@/ui/controls';
import { eachText, useUnitTurn } from '../../../../../_parts/turned';
import { readPhoto, straightened, type Photo } from './straightened';
import { TapMark, TapPicture } from './tap-picture';

const ORDER = ['lower left', 'lower right', 'upper right', 'upper left'] as const;

/** The frame as it was printed, the photo of the card on it, and its marks as they are tapped. */
function useCardPhoto(system: UnitSystem, onScale: (errorPerMetreMm: number | undefined) => void) {
  const [paper, setPaper] = useState<Paper>(system === 'in' ? 'letter' : 'a4');
  const [apart, setApart] = useState(() => apartOn(paper, system));
  useUnitTurn(system, (as) => setApart(eachText(apart, as) as typeof apart));
  const [photo, setPhoto] = useState<Photo & { url: string }>();
  const [marks, setMarks] = useState<readonly Point[]>([]);
  const [problem, setProblem] = useState<string>();
  const [wide, high] = [parseLengthMm(apart.wide, system), parseLengthMm(apart.high, system)];
  const [wideMm, highMm] = [wide.ok ? wide.value : 0, high.ok ? high.value : 0];
  const straight = useMemo(() => {
    if (!photo || marks.length < 4) return undefined;
    return straightened(photo, marks, marksAt(wideMm, highMm));
  }, [photo, marks, wideMm, highMm]);
  const markAgain = () => {
    setMarks([]);
    onScale(undefined);
  };
  return {
    paper,
    choosePaper: (next: Paper) => {
      setPaper(next);
      setApart(apartOn(next, system));
    },
    apart,
    setApart,
    photo,
    take: async (file: File | undefined) => {
      if (!file) return;
      const read = await readPhoto(file);
      if (!read.ok) return setProblem(read.reason);
      setProblem(undefined);
      markAgain();
      setPhoto({ ...read.value, url: read.value.canvas.toDataURL('image/jpeg', 0.85) });
    },
    marks,
    markAgain,
    mark: (pixel: Point) => {
      const next = [...marks, pixel];
      setMarks(next);
      if (next.length < 4) return;
      const error = errorPerMetreMm(next, marksAt(wideMm, highMm));
      onScale(Number.isFinite(error) ? error : undefined);
    },
    straight: straight?.ok ? straight.value : undefined,
    wrong: problem ?? [wide, high, straight].flatMap((each) => (each && !each.ok ? each.reason : []))[0],
  };
}
type CardPhoto = ReturnType<typeof useCardPhoto>;

/** A card photographed on its printed frame: its marks are tapped, then its outline on the picture made straight. */
export function FromPhoto({
  points,
  system,
  onPoint,
  onScale,
}: {
  points: readonly OutlinePoint[];
  system: UnitSystem;
  onPoint: (point: Point) => void;
  onScale: (errorPerMetreMm: number | undefined) => void;
}) {
  const card = useCardPhoto(system, onScale);
  const { wrong, straight } = card;
  return (
    <div>
      <PrintedFrame card={card} system={system} />
      {wrong && (
        <p role="alert" className="mt-2 font-semibold text-oxide">
          {wrong}
        </p>
      )}
      <TapMarks card={card} />
      {straight && (
        <>
          <p className="mt-2 text-lg" role="status">
            Seen from above. Tap the outline point by point.
          </p>
          <TapPicture
            {...straight}
            label="The card seen from above: tap its outline"
            onTap={(pixel) => onPoint(straight.toMm(pixel))}
          >
            {points.map(({ xMm, yMm }, k) => (
              <TapMark key={k} at={straight.toPixel([xMm, yMm])} words={String(k + 1)} size={14} />
            ))}
          </TapPicture>
        </>
      )}
    </div>
  );
}

/** Which frame was printed, how far its marks stand apart, and the photo of what lies on it. */
function PrintedFrame({
  card: { paper, choosePaper, apart, setApart, photo, take, marks, markAgain },
  system,
}: {
  card: CardPhoto;
  system: UnitSystem;
}) {
  return (
    <div className="flex flex-wrap items-end gap-3">
      <Pick label="printed frame" value={paper} options={PAPER_NAMES} onPick={choosePaper} className="w-32" />
      <a className="plain" download href={`/api/card-frame?paper=${paper}`}>
        Print the frame, PDF
      </a>
      <Entry
        label="marks apart, across"
        unit={system}
        className="w-36"
        value={apart.wide}
        onChange={(event) => setApart({ ...apart, wide: event.target.value })}
      />
      <Entry
        label="marks apart, up"
        unit={system}
        className="w-36"
        value={apart.high}
        onChange={(event) => setApart({ ...apart, high: event.target.value })}
      />
      <label className="plain">
        {photo ? 'Another photo' : 'Photo of the card'}
        <input
          type="file"
          accept="image/*"
          className="sr-only"
          onChange={(event) => void take(event.target.files?.[0])}
        />
      </label>
      {marks.length > 0 && (
        <button type="button" className="plain" onClick={markAgain}>
          Tap the marks again
        </button>
      )}
    </div>
  );
}

function TapMarks({ card: { photo, marks, mark } }: { card: CardPhoto }) {
  if (!photo || marks.length >= ORDER.length) return null;
  return (
    <>
      <p className="mt-2 text-lg" role="status">
        Tap the middle of the {ORDER[marks.length]} mark.{' '}
        <span className="caption">
          No marks in the picture? Its scale cannot be told: lay the card on the printed frame, or measure
          points.
        </span>
      </p>
      <TapPicture {...photo} label="Photo of the card: tap its marks" onTap={mark}>
        {marks.map((at, k) => (
          <TapMark key={k} at={at} words={String(k + 1)} size={photo.width / 45} />
        ))}
      </TapPicture>
    </>
  );
}

const apartOn = (paper: Paper, system: UnitSystem) => {
  const { wideMm, highMm } = marksOf(paper);
  return { wide: lengthDigits(wideMm, system, 'thickness'), high: lengthDigits(highMm, system, 'thickness') };
};
