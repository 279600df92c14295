'use client';

import { useMemo, useState } from 'react';
import { workPhotos, workSpot, type PlannedWork } from '@/core/job';
import type { Photo } from '@/core/walk';
import { WORK_WORDS } from '../../../../_words/works';
import { PhotoButton, PhotoFigure, PhotoSheet, useRecords } from '../../../_desk';

/** Photos of a work, taken before and after: they stand in the photo book as a pair. */
export function WorkPhotos({ planned: { work, place } }: { planned: PlannedWork }) {
  const { file } = useRecords();
  const photos = useMemo(() => workPhotos(file, work), [file, work]);
  const [open, setOpen] = useState<Photo>();
  const before = photos.findLast(({ moment }) => moment === 'before');
  const pinned = {
    caption: `${WORK_WORDS[work.form]}, ${place.name}`,
    memberId: place.member.id,
    stationMm: place.stationMm,
    spotId: workSpot(work),
  };
  return (
    <div className="mt-1">
      {photos.length > 0 && (
        <div className="grid grid-cols-2 gap-2 pb-2 sm:grid-cols-4">
          {photos.map((photo) => (
            <PhotoFigure key={photo.id} photo={photo} onOpen={setOpen} />
          ))}
        </div>
      )}
      <div className="flex flex-wrap gap-2">
        <PhotoButton {...pinned} moment="before" label="Photo before" />
        <PhotoButton {...pinned} moment="after" label="Photo after" {...(before && { pairOf: before.id })} />
      </div>
      <PhotoSheet photo={open} onClose={() => setOpen(undefined)} />
    </div>
  );
}
