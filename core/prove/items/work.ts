import {
  CUTS_METAL,
  isOver,
  LAYS_METAL,
  phaseOf,
  shutBefore,
  stageOf,
  type Gate,
  type TaskProgress,
} from '../../order';
import type { ItemSource, OpenItem } from './item';

/** Off, or back and not tried, once for each part: a line that leaks, a lamp that is dark. */
export const refits: ItemSource = ({ refits: open }) => {
  const byPart = new Map<string, TaskProgress[]>();
  for (const each of open) byPart.set(each.task.of.id, [...(byPart.get(each.task.of.id) ?? []), each]);
  return [...byPart].map(([id, tasks]) => ({
    key: `refit ${id}`,
    code: 'off or untried',
    name: tasks[0]!.task.of.name,
    may: 'nobody',
    count: tasks.length,
  }));
};

const METAL: ReadonlySet<string> = new Set(['align', 'open', 'make', 'fit', 'weld', 'look']);
/** What is made of metal: once it is cut or tacked, it is finished; what nobody began is the owner's to leave. */
export const metalWork: ItemSource = ({ progress }) => {
  const byThing = new Map<string, TaskProgress[]>();
  for (const each of progress)
    if (METAL.has(phaseOf(each.task)))
      byThing.set(each.task.of.id, [...(byThing.get(each.task.of.id) ?? []), each]);
  return [...byThing].flatMap(([id, tasks]): OpenItem[] => {
    const open = tasks.filter(({ state }) => !isOver(state));
    if (open.length === 0) return [];
    const isBegun = tasks.some(isCutInto);
    const { memberId, of } = open[0]!.task;
    return [
      {
        key: `work ${id}`,
        code: isBegun ? 'begun and not finished' : 'not begun',
        name: of.name,
        may: isBegun ? 'nobody' : 'the owner',
        ...(memberId !== undefined && { memberId }),
        count: open.length,
        is: of.is,
      },
    ];
  });
};

/** Stages of the whole unit with tasks nobody did: measuring, stripping, coating, proving. Refits stand by themselves. */
export const stages: ItemSource = ({ progress, refits: off }) => {
  const offIds = new Set(off.map(({ task }) => task.id));
  const byStage = new Map<string, string[]>();
  for (const { task, state } of progress)
    if (!isOver(state) && !METAL.has(phaseOf(task)) && !offIds.has(task.id))
      byStage.set(stageOf(task), [...(byStage.get(stageOf(task)) ?? []), task.id]);
  return [...byStage].map(([stage, ids]) => ({
    key: `stage ${stage}`,
    code: 'stage open',
    name: stage,
    may: 'two names',
    parts: ids,
    count: ids.length,
  }));
};

/** Whether metal of it was cut, drilled, ground out, tacked or welded. */
export const isCutInto = ({ task, state }: TaskProgress): boolean =>
  (CUTS_METAL.has(task.what) || LAYS_METAL.has(task.what)) && (state === 'done' || state === 'started');

/** Gates that still hold something of what was begun back; and what the owner has not answered. What nobody began is open with its work. */
export const gates: ItemSource = ({ gates: all, progress }) => {
  const open = new Set(progress.filter(({ state }) => !isOver(state)).map(({ task }) => task.id));
  const begun = progress.filter(isCutInto).map(({ task }) => task);
  const isUp = progress.some(({ task, state }) => task.what === 'set stands' && state === 'done');
  const isBegun = ({ gate, of, zoneId }: Gate): boolean => {
    if (gate === 'owner') return true;
    if (gate === 'raise') return isUp;
    return begun.some((task) => task.of.id === of || (zoneId !== undefined && task.zoneId === zoneId));
  };
  return all
    .filter(
      (gate) => isBegun(gate) && gate.holds.some((id) => open.has(id) && shutBefore([gate], id).length > 0),
    )
    .map((gate): OpenItem => ({
      key: `gate ${gate.gate} ${gate.of}`,
      code: 'gate shut',
      name: gate.zoneId === undefined ? gate.name : `zone ${gate.zoneId}`,
      may: gate.gate === 'owner' ? 'the owner' : gate.mayBeForced ? 'two names' : 'nobody',
      parts: gate.lacks.map(({ code, name = '' }) => `${gate.gate} ${gate.of} ${code} ${name}`),
      about: gate,
    }));
};

/** What stands in a record that cannot be read may be open, or bad: it is mended on the server, or two say why it does not matter. One more is not let stand. */
export const unreadable: ItemSource = ({ unreadable: ids }): OpenItem[] => {
  const name = ids.slice(0, NAMED_RECORDS).join(', ');
  return ids.length === 0
    ? []
    : [{ key: 'records unreadable', code: 'records unreadable', name, may: 'two names', parts: ids }];
};
/** So many are named; all of them are counted. */
const NAMED_RECORDS = 3;

/** Plates are on, and what they are welded to was never read: nobody knows that it holds them. */
export const landings: ItemSource = ({ unreadLandings }) =>
  unreadLandings.map(({ id, memberId, name, faces }): OpenItem => ({
    key: `landing ${id}`,
    code: 'landing not read',
    name: faces.length > 0 ? `${name}: ${faces.join(', ')}` : name,
    may: 'two names',
    parts: faces.length > 0 ? faces.map((face) => `landing ${id} ${face}`) : [`landing ${id} late`],
    memberId,
  }));

/** Plates are on, and rust, an earlier skin or a crack stays beneath them: nobody sees it again, so two names answer for it. */
export const closedIn: ItemSource = ({ closedIn: repairs }) =>
  repairs.map(({ id, memberId, name, what }): OpenItem => ({
    key: `closed in ${id}`,
    code: 'closed in',
    name: `${name}: ${what.join(', ')}`,
    may: 'two names',
    parts: what.map((each) => `closed in ${id} ${each}`),
    memberId,
  }));

/** A set that was never brought to its torque holds nothing; one that nobody looked at again may have settled since. */
export const bolts: ItemSource = ({ bolts: sets }) =>
  sets.map(({ repairId, memberId, name, set, stands }): OpenItem => {
    const isLoose = stands === 'not tightened';
    return {
      key: `bolts ${repairId} ${set}`,
      code: isLoose ? 'bolts not tightened' : 'bolts not settled',
      name: `${name}, set ${set}`,
      may: isLoose ? 'nobody' : 'two names',
      memberId,
      about: stands,
    };
  });

/** Seams that were begun and not finished, or hold a defect; finished, and not looked at or photographed. */
export const seams: ItemSource = ({ seams: all }) =>
  all.flatMap(({ ofId, seam, mark, memberId, name, stands }): OpenItem[] => {
    const own = { key: `seam ${ofId} ${seam}`, name: `${mark}, ${name}`, memberId, about: stands };
    switch (stands) {
      case 'good':
      case 'left open':
      // Nothing of it is laid: it is open with the work it belongs to.
      case 'not welded':
        return [];
      case 'part laid':
      case 'changed':
      case 'defect':
        return [{ ...own, code: 'seam not finished', may: 'nobody' }];
      case 'not looked at':
      case 'no photo':
        return [{ ...own, code: 'seam not looked at', may: 'two names' }];
      default:
        return stands satisfies never;
    }
  });
