'use client';

import type { UnitSystem } from '@/core/quantity';
import type { Practice } from '@/core/reference';
import { Entry } from '@/ui/controls';
import { SECTION_WORDS } from '../_words/practice';
import { keyOf, PRACTICE_FIELDS, typedFigure, type PracticeSection } from './fields';

export type FiguresTyped = Readonly<Record<string, string>>;

/** Typed lengths turned into the other units; what nobody typed is printed anew. */
export const turnedFigures = (typed: FiguresTyped, as: (text: string) => string): FiguresTyped =>
  Object.fromEntries(
    Object.entries(typed).map(([key, text]) => {
      const is = PRACTICE_FIELDS.find((field) => keyOf(field) === key)?.is;
      return [key, is === 'length' || is === 'thickness' ? as(text) : text];
    }),
  );

/** Figures of the practice, section by section, each as it stands until somebody types another. */
export function Figures({
  sections,
  practice,
  typed,
  system,
  problemAt,
  onType,
  open = false,
}: {
  sections: readonly PracticeSection[];
  practice: Practice;
  typed: FiguresTyped;
  system: UnitSystem;
  problemAt?: string | undefined;
  onType: (key: string, text: string) => void;
  open?: boolean;
}) {
  return sections.map((section) => (
    <details key={section} open={open} className="border-b border-rule">
      <summary className="flex min-h-11 cursor-pointer items-center font-semibold">
        {SECTION_WORDS[section]}
      </summary>
      <div className="grid grid-cols-2 items-end gap-2 pb-3 sm:grid-cols-3 lg:grid-cols-4">
        {PRACTICE_FIELDS.filter((field) => field.section === section).map((field) => {
          const key = keyOf(field);
          const isMetric = field.is === 'length' || field.is === 'thickness' || field.is === 'lengths';
          const unit = isMetric
            ? system
            : field.is === 'percent'
              ? '%'
              : field.is === 'force'
                ? system === 'in'
                  ? 'lbf'
                  : 'N'
                : undefined;
          return (
            <Entry
              key={key}
              label={field.label}
              {...(unit && { unit })}
              value={typed[key] ?? typedFigure(field, practice, system)}
              {...(problemAt === key && { 'aria-invalid': true })}
              onChange={(event) => onType(key, event.target.value)}
            />
          );
        })}
      </div>
    </details>
  ));
}
