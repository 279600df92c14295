'use client';

import { useCallback, useMemo, useSyncExternalStore } from 'react';
import type { z } from 'zod';

const listeners = new Set<() => void>();

/** A browser may forbid a page to store anything: then words are remembered for as long as the page is open. */
const onThisPage = new Map<string, string>();
/** For all tabs of this browser, or for this one alone. */
type Where = 'browser' | 'tab';
const storageOf = (where: Where): Storage => (where === 'browser' ? localStorage : sessionStorage);
function stored(where: Where, key: string): string | null {
  try {
    return storageOf(where).getItem(key) ?? onThisPage.get(key) ?? null;
  } catch {
    return onThisPage.get(key) ?? null;
  }
}
function store(where: Where, key: string, value: string): void {
  onThisPage.delete(key);
  try {
    if (value === '') storageOf(where).removeItem(key);
    else storageOf(where).setItem(key, value);
  } catch {
    onThisPage.set(key, value);
  }
}

/** A small word this browser remembers, such as who is holding it. Until the page is live it is the fallback. */
export function useRemembered(
  key: string,
  fallback: string,
  where: Where = 'browser',
): [string, (value: string) => void] {
  const value = useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => void listeners.delete(listener);
    },
    () => stored(where, key) ?? fallback,
    () => fallback,
  );
  const remember = useCallback(
    (next: string) => {
      store(where, key, next);
      listeners.forEach((listener) => listener());
    },
    [key, where],
  );
  return [value, remember];
}

/** Something half typed, kept in this browser until it is sent or given up, so that a reload loses nothing. Undefined puts it away. */
export const useDraft = <Schema extends z.ZodType>(key: string, schema: Schema) =>
  useDraftIn('browser', key, schema);

/** Something half typed that two tabs may each have of their own. */
export const useTabDraft = <Schema extends z.ZodType>(key: string, schema: Schema) =>
  useDraftIn('tab', key, schema);

function useDraftIn<Schema extends z.ZodType>(
  where: Where,
  key: string,
  schema: Schema,
): [z.output<Schema> | undefined, (value: z.output<Schema> | undefined) => void] {
  const [text, setText] = useRemembered(key, '', where);
  const value = useMemo(() => {
    if (text === '') return undefined;
    try {
      const parsed = schema.safeParse(JSON.parse(text));
      return parsed.success ? parsed.data : undefined;
    } catch {
      return undefined;
    }
  }, [text, schema]);
  const keep = useCallback(
    (next: z.output<Schema> | undefined) => setText(next === undefined ? '' : JSON.stringify(next)),
    [setText],
  );
  return [value, keep];
}
