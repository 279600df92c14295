'use client';

import { useState } from 'react';
import type { z } from 'zod';
import type { Evidence } from '@/core/job';
import { useRecords } from './records-context';
import { useStamp } from './use-stamp';

interface KindOf<Rec> {
  readonly name: string;
  readonly schema: z.ZodType<Rec>;
}

/** Keeps what a form says once its kind's schema takes it, stamped with who and when; otherwise says what is wrong and keeps nothing. */
export function useChecked(onKept?: () => void) {
  const { keep } = useRecords();
  const stamp = useStamp();
  const [problem, setProblem] = useState<string>();
  const refuse = (words: string): void => setProblem(`${words}; nothing was kept`);
  const keepChecked = <Rec extends Evidence>({ name, schema }: KindOf<Rec>, said: object): void => {
    const checked = schema.safeParse({ kind: name, ...stamp(), note: '', ...said });
    if (!checked.success) return refuse(checked.error.issues[0]!.message);
    setProblem(undefined);
    keep(checked.data);
    onKept?.();
  };
  return { problem, refuse, keepChecked };
}
