import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { closedBundles, demoBundles } from '.';
import { ofKind } from '@/core/frame';
import { stands, type Evidence } from '@/core/job';
import type { Photo, SpotRule } from '@/core/walk';
import {
  bundleOf,
  changeSpots,
  closeJob,
  earlierSurveys,
  importBundle,
  isClosed,
  jobFile,
  keepPhoto,
  keepStrike,
  evidenceOf,
  keepEvidence,
  openDatabase,
  photoBytes,
  photosOf,
  shopSpots,
  spotRulesFor,
  type Db,
  type Written,
} from '@/data';

const bundles = demoBundles();
const gritter = bundles[0]!;
const van = bundles.find((bundle) => bundle.unit.tag === 'SV-9')!;
const jobId = gritter.job.id;
const problem = (outcome: Written<unknown>) => (outcome.ok ? undefined : outcome.problem);
let folder: string, db: Db;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'walk-'));
  db = openDatabase(join(folder, 'shop.db'));
  expect(importBundle(db, gritter).ok).toBe(true);
});
afterEach(() => {
  db.close();
  rmSync(folder, { recursive: true });
});

const look = (more: Partial<Extract<Evidence, { kind: 'look' }>> = {}): Evidence => ({
  ...ofKind(gritter.evidence, 'look')[0]!,
  id: crypto.randomUUID(),
  ...more,
});

describe('what the Walk keeps', () => {
  test('comes back as it was, in order, in job file and bundle', () => {
    expect(evidenceOf(db, jobId)).toEqual(gritter.evidence);
    expect(jobFile(db, jobId)!.evidence).toEqual(gritter.evidence);
    expect(bundleOf(db, jobId)!.evidence).toEqual(gritter.evidence);
  });

  test('sent twice it is one; the same id with other facts is refused and the first stands', () => {
    const record = look();
    expect(keepEvidence(db, jobId, [record]).ok).toBe(true);
    expect(keepEvidence(db, jobId, [record]).ok).toBe(true);
    expect(evidenceOf(db, jobId)).toHaveLength(gritter.evidence.length + 1);
    expect(problem(keepEvidence(db, jobId, [{ ...record, note: 'other' } as Evidence]))!.code).toBe(
      'conflict',
    );
    expect(
      problem(
        keepEvidence(db, jobId, [{ ...record, id: ofKind(gritter.evidence, 'reading')[0]!.id } as Evidence]),
      )!.code,
    ).toBe('conflict');
    expect(evidenceOf(db, jobId).at(-1)).toEqual(record);
  });

  test('what fits no member is refused; a struck look stays readable; nothing is changed or erased', () => {
    expect(problem(keepEvidence(db, jobId, [look({ memberId: 'rail-middle' })]))).toMatchObject({
      code: 'invalid',
      message: expect.stringContaining('rail-middle'),
    });
    expect(problem(keepEvidence(db, 'no-such-job', [look()]))!.code).toBe('not-found');
    const first = gritter.evidence[0]!;
    expect(
      keepStrike(db, jobId, {
        id: crypto.randomUUID(),
        evidenceId: first.id,
        why: 'wrong unit',
        by: 'RK',
        at: '2026-11-20T10:00:00Z',
      }).ok,
    ).toBe(true);
    expect(evidenceOf(db, jobId)[0]).toEqual(first);
    expect(() => db.prepare('UPDATE evidence SET body = body').run()).toThrow(/never changed/);
    expect(() => db.prepare('DELETE FROM evidence').run()).toThrow(/never erased/);
  });
});

