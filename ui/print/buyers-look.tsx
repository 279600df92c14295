import { Document, Page, StyleSheet, View } from '@react-pdf/renderer';
import type { JobFile } from '@/core/job';
import type { BuyersLook, BuyersWhy } from '@/core/weigh';
import type { Claim, Leave, NotSeenWhy, SpotState } from '@/core/walk';
import { localTime } from '../controls/local-time';
import { PRINT_FAMILY } from './fonts';
import { FourAnswersPrint, type PrintedAnswer } from './four-answers';
import { Text } from './text';

const style = StyleSheet.create({
  page: { fontFamily: PRINT_FAMILY, fontSize: 9, padding: 32, color: '#000', lineHeight: 1.3 },
  head: {
    flexDirection: 'row',
    justifyContent: 'space-between',
    borderBottomWidth: 1.6,
    borderColor: '#000',
    paddingBottom: 4,
    marginBottom: 6,
  },
  tag: { fontSize: 19, fontWeight: 700, lineHeight: 1.1 },
  answer: { fontSize: 17, fontWeight: 700, lineHeight: 1.15 },
  section: { fontWeight: 700, fontSize: 11, marginTop: 8, borderBottomWidth: 0.6, borderColor: '#000' },
  bold: { fontWeight: 600 },
  box: { borderWidth: 1.4, borderColor: '#000', padding: 7, marginTop: 4 },
  columns: { flexDirection: 'row', gap: 18 },
});

export interface BuyersLookWords {
  readonly answer: (look: BuyersLook) => string;
  readonly why: (why: BuyersWhy) => string;
  readonly cost: (look: BuyersLook, money: JobFile['practice']['money']) => string;
  readonly hint: string;
  /** What no metal stands behind, or could not be read. */
  readonly distrust: readonly string[];
  readonly answers: readonly PrintedAnswer[];
}

/** Lists are cut where the page would run over, and say how many more there are. */
const LONGEST = 15;

interface SheetProps {
  readonly file: JobFile;
  readonly look: BuyersLook;
  readonly claims: readonly Claim[];
  readonly leaves: readonly Leave[];
  readonly reasons: readonly string[];
  readonly printedAt: string;
  readonly deference: string;
  readonly words: BuyersLookWords;
  readonly whyUnseen: (why: NotSeenWhy) => string;
}

/** One page for a buyer: the answer and why, what was seen and found, what was not seen, what it would roughly cost. Black and white. */
export const BuyersLookSheet = (props: SheetProps) => (
  <Document title={`Look before buying ${props.file.unit.tag}`} producer="Ossatura" creator="Ossatura">
    <Page size="LETTER" style={style.page}>
      <Head {...props} />
      <FourAnswersPrint answers={props.words.answers} />
      {props.words.distrust.map((sentence) => (
        <Text key={sentence} style={style.bold}>
          ! {sentence}
        </Text>
      ))}
      <TheAnswer {...props} />
      <SeenAndLeave {...props} />
      <View style={style.columns}>
        <FoundColumn {...props} />
        <UnseenColumn {...props} />
      </View>
      <ClaimsAndNotices {...props} />
      <View style={{ ...style.box, borderWidth: 0.8, marginTop: 10 }}>
        <Text>{props.words.hint}</Text>
        <Text style={style.bold}>{props.deference}</Text>
      </View>
    </Page>
  </Document>
);

const Head = ({ file: { unit, frame, job }, printedAt }: SheetProps) => (
  <View style={style.head}>
    <View>
      <Text style={style.tag}>{unit.tag}: look before buying</Text>
      <Text>
        {unit.description}; {frame.family}; {unit.exposure}. {job.complaint}
      </Text>
    </View>
    <View style={{ textAlign: 'right', minWidth: 130 }}>
      <Text>
        looked at {localTime(job.openedAt, 'day')} by {job.openedBy}
      </Text>
      <Text>printed {localTime(printedAt)}</Text>
    </View>
  </View>
);

