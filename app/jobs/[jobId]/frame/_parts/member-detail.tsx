'use client';

import { CARRIED, facesOf, type Hole, type Member, type MemberShape } from '@/core/frame';
import { PickCell, Settling } from '@/ui/controls';
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

interface OfMember {
  readonly member: Member;
  readonly onChange: (change: Partial<Member>) => void;
}

const toggled = <Value extends string>(list: readonly Value[] | undefined, value: Value): Value[] =>
  list?.includes(value) ? list.filter((each) => each !== value) : [...(list ?? []), value];

/** The member chosen: what it carries, which of its faces cannot be reached, its factory holes, and what else its section has. */
export function MemberDetail({ member, onChange }: OfMember) {
  return (
    <section className="mt-3 border-l-[5px] border-here pl-3" aria-label="The member chosen">
      <h2 className="text-lg font-semibold">{member.name}</h2>
      <Checks
        label="carries, itself"
        options={CARRIED}
        chosen={member.carries}
        onChosen={(carries) => onChange({ carries })}
      />
      <Checks
        label="faces out of reach"
        options={facesOf(member.shape).map(({ id }) => id)}
        words={(id) => faceWords(member, id)}
        chosen={member.hidden}
        onChosen={(hidden) => onChange({ hidden })}
      />
      {member.role === 'rail' && (
        <Lengths
          label="along the frame"
          member={member}
          lengths={[
            {
              words: 'begins at',
              valueMm: member.startMm ?? 0,
              onLength: (startMm) => onChange({ startMm }),
            },
            { words: 'its length', valueMm: member.lengthMm, onLength: (lengthMm) => onChange({ lengthMm }) },
          ]}
        />
      )}
      {member.line && <LineEnds member={member} line={member.line} onChange={onChange} />}
      {EXTRA[member.shape.kind] && (
        <Lengths
          label="its section"
          member={member}
          lengths={EXTRA[member.shape.kind]!.map(([key, words]) => ({
            words,
            valueMm: (member.shape as unknown as Record<string, number>)[key]!,
            isThickness: key.includes('hickness'),
            onLength: (mm) => onChange({ shape: { ...member.shape, [key]: mm } as MemberShape }),
          }))}
        />
      )}
      <Holes member={member} onChange={onChange} />
    </section>
  );
}

/** Some of a few, each with its box. */
const Checks = <Value extends string>({
  label,
  options,
  words = (value) => value,
  chosen,
  onChosen,
}: {
  label: string;
  options: readonly Value[];
  words?: (value: Value) => string;
  chosen: readonly Value[] | undefined;
  onChosen: (chosen: Value[]) => void;
}) => (
  <div className="flex flex-wrap items-center">
    <span className="caption w-40">{label}</span>
    {options.map((option) => (
      <label key={option} className="hit inline-flex items-center gap-2 pr-3">
        <input
          type="checkbox"
          className="size-6"
          checked={chosen?.includes(option) ?? false}
          onChange={() => onChosen(toggled(chosen, option))}
        />
        {words(option)}
      </label>
    ))}
  </div>
);

interface LengthAsked {
  readonly words: string;
  readonly valueMm: number;
  readonly isThickness?: boolean;
  readonly onLength: (mm: number) => void;
}
function Lengths({
  label,
  member,
  lengths,
}: {
  label: string;
  member: Member;
  lengths: readonly LengthAsked[];
}) {
  const { system } = useReader();
  return (
    <div className="flex flex-wrap items-center gap-3">
      <span className="caption w-40">{label}</span>
      {lengths.map(({ words, valueMm, isThickness, onLength }) => (
        <div key={words} className="w-36">
          <span className="caption block">
            {words}, {system}
          </span>
          <LengthCell
            label={`${member.name} ${words}`}
            valueMm={valueMm}
            kind={isThickness ? 'thickness' : 'length'}
            onLength={onLength}
          />
        </div>
      ))}
    </div>
  );
}

function newHole({ shape, lengthMm }: Member): Hole {
  const faces = facesOf(shape);
  const side = faces.find((face) => face.upright) ?? faces[0]!;
  return {
    id: `hole-${newId().slice(0, 8)}`,
    stationMm: Math.round(lengthMm / 2),
    face: side.id,
    heightMm: side.widthMm / 2,
    diameterMm: 14,
  };
}

function Holes({ member, onChange }: OfMember) {
  const holes = member.holes ?? [];
  return (
    <>
      <div className="flex flex-wrap items-center gap-3">
        <span className="caption w-40">
          factory holes: {holes.length === 0 ? 'none recorded' : 'net section there'}
        </span>
        <button
          type="button"
          className="hit underline"
          onClick={() => onChange({ holes: [...holes, newHole(member)] })}
        >
          Add a hole
        </button>
      </div>
      <Settling of={String(holes.length)}>
        {holes.map((hole, k) => (
          <HoleRow
            key={hole.id}
            member={member}
            hole={hole}
            number={k + 1}
            onHole={(to) =>
              onChange({ holes: holes.map((each) => (each.id === hole.id ? { ...each, ...to } : each)) })
            }
            onRemove={() => onChange({ holes: holes.filter((other) => other.id !== hole.id) })}
          />
        ))}
      </Settling>
    </>
  );
}

function HoleRow({
  member,
  hole,
  number,
  onHole,
  onRemove,
}: {
  member: Member;
  hole: Hole;
  number: number;
  onHole: (to: Partial<Hole>) => void;
  onRemove: () => void;
}) {
  const { system } = useReader();
  return (
    <div className="flex flex-wrap items-end gap-2 py-0.5">
      <div className="w-28">
        <span className="caption block">station, {system}</span>
        <LengthCell
          label={`Hole ${number} station`}
          valueMm={hole.stationMm}
          kind="length"
          onLength={(stationMm) => onHole({ stationMm })}
        />
      </div>
      <label>
        <span className="caption block">face</span>
        <PickCell
          label={`Hole ${number} face`}
          value={hole.face}
          options={facesOf(member.shape).map(({ id }) => id)}
          words={(id) => faceWords(member, id)}
          onPick={(chosen) => onHole({ face: chosen })}
        />
      </label>
      <div className="w-28">
        <span className="caption block">from corner, {system}</span>
        <LengthCell
          label={`Hole ${number} height`}
          valueMm={hole.heightMm}
          kind="length"
          onLength={(heightMm) => onHole({ heightMm })}
        />
      </div>
      <div className="w-28">
        <span className="caption block">diameter, {system}</span>
        <LengthCell
          label={`Hole ${number} diameter`}
          valueMm={hole.diameterMm}
          kind="thickness"
          onLength={(diameterMm) => onHole({ diameterMm })}
        />
      </div>
      <button type="button" className="hit underline" onClick={onRemove}>
        remove
      </button>
    </div>
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
