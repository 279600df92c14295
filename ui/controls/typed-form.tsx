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

export interface TypedFormProps<Typed extends FieldValues, Read> {
  readonly form: TypedFormOf<Typed, Read>;
  /** Keeps what was read; answers why not, where it was refused. */
  readonly onKeep: (read: Read) => Promise<FormRefusal | undefined | void> | FormRefusal | undefined | void;
  readonly label?: string;
  readonly className?: string;
  readonly children: ReactNode;
}

/** What keeps the form: reads it, and says at its fields or of the whole why it was not kept. */
function useKeeping<Typed extends FieldValues, Read>(
  form: TypedFormOf<Typed, Read>,
  onKeep: TypedFormProps<Typed, Read>['onKeep'],
) {
  return form.handleSubmit(async (read) => {
    const refusal = await onKeep(read);
    if (!refusal) return;
    const at = refusal.at !== undefined && refusal.at in form.getValues() ? refusal.at : 'root';
    form.setError(at as 'root', { message: refusal.message });
  });
}

/** A second way to keep what stands in a form: as something else. */
export function OtherKeep<Typed extends FieldValues, Read>({
  form,
  onKeep,
  children,
}: Omit<TypedFormProps<Typed, Read>, 'label' | 'className'>) {
  const keep = useKeeping(form, onKeep);
  return (
    <button type="button" className="solid" onClick={() => void keep()}>
      {children}
    </button>
  );
}

/** The form on the page: kept by its button or by Enter; the first field that could not be read is gone to. */
export function TypedForm<Typed extends FieldValues, Read>({
  form,
  onKeep,
  label,
  className,
  children,
}: TypedFormProps<Typed, Read>) {
  const keep = useKeeping(form, onKeep);
  const { isSubmitting } = form.formState;
  return (
    <FormProvider {...form}>
      <form
        noValidate
        aria-label={label}
        className={className}
        onSubmit={(event) => {
          event.preventDefault();
          // Pressed again while it is being sent: once is enough.
          if (!isSubmitting) void keep(event);
        }}
      >
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

/** The same as a box that is ticked. */
export const TypedTick = ({ name, children }: { name: string; children: ReactNode }) => (
  <label className="plain">
    <input type="checkbox" className="size-5 accent-[var(--ink)]" {...useFormContext().register(name)} />{' '}
    {children}
  </label>
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

/** Why the whole was not kept; where only fields could not be read, that nothing was. */
export function TypedProblem({ className = '' }: { className?: string }) {
  const { errors } = useFormContext().formState;
  const problem = errors.root?.message;
  if (problem)
    return (
      <p role="alert" className={`font-semibold text-oxide ${className}`}>
        {problem}
      </p>
    );
  return Object.keys(errors).length > 0 ? (
    <p className={`font-semibold ${className}`}>Nothing was kept.</p>
  ) : null;
}
