import { memberOf, type Frame } from '@/core/frame';
import { photoPairs, type Photo } from '@/core/walk';
import type { JobFile } from '@/core/job';
import type { UnitSystem } from '@/core/quantity';
import { localTime } from '@/ui/controls/local-time';
import type { BookChapter, BookPicture, BookRow, PhotoBook } from '@/ui/print/photo-book';
import { printStation } from './station';

type Read = (photo: Photo) => Promise<Uint8Array | undefined>;

/** Every photo of a job that stands: a chapter for each member in the frame's order, along it, what was taken before and after from one place side by side. */
export function photoBook(
  { unit, job, frame }: Pick<JobFile, 'unit' | 'job' | 'frame'>,
  photos: readonly Photo[],
  { system, read }: { readonly system: UnitSystem; readonly read: Read },
): PhotoBook {
  const picture = (photo: Photo): BookPicture => ({
    words: captionOf(frame, photo, system),
    read: () => read(photo),
  });
  return {
    title: `${unit.tag}: photos`,
    under: `${job.title}. ${photos.length} ${photos.length === 1 ? 'photo' : 'photos'}; stations from the ${frame.datum}.`,
    chapters: byMember(frame, photos).map(({ heading, of }): BookChapter => ({
      heading,
      rows: rowsOf(of, photos).map(([left, right]): BookRow => ({
        left: picture(left),
        ...(right && { right: picture(right) }),
      })),
    })),
  };
}

/** Photos by the member they show; those that show none first, those whose member is no longer on the frame last. */
function byMember(frame: Frame, photos: readonly Photo[]) {
  const known = new Set(frame.members.map(({ id }) => id));
  const chapters = [
    { heading: 'The unit', of: photos.filter(({ memberId }) => memberId === undefined) },
    ...frame.members.map(({ id, name }) => ({
      heading: name,
      of: photos.filter(({ memberId }) => memberId === id),
    })),
    {
      heading: 'Members that are no longer on the frame',
      of: photos.filter(({ memberId }) => memberId !== undefined && !known.has(memberId)),
    },
  ];
  return chapters.filter(({ of }) => of.length > 0);
}

type Row = readonly [Photo, Photo?];
/** Pairs first, then the others two by two, both along the member. One taken before is printed once for each that was taken after it. */
function rowsOf(of: readonly Photo[], all: readonly Photo[]): Row[] {
  const pairs = photoPairs(all).filter(({ after }) => of.includes(after));
  const paired = new Set(pairs.flatMap(({ before, after }) => [before, after]));
  const others = [...of].filter((photo) => !paired.has(photo)).sort(along);
  return [
    ...pairs.sort((a, b) => along(a.after, b.after)).map(({ before, after }): Row => [before, after]),
    ...others.flatMap((left, k): Row[] =>
      k % 2 === 1 ? [] : others[k + 1] ? [[left, others[k + 1]!]] : [[left]],
    ),
  ];
}
const along = (a: Photo, b: Photo): number =>
  (a.stationMm ?? 0) - (b.stationMm ?? 0) || a.at.localeCompare(b.at);

function captionOf(frame: Frame, photo: Photo, system: UnitSystem): string {
  const member = photo.memberId === undefined ? undefined : memberOf(frame, photo.memberId);
  const place = [
    member && photo.stationMm !== undefined ? `at ${printStation(member, photo.stationMm, system)}` : '',
    photo.face ?? '',
  ]
    .filter(Boolean)
    .join(', ');
  return [
    photo.moment === 'as it is' ? '' : `${photo.moment}: `,
    photo.caption || 'no words',
    place && ` (${place})`,
    `. ${photo.by} ${localTime(photo.at)}`,
  ].join('');
}
