'use client';

import { useEffect, useRef } from 'react';

/** What a browser calls when somebody asks to be rid of what came up last: on a phone by the gesture or key that goes back. */
interface CloseWatcher {
  onclose: (() => void) | null;
  destroy(): void;
}
declare const CloseWatcher: undefined | (new () => CloseWatcher);

/**
 * Going back on a phone closes what lies over the page and leaves the page, with all that is typed in it, where it was. Browsers that know no
 * `CloseWatcher` (HTML Living Standard, 6.8) go back a page as ever.
 */
export function useBackCloses(open: boolean, close: () => void): void {
  const closeRef = useRef(close);
  useEffect(() => {
    closeRef.current = close;
  });
  useEffect(() => {
    if (!open || typeof CloseWatcher === 'undefined') return;
    const watcher = new CloseWatcher();
    watcher.onclose = () => closeRef.current();
    return () => watcher.destroy();
  }, [open]);
}
