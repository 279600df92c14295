'use client';

import { isClosed } from '@/core/frame';
import { parseLengthMm, lengthDigits } from '@/core/quantity';
import { leastPitchMm, PLATE_BOLTS_MM } from '@/core/reference';
import { firstBolts, type Bolts, type Repair } from '@/core/shape';
import type { MemberPicture } from '@/core/weigh';
import { Choice, Entry, Pick } from '@/ui/controls';
import { useState } from 'react';
import { useUnitTurn } from '../../../../_parts/turned';
import { boltSizeWords } from '../../../../_words/shape';
import { useReader } from '../../../_desk';

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
              ? { bolts: bolts ?? firstBolts(picture), cutOut: false, plugs: false }
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
  const [text, setText] = useState<string>();
  const [problem, setProblem] = useState<string>();
  useUnitTurn(system, (as) => setText(text === undefined ? undefined : as(text)));
  const commit = () => {
    if (text === undefined) return;
    const parsed = parseLengthMm(text, system);
    if (!parsed.ok) return setProblem(parsed.reason);
    if (parsed.value < leastPitchMm(bolts.diameterMm) - 1e-6 || parsed.value > 400)
      return setProblem(
        `bolts stand ${lengthDigits(leastPitchMm(bolts.diameterMm), system, 'length')} to ${lengthDigits(400, system, 'length')} ${system} apart; left as it was`,
      );
    setProblem(undefined);
    setText(undefined);
    onChange({ ...bolts, pitchMm: parsed.value });
  };
  return (
    <Entry
      label="pitch, middle to middle"
      unit={system}
      value={text ?? lengthDigits(bolts.pitchMm, system, 'length')}
      onChange={(event) => setText(event.target.value)}
      onBlur={commit}
      onKeyDown={(event) => event.key === 'Enter' && commit()}
      {...(problem && { problem })}
    />
  );
}
