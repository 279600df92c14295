import { Document, Image as Picture, Page, StyleSheet, View } from '@react-pdf/renderer';
import type { JobFile, MemberWork as WholeWork } from '@/core/job';
import { localTime } from '../controls/local-time';
import { PRINT_FAMILY } from './fonts';
import { FourAnswersPrint, type PrintedAnswer } from './four-answers';
import { PlanPicture } from './plan-picture';
import { StripPicture } from './strip-picture';
import { Text } from './text';

type MemberWork = Omit<WholeWork, 'states'>;

/** A way out as one row: what it is, what it costs, what it leaves. */
export interface PrintedWay {
  readonly name: string;
  readonly price: string;
  readonly words: string;
}
/** Sentences come from where findings are put into words; this page only lays them out. */
export interface OwnersWords {
  readonly answers: readonly PrintedAnswer[];
  /** A member and what is wrong with it, worst first. */
  readonly wrong: readonly { readonly work: MemberWork; readonly words: string }[];
  readonly hosts: readonly string[];
  readonly ways: readonly PrintedWay[];
  /** What the money says of the unit as a whole. */
  readonly retired?: string | undefined;
  readonly unseen: readonly string[];
  readonly chosen?: string;
  readonly left: readonly string[];
  readonly distrust: readonly string[];
  readonly caution: string;
  readonly deference: string;
}

const style = StyleSheet.create({
  page: { fontFamily: PRINT_FAMILY, fontSize: 10, padding: 34, color: '#000', lineHeight: 1.3 },
  head: { borderBottomWidth: 1.6, borderColor: '#000', paddingBottom: 4, marginBottom: 5 },
  tag: { fontSize: 19, fontWeight: 700, lineHeight: 1.1 },
  section: { fontWeight: 700, fontSize: 12, marginTop: 8, borderBottomWidth: 0.6, borderColor: '#000' },
  bold: { fontWeight: 600 },
  row: { flexDirection: 'row', gap: 10, borderBottomWidth: 0.4, borderColor: '#999', paddingVertical: 2 },
  box: { borderWidth: 1.2, borderColor: '#000', padding: 6, marginTop: 8 },
});
/** More than these are named in a line, not drawn: two pages at most. */
const [PICTURED, NAMED, PHOTOS, UNSEEN] = [3, 10, 4, 10];

/** For the owner, one or two pages: the four answers, what is wrong with pictures of it, ways out with their prices, what nobody saw, and a place to sign. */
export function OwnersReport({
  file,
  words,
  photos,
  printedAt,
}: {
  file: JobFile;
  words: OwnersWords;
  photos: readonly { readonly caption: string; readonly bytes: Buffer }[];
  printedAt: string;
}) {
  return (
    <Document title={`For the owner of ${file.unit.tag}`} producer="Ossatura" creator="Ossatura">
      <Page size="LETTER" style={style.page}>
        <View style={style.head}>
          <Text style={style.tag}>
            {file.unit.tag}: {file.job.title}
          </Text>
          <Text>
            {file.unit.description}. Looked at from {localTime(file.job.openedAt, 'day')} by{' '}
            {file.job.openedBy}; printed {localTime(printedAt)}
          </Text>
        </View>
        {[...words.distrust, ...file.notices.map((notice) => notice.words)].map((sentence) => (
          <Text key={sentence} style={style.bold}>
            ! {sentence}
          </Text>
        ))}
        <FourAnswersPrint answers={words.answers} />
        <Wrong words={words} />
        {photos.length > 0 && (
          <View style={{ flexDirection: 'row', gap: 8, marginTop: 6 }} wrap={false}>
            {photos.slice(0, PHOTOS).map(({ caption, bytes }, k) => (
              <View key={k} style={{ width: 128 }}>
                <Picture
                  src={{ data: bytes, format: 'jpg' }}
                  style={{ width: 128, height: 92, objectFit: 'cover' }}
                />
                <Text style={{ fontSize: 8 }}>{caption}</Text>
              </View>
            ))}
          </View>
        )}
        <Ways ways={words.ways} {...(words.retired && { retired: words.retired })} />
        <Text style={style.section}>Not seen: {words.unseen.length}</Text>
        <Text>
          {words.unseen.length === 0
            ? 'Every spot on the list was looked at.'
            : `${words.unseen.slice(0, UNSEEN).join('; ')}${words.unseen.length > UNSEEN ? `; and ${words.unseen.length - UNSEEN} more` : ''}. What was not seen is not fine.`}
        </Text>
        <Chosen file={file} words={words} />
      </Page>
    </Document>
  );
}

