'use client';

import { Check, ChevronDown } from 'lucide-react';
import { Select } from 'radix-ui';
import { useEffect, useId, useRef, useState } from 'react';
import { useBackCloses } from './back';
import { Cover } from './settling';

interface PickProps<Value extends string | number> {
  readonly label: string;
  readonly value: Value;
  readonly options: readonly Value[];
  readonly onPick: (value: Value) => void;
  readonly words?: ((value: Value) => string) | undefined;
  readonly className?: string | undefined;
  readonly disabled?: boolean | undefined;
}

/** One of many, under its label. */
export function Pick<Value extends string | number>({ label, className, ...pick }: PickProps<Value>) {
  const id = useId();
  return (
    <div className={`max-w-full ${className ?? ''}`}>
      <label htmlFor={id} className="caption block">
        {label}
      </label>
      <List id={id} className="text-lg" {...pick} />
    </div>
  );
}

/** One of many, its label before it in the line. */
export function PickBeside<Value extends string | number>({ label, ...pick }: PickProps<Value>) {
  const id = useId();
  return (
    <div className="flex items-center gap-2">
      <label htmlFor={id} className="caption whitespace-nowrap">
        {label}
      </label>
      <List id={id} {...pick} />
    </div>
  );
}

/** One of many in a row of a table, where the row and its head say what it is; the label is read out. */
export const PickCell = <Value extends string | number>({ label, ...pick }: PickProps<Value>) => (
  <List ariaLabel={label} {...pick} />
);

/**
 * While a list is open the page cannot be scrolled. What is worked out meanwhile may grow above it and push it out of sight, where it could
 * neither be reached nor seen to be open: it is brought back. Looked at in every frame while it is open: an observer tells only of a change
 * between out and in, and under load tells of several at once.
 */
function useKeptInSight(open: boolean) {
  const trigger = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    if (!open) return;
    const look = () => {
      if (trigger.current && outOfSight(trigger.current)) trigger.current.scrollIntoView({ block: 'center' });
      frame = requestAnimationFrame(look);
    };
    let frame = requestAnimationFrame(look);
    return () => cancelAnimationFrame(frame);
  }, [open]);
  return trigger;
}

/** Whether no line of it lies between the window's upper and lower edges. */
const outOfSight = (element: Element) => {
  const { top, bottom } = element.getBoundingClientRect();
  return bottom <= 0 || top >= window.innerHeight;
};

/** The list takes no empty word; every option goes in behind a mark. */
const marked = (option: string | number) => `=${option}`;

function List<Value extends string | number>({
  id,
  ariaLabel,
  value,
  options,
  onPick,
  words = String,
  className = '',
  disabled,
}: Omit<PickProps<Value>, 'label'> & { id?: string; ariaLabel?: string }) {
  const [open, setOpen] = useState(false);
  const [isReached, setReached] = useState(false);
  const trigger = useKeptInSight(open);
  useBackCloses(open, () => setOpen(false));
  return (
    <Select.Root
      open={open}
      onOpenChange={(isOpen) => {
        setOpen(isOpen);
        setReached(true);
      }}
      value={marked(value)}
      onValueChange={(chosen) => onPick(options.find((option) => marked(option) === chosen)!)}
      {...(disabled && { disabled })}
    >
      <Select.Trigger
        ref={trigger}
        id={id}
        aria-label={ariaLabel}
        data-value={value}
        onFocus={() => setReached(true)}
        className={`field flex items-center justify-between gap-1 text-left ${className}`}
      >
        <span className="min-w-0 py-1 leading-tight wrap-anywhere">
          <Select.Value>{words(value)}</Select.Value>
        </span>
        <ChevronDown size={16} className="shrink-0" aria-hidden />
      </Select.Trigger>
      {isReached && <Options open={open} options={options} words={words} />}
    </Select.Root>
  );
}

/** Drawn once the list is reached, when a letter may already choose one: a page of a hundred lists would draw a thousand that nobody sees. */
const Options = <Value extends string | number>({
  open,
  options,
  words,
}: {
  open: boolean;
  options: readonly Value[];
  words: (value: Value) => string;
}) => (
  <>
    <Cover open={open} />
    <Select.Portal>
      <Select.Content
        position="popper"
        updatePositionStrategy="always"
        sideOffset={2}
        collisionPadding={8}
        className="z-50 max-h-(--radix-select-content-available-height) min-w-(--radix-select-trigger-width) max-w-[94vw] overflow-y-auto border-2 border-ink bg-sheet text-ink"
      >
        <Select.Viewport>
          {options.map((option) => (
            <Option key={option} option={option} words={words(option)} />
          ))}
        </Select.Viewport>
      </Select.Content>
    </Select.Portal>
  </>
);

const Option = ({ option, words }: { option: string | number; words: string }) => (
  <Select.Item
    value={marked(option)}
    data-value={option}
    className="flex min-h-11 cursor-pointer items-center justify-between gap-4 px-3 py-1 outline-none data-[highlighted]:bg-well data-[state=checked]:font-semibold"
  >
    <Select.ItemText>{words}</Select.ItemText>
    <Select.ItemIndicator>
      <Check size={16} aria-hidden />
    </Select.ItemIndicator>
  </Select.Item>
);
