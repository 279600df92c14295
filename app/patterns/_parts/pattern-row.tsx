import { Link } from '@/app/_parts/link';
import { tallyOf, type ListedPattern } from '@/core/patterns';
import { printLength, type UnitSystem } from '@/core/quantity';
import type { Practice } from '@/core/reference';
import { blankFigures, blanksOfRepair, type Blank } from '@/core/shape';
import { BlankPicture } from '../../_parts/blank-picture';
import { fromWords, heldWords, madeOfWords, tallyWords } from '../../_words/patterns';
import { DropPattern } from './drop-pattern';

/** One pattern: what it is, its flats as they were made, its pictures, and every place where it was made. */
export function PatternRow({
  listed,
  practice,
  system,
}: {
  listed: ListedPattern;
  practice: Practice;
  system: UnitSystem;
}) {
  const { pattern, uses } = listed;
  const tally = tallyOf(uses);
  return (
    <article aria-label={pattern.name} className="border-b border-rule py-5">
      <div className="grid gap-x-8 gap-y-3 md:grid-cols-[minmax(0,1fr)_minmax(0,1.3fr)]">
        <div className="min-w-0">
          <h3 className="text-2xl font-bold">{pattern.name}</h3>
          <p>{madeOfWords(pattern.repair)}</p>
          <p className="caption">
            {pattern.family}, {pattern.member.shape.kind} {pattern.member.role}. From {fromWords(listed)}.
          </p>
          {pattern.note && <p>{pattern.note}</p>}
          <p className={tally.failed > 0 ? 'font-semibold text-oxide' : 'font-semibold'}>
            {tallyWords(tally)}
          </p>
          {pattern.workedH !== undefined && (
            <p className="caption">{pattern.workedH.toFixed(1)} h were logged on the first one</p>
          )}
          <UseList uses={uses} />
          <DropPattern id={pattern.id} name={pattern.name} />
        </div>
        <div className="min-w-0">
          {blanksOfRepair(pattern.member, pattern.repair, practice).map((blank) => (
            <Flat key={blank.id} patternId={pattern.id} blank={blank} system={system} />
          ))}
          <Pictures pattern={pattern} />
        </div>
      </div>
    </article>
  );
}

function UseList({ uses }: Pick<ListedPattern, 'uses'>) {
  return (
    <ul className="ruled mt-2 border-y border-rule" aria-label="Where it was made">
      {uses.map(({ use, held }) => (
        <li
          key={`${use.jobId} ${use.memberId} ${use.fromMm}`}
          className="flex flex-wrap items-baseline gap-x-3"
        >
          <Link
            className="hit inline-flex items-center font-semibold underline"
            href={`/jobs/${use.jobId}/shape?member=${encodeURIComponent(use.memberId)}`}
          >
            {use.tag}
          </Link>
          <span>
            {use.memberName.toLowerCase()}
            {use.isChanged && ', its plates changed from the pattern'}
          </span>
          <span className={held.is === 'failed' || held.is === 'mended again' ? 'text-oxide' : 'caption'}>
            {heldWords(held)}
          </span>
        </li>
      ))}
    </ul>
  );
}

function Flat({ patternId, blank, system }: { patternId: string; blank: Blank; system: UnitSystem }) {
  const href = (as: string) =>
    `/api/patterns/${patternId}/flats/${encodeURIComponent(blank.id)}?as=${as}&unit=${system}`;
  return (
    <figure className="border-t border-ink pt-1">
      <figcaption className="flex flex-wrap items-baseline gap-x-4">
        <span className="font-semibold">
          {blank.name}, {printLength(blankFigures(blank).lengthMm, system, 'length')} long,{' '}
          {printLength(blank.thicknessMm, system, 'thickness')}
        </span>
        <a className="hit inline-flex items-center underline" download href={href('dxf')}>
          DXF as made
        </a>
        <a className="hit inline-flex items-center underline" download href={`${href('dxf')}&twin=1`}>
          DXF, other hand
        </a>
      </figcaption>
      <BlankPicture blank={blank} system={system} />
    </figure>
  );
}

function Pictures({ pattern }: Pick<ListedPattern, 'pattern'>) {
  if (pattern.photos.length === 0) return null;
  return (
    <ul className="mt-2 flex flex-wrap gap-3">
      {pattern.photos.map(({ hash, caption }) => (
        <li key={hash} className="w-40">
          <a href={`/api/photos/${hash}`}>
            {/* Pictures come from this server’s own folder, already in the size they are shown. */}
            {/* eslint-disable-next-line @next/next/no-img-element */}
            <img
              src={`/api/photos/${hash}?size=thumb`}
              alt={caption}
              className="aspect-[4/3] w-full object-cover"
            />
            <span className="caption">{caption}</span>
          </a>
        </li>
      ))}
    </ul>
  );
}
