import type { ColumnDamage } from '../damage';
import type { Finding, Verdict } from '../finding';
import type { MemberPicture } from '../picture';
import { isJudged } from '../kept';
import { isMended } from '../mended';

/** A flange counts as gone where more than half its width is unsound. */
const GONE = 0.5;

/** Top flange gone over a length, or both flanges (a C that has become a flat strip): plates have nothing to land on. Up to the shop's share of a rail is spliced, beyond that it is renewed; whether the unit is done is said of the unit. */
export function flanges(picture: MemberPicture): Finding[] {
  const topGone = picture.columns.filter((column) => column.topShare > GONE);
  if (!topGone.some((column) => column.topDirect)) return [];
  const bothGone = topGone.filter((column) => column.bottomShare > GONE);
  if (bothGone.length) return [goneOver('both-flanges-gone', bothGone, picture)];
  return topGone.length ? [goneOver('top-flange-gone', topGone, picture)] : [];
}

function goneOver(
  code: 'top-flange-gone' | 'both-flanges-gone',
  columns: readonly ColumnDamage[],
  picture: MemberPicture,
): Finding {
  const share = columns.length / picture.columns.length;
  const renews = share > picture.ways.spliceShare || picture.ways.approach === 'replace only';
  const judged = new Set(picture.sections.filter(isJudged).map(({ stationMm }) => stationMm));
  // A thin reading that nobody read around says little of a flange's whole width.
  const isSure = columns.some(({ topGone, stationMm }) => topGone || judged.has(stationMm));
  const verdict: Verdict = renews || picture.member.role === 'crossmember' ? 'Renew' : 'Splice';
  return {
    code,
    verdict,
    quantity: 'fraction',
    value: share,
    limit: picture.ways.spliceShare,
    source: 'practice',
    firmness: isSure ? 'firm' : 'open',
    at: { fromMm: columns[0]!.stationMm, toMm: columns[columns.length - 1]!.stationMm },
  };
}

/** Stations where no metal at all is left. */
export function parted(picture: MemberPicture): Finding[] {
  if (picture.partedAtMm.length === 0) return [];
  return [
    {
      code: 'parted',
      verdict: isMended(picture.member) && picture.ways.approach !== 'replace only' ? 'Splice' : 'Renew',
      quantity: 'count',
      value: picture.partedAtMm.length,
      limit: 0,
      source: 'practice',
      firmness: 'firm',
      at: { fromMm: picture.partedAtMm[0]!, toMm: picture.partedAtMm[picture.partedAtMm.length - 1]! },
    },
  ];
}
