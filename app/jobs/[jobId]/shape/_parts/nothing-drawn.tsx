'use client';

import { checkRepair, type Repair } from '@/core/shape';
import { thinAllOver } from '@/core/weigh';
import { useReader, useRecords, type WorkView } from '../../../_desk';
import { nothingDrawnWords, stretchWords } from '../../../../_words/by-hand';
import { repairOver } from './add-piece';

/** Why no plate is drawn; where the metal is only thin all over, one may be laid over that stretch. */
export function NothingDrawn({ work, onAdd }: { work: WorkView; onAdd: (repair: Repair) => void }) {
  const { file } = useRecords();
  const { by, system } = useReader();
  const { picture, verdict } = work;
  const thin = thinAllOver(picture, verdict);
  const repair =
    thin &&
    repairOver(picture.member, thin, {
      stockMm: file.practice.stockThicknessesMm,
      by: by || 'unnamed',
    });
  return (
    <>
      <p className="mt-4 text-xl">{nothingDrawnWords(picture, verdict, system)}</p>
      {thin && repair && checkRepair(picture.member, repair).ok && (
        <p className="mt-3">
          <button type="button" className="solid" onClick={() => onAdd(repair)}>
            Lay a piece over {stretchWords(picture.member, thin, system)}
          </button>
        </p>
      )}
    </>
  );
}
