import { hostsOf, type Frame } from '@/core/frame';
import { inchesToMm } from '@/core/quantity';
import { DEFAULT_PRACTICE } from '@/core/reference';
import { startMeasures, workForm, workPlace, type Work } from '@/core/shape';
import { seeded, seededId } from './seeded';

/** The library trailer's worn equaliser is renewed: its holes were measured on the old one before another was bought. */
export function libraryWorks(frame: Frame): Work[] {
  const host = hostsOf(frame).find(({ name }) => name === 'Equaliser between axles 1 and 2, left')!;
  const place = workPlace(frame, DEFAULT_PRACTICE, { on: host.on, hostId: host.id })!;
  const form = workForm('bracket renewed');
  return [
    {
      kind: 'work',
      id: seededId(seeded(171)),
      form: form.id,
      on: host.on,
      hostId: host.id,
      measures: {
        ...startMeasures(form, place),
        oldPitchMm: inchesToMm(3),
        newPitchMm: inchesToMm(3),
        seamMm: inchesToMm(9),
      },
      memberIds: [...place.memberIds],
      by: 'RK',
      at: '2026-11-12T15:10:00Z',
      note: 'both sides the same age: look at the right one when this one is off',
    },
  ];
}
