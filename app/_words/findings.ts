import { percent, printForce, printLength, printStress, type UnitSystem } from '@/core/quantity';
import { LIMIT_SOURCES, printSource, type LimitSource } from '@/core/reference';
import { PARTED_FROM, type Finding, type FindingCode } from '@/core/weigh';
import type { RepairFinding, RepairFindingCode } from '@/core/shape';
import type { JoinFinding, JoinFindingCode } from '@/core/join';
import { geometryFigure, notSaidWords, outWords } from './geometry';

/** A finding in words: what, the numbers behind it, and what would change it. */
export interface Words {
  readonly title: string;
  readonly detail: string;
  readonly change: string;
}

export const sourceWords = (source: LimitSource): string => printSource(LIMIT_SOURCES[source]);

const plusMinus = (finding: Finding): string =>
  finding.plusMinus === undefined ? '' : ` ± ${Math.round(finding.plusMinus * 100)}`;
const keptWords =
  (name: string) =>
  (finding: Finding): Words => ({
    title: `${name} kept ${percent(finding.value!)}${plusMinus(finding)}`,
    detail: `at the worst station; the lower bound is held against ${percent(finding.limit!)}`,
    change:
      finding.verdict === 'Leave'
        ? 'a thinner reading near this station'
        : 'more readings near this station narrow the ±; only metal changes the figure',
  });

/** What it rests on and nobody looked at. */
const heldWords = ({ restsOn }: Finding): string =>
  restsOn ? `; held sideways by ${restsOn.join(' and ').toLowerCase()}, which nobody has looked at` : '';

const bend = (value: number, { quantity }: Finding | RepairFinding, system: UnitSystem): string =>
  geometryFigure(value, quantity === 'angle' ? 'angle' : 'length', system);

type Say<F> = (finding: F, system: UnitSystem) => Words;

