import { poundsToKg } from '../../quantity';
import type { Panel } from '../enclosed';
import type { Frame, Member } from '../frame';
import type { MemberShape } from '../shape';
import {
  betweenMm,
  crossmember,
  inch,
  lineMember,
  marks,
  pair,
  planned,
  rearAxleMarks,
  rounded,
  type FamilyChoice,
  type FamilyDefinition,
  type MarkSeed,
  type Plan,
} from './parts';

/** A welded trailer hanger as most are made (common practice, no source; every size can be corrected). */
const hangerOf = (dropMm: number) =>
  ({
    dropMm,
    size: { alongMm: inch(3), highMm: inch(4), thicknessMm: inch(1 / 4) },
    holeMm: inch(9 / 16),
    pinMm: inch(9 / 16),
    attached: { by: 'weld' },
  }) as const;
const WELDED = { attached: { by: 'weld' } } as const;
const BOLTED = { attached: { by: 'bolts', count: 2 } } as const;

/** Between neighbouring axles an equaliser shares the load; its bush and pin wear first. */
const equalisers = (plan: Plan, dropMm: number): MarkSeed[] =>
  plan.rearAxlesMm
    .slice(1)
    .map((mm, k) => [
      'equaliser',
      `Equaliser between axles ${k + 1} and ${k + 2}`,
      'both',
      (mm + plan.rearAxlesMm[k]!) / 2,
      { dropMm: dropMm + inch(2), holeMm: inch(9 / 16), pinMm: inch(9 / 16), attached: { by: 'pin' } },
    ]);

/** A sheet skin over what stands behind it. */
const skin = (
  side: 'left' | 'right',
  name: string,
  [fromMm, toMm]: readonly [number, number],
  behindIds: readonly string[],
): Panel => ({
  id: `${name.toLowerCase().replaceAll(' ', '-')}-${side}`,
  kind: 'skin',
  name: `${side === 'left' ? 'Left' : 'Right'} ${name.toLowerCase()}`,
  side,
  fromMm,
  toMm,
  behindIds: [...behindIds],
});

const every = (fromMm: number, toMm: number, aboutMm: number): number[] => {
  const gaps = Math.max(1, Math.round((toMm - fromMm) / aboutMm));
  return Array.from({ length: gaps + 1 }, (_, k) => rounded(fromMm + ((toMm - fromMm) * k) / gaps));
};

/** From the outer edge of a beam in to its middle. */
const beamY = (choice: FamilyChoice): number =>
  choice.widthMm / 2 -
  (choice.railShape.kind === 'I'
    ? choice.railShape.flangeMm / 2
    : choice.railShape.kind === 'built-up'
      ? Math.max(choice.railShape.topMm, choice.railShape.bottomMm) / 2
      : choice.railShape.kind === 'box'
        ? choice.railShape.widthMm / 2
        : choice.railShape.thicknessMm / 2);

function beams(choice: FamilyChoice, startMm: number): Member[] {
  return pair('rail', 'beam', () => ({
    role: 'rail',
    shape: choice.railShape,
    steel: choice.steel,
    lengthMm: choice.lengthMm - startMm,
    ...(startMm > 0 && { startMm }),
  }));
}

