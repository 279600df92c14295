import { lastOf, stands, type JobFile, type JobOrder } from '@/core/job';
import {
  answerTo,
  isOpen,
  isOver,
  openChecks,
  PERMIT_CHECKS,
  shutBefore,
  stageOf,
  STAGES,
  type Gate,
  type Permit,
  type TaskProgress,
} from '@/core/order';
import { printSource, WATCH_SOURCE } from '@/core/reference';
import type { UnitSystem } from '@/core/quantity';
import { localTime } from '@/ui/controls/local-time';
import type { Paper, PaperBlock, PaperTag } from '@/ui/print/paper';
import { CAUTIONS } from './cautions';
import { dayWords } from './dates';
import {
  CHECK_WORDS,
  GATE_WORDS,
  lackWords,
  REASON_WORDS,
  STAGE_WORDS,
  STATE_WORDS,
  taskWords,
  troubleWords,
} from './order';

const printed = () => `printed ${localTime(new Date().toISOString())}`;
const low = (words: string) => words.charAt(0).toLowerCase() + words.slice(1);

/** What somebody went through against what it lacked: on every paper, with both names. */
function forcedBlock(gates: readonly Gate[], system: UnitSystem): PaperBlock[] {
  const forced = gates.flatMap((gate) =>
    gate.forced && gate.lacks.length > 0 ? [{ gate, by: gate.forced }] : [],
  );
  if (forced.length === 0) return [];
  return [
    {
      is: 'warning',
      lines: forced.map(
        ({ gate, by }) =>
          `PASSED AGAINST WHAT IT LACKS: ${low(GATE_WORDS[gate.gate])}, by ${by.by} and ${by.second}, ${localTime(by.at)}: ${by.note}. It lacks: ${gate.lacks.map((lack) => lackWords(lack, system)).join('; ')}.`,
      ),
    },
  ];
}

/** A warning, where there is something to warn of. */
const warned = (lines: readonly string[]): PaperBlock[] =>
  lines.length > 0 ? [{ is: 'warning', lines }] : [];

/** Why a task stands where it does: its own steps before it, then each reason with the tasks it names. */
function whyHere({ edges }: JobOrder['plan'], id: string, number: (id: string) => number): string {
  const own: number[] = [];
  const reasons = new Map<string, number[]>();
  for (const { after, before, why } of edges) {
    if (after !== id) continue;
    if (why === 'own steps') own.push(number(before));
    else reasons.set(REASON_WORDS[why], [...(reasons.get(REASON_WORDS[why]) ?? []), number(before)]);
  }
  return [
    ...(own.length > 0 ? [`after ${own.join(', ')}`] : []),
    ...[...reasons].map(
      ([words, after]) => `${words} (${after.slice(0, 4).join(', ')}${after.length > 4 ? ' …' : ''})`,
    ),
  ].join('; ');
}

function stateWords({ task, state, by }: TaskProgress, gates: readonly Gate[]): string {
  if (isOver(state)) return `${STATE_WORDS[state]}${by ? `, ${by}` : ''}`;
  return shutBefore(gates, task.id).length > 0 ? 'gate shut' : STATE_WORDS[state];
}

/** The tasks of one stage, a line each. */
function stageBlocks({ plan, progress, gates }: JobOrder, stage: (typeof STAGES)[number]): PaperBlock[] {
  const here = progress.filter(({ task }) => stageOf(task) === stage);
  if (here.length === 0) return [];
  const numbers = new Map(plan.tasks.map(({ id }, k) => [id, k + 1]));
  const number = (id: string) => numbers.get(id)!;
  return [
    { is: 'heading', words: STAGE_WORDS[stage] },
    {
      is: 'table',
      heads: ['no.', 'zone', 'task', 'state', 'why here'],
      widths: [24, 28, 200, 74, 0],
      boxed: true,
      rows: here.map((at) => [
        String(number(at.task.id)),
        at.task.zoneId ?? '',
        taskWords(at.task),
        stateWords(at, gates),
        whyHere(plan, at.task.id, number),
      ]),
    },
  ];
}

function shutBlocks(shut: readonly Gate[], system: UnitSystem): PaperBlock[] {
  if (shut.length === 0) return [];
  return [
    { is: 'heading', words: 'Gates that are shut' },
    {
      is: 'table',
      heads: ['gate', 'of', 'lacks'],
      widths: [150, 90, 0],
      rows: shut.map((gate) => [
        GATE_WORDS[gate.gate],
        gate.zoneId ? `zone ${gate.zoneId}` : gate.name,
        gate.lacks.map((lack) => lackWords(lack, system)).join('; '),
      ]),
    },
  ];
}

