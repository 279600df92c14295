import { useEffect, useRef } from 'react';
import type { FieldValues, UseFormReturn } from 'react-hook-form';
import { z } from 'zod';
import { ok, type Outcome, type UnitSystem } from '@/core/quantity';
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
  readBy<Value | undefined>((text) => (text.trim() === '' ? ok(undefined) : parse(text)));

/** A figure, with a point or a comma; nothing typed is none, and what is no figure is NaN, which no schema takes. */
export const figureTyped = z
  .string()
  .transform((text) => (text.trim() === '' ? undefined : Number(text.trim().replace(',', '.'))));

/**
 * Keeps a form's texts true to the page: a field nobody typed in shows what the page says (the cursor's place, say), already in the units shown;
 * what was typed as figures of one system is turned into the other's once. Never both.
 */
export function useFieldsTurn<Typed extends FieldValues, Read>(
  { getValues, setValue }: UseFormReturn<Typed, unknown, Read>,
  system: UnitSystem,
  kinds: Partial<Record<keyof Typed & string, TypedKind>>,
  follows: Partial<Record<keyof Typed & string, string>> = {},
): void {
  const before = useRef({ system, follows });
  useEffect(() => {
    const was = before.current;
    before.current = { system, follows };
    const typed: Readonly<Record<string, string | undefined>> = getValues();
    for (const name of new Set([...Object.keys(kinds), ...Object.keys(follows)])) {
      const next = nextText(typed[name] ?? '', {
        followed: was.follows[name],
        follows: follows[name],
        turn: (text) => turned(text, was.system, system, kinds[name]),
      });
      if (next !== typed[name]) setValue(name as never, next as never);
    }
  });
}

/** What stands in a field after the page changed: what it followed goes on following, what was typed is turned. */
export function nextText(
  text: string,
  {
    followed,
    follows,
    turn,
  }: { followed?: string | undefined; follows?: string | undefined; turn: (text: string) => string },
): string {
  return follows !== undefined && text === followed ? follows : turn(text);
}