/** Beams, A-frame to the coupler, outriggers out to the walls, a box tube under the beam at the axles, tall hangers with stiffeners above. */
function beamTrailer(choice: FamilyChoice): Frame {
  const plan = planned(choice, 0, 0.62);
  const y = beamY(choice);
  const startMm = rounded(inch(36));
  const depth = choice.railShape.depthMm;
  const wall = inch(4);
  const tube: MemberShape = { kind: 'box', depthMm: inch(4), widthMm: inch(3), thicknessMm: inch(3 / 16) };
  const tubeZ = -(depth + tube.depthMm) / 2;
  const tubeHalf = inch(34) + (plan.rearAxlesMm[plan.rearAxlesMm.length - 1]! - plan.rearAxlesMm[0]!) / 2;
  const hangerDrop = depth / 2 + tube.depthMm + inch(7);
  const outriggers = every(startMm + inch(12), choice.lengthMm - inch(6), inch(48));
  const halfFloor = Math.min(1250, choice.widthMm / 2 + inch(14));
  const hangers = rearAxleMarks(plan, '', inch(13), hangerOf(hangerDrop));
  const hangerStations = hangers
    .filter(([kind]) => kind === 'spring hanger')
    .map(([, , , stationMm]) => stationMm);
  return {
    family: choice.family,
    lengthMm: choice.lengthMm,
    widthMm: choice.widthMm,
    datum: choice.datum,
    members: [
      ...beams(choice, startMm),
      ...every(startMm + inch(2), choice.lengthMm - inch(4), inch(60)).map((atMm, k) =>
        crossmember(choice, k + 1, atMm),
      ),
      ...pair('tongue', 'A-frame leg', (_, hand) => ({
        role: 'tongue',
        shape: { kind: 'channel', depthMm: inch(6), flangeMm: inch(2), thicknessMm: inch(1 / 4) },
        steel: choice.steel,
        line: { from: [plan.firstMm, hand * inch(1.5), 0], to: [startMm + inch(44), hand * y, 0] },
        carries: ['hitch'],
        joint: 'flange',
      })),
      ...outriggers.flatMap((x, k) =>
        pair(`outrigger-#-${k + 1}`, `outrigger ${k + 1}`, (_, hand) => ({
          role: 'outrigger',
          shape: { kind: 'channel', depthMm: inch(3), flangeMm: inch(1.5), thicknessMm: inch(1 / 8) },
          steel: choice.steel,
          line: { from: [x, hand * y, depth / 4], to: [x, hand * halfFloor, depth / 4] },
          carries: ['body'],
          hidden: ['top'],
        })),
      ),
      ...pair('axle-tube', 'tube over the axles', (_, hand) => ({
        role: 'axle tube',
        shape: tube,
        steel: choice.steel,
        line: {
          from: [plan.rearMm - tubeHalf, hand * y, tubeZ],
          to: [plan.rearMm + tubeHalf, hand * y, tubeZ],
        },
        carries: ['axle location'],
        hidden: ['top'],
      })),
      ...hangerStations.flatMap((x, k) =>
        pair(`stiffener-#-${k + 1}`, `stiffener ${k + 1}`, (_, hand) => ({
          role: 'plate',
          shape: { kind: 'flat', depthMm: wall, thicknessMm: inch(3 / 16) },
          steel: choice.steel,
          line: { from: [x, hand * y, -depth / 2], to: [x, hand * y, depth / 2] },
        })),
      ),
    ],
    fittings: marks(
      [
        ['coupler', 'Coupler', 'both', plan.firstMm, { dropMm: inch(2) }],
        ...hangers,
        ['tank', 'Waste tank', 'left', plan.rearMm + inch(50), { holds: 'waste' }],
        ['line', 'Gas line', 'right', plan.rearMm],
        ['harness', 'Brake wiring', 'left', plan.rearMm],
        ['hitch', 'Rear carrier', 'both', choice.lengthMm - inch(4)],
        ...equalisers(plan, hangerDrop),
        [
          'bracket',
          'Tongue jack and its plate',
          'left',
          plan.firstMm + inch(10),
          { onId: 'tongue-left', ...WELDED },
        ],
        ['gusset', 'A-frame gusset at the beam', 'both', startMm + inch(40), WELDED],
        ...outriggers.map((x, k): MarkSeed => [
          'gusset',
          `Gusset of outrigger ${k + 1}`,
          'both',
          x,
          { onId: `outrigger-left-${k + 1}`, ...WELDED },
        ]),
      ],
      choice.lengthMm,
    ),
    panels: [
      ...(['left', 'right'] as const).map((side) =>
        skin(
          side,
          'Side wall and floor edge',
          [startMm, choice.lengthMm],
          outriggers.map((_, k) => `outrigger-${side}-${k + 1}`),
        ),
      ),
    ],
  };
}

