import { answer, guarded, notFound, systemOf } from '../../../../_door';
import { askOffice } from '../../../../../_office';
import { repairAmong } from '@/core/job';
import { drawScribe, openingsOf, SCRIBE_LAYERS, scribeSheet } from '@/core/shape';
import { database, jobFile } from '@/data';
import { drawingIn } from '../../../../_drawing';

/** What is scribed on the member for a repair, at 1:1: plates' outlines, openings, folds, stations. */
export const GET = (request: Request, { params }: { params: Promise<{ jobId: string; repairId: string }> }) =>
  guarded(request, async () => {
    const { jobId, repairId } = await params;
    const file = jobFile(database(), jobId);
    if (!file) return notFound('job');
    const works = await askOffice('worked', file);
    if (!works.ok) return answer(works);
    const found = repairAmong(works.value, repairId);
    const sheet =
      found &&
      scribeSheet(
        found.work.picture.member,
        found.worked.repair,
        openingsOf(found.work.picture, found.worked.repair),
      );
    if (!sheet) return notFound('sheet to scribe by');
    const system = systemOf(request);
    return drawingIn(request, {
      name: `${file.unit.tag}-${repairId}-scribe`,
      title: `${file.unit.tag}: to scribe by, ${sheet.memberName}`,
      layers: SCRIBE_LAYERS,
      draw: (pen) => drawScribe(pen, sheet, system),
      outline: [
        [0, 0],
        [sheet.lengthMm, 0],
        [sheet.lengthMm, sheet.widthMm],
        [0, sheet.widthMm],
      ],
    });
  });
