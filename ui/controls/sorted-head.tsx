/** How a column stands: from the least, from the most, or as it came. */
export type Sorted = 'asc' | 'desc' | false;

const ARIA = { asc: 'ascending', desc: 'descending' } as const;
const MARK = { asc: '↑', desc: '↓' } as const;

/** A heading that sorts what stands under it: first one way, then the other, then as it came. */
export const SortedHead = ({
  label,
  sorted,
  onTurn,
}: {
  label: string;
  sorted: Sorted;
  onTurn: () => void;
}) => (
  <th scope="col" className="font-normal" {...(sorted && { 'aria-sort': ARIA[sorted] })}>
    <button
      type="button"
      className={`hit text-left ${sorted ? 'font-semibold text-ink' : ''}`}
      onClick={onTurn}
    >
      <span className="underline decoration-dotted underline-offset-4">{label}</span>
      {sorted && <span aria-hidden> {MARK[sorted]}</span>}
    </button>
  </th>
);
