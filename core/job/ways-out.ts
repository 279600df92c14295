import { randomLcg } from 'd3-random';
import { progressOf } from '../walk';
import {
  badBodyItems,
  isMended,
  pricedWays,
  severity,
  type Priced,
  type Quantities,
  type Verdict,
} from '../weigh';
import type { AnsweredMember, Run } from './answers';
import { straightenedFirst } from './geometry';
import { openCracks } from './cracks';
import { intakeOf } from './intake';
import { jobHosts, jobSpots } from './inputs';
import { harsher, overridesOf } from './override';
import type { JobRecords } from './records';
import { steelOfWorksKg } from './works';

/** Always the same draws: a price changes when what it rests on does. */
const SEED = 0.618;

/** How much work the unit asks for, counted from what every member's metal came to, brackets, cracks and what nobody saw. */
export function quantitiesOf(records: JobRecords, weighed: ReadonlyMap<string, AnsweredMember>): Quantities {
  const said = overridesOf(records);
  const judged = records.frame.members.flatMap((member) => {
    const work = weighed.get(member.id);
    const asked = work && harsher(work.verdict.verdict, said.get(member.id));
    return asked && severity(asked) >= severity('Mend') ? [{ member, asked, ...work }] : [];
  });
  const main = judged.filter(({ member }) => isMended(member));
  const isOf = (wanted: Verdict) => main.filter(({ asked }) => asked === wanted);
  const mended = isOf('Mend');
  const sumOf = (some: typeof mended, of: (plan: AnsweredMember['plan']) => number) =>
    some.reduce((total, { plan }) => total + of(plan), 0);
  const sum = (of: (plan: AnsweredMember['plan']) => number) => sumOf(mended, of);
  const progress = progressOf(jobSpots(records));
  return {
    // A rail to be mended has one bad stretch at least, a crack's.
    stretches: sumOf(
      mended.filter((work) => !isOnlyBent(work)),
      ({ stretches, repairs }) => Math.max(1, stretches, repairs),
    ),
    openAnyway: openedWithOthers(mended.flatMap(({ plan }) => plan.runs ?? [])),
    drawn: sum(({ repairs, broken, notOffered }) => (notOffered > 0 ? 0 : repairs - broken)),
    plates: sum(({ plates }) => plates),
    bolted: sum(({ bolted = 0 }) => bolted),
    weldM: sum(({ weldM }) => weldM),
    steelKg: sum(({ steelKg }) => steelKg) + steelOfWorksKg(records),
    cracks: openCracks(records).length,
    splices: isOf('Splice').length,
    rails: isOf('Renew').length + isOf('Retire').length,
    crossmembers: judged.length - main.length,
    fittings: jobHosts(records).filter(({ carriesNothing }) => carriesNothing).length,
    straighten: straightenedFirst(records).length,
    reinforced: reinforcedOn(records, weighed, new Set(judged.map(({ member }) => member.id))),
    members: judged.length,
    bodyItems: badBodyItems(jobSpots(records, true)).length,
    criticalUnseen: progress.critical - progress.criticalSeen,
    steelUnknown: [...weighed.values()].filter(({ verdict }) =>
      verdict.findings.some(({ code }) => code === 'steel-unknown'),
    ).length,
  };
}

/** Asked to be mended for nothing but that it is out of straight: there is no stretch to open and plate. */
const isOnlyBent = ({ verdict: { findings } }: AnsweredMember): boolean => {
  const asks = findings.filter((finding) => severity(finding.verdict) >= severity('Mend'));
  return asks.length > 0 && asks.every(({ code }) => code === 'not-straight');
};

/** Plates that somebody drew on members which nothing is asked of, and of which something is known. */
function reinforcedOn(
  { frame }: JobRecords,
  weighed: ReadonlyMap<string, AnsweredMember>,
  asked: ReadonlySet<string>,
): Quantities['reinforced'] {
  const plans = frame.members.flatMap(({ id }) => {
    const judged = weighed.get(id);
    const isKnown = judged !== undefined && judged.verdict.verdict !== 'Can’t say';
    const plan = isKnown && !asked.has(id) ? judged.plan : undefined;
    return plan && plan.repairs - plan.broken > 0 ? [plan] : [];
  });
  const sum = (of: (plan: AnsweredMember['plan']) => number) =>
    plans.reduce((total, plan) => total + of(plan), 0);
  return {
    members: plans.length,
    plates: sum(({ plates, bolted = 0 }) => plates + bolted),
    weldM: sum(({ weldM }) => weldM),
    steelKg: sum(({ steelKg }) => steelKg),
  };
}

/** Bad stretches this near each other along the unit are reached by one strip-down, mm (ours: a bed, a tank or a floor sheet is at least so long). */
const ONE_OPENING_MM = 610;

/** Of so many runs, on whichever members, those that lie where another one has been opened. */
export function openedWithOthers(runs: readonly Run[]): number {
  let reachMm = -Infinity;
  let shared = 0;
  for (const { fromMm, toMm } of [...runs].sort((a, b) => a.fromMm - b.fromMm)) {
    if (fromMm <= reachMm + ONE_OPENING_MM) shared++;
    reachMm = Math.max(reachMm, toMm);
  }
  return shared;
}

/** Every way out of a job with its price, by the shop's rate and norms and the owner's own figures. */
export function waysOut(records: JobRecords, weighed: ReadonlyMap<string, AnsweredMember>): Priced[] {
  const { ceiling, unitValue, askingPrice } = intakeOf(records) ?? {};
  const of = quantitiesOf(records, weighed);
  return pricedWays(
    of,
    records.practice.money,
    { ceiling, unitValue, askingPrice, hoursFactor: records.hoursLearnt?.factor },
    () => randomLcg(SEED),
  );
}
