'use client';

import { ToggleGroup } from 'radix-ui';

/** One of a few, all in sight. */
export function Choice<Value extends string>({
  label,
  value,
  options,
  onChange,
  words,
}: {
  label: string;
  value: Value;
  options: readonly Value[];
  onChange: (value: Value) => void;
  words?: (value: Value) => string;
}) {
  return (
    <ToggleGroup.Root
      type="single"
      aria-label={label}
      value={value}
      onValueChange={(next) => next && onChange(next as Value)}
      className="inline-flex flex-wrap"
    >
      {options.map((option) => (
        <ToggleGroup.Item key={option} value={option} className="plain -ml-px first:ml-0">
          {words ? words(option) : option}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}
