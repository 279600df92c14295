'use client';

import { memo } from 'react';
import { faceOf, uOnFace, type Member } from '@/core/frame';
import { lengthDigits, type UnitSystem } from '@/core/quantity';
import { type Reading } from '@/core/probe';
import type { StripScale } from './scale';

/** Readings are drawn in bundles: a new one redraws the last bundle, not all of them. */
const BUNDLE = 150;

/** Readings as crosses (rings where felt), struck ones as faint bars. */
export const ReadingLayer = memo(function ReadingLayer({
  member,
  readings,
  struck,
  scale,
}: {
  member: Member;
  readings: readonly Reading[];
  struck: ReadonlySet<string>;
  scale: StripScale;
}) {
  const bundles = Array.from({ length: Math.ceil(readings.length / BUNDLE) }, (_, k) =>
    readings.slice(k * BUNDLE, (k + 1) * BUNDLE),
  );
  return (
    <g fill="none" pointerEvents="none">
      {bundles.map((bundle, k) => (
        <ReadingBundle key={k} member={member} readings={bundle} struck={struck} scale={scale} />
      ))}
    </g>
  );
});

const ReadingBundle = memo(
  function ReadingBundle({ member, readings, struck, scale }: Parameters<typeof ReadingLayer>[0]) {
    let crosses = '',
      rings = '',
      bars = '';
    for (const reading of readings) {
      const face = faceOf(member.shape, reading.face);
      if (!face) continue;
      const [x, y] = [
        scale.x(reading.stationMm).toFixed(1),
        scale.y(uOnFace(face, reading.heightMm)).toFixed(1),
      ];
      if (struck.has(reading.id)) bars += `M${x} ${y}m-6 4l12 -8`;
      else if (reading.method === 'feel') rings += `M${x} ${y}m-4 0a4 4 0 1 0 8 0a4 4 0 1 0 -8 0`;
      else crosses += `M${x} ${y}m-4 0h8m-4 -4v8`;
    }
    return (
      <>
        {crosses && <path d={crosses} stroke="var(--sheet)" strokeWidth="3.6" strokeOpacity="0.7" />}
        {crosses && <path d={crosses} stroke="var(--ink)" strokeWidth="1.5" />}
        {rings && <path d={rings} stroke="var(--ink)" strokeWidth="1.5" />}
        {bars && <path d={bars} stroke="var(--soft)" strokeWidth="1.5" strokeDasharray="2 2" />}
      </>
    );
  },
  (before, after) =>
    before.member === after.member &&
    before.struck === after.struck &&
    before.scale === after.scale &&
    before.readings.length === after.readings.length &&
    before.readings.every((reading, k) => reading === after.readings[k]),
);

/** Figures beside readings within reach of a station, nearest first; one that would lie over another is left out. */
export function FigureLayer({
  member,
  readings,
  struck,
  scale,
  system,
  aboutMm,
  reachMm,
}: {
  member: Member;
  readings: readonly Reading[];
  struck: ReadonlySet<string>;
  scale: StripScale;
  system: UnitSystem;
  aboutMm: number;
  reachMm: number;
}) {
  const near = readings
    .filter((reading) => !struck.has(reading.id) && Math.abs(reading.stationMm - aboutMm) <= reachMm)
    .sort((a, b) => Math.abs(a.stationMm - aboutMm) - Math.abs(b.stationMm - aboutMm));
  const placed: { reading: Reading; x: number; y: number }[] = [];
  for (const reading of near) {
    const face = faceOf(member.shape, reading.face);
    if (!face) continue;
    const [x, y] = [scale.x(reading.stationMm) + 8, scale.y(uOnFace(face, reading.heightMm)) + 5];
    if (placed.every((other) => Math.abs(other.y - y) >= 12 || Math.abs(other.x - x) >= 38))
      placed.push({ reading, x, y });
  }
  return (
    <g
      fontSize="13"
      fontWeight="600"
      fill="var(--ink)"
      stroke="var(--sheet)"
      strokeWidth="3.5"
      paintOrder="stroke"
      pointerEvents="none"
    >
      {placed.map(({ reading, x, y }) => (
        <text key={reading.id} x={x} y={y}>
          {lengthDigits(reading.thicknessMm, system, 'thickness')}
        </text>
      ))}
    </g>
  );
}
