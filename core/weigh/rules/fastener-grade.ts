import { carriedBy, fittingsOn, GOVERNS_DRIVING } from '../../frame';
import type { Sign } from '../../walk';
import type { Finding } from '../finding';
import type { MemberPicture } from '../picture';

/** Radial marks on a bolt's head, SAE J429 (from memory): three for grade 5, six for grade 8. */
const [GRADE_5, GRADE_8] = [3, 6];

/**
 * Bolts by the grade found and wanted: grade 8 near what steers, locates an axle, seats a spring or hitches, grade 5 elsewhere (common practice, no
 * source; the maker's own grade goes before it). An unmarked bolt where it matters is renewed; a grade less than wanted is looked up.
 */
export function fastenerGrades(picture: MemberPicture): Finding[] {
  return (picture.signs ?? []).flatMap((sign): Finding[] => {
    const { detail } = sign;
    if (detail.sign !== 'fastener' || detail.is !== 'bolt' || detail.marks === undefined) return [];
    const governed = governedNear(picture, sign);
    const wanted = governed ? GRADE_8 : GRADE_5;
    if (detail.marks >= wanted) return [];
    return [
      {
        code: 'fastener-grade',
        verdict: governed && detail.marks < GRADE_5 ? 'Mend' : 'Watch',
        quantity: 'count',
        value: detail.marks,
        limit: wanted,
        source: 'boltMarks',
        ...(governed && { name: governed }),
        at: { fromMm: sign.stationMm, toMm: sign.toMm ?? sign.stationMm },
        firmness: 'firm',
      },
    ];
  });
}

/** The nearest fitting within the shop's reach that a unit cannot be driven without. */
function governedNear({ frame, member, practice }: MemberPicture, { stationMm }: Sign): string | undefined {
  const away = (mm: number) => Math.abs(mm - stationMm);
  return fittingsOn(frame, member)
    .filter((fitting) => away(fitting.stationMm) <= practice.walk.reachMm)
    .filter((fitting) => carriedBy(fitting).some((each) => GOVERNS_DRIVING.includes(each)))
    .sort((a, b) => away(a.stationMm) - away(b.stationMm))[0]?.name;
}
