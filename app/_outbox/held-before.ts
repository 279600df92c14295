import { PARCEL_VERSION, type Parcel } from './parcel';

/** A parcel of the first version: an address and a body. Its door says what it holds. */
interface FirstParcel {
  readonly id: string;
  readonly url: string;
  readonly body: unknown;
  readonly file?: Blob;
}
type Read = Pick<Parcel, 'id' | 'jobId'> & Readonly<Record<string, unknown>>;

const ADDRESS = /^\/api\/jobs\/([^/]+)\/(.+)$/;
const KIND: Readonly<Record<string, string>> = { readings: 'reading', cracks: 'crack' };

/** Earliest of all, each kind of evidence had a door of its own, and readings came many in a message. */
function evidenceFrom(door: string, body: unknown): readonly unknown[] {
  if (door === 'evidence') return (body as { evidence: unknown[] }).evidence;
  const bodies = door === 'readings' ? (body as { readings: object[] }).readings : [body as object];
  return bodies.map((each) => ({ ...each, ...(KIND[door] && { kind: KIND[door] }) }));
}

/** What stands in a first-version parcel, as today's contents. Undefined where its address was never a door. */
function contentsOf({ id, url, body, file }: FirstParcel): Read | undefined {
  const [, jobId, door] = ADDRESS.exec(url) ?? [];
  if (jobId === undefined || door === undefined) return undefined;
  if (['evidence', 'readings', 'cracks', 'walk', 'survey'].includes(door))
    return { kind: 'evidence', id, jobId, body: { evidence: evidenceFrom(door, body) } };
  if (door === 'photos') return { kind: 'photo', id, jobId, body, file };
  if (door === 'strikes') return { kind: 'strike', id, jobId, body };
  if (door === 'repairs') return { kind: 'repair', id, jobId, body: { changeId: id, repair: body } };
  const withdrawn = /^repairs\/([^/]+)\/withdrawal$/.exec(door)?.[1];
  return withdrawn === undefined
    ? undefined
    : { kind: 'withdrawal', id, jobId, body: { changeId: id, repairId: withdrawn } };
}

/** A parcel that any version of the program left behind, as today's: nothing held in a browser is lost by an update. */
export function readParcel(raw: unknown, number: number): Parcel | undefined {
  if (raw === null || typeof raw !== 'object') return undefined;
  const { version } = raw as { version?: number };
  if (version === PARCEL_VERSION) return raw as Parcel;
  if (version !== undefined) return undefined;
  const contents = contentsOf(raw as FirstParcel);
  return contents && ({ ...contents, version: PARCEL_VERSION, number } as Parcel);
}
