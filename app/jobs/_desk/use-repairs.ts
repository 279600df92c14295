'use client';

import { useCallback, useMemo, useState } from 'react';
import type { WorkedRepair } from '@/core/job';
import { isBolted, strengthOfBolts, type Repair } from '@/core/shape';
import type { ShownRepair } from './as-own';
import { useReader } from './reader-context';
import { useRecords } from './records-context';
import { useShownRepairs } from './trying-context';
import { useWork } from './work-context';

/** Bolts drawn with a piece: those through two plates once. */
const ownBolts = <Bolt extends { readonly pieceIds: readonly string[] }>(
  bolts: readonly Bolt[],
  pieceId: string,
): Bolt[] => bolts.filter(({ pieceIds }) => pieceIds[0] === pieceId);

/** The repairs of the member in sight, the one looked at, and how it is changed. */
export function useRepairs() {
  const { changeRepair } = useRecords();
  const { by } = useReader();
  const { work } = useWork();
  const repairs = useShownRepairs();
  const [chosen, setChosen] = useState<{ id?: string; at: number }>({ at: 0 });
  const found = repairs.findIndex(({ repair }) => repair.id === chosen.id);
  const at = found >= 0 ? found : Math.min(chosen.at, Math.max(0, repairs.length - 1));
  const plates = useMemo(
    () =>
      repairs.flatMap((worked, k) =>
        worked.pieces.map(({ piece, stations }) => ({
          piece,
          stations,
          chosen: k === at,
          ...(isBolted(worked.repair) &&
            work && { bolts: ownBolts(strengthOfBolts(work.picture, worked.repair), piece.id) }),
        })),
      ),
    [repairs, at, work],
  );
  const change = useCallback(
    (shown: ShownRepair, to: (standing: Repair) => Partial<Repair>): string => {
      // Made on what was kept or proposed, not on what is only being tried.
      const settled = work?.repairs.find(({ repair }) => repair.id === shown.repair.id) ?? shown;
      const id = changeRepair(settled, to, by);
      setChosen({ id, at });
      return id;
    },
    [changeRepair, by, at, work],
  );
  const choose = (k: number) => setChosen({ id: repairs[k]!.repair.id, at: k });
  const current: WorkedRepair | undefined = repairs[at];
  return { work, repairs, plates, at, current, choose, change };
}
