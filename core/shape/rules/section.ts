import { inchesToMm } from '../../quantity';
import { outstandLimit } from '../../reference';
import { axleStationsMm, facesOf, isClosed, type MemberShape } from '../../frame';
import { crackExtent } from '../../trace';
import { lowerBound, STIFF_STEP } from '../../weigh';
import { isBolted } from '../bolting';
import { facesCovered } from '../faces-covered';
import { faceOfPiece, formOf } from '../forms';
import type { Piece } from '../repair';
import type { RepairFinding } from '../repair-finding';
import type { RepairPicture } from '../repair-picture';

/** Restored section modulus: back to what was built by its lower bound, and not far beyond it where the end is abrupt. */
export function restored({ picture, repair, restored: sections }: RepairPicture): RepairFinding[] {
  if (sections.length === 0) return [];
  const modulus = sections.map((section) => ({
    stationMm: section.stationMm,
    lower: Math.min(lowerBound(section.kept.modulusTop!), lowerBound(section.kept.modulusBottom!)),
    most: Math.max(section.kept.modulusTop!.value, section.kept.modulusBottom!.value),
  }));
  const weakest = modulus.reduce((a, b) => (b.lower < a.lower ? b : a));
  const stiffest = modulus.reduce((a, b) => (b.most > a.most ? b : a));
  const findings: RepairFinding[] = [];
  const limit = picture.practice.leaveFraction;
  if (weakest.lower < limit)
    findings.push({
      code: 'strength-not-restored',
      weight: 'broken',
      quantity: 'fraction',
      value: weakest.lower,
      limit,
      source: 'retained',
      at: { fromMm: weakest.stationMm, toMm: weakest.stationMm },
    });
  if (stiffest.most > STIFF_STEP) {
    const tapered = repair.pieces.every((piece) => piece.taperMm >= picture.member.shape.depthMm / 2);
    findings.push({
      code: tapered ? 'overlay-stiff-tapered' : 'overlay-stiff-abrupt',
      weight: tapered ? 'note' : 'broken',
      quantity: 'fraction',
      value: stiffest.most,
      limit: STIFF_STEP,
      source: 'practice',
      at: { fromMm: stiffest.stationMm, toMm: stiffest.stationMm },
    });
  }
  return findings;
}

export function plateThickness({ picture, repair }: RepairPicture): RepairFinding[] {
  const { shape } = picture.member;
  return repair.pieces.flatMap((piece): RepairFinding[] => {
    const limit = thickestUnder(shape, piece);
    return piece.thicknessMm < 0.97 * limit
      ? [
          {
            code: 'plate-thinner-than-wall',
            weight: 'deviation',
            pieceId: piece.id,
            quantity: 'thickness',
            value: piece.thicknessMm,
            limit,
            source: 'practice',
          },
        ]
      : [];
  });
}

/** Plates nearer than this to one on the shelf are of it, mm. */
const SAME_PLATE_MM = 0.1;

/** A plate of a thickness that the shop does not have is bought first, or bought as a cap. */
export const inStock = ({ picture: { practice }, repair }: RepairPicture): RepairFinding[] =>
  repair.pieces
    .filter(
      ({ thicknessMm }) =>
        !practice.stockThicknessesMm.some((mm) => Math.abs(mm - thicknessMm) <= SAME_PLATE_MM),
    )
    .map(({ id, thicknessMm }) => ({
      code: 'not-in-stock',
      weight: 'note',
      pieceId: id,
      quantity: 'thickness',
      value: thicknessMm,
      source: 'practice',
    }));

/** The thickest face that a piece lies on, as made. */
function thickestUnder(shape: MemberShape, piece: Piece): number {
  const covered = facesCovered(shape, piece);
  return Math.max(
    0,
    ...facesOf(shape)
      .filter(({ id }) => covered.has(id))
      .map(({ wallMm }) => wallMm),
  );
}

/** 49 CFR 393.201(c) for those it is meant for: a flange of an open channel between the axles is not cut except as the maker specifies. */
export function flangeCut({ picture, repair, target }: RepairPicture): RepairFinding[] {
  const axles = axleStationsMm(picture.frame).map((stationMm) => stationMm - (picture.member.startMm ?? 0));
  if (!repair.cutOut || !target || isClosed(picture.member.shape) || axles.length < 2) return [];
  const [front, rear] = [axles[0]!, axles[axles.length - 1]!];
  if (target.toMm < front || target.fromMm > rear) return [];
  return [
    {
      code: 'flange-cut-between-axles',
      // A profile that forbids it is broken; without one it stays a caution of common practice.
      weight: picture.legal.flangesUncut ? 'broken' : 'deviation',
      quantity: 'length',
      source: picture.legal.flangesUncut ? 'flangeCut' : 'practice',
      at: { fromMm: Math.max(front, target.fromMm), toMm: Math.min(rear, target.toMm) },
    },
  ];
}

/** A plate's leg that hangs free beside a rotten flange: its outstand against local buckling. */
export function freeEdge({ picture, pieces }: RepairPicture): RepairFinding[] {
  const most = outstandLimit(picture.steel.yieldMpa);
  return pieces.flatMap(({ piece, stations }): RepairFinding[] => {
    const free = stations.some(({ edges }) =>
      edges.some((edge) => !edge.lands && edge.why === 'unsound' && !edge.face.upright),
    );
    const { shape } = picture.member;
    const face = faceOfPiece(shape, piece);
    const leg = face && formOf(piece.kind).freeLegMm?.(shape, piece, face);
    if (!free || leg === undefined) return [];
    return leg / piece.thicknessMm > most
      ? [
          {
            code: 'free-edge-slender',
            weight: 'deviation',
            pieceId: piece.id,
            quantity: 'count',
            value: leg / piece.thicknessMm,
            limit: most,
            source: 'outstand',
          },
        ]
      : [];
  });
}

/** Zinc within 2 in of a seam is stripped first (common practice, no source). */
const STRIP_MM = inchesToMm(2);
export function zincBeneath({ picture, repair }: RepairPicture): RepairFinding[] {
  return (picture.signs ?? []).flatMap(({ detail, stationMm, toMm = stationMm }): RepairFinding[] =>
    detail.sign === 'coating' &&
    detail.coat === 'zinc' &&
    repair.pieces.some(({ startMm, endMm }) => stationMm <= endMm + STRIP_MM && toMm >= startMm - STRIP_MM)
      ? [
          {
            code: 'zinc-beneath',
            weight: 'note',
            quantity: 'count',
            source: 'practice',
            at: { fromMm: stationMm, toMm },
          },
        ]
      : [],
  );
}

/** What is about to be covered: cracks are welded first; rust left beneath is said. */
export function beneath({ picture, repair, target }: RepairPicture): RepairFinding[] {
  if (!target) return [];
  const covered = picture.cracks.filter(
    (crack) => crackExtent(crack).fromMm <= target.toMm && crackExtent(crack).toMm >= target.fromMm,
  );
  const isOn = isBolted(repair);
  const findings: RepairFinding[] = covered.map((crack) => ({
    code: isOn ? 'crack-stays' : 'crack-beneath',
    weight: isOn ? 'deviation' : 'note',
    quantity: 'length',
    source: 'practice',
    at: crackExtent(crack),
  }));
  const rust = picture.zones.some((zone) => zone.fromMm <= target.toMm && zone.toMm >= target.fromMm);
  return rust && !repair.cutOut
    ? [
        ...findings,
        {
          code: isOn ? 'rust-between' : 'rust-enclosed',
          weight: 'note',
          quantity: 'length',
          source: 'practice',
          at: target,
        },
      ]
    : findings;
}