function Wrong({ words: { wrong, hosts } }: { words: OwnersWords }) {
  return (
    <>
      <Text style={style.section}>What is wrong</Text>
      {wrong.length + hosts.length === 0 && <Text>Nothing that was found asks for anything.</Text>}
      {wrong.slice(0, NAMED).map(({ work, words: said }, k) => (
        <View key={work.picture.member.id} style={{ marginTop: 3 }} wrap={false}>
          <Text>
            <Text style={style.bold}>
              {k + 1}. {work.picture.member.name}:{' '}
            </Text>
            {said}
          </Text>
          {k < PICTURED && <StripPicture picture={work.picture} width={540} height={44} />}
        </View>
      ))}
      {wrong.length > NAMED && <Text>And {wrong.length - NAMED} more members.</Text>}
      {hosts.slice(0, NAMED).map((host) => (
        <Text key={host}>{host}</Text>
      ))}
      {wrong.length > 0 && (
        <Text style={{ fontSize: 8 }}>
          Unrolled from end to end: the darker, the more of the wall is gone; white inside was not measured.
          Bars beneath: found bad by eye, hammer or finger (black), doubtful (grey). Heavy lines are cracks.
        </Text>
      )}
    </>
  );
}

const Ways = ({ ways, retired }: { ways: readonly PrintedWay[]; retired?: string }) => (
  <View wrap={false}>
    <Text style={style.section}>Ways out, and what they cost: rough ranges, no offer</Text>
    {retired !== undefined && <Text style={style.bold}>{retired}</Text>}
    {ways.map(({ name, price, words }) => (
      <View key={name} style={style.row}>
        <Text style={{ ...style.bold, width: 112 }}>{name}</Text>
        <Text style={{ width: 122 }}>{price}</Text>
        <Text style={{ flex: 1 }}>{words}</Text>
      </View>
    ))}
  </View>
);

const Chosen = ({ file, words }: { file: JobFile; words: OwnersWords }) => (
  <View wrap={false}>
    {(words.chosen !== undefined || words.left.length > 0) && (
      <View style={style.box}>
        {words.chosen !== undefined && <Text style={style.bold}>Chosen: {words.chosen}</Text>}
        {words.left.map((sentence) => (
          <Text key={sentence}>Left undone: {sentence}</Text>
        ))}
        {words.left.length > 0 && (
          <>
            <PlanPicture
              frame={file.frame}
              marked={words.wrong.map(({ work }) => work.picture.member.id)}
              width={520}
              height={84}
            />
            <Text style={{ fontSize: 8 }}>
              From above, front to the left. Heavy and numbered, in the order above: what asks for repair.
              Strike out what is done; what stays is signed for below.
            </Text>
          </>
        )}
      </View>
    )}
    <View style={style.box}>
      <Text>{words.caution}</Text>
      <Text style={style.bold}>{words.deference}</Text>
    </View>
    <View style={{ flexDirection: 'row', marginTop: 26, gap: 16 }}>
      {['for the shop', 'owner: told of all this, and of what is left undone'].map((who) => (
        <View key={who} style={{ flex: 1, borderTopWidth: 0.6, borderColor: '#000' }}>
          <Text>{who}, date</Text>
        </View>
      ))}
    </View>
  </View>
);
