import { printBundle, type JobBundle } from './bundle';

const PREFIX = 'ossatura-passport';

/** What a passport's code says: which job, as it stood when, and the sum of its record. */
export interface PassportCode {
  readonly jobId: string;
  readonly upTo: string;
  readonly sha256: string;
}

/**
 * A job's record as it stood at an instant, as text: the same record gives the same bytes. What was recorded or struck later is no part of it; a frame,
 * a plate or a record that was changed since is another text. Passports are left out: they carry its sum.
 */
export function recordText(bundle: JobBundle, upTo: string): string {
  const until = <Rec extends { readonly at: string }>(records: readonly Rec[]): Rec[] =>
    records.filter(({ at }) => at <= upTo);
  return printBundle({
    ...bundle,
    notices: until(bundle.notices),
    ...(bundle.closings && { closings: until(bundle.closings) }),
    evidence: until(bundle.evidence).filter(({ kind }) => kind !== 'passport'),
    strikes: until(bundle.strikes),
  });
}

export const printPassportCode = ({ jobId, upTo, sha256 }: PassportCode): string =>
  [PREFIX, jobId, upTo, sha256].join(' ');

/** Reads what was scanned or typed off a passport; undefined where it is none. */
export function parsePassportCode(text: string): PassportCode | undefined {
  const [prefix, jobId, upTo, sha256, ...more] = text.trim().split(/\s+/);
  const isCode =
    prefix === PREFIX &&
    more.length === 0 &&
    /^[0-9a-f-]{36}$/.test(jobId ?? '') &&
    !Number.isNaN(Date.parse(upTo ?? '')) &&
    /^[0-9a-f]{64}$/.test(sha256 ?? '');
  return isCode ? { jobId: jobId!, upTo: upTo!, sha256: sha256! } : undefined;
}
