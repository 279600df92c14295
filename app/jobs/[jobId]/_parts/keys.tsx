'use client';

import { useEffect, useState } from 'react';
import { KeyList } from './key-list';

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && target.closest('input, textarea, select, [contenteditable]') !== null;

/** The verb's keys, by a button or by `?` wherever nothing is being typed. */
export function Keys({ verb }: { verb: string }) {
  const [isOpen, setOpen] = useState(false);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== '?' || event.defaultPrevented || isTyping(event.target)) return;
      event.preventDefault();
      setOpen(true);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  return (
    <>
      <button
        type="button"
        className="hit hidden px-2 text-lg font-semibold sm:block"
        aria-label="Keys of this screen"
        onClick={() => setOpen(true)}
      >
        ?
      </button>
      <KeyList verb={verb} open={isOpen} onOpenChange={setOpen} />
    </>
  );
}
