'use client';

import type { ReactNode } from 'react';
import type { FieldValues } from 'react-hook-form';
import { TypedForm, TypedProblem, type TypedFormProps } from './typed-form';

/** A form for one record, opened where it is made and closed when it is kept or left: its fields, what was wrong, and the two ways out. */
export function RecordForm({
  label,
  problem,
  keep,
  onKeep,
  onLeave,
  beside,
  children,
}: {
  label: string;
  problem?: string | undefined;
  /** What the button that keeps it says. */
  keep: string;
  onKeep: () => void;
  onLeave: () => void;
  /** What stands in a line with the buttons. */
  beside?: ReactNode;
  children: ReactNode;
}) {
  return (
    <form
      aria-label={label}
      className="my-2 border-y-2 border-ink bg-sheet px-3 py-3"
      onSubmit={(event) => {
        event.preventDefault();
        onKeep();
      }}
    >
      {children}
      {problem && (
        <p role="alert" className="mt-1 font-semibold text-oxide">
          {problem}
        </p>
      )}
      <div className="mt-3 flex flex-wrap items-end gap-x-4 gap-y-3">
        {beside}
        <button type="submit" className="solid">
          {keep}
        </button>
        <button type="button" className="plain" onClick={onLeave}>
          Leave it
        </button>
      </div>
    </form>
  );
}

/** The same over fields that a schema reads. Once kept, `onKeep` closes it. */
export function TypedRecordForm<Typed extends FieldValues, Read>({
  keep,
  onLeave,
  beside,
  children,
  ...form
}: Omit<TypedFormProps<Typed, Read>, 'className'> & {
  readonly label: string;
  readonly keep: string;
  readonly onLeave: () => void;
  readonly beside?: ReactNode;
}) {
  return (
    <TypedForm {...form} className="my-2 border-y-2 border-ink bg-sheet px-3 py-3">
      {children}
      <TypedProblem className="mt-1" />
      <div className="mt-3 flex flex-wrap items-end gap-x-4 gap-y-3">
        {beside}
        <button type="submit" className="solid">
          {keep}
        </button>
        <button type="button" className="plain" onClick={onLeave}>
          Leave it
        </button>
      </div>
    </TypedForm>
  );
}
