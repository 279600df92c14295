import { all, are, FIRST_CUTS, inTheZone, ON_THE_METAL, type OrderRule } from './rule';

/** Afterwards nobody can measure what it was. Marks of one member bind its own zone; the unit's measures bind every first cut. */
export const measuredFirst: OrderRule = {
  why: 'measured before the cut',
  pairs: ({ tasks, zones }) => {
    const cuts = tasks.filter(are(...FIRST_CUTS));
    const ofUnit = tasks.filter(are('wheelbase', 'diagonals', 'ride height', 'steering flex', 'laser marks'));
    const ofZone = zones.flatMap(({ id }) => {
      const here = inTheZone(tasks, id);
      return all(
        here.filter(are('part places', 'bolt lengths', 'photos before')),
        here.filter(are('take off', ...FIRST_CUTS)),
      );
    });
    // A ride height is read on the wheels, loaded as it came: before anything comes off.
    const asItCame = all(tasks.filter(are('ride height')), tasks.filter(are('take off load', 'set stands')));
    return [...all(ofUnit, cuts), ...ofZone, ...asItCame];
  },
};

/** What hangs or lies there comes off before anything is cleaned, opened or drilled. */
export const reachedFirst: OrderRule = {
  why: 'reached first',
  pairs: ({ tasks, zones }) =>
    zones.flatMap(({ id }) => {
      const here = inTheZone(tasks, id);
      return all(here.filter(are('take off', 'clear')), here.filter(are(...ON_THE_METAL)));
    }),
};

/** Loads come off before the stands take it: reactions were reckoned without them. */
export const lighterFirst: OrderRule = {
  why: 'lighter on its stands',
  pairs: ({ tasks }) => all(tasks.filter(are('take off load')), tasks.filter(are('set stands'))),
};

export const standsFirst: OrderRule = {
  why: 'stands before the cut',
  pairs: ({ tasks }) =>
    all(
      tasks.filter(are('set stands')),
      tasks.filter(are('opening cut', 'final cut', 'old out', 'pull into line', 'crack ends')),
    ),
};

export const batteryFirst: OrderRule = {
  why: 'battery off before the arc',
  pairs: ({ tasks }) => {
    const hot = tasks.filter(({ isHot }) => isHot);
    return [
      ...all(tasks.filter(are('battery off')), hot),
      ...all(hot, tasks.filter(are('battery on'))),
      ...all(tasks.filter(are('battery on')), tasks.filter(are('drive', 'flex again'))),
    ];
  },
};

/** A spark flies farther than any frame is long: fuel is out of the building before the first arc or disc anywhere on the unit. */
export const fuelFirst: OrderRule = {
  why: 'fuel out before the arc',
  pairs: ({ tasks }) => {
    const hot = tasks.filter(({ isHot }) => isHot);
    const fuel = tasks.filter(({ isFuel }) => isFuel);
    const back = tasks.filter(
      ({ what, of }) =>
        (what === 'put back' || what === 'put back load') && fuel.some((off) => off.of.id === of.id),
    );
    return [...all(fuel, hot), ...all(hot, back)];
  },
};
