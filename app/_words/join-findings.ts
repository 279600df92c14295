import { percent, printLength, type UnitSystem } from '@/core/quantity';
import type { JoinFinding, JoinFindingCode } from '@/core/join';
import type { RepairFinding } from '@/core/shape';
import type { Say, Words } from './finding';
import { repairWords } from './repair-findings';

const listed = (ids: readonly string[]): string => ids.join(', ');

const JOIN_WORDS: Readonly<Record<JoinFindingCode, Say<JoinFinding>>> = {
  'leg-under-minimum': (f) => ({
    title: `Leg under the minimum: ${listed(f.lineIds)}`,
    detail: 'the plate’s edge leaves no room for it',
    change: 'thicker plate',
  }),
  'leg-over-maximum': (f) => ({
    title: `Leg over what the edge allows: ${listed(f.lineIds)}`,
    detail: '',
    change: 'smaller leg',
  }),
  'base-metal-governs': (f) => ({
    title: `Limited by the base metal at ${listed(f.lineIds)}`,
    detail:
      'the wall beside the weld, by its lower bound, is weaker than the fillet; a bigger leg adds nothing',
    change: 'readings there, or thicker metal',
  }),
  'flow-ample': (f) => ({
    title: `Shear flow along the edges: ${percent(f.value!)} of strength`,
    detail: f.value! < 0.35 ? 'ample' : f.value! < 0.7 ? 'enough' : 'near its limit',
    change: 'the unit’s gross weight; the frame’s own loads when they are known',
  }),
  'flow-over': (f) => ({
    title: `Shear flow along the edges: ${percent(f.value!)} of strength`,
    detail: 'more than its welds or bolts may carry',
    change: 'a second landed edge, thicker landing, plugs',
  }),
  'end-short': (f) => ({
    title: `End welds take ${percent(f.value! / f.limit!)} of the plate’s force`,
    detail: 'the force must enter before the damage starts',
    change: 'a longer run-out',
  }),
  'weight-unknown': () => ({
    title: 'Shear flow not computed',
    detail: 'the unit’s gross weight is not recorded',
    change: 'record the gross weight: in the Yard, Correct the unit',
  }),
  overhead: (f) => ({
    title: `Overhead: ${listed(f.lineIds)}`,
    detail: 'poorer welds are to be expected; on the bench they would be flat',
    change: 'tack, mark, take off, weld flat, refit',
  }),
  'trade-plug-smaller': (f, s) => ({
    title: `Plug holes ${printLength(f.value!, s, 'length')}`,
    detail: `the published size; the trade’s usual ${printLength(f.limit!, s, 'length')} is smaller`,
    change: 'your procedure',
  }),
  'plug-under-published': (f, s) => ({
    title: `Plug holes ${printLength(f.value!, s, 'length')}, the shop’s own`,
    detail: `the published size for this plate is ${printLength(f.limit!, s, 'length')}: counted by their own area`,
    change: 'Shop: plug hole; or leave it empty for the published size',
  }),
  'no-lines': () => ({
    title: 'Nothing holds it',
    detail: 'no weld lands, and no bolt has its place',
    change: 'land an edge on sound metal; or a wider plate for its bolts',
  }),
  'wall-bears': (f) => ({
    title: `The holes decide at ${listed(f.lineIds)}, not the bolts`,
    detail: 'wall or plate gives at its holes before a bolt shears: a stronger bolt adds nothing',
    change: 'more bolts, or thicker metal',
  }),
  'bolts-short': (f) => ({
    title: `Bolts at an end take ${percent(f.value! / f.limit!)} of the plate’s force`,
    detail: 'the force must enter before the damage starts',
    change: 'a longer plate, a closer pitch, or bigger bolts',
  }),
  'gap-grows-leg': (f, s) => ({
    title: `Gap up to ${printLength(f.value!, s, 'thickness')}: leg grown by it at ${listed(f.lineIds)}`,
    detail: 'the throat beyond the gap stays what was asked',
    change: 'clamp it closer',
  }),
  'gap-over': (f, s) => ({
    title: `Gap of ${printLength(f.value!, s, 'thickness')}: not to be welded over, ${listed(f.lineIds)}`,
    detail: `up to ${printLength(f.limit!, s, 'thickness')} the leg may grow`,
    change: 'fit it again; then record the gap anew',
  }),
  'access-poor': (f) => ({
    title: `Poor access at ${listed(f.lineIds)}: counted three quarters`,
    detail: 'where eye and torch hardly come a poorer weld is to be expected (our judgement)',
    change: 'longer plate or weld; or what is in the way taken off',
  }),
  'burns-through': (f, s) => ({
    title: `Thin beneath ${listed(f.lineIds)}: ${printLength(f.value!, s, 'thickness')}`,
    detail: 'it burns through before it fuses',
    change: 'turn down, thinnest wire, copper behind it, short runs; or land farther out',
  }),
  'left-open': (f) => ({
    title: `Left open on purpose: ${listed(f.lineIds)}`,
    detail: 'counted for nothing, and its lap holds water unless it is sealed',
    change: 'weld it, or seal it and say who agreed',
  }),
  'open-not-allowed': (f) => ({
    title: `Left open: ${listed(f.lineIds)}`,
    detail: 'this legal profile wants patches welded all round',
    change: 'weld it',
  }),
};

export const joinWords = (finding: JoinFinding, system: UnitSystem): Words =>
  JOIN_WORDS[finding.code](finding, system);

/** A rule of the plate or of what holds it. */
export const ruleWords = (finding: RepairFinding | JoinFinding, system: UnitSystem): Words =>
  'lineIds' in finding ? joinWords(finding, system) : repairWords(finding, system);
