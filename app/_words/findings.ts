import { percent, printForce, printLength, printStress, type UnitSystem } from '@/core/quantity';
import { PARTED_FROM, type Finding, type FindingCode } from '@/core/weigh';
import { bend, type Say, type Words } from './finding';
import { notSaidWords, outWords } from './geometry';

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

/** One sentence for every code; the type leaves none out. */
/** How often, where it was found at more than one place. */
const atPlaces = ({ value = 1 }: Finding): string => (value > 1 ? `, at ${value} places` : '');

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
  'thin-read': (f, s) => ({
    title: `Read thin on its ${f.name} face: ${printLength(f.value!, s, 'thickness')}`,
    detail: `sound from ${printLength(f.limit!, s, 'thickness')}; too little is read around it to judge the section, and thin metal is bad metal until more is read`,
    change: 'readings around it, from the face’s edge to its fold and a hand’s width to either side',
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
    title: `The web may crush ${f.name}: ${printForce(f.value!, s)}`,
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
  'weld-cracked': (f) => ({
    title: `Weld ${f.name} of the repair cracked`,
    detail: 'it holds nothing, and what it put right counts as it was before',
    change: 'cut out to sound metal, why it cracked asked, welded again and looked at',
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
    title: `Fastening: ${f.name}${atPlaces(f)}`,
    detail: 'what it clamps is listed before it is freed',
    change: 'a fastener of the right grade, all it clamps kept in place',
  }),
  'maker-weld': (f) => ({
    title: `As made: ${f.name}${atPlaces(f)}`,
    detail: 'the maker’s own welds may be short or missing',
    change: 'the maker’s drawing; weld to its length',
  }),
  'welded-solid': (f) => ({
    title: `Meant to move, welded solid: ${f.name}${atPlaces(f)}`,
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
