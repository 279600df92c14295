import { Link } from '@/app/_parts/link';
import type { AsBuilt } from '@/core/patterns';
import { builtDoubtWords, builtOnWords } from '../../_words/as-built';
import { placeWords } from '../../_words/patterns';

/** How frames were built, as photographed where the metal was still the maker's: by family, then by place. */
export function AsBuiltPart({ pictures }: { pictures: readonly AsBuilt[] }) {
  const families = [...new Set(pictures.map(({ family }) => family))];
  return (
    <section aria-label="As they were built" className="mt-8">
      <h2 className="text-2xl font-semibold">As they were built</h2>
      <p className="max-w-prose">
        Photos marked <b>as built</b> when they were taken, in Walk, Photos. Each is shown on the Round of
        every frame of its family, at the same place: for whoever finds it rotted away.
      </p>
      {pictures.length === 0 && (
        <p className="pt-4 text-xl">
          None yet. Photograph brackets and ends where the metal is still the maker’s, before the next one
          comes in without them.
        </p>
      )}
      {families.map((family) => (
        <div key={family} className="mt-4">
          <h3 className="border-b border-ink text-lg font-semibold">{family}</h3>
          <ul className="mt-2 grid grid-cols-2 gap-3 sm:grid-cols-3 lg:grid-cols-5">
            {pictures
              .filter((each) => each.family === family)
              .sort((a, b) => placeWords(a.place).localeCompare(placeWords(b.place)))
              .map((each) => (
                <li key={each.photo.id} className="border border-rule bg-sheet p-1.5">
                  <Picture each={each} />
                </li>
              ))}
          </ul>
        </div>
      ))}
    </section>
  );
}

function Picture({ each }: { each: AsBuilt }) {
  const { photo, place, jobId } = each;
  const doubt = builtDoubtWords(each);
  return (
    <figure>
      {photo.picture && (
        // Pictures come from this server’s own folder, already in the size they are shown.
        // eslint-disable-next-line @next/next/no-img-element
        <img
          src={`/api/photos/${photo.picture.hash}?size=thumb`}
          alt={photo.caption}
          loading="lazy"
          className="aspect-[4/3] w-full object-cover"
        />
      )}
      <figcaption className="leading-tight">
        <span className="font-semibold">{placeWords(place)}</span>: {photo.caption}{' '}
        <Link className="hit inline-flex items-center underline" href={`/jobs/${jobId}/walk?part=photos`}>
          {builtOnWords(each)}
        </Link>
        {doubt && <span className="block text-sm font-semibold text-oxide">{doubt}</span>}
      </figcaption>
    </figure>
  );
}
