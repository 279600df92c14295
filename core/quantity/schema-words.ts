import type { z } from 'zod';

/** What the schema library calls kinds of values, in words. */
const KINDS: Readonly<Record<string, string>> = {
  string: 'text',
  number: 'a number',
  int: 'a whole number',
  boolean: 'yes or no',
  array: 'a list',
  object: 'a record',
};

/** What was wrong with a value where its schema has no words of its own. Undefined where the library's have to do. */
export function schemaWords(issue: z.core.$ZodRawIssue): string | undefined {
  switch (issue.code) {
    case 'invalid_type':
      return issue.input === undefined
        ? 'this is missing'
        : `this has to be ${KINDS[issue.expected as string] ?? issue.expected}`;
    case 'invalid_value':
      return `this has to be one of: ${(issue.values as unknown[]).slice(0, 12).join(', ')}`;
    case 'invalid_union':
      return 'this is of no kind that is known here';
    case 'unrecognized_keys':
      return `nothing is known of: ${(issue.keys as string[]).join(', ')}`;
    case 'too_small':
      return issue.origin === 'string' && issue.minimum === 1
        ? 'this may not be empty'
        : `${sized(issue)} at least ${String(issue.minimum)}${unitOf(issue, issue.minimum)}`;
    case 'too_big':
      return `${sized(issue)} at most ${String(issue.maximum)}${unitOf(issue, issue.maximum)}`;
    case 'invalid_format':
      return 'this is not written as it has to be';
    default:
      return undefined;
  }
}

type Sized = z.core.$ZodRawIssue & { origin?: string };
const sized = ({ origin }: Sized): string => (origin === 'number' ? 'this has to be' : 'this has to have');
const unitOf = ({ origin }: Sized, count: number | bigint): string => {
  const isOne = Number(count) === 1;
  if (origin === 'string') return isOne ? ' character' : ' characters';
  if (origin === 'array') return isOne ? ' entry' : ' entries';
  return '';
};
