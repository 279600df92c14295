import { answer, download, guarded, notFound, systemOf } from '../../../_door';
import type { RepairFindingCode } from '@/core/shape';
import {
  distrustOf,
  foundUnder,
  jobHosts,
  openRenewals,
  worksOf,
  ownOutlines,
  toAlign,
  toWeldShut,
  type FourAnswers,
  type JobFile,
  type MemberWork,
  type WorkedRepair,
} from '@/core/job';
import { standingAgainst } from '@/core/metal';
import type { UnitSystem } from '@/core/quantity';
import { askOffice } from '../../../../_office';
import { database, jobFile } from '@/data';
import { today } from '@/ui/controls/local-time';
import { workOrderPdf, type OrderWords } from '@/ui/print/work-order';
import { printedAnswers } from '../../../../_words/answers';
import { beforeCuttingWords } from '../../../../_words/before-cutting';
import { crackWeldWords, NOT_READY_WORDS } from '../../../../_words/crack-weld';
import { HOST_NEED_WORDS } from '../../../../_words/by-hand';
import { renewalLine, workLine } from '../../../../_words/works';
import { flatFindingWords, outlineLine } from '../../../../_words/flats';
import { boltSetWords } from '../../../../_words/shape';
import { CAUTIONS, DEFERENCE } from '../../../../_words/cautions';
import { distrustWords } from '../../../../_words/distrust';
import { sayingWords } from '../../../../_words/metal';
import { practiceLine } from '../../../../_words/practice';
import { alignWords } from '../../../../_words/trace';
import {
  leftWords,
  outOfTrueWords,
  overrideWords,
  temporaryNotices,
} from '../../../../_words/standing-lines';
import { findingWords } from '../../../../_words/findings';
import { joinWords } from '../../../../_words/join-findings';
import { repairWords } from '../../../../_words/repair-findings';

const withoutDeference = (caution: string): string => caution.replace(` ${DEFERENCE}`, '');

const beforeCutting = (system: UnitSystem, file: JobFile): Pick<OrderWords, 'beforeCutting'> => {
  const words = beforeCuttingWords(file.frame, system);
  return words === undefined ? {} : { beforeCutting: words };
};

/** What the brake has against its flats, each said once. */
const flatsSay = ({ patterns }: WorkedRepair, system: UnitSystem): string[] => [
  ...new Set(
    patterns
      .flatMap(({ findings }) => findings)
      .filter(({ weight }) => weight === 'deviation')
      .map((finding) => flatFindingWords(finding, system).title),
  ),
];

const wordsIn = (
  system: UnitSystem,
  file: JobFile,
  { works, four }: { readonly works: readonly Pick<MemberWork, 'underWorks'>[]; readonly four: FourAnswers },
): OrderWords => ({
  ...beforeCutting(system, file),
  distrust: [
    ...toAlign(file)
      .filter(({ lacks }) => lacks.length > 0)
      .map(alignWords),
    ...outOfTrueWords(file, system),
    ...leftWords(file),
    ...overrideWords(file),
    ...distrustWords(distrustOf(file)),
  ],
  practice: practiceLine(file.practice, file.shop?.revision),
  answers: printedAnswers(four, { frame: file.frame, system }),
  reasons: (work) => work.verdict.findings.map((finding) => findingWords(finding, system).title),
  found: ({ picture }) => [
    ...new Set(standingAgainst(picture.account).map((saying) => sayingWords(picture.member, saying, system))),
  ],
  hosts: [
    ...openRenewals(file).map((renewal) =>
      renewalLine({ frame: file.frame, renewal }, foundUnder(works, renewal.id), system),
    ),
    ...worksOf(file)
      .filter(({ isDone }) => !isDone)
      .map((planned) => workLine(planned, system, foundUnder(works, planned.work.id))),
    ...ownOutlines(file).map((blank) => outlineLine(blank, system)),
    ...jobHosts(file).map(
      ({ name, found, needs, verdict, carries }) =>
        `${verdict} ${name}: ${found.join(', ')}${carries.length ? `, carries ${carries.join(', ')}` : ''}; ${needs.map((need) => HOST_NEED_WORDS[need]).join('; ')}`,
    ),
  ],
  remarks: (worked) => [
    ...comesOffWords(worked),
    ...worked.findings
      .filter(({ code }) => !SAID_TOGETHER.has(code))
      .map((finding) => repairWords(finding, system).title),
    ...worked.joinFindings
      .filter((finding) => finding.weight !== 'note')
      .map((finding) => joinWords(finding, system).title),
    ...flatsSay(worked, system),
  ],
  crackWelds: (work, { repair: { pieces } }) =>
    toWeldShut(work)
      .filter(({ stationMm }) =>
        pieces.some(({ startMm, endMm }) => stationMm >= startMm && stationMm <= endMm),
      )
      .map(
        (weld) =>
          `${crackWeldWords(weld, work.picture.member, system)}.${weld.isReady ? '' : ` Note: ${NOT_READY_WORDS}.`}`,
      ),
  bolts: ({ joined: { bolts } }) => bolts.map((set) => boltSetWords(set, system)),
  cautions: [CAUTIONS.crack, CAUTIONS.shape, CAUTIONS.join].map(withoutDeference),
  deference: DEFERENCE,
});

/** What comes off before a repair, in one remark each way; the maker's say stands in the practice's line. */
const SAID_TOGETHER: ReadonlySet<RepairFindingCode> = new Set<RepairFindingCode>([
  'off-and-back',
  'skin-off',
  'hole-kept',
  'weld-as-maker',
]);
function comesOffWords({ findings }: WorkedRepair): string[] {
  const named = (code: RepairFindingCode) => [
    ...new Set(findings.filter((finding) => finding.code === code).map(({ name }) => name)),
  ];
  const [back, good] = [named('off-and-back'), named('skin-off')];
  return [
    ...(back.length > 0 ? [`Comes off and goes back: ${back.join(', ')}`] : []),
    ...(good.length > 0 ? [`Comes off for good: ${good.join(', ')}`] : []),
  ];
}

/** The work order: one page, black and white. */
export const GET = (request: Request, { params }: { params: Promise<{ jobId: string }> }) =>
  guarded(request, async () => {
    const file = jobFile(database(), (await params).jobId);
    if (!file) return notFound('job');
    const system = systemOf(request);
    const judged = await askOffice('answered', file);
    if (!judged.ok) return answer(judged);
    const now = new Date().toISOString();
    const pdf = await workOrderPdf({
      file: { ...file, notices: [...temporaryNotices(file, system, today()), ...file.notices] },
      works: judged.value.works,
      system,
      words: wordsIn(system, file, judged.value),
      printedAt: now,
    });
    return download(new Uint8Array(pdf), 'application/pdf', `${file.unit.tag}-work-order.pdf`);
  });
