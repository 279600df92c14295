import { breadthMm } from '../../frame';
import { drawnSection, type DrawnSection } from '../../weigh';
import type { MemberWork } from '../member';
import { worthOf } from './worth';

/** A kept repair where least was left, drawn: as found, and as it is specified. */
export interface RepairSlices {
  readonly repairId: string;
  readonly memberId: string;
  readonly stationMm: number;
  /** The section's own size as made, mm, and whether it is drawn from behind: a right-hand member's outer side is to the right. */
  readonly breadthMm: number;
  readonly depthMm: number;
  readonly isMirrored: boolean;
  /** Walls are drawn so many times as thick. */
  readonly exaggeration: number;
  readonly found: DrawnSection;
  readonly repaired: DrawnSection;
}

const EXAGGERATION = 2;

/** Only repairs over metal that somebody read: there is nothing to draw of what nobody knows. */
export const slicesOf = (works: readonly MemberWork[]): RepairSlices[] =>
  worthOf(works).flatMap(({ repairId, memberId, stationMm, before, after }) => {
    const work = works.find(({ picture }) => picture.member.id === memberId)!;
    const [found, repaired] = (['as found', 'as repaired'] as const).map((id) => {
      const state = work.states.find((each) => each.id === id);
      return (
        state &&
        drawnSection(
          work.picture.surface,
          state.wallAt(stationMm).thicknessMm,
          state.changeAt(stationMm),
          EXAGGERATION,
        )
      );
    });
    if (!before || !after || !found || !repaired) return [];
    const { shape, side } = work.picture.member;
    return [
      {
        repairId,
        memberId,
        stationMm,
        breadthMm: breadthMm(shape),
        depthMm: shape.depthMm,
        isMirrored: side === 'right',
        exaggeration: EXAGGERATION,
        found,
        repaired,
      },
    ];
  });
