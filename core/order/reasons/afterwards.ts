import { all, are, inTheZone, LAST_LOOKS, ON_THE_METAL, type OrderRule } from './rule';

/** Nothing is coated, and nothing hides it, before every look of its zone. */
export const lookedFirst: OrderRule = {
  why: 'looked at before it is hidden',
  pairs: ({ tasks, zones }) =>
    zones.flatMap(({ id }) => {
      const here = inTheZone(tasks, id);
      const ofMetal = here.filter((task) => are(...LAST_LOOKS)(task) && task.of.is !== 'part');
      return [
        ...all(here.filter(are(...LAST_LOOKS, 'extra', 'refix')), here.filter(are('outside coat'))),
        ...all(ofMetal, here.filter(are('refix'))),
      ];
    }),
};

/** What is sprayed in while the wall is hot burns, and a weld after it burns it. */
export const coatWhenCool: OrderRule = {
  why: 'coat inside when cool',
  pairs: ({ tasks }) =>
    tasks.filter(are('inside coat')).flatMap((coat) =>
      all(
        tasks.filter(
          (task) =>
            are(...LAST_LOOKS, 'pull into line')(task) &&
            (task.memberId === coat.memberId || task.zoneId === coat.zoneId),
        ),
        [coat],
      ),
    ),
};

export const curedFirst: OrderRule = {
  why: 'cured before refit',
  pairs: ({ tasks, zones }) =>
    zones.flatMap(({ id }) => {
      const here = inTheZone(tasks, id);
      return all(here.filter(are('outside coat', 'inside coat')), here.filter(are('put back')));
    }),
};

/** It rests on its stands until the last seam is cool and looked at. */
export const standsStay: OrderRule = {
  why: 'stands until it is cool',
  // A load goes back on when the metal is whole, whatever it stood on.
  pairs: ({ tasks }) =>
    all(tasks.filter(are(...LAST_LOOKS)), tasks.filter(are('stands out', 'put back load'))),
};

/** What was refitted is tried before the unit goes out; what goes on top of a load goes on last. */
export const triedFirst: OrderRule = {
  why: 'stays open until it is tried',
  pairs: ({ tasks }) => [
    ...all(tasks.filter(are('stands out')), tasks.filter(are('put back load'))),
    ...all(
      tasks.filter(are('test', 'put back load', 'put back', 'battery on', 'stands out', 'own')),
      tasks.filter(are('drive')),
    ),
    ...all(tasks.filter(are('outside coat', 'inside coat')), tasks.filter(are('drive'))),
  ],
};

/** Between two stages the unit rolls: what it needs for the way goes back, and comes off again. */
export const transitBetween: OrderRule = {
  why: 'refit for the way',
  pairs: ({ tasks, zones, scene }) => {
    const { transitAfter } = scene;
    if (transitAfter === undefined) return [];
    const at = zones.findIndex(({ id }) => id === transitAfter);
    const [before, after] = [zones.slice(0, at + 1), zones.slice(at + 1)].map((some) =>
      some.flatMap(({ id }) => inTheZone(tasks, id)),
    ) as [(typeof tasks)[number][], (typeof tasks)[number][]];
    return [
      ...all(before.filter(are(...LAST_LOOKS)), tasks.filter(are('refit for transit'))),
      ...all(tasks.filter(are('refit for transit')), tasks.filter(are('move it'))),
      ...all(tasks.filter(are('move it')), tasks.filter(are('strip again'))),
      ...all(tasks.filter(are('strip again')), after.filter(are(...ON_THE_METAL))),
    ];
  },
};

/** What was found while it was open is done while it is open: before its zone is coated or covered. */
export const foundWhileOpen: OrderRule = {
  why: 'found while open',
  pairs: ({ tasks, zones }) =>
    zones.flatMap(({ id }) => {
      const here = inTheZone(tasks, id);
      return all(here.filter(are('look inside', 'take off', 'clear')), here.filter(are('extra')));
    }),
};

/** Proof is of the finished thing: nothing is measured for good before it stands on its own again. */
export const provedLast: OrderRule = {
  why: 'proved last',
  pairs: ({ tasks, scene }) => {
    const proofs = tasks.filter(are('measure again', 'flex again', 'photos after'));
    const own = (when: 'the first cut' | 'refit' | 'the drive') =>
      tasks.filter(
        ({ what, of }) =>
          what === 'own' && scene.own.some(({ id, before }) => id === of.id && before === when),
      );
    return [
      ...all(tasks.filter(are(...LAST_LOOKS, 'stands out')), proofs),
      ...all(tasks.filter(are('put back load')), tasks.filter(are('measure again'))),
      ...all(proofs, tasks.filter(are('drive'))),
      ...all(tasks.filter(are('drive')), tasks.filter(are('torque again'))),
      ...all(own('the first cut'), tasks.filter(are(...ON_THE_METAL))),
      ...all(own('refit'), tasks.filter(are('put back', 'stands out'))),
    ];
  },
};
