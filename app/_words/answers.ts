import {
  QUESTIONS,
  type Answered,
  type AnswerIs,
  type AnswerReason,
  type FourAnswers,
  type LiftTried,
  type Question,
} from '@/core/job';
import { memberOf } from '@/core/frame';
import type { Interim } from '@/core/order';
import type { Proof } from '@/core/prove';
import { lengthDigits, printMass } from '@/core/quantity';
import type { LiftReason } from '@/core/walk';
import { lookDueWords } from './dates';
import { PROOF_WORDS } from './prove';
import { moveReasonWords, MOVE_WORDS, type ToldOn } from './trace';
import { LIFT_WAY_WORDS, liftReasonWords } from './walk';

export const QUESTION_WORDS: Readonly<Record<Question, string>> = {
  drive: 'May it be driven?',
  lift: 'May it be lifted, and how?',
  beneath: 'May somebody work beneath it?',
  repair: 'Can it be repaired here, and by whom?',
};

const ANSWER_WORDS: Readonly<Record<Question, Readonly<Record<AnswerIs, string>>>> = {
  drive: {
    yes: 'No reason recorded against it',
    'with limits': 'With limits',
    'can’t say': 'Can’t say yet',
    no: 'Do not drive it',
  },
  lift: {
    yes: 'Yes, in the usual ways',
    'with limits': 'Only so',
    'can’t say': 'Can’t say yet',
    no: 'Not at all yet',
  },
  beneath: {
    yes: 'Yes',
    'with limits': 'With limits',
    'can’t say': 'Can’t say yet',
    no: 'Nobody beneath it',
  },
  repair: { yes: 'Yes, here', 'with limits': 'In part', 'can’t say': 'Can’t say yet', no: 'No' },
};
export const answerWords = (question: Question, { is, reasons }: Answered): string => {
  if (question === 'drive' && is === 'with limits') return driveLimit(reasons);
  if (question === 'repair' && reasons[0]!.why === 'nothing found to repair')
    return 'Nothing found to repair';
  return reasons[0]!.why === 'being worked out' ? 'being worked out…' : ANSWER_WORDS[question][is];
};

/** The strictest of its limits by name: *to the shop only* is one. */
function driveLimit(reasons: readonly AnswerReason[]): string {
  const isToShop = reasons.some(
    (each) =>
      (each.why === 'move' && each.reason.answer === 'to the shop only') ||
      (each.why === 'told until its turn' && each.interim.answer === 'to the shop only'),
  );
  return MOVE_WORDS[isToShop ? 'to the shop only' : 'restricted'];
}

const listed = (names: readonly string[], most = 4): string =>
  names.length <= most
    ? names.join(', ')
    : `${names.slice(0, most).join(', ')} and ${names.length - most} more`;

const failedWords = ({ of, place, note }: Proof): string =>
  `“${PROOF_WORDS[of]}” was tried (${place}) and did not hold${note && `: ${note}`}`;

const toldWords = ({ answer, advice }: Interim): string =>
  `what its owner was told until its turn: ${[MOVE_WORDS[answer].toLowerCase(), advice].filter(Boolean).join('; ')}`;

