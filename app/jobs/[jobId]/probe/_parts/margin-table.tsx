'use client';

import { lengthDigits } from '@/core/quantity';
import { useMember, useReader, useWork } from '../../../_desk';
import { stationDigits } from '../../../../_words/station';

const KIND_WORDS = {
  bracketed: 'between two readings',
  felt: 'felt by hand',
  struck: 'struck, not measured',
  'sound to the corner': 'sound to the corner',
  'not read further down': 'not read further down',
  'no sound metal read': 'no sound metal read',
} as const;

/** The sound edge column by column. */
export function MarginTable() {
  const { system } = useReader();
  const { member } = useMember();
  const { work } = useWork();
  return (
    <table className="w-full letters-15">
      <thead>
        <tr className="caption text-left">
          <th scope="col" className="font-normal">
            station, {system}
          </th>
          <th scope="col" className="font-normal">
            side
          </th>
          <th scope="col" className="font-normal">
            edge lies between, {system} up
          </th>
          <th scope="col" className="font-normal">
            sound below top corner, {system}
          </th>
          <th scope="col" className="font-normal">
            how known
          </th>
        </tr>
      </thead>
      <tbody className="ruled">
        {work!.picture.edges.flatMap((edge) =>
          edge.columns.map((column) => (
            <tr key={`${edge.face}-${column.stationMm}`}>
              <td className="py-1">{stationDigits(member, column.stationMm, system)}</td>
              <td>{edge.face}</td>
              <td>
                {lengthDigits(column.lowerMm, system, 'length')} and{' '}
                {lengthDigits(column.upperMm, system, 'length')}
              </td>
              <td className="font-semibold">
                {lengthDigits(edge.faceHeightMm - column.upperMm, system, 'length')}
              </td>
              <td className="caption">{KIND_WORDS[column.kind]}</td>
            </tr>
          )),
        )}
      </tbody>
    </table>
  );
}
