'use client';

import { useId, type SelectHTMLAttributes } from 'react';

/** One of many: the platform's own list, which works with gloves, keys and screen readers alike. */
export function Pick<Value extends string>({
  label,
  value,
  options,
  onPick,
  words,
  className,
  ...rest
}: {
  label: string;
  value: Value;
  options: readonly Value[];
  onPick: (value: Value) => void;
  words?: (value: Value) => string;
  className?: string;
} & Omit<SelectHTMLAttributes<HTMLSelectElement>, 'value' | 'onChange'>) {
  const id = useId();
  return (
    <div className={className}>
      <label htmlFor={id} className="caption block">
        {label}
      </label>
      <select
        id={id}
        className="field text-lg"
        value={value}
        onChange={(event) => onPick(event.target.value as Value)}
        {...rest}
      >
        {options.map((option) => (
          <option key={option} value={option}>
            {words ? words(option) : option}
          </option>
        ))}
      </select>
    </div>
  );
}
