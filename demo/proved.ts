import type { JobBundle } from '@/core/exchange';
import type { Evidence } from '@/core/job';
import { seeded, seededId } from './seeded';

/** The van’s older job, closed with what was tried, a later look booked, and the sill’s inner layers left with its owner’s word. It is older than signing off by two. */
export function provedAndClosed(bundle: JobBundle): JobBundle {
  const random = seeded(401);
  const stamp = (at: string, note = '') => ({ id: seededId(random), by: 'RK', at, note });
  const proof: Evidence[] = [
    {
      kind: 'proof',
      ...stamp('2024-10-11T11:00:00Z'),
      of: 'drain run through',
      place: 'left sill, three drains',
      held: true,
    },
    {
      kind: 'proof',
      ...stamp('2024-10-11T13:30:00Z'),
      of: 'wax or water at the seams',
      place: 'left sill, patch',
      held: true,
    },
    {
      kind: 'proof',
      ...stamp('2024-10-11T14:00:00Z'),
      of: 'road test',
      place: 'harbour road, empty',
      held: true,
    },
    {
      kind: 'look booked',
      ...stamp('2024-10-11T14:30:00Z'),
      what: 'wash, drains, wax at the patch',
      on: '2025-10-01',
      afterKm: 8000,
    },
    {
      kind: 'left undone',
      ...stamp('2024-10-11T14:40:00Z'),
      what: 'inner layers of the left sill were not opened',
      why: 'the van was to be sold within two years',
      owner: 'owner',
      how: 'on paper',
    },
  ];
  return { ...bundle, evidence: [...bundle.evidence, ...proof] };
}
