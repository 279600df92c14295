'use client';

import type { WorkedRepair } from '@/core/job';
import { benchTime } from '@/core/join';
import { printLength } from '@/core/quantity';
import { BOLTED_SOURCE, printSource } from '@/core/reference';
import { WELD_STYLES } from '@/core/shape';
import { Choice } from '@/ui/controls';
import { Reason } from '../../../../_parts/reason';
import { joinWords } from '../../../../_words/join-findings';
import { workSeamWords } from '../../../../_words/seams';
import { boltWords } from '../../../../_words/shape';
import { CracksToWeld, useReader, useRecords } from '../../../_desk';
import { boltCount, BoltTable } from './bolt-table';
import { Ends } from './ends';
import { SeamForm } from './seam-form';
import { WeldTable } from './weld-table';
import type { JoinDesk } from './use-join';

const JOIN_SOURCE =
  'AWS D1.1 minimum leg, fit-up; AISC 360 J2.2b maximum leg, J2.4 and J4 strengths, J2.3b plugs (all from memory)';

/** Every seam of what is planned here: plates' with their limits, demand and findings; works' in a line each. */
export function SeamsPart({ join, chosen }: { join: JoinDesk; chosen: string | undefined }) {
  const { current, setSeam } = join;
  if (!current)
    return (
      <>
        <CracksToWeld />
        <WorkSeams join={join} />
      </>
    );
  const line = current.joined.lines.find(({ id }) => id === chosen);
  return (
    <>
      <CracksToWeld />
      <HowHeld current={current} change={(to) => join.change(current, () => to)} />
      {!current.repair.bolts && <BenchLine current={current} />}
      {current.repair.bolts ? (
        <BoltTable sets={current.joined.bolts} pieces={current.repair.pieces} />
      ) : (
        <WeldTable lines={current.joined.lines} chosen={chosen} onChoose={setSeam} />
      )}
      {line && <SeamForm key={line.key} join={join} worked={current} line={line} />}
      <WorkSeams join={join} />
      <Ends worked={current} join={join} />
      <Remarks current={current} />
    </>
  );
}

function HowHeld({
  current: { repair, joined },
  change,
}: {
  current: WorkedRepair;
  change: (to: Partial<WorkedRepair['repair']>) => void;
}) {
  const { system } = useReader();
  const isBolted = repair.bolts !== undefined;
  return (
    <div className="mt-3 flex flex-wrap items-end gap-x-6 gap-y-2">
      <h2 className="w-full text-2xl font-semibold">
        {repair.bolts
          ? `${boltCount(joined)} bolts of ${boltWords(repair.bolts)}`
          : `${joined.lines.length} welds, ${printLength(joined.totalWeldMm, system, 'length')} of fillet`}
      </h2>
      <div hidden={isBolted}>
        <p className="caption">edges</p>
        <Choice
          label="How the edges are welded"
          value={repair.weldStyle}
          options={WELD_STYLES}
          onChange={(weldStyle) => change({ weldStyle })}
        />
      </div>
      <button
        type="button"
        className="plain"
        hidden={isBolted}
        aria-pressed={repair.plugs}
        onClick={() => change({ plugs: !repair.plugs })}
      >
        Plug welds
      </button>
      <button
        type="button"
        className="plain"
        hidden={isBolted}
        aria-pressed={repair.onBench}
        onClick={() => change({ onBench: !repair.onBench })}
      >
        Welded on the bench
      </button>
    </div>
  );
}

/** What the bench would save or cost: hours by the shop's norm, dearer against gravity. */
function BenchLine({ current: { joined, repair } }: { current: WorkedRepair }) {
  const { file } = useRecords();
  const { norms, ratePerHour, currency } = file.practice.money;
  // As they lie on the vehicle: on the bench every seam is flat already.
  const { onVehicle, onBench } = benchTime(joined.lines, repair.pieces.length, norms);
  // No sharper than the norms: half hours, tens of money.
  const half = (hours: number) => Math.round(hours * 2) / 2;
  const tens = (hours: number) => Math.round((hours * ratePerHour) / 10) * 10;
  const words = ([least, most]: readonly [number, number]) =>
    `${half(least)} to ${half(most)} h${ratePerHour > 0 ? ` (${currency}${tens(least)} to ${tens(most)})` : ''}`;
  return (
    <p className="mt-1">
      {repair.onBench
        ? `On the bench, off and back counted: ${words(onBench)}.`
        : `Welded as it lies: ${words(onVehicle)}; on the bench, off and back counted: ${words(onBench)}.`}
    </p>
  );
}

/** Works made at this member: their seams, each in a line. */
function WorkSeams({ join: { ledger } }: { join: JoinDesk }) {
  const { system } = useReader();
  const seams = ledger.filter(({ of }) => of === 'work');
  if (seams.length === 0) return null;
  return (
    <section className="mt-3" aria-label="Seams of works">
      <h3 className="text-lg font-semibold">At brackets, joints and sheet</h3>
      <ul className="ruled letters-16">
        {seams.map(({ ofId, seam, mark, workSeam }) => (
          <li key={`${ofId} ${seam}`} className="py-1">
            <span className="font-bold">{mark}</span> {workSeamWords(workSeam!, system)}
          </li>
        ))}
      </ul>
    </section>
  );
}

function Remarks({ current }: { current: WorkedRepair }) {
  const { system } = useReader();
  return (
    <>
      <section className="mt-3 grid gap-1" aria-label="Remarks">
        {current.joinFindings.map((finding, k) => (
          <Reason
            key={k}
            words={joinWords(finding, system)}
            heavy={finding.weight === 'broken'}
            tag={finding.weight}
            source={current.repair.bolts ? printSource(BOLTED_SOURCE) : JOIN_SOURCE}
          />
        ))}
      </section>
      <p className="caption mt-2">
        Design shear: bump 3 g on a sixth of the gross weight, common practice, until the frame’s own loads
        are computed.{' '}
        {current.repair.bolts &&
          'Torque: dry plain bolts to three quarters of their proof load, nut factor 0.2; the bolt maker’s table wins. Bolts as a set, from the middle outward.'}
      </p>
    </>
  );
}
