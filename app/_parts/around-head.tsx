import { Link } from '@/app/_parts/link';
import type { ReactNode } from 'react';
import type { UnitSystem } from '@/core/quantity';
import { ThemeSwitch } from './switches';
import { UnitsHere } from './units-here';

/** The head of a page round the job: the way back to the Yard, its name, what else it offers, units and theme. */
export function AroundHead({
  title,
  system,
  children,
}: {
  title: string;
  system: UnitSystem;
  children?: ReactNode;
}) {
  return (
    <header className="flex flex-wrap items-end justify-between gap-x-6 gap-y-2 border-b-2 border-ink pb-3 pt-5">
      <div>
        <p className="text-lg font-bold tracking-tight">
          <Link href="/" className="underline">
            Yard
          </Link>
        </p>
        <h1 className="text-4xl font-bold">{title}</h1>
      </div>
      <nav className="flex flex-wrap items-center gap-2" aria-label={title}>
        {children}
        <UnitsHere system={system} />
        <ThemeSwitch />
      </nav>
    </header>
  );
}
