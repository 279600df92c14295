'use client';

import { useEffect, useState } from 'react';
import { memberOf, type Frame } from '@/core/frame';
import type { JobFile } from '@/core/job';
import { printLength, type UnitSystem } from '@/core/quantity';
import { pieceName, type Repair } from '@/core/shape';
import { askRecords, newId } from '../_client';
import { boltWords } from '../_words/shape';
import { printStation } from '../_words/station';
import { theOutbox } from '.';
import { repairParcel, withdrawalParcel } from './drafts';
import type { Draft } from './parcel';
import type { NotTaken } from './shelf';
import { When } from '@/ui/controls';

/** A repair changed in two places: what was made here beside what stands, to choose between. */
export function BothRepairs({ item, system }: { item: NotTaken; system: UnitSystem }) {
  const { parcel } = item;
  const [file, setFile] = useState<JobFile>();
  useEffect(() => {
    let isShown = true;
    void askRecords(parcel.jobId).then((answer) => isShown && answer.ok && setFile(answer.value));
    return () => {
      isShown = false;
    };
  }, [parcel.jobId]);
  const repairId = repairOf(item);
  const stands = file?.repairs.find((repair) => repair.id === repairId);
  const mine = parcel.kind === 'repair' ? parcel.body.repair : undefined;
  const put = () => {
    const draft = file && onTop(item, file);
    if (draft) void theOutbox().sendAgain(item, draft);
  };
  return (
    <div className="grid gap-x-4 gap-y-2 pt-2 sm:grid-cols-2">
      <div>
        <h4 className="font-semibold">Made here</h4>
        <Pieces repair={mine} none="taken out of the plan" frame={file?.frame} system={system} />
      </div>
      <div>
        <h4 className="font-semibold">Stands on the server</h4>
        {file ? (
          <Pieces repair={stands} none="taken out of the plan" frame={file.frame} system={system} />
        ) : (
          <p className="caption">asking the server…</p>
        )}
      </div>
      <button type="button" className="solid sm:col-span-2" disabled={!file} onClick={put}>
        Put mine in its place
      </button>
    </div>
  );
}

const repairOf = ({ parcel }: NotTaken): string | undefined =>
  parcel.kind === 'repair'
    ? parcel.body.repair.id
    : parcel.kind === 'withdrawal'
      ? parcel.body.repairId
      : undefined;

/** The same change, made on what stands now: whoever sends it has seen both. */
function onTop({ parcel }: NotTaken, file: JobFile): Draft | undefined {
  const made = (repairId: string) => {
    const basedOn = file.repairChanges[repairId];
    return { changeId: newId(), ...(basedOn !== undefined && { basedOn }) };
  };
  if (parcel.kind === 'repair')
    return repairParcel(parcel.jobId, { ...made(parcel.body.repair.id), repair: parcel.body.repair });
  if (parcel.kind === 'withdrawal')
    return withdrawalParcel(parcel.jobId, { ...made(parcel.body.repairId), repairId: parcel.body.repairId });
  return undefined;
}

function Pieces({
  repair,
  none,
  frame,
  system,
}: {
  repair: Repair | undefined;
  none: string;
  frame: Frame | undefined;
  system: UnitSystem;
}) {
  if (!repair) return <p>{none}</p>;
  const member = frame && memberOf(frame, repair.memberId);
  // Without the frame nobody knows how far behind the datum the member begins.
  const at = (mm: number) => (member ? printStation(member, mm, system) : '…');
  return (
    <ul>
      {repair.pieces.map((piece) => (
        <li key={piece.id}>
          {pieceName(piece)}, {at(piece.startMm)} to {at(piece.endMm)},{' '}
          {printLength(piece.thicknessMm, system, 'thickness')} thick
        </li>
      ))}
      <li className="caption">
        {repair.bolts ? `bolted, ${boltWords(repair.bolts)}` : `${repair.weldStyle} welds`}; {repair.by},{' '}
        <When at={repair.at} only="day" />
      </li>
    </ul>
  );
}