/** Upper deck on a pin box, down over a knee to the beams; uprights behind the front wall, legs beside them; studs of steel outside, aluminium inside. */
function gooseneck(choice: FamilyChoice): Frame {
  const plan = planned(choice, 0.03, 0.7);
  const y = beamY(choice);
  const kneeMm = rounded(plan.firstMm + 0.24 * (plan.rearMm - plan.firstMm));
  const deckZ = inch(42);
  const post: MemberShape = { kind: 'box', depthMm: inch(8), widthMm: inch(4), thicknessMm: inch(1 / 4) };
  const deck: MemberShape = { kind: 'box', depthMm: inch(8), widthMm: inch(4), thicknessMm: inch(1 / 4) };
  const stud: MemberShape = { kind: 'box', depthMm: inch(2), widthMm: inch(2), thicknessMm: inch(1 / 8) };
  const deckStart = Math.max(0, plan.firstMm - inch(14));
  const hangerDrop = choice.railShape.depthMm / 2 + inch(8);
  const cross = (id: string, name: string, x: number, z: number) =>
    lineMember(
      { id, name, role: 'deck beam', shape: deck, steel: choice.steel, joint: 'web' },
      [x, -y, z],
      [x, y, z],
    );
  return {
    family: choice.family,
    lengthMm: choice.lengthMm,
    widthMm: choice.widthMm,
    datum: choice.datum,
    members: [
      ...beams(choice, kneeMm),
      ...every(kneeMm + inch(2), choice.lengthMm - inch(4), inch(64)).map((atMm, k) =>
        crossmember(choice, k + 1, atMm),
      ),
      ...pair('deck', 'upper deck beam', (_, hand) => ({
        role: 'deck beam',
        shape: deck,
        steel: choice.steel,
        line: { from: [deckStart, hand * y, deckZ], to: [kneeMm, hand * y, deckZ] },
        carries: ['hitch', 'people'],
      })),
      cross('deck-cross-1', 'Deck crossmember over the pin', plan.firstMm, deckZ),
      cross('deck-cross-2', 'Deck crossmember, middle', rounded((plan.firstMm + kneeMm) / 2), deckZ),
      cross('deck-cross-3', 'Deck crossmember over the front wall', kneeMm, deckZ),
      lineMember(
        {
          id: 'pin-box',
          name: 'Pin box',
          role: 'plate',
          shape: { kind: 'box', depthMm: inch(10), widthMm: inch(10), thicknessMm: inch(1 / 4) },
          steel: choice.steel,
          carries: ['hitch'],
        },
        [plan.firstMm, 0, deckZ - inch(14)],
        [plan.firstMm, 0, deckZ],
      ),
      ...pair('upright', 'upright behind the front wall', (_, hand) => ({
        role: 'upright',
        shape: post,
        steel: choice.steel,
        line: { from: [kneeMm, hand * y, 0], to: [kneeMm, hand * y, deckZ] },
        carries: ['hitch', 'people'],
        hidden: ['outer'],
      })),
      ...pair('knee', 'knee brace', (_, hand) => ({
        role: 'brace',
        shape: post,
        steel: choice.steel,
        line: { from: [kneeMm + inch(16), hand * y, 0], to: [kneeMm, hand * y, inch(16)] },
      })),
      ...pair('stud-steel', 'steel wall stud', (_, hand) => ({
        role: 'stud',
        shape: stud,
        steel: choice.steel,
        line: { from: [kneeMm, hand * y * 0.45, 0], to: [kneeMm, hand * y * 0.45, deckZ] },
        hidden: ['outer', 'inner'],
      })),
      ...pair('stud-aluminium', 'aluminium wall stud', (_, hand) => ({
        role: 'stud',
        shape: stud,
        steel: 'aluminium-6061',
        line: { from: [kneeMm, hand * y * 0.15, 0], to: [kneeMm, hand * y * 0.15, deckZ] },
        hidden: ['outer', 'inner'],
      })),
      ...pair('leg', 'landing leg', (_, hand) => ({
        role: 'leg',
        shape: { kind: 'box', depthMm: inch(3), widthMm: inch(3), thicknessMm: inch(3 / 16) },
        steel: choice.steel,
        line: { from: [kneeMm + inch(4), hand * y, 0], to: [kneeMm + inch(4), hand * y, -inch(24)] },
      })),
    ],
    fittings: marks(
      [
        ['coupler', 'Pin', 'both', plan.firstMm, { dropMm: -(deckZ - inch(14)), onId: 'pin-box' }],
        ['joint', 'Knee: upper deck meets the front wall', 'both', kneeMm],
        ['landing leg', 'Landing legs', 'both', kneeMm + inch(4), { dropMm: inch(24) }],
        ...rearAxleMarks(plan, '', inch(13), hangerOf(hangerDrop)),
        ['tank', 'Fresh-water tank', 'left', rounded((kneeMm + plan.rearMm) / 2), { holds: 'water' }],
        ['line', 'Gas line', 'right', rounded((kneeMm + plan.rearMm) / 2)],
        ['harness', 'Wiring', 'left', kneeMm + inch(20)],
        ...equalisers(plan, hangerDrop),
        [
          'pin box',
          'Pin box bolts and welds',
          'left',
          plan.firstMm,
          { onId: 'pin-box', dropMm: -deckZ, attached: { by: 'bolts', count: 8 } },
        ],
        [
          'bracket',
          'Bracket in the middle of the upright',
          'both',
          kneeMm,
          { onId: 'upright-left', dropMm: -deckZ / 2, ...WELDED },
        ],
        [
          'gusset',
          'Gusset at the upright’s head',
          'both',
          kneeMm,
          { onId: 'upright-left', dropMm: -deckZ, ...WELDED },
        ],
        [
          'gusset',
          'Gusset at the upright’s foot',
          'both',
          kneeMm,
          { onId: 'upright-left', dropMm: 0, ...WELDED },
        ],
        ['bracket', 'Leg structure to the beam', 'both', kneeMm + inch(4), { ...BOLTED }],
      ],
      choice.lengthMm,
    ),
    panels: (['left', 'right'] as const).map((side) =>
      skin(
        side,
        'Front wall skin',
        [Math.max(0, kneeMm - inch(4)), kneeMm + inch(4)],
        [`upright-${side}`, `stud-steel-${side}`, `stud-aluminium-${side}`],
      ),
    ),
  };
}

