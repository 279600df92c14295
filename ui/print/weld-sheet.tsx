import { Document, Line, Page, Path, renderToBuffer, StyleSheet, Svg, View } from '@react-pdf/renderer';
import { developedWidthMm, facesOf, onSheet, startsAtMm, type Member } from '@/core/frame';
import { pathLength, type Point } from '@/core/geometry';
import { pathBetween, type WeldLine, type WeldPlan } from '@/core/join';
import { lengthDigits, type UnitSystem } from '@/core/quantity';
import { outlineOnStrip, stretchOf, type Repair } from '@/core/shape';
import { unrolledPath, type Crack } from '@/core/trace';
import { PRINT_FAMILY, registerFonts } from './fonts';
import { Text } from './text';

/** What a page for one repair's welds says; sentences come from where they are put into words. */
export interface WeldSheetSaid {
  readonly title: string;
  readonly printed: string;
  /** Who is to weld it and by which paper, where somebody said. */
  readonly welder: string;
  readonly broken: number;
  readonly cracks: readonly string[];
  readonly settings: string;
  readonly rows: readonly WeldRowSaid[];
  readonly cautions: readonly string[];
  /** The order, a run each; empty where none is kept. */
  readonly order: readonly string[];
  readonly tacks: string;
}
export interface WeldRowSaid {
  readonly mark: string;
  readonly cells: readonly string[];
}

const style = StyleSheet.create({
  page: { fontFamily: PRINT_FAMILY, fontSize: 9, padding: 28, color: '#000', lineHeight: 1.2 },
  head: { borderBottomWidth: 1.6, borderColor: '#000', paddingBottom: 3, marginBottom: 4 },
  tag: { fontSize: 16, fontWeight: 700, lineHeight: 1.3, marginBottom: 3 },
  section: { fontWeight: 700, fontSize: 10.5, marginTop: 6 },
  bold: { fontWeight: 700 },
  row: { flexDirection: 'row', borderBottomWidth: 0.4, borderColor: '#777', paddingVertical: 2.2 },
  box: { borderWidth: 1, borderColor: '#000', padding: 4, marginTop: 6 },
});
const WIDTHS = [26, 92, 92, 50, 62, 84, 66] as const;
const HEADS = ['weld', 'where', 'stations', 'length', 'leg', 'how', 'position'] as const;
const DRAWING = { widthPt: 556, heightPt: 150 } as const;
/** So many tacks and runs stand on the page; the rest are on screen. */
const MOST_RUNS = 200;

/** One page for the hands: seams numbered on the unrolled wall, their table, the order, boxes to sign. Black and white. */
export async function weldSheetPdf(sheet: {
  readonly member: Member;
  readonly repair: Repair;
  readonly lines: readonly WeldLine[];
  readonly cracks: readonly Crack[];
  readonly plan?: WeldPlan | undefined;
  readonly system: UnitSystem;
  readonly said: WeldSheetSaid;
}): Promise<Buffer> {
  await registerFonts();
  const { said } = sheet;
  return renderToBuffer(
    <Document title={said.title} producer="Ossatura" creator="Ossatura">
      <Page size="LETTER" style={style.page}>
        <View style={style.head}>
          <Text style={style.tag}>{said.title}</Text>
          <Text>
            Weld sheet, printed {said.printed}. {said.welder}
          </Text>
        </View>
        {said.broken > 0 && (
          <Text style={style.bold}>DO NOT WELD LIKE THIS. Rules broken: {said.broken}.</Text>
        )}
        <Drawing {...sheet} />
        {said.cracks.map((words) => (
          <Text key={words}>
            <Text style={style.bold}>Crack first: </Text>
            {words}
          </Text>
        ))}
        <Rows rows={said.rows} />
        <Text style={{ marginTop: 3 }}>{said.settings}</Text>
        <Order said={said} />
        <View style={style.box}>
          {said.cautions.map((caution) => (
            <Text key={caution}>{caution}</Text>
          ))}
        </View>
        <View style={{ flexDirection: 'row', marginTop: 14, gap: 14 }}>
          {['ready to weld', 'welded', 'looked at, photos taken', 'may be covered'].map((what) => (
            <View key={what} style={{ flex: 1, borderTopWidth: 0.6, borderColor: '#000' }}>
              <Text>{what}, who, when</Text>
            </View>
          ))}
        </View>
      </Page>
    </Document>,
  );
}

function Rows({ rows }: { rows: readonly WeldRowSaid[] }) {
  return (
    <View style={{ marginTop: 4 }}>
      <View style={{ ...style.row, ...style.bold }}>
        {HEADS.map((head, k) => (
          <Text key={head} style={{ width: WIDTHS[k]! }}>
            {head}
          </Text>
        ))}
        <Text style={{ flex: 1 }}>gap · welded · seen</Text>
      </View>
      {rows.map(({ mark, cells }) => (
        <View key={mark} style={style.row}>
          <Text style={{ width: WIDTHS[0], ...style.bold }}>{mark}</Text>
          {cells.map((cell, k) => (
            <Text key={HEADS[k + 1]} style={{ width: WIDTHS[k + 1]! }}>
              {cell}
            </Text>
          ))}
          <View style={{ flex: 1, flexDirection: 'row', gap: 3 }}>
            {[0, 1, 2].map((k) => (
              <View key={k} style={{ flex: 1, height: 12, borderWidth: 0.8, borderColor: '#000' }} />
            ))}
          </View>
        </View>
      ))}
    </View>
  );
}

