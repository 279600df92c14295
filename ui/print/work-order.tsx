import { Document, Page, Path, renderToBuffer, StyleSheet, Svg, View } from '@react-pdf/renderer';
import type { Style } from '@react-pdf/types';
import {
  lengthDigits,
  mmToInches,
  percent,
  printLength,
  printMass,
  sixteenths,
  type UnitSystem,
} from '@/core/quantity';
import { blankOfPiece, flatId, pieceName, type FlatPattern } from '@/core/shape';
import type { WeldLine } from '@/core/join';
import { brokenRules, type JobFile, type MemberWork as WholeWork, type WorkedRepair } from '@/core/job';
import { lowerBound, severity } from '@/core/weigh';
import { startsAtMm } from '@/core/frame';
import { localTime } from '../controls/local-time';
import { blankPaths } from './flat-drawing';
import { PRINT_FAMILY, registerFonts } from './fonts';
import { FourAnswersPrint, type PrintedAnswer } from './four-answers';
import { RoundPicture } from './round-picture';
import { Text } from './text';

/** A member's work as a page needs it. */
type MemberWork = Omit<WholeWork, 'states'>;

/** Sentences come from where findings are put into words; this page only lays them out. */
export interface OrderWords {
  readonly reasons: (work: MemberWork) => readonly string[];
  /** Everything bad and doubtful found on a member by eye, hammer and finger, each with how it is known. */
  readonly found: (work: MemberWork) => readonly string[];
  /** Brackets, hangers and mounts found bad by themselves. */
  readonly hosts: readonly string[];
  readonly remarks: (repair: WorkedRepair) => readonly string[];
  /** Cracks to grind out and fill before this repair goes over them. */
  readonly crackWelds: (work: MemberWork, repair: WorkedRepair) => readonly string[];
  /** Bolts to buy and drill for, where it is bolted on: a line a set. */
  readonly bolts: (repair: WorkedRepair) => readonly string[];
  /** What comes off and what it stands on before the first cut. */
  readonly beforeCutting?: string;
  /** What no metal stands behind, or could not be read. */
  readonly distrust: readonly string[];
  /** How the shop works and by which profile, in a line. */
  readonly practice: string;
  /** The four answers. */
  readonly answers: readonly PrintedAnswer[];
  readonly cautions: readonly string[];
  readonly deference: string;
}

const style = StyleSheet.create({
  page: {
    fontFamily: PRINT_FAMILY,
    fontSize: 8.5,
    padding: 30,
    paddingBottom: 24,
    color: '#000',
    lineHeight: 1.25,
  },
  head: {
    flexDirection: 'row',
    justifyContent: 'space-between',
    borderBottomWidth: 1.6,
    borderColor: '#000',
    paddingBottom: 4,
    marginBottom: 5,
  },
  tag: { fontSize: 19, fontWeight: 700, lineHeight: 1.1 },
  section: { fontWeight: 700, fontSize: 10, marginTop: 6, borderBottomWidth: 0.6, borderColor: '#000' },
  bold: { fontWeight: 600 },
  row: { flexDirection: 'row', borderBottomWidth: 0.4, borderColor: '#888', paddingVertical: 1.2 },
  box: { borderWidth: 1.2, borderColor: '#000', padding: 5, marginTop: 6 },
});

/** What one page shows of each list; the rest is named in a line. */
interface Amounts {
  readonly notices: number;
  readonly verdicts: number;
  readonly reasonsEach: number;
  readonly found: number;
  readonly repairs: number;
}
const MOST = { notices: 5, verdicts: 5, found: 3 } as const;

/** From the fullest page to the barest: repairs give way first, they have cut sheets of their own; what must not be missed never does. */
function amountsFor(works: readonly MemberWork[]): Amounts[] {
  const repairs = works.reduce((sum, work) => sum + work.repairs.length, 0);
  const judged = works.filter((work) => work.picture.account.isKnown).length;
  const full = { ...MOST, reasonsEach: judged > 5 ? 1 : 3 };
  return [
    ...Array.from({ length: Math.max(1, repairs) }, (_, k) => ({ ...full, repairs: repairs - k })),
    { ...full, repairs: 1, verdicts: 4, reasonsEach: 1 },
    { ...full, repairs: 1, verdicts: 4, reasonsEach: 1, found: 1 },
    { ...full, repairs: 0, verdicts: 3, reasonsEach: 1, found: 1, notices: 3 },
  ];
}

