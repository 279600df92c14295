import { defaultFrame, familyOf, HOST_ON, hostsOf } from '../frame';
import { DEFAULT_HAND_PRACTICE } from '../reference';
import {
  checkFind,
  FIND_PARTS,
  findWeight,
  openFinds,
  partsOf,
  statesOf,
  type Find,
  type FindPart,
  type FindState,
} from '.';

const hand = DEFAULT_HAND_PRACTICE;
const frame = defaultFrame({
  ...familyOf('unibody').typical,
  family: 'unibody',
  steel: 'a36',
  datum: 'hole',
});
let last = 0;
const find = (part: FindPart, state: FindState, more: Partial<Find> = {}): Find => ({
  kind: 'find',
  id: `find-${++last}`,
  on: 'fitting',
  hostId: 'mark-3 left',
  title: 'Subframe mount',
  part,
  state,
  memberIds: [],
  note: '',
  by: 'RK',
  at: '2026-11-27T09:00:00Z',
  ...more,
});
const weight = (part: FindPart, state: FindState) => findWeight({ part, state }, hand);

describe('how bad it is, both sides of every limit', () => {
  test.each<[FindPart, FindState, string]>([
    ['hole', { is: 'worn', foundMm: 14 + hand.wornMm, madeMm: 14 }, 'doubtful'],
    ['hole', { is: 'worn', foundMm: 14.01 + hand.wornMm, madeMm: 14 }, 'failed'],
    ['hole', { is: 'worn', foundMm: 14 + hand.wornMm / 2, madeMm: 14 }, 'fine'],
    ['hole', { is: 'worn', foundMm: 14.01 + hand.wornMm / 2, madeMm: 14 }, 'doubtful'],
    ['pin', { is: 'worn', foundMm: 13.99 - hand.wornMm, madeMm: 14 }, 'failed'],
    ['pin', { is: 'worn', foundMm: 14 - hand.wornMm, madeMm: 14 }, 'doubtful'],
    ['plate', { is: 'thin', foundMm: 6.4, madeMm: 10 }, 'failed'],
    ['plate', { is: 'thin', foundMm: 6.5, madeMm: 10 }, 'doubtful'],
    ['plate', { is: 'thin', foundMm: 7.9, madeMm: 10 }, 'doubtful'],
    ['plate', { is: 'thin', foundMm: 8, madeMm: 10 }, 'fine'],
    ['plate', { is: 'bent', offMm: hand.bentMm }, 'doubtful'],
    ['plate', { is: 'bent', offMm: hand.bentMm + 0.01 }, 'failed'],
    ['weld', { is: 'cracked' }, 'failed'],
    ['sheet', { is: 'cracked', longMm: 300 }, 'doubtful'],
    ['sheet', { is: 'rusted through' }, 'failed'],
    ['fasteners', { is: 'loose', count: 1 }, 'failed'],
    ['pin', { is: 'missing' }, 'failed'],
    ['bond', { is: 'broken' }, 'failed'],
    ['bond', { is: 'gap', openMm: 3 }, 'doubtful'],
    ['bush', { is: 'torn' }, 'failed'],
    ['drain', { is: 'blocked' }, 'doubtful'],
    ['inside', { is: 'packed', wet: false }, 'doubtful'],
    ['weld', { is: 'sound', ways: ['eye'] }, 'fine'],
    ['weld', { is: 'put right', done: 'welded anew' }, 'fine'],
  ])('%s %j is %s', (part, state, expected) => expect(weight(part, state)).toBe(expected));
  test('no thickness is no metal', () =>
    expect(weight('plate', { is: 'thin', foundMm: 0, madeMm: 6 })).toBe('failed'));
});

