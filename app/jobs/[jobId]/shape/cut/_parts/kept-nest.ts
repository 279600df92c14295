import { del, get, set } from 'idb-keyval';
import type { NestJob, NestReport } from '@/workers/nester';

interface Kept {
  readonly job: NestJob;
  readonly report: NestReport;
}

const keyOf = (jobId: string, thicknessMm: number): string => `nest ${jobId} ${thicknessMm.toFixed(3)}`;

/** Keeps a nest on this device, so that a reload finds it; a device that keeps nothing has to lay it out again. */
export const keepNest = (jobId: string, thicknessMm: number, kept: Kept): Promise<void> =>
  set(keyOf(jobId, thicknessMm), kept).catch(() => undefined);

/** Once it is cut it is no plan any more. */
export const dropNest = (jobId: string, thicknessMm: number): Promise<void> =>
  del(keyOf(jobId, thicknessMm)).catch(() => undefined);

export const keptNest = (jobId: string, thicknessMm: number): Promise<Kept | undefined> =>
  get<Kept>(keyOf(jobId, thicknessMm)).catch(() => undefined);