interface WorkOrderProps {
  readonly file: JobFile;
  readonly works: readonly MemberWork[];
  readonly system: UnitSystem;
  readonly words: OrderWords;
  readonly printedAt: string;
}

/** The work order as PDF: as much as goes on one page. Each amount is laid out and its pages are counted, halving what is left to try. */
export async function workOrderPdf(order: WorkOrderProps): Promise<Buffer> {
  await registerFonts();
  const amounts = amountsFor(order.works);
  const laidOut = async (k: number) => {
    let pages = 1;
    const buffer = await renderToBuffer(
      <WorkOrder {...order} shows={amounts[k]!} onPages={(count) => (pages = count)} />,
    );
    return { buffer, fits: pages === 1 };
  };
  const full = await laidOut(0);
  if (full.fits) return full.buffer;
  let [fullest, barest] = [1, amounts.length - 1];
  let known: Buffer | undefined;
  while (fullest < barest) {
    const middle = (fullest + barest) >> 1;
    const tried = await laidOut(middle);
    if (tried.fits) [barest, known] = [middle, tried.buffer];
    else fullest = middle + 1;
  }
  return known ?? (await laidOut(barest)).buffer;
}

function WorkOrder({
  file,
  works,
  system,
  words,
  printedAt,
  shows,
  onPages,
}: WorkOrderProps & { readonly shows: Amounts; readonly onPages: (count: number) => void }) {
  const repairs = works.flatMap((work) => work.repairs.map((worked) => ({ work, worked })));
  const ranked = rankedOf(works);
  const hosts = words.hosts.length ? [{ name: 'Fittings, joints, panels', lines: words.hosts }] : [];
  const ofMembers = ranked.flatMap((work) => {
    const lines = words.found(work);
    return lines.length ? [{ name: work.picture.member.name, lines }] : [];
  });
  const shown = repairs.slice(0, shows.repairs);
  return (
    <Document title={`Work order ${file.unit.tag}`} producer="Ossatura" creator="Ossatura">
      <Page size="LETTER" style={style.page}>
        <Head file={file} printedAt={printedAt} />
        <FourAnswersPrint answers={words.answers} />
        <Notices notices={file.notices} most={shows.notices} distrust={words.distrust} />
        <Text>
          {words.beforeCutting && repairs.length > 0 && `${words.beforeCutting} `}Stations, {system}, are
          measured from the {file.frame.datum}. {words.practice}
        </Text>
        <Verdicts works={works} shows={shows} reasons={words.reasons} />
        <Found found={[...hosts, ...ofMembers]} most={shows.found} />
        {shown.map(({ work, worked }, k) => (
          <RepairBlock
            key={worked.repair.id}
            number={k + 1}
            work={work}
            worked={worked}
            system={system}
            mind={mindWords(words.remarks(worked))}
            crackWelds={words.crackWelds(work, worked)}
            bolts={words.bolts(worked)}
            compact={shown.length > 1}
          />
        ))}
        <NotShown count={repairs.length - shown.length} />
        {repairs.length === 0 && <NoRepair works={ranked} />}
        <View style={style.box}>
          {words.cautions.map((caution) => (
            <Text key={caution}>{caution}</Text>
          ))}
          <Text style={style.bold}>{words.deference}</Text>
        </View>
        <ToSign />
        <PageCount onPages={onPages} />
      </Page>
    </Document>
  );
}

const NotShown = ({ count }: { count: number }) =>
  count > 0 ? (
    <Text style={style.bold}>
      And {count} more {count === 1 ? 'repair' : 'repairs'}, on screen and on their own cut sheets.
    </Text>
  ) : null;

