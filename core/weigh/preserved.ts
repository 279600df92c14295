import { CELL_IS } from '../metal';
import type { Finding, FindingCode } from './finding';
import { severity } from './finding';
import type { DemandPair } from './demand-findings';
import type { MemberPicture } from './picture';

/** Reasons of thin metal: a shop that preserves leaves it in use while it carries. Cracks, holes and parted metal are none of them. */
const THIN: ReadonlySet<FindingCode> = new Set<FindingCode>([
  'area-kept',
  'inertia-kept',
  'modulus-kept',
  'torsion-kept',
  'margin-short',
  'margin-enough',
  'thin-read',
]);

/**
 * The preservation school (common practice, no source): thin metal that carries what the frame asks of it, at its lower bound, without a hole in
 * it, is coated and watched. Nothing is milder where the demand is not known, or is over.
 */
export function preserved(
  picture: MemberPicture,
  findings: readonly Finding[],
  demand: DemandPair | undefined,
): Finding[] {
  if (picture.ways.approach !== 'preservation' || !carries(demand) || hasHole(picture)) return [...findings];
  const isThin = ({ code, verdict }: Finding) => THIN.has(code) && severity(verdict) >= severity('Mend');
  if (!findings.some(isThin)) return [...findings];
  return [
    ...findings.map((finding) => (isThin(finding) ? { ...finding, verdict: 'Watch' as const } : finding)),
    {
      code: 'preserved',
      verdict: 'Watch',
      quantity: 'fraction',
      value: demand!.found.worst!.utilisation,
      limit: 1,
      source: 'practice',
      firmness: 'could flip with one more reading',
    },
  ];
}

/** As found, and with all that is doubtful, hidden and unseen taken away where that was worked out. */
const carries = (demand: DemandPair | undefined): boolean =>
  demand?.found.worst !== undefined &&
  demand.found.worst.utilisation <= 1 &&
  (demand.least?.worst === undefined || demand.least.worst.utilisation <= 1);

/** Less than this share of the wall as made is a hole, however it was read. */
const HOLE = 0.02;
const OPEN = new Set([CELL_IS.indexOf('gone'), CELL_IS.indexOf('parted')]);

const hasHole = ({ account, built, found }: MemberPicture): boolean =>
  account.is.some((is) => OPEN.has(is)) ||
  (found?.thicknessMm.some((mm) => mm <= HOLE * built.thicknessMm) ?? false);
