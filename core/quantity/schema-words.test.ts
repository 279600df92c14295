import { z } from 'zod';
import { opened, schemaWords, type Form } from '.';

const said = (schema: z.ZodType, value: unknown): string | undefined =>
  schema.safeParse(value, { error: schemaWords }).error?.issues[0]?.message;

test.each<[string, z.ZodType, unknown, string]>([
  ['a field left out', z.object({ by: z.string() }), {}, 'this is missing'],
  ['text where a number belongs', z.number(), '5', 'this has to be a number'],
  ['a number where text belongs', z.string(), 5, 'this has to be text'],
  ['a list where a record belongs', z.object({}), [], 'this has to be a record'],
  ['a word that is none of them', z.enum(['left', 'right']), 'up', 'this has to be one of: left, right'],
  ['too small a number', z.number().gte(2), 1, 'this has to be at least 2'],
  ['too large a number', z.number().lte(2), 3, 'this has to be at most 2'],
  ['nothing typed', z.string().min(1), '', 'this may not be empty'],
  ['text too short', z.string().min(2), 'a', 'this has to have at least 2 characters'],
  ['more than one letter', z.string().max(1), 'ab', 'this has to have at most 1 character'],
  ['text too long', z.string().max(3), 'abcd', 'this has to have at most 3 characters'],
  ['a list too short', z.array(z.number()).min(1), [], 'this has to have at least 1 entry'],
  ['a list far too short', z.array(z.number()).min(2), [], 'this has to have at least 2 entries'],
  ['an id that is none', z.uuid(), 'x', 'this is not written as it has to be'],
])('%s', (_what, schema, value, words) => expect(said(schema, value)).toBe(words));

test('a schema’s own words stand; a record that is opened says where', () => {
  expect(said(z.number().gte(2, 'two at least'), 1)).toBe('two at least');
  const form: Form<{ by: string }> = {
    name: 'note',
    version: 1,
    schema: z.object({ by: z.string() }),
    upcasts: {},
  };
  expect(opened(form, {})).toEqual({ ok: false, reason: 'this is missing', at: 'by' });
});
