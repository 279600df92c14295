/**
 * Hours of what the shop's norms have no line for: measuring, looking, coats, tests. All common practice, no source. What the norms do price is
 * shared out among its steps by these shares, so that a plan's hours come to what the price counted.
 */
type Range = readonly [number, number];
export const SMALL: Readonly<Record<string, Range>> = {
  measure: [0.2, 0.7],
  photos: [0.1, 0.3],
  battery: [0.1, 0.2],
  load: [0.5, 2],
  stands: [0.3, 1],
  lookInside: [0.1, 0.4],
  look: [0.2, 0.5],
  plumb: [0.2, 0.6],
  transit: [0.5, 2],
  drive: [0.3, 1],
  torque: [0.2, 0.6],
};

/** One strip-down is shared between taking off, putting back and trying what went back. */
export const STRIP_SHARES = { off: 0.5, back: 0.38, test: 0.12 } as const;
/** One stretch made ready: opened, cut back to good metal, made bright. */
export const READY_SHARES = { opening: 0.3, final: 0.35, bright: 0.35 } as const;
/** One plate: made at the bench, fitted to the rail. */
export const PLATE_SHARES = { make: 0.6, fit: 0.4 } as const;
/** One plate that is bolted on. */
export const BOLTED_SHARES = { make: 0.35, drill: 0.4, boltUp: 0.25 } as const;
/** A metre of weld: tacked first. */
export const WELD_SHARES = { tack: 0.15, weld: 0.85 } as const;
/** A crack: its ends found, drilled and ground out; welded. */
export const CRACK_SHARES = { ends: 0.5, weld: 0.5 } as const;
/** A thing renewed: the old one out, the new one made, fitted, tacked, welded. */
export const RENEWAL_SHARES = { out: 0.35, make: 0.2, fit: 0.15, tack: 0.05, weld: 0.25 } as const;
export const COAT_SHARES = { inside: 0.4, outside: 0.6 } as const;

export const share = ([least, most]: Range, part: number): Range => [least * part, most * part];

/** Steel of a frame's walls is cool enough to touch after so long, h (ours: the hand decides). */
export const COOL_H = 1;
/** Chassis paint and wax are handled after so long at 20 °C, h (common practice, no source: the maker's sheet decides). */
export const CURE_H = 24;
