import { hostsOf } from '@/core/frame';
import { recorded, stands, type JobFile } from '@/core/job';
import { crackLookSchema, looksAt, type CrackLook, type LoadTest } from '@/core/trace';
import type { Find } from '@/core/walk';
import { newId } from '../../../../_client';

/**
 * What a test says of things on record, kept with them: a crack's gap with load off and on as a look at it, a host's widest gap as what was found of it.
 * So whatever judges hears of it.
 */
export function heardBy(file: JobFile, test: LoadTest): (CrackLook | Find)[] {
  return test.places.flatMap((place): (CrackLook | Find)[] => {
    const read = test.readings.filter(({ placeId }) => placeId === place.id);
    if (read.length < 2) return [];
    const [least, most] = [...read]
      .sort((a, b) => a.mm - b.mm)
      .flatMap((each, k, all) => (k === 0 || k === all.length - 1 ? [each] : [])) as [
      (typeof read)[number],
      (typeof read)[number],
    ];
    const { by, at } = test;
    const crack = place.crackId && recorded(file, 'crack').find(({ id }) => id === place.crackId);
    if (crack) {
      const last = looksAt(stands(file, 'crack look'), crack.id).at(-1);
      const look = crackLookSchema.safeParse({
        kind: 'crack look',
        id: newId(),
        crackId: crack.id,
        memberId: crack.memberId,
        startMm: last?.startMm ?? 0,
        finishMm: last?.finishMm ?? 0,
        startFound: last?.startFound ?? crack.startFound,
        finishFound: last?.finishFound ?? crack.finishFound,
        seenBy: 'eye',
        gapOnly: true,
        gapUnloadedMm: Math.max(0, least.mm),
        gapLoadedMm: Math.max(0, most.mm),
        loadedBy: most.state,
        by,
        at,
        note: 'from a load test',
      });
      return look.success ? [look.data] : [];
    }
    const host =
      place.host &&
      hostsOf(file.frame).find((each) => each.on === place.host!.on && each.id === place.host!.id);
    if (!host || host.on === 'pocket' || host.on === 'fitting' || !(most.mm > 0)) return [];
    return [
      {
        kind: 'find',
        id: newId(),
        on: host.on,
        hostId: host.id,
        title: host.name,
        part: host.on === 'panel' ? 'sheet' : 'bond',
        state: { is: 'gap', openMm: most.mm },
        memberIds: [...new Set(host.spans.map(({ memberId }) => memberId))],
        note: `${most.state}, by a load test`,
        by,
        at,
      },
    ];
  });
}
