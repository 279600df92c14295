'use client';

import { zodResolver } from '@hookform/resolvers/zod';
import type { ReactNode } from 'react';
import {
  Controller,
  FormProvider,
  useForm,
  useFormContext,
  type DefaultValues,
  type FieldErrors,
  type FieldValues,
  type UseFormReturn,
} from 'react-hook-form';
import type { z } from 'zod';
import { Choice } from './choice';
import { Entry, type EntryProps } from './entry';
import { Pick } from './pick';

export type TypedFormOf<Typed extends FieldValues, Read> = UseFormReturn<Typed, unknown, Read>;

/** Why nothing was kept; at a field by its name, or of the whole. */
export interface FormRefusal {
  readonly at?: string | undefined;
  readonly message: string;
}

/**
 * A form of typed fields. What stands in them is text as somebody typed it; the schema reads it (parses lengths, trims, checks limits) and says
 * by field what it could not read.
 */
export const useTypedForm = <Typed extends FieldValues, Read>(
  schema: z.ZodType<Read, Typed>,
  empty: Typed,
): TypedFormOf<Typed, Read> =>
  useForm<Typed, unknown, Read>({
    resolver: zodResolver(schema),
    defaultValues: empty as DefaultValues<Typed>,
  });

/** The form on the page: kept by its button or by Enter; the first field that could not be read is gone to. */
export function TypedForm<Typed extends FieldValues, Read>({
  form,
  onKeep,
  label,
  className,
  children,
}: {
  form: TypedFormOf<Typed, Read>;
  /** Keeps what was read; answers why not, where it was refused. */
  onKeep: (read: Read) => Promise<FormRefusal | undefined | void> | FormRefusal | undefined | void;
  label?: string;
  className?: string;
  children: ReactNode;
}) {
  const keep = form.handleSubmit(async (read) => {
    const refusal = await onKeep(read);
    if (!refusal) return;
    const at = refusal.at !== undefined && refusal.at in form.getValues() ? refusal.at : 'root';
    form.setError(at as 'root', { message: refusal.message });
  });
  return (
    <FormProvider {...form}>
      <form noValidate aria-label={label} className={className} onSubmit={(event) => void keep(event)}>
        {children}
      </form>
    </FormProvider>
  );
}

/** What was wrong with a field, by its name; names with dots lead into lists. */
const problemAt = (errors: FieldErrors, name: string): string | undefined => {
  const found = name
    .split('.')
    .reduce<unknown>((at, part) => (at as Record<string, unknown> | undefined)?.[part], errors);
  return (found as { message?: string } | undefined)?.message;
};

/** A text field of the form around it. */
export function TypedEntry({ name, ...entry }: { name: string } & Omit<EntryProps, 'ref' | 'problem'>) {
  const { register, formState } = useFormContext();
  const problem = problemAt(formState.errors, name);
  return <Entry {...entry} {...register(name)} {...(problem !== undefined && { problem })} />;
}

interface OneOf<Value extends string> {
  readonly name: string;
  readonly label: string;
  readonly options: readonly Value[];
  readonly words?: (value: Value) => string;
}

/** One of many, in the form around it. */
export const TypedPick = <Value extends string>({
  name,
  className,
  ...pick
}: OneOf<Value> & { className?: string }) => (
  <Controller
    name={name}
    render={({ field }) => (
      <Pick {...pick} className={className} value={field.value as Value} onPick={field.onChange} />
    )}
  />
);

/** One of a few, in the form around it. */
export const TypedChoice = <Value extends string>({ name, ...choice }: OneOf<Value>) => (
  <Controller
    name={name}
    render={({ field }) => <Choice {...choice} value={field.value as Value} onChange={field.onChange} />}
  />
);

/** A yes or no of the form around it, pressed in or not. */
export const TypedPress = ({ name, children }: { name: string; children: ReactNode }) => (
  <Controller
    name={name}
    render={({ field }) => (
      <button
        type="button"
        className="plain"
        aria-pressed={field.value === true}
        onClick={() => field.onChange(field.value !== true)}
      >
        {children}
      </button>
    )}
  />
);

/** What was wrong with a part of the form that has no text field of its own. */
export function FieldProblem({ name }: { name: string }) {
  const problem = problemAt(useFormContext().formState.errors, name);
  return problem ? (
    <p role="alert" className="mt-1 font-semibold text-oxide">
      {problem}
    </p>
  ) : null;
}

/** Why the whole was not kept. */
export function TypedProblem({ className = '' }: { className?: string }) {
  const { errors } = useFormContext().formState;
  const problem = errors.root?.message;
  return problem ? (
    <p role="alert" className={`font-semibold text-oxide ${className}`}>
      {problem}
    </p>
  ) : null;
}