/** One sentence for every code; the type leaves none out. */
const FINDING_WORDS: Readonly<Record<FindingCode, Say<Finding>>> = {
  'not-measured': () => ({
    title: 'Not measured',
    detail: 'no reading stands on this member; not seen is not fine',
    change: 'take readings: start with a column every 12 in',
  }),
  'mostly-guessed': (f) => ({
    title: `${percent(f.value!)} of the surface is guessed`,
    detail: `no reading stands nearby; at most ${percent(f.limit!)} may be guessed for a Leave`,
    change: 'readings where the Strip is hatched',
  }),
  'section-alone': () => ({
    title: 'Leave rests on the section alone',
    detail: 'what the frame asks of this station has not been computed',
    change: 'loads, cracks and what hangs here are judged separately',
  }),
  'face-unknown': (f) => ({
    title: `Hardly anything read on its ${f.name} face: ${percent(f.value!)}`,
    detail: `what the other faces read says nothing of this one; ${percent(f.limit!)} of it is wanted at least`,
    change: 'readings on that face; or strike it along its length',
  }),
  'stands-without': (f) => ({
    title: `Still carries with all doubtful, hidden and unseen metal taken away: ${percent(f.value!)}`,
    detail: `worst: ${f.name}; what nobody knows of this member does not decide`,
    change: 'more load; or something worse found',
  }),
  'falls-without': (f) => ({
    title: f.name ? `This decides: ${f.name}` : 'What nobody has looked at decides',
    detail: 'without its doubtful, hidden and unseen metal it would not carry what it is asked for',
    change: 'strike it, open it or read it there, and record what it answers',
  }),
  'area-kept': keptWords('Area'),
  'inertia-kept': keptWords('Stiffness Ix'),
  'modulus-kept': keptWords('Bending strength S'),
  'torsion-kept': keptWords('Torsion constant J'),
  parted: (f) => ({
    title: 'Parted',
    detail: `no metal left at ${f.value} stations looked at`,
    change: 'nothing short of new metal',
  }),
  'parted-by-hand': (f) => ({
    title: `Gone or cracked over ${percent(f.value!)} of its outline`,
    detail: `over ${percent(f.limit!)} it counts as parted: it holds nothing together there`,
    change: 'nothing short of new metal; do not lift or move it by this member',
  }),
  'margin-short': (f, s) => ({
    title: `Shop rule: sound metal left under the top corner, ${printLength(f.value!, s, 'length')}`,
    detail: `the school chosen wants ${printLength(f.limit!, s, 'length')}; read between two heights ${printLength(f.plusMinus!, s, 'length')} apart`,
    change: 'a reading between those two heights; or a top cap as well',
  }),
  'margin-enough': (f, s) => ({
    title: `Unsound metal below; sound from ${printLength(f.value!, s, 'length')} below the top corner`,
    detail: `the school chosen wants ${printLength(f.limit!, s, 'length')}: a bottom plate has something to land on`,
    change: 'a reading between the two heights that bracket the edge',
  }),
  'edge-not-bracketed': (f) => ({
    title: `The sound edge is open in ${f.value} column${f.value === 1 ? '' : 's'}`,
    detail: 'read further up or further down there, until sound and unsound metal stand either side of it',
    change: 'one reading in each open column',
  }),
  'edge-open-between': (f, s) => ({
    title: `The sound edge is open between columns ${printLength(f.value!, s, 'length')} apart`,
    detail: `farther than ${printLength(f.limit!, s, 'length')} it may climb between them unseen`,
    change: 'a column of readings between them',
  }),
  'thin-landing': (f, s) => ({
    title: `Landing may be too thin to weld: ${printLength(f.value!, s, 'thickness')}`,
    detail: `± ${printLength(f.plusMinus!, s, 'thickness')} in the inch above the sound edge; least for welding ${printLength(f.limit!, s, 'thickness')}`,
    change: 'a reading in that inch',
  }),
  'top-flange-gone': (f) => ({
    title: 'Top flange gone',
    detail: `over ${percent(f.value!)} of the length more than half its width is unsound; plates have nothing to hang from`,
    change: 'new length of rail',
  }),
  'both-flanges-gone': (f) => ({
    title: 'Both flanges gone: a flat strip',
    detail: `over ${percent(f.value!)} of the length; up to ${percent(f.limit!)} may be spliced`,
    change: 'new length of rail',
  }),
  crack: (f, s) => ({
    title: `Cracked, ${printLength(f.value!, s, 'length')} long: do not use until repaired`,
    detail: 'a frame member is not used cracked, however short the crack',
    change: 'repair and a second dye look',
  }),
  'crack-end-open': () => ({
    title: 'A crack end was not found',
    detail: 'it is longer than it looks',
    change: 'clean on past the last point, dye again, record both ends',
  }),
  'steel-unknown': () => ({
    title: 'Steel not identified: set it in Frame',
    detail: 'until a label or a hardness test says otherwise it counts as heat-treated: no weld repair',
    change: 'find the label or test the hardness, then set the steel in Frame',
  }),
  'steel-presumed': () => ({
    title: 'Steel not identified: taken as mild',
    detail: 'sections like this one are not heat-treated as a rule; 36 ksi yield is counted with',
    change: 'a label or a hardness test settles it: set the steel in Frame',
  }),
  'demand-over': (f) => ({
    title:
      f.value! > PARTED_FROM
        ? `Parted here: it carries nothing; worst: ${f.name}`
        : `Uses ${percent(f.value!)} of what it may carry; worst: ${f.name}`,
    detail: `as found; as it was made it would use ${percent(f.made ?? 0)}${heldWords(f)}`,
    change: 'metal; or less load, kept to',
  }),
  'demand-over-as-made': (f) => ({
    title: `Uses ${percent(f.value!)} of what it may carry, rust or no rust; worst: ${f.name}`,
    detail: `as made it would use ${percent(f.made ?? 0)}: loads or model first; found, it is asked ${(f.value! / (f.made ?? f.value!)).toFixed(2)} times as much`,
    change: 'loads by a scale ticket; the case’s factor; the maker’s rating',
  }),
  'demand-over-by-others': (f) => ({
    title: `Uses ${percent(f.value!)} of what it may carry, for what others no longer carry; worst: ${f.name}`,
    detail: 'its own metal would do if everything were as stiff as made',
    change: 'mend what gave way beside it; until then less load, or none',
  }),
  'demand-near': (f) => ({
    title: `Uses ${percent(f.value!)} of what it may carry; worst: ${f.name}`,
    detail: `near its limit; beams are nominal at brackets${heldWords(f)}`,
    change: 'more readings there; a scale ticket',
  }),
  'demand-within': (f) => ({
    title: `Uses ${percent(f.value!)} of what it may carry; worst: ${f.name}`,
    detail: `the worst of all load cases, on the sections as found${heldWords(f)}`,
    change: 'more load, or thinner readings there',
  }),
  'lift-over': (f) => ({
    title: `Would use ${percent(f.value!)} of what it may carry ${f.name}, without its payload`,
    detail: 'raised until the wheels hang free; the shop’s allowable for lifting',
    change: 'unload it, other lift points, more stands, lift by the axle',
  }),
  'pad-cripples': (f, s) => ({
    title: `The web may crush on ${f.name}: ${printForce(f.value!, s)}`,
    detail: `on the thickness found it takes ${printForce(f.limit!, s)}`,
    change: 'another lift point, a longer pad, more stands',
  }),
  'fatigue-range': (f, s) => ({
    title: `Stress swings ${printStress(f.value!, s)} at ${f.name}`,
    detail: `a crack can grow from ${printStress(f.limit!, s)} up, at half a g up and down`,
    change: 'nothing is asked: it swings as it did when made; look there first, each visit',
  }),
  'fatigue-worse': (f, s) => ({
    title: `Stress swings ${printStress(f.value!, s)} at ${f.name}: more than as made, or cracked already`,
    detail: `a crack can grow from ${printStress(f.limit!, s)} up, at half a g up and down`,
    change: 'metal there; look there first, each visit',
  }),
  'spots-unseen': (f) => ({
    title: `${percent(f.value!)} of its critical spots were not seen`,
    detail: `at most ${percent(f.limit!)} may stay unseen; first ${f.name}`,
    change: 'go and look there, by a way that sees it; or readings there',
  }),
  'twin-unseen': (f) => ({
    title: `Its twin is bad and nobody looked here: ${f.name}`,
    detail: 'one side may be clean and its twin gone; twist cracks come in diagonal pairs',
    change: 'look there, on this side too',
  }),
  'looked-failed': (f) => ({
    title: `Failed metal seen: ${f.name}`,
    detail: 'metal that yields to a light tap, or lets light through, counts as failed',
    change: 'readings round it decide how far it goes',
  }),
  'looked-doubtful': (f) => ({
    title: `Doubtful metal seen: ${f.name}`,
    detail: 'what it looks like is not what it holds: remaining thickness is',
    change: 'readings there; a pick between the layers',
  }),
  'crack-not-traced': (f) => ({
    title: `Crack seen, not traced: ${f.name}`,
    detail: 'its ends are not known; do not use until they are',
    change: 'clean to bare metal, dye, record both ends in Trace',
  }),
  'struck-failed': (f) => ({
    title: `Failed where it was tried: ${f.name}`,
    detail: 'counts as no metal there',
    change: 'readings round it decide how far it goes',
  }),
  'layered-repair': (f) => ({
    title: `An old repair hides metal: ${f.name}`,
    detail: 'a skin over rust traps water and the rot goes on beneath it',
    change: 'open it, or tap and light it through, and record what is beneath',
  }),
  'coated-over': (f) => ({
    title: `Coated over: ${f.name}`,
    detail: 'thick rubber rots the seams it seals; fresh paint over pits means somebody painted rust',
    change: 'scrape at every seam, look again beneath, record it',
  }),
  fastener: (f) => ({
    title: `Fastening: ${f.name}`,
    detail: 'what it clamps is listed before it is freed',
    change: 'a fastener of the right grade, all it clamps kept in place',
  }),
  'maker-weld': (f) => ({
    title: `As made: ${f.name}`,
    detail: 'the maker’s own welds may be short or missing',
    change: 'the maker’s drawing; weld to its length',
  }),
  'welded-solid': (f) => ({
    title: `Meant to move, welded solid: ${f.name}`,
    detail: 'its movement goes somewhere else now',
    change: 'free it, look where the movement went',
  }),
  'crack-many': (f) => ({
    title: `${f.value} families of cracks on it`,
    detail: `more than ${f.limit}: a length of it is spliced in sooner than each is chased`,
    change: 'metal that is sound from end to end of that length',
  }),
  'crack-at-weld': () => ({
    title: 'Cracked beside a weld',
    detail:
      'worse news than a soft spot: what was welded there drew it, and its other side may have done so too',
    change: 'the weld and its twin looked at with dye; what is plated there ends past it',
  }),
  'critical-zone': (f, s) => ({
    title: `Bad metal ${f.value! > 0 ? `${printLength(f.value!, s, 'length')} from` : 'at'} ${f.name}`,
    detail: `within ${printLength(f.limit!, s, 'length')} of what carries something it is put right, however little`,
    change: 'sound metal that far round it',
  }),
  'cause-known': (f) => ({
    title: `Made so by: ${f.name}`,
    detail: 'a repair that leaves the cause comes back',
    change: 'the cause put right first, or signed for',
  }),
  'cause-unknown': () => ({
    title: 'What made it so is not on record',
    detail: 'a repair that leaves the cause comes back',
    change: 'say at the spot what holds the wet, what was welded, what hits it',
  }),
  'plate-end': (f) => ({
    title: `An old plate stops here: ${percent(f.value!)} as strong beside it`,
    detail: `taken as thick as the wall, its thickness is not on record; over ${percent(f.limit!)} the rail beside the end takes the step`,
    change: 'look at its end with dye; its thickness read; a tapered end',
  }),
  'crack-at-plate-end': (f) => ({
    title: 'Cracked at the end of an old plate',
    detail: `about ${percent(f.value!)} as strong under the plate as beside it: welding the crack shut leaves what drew it`,
    change: 'the old end cut off or tapered, and what is plated now ends elsewhere',
  }),
  'fastener-grade': (f) => ({
    title: `A bolt of ${f.value === 0 ? 'no grade' : `${f.value} marks`} where ${f.limit} are wanted`,
    detail: f.name ? `at ${f.name}, which it is not driven without` : 'six marks are grade 8, three grade 5',
    change: 'the maker’s own grade, looked up; or a bolt of the grade wanted, as a set',
  }),
  'zinc-coated': () => ({
    title: 'Coated with zinc',
    detail: 'zinc within 2 in of a weld is stripped first; its fume makes ill',
    change: 'nothing: strip and vent where it is welded, or bolt',
  }),
  'failed-again': (f) => ({
    title: `Put right ${f.name}, and bad again at the same place`,
    detail: 'a place that keeps failing points past itself: to what loads it, or to what was left',
    change: 'the cause found: the bracket across, ride height, what bends it, wet that stands',
  }),
  'complaint-unexplained': (f) => ({
    title: `The owner’s ${f.name}: nothing on record explains it`,
    detail: 'nothing bad is recorded anywhere along its path; what moves is there and not yet found',
    change: 'look, strike and read on along that path; or what was found explains it',
  }),
  carries: (f) => ({
    title: `It carries ${f.name}`,
    detail: 'what falls or steers if it parts',
    change: 'nothing: it is what hangs on it',
  }),
  preserved: (f) => ({
    title: `Thin, and carries what it is asked: uses ${percent(f.value!)}`,
    detail: 'this shop preserves: no hole, no crack, coated and looked at again',
    change: 'a hole, a crack, more load; or another school',
  }),
  'not-straight': (f, s) => ({
    title: `Out of straight: ${outWords(f.name ?? '')} ${bend(f.value!, f, s)}`,
    detail: `± ${bend(f.plusMinus!, f, s)}; limit ${bend(f.limit!, f, s)}`,
    change: 'pressed back into line and measured again; heat only as its steel allows',
  }),
  'straight-undecided': (f, s) => ({
    title: `Whether it is straight is open: ${bend(f.value!, f, s)} ± ${bend(f.plusMinus!, f, s)}`,
    detail: `limit ${bend(f.limit!, f, s)}; ${notSaidWords(f.name ?? '')}`,
    change: 'a finer measure, or one more, empty and on its wheels',
  }),
  straight: (f, s) => ({
    title: `Straight to ${bend(f.value!, f, s)} ± ${bend(f.plusMinus!, f, s)}`,
    detail: `limit ${bend(f.limit!, f, s)}, between the marks it was seen from`,
    change: 'marks closer together show a kink between them',
  }),
  'steel-heat-treated': () => ({
    title: 'Heat-treated rail: no weld repair',
    detail: 'nor holes in its flanges, unless its maker says so in writing',
    change: 'the maker’s own instructions',
  }),
};

