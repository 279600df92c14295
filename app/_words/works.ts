import { percent, printForce, printLength, printMass, printTorque, type UnitSystem } from '@/core/quantity';
import { memberOf, type Frame } from '@/core/frame';
import { brokenIn, brokenOfTube, plannedTube, UNDER_WORK_CODES, type PlannedWork } from '@/core/job';
import type { Measure, Renewal, WorkFigure, WorkFinding, WorkId, WorkPart, WorkWhyNot } from '@/core/shape';
import { workSeamWords } from './seams';
import { TUBE_WHY_WORDS, tubeWords } from './shape';

/** Each work, as it is told to somebody who makes it. */
export const WORK_WORDS: Readonly<Record<WorkId, string>> = {
  gusset: 'Gusset to the rail',
  'cross-brace': 'Cross-brace between two hangers',
  'hole doubler': 'Doubler round a hole, drilled again',
  'bracket renewed': 'Bracket, hanger or bucket renewed',
  'bracket trimmed': 'Bracket trimmed, plated beneath or tied back',
  'captive mount': 'Captive mount rebuilt',
  'through plates': 'Nut plate, or bolt through plates above and below',
  'dish plate': 'Dished plate bolted under a tower',
  'sheet patch': 'Sheet patch let in',
  'formed tab': 'Piece formed in place',
  'access opening': 'Access opening and its closing piece',
  straightening: 'Pressed back into line',
  splice: 'A length let in',
  'upright sleeved': 'Sleeved, with a gusset and a second member',
  'leg structure': 'Landing-leg structure made good',
  'stud blocked': 'Wall stud blocked, bonded and screwed',
};

export const WORK_WHY_WORDS: Readonly<Record<WorkWhyNot, string>> = {
  'not at such a place': 'does not go at such a place',
  'the steel is not welded': 'its steel is not welded, or nobody knows what it is',
  'the section does not take it': 'this section does not take it',
  'not of this metal': 'not made of this metal',
};

/** Measures by their keys; where two works mean different things by one, by the work before it. */
const MEASURE_WORDS: Readonly<Record<string, string>> = {
  alongMm: 'leg along the rail',
  downMm: 'leg down the bracket',
  thicknessMm: 'plate',
  fromEdgeMm: 'weld kept from the flange’s edge',
  snipeMm: 'corner cut back',
  loadKg: 'stands on it, 0 if not known',
  dropMm: 'hanger, flange to eye',
  apartMm: 'hangers apart',
  hangerDeepMm: 'hanger’s plates, deep across the frame',
  hangerThickMm: 'hanger’s plates, thick',
  tubeMm: 'square tube',
  tubeWallMm: 'tube’s wall',
  tie: 'tied how',
  holeMm: 'hole as made',
  wornMm: 'hole now, widest',
  acrossMm: 'doubler across',
  edgeMm: 'hole’s middle to the nearest edge or bend',
  fasteners: 'how many bolts or rivets',
  oldGaugeMm: 'old holes, between rows',
  oldPitchMm: 'old holes, along a row',
  newGaugeMm: 'new bracket, between rows',
  newPitchMm: 'new bracket, along a row',
  boltMm: 'bolt',
  marks: 'head marks',
  besideMm: 'load beside the holes’ middle',
  seamMm: 'seam that can be reached',
  pushes: 'the load pushes',
  how: 'how',
  trimMm: 'edge cut back by',
  leftToHoleMm: 'left from hole to edge',
  plateLongMm: 'plate, along',
  plateHighMm: 'plate, high',
  tieLongMm: 'tie, long',
  tieRiseMm: 'tie, rises',
  threadMm: 'thread, taken down',
  freeBoltMm: 'free bolt length, taken down',
  seatMm: 'seat across, taken down',
  heightMm: 'seat’s height from the datum, taken down',
  discMm: 'new disc across',
  discThickMm: 'new disc, thick',
  boxWideMm: 'box wide',
  boxHighMm: 'box high',
  boxWallMm: 'box wall',
  reachedSeams: 'seams that can be reached, of 4',
  plateMm: 'plates, square',
  sheetMm: 'new sheet',
  gapMm: 'gap between the sheets',
  soundPastMm: 'sound sheet past the plate',
  rustedMm: 'rusted across, in the middle',
  rimMm: 'rim across',
  dishMm: 'dish across',
  riseMm: 'dish rises',
  stemMm: 'stem, long',
  gripMm: 'grip of what it holds already',
  nutMm: 'nut, high',
  collarMm: 'collar across',
  collarHoleMm: 'hole for the collar',
  bolts: 'bolts round the rim',
  openLongMm: 'opening, long',
  openWideMm: 'opening, wide',
  madeMm: 'sheet as made',
  aroundMm: 'sheet round it, read',
  join: 'joined how',
  lapMm: 'lap',
  pitchMm: 'plugs apart',
  cornerMm: 'corner radius',
  turned: 'edges turned up',
  flangeMm: 'turned-up flange, outside',
  stitchMm: 'stitch, long',
  longMm: 'long',
  standsMm: 'flat part, to the outside of the bend',
  tabMm: 'tab left long, outside',
  radiusMm: 'bend, inside radius',
  tackMm: 'tacks apart',
  atMm: 'middle at station',
  highMm: 'opening, high',
  bowMm: 'bow, measured',
  overMm: 'over a length of',
  way: 'bent',
  spanMm: 'press, between its supports',
  heat: 'cold or hot',
  hottestC: 'hottest',
  leftMm: 'left out after, measured',
  fromMm: 'first cut at station',
  toMm: 'second cut at station',
  fishMm: 'fish plates, thick',
  cut: 'cuts',
  newWallMm: 'new length’s wall',
  pastMm: 'past it, each way',
  twinApartMm: 'away from the twin’s joint',
  crackMm: 'crack, long',
  outDeepMm: 'sleeve outside, deep',
  outWideMm: 'sleeve outside, wide',
  wallMm: 'sleeve’s wall',
  ends: 'ends',
  second: 'second member',
  foot: 'foot',
  face: 'its middle',
  legLongMm: 'leg, long',
  outOfPlumbMm: 'out of plumb over its length',
  unlikeMm: 'one leg longer by',
  shaft: 'cross shaft',
  fitted: 'second plate fitted',
  insideDeepMm: 'tube inside, deep',
  insideWideMm: 'tube inside, wide',
  blockDeepMm: 'block, deep',
  blockWideMm: 'block, wide',
  screwsMm: 'screws apart',
  gussetMm: 'gussets, thick',
  gussets: 'gussets',
  skin: 'skin',
};
export const isMeasureWorded = ({ key }: Pick<Measure, 'key'>): boolean => key in MEASURE_WORDS;
export const measureWords = ({ key }: Pick<Measure, 'key'>): string => MEASURE_WORDS[key] ?? key;

