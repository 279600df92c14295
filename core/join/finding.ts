import { BURNS_THROUGH_MM, boltShearN, GAP_IGNORED_MM, gapLimitMm, plugHoleMm } from '../reference';
import { inchesToMm } from '../quantity';
import { isBolted, type RepairPicture } from '../shape';
import type { BoltSet } from './bolt-set';
import { strengthNPerMm, type EndDemand, type Joining, type WeldLine } from './weld-line';
import { isGapOver } from './said';

export const JOIN_FINDING_CODES = [
  'leg-under-minimum',
  'leg-over-maximum',
  'base-metal-governs',
  'flow-ample',
  'flow-over',
  'end-short',
  'weight-unknown',
  'overhead',
  'trade-plug-smaller',
  'plug-under-published',
  'no-lines',
  'wall-bears',
  'bolts-short',
  'gap-grows-leg',
  'gap-over',
  'access-poor',
  'burns-through',
  'left-open',
  'open-not-allowed',
] as const;
export type JoinFindingCode = (typeof JOIN_FINDING_CODES)[number];

/** A remark on a repair's welds. `lineIds` name the lines it is about. */
export interface JoinFinding {
  readonly code: JoinFindingCode;
  readonly weight: 'broken' | 'deviation' | 'note';
  readonly lineIds: readonly string[];
  readonly value?: number;
  readonly limit?: number;
}

type Figures = Pick<JoinFinding, 'value' | 'limit'>;

/** One remark about some lines; none where there are no lines it is about. */
const about = (
  code: JoinFindingCode,
  weight: JoinFinding['weight'],
  lines: readonly { readonly id: string }[],
  figures: Figures = {},
): JoinFinding[] =>
  lines.length ? [{ code, weight, lineIds: lines.map((line) => line.id), ...figures }] : [];

/** What is to be said of a repair's welds: legs against their limits, flow and ends against strength, what is hard to reach. */
export function checkJoining(context: RepairPicture, joined: Joining): JoinFinding[] {
  if (isBolted(context.repair)) return boltRemarks(joined);
  const all = joined.lines.filter((line) => line.kind === 'fillet');
  const fillets = all.filter(({ leftOpen }) => leftOpen === undefined);
  if (fillets.length === 0) return [{ code: 'no-lines', weight: 'broken', lineIds: [] }];
  const where = (test: (line: WeldLine) => boolean) => fillets.filter(test);
  return [
    ...about(
      'leg-under-minimum',
      'broken',
      where((line) => line.legMm < line.minimumLegMm - 1e-6),
    ),
    ...about(
      'leg-over-maximum',
      'broken',
      where((line) => line.legMm > line.maximumLegMm + 1e-6),
    ),
    ...about(
      'base-metal-governs',
      'note',
      where((line) => line.baseNPerMm < line.fillerNPerMm),
    ),
    ...flowRemarks(fillets),
    ...joined.ends.flatMap((end) => endRemark(end, fillets)),
    ...about(
      'overhead',
      'note',
      where((line) => line.position === 'overhead'),
    ),
    ...plugRemark(context, joined),
    ...saidRemarks(context, all),
  ];
}

/** Of what was found and chosen at single seams: gaps, access, thin edges, what stays open. */
function saidRemarks({ picture: { legal } }: RepairPicture, all: readonly WeldLine[]): JoinFinding[] {
  const open = all.filter(({ leftOpen }) => leftOpen !== undefined);
  const laid = all.filter(({ leftOpen }) => leftOpen === undefined);
  const gaps = laid.filter(({ gapMm = 0 }) => gapMm > GAP_IGNORED_MM);
  const over = gaps.filter(isGapOver);
  const most = (lines: readonly WeldLine[]) => Math.max(0, ...lines.map(({ gapMm = 0 }) => gapMm));
  // Nothing known beneath is not thin: that the weld counts for nothing there is said by its strength.
  const thin = laid.filter(({ wallMm }) => wallMm > 0 && wallMm < BURNS_THROUGH_MM);
  return [
    ...about(
      'gap-grows-leg',
      'note',
      gaps.filter((line) => !isGapOver(line)),
      { value: most(gaps.filter((line) => !isGapOver(line))) },
    ),
    ...about('gap-over', 'broken', over, {
      value: most(over),
      limit: Math.min(...over.map(({ thinnerMm }) => gapLimitMm(thinnerMm))),
    }),
    ...about(
      'access-poor',
      'note',
      laid.filter(({ access }) => access === 'poor'),
    ),
    ...about('burns-through', 'note', thin, {
      value: Math.min(...thin.map(({ wallMm }) => wallMm)),
      limit: BURNS_THROUGH_MM,
    }),
    ...(legal.seamsContinuous
      ? about('open-not-allowed', 'broken', open)
      : about('left-open', 'deviation', open)),
  ];
}

