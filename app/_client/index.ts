import type { Frame, JobSheet, Notice, NoticeLifted, ScaleTicket, Unit } from '@/core/frame';
import type { ReadingImport } from '@/core/exchange';
import type { JobFile, Tried } from '@/core/job';
import type { Pattern } from '@/core/patterns';
import type { Reading } from '@/core/probe';
import type { UnitSystem } from '@/core/quantity';
import type { Practice, ShopLists } from '@/core/reference';
import type { SpotChange, SpotRule } from '@/core/walk';
import type { Imported } from '@/data';
import { ask, tell, type Answer } from './ask';

export { ask, tell, type Answer } from './ask';
export { newId } from './new-id';

/** Everything a page asks of the server, and the shape of each answer. Evidence and repairs go by the outbox instead: they must survive the page. */

/** Who says something, and when. */
export interface Said {
  readonly by: string;
  readonly at: string;
}
export interface Change<Part> extends Said {
  readonly basedOn: number;
  readonly to: Part;
}
export interface EarlierSurvey {
  readonly jobId: string;
  readonly title: string;
  readonly openedAt: string;
  readonly readings: readonly Reading[];
}
export interface SpotList {
  readonly rules: readonly SpotRule[];
  readonly dropped: readonly SpotRule[];
}
export interface Opening {
  readonly unit: Unit;
  readonly job: JobSheet;
  readonly frame: Frame;
}

const ofJob = (jobId: string, what: string) => `/api/jobs/${jobId}/${what}`;

export const askRecords = (jobId: string): Promise<Answer<JobFile>> => ask(ofJob(jobId, 'records'));
export const askEarlier = (jobId: string): Promise<Answer<readonly EarlierSurvey[]>> =>
  ask(ofJob(jobId, 'earlier'));
export const askSpots = (): Promise<Answer<SpotList>> => ask('/api/spots');

export const changeFrame = (jobId: string, change: Change<Frame>): Promise<Answer<unknown>> =>
  tell(ofJob(jobId, 'frame'), change);
export const changePractice = (
  jobId: string,
  change: Change<Practice> & { readonly why?: string; readonly shopRevision?: number },
): Promise<Answer<unknown>> => tell(ofJob(jobId, 'practice'), change);
/** What another practice would make of a job; nothing is kept. */
export const tryPractice = (jobId: string, to: Practice): Promise<Answer<Tried>> =>
  tell(ofJob(jobId, 'practice-tried'), { to });
/** What a job would be judged by under the shop's newest practice. */
export const askNewestPractice = (
  jobId: string,
): Promise<Answer<{ shopRevision: number; practice: Practice }>> => ask(ofJob(jobId, 'practice'));
export const changeShop = (change: Change<Practice>): Promise<Answer<unknown>> => tell('/api/shop', change);
export const changeShopLists = (change: Change<ShopLists>): Promise<Answer<unknown>> =>
  tell('/api/shop/lists', change);
export const changeSpots = (change: SpotChange & Said & { readonly id: string }): Promise<Answer<unknown>> =>
  tell('/api/spots', change);
export const closeJob = (
  jobId: string,
  closing: Said & { readonly id: string; readonly closed: boolean },
): Promise<Answer<unknown>> => tell(ofJob(jobId, 'closing'), closing);

export const openJob = (opening: Opening): Promise<Answer<unknown>> => tell('/api/jobs', opening);
export const correctUnit = (was: Unit, unit: Unit): Promise<Answer<unknown>> =>
  tell(`/api/units/${unit.id}`, { was, unit });
export const addNotice = (notice: Notice): Promise<Answer<unknown>> =>
  tell(`/api/units/${notice.unitId}/notices`, notice);
export const liftNotice = (unitId: string, lifted: NoticeLifted): Promise<Answer<unknown>> =>
  tell(`/api/units/${unitId}/notices/${lifted.noticeId}`, lifted);
export const keepStartingFrame = (
  starting: Said & { readonly id: string; readonly name: string; readonly frame: Frame },
): Promise<Answer<unknown>> => tell('/api/starting-frames', starting);

export const keepPattern = (pattern: Pattern): Promise<Answer<Pattern>> => tell('/api/patterns', pattern);
export const dropPattern = (
  patternId: string,
  dropped: Said & { readonly id: string; readonly why: string },
): Promise<Answer<unknown>> => tell(`/api/patterns/${patternId}/dropped`, dropped);

export const takeBundle = (file: Blob): Promise<Answer<Imported>> =>
  ask('/api/bundles', { method: 'POST', body: file });
export const takeCsv = (
  jobId: string,
  file: Blob,
  as: Said & { readonly unit: UnitSystem; readonly columns?: string },
): Promise<Answer<ReadingImport>> =>
  ask(`${ofJob(jobId, 'readings-csv')}?${new URLSearchParams({ ...as })}`, { method: 'POST', body: file });
export const takeTicket = (
  jobId: string,
): Promise<Answer<Pick<ScaleTicket, 'axles' | 'couplerKg' | 'simulated'>>> =>
  ask(ofJob(jobId, 'scale-ticket'), { method: 'POST' });
export const askPracticeCopy = (): Promise<Answer<null>> => tell('/api/practice-copy', {});
/** Instruments behind the server that speak lines, by their routes. */
export const LINE_ROUTES = {
  gauge: '/api/gauge',
  'angle-finder': '/api/instruments/angle-finder',
  laser: '/api/instruments/laser',
} as const;
export type LineInstrument = keyof typeof LINE_ROUTES;
/** Opens an instrument for this page; `simulated` agrees to the stand-in, whose readings are invented. */
export const openLine = (
  which: LineInstrument,
  jobId: string,
  simulated: boolean,
): Promise<Answer<{ session: string; simulated: boolean }>> =>
  tell(LINE_ROUTES[which], { does: 'open', jobId, simulated });
/** What is said to an instrument behind the server. */
export const tellLine = (which: LineInstrument, what: object): Promise<Answer<unknown>> =>
  tell(LINE_ROUTES[which], what);
