'use client';

import { Sheet } from '@/ui/controls';

type Key = readonly [key: string, what: string];

/** Keys that do the same on every Strip. */
const ON_THE_STRIP: readonly Key[] = [
  ['← →', 'along, an inch (25 mm); with Shift a foot (250 mm)'],
  ['↑ ↓', 'across the face'],
  ['[ ]', 'face before, face after'],
  ['+ −', 'closer, further'],
  ['z', 'the whole member'],
  ['Home End', 'first and last station'],
];
/** Keys of a verb's own. */
const OF_THE_VERB: Readonly<Record<string, readonly Key[]>> = {
  walk: [['Tab, Enter', 'through the spots: how it was looked at, then what it is']],
  frame: [
    ['Tab, Enter', 'through members and brackets; a length is taken on Enter'],
    ['Enter', 'on a part of the Skeleton: choose it'],
  ],
  probe: [
    ['0 – 9 .', 'start a reading here'],
    ['Enter', 'keep it and step on'],
    ['x', 'hole here'],
    ['k', 'crack: go to Trace'],
    ['g', 'take the gauge’s reading here'],
    ['n', 'to the next reading that would tell most'],
    ['u', 'take back the last reading'],
    ['s', 'strike the nearest reading'],
  ],
  trace: [
    ['k', 'begin a crack'],
    ['Enter', 'a point of it here'],
    ['Backspace', 'take back its last point'],
    ['Escape', 'leave it; asks before points are thrown away'],
  ],
  weigh: [['Tab, Enter', 'open a reason: its numbers, its source, what would change it']],
  shape: [['Enter', 'in a field: the plate follows what was typed']],
  join: [['Tab, Enter', 'through the welds: the Strip shows each']],
};

/** Every key of a verb. */
export function KeyList({
  verb,
  open,
  onOpenChange,
}: {
  verb: string;
  open: boolean;
  onOpenChange: (open: boolean) => void;
}) {
  return (
    <Sheet title="Keys" open={open} onOpenChange={onOpenChange}>
      <Keys title="here" keys={[...(OF_THE_VERB[verb] ?? []), ['?', 'this list']]} />
      <Keys title="on the Strip: touch or Tab to it first" keys={ON_THE_STRIP} />
    </Sheet>
  );
}

function Keys({ title, keys }: { title: string; keys: readonly Key[] }) {
  return (
    <section className="mb-3">
      <h3 className="caption border-b border-rule">{title}</h3>
      <dl className="grid grid-cols-[130px_1fr] gap-y-1 text-lg">
        {keys.map(([key, what]) => (
          <div key={key} className="contents">
            <dt className="font-semibold">{key}</dt>
            <dd>{what}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
