'use client';

import type { ReactNode } from 'react';
import type { FieldValues } from 'react-hook-form';
import { TypedForm, TypedProblem, type TypedFormProps } from './typed-form';

interface WaysOutProps {
  /** What the button that keeps it says. */
  readonly keep: string;
  readonly onLeave: () => void;
  /** What stands in a line with the buttons. */
  readonly beside?: ReactNode;
}

const WaysOut = ({ keep, onLeave, beside }: WaysOutProps) => (
  <div className="mt-3 flex flex-wrap items-end gap-x-4 gap-y-3">
    {beside}
    <button type="submit" className="solid">
      {keep}
    </button>
    <button type="button" className="plain" onClick={onLeave}>
      Leave it
    </button>
  </div>
);

/** A form for one record, opened where it is made and closed when it is kept or left: its fields, what was wrong, and the two ways out. */
export function RecordForm({
  label,
  problem,
  keep,
  onKeep,
  onLeave,
  beside,
  children,
}: WaysOutProps & {
  readonly label: string;
  readonly problem?: string | undefined;
  readonly onKeep: () => void;
  readonly children: ReactNode;
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
      <WaysOut keep={keep} onLeave={onLeave} beside={beside} />
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
}: Omit<TypedFormProps<Typed, Read>, 'className'> & WaysOutProps & { readonly label: string }) {
  return (
    <TypedForm {...form} className="my-2 border-y-2 border-ink bg-sheet px-3 py-3">
      {children}
      <TypedProblem className="mt-1" />
      <WaysOut keep={keep} onLeave={onLeave} beside={beside} />
    </TypedForm>
  );
}