/** Every task in its order, its reason for standing there, boxes to cross; troubles and shut gates first. */
export function planPaper(file: JobFile, order: JobOrder, system: UnitSystem): Paper {
  const { plan, gates } = order;
  const kept = lastOf(file, 'job plan');
  return {
    title: `${file.unit.tag}: plan of the job`,
    under: `${file.job.title}; ${printed()}. ${kept?.promised ? `Promised ${dayWords(kept.promised.on)}, kept ${Math.round(kept.promised.chance * 100)} times in a hundred.` : 'No day is promised.'}`,
    blocks: [
      ...forcedBlock(gates, system),
      ...warned(plan.troubles.map((trouble) => `${troubleWords(trouble, file.frame, system)}.`)),
      ...STAGES.flatMap((stage) => stageBlocks(order, stage)),
      ...shutBlocks(
        gates.filter((gate) => !isOpen(gate)),
        system,
      ),
    ],
    cautions: [CAUTIONS.order],
    signs: ['plan agreed', 'begun', 'proved'],
  };
}

/** A tag for each part that comes off, tied to its bag; the code opens its record. `code` makes a picture of an address. */
export async function tagsPaper(
  file: JobFile,
  order: JobOrder,
  address: (part: string) => string,
  code: (text: string) => Promise<string>,
): Promise<Paper> {
  const removals = stands(file, 'removal');
  const parts = order.plan.tasks.filter(({ what }) => what === 'take off' || what === 'take off load');
  const tags = await Promise.all(
    parts.map(async (task): Promise<PaperTag> => {
      const removal = removals.findLast(({ partId }) => partId === task.of.id);
      return {
        title: `${file.unit.tag} ${task.of.name}`,
        lines: [
          `zone ${task.zoneId ?? 'unit'}`,
          `bag: ${removal?.bag || '________'}   lies: ${removal?.place || '________'}`,
          ...(removal && removal.fate !== 'goes back' ? [removal.fate.toUpperCase()] : []),
          ...(task.isFuel ? ['FUEL: out of the building'] : []),
          ...(removal?.broke ? [`broke: ${removal.broke}`] : []),
          'off by: ______   back by: ______',
        ],
        code: await code(address(task.of.id)),
      };
    }),
  );
  return {
    title: `${file.unit.tag}: strip-down tags`,
    under: `${file.job.title}; ${printed()}. Cut along the dashes, one to each bag.`,
    blocks: tags.length > 0 ? [{ is: 'tags', tags }] : [{ is: 'lines', lines: ['Nothing comes off.'] }],
    cautions: [],
    signs: [],
  };
}

/** One permit, as it was given, with what hangs near its seams. */
export function permitPaper(file: JobFile, order: JobOrder, permit: Permit, system: UnitSystem): Paper {
  const zone = order.plan.zones.find(({ id }) => id === permit.zoneId);
  const later = stands(file, 'permit').filter(({ permitId }) => permitId === permit.id);
  const arcOut = later.findLast(({ is }) => is === 'arc out');
  const watched = later.findLast(({ is }) => is === 'watched');
  const open = openChecks(permit);
  const gate = order.gates.find((each) => each.gate === 'hot work' && each.of === permit.zoneId);
  return {
    title: `${file.unit.tag}: hot-work permit, zone ${permit.zoneId}`,
    under: `${file.job.title}; given by ${permit.by} ${localTime(permit.at)}, for one shift; helper ${permit.helper}; watched ${permit.watchMin} min after the last arc (${printSource(WATCH_SOURCE)}).`,
    blocks: [
      ...warned(later.some(({ is }) => is === 'withdrawn') ? ['WITHDRAWN.'] : []),
      ...warned(
        open.length > 0 ? [`NOT LOOKED AT: ${open.map((each) => CHECK_WORDS[each]).join('; ')}.`] : [],
      ),
      ...warned(
        gate && gate.lacks.length > 0
          ? [`As of now: ${gate.lacks.map((lack) => lackWords(lack, system)).join('; ')}.`]
          : [],
      ),
      { is: 'heading', words: 'Near these seams' },
      {
        is: 'lines',
        lines:
          zone && zone.parts.length > 0
            ? zone.parts.map(({ name }) => name)
            : ['Nothing on record; look all the same.'],
      },
      { is: 'heading', words: 'Looked at' },
      {
        is: 'table',
        heads: ['what', 'said'],
        widths: [400, 0],
        boxed: true,
        rows: PERMIT_CHECKS.map((check) => [
          CHECK_WORDS[check],
          permit.checks.includes(check) ? 'seen to' : permit.none.includes(check) ? 'none there' : 'OPEN',
        ]),
      },
      { is: 'heading', words: 'Afterwards' },
      {
        is: 'lines',
        lines: [
          `Last arc out: ${arcOut ? `${localTime(arcOut.at)}, ${arcOut.by}` : '______________'}`,
          `Watch over, nothing smokes, nothing glows: ${watched ? `${localTime(watched.at)}, ${watched.by}` : '______________'}`,
        ],
      },
    ],
    cautions: [CAUTIONS.permit, CAUTIONS.arc],
    signs: ['gives the permit', 'welds', 'helps and watches'],
  };
}

