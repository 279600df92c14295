import fc from 'fast-check';
import { defaultFrame, FAMILY_IDS, familyOf, memberOf, twinOf, type Frame } from '../frame';
import {
  AT_MM,
  faultsOf,
  faultsOver,
  jobPlaces,
  landmarksOn,
  LIKE_YEARS,
  placeKey,
  placesOver,
  type FoundThere,
  type UnitPlaces,
} from '.';

const frameOf = (family: (typeof FAMILY_IDS)[number] = 'open-channel ladder'): Frame =>
  defaultFrame({ ...familyOf(family).typical, family, steel: 'a36', datum: 'front hole' });
const frame = frameOf();
const rail = memberOf(frame, 'rail-left')!;
const hangers = landmarksOn(frame, rail).filter(({ kind }) => kind === 'spring hanger');
const last = hangers.at(-1)!;

const found = (stationMm: number, more: Partial<FoundThere> = {}): FoundThere => ({
  id: 'x',
  memberId: 'rail-left',
  fromMm: stationMm,
  toMm: stationMm,
  at: '2025-01-01T00:00:00Z',
  is: 'bad',
  what: 'soft',
  ...more,
});
let number = 0;
const unit = (records: readonly FoundThere[], more: Partial<UnitPlaces> = {}): UnitPlaces => {
  const id = `unit-${number++}`;
  return {
    unitId: id,
    tag: id,
    isHere: false,
    jobs: [{ ...jobPlaces(frame, records), jobId: `job of ${id}` }],
    ...more,
  };
};

describe('places of a member', () => {
  test('every station of every member of every family lies in one place and in no two', () => {
    for (const family of FAMILY_IDS) {
      const made = frameOf(family);
      for (const member of made.members)
        fc.assert(
          fc.property(fc.double({ min: 0, max: member.lengthMm, noNaN: true }), (mm) => {
            expect(placesOver(made, member, mm, mm)).toHaveLength(1);
          }),
          { seed: 9, numRuns: 25 },
        );
    }
  });
  test('left and right are one place; so far from a landmark it is at it, and a hair farther it is behind', () => {
    const twin = twinOf(frame, rail)!;
    const zoneAt = (mm: number, member = rail) => placesOver(frame, member, mm, mm)[0]!;
    expect(zoneAt(last.stationMm)).toEqual(zoneAt(last.stationMm, twin));
    expect(zoneAt(last.stationMm)).toMatchObject({
      on: 'rail',
      onName: 'Rail',
      kind: 'spring hanger',
      zone: 'at',
    });
    const [axle] = landmarksOn(frame, rail).filter(({ kind }) => kind === 'axle');
    const lonely = { ...frame, fittings: frame.fittings.filter(({ kind }) => kind === 'axle') };
    const bare = { ...lonely, members: lonely.members.filter(({ role }) => role === 'rail') };
    const on = (mm: number) => placesOver(bare, rail, mm, mm)[0]!;
    expect(on(axle!.stationMm + AT_MM - 0.1).zone).toBe('at');
    expect(on(axle!.stationMm + AT_MM + 0.1).zone).toBe('behind');
    expect(on(axle!.stationMm - AT_MM + 0.1).zone).toBe('at');
    expect(on(axle!.stationMm - AT_MM - 0.1).zone).toBe('ahead of');
  });
  test('a stretch reaches into every place between its ends', () => {
    const over = placesOver(frame, rail, 0, rail.lengthMm);
    expect(new Set(over.map(placeKey)).size).toBe(over.length);
    fc.assert(
      fc.property(fc.double({ min: 0, max: rail.lengthMm, noNaN: true }), (mm) => {
        expect(over.map(placeKey)).toContain(placeKey(placesOver(frame, rail, mm, mm)[0]!));
      }),
      { seed: 10, numRuns: 60 },
    );
  });
});

