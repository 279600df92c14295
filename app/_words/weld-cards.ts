/** The steps of a crack's repair, in the order they are done (common practice, no source). */
export const CRACK_STEPS = [
  'ends found',
  'arrest holes',
  'groove',
  'backing',
  'passes',
  'flush',
  'dye again',
  'plate over',
] as const;
export type CrackStep = (typeof CRACK_STEPS)[number];

export const CRACK_STEP_WORDS: Readonly<Record<CrackStep, string>> = {
  'ends found': 'Bright metal, dye: both ends found and marked, branches too',
  'arrest holes': 'A hole at each end, its middle on the end; deburred, dye again',
  groove: 'Ground right through to the shape above; what is left read again',
  backing: 'Backing clamped on, or the back ready to be gouged',
  passes: 'Filled pass by pass, each brushed and looked at; both sides where they are reached',
  flush: 'Ground flush, lengthwise, no nick',
  'dye again': 'Dye again: nothing bleeds. If it does, grind out and begin again',
  'plate over': 'A plate over it, past both ends and over every face it runs on',
};

/** How a rivet comes out (common practice, no source). */
export const RIVET_STEPS = ['named', 'held', 'drilled', 'punched', 'hole read'] as const;
export type RivetStep = (typeof RIVET_STEPS)[number];
export const RIVET_STEP_WORDS: Readonly<Record<RivetStep, string>> = {
  named: 'Everything it clamps is named, and what is freed by it is wanted free',
  held: 'What it holds up is held; its place is measured from the datum',
  drilled: 'Head centre-punched, drilled to its depth with a drill a little under the shank; or ground off',
  punched: 'Shank driven out straight; never torn, never burnt beside a rail',
  'hole read': 'Hole measured, its rim looked at with dye, metal round it read; a size up to clean metal',
};
