import type { JobBundle } from '@/core/exchange';
import type { Evidence } from '@/core/job';
import { seeded, seededId } from './seeded';

/** Of the van two years ago, what nobody had judged: signed for by two. */
const UNJUDGED: readonly (readonly [id: string, name: string])[] = [
  ['rail-left-front', 'Left front rail'],
  ['rail-left-rear', 'Left rear rail'],
  ['rail-right-rear', 'Right rear rail'],
  ['floor-rail-left', 'Left floor rail'],
  ['floor-rail-right', 'Right floor rail'],
  ['cross-front', 'Radiator crossmember'],
  ['cross-wall', 'Firewall crossmember'],
  ['cross-rear', 'Rear seat crossmember'],
  ['carrier', 'Axle carrier floor'],
];
/** And what its owner left as it was. */
const LEFT: readonly (readonly [memberId: string, asks: string, what: string])[] = [
  ['rail-right-front', 'Mend', 'the right front rail: thin at its end'],
  ['sill-left', 'Mend', 'inner layers of the left sill were not opened'],
  ['sill-right', 'Mend', 'the right sill: thin along its lower edge'],
  ['cross-seat', 'Renew', 'the seat crossmember: soft at the tunnel'],
];

/** The van’s older job: washed out, tried, a later look booked, the rest left with its owner’s word; signed off by two, and closed. */
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
      kind: 'preserved',
      ...stamp('2024-10-11T11:20:00Z', 'salt mud as high as the second layer'),
      memberId: 'sill-left',
      washed: true,
      debrisKg: 1.9,
      coat: { product: 'cavity wax', litres: 0.6 },
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
    ...LEFT.map(([memberId, asks, what]): Evidence => ({
      kind: 'left undone',
      ...stamp('2024-10-11T14:40:00Z'),
      of: `undecided member ${memberId} ${asks}`,
      what,
      memberId,
      why: 'the van was to be sold within two years',
      owner: 'owner',
      how: 'on paper',
    })),
    {
      kind: 'sign off',
      ...stamp('2024-10-11T15:00:00Z'),
      second: 'TM',
      walkedWith: 'owner',
      passed: [
        {
          key: 'unjudged',
          name: UNJUDGED.map(([, name]) => name).join(', '),
          parts: UNJUDGED.map(([id]) => `unjudged ${id}`),
          why: 'the sill was what was asked for',
        },
      ],
    },
  ];
  return { ...bundle, evidence: [...bundle.evidence, ...proof] };
}
