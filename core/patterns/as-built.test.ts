import { defaultFrame, familyOf, memberOf } from '../frame';
import type { Photo } from '../walk';
import { photoKind } from '../walk';
import { AT_MM, asBuiltIn, asBuiltOver, landmarksOn, type AsBuiltIn, type FoundThere } from '.';

const frame = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  family: 'open-channel ladder',
  steel: 'a36',
  datum: 'front hole',
});
const rail = memberOf(frame, 'rail-left')!;
const [hanger, other] = landmarksOn(frame, rail).filter(({ kind }) => kind === 'spring hanger');
const stationMm = hanger!.stationMm;

const photo = (more: Partial<Photo> = {}): Photo => ({
  kind: 'photo',
  id: 'p',
  by: 'TM',
  at: '2025-03-01T10:00:00Z',
  note: '',
  memberId: 'rail-left',
  stationMm,
  caption: 'hanger',
  moment: 'as built',
  picture: { hash: 'a'.repeat(64), widthPx: 4, heightPx: 3 },
  ...more,
});
const gathered = (more: Partial<AsBuiltIn> = {}) =>
  asBuiltIn({
    frame,
    jobId: 'old job',
    unit: { id: 'old unit', tag: 'OLD', builtYear: 2012 },
    photos: [photo()],
    found: [],
    mended: [],
    ...more,
  });
const here = {
  frame,
  unitId: 'this unit',
  jobId: 'this job',
  builtYear: 2014,
  memberId: 'rail-left',
  fromMm: stationMm,
  toMm: stationMm,
};
const bad = (more: Partial<FoundThere & { jobId: string }> = {}) => ({
  id: 'f',
  memberId: 'rail-left',
  fromMm: stationMm,
  toMm: stationMm,
  at: '2025-02-01T10:00:00Z',
  is: 'bad' as const,
  what: 'soft',
  jobId: 'another job',
  ...more,
});

describe('a photo of a place as it was built', () => {
  test('only what was taken as built, on a member that is on the frame, is one', () => {
    expect(gathered()).toMatchObject([
      { tag: 'OLD', side: 'left', place: { kind: 'spring hanger', nth: 1 } },
    ]);
    expect(gathered({ photos: [photo({ moment: 'as it is' })] })).toEqual([]);
    expect(gathered({ photos: [photo({ memberId: 'gone' })] })).toEqual([]);
    expect(gathered({ photos: [] })).toEqual([]);
  });
  test('it says where it is, or it is not kept', () => {
    const { stationMm: _, ...nowhere } = photo();
    expect(photoKind.fits(frame, photo()).ok).toBe(true);
    expect(photoKind.fits(frame, nowhere)).toMatchObject({ ok: false, at: 'memberId' });
    expect(photoKind.fits(frame, { ...nowhere, moment: 'before' }).ok).toBe(true);
  });
});

describe('what its own unit’s records say against it', () => {
  const doubt = (more: Partial<AsBuiltIn>) => gathered(more)[0]!.doubt;
  test('bad metal found before it, or by its own job whenever; not what a later job found, and not what is sound', () => {
    expect(doubt({})).toBeUndefined();
    expect(doubt({ found: [bad()] })).toBe('found bad');
    expect(doubt({ found: [bad({ is: 'sound' })] })).toBeUndefined();
    expect(doubt({ found: [bad({ at: '2026-01-01T00:00:00Z' })] })).toBeUndefined();
    expect(doubt({ found: [bad({ at: '2026-01-01T00:00:00Z', jobId: 'old job' })] })).toBe('found bad');
  });
  test('so far from it is still there, a hair farther or on another member is not', () => {
    const away = (mm: number) =>
      doubt({ found: [bad({ fromMm: stationMm + mm, toMm: stationMm + mm + 1 })] });
    expect(away(AT_MM)).toBe('found bad');
    expect(away(AT_MM + 0.1)).toBeUndefined();
    expect(away(-AT_MM - 1)).toBe('found bad');
    expect(away(-AT_MM - 1.1)).toBeUndefined();
    expect(doubt({ found: [bad({ memberId: 'rail-right' })] })).toBeUndefined();
  });
  test('a repair that was drawn there before it', () => {
    const lies = (at: string) =>
      doubt({ mended: [{ memberId: 'rail-left', fromMm: stationMm - 300, toMm: stationMm - 100, at }] });
    expect(lies('2025-03-01T10:00:00Z')).toBe('mended');
    expect(lies('2025-03-01T10:00:01Z')).toBeUndefined();
  });
});

describe('who is shown it', () => {
  test('the same place of the same family, on either side, told as in a mirror', () => {
    expect(asBuiltOver(gathered(), here)).toMatchObject([
      { isThisUnit: false, isMirrored: false, yearsApart: 2 },
    ]);
    expect(asBuiltOver(gathered(), { ...here, memberId: 'rail-right' })).toMatchObject([
      { isMirrored: true },
    ]);
    expect(asBuiltOver(gathered(), { ...here, fromMm: other!.stationMm, toMm: other!.stationMm })).toEqual(
      [],
    );
    expect(asBuiltOver(gathered(), { ...here, memberId: 'gone' })).toEqual([]);
  });
  test('not a frame with one hanger less: nobody knows which of them it is', () => {
    const { id } = frame.fittings.filter(({ kind }) => kind === 'spring hanger').at(-1)!;
    const less = { ...frame, fittings: frame.fittings.filter((each) => each.id !== id) };
    expect(asBuiltOver(gathered(), { ...here, frame: less })).toEqual([]);
  });
  test('not another family, and not the job’s own: those are among its photos', () => {
    expect(asBuiltOver(gathered(), { ...here, frame: { ...frame, family: 'boxed ladder' } })).toEqual([]);
    expect(asBuiltOver(gathered(), { ...here, jobId: 'old job' })).toEqual([]);
  });
  test('this unit first, then undoubted, then of the nearest year, then of the same side', () => {
    const of = (unitId: string, more: Partial<AsBuiltIn> = {}, builtYear?: number) =>
      gathered({
        jobId: unitId,
        unit: { id: unitId, tag: unitId, ...(builtYear && { builtYear }) },
        ...more,
      });
    const pictures = [
      ...of('doubted', { found: [bad({ jobId: 'doubted' })] }, 2014),
      ...of('no year'),
      ...of('far', {}, 2004),
      ...of('near, other side', { photos: [photo({ memberId: 'rail-right' })] }, 2013),
      ...of('near', {}, 2013),
      ...of('this unit', { found: [bad({ jobId: 'this unit' })] }, 2014),
    ];
    expect(asBuiltOver(pictures, here).map(({ asBuilt: { tag } }) => tag)).toEqual([
      'this unit',
      'near',
      'near, other side',
      'far',
      'no year',
      'doubted',
    ]);
  });
});
