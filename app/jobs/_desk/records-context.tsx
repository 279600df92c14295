'use client';

import {
  createContext,
  useCallback,
  useContext,
  useEffect,
  useLayoutEffect,
  useMemo,
  useReducer,
  useRef,
  useState,
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
import { theOutbox, type Draft } from '../../_outbox';
import {
  evidenceParcel,
  photoParcel,
  repairParcel,
  strikeParcel,
  withdrawalParcel,
} from '../../_outbox/drafts';
import { useAfterPaint } from './after-paint';
import { changedRepair, type ShownRepair } from './as-own';
import { recordsReducer } from './records';
import { touchedAgain } from './touched-again';
import { serverWord } from './server-word';
import { useReader } from './reader-context';

/** The job's records on this page, and every way to add to them. */
export interface Records {
  readonly file: JobFile;
  readonly keep: (record: Evidence) => void;
  /** Its picture goes up with it, or is held here until it can. */
  readonly keepPhoto: (photo: Photo, picture: Blob) => void;
  readonly strike: (strike: Strike) => void;
  /** Changes a repair as it stands, or takes a proposal over; the id it is kept under. */
  readonly changeRepair: (
    shown: ShownRepair,
    to: (standing: Repair) => Partial<Repair>,
    by: string,
  ) => string;
  readonly withdrawRepair: (id: string) => void;
  readonly changeFrame: (frame: Frame) => Promise<Problem | undefined>;
  /** `more`: why it differs from the shop's, and which revision of the shop's it takes up. */
  readonly changePractice: (
    practice: Practice,
    more?: { readonly why?: string; readonly shopRevision?: number },
  ) => Promise<Problem | undefined>;
  readonly refresh: () => Promise<void>;
  /** Where the server does not answer: since when these records are as they stand here. */
  readonly asOf?: string;
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
  madeAt,
  onChange,
  children,
}: {
  initial: JobFile;
  /** When the server made this page. */
  madeAt: string;
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
  const [askServer] = useState(() => serverWord({ ask: () => askRecords(jobId), outbox: theOutbox, madeAt }));
  const [asOf, setAsOf] = useState<string>();
  const refresh = useCallback(async () => {
    const word = await askServer(() => latestRef.current);
    if (!word) return;
    setAsOf(word.asOf);
    dispatch({ kind: 'file', file: word.file });
  }, [askServer, latestRef]);
  useArrivals(jobId, refresh);
  useAgain(asOf !== undefined, refresh);
  useServerNews(refresh);
  useWholeFile(file, latestRef, onChange);
  const records = useRecordsValue(file, { make, latestRef, refresh, ...(asOf !== undefined && { asOf }) });
  const later = useAfterPaint(records);
  return (
    <RecordsContext.Provider value={records}>
      <LaterRecordsContext.Provider value={later}>{children}</LaterRecordsContext.Provider>
    </RecordsContext.Provider>
  );
}

/** A server that did not answer is asked again this often. */
const AGAIN_MS = 8000;
function useAgain(isAway: boolean, refresh: () => Promise<void>): void {
  useEffect(() => {
    if (!isAway) return;
    const timer = setInterval(() => void refresh(), AGAIN_MS);
    return () => clearInterval(timer);
  }, [isAway, refresh]);
}

/** Quiet for so long after the last write, the records are asked for again, so that what the device keeps of them is up to date. */
const SETTLED_MS = 20_000;
function useArrivals(jobId: string, refresh: () => Promise<void>): void {
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const off = theOutbox().onArrived((parcel) => {
      if (parcel.jobId !== jobId) return;
      clearTimeout(timer);
      timer = setTimeout(() => void refresh(), SETTLED_MS);
    });
    return () => {
      off();
      clearTimeout(timer);
    };
  }, [jobId, refresh]);
}

/** A file that came whole from the server is told to the engine once it stands here; changes made on this page were told as they were made. */
function useWholeFile(
  file: JobFile,
  latestRef: { readonly current: JobFile },
  onChange: (change: RecordsChange) => void,
): void {
  const heardRef = useRef(file);
  useEffect(() => {
    const before = heardRef.current;
    heardRef.current = file;
    // With what was recorded since it was drawn: the engine has heard of that already, and a file without it would take it back.
    if (before.job !== file.job) onChange({ kind: 'file', file: latestRef.current });
  }, [file, latestRef, onChange]);
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
  readonly asOf?: string;
}
function useRecordsValue(file: JobFile, { make, latestRef, refresh, asOf }: Ways): Records {
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
      ...(asOf !== undefined && { asOf }),
      changeFrame: (to) => said(changeFrame(file.job.id, { basedOn: file.frameRevision, to, ...stamp() })),
      changePractice: (to, more) =>
        said(changePractice(file.job.id, { basedOn: file.practiceRevision, to, ...more, ...stamp() })),
    };
  }, [file, writers, refresh, by, asOf]);
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
  const taken = new Map<string, string>();
  const isAgain = touchedAgain(() => performance.now());
  const madeOn = (repairId: string) => {
    const basedOn = latestRef.current.repairChanges[repairId];
    return { changeId: newId(), ...(basedOn !== undefined && { basedOn }) };
  };
  return {
    keep: (record: Evidence) => {
      // A reading is typed stroke by stroke, or taken by a gauge that is asked one at a time: two of the same are two.
      if (record.kind !== 'reading' && isAgain(record)) return;
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
    changeRepair: (shown: ShownRepair, to: (standing: Repair) => Partial<Repair>, by: string) => {
      const repair = changedRepair(shown, to, by, { standing: latestRef.current.repairs, taken });
      const made = madeOn(repair.id);
      make({ kind: 'repair', repair, changeId: made.changeId });
      send(repairParcel(jobId, { ...made, repair }));
      return repair.id;
    },
    withdrawRepair: (repairId: string) => {
      const made = madeOn(repairId);
      make({ kind: 'withdrawal', id: repairId, changeId: made.changeId });
      send(withdrawalParcel(jobId, { ...made, repairId }));
    },
  };
}
