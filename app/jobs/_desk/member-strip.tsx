'use client';

import { useCallback, useMemo, type KeyboardEvent, type ReactNode } from 'react';
import { developedWidthMm, startsAtMm } from '@/core/frame';
import { inchesToMm, lengthDigits } from '@/core/quantity';
import type { DamageZone } from '@/core/weigh';
import {
  ContourLabelLayer,
  CrackLayer,
  EdgeLayer,
  faceWords,
  FigureLayer,
  MapLayer,
  PlateLayer,
  ReadingLayer,
  SignLayer,
  Strip,
  zoomed,
  type Cursor,
  type PlateDrawing,
  type StripScale,
} from '@/ui/strip';
import { useMember, usePlace } from './place-context';
import { useReader } from './reader-context';
import { useRecords } from './records-context';
import { useOnMember } from './use-on-member';
import { useStripKeys } from './use-strip-keys';
import { useWork } from './work-context';
import { stationDigits } from '../../_words/station';

export interface MemberStripProps {
  readonly height?: number;
  readonly plates?: readonly PlateDrawing[];
  readonly plateLabels?: boolean;
  readonly readings?: boolean;
  /** Cracks to stand out: one, or a family. */
  readonly chosenCracks?: readonly string[];
  /** More layers, above the common ones. */
  readonly over?: (scale: StripScale) => ReactNode;
  /** Keys of the verb's own; answer true when one was used. */
  readonly onKey?: (event: KeyboardEvent<SVGSVGElement>) => boolean;
  readonly onSpot?: (cursor: Cursor) => void;
  readonly onPlace?: (cursor: Cursor) => void;
}

/** The Strip of the member in sight with its common layers, its ways of moving, and its stretch buttons. */
export function MemberStrip({ height = 372, onKey, onSpot, onPlace, ...shown }: MemberStripProps) {
  const { file } = useRecords();
  const { system } = useReader();
  const { member, setCursor } = useMember();
  const { cursor, stretch } = usePlace();
  const key = useStripKeys(onKey);
  const layers = useLayers(shown);
  const near = (mm: number) => lengthDigits(mm, system, 'length');
  const spot = useCallback(
    (next: Cursor) => {
      setCursor(next);
      onSpot?.(next);
    },
    [setCursor, onSpot],
  );
  return (
    <section aria-label={`Strip of ${member.name}`}>
      <div className="mb-1 flex flex-wrap items-center gap-x-4 gap-y-1">
        <h2 className="text-lg">
          <span className="font-semibold">{member.name}</span>{' '}
          <span className="caption">
            unrolled, from{' '}
            {member.role === 'rail' || startsAtMm(member) > 0 ? `the ${file.frame.datum}` : 'its left end'}
          </span>
        </h2>
        <StretchButtons />
      </div>
      <Strip
        frame={file.frame}
        member={member}
        stretch={stretch}
        cursor={cursor}
        system={system}
        height={height}
        onSpot={spot}
        {...(onPlace && { onPlace })}
        onKey={key}
        label={`Strip of ${member.name}; cursor at station ${stationDigits(member, cursor.stationMm, system)} ${system}, ${faceWords(member, cursor.face)}, ${near(cursor.heightMm)} ${system}. Arrows move, brackets change face.`}
      >
        {layers}
      </Strip>
    </section>
  );
}

type Shown = Omit<MemberStripProps, 'height' | 'onKey' | 'onSpot' | 'onPlace'>;

/** The layers of the Strip: those that stay while the cursor moves, and over them the figures about it. */
function useLayers(shown: Shown): (scale: StripScale) => ReactNode {
  const { readings = true } = shown;
  const still = useStillLayers({ ...shown, readings });
  const { system } = useReader();
  const { member } = useMember();
  const { cursor, stretch } = usePlace();
  const { readings: own, struck } = useOnMember();
  const inSightMm = stretch.toMm - stretch.fromMm;
  const reachMm = inSightMm < 0.55 * member.lengthMm ? inSightMm * 0.09 : inchesToMm(3.1);
  return useCallback(
    (scale: StripScale) => (
      <>
        {still(scale)}
        {readings && (
          <FigureLayer
            member={member}
            readings={own}
            struck={struck}
            scale={scale}
            system={system}
            aboutMm={cursor.stationMm}
            reachMm={reachMm}
          />
        )}
      </>
    ),
    [still, readings, member, own, struck, system, cursor.stationMm, reachMm],
  );
}

