import type { Host } from '@/core/frame';
import { fail, lengthDigits, ok, parseLengthMm, type Outcome, type UnitSystem } from '@/core/quantity';
import type { FindIs, FindPart, FindState } from '@/core/walk';

/** What is typed of a find: sizes as text, a share as one of its choices. */
export interface FindTyped {
  readonly found: string;
  readonly made: string;
}
export const NOTHING_TYPED: FindTyped = { found: '', made: '' };

/** Which sizes a state asks for: `must`, or may be left open. */
interface Asks {
  readonly found?: { readonly label: string; readonly must: boolean };
  readonly made?: string;
}
const ASKS: Partial<Record<FindIs, Asks>> = {
  cracked: { found: { label: 'how long', must: false } },
  torn: { found: { label: 'how long', must: false } },
  'rusted through': { found: { label: 'how far across', must: false } },
  thin: { found: { label: 'thickness found', must: true }, made: 'thickness made' },
  worn: { found: { label: 'size found', must: true }, made: 'size made' },
  bent: { found: { label: 'off its line by', must: true } },
  gap: { found: { label: 'open by', must: true } },
};
export const asksOf = (is: FindIs): Asks | undefined => ASKS[is];

/** The size a part was made to, where the frame knows it. */
export function madeMm({ made }: Host, part: FindPart): number | undefined {
  if (part === 'hole' || part === 'bush') return made.hole;
  if (part === 'pin' || part === 'fasteners') return made.pin;
  return part === 'plate' ? made.plate : undefined;
}
export const typedFor = (host: Host, part: FindPart, system: UnitSystem): FindTyped => {
  const mm = madeMm(host, part);
  return { found: '', made: mm === undefined ? '' : lengthDigits(mm, system, 'thickness') };
};

/** A find as its form reads; the reason says which size is wrong. */
export function readFind(is: FindIs, typed: FindTyped, system: UnitSystem): Outcome<FindState> {
  const asks = ASKS[is];
  const size = (text: string, label: string, must: boolean): Outcome<number | undefined> => {
    if (text.trim() === '') return must ? fail(`${label}: a size is needed`) : ok(undefined);
    const length = parseLengthMm(text, system);
    return length.ok ? length : fail(`${label}: ${length.reason}`);
  };
  const found = size(typed.found, asks?.found?.label ?? '', asks?.found?.must ?? false);
  if (!found.ok) return found;
  const made = size(typed.made, asks?.made ?? '', asks?.made !== undefined);
  if (!made.ok) return made;
  return stateOf(is, found.value, made.value);
}

function stateOf(is: FindIs, found: number | undefined, made: number | undefined): Outcome<FindState> {
  switch (is) {
    case 'cracked':
    case 'torn':
      return ok({ is, ...(found !== undefined && { longMm: found }) });
    case 'rusted through':
      return ok({ is, ...(found !== undefined && { acrossMm: found }) });
    case 'thin':
    case 'worn':
      return ok({ is, foundMm: found!, madeMm: made! });
    case 'bent':
      return ok({ is, offMm: found! });
    case 'gap':
      return ok({ is, openMm: found! });
    case 'packed':
      return ok({ is, wet: true });
    case 'broken':
    case 'missing':
    case 'loose':
    case 'blocked':
      return ok({ is });
    case 'sound':
      return ok({ is, ways: ['eye', 'hammer'] });
    case 'put right':
      return ok({ is, done: 'renewed whole' });
    default:
      return is satisfies never;
  }
}
