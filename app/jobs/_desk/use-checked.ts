'use client';

import type { z } from 'zod';
import type { Evidence } from '@/core/job';
import { schemaWords } from '@/core/quantity';
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
    const checked = schema.safeParse({ kind: name, ...stamp(), note: '', ...said }, { error: schemaWords });
    if (!checked.success) return notKept(checked.error.issues[0]!.message);
    keep(checked.data);
    return undefined;
  };
}
