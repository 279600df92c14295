'use client';

import {
  createContext,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useReducer,
  useState,
  type ReactNode,
} from 'react';
import { useSearchParams } from 'next/navigation';
import { toast } from 'sonner';
import { memberOf, facesOf, type Frame, type Member, type Strike } from '@/core/frame';
import type { JobDemand, JobFile, LiftReply } from '@/core/job';
import type { UnitSystem } from '@/core/quantity';
import type { Practice } from '@/core/reference';
import type { Reading, SurveyRecord } from '@/core/probe';
import type { Crack } from '@/core/trace';
import type { LiftPlan, Photo, WalkRecord } from '@/core/walk';
import { memberStates, type MemberState, type Repair } from '@/core/shape';
import type { Problem } from '@/core/exchange';
import type { Cursor, Stretch } from '@/ui/strip';
import { onArrived, onRefused, send, startOutbox } from './outbox';
import { recordsReducer } from './records';
import { useWork, type Progress, type Works } from './use-work';
import { useRemembered } from '../../_parts/remembered';

export interface Desk {
  readonly file: JobFile;
  readonly member: Member;
  readonly selectMember: (id: string) => void;
  readonly cursor: Cursor;
  readonly setCursor: (cursor: Cursor) => void;
  readonly stretch: Stretch;
  readonly setStretch: (stretch: Stretch) => void;
  readonly system: UnitSystem;
  readonly setSystem: (system: UnitSystem) => void;
  readonly by: string;
  readonly setBy: (by: string) => void;
  readonly works: Works;
  readonly work: Works extends ReadonlyMap<string, infer Work> ? Work | undefined : never;
  /** What the frame asks of its members; absent until it is worked out. */
  readonly demand: JobDemand | undefined;
  readonly isWorking: boolean;
  readonly progress: Progress;
  /** Ends what is being worked out; records are untouched. */
  readonly stopWork: () => void;
  readonly states: readonly MemberState[];
  readonly keepReading: (reading: Reading) => void;
  readonly keepCrack: (crack: Crack) => void;
  readonly keepWalk: (record: WalkRecord) => void;
  readonly keepSurvey: (record: SurveyRecord) => void;
  /** Its picture goes up with it, or is held here until it can. */
  readonly keepPhoto: (photo: Photo, picture: Blob) => void;
  /** Whether the unit may be raised so, worked out on the sections found. */
  readonly askLift: (plan: LiftPlan) => Promise<LiftReply>;
  readonly strike: (strike: Strike) => void;
  readonly keepRepair: (repair: Repair) => void;
  readonly withdrawRepair: (id: string) => void;
  readonly keepSetup: (frame: Frame, practice: Practice) => Promise<Problem | undefined>;
  readonly refresh: () => Promise<void>;
}

const DeskContext = createContext<Desk | undefined>(undefined);

export function useDesk(): Desk {
  const desk = useContext(DeskContext);
  if (!desk) throw new Error('useDesk is used outside a job');
  return desk;
}

/** The member one most likely came for: the rail with the most readings. */
const firstMember = (file: JobFile): Member => {
  const count = (member: Member) => file.readings.filter((reading) => reading.memberId === member.id).length;
  const rails = file.frame.members.filter((member) => member.role === 'rail');
  return [...(rails.length ? rails : file.frame.members)].sort((a, b) => count(b) - count(a))[0]!;
};

const startOf = (member: Member): Cursor => {
  const faces = facesOf(member.shape);
  const side = faces.find((face) => face.upright) ?? faces[0]!;
  return { stationMm: member.lengthMm / 2, face: side.id, heightMm: side.widthMm / 2 };
};

