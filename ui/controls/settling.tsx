'use client';

import { Portal } from 'radix-ui';
import { useEffect, useRef, useState, type KeyboardEvent, type MouseEvent, type ReactNode } from 'react';

/** A gloved finger that meant one touch touches again within this, ms (common practice for double taps, no source). */
export const AGAIN_MS = 350;

/** Whether `of` is another than it was a moment ago. */
export function useJustChanged(of: string): boolean {
  const [seen, setSeen] = useState({ of, isNew: false });
  // Noted while it is drawn: there and back within the moment is two changes, not none.
  if (seen.of !== of) setSeen({ of, isNew: true });
  useEffect(() => {
    if (!seen.isNew) return;
    const timer = setTimeout(() => setSeen({ of: seen.of, isNew: false }), AGAIN_MS);
    return () => clearTimeout(timer);
  }, [seen]);
  return seen.isNew;
}

/**
 * Where a touch brings up the next thing under the same finger. `of` says which thing it is: for a moment after it changed nothing here takes a touch or
 * a key, and a key held down counts once. A second touch would say something of what nobody has looked at yet.
 */
export function Settling({
  of,
  className,
  children,
}: {
  of: string;
  className?: string;
  children: ReactNode;
}) {
  const isNew = useJustChanged(of);
  return (
    <div
      className={className}
      style={isNew ? { pointerEvents: 'none' } : undefined}
      onClickCapture={isNew ? swallow : undefined}
      onKeyDownCapture={(event) => event.repeat && PRESSES.has(event.key) && swallow(event)}
    >
      {children}
    </div>
  );
}

/** Over the page for a moment after what lay over it went: the touch that chose there, come twice, does not fall on what lay beneath. */
export const Cover = ({ open }: { open: boolean }) =>
  useJustChanged(String(open)) &&
  !open && (
    <Portal.Root>
      <div className="fixed inset-0 z-50" aria-hidden />
    </Portal.Root>
  );

/** An act that is waited for, one at a time, and none so soon after it that a finger touched twice. */
export function useOneByOne(act: () => Promise<unknown>): () => Promise<void> {
  const isBusyRef = useRef(false);
  return async () => {
    if (isBusyRef.current) return;
    isBusyRef.current = true;
    await act().finally(() => setTimeout(() => (isBusyRef.current = false), AGAIN_MS));
  };
}

/** Keys that press a button. */
const PRESSES: ReadonlySet<string> = new Set(['Enter', ' ']);
function swallow(event: KeyboardEvent | MouseEvent): void {
  event.preventDefault();
  event.stopPropagation();
}