/** Between the beams of a semi-trailer; heavier over the legs and at the hangers, which push sideways. */
const CROSS: MemberShape = {
  kind: 'channel',
  depthMm: inch(5.5),
  flangeMm: inch(2.5),
  thicknessMm: inch(3 / 16),
};
const HEAVY_CROSS: MemberShape = {
  kind: 'box',
  depthMm: inch(8),
  widthMm: inch(5),
  thicknessMm: inch(1 / 4),
};

/** Built-up beams, coupler plate, landing-leg channels with braces and a cross shaft, tandem behind. */
function semiTrailer(choice: FamilyChoice): Frame {
  const plan = planned(choice, 0.08, 0.82);
  const y = beamY(choice);
  const depth = choice.railShape.depthMm;
  const legMm = rounded(plan.firstMm + inch(100));
  const foot = -depth / 2 - inch(28);
  const channel: MemberShape = {
    kind: 'channel',
    depthMm: inch(5),
    flangeMm: inch(1.75),
    thicknessMm: inch(1 / 4),
  };
  const hangers = rearAxleMarks(plan, '', inch(21), hangerOf(depth / 2 + inch(10)));
  const hangersMm = hangers.flatMap(([kind, , , mm]) => (kind === 'spring hanger' ? [mm] : []));
  const others = every(inch(2), choice.lengthMm - inch(2), inch(40)).filter(
    (x) =>
      Math.abs(x - plan.firstMm) > inch(14) &&
      [legMm, ...hangersMm].every((mm) => Math.abs(x - mm) > inch(14)),
  );
  const braced = new Set([...hangersMm, legMm]);
  return {
    family: choice.family,
    lengthMm: choice.lengthMm,
    widthMm: choice.widthMm,
    datum: choice.datum,
    members: [
      ...beams(choice, 0),
      ...[...others, ...braced]
        .sort((a, b) => a - b)
        .map((atMm, k) => ({
          ...crossmember({ ...choice, railShape: braced.has(atMm) ? HEAVY_CROSS : CROSS }, k + 1, atMm),
          lengthMm: betweenMm(choice),
        })),
      {
        ...crossmember(choice, 0, plan.firstMm),
        id: 'coupler-plate',
        name: 'Upper coupler plate',
        shape: { kind: 'box', depthMm: inch(6), widthMm: inch(24), thicknessMm: inch(3 / 8) },
        carries: ['hitch'],
      },
      ...pair('leg', 'landing-leg structure', (_, hand) => ({
        role: 'leg',
        shape: channel,
        steel: choice.steel,
        line: { from: [legMm, hand * y, 0], to: [legMm, hand * y, foot] },
      })),
      ...pair('leg-brace', 'landing-leg brace', (_, hand) => ({
        role: 'brace',
        shape: { kind: 'angle', depthMm: inch(2.5), flangeMm: inch(2.5), thicknessMm: inch(1 / 4) },
        steel: choice.steel,
        line: { from: [legMm + inch(30), hand * y, -depth / 4], to: [legMm, hand * y, foot + inch(8)] },
        joint: 'pin',
      })),
      lineMember(
        {
          id: 'cross-shaft',
          name: 'Landing-leg cross shaft',
          role: 'brace',
          shape: { kind: 'tube', depthMm: inch(1.5), thicknessMm: inch(3 / 16) },
          steel: choice.steel,
        },
        [legMm, -y, foot + inch(12)],
        [legMm, y, foot + inch(12)],
      ),
    ],
    fittings: marks(
      [
        ['coupler', 'King pin', 'both', plan.firstMm, { dropMm: depth / 2, onId: 'coupler-plate' }],
        ['landing leg', 'Landing legs', 'both', legMm, { dropMm: -foot }],
        ...hangers,
        ['line', 'Air lines', 'left', rounded(choice.lengthMm / 2)],
        ['harness', 'Lamp wiring', 'right', rounded(choice.lengthMm / 2)],
        ['spare carrier', 'Spare carrier', 'right', rounded(plan.rearMm - inch(90)), BOLTED],
        ...equalisers(plan, depth / 2 + inch(10)),
        ['coupler plate', 'Coupler plate to the beams', 'both', plan.firstMm, WELDED],
        ['bracket', 'Leg structure to the beam', 'both', legMm, { attached: { by: 'bolts', count: 8 } }],
        [
          'bracket',
          'Brace foot on the leg',
          'both',
          legMm,
          { onId: 'leg-left', dropMm: -foot - inch(8), ...BOLTED },
        ],
      ],
      choice.lengthMm,
    ),
  };
}

