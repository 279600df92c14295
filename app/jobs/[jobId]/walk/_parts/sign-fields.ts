import { parseLengthMm, parseMassKg, type Outcome, type UnitSystem } from '@/core/quantity';
import { signDetailSchema, type SignDetail, type SignKind } from '@/core/walk';

/** One field of a sign's form. Lengths and masses are typed as the trade says them. */
export type SignField =
  | {
      readonly name: string;
      readonly label: string;
      readonly as: 'choice';
      readonly options: readonly string[];
      /** Nothing is chosen beforehand: an answer that says *sound* is given, not left standing. */
      readonly ask?: true;
    }
  | {
      readonly name: string;
      readonly label: string;
      readonly as: 'length' | 'mass' | 'percent' | 'whole' | 'words';
      readonly may?: 'stay open';
      readonly start?: string;
    };

const length = (name: string, label: string, may?: 'stay open'): SignField => ({
  name,
  label,
  as: 'length',
  ...(may && { may }),
});
const choice = (name: string, label: string, options: readonly string[], ask?: 'ask'): SignField => ({
  name,
  label,
  as: 'choice',
  options,
  ...(ask && { ask: true }),
});
/** Shown until somebody chooses. */
export const ASKED = 'choose';

/** What each kind of sign asks for; names are those of its record. */
export const SIGN_FIELDS: Readonly<Record<SignKind, readonly SignField[]>> = {
  struck: [
    choice('tool', 'with', ['hammer', 'dead-blow hammer', 'pick']),
    choice('answer', 'it answers', ['even ring', 'dull', 'harder note', 'dead', 'gave way'], 'ask'),
  ],
  layers: [
    { name: 'counted', label: 'layers counted', as: 'whole', start: '2' },
    { name: 'expected', label: 'layers made', as: 'whole', start: '1' },
    length('pickDeepMm', 'pick goes between them', 'stay open'),
  ],
  'old repair': [
    choice('cover', 'what', [
      'skin over rust',
      'ground weld line',
      'rivets',
      'added angle or flat',
      'filler',
      'plate, welded all round',
    ]),
  ],
  coating: [
    choice('coat', 'what', [
      'thick rubber over a seam',
      'paint over pits',
      'oil or wax',
      'sound paint',
      'zinc',
    ]),
  ],
  debris: [
    { name: 'full', label: 'how full, %', as: 'percent', start: '30' },
    choice('wet', 'how wet', ['dry', 'damp', 'wet']),
    { name: 'outKg', label: 'came out', as: 'mass', may: 'stay open' },
    length('waterLineMm', 'high-water line, up from the bottom', 'stay open'),
  ],
  'light through': [choice('shows', 'it shows', ['dark', 'a drain glows', 'it lights up'])],
  delamination: [length('deepMm', 'how deep', 'stay open')],
  dent: [length('deepMm', 'deep'), length('acrossMm', 'across')],
  hole: [
    length('acrossMm', 'across'),
    length('longMm', 'long way, if oval', 'stay open'),
    length('expectedMm', 'made as; open if none was', 'stay open'),
    length('fromFlangeMm', 'from the flange', 'stay open'),
  ],
  fastener: [
    choice('is', 'what', ['bolt', 'rivet', 'captive nut', 'pin']),
    choice('state', 'state', ['sound', 'loose', 'bent', 'wasted', 'missing', 'spins'], 'ask'),
    length('sizeMm', 'size', 'stay open'),
    { name: 'marks', label: 'lines on its head', as: 'whole', may: 'stay open' },
    { name: 'clamps', label: 'all it clamps', as: 'words', may: 'stay open' },
  ],
  'maker’s weld': [
    choice('state', 'state', ['short', 'missing', 'undercut or porous']),
    length('longMm', 'length', 'stay open'),
    length('expectedMm', 'should be', 'stay open'),
  ],
  'welded solid': [{ name: 'joint', label: 'which joint', as: 'words' }],
  'not a crack': [choice('was', 'it was', ['flaking coating', 'a scratch', 'a seam'])],
  'holds it together': [{ name: 'part', label: 'which bracket or step', as: 'words' }],
  access: [
    { name: 'off', label: 'what must come off', as: 'words' },
    choice('to', 'to', ['see', 'reach', 'weld']),
  ],
  opened: [choice('how', 'how', ['cover taken off', 'window cut', 'seen from the other side'])],
  'out of shape': [
    choice('is', 'it is', ['bent', 'twisted', 'folded', 'torn']),
    length('offMm', 'off its line'),
  ],
  'put right': [
    choice('done', 'what was done', ['renewed', 'plated and welded', 'straightened and checked']),
  ],
};

export type SignTyped = Readonly<Record<string, string>>;

/** A form's fields as a sign's exact detail; the reason names the field that is wrong. */
export function readSign(kind: SignKind, typed: SignTyped, system: UnitSystem): Outcome<SignDetail> {
  const detail: Record<string, unknown> = { sign: kind };
  for (const field of SIGN_FIELDS[kind]) {
    const text = (
      typed[field.name] ?? (field.as === 'choice' ? field.options[0]! : (field.start ?? ''))
    ).trim();
    if (field.as === 'choice' && field.ask && (text === ASKED || typed[field.name] === undefined))
      return { ok: false, reason: `${field.label}: choose one` };
    if (text === '' && field.as !== 'choice' && field.may) continue;
    const read = valueOf(field, text, system);
    if (!read.ok) return { ok: false, reason: `${field.label}: ${read.reason}` };
    detail[field.name] = read.value;
  }
  const parsed = signDetailSchema.safeParse(detail);
  if (parsed.success) return { ok: true, value: parsed.data };
  const issue = parsed.error.issues[0]!;
  return {
    ok: false,
    reason: `${SIGN_FIELDS[kind].find((field) => field.name === issue.path[0])?.label ?? 'this sign'}: ${issue.message}`,
  };
}

/** A form's fields with lengths and weights turned into other units. */
export const turnedSign = (
  kind: SignKind,
  typed: SignTyped,
  as: (text: string, kind: 'length' | 'weight') => string,
): SignTyped =>
  Object.fromEntries(
    Object.entries(typed).map(([name, text]) => {
      const field = SIGN_FIELDS[kind].find((each) => each.name === name);
      const unit = field?.as === 'length' ? 'length' : field?.as === 'mass' ? 'weight' : undefined;
      return [name, unit ? as(text, unit) : text];
    }),
  );

function valueOf(field: SignField, text: string, system: UnitSystem): Outcome<unknown> {
  switch (field.as) {
    case 'choice':
    case 'words':
      return { ok: true, value: text };
    case 'length':
      return parseLengthMm(text, system);
    case 'mass':
      return parseMassKg(text, system);
    case 'percent':
      return /^\d+(\.\d+)?\s*%?$/.test(text)
        ? { ok: true, value: Number.parseFloat(text) / 100 }
        : { ok: false, reason: 'a share from 0 to 100' };
    case 'whole':
      return /^\d+$/.test(text) ? { ok: true, value: Number(text) } : { ok: false, reason: 'a whole number' };
    default:
      return field satisfies never;
  }
}
