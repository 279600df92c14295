'use client';

import { Link } from '@/app/_parts/link';
import { useMemo, useState } from 'react';
import { frameFaces, repairFaces, usualLook, type WorkedRepair } from '@/core/job';
import { pieceName } from '@/core/shape';
import { Choice, Pick } from '@/ui/controls';
import { Round } from '@/ui/round';
import { printStation } from '../../../../../_words/station';
import { useMember, useReader, useRecords, useWork } from '../../../../_desk';

const SHOWN = ['this repair', 'whole frame'] as const;
type Shown = (typeof SHOWN)[number];

/** A repair as it will stand on its member, or the whole frame by what is left of it, to be turned and looked at. */
export function RoundBench() {
  const { file } = useRecords();
  const { member } = useMember();
  const { isWorking, work } = useWork();
  const repairs = work?.repairs ?? [];
  const [shown, setShown] = useState<Shown>('this repair');
  const [at, setAt] = useState(0);
  const current = repairs[Math.min(at, repairs.length - 1)];
  return (
    <main
      id="main"
      className="mx-auto flex max-w-[1280px] flex-col px-3 pb-4 pt-3 lg:h-[calc(100dvh-100px)] lg:px-5"
    >
      <div className="mb-2 flex flex-wrap items-end justify-between gap-2">
        <h1 className="text-3xl font-semibold">
          {shown === 'whole frame' ? file.unit.tag : member.name}, in the round
        </h1>
        <div className="flex flex-wrap items-end gap-2">
          {shown === 'this repair' && repairs.length > 1 && (
            <WhichRepair repairs={repairs} at={at} onPick={setAt} />
          )}
          <Choice label="What is shown" value={shown} options={SHOWN} onChange={setShown} />
          <Link className="plain" href={`/jobs/${file.job.id}/shape?member=${member.id}`}>
            Back to Shape
          </Link>
        </div>
      </div>
      {shown === 'whole frame' ? (
        <WholeFrame />
      ) : current ? (
        <OneRepair key={current.repair.id} worked={current} />
      ) : (
        <p className="text-xl" role="status">
          {isWorking
            ? 'Plates are being worked out.'
            : 'No plate is drawn on this member: see the whole frame.'}
        </p>
      )}
      <Key isWhole={shown === 'whole frame'} />
    </main>
  );
}

function WhichRepair({
  repairs,
  at,
  onPick,
}: {
  repairs: readonly WorkedRepair[];
  at: number;
  onPick: (at: number) => void;
}) {
  const { system } = useReader();
  const { member } = useMember();
  const words = (k: number) => {
    const { pieces } = repairs[k]!.repair;
    return `${pieces.map(pieceName).join(' and ')}, ${printStation(member, pieces[0]!.startMm, system)}`;
  };
  return (
    <Pick
      label="repair"
      value={String(at)}
      options={repairs.map((_, k) => String(k))}
      onPick={(next) => onPick(Number(next))}
      words={(k) => words(Number(k))}
    />
  );
}

function OneRepair({ worked }: { worked: WorkedRepair }) {
  const { work } = useWork();
  const picture = work!.picture;
  const faces = useMemo(() => repairFaces(picture, worked), [picture, worked]);
  const isBeneath = worked.repair.pieces.some(({ kind }) => kind.startsWith('bottom'));
  const usual = useMemo(() => usualLook(picture, isBeneath), [picture, isBeneath]);
  const names = worked.repair.pieces.map(pieceName).join(' and ');
  return <Round faces={faces} usual={usual} label={`${names} on the ${picture.member.name.toLowerCase()}`} />;
}

const FROM_ABOVE = { turnRad: 0.5, tipRad: 0.6 };

function WholeFrame() {
  const { file } = useRecords();
  const { summaries } = useWork();
  const faces = useMemo(() => frameFaces(file.frame, (id) => summaries.get(id)), [file.frame, summaries]);
  return <Round key="frame" faces={faces} usual={FROM_ABOVE} label={`The frame of ${file.unit.tag}`} />;
}

/** What the shades mean. */
function Key({ isWhole }: { isWhole: boolean }) {
  const { side } = useMember().member;
  const shades = [
    ['kept-1', 'wall as made'],
    ['kept-4', 'thinner'],
    ['kept-8', 'nearly gone'],
    ['hatch', 'nobody measured it'],
    ['slate', 'plate'],
    ['ink', 'weld, drain'],
    ['edge', 'bracket'],
  ] as const;
  return (
    <p className="caption mt-2 flex flex-wrap gap-x-4 gap-y-1">
      {shades.map(([tone, words]) => (
        <span key={tone} className="inline-flex items-center gap-1">
          <span className="inline-block size-3 border border-edge" style={{ background: `var(--${tone})` }} />
          {words}
        </span>
      ))}
      {isWhole && <span>Each stretch by the least of its area and bending strength.</span>}
      <span>At first from its outer side, front to the {side === 'right' ? 'right' : 'left'}.</span>
      <span>Brackets whose size nobody recorded are drawn at a usual one.</span>
    </p>
  );
}
