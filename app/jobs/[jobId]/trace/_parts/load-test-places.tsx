'use client';

import { useState } from 'react';
import { hostOf, hostsOf, memberOf } from '@/core/frame';
import { stands, type JobFile } from '@/core/job';
import type { UnitSystem } from '@/core/quantity';
import { cracksAsSeen, WATCHED, type Watched } from '@/core/trace';
import { openFinds } from '@/core/walk';
import { Entry, Pick } from '@/ui/controls';
import { faceWords } from '@/ui/strip';
import { newId } from '../../../../_client';
import { printStation } from '../../../../_words/station';
import { useReader, useRecords } from '../../../_desk';

/** Places worth watching that are on record: cracks, gaps, the steering gear. */
function suggestedPlaces(file: JobFile, system: UnitSystem): Watched[] {
  const cracks = cracksAsSeen(file.frame, stands(file, 'crack'), []).flatMap((crack): Watched[] => {
    const member = memberOf(file.frame, crack.memberId);
    const first = crack.path[0]!;
    return member
      ? [
          {
            id: `crack ${crack.id}`.slice(0, 60),
            what: 'crack',
            name: `${member.name}, ${faceWords(member, first.face)}, ${printStation(member, first.stationMm, system)}`,
            crackId: crack.id,
            witnesses: [member.id],
          },
        ]
      : [];
  });
  const gaps = openFinds(stands(file, 'find'), file.practice.hand)
    .filter(({ find: { state } }) => state.is === 'gap' || state.is === 'cracked')
    .map(({ find }): Watched => ({
      id: `find ${find.on} ${find.hostId}`.slice(0, 60),
      what: find.on === 'panel' || find.on === 'joint' ? 'wall joint' : 'gap',
      name: hostOf(file.frame, find.on, find.hostId)?.name ?? find.title,
      host: { on: find.on, id: find.hostId },
      witnesses: [...find.memberIds],
    }));
  const gear = hostsOf(file.frame)
    .filter(({ kind }) => kind === 'steering gear')
    .map((host): Watched => ({
      id: `gear ${host.id}`.slice(0, 60),
      what: 'steering gear against rail',
      name: host.name,
      witnesses: host.spans.map(({ memberId }) => memberId),
    }));
  return [...new Map([...cracks, ...gaps, ...gear].map((place) => [place.id, place])).values()];
}

/** Places on record to tap, and others by name. */
export function Places({
  places,
  onChange,
}: {
  places: readonly Watched[];
  onChange: (places: Watched[]) => void;
}) {
  const { file } = useRecords();
  const { system } = useReader();
  const [name, setName] = useState('');
  const [what, setWhat] = useState<Watched['what']>('gap');
  const suggested = suggestedPlaces(file, system).filter(({ id }) => !places.some((each) => each.id === id));
  const own = () => {
    if (!name.trim()) return;
    onChange([...places, { id: newId(), what, name: name.trim(), witnesses: [] }]);
    setName('');
  };
  return (
    <>
      <div className="flex flex-wrap gap-2" role="group" aria-label="Places">
        {places.map((place) => (
          <button
            key={place.id}
            type="button"
            className="plain"
            aria-pressed
            onClick={() => onChange(places.filter((each) => each !== place))}
          >
            {place.name}
          </button>
        ))}
        {suggested.map((place) => (
          <button
            key={place.id}
            type="button"
            className="plain"
            aria-pressed={false}
            onClick={() => onChange([...places, place])}
          >
            {place.name}
          </button>
        ))}
      </div>
      <div className="mt-2 grid grid-cols-2 items-end gap-2 sm:grid-cols-4">
        <Pick label="another place" value={what} options={WATCHED} onPick={setWhat} />
        <Entry label="where" value={name} maxLength={80} onChange={(event) => setName(event.target.value)} />
        <button type="button" className="plain" onClick={own}>
          Watch it
        </button>
      </div>
    </>
  );
}
