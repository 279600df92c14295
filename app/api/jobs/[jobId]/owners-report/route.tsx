import { renderToBuffer } from '@react-pdf/renderer';
import { answer, download, guarded, notFound, systemOf } from '../../../_door';
import { choiceOf, distrustOf, jobHosts, jobSpots, leftUndone, stands, type JobFile } from '@/core/job';
import { severity, type Priced } from '@/core/weigh';
import type { OwnersChoice } from '@/core/walk';
import { database, jobFile, photoBytes } from '@/data';
import { localTime, today } from '@/ui/controls/local-time';
import { registerFonts } from '@/ui/print/fonts';
import { OwnersReport, type PrintedWay } from '@/ui/print/owners-report';
import { askOffice } from '../../../../_office';
import { printedAnswers } from '../../../../_words/answers';
import { HOST_NEED_WORDS } from '../../../../_words/by-hand';
import { CAUTIONS, DEFERENCE } from '../../../../_words/cautions';
import { distrustWords } from '../../../../_words/distrust';
import { findingWords } from '../../../../_words/findings';
import { outOfTrueWords, overrideWords, temporaryNotices } from '../../../../_words/standing-lines';
import {
  CHOSEN_WORDS,
  moneyRange,
  NO_PRICE_WORDS,
  pricedWords,
  retiredWords,
  WAY_OUT_WORDS,
} from '../../../../_words/ways-out';

const printedWay = ({ practice: { money } }: JobFile, priced: Priced): PrintedWay => {
  const [name, restores, stays] = WAY_OUT_WORDS[priced.way];
  const price = priced.ok ? moneyRange(priced.money.spread, money) : NO_PRICE_WORDS[priced.why];
  const more = priced.ok ? pricedWords(priced, money) : '';
  return { name, price, words: `${restores}; stays: ${stays}${more && `. ${more}`}` };
};

/** The next form of a staged choice, with its price as it is reckoned today. */
function stageWords(file: JobFile, { stage }: OwnersChoice, ways: readonly Priced[]): string {
  if (!stage) return '';
  const priced = ways.find(({ way }) => way === stage.next);
  const price = priced?.ok ? `, ${moneyRange(priced.money.spread, file.practice.money)}` : '';
  return `; held when ${stage.heldWhen}; else ${CHOSEN_WORDS[stage.next]}${price}`;
}

/** The latest pictures first, those that are here. */
const pictures = (file: JobFile) =>
  stands(file, 'photo')
    .sort((a, b) => b.at.localeCompare(a.at))
    .flatMap(({ picture, caption }) => {
      const bytes = picture && photoBytes(database(), picture.hash, 'thumb');
      return bytes ? [{ caption, bytes }] : [];
    })
    .slice(0, 4);

/** For the owner: one or two pages, black and white. */
export const GET = (request: Request, { params }: { params: Promise<{ jobId: string }> }) =>
  guarded(request, async () => {
    const file = jobFile(database(), (await params).jobId);
    if (!file) return notFound('job');
    const system = systemOf(request);
    const judged = await askOffice('answered', file);
    if (!judged.ok) return answer(judged);
    const { works, four, ways } = judged.value;
    const chosen = choiceOf(file);
    const wrong = works
      .filter(({ verdict }) => severity(verdict.verdict) >= severity('Mend'))
      .sort((a, b) => severity(b.verdict.verdict) - severity(a.verdict.verdict))
      .map((work) => ({
        work,
        words: `${work.verdict.verdict}. ${findingWords(work.verdict.findings[0]!, system).title}`,
      }));
    await registerFonts();
    const pdf = await renderToBuffer(
      <OwnersReport
        file={{ ...file, notices: [...temporaryNotices(file, system, today()), ...file.notices] }}
        photos={pictures(file)}
        printedAt={new Date().toISOString()}
        words={{
          answers: printedAnswers(four, { frame: file.frame, system }),
          wrong,
          hosts: jobHosts(file)
            .filter(({ carriesNothing }) => carriesNothing)
            .map(
              ({ name, found, needs }) =>
                `${name}: ${found.join(', ')}; ${needs.map((need) => HOST_NEED_WORDS[need]).join('; ')}`,
            ),
          ways: ways.map((way) => printedWay(file, way)),
          retired: retiredWords(ways, chosen?.chosen),
          unseen: jobSpots(file)
            .filter(({ seen }) => !seen)
            .map(({ spot }) => spot.title),
          ...(chosen && {
            chosen: `${CHOSEN_WORDS[chosen.chosen]} (${chosen.by}, ${localTime(chosen.at, 'day')})${stageWords(file, chosen, ways)}`,
          }),
          left: leftUndone(file).map(({ left, by, at }) => `${left} (${by}, ${localTime(at, 'day')})`),
          distrust: [
            ...outOfTrueWords(file, system),
            ...overrideWords(file),
            ...distrustWords(distrustOf(file)),
          ],
          caution: CAUTIONS.buying.replace(` ${DEFERENCE}`, ''),
          deference: DEFERENCE,
        }}
      />,
    );
    return download(new Uint8Array(pdf), 'application/pdf', `${file.unit.tag}-for-the-owner.pdf`);
  });
