import { VERB_OF, type NextStep } from '@/core/job';
import type { YardView } from '@/data';

export const SORTS = ['latest', 'tag'] as const;
export const SORT_WORDS: Readonly<Record<(typeof SORTS)[number], string>> = {
  latest: 'newest job first',
  tag: 'by tag',
};
export const VERDICTS = ['Mend', 'Splice', 'Renew', 'Retire'] as const;
export const VERBS = ['walk', 'probe', 'weigh', 'shape'] as const;

type Params = Readonly<Record<string, string | string[] | undefined>>;
const one = (params: Params, key: string): string => {
  const value = params[key];
  return (Array.isArray(value) ? value[0] : value)?.slice(0, 80) ?? '';
};
const among = <Value extends string>(values: readonly Value[], said: string): Value | undefined =>
  values.find((value) => value === said);

/** The Yard as its address asks for it; what an address says that is not known is passed over. */
export function viewFrom(params: Params): YardView & { readonly verb?: string } {
  const verdict = among(VERDICTS, one(params, 'verdict'));
  const verb = among(VERBS, one(params, 'verb'));
  const page = Number(one(params, 'page'));
  return {
    search: one(params, 'search').trim(),
    sort: among(SORTS, one(params, 'sort')) ?? 'latest',
    closedToo: one(params, 'closed') === '1',
    ...(verdict && { verdict }),
    ...(verb && { verb, steps: stepsOf(verb) }),
    page: Number.isInteger(page) && page > 0 ? page : 1,
  };
}

const stepsOf = (verb: (typeof VERBS)[number]): string[] =>
  (Object.keys(VERB_OF) as NextStep['is'][]).filter((step) => VERB_OF[step] === verb);

/** The address of the same yard looked at otherwise; anything but a turned page starts at the first. */
export function addressOf(params: Params, change: Readonly<Record<string, string>>): string {
  const next = new URLSearchParams();
  for (const key of ['search', 'sort', 'verdict', 'verb', 'closed', 'page']) {
    const value = change[key] ?? (key === 'page' ? '' : one(params, key));
    if (value) next.set(key, value);
  }
  const query = next.toString();
  return query ? `/?${query}` : '/';
}
