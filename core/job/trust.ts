import { doubtfulReadings } from '../probe';
import { stands, type JobFile } from './records';

/** What in a job's records no metal stands behind, or cannot be read: said wherever the job is judged or printed. */
export interface Distrust {
  /** Standing readings that a gauge's stand-in invented. */
  readonly simulatedReadings: number;
  /** The loads rest on a scale's stand-in. */
  readonly simulatedTicket: boolean;
  /** Tap tests heard from made-up sounds. */
  readonly simulatedTaps: number;
  /** The frame's measures are its family's usual ones. */
  readonly presumedFrame: boolean;
  /** Standing readings of a gauge that was off its block, then or when it was next set on it. */
  readonly driftedReadings: number;
  /** Rows on the server's disk that could not be read. */
  readonly unreadable: number;
}

export const distrustOf = (file: JobFile): Distrust => ({
  simulatedReadings: stands(file, 'reading').filter((reading) => reading.simulated).length,
  simulatedTicket: file.frame.loads?.ticket?.simulated === true,
  simulatedTaps: stands(file, 'tap').filter((tap) => tap.heardBy === 'stand-in').length,
  driftedReadings: doubtfulReadings(stands(file, 'reading'), stands(file, 'calibration')).size,
  presumedFrame: file.frame.presumed === true,
  unreadable: file.unreadable?.length ?? 0,
});
