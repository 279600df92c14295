import type { ReactNode } from 'react';

/** A table of what joins a repair's plates, a line each; wider than a phone it scrolls by itself. */
export function LineTable({
  label,
  heads,
  children,
}: {
  label: string;
  heads: readonly string[];
  children: ReactNode;
}) {
  return (
    <div className="relative mt-2 overflow-x-auto">
      <table className="w-full min-w-[640px] letters-15" aria-label={label}>
        <thead>
          <tr className="caption text-left">
            {heads.map((head) => (
              <th key={head} scope="col" className="pr-2 font-normal">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody className="ruled">{children}</tbody>
      </table>
    </div>
  );
}