describe('photos', () => {
  const photo = (more: Partial<Photo> = {}): Photo => ({
    kind: 'photo',
    id: crypto.randomUUID(),
    memberId: 'rail-right',
    stationMm: 2500,
    caption: 'behind the hopper',
    moment: 'before',
    note: '',
    by: 'RK',
    at: '2026-11-20T10:00:00Z',
    ...more,
  });
  const picture = (widthPx = 2600, heightPx = 1300) =>
    sharp({ create: { width: widthPx, height: heightPx, channels: 3, background: '#884422' } });
  /** A JPEG as a phone leaves it: lying on its side, with a place in it. */
  const fromPhone = () =>
    picture()
      .withExif({ IFD0: { Make: 'Invented' }, IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '51/1 30/1 0/1' } })
      .jpeg()
      .withMetadata({ orientation: 6 })
      .toBuffer();

  test('turned upright, made smaller, its place and camera taken out, found by its hash', async () => {
    const bytes = await fromPhone();
    expect((await sharp(bytes).metadata()).exif).toBeDefined();
    const kept = await keepPhoto(db, jobId, photo(), bytes);
    if (!kept.ok) throw new Error(kept.problem.message);
    expect(kept.value.picture).toMatchObject({ widthPx: 1000, heightPx: 2000 });
    const whole = photoBytes(db, kept.value.picture!.hash, 'whole')!;
    const metadata = await sharp(whole).metadata();
    expect([metadata.format, metadata.exif, metadata.orientation, metadata.width]).toEqual([
      'jpeg',
      undefined,
      undefined,
      1000,
    ]);
    expect((await sharp(photoBytes(db, kept.value.picture!.hash, 'thumb')!).metadata()).height).toBe(320);
    expect(
      readFileSync(
        join(
          folder,
          'shop.db-photos',
          kept.value.picture!.hash.slice(0, 2),
          `${kept.value.picture!.hash}.jpg`,
        ),
      ),
    ).toEqual(whole);
  });

  test('sent twice it is one record and one file; the same picture twice is two records and one file', async () => {
    const bytes = new Uint8Array(await picture(400, 300).png().toBuffer());
    const record = photo();
    const files = () =>
      readdirSync(join(folder, 'shop.db-photos'), { recursive: true }).filter((name) =>
        String(name).endsWith('.jpg'),
      ).length;
    for (let k = 0; k < 2; k++) expect((await keepPhoto(db, jobId, record, bytes)).ok).toBe(true);
    expect([photosOf(db, jobId).length, files()]).toEqual([1, 2]);
    expect((await keepPhoto(db, jobId, photo(), bytes)).ok).toBe(true);
    expect([photosOf(db, jobId).length, files()]).toEqual([2, 2]);
  });

  test.each([
    ['text that calls itself a photo', Buffer.from('hello, this is no picture')],
    ['a page', Buffer.from('<html><body>x</body></html>')],
    ['a drawing', Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>')],
    ['nothing', Buffer.alloc(0)],
  ])('%s is refused by what is in it', async (_what, bytes) => {
    const outcome = await keepPhoto(db, jobId, photo(), bytes);
    expect(problem(outcome)).toMatchObject({
      code: 'invalid',
      message: expect.stringContaining('JPEG'),
      kept: expect.stringContaining('not taken in'),
    });
    expect(evidenceOf(db, jobId)).toEqual(gritter.evidence);
    expect(existsSync(join(folder, 'shop.db-photos'))).toBe(false);
  });

  test('a photo record without its picture is refused, and no path can be asked for', async () => {
    expect(problem(keepEvidence(db, jobId, [photo()]))!.message).toContain('picture');
    expect(photoBytes(db, '../shop', 'whole')).toBeUndefined();
    expect(photoBytes(db, 'a'.repeat(64), 'whole')).toBeUndefined();
  });

  test('struck it is out of what is shown; its file stays', async () => {
    const kept = await keepPhoto(db, jobId, photo(), new Uint8Array(await picture(40, 30).png().toBuffer()));
    if (!kept.ok) throw new Error(kept.problem.message);
    keepStrike(db, jobId, {
      id: crypto.randomUUID(),
      evidenceId: kept.value.id,
      why: 'wrong rail',
      by: 'RK',
      at: '2026-11-20T11:00:00Z',
    });
    expect(photosOf(db, jobId)).toEqual([]);
    expect(photoBytes(db, kept.value.picture!.hash, 'whole')).toBeDefined();
  });
});

describe('the shop’s list and its closed jobs', () => {
  const change = (ruleId: string, does: 'add' | 'drop' | 'restore', rule?: SpotRule) =>
    changeSpots(db, {
      id: crypto.randomUUID(),
      ruleId,
      does,
      ...(rule && { rule }),
      by: 'RK',
      at: '2026-11-20T10:00:00Z',
    });
  const own: SpotRule = {
    id: 'shop plough',
    title: 'Plough bracket',
    look: '',
    families: ['open-channel ladder'],
    tour: 'round',
    where: { on: 'fitting', kinds: ['steering gear'] },
    critical: true,
    needs: [],
    beforeBuying: false,
    from: 'shop',
  };

  test('added, dropped, taken up again; the trade’s names are taken', () => {
    expect(change('shop plough', 'add', own).ok).toBe(true);
    expect(change('hanger', 'drop').ok).toBe(true);
    expect(spotRulesFor(db, jobId).map((rule) => rule.id)).toEqual(expect.arrayContaining(['shop plough']));
    expect(shopSpots(db).dropped.map((rule) => rule.id)).toEqual(['hanger']);
    expect(change('hanger', 'restore').ok).toBe(true);
    expect(shopSpots(db).dropped).toEqual([]);
    expect(problem(change('hanger', 'add', { ...own, id: 'hanger' }))!.code).toBe('conflict');
    const twice = {
      id: crypto.randomUUID(),
      ruleId: 'hanger',
      does: 'drop' as const,
      by: 'RK',
      at: '2026-11-20T10:00:00Z',
    };
    changeSpots(db, twice);
    expect(changeSpots(db, twice).ok).toBe(true);
  });

  test('a closed job teaches the list for the next of its family, not for itself; opened again it teaches nothing', () => {
    const [before] = closedBundles();
    expect(importBundle(db, before!.bundle).ok).toBe(true);
    expect(importBundle(db, van).ok).toBe(true);
    const learnedFor = (id: string) =>
      spotRulesFor(db, id)
        .filter((rule) => rule.from === 'learned')
        .map((rule) => rule.title);
    expect(learnedFor(van.job.id)).toEqual([]);
    const say = (closed: boolean) =>
      closeJob(db, before!.bundle.job.id, {
        id: crypto.randomUUID(),
        closed,
        by: 'RK',
        at: '2026-11-20T10:00:00Z',
      });
    say(true);
    expect(isClosed(db, before!.bundle.job.id)).toBe(true);
    expect(learnedFor(van.job.id)).toEqual(['Found before: light through']);
    expect(learnedFor(before!.bundle.job.id)).toEqual([]);
    say(false);
    expect(learnedFor(van.job.id)).toEqual([]);
    expect(
      problem(
        closeJob(db, 'none', { id: crypto.randomUUID(), closed: true, by: 'RK', at: '2026-11-20T10:00:00Z' }),
      )!.code,
    ).toBe('not-found');
  });
});

