/** Cautions stand where the act is. Each ends by deferring to the people and papers that decide. */
export const DEFERENCE =
  'Your local code, the maker’s instructions and licensed practice decide; this sheet does not replace them.';

export const CAUTIONS = {
  shape: `Cutting a frame changes what holds it up: support both sides of the cut first, and cut one side at a time. ${DEFERENCE}`,
  arc: `Zinc, paint, oil and wax give off what poisons and burns; look behind the metal and into the cavity first. Eyes and skin covered, dry gloves, a way out, somebody watches while it is hot and after. ${DEFERENCE}`,
  join: `Before any arc: fuel tank out and out of the building, lines capped, battery off, brake and air lines and harness moved, extinguisher and fire watch, zinc and coating fumes vented. ${DEFERENCE}`,
  order: `An order is no supervision: whoever stands beneath looks first, nobody works alone under a frame that is cut, hot work waits for its permit. ${DEFERENCE}`,
  prove: `Only what is recorded was proved, as far as it says. A repaired frame is looked at again after its first miles under load. ${DEFERENCE}`,
  permit: `Burning and cutting start more fires after they stop than while they go on: the watch is part of the work. Zinc, paint and wax fume is poison. ${DEFERENCE}`,
  crack: `A cracked frame member is not used until repaired. ${DEFERENCE}`,
  foretold: `A range, not a promise: it holds for this load, this road and no new damage; water in the crack, an overload or a pot-hole ends it. ${DEFERENCE}`,
  temporary: `A temporary repair takes a unit to where it is opened up and no farther; look at it after the first mile. ${DEFERENCE}`,
  move: `This is what the records say, not leave to drive: what was not seen is not fine. ${DEFERENCE}`,
  lift: `No lift point is used before it, and what it loads, has been seen and tapped; lifting bends the whole rail. ${DEFERENCE}`,
  tap: `A tap is a hint: brackets, plates and changes of shape change the note. It measures no thickness. ${DEFERENCE}`,
  buying: `What was not seen is not fine, and this is no roadworthiness test. ${DEFERENCE}`,
  geometry: `A frame sags and twists under its load and on what holds it up: measure it empty, on its wheels, on level ground, tyres alike. ${DEFERENCE}`,
  weigh: `A verdict is no better than the readings under it; hatched metal was not seen. ${DEFERENCE}`,
} as const;
