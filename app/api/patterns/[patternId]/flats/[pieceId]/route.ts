import { guarded, notFound, systemOf } from '../../../../_door';
import { drawingIn } from '../../../../_drawing';
import { flattenContour } from '@/core/geometry';
import { blanksOfRepair, drawBlank, FLAT_LAYERS, mirroredBlank } from '@/core/shape';
import { database, patternById, shopPractice } from '@/data';

type Params = Promise<{ patternId: string; pieceId: string }>;

/** A piece of a pattern, or one of its lengths, in its flat as it was made (`as` dxf, svg or pdf on `paper`); `twin=1` mirrors it. Bends are the shop's own today. */
export const GET = (request: Request, { params }: { params: Params }) =>
  guarded(request, async () => {
    const { patternId, pieceId } = await params;
    const pattern = patternById(database(), patternId);
    const practice = shopPractice(database()).part;
    const blank =
      pattern && blanksOfRepair(pattern.member, pattern.repair, practice).find(({ id }) => id === pieceId);
    if (!pattern || !blank) return notFound('piece of a pattern');
    const isTwin = new URL(request.url).searchParams.get('twin') === '1';
    return drawingIn(request, {
      name: `pattern-${pieceId}${isTwin ? '-twin' : ''}`,
      title: `${pattern.name}: ${blank.name}${isTwin ? ', mirrored twin' : ''}`,
      layers: FLAT_LAYERS,
      draw: (pen) =>
        drawBlank(pen, blank, {
          system: systemOf(request),
          isTwin,
          warning: 'A PATTERN: CHECK IT AGAINST THE MEMBER BEFORE IT IS CUT',
        }),
      outline: flattenContour((isTwin ? mirroredBlank(blank) : blank).outline, 0.1),
    });
  });