const TheAnswer = ({ file, look, words }: SheetProps) => (
  <View style={style.box}>
    <Text style={style.answer}>{words.answer(look)}</Text>
    {look.whys.map(words.why).map((why) => (
      <Text key={why}>– {why}</Text>
    ))}
    <Text style={style.bold}>{words.cost(look, file.practice.money)}</Text>
  </View>
);

/** How much of the list was seen, and what the seller gave leave for. */
function SeenAndLeave({ look: { progress }, leaves }: SheetProps) {
  const acts = (given: boolean) => leaves.filter((leave) => leave.given === given).map((leave) => leave.act);
  const [given, refused] = [acts(true), acts(false)];
  return (
    <>
      <Text style={style.section}>
        Seen {progress.seen} of {progress.spots} spots; of {progress.critical} critical ones{' '}
        {progress.criticalSeen}
      </Text>
      <Text>
        Leave to {given.length ? `${given.join(', ')}: given` : 'hammer, scrape or drill: not recorded'}
        {refused.length > 0 && `; refused: ${refused.join(', ')}`}.
      </Text>
    </>
  );
}

const MOST_REASONS = 7;

const FoundColumn = ({ look: { found }, reasons }: SheetProps) => (
  <View style={{ flex: 1 }}>
    <Text style={style.section}>Found</Text>
    {found.length === 0 && <Text>Nothing doubtful where it was looked at.</Text>}
    {found.slice(0, LONGEST).map((state) => (
      <Text key={state.spot.id}>
        {state.spot.title}: <Text style={style.bold}>{state.result}</Text>
        {state.look?.cause && `, ${state.look.cause}`}
      </Text>
    ))}
    <More count={found.length - LONGEST} />
    {reasons.slice(0, MOST_REASONS).map((reason) => (
      <Text key={reason}>{reason}.</Text>
    ))}
    <More count={reasons.length - MOST_REASONS} />
  </View>
);

function UnseenColumn({ look, whyUnseen }: SheetProps) {
  const unseen = groupedByWhy(look.unseen);
  return (
    <View style={{ flex: 1 }}>
      <Text style={style.section}>Not seen: nothing is said of these</Text>
      {unseen.length === 0 && <Text>Every spot on the list was seen.</Text>}
      {unseen.slice(0, LONGEST).map(([why, states]) => (
        <Text key={why}>
          <Text style={style.bold}>{whyUnseen(why)}</Text> ({states.length}):{' '}
          {states
            .slice(0, 4)
            .map((state) => state.spot.title)
            .join('; ')}
          {states.length > 4 && ` and ${states.length - 4} more`}
        </Text>
      ))}
    </View>
  );
}

const ClaimsAndNotices = ({ claims, file: { notices } }: SheetProps) => (
  <>
    {claims.length > 0 && <Text style={style.section}>Claimed</Text>}
    {claims.slice(0, 8).map((claim) => (
      <Text key={claim.claimId}>
        “{claim.words}”: <Text style={style.bold}>{claim.standing}</Text>
        {claim.note && `, ${claim.note}`}
      </Text>
    ))}
    {notices.length > 0 && <Text style={style.section}>Standing notices</Text>}
    {notices.slice(0, 5).map((notice) => (
      <Text key={notice.id} style={style.bold}>
        ! {notice.words}
      </Text>
    ))}
  </>
);

const More = ({ count }: { count: number }) => (count > 0 ? <Text>and {count} more, on screen.</Text> : null);

function groupedByWhy(states: readonly SpotState[]): [NotSeenWhy, SpotState[]][] {
  const groups = new Map<NotSeenWhy, SpotState[]>();
  for (const state of states) groups.set(state.why!, [...(groups.get(state.why!) ?? []), state]);
  return [...groups].sort((a, b) => b[1].length - a[1].length);
}