export function answerReasonWords(reason: AnswerReason, { frame, system }: ToldOn): string {
  switch (reason.why) {
    case 'move':
      return moveReasonWords(reason.reason, { frame, system });
    case 'hold it first':
      return `${moveReasonWords(reason.reason, { frame, system })}: hold it from below on both sides of that first`;
    case 'look first':
      return reason.names.length > 0 ? `look first: ${listed(reason.names)}` : 'nobody has looked at it yet';
    case 'nothing recorded against it':
      return 'everything that steers or holds an axle was looked at, and nothing speaks against it';
    case 'told until its turn':
      return toldWords(reason.interim);
    case 'tried, did not hold':
      return failedWords(reason.proof);
    case 'agreed look overdue':
      return lookDueWords(reason.due, system);
    case 'notice':
      return `standing notice of ${reason.notice.by}: ${reason.notice.words}`;
    case 'raised':
      return triedWords(reason.tried, { frame, system });
    case 'being worked out':
      return 'being worked out';
    case 'raised only as it may be lifted':
      return `raised ${listed(reason.ways.map(wayWords))}; stands under it, never a jack alone`;
    case 'on its wheels only':
      return 'on its wheels and chocked only: no way of raising it has passed';
    case 'retire':
      return `nothing is left to land on: ${listed(reason.names)}`;
    case 'as its maker says':
      return `heat-treated, so only as its maker says: ${listed(reason.names)}`;
    case 'steel not known':
      return `what steel it is decides whether it may be welded: ${listed(reason.names)}`;
    case 'by an engineer':
      return `specified by hand, by an engineer or the maker: ${listed(reason.names)}`;
    case 'mended here':
      return `plates drawn that break no rule: ${listed(reason.names)}`;
    case 'renewed by hand':
      return `renewed or made good: ${listed(reason.names)}`;
    case 'more may come':
      return `not known yet, and may add to it: ${listed(reason.names)}`;
    case 'declined':
      return `this shop has declined it or passed it on: ${reason.names.join(', ')}`;
    case 'tried before':
      return `tried before and did not hold: ${reason.names.join(', ')}; look past the place that failed`;
    case 'straightened first':
      return `brought back into line, and measured again, before anything is plated: ${listed(reason.names)}`;
    case 'traced first':
      return `cracked, and its ends not found: trace it before anybody says what covers it: ${listed(reason.names)}`;
    case 'work breaks a rule':
      return `specified in a way that breaks a rule: ${listed(reason.names)}`;
    case 'not authorised':
      return `${reason.names.join(', ')} pays and has not said yes: nothing is cut before`;
    case 'records unreadable':
      return `${reason.count === 1 ? 'one record' : `${reason.count} records`} of this job cannot be read on the server: what stands in it is missing here`;
    case 'nothing found to repair':
      return 'no member or bracket asks for it, of what was seen';
    default:
      return reason satisfies never;
  }
}

/** Stands bear where the pads of a two-post lift do. */
const WAY_WORDS: Partial<Record<LiftTried['way'], string>> = { 'two-post pads': 'on pads or stands' };
const wayWords = (way: LiftTried['way']): string => WAY_WORDS[way] ?? LIFT_WAY_WORDS[way].toLowerCase();

/** One way of lifting as it came out; of the reasons the first, by what weighs most. */
function triedWords({ way, answer, reasons, better, mostKg }: LiftTried, told: ToldOn): string {
  const first = wayWords(way);
  if (answer === 'Lift here') return `${first}: passes; up to ${printMass(mostKg, told.system)} on one place`;
  const digits = (mm: number) => lengthDigits(mm, told.system, 'length');
  if (better)
    return `${first}: not at the usual places, but at ${better.map(digits).join(' and ')} ${told.system} along the frame`;
  const worst =
    reasons.find(({ weight }) => weight === 'refused') ?? reasons.find(({ weight }) => weight === 'unknown');
  return `${first}: ${answer.toLowerCase()}${worst ? `, ${lowered(placed(worst, told))}` : ''}`;
}

function placed(reason: LiftReason, { frame, system }: ToldOn): string {
  const member = reason.memberId === undefined ? undefined : memberOf(frame, reason.memberId);
  const words = liftReasonWords({ ...reason, ...(member && { member }) }, system);
  return member && !words.includes(member.name.toLowerCase())
    ? `${member.name.toLowerCase()}: ${words}`
    : words;
}

const lowered = (words: string): string => `${words[0]!.toLowerCase()}${words.slice(1)}`;

/** A standing notice that a *no* proposes. */
const NO_WORDS: Readonly<Record<Question, string>> = {
  drive: 'Do not drive',
  lift: 'Do not lift',
  beneath: 'Nobody works beneath it',
  repair: 'Not to be repaired here',
};
export const proposedNotice = (question: Question, { reasons }: Answered, told: ToldOn): string => {
  const words = `${NO_WORDS[question]}: ${answerReasonWords(reasons[0]!, told)}`;
  return words.length <= 200 ? words : `${words.slice(0, words.lastIndexOf(' ', 190))} …`;
};

/** A question with its answer and its worst reason: how papers begin. */
export const answerLine = (question: Question, answered: Answered, told: ToldOn): string => {
  const [worst] = answered.reasons;
  const more = answered.reasons.length > 1 ? `, and ${answered.reasons.length - 1} more` : '';
  return `${answerWords(question, answered)}: ${answerReasonWords(worst!, told)}${more}`;
};

/** All four, as the head of a paper has them. */
export const printedAnswers = (
  four: FourAnswers,
  told: ToldOn,
): { readonly question: string; readonly answer: string }[] =>
  QUESTIONS.map((question) => ({
    question: QUESTION_WORDS[question],
    answer: answerLine(question, four[question], told),
  }));
