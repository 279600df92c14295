import { severity, unitVerdict, type Verdict } from '../weigh';
import type { EvidenceId } from './evidence';
import { knownNothing, type KnownJob } from './demand';
import { sortedRecords } from './inputs';
import { weighJob } from './member';
import { stands, type JobRecords } from './records';

/** What is next in a job. */
export type NextStep =
  | { readonly is: 'walk round it' }
  | { readonly is: 'first readings' }
  | { readonly is: 'a rail not measured'; readonly name: string }
  | { readonly is: 'plates'; readonly name: string }
  | { readonly is: 'by hand'; readonly name: string; readonly verdict: Verdict }
  | { readonly is: 'members not measured'; readonly count: number }
  | { readonly is: 'read the verdicts' };

/** What is known of a job, in one line. */
export interface JobLine {
  readonly readings: number;
  readonly cracks: number;
  readonly next: NextStep;
  readonly toAct: readonly { readonly name: string; readonly verdict: Verdict }[];
}

/** The verb that a step leads to. */
export const VERB_OF = {
  'walk round it': 'walk',
  'first readings': 'probe',
  'a rail not measured': 'probe',
  plates: 'shape',
  'by hand': 'weigh',
  'members not measured': 'weigh',
  'read the verdicts': 'weigh',
} as const satisfies Record<NextStep['is'], string>;

/** Records that somebody made who walked round it. */
const ON_FOOT: ReadonlySet<string> = new Set<EvidenceId>(['look', 'sign', 'find', 'felt edge']);
/** Plates are drawn for these; a member to renew or a unit to retire is no matter of plates. */
const PLATED: readonly Verdict[] = ['Mend', 'Splice'];

/** A job's line; members none of whose inputs changed since they were `known` are not judged again. */
export function jobLine(records: JobRecords, known: KnownJob = knownNothing()): JobLine {
  const sorted = sortedRecords(records);
  const weighed = weighJob(sorted, known);
  const unit = unitVerdict(weighed.map(({ picture, verdict }) => ({ member: picture.member, verdict })));
  const toAct = [
    ...weighed
      .filter(({ verdict }) => severity(verdict.verdict) >= severity('Mend'))
      .map(({ picture, verdict }) => ({ name: picture.member.name, verdict: verdict.verdict })),
    ...sorted.hosts
      .filter(({ carriesNothing }) => carriesNothing)
      .map(({ name, verdict }) => ({ name, verdict })),
  ];
  const unread = weighed
    .filter(({ picture }) => !picture.account.isKnown)
    .map(({ picture }) => picture.member);
  const readings = stands(records, 'reading').length;
  const isUnwalked = readings === 0 && !records.evidence.some(({ kind }) => ON_FOOT.has(kind));
  const steps = (): NextStep => {
    if (isUnwalked) return { is: 'walk round it' };
    const isSilent = weighed.every(
      ({ picture, verdict }) =>
        verdict.verdict === 'Can’t say' && !(picture.member.role === 'rail' && picture.account.isKnown),
    );
    if (isSilent) return { is: 'first readings' };
    const rail = unread.find(({ role }) => role === 'rail');
    if (rail) return { is: 'a rail not measured', name: rail.name };
    const plated = toAct.find(({ verdict }) => PLATED.includes(verdict));
    if (plated) return { is: 'plates', name: plated.name };
    if (toAct[0]) return { is: 'by hand', ...toAct[0] };
    return unread.length ? { is: 'members not measured', count: unread.length } : { is: 'read the verdicts' };
  };
  const shown = unit.verdict === 'Retire' ? [{ name: 'Unit', verdict: unit.verdict }, ...toAct] : toAct;
  return { readings, cracks: stands(records, 'crack').length, next: steps(), toAct: shown };
}
