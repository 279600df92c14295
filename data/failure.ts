import type { Problem } from './problem';

const KEPT = 'Nothing was changed; everything recorded before stands. What was sent may be sent again.';

/** What a storage error means to whoever waits for an answer, by SQLite's or the system's code for it. */
const WORDS: readonly (readonly [RegExp, string])[] = [
  [/^SQLITE_(BUSY|LOCKED)/, 'the records are in use by another program just now'],
  [/^(SQLITE_FULL|ENOSPC|EDQUOT)/, 'the server’s disk is full'],
  [/^(SQLITE_READONLY|EROFS|EACCES|EPERM)/, 'the server may not write to its records'],
  [/^(SQLITE_IOERR|EIO)/, 'the server’s disk does not answer'],
  [/^(SQLITE_CORRUPT|SQLITE_NOTADB)/, 'the file of records is damaged: stop, and put back a copy'],
  [/^(SQLITE_CANTOPEN|ENOENT|EMFILE|ENFILE)/, 'the server cannot open its records'],
];

/** What is kept is looked at as it is written: only damage makes it something that is no JSON. What is sent is parsed where it comes in. */
const isGarbled = (error: unknown): boolean => error instanceof SyntaxError && /JSON/.test(error.message);

/** The storage failure behind an error; undefined where it is none. */
export function storageFailure(error: unknown): Problem | undefined {
  if (isGarbled(error))
    return {
      code: 'unavailable',
      message: 'a record on the server cannot be read: its file may be damaged',
      kept: KEPT,
    };
  const code = (error as { code?: unknown } | null)?.code;
  const words = typeof code === 'string' && WORDS.find(([pattern]) => pattern.test(code))?.[1];
  return words ? { code: 'unavailable', message: words, kept: KEPT } : undefined;
}
