'use client';

import { useState } from 'react';
import { recorded } from '@/core/job';
import type { Strike } from '@/core/frame';
import { PHOTO_MOMENTS, photoPairs, type Photo } from '@/core/walk';
import { Entry, Pick } from '@/ui/controls';
import {
  StrikeSheet,
  useMember,
  usePlace,
  useReader,
  useRecords,
  PhotoButton,
  PhotoFigure,
  PhotoSheet,
} from '../../../_desk';
import { AsBuiltHere } from './as-built-here';
import { printStation } from '../../../../_words/station';

/** Photos pinned to the frame; before and after from the same place side by side. A photo goes by strike-through only. */
export function PhotosPart() {
  const { file } = useRecords();
  const { member } = useMember();
  const { cursor } = usePlace();
  const [striking, setStriking] = useState<Photo>();
  const [open, setOpen] = useState<Photo>();
  const struck = new Map(file.strikes.map((strike) => [strike.evidenceId, strike]));
  const photos = recorded(file, 'photo');
  const standing = photos.filter(({ id }) => !struck.has(id));
  return (
    <div>
      <TakeHere />
      <AsBuiltHere memberId={member.id} fromMm={cursor.stationMm} toMm={cursor.stationMm} />
      <Pairs photos={standing} onOpen={setOpen} />
      <section className="mt-4" aria-label="Photos">
        <h2 className="text-lg font-semibold">Photos: {standing.length}</h2>
        {photos.length === 0 && (
          <p className="text-xl">
            None yet. The first ones are of what is bad, and of where it stands before anything is cut.
          </p>
        )}
        <ul className="grid grid-cols-2 gap-3 sm:grid-cols-3 lg:grid-cols-4">
          {photos.toReversed().map((photo) => {
            const strike = struck.get(photo.id);
            return strike ? (
              <StruckPhoto key={photo.id} photo={photo} strike={strike} />
            ) : (
              <PinnedPhoto key={photo.id} photo={photo} onOpen={setOpen} onStrike={setStriking} />
            );
          })}
        </ul>
      </section>
      <StrikeSheet
        struck={striking && { id: striking.id, words: `The photo “${striking.caption}”` }}
        onClose={() => setStriking(undefined)}
      />
      <PhotoSheet photo={open} onClose={() => setOpen(undefined)} />
    </div>
  );
}

/** A photo of the place at the cursor. */
function TakeHere() {
  const { system } = useReader();
  const { member } = useMember();
  const { cursor } = usePlace();
  const [caption, setCaption] = useState('');
  const [moment, setMoment] = useState<Photo['moment']>('as it is');
  return (
    <>
      <div className="flex flex-wrap items-end gap-2">
        <Entry
          label="what it shows"
          className="min-fit-48 flex-1"
          value={caption}
          maxLength={160}
          onChange={(event) => setCaption(event.target.value)}
        />
        <Pick label="when" value={moment} options={PHOTO_MOMENTS} onPick={setMoment} />
        <PhotoButton
          label={`Photo at ${printStation(member, cursor.stationMm, system)}, ${member.name.toLowerCase()}`}
          caption={caption.trim() || member.name}
          moment={moment}
          memberId={member.id}
          stationMm={cursor.stationMm}
          face={cursor.face}
        />
      </div>
      {moment === 'as built' && (
        <p className="mt-1 font-semibold">
          Only where the metal is still the maker’s: it is shown on other frames of this family, at the same
          place.
        </p>
      )}
      <p className="caption mt-1">
        Kept without its location, no larger than 2000 px. A photo taken without reception is held here and
        goes up when the server is back.
      </p>
    </>
  );
}

function Pairs({ photos, onOpen }: { photos: readonly Photo[]; onOpen: (photo: Photo) => void }) {
  const pairs = photoPairs(photos);
  if (pairs.length === 0) return null;
  return (
    <section className="mt-4" aria-label="Before and after">
      <h2 className="text-lg font-semibold">Before and after</h2>
      {pairs.map(({ before, after }) => (
        <div key={after.id} className="mt-2 grid grid-cols-2 gap-2 border-t border-rule pt-2">
          <PhotoFigure photo={before} large onOpen={onOpen} />
          <PhotoFigure photo={after} large onOpen={onOpen} />
        </div>
      ))}
    </section>
  );
}

const StruckPhoto = ({ photo, strike }: { photo: Photo; strike: Strike }) => (
  <li className="border border-rule bg-sheet p-1.5 opacity-60">
    <p className="py-6 text-center line-through">{photo.caption}</p>
    <p className="caption">
      struck by {strike.by}: {strike.why}
    </p>
  </li>
);

function PinnedPhoto({
  photo,
  onOpen,
  onStrike,
}: {
  photo: Photo;
  onOpen: (photo: Photo) => void;
  onStrike: (photo: Photo) => void;
}) {
  const place = photo.memberId !== undefined && {
    memberId: photo.memberId,
    stationMm: photo.stationMm!,
    ...(photo.face && { face: photo.face }),
  };
  return (
    <li className="border border-rule bg-sheet p-1.5">
      <PhotoFigure photo={photo} onOpen={onOpen} />
      <div className="flex flex-wrap items-center justify-between">
        {photo.moment === 'before' && (
          <PhotoButton label="After" moment="after" caption={photo.caption} pairOf={photo.id} {...place} />
        )}
        <button type="button" className="hit ml-auto px-2 underline" onClick={() => onStrike(photo)}>
          strike
        </button>
      </div>
    </li>
  );
}
