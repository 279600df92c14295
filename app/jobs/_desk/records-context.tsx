'use client';

import {
  createContext,
  useCallback,
  useContext,
  useDeferredValue,
  useEffect,
  useMemo,
  useReducer,
  useRef,
  type ReactNode,
} from 'react';
import { toast } from 'sonner';
import type { Frame, Strike } from '@/core/frame';
import { packEvidence, type Evidence, type JobFile, type RecordsChange } from '@/core/job';
import { packed } from '@/core/quantity';
import type { Practice } from '@/core/reference';
import type { Photo } from '@/core/walk';
import { repairForm, type Repair } from '@/core/shape';
import type { Problem } from '@/core/exchange';
import { askRecords, changeFrame, changePractice, type Answer } from '../../_client';
import { onArrived, onRefused, send, startOutbox, waitingFor, type Parcel } from './outbox';
import { recordsReducer, withWrites } from './records';
import { useReader } from './reader-context';

/** The job's records on this page, and every way to add to them. */
export interface Records {
  readonly file: JobFile;
  readonly keep: (record: Evidence) => void;
  /** Its picture goes up with it, or is held here until it can. */
  readonly keepPhoto: (photo: Photo, picture: Blob) => void;
  readonly strike: (strike: Strike) => void;
  readonly keepRepair: (repair: Repair) => void;
  readonly withdrawRepair: (id: string) => void;
  readonly changeFrame: (frame: Frame) => Promise<Problem | undefined>;
  readonly changePractice: (practice: Practice) => Promise<Problem | undefined>;
  readonly refresh: () => Promise<void>;
}

const RecordsContext = createContext<Records | undefined>(undefined);
const LaterRecordsContext = createContext<Records | undefined>(undefined);

export function useRecords(): Records {
  const records = useContext(RecordsContext);
  if (!records) throw new Error('useRecords is used outside a job');
  return records;
}

/** The records for what may be drawn a moment later: lists, counts and advice wait until what was just recorded is painted. */
export function useRecordsLater(): Records {
  const records = useContext(LaterRecordsContext);
  if (!records) throw new Error('useRecordsLater is used outside a job');
  return records;
}

/** `onChange` hears every change as it is made: the job engine works from them. */
export function RecordsProvider({
  initial,
  onChange,
  children,
}: {
  initial: JobFile;
  onChange: (change: RecordsChange) => void;
  children: ReactNode;
}) {
  const [file, dispatch] = useReducer(recordsReducer, initial);
  const jobId = file.job.id;
  const make = useCallback(
    (change: RecordsChange) => {
      dispatch(change);
      if (change.kind !== 'file') onChange(change);
    },
    [onChange],
  );
  const refresh = useCallback(async () => {
    const answer = await recordsWithWrites(jobId);
    if (answer) dispatch({ kind: 'file', file: answer });
  }, [jobId]);
  useServerNews(refresh);
  useWholeFile(file, onChange);
  const records = useRecordsValue(file, make, refresh);
  const later = useDeferredValue(records);
  return (
    <RecordsContext.Provider value={records}>
      <LaterRecordsContext.Provider value={later}>{children}</LaterRecordsContext.Provider>
    </RecordsContext.Provider>
  );
}

/** What the server has, with what reached it while it was asked: its answer may be from before. Undefined where it does not answer. */
async function recordsWithWrites(jobId: string): Promise<JobFile | undefined> {
  const reached: Parcel[] = [];
  const off = onArrived((parcel) => parcel.url.includes(jobId) && reached.push(parcel));
  const answer = await askRecords(jobId).finally(off);
  return answer.ok ? withWrites(answer.value, [...reached, ...waitingFor(jobId)]) : undefined;
}

/** A file that came whole from the server is told to the engine once it stands here; changes made on this page were told as they were made. */
function useWholeFile(file: JobFile, onChange: (change: RecordsChange) => void): void {
  const heardRef = useRef(file);
  useEffect(() => {
    const before = heardRef.current;
    heardRef.current = file;
    if (before.job !== file.job) onChange({ kind: 'file', file });
  }, [file, onChange]);
}

/** Asks again when the page comes back into view, when a picture has got its name, and when something was refused. */
function useServerNews(refresh: () => Promise<void>): void {
  useEffect(() => {
    void startOutbox().then(refresh);
    const onVisible = () => document.visibilityState === 'visible' && void refresh();
    document.addEventListener('visibilitychange', onVisible);
    window.addEventListener('focus', onVisible);
    const offRefused = onRefused(({ problem }) => {
      toast.error(problem.message, { description: problem.kept, duration: 12_000 });
      void refresh();
    });
    const offArrived = onArrived((parcel) => parcel.file && void refresh());
    return () => {
      offArrived();
      offRefused();
      document.removeEventListener('visibilitychange', onVisible);
      window.removeEventListener('focus', onVisible);
    };
  }, [refresh]);
}

function useRecordsValue(
  file: JobFile,
  make: (change: RecordsChange) => void,
  refresh: () => Promise<void>,
): Records {
  const { by } = useReader();
  const url = `/api/jobs/${file.job.id}`;
  const writers = useMemo(() => writersOf(url, make), [url, make]);
  return useMemo(() => {
    const stamp = () => ({ by, at: new Date().toISOString() });
    const said = async (answer: Promise<Answer<unknown>>): Promise<Problem | undefined> => {
      const outcome = await answer;
      await refresh();
      return outcome.ok ? undefined : outcome.problem;
    };
    return {
      ...writers,
      file,
      refresh,
      changeFrame: (to) => said(changeFrame(file.job.id, { basedOn: file.frameRevision, to, ...stamp() })),
      changePractice: (to) =>
        said(changePractice(file.job.id, { basedOn: file.practiceRevision, to, ...stamp() })),
    };
  }, [file, writers, refresh, by]);
}

/** What is written goes on this page at once, and by the outbox to the server. */
function writersOf(url: string, make: (change: RecordsChange) => void) {
  return {
    keep: (record: Evidence) => {
      make({ kind: 'evidence', record });
      void send(`${url}/evidence`, record.id, { evidence: [packEvidence(record)] });
    },
    keepPhoto: (photo: Photo, picture: Blob) => {
      void send(`${url}/photos`, photo.id, packEvidence(photo), picture);
      make({ kind: 'evidence', record: photo });
    },
    strike: (strike: Strike) => {
      make({ kind: 'strike', strike });
      void send(`${url}/strikes`, strike.id, strike);
    },
    keepRepair: (repair: Repair) => {
      make({ kind: 'repair', repair });
      void send(`${url}/repairs`, crypto.randomUUID(), packed(repairForm, repair));
    },
    withdrawRepair: (id: string) => {
      make({ kind: 'withdrawal', id });
      void send(`${url}/repairs/${id}/withdrawal`, crypto.randomUUID(), {});
    },
  };
}