const ToSign = () => (
  <View style={{ flexDirection: 'row', marginTop: 12, gap: 16 }}>
    {['done by', 'looked at by', 'owner told what stays undone'].map((who) => (
      <View key={who} style={{ flex: 1, borderTopWidth: 0.6, borderColor: '#000' }}>
        <Text>{who}, date</Text>
      </View>
    ))}
  </View>
);

/** Nothing on paper: tells over how many pages it went. */
const PageCount = ({ onPages }: { onPages: (count: number) => void }) => (
  <Text
    fixed
    style={{ position: 'absolute' }}
    render={({ totalPages }) => {
      onPages(totalPages);
      return '';
    }}
  />
);

/** Members of which something is on record, worst first. */
const rankedOf = (works: readonly MemberWork[]): MemberWork[] =>
  works
    .filter((work) => work.picture.account.isKnown)
    .sort((a, b) => severity(b.verdict.verdict) - severity(a.verdict.verdict));

const namesOf = (some: readonly MemberWork[]): string =>
  some.map((work) => `${work.picture.member.name} ${work.verdict.verdict}`).join(', ');

const Head = ({ file: { unit, job }, printedAt }: Pick<WorkOrderProps, 'file' | 'printedAt'>) => (
  <View style={style.head}>
    <View>
      <Text style={style.tag}>
        {unit.tag}: {job.title}
      </Text>
      <Text>
        {unit.description}; {unit.exposure}; {unit.duty}. {job.complaint}
      </Text>
    </View>
    <View style={{ textAlign: 'right', minWidth: 120 }}>
      <Text style={style.bold}>Work order</Text>
      <Text>
        opened {localTime(job.openedAt, 'day')} by {job.openedBy}
      </Text>
      <Text>printed {localTime(printedAt)}</Text>
    </View>
  </View>
);

/** What stands on the unit, and what no metal stands behind: the first of the one, all of the other. */
const Notices = ({
  notices,
  most,
  distrust,
}: {
  notices: JobFile['notices'];
  most: number;
  distrust: readonly string[];
}) => (
  <>
    {notices.slice(0, most).map((notice) => (
      <Text key={notice.id} style={style.bold}>
        ! {notice.words} ({notice.by} {localTime(notice.at, 'day')})
      </Text>
    ))}
    {notices.length > most && (
      <Text style={style.bold}>
        ! {notices.length - most} more standing notices on this unit: read them before work starts.
      </Text>
    )}
    {distrust.map((sentence) => (
      <Text key={sentence} style={style.bold}>
        ! {sentence}
      </Text>
    ))}
  </>
);

function Verdicts({
  works,
  shows,
  reasons,
}: {
  works: readonly MemberWork[];
  shows: Amounts;
  reasons: OrderWords['reasons'];
}) {
  const ranked = rankedOf(works);
  const unread = works.filter((work) => !work.picture.account.isKnown);
  return (
    <>
      <Text style={style.section}>Verdicts</Text>
      {ranked.slice(0, shows.verdicts).map((work) => (
        <View key={work.picture.member.id} style={style.row}>
          <Text style={{ width: 86, ...style.bold }}>{work.picture.member.name}</Text>
          <Text style={{ width: 52, ...style.bold }}>{work.verdict.verdict}</Text>
          <Text style={{ flex: 1 }}>{reasons(work).slice(0, shows.reasonsEach).join('. ')}.</Text>
        </View>
      ))}
      {ranked.length > shows.verdicts && (
        <Text>{clipped(`Also: ${namesOf(ranked.slice(shows.verdicts))}`)}.</Text>
      )}
      {unread.length > 0 && (
        <Text>
          {clipped(
            `Nothing is on record of these, so nothing is said of them: ${unread.map((work) => work.picture.member.name).join(', ')}`,
          )}
          .
        </Text>
      )}
    </>
  );
}

interface FoundOn {
  readonly name: string;
  readonly lines: readonly string[];
}
const Found = ({ found, most }: { found: readonly FoundOn[]; most: number }) => (
  <>
    {found.length > 0 && <Text style={style.section}>Found, and how it is known</Text>}
    {found.slice(0, most).map(({ name, lines }) => (
      <Text key={name}>
        <Text style={style.bold}>{name}:</Text> {clipped(lines.join('; '))}.
      </Text>
    ))}
    {found.length > most && (
      <Text style={style.bold}>
        More was found on{' '}
        {found
          .slice(most)
          .map(({ name }) => name.toLowerCase())
          .join(', ')}
        : on screen.
      </Text>
    )}
  </>
);

