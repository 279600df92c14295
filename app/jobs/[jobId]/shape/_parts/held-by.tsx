'use client';

import { isClosed } from '@/core/frame';
import { lengthDigits } from '@/core/quantity';
import { leastPitchMm, PLATE_BOLTS_MM } from '@/core/reference';
import { firstBolts, type Bolts, type Repair } from '@/core/shape';
import type { MemberPicture } from '@/core/weigh';
import { Choice, Pick } from '@/ui/controls';
import { useState } from 'react';
import { boltSizeWords } from '../../../../_words/shape';
import { useReader } from '../../../_desk';
import { inOne } from './add-piece';
import { LengthEntry } from './length-entry';

/** How a repair's plates are held: by welds, or, where somebody gets to the nuts, by bolts of a size, grade and pitch. */
export function HeldBy({
  repair,
  picture,
  onChange,
}: {
  repair: Repair;
  picture: MemberPicture;
  onChange: (to: Partial<Repair>) => void;
}) {
  const { bolts } = repair;
  if (isClosed(picture.member.shape)) return null;
  return (
    <div className="mt-3 border-t border-rule pt-2">
      <Choice
        label="How the plates are held"
        value={bolts ? 'bolted' : 'welded'}
        options={['welded', 'bolted'] as const}
        onChange={(how) =>
          onChange(
            how === 'bolted'
              ? {
                  bolts: bolts ?? firstBolts(picture),
                  cutOut: false,
                  plugs: false,
                  pieces: repair.pieces.map(inOne),
                }
              : { bolts: undefined },
          )
        }
      />
      {bolts && <BoltFields bolts={bolts} onChange={(to) => onChange({ bolts: to })} />}
    </div>
  );
}

function BoltFields({ bolts, onChange }: { bolts: Bolts; onChange: (bolts: Bolts) => void }) {
  const sizes = [...new Set([...PLATE_BOLTS_MM, bolts.diameterMm])].sort((a, b) => a - b);
  return (
    <div className="mt-2 grid grid-cols-2 items-start gap-2 sm:grid-cols-3">
      <Pick
        label="bolt"
        value={String(bolts.diameterMm)}
        options={sizes.map(String)}
        words={(mm) => boltSizeWords(Number(mm))}
        onPick={(mm) =>
          onChange({
            ...bolts,
            diameterMm: Number(mm),
            pitchMm: Math.max(bolts.pitchMm, leastPitchMm(Number(mm))),
          })
        }
      />
      <Pick
        label="head marks"
        value={bolts.marks === 6 ? '6' : '3'}
        options={['3', '6'] as const}
        words={(marks) => (marks === '6' ? '6: grade 8' : '3: grade 5')}
        onPick={(marks) => onChange({ ...bolts, marks: marks === '6' ? 6 : 3 })}
      />
      <PitchEntry bolts={bolts} onChange={onChange} />
    </div>
  );
}

function PitchEntry({ bolts, onChange }: { bolts: Bolts; onChange: (bolts: Bolts) => void }) {
  const { system } = useReader();
  const [problem, setProblem] = useState<string>();
  const [leastMm, mostMm] = [leastPitchMm(bolts.diameterMm), 400];
  const offer = (pitchMm: number) => {
    const fits = pitchMm >= leastMm - 1e-6 && pitchMm <= mostMm;
    const [least, most] = [leastMm, mostMm].map((mm) => lengthDigits(mm, system, 'length'));
    setProblem(fits ? undefined : `bolts stand ${least} to ${most} ${system} apart; left as it was`);
    if (fits) onChange({ ...bolts, pitchMm });
  };
  return (
    <LengthEntry
      label="pitch, middle to middle"
      valueMm={bolts.pitchMm}
      kind="length"
      {...(problem && { problem })}
      onWrong={setProblem}
      onLength={offer}
    />
  );
}
