'use client';

import type { BoltSet, Joining } from '@/core/join';
import { printForce, printLength, printTorque } from '@/core/quantity';
import { pieceName, type Piece } from '@/core/shape';
import { faceWords } from '@/ui/strip';
import { boltWords, ownSystem } from '../../../../_words/shape';
import { stationDigits } from '../../../../_words/station';
import { useMember, usePlace, useReader } from '../../../_desk';
import { LineTable } from './line-table';

export const boltCount = ({ bolts }: Joining): number => bolts.reduce((sum, { count }) => sum + count, 0);

const HEADS = ['bolts', 'through', 'stations', 'how many', 'bolt', 'hole', 'pitch', 'torque', 'each takes'];

/** The bolts of a repair by what they go through: what to buy, to drill and to tighten. */
export function BoltTable({ sets, pieces }: { sets: readonly BoltSet[]; pieces: readonly Piece[] }) {
  return (
    <LineTable label="Bolts" heads={HEADS}>
      {sets.map((set) => (
        <BoltRow key={set.id} set={set} pieces={pieces} />
      ))}
    </LineTable>
  );
}

function BoltRow({ set, pieces }: { set: BoltSet; pieces: readonly Piece[] }) {
  const { system } = useReader();
  const { member, setCursor } = useMember();
  const { cursor } = usePlace();
  const length = (mm: number) => printLength(mm, system, 'length');
  const own = (mm: number) => printLength(mm, ownSystem(set.diameterMm, system), 'length');
  return (
    <tr>
      <th scope="row" className="text-left">
        <button
          type="button"
          className="hit font-bold underline"
          onClick={() => setCursor({ ...cursor, stationMm: (set.fromMm + set.toMm) / 2 })}
        >
          {set.id}
        </button>
      </th>
      <td className="pr-2">
        {pieces
          .filter(({ id }) => set.pieceIds.includes(id))
          .map(pieceName)
          .join(' and ')}
        <span className="caption block">{faceWords(member, set.face)}</span>
      </td>
      <td className="whitespace-nowrap pr-2">
        {stationDigits(member, set.fromMm, system)}
        <span className="block">to {stationDigits(member, set.toMm, system)}</span>
      </td>
      <td className="pr-2">
        {set.count}
        {set.counted < set.count && <span className="caption block">{set.counted} of them counted</span>}
      </td>
      <td className="pr-2 font-semibold">
        {boltWords(set)}
        <span className="caption block">
          {own(set.lengthMm)} long, grip {length(set.gripMm)}
        </span>
      </td>
      <td className="whitespace-nowrap pr-2">Ø {own(set.holeMm)}</td>
      <td className="whitespace-nowrap pr-2">{length(set.pitchMm)}</td>
      <td className="whitespace-nowrap pr-2">
        {set.torqueNm === undefined ? 'by its maker' : printTorque(set.torqueNm, system)}
      </td>
      <td className="whitespace-nowrap">
        {set.strengthN === undefined ? 'nothing counted' : printForce(set.strengthN, system)}
      </td>
    </tr>
  );
}
