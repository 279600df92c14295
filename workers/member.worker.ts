import type { Notice } from '@/core/frame';
import {
  askLift,
  jobDemand,
  verdictWithDemand,
  workMember,
  type JobDemand,
  type JobRecords,
  type LiftReply,
  type MemberWork,
} from '@/core/job';
import type { LiftPlan } from '@/core/walk';
import { mapContours, type MapContours } from '@/core/probe';
import type { MemberVerdict } from '@/core/weigh';

export type WorkAsked =
  | { readonly kind: 'members'; readonly records: JobRecords; readonly memberIds: readonly string[] }
  /** May it be raised so? */
  | {
      readonly kind: 'lift';
      readonly id: string;
      readonly records: JobRecords;
      readonly notices: readonly Notice[];
      readonly plan: LiftPlan;
    };
/** Member work without the state functions, which cannot cross the door (they are made again from picture and repairs), and with its map ready to draw. */
export type WorkView = Omit<MemberWork, 'states'> & { readonly contours?: MapContours };
export type WorkReport =
  | { readonly kind: 'member'; readonly memberId: string; readonly ok: true; readonly work: WorkView }
  | { readonly kind: 'lift'; readonly id: string; readonly reply?: LiftReply; readonly reason?: string }
  | { readonly kind: 'failed'; readonly what: string; readonly reason: string }
  /** The whole frame, once all its members are worked out; verdicts with what it asks of them. The order is done. */
  | {
      readonly kind: 'frame';
      readonly demand?: JobDemand;
      readonly verdicts: readonly (readonly [memberId: string, verdict: MemberVerdict])[];
    };

const report = (message: WorkReport) =>
  (self as unknown as { postMessage(message: WorkReport): void }).postMessage(message);
const reasonOf = (error: unknown): string =>
  error instanceof Error ? error.message : 'the computation failed';

/** What is worked out so far; members whose evidence did not change are not asked for again. */
const works = new Map<string, MemberWork>();

self.onmessage = ({ data }: MessageEvent<WorkAsked>) => {
  if (data.kind === 'lift') return lift(data);
  workOut(data);
};

function lift({ id, records, notices, plan }: Extract<WorkAsked, { kind: 'lift' }>): void {
  try {
    for (const member of records.frame.members)
      if (!works.has(member.id)) works.set(member.id, workMember(records, member));
    report({ kind: 'lift', id, reply: askLift(records, notices, works, plan) });
  } catch (error) {
    report({ kind: 'lift', id, reason: reasonOf(error) });
  }
}

function workOut({ records, memberIds }: Extract<WorkAsked, { kind: 'members' }>): void {
  for (const memberId of memberIds) {
    const member = records.frame.members.find((each) => each.id === memberId);
    if (!member) continue;
    try {
      const work = workMember(records, member);
      works.set(memberId, work);
      const { picture, verdict, repairs, repairedAlong } = work;
      report({
        kind: 'member',
        memberId,
        ok: true,
        work: {
          picture,
          verdict,
          repairs,
          repairedAlong,
          ...(picture.map && { contours: mapContours(picture.map, picture.built.thicknessMm) }),
        },
      });
    } catch (error) {
      report({ kind: 'failed', what: memberId, reason: reasonOf(error) });
    }
  }
  try {
    const demand = jobDemand(records, works);
    report({
      kind: 'frame',
      demand,
      verdicts: records.frame.members.flatMap(({ id }) =>
        works.has(id) ? [[id, verdictWithDemand(works.get(id)!.picture, demand)] as const] : [],
      ),
    });
  } catch (error) {
    report({ kind: 'failed', what: 'the frame', reason: reasonOf(error) });
    report({ kind: 'frame', verdicts: [] });
  }
}
