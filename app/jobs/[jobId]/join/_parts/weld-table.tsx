'use client';

import { printForce, printLength, printLineForce, type UnitSystem } from '@/core/quantity';
import { strengthNPerMm, type WeldLine } from '@/core/join';
import { faceWords } from '@/ui/strip';
import { legWords, SEAM_TYPE_WORDS } from '../../../../_words/seams';
import { stationDigits } from '../../../../_words/station';
import { useMember, usePlace, useReader } from '../../../_desk';
import { LineTable } from './line-table';

/** The welds of a repair, a line each; choosing one shows it on the Strip, and touching one there chooses it here. */
export function WeldTable({
  lines,
  chosen,
  onChoose,
}: {
  lines: readonly WeldLine[];
  chosen: string | undefined;
  onChoose: (mark: string) => void;
}) {
  const { system } = useReader();
  return (
    <LineTable
      label="Welds"
      heads={['weld', 'where', `stations, ${system}`, 'length', 'leg', 'how', 'position', 'strength', 'flow']}
    >
      {lines.map((line) => (
        <WeldRow key={line.key} line={line} chosen={chosen} onChoose={onChoose} />
      ))}
    </LineTable>
  );
}

function WeldRow({
  line,
  chosen,
  onChoose,
}: {
  line: WeldLine;
  chosen: string | undefined;
  onChoose: (mark: string) => void;
}) {
  const { system } = useReader();
  const { member, setCursor } = useMember();
  const { cursor } = usePlace();
  return (
    <tr className={line.id === chosen ? 'bg-here/30' : ''}>
      <th scope="row" className="text-left">
        <button
          type="button"
          className="hit font-bold underline"
          aria-pressed={line.id === chosen}
          onClick={() => {
            onChoose(line.id);
            setCursor({ ...cursor, stationMm: (line.fromMm + line.toMm) / 2 });
          }}
        >
          {line.id}
        </button>
      </th>
      <td className="whitespace-nowrap pr-2">
        {line.place}
        {line.leftOpen !== undefined && <span className="block font-semibold">stays open</span>}
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
      <LegCell line={line} />
      <td className="min-w-[130px] pr-2">
        {styleWords(line, system)}
        <span className="caption block">{SEAM_TYPE_WORDS[line.type]}</span>
      </td>
      <td className="pr-2">
        {line.position}
        {line.access === 'poor' && <span className="caption block">poor access</span>}
      </td>
      <StrengthCells line={line} />
    </tr>
  );
}

function LegCell({ line }: { line: WeldLine }) {
  const { system } = useReader();
  return (
    <td className="whitespace-nowrap pr-2 font-semibold">
      {line.plugs ? (
        `Ø ${printLength(line.plugs.diameterMm, system, 'length')}`
      ) : (
        <>
          {legWords(line.legMm, system)}
          <span className="caption block">
            least {legWords(line.minimumLegMm, system)}
            <br />
            most {legWords(line.maximumLegMm, system)}
          </span>
        </>
      )}
    </td>
  );
}

/** What it takes along its length, and what flows there. */
function StrengthCells({ line }: { line: WeldLine }) {
  const { system } = useReader();
  return (
    <>
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
    </>
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
