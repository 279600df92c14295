'use client';

import { useCallback, useMemo, useSyncExternalStore } from 'react';
import type { z } from 'zod';

const listeners = new Set<() => void>();

/** A browser may forbid a page to store anything: then words are remembered for as long as the page is open. */
const onThisPage = new Map<string, string>();
function stored(key: string): string | null {
  try {
    return localStorage.getItem(key) ?? onThisPage.get(key) ?? null;
  } catch {
    return onThisPage.get(key) ?? null;
  }
}
function store(key: string, value: string): void {
  onThisPage.delete(key);
  try {
    if (value === '') localStorage.removeItem(key);
    else localStorage.setItem(key, value);
  } catch {
    onThisPage.set(key, value);
  }
}

/** A small word this browser remembers, such as who is holding it. Until the page is live it is the fallback. */
export function useRemembered(key: string, fallback: string): [string, (value: string) => void] {
  const value = useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => void listeners.delete(listener);
    },
    () => stored(key) ?? fallback,
    () => fallback,
  );
  const remember = useCallback(
    (next: string) => {
      store(key, next);
      listeners.forEach((listener) => listener());
    },
    [key],
  );
  return [value, remember];
}

/** Something half typed, kept in this browser until it is sent or given up, so that a reload loses nothing. Undefined puts it away. */
export function useDraft<Schema extends z.ZodType>(
  key: string,
  schema: Schema,
): [z.output<Schema> | undefined, (value: z.output<Schema> | undefined) => void] {
  const [text, setText] = useRemembered(key, '');
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