function NoRepair({ works }: { works: readonly MemberWork[] }) {
  const toAct = works.filter((work) => severity(work.verdict.verdict) >= severity('Mend'));
  return (
    <Text style={{ marginTop: 6, ...(toAct.length > 0 && style.bold) }}>
      {toAct.length > 0
        ? clipped(`No repair is drawn up yet for what asks for one: ${namesOf(toAct)}.`)
        : 'No repair is planned, and nothing on record asks for one.'}
    </Text>
  );
}

/** A list that would run over the page is cut at a word and says so. */
const clipped = (words: string): string =>
  words.length <= 420 ? words : `${words.slice(0, words.lastIndexOf(' ', 400))} … and more, on screen`;

/** What is to be minded of one repair: the first of it, in so many letters. */
const mindWords = (remarks: readonly string[]): string => clipped(remarks.slice(0, 3).join('. '));

interface RepairProps {
  readonly number: number;
  readonly work: MemberWork;
  readonly worked: WorkedRepair;
  readonly system: UnitSystem;
  readonly mind: string;
  readonly crackWelds: readonly string[];
  readonly bolts: readonly string[];
  readonly compact: boolean;
}

/** A station of the repaired member, as digits on the frame's tape. */
const stationAt = ({ work, system }: RepairProps, mm: number): string =>
  lengthDigits(startsAtMm(work.picture.member) + mm, system, 'length');

function RepairBlock(props: RepairProps) {
  const { number, work, worked, mind, bolts } = props;
  const { repair } = worked;
  const broken = brokenRules(worked).length;
  return (
    <View wrap={false}>
      <Text style={style.section}>
        Repair {number}, {work.picture.member.name.toLowerCase()}:{' '}
        {repair.pieces.map(pieceName).join(' and ')},{' '}
        {repair.bolts ? 'bolted on' : repair.cutOut ? 'bad metal cut out' : 'laid over'}
        {worked.isProposal ? ' (proposed, not yet kept)' : ''}
      </Text>
      {broken > 0 && <Text style={style.bold}>DO NOT CUT OR WELD LIKE THIS. Rules broken: {broken}.</Text>}
      {worked.patterns.map((pattern, k) => (
        <PlateBlock key={flatId(pattern)} pattern={pattern} isFirst={k === 0} {...props} />
      ))}
      <Restored worked={worked} />
      {bolts.map((words) => (
        <Text key={words}>
          <Text style={style.bold}>Bolts: </Text>
          {words}
        </Text>
      ))}
      <Welds {...props} />
      {mind && <Text>Mind: {mind}.</Text>}
    </View>
  );
}

function PlateBlock({
  pattern,
  isFirst,
  ...props
}: RepairProps & { readonly pattern: FlatPattern; readonly isFirst: boolean }) {
  const { work, worked, system, compact } = props;
  const height = compact ? 34 : 48;
  return (
    <View>
      <Text>
        <Text style={style.bold}>
          Plate {printLength(pattern.piece.thicknessMm, system, 'thickness')}, stations{' '}
          {stationAt(props, pattern.startMm)} to {stationAt(props, pattern.startMm + pattern.lengthMm)}{' '}
          {system}
        </Text>
        {plateWords(pattern, system)}
      </Text>
      {/* Beside the first flat: it takes no height of its own. */}
      <View style={{ flexDirection: 'row', gap: 6 }}>
        <View style={{ flex: 1 }}>
          <FlatDrawing pattern={pattern} system={system} height={height} />
        </View>
        {isFirst && <RoundPicture work={work} worked={worked} width={150} height={height} />}
      </View>
    </View>
  );
}

