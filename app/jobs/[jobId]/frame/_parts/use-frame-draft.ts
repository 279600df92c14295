'use client';

import { z } from 'zod';
import { frameForm, type Frame } from '@/core/frame';
import { lifted, type Body } from '@/core/quantity';
import { useTabDraft } from '../../../../_parts/remembered';
import { useRecords } from '../../../_desk';

/** Half-typed frames need not be frames yet: they are checked when they are kept. One begun with an earlier program is read as today's. */
const draftSchema = z
  .object({ based: z.number(), version: z.number().default(1), frame: z.custom<Body>() })
  .transform(({ based, version, frame }) => ({
    based,
    version: frameForm.version,
    frame: lifted(frameForm, frame, version) as Frame,
  }));

export interface FrameDraft {
  /** The frame as it stands on this screen. */
  readonly frame: Frame;
  readonly isChanged: boolean;
  /** Another frame was kept since this one was begun: both stand, and somebody must choose. */
  readonly isBehind: boolean;
  readonly set: (frame: Frame) => void;
  /** What is typed here, as a change of the frame that stands now. */
  readonly putOnTop: () => void;
  readonly drop: () => void;
}

/** A frame being edited: it outlives leaving the screen, a reload, and another tab's keeping of its own. */
export function useFrameDraft(): FrameDraft {
  const { file } = useRecords();
  const [stored, put] = useTabDraft(`ossatura-frame-${file.job.id}`, draftSchema);
  const isOther = stored && JSON.stringify(stored.frame) !== JSON.stringify(file.frame);
  const draft = isOther ? stored : undefined;
  return {
    frame: draft?.frame ?? file.frame,
    isChanged: draft !== undefined,
    isBehind: draft !== undefined && draft.based !== file.frameRevision,
    set: (frame) => put({ based: draft?.based ?? file.frameRevision, version: frameForm.version, frame }),
    putOnTop: () => draft && put({ ...draft, based: file.frameRevision }),
    drop: () => put(undefined),
  };
}
