import type { Distrust } from '@/core/job';

const some = (count: number, one: string, many: string): string[] =>
  count === 0 ? [] : [count === 1 ? `1 ${one}` : `${count} ${many}`];

/** What somebody must know before they believe anything said of the job; one sentence each, none where all is real and readable. */
export function distrustWords(found: Distrust): string[] {
  const invented = [
    ...some(found.simulatedReadings, 'reading', 'readings'),
    ...some(found.simulatedTaps, 'tap test', 'tap tests'),
    ...(found.simulatedTicket ? ['the scale’s ticket'] : []),
  ];
  return [
    ...(invented.length
      ? [`Simulated: ${invented.join(', ')} invented by a stand-in; no metal was measured for it.`]
      : []),
    ...(found.driftedReadings
      ? [
          `${some(found.driftedReadings, 'reading', 'readings')[0]} by a gauge that was off its block: what it calls sound may be thinner. Read those places again, and strike these.`,
        ]
      : []),
    ...(found.presumedFrame
      ? [
          'The frame’s measures are its family’s usual ones; nobody took them from this unit. Put them right in Frame.',
        ]
      : []),
    ...(found.unreadable
      ? [
          `${some(found.unreadable, 'record', 'records')[0]} of this job cannot be read on the server: what stands in it is missing from everything said here.`,
        ]
      : []),
  ];
}
