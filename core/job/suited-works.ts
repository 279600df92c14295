import { workHours } from '../order';
import type { Norms } from '../reference';
import {
  massOfPartKg,
  startMeasures,
  weldOf,
  workForm,
  worksAt,
  type JudgedWork,
  type Measures,
  type WorkFinding,
  type WorkId,
  type WorkPlace,
} from '../shape';
import type { Finding, HostNeed, HostVerdict, Verdict } from '../weigh';
import { withMetal } from './under-works';
import { stepsOfWork } from './works';

/** What mends what a bad bracket, joint or panel asks for, the usual one first (common practice, no source). */
const FOR_NEED: Readonly<Record<HostNeed, readonly WorkId[]>> = {
  'weld anew': ['gusset', 'bracket trimmed', 'bracket renewed', 'leg structure', 'captive mount'],
  'fasten anew': ['hole doubler', 'through plates', 'bracket renewed'],
  'bond anew': ['stud blocked', 'through plates'],
  'renew it': ['captive mount', 'leg structure', 'dish plate', 'bracket renewed', 'through plates'],
  'close the sheet': ['sheet patch', 'formed tab', 'through plates'],
  'clear it': ['access opening'],
  'look closer': [],
};

/** Findings that a work of its own answers, whatever else is bad. */
const FOR_FINDING: Partial<Readonly<Record<Finding['code'], readonly WorkId[]>>> = {
  'not-straight': ['straightening'],
};
/** What mends a member of its own kind, where plates do not. */
const FOR_MEMBER: readonly WorkId[] = [
  'upright sleeved',
  'stud blocked',
  'dish plate',
  'leg structure',
  'sheet patch',
];

const suited = (place: WorkPlace, wanted: readonly WorkId[]): WorkId[] => {
  const fits = new Set(worksAt(place).flatMap(({ id, whyNot }) => (whyNot ? [] : [id])));
  return [...new Set(wanted)].filter((id) => fits.has(id));
};

/** Works that mend what was found of a host, and go there; none where one closer look comes first. */
export const worksForHost = (place: WorkPlace, { needs }: Pick<HostVerdict, 'needs'>): WorkId[] =>
  suited(
    place,
    needs.flatMap((need) => FOR_NEED[need]),
  );

/** Works that mend a member by itself, for what speaks against it; none where nothing asks for more than a look. */
export function worksForMember(
  place: WorkPlace,
  { verdict, findings }: { readonly verdict: Verdict; readonly findings: readonly Pick<Finding, 'code'>[] },
): WorkId[] {
  const own = findings.flatMap(({ code }) => FOR_FINDING[code] ?? []);
  const isAsked = verdict === 'Mend' || verdict === 'Splice' || verdict === 'Renew';
  return suited(place, [
    ...own,
    ...(verdict === 'Splice' ? (['splice'] as const) : []),
    ...(isAsked ? FOR_MEMBER : []),
    ...(verdict === 'Renew' ? (['splice'] as const) : []),
  ]);
}

/** A work that goes at a place, as it comes out at its usual measures. */
export interface WorkCandidate {
  readonly id: WorkId;
  /** It mends what was found there. */
  readonly isSuited: boolean;
  readonly judged: JudgedWork;
  readonly weldMm: number;
  readonly massKg: number;
  /** By the shop's norms, least and most. */
  readonly hours: readonly [number, number];
}

/** What the metal found under a work says, by its form and measures. */
export type UnderIt = (form: WorkId, measures: Measures) => readonly WorkFinding[];

/** Every work that goes at a place side by side: what mends what was found there first, of these what breaks least at its usual measures, then what takes fewer hours. */
export function workCandidates(
  place: WorkPlace,
  norms: Norms,
  suitedTo: readonly WorkId[] = [],
  underIt: UnderIt = () => [],
): WorkCandidate[] {
  const broken = ({ judged }: WorkCandidate) =>
    judged.findings.filter(({ weight }) => weight === 'broken').length;
  const middle = ({ hours: [least, most] }: WorkCandidate) => (least + most) / 2;
  return worksAt(place)
    .filter(({ whyNot }) => whyNot === undefined)
    .map(({ id }): WorkCandidate => {
      const measures = startMeasures(workForm(id), place);
      const judged = withMetal(workForm(id).judge(place, measures), underIt(id, measures));
      return {
        id,
        isSuited: suitedTo.includes(id),
        judged,
        weldMm: weldOf(judged.seams),
        massKg: judged.parts.reduce((sum, part) => sum + massOfPartKg(part), 0),
        hours: workHours(norms, { form: id, carries: [], ...stepsOfWork(judged) }),
      };
    })
    .sort(
      (a, b) => Number(b.isSuited) - Number(a.isSuited) || broken(a) - broken(b) || middle(a) - middle(b),
    );
}