function useStillLayers({ readings, plates, plateLabels = false, chosenCracks, over }: Shown) {
  const { member } = useMember();
  const { work } = useWork();
  const { readings: own, cracks, signs, struck } = useOnMember();
  const labelAt = useLabelPlaces(work?.picture.zones);
  return useCallback(
    (scale: StripScale) => (
      <>
        <Ground scale={scale} labelAt={labelAt} />
        {readings && <ReadingLayer member={member} readings={own} struck={struck} scale={scale} />}
        {plates && <PlateLayer member={member} plates={plates} scale={scale} labels={plateLabels} />}
        <SignLayer member={member} signs={signs} scale={scale} />
        <CrackLayer
          member={member}
          cracks={cracks}
          scale={scale}
          {...(chosenCracks && { chosen: chosenCracks })}
        />
        {over?.(scale)}
      </>
    ),
    [member, labelAt, readings, own, struck, plates, plateLabels, signs, cracks, chosenCracks, over],
  );
}

/** What lies beneath everything: the map with its lines, or the hatch of what was never measured; and the sound edge. */
function Ground({ scale, labelAt }: { scale: StripScale; labelAt: readonly number[] }) {
  const { member } = useMember();
  const { work } = useWork();
  const contours = work?.contours;
  return (
    <>
      {contours ? (
        <MapLayer contours={contours} scale={scale} />
      ) : (
        <rect
          x={scale.left}
          y={scale.top}
          width={scale.width}
          height={scale.height}
          fill="url(#strip-unseen)"
        />
      )}
      {work && <EdgeLayer member={member} edges={work.picture.edges} scale={scale} />}
      {contours && (
        <ContourLabelLayer
          contours={contours}
          sheetMm={developedWidthMm(member.shape)}
          scale={scale}
          labelAt={labelAt}
        />
      )}
    </>
  );
}

/** Contour labels stand on the far side of each zone from the cursor. */
function useLabelPlaces(zones: readonly DamageZone[] | undefined): readonly number[] {
  const { cursor } = usePlace();
  const past = zones?.map((zone) => cursor.stationMm > (zone.fromMm + zone.toMm) / 2).join() ?? '';
  return useMemo(() => {
    const isPast = past.split(',');
    return (zones ?? []).map(
      ({ fromMm, toMm }, k) => fromMm + (isPast[k] === 'true' ? 0.2 : 0.8) * (toMm - fromMm),
    );
  }, [zones, past]);
}

/** The whole member, each damaged zone, closer and further. */
function StretchButtons() {
  const { system } = useReader();
  const { member, setCursor, setStretch } = useMember();
  const { cursor, stretch } = usePlace();
  const { work } = useWork();
  const near = (mm: number) => stationDigits(member, mm, system);
  const pad = 2 * member.shape.depthMm;
  const isWhole = stretch.fromMm === 0 && stretch.toMm === member.lengthMm;
  const goTo = (fromMm: number, toMm: number) => {
    setStretch({ fromMm: Math.max(0, fromMm), toMm: Math.min(member.lengthMm, toMm) });
    setCursor({ ...cursor, stationMm: Math.min(Math.max(cursor.stationMm, fromMm), toMm) });
  };
  return (
    <div className="ml-auto flex flex-wrap" role="group" aria-label="Stretch in sight">
      <button
        type="button"
        className="plain"
        aria-pressed={isWhole}
        onClick={() => setStretch({ fromMm: 0, toMm: member.lengthMm })}
      >
        whole
      </button>
      {work?.picture.zones.map(({ fromMm, toMm }) => (
        <button
          key={fromMm}
          type="button"
          className="plain -ml-px"
          aria-pressed={!isWhole && Math.abs(stretch.fromMm - Math.max(0, fromMm - pad)) < 1}
          onClick={() => goTo(fromMm - pad, toMm + pad)}
        >
          {near(fromMm)} to {near(toMm)}
        </button>
      ))}
      <ZoomButton label="Closer" sign="+" factor={0.5} />
      <ZoomButton label="Further" sign="−" factor={2} />
    </div>
  );
}

function ZoomButton({ label, sign, factor }: { label: string; sign: string; factor: number }) {
  const { member, setStretch } = useMember();
  const { cursor, stretch } = usePlace();
  return (
    <button
      type="button"
      className="plain -ml-px w-11 px-0!"
      aria-label={label}
      onClick={() => setStretch(zoomed(member, stretch, cursor.stationMm, factor))}
    >
      {sign}
    </button>
  );
}
