import { valueOf } from '../quantity';
import { opened } from '../quantity';
import {
  ATTACHED_BY,
  defaultFrame,
  FAMILY_IDS,
  familyOf,
  fittingsOn,
  frameForm,
  frameSchema,
  hostOf,
  hostsOf,
  ROLES,
  withFitting,
  withMember,
  withPanel,
  withPocket,
  type Family,
  type Frame,
} from '.';

const frameOf = (family: Family): Frame =>
  defaultFrame({ ...familyOf(family).typical, family, steel: 'a36', datum: 'hole' });
const hosts = (family: Family) => hostsOf(frameOf(family));
const kinds = (family: Family) => new Set(frameOf(family).fittings.map(({ kind }) => kind));

describe('families begin with what really hangs on them', () => {
  test.each<[Family, readonly string[]]>([
    [
      'open-channel ladder',
      ['spring hanger', 'steering gear', 'body mount', 'bed mount', 'spare carrier', 'tank strap'],
    ],
    ['boxed ladder', ['control arm', 'spring bucket', 'skid-plate mount', 'body mount', 'steering gear']],
    ['I-beam trailer', ['spring hanger', 'equaliser', 'gusset', 'coupler']],
    ['gooseneck trailer', ['spring hanger', 'equaliser', 'pin box', 'bracket', 'gusset', 'landing leg']],
    ['semi trailer', ['spring hanger', 'equaliser', 'coupler plate', 'bracket', 'landing leg']],
    ['unibody', ['tower top', 'captive mount', 'lift point', 'steering gear']],
  ])('%s', (family, wanted) => expect([...kinds(family)]).toEqual(expect.arrayContaining([...wanted])));
  test('a coil-sprung utility has no leaf hangers', () =>
    expect(kinds('boxed ladder').has('spring hanger')).toBe(false));

  test.each(FAMILY_IDS)(
    '%s: every host has a place, a member and a name of its own; twins are mutual',
    (family) => {
      const all = hosts(family);
      expect(new Set(all.map(({ on, id }) => `${on} ${id}`)).size).toBe(all.length);
      for (const host of all) {
        for (const mm of host.at) expect(Number.isFinite(mm)).toBe(true);
        if (host.on === 'joint') expect(host.spans).toHaveLength(2);
        const twin = all.find(({ on, id }) => on === host.on && id === host.twinId);
        if (host.twinId !== undefined) expect(twin?.twinId).toBe(host.id);
        if (twin && host.on !== 'joint') expect(twin.at[1]).toBeCloseTo(-host.at[1], 6);
      }
      const hung = all.filter(({ on }) => on === 'fitting');
      for (const host of hung) expect([host.id, host.spans.length]).toEqual([host.id, 1]);
    },
  );
  test('both ends of every crossmember are joints to the rails they stand between', () => {
    const joint = hostOf(frameOf('open-channel ladder'), 'joint', 'cross-2 end')!;
    expect(joint.spans.map(({ memberId }) => memberId)).toEqual(['cross-2', 'rail-right']);
    expect(joint.twinId).toBe('cross-2 start');
  });
});

describe('where a host sits', () => {
  test('a bracket in the middle of an upright hangs on the upright of its own side', () => {
    const frame = frameOf('gooseneck trailer');
    const at = (side: string) =>
      hostsOf(frame).find(({ name }) => name === `Bracket in the middle of the upright, ${side}`)!;
    for (const side of ['left', 'right']) {
      const upright = frame.members.find(({ id }) => id === `upright-${side}`)!;
      expect(at(side).spans[0]!.memberId).toBe(upright.id);
      expect(at(side).spans[0]!.fromMm).toBeCloseTo(upright.lengthMm / 2, 6);
      expect(fittingsOn(frame, upright).map(({ name }) => name)).toContain(
        'Bracket in the middle of the upright',
      );
      expect(fittingsOn(frame, upright).every(({ onId }) => onId === 'upright-left')).toBe(true);
    }
    expect(at('left').at[1]).toBeLessThan(0);
  });
  test.each(['I-beam trailer', 'gooseneck trailer', 'semi trailer'] as const)(
    '%s: its coupling is one thing in the middle',
    (family) => {
      const [coupling, ...more] = hosts(family).filter(({ kind }) => kind === 'coupler');
      expect(more).toEqual([]);
      expect(coupling).toMatchObject({ side: 'middle', carries: ['hitch'] });
      expect(coupling!.name).not.toMatch(/left|right/);
      expect(coupling!.at[1]).toBe(0);
    },
  );
  test('mounts of one set look across the corner within it, and at no other mount', () => {
    const all = hosts('unibody').filter(({ on }) => on === 'fitting');
    const named = (name: string) => all.find((host) => host.name === name)!;
    expect(named('Subframe mount, front, left').diagonalId).toBe(named('Subframe mount, rear, right').id);
    expect(named('Axle carrier mount, left').diagonalId).toBe(named('Axle carrier mount, rear, right').id);
    expect(named('Jacking point, front, left').diagonalId).toBeUndefined();
  });
  test('a panel tells of the stretch it lies over, along; of what stands across or upright, the whole', () => {
    const frame: Frame = {
      ...frameOf('open-channel ladder'),
      panels: [
        {
          id: 'p',
          kind: 'floor',
          name: 'Floor',
          fromMm: 1000,
          toMm: 2000,
          behindIds: ['rail-left', 'cross-3'],
        },
      ],
    };
    const cross = frame.members.find(({ id }) => id === 'cross-3')!;
    expect(hostOf(frame, 'panel', 'p')!.spans).toEqual([
      { memberId: 'rail-left', fromMm: 1000, toMm: 2000 },
      { memberId: 'cross-3', fromMm: 0, toMm: cross.lengthMm },
    ]);
  });
  test('a closed space lies in its member and carries what that carries', () => {
    const pocket = hostOf(frameOf('unibody'), 'pocket', 'sill-left inside')!;
    expect(pocket).toMatchObject({ side: 'left', carries: ['people'], twinId: 'sill-right inside' });
  });
});

