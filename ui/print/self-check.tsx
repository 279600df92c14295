import { Circle, Document, Page, Polyline, StyleSheet, Svg, View } from '@react-pdf/renderer';
import type { JobFile } from '@/core/job';
import { localTime } from '../controls/local-time';
import { PRINT_FAMILY } from './fonts';
import { Text } from './text';

const style = StyleSheet.create({
  page: { fontFamily: PRINT_FAMILY, fontSize: 11, padding: 36, color: '#000', lineHeight: 1.35 },
  tag: { fontSize: 20, fontWeight: 700, lineHeight: 1.15 },
  section: { fontWeight: 700, fontSize: 12, marginTop: 10, borderBottomWidth: 0.6, borderColor: '#000' },
  bold: { fontWeight: 600 },
  box: { borderWidth: 1.4, borderColor: '#000', padding: 8, marginTop: 8 },
  row: { flexDirection: 'row', borderBottomWidth: 0.5, borderColor: '#000', minHeight: 26 },
  cell: { flex: 1, borderRightWidth: 0.5, borderColor: '#000', padding: 3, fontSize: 9 },
});

const [WIDE, HIGH, ROOM] = [360, 130, 24];
const LOOKS = 6;
const COLUMNS = ['date', 'odometer or hours', 'past mark A', 'past mark B', 'gap, loaded', 'seen by'];

/** What the owner is told of one crack. */
export interface SelfCheckWords {
  readonly where: string;
  readonly length: string;
  readonly ends: string;
  /** At which length to stop, and how often to look; absent where nothing is foretold. */
  readonly stop?: string;
  readonly every?: string;
  readonly deference: string;
}

/** One page for the owner: where a crack is, its ends marked A and B, what to write down and photograph, and when to stop. Black and white. */
export function SelfCheckSheet({
  file,
  path,
  words,
  printedAt,
}: {
  file: Pick<JobFile, 'unit' | 'frame'>;
  /** The crack on the unrolled faces: along, across; mm. */
  path: readonly (readonly [number, number])[];
  words: SelfCheckWords;
  printedAt: string;
}) {
  return (
    <Document title={`Self-check ${file.unit.tag}`} producer="Ossatura" creator="Ossatura">
      <Page size="LETTER" style={style.page}>
        <Text style={style.tag}>{file.unit.tag}: watch this crack</Text>
        <Text>
          {file.unit.description}. {words.where}, measured from the {file.frame.datum}. Printed{' '}
          {localTime(printedAt, 'day')}.
        </Text>
        <View style={style.box}>
          <Text style={style.bold}>
            {words.stop ?? 'Stop at once if either end has passed its mark by 1/4 in (6 mm).'}
          </Text>
          <Text style={style.bold}>
            {words.every ?? 'Look before every trip.'} Stop and call if the gap opens wider, a fresh streak
            shows, a door starts to jam, or it pulls to one side.
          </Text>
        </View>
        <Text style={style.section}>
          The crack today: {words.length}, {words.ends}
        </Text>
        <Drawn path={path} />
        <Text>
          White dot: end A. Black dot: end B. Drawn as on the unrolled metal, front to the left. A paint mark
          stands across each end; wipe it clean before you look, do not paint or seal over it.
        </Text>
        <Text style={style.section}>Each time</Text>
        <Text>
          1 Park level, wheels chocked; never go beneath a unit that stands on a jack.{'\n'}2 Photograph it
          straight on, a rule beside it, from the same place as the last picture.{'\n'}3 Measure how far each
          end lies past its mark, once empty and once loaded.{'\n'}4 Write it down here and send the sheet or
          a picture of it to the shop.
        </Text>
        <ToFillIn />
        <Text style={{ marginTop: 10 }}>
          What you write is kept as told: it can stop the unit sooner, it never lets it go farther.{' '}
          {words.deference}
        </Text>
      </Page>
    </Document>
  );
}

/** The crack with its ends: A white, B black. */
function Drawn({ path }: { path: readonly (readonly [number, number])[] }) {
  const drawn = fitted(path);
  const [a, b] = [drawn[0]!, drawn[drawn.length - 1]!];
  return (
    <Svg width={WIDE} height={HIGH}>
      <Polyline
        points={drawn.map(([x, y]) => `${x},${y}`).join(' ')}
        stroke="#000"
        strokeWidth={2.5}
        fill="none"
      />
      <Circle cx={a[0]} cy={a[1]} r={5} stroke="#000" strokeWidth={1.5} fill="#fff" />
      <Circle cx={b[0]} cy={b[1]} r={5} stroke="#000" strokeWidth={1.5} fill="#000" />
    </Svg>
  );
}

const ToFillIn = () => (
  <>
    <View style={[style.row, { marginTop: 6 }]}>
      {COLUMNS.map((name) => (
        <Text key={name} style={[style.cell, style.bold]}>
          {name}
        </Text>
      ))}
    </View>
    {Array.from({ length: LOOKS }, (_, k) => (
      <View key={k} style={style.row}>
        {COLUMNS.map((name) => (
          <Text key={name} style={style.cell}>
            {' '}
          </Text>
        ))}
      </View>
    ))}
  </>
);

/** The path as large as its box takes it, nothing stretched. */
function fitted(path: readonly (readonly [number, number])[]): [number, number][] {
  const [xs, ys] = [path.map(([x]) => x), path.map(([, y]) => y)];
  const [left, top] = [Math.min(...xs), Math.min(...ys)];
  const size = Math.max(
    (Math.max(...xs) - left) / (WIDE - 2 * ROOM),
    (Math.max(...ys) - top) / (HIGH - 2 * ROOM),
  );
  return path.map(([x, y]) => [ROOM + (x - left) / (size || 1), ROOM + (y - top) / (size || 1)]);
}
