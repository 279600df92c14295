'use client';

import { isClosed } from '@/core/frame';
import { lengthDigits } from '@/core/quantity';
import {
  BOLT_MARKS,
  boltGrade,
  isMetricBolt,
  leastPitchMm,
  METRIC_PLATE_BOLTS_MM,
  PLATE_BOLTS_MM,
  type BoltMarks,
} from '@/core/reference';
import { firstBolts, type Bolts, type Repair } from '@/core/shape';
import type { MemberPicture } from '@/core/weigh';
import { Choice, Pick } from '@/ui/controls';
import { useState } from 'react';
import { BOLT_MARK_WORDS, boltSizeWords } from '../../../../_words/shape';
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

/** Head marks that bolts of a size have. */
const marksOf = (diameterMm: number): readonly BoltMarks[] =>
  BOLT_MARKS.filter((marks) => boltGrade(marks, diameterMm) !== undefined);

/** The same bolts in another size: nearest to their strength, no nearer to each other than that size may stand. */
function inSize(bolts: Bolts, diameterMm: number): Bolts {
  const marks = marksOf(diameterMm);
  const isHard = bolts.marks === 6 || bolts.marks === 10.9;
  return {
    diameterMm,
    marks: marks.includes(bolts.marks) ? bolts.marks : (marks.at(isHard ? -1 : 0) ?? bolts.marks),
    pitchMm: Math.max(bolts.pitchMm, leastPitchMm(diameterMm)),
  };
}

function BoltFields({ bolts, onChange }: { bolts: Bolts; onChange: (bolts: Bolts) => void }) {
  const sizes = [...new Set([...PLATE_BOLTS_MM, ...METRIC_PLATE_BOLTS_MM, bolts.diameterMm])];
  const inOrder = sizes.sort((a, b) => Number(isMetricBolt(a)) - Number(isMetricBolt(b)) || a - b);
  return (
    <div className="mt-2 grid grid-cols-2 items-start gap-2 sm:grid-cols-3">
      <Pick
        label="bolt"
        value={String(bolts.diameterMm)}
        options={inOrder.map(String)}
        words={(mm) => boltSizeWords(Number(mm))}
        onPick={(mm) => onChange(inSize(bolts, Number(mm)))}
      />
      <Pick
        label="head marks"
        value={String(bolts.marks)}
        options={marksOf(bolts.diameterMm).map(String)}
        words={(marks) => BOLT_MARK_WORDS[Number(marks) as BoltMarks]}
        onPick={(marks) => onChange({ ...bolts, marks: Number(marks) as BoltMarks })}
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
