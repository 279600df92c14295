import { sectionProperties } from '../mechanics';
import { cellIs, isBad } from '../metal';
import { ONE_SIDED_95 } from '../quantity';
import { METHOD_ERROR_MM, sampledFields, soundThresholdMm, type Reading } from '../probe';
import { severity, type Finding, type FindingCode } from './finding';
import { figure, isJudged, lowerBound, type KeptKey, type SectionKept } from './kept';
import { nextReadings, type NextReading } from './next-reading';
import type { MemberPicture } from './picture';
import type { MemberVerdict } from './verdict';
import { laidSection, layoutOf, NO_CHANGE } from './wall-section';

/** How sure a decision is. `other`: the share of drawn fields in which it would be the other one. */
export interface Firmness {
  readonly is: Finding['firmness'];
  readonly other: number;
  readonly fields: number;
  /** The reading that would most change it, and critical spots that nobody saw. */
  readonly next?: NextReading;
  readonly unseen: readonly string[];
  /** Set where it rests on metal read thinner than sound by less than the tool may be off. */
  readonly isWithinError?: true;
}

const FIELDS = 500;
/** Up to one field in fifty the other way is firm; beyond one in three the decision is open (our judgement). */
const FIRM = 0.02;
const OPEN = 1 / 3;
/** Stations drawn: those where least is kept. */
const STATIONS = 6;

/** Reasons that rest on the map: drawn anew in each field. All others stand as they are. */
const DRAWN: ReadonlySet<FindingCode> = new Set<FindingCode>([
  'area-kept',
  'inertia-kept',
  'modulus-kept',
  'torsion-kept',
  'demand-over',
]);
/** What is asked of its own metal: less metal, more use. What it is asked for others, or was as made, no reading of it changes. */
const ASKED_OF_ITSELF: readonly FindingCode[] = ['demand-over', 'demand-near', 'demand-within'];
const OPEN_FIELDS: readonly KeptKey[] = ['area', 'inertia', 'modulusTop', 'modulusBottom'];

const acts = ({ verdict }: Pick<Finding, 'verdict'>): boolean => severity(verdict) >= severity('Mend');

/**
 * Whether the decision, to act on a member or not, stands in whole fields drawn from what its readings leave open, together with what may hide
 * behind critical spots that nobody saw. What a crack, a hole, a hammer or the steel decides is decided in every field.
 */
export function firmnessOf(
  picture: MemberPicture,
  readings: readonly Reading[],
  { verdict, findings }: MemberVerdict,
  { random, hiddenChance, fields = FIELDS }: FirmnessBasis,
): Firmness {
  const unseen = (picture.walk?.spots ?? []).filter(({ seen, spot }) => !seen && spot.critical);
  const names = unseen.map(({ spot }) => spot.title);
  const [next] = nextReadings(picture, 1);
  const beside = { fields, unseen: names, ...(next && { next }) };
  if (verdict === 'Can’t say') return { ...beside, is: 'open', other: 0.5, fields: 0 };
  const deciding = decidingOf(findings);
  if (deciding.length > 0) {
    const is = firmnessOfDeciding(picture, readings, deciding);
    const isNear = is === 'could flip with one more reading';
    return {
      ...beside,
      is,
      other: is === 'firm' ? 0 : 0.5,
      fields: 0,
      ...(isNear && { isWithinError: true }),
    };
  }
  const draw = decisionDrawn(picture, readings, findings);
  // Nothing was measured: what hand and eye leave in use, one reading may overturn.
  if (!draw) return { ...beside, is: 'could flip with one more reading', other: 0.5, fields: 0 };
  const isActed = acts({ verdict });
  let other = 0;
  for (let k = 0; k < fields; k++) {
    const hides = unseen.some(() => random() < hiddenChance);
    if ((hides || draw(random)) !== isActed) other++;
  }
  const share = other / fields;
  return {
    ...beside,
    is: share <= FIRM ? 'firm' : share > OPEN ? 'open' : 'could flip with one more reading',
    other: share,
  };
}

/** What asks for acting in every field that may be drawn. Where bad metal lies makes it no surer: that counts only where nothing else asks for it. */
function decidingOf(findings: readonly Finding[]): Finding[] {
  const acting = findings.filter(acts);
  const others = acting.filter(({ code }) => code !== 'critical-zone');
  return others.length === 0 ? acting : others.filter(({ code }) => !DRAWN.has(code));
}

/** Act by metal that was read thinner than sound, and no more. */
const BY_READING: ReadonlySet<FindingCode> = new Set<FindingCode>([
  'thin-read',
  'critical-zone',
  'margin-short',
  'margin-enough',
  'thin-landing',
  'top-flange-gone',
  'both-flanges-gone',
]);