function Order({ said: { order, tacks } }: { said: WeldSheetSaid }) {
  if (order.length === 0)
    return <Text style={style.section}>No order of runs is kept: find one in Join, Order of runs.</Text>;
  return (
    <>
      <Text style={style.section}>Tacks first</Text>
      <Text>{tacks}</Text>
      <Text style={style.section}>Then run by run; cross off what is laid</Text>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap' }}>
        {order.slice(0, MOST_RUNS).map((words) => (
          <Text key={words} style={{ width: 69, fontSize: 8.5 }}>
            {words}
          </Text>
        ))}
      </View>
      {order.length > MOST_RUNS && (
        <Text style={style.bold}>And {order.length - MOST_RUNS} more, at the rail on screen.</Text>
      )}
    </>
  );
}

/** The stretch of the member that the repair lies on, unrolled: folds, plates, cracks, seams with their marks, a ruler. */
function Drawing({
  member,
  repair,
  lines,
  cracks,
  system,
}: {
  member: Member;
  repair: Repair;
  lines: readonly WeldLine[];
  cracks: readonly Crack[];
  system: UnitSystem;
}) {
  const [from, to] = stretchOf(member, repair);
  const tall = developedWidthMm(member.shape);
  const { widthPt, heightPt } = DRAWING;
  const x = (mm: number) => ((mm - from) / (to - from)) * widthPt;
  const y = (uMm: number) => (onSheet(member.shape, uMm) / tall) * heightPt;
  const path = (points: readonly Point[]) =>
    `M${points.map(([station, u]) => `${x(station).toFixed(1)} ${y(u).toFixed(1)}`).join('L')}`;
  return (
    <Svg width={widthPt} height={heightPt + 22} viewBox={`0 0 ${widthPt} ${heightPt + 22}`}>
      <Path d={`M0 0H${widthPt}V${heightPt}H0Z`} fill="none" stroke="#000" strokeWidth={0.8} />
      <Folds member={member} y={y} />
      {repair.pieces.map((piece) => (
        <Path
          key={piece.id}
          d={`${path(outlineOnStrip(member, piece))}Z`}
          fill="#e4e4e4"
          stroke="#000"
          strokeWidth={0.7}
        />
      ))}
      {cracks.map(({ id, path: course }) => (
        <Path
          key={id}
          d={path(unrolledPath(member.shape, course))}
          fill="none"
          stroke="#000"
          strokeWidth={2}
        />
      ))}
      <Seams lines={lines} path={path} at={([station, u]) => [x(station), y(u)]} />
      {ticks(member, from, to, system).map(({ mm, words }) => (
        <Text key={words} x={x(mm)} y={heightPt + 19} style={{ fontFamily: PRINT_FAMILY, fontSize: 8 }}>
          {words}
        </Text>
      ))}
    </Svg>
  );
}

const Folds = ({ member, y }: { member: Member; y: (uMm: number) => number }) =>
  facesOf(member.shape)
    .slice(1)
    .map(({ id, uStartMm }) => (
      <Line
        key={id}
        x1={0}
        x2={DRAWING.widthPt}
        y1={y(uStartMm)}
        y2={y(uStartMm)}
        stroke="#000"
        strokeWidth={0.4}
        strokeDasharray="5 3"
      />
    ));

/** Where a seam's mark stands: on its middle, or on a plug of it. */
const middleOf = ({ path, plugs }: WeldLine): Point =>
  plugs ? path[path.length >> 1]! : pathBetween(path, pathLength(path) / 2, pathLength(path) / 2)[0]!;

/** Every seam, broken where it is left open; their marks over all of them. */
function Seams({
  lines,
  path,
  at,
}: {
  lines: readonly WeldLine[];
  path: (points: readonly Point[]) => string;
  at: (point: Point) => Point;
}) {
  return (
    <>
      {lines
        .filter(({ plugs }) => !plugs)
        .map((line) => (
          <Path
            key={line.key}
            d={path(line.path)}
            fill="none"
            stroke="#000"
            strokeWidth={2.4}
            {...(line.leftOpen !== undefined && { strokeDasharray: '2 4' })}
          />
        ))}
      {lines.map((line) => {
        const [x, y] = at(middleOf(line));
        return <Mark key={line.key} x={x} y={y} words={line.id} />;
      })}
    </>
  );
}

/** A mark on white, so that it is read over lines. */
function Mark({ x, y, words }: { x: number; y: number; words: string }) {
  const wide = 4 + 5.5 * words.length;
  return (
    <>
      <Path
        d={`M${x - wide / 2} ${y - 6}h${wide}v12h${-wide}Z`}
        fill="#fff"
        stroke="#000"
        strokeWidth={0.6}
      />
      <Text
        x={x - wide / 2 + 2}
        y={y + 3.4}
        style={{ fontFamily: PRINT_FAMILY, fontSize: 9, fontWeight: 700 }}
      >
        {words}
      </Text>
    </>
  );
}

const TICKS = 5;
function ticks(member: Member, from: number, to: number, system: UnitSystem) {
  return Array.from({ length: TICKS }, (_, k) => {
    const mm = from + ((to - from) * (k + 0.04)) / TICKS;
    return {
      mm,
      words: `| ${lengthDigits(startsAtMm(member) + mm, system, 'length')} ${system}`,
    };
  });
}

/** A run in the order: its number, its mark, how long to wait before it. */
export const orderWords = ({ runs }: Pick<WeldPlan, 'runs'>, waits: (seconds: number) => string): string[] =>
  runs.map(({ mark, nth, waitS }, k) => `${k + 1}: ${mark}.${nth}${waitS > 0 ? ` (${waits(waitS)})` : ''}`);
