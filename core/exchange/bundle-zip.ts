import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { fail, ok, type Outcome } from '../quantity';

/** A job with its pictures: the bundle as `job.json`, each picture under its hash. */
export interface BundleZip {
  readonly text: string;
  readonly pictures: ReadonlyMap<string, Uint8Array>;
}

const JOB = 'job.json';
const PICTURE = /^pictures\/([0-9a-f]{64})\.jpg$/;
/** A zip unpacks to this much at most: a small file can hold a very large one. */
const MOST_BYTES = 400 * 1024 * 1024;
const MOST_FILES = 3000;

/** The same job gives the same bytes: no clock in it, nothing packed twice. */
export const printBundleZip = ({ text, pictures }: BundleZip): Uint8Array =>
  zipSync(
    {
      [JOB]: [strToU8(text), { level: 6 }],
      ...Object.fromEntries(
        [...pictures]
          .sort(([a], [b]) => (a < b ? -1 : 1))
          .map(([hash, bytes]) => [`pictures/${hash}.jpg`, [bytes, { level: 0 }] as const]),
      ),
    },
    { mtime: new Date('1990-01-01T12:00:00Z') },
  );

/** Whether a file is a zip, by its first bytes. */
export const isZip = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b;

/** Reads a job with its pictures. Anything else in the file is passed over; one that unpacks to too much is refused unread. */
export function readBundleZip(bytes: Uint8Array, mostBytes = MOST_BYTES): Outcome<BundleZip> {
  let size = 0;
  let files = 0;
  let tooMuch = false;
  try {
    const unpacked = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        if (name !== JOB && !PICTURE.test(name)) return false;
        size += originalSize;
        tooMuch ||= size > mostBytes || ++files > MOST_FILES;
        return !tooMuch;
      },
    });
    if (tooMuch)
      return fail(`the file unpacks to more than ${mostBytes / 1024 / 1024} MB or ${MOST_FILES} pictures`);
    const { [JOB]: text, ...rest } = unpacked;
    if (!text) return fail(`there is no ${JOB} in this zip`);
    const pictures = Object.entries(rest).map(
      ([name, picture]) => [PICTURE.exec(name)![1]!, picture] as const,
    );
    return ok({ text: strFromU8(text), pictures: new Map(pictures) });
  } catch {
    return fail('this zip cannot be unpacked');
  }
}
