import { database, shopHistory, shopLists, shopPractice } from '@/data';
import { When } from '@/ui/controls';
import { AroundHead } from '../_parts/around-head';
import { chosenSystem } from '../_parts/units';
import { ListsForm } from './_parts/lists-form';
import { ShopPracticeForm } from './_parts/shop-practice-form';

export const metadata = { title: 'Shop' };
export const dynamic = 'force-dynamic';

/** The shop: how it works, and what it has. Every change is a revision; jobs keep to the one they were judged by. */
export default async function Shop() {
  const system = await chosenSystem();
  const db = database();
  const [practice, lists, history] = [shopPractice(db), shopLists(db), shopHistory(db)];
  return (
    <main id="main" className="mx-auto max-w-[1240px] px-5 pb-16">
      <AroundHead title="Shop" system={system} />
      <p className="max-w-prose py-3">
        How this shop judges and works. A change here is a new revision: jobs opened after it are judged by
        it, jobs that are there keep to theirs and say that the shop has changed.
      </p>
      <ShopPracticeForm
        key={`practice ${practice.revision}`}
        revision={practice.revision}
        practice={practice.part}
        system={system}
      />
      {history.length > 0 && (
        <details className="mt-2">
          <summary className="flex min-h-11 cursor-pointer items-center font-semibold">
            Revisions so far: {history.length}
          </summary>
          <ul className="ruled">
            {history.map(({ revision, by, at }) => (
              <li key={revision}>
                Revision {revision}{' '}
                <span className="caption">
                  {by}, <When at={at} />
                </span>
              </li>
            ))}
          </ul>
        </details>
      )}
      <ListsForm
        key={`lists ${lists.revision}`}
        revision={lists.revision}
        lists={lists.part}
        system={system}
      />
    </main>
  );
}
