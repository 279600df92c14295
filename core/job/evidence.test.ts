import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import { defaultFrame, evidenceKind, familyOf, frameForm, type EvidenceKind } from '../frame';
import { ok, opened, packed, valueOf, type Body, type Form } from '../quantity';
import { overridesForm, practiceForm, shopListsForm } from '../reference';
import { patternForm } from '../patterns';
import { repairForm } from '../shape';
import { EVIDENCE_KINDS, fitsFrame, openEvidence, packEvidence, tellsOf, type Evidence } from '.';

const FOLDER = join('core', 'job', 'stored');
const stored = (name: string, version: number): Body =>
  JSON.parse(readFileSync(join(FOLDER, `${name.replace(/ /g, '-')}.${version}.json`), 'utf8')) as Body;
const versionsOf = ({ name, version }: Pick<Form<unknown>, 'name' | 'version'>) =>
  Array.from({ length: version }, (_, k): [string, number] => [name, k + 1]);
const kinds = EVIDENCE_KINDS as readonly unknown[] as readonly EvidenceKind[];
const forms = [
  frameForm,
  practiceForm,
  overridesForm,
  repairForm,
  patternForm,
  shopListsForm,
] as readonly unknown[] as readonly Form<object>[];

describe('whatever was ever written down can be opened', () => {
  test.each(kinds.flatMap(versionsOf))('%s, version %d', (name, version) => {
    const record = valueOf(openEvidence({ ...stored(name, version), kind: name }));
    expect(record.kind).toBe(name);
    const again = JSON.parse(JSON.stringify(packEvidence(record))) as Body;
    expect(again.version).toBe(kinds.find((kind) => kind.name === name)!.version);
    expect(openEvidence(again)).toEqual(ok(record));
  });

  test.each(forms.flatMap(versionsOf))('%s, version %d', (name, version) => {
    const form = forms.find((each) => each.name === name)!;
    const record = valueOf(opened(form, stored(name, version)));
    expect(opened(form, JSON.parse(JSON.stringify(packed(form, record))))).toEqual(ok(record));
  });

  test('no sample stands without a kind or form that reads it', () => {
    const names = [...kinds, ...forms].flatMap(versionsOf).map(([name, version]) => `${name}.${version}`);
    const samples = readdirSync(FOLDER).map((file) => file.replace('.json', '').replace(/-/g, ' '));
    expect(samples.sort()).toEqual([...names, 'job bundle.1'].sort());
    expect(existsSync(FOLDER)).toBe(true);
  });
});

describe('a form', () => {
  const form: Form<{ lengthMm: number }> = {
    name: 'thing',
    version: 3,
    schema: z.object({ lengthMm: z.number() }),
    upcasts: {
      1: (body) => ({ ...body, size: body.inches }),
      2: (body) => ({ lengthMm: (body.size as number) * 25.4 }),
    },
  };
  test.each([
    ['nothing said is version 1', { inches: 2 }],
    ['version 1', { version: 1, inches: 2 }],
    ['version 2', { version: 2, size: 2 }],
    ['version 3', { version: 3, lengthMm: 50.8 }],
  ])('%s', (_what, body) => expect(opened(form, body)).toEqual(ok({ lengthMm: 50.8 })));
  test.each([
    ['a newer version', { version: 4, lengthMm: 1 }, 'newer Ossatura'],
    ['a version that is none', { version: 'two', lengthMm: 1 }, 'version cannot be read'],
    ['version 0', { version: 0, lengthMm: 1 }, 'version cannot be read'],
    ['no record', null, 'no thing'],
    ['words', 'hello', 'no thing'],
    ['the wrong shape', { version: 3, lengthMm: 'long' }, 'has to be a number'],
  ])('%s is refused', (_what, body, words) =>
    expect(opened(form, body)).toMatchObject({ ok: false, reason: expect.stringContaining(words) }),
  );
});

describe('kinds of evidence', () => {
  test('each is named as its records call themselves, once', () => {
    expect(new Set(kinds.map((kind) => kind.name)).size).toBe(kinds.length);
    for (const kind of kinds) expect(stored(kind.name, kind.version).kind).toBe(kind.name);
  });

  test.each([
    ['no kind', { id: 'x' }],
    ['a kind nobody knows', { kind: 'rumour' }],
    ['a kind that is no word', { kind: 7 }],
    ['nothing', null],
  ])('%s is refused by its kind', (_what, raw) =>
    expect(openEvidence(raw)).toMatchObject({ ok: false, at: 'kind' }),
  );

  const frame = defaultFrame({
    ...familyOf('open-channel ladder').typical,
    family: 'open-channel ladder',
    steel: 'a36',
    datum: 'hole',
  });
  const sample = (name: string): Evidence =>
    valueOf(openEvidence({ ...stored(name, kinds.find((kind) => kind.name === name)!.version), kind: name }));
  test.each(['reading', 'crack', 'sign', 'felt edge', 'look', 'photo', 'complaint', 'tap'])(
    'a %s on a member the frame does not have is refused, and named',
    (name) => {
      const nowhere = JSON.parse(
        JSON.stringify(sample(name))
          .replace(/"(memberId)":"[^"]*"/g, '"$1":"nowhere"')
          .replace(/"memberIds":\[[^\]]*\]/, '"memberIds":["nowhere"]'),
      ) as Evidence;
      expect(fitsFrame(frame, nowhere)).toMatchObject({
        ok: false,
        reason: expect.stringContaining('nowhere'),
      });
    },
  );

  test('who hears of it: its own member, every member, or none', () => {
    const tells = Object.fromEntries(kinds.map((kind) => [kind.name, tellsOf(sample(kind.name))]));
    expect(tells).toMatchObject({
      leave: 'every member',
      complaint: [],
      photo: [],
      claim: [],
      tap: [],
      lift: [],
      calibration: [],
    });
    for (const name of ['reading', 'crack', 'sign', 'felt edge', 'look'])
      expect(tells[name]).toEqual([(sample(name) as { memberId: string }).memberId]);
  });

  test('a new kind needs its own file and its line: it is opened, packed, fitted and heard of by what it says', () => {
    const rumour = evidenceKind<{ kind: 'rumour'; id: string; by: string; at: string; words: string }>({
      name: 'rumour',
      schema: z.object({
        kind: z.literal('rumour'),
        id: z.string(),
        by: z.string(),
        at: z.string(),
        words: z.string(),
      }),
      fits: () => ok({}),
      tells: () => 'every member',
    });
    expect(rumour.version).toBe(1);
    const said = { kind: 'rumour', id: 'a', by: 'RK', at: 'now', words: 'it creaks' } as const;
    expect(opened(rumour, packed(rumour, said))).toEqual(ok(said));
  });
});
