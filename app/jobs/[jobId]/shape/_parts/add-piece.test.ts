import { defaultFrame, familyOf, type Family } from '@/core/frame';
import { checkRepair, type Repair } from '@/core/shape';
import {
  asForm,
  inForm,
  inOne,
  pieceAbout,
  repairAbout,
  repairOver,
  onTwin,
  withAnother,
  withEnds,
} from './add-piece';
import { wentPast } from './in-the-way';

const frameOf = (family: Family) =>
  defaultFrame({ ...familyOf(family).typical, family, steel: 'a36', datum: 'hole' });
const rail = (family: Family) => frameOf(family).members.find(({ id }) => id === 'rail-left')!;
const channel = rail('open-channel ladder');
const beam = rail('I-beam trailer');
const by = { stockMm: [3.175, 4.7625, 6.35, 9.525], by: 'RK' };

test.each(['open-channel ladder', 'boxed ladder', 'I-beam trailer', 'gooseneck trailer'] as const)(
  'a plate laid by hand on a %s lies on it, wherever the cursor stands',
  (family) => {
    const member = rail(family);
    for (const stationMm of [0, 40, member.lengthMm / 2, member.lengthMm])
      expect(checkRepair(member, repairAbout(member, stationMm, by)!)).toEqual({ ok: true, value: null });
  },
);
test('its plate is the thinnest on the shelf that is as thick as the wall, else the thickest', () => {
  const thick = (stockMm: number[]) => repairAbout(channel, 1000, { ...by, stockMm })!.pieces[0]!.thicknessMm;
  const wallMm = channel.shape.thicknessMm;
  expect(thick([wallMm + 3, wallMm, wallMm - 1])).toBe(wallMm);
  expect(thick([wallMm - 3, wallMm - 2])).toBe(wallMm - 2);
});
test('over a stretch that is thin all over: past both its ends by a depth and a taper, and no further than the member', () => {
  const past = channel.shape.depthMm + repairAbout(channel, 3000, by)!.pieces[0]!.taperMm;
  const over = (fromMm: number, toMm: number) => {
    const repair = repairOver(channel, { fromMm, toMm }, by)!;
    expect(checkRepair(channel, repair)).toEqual({ ok: true, value: null });
    return repair.pieces[0]!;
  };
  const piece = over(2000, 4000);
  // To the quarter inch.
  expect(Math.abs(piece.startMm - (2000 - past))).toBeLessThan(3.2);
  expect(Math.abs(piece.endMm - (4000 + past))).toBeLessThan(3.2);
  expect(over(100, 4000).startMm).toBe(0);
  expect(over(2000, channel.lengthMm - 50).endMm).toBe(channel.lengthMm);
});
test('a round tube takes its sleeve', () => {
  const tube = { ...channel, shape: { kind: 'tube', depthMm: 80, thicknessMm: 4 } as const };
  expect(repairAbout(tube, 1000, by)!.pieces[0]!.kind).toBe('sleeve');
});

test('on its twin: the same stations and heights, level with the other side, without what was in the way there', () => {
  const repair = {
    ...repairAbout(channel, 1000, by)!,
    beneath: [{ hostId: 'm left', way: 'clear of it' as const }],
  };
  const [piece] = repair.pieces;
  const notched = {
    ...repair,
    pieces: [{ ...piece!, notches: [{ fromMm: 900, toMm: 950, edge: 'first' as const, deepMm: 20 }] }],
  };
  const twin = { ...channel, id: 'rail-right', name: 'Right rail', side: 'right' as const };
  const laid = onTwin(twin, notched)!;
  expect(laid.memberId).toBe('rail-right');
  expect(laid.beneath).toBeUndefined();
  expect(laid.pieces[0]).toEqual({ ...piece, id: 'twin-1' });
  expect(onTwin({ ...twin, lengthMm: piece!.endMm }, notched)).toBeDefined();
  expect(onTwin({ ...twin, lengthMm: piece!.endMm - 1 }, notched)).toBeUndefined();
});

test('in another form its heights start anew; it stays inside where that form can', () => {
  const plate = {
    ...pieceAbout(channel, 2000, { id: 'p', kind: 'side plate', thicknessMm: 6 }),
    inside: true,
  };
  expect(asForm(channel, plate, 'bottom L')).toMatchObject({
    kind: 'bottom L',
    inside: true,
    lowerEdgeMm: 0,
  });
  expect(asForm(channel, plate, 'cover plate', 'top')).toEqual(
    expect.objectContaining({ kind: 'cover plate', face: 'top' }),
  );
  expect(asForm(channel, plate, 'cover plate')).not.toHaveProperty('inside');
});

