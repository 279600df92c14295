import { memberOf, type CaseId, type Frame } from '@/core/frame';
import type { Advice, AskedCase, AxleMargin } from '@/core/job';
import { printLength, printMass, printTorque, type UnitSystem } from '@/core/quantity';
import { printStation } from './station';

function axleWords({ name, loadKg, marginKg }: AxleMargin, system: UnitSystem): string {
  const stands = `${name}: ${printMass(loadKg, system)} stands on it`;
  if (marginKg === undefined) return `${stands}; nobody said what it is rated for: look at its plate.`;
  return marginKg < 0
    ? `${stands}: OVER ITS RATING by ${printMass(-marginKg, system)}.`
    : `${stands}, ${printMass(marginKg, system)} are left to its rating.`;
}

/** How whoever drives it spares it what a case does. */
const SPARED_BY: Readonly<Record<CaseId, string>> = {
  standing: 'carry less',
  bump: 'slow down for what shakes it: the faster over a bump, the harder',
  brake: 'brake early',
  corner: 'slow down before the bend',
  'one wheel in a ditch': 'take pot-holes and kerbs slowly, never one wheel alone',
  'tandem scrub': 'turn wide: no jack-knife turns, none on the spot',
  hitched: 'load it so that less stands on the coupler',
  'on legs': 'empty it before it stands on its legs',
  'on a lift': 'empty it before it is lifted',
  'on a jack': 'empty it before it is jacked',
  'on stands': 'empty it before it stands on stands',
  'steering push': 'do not turn the wheels against a kerb, standing',
  'recovery pull': 'stuck, it is dug out or winched by its axles, not by the frame',
};
/** Cases that leave more than this many times are not told one by one (ours). */
const NEAR = 2;
const MOST_CASES = 5;

/** The hardest first, each with what spares it; of the rest how much they leave. */
function caseLines(frame: Frame, { cases, bumpG }: Advice, system: UnitSystem): string[] {
  const told = cases.filter(({ reserve }, k) => k === 0 || reserve < NEAR).slice(0, MOST_CASES);
  const [next] = cases.slice(told.length);
  const rest = next ? [`The other cases leave it ${next.reserve.toFixed(1)} times and more.`] : [];
  return [...told.map((asked) => caseWords(frame, asked, { bumpG, system })), ...rest];
}

function caseWords(
  frame: Frame,
  { memberId, stationMm, caseId, reserve }: AskedCase,
  { bumpG, system }: { readonly bumpG: number; readonly system: UnitSystem },
): string {
  const member = memberOf(frame, memberId);
  const where = member ? `${member.name}, ${printStation(member, stationMm, system)}` : memberId;
  const at =
    caseId === 'bump'
      ? `at its limit at ${(bumpG * reserve).toFixed(1)} g where ${bumpG} g were reckoned`
      : reserve < 1
        ? `at its limit at ${reserve.toFixed(2)} of what was reckoned`
        : `at its limit at ${reserve.toFixed(1)} times what was reckoned`;
  return reserve < 1
    ? `ASKED MORE THAN IT MAY, ${caseId}: ${where}, ${at}: it does not go out like this.`
    : `${caseId[0]!.toUpperCase()}${caseId.slice(1)}: ${where}, ${at}; ${SPARED_BY[caseId]}.`;
}

/** Hangers that reach further down than this lever the rail enough to be braced, mm (ours; that tall hangers are braced is common practice, no source). */
export const TALL_MM = 150;
function leverLines({ levered }: Advice, system: UnitSystem): string[] {
  if (!levered) return [];
  const { name, dropMm, inCase, momentNm } = levered;
  const words = `${name} reaches ${printLength(dropMm, system, 'length')} below the middle of the rail: ${inCase === 'corner' ? 'in a bend' : 'turned tight'}, it levers the rail by ${printTorque(momentNm, system)}`;
  return [
    dropMm > TALL_MM ? `${words}. A brace across to its twin takes some of that off the rail.` : `${words}.`,
  ];
}

/** Names of closed-in members told one by one. */
const MOST_NAMES = 4;
function waterLines({ closedIn, blocked }: Advice): string[] {
  const named = closedIn.slice(0, MOST_NAMES).join(', ');
  const more = closedIn.length - MOST_NAMES;
  return [
    ...blocked.map((name) => `DRAIN BLOCKED as found last: ${name}. Clear it before anything is coated.`),
    closedIn.length > 0
      ? `Dirt and water stay in ${named}${more > 0 ? ` and ${more} more` : ''}: wash them out, keep their drains open.`
      : 'Wash it where salt and dirt lie: on flanges, behind brackets, between plates.',
    'No rubber over seams: it seals the water in.',
  ];
}

/** What keeps the frame whole, a line each; the loads are those on record. */
export function adviceLines(frame: Frame, advice: Advice, system: UnitSystem): string[] {
  const { state, axles, grossMarginKg } = advice;
  const gross =
    grossMarginKg === undefined
      ? ['Its gross weight is not on record.']
      : grossMarginKg < 0
        ? [`OVER ITS GROSS WEIGHT by ${printMass(-grossMarginKg, system)} with what is on record.`]
        : [`${printMass(grossMarginKg, system)} are left to its gross weight with what is on record.`];
  const as =
    state === 'as repaired'
      ? 'as specified, its welds whole'
      : 'as found: nothing is repaired, or not everything is decided';
  return [
    ...axles.map((axle) => axleWords(axle, system)),
    ...gross,
    ...caseLines(frame, advice, system),
    ...leverLines(advice, system),
    `By the loads on record, the frame ${as}. Another load is another answer.`,
    ...waterLines(advice),
  ];
}

/** Lines that warn. */
export const isWarning = (line: string): boolean => /OVER ITS|ASKED MORE|DRAIN BLOCKED/.test(line);
