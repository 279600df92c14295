'use client';

import { createContext, useCallback, useContext, useEffect, useMemo, useState, type ReactNode } from 'react';
import { useSearchParams } from 'next/navigation';
import { facesOf, memberOf, type Member } from '@/core/frame';
import { recorded, type JobFile } from '@/core/job';
import type { Cursor, Stretch } from '@/ui/strip';
import type { UnitSystem } from '@/core/quantity';
import { parseStationMm } from '../../_words/station';
import { useAfterPaint } from './after-paint';
import { useReader } from './reader-context';
import { useRecords } from './records-context';

/** The member in sight, and every way to look elsewhere. Changes seldom. */
export interface InSight {
  readonly member: Member;
  readonly selectMember: (id: string) => void;
  readonly setCursor: (cursor: Cursor) => void;
  readonly setStretch: (to: Stretch | ((from: Stretch) => Stretch)) => void;
}
/** Where on it one is. Changes with every arrow key: only what shows the place listens to it. */
export interface Place {
  readonly cursor: Cursor;
  readonly stretch: Stretch;
}

const InSightContext = createContext<InSight | undefined>(undefined);
const PlaceContext = createContext<Place | undefined>(undefined);
const LaterPlaceContext = createContext<Place | undefined>(undefined);

export function useMember(): InSight {
  const inSight = useContext(InSightContext);
  if (!inSight) throw new Error('useMember is used outside a job');
  return inSight;
}
export function usePlace(): Place {
  const place = useContext(PlaceContext);
  if (!place) throw new Error('usePlace is used outside a job');
  return place;
}

/** The place for what may follow it a moment later: the Slice, lists about the cursor. */
export function usePlaceLater(): Place {
  const place = useContext(LaterPlaceContext);
  if (!place) throw new Error('usePlaceLater is used outside a job');
  return place;
}

/** The member one most likely came for: the rail with the most readings. */
function firstMember(file: JobFile): Member {
  const counts = new Map<string, number>();
  for (const { memberId } of recorded(file, 'reading')) counts.set(memberId, (counts.get(memberId) ?? 0) + 1);
  const rails = file.frame.members.filter((member) => member.role === 'rail');
  const count = (member: Member) => counts.get(member.id) ?? 0;
  return [...(rails.length ? rails : file.frame.members)].sort((a, b) => count(b) - count(a))[0]!;
}

const startOf = (member: Member): Cursor => {
  const faces = facesOf(member.shape);
  const side = faces.find((face) => face.upright) ?? faces[0]!;
  return { stationMm: member.lengthMm / 2, face: side.id, heightMm: side.widthMm / 2 };
};

/** The station an address asks for, from the datum; one that is none, or off the member, is passed over. */
function stationAsked(member: Member, said: string | null, system: UnitSystem): { stationMm?: number } {
  const read = said === null ? undefined : parseStationMm(said, member, system);
  return read?.ok && read.value <= member.lengthMm ? { stationMm: read.value } : {};
}

/** `onShow` hears which member is in sight. */
export function PlaceProvider({
  onShow,
  children,
}: {
  onShow: (memberId: string) => void;
  children: ReactNode;
}) {
  const { file } = useRecords();
  const params = useSearchParams();
  const { system } = useReader();
  const asked = params.get('member') ?? '';
  const [selected, setSelected] = useState(() => (memberOf(file.frame, asked) ?? firstMember(file)).id);
  const member = memberOf(file.frame, selected) ?? firstMember(file);
  const [cursor, setCursor] = useState<Cursor>(() => ({
    ...startOf(member),
    ...stationAsked(member, params.get('station'), system),
  }));
  const [stretch, setStretch] = useState<Stretch>({ fromMm: 0, toMm: member.lengthMm });
  useEffect(() => onShow(member.id), [member.id, onShow]);

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
  const inSight = useMemo(() => ({ member, selectMember, setCursor, setStretch }), [member, selectMember]);
  const place = useMemo(() => ({ cursor, stretch }), [cursor, stretch]);
  const later = useAfterPaint(place);
  return (
    <InSightContext.Provider value={inSight}>
      <PlaceContext.Provider value={place}>
        <LaterPlaceContext.Provider value={later}>{children}</LaterPlaceContext.Provider>
      </PlaceContext.Provider>
    </InSightContext.Provider>
  );
}
