'use client';

import {
  CARRIED,
  facesOf,
  type Carried,
  type FaceId,
  type Hole,
  type Member,
  type MemberShape,
} from '@/core/frame';
import { PickCell } from '@/ui/controls';
import { faceWords } from '@/ui/strip';
import { useReader } from '../../../_desk';
import { LengthCell } from './length-cell';
import { newId } from '../../../../_client';

/** Measures of a section beyond depth, breadth and wall. */
const EXTRA: Readonly<Partial<Record<MemberShape['kind'], readonly (readonly [string, string])[]>>> = {
  I: [['flangeThicknessMm', 'flange thickness']],
  hat: [['lipMm', 'lip']],
  'built-up': [
    ['topMm', 'top flange'],
    ['bottomMm', 'bottom flange'],
    ['topThicknessMm', 'top thickness'],
    ['bottomThicknessMm', 'bottom thickness'],
  ],
};

/** The member chosen: what it carries, which of its faces cannot be reached, its factory holes, and what else its section has. */
export function MemberDetail({
  member,
  onChange,
}: {
  member: Member;
  onChange: (change: Partial<Member>) => void;
}) {
  const { system } = useReader();
  const toggled = <Value extends string>(list: readonly Value[] | undefined, value: Value): Value[] =>
    list?.includes(value) ? list.filter((each) => each !== value) : [...(list ?? []), value];
  const holes = member.holes ?? [];
  const side = facesOf(member.shape).find((face) => face.upright) ?? facesOf(member.shape)[0]!;
  const setHole = (id: string, to: Partial<Hole>) =>
    onChange({ holes: holes.map((hole) => (hole.id === id ? { ...hole, ...to } : hole)) });
  const check = (key: string, words: string, checked: boolean, onToggle: () => void) => (
    <label key={key} className="hit inline-flex items-center gap-2 pr-3">
      <input type="checkbox" className="size-6" checked={checked} onChange={onToggle} />
      {words}
    </label>
  );
  return (
    <section className="mt-3 border-l-[5px] border-here pl-3" aria-label="The member chosen">
      <h2 className="text-lg font-semibold">{member.name}</h2>
      <div className="flex flex-wrap items-center">
        <span className="caption w-40">carries, itself</span>
        {CARRIED.map((what: Carried) =>
          check(what, what, member.carries?.includes(what) ?? false, () =>
            onChange({ carries: toggled(member.carries, what) }),
          ),
        )}
      </div>
      <div className="flex flex-wrap items-center">
        <span className="caption w-40">faces out of reach</span>
        {facesOf(member.shape).map(({ id }) =>
          check(id, faceWords(member, id), member.hidden?.includes(id) ?? false, () =>
            onChange({ hidden: toggled<FaceId>(member.hidden, id) }),
          ),
        )}
      </div>
      {member.role === 'rail' && (
        <div className="flex flex-wrap items-center gap-3">
          <span className="caption w-40">along the frame</span>
          {(
            [
              ['begins at', 'startMm', member.startMm ?? 0],
              ['its length', 'lengthMm', member.lengthMm],
            ] as const
          ).map(([words, key, valueMm]) => (
            <div key={key} className="w-36">
              <span className="caption block">
                {words}, {system}
              </span>
              <LengthCell
                label={`${member.name} ${words}`}
                valueMm={valueMm}
                kind="length"
                onLength={(mm) => onChange({ [key]: mm })}
              />
            </div>
          ))}
        </div>
      )}
      {member.line && <LineEnds member={member} line={member.line} onChange={onChange} />}
      {EXTRA[member.shape.kind] && (
        <div className="flex flex-wrap items-center gap-3">
          <span className="caption w-40">its section</span>
          {EXTRA[member.shape.kind]!.map(([key, words]) => (
            <div key={key} className="w-36">
              <span className="caption block">
                {words}, {system}
              </span>
              <LengthCell
                label={`${member.name} ${words}`}
                valueMm={(member.shape as unknown as Record<string, number>)[key]!}
                kind={key.includes('hickness') ? 'thickness' : 'length'}
                onLength={(mm) => onChange({ shape: { ...member.shape, [key]: mm } as MemberShape })}
              />
            </div>
          ))}
        </div>
      )}
      <div className="flex flex-wrap items-center gap-3">
        <span className="caption w-40">
          factory holes: {holes.length === 0 ? 'none recorded' : 'net section there'}
        </span>
        <button
          type="button"
          className="hit underline"
          onClick={() =>
            onChange({
              holes: [
                ...holes,
                {
                  id: `hole-${newId().slice(0, 8)}`,
                  stationMm: Math.round(member.lengthMm / 2),
                  face: side.id,
                  heightMm: side.widthMm / 2,
                  diameterMm: 14,
                },
              ],
            })
          }
        >
          Add a hole
        </button>
      </div>
      {holes.map((hole, k) => (
        <div key={hole.id} className="flex flex-wrap items-end gap-2 py-0.5">
          <div className="w-28">
            <span className="caption block">station, {system}</span>
            <LengthCell
              label={`Hole ${k + 1} station`}
              valueMm={hole.stationMm}
              kind="length"
              onLength={(stationMm) => setHole(hole.id, { stationMm })}
            />
          </div>
          <label>
            <span className="caption block">face</span>
            <PickCell
              label={`Hole ${k + 1} face`}
              value={hole.face}
              options={facesOf(member.shape).map(({ id }) => id)}
              words={(id) => faceWords(member, id)}
              onPick={(chosen) => setHole(hole.id, { face: chosen })}
            />
          </label>
          <div className="w-28">
            <span className="caption block">from corner, {system}</span>
            <LengthCell
              label={`Hole ${k + 1} height`}
              valueMm={hole.heightMm}
              kind="length"
              onLength={(heightMm) => setHole(hole.id, { heightMm })}
            />
          </div>
          <div className="w-28">
            <span className="caption block">diameter, {system}</span>
            <LengthCell
              label={`Hole ${k + 1} diameter`}
              valueMm={hole.diameterMm}
              kind="thickness"
              onLength={(diameterMm) => setHole(hole.id, { diameterMm })}
            />
          </div>
          <button
            type="button"
            className="hit underline"
            onClick={() => onChange({ holes: holes.filter((other) => other.id !== hole.id) })}
          >
            remove
          </button>
        </div>
      ))}
    </section>
  );
}

const AXES = ['rearward', 'to the right', 'up'] as const;

/** Where a member that is neither rail nor crossmember runs, from end to end. */
function LineEnds({
  member,
  line,
  onChange,
}: {
  member: Member;
  line: NonNullable<Member['line']>;
  onChange: (change: Partial<Member>) => void;
}) {
  const { system } = useReader();
  const put = (end: 'from' | 'to', axis: number, mm: number) => {
    const point = line[end].map((each, k) => (k === axis ? mm : each)) as (typeof line)['from'];
    onChange({ line: { ...line, [end]: point } });
  };
  return (['from', 'to'] as const).map((end) => (
    <div key={end} className="flex flex-wrap items-center gap-3">
      <span className="caption w-40">{end === 'from' ? 'runs from' : 'to'}</span>
      {AXES.map((axis, k) => (
        <div key={axis} className="w-36">
          <span className="caption block">
            {axis}, {system}
          </span>
          <LengthCell
            label={`${member.name} ${end} ${axis}`}
            valueMm={line[end][k]!}
            kind="length"
            isPlace
            onLength={(mm) => put(end, k, mm)}
          />
        </div>
      ))}
    </div>
  ));
}
