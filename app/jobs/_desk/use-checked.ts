'use client';

import { useState } from 'react';
import type { z } from 'zod';
import type { Evidence } from '@/core/job';
import type { FormRefusal } from '@/ui/controls';
import { useRecords } from './records-context';
import { useStamp } from './use-stamp';

interface KindOf<Rec> {
  readonly name: string;
  readonly schema: z.ZodType<Rec>;
}

/** A refusal of a form, which kept nothing. */
export const notKept = (words: string): FormRefusal => ({ message: `${words}; nothing was kept` });

/** Keeps what a form says once its kind's schema takes it, stamped with who and when; otherwise answers what is wrong and keeps nothing. */
export function useKeepChecked() {
  const { keep } = useRecords();
  const stamp = useStamp();
  return <Rec extends Evidence>({ name, schema }: KindOf<Rec>, said: object): FormRefusal | undefined => {
    const checked = schema.safeParse({ kind: name, ...stamp(), note: '', ...said });
    if (!checked.success) return notKept(checked.error.issues[0]!.message);
    keep(checked.data);
    return undefined;
  };
}

/** The same for a form that says itself what was wrong. */
export function useChecked(onKept?: () => void) {
  const keepIt = useKeepChecked();
  const [problem, setProblem] = useState<string>();
  const refuse = (words: string): void => setProblem(notKept(words).message);
  const keepChecked = <Rec extends Evidence>(kind: KindOf<Rec>, said: object): void => {
    const refusal = keepIt(kind, said);
    setProblem(refusal?.message);
    if (!refusal) onKept?.();
  };
  return { problem, refuse, keepChecked };
}