export const findingWords = (finding: Finding, system: UnitSystem): Words =>
  FINDING_WORDS[finding.code](finding, system);

const REPAIR_WORDS: Readonly<Record<RepairFindingCode, Say<RepairFinding>>> = {
  'plate-over-longest': (f, s) => ({
    title: `Plate ${printLength(f.value!, s, 'length')} long`,
    detail: `this shop plates no longer than ${printLength(f.limit!, s, 'length')}`,
    change: 'two plates with a joint between them, or a splice',
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
  'skin-beneath': (f) => ({
    title: `Lands on or closes in an ${f.name}`,
    detail: 'the rust beneath goes on, and nothing sound is known to be under it',
    change: 'take it off first; or leave it, and have that signed for',
  }),
  'skin-off': (f) => ({
    title: `Comes off for good first: ${f.name}`,
    detail: 'without cutting what lies beneath; the metal under it is read before the plate is cut',
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
    title: `Ends ${printLength(f.value!, s, 'length')} past the damage`,
    detail: `one rail depth is wanted: ${printLength(f.limit!, s, 'length')}`,
    change: 'move this end out',
  }),
  'development-short': (f, s) => ({
    title: 'Plate too short: end welds cannot load it',
    detail:
      f.limit === undefined
        ? 'no weld lands beyond the damage'
        : `${printLength(f.value!, s, 'length')} past the damage; ${printLength(f.limit, s, 'length')} needed before the plate counts`,
    change: 'move the ends out, or land more weld',
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

const listed = (ids: readonly string[]): string => ids.join(', ');

const JOIN_WORDS: Readonly<Record<JoinFindingCode, (finding: JoinFinding, system: UnitSystem) => Words>> = {
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
    detail: 'more than the edge weld may carry',
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
  'no-lines': () => ({
    title: 'No weld lands',
    detail: 'this repair has nothing to hold it',
    change: 'land an edge on sound metal',
  }),
};

export const joinWords = (finding: JoinFinding, system: UnitSystem): Words =>
  JOIN_WORDS[finding.code](finding, system);
