import { plugHoleMm } from '../reference';
import { inchesToMm } from '../quantity';
import type { RepairPicture } from '../shape';
import { strengthNPerMm, type Joining } from './weld-line';

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
  'no-lines',
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

export function checkJoining(context: RepairPicture, joined: Joining): JoinFinding[] {
  const fillets = joined.lines.filter((line) => line.kind === 'fillet');
  if (fillets.length === 0) return [{ code: 'no-lines', weight: 'broken', lineIds: [] }];
  const idsWhere = (test: (line: (typeof fillets)[number]) => boolean) =>
    fillets.filter(test).map((line) => line.id);
  const finding = (
    code: JoinFindingCode,
    weight: JoinFinding['weight'],
    lineIds: readonly string[],
    value?: number,
    limit?: number,
  ): JoinFinding[] =>
    lineIds.length
      ? [
          {
            code,
            weight,
            lineIds,
            ...(value !== undefined && { value }),
            ...(limit !== undefined && { limit }),
          },
        ]
      : [];
  const flows = fillets
    .filter((line) => line.flowNPerMm !== undefined)
    .map((line) => ({ id: line.id, use: line.flowNPerMm! / strengthNPerMm(line) }));
  const most = Math.max(...flows.map((flow) => flow.use));
  return [
    ...finding(
      'leg-under-minimum',
      'broken',
      idsWhere((line) => line.legMm < line.minimumLegMm - 1e-6),
    ),
    ...finding(
      'leg-over-maximum',
      'broken',
      idsWhere((line) => line.legMm > line.maximumLegMm + 1e-6),
    ),
    ...finding(
      'base-metal-governs',
      'note',
      idsWhere((line) => line.baseNPerMm < line.fillerNPerMm),
    ),
    ...finding(
      most > 1 ? 'flow-over' : 'flow-ample',
      most > 1 ? 'broken' : 'note',
      flows.map((flow) => flow.id),
      most,
      1,
    ),
    ...(flows.length === 0
      ? finding(
          'weight-unknown',
          'note',
          fillets.map((line) => line.id),
        )
      : []),
    ...joined.ends
      .filter((end) => end.capacityN < end.forceN)
      .flatMap((end) =>
        finding(
          'end-short',
          'broken',
          fillets
            .filter((line) => line.pieceId === end.pieceId && line.place === end.end)
            .map((line) => line.id),
          end.capacityN,
          end.forceN,
        ),
      ),
    ...finding(
      'overhead',
      'note',
      idsWhere((line) => line.position === 'overhead'),
    ),
    ...(context.repair.plugs && plugHoleMm(context.repair.pieces[0]!.thicknessMm) > inchesToMm(3 / 8)
      ? [
          {
            code: 'trade-plug-smaller' as const,
            weight: 'note' as const,
            lineIds: joined.lines.filter((line) => line.kind === 'plug').map((line) => line.id),
            value: plugHoleMm(context.repair.pieces[0]!.thicknessMm),
            limit: inchesToMm(3 / 8),
          },
        ]
      : []),
  ];
}
