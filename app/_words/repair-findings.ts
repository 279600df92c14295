import { percent, printLength, type UnitSystem } from '@/core/quantity';
import type { RepairFinding, RepairFindingCode } from '@/core/shape';
import { bend, type Say, type Words } from './finding';

/** One sentence for every code; the type leaves none out. */
const REPAIR_WORDS: Readonly<Record<RepairFindingCode, Say<RepairFinding>>> = {
  'plate-over-longest': (f, s) => ({
    title: `Plate ${printLength(f.value!, s, 'length')} long`,
    detail: `this shop plates no longer than ${printLength(f.limit!, s, 'length')}`,
    change: 'make it in lengths, with a joint between them; or a splice',
  }),
  'seam-not-continuous': () => ({
    title: 'Skip welds where the profile asks for a seam all round',
    detail: 'a patch is welded all round there, no gaps',
    change: 'runs to a continuous seam',
  }),
  'weld-as-maker': () => ({
    title: 'Welding on the frame only as its maker allows',
    detail: 'the legal profile of this job says so',
    change: 'the maker’s body builder’s book, or its leave in writing',
  }),
  'pocket-sealed': () => ({
    title: 'No drain: this shop seals the pocket',
    detail: 'what water gets in stays in; the trade disagrees',
    change: 'drains at the low point; or a coat inside and no gap in any seam',
  }),
  'crack-welded-only': (f, s) => ({
    title: `Crack beside it welded only, ${f.at ? 'no plate over it' : ''}`,
    detail: `it cracks again beside the weld${f.value ? ` (${printLength(f.value, s, 'length')})` : ''}; this shop welds cracks without a plate`,
    change: 'a plate past both its ends',
  }),
  'no-bolt-holds': () => ({
    title: 'Not one of its bolts goes through sound metal',
    detail: 'a bolt counts where as much of the wall as its washer covers is known sound',
    change: 'a higher, wider or longer plate, out to sound metal',
  }),
  'bolts-unread': () => ({
    title: 'Nobody read where some of its bolts go through',
    detail: 'they are not counted',
    change: 'read it, or strike it, along those rows',
  }),
  'bolts-struck': () => ({
    title: 'Provisional: some of its bolts go through metal struck, not measured',
    detail: 'counted at what a hammer vouches for',
    change: 'read along those rows before it is drilled',
  }),
  'bolts-not-counted': () => ({
    title: 'Some of its bolts go through bad metal, or a hole of the maker’s',
    detail: 'they hold the faces together and are counted for nothing else',
    change: 'nothing, while the others are enough',
  }),
  'bolts-far-apart': (f, s) => ({
    title: `Bolts ${printLength(f.value!, s, 'length')} apart`,
    detail: `the faces stand apart between them: at most ${printLength(f.limit!, s, 'length')}`,
    change: 'a closer pitch',
  }),
  'edge-unbolted': (f, s) => ({
    title: `An edge stands ${printLength(f.value!, s, 'length')} past its nearest bolts`,
    detail: `it gapes and takes water in: at most ${printLength(f.limit!, s, 'length')}; plates on both sides share the narrower one’s rows`,
    change: 'plates of one height on both sides',
  }),
  'drilled-weaker': (f) => ({
    title: `Drilled, it keeps ${percent(f.value!)} of its strength where the plates do not carry yet`,
    detail: `found with ${percent(f.limit!)}; the holes near a plate’s ends take it`,
    change: 'smaller bolts or fewer rows; or ends where the road asks little',
  }),
  'flange-drilled': (f) => ({
    title: `Its bolts go through the ${f.name} flange`,
    detail: 'a flange carries most, and a hole in it cracks first; a heat-treated one is never drilled',
    change: 'plates on the web alone; or the maker’s leave in writing',
  }),
  'plate-of-its-steel': (f) => ({
    title: 'The plate must be as strong as the rail',
    detail: `counted as the rail’s own steel: ${f.name}. Mild plate yields long before it helps`,
    change: 'plate of the rail’s steel, or the maker’s reinforcement',
  }),
  'bolted-not-allowed': () => ({
    title: 'Bolted where the profile asks for a seam all round',
    detail: 'a patch is welded all round there, no gaps',
    change: 'weld it, or another legal profile with its reason',
  }),
  'coat-between': () => ({
    title: 'Coat every face that will touch another',
    detail:
      'both sides of the wall, both plates and the holes’ edges, before it is closed; washers under head and nut',
    change: 'nothing: do it first',
  }),
  'rust-between': () => ({
    title: 'Rusted metal stays between the plates',
    detail: 'scaled to bare metal and coated before they close over it; say so to the owner',
    change: 'weld it instead and cut the bad metal out, where that is allowed',
  }),
  'crack-stays': () => ({
    title: 'A crack stays beneath the plates',
    detail: 'its ends found with dye and drilled; it is counted as open, and the plates carry past it',
    change: 'weld it shut where the steel may be welded; else look at its ends again, on a date',
  }),
  'face-hidden': (f) => ({
    title: `Not reached as it stands: ${f.name}`,
    detail: 'neither torch nor drill comes to it until what hides it is off',
    change: 'take that off, and put it back; or a plate on a face that is reached',
  }),
  'no-drain-room': (f, s) => ({
    title: `Drain of ${printLength(f.value!, s, 'length')} is wider than the opened stretch`,
    detail: 'it would run into the old floor beside it, and let nothing out there',
    change: 'a smaller drain in the shop’s practice, or open the floor further',
  }),
  'zinc-beneath': () => ({
    title: 'Zinc where it is welded',
    detail: 'stripped to 2 in beside every seam, and vented: the fume makes ill',
    change: 'bolt it instead; or strip, and weld in moving air',
  }),
  'no-shelf': (f, s) => ({
    title: `No room for its weld beside it: ${printLength(f.value!, s, 'length')}`,
    detail: `a fillet wants a shelf of its leg, ${printLength(f.limit!, s, 'length')}; flush edges take a bevel groove or none`,
    change: 'a narrower plate; or a wider one welded from its other side',
  }),
  'in-the-way': (f) => ({
    title: `In the plate’s way: ${f.name}`,
    detail: 'it stands on the wall that the plate would cover; on which face is not on record',
    change: 'notch the plate round it, take it off and refit it, or look: it may be clear of the plate',
  }),
  'cut-beneath': (f) => ({
    title: `The cut takes the metal that ${f.name} stands on`,
    detail: 'what holds position is not cut loose with the rail under it',
    change: 'lay the plate over instead; or take it off, and put it back where it was',
  }),
  'off-and-back': (f) => ({
    title: `Comes off and goes back: ${f.name}`,
    detail: 'its place is taken from the datum first; what it carries is held meanwhile',
    change: 'a notch round it',
  }),
  'hole-half-covered': (f, s) => ({
    title: `An edge runs across a hole of ${printLength(f.value!, s, 'length')} in the ${f.name}`,
    detail:
      'a drain, inspection or locating hole is never covered: it is repeated in the plate with metal round it, or left free',
    change: 'move the edge off it, or past it by its own width',
  }),
  'hole-kept': (f, s) => ({
    title: `A hole of ${printLength(f.value!, s, 'length')} in the ${f.name} is repeated in the plate`,
    detail: 'drawn in its flat pattern at the same place',
    change: 'nothing: it stays open',
  }),
  'heat-near': (f, s) => ({
    title: `Near the heat: ${f.name}`,
    detail: `within ${printLength(f.limit!, s, 'length')} of the welds`,
    change: 'take it off, or move and shield it',
  }),
  'crack-uncovered': () => ({
    title: 'A crack runs out from under the plate',
    detail: 'its path is covered from tip to tip, on every face it runs over; what is left free goes on',
    change: 'a plate on that face too, or wider over it',
  }),
  'plates-overlaid': () => ({
    title: 'Another kept repair’s plate lies there',
    detail: 'neither lands on the wall, and both would be counted as strength',
    change: 'take one out of the plan, or make them pieces of one repair',
  }),
  'joint-through': (f, s) => ({
    title: `Made in lengths: its joint is welded right through ${printLength(f.value!, s, 'thickness')}`,
    detail:
      'the middle length first, the others built off it; edges ground to a groove, root open over the rail or over a strip behind it, run on and off, ground flush',
    change: 'nothing: look at it with dye before it is coated',
  }),
  'joint-over-damage': () => ({
    title: 'Its joint lies over the bad metal',
    detail: 'the rail beneath shares nothing there: the joint carries all of it',
    change: 'a joint beside the damage, where the lengths allow',
  }),
  'joint-near-weld': (f, s) => ({
    title: `Its joint ${printLength(f.value!, s, 'length')} from the weld of ${f.name}`,
    detail: `two heats keep ${printLength(f.limit!, s, 'length')} apart`,
    change: 'a joint further along',
  }),
  'joint-in-critical-zone': (f, s) => ({
    title: `Its joint ${printLength(f.value!, s, 'length')} from ${f.name}`,
    detail: `the road asks most within ${printLength(f.limit!, s, 'length')} of a bracket`,
    change: 'a joint further off, where the lengths allow',
  }),
  'joint-level': (f, s) => ({
    title: `Its joint level with another piece’s end or joint: ${printLength(f.value!, s, 'length')} apart`,
    detail: `at least ${printLength(f.limit!, s, 'length')}: no section loses two plates at once`,
    change: 'a joint further along',
  }),
  'joint-at-hole': (f, s) => ({
    title: `Its joint runs ${f.value! > 0 ? `${printLength(f.value!, s, 'length')} past` : 'into'} a hole, a plug or a notch`,
    detail: `a groove that runs out into one starts a crack there: at least ${printLength(f.limit!, s, 'length')} of metal between`,
    change: 'a joint between two holes',
  }),
  'length-short': (f, s) => ({
    title: `One of its lengths is only ${printLength(f.value!, s, 'length')}`,
    detail: `shorter than the member is deep, ${printLength(f.limit!, s, 'length')}: all joint and no plate`,
    change: 'lengths nearer to equal',
  }),
  'seat-off-level': (f, s) => ({
    title: `Sits ${printLength(Math.abs(f.value!), s, 'thickness')} otherwise than its twin: ${f.name}`,
    detail: `${f.value! > 0 ? 'the plate here takes it further off its wall' : 'the plate on the other side takes it further off its wall'}, if it sits there; at most ${printLength(f.limit!, s, 'thickness')} between the sides`,
    change: `${f.value! > 0 ? 'a shim as thick on the other side' : 'a shim as thick on this side'}; or the plate notched round it, or its seat trimmed by as much`,
  }),
  'inside-not-reached': (f, s) => ({
    title: `Nobody reaches the inside there${f.value === undefined ? '' : `: ${printLength(f.value, s, 'length')} beyond the nearest way in`}`,
    detail: `hand and torch go in through the floor while it is cut out, or an opening, and ${printLength(f.limit!, s, 'length')} beyond`,
    change: 'cut the floor out over it and cap it; or plan an access opening beside it first',
  }),
  'inside-first': () => ({
    title: 'Welded inside first',
    detail: 'and looked at, scaled and coated round it, before anything closes over it',
    change: 'nothing: do it first',
  }),
  'crack-tip-close': (f, s) => ({
    title: `A crack’s tip ${printLength(f.value!, s, 'length')} inside the plate’s edge`,
    detail: `the plate’s edge, with its weld or its bolts, lies where it would go on: at least ${printLength(f.limit!, s, 'length')}`,
    change: 'a plate that reaches further past the tip',
  }),
  'not-in-stock': (f, s) => ({
    title: `Plate of ${printLength(f.value!, s, 'thickness')} is not on this shop’s shelf`,
    detail: 'by the shop’s practice',
    change: 'nothing, if it is bought; or one from stock',
  }),
  'skin-beneath': (f) => ({
    title: `Lands on or closes in an ${f.name}`,
    detail: 'the rust beneath goes on, and nothing sound is known to be under it',
    change: 'take it off first; or leave it, and have that signed for',
  }),
  'skin-off': (f, s) => ({
    title: `Comes off for good first: ${f.name}`,
    detail: `without cutting what lies beneath: its welds are ground so that ${printLength(f.limit!, s, 'thickness')} of the wall made ${printLength(f.value!, s, 'thickness')} stays; the metal under it is read before the plate is cut`,
    change: 'what is found under it',
  }),
  'skin-stays': (f) => ({
    title: `Stays beneath, to be signed for: ${f.name}`,
    detail: 'rust may go on between the two',
    change: 'take it off first',
  }),
  'ends-level': (f, s) => ({
    title: `Two plates end ${printLength(f.value!, s, 'length')} apart`,
    detail: `their ends are staggered by at least ${printLength(f.limit!, s, 'length')}: heat zones apart, and never both gone at one section`,
    change: 'move one end on',
  }),
  'wide-between-welds': (f) => ({
    title: `Wide and thin between its welds: ${f.value!.toFixed(0)} times its thickness`,
    detail: `over ${f.limit!.toFixed(0)} a plate held along both edges may buckle off the wall`,
    change: 'plugs in rows, or a thicker plate',
  }),
  'steel-not-welded': (f) => ({
    title: `Not to be welded: ${f.name!.toLowerCase()}`,
    detail: 'heat beside a weld takes its strength away, and it cracks there',
    change: 'the steel identified in Frame; or bolted, or as its maker says',
  }),
  'not-this-school': (f) => ({
    title: `Not this shop’s way: its school is ${f.name}`,
    detail: 'drawn by hand all the same',
    change: 'another school for this job, with its reason, in Weigh',
  }),
  'not-straight-beneath': (f, s) => ({
    title: `The member is out of straight here: ${bend(f.value!, f, s)}`,
    detail: `limit ${bend(f.limit!, f, s)}; a plate welded over a bend locks it in`,
    change: 'press it back into line and measure it again, then plate',
  }),
  'edge-not-on-sound-metal': (f) => ({
    title: `Edge weld on the ${f.name} lands on unsound metal`,
    detail: 'the toe and 1/8 in to each side must be sound',
    change: 'raise the edge, or cap the top too',
  }),
  'edge-above-corner': (f) => ({
    title: `Edge on the ${f.name} is too near the corner to weld`,
    detail: 'no flat is left for the weld and 1/8 in beside it',
    change: 'lower the edge, or wrap over the corner',
  }),
  'edge-not-measured': (f) => ({
    title: `No readings where the ${f.name} weld lands`,
    detail: 'its weld is not counted',
    change: 'strike it along that edge, or read it',
  }),
  'edge-struck-only': (f) => ({
    title: `Provisional: the ${f.name} weld lands on metal struck, not measured`,
    detail: 'counted at what a hammer vouches for',
    change: 'read along that edge before the plate is cut',
  }),
  'edge-left-free': (f) => ({
    title: `No weld along the ${f.name} flange’s tip here`,
    detail: 'the metal beneath is unsound; this leg stands free from its bend',
    change: 'sound metal only',
  }),
  'lap-short': (f, s) => ({
    title: `Overlap on sound metal ${printLength(f.value!, s, 'length')}`,
    detail: `shorter than the published lap of ${printLength(f.limit!, s, 'length')}; for a lengthwise edge a stated deviation`,
    change: 'a higher edge, where the school leaves room',
  }),
  'run-out-short': (f, s) => ({
    title:
      f.value! > 0
        ? `Ends ${printLength(f.value!, s, 'length')} past the damage`
        : f.value! < 0
          ? `Ends ${printLength(-f.value!, s, 'length')} short of the damage’s end`
          : 'Ends where the damage does',
    detail: `one rail depth is wanted: ${printLength(f.limit!, s, 'length')}`,
    change: 'move this end out',
  }),
  'development-short': (f, s) => ({
    title: `Plate too short: ${f.name === 'bolts' ? 'its bolts' : 'end welds'} cannot load it`,
    detail:
      f.limit === undefined
        ? `no ${f.name === 'bolts' ? 'bolt is counted' : 'weld lands'} beyond the damage, or not enough of them`
        : `${printLength(f.value!, s, 'length')} past the damage; ${printLength(f.limit, s, 'length')} needed before the plate counts`,
    change: `move the ends out, or ${f.name === 'bolts' ? 'put in more or bigger bolts' : 'land more weld'}`,
  }),
  'plate-too-long': (f, s) => ({
    title: `Reaches ${printLength(f.value!, s, 'length')} past the damage`,
    detail: `more than ${printLength(f.limit!, s, 'length')}, four rail depths: it looks for metal it does not find`,
    change: 'readings beyond the damage: where does sound metal begin?',
  }),
  'square-end': (f, s) => ({
    title: 'Square end across the rail',
    detail: `taper ${printLength(f.value!, s, 'length')}; at least ${printLength(f.limit!, s, 'length')}`,
    change: 'taper the ends',
  }),
  'wall-too-thin-to-weld': (f, s) => ({
    title: `Wall under the weld may be ${printLength(f.value!, s, 'thickness')}`,
    detail: `by its lower bound; least for welding ${printLength(f.limit!, s, 'thickness')}`,
    change: 'readings on the landing, or a higher edge',
  }),
  'plate-thinner-than-wall': (f, s) => ({
    title: `Plate ${printLength(f.value!, s, 'thickness')} is thinner than the wall`,
    detail: `made ${printLength(f.limit!, s, 'thickness')}; common practice is at least as thick`,
    change: 'the next thickness on the shelf',
  }),
  'strength-not-restored': (f) => ({
    title: `Bending strength comes back to ${percent(f.value!)} only`,
    detail: `by its lower bound; ${percent(f.limit!)} wanted`,
    change: 'thicker, higher or longer plate',
  }),
  'overlay-stiff-abrupt': (f) => ({
    title: `Much stiffer than the rail: ${percent(f.value!)}`,
    detail: 'with ends that stop short the crack moves there',
    change: 'taper the ends, thinner plate, or cut out and replace',
  }),
  'overlay-stiff-tapered': (f) => ({
    title: `Stiffer than the rail: ${percent(f.value!)}`,
    detail: 'its ends taper; Weigh shows how the stress swings there',
    change: 'thinner plate, or cut out and replace',
  }),
  'flange-cut-between-axles': () => ({
    title: 'Cuts a flange between the axles',
    detail: 'not without the maker’s say',
    change: 'lay the plate over instead of cutting out',
  }),
  'free-edge-slender': (f) => ({
    title: `Free leg is slender: ${f.value!.toFixed(1)} times its thickness`,
    detail: `at most ${f.limit!.toFixed(1)} before it may buckle`,
    change: 'thicker plate or a turned-up lip',
  }),
  'end-near-weld': (f, s) => ({
    title: `End ${printLength(f.value!, s, 'length')} from ${f.name}`,
    detail: `welds’ heat kept apart by ${printLength(f.limit!, s, 'length')}`,
    change: 'move this end along',
  }),
  'end-in-critical-zone': (f, s) => ({
    title: `End ${printLength(f.value!, s, 'length')} from ${f.name}`,
    detail: `within ${printLength(f.limit!, s, 'length')}: a critical place for an end`,
    change: 'move this end along if the frame allows',
  }),
  'crack-beneath': () => ({
    title: 'A crack lies beneath',
    detail:
      'ends found and drilled, ground right through, welded flush, dye look, before the plate covers it',
    change: 'nothing: do it first',
  }),
  'rust-enclosed': () => ({
    title: 'Rusted metal stays beneath',
    detail:
      'scaled to bare metal, weld-through primer on the laps, coated inside after welding; say so to the owner',
    change: 'cut out instead, where that is allowed',
  }),
};

export const repairWords = (finding: RepairFinding, system: UnitSystem): Words =>
  REPAIR_WORDS[finding.code](finding, system);
