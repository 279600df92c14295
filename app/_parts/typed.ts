import { useEffect, useRef } from 'react';
import type { UseFormReturn } from 'react-hook-form';
import { z } from 'zod';
import type { Outcome, UnitSystem } from '@/core/quantity';
import { turned, type TypedKind } from './turned';

/** What somebody typed, as a parser of the core reads it; what it cannot read is said at the field. */
export const readBy = <Value>(parse: (text: string) => Outcome<Value>) =>
  z.string().transform((text, context) => {
    const read = parse(text);
    if (read.ok) return read.value;
    context.addIssue({ code: 'custom', message: read.reason });
    return z.NEVER;
  });

/** The same where nothing typed is nothing known. */
export const readIfTyped = <Value>(parse: (text: string) => Outcome<Value>) =>
  z.string().transform((text, context) => {
    if (text.trim() === '') return undefined;
    const read = parse(text);
    if (read.ok) return read.value;
    context.addIssue({ code: 'custom', message: read.reason });
    return z.NEVER;
  });

/** A figure, with a point or a comma; nothing typed is none, and what is no figure is NaN, which no schema takes. */
export const figureTyped = z
  .string()
  .transform((text) => (text.trim() === '' ? undefined : Number(text.trim().replace(',', '.'))));

/** What was typed as figures of one system stands in the other's once the units shown change. */
export function useFieldsTurn<Typed extends Record<string, string>, Read>(
  { getValues, setValue }: UseFormReturn<Typed, unknown, Read>,
  system: UnitSystem,
  kinds: Partial<Record<keyof Typed & string, TypedKind>>,
): void {
  const was = useRef(system);
  useEffect(() => {
    if (was.current === system) return;
    const typed = getValues();
    for (const [name, kind] of Object.entries(kinds) as [string, TypedKind][])
      setValue(name as never, turned(typed[name] ?? '', was.current, system, kind) as never);
    was.current = system;
  });
}