/** What was found on the way, what it costs, what the owner said. */
export function changePaper(file: JobFile): Paper {
  const extras = stands(file, 'extra').filter(({ grows }) => grows);
  const answers = stands(file, 'extra answer');
  const { currency } = file.practice.money;
  return {
    title: `${file.unit.tag}: change note`,
    under: `${file.job.title}; ${printed()}.`,
    blocks:
      extras.length === 0
        ? [{ is: 'lines', lines: ['Nothing more was found since it was opened.'] }]
        : [
            {
              is: 'table',
              heads: ['zone', 'found', 'hours', 'comes to', 'the owner says'],
              widths: [32, 190, 60, 90, 0],
              rows: extras.map(({ id, zoneId, what, hours, money, by, at }) => {
                const said = answerTo(answers, id);
                return [
                  zoneId,
                  `${what} (${by}, ${localTime(at)})`,
                  `${hours[0]} to ${hours[1]}`,
                  `${currency}${Math.round(money[0])} to ${currency}${Math.round(money[1])}`,
                  said
                    ? `${said.answer}${said.until ? ` (${dayWords(said.until)})` : ''}: ${said.who}, ${said.how}, ${localTime(said.at)}`
                    : 'yes / no / later until ________',
                ];
              }),
            },
          ],
    cautions: [CAUTIONS.order],
    signs: ['asked', 'owner'],
  };
}

/** From one pair of hands to the next: what is half done, what is off, which gates are shut, what must not be done. */
export function handoverPaper(file: JobFile, order: JobOrder, system: UnitSystem): Paper {
  const last = lastOf(file, 'handover');
  const begun = order.progress.filter(({ state }) => state === 'started');
  const halfWords = new Map(last?.halfDone.map(({ taskId, words }) => [taskId, words]));
  return {
    title: `${file.unit.tag}: handover`,
    under: last
      ? `${last.by} to ${last.to}, ${localTime(last.at)}; ${printed()}.`
      : `Nobody handed over yet; ${printed()}.`,
    blocks: [
      ...forcedBlock(order.gates, system),
      ...(last ? [{ is: 'warning' as const, lines: [last.words] }] : []),
      { is: 'heading', words: 'Half done' },
      {
        is: 'lines',
        lines:
          begun.length > 0
            ? begun.map(({ task, running }) => {
                const words = halfWords.get(task.id);
                return `${taskWords(task)}${running.length ? ` (${running.join(', ')})` : ''}${words ? `: ${words}` : ''}`;
              })
            : ['Nothing is begun and not done.'],
      },
      { is: 'heading', words: 'Off, not back, or not tried' },
      {
        is: 'lines',
        lines: order.refits.length > 0 ? order.refits.map(({ task }) => taskWords(task)) : ['Nothing.'],
      },
      { is: 'heading', words: 'Shut' },
      {
        is: 'lines',
        lines: order.gates
          .filter((gate) => !isOpen(gate))
          .map(
            (gate) =>
              `${GATE_WORDS[gate.gate]}${gate.zoneId ? `, zone ${gate.zoneId}` : ''}: ${gate.lacks.map((lack) => lackWords(lack, system)).join('; ')}`,
          ),
      },
      { is: 'heading', words: 'Next' },
      {
        is: 'lines',
        lines:
          order.next.length > 0
            ? order.next.slice(0, 5).map(({ task }) => taskWords(task))
            : ['Nothing may be begun: a gate is shut, or all is done.'],
      },
    ],
    cautions: [CAUTIONS.order],
    signs: ['hands over', 'takes over'],
  };
}
