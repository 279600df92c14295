import type { Frame, Member } from '../frame';
import type { MemberShape } from '../shape';
import {
  crossmember,
  inch,
  marks,
  pair,
  planned,
  rearAxleMarks,
  type FamilyChoice,
  type FamilyDefinition,
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

function ladderMarks(plan: Plan) {
  const at = (share: number) => stationAt(plan, share);
  const hangerDrop = plan.railShape.depthMm / 2 + inch(3);
  const rear =
    plan.rearAxlesMm.length === 1
      ? ([
          ['spring hanger', 'Rear spring, front hanger', 'both', at(0.66), { dropMm: hangerDrop }],
          ['axle', 'Rear axle', 'both', plan.rearMm],
          ['spring hanger', 'Rear spring, rear hanger', 'both', at(0.88), { dropMm: hangerDrop }],
        ] as const)
      : rearAxleMarks(plan, 'Rear', 0.1 * (plan.rearMm - plan.firstMm), hangerDrop);
  return marks(
    [
      ['axle', 'Front axle', 'both', plan.firstMm],
      ['steering gear', 'Steering gear', 'left', at(0.1)],
      ['spring hanger', 'Front spring, front hanger', 'both', at(0.08), { dropMm: hangerDrop }],
      ['spring hanger', 'Front spring, rear hanger', 'both', at(0.25), { dropMm: hangerDrop }],
      ['body mount', 'Cab mount', 'both', at(0.32)],
      ['tank strap', 'Fuel tank straps', 'left', at(0.46)],
      ...rear,
      ['shock mount', 'Rear shock mount', 'both', at(0.72)],
      ['bump stop', 'Rear bump stop', 'both', plan.rearMm],
      ['line', 'Brake line', 'left', at(0.5)],
      ['harness', 'Rear harness', 'right', at(0.5)],
      ['exhaust', 'Exhaust hanger', 'right', at(0.56)],
      ['hitch', 'Hitch', 'both', at(0.98)],
    ],
    plan.lengthMm,
  );
}

function rails(choice: FamilyChoice): Member[] {
  return pair('rail', 'rail', () => ({
    role: 'rail',
    shape: choice.railShape,
    steel: choice.steel,
    lengthMm: choice.lengthMm,
  }));
}

/** Two rails, six crossmembers, hangers and mounts. A starting point to be edited, not a maker's drawing. */
function ladder(choice: FamilyChoice): Frame {
  const plan = planned(choice, FIRST, REAR);
  return {
    family: choice.family,
    lengthMm: choice.lengthMm,
    widthMm: choice.widthMm,
    datum: choice.datum,
    members: [
      ...rails(choice),
      ...CROSSMEMBERS.map((share, k) => crossmember(choice, k + 1, stationAt(plan, share))),
    ],
    landmarks: ladderMarks(plan),
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
  return {
    ...base,
    members: [
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
    ],
    landmarks: [...base.landmarks, ...joints],
  };
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
  typical: { ...typical, railShape: CHANNEL },
  first: 'axle',
  build: ladder,
};
export const boxedLadder: FamilyDefinition = {
  family: 'boxed ladder',
  typical: {
    ...typical,
    railShape: { kind: 'box', depthMm: inch(5), widthMm: inch(2.5), thicknessMm: inch(0.1345) },
  },
  first: 'axle',
  build: ladder,
};
export const mixedLadder: FamilyDefinition = {
  family: 'mixed ladder',
  typical: {
    ...typical,
    railShape: { ...CHANNEL, depthMm: inch(7), flangeMm: inch(2.5), thicknessMm: inch(3 / 16) },
  },
  first: 'axle',
  build: mixed,
};
