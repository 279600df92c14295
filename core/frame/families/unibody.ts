import { poundsToKg } from '../../quantity';
import type { Pocket } from '../enclosed';
import type { Frame } from '../frame';
import { inFromOuter } from '../placement';
import type { MemberShape } from '../shape';
import {
  inch,
  lineMember,
  marks,
  pair,
  planned,
  rounded,
  SIDES,
  type FamilyChoice,
  type FamilyDefinition,
} from './parts';

/**
 * A unibody as a few closed sections: front rails, floor rails under the floor, rear rails, sills, the crossmembers that tie them, towers, axle
 * carrier. Floor, roof and glass are not in it: it is softer than the car, and shows where force goes rather than how much.
 */
function unibody(choice: FamilyChoice): Frame {
  const plan = planned(choice, 0.18, 0.78);
  const L = choice.lengthMm;
  const rail = choice.railShape;
  const railY = choice.widthMm / 2 - inFromOuter(rail);
  const sillY = railY + inch(10);
  const [wallMm, backMm] = [rounded(plan.firstMm + inch(20)), rounded(plan.rearMm - inch(16))];
  const hat: MemberShape = {
    kind: 'hat',
    depthMm: inch(2.5),
    widthMm: inch(3),
    lipMm: inch(0.75),
    thicknessMm: inch(0.0747),
  };
  const sill: MemberShape = { kind: 'box', depthMm: inch(6), widthMm: inch(3.5), thicknessMm: inch(0.0598) };
  const cross: MemberShape = {
    kind: 'box',
    depthMm: inch(3.5),
    widthMm: inch(3.5),
    thicknessMm: inch(0.0598),
  };
  const tower: MemberShape = { kind: 'tube', depthMm: inch(6), thicknessMm: inch(0.0747) };
  const across = (id: string, name: string, x: number, y: number, more = {}) =>
    lineMember(
      { id, name, role: 'brace', shape: cross, steel: choice.steel, ...more },
      [x, -y, 0],
      [x, y, 0],
    );
  const bolt = { attached: { by: 'bolts', count: 1 } } as const;
  const [subframe, carrier] = [
    { ...bolt, set: 'front subframe' },
    { ...bolt, set: 'axle carrier' },
  ];
  const top = (onId: string, upMm: number) =>
    ({ onId, dropMm: -upMm, attached: { by: 'bolts', count: 3 } }) as const;
  return {
    family: choice.family,
    lengthMm: L,
    widthMm: choice.widthMm,
    datum: choice.datum,
    members: [
      ...pair('rail-#-front', 'front rail', () => ({
        role: 'rail',
        shape: rail,
        steel: choice.steel,
        lengthMm: wallMm + inch(6),
        carries: ['axle location', 'steering'],
      })),
      ...pair('rail-#-rear', 'rear rail', () => ({
        role: 'rail',
        shape: rail,
        steel: choice.steel,
        startMm: backMm - rounded(inch(6)),
        lengthMm: L - backMm + rounded(inch(6)),
        carries: ['axle location'],
      })),
      ...pair('floor-rail', 'floor rail', (_, hand) => ({
        role: 'floor rail',
        shape: hat,
        steel: choice.steel,
        line: { from: [wallMm, hand * railY, 0], to: [backMm, hand * railY, 0] },
        carries: ['people'],
        hidden: ['inner lip', 'outer lip'],
      })),
      ...pair('sill', 'sill', (_, hand) => ({
        role: 'sill',
        shape: sill,
        steel: choice.steel,
        line: { from: [wallMm, hand * sillY, 0], to: [backMm, hand * sillY, 0] },
        carries: ['people'],
        hidden: ['inner'],
      })),
      across('cross-front', 'Radiator crossmember', rounded(inch(6)), railY),
      across('cross-wall', 'Firewall crossmember', wallMm, sillY),
      across('cross-seat', 'Seat crossmember', rounded((wallMm + backMm) / 2), sillY, {
        carries: ['people'],
      }),
      across('cross-rear', 'Rear seat crossmember', backMm, sillY, { carries: ['people'] }),
      across('carrier', 'Axle carrier floor', rounded(plan.rearMm), railY, {
        carries: ['axle location', 'spring seat'],
      }),
      across('cross-tail', 'Tail crossmember', L - rounded(inch(4)), railY),
      ...pair('tower-#-front', 'front tower', (_, hand) => ({
        role: 'tower',
        shape: tower,
        steel: choice.steel,
        line: {
          from: [plan.firstMm, hand * (railY + inch(1)), 0],
          to: [plan.firstMm, hand * (railY + inch(1)), inch(20)],
        },
        carries: ['spring seat', 'shock'],
      })),
      ...pair('tower-#-rear', 'rear tower', (_, hand) => ({
        role: 'tower',
        shape: tower,
        steel: choice.steel,
        line: {
          from: [plan.rearMm, hand * (railY + inch(1)), 0],
          to: [plan.rearMm, hand * (railY + inch(1)), inch(14)],
        },
        carries: ['spring seat', 'shock'],
      })),
    ],
    fittings: marks(
      [
        ['axle', 'Front axle', 'both', plan.firstMm],
        ['steering gear', 'Steering rack', 'both', plan.firstMm + inch(6)],
        ['captive mount', 'Subframe mount, front', 'both', plan.firstMm - inch(10), subframe],
        ['captive mount', 'Subframe mount, rear', 'both', plan.firstMm + inch(14), subframe],
        ['lift point', 'Jacking point, front', 'both', wallMm + inch(8)],
        ['lift point', 'Jacking point, rear', 'both', backMm - inch(8)],
        ['captive mount', 'Axle carrier mount', 'both', plan.rearMm - inch(8), carrier],
        ['axle', 'Rear axle', 'both', plan.rearMm],
        ['tank', 'Fuel tank', 'both', backMm - inch(14)],
        ['line', 'Brake line', 'left', rounded(L / 2)],
        ['harness', 'Floor harness', 'right', rounded(L / 2)],
        ['exhaust', 'Exhaust hanger', 'right', backMm],
        ['hitch', 'Tow eye', 'right', L - inch(4)],
        ['captive mount', 'Axle carrier mount, rear', 'both', plan.rearMm + inch(8), carrier],
        ['tower top', 'Front tower top', 'both', plan.firstMm, top('tower-left-front', inch(20))],
        ['tower top', 'Rear tower top', 'both', plan.rearMm, top('tower-left-rear', inch(14))],
      ],
      L,
    ),
    panels: [
      ...SIDES.map((side) => ({
        id: `floor-${side}`,
        kind: 'floor' as const,
        name: `${side === 'left' ? 'Left' : 'Right'} floor, from above and below`,
        side,
        fromMm: wallMm,
        toMm: backMm,
        behindIds: [`floor-rail-${side}`, `sill-${side}`],
      })),
      {
        id: 'firewall',
        kind: 'bulkhead' as const,
        name: 'Bulkhead',
        fromMm: wallMm - inch(2),
        toMm: wallMm + inch(2),
        behindIds: ['cross-wall'],
      },
    ],
    pockets: SIDES.flatMap((side) => [
      pocket(side, 'sill', 'Sill', backMm - wallMm),
      pocket(side, 'floor-rail', 'Floor rail', backMm - wallMm),
    ]),
  };
}

const pocket = (side: 'left' | 'right', id: string, name: string, lengthMm: number): Pocket => ({
  id: `${id}-${side} inside`,
  name: `${name}, ${side}, inside`,
  memberId: `${id}-${side}`,
  fromMm: 0,
  toMm: lengthMm,
  drains: 2,
});

export const unibodies: FamilyDefinition = {
  family: 'unibody',
  typical: {
    grossKg: poundsToKg(3200),
    railShape: { kind: 'box', depthMm: inch(4), widthMm: inch(2.5), thicknessMm: inch(0.0747) },
    lengthMm: inch(168),
    widthMm: inch(44),
    firstMm: inch(30),
    wheelbaseMm: inch(102),
    rearAxles: 1,
    spreadMm: inch(34),
  },
  first: 'axle',
  build: unibody,
};
