import { answer, guarded } from '../_door';
import { database, jobIds, refused, written } from '@/data';
import { fillDemo } from '@/demo/fill';
import { fillPictures } from '@/demo/pictures';

/** Fills an empty yard with the invented units, to practise on. A yard with a job in it is left alone. */
export const POST = (request: Request) =>
  guarded(request, async () => {
    const db = database();
    if (jobIds(db).length > 0)
      return answer(refused('conflict', 'there are jobs in this yard already', 'Nothing was added.'));
    const [problem] = [...fillDemo(db).flatMap((each) => each.problem ?? []), ...(await fillPictures(db))];
    return answer(problem ? { ok: false, problem } : written(null));
  });
