import { workMember, type JobRecords, type MemberWork } from '@/core/job';
import { mapContours, type MapContours } from '@/core/probe';

export interface WorkOrder { readonly records: JobRecords; readonly memberIds: readonly string[] }
/** Member work without the state functions, which cannot cross the door (they are made again from picture and repairs), and with its map ready to draw. */
export type WorkView = Omit<MemberWork, 'states'> & { readonly contours?: MapContours };
export type WorkReport = { readonly memberId: string; readonly done: boolean } & ({ readonly ok: true; readonly work: WorkView } | { readonly ok: false; readonly reason: string });

const report = (message: WorkReport) => (self as unknown as { postMessage(message: WorkReport): void }).postMessage(message);

self.onmessage = ({ data }: MessageEvent<WorkOrder>) => {
  data.memberIds.forEach((memberId, k) => {
    const base = { memberId, done: k === data.memberIds.length - 1 };
    const member = data.records.frame.members.find((each) => each.id === memberId);
    if (!member) return;
    try {
      const { picture, verdict, repairs, repairedAlong } = workMember(data.records, member);
      report({ ...base, ok: true, work: { picture, verdict, repairs, repairedAlong, ...(picture.map && { contours: mapContours(picture.map, picture.built.thicknessMm) }) } });
    } catch (error) {
      report({ ...base, ok: false, reason: error instanceof Error ? error.message : 'the computation failed' });
    }
  });
};
