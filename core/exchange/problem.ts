/** Why a write or read was refused: what was wrong, where, and what was kept. */
export interface Problem {
  readonly code:
    | 'not-found'
    | 'invalid'
    | 'conflict'
    | 'stale'
    | 'too-large'
    | 'not-allowed'
    | 'unreadable'
    /** The records are not those the sender means: another database answers at this address. */
    | 'other-records'
    /** Too much is being asked at once: the same again later is taken. */
    | 'too-many'
    /** The records cannot be reached or written just now: the same again later may be taken. */
    | 'unavailable'
    /** The server failed in a way nobody foresaw. */
    | 'failed';
  readonly message: string;
  /** The field or row at fault. */
  readonly at?: string;
  /** What stands in spite of it. */
  readonly kept: string;
}
