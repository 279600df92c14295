import { answer, download, guarded, notFound, systemOf } from '../../../../_door';
import { askOffice } from '../../../../../_office';
import {
  brokenRules,
  lastOf,
  repairAmong,
  stands,
  toWeldShut,
  type JobFile,
  type MemberWork,
  type WorkedRepair,
} from '@/core/job';
import { startFrom, type WeldLine } from '@/core/join';
import { lengthDigits, printLength, type UnitSystem } from '@/core/quantity';
import { startsAtMm } from '@/core/frame';
import { arcStart, WIRES } from '@/core/reference';
import { database, jobFile } from '@/data';
import { localTime } from '@/ui/controls/local-time';
import { orderWords, weldSheetPdf, type WeldRowSaid, type WeldSheetSaid } from '@/ui/print/weld-sheet';
import { CAUTIONS } from '../../../../../_words/cautions';
import { crackWeldWords, NOT_READY_WORDS } from '../../../../../_words/crack-weld';
import { waitWords } from '../../../../../_words/rail';
import { legWords, SEAM_TYPE_WORDS } from '../../../../../_words/seams';
import { repairName } from '../../../../../_words/shape';

type Found = { readonly work: Omit<MemberWork, 'states'>; readonly worked: WorkedRepair };

/** One repair's welds on one page: numbered on the wall, in their order, with boxes to sign. */
export const GET = (request: Request, { params }: { params: Promise<{ jobId: string; repairId: string }> }) =>
  guarded(request, async () => {
    const { jobId, repairId } = await params;
    const file = jobFile(database(), jobId);
    if (!file) return notFound('job');
    const works = await askOffice('worked', file);
    if (!works.ok) return answer(works);
    const found: Found | undefined = repairAmong(works.value, repairId);
    if (!found || found.worked.joined.lines.length === 0) return notFound('repair that is welded');
    const system = systemOf(request);
    const { picture } = found.work;
    const pdf = await weldSheetPdf({
      member: picture.member,
      repair: found.worked.repair,
      lines: found.worked.joined.lines,
      cracks: picture.cracks,
      plan: lastOf(file, 'weld plan', ({ ofId }) => ofId === repairId),
      system,
      said: saidOf(file, found, system),
    });
    return download(new Uint8Array(pdf), 'application/pdf', `${file.unit.tag}-weld-sheet.pdf`);
  });

function saidOf(file: JobFile, { work, worked }: Found, system: UnitSystem): WeldSheetSaid {
  const { member } = work.picture;
  const plan = lastOf(file, 'weld plan', ({ ofId }) => ofId === worked.repair.id);
  const ready = lastOf(file, 'ready to weld', ({ ofId }) => ofId === worked.repair.id);
  const pieces = worked.repair.pieces;
  return {
    title: `${file.unit.tag}, ${member.name.toLowerCase()}: ${repairName(worked.repair)}`,
    printed: localTime(new Date().toISOString()),
    welder: ready
      ? `To be welded by ${ready.welder}${ready.qualification ? ` (${ready.qualification})` : ''}.`
      : 'Nobody is named yet who welds it.',
    broken: brokenRules(worked).length,
    cracks: toWeldShut(work)
      .filter(({ stationMm }) =>
        pieces.some(({ startMm, endMm }) => stationMm >= startMm && stationMm <= endMm),
      )
      .map(
        (weld) =>
          `${crackWeldWords(weld, member, system)}.${weld.isReady ? '' : ` Note: ${NOT_READY_WORDS}.`}`,
      ),
    settings: settingsWords(file, worked),
    rows: worked.joined.lines.map((line) => rowOf(line, startsAtMm(member), system)),
    cautions: [CAUTIONS.join, CAUTIONS.arc],
    order: plan ? orderWords(plan, waitWords) : [],
    tacks: plan ? plan.tacks.map(({ mark }, k) => `${k + 1} ${mark}`).join(', ') : '',
  };
}

/** Where scrap is begun with for its thinnest part; the commonest wire where the shop has tried none. */
function settingsWords(file: JobFile, { repair, joined }: WorkedRepair): string {
  const tests = [...(file.scrapTests ?? []), ...stands(file, 'scrap test')];
  const last = tests.findLast(({ held }) => held);
  const thicknessMm = Math.min(
    ...repair.pieces.map((piece) => piece.thicknessMm),
    ...joined.lines.map(({ wallMm }) => wallMm || Infinity),
  );
  const gas = last?.gas ?? '75 Ar 25 CO2';
  const wire =
    last?.wire ?? WIRES.find((each) => arcStart(thicknessMm, each, gas, 'vertical').ok) ?? '0.035 solid';
  const asked = { wire, gas };
  const { start, own } = startFrom({ ...asked, thicknessMm, position: 'vertical' }, tests);
  if (!start.ok) return 'Settings: Join, Settings; scrap test first.';
  return `Begin on scrap, ${own ? 'as it held here' : 'a common start'}: ${asked.wire}, ${asked.gas}, ${Math.round(start.amps)} A, ${start.volts.toFixed(1)} V. Scrap test, the machine’s chart and a qualified procedure win.`;
}

function rowOf(line: WeldLine, startMm: number, system: UnitSystem): WeldRowSaid {
  const at = (mm: number) => lengthDigits(startMm + mm, system, 'length');
  return {
    mark: line.id,
    cells: [
      `${line.place}, ${line.face}`,
      `${at(line.fromMm)} to ${at(line.toMm)}`,
      line.plugs ? `${line.plugs.count} plugs` : printLength(line.lengthMm, system, 'length'),
      line.plugs ? `Ø ${printLength(line.plugs.diameterMm, system, 'length')}` : legWords(line.legMm, system),
      line.leftOpen !== undefined ? `LEFT OPEN: ${line.leftOpen}` : howWords(line),
      `${line.position}${line.access === 'poor' ? ', poor access' : ''}`,
    ],
  };
}

const howWords = (line: WeldLine): string =>
  line.type === 'bevel' || line.type === 'butt' ? SEAM_TYPE_WORDS[line.type] : line.style;
