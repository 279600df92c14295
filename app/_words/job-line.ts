import type { NextStep } from '@/core/job';

/** What is next in a job, as the Yard says it. */
export function nextWords(next: NextStep): string {
  switch (next.is) {
    case 'walk round it':
      return 'Walk round it first';
    case 'first readings':
      return 'Take the first readings';
    case 'a rail not measured':
      return `${next.name} not measured yet`;
    case 'plates':
      return `Look at the plates for ${next.name.toLowerCase()}`;
    case 'by hand':
      return `${next.name}: ${next.verdict}, read why`;
    case 'members not measured':
      return next.count === 1 ? '1 member not measured' : `${next.count} members not measured`;
    case 'read the verdicts':
      return 'Read the verdicts';
    default:
      return next satisfies never;
  }
}