const I10: MemberShape = {
  kind: 'I',
  depthMm: inch(10),
  flangeMm: inch(4),
  thicknessMm: inch(0.16),
  flangeThicknessMm: inch(0.21),
};
const I12: MemberShape = {
  kind: 'I',
  depthMm: inch(12),
  flangeMm: inch(4),
  thicknessMm: inch(0.18),
  flangeThicknessMm: inch(0.25),
};
export const beamTrailerFamily: FamilyDefinition = {
  family: 'I-beam trailer',
  typical: {
    grossKg: poundsToKg(7_500),
    railShape: I10,
    lengthMm: inch(336),
    widthMm: inch(72),
    firstMm: 0,
    wheelbaseMm: inch(214),
    rearAxles: 2,
    spreadMm: inch(33),
  },
  first: 'coupler',
  build: beamTrailer,
};
export const goosenecks: FamilyDefinition = {
  family: 'gooseneck trailer',
  typical: {
    grossKg: poundsToKg(11_500),
    railShape: I12,
    lengthMm: inch(400),
    widthMm: inch(72),
    firstMm: inch(16),
    wheelbaseMm: inch(270),
    rearAxles: 2,
    spreadMm: inch(34),
  },
  first: 'king pin',
  build: gooseneck,
};
export const semiTrailers: FamilyDefinition = {
  family: 'semi trailer',
  typical: {
    grossKg: poundsToKg(50_000),
    railShape: {
      kind: 'built-up',
      depthMm: inch(24),
      topMm: inch(6),
      bottomMm: inch(6),
      thicknessMm: inch(1 / 4),
      topThicknessMm: inch(5 / 8),
      bottomThicknessMm: inch(3 / 4),
    },
    lengthMm: inch(480),
    widthMm: inch(43),
    firstMm: inch(36),
    wheelbaseMm: inch(360),
    rearAxles: 2,
    spreadMm: inch(49),
  },
  first: 'king pin',
  build: semiTrailer,
};
