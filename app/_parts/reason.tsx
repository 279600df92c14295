import type { ReactNode } from 'react';
import type { Words } from '../_words/finding';

/** One reason: its sentence in sight, its numbers, source and what would change it behind a touch. */
export function Reason({
  words,
  source,
  tag,
  heavy,
  place,
  children,
}: {
  words: Words;
  source?: string;
  tag?: string;
  heavy: boolean;
  place?: string;
  children?: ReactNode;
}) {
  return (
    <details className={`border-l-[6px] py-1 pl-3 ${heavy ? 'border-oxide' : 'border-rule'}`}>
      <summary className="flex min-h-11 cursor-pointer items-center">
        <span className="flex min-w-0 grow flex-wrap items-center gap-x-3">
          <span className="letters-17 font-semibold">{words.title}</span>
          {place && <span className="caption">{place}</span>}
          {tag && (
            <span className={`ml-auto text-sm font-semibold ${heavy ? 'text-oxide' : 'text-soft'}`}>
              {tag}
            </span>
          )}
        </span>
      </summary>
      <dl className="grid grid-cols-[130px_1fr] gap-x-3 gap-y-0.5 pb-2 letters-15">
        {words.detail && (
          <>
            <dt className="caption">numbers</dt>
            <dd>{words.detail}</dd>
          </>
        )}
        {words.change && (
          <>
            <dt className="caption">what changes this</dt>
            <dd>{words.change}</dd>
          </>
        )}
        {source && (
          <>
            <dt className="caption">source</dt>
            <dd>{source}</dd>
          </>
        )}
      </dl>
      {children}
    </details>
  );
}
