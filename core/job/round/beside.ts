import { minus, type Vector } from '../../geometry';
import { breadthMm, crossingsOn, fittingsOn, type Fitting } from '../../frame';
import { NO_FOOT } from '../../shape';
import { STAYS, type RoundFace } from './face';
import { inRound, type Stretch } from './stretch';

/** A bracket whose size nobody recorded, mm. */
const USUAL = { alongMm: 100, highMm: 110, thicknessMm: 10 } as const;
/** How much of a crossmember is shown, mm. */
const STUB_MM = 180;

/** A box by two opposite corners. */
function box([x0, y0, z0]: Vector, [x1, y1, z1]: Vector): Vector[][] {
  return [
    [
      [x0, y0, z0],
      [x1, y0, z0],
      [x1, y1, z0],
      [x0, y1, z0],
    ],
    [
      [x0, y0, z1],
      [x1, y0, z1],
      [x1, y1, z1],
      [x0, y1, z1],
    ],
    [
      [x0, y0, z0],
      [x1, y0, z0],
      [x1, y0, z1],
      [x0, y0, z1],
    ],
    [
      [x0, y1, z0],
      [x1, y1, z0],
      [x1, y1, z1],
      [x0, y1, z1],
    ],
    [
      [x0, y0, z0],
      [x0, y1, z0],
      [x0, y1, z1],
      [x0, y0, z1],
    ],
    [
      [x1, y0, z0],
      [x1, y1, z0],
      [x1, y1, z1],
      [x1, y0, z1],
    ],
  ];
}

/** Brackets and hangers of the stretch, as plates of their recorded size: beneath the member where their load hangs lower, else on its outer side. */
export function fittingFaces({ picture: { frame, member }, fromMm, toMm }: Stretch): RoundFace[] {
  return fittingsOn(frame, member)
    .filter(({ kind, stationMm }) => !NO_FOOT.has(kind) && stationMm >= fromMm && stationMm <= toMm)
    .flatMap((fitting) =>
      bracket(fitting, member).map((corners): RoundFace => ({
        part: 'fitting',
        corners,
        out: STAYS,
        off: offOf(fitting, member),
      })),
    );
}

function bracket(
  { stationMm, size = USUAL, dropMm = 0 }: Fitting,
  member: Parameters<typeof inRound>[0] & Stretch['picture']['member'],
): Vector[][] {
  const { shape } = member;
  const place = inRound(member);
  const [x0, x1] = [stationMm - size.alongMm / 2, stationMm + size.alongMm / 2];
  const hangsMm = dropMm - shape.depthMm / 2;
  const [low, high] =
    hangsMm > 0
      ? [-hangsMm, 0]
      : [0.15 * shape.depthMm, 0.15 * shape.depthMm + Math.min(size.highMm, 0.7 * shape.depthMm)];
  const [near, far] =
    hangsMm > 0
      ? [0.2 * breadthMm(shape), 0.2 * breadthMm(shape) + size.thicknessMm]
      : [-size.thicknessMm, 0];
  return box(place(x0, [near, low]), place(x1, [far, high]));
}

/** Beneath its member where it hangs lower, else on its outer side. */
function offOf({ dropMm = 0 }: Fitting, member: Stretch['picture']['member']): Vector {
  const place = inRound(member);
  const isBeneath = dropMm > member.shape.depthMm / 2;
  return minus(place(0, isBeneath ? [0, -1] : [-1, 0]), place(0, [0, 0]));
}

/** Stubs of the crossmembers that meet it, on its inner side. */
export function crossmemberFaces({ picture: { frame, member }, fromMm, toMm }: Stretch): RoundFace[] {
  const place = inRound(member);
  const { shape } = member;
  return crossingsOn(frame, member)
    .filter(({ stationMm }) => stationMm >= fromMm && stationMm <= toMm)
    .flatMap(({ member: crossing, stationMm }) => {
      const [deep, wide] = [crossing.shape.depthMm, breadthMm(crossing.shape)];
      const low = (shape.depthMm - deep) / 2;
      const inMm = shape.thicknessMm;
      return box(
        place(stationMm - wide / 2, [inMm, low]),
        place(stationMm + wide / 2, [inMm + STUB_MM, low + deep]),
      ).map((corners): RoundFace => ({
        part: 'crossmember',
        corners,
        out: STAYS,
        off: minus(place(0, [1, 0]), place(0, [0, 0])),
      }));
    });
}
