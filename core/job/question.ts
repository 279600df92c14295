import type { Notice } from '../frame';
import type { Interim, LookDue } from '../order';
import type { Proof } from '../prove';
import type { LiftTried } from './lift';
import type { MoveReason } from './move';

/** What everybody asks of a unit before anything else. */
export const QUESTIONS = ['drive', 'lift', 'beneath', 'repair'] as const;
export type Question = (typeof QUESTIONS)[number];
/** Mildest first: the worst of what is said of a question answers it. */
export const ANSWERS = ['yes', 'with limits', 'can’t say', 'no'] as const;
export type AnswerIs = (typeof ANSWERS)[number];

/** One thing said of a question, as data. `says` is what it answers by itself. */
export type AnswerReason = { readonly says: AnswerIs } & (
  | { readonly why: 'move'; readonly reason: MoveReason }
  | { readonly why: 'look first'; readonly names: readonly string[] }
  | { readonly why: 'nothing recorded against it' }
  | { readonly why: 'told until its turn'; readonly interim: Interim }
  | { readonly why: 'tried, did not hold'; readonly proof: Proof }
  | { readonly why: 'agreed look overdue'; readonly due: LookDue }
  | { readonly why: 'raised'; readonly tried: LiftTried }
  | { readonly why: 'being worked out' }
  | { readonly why: 'records unreadable'; readonly count: number }
  | { readonly why: 'notice'; readonly notice: Notice }
  | { readonly why: 'hold it first'; readonly reason: MoveReason }
  | { readonly why: 'raised only as it may be lifted'; readonly ways: readonly LiftTried['way'][] }
  | { readonly why: 'on its wheels only' }
  | { readonly why: 'retire'; readonly names: readonly string[] }
  | { readonly why: 'as its maker says'; readonly names: readonly string[] }
  | { readonly why: 'steel not known'; readonly names: readonly string[] }
  | { readonly why: 'by an engineer'; readonly names: readonly string[] }
  | { readonly why: 'mended here'; readonly names: readonly string[] }
  | { readonly why: 'renewed by hand'; readonly names: readonly string[] }
  | { readonly why: 'more may come'; readonly names: readonly string[] }
  | { readonly why: 'tried before'; readonly names: readonly string[] }
  | { readonly why: 'straightened first'; readonly names: readonly string[] }
  | { readonly why: 'traced first'; readonly names: readonly string[] }
  | { readonly why: 'work breaks a rule'; readonly names: readonly string[] }
  | { readonly why: 'not authorised'; readonly names: readonly string[] }
  | { readonly why: 'declined'; readonly names: readonly string[] }
  | { readonly why: 'nothing found to repair' }
);
export interface Answered {
  readonly is: AnswerIs;
  /** The worst first; never empty. */
  readonly reasons: readonly AnswerReason[];
}
export type FourAnswers = Readonly<Record<Question, Answered>>;
