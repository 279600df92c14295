'use client';

import { Dialog } from 'radix-ui';
import { X } from 'lucide-react';
import { useRef, type ReactNode } from 'react';
import { useBackCloses } from './back';
import { Cover, useJustChanged } from './settling';

/** A sheet laid over the bench for one decision. Closed, it gives the keyboard back to what opened it, or to the page where that is gone. */
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
  // A touch that comes at once again was meant for what stood there before: it does not close what came up.
  const isNew = useJustChanged(String(open));
  useBackCloses(open, () => onOpenChange(false));
  return (
    <Dialog.Root open={open} onOpenChange={onOpenChange}>
      <Cover open={open} />
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/50" />
        <Dialog.Content
          className="fixed inset-x-3 top-[8dvh] z-50 mx-auto max-h-[84dvh] max-w-xl overflow-y-auto border-2 border-ink bg-sheet p-5 text-ink"
          onOpenAutoFocus={() => {
            openedFrom.current = document.activeElement;
          }}
          onPointerDownOutside={(event) => isNew && event.preventDefault()}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            giveKeyboardBack(openedFrom.current);
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

function giveKeyboardBack(to: Element | null): void {
  if (to instanceof HTMLElement && to.isConnected) return to.focus();
  const page = document.getElementById('main');
  if (page) page.tabIndex = -1;
  page?.focus({ preventScroll: true });
}
