import type { OwnersChoice } from '../walk';
import { lastOf, stands, type JobRecords } from './records';

/** What the owner chose last; undefined where nobody asked. */
export const choiceOf = (records: Pick<JobRecords, 'evidence' | 'strikes'>): OwnersChoice | undefined =>
  lastOf(records, 'choice');

/** Every time a verdict was declined or only part of it was done, earliest first: it stays on every later paper. */
export const leftUndone = (records: Pick<JobRecords, 'evidence' | 'strikes'>): OwnersChoice[] =>
  stands(records, 'choice').filter(({ left }) => left !== '');
