import { Link } from '@/app/_parts/link';
import type { ReactNode } from 'react';
import type { YardView } from '@/data';
import { addressOf, SORTS, SORT_WORDS, VERBS, VERDICTS } from './view';

type Params = Readonly<Record<string, string | string[] | undefined>>;

/** Search, order and filters of the Yard: plain links and a form, so that an address says what is looked at. */
export function YardFilters({ params, view }: { params: Params; view: YardView & { verb?: string } }) {
  const choice = (key: string, value: string, words: string, isChosen: boolean) => (
    <Link
      key={`${key}-${value}`}
      href={addressOf(params, { [key]: isChosen ? '' : value })}
      className="plain -ml-px first:ml-0"
      aria-current={isChosen ? 'true' : undefined}
    >
      {words}
    </Link>
  );
  return (
    <search className="flex flex-wrap items-end gap-x-6 gap-y-2 border-b border-rule py-3">
      <form action="/" className="flex max-w-full flex-wrap items-end gap-2" role="search">
        {(['sort', 'verdict', 'verb', 'closed'] as const).map((key) =>
          typeof params[key] === 'string' ? (
            <input key={key} type="hidden" name={key} value={params[key]} />
          ) : null,
        )}
        <label className="caption min-w-0 max-w-full">
          tag, unit or job
          <input
            type="search"
            name="search"
            defaultValue={view.search}
            className="field block w-44 max-w-full text-lg"
            maxLength={80}
          />
        </label>
        <button type="submit" className="plain">
          Find
        </button>
      </form>
      <Group label="order">
        {SORTS.map((sort) => choice('sort', sort, SORT_WORDS[sort], view.sort === sort))}
      </Group>
      <Group label="with a member to">
        {VERDICTS.map((verdict) => choice('verdict', verdict, verdict, view.verdict === verdict))}
      </Group>
      <Group label="where the next step is">
        {VERBS.map((verb) => choice('verb', verb, verb, view.verb === verb))}
      </Group>
      {choice('closed', '1', 'closed too', view.closedToo)}
    </search>
  );
}

function Group({ label, children }: { label: string; children: ReactNode }) {
  return (
    <div role="group" aria-label={label}>
      <span className="caption block" aria-hidden>
        {label}
      </span>
      <span className="flex flex-wrap">{children}</span>
    </div>
  );
}
