'use client';

import { useMemo } from 'react';
import { stressAtCrack } from '@/core/job';
import { inchesToMm, printLength, percent, type UnitSystem } from '@/core/quantity';
import { legalOf, LEAST_STOP_HOLE_MM, printSource, STOP_HOLE_SOURCE } from '@/core/reference';
import { crossingOn, intensityBetween, stopHole, tipsOf, type Crack, type Tip } from '@/core/trace';
import { NO_HOLE_WORDS } from '../../_words/trace';
import { useMember } from './place-context';
import { useOnMember } from './use-on-member';
import { useReader } from './reader-context';
import { useRecords } from './records-context';
import { useWork } from './work-context';

/** Drills by sixteenths from 1/4 in, or by whole millimetres. */
const DRILLS_MM: Readonly<Record<UnitSystem, readonly number[]>> = {
  in: Array.from({ length: 13 }, (_, k) => inchesToMm((4 + k) / 16)),
  mm: Array.from({ length: 19 }, (_, k) => 7 + k),
};

/** A hole at each end that lies in metal, or why none would hold. */
export function ArrestPanel({ crack }: { crack: Crack }) {
  const { file } = useRecords();
  const { system } = useReader();
  const { member } = useMember();
  const { demand } = useWork();
  const { cracks } = useOnMember();
  const stress = useMemo(() => stressAtCrack(file, demand, member, crack), [file, demand, member, crack]);
  const crossing = crossingOn(member, crack);
  const tips = tipsOf(member, crack, cracks);
  const deltaK =
    stress && typeof crossing === 'object'
      ? stress.rangeMpa * intensityBetween(crossing, crossing.aMm, 1)
      : undefined;
  return (
    <section aria-label="Holes at its ends" className="mt-3 border-t border-rule pt-2">
      <h4 className="text-lg font-semibold">Holes at its ends</h4>
      {tips.length === 0 && <p>No end of it lies in open metal.</p>}
      {tips.length > 0 && deltaK === undefined && (
        <p>
          Can’t say how large: what the road does here is not known. The shop’s least,{' '}
          {printLength(LEAST_STOP_HOLE_MM, system, 'length')}, holds only a mild crack.
        </p>
      )}
      {deltaK !== undefined && (
        <ul className="ruled">
          {tips.map((tip) => (
            <TipLine key={tip.end} tip={tip} deltaK={deltaK} yieldMpa={stress!.yieldMpa} />
          ))}
        </ul>
      )}
      {isOnFlange(crack) && legalOf(file.practice.legal).flangesUndrilled && tips.length > 0 && (
        <p className="font-semibold text-oxide">
          It ends in a flange: {legalOf(file.practice.legal).name} allows no hole there but as the maker says.
        </p>
      )}
      <p className="caption">
        Find the end with dye first; drill with its middle on the end, deburr, dye again.{' '}
        {printSource(STOP_HOLE_SOURCE)}; the least is common practice, no source. A hole is no repair: groove
        and passes stand in Shape and Join, with the plate that goes over it.
      </p>
    </section>
  );
}

/** Upright faces are webs and sides; the rest are flanges. */
const isOnFlange = ({ path }: Crack): boolean =>
  [path[0]!, path[path.length - 1]!].some(({ face }) => face === 'top' || face === 'bottom');

function TipLine({ tip, deltaK, yieldMpa }: { tip: Tip; deltaK: number; yieldMpa: number }) {
  const { system } = useReader();
  const hole = stopHole(deltaK, yieldMpa, DRILLS_MM[system], tip);
  const length = (mm: number) => printLength(mm, system, 'length');
  return (
    <li className="py-1 letters-17">
      {tip.end} end:{' '}
      {hole.ok ? (
        <>
          <span className="font-semibold">drill {length(hole.drillMm)}</span>, asked{' '}
          {printLength(hole.needMm, system, 'thickness')}; {length(hole.ligamentMm)} of metal left before the
          next edge or fold{tip.holeMm !== undefined && `, ${length(tip.holeMm)} to the next hole`},{' '}
          {percent(hole.netShare)} of the face
        </>
      ) : (
        <span className="font-semibold text-oxide">
          no hole ({printLength(hole.needMm, system, 'thickness')} asked): {NO_HOLE_WORDS[hole.why]}
        </span>
      )}
    </li>
  );
}