/** Of bolts: whether shear or the holes in the wall decide, what the shear along the plates asks, and ends that cannot bring the force in. */
function boltRemarks({ bolts, boltShare, ends }: Joining): JoinFinding[] {
  if (bolts.length === 0) return [{ code: 'no-lines', weight: 'broken', lineIds: [] }];
  const shear = ({ marks, diameterMm }: BoltSet) => boltShearN(marks, diameterMm) ?? 0;
  const bearing = bolts.filter((set) => set.strengthN !== undefined && set.strengthN < shear(set) - 1e-6);
  return [
    ...about('wall-bears', 'note', bearing),
    ...(boltShare === undefined
      ? about('weight-unknown', 'note', bolts)
      : about(boltShare > 1 ? 'flow-over' : 'flow-ample', boltShare > 1 ? 'broken' : 'note', bolts, {
          value: boltShare,
          limit: 1,
        })),
    ...ends
      .filter(({ capacityN, forceN }) => capacityN < forceN)
      .flatMap(({ pieceId, capacityN, forceN }) =>
        about(
          'bolts-short',
          'broken',
          bolts.filter(({ pieceIds }) => pieceIds.includes(pieceId)),
          { value: capacityN, limit: forceN },
        ),
      ),
  ];
}

function flowRemarks(fillets: readonly WeldLine[]): JoinFinding[] {
  const flowing = fillets.filter((line) => line.flowNPerMm !== undefined);
  if (flowing.length === 0) return about('weight-unknown', 'note', fillets);
  const most = Math.max(...flowing.map((line) => line.flowNPerMm! / strengthNPerMm(line)));
  const figures = { value: most, limit: 1 };
  return most > 1
    ? about('flow-over', 'broken', flowing, figures)
    : about('flow-ample', 'note', flowing, figures);
}

/** An end whose welds cannot bring the plate's force in. */
function endRemark(end: EndDemand, fillets: readonly WeldLine[]): JoinFinding[] {
  if (end.capacityN >= end.forceN) return [];
  const lines = fillets.filter((line) => line.pieceId === end.pieceId && line.place === end.end);
  return about('end-short', 'broken', lines, { value: end.capacityN, limit: end.forceN });
}

/** The trade's plug hole. */
const TRADE_PLUG_MM = inchesToMm(3 / 8);
/** A plug hole under the published size is said; the published size against the trade's is a note. */
function plugRemark({ repair }: RepairPicture, { lines }: Joining): JoinFinding[] {
  const plugs = lines.filter((line) => line.kind === 'plug');
  if (!repair.plugs) return [];
  const published = plugHoleMm(repair.pieces[0]!.thicknessMm);
  const small = plugs.filter((line) => line.plugs!.diameterMm < published - 1e-6);
  if (small.length > 0) {
    const value = Math.min(...small.map((line) => line.plugs!.diameterMm));
    return about('plug-under-published', 'deviation', small, { value, limit: published });
  }
  return published > TRADE_PLUG_MM
    ? [
        {
          code: 'trade-plug-smaller',
          weight: 'note',
          lineIds: plugs.map(({ id }) => id),
          value: published,
          limit: TRADE_PLUG_MM,
        },
      ]
    : [];
}
