import { soundThresholdMm } from '../../probe';
import type { Finding } from '../finding';
import { isJudged } from '../kept';
import { actOn } from '../mended';
import type { MemberPicture } from '../picture';

/**
 * Metal read thinner than sound on a flange or a lip, where too much of its section is guessed for that to be judged. One bad reading is bad metal there
 * as it is on a side, whose sound edge says so: that nobody read around it makes it no milder.
 */
export function thinRead(picture: MemberPicture): Finding[] {
  const { account, sections, practice } = picture;
  const judged = new Set(sections.filter(isJudged).map(({ stationMm }) => stationMm));
  const columns = account.stationsMm.length;
  let worst: { share: number; finding: Finding } | undefined;
  account.readMm.forEach((readMm, cell) => {
    const face = account.surface.rowFace[Math.floor(cell / columns)]!;
    const stationMm = account.stationsMm[cell % columns]!;
    const limit = soundThresholdMm(face.wallMm, practice);
    const share = readMm / face.wallMm;
    if (face.upright || judged.has(stationMm) || readMm >= limit || share >= (worst?.share ?? 1)) return;
    worst = {
      share,
      finding: {
        code: 'thin-read',
        verdict: actOn(picture),
        quantity: 'thickness',
        value: readMm,
        limit,
        source: 'sound',
        name: face.id,
        at: { fromMm: stationMm, toMm: stationMm },
        firmness: 'open',
      },
    };
  });
  return worst ? [worst.finding] : [];
}

/** Whether anything was read thinner than a *Leave* allows: who only strikes it does not leave it by hand. */
export const isReadShort = ({ account, practice }: MemberPicture): boolean =>
  account.readMm.some((readMm, cell) => {
    const { wallMm } = account.surface.rowFace[Math.floor(cell / account.stationsMm.length)]!;
    return readMm < practice.leaveFraction * wallMm;
  });