export function DeskProvider({
  initial,
  initialSystem,
  children,
}: {
  initial: JobFile;
  initialSystem: UnitSystem;
  children: ReactNode;
}) {
  const asked = useSearchParams().get('member') ?? '';
  const [file, dispatch] = useReducer(recordsReducer, initial);
  const [selected, setSelected] = useState(() => (memberOf(initial.frame, asked) ?? firstMember(initial)).id);
  const member = memberOf(file.frame, selected) ?? firstMember(file);
  const [cursor, setCursor] = useState<Cursor>(() => startOf(member));
  const [stretch, setStretch] = useState<Stretch>({ fromMm: 0, toMm: member.lengthMm });
  const [system, setSystemState] = useState(initialSystem);
  const [by, setBy] = useRemembered('ossatura-by', initial.job.openedBy);
  const { works, demand, isWorking, progress, stop: stopWork, askLift } = useWork(file, member.id);
  const work = works.get(member.id);
  const jobUrl = `/api/jobs/${file.job.id}`;

  const refresh = useCallback(async () => {
    const response = await fetch(`${jobUrl}/records`, { cache: 'no-store' }).catch(() => undefined);
    if (response?.ok)
      dispatch({ kind: 'server', file: ((await response.json()) as { value: JobFile }).value });
  }, [jobUrl]);

  useEffect(() => {
    void startOutbox().then(refresh);
    const onVisible = () => document.visibilityState === 'visible' && void refresh();
    document.addEventListener('visibilitychange', onVisible);
    window.addEventListener('focus', onVisible);
    const offRefused = onRefused(({ problem }) => {
      toast.error(problem.message, { description: problem.kept, duration: 12_000 });
      void refresh();
    });
    // A picture gets its name on the server.
    const offArrived = onArrived((parcel) => parcel.file && void refresh());
    return () => {
      offArrived();
      document.removeEventListener('visibilitychange', onVisible);
      window.removeEventListener('focus', onVisible);
      offRefused();
    };
  }, [refresh]);

  const selectMember = useCallback(
    (id: string) => {
      const next = memberOf(file.frame, id);
      if (!next) return;
      setSelected(id);
      setCursor(startOf(next));
      setStretch({ fromMm: 0, toMm: next.lengthMm });
      const url = new URL(window.location.href);
      url.searchParams.set('member', id);
      window.history.replaceState(null, '', url);
    },
    [file.frame],
  );

  const setSystem = useCallback((next: UnitSystem) => {
    setSystemState(next);
    document.cookie = `ossatura-unit=${next}; path=/; max-age=31536000; samesite=lax`;
  }, []);

  const states = useMemo(
    () =>
      work
        ? memberStates(
            work.picture,
            work.repairs.map((each) => each.repair),
          )
        : [],
    [work],
  );

  const desk = useMemo<Desk>(
    () => ({
      file,
      member,
      selectMember,
      cursor,
      setCursor,
      stretch,
      setStretch,
      system,
      setSystem,
      by,
      setBy,
      works,
      work,
      demand,
      isWorking,
      progress,
      stopWork,
      askLift,
      states,
      refresh,
      keepReading: (reading) => {
        dispatch({ kind: 'reading', reading });
        void send(`${jobUrl}/readings`, reading.id, { readings: [reading] });
      },
      keepCrack: (crack) => {
        dispatch({ kind: 'crack', crack });
        void send(`${jobUrl}/cracks`, crack.id, crack);
      },
      keepWalk: (record) => {
        dispatch({ kind: 'walk', record });
        void send(`${jobUrl}/walk`, record.id, record);
      },
      keepSurvey: (record) => {
        dispatch({ kind: 'survey', record });
        void send(`${jobUrl}/survey`, record.id, record);
      },
      keepPhoto: (photo, picture) => {
        void send(`${jobUrl}/photos`, photo.id, photo, picture);
        dispatch({ kind: 'walk', record: photo });
      },
      strike: (strike) => {
        dispatch({ kind: 'strike', strike });
        void send(`${jobUrl}/strikes`, strike.id, strike);
      },
      keepRepair: (repair) => {
        dispatch({ kind: 'repair', repair });
        void send(`${jobUrl}/repairs`, crypto.randomUUID(), repair);
      },
      withdrawRepair: (id) => {
        dispatch({ kind: 'withdrawal', id });
        void send(`${jobUrl}/repairs/${id}/withdrawal`, crypto.randomUUID(), {});
      },
      keepSetup: async (frame, practice) => {
        const response = await fetch(`${jobUrl}/setup`, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ basedOn: file.revision, frame, practice, by, at: new Date().toISOString() }),
        }).catch(() => undefined);
        if (!response)
          return {
            code: 'unreadable',
            message: 'the server cannot be reached',
            kept: 'Your change is still on this page; try again.',
          };
        const answer = (await response.json()) as { ok: true } | { ok: false; problem: Problem };
        await refresh();
        return answer.ok ? undefined : answer.problem;
      },
    }),
    [
      file,
      member,
      selectMember,
      cursor,
      stretch,
      system,
      setSystem,
      by,
      setBy,
      works,
      work,
      demand,
      isWorking,
      progress,
      stopWork,
      askLift,
      states,
      refresh,
      jobUrl,
    ],
  );

  return <DeskContext.Provider value={desk}>{children}</DeskContext.Provider>;
}
