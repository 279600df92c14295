import { createHash } from 'node:crypto';
import { recordText, type JobBundle } from '@/core/exchange';

/** The SHA-256 of a job's record as it stood at an instant (FIPS 180-4). */
export const recordSum = (bundle: JobBundle, upTo: string): string =>
  createHash('sha256').update(recordText(bundle, upTo)).digest('hex');
