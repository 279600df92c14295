'use client';

import { useState } from 'react';
import type { NoticeSheetProps } from './notice-sheet';
import { usePart } from './use-part';

const noticeSheet = async () => (await import('./notice-sheet')).NoticeSheet;

/** A standing notice: it stays on the unit and shows on every later job. */
export function NoticeForm({ unitId, tag }: { unitId: string; tag: string }) {
  const [open, setOpen] = useState(false);
  const [NoticeSheet, bring] = usePart<NoticeSheetProps>(noticeSheet);
  return (
    <>
      <button type="button" className="plain" onClick={async () => setOpen(await bring())}>
        Standing notice
      </button>
      {NoticeSheet && <NoticeSheet unitId={unitId} tag={tag} open={open} onOpenChange={setOpen} />}
    </>
  );
}
