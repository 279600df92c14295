import { poundsToKg } from '../../quantity';
import type { Pocket } from '../enclosed';
import type { Frame, Member } from '../frame';
import { isClosed, type MemberShape } from '../shape';
import {
  crossmember,
  inch,
  marks,
  pair,
  planned,
  rearAxleMarks,
  type FamilyChoice,
  type FamilyDefinition,
  type MarkSeed,
  type Plan,
} from './parts';

/** Where things sit by default, as shares of the length with the axles at 0.16 and 0.77 (our judgement; every one can be moved). */
const FIRST = 0.16,
  REAR = 0.77;
const CROSSMEMBERS = [0.04, 0.2, 0.38, 0.54, 0.74, 0.96];

/** A share of the typical ladder turned into a station of this one: between its own axles, ahead of the first, behind the last. */
function stationAt(plan: Plan, share: number): number {
  if (share <= FIRST) return (share / FIRST) * plan.firstMm;
  if (share <= REAR) return plan.firstMm + ((share - FIRST) / (REAR - FIRST)) * (plan.rearMm - plan.firstMm);
  return plan.rearMm + ((share - REAR) / (1 - REAR)) * (plan.lengthMm - plan.rearMm);
}

/** A hanger's plate, pin and rivets as most are made (common practice, no source; every size can be corrected). */
const HANGER = {
  size: { alongMm: inch(4), highMm: inch(6), thicknessMm: inch(1 / 4) },
  pinMm: inch(3 / 4),
  attached: { by: 'rivets', count: 4 },
} as const;
const BOLTED = { attached: { by: 'bolts', count: 2 } } as const;
const WELDED = { attached: { by: 'weld' } } as const;

/** Leaf springs, a body on its own mounts: trucks and pickups. */
function ladderMarks(plan: Plan) {
  const at = (share: number) => stationAt(plan, share);
  const hanger = { ...HANGER, dropMm: plan.railShape.depthMm / 2 + inch(3) };
  const rear =
    plan.rearAxlesMm.length === 1
      ? ([
          ['spring hanger', 'Rear spring, front hanger', 'both', at(0.66), hanger],
          ['axle', 'Rear axle', 'both', plan.rearMm],
          ['spring hanger', 'Rear spring, rear hanger', 'both', at(0.88), hanger],
        ] as const)
      : rearAxleMarks(plan, 'Rear', 0.1 * (plan.rearMm - plan.firstMm), hanger);
  return marks(
    [
      ['axle', 'Front axle', 'both', plan.firstMm],
      ['steering gear', 'Steering gear', 'left', at(0.1), { attached: { by: 'bolts', count: 4 } }],
      ['spring hanger', 'Front spring, front hanger', 'both', at(0.08), hanger],
      ['spring hanger', 'Front spring, rear hanger', 'both', at(0.25), hanger],
      ['body mount', 'Cab mount', 'both', at(0.32), BOLTED],
      ['tank strap', 'Fuel tank straps', 'left', at(0.46), BOLTED],
      ...rear,
      ...commonRear(plan),
      ['bed mount', 'Bed mount, front', 'both', at(0.5), BOLTED],
      ['bed mount', 'Bed mount, rear', 'both', at(0.92), BOLTED],
      ['spare carrier', 'Spare carrier', 'both', at(0.94), BOLTED],
    ],
    plan.lengthMm,
  );
}

function commonRear(plan: Plan): MarkSeed[] {
  const at = (share: number) => stationAt(plan, share);
  return [
    ['shock mount', 'Rear shock mount', 'both', at(0.72), WELDED],
    ['bump stop', 'Rear bump stop', 'both', plan.rearMm],
    ['line', 'Brake line', 'left', at(0.5)],
    ['harness', 'Rear harness', 'right', at(0.5)],
    ['exhaust', 'Exhaust hanger', 'right', at(0.56)],
    ['hitch', 'Hitch', 'both', at(0.98), BOLTED],
  ];
}

/** Coil springs in buckets, axles located by arms, a body on rubber mounts, a plate under transfer box and tank: utility vehicles. */
function coilMarks(plan: Plan) {
  const at = (share: number) => stationAt(plan, share);
  const bucket = {
    ...WELDED,
    size: { alongMm: inch(6), highMm: inch(4), thicknessMm: inch(3 / 16) },
    dropMm: plan.railShape.depthMm / 2 + inch(2),
  };
  const arm = {
    ...WELDED,
    pinMm: inch(9 / 16),
    holeMm: inch(9 / 16),
    dropMm: plan.railShape.depthMm / 2 + inch(2),
  };
  const captive = { attached: { by: 'bolts', count: 1 } } as const;
  return marks(
    [
      ['axle', 'Front axle', 'both', plan.firstMm],
      ['steering gear', 'Steering gear', 'left', at(0.1), { attached: { by: 'bolts', count: 4 } }],
      ['spring bucket', 'Front spring bucket', 'both', plan.firstMm, bucket],
      ['control arm', 'Front control arm, frame end', 'both', at(0.29), { ...arm, set: 'front arms' }],
      ['shock mount', 'Front shock mount', 'both', at(0.14), WELDED],
      ['body mount', 'Body mount, front', 'both', at(0.05), captive],
      ['body mount', 'Body mount, firewall', 'both', at(0.3), captive],
      ['body mount', 'Body mount, seat', 'both', at(0.52), captive],
      ['body mount', 'Body mount, rear', 'both', at(0.93), captive],
      ['skid-plate mount', 'Skid plate, front bolts', 'both', at(0.4), { ...captive, set: 'skid plate' }],
      ['skid-plate mount', 'Skid plate, rear bolts', 'both', at(0.58), { ...captive, set: 'skid plate' }],
      ...plan.rearAxlesMm.map((mm, k): MarkSeed => [
        'axle',
        plan.rearAxlesMm.length > 1 ? `Rear axle ${k + 1}` : 'Rear axle',
        'both',
        mm,
      ]),
      ['spring bucket', 'Rear spring bucket', 'both', plan.rearMm, bucket],
      ['control arm', 'Rear lower arm, frame end', 'both', at(0.62), { ...arm, set: 'rear arms' }],
      ['control arm', 'Rear upper arm, frame end', 'both', at(0.7), { ...arm, set: 'rear arms' }],
      ...commonRear(plan),
      ['tank strap', 'Fuel tank straps', 'both', at(0.86), BOLTED],
      ['bracket', 'Track-bar bracket', 'left', at(0.8), { ...WELDED, carries: ['axle location'] }],
    ],
    plan.lengthMm,
  );
}