/** What is wrong, by its code, and what would change it. */
const CHANGES: Readonly<Record<string, string>> = {
  'a seam all round is asked': 'a seam all round, by this job’s legal profile',
  'a sleeve in the gap': 'a tube round the bolt between the sheets, or they are pulled together',
  'bad metal under it': 'a plate over it first, or another place: nothing holds on what is gone or too thin',
  'bend too tight': 'a radius of its thickness at least: it cracks',
  'bent too far to press cold': 'renew it; or heat, where its steel may be heated',
  'bolt loose in its hole': 'the next size, or a body-fit bolt',
  'bolt over its hole': 'the bolt its hole was made for',
  'bolts too weak': 'more bolts, or bigger ones, or of the next grade',
  'bond too short': 'a longer block each way',
  'bracket on its middle': 'move the bracket to the corner, or through to both faces',
  'cause still there': 'plate beneath it or tie it back: a trimmed edge alone saws on',
  'collar does not fit': 'a larger hole, without touching the rim',
  'corner not cut back': 'cut it back so that the other weld runs through',
  'corners not round': 'a rounder corner: cracks start at sharp ones',
  'cracked under it': 'the crack mended first: it goes on under what is put over it',
  'disc smaller than its seat': 'a disc as wide as the bushing’s seat at least',
  'dish over the rim': 'a smaller dish',
  'dish too flat': 'a deeper dish, or thicker',
  'does not go in': 'a thinner block',
  'does not go over': 'the next tube up, or two halves bent to it',
  'does not reach the rim': 'a wider dish; or renew the tower, if the rim is gone',
  'end weld too weak': 'a thicker sleeve, or slanted ends',
  'ends before it starts': 'the second cut behind the first',
  'fitted without its legs': 'bolt the legs on first, then weld',
  'hole too near the edge': 'a new place for the hole, or a new bracket',
  'holes do not meet': 'another bracket: compare before it is bought',
  'lap too narrow': 'a wider lap',
  'legs not alike': 'equal them before the second plate is welded',
  'level with the twin’s joint': 'move one of the joints along',
  'load away from its seat': 'turn the design round, or bolts through: a seam is not peeled',
  'more than this shop splices': 'renew the rail, or another school with its reason',
  'much thicker than made': 'sheet as it was made: the stiff patch cracks the sheet beside it',
  'near a bracket': 'another place: within 12 in of it everything is stressed most',
  'near another weld': 'another place: welds’ heat is kept apart',
  'no gusset at its foot': 'a new gusset at its foot',
  'no gussets': 'gussets top and bottom',
  'no heat on this steel': 'press it cold, or renew it: heat undoes what its maker did',
  'no room round the hole': 'a wider doubler: three holes across',
  'no seam reached': 'open it up until a seam can be reached; else bolts',
  'no second member': 'a second member beside it',
  'no sound sheet round it': 'cut back to sound sheet, or wider plates',
  'no such bolt': 'a coarse bolt: of inches, grade 5 or 8, or of millimetres, class 8.8 or 10.9',
  'no such tube': 'a wall under half of it',
  'not bent': 'nothing: it is in line',
  'not plumb': 'plumb it before it is welded',
  'not worn': 'nothing: the hole is as made',
  'off the flat': 'smaller, or nearer the middle of the face',
  'off the member': 'a place on the member',
  'opening costs too much': 'a lower opening',
  'opening too high': 'a third of the face at most',
  'plate buckles': 'thicker plate, or a smaller one',
  'plate no longer than the bracket': 'an inch past it at each end',
  'plate no wider than its washer': 'four bolts across at least',
  'plated first': 'nothing: the plate that is planned there goes on before it',
  'plates too short past the joint': 'a depth past the joint each way',
  'plugs too far apart': 'as close as the maker’s spots',
  'press too short': 'supports two depths apart at least',
  'pulls through': 'wider or thicker plates, or another fixing',
  'screws too far apart': 'closer',
  'seams left open': 'weld every seam that can be reached; check that the load pushes into the seat',
  'shaft not in': 'the shaft goes in before the second plate closes',
  'sheet round it too thin': 'cut back further: it does not hold a weld',
  'skin still on': 'skin off first',
  'square cut': 'at 45°, or stepped: never square across',
  'square ends': 'slanted ends: no weld straight across',
  'stem too short': 'a thinner dish, or a longer stem',
  'stiffer than its wall': 'thinner: the crack moves to its toe',
  'still out': 'press again',
  'stitches too long': 'shorter ones, here and there: sheet warps',
  'tab too short': 'a longer tab: there is nothing to hammer on',
  'tacks too far apart': 'closer tacks: it lifts between them',
  'thinner than beneath': 'the next thickness on the shelf',
  'thinner than made': 'as thick as it was made at least',
  'thinner than usual': '1/8 in is common',
  'tie buckles': 'a bigger tube, or a diagonal',
  'tie hardly helps': 'a stiffer tube, or a diagonal',
  'tie too steep': 'a longer tie, flatter',
  'too hot': 'no hotter than a dull red, by a crayon',
  'too loose': 'the next size, or a block or sleeve made to measure',
  'too short past the crack': 'longer each way',
  'too thick by hand': 'a brake, or heat along the bend where the steel allows it',
  'weaker than made': 'a thicker or bigger sleeve',
  'weld over an edge': 'half an inch back from the edge: a weld over it starts a crack',
  'weld too weak': 'more seam, or thicker metal under it',
  'not taken down: threadMm': 'measure it before anything is cut',
  'not taken down: freeBoltMm': 'measure it before anything is cut: the movement is meant',
  'not taken down: seatMm': 'measure it before anything is cut',
  'not taken down: heightMm': 'measure it before anything is cut',
};

