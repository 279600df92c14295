'use client';

import { useEffect, useRef } from 'react';
import { tinykeys } from 'tinykeys';

/** Where keys are letters: fields, open lists and sheets. */
const TYPED_IN = 'input, textarea, select, [contenteditable], [role=combobox], [role=listbox], [role=dialog]';
const isTyping = ({ target, defaultPrevented }: KeyboardEvent): boolean =>
  defaultPrevented || (target instanceof Element && target.closest(TYPED_IN) !== null);

/** Keys of a whole screen, wherever nothing is being typed: `n`, `[Shift]+?`, `([1-9])`. The page does nothing else with one that is taken; held down, it counts once. */
export function usePageKeys(keys: Readonly<Record<string, (key: string) => void>>): void {
  const latest = useRef(keys);
  useEffect(() => {
    latest.current = keys;
  });
  const names = Object.keys(keys).join(' ');
  useEffect(() => {
    const bindings = names.split(' ').map((name) => [
      name,
      (event: KeyboardEvent) => {
        event.preventDefault();
        if (!event.repeat) latest.current[name]?.(event.key);
      },
    ]);
    return tinykeys(window, Object.fromEntries(bindings), { ignore: isTyping });
  }, [names]);
}
