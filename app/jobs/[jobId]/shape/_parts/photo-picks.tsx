'use client';

import type { Photo } from '@/core/walk';
import { PhotoPicture } from '../../../_desk';

/** Some of a job's pictures, picked by touch; no more than `most`. */
export function PhotoPicks({
  photos,
  picked,
  most,
  onPick,
}: {
  photos: readonly Photo[];
  picked: readonly string[];
  most: number;
  onPick: (ids: readonly string[]) => void;
}) {
  if (photos.length === 0) return <p className="caption">No picture of this member is kept yet.</p>;
  return (
    <fieldset className="mt-2">
      <legend className="caption">pictures that go with it, {most} at most</legend>
      <ul className="flex flex-wrap gap-3">
        {photos.map((photo) => {
          const isPicked = picked.includes(photo.id);
          return (
            <li key={photo.id} className="w-32">
              <label className="hit block">
                <input
                  type="checkbox"
                  className="mr-2"
                  checked={isPicked}
                  disabled={!isPicked && picked.length >= most}
                  onChange={() =>
                    onPick(isPicked ? picked.filter((id) => id !== photo.id) : [...picked, photo.id])
                  }
                />
                {photo.caption}
                <PhotoPicture photo={photo} size="thumb" />
              </label>
            </li>
          );
        })}
      </ul>
    </fieldset>
  );
}