/** The closed length of each rail holds dirt: between its ends it drains by one hole, if that. */
const railPockets = (members: readonly Member[]): Pocket[] =>
  members
    .filter(({ role, shape }) => role === 'rail' && isClosed(shape))
    .map(({ id, name, lengthMm }) => ({
      id: `${id} inside`,
      name: `Inside the ${name.toLowerCase()}`,
      memberId: id,
      fromMm: 0,
      toMm: lengthMm,
      drains: 1,
    }));

function rails(choice: FamilyChoice): Member[] {
  return pair('rail', 'rail', () => ({
    role: 'rail',
    shape: choice.railShape,
    steel: choice.steel,
    lengthMm: choice.lengthMm,
  }));
}

/** Two rails, six crossmembers, hangers or buckets, mounts. A starting point to be edited, not a maker's drawing. */
function ladder(choice: FamilyChoice): Frame {
  const plan = planned(choice, FIRST, REAR);
  const members = [
    ...rails(choice),
    ...CROSSMEMBERS.map((share, k) => crossmember(choice, k + 1, stationAt(plan, share))),
  ];
  const pockets = railPockets(members);
  return {
    family: choice.family,
    lengthMm: choice.lengthMm,
    widthMm: choice.widthMm,
    datum: choice.datum,
    members,
    fittings: choice.family === 'boxed ladder' ? coilMarks(plan) : ladderMarks(plan),
    ...(pockets.length > 0 && { pockets }),
  };
}

/** Boxed in front, open channel behind, lapped ahead of the rear springs. */
function mixed(choice: FamilyChoice): Frame {
  const plan = planned(choice, FIRST, REAR);
  const [lapFrom, lapTo] = [Math.round(stationAt(plan, 0.46)), Math.round(stationAt(plan, 0.52))];
  const { depthMm, thicknessMm } = choice.railShape;
  const front: MemberShape = {
    kind: 'box',
    depthMm: Math.round(depthMm - 2 * thicknessMm),
    widthMm: choice.railShape.kind === 'channel' ? choice.railShape.flangeMm : inch(2.5),
    thicknessMm,
  };
  const joints = [lapFrom, lapTo].map((stationMm, k) => ({
    id: `mark-joint-${k + 1}`,
    kind: 'joint' as const,
    name: k === 0 ? 'Lap of front and rear rail, front end' : 'Lap of front and rear rail, rear end',
    side: 'both' as const,
    stationMm,
  }));
  const base = ladder(choice);
  const members = [
    ...pair('rail-#-front', 'front rail', () => ({
      role: 'rail' as const,
      shape: front,
      steel: choice.steel,
      lengthMm: lapTo,
    })),
    ...pair('rail-#-rear', 'rear rail', () => ({
      role: 'rail' as const,
      shape: choice.railShape,
      steel: choice.steel,
      startMm: lapFrom,
      lengthMm: choice.lengthMm - lapFrom,
    })),
    ...base.members.filter((member) => member.role === 'crossmember'),
  ];
  return { ...base, members, fittings: [...base.fittings, ...joints], pockets: railPockets(members) };
}

const typical = {
  lengthMm: inch(240),
  widthMm: inch(34),
  firstMm: inch(38),
  wheelbaseMm: inch(146),
  rearAxles: 1,
  spreadMm: inch(50),
};
const CHANNEL: MemberShape = {
  kind: 'channel',
  depthMm: inch(8),
  flangeMm: inch(2.75),
  thicknessMm: inch(1 / 4),
};

export const openLadder: FamilyDefinition = {
  family: 'open-channel ladder',
  typical: { ...typical, grossKg: poundsToKg(11_000), railShape: CHANNEL },
  first: 'axle',
  build: ladder,
};
export const boxedLadder: FamilyDefinition = {
  family: 'boxed ladder',
  typical: {
    ...typical,
    grossKg: poundsToKg(4500),
    railShape: { kind: 'box', depthMm: inch(5), widthMm: inch(2.5), thicknessMm: inch(0.1345) },
  },
  first: 'axle',
  build: ladder,
};
export const mixedLadder: FamilyDefinition = {
  family: 'mixed ladder',
  typical: {
    ...typical,
    grossKg: poundsToKg(8000),
    railShape: { ...CHANNEL, depthMm: inch(7), flangeMm: inch(2.5), thicknessMm: inch(3 / 16) },
  },
  first: 'axle',
  build: mixed,
};