describe('where frames failed', () => {
  test('a unit counts once however often it was found; one that was sound there is among those looked at', () => {
    const failing = unit([
      found(last.stationMm),
      found(last.stationMm + 10, { memberId: 'rail-right', what: 'crack' }),
    ]);
    const sound = unit([found(last.stationMm, { is: 'sound', what: 'sound' })]);
    const elsewhere = unit([found(10, { is: 'sound', what: 'sound' })]);
    const [fault, ...more] = faultsOf([failing, sound, elsewhere]);
    expect(more).toEqual([]);
    expect(fault).toMatchObject({ looked: 2, failed: [{ tag: failing.tag, what: ['soft', 'crack'] }] });
    expect(fault!.toCallIn.map(({ tag }) => tag)).toEqual([elsewhere.tag]);
  });
  test('sound everywhere is no fault; another family is none of it', () => {
    expect(faultsOf([unit([found(last.stationMm, { is: 'sound' })])])).toEqual([]);
    const boxed = frameOf('boxed ladder');
    const other = unit([], { jobs: [{ ...jobPlaces(boxed, []), jobId: 'j' }] });
    expect(faultsOf([unit([found(last.stationMm)]), other])[0]!.toCallIn).toEqual([]);
  });
  test('what was only told is no look and no failure: such a unit is to be called in', () => {
    const told = unit([found(last.stationMm, { isTold: true })]);
    expect(faultsOf([told])).toEqual([]);
    const [fault] = faultsOf([told, unit([found(last.stationMm)])]);
    expect(fault).toMatchObject({ looked: 1, toCallIn: [{ tag: told.tag }] });
  });
  test('called in are those of the same run of years; a year that nobody knows says nothing', () => {
    const built = (builtYear: number) => unit([found(last.stationMm)], { builtYear });
    const other = (builtYear?: number) => unit([], { ...(builtYear !== undefined && { builtYear }) });
    const units = [
      built(2008),
      built(2011),
      other(2008 - LIKE_YEARS),
      other(2008 - LIKE_YEARS - 1),
      other(2011 + LIKE_YEARS),
      other(2011 + LIKE_YEARS + 1),
      other(),
    ];
    const [fault] = faultsOf(units);
    expect(fault!.years).toEqual([2008, 2011]);
    expect(fault!.toCallIn.map(({ tag }) => tag)).toEqual([units[2]!.tag, units[4]!.tag, units[6]!.tag]);
    const [unknown] = faultsOf([unit([found(last.stationMm)]), other(1990)]);
    expect(unknown!.years).toBeUndefined();
    expect(unknown!.toCallIn).toHaveLength(1);
  });
  test('those that failed on most units come first; of as many, those that failed oftener of what was looked at', () => {
    const first = hangers[0]!.stationMm;
    const faults = faultsOf([
      unit([found(last.stationMm), found(first)]),
      unit([found(last.stationMm), found(10)]),
      unit([found(first, { is: 'sound' })]),
    ]);
    expect(faults.map(({ failed, looked }) => [failed.length, looked])).toEqual([
      [2, 2],
      [1, 1],
      [1, 2],
    ]);
  });
  test('on the round a spot hears of it where it lies, from other units only', () => {
    const failing = unit([found(last.stationMm)]);
    const faults = faultsOf([failing]);
    const spot = { memberId: 'rail-right', fromMm: last.stationMm, toMm: last.stationMm };
    expect(faultsOver(faults, { frame, unitId: 'another' }, spot)).toHaveLength(1);
    expect(faultsOver(faults, { frame, unitId: failing.unitId }, spot)).toEqual([]);
    expect(faultsOver(faults, { frame, unitId: 'another' }, { ...spot, fromMm: 0, toMm: 0 })).toEqual([]);
    const along = { ...spot, fromMm: 0, toMm: rail.lengthMm };
    expect(faultsOver(faults, { frame, unitId: 'another' }, along)).toHaveLength(1);
    expect(faultsOver(faults, { frame: frameOf('boxed ladder'), unitId: 'another' }, along)).toEqual([]);
  });
});
