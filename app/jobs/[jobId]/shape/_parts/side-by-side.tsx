import type { ReactNode } from 'react';

/** Ways of making something, a row each; the last column is for taking one. Scrolls by itself where the screen is narrow. */
export function SideBySide({
  label,
  heads,
  children,
}: {
  label: string;
  heads: readonly string[];
  children: ReactNode;
}) {
  return (
    <div className="overflow-x-auto">
      <table className="ruled w-full letters-15 [&_td]:py-1 [&_td]:pr-3 [&_td]:align-top" aria-label={label}>
        <thead>
          <tr className="caption text-left [&_th]:pr-3 [&_th]:align-bottom [&_th]:font-normal">
            {heads.map((head) => (
              <th key={head} scope="col">
                {head}
              </th>
            ))}
            <th scope="col" />
          </tr>
        </thead>
        <tbody>{children}</tbody>
      </table>
    </div>
  );
}
