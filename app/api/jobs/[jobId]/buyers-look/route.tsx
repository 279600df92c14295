import { renderToBuffer } from '@react-pdf/renderer';
import { answer, download, guarded, notFound, systemOf } from '../../../_door';
import { boughtMember, distrustOf, jobBuyersLook, stands } from '@/core/job';
import { askOffice } from '../../../../_office';
import { database, jobFile } from '@/data';
import { today } from '@/ui/controls/local-time';
import { BuyersLookSheet } from '@/ui/print/buyers-look';
import { registerFonts } from '@/ui/print/fonts';
import { printedAnswers } from '../../../../_words/answers';
import { DEFERENCE } from '../../../../_words/cautions';
import { distrustWords } from '../../../../_words/distrust';
import { leftWords, overrideWords, temporaryNotices } from '../../../../_words/standing-lines';
import { findingWords } from '../../../../_words/findings';
import { buyersWords, unseenWords } from '../../../../_words/walk';

/** The look before buying: one page, black and white. */
export const GET = (request: Request, { params }: { params: Promise<{ jobId: string }> }) =>
  guarded(request, async () => {
    const file = jobFile(database(), (await params).jobId);
    if (!file) return notFound('job');
    const system = systemOf(request);
    const judged = await askOffice('answered', file);
    if (!judged.ok) return answer(judged);
    const { works, four } = judged.value;
    const claims = [...new Map(stands(file, 'claim').map((claim) => [claim.claimId, claim])).values()];
    const leaves = [...new Map(stands(file, 'leave').map((leave) => [leave.act, leave])).values()];
    const now = new Date().toISOString();
    await registerFonts();
    const pdf = await renderToBuffer(
      <BuyersLookSheet
        file={{ ...file, notices: [...temporaryNotices(file, system, today()), ...file.notices] }}
        look={jobBuyersLook(file, works.map(boughtMember))}
        claims={claims}
        leaves={leaves}
        printedAt={now}
        deference={DEFERENCE}
        words={{
          ...buyersWords,
          distrust: [...leftWords(file), ...overrideWords(file), ...distrustWords(distrustOf(file))],
          answers: printedAnswers(four, { frame: file.frame, system }),
        }}
        whyUnseen={unseenWords}
        reasons={works
          .filter((work) => !['Leave', 'Can’t say'].includes(work.verdict.verdict))
          .map(
            (work) =>
              `${work.picture.member.name}, ${work.verdict.verdict}: ${findingWords(work.verdict.findings[0]!, system).title}`,
          )}
      />,
    );
    return download(new Uint8Array(pdf), 'application/pdf', `${file.unit.tag}-look-before-buying.pdf`);
  });
