import type { z } from 'zod';
import { fail, type Body, type Form, type Outcome } from '../quantity';
import { memberOf, type Frame, type Member } from './frame';

/** What every piece of evidence says of itself. */
export interface EvidenceStamp {
  readonly id: string;
  readonly kind: string;
  readonly by: string;
  readonly at: string;
}

/** What is odd about a record that is kept all the same. */
export interface Fit {
  readonly warning?: string;
}

/**
 * One kind of evidence, whole: how it is written down, whether it fits a frame, and of which members it says something. Storage, bundles,
 * strike-through, history and the notice of change follow from this; kinds are listed in `job/evidence.ts`.
 */
export interface EvidenceKind<Rec extends EvidenceStamp = EvidenceStamp> extends Form<Rec> {
  readonly name: Rec['kind'];
  readonly fits: (frame: Frame, record: Rec) => Outcome<Fit>;
  /** Members whose work is done anew when such a record comes or goes. */
  readonly tells: (record: Rec) => readonly string[] | 'every member';
}

/** Puts a kind together; what its first version said of itself is all it ever said, unless `upcasts` tell otherwise. */
export function evidenceKind<Rec extends EvidenceStamp>(kind: {
  name: Rec['kind'];
  version?: number;
  schema: z.ZodType<Rec>;
  upcasts?: Readonly<Record<number, (body: Body) => Body>>;
  fits: EvidenceKind<Rec>['fits'];
  tells: EvidenceKind<Rec>['tells'];
}): EvidenceKind<Rec> {
  return { version: 1, upcasts: {}, ...kind };
}

/** For kinds that hang on one member: its own check, once there is such a member. */
export function onMember<Value>(
  frame: Frame,
  memberId: string,
  check: (member: Member) => Outcome<Value>,
): Outcome<Value> {
  const member = memberOf(frame, memberId);
  return member ? check(member) : fail(`member ${memberId} is not on this frame`, 'memberId');
}

/** The records of one kind among others, in their order. */
export const ofKind = <Rec extends { readonly kind: string }, Kind extends Rec['kind']>(
  records: readonly Rec[],
  kind: Kind,
): Extract<Rec, { kind: Kind }>[] =>
  records.filter((record): record is Extract<Rec, { kind: Kind }> => record.kind === kind);
