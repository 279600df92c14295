import type { Evidence } from '@/core/job';
import type { Intake, OwnersChoice } from '@/core/walk';
import { seeded, seededId } from './seeded';

type Told = Partial<Omit<Intake, 'kind' | 'id'>> & Pick<Intake, 'by' | 'at'>;
type Chose = Pick<OwnersChoice, 'chosen' | 'by' | 'at'> & Partial<OwnersChoice>;

/** What an owner said at the counter, and what was chosen where something was. */
function counter(seed: number, intake: Told, choice?: Chose): Evidence[] {
  const random = seeded(seed);
  const told: Intake = { kind: 'intake', id: seededId(random), isHome: false, note: '', ...intake };
  if (!choice) return [told];
  return [told, { kind: 'choice', id: seededId(random), left: '', why: '', note: '', ...choice }];
}

export const gritterCounter = (): Evidence[] =>
  counter(
    201,
    {
      frameBuilt: '2011-04',
      livedAt: 'island roads, salt from October to April; hosed down now and then',
      needBy: '2026-12-12',
      ceiling: 9000,
      unitValue: 16_000,
      tried: 'a flat bar welded under the right rail three winters ago',
      advice: 'plate both rails and paint; a haulier at the quay',
      by: 'RK',
      at: '2026-11-16T08:10:00Z',
    },
    { chosen: 'mend', why: 'the winter round starts on the twelfth', by: 'RK', at: '2026-11-17T15:20:00Z' },
  );

export const boatTrailerCounter = (): Evidence[] =>
  counter(202, {
    livedAt: 'backed into the sea at every launch, rinsed when there is water on the slip',
    needBy: '2027-03-20',
    unitValue: 3800,
    ceiling: 2500,
    by: 'TM',
    at: '2026-11-20T09:50:00Z',
  });

export const libraryCounter = (): Evidence[] =>
  counter(203, {
    frameBuilt: '2008',
    livedAt: 'kept under a roof; eight thousand miles a year on salted roads',
    ceiling: 4000,
    unitValue: 22_000,
    tried: 'the outrigger’s weld run over once, before it was ours to look at',
    by: 'RK',
    at: '2026-11-12T08:55:00Z',
  });

export const diversCounter = (): Evidence[] =>
  counter(
    204,
    {
      livedAt: 'on the quay, two crossings a month',
      isHome: true,
      needBy: '2026-12-20',
      ceiling: 6000,
      unitValue: 14_000,
      tried: 'the plate on the left beam, with square ends',
      advice: 'weld the crack and go: the last yard',
      by: 'TM',
      at: '2026-11-18T07:55:00Z',
    },
    {
      chosen: 'temporary only',
      left: 'the crack itself, the square plate end, the gap at the front wall',
      why: 'to get it from the slip to the shop',
      stage: { heldWhen: 'nothing has moved at the clamp after the trip to the yard', next: 'mend' },
      by: 'TM',
      at: '2026-11-18T12:20:00Z',
    },
  );

export const vanCounter = (): Evidence[] =>
  counter(205, {
    frameBuilt: '2006',
    livedAt: 'the harbour, outdoors',
    askingPrice: 1900,
    unitValue: 1500,
    by: 'RK',
    at: '2026-11-19T12:55:00Z',
  });
