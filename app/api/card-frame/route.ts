import { answer, download, guarded } from '../_door';
import { paperOf } from '@/core/shape';
import { refused } from '@/data';
import { cardFramePdf } from '@/ui/print/card-frame';

/** The sheet of four marks that a card is photographed on. */
export const GET = (request: Request) =>
  guarded(request, async () => {
    const paper = paperOf(new URL(request.url).searchParams.get('paper') ?? 'letter');
    if (!paper.ok) return answer(refused('invalid', paper.reason, 'Nothing was changed.'));
    return download(
      new Uint8Array(await cardFramePdf(paper.value)),
      'application/pdf',
      `card-frame-${paper.value}.pdf`,
    );
  });
