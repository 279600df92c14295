'use client';

import { recorded } from '@/core/job';
import { useState } from 'react';

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
  const { system } = useReader();
  const { member } = useMember();
  const { cursor } = usePlace();
  const [caption, setCaption] = useState('');
  const [moment, setMoment] = useState<Photo['moment']>('as it is');
  const [striking, setStriking] = useState<Photo>();
  const [open, setOpen] = useState<Photo>();
  const struck = new Map(file.strikes.map((strike) => [strike.evidenceId, strike]));
  const photos = recorded(file, 'photo');
  const pairs = photoPairs(photos.filter(({ id }) => !struck.has(id)));
  return (
    <div>
      <div className="flex flex-wrap items-end gap-2">
        <Entry
          label="what it shows"
          className="min-w-48 flex-1"
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
      <AsBuiltHere memberId={member.id} fromMm={cursor.stationMm} toMm={cursor.stationMm} />
      {pairs.length > 0 && (
        <section className="mt-4" aria-label="Before and after">
          <h2 className="text-lg font-semibold">Before and after</h2>
          {pairs.map(({ before, after }) => (
            <div key={after.id} className="mt-2 grid grid-cols-2 gap-2 border-t border-rule pt-2">
              <PhotoFigure photo={before} large onOpen={setOpen} />
              <PhotoFigure photo={after} large onOpen={setOpen} />
            </div>
          ))}
        </section>
      )}
      <section className="mt-4" aria-label="Photos">
        <h2 className="text-lg font-semibold">
          Photos: {photos.filter((photo) => !struck.has(photo.id)).length}
        </h2>
        {photos.length === 0 && (
          <p className="text-xl">
            None yet. The first ones are of what is bad, and of where it stands before anything is cut.
          </p>
        )}
        <ul className="grid grid-cols-2 gap-3 sm:grid-cols-3 lg:grid-cols-4">
          {[...photos].reverse().map((photo) => (
            <li
              key={photo.id}
              className={`border border-rule bg-sheet p-1.5 ${struck.has(photo.id) ? 'opacity-60' : ''}`}
            >
              {struck.has(photo.id) ? (
                <p className="py-6 text-center line-through">{photo.caption}</p>
              ) : (
                <PhotoFigure photo={photo} onOpen={setOpen} />
              )}
              {struck.has(photo.id) ? (
                <p className="caption">
                  struck by {struck.get(photo.id)!.by}: {struck.get(photo.id)!.why}
                </p>
              ) : (
                <div className="flex flex-wrap items-center justify-between">
                  {photo.moment === 'before' && (
                    <PhotoButton
                      label="After"
                      moment="after"
                      caption={photo.caption}
                      pairOf={photo.id}
                      {...(photo.memberId !== undefined && {
                        memberId: photo.memberId,
                        stationMm: photo.stationMm!,
                        ...(photo.face && { face: photo.face }),
                      })}
                    />
                  )}
                  <button
                    type="button"
                    className="hit ml-auto px-2 underline"
                    onClick={() => setStriking(photo)}
                  >
                    strike
                  </button>
                </div>
              )}
            </li>
          ))}
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