/** What there is to know of a plate before it is cut: its flat, weight, taper, bends, holes, notches. */
function plateWords(pattern: FlatPattern, system: UnitSystem): string {
  const long = (mm: number) => printLength(mm, system, 'length');
  const { length, bends, holes, piece } = pattern;
  const flat = `flat ${long(pattern.lengthMm)} by ${long(pattern.widthMm)}, ${printMass(pattern.massKg, system)}`;
  return [
    length ? `, length ${length.nth} of ${length.of}` : '',
    `; ${flat}; taper ${long(piece.taperMm)}`,
    bends.length > 0
      ? `; ${bends.length} bend${bends.length > 1 ? 's' : ''} 90°, inside radius ${printLength(pattern.insideRadiusMm, system, 'thickness')}`
      : '',
    holes.length > 0 ? `; ${holes.length} holes` : '',
    piece.notches ? `; ${piece.notches.length} notched` : '',
  ].join('');
}

/** The least of the bending strength that the repair brings back anywhere. */
function Restored({ worked: { restored } }: { worked: WorkedRepair }) {
  if (restored.length === 0) return null;
  const weakest = restored.flatMap(({ kept }) => [
    lowerBound(kept.modulusTop!),
    lowerBound(kept.modulusBottom!),
  ]);
  return <Text>As repaired S at least {percent(Math.min(...weakest))} of built (lower bound).</Text>;
}

const WELD_HEADS = ['weld', 'where', 'stations', 'length', 'leg', 'how', 'position'] as const;

function Welds({ worked, bolts, crackWelds, ...props }: RepairProps) {
  return (
    <>
      <View style={{ ...style.row, ...style.bold, ...(bolts.length > 0 && { display: 'none' }) }}>
        {WELD_HEADS.map((word, k) => (
          <Text key={word} style={COLUMNS[k]!}>
            {word}
          </Text>
        ))}
      </View>
      {crackWelds.map((words) => (
        <Text key={words}>
          <Text style={style.bold}>Crack first: </Text>
          {words}
        </Text>
      ))}
      {worked.joined.lines.map((line) => (
        <View key={line.id} style={style.row}>
          {weldCells(line, { worked, bolts, crackWelds, ...props }).map((words, k) => (
            <Text key={k} style={COLUMNS[k]!}>
              {words}
            </Text>
          ))}
        </View>
      ))}
    </>
  );
}

function weldCells(line: WeldLine, props: RepairProps): string[] {
  const { number, system } = props;
  const long = (mm: number) => printLength(mm, system, 'length');
  const leg =
    system === 'in' ? `${sixteenths(mmToInches(line.legMm))} in` : printLength(line.legMm, 'mm', 'thickness');
  return [
    `${number}${line.id}`,
    `${line.place}, ${line.face}`,
    `${stationAt(props, line.fromMm)} to ${stationAt(props, line.toMm)}`,
    line.plugs ? `${line.plugs.count} plugs` : long(line.lengthMm),
    line.plugs ? `Ø ${long(line.plugs.diameterMm)}` : leg,
    line.style,
    line.position,
  ];
}

const COLUMNS: readonly Style[] = [
  { width: 30 },
  { width: 120 },
  { width: 110 },
  { width: 66 },
  { width: 60 },
  { flex: 1 },
  { width: 60 },
];

function FlatDrawing({
  pattern,
  system,
  height,
}: {
  pattern: WorkedRepair['patterns'][number];
  system: UnitSystem;
  height: number;
}) {
  const { paths } = blankPaths(blankOfPiece(pattern), { system, isTwin: false });
  const pad = pattern.lengthMm * 0.01;
  const stroke = pattern.lengthMm / 700;
  return (
    <Svg
      viewBox={`${-pad} ${-pattern.widthMm - pad} ${pattern.lengthMm + 2 * pad} ${pattern.widthMm + 2 * pad}`}
      style={{ height, marginVertical: 2 }}
    >
      <Path d={paths.get('CUT') ?? ''} fill="none" stroke="#000" strokeWidth={stroke} />
      <Path
        d={paths.get('BEND') ?? ''}
        fill="none"
        stroke="#000"
        strokeWidth={stroke * 0.7}
        strokeDasharray={`${stroke * 8} ${stroke * 5}`}
      />
    </Svg>
  );
}