describe('anything can be added, and what is wrong is said', () => {
  test.each(FAMILY_IDS.flatMap((family) => ROLES.map((role) => [family, role] as const)))(
    '%s: a %s more, in a pair, makes a frame',
    (family, role) => {
      const before = frameOf(family);
      const { frame, ids } = withMember(before, role, true);
      expect(valueOf(opened(frameForm, { ...frame, version: frameForm.version })).members).toHaveLength(
        before.members.length + (role === 'crossmember' ? 1 : 2),
      );
      const again = withMember(frame, role, true);
      expect(new Set([...ids, ...again.ids]).size).toBe(2 * ids.length);
    },
  );
  test('a fitting, a panel, a closed space', () => {
    const open = frameOf('open-channel ladder');
    const more = withPanel(withFitting(open, 'gusset'), 'skin');
    expect(frameSchema.safeParse(more).success).toBe(true);
    expect(more.fittings).toHaveLength(open.fittings.length + 1);
    expect(
      withPocket({ ...open, members: open.members.filter(({ shape }) => shape.kind === 'channel') }),
    ).toBe(undefined);
    expect(frameSchema.safeParse(withPocket(frameOf('boxed ladder'))).success).toBe(true);
  });
  const wrong = (change: (frame: Frame) => Frame, family: Family = 'boxed ladder'): string | undefined =>
    frameSchema.safeParse(change(frameOf(family))).error?.issues[0]?.message;
  const mark = { id: 'm', kind: 'bracket', name: 'Bracket', side: 'left', stationMm: 10 } as const;
  test.each<[string, (frame: Frame) => Frame, string | undefined]>([
    ['a fitting on a member', (f) => ({ ...f, fittings: [{ ...mark, onId: 'cross-1' }] }), undefined],
    ['on none', (f) => ({ ...f, fittings: [{ ...mark, onId: 'nowhere' }] }), 'Bracket hangs on nowhere'],
    ['two of one name', (f) => ({ ...f, fittings: [mark, mark] }), 'two fittings are called m'],
    ['at the very end', (f) => ({ ...f, fittings: [{ ...mark, stationMm: f.lengthMm }] }), undefined],
    ['past it', (f) => ({ ...f, fittings: [{ ...mark, stationMm: f.lengthMm + 1 }] }), 'off the rails'],
    [
      'a panel over nothing known',
      (f) => ({
        ...withPanel(f, 'skin'),
        panels: [{ id: 'p', kind: 'skin', name: 'P', fromMm: 0, toMm: 10, behindIds: ['x'] }],
      }),
      'lies over x',
    ],
    [
      'a panel of no length',
      (f) => ({
        ...f,
        panels: [{ id: 'p', kind: 'skin', name: 'P', fromMm: 10, toMm: 10, behindIds: ['rail-left'] }],
      }),
      'ends where it begins',
    ],
    ['a closed space as long as its member', (f) => withPocket(f)!, undefined],
    [
      'one longer',
      (f) => ({ ...f, pockets: [{ ...withPocket(f)!.pockets![0]!, toMm: f.lengthMm + 1 }] }),
      'must end within',
    ],
    [
      'one in no member',
      (f) => ({ ...f, pockets: [{ ...withPocket(f)!.pockets![0]!, memberId: 'x' }] }),
      'in no member',
    ],
  ])('%s', (_what, change, words) => {
    const said = wrong(change);
    if (words === undefined) expect(said).toBeUndefined();
    else expect(said).toContain(words);
  });
  test('every way of holding has a name the schema takes', () =>
    expect(
      ATTACHED_BY.every(
        (by) => wrong((f) => ({ ...f, fittings: [{ ...mark, attached: { by } }] })) === undefined,
      ),
    ).toBe(true));
});

describe('frames from before fittings had their name', () => {
  const { fittings, panels: _, pockets: __, ...rest } = frameOf('boxed ladder');
  const old = (landmarks: readonly object[]) => opened(frameForm, { ...rest, landmarks });
  test('are read, whole', () => expect(valueOf(old(fittings)).fittings).toEqual(fittings));
  test('with two of one id: both stay', () => {
    const [one] = fittings;
    const read = valueOf(old([one!, one!]));
    expect(read.fittings).toHaveLength(2);
    expect(new Set(read.fittings.map(({ id }) => id)).size).toBe(2);
  });
});