/** What decides without a field being drawn: found by hand or eye, or read beyond what the tool may be off, it stands. */
function firmnessOfDeciding(
  picture: MemberPicture,
  readings: readonly Reading[],
  deciding: readonly Finding[],
): Firmness['is'] {
  if (deciding.some(({ code }) => !BY_READING.has(code))) return 'firm';
  // Read around, its section is judged, and may be kept.
  if (deciding.every(({ firmness }) => firmness === 'open')) return 'open';
  return isWithinError(picture, readings) ? 'could flip with one more reading' : 'firm';
}

/**
 * Whether all that speaks against it are readings thinner than sound by no more than the tools they were read with may be off. Metal that is bad by
 * hand is bad; where nothing was read thin, hand and finger decide.
 */
function isWithinError({ account, practice }: MemberPicture, readings: readonly Reading[]): boolean {
  const { surface, stationsMm, readMm } = account;
  const offMm = ONE_SIDED_95 * Math.max(0, ...readings.map(({ method }) => METHOD_ERROR_MM[method]));
  const shortMm = readMm.map((mm, cell) => {
    const row = Math.floor(cell / stationsMm.length);
    if (isBad(cellIs(account, row, cell % stationsMm.length))) return Infinity;
    return soundThresholdMm(surface.rowFace[row]!.wallMm, practice) - mm;
  });
  const mostMm = shortMm.reduce((most, mm) => Math.max(most, mm), -Infinity);
  return mostMm > 0 && mostMm <= offMm;
}

/** What is drawn with. `hiddenChance`: how often a critical spot nobody saw hides a patch's worth, by the shop's norms. */
export interface FirmnessBasis {
  readonly random: () => number;
  readonly hiddenChance: number;
  readonly fields?: number;
}

/** Draws one field and says whether it asks for acting: less kept than the shop leaves, or more asked than it carries. Undefined without a map. */
function decisionDrawn(
  picture: MemberPicture,
  readings: readonly Reading[],
  findings: readonly Finding[],
): ((random: () => number) => boolean) | undefined {
  const { map, surface, practice, builtProperties: built } = picture;
  if (!map) return undefined;
  const asked = findings.find(({ code }) => ASKED_OF_ITSELF.includes(code));
  const columns = columnsDrawn(picture, asked);
  const field = sampledFields(picture.member, readings, map, columns);
  if (!field) return undefined;
  const layout = layoutOf(surface, NO_CHANGE);
  const keys = surface.closed ? [...OPEN_FIELDS, 'torsion' as const] : OPEN_FIELDS;
  const rows = surface.uMm.length;
  const demand = asked && demandThere(picture, asked, columns);
  // A shop that preserves leaves thin metal in use while it carries: then only what is asked of it decides.
  const isPreserved = findings.some(({ code }) => code === 'preserved');
  return (random) => {
    const thicknessMm = field(random);
    return columns.some((_, k) => {
      const wall = Float64Array.from({ length: rows }, (__, row) => thicknessMm[row * columns.length + k]!);
      const found = sectionProperties(laidSection(layout, wall));
      if (!found) return true;
      const isThin = keys.some((key) => figure(key, found) / figure(key, built) < practice.leaveFraction);
      if (isThin && !isPreserved) return true;
      const weaker = Math.min(found.sTopMm3 / built.sTopMm3, found.sBottomMm3 / built.sBottomMm3);
      return demand?.column === k && (demand.utilisation * demand.weaker) / weaker > 1;
    });
  };
}

/** The stations where least is kept by the lower bound, those that can be judged, and where most is asked. */
function columnsDrawn({ map, sections }: MemberPicture, asked: Finding | undefined): number[] {
  const least = (section: SectionKept) =>
    Math.min(...OPEN_FIELDS.map((key) => lowerBound(section.kept[key] ?? { value: 1, plusMinus: 0 })));
  const columnOf = (stationMm: number) =>
    map!.stationsMm.reduce(
      (near, mm, k) => (Math.abs(mm - stationMm) < Math.abs(map!.stationsMm[near]! - stationMm) ? k : near),
      0,
    );
  const worst = sections
    .filter(isJudged)
    .sort((a, b) => least(a) - least(b))
    .slice(0, STATIONS)
    .map(({ stationMm }) => stationMm);
  return [...new Set([...worst, ...(asked?.at ? [asked.at.fromMm] : [])].map(columnOf))];
}

/** What is asked at the worst station, and what of the section was found there. */
function demandThere({ map, sections }: MemberPicture, { value, at }: Finding, columns: readonly number[]) {
  if (!at || value === undefined || sections.length === 0) return undefined;
  const near = sections.reduce((a, b) =>
    Math.abs(b.stationMm - at.fromMm) < Math.abs(a.stationMm - at.fromMm) ? b : a,
  );
  const { modulusTop, modulusBottom } = near.kept;
  const column = columns.findIndex((each) => map!.stationsMm[each] === near.stationMm);
  return { utilisation: value, weaker: Math.min(modulusTop!.value, modulusBottom!.value), column };
}
