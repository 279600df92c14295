import { answer, guarded, notFound, systemOf } from '../../../../_door';
import { flattenContour } from '@/core/geometry';
import { flatsOf, toCut } from '@/core/job';
import { drawBlank, FLAT_LAYERS, mirroredBlank } from '@/core/shape';
import { askOffice } from '../../../../../_office';
import { database, jobFile } from '@/data';
import { drawingIn } from '../../../../_drawing';

/** A flat at 1:1 (`as` dxf, svg or pdf on `paper`); `twin=1` mirrors it for the other side. */
export const GET = (request: Request, { params }: { params: Promise<{ jobId: string; blankId: string }> }) =>
  guarded(request, async () => {
    const { jobId, blankId } = await params;
    const file = jobFile(database(), jobId);
    if (!file) return notFound('job');
    const works = await askOffice('worked', file);
    if (!works.ok) return answer(works);
    const flats = works.value.flatMap(({ repairs }) => flatsOf(repairs));
    const found = toCut(flats, file).find(({ blank }) => blank.id === blankId);
    if (!found) return notFound('piece');
    const { blank, broken } = found;
    const isTwin = new URL(request.url).searchParams.get('twin') === '1';
    const system = systemOf(request);
    const warning = broken > 0 ? `DO NOT CUT: RULES BROKEN: ${broken}` : undefined;
    return drawingIn(request, {
      name: `${file.unit.tag}-${blankId}${isTwin ? '-twin' : ''}`,
      title: `${file.unit.tag}: ${blank.name}, ${blank.for}${isTwin ? ', mirrored twin' : ''}`,
      layers: FLAT_LAYERS,
      draw: (pen) => drawBlank(pen, blank, { system, isTwin, warning }),
      outline: flattenContour((isTwin ? mirroredBlank(blank) : blank).outline, 0.1),
    });
  });
