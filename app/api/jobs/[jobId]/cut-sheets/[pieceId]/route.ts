import { download, guarded, notFound, systemOf } from '../../../../_door';
import { flatPatternDxf } from '@/core/exchange';
import { workJob } from '@/core/job';
import { database, jobFile } from '@/data';

/** A piece's flat pattern as DXF; `twin=1` mirrors it for the other side. */
export const GET = (request: Request, { params }: { params: Promise<{ jobId: string; pieceId: string }> }) =>
  guarded(request, async () => {
    const { jobId, pieceId } = await params;
    const file = jobFile(database(), jobId);
    if (!file) return notFound('job');
    const pattern = workJob(file)
      .flatMap((work) => work.repairs.flatMap((repair) => repair.patterns))
      .find((each) => each.piece.id === pieceId);
    if (!pattern) return notFound('piece');
    const twin = new URL(request.url).searchParams.get('twin') === '1';
    return download(
      flatPatternDxf(pattern, systemOf(request), twin),
      'application/dxf',
      `${file.unit.tag}-${pieceId}${twin ? '-twin' : ''}.dxf`,
    );
  });
