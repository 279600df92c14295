/** Why a write or read was refused: what was wrong, where, and what was kept. */
export interface Problem {
  readonly code: 'not-found' | 'invalid' | 'conflict' | 'stale' | 'too-large' | 'not-allowed' | 'unreadable';
  readonly message: string;
  /** The field or row at fault. */
  readonly at?: string;
  /** What stands in spite of it. */
  readonly kept: string;
}