describe('what still stands', () => {
  const open = (...finds: Find[]) =>
    openFinds(finds, hand).map(({ find }) => `${find.part} ${find.state.is}`);
  const cracked = (longMm?: number) =>
    find('weld', { is: 'cracked', ...(longMm !== undefined && { longMm }) });
  const sound = (part: FindPart) => find(part, { is: 'sound', ways: ['eye', 'hammer'] });

  test('a crack is answered by work, not by a later look', () => {
    expect(open(cracked(), sound('weld'))).toEqual(['weld cracked']);
    expect(open(cracked(), find('weld', { is: 'put right', done: 'welded anew' }))).toEqual([]);
    expect(open(cracked(), find('plate', { is: 'put right', done: 'straightened' }))).toEqual([
      'weld cracked',
    ]);
    expect(open(cracked(), find('plate', { is: 'put right', done: 'renewed whole' }))).toEqual([]);
  });
  test('what is found after the work stands again', () =>
    expect(open(find('weld', { is: 'put right', done: 'welded anew' }), cracked())).toEqual([
      'weld cracked',
    ]));
  test('a doubt is answered by a look at the same part, and by none at another', () => {
    const bent = find('plate', { is: 'bent', offMm: 2 });
    expect(open(bent, sound('plate'))).toEqual([]);
    expect(open(bent, sound('weld'))).toEqual(['plate bent']);
  });
  test('told that it is fine answers nothing', () => {
    const bent = find('plate', { is: 'bent', offMm: 2 });
    expect(open(bent, find('plate', { is: 'sound', ways: ['told'] }))).toEqual(['plate bent']);
    expect(open(bent, find('plate', { is: 'sound', ways: ['told', 'eye'] }))).toEqual([]);
  });
  test('another side, another host: neither hears of it', () => {
    const right = find('weld', { is: 'put right', done: 'renewed whole' }, { hostId: 'mark-3 right' });
    expect(open(cracked(), right)).toEqual(['weld cracked']);
  });
  test('found again larger, it has grown by the difference; smaller, it has not', () => {
    expect(openFinds([cracked(10), cracked(14), cracked(22)], hand)).toMatchObject([{ grownMm: 12 }]);
    expect(openFinds([cracked(22), cracked(10)], hand)[0]!.grownMm).toBeUndefined();
    expect(openFinds([cracked(), cracked(10)], hand)[0]!.grownMm).toBeUndefined();
    const gaps = [2, 5].map((openMm) =>
      find('sheet', { is: 'gap', openMm }, { on: 'panel', hostId: 'floor-left' }),
    );
    expect(openFinds(gaps, hand)).toMatchObject([{ grownMm: 3, weight: 'doubtful' }]);
  });
  test('a crack stays as long as it was ever seen; told of, it is a doubt until somebody looks', () => {
    const at = (longMm: number, seenBy?: 'eye' | 'told') =>
      find('weld', { is: 'cracked', longMm, ...(seenBy && { seenBy }) });
    expect(openFinds([at(22), at(10)], hand)).toMatchObject([{ find: { state: { longMm: 22 } } }]);
    expect(openFinds([at(22, 'told')], hand)).toMatchObject([{ weight: 'doubtful' }]);
    // Hearsay after a look makes it no milder, a look after hearsay makes it certain.
    expect(openFinds([at(10, 'eye'), at(22, 'told')], hand)).toMatchObject([
      { weight: 'failed', find: { state: { longMm: 22 } }, looks: [{}, {}] },
    ]);
    expect(openFinds([at(22, 'told'), at(10, 'eye')], hand)).toMatchObject([{ weight: 'failed' }]);
    expect(open(at(22, 'told'), sound('weld'))).toEqual([]);
    expect(open(at(10, 'eye'), at(22, 'told'), sound('weld'))).toEqual(['weld cracked']);
  });
  const worn = (foundMm: number) => find('pin', { is: 'worn', foundMm, madeMm: 14 });
  const thin = (foundMm: number) => find('plate', { is: 'thin', foundMm, madeMm: 6 });
  const bent = (offMm: number) => find('plate', { is: 'bent', offMm });
  test.each<[string, Find, Find]>([
    ['worn', worn(10), worn(13.9)],
    ['thin', thin(2), thin(5.9)],
    ['bent', bent(2.5), bent(1)],
  ])('%s, and measured less bad later: metal does not heal, the worse measure stands', (_, bad, milder) => {
    const standing = (...finds: Find[]) => openFinds(finds, hand).map((each) => each.find);
    expect(standing(bad, milder)).toEqual([bad]);
    expect(standing(milder, bad)).toEqual([bad]);
    // Of two alike the later one.
    expect(standing(bad, { ...bad, id: 'again' })).toMatchObject([{ id: 'again' }]);
    const anew = find(bad.part, { is: 'put right', done: 'renewed whole' });
    expect(standing(bad, anew, milder).filter((each) => each === bad)).toEqual([]);
  });
  test.each<[FindState, boolean]>([
    [{ is: 'thin', foundMm: 4.5, madeMm: 6 }, false],
    [{ is: 'worn', foundMm: 12.8, madeMm: 14 }, false],
    [{ is: 'bent', offMm: 2 }, true],
    [{ is: 'gap', openMm: 2 }, true],
    [{ is: 'packed', wet: true }, true],
  ])('a doubt, %j, is answered by sound: %s', (state, isAnswered) => {
    const doubt = find('plate', state);
    expect(openFinds([doubt], hand)).toMatchObject([{ weight: 'doubtful' }]);
    expect(openFinds([doubt, sound('plate')], hand)).toHaveLength(isAnswered ? 0 : 1);
  });
  test('a crack seen in sheet is a doubt that no look answers; only told of, one does', () => {
    const sheet = (seenBy: 'eye' | 'told') => find('sheet', { is: 'cracked', seenBy });
    expect(open(sheet('eye'), sound('sheet'))).toEqual(['sheet cracked']);
    expect(open(sheet('told'), sound('sheet'))).toEqual([]);
  });
  test('work kept late answers nothing that was found after it was done', () => {
    const on = (day: number, of: Find) => ({ ...of, at: `2026-11-${10 + day}T08:00:00Z` });
    const welded = find('weld', { is: 'put right', done: 'welded anew' });
    expect(open(on(1, cracked()), on(2, welded))).toEqual([]);
    expect(open(on(2, cracked()), on(2, welded))).toEqual([]);
    expect(open(on(3, cracked()), on(2, welded))).toEqual(['weld cracked']);
    // What it did answer is gone: the crack is as long as it was found since.
    expect(openFinds([on(1, cracked(30)), on(3, cracked(5)), on(2, welded)], hand)).toMatchObject([
      { find: { state: { longMm: 5 } }, looks: [{}] },
    ]);
    const gap = find('plate', { is: 'gap', openMm: 2 });
    expect(open(on(3, gap), on(2, sound('plate')))).toEqual(['plate gap']);
    expect(open(on(1, gap), on(2, sound('plate')))).toEqual([]);
  });
});