test('an earlier job of the same unit is there to compare with, a later one and other units are not', () => {
  const [before] = closedBundles();
  expect(importBundle(db, before!.bundle).ok && importBundle(db, van).ok).toBe(true);
  expect(earlierSurveys(db, van.job.id).map((survey) => [survey.title, survey.readings.length > 10])).toEqual(
    [['Left sill patched', true]],
  );
  expect(earlierSurveys(db, before!.bundle.job.id)).toEqual([]);
  expect(earlierSurveys(db, jobId)).toEqual([]);
});

test('what an earlier, closed job of the unit renewed is known to the next; open, struck or of another unit it is not', () => {
  const [before] = closedBundles();
  expect(importBundle(db, before!.bundle).ok && importBundle(db, van).ok).toBe(true);
  const earlier = before!.bundle.job.id;
  const renewed: Evidence = {
    ...ofKind(before!.bundle.evidence, 'sign')[0]!,
    id: crypto.randomUUID(),
    toMm: undefined,
    detail: { sign: 'put right', done: 'renewed' },
  };
  expect(keepEvidence(db, earlier, [renewed]).ok).toBe(true);
  const close = (closed: boolean) =>
    closeJob(db, earlier, { id: crypto.randomUUID(), closed, by: 'RK', at: '2026-11-01T10:00:00Z' });
  const known = (id: string) => jobFile(db, id)!.mendedBefore!.length;
  expect(close(false).ok).toBe(true);
  expect(known(van.job.id)).toBe(0);
  expect(close(true).ok).toBe(true);
  expect([known(van.job.id), known(earlier), known(jobId)]).toEqual([1, 0, 0]);
  const strike = {
    id: crypto.randomUUID(),
    evidenceId: renewed.id,
    why: 'not done',
    by: 'RK',
    at: renewed.at,
  };
  expect(keepStrike(db, earlier, strike).ok).toBe(true);
  expect(known(van.job.id)).toBe(0);
});

test('a temporary repair goes with its unit: every other job of it hears, until it is struck', () => {
  const [before] = closedBundles();
  expect(importBundle(db, before!.bundle).ok && importBundle(db, van).ok).toBe(true);
  const earlier = before!.bundle.job.id;
  const stamp = { by: 'RK', at: '2026-11-01T10:00:00Z', note: '' };
  const clamp: Evidence = {
    kind: 'temporary repair',
    id: crypto.randomUUID(),
    memberId: van.frame.members[0]!.id,
    stationMm: 100,
    form: 'clamp',
    limitKm: 40,
    ...stamp,
  };
  const trip: Evidence = { kind: 'trip', id: crypto.randomUUID(), km: 10, ...stamp };
  expect(keepEvidence(db, earlier, [clamp, trip]).ok).toBe(true);
  const held = (id: string) => {
    const { repairs, trips } = jobFile(db, id)!.heldElsewhere!;
    return [repairs.length, trips.length];
  };
  expect([held(van.job.id), held(earlier), held(jobId)]).toEqual([
    [1, 1],
    [0, 0],
    [0, 0],
  ]);
  const strike = { id: crypto.randomUUID(), evidenceId: clamp.id, why: 'taken off', by: 'RK', at: stamp.at };
  expect(keepStrike(db, earlier, strike).ok).toBe(true);
  expect(held(van.job.id)).toEqual([0, 1]);
});

test('what a unit’s older job washed out and coated is known to every other job of it, and to no other unit', () => {
  const [before] = closedBundles();
  expect(importBundle(db, before!.bundle).ok && importBundle(db, van).ok).toBe(true);
  const earlier = before!.bundle.job.id;
  const known = (id: string) => {
    const { visits, weighed } = jobFile(db, id)!.preservedElsewhere!;
    return [visits.length, weighed.map(({ kg }) => kg)];
  };
  expect([known(van.job.id), known(earlier), known(jobId)]).toEqual([
    [1, [1.9]],
    [0, []],
    [0, []],
  ]);
  const [visit] = stands(before!.bundle, 'preserved');
  const strike = { evidenceId: visit!.id, why: 'another van', by: 'RK', at: '2026-11-01T10:00:00Z' };
  expect(keepStrike(db, earlier, { id: crypto.randomUUID(), ...strike }).ok).toBe(true);
  expect(known(van.job.id)).toEqual([0, []]);
});
