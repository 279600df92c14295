import { defaultFrame, familyOf, payloadFromTicket, typicalLoads, type WheelLoad } from '@/core/frame';
import { printScaleTicket, readScaleTicket } from '@/core/exchange';
import { weighOnScale } from '.';

const base = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  family: 'open-channel ladder',
  steel: 'a36',
  datum: 'hole',
});
const frame = { ...base, loads: { items: typicalLoads(base, 8000) } };
const wheels: WheelLoad[] = frame.fittings
  .filter((mark) => mark.kind === 'axle')
  .flatMap((axle, k) =>
    (['left', 'right'] as const).map((side) => ({
      axleId: axle.id,
      axleName: axle.name,
      side,
      loadKg: k === 0 ? 1400 : 2500,
      node: 0,
    })),
  );

test('the stand-in’s ticket is read back, the same each time, in the scale’s own steps, and moves the payload', () => {
  const text = weighOnScale(frame, wheels, undefined, 'GR-7');
  expect(weighOnScale(frame, wheels, undefined, 'GR-7')).toBe(text);
  expect(weighOnScale(frame, wheels, undefined, 'XX-1')).not.toBe(text);
  const read = readScaleTicket(text);
  if (!read.ok) throw new Error(read.reason);
  expect(read.value.axles).toHaveLength(2);
  for (const { leftKg, rightKg } of read.value.axles) expect([leftKg % 20, rightKg % 20]).toEqual([0, 0]);
  const spread = payloadFromTicket(frame, { id: 't', at: '2026-11-20T10:00:00Z', by: 'RK', ...read.value });
  expect(spread.ok).toBe(true);
});

test('tickets in pounds, with a coupler, with remarks; what is no ticket is named by its line', () => {
  expect(readScaleTicket('# hello\nAXLE 1;LEFT 2000 lb;RIGHT 1000 kg\nCOUPLER;560 kg')).toEqual({
    ok: true,
    value: { axles: [{ leftKg: expect.closeTo(907.18, 1), rightKg: 1000 }], couplerKg: 560 },
  });
  expect(readScaleTicket('AXLE 1;LEFT 2000 kg')).toMatchObject({
    ok: false,
    reason: expect.stringContaining('line 1'),
  });
  expect(readScaleTicket('AXLE 2;LEFT 1 kg;RIGHT 1 kg')).toMatchObject({ ok: false });
  expect(readScaleTicket('')).toMatchObject({ ok: false, reason: expect.stringContaining('no axle') });
  const ticket = { axles: [{ leftKg: 20, rightKg: 40 }], couplerKg: 60 };
  expect(readScaleTicket(printScaleTicket(ticket))).toEqual({ ok: true, value: ticket });
});
