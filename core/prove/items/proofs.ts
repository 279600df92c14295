import { placeKey } from '../moved';
import { STEERS_OR_STOPS } from '../records';
import type { ItemSource, OpenItem } from './item';

/** A temporary repair that stays goes out only after the load test that releases it. */
export const temporaries: ItemSource = ({ temporaries: all }) =>
  all.map(({ id, name }) => ({
    key: `temporary ${id}`,
    code: 'temporary not released',
    name,
    may: 'nobody',
  }));

export const failedTries: ItemSource = ({ failed }) =>
  failed.map((proof) => ({
    key: `proof ${proof.of} ${proof.place.toLowerCase()}`,
    code: 'proof failed',
    name: proof.place,
    may: STEERS_OR_STOPS.includes(proof.of) ? 'nobody' : 'two names',
    parts: [proof.id],
    about: proof,
  }));

/** Out of true as measured last, moved by the repair, or never measured again. */
export const geometry: ItemSource = ({ changes, out, notMeasuredAgain }) => [
  ...out.map(({ name, check }): OpenItem => ({
    key: `out ${check.says} ${name}`,
    code: 'out of true',
    name,
    may: 'two names',
    parts: [`${check.says} ${check.measured.id}`],
    about: check,
  })),
  ...changes
    .filter(({ says }) => says === 'moved')
    .map((change): OpenItem => ({
      key: `moved ${change.key} ${placeKey(change)}`,
      code: 'moved',
      name: change.name,
      may: 'two names',
      parts: [`${change.name} ${change.after.id}`],
      ...(change.memberId !== undefined && { memberId: change.memberId }),
      about: change,
    })),
  ...notMeasuredAgain.map((name): OpenItem => ({
    key: `again ${name}`,
    code: 'not measured again',
    name,
    may: 'two names',
  })),
];

/** What an owner complained of is closed where its measure is better and its cause was found; otherwise it is told and signed for. */
export const complaints: ItemSource = ({ complaints: all }) =>
  all
    .filter(({ isCauseFound, pairs }) => !isCauseFound || !isBetter(pairs.map(({ says }) => says)))
    .map(({ id, name, pairs }) => ({
      key: `complaint ${id}`,
      code: 'complaint open',
      name,
      may: 'the owner',
      ...(pairs[0] && { about: pairs.find(({ says }) => says !== 'gives less') ?? pairs[0] }),
    }));
/** One place that gives no less, or of which nothing can be said, leaves it open. */
const isBetter = (says: readonly string[]): boolean =>
  says.length > 0 && says.every((each) => each === 'gives less');

/** A repair whose cause is there yet comes back. */
export const causes: ItemSource = ({ causes: all }) =>
  all.map(({ memberId, name, cause }) => ({
    key: `cause ${memberId}`,
    code: 'cause stays',
    name: cause === undefined ? name : `${name}: ${cause}`,
    may: 'the owner',
    memberId,
  }));

/** Bad metal and brackets for which nothing is planned. */
export const undecided: ItemSource = ({ unplanned }) =>
  unplanned.map((each) => ({
    // A word on what was to be mended is none on what is to be renewed.
    key: `undecided ${each.is} ${each.id} ${each.asks}`,
    code: 'nothing decided',
    name: each.name,
    may: 'the owner',
    ...(each.is === 'member' && { memberId: each.id }),
  }));

/** Members nobody can judge yet, together: signing off says nothing of them, and that is signed. Another one ends it. */
export const unjudged: ItemSource = ({ unjudged: all }) =>
  all.length === 0
    ? []
    : [
        {
          key: 'unjudged',
          parts: all.map(({ id }) => `unjudged ${id}`),
          code: 'not judged',
          name: all.map(({ name }) => name).join(', '),
          may: 'two names',
        },
      ];

export const snags: ItemSource = ({ snags: all }) =>
  all.map((snag) => ({
    key: `snag ${snag.id}`,
    code: 'snag open',
    name: snag.what,
    may: 'the owner',
    about: snag,
  }));

export const looks: ItemSource = ({ wasWorked, hasLookBooked }) =>
  wasWorked && !hasLookBooked ? [{ key: 'look', code: 'no look booked', name: '', may: 'two names' }] : [];
