'use client';

import { Sheet } from '@/ui/controls';

const KEYS: readonly (readonly [string, string])[] = [
  ['0 – 9 .', 'start a reading here'],
  ['Enter', 'keep it and step on'],
  ['← →', 'along, an inch (25 mm); with Shift a foot (250 mm)'],
  ['↑ ↓', 'across the face'],
  ['[ ]', 'face before, face after'],
  ['+ −', 'closer, further'],
  ['z', 'the whole member'],
  ['Home End', 'first and last station'],
  ['x', 'hole here'],
  ['k', 'crack: go to Trace'],
  ['g', 'take the gauge’s reading here'],
  ['n', 'to the next reading that would tell most'],
  ['u', 'take back the last reading'],
  ['s', 'strike the nearest reading'],
  ['?', 'this list'],
];

export function KeyList({ open, onOpenChange }: { open: boolean; onOpenChange: (open: boolean) => void }) {
  return (
    <Sheet
      title="Keys on the Strip"
      describe="Touch or Tab to the Strip first."
      open={open}
      onOpenChange={onOpenChange}
    >
      <dl className="grid grid-cols-[130px_1fr] gap-y-1 text-lg">
        {KEYS.map(([key, what]) => (
          <div key={key} className="contents">
            <dt className="font-semibold">{key}</dt>
            <dd>{what}</dd>
          </div>
        ))}
      </dl>
    </Sheet>
  );
}
