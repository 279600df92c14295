import type { NextStep } from '@/core/job';

/** What is next in a job, as the Yard says it. */
export function nextWords(next: NextStep): string {
  switch (next.is) {
    case 'walk round it':
      return 'Walk round it first';
    case 'first readings':
      return 'Strike it or read it: nothing can be said yet';
    case 'a rail not measured':
      return `Nothing on record of ${next.name.toLowerCase()} yet`;
    case 'plates':
      return `Look at the plates for ${next.name.toLowerCase()}`;
    case 'by hand':
      return `${next.name}: ${next.verdict}, read why`;
    case 'members not measured':
      return next.count === 1
        ? 'Nothing on record of 1 member'
        : `Nothing on record of ${next.count} members`;
    case 'read the verdicts':
      return 'Read the verdicts';
    default:
      return next satisfies never;
  }
}
