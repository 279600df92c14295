'use client';

import { useState } from 'react';
import { stands } from '@/core/job';
import type { Crack } from '@/core/trace';
import type { Photo } from '@/core/walk';
import { PhotoButton, PhotoFigure, PhotoSheet, useRecords } from '../../../_desk';

/** Pictures of a crack hang on it by this. */
const spotOf = ({ id }: Crack): string => `crack ${id}`;

/** The first and the latest picture of a crack side by side, and the next one to take from the same place. */
export function CrackPhotos({ crack }: { crack: Crack }) {
  const { file } = useRecords();
  const [open, setOpen] = useState<Photo>();
  const photos = stands(file, 'photo')
    .filter(({ spotId }) => spotId === spotOf(crack))
    .sort((a, b) => a.at.localeCompare(b.at));
  const pair = photos.length > 1 ? [photos[0]!, photos[photos.length - 1]!] : photos;
  const first = crack.path[0]!;
  return (
    <div className="mt-2">
      <div className="flex flex-wrap items-center gap-3">
        <PhotoButton
          label="Photo of this crack"
          caption={`crack, look ${photos.length + 1}`}
          memberId={crack.memberId}
          stationMm={first.stationMm}
          face={first.face}
          spotId={spotOf(crack)}
          {...(photos[0] && { pairOf: photos[0].id })}
        />
        <span className="caption">
          {photos.length === 0
            ? 'straight on, a rule beside it; the next one from the same place'
            : `${photos.length} taken; the first and the last are shown`}
        </span>
      </div>
      {pair.length > 0 && (
        <div className="mt-2 grid grid-cols-2 gap-2">
          {pair.map((photo) => (
            <PhotoFigure key={photo.id} photo={photo} onOpen={setOpen} />
          ))}
        </div>
      )}
      <PhotoSheet photo={open} onClose={() => setOpen(undefined)} />
    </div>
  );
}