describe('what can be said of what', () => {
  test('every part belongs to some host, and has something bad to say of it', () => {
    const all = HOST_ON.flatMap(partsOf);
    expect(new Set(all)).toEqual(new Set(FIND_PARTS));
    for (const part of FIND_PARTS) expect(statesOf(part).length).toBeGreaterThan(0);
  });
  const at = (on: Find['on']) => hostsOf(frame).find((host) => host.on === on)!;
  test.each<[Find['on'], FindPart, FindState, string | undefined]>([
    ['fitting', 'hole', { is: 'worn', foundMm: 2, madeMm: 1 }, undefined],
    ['fitting', 'drain', { is: 'blocked' }, 'has no drain'],
    ['joint', 'weld', { is: 'cracked' }, undefined],
    ['joint', 'bush', { is: 'torn' }, 'has no bush'],
    ['panel', 'sheet', { is: 'gap', openMm: 2 }, undefined],
    ['panel', 'sheet', { is: 'loose' }, 'is not said to be loose'],
    ['pocket', 'drain', { is: 'blocked' }, undefined],
    ['pocket', 'inside', { is: 'cracked' }, 'is not said to be cracked'],
    ['fitting', 'weld', { is: 'put right', done: 'welded anew' }, undefined],
  ])('%s, %s %j', (on, part, state, words) => {
    const fits = checkFind(frame, { on, hostId: at(on).id, part, state });
    if (words === undefined) expect(fits.ok).toBe(true);
    else expect(fits).toMatchObject({ ok: false, reason: expect.stringContaining(words) });
  });
  test('a host the frame does not have is named', () =>
    expect(checkFind(frame, find('weld', { is: 'cracked' }, { hostId: 'mark-99 left' }))).toMatchObject({
      ok: false,
      reason: 'Subframe mount is not on this frame',
    }));
});
