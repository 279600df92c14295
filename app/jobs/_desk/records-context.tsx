'use client';

import {
  createContext,
  useCallback,
  useContext,
  useDeferredValue,
  useEffect,
  useLayoutEffect,
  useMemo,
  useReducer,
  useRef,
  type ReactNode,
} from 'react';
import { toast } from 'sonner';
import type { Frame, Strike } from '@/core/frame';
import { changed, type Evidence, type JobFile, type RecordsChange } from '@/core/job';
import type { Practice } from '@/core/reference';
import type { Photo } from '@/core/walk';
import type { Repair } from '@/core/shape';
import type { Problem } from '@/core/exchange';
import { askRecords, changeFrame, changePractice, type Answer, newId } from '../../_client';
import {
  evidenceParcel,
  photoParcel,
  repairParcel,
  strikeParcel,
  theOutbox,
  withdrawalParcel,
  type Draft,
  type Parcel,
} from '../../_outbox';
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
  const latestRef = useLatest(file);
  const make = useCallback(
    (change: RecordsChange) => {
      latestRef.current = changed(latestRef.current, change);
      dispatch(change);
      if (change.kind !== 'file') onChange(change);
    },
    [onChange, latestRef],
  );
  const refresh = useCallback(async () => {
    const answer = await recordsWithWrites(jobId);
    if (answer) dispatch({ kind: 'file', file: answer });
  }, [jobId]);
  useServerNews(refresh);
  useWholeFile(file, onChange);
  const records = useRecordsValue(file, { make, latestRef, refresh });
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
  const off = theOutbox().onArrived((parcel) => parcel.jobId === jobId && reached.push(parcel));
  const answer = await askRecords(jobId).finally(off);
  return answer.ok ? withWrites(answer.value, [...reached, ...theOutbox().waitingFor(jobId)]) : undefined;
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
    void theOutbox().start().then(refresh);
    const onVisible = () => document.visibilityState === 'visible' && void refresh();
    document.addEventListener('visibilitychange', onVisible);
    window.addEventListener('focus', onVisible);
    const offRefused = theOutbox().onRefused(({ problem }) => {
      toast.error(problem.message, {
        description: `${problem.kept} What was sent lies under “not taken”.`,
        duration: 12_000,
      });
      void refresh();
    });
    const offArrived = theOutbox().onArrived((parcel) => parcel.kind === 'photo' && void refresh());
    return () => {
      offArrived();
      offRefused();
      document.removeEventListener('visibilitychange', onVisible);
      window.removeEventListener('focus', onVisible);
    };
  }, [refresh]);
}

interface Ways {
  readonly make: (change: RecordsChange) => void;
  readonly latestRef: { readonly current: JobFile };
  readonly refresh: () => Promise<void>;
}
function useRecordsValue(file: JobFile, { make, latestRef, refresh }: Ways): Records {
  const { by } = useReader();
  const jobId = file.job.id;
  const writers = useMemo(() => writersOf(jobId, make, latestRef), [jobId, make, latestRef]);
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

/** The file as it stands when something is written, not when the writer was made; several writes in one breath see each other. */
function useLatest(file: JobFile): { current: JobFile } {
  const ref = useRef(file);
  useLayoutEffect(() => {
    ref.current = file;
  }, [file]);
  return ref;
}

/** What is written goes on this page at once, and by the outbox to the server. A change to a repair says which one it was made on. */
function writersOf(jobId: string, make: (change: RecordsChange) => void, latestRef: Ways['latestRef']) {
  const send = (draft: Draft) => void theOutbox().send(draft);
  const madeOn = (repairId: string) => {
    const basedOn = latestRef.current.repairChanges[repairId];
    return { changeId: newId(), ...(basedOn !== undefined && { basedOn }) };
  };
  return {
    keep: (record: Evidence) => {
      make({ kind: 'evidence', record });
      send(evidenceParcel(jobId, record));
    },
    keepPhoto: (photo: Photo, picture: Blob) => {
      send(photoParcel(jobId, photo, picture));
      make({ kind: 'evidence', record: photo });
    },
    strike: (strike: Strike) => {
      make({ kind: 'strike', strike });
      send(strikeParcel(jobId, strike));
    },
    keepRepair: (repair: Repair) => {
      const made = madeOn(repair.id);
      make({ kind: 'repair', repair, changeId: made.changeId });
      send(repairParcel(jobId, { ...made, repair }));
    },
    withdrawRepair: (repairId: string) => {
      const made = madeOn(repairId);
      make({ kind: 'withdrawal', id: repairId, changeId: made.changeId });
      send(withdrawalParcel(jobId, { ...made, repairId }));
    },
  };
}
