'use client';

import {
  printForce,
  printLength,
  printLineForce,
  sixteenths,
  mmToInches,
  type UnitSystem,
} from '@/core/quantity';
import type { WorkedRepair } from '@/core/job';
import { strengthNPerMm, type WeldLine } from '@/core/join';
import { WELD_STYLES } from '@/core/shape';
import { Choice } from '@/ui/controls';
import { faceWords } from '@/ui/strip';
import { boltWords, repairName } from '../../../../_words/shape';
import { BOLTED_SOURCE, printSource } from '@/core/reference';
import { CAUTIONS } from '../../../../_words/cautions';
import { joinWords } from '../../../../_words/join-findings';
import { Reason } from '../../../../_parts/reason';
import {
  useRepairs,
  Bench,
  CracksToWeld,
  MemberStrip,
  useMember,
  usePlace,
  useReader,
  useRecords,
} from '../../../_desk';
import { boltCount, BoltTable } from './bolt-table';
import { LineTable } from './line-table';
import { printStation, stationDigits } from '../../../../_words/station';

export function JoinBench() {
  const { file } = useRecords();
  const { system } = useReader();
  const { member } = useMember();
  const { work, repairs, plates, at, current, choose, change: changeIt } = useRepairs();
  const change = (to: Partial<WorkedRepair['repair']>) => current && changeIt(current, () => to);
  return (
    <Bench slice="as repaired">
      <MemberStrip plates={plates} readings={false} height={300} />
      {work && !current && (
        <p className="mt-4 text-xl">
          No plate on {member.name.toLowerCase()} to weld on. Repairs are made in Shape.
        </p>
      )}
      {repairs.length > 1 && (
        <div className="mt-2 flex flex-wrap" role="group" aria-label="Repairs">
          {repairs.map((worked, k) => (
            <button
              key={worked.repair.id}
              type="button"
              className="plain -ml-px first:ml-0"
              aria-pressed={k === at}
              onClick={() => choose(k)}
            >
              {worked.target
                ? `${printStation(member, worked.target.fromMm, system)} to ${printStation(member, worked.target.toMm, system)}`
                : repairName(worked.repair)}
            </button>
          ))}
        </div>
      )}
      <CracksToWeld />
      {current && (
        <>
          <div className="mt-3 flex flex-wrap items-end gap-x-6 gap-y-2">
            <h2 className="w-full text-2xl font-semibold">
              {current.repair.bolts
                ? `${boltCount(current.joined)} bolts of ${boltWords(current.repair.bolts)}`
                : `${current.joined.lines.length} welds, ${printLength(current.joined.totalWeldMm, system, 'length')} of fillet`}
            </h2>
            <div hidden={current.repair.bolts !== undefined}>
              <p className="caption">edges</p>
              <Choice
                label="How the edges are welded"
                value={current.repair.weldStyle}
                options={WELD_STYLES}
                onChange={(weldStyle) => change({ weldStyle })}
              />
            </div>
            <button
              type="button"
              className="plain"
              hidden={current.repair.bolts !== undefined}
              aria-pressed={current.repair.plugs}
              onClick={() => change({ plugs: !current.repair.plugs })}
            >
              Plug welds
            </button>
            <button
              type="button"
              className="plain"
              hidden={current.repair.bolts !== undefined}
              aria-pressed={current.repair.onBench}
              onClick={() => change({ onBench: !current.repair.onBench })}
            >
              Welded on the bench
            </button>
          </div>
          {current.repair.bolts ? (
            <BoltTable sets={current.joined.bolts} pieces={current.repair.pieces} />
          ) : (
            <WeldTable lines={current.joined.lines} system={system} />
          )}
          <section className="mt-3" aria-label="Ends">
            <h3 className="text-lg font-semibold">What the ends must take</h3>
            <ul className="ruled">
              {current.joined.ends.map((end) => (
                <li key={`${end.pieceId}-${end.end}`} className="flex flex-wrap gap-x-6 py-1 text-[16px]">
                  <span className="w-24 font-semibold">{end.end}</span>
                  <span>plate at 0.67 Fy brings {printForce(end.forceN, system)}</span>
                  <span>
                    {current.repair.bolts ? 'bolts' : 'welds'} over {printLength(end.runMm, system, 'length')}{' '}
                    take {printForce(end.capacityN, system)}
                  </span>
                  <span
                    className={
                      end.capacityN < end.forceN ? 'font-bold text-oxide' : 'text-good font-semibold'
                    }
                  >
                    {end.capacityN < end.forceN ? 'too little' : 'enough'}
                  </span>
                </li>
              ))}
            </ul>
            {current.joined.ends.length === 0 && <p>Both ends lie at the rail’s own ends.</p>}
          </section>
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
            {file.grossMassKg === undefined
              ? ''
              : 'Design shear: bump 3 g on a sixth of the gross weight, common practice, until the frame’s own loads are computed. '}
            {current.repair.bolts
              ? 'Torque: dry plain bolts to three quarters of their proof load, nut factor 0.2; the bolt maker’s table wins. Bolts as a set, from the middle outward.'
              : 'Settings: about 1 A per 0.001 in is a start; a scrap test, the machine’s chart and a qualified procedure win.'}
          </p>
          <p className="caution mt-3">{CAUTIONS.join}</p>
        </>
      )}
    </Bench>
  );
}

