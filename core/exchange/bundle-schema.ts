import { z } from 'zod';
import { frameForm } from '../frame';
import { EVIDENCE_KINDS, type Evidence } from '../job';
import type { Form } from '../quantity';
import { practiceForm } from '../reference';
import { repairForm, WORK_IDS, workForm } from '../shape';
import { bundleForm } from './bundle';

type Schema = Record<string, unknown>;

/** A form as JSON Schema. What only code can say (a crack's end beyond its member, two names that are one) is left to whoever reads the file in. */
const schemaOf = (form: { readonly schema: z.ZodType }): Schema => {
  const { $schema: _, ...schema } = z.toJSONSchema(form.schema, {
    io: 'input',
    unrepresentable: 'any',
    override: ({ jsonSchema }) => {
      // The format says the same in a word.
      if (jsonSchema.format !== undefined) delete jsonSchema.pattern;
    },
  }) as Schema;
  return schema;
};

/** The same with the version that stands beside its fields. */
function versioned(form: Pick<Form<unknown>, 'version'> & { readonly schema: z.ZodType }): Schema {
  const schema = schemaOf(form);
  const version = { const: form.version };
  const withVersion = (one: Schema): Schema => ({
    ...one,
    properties: { version, ...(one.properties as Schema) },
    required: ['version', ...((one.required as string[] | undefined) ?? [])],
  });
  const either = schema.anyOf ?? schema.oneOf;
  return either ? { anyOf: (either as Schema[]).map(withVersion) } : withVersion(schema);
}

/**
 * The file that takes a whole job from one shop to another, as JSON Schema (draft 2020-12) in its newest version: every record, its fields, their
 * units (in their names) and limits. Older versions are read as well; this is what is written.
 */
export function bundleJsonSchema(): Schema {
  const kinds = Object.fromEntries(
    (EVIDENCE_KINDS as readonly unknown[] as readonly Form<Evidence>[]).map((kind) => [
      kind.name,
      versioned(kind),
    ]),
  );
  const envelope = schemaOf(bundleForm);
  const reference = (name: string) => ({ $ref: `#/$defs/${name}` });
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: 'Ossatura job bundle',
    type: 'object',
    required: ['version', ...(envelope.required as string[])],
    properties: {
      ...(envelope.properties as Schema),
      version: { const: bundleForm.version },
      frame: reference('frame'),
      practice: reference('practice'),
      evidence: {
        ...((envelope.properties as Schema).evidence as Schema),
        items: { anyOf: Object.keys(kinds).map(reference) },
      },
      repairs: { ...((envelope.properties as Schema).repairs as Schema), items: reference('repair') },
    },
    $defs: {
      frame: versioned(frameForm),
      practice: versioned(practiceForm),
      repair: versioned(repairForm),
      ...kinds,
    },
  };
}

/** As text, a definition a line. */
export function printBundleSchema(): string {
  const { $defs, ...rest } = bundleJsonSchema();
  const lines = Object.entries($defs as Schema).map(
    ([name, schema]) => `${JSON.stringify(name)}: ${JSON.stringify(schema)}`,
  );
  return `${JSON.stringify(rest).slice(0, -1)},\n"$defs": {\n${lines.join(',\n')}\n}}\n`;
}

/** What each work beside a plate asks for, in the order it is asked: its measures stand in a repair by these keys. Lengths in mm, masses in kg, temperatures in °C. */
export const printWorkMeasures = (): string => {
  const lines = WORK_IDS.map((id) => {
    const measures = workForm(id).measures.map(({ key, as, least, most, options }) => ({
      ...{ key, as, least, most },
      ...(options && { options }),
    }));
    return `${JSON.stringify(id)}: ${JSON.stringify(measures)}`;
  });
  return `{\n${lines.join(',\n')}\n}\n`;
};