describe('one more piece', () => {
  const repair = (member: typeof channel): Repair => repairAbout(member, 2000, by)!;
  const after = (member: typeof channel, of: Repair) => ({ ...of, ...withAnother(member, of) });
  test('goes inside an open wall, then onto another face', () => {
    const two = after(channel, repair(channel));
    expect(two.pieces[1]).toMatchObject({ kind: two.pieces[0]!.kind, inside: true });
    const cover = {
      ...repair(beam),
      pieces: [pieceAbout(beam, 2000, { id: 'p', kind: 'cover plate', thicknessMm: 6 })],
    };
    expect(after(beam, cover).pieces.map(({ face }) => face)).toEqual([undefined, 'top']);
  });
  test('has a name of its own, also where one was taken out between', () => {
    let of = repair(channel);
    for (let k = 0; k < 3; k++) of = after(channel, of);
    of = after(channel, { ...of, pieces: of.pieces.filter((_, k) => k !== 1) });
    expect(new Set(of.pieces.map(({ id }) => id)).size).toBe(of.pieces.length);
  });
});

test('a candidate’s form comes under the repair’s own names, with what it decided of its way', () => {
  const own = repairAbout(channel, 2000, by)!;
  const other: Repair = {
    ...own,
    id: 'x',
    cutOut: true,
    beneath: [{ hostId: 'mark-3 left', way: 'off and back' }],
  };
  const taken = inForm({ ...own, id: 'abcdefgh-1' }, other);
  expect(taken).toMatchObject({ cutOut: true, beneath: other.beneath });
  expect(taken.pieces![0]!.id).toBe('abcdefgh-f1');
});

describe('the way past what a plate meets', () => {
  const own = {
    ...repairAbout(channel, 2000, by)!,
    beneath: [{ hostId: 'other left', way: 'clear of it' as const }],
  };
  const clash = {
    hostId: 'mark-3 left',
    name: 'Bracket',
    what: 'fitting',
    kind: 'bracket',
    fromMm: 1950,
    toMm: 2050,
    pieceId: own.pieces[0]!.id,
  } as const;
  const past = (way: Parameters<typeof wentPast>[2], of: Repair = own) => ({
    ...of,
    ...wentPast(of, clash, way),
  });
  test('one decision takes the place of another, and leaves others’ alone', () => {
    const off = past('off and back');
    expect(off.beneath).toEqual([...own.beneath, { hostId: 'mark-3 left', way: 'off and back' }]);
    expect(past('clear of it', off).beneath).toEqual([
      ...own.beneath,
      { hostId: 'mark-3 left', way: 'clear of it' },
    ]);
    expect(past('undecided', off).beneath).toEqual(own.beneath);
  });
  test('a notch is made an inch clear of it, no farther than the plate’s ends, and closed again', () => {
    const notched = past('notch');
    expect(notched.pieces[0]!.notches).toEqual([
      { fromMm: 1924.6, toMm: 2075.4, edge: 'first', deepMm: 50.8 },
    ]);
    expect(past('undecided', notched).pieces[0]).not.toHaveProperty('notches');
    const short = { ...own, pieces: [{ ...own.pieces[0]!, startMm: 1940 }] };
    expect(past('notch', short).pieces[0]!.notches![0]!.fromMm).toBe(1940);
  });
});

describe('a piece whose ends are dragged', () => {
  const jointed = {
    ...pieceAbout(channel, 2000, { id: 'p', kind: 'bottom L', thicknessMm: 6 }),
    startMm: 1000,
    endMm: 3000,
    taperMm: 100,
    joints: [1500, 2500],
  };
  test('keeps the joints that still lie on its straight part', () => {
    expect(withEnds(channel, jointed, { startMm: 1400, endMm: 3000 }).joints).toEqual([1500, 2500]);
    expect(withEnds(channel, jointed, { startMm: 1401, endMm: 3000 }).joints).toEqual([2500]);
    expect(withEnds(channel, jointed, { startMm: 1000, endMm: 2500 })).toMatchObject({
      endMm: 2500,
      joints: [1500],
    });
    expect(withEnds(channel, jointed, { startMm: 1700, endMm: 2400 }).joints).toBeUndefined();
  });
  test('keeps of a notch what lies between its ends: it can lie there, and nothing of it is refused', () => {
    const notch = { fromMm: 2700, toMm: 2800, edge: 'first' as const, deepMm: 20 };
    const notched = { ...inOne(jointed), notches: [notch] };
    const ended = (endMm: number) => withEnds(channel, notched, { startMm: 1000, endMm });
    expect(ended(3100).notches).toEqual([notch]);
    expect(ended(2750).notches).toEqual([{ ...notch, toMm: 2750 }]);
    expect(ended(2700).notches).toBeUndefined();
    for (const endMm of [3100, 2750, 2700, 2000])
      expect(checkRepair(channel, { pieces: [ended(endMm)] })).toMatchObject({ ok: true });
  });
  test('has none where it had none; of one length it has none', () => {
    expect(withEnds(channel, inOne(jointed), { startMm: 900, endMm: 3100 })).toEqual({
      ...inOne(jointed),
      startMm: 900,
      endMm: 3100,
    });
    expect(inOne(jointed).joints).toBeUndefined();
  });
});
