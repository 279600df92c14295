'use client';

import { useMemo, useState } from 'react';
import { asBuiltOver, type ShownAsBuilt } from '@/core/patterns';
import { Sheet } from '@/ui/controls';
import { builtDoubtWords, builtOnWords, mindWords } from '../../../../_words/as-built';
import { PhotoPicture, useRecords } from '../../../_desk';

/** So many are shown at once, the nearest first. */
const SHOWN = 4;

/** How a place was built, as photographed on this unit or on others of its family; stations are the member's own. Nothing where there is no photo. */
export function AsBuiltHere({
  memberId,
  fromMm,
  toMm,
}: {
  memberId: string | undefined;
  fromMm: number | undefined;
  toMm: number | undefined;
}) {
  const { file } = useRecords();
  const [open, setOpen] = useState<ShownAsBuilt>();
  const shown = useMemo(
    () =>
      memberId === undefined || fromMm === undefined || toMm === undefined
        ? []
        : asBuiltOver(file.asBuilt ?? [], {
            frame: file.frame,
            unitId: file.unit.id,
            jobId: file.job.id,
            builtYear: file.unit.builtYear,
            memberId,
            fromMm,
            toMm,
          }).slice(0, SHOWN),
    [file, memberId, fromMm, toMm],
  );
  if (shown.length === 0) return null;
  return (
    <section aria-label="As it was built" className="mt-2">
      <p className="font-semibold">As it was built</p>
      <ul className="flex flex-wrap gap-3">
        {shown.map((each) => (
          <li key={each.asBuilt.photo.id} className="min-fit-64 flex-1 border-t border-rule pt-1.5">
            <Shown each={each} onOpen={setOpen} />
          </li>
        ))}
      </ul>
      <Sheet
        title={open ? `As built: ${open.asBuilt.photo.caption}` : 'As built'}
        {...(open && { describe: allWords(open) })}
        open={open !== undefined}
        onOpenChange={(next) => !next && setOpen(undefined)}
      >
        {open && <PhotoPicture photo={open.asBuilt.photo} size="whole" />}
      </Sheet>
    </section>
  );
}

function Shown({ each, onOpen }: { each: ShownAsBuilt; onOpen: (each: ShownAsBuilt) => void }) {
  const { photo } = each.asBuilt;
  const doubt = builtDoubtWords(each.asBuilt);
  return (
    <figure className="flex gap-2">
      <button
        type="button"
        className="block w-28 shrink-0 self-start"
        aria-label={`Open as built: ${photo.caption}, ${each.asBuilt.tag}`}
        onClick={() => onOpen(each)}
      >
        <PhotoPicture photo={photo} size="thumb" />
      </button>
      <figcaption className="leading-tight">
        <span className="font-semibold">{photo.caption}</span>{' '}
        <span className="caption">{builtOnWords(each.asBuilt)}</span>
        <span className="block text-sm">{sentence(mindWords(each))}</span>
        {doubt && <span className="block text-sm font-semibold text-oxide">{sentence(doubt)}</span>}
      </figcaption>
    </figure>
  );
}

const allWords = (each: ShownAsBuilt): string =>
  [builtOnWords(each.asBuilt), mindWords(each), builtDoubtWords(each.asBuilt)]
    .flatMap((words) => (words === undefined ? [] : sentence(words)))
    .join(' ');
const sentence = (words: string): string => `${words.charAt(0).toUpperCase()}${words.slice(1)}.`;
