'use client';

import { Dialog } from 'radix-ui';
import { X } from 'lucide-react';
import { useRef, type ReactNode } from 'react';

/** A sheet laid over the bench for one decision. Closed, it gives the keyboard back to what opened it. */
export function Sheet({
  title,
  describe,
  open,
  onOpenChange,
  children,
}: {
  title: string;
  describe?: string;
  open: boolean;
  onOpenChange: (open: boolean) => void;
  children: ReactNode;
}) {
  const openedFrom = useRef<Element>(null);
  return (
    <Dialog.Root open={open} onOpenChange={onOpenChange}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/50" />
        <Dialog.Content
          className="fixed inset-x-3 top-[8dvh] z-50 mx-auto max-h-[84dvh] max-w-xl overflow-y-auto border-2 border-ink bg-sheet p-5 text-ink"
          onOpenAutoFocus={() => {
            openedFrom.current = document.activeElement;
          }}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            if (openedFrom.current instanceof HTMLElement) openedFrom.current.focus();
          }}
          {...(!describe && { 'aria-describedby': undefined })}
        >
          <div className="mb-3 flex items-start justify-between gap-4">
            <Dialog.Title className="text-2xl font-semibold">{title}</Dialog.Title>
            <Dialog.Close
              className="hit -mr-2 -mt-2 inline-flex items-center justify-center"
              aria-label="Close"
            >
              <X size={22} />
            </Dialog.Close>
          </div>
          {describe && <Dialog.Description className="caption mb-4">{describe}</Dialog.Description>}
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