const TITLES: Readonly<Record<string, string>> = {
  'not taken down: threadMm': 'Its thread is not taken down',
  'not taken down: freeBoltMm': 'Its free bolt length is not taken down',
  'not taken down: seatMm': 'Its seat is not measured',
  'not taken down: heightMm': 'Its height from the datum is not measured',
};
const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

const printed = (value: number, quantity: WorkFigure['quantity'], system: UnitSystem): string => {
  switch (quantity) {
    case 'length':
      return printLength(value, system, 'length');
    case 'thickness':
      return printLength(value, system, 'thickness');
    case 'force':
      return printForce(value, system);
    case 'mass':
      return printMass(value, system);
    case 'torque':
      return printTorque(value, system);
    case 'fraction':
      return percent(value);
    case 'count':
      return value >= 10 || Number.isInteger(value) ? value.toFixed(0) : value.toFixed(1);
  }
};

/** What the metal found under a work says of it: where, and no limit. */
const UNDER_IT: ReadonlySet<string> = new Set<string>(UNDER_WORK_CODES);

/** One sentence for a finding, with its figures where it has some. */
export function workFindingWords(finding: WorkFinding, system: UnitSystem) {
  const { code, value, limit, quantity, along } = finding;
  const has = (figure: number | undefined): figure is number =>
    figure !== undefined && Number.isFinite(figure);
  const counted = code === 'too hot' ? ' °C' : '';
  return {
    title: TITLES[code] ?? capital(code),
    detail:
      has(value) && has(limit)
        ? `${printed(value, quantity, system)}${counted} where ${printed(limit, quantity, system)}${counted} is the limit`
        : has(value) && UNDER_IT.has(code)
          ? `${along ?? 'the member'}, from ${printed(value, quantity, system)}, by what was found there`
          : '',
    change: CHANGES[code] ?? '',
  };
}
/** Codes that somebody is told how to change. */
export const isWorded = (code: string): boolean => code in CHANGES;

