'use client';

import { Camera } from 'lucide-react';
import { useId, useState } from 'react';
import type { FaceId } from '@/core/frame';
import type { Photo } from '@/core/walk';
import { useRecords } from './records-context';
import { useStamp } from './use-stamp';

const LIMIT_MB = 25;

/** Takes a photo with the camera or from a file and pins it where it belongs. */
export function PhotoButton({
  caption,
  moment = 'as it is',
  label = 'Photo',
  ...place
}: {
  caption: string;
  moment?: Photo['moment'];
  label?: string;
  memberId?: string;
  stationMm?: number;
  face?: FaceId;
  spotId?: string;
  pairOf?: string;
}) {
  const { keepPhoto } = useRecords();
  const stamp = useStamp();
  const id = useId();
  const [problem, setProblem] = useState<string>();
  const take = (files: FileList | null) => {
    setProblem(undefined);
    for (const file of files ?? []) {
      if (file.size > LIMIT_MB * 1024 * 1024) {
        setProblem(`${file.name} is over ${LIMIT_MB} MB; it was not taken in.`);
        continue;
      }
      keepPhoto({ kind: 'photo', ...stamp(), caption, moment, note: '', ...place }, file);
    }
  };
  return (
    <div>
      <label htmlFor={id} className="plain cursor-pointer focus-within:outline-3 focus-within:outline-here">
        <Camera size={19} aria-hidden /> {label}
        <input
          id={id}
          type="file"
          accept="image/*"
          capture="environment"
          multiple
          className="sr-only"
          onChange={(event) => {
            take(event.target.files);
            event.target.value = '';
          }}
        />
      </label>
      {problem && (
        <p role="alert" className="text-sm font-semibold text-oxide">
          {problem}
        </p>
      )}
    </div>
  );
}
