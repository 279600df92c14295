'use client';

import {
  createSortedRowModel,
  rowSortingFeature,
  sortFn_basic,
  sortFn_text,
  tableFeatures,
  useTable,
  type ColumnDef,
  type SortingState,
} from '@tanstack/react-table';
import { useMemo, useState } from 'react';
import { type Member } from '@/core/frame';
import { type Reading } from '@/core/probe';
import { type UnitSystem } from '@/core/quantity';
import { type Sorted } from '@/ui/controls';
import { faceWords } from '@/ui/strip';

const features = tableFeatures({
  rowSortingFeature,
  sortedRowModel: createSortedRowModel(),
  sortFns: { basic: sortFn_basic, text: sortFn_text },
});
type Column = ColumnDef<typeof features, Reading>;

/** What the readings can be sorted by, and how each column is headed. */
const columnsOf = (member: Member, system: UnitSystem): Column[] => {
  const figure = (id: string, of: (reading: Reading) => number): Column => ({
    id,
    header: `${id}, ${system}`,
    accessorFn: of,
    sortFn: 'basic',
    sortDescFirst: false,
  });
  const words = (id: string, of: (reading: Reading) => string): Column => ({
    id,
    header: id,
    accessorFn: of,
    sortFn: 'text',
  });
  return [
    figure('station', ({ stationMm }) => stationMm),
    words('face', ({ face }) => faceWords(member, face)),
    figure('height', ({ heightMm }) => heightMm),
    figure('thickness', ({ thicknessMm }) => thicknessMm),
    words('method', ({ method }) => method),
    words('by', ({ by }) => by),
    words('when', ({ at }) => at),
  ];
};

const NONE: Reading[] = [];

export interface SortedColumn {
  readonly id: string;
  readonly label: string;
  readonly sorted: Sorted;
  readonly turn: () => void;
}

/** The readings in the order that is asked for; as they came, the newest first. */
export function useReadingsSorted(
  member: Member,
  readings: readonly Reading[],
  system: UnitSystem,
): { sorted: readonly Reading[]; columns: readonly SortedColumn[] } {
  const columns = useMemo(() => columnsOf(member, system), [member, system]);
  const newest = useMemo(() => [...readings].reverse(), [readings]);
  const [sorting, onSortingChange] = useState<SortingState>([]);
  // As they came they need no table: a reading more costs nothing here while nobody sorts.
  const data = sorting.length > 0 ? newest : NONE;
  const table = useTable({
    ...{ features, columns, data, state: { sorting }, onSortingChange },
    getRowId: ({ id }: Reading) => id,
  });
  return {
    sorted: sorting.length > 0 ? table.getRowModel().rows.map(({ original }) => original) : newest,
    columns: table.getAllColumns().map((column) => ({
      id: column.id,
      label: String(column.columnDef.header),
      sorted: column.getIsSorted(),
      turn: () => column.toggleSorting(),
    })),
  };
}