export const figureWords = ({ id, value, quantity, limit }: WorkFigure, system: UnitSystem): string =>
  `${capital(id)}: ${printed(value, quantity, system)}${limit === undefined ? '' : `, against ${printed(limit, quantity, system)}`}`;

export const partWords = (
  { name, lengthMm, widthMm, thicknessMm, count }: WorkPart,
  system: UnitSystem,
): string =>
  `${count > 1 ? `${count} × ` : ''}${name} ${printLength(lengthMm, system, 'length')} by ${printLength(widthMm, system, 'length')} of ${printLength(thicknessMm, system, 'thickness')}`;

/** A crossmember to be made anew in one line, for a paper. */
export function renewalLine(
  { frame, renewal }: { readonly frame: Frame; readonly renewal: Renewal },
  underIt: readonly WorkFinding[],
  system: UnitSystem,
): string {
  const { memberId, tube } = renewal;
  const broken = brokenOfTube({ frame }, renewal, underIt);
  const whyNot = plannedTube({ frame }, renewal)?.whyNot ?? [];
  return [
    `Renew ${memberOf(frame, memberId)?.name ?? memberId}: ${tubeWords(tube, system)}`,
    ...whyNot.map((why) => TUBE_WHY_WORDS[why]),
    ...underIt.map((finding) => underWords(finding, system)),
    ...(broken > 0 ? [`NOT LIKE THIS, rules broken: ${broken}`] : []),
  ].join('; ');
}

/** What the metal beneath says, in one line. */
export function underWords(finding: WorkFinding, system: UnitSystem): string {
  const { title, detail } = workFindingWords(finding, system);
  return `${title}, ${detail}`;
}

/** What no rule of a work looked at. */
const UNCHECKED_OF_WORKS: Readonly<Record<string, string>> = {
  load: 'what it carries: no load was given',
  'metal under it': 'the metal it lands on: read it first',
  travel: 'whether springs and axle stay clear of it',
  'the other side': 'whether somebody gets to the other side',
  'the rim': 'the rim’s own metal',
  'what is behind it': 'what lies behind it',
  'what the sheet is': 'of what steel the sheet is: nobody recorded it',
  'worn metal: counted as made': 'worn metal: counted as made',
  'cracks from the bend': 'cracks that the bend left',
  'what hangs between the cuts': 'what hangs between the cuts',
  demand: 'what it has to carry there',
  adhesive: 'the adhesive, its maker’s own figures',
  'what tore it': 'what tore it',
};
export const uncheckedOfWork = (codes: readonly string[]): string =>
  codes.map((code) => UNCHECKED_OF_WORKS[code] ?? code).join('; ');
export const isUncheckedWorded = (code: string): boolean => code in UNCHECKED_OF_WORKS;

/** A work in one line, for a paper. */
export function workLine(planned: PlannedWork, system: UnitSystem, underIt: readonly WorkFinding[]): string {
  const { work, place, judged, isDone } = planned;
  const broken = brokenIn(planned, underIt).length;
  const parts = judged.parts.map((part) => partWords(part, system));
  return [
    `${WORK_WORDS[work.form]}: ${place.name}`,
    ...parts,
    ...judged.seams.map((seam) => workSeamWords(seam, system)),
    ...underIt.map((finding) => underWords(finding, system)),
    ...(broken > 0 ? [`NOT LIKE THIS, rules broken: ${broken}`] : []),
    ...(isDone ? ['done'] : []),
  ].join('; ');
}
