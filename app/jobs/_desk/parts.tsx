'use client';

import { useSearchParams } from 'next/navigation';

/** Which of a place's parts the address names; the first where it names none. */
export function usePart<Part extends string>(parts: readonly [Part, ...Part[]]): Part {
  const asked = useSearchParams().get('part');
  return parts.find((each) => each === asked) ?? parts[0];
}

/** Parts are places of their own: the address names them, back and reload keep them. */
export function openPart(part: string): void {
  const url = new URL(window.location.href);
  url.searchParams.set('part', part);
  window.history.pushState(null, '', url);
}

/** The parts of a place, the one that is open marked; with how much is in each. */
export function PartsNav<Part extends string>({
  label,
  parts,
  words,
  counts,
  open,
}: {
  label: string;
  parts: readonly Part[];
  words: Readonly<Record<Part, string>>;
  counts?: Readonly<Partial<Record<Part, number>>>;
  open: Part;
}) {
  return (
    <nav
      aria-label={label}
      className="-mx-3 mb-3 flex overflow-x-auto border-b border-rule px-3 lg:-mx-4 lg:px-4"
    >
      {parts.map((each) => (
        <button
          key={each}
          type="button"
          aria-current={each === open ? 'page' : undefined}
          onClick={() => openPart(each)}
          className="hit relative shrink-0 whitespace-nowrap px-3 letters-16 font-medium aria-[current=page]:font-bold"
        >
          {words[each]}
          {counts?.[each] ? <span className="caption"> {counts[each]}</span> : null}
          {each === open && <span aria-hidden className="absolute inset-x-1 bottom-0 h-[4px] bg-here" />}
        </button>
      ))}
    </nav>
  );
}
