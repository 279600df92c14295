'use client';

import { useCallback, useMemo, type KeyboardEvent, type ReactNode } from 'react';
import { developedWidthMm, standing } from '@/core/frame';
import { inchesToMm, lengthDigits } from '@/core/quantity';
import { ofKind } from '@/core/walk';
import {
  ContourLabelLayer,
  CrackLayer,
  EdgeLayer,
  FigureLayer,
  following,
  MapLayer,
  PlateLayer,
  ReadingLayer,
  SignLayer,
  stepCursor,
  Strip,
  turnFace,
  zoomed,
  faceWords,
  type Cursor,
  type PlateDrawing,
  type StripScale,
} from '@/ui/strip';
import { useDesk } from './desk';

export interface MemberStripProps {
  readonly height?: number;
  readonly plates?: readonly PlateDrawing[];
  readonly plateLabels?: boolean;
  readonly readings?: boolean;
  readonly chosenCrack?: string;
  /** More layers, above the common ones. */
  readonly over?: (scale: StripScale) => ReactNode;
  /** Keys of the verb's own; answer true when one was used. */
  readonly onKey?: (event: KeyboardEvent<SVGSVGElement>) => boolean;
  readonly onSpot?: (cursor: Cursor) => void;
}

/** The Strip of the member in sight with its common layers, its ways of moving, and its stretch buttons. */
export function MemberStrip({
  height = 372,
  plates,
  plateLabels = false,
  readings = true,
  chosenCrack,
  over,
  onKey,
  onSpot,
}: MemberStripProps) {
  const { file, member, cursor, setCursor, stretch, setStretch, system, work } = useDesk();
  const struck = useMemo(() => new Set(file.strikes.map((strike) => strike.evidenceId)), [file.strikes]);
  const own = useMemo(
    () => file.readings.filter((reading) => reading.memberId === member.id),
    [file.readings, member.id],
  );
  const cracks = useMemo(
    () => standing(file.cracks, file.strikes).filter((crack) => crack.memberId === member.id),
    [file.cracks, file.strikes, member.id],
  );
  const signs = useMemo(
    () => ofKind(standing(file.walk, file.strikes), 'sign').filter((sign) => sign.memberId === member.id),
    [file.walk, file.strikes, member.id],
  );
  const picture = work?.picture.member.id === member.id ? work.picture : undefined;
  const contours = picture && work?.contours;
  const beforeCursor =
    picture?.zones.map((zone) => cursor.stationMm > (zone.fromMm + zone.toMm) / 2).join() ?? '';
  const labelAt = useMemo(
    () =>
      picture?.zones.map(
        (zone, k) =>
          zone.fromMm + (beforeCursor.split(',')[k] === 'true' ? 0.2 : 0.8) * (zone.toMm - zone.fromMm),
      ) ?? [],
    [picture, beforeCursor],
  );

  const move = useCallback(
    (next: Cursor) => {
      setCursor(next);
      setStretch(following(member, stretch, next.stationMm));
    },
    [setCursor, setStretch, member, stretch],
  );

  const spot = useCallback(
    (next: Cursor) => {
      setCursor(next);
      onSpot?.(next);
    },
    [setCursor, onSpot],
  );

  const key = useCallback(
    (event: KeyboardEvent<SVGSVGElement>) => {
      if (event.ctrlKey || event.metaKey || event.altKey) return;
      if (onKey?.(event)) return void event.preventDefault();
      const along = system === 'in' ? inchesToMm(event.shiftKey ? 12 : 1) : event.shiftKey ? 250 : 25;
      const across = system === 'in' ? inchesToMm(1 / 4) : 5;
      const moves: Record<string, () => void> = {
        ArrowLeft: () => move(stepCursor(member, cursor, -along, 0)),
        ArrowRight: () => move(stepCursor(member, cursor, along, 0)),
        ArrowUp: () => move(stepCursor(member, cursor, 0, -across)),
        ArrowDown: () => move(stepCursor(member, cursor, 0, across)),
        Home: () => move({ ...cursor, stationMm: 0 }),
        End: () => move({ ...cursor, stationMm: member.lengthMm }),
        '[': () => move(turnFace(member, cursor, -1)),
        ']': () => move(turnFace(member, cursor, 1)),
        '+': () => setStretch(zoomed(member, stretch, cursor.stationMm, 0.5)),
        '=': () => setStretch(zoomed(member, stretch, cursor.stationMm, 0.5)),
        '-': () => setStretch(zoomed(member, stretch, cursor.stationMm, 2)),
        z: () => setStretch({ fromMm: 0, toMm: member.lengthMm }),
      };
      const act = moves[event.key];
      if (!act) return;
      event.preventDefault();
      act();
    },
    [onKey, system, move, member, cursor, stretch, setStretch],
  );

  const zoomedIn = stretch.toMm - stretch.fromMm < 0.55 * member.lengthMm;
  const layers = useCallback(
    (scale: StripScale) => (
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
        {picture && <EdgeLayer member={member} edges={picture.edges} scale={scale} />}
        {readings && <ReadingLayer member={member} readings={own} struck={struck} scale={scale} />}
        {plates && <PlateLayer member={member} plates={plates} scale={scale} labels={plateLabels} />}
        {contours && (
          <ContourLabelLayer
            contours={contours}
            sheetMm={developedWidthMm(member.shape)}
            scale={scale}
            labelAt={labelAt}
          />
        )}
        <SignLayer member={member} signs={signs} scale={scale} />
        <CrackLayer
          member={member}
          cracks={cracks}
          scale={scale}
          {...(chosenCrack && { chosen: chosenCrack })}
        />
        {over?.(scale)}
      </>
    ),
    [
      picture,
      contours,
      member,
      labelAt,
      readings,
      own,
      struck,
      plates,
      plateLabels,
      signs,
      cracks,
      chosenCrack,
      over,
    ],
  );
  const withFigures = useCallback(
    (scale: StripScale) => (
      <>
        {layers(scale)}
        {readings && (
          <FigureLayer
            member={member}
            readings={own}
            struck={struck}
            scale={scale}
            system={system}
            aboutMm={cursor.stationMm}
            reachMm={zoomedIn ? (stretch.toMm - stretch.fromMm) * 0.09 : inchesToMm(3.1)}
          />
        )}
      </>
    ),
    [layers, readings, member, own, struck, system, cursor.stationMm, zoomedIn, stretch],
  );

  const near = (mm: number) => lengthDigits(mm, system, 'length');
  const pad = member.shape.depthMm;
  const goTo = (fromMm: number, toMm: number) => {
    setStretch({ fromMm: Math.max(0, fromMm), toMm: Math.min(member.lengthMm, toMm) });
    setCursor({ ...cursor, stationMm: Math.min(Math.max(cursor.stationMm, fromMm), toMm) });
  };
  const isWhole = stretch.fromMm === 0 && stretch.toMm === member.lengthMm;

  return (
    <section aria-label={`Strip of ${member.name}`}>
      <div className="mb-1 flex flex-wrap items-center gap-x-4 gap-y-1">
        <h2 className="text-lg">
          <span className="font-semibold">{member.name}</span>{' '}
          <span className="caption">
            unrolled, from {member.role === 'rail' ? `the ${file.frame.datum}` : 'its left end'}
          </span>
        </h2>
        <div className="ml-auto flex flex-wrap" role="group" aria-label="Stretch in sight">
          <button
            type="button"
            className="plain"
            aria-pressed={isWhole}
            onClick={() => setStretch({ fromMm: 0, toMm: member.lengthMm })}
          >
            whole
          </button>
          {picture?.zones.map((zone) => (
            <button
              key={zone.fromMm}
              type="button"
              className="plain -ml-px"
              aria-pressed={!isWhole && Math.abs(stretch.fromMm - Math.max(0, zone.fromMm - 2 * pad)) < 1}
              onClick={() => goTo(zone.fromMm - 2 * pad, zone.toMm + 2 * pad)}
            >
              {near(zone.fromMm)} to {near(zone.toMm)}
            </button>
          ))}
          <button
            type="button"
            className="plain -ml-px w-11 px-0!"
            aria-label="Closer"
            onClick={() => setStretch(zoomed(member, stretch, cursor.stationMm, 0.5))}
          >
            +
          </button>
          <button
            type="button"
            className="plain -ml-px w-11 px-0!"
            aria-label="Further"
            onClick={() => setStretch(zoomed(member, stretch, cursor.stationMm, 2))}
          >
            −
          </button>
        </div>
      </div>
      <Strip
        frame={file.frame}
        member={member}
        stretch={stretch}
        cursor={cursor}
        system={system}
        height={height}
        onSpot={spot}
        onKey={key}
        label={`Strip of ${member.name}; cursor at station ${near(cursor.stationMm)} ${system}, ${faceWords(member, cursor.face)}, ${near(cursor.heightMm)} ${system}. Arrows move, brackets change face.`}
      >
        {withFigures}
      </Strip>
    </section>
  );
}
