'use client';

import { useState } from 'react';
import { usePageKeys } from '@/ui/controls';
import { KeyList } from './key-list';

/** The verb's keys, by a button or by `?` wherever nothing is being typed. */
export function Keys({ verb }: { verb: string }) {
  const [isOpen, setOpen] = useState(false);
  usePageKeys({ '[Shift]+?': () => setOpen(true) });
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