const JOIN_SOURCE =
  'AWS D1.1 minimum leg; AISC 360 J2.2b maximum leg, J2.4 and J4 strengths, J2.3b plugs (all from memory)';

const leg = (mm: number, system: UnitSystem): string =>
  system === 'in' ? `${sixteenths(mmToInches(mm))} in` : printLength(mm, 'mm', 'thickness');

function WeldTable({ lines, system }: { lines: readonly WeldLine[]; system: UnitSystem }) {
  const { member, setCursor } = useMember();
  const { cursor } = usePlace();
  return (
    <LineTable
      label="Welds"
      heads={['weld', 'where', `stations, ${system}`, 'length', 'leg', 'how', 'position', 'strength', 'flow']}
    >
      {lines.map((line) => (
        <tr key={line.id}>
          <th scope="row" className="text-left">
            <button
              type="button"
              className="hit font-bold underline"
              onClick={() => setCursor({ ...cursor, stationMm: (line.fromMm + line.toMm) / 2 })}
            >
              {line.id}
            </button>
          </th>
          <td className="whitespace-nowrap pr-2">
            {line.place}
            <span className="caption block">{faceWords(member, line.face)}</span>
          </td>
          <td className="whitespace-nowrap pr-2">
            {stationDigits(member, line.fromMm, system)}
            <span className="block">to {stationDigits(member, line.toMm, system)}</span>
          </td>
          <td className="whitespace-nowrap pr-2">
            {line.plugs
              ? `${line.plugs.count} at ${printLength(line.runs!.pitchMm, system, 'length')}`
              : printLength(line.lengthMm, system, 'length')}
          </td>
          <td className="whitespace-nowrap pr-2 font-semibold">
            {line.plugs ? (
              `Ø ${printLength(line.plugs.diameterMm, system, 'length')}`
            ) : (
              <>
                {leg(line.legMm, system)}
                <span className="caption block">
                  least {leg(line.minimumLegMm, system)}
                  <br />
                  most {leg(line.maximumLegMm, system)}
                </span>
              </>
            )}
          </td>
          <td className="min-w-[150px] pr-2">{styleWords(line, system)}</td>
          <td className="pr-2">{line.position}</td>
          <td className="whitespace-nowrap pr-2">
            {line.plugs ? (
              `${printForce(line.plugs.strengthN, system)} each`
            ) : (
              <>
                {printLineForce(strengthNPerMm(line), system)}
                {line.baseNPerMm < line.fillerNPerMm && (
                  <span className="caption block">limited by the base metal</span>
                )}
              </>
            )}
          </td>
          <td className="whitespace-nowrap">
            {line.flowNPerMm === undefined ? (
              ''
            ) : (
              <>
                {printLineForce(line.flowNPerMm, system)}
                <span className="caption block">{flowWord(line.flowNPerMm / strengthNPerMm(line))}</span>
              </>
            )}
          </td>
        </tr>
      ))}
    </LineTable>
  );
}

const flowWord = (use: number): string =>
  use > 1 ? 'too much' : use < 0.35 ? 'ample' : use < 0.7 ? 'enough' : 'near limit';

function styleWords(line: WeldLine, system: UnitSystem): string {
  if (line.plugs) return 'filled flush';
  if (!line.runs) return 'continuous';
  const run = printLength(line.runs.lengthMm, system, 'length');
  return line.style === 'skip'
    ? `${run} runs at ${printLength(line.runs.pitchMm, system, 'length')}`
    : `${run} runs, skipping, to continuous`;
}
