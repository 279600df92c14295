'use client';

import { useEffect, useMemo, useState } from 'react';
import { memberOf } from '@/core/frame';
import type { Photo } from '@/core/walk';
import { Sheet, When } from '@/ui/controls';
import { faceWords } from '@/ui/strip';
import { theOutbox } from '../../_outbox';
import { printStation } from '../../_words/station';
import { useReader } from './reader-context';
import { useRecords } from './records-context';

/** A photo with where it was taken, when and by whom. */
export function PhotoFigure({
  photo,
  large,
  onOpen,
}: {
  photo: Photo;
  large?: boolean;
  onOpen: (photo: Photo) => void;
}) {
  const { file } = useRecords();
  const { system } = useReader();
  const member = photo.memberId === undefined ? undefined : memberOf(file.frame, photo.memberId);
  return (
    <figure>
      <button
        type="button"
        className="block w-full"
        onClick={() => onOpen(photo)}
        aria-label={`Open ${photo.caption}`}
      >
        <PhotoPicture photo={photo} size={large ? 'whole' : 'thumb'} />
      </button>
      <figcaption className="leading-tight">
        <span className="font-semibold">{photo.caption}</span>{' '}
        <span className="caption">
          {photo.moment !== 'as it is' && `${photo.moment}; `}
          {member &&
            `${member.name.toLowerCase()}${photo.stationMm !== undefined ? `, ${printStation(member, photo.stationMm, system)}` : ''}${photo.face ? `, ${faceWords(member, photo.face)}` : ''}; `}
          {photo.by} <When at={photo.at} only="day" />
        </span>
      </figcaption>
    </figure>
  );
}

/** A photo looked at by itself, whole; closed where none is. */
export function PhotoSheet({ photo, onClose }: { photo: Photo | undefined; onClose: () => void }) {
  return (
    <Sheet
      title={photo?.caption ?? 'Photo'}
      open={photo !== undefined}
      onOpenChange={(next) => !next && onClose()}
    >
      {photo && <PhotoPicture photo={photo} size="whole" />}
    </Sheet>
  );
}

/** The kept picture; while it is held here, the one in this browser. */
export function PhotoPicture({ photo, size }: { photo: Photo; size: 'thumb' | 'whole' }) {
  const [missing, setMissing] = useState(false);
  const held = useMemo(() => {
    const blob = photo.picture ? undefined : theOutbox().heldFile(photo.id);
    return blob && URL.createObjectURL(blob);
  }, [photo]);
  useEffect(() => () => (held ? URL.revokeObjectURL(held) : undefined), [held]);
  const source = photo.picture
    ? `/api/photos/${photo.picture.hash}${size === 'thumb' ? '?size=thumb' : ''}`
    : held;
  if (!source || missing)
    return (
      <span className="unseen flex min-h-[100px] items-center justify-center border border-edge text-sm">
        {missing ? 'the picture is not here' : 'held here'}
      </span>
    );
  return (
    // Pictures come from this server’s own folder, already in the size they are shown.
    // eslint-disable-next-line @next/next/no-img-element
    <img
      src={source}
      alt={photo.caption}
      loading="lazy"
      className={`w-full object-cover ${size === 'thumb' ? 'aspect-[4/3]' : ''}`}
      onError={() => setMissing(true)}
    />
  );
}
