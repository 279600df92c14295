'use client';

import { useId, type InputHTMLAttributes, type Ref } from 'react';

export type EntryProps = {
  label: string;
  hint?: string;
  problem?: string;
  unit?: string;
  ref?: Ref<HTMLInputElement>;
} & InputHTMLAttributes<HTMLInputElement>;

/** A labelled text field with room for its unit, a hint and what was wrong. */
export function Entry({ label, hint, problem, unit, className, ref, ...input }: EntryProps) {
  const id = useId();
  return (
    <div className={`max-w-full ${className ?? ''}`}>
      <label htmlFor={id} className="caption block">
        {label}
        {unit && <span>, {unit}</span>}
        {input.required && <span className="text-oxide"> needed</span>}
      </label>
      <input
        id={id}
        ref={ref}
        className="field text-lg"
        autoComplete="off"
        aria-invalid={problem ? true : undefined}
        aria-describedby={problem || hint ? `${id}-note` : undefined}
        {...input}
      />
      {(problem || hint) && (
        <p
          id={`${id}-note`}
          className={problem ? 'text-sm font-medium text-oxide' : 'caption'}
          role={problem ? 'alert' : undefined}
        >
          {problem ?? hint}
        </p>
      )}
    </div>
  );
}
