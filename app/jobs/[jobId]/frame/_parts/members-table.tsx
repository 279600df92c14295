'use client';

import { X } from 'lucide-react';
import {
  asKind,
  breadthMm,
  carriedByMember,
  JOINT_KINDS,
  moveMember,
  SHAPE_KINDS,
  stationOf,
  withBreadth,
  type Frame,
  type JointKind,
  type Member,
} from '@/core/frame';
import { lengthDigits } from '@/core/quantity';
import { STEEL_IDS, steel } from '@/core/reference';
import { PickCell } from '@/ui/controls';
import { useReader } from '../../../_desk';
import { LengthCell } from './length-cell';
import type { FrameEdit } from './use-frame-edit';

const JOINT_WORDS: Readonly<Record<JointKind, string>> = {
  web: 'on the web',
  flange: 'over the flanges',
  pin: 'pinned',
};

/** Every member with its place, section, steel and joint; what it carries stands beneath its name. */
export function MembersTable({
  frame,
  edit,
  chosenId,
  onChoose,
}: {
  frame: Frame;
  edit: FrameEdit;
  chosenId: string;
  onChoose: (id: string) => void;
}) {
  const { system } = useReader();
  const heads = [
    'name',
    `at station, ${system}`,
    'section',
    `depth, ${system}`,
    `breadth, ${system}`,
    `wall, ${system}`,
    'ends joined',
    'steel',
    '',
  ];
  return (
    <div className="relative overflow-x-auto">
      <table className="w-full min-w-[1020px] letters-15 [&_td]:py-0.5">
        <thead>
          <tr className="caption text-left">
            {heads.map((head) => (
              <th key={head} scope="col" className="pr-1 font-normal">
                {head || <span className="sr-only">remove</span>}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {frame.members.map((each) => (
            <tr
              key={each.id}
              className={`align-top ${each.id === chosenId ? 'shadow-[inset_5px_0_0_var(--here)]' : ''}`}
            >
              <PlaceCells frame={frame} each={each} edit={edit} onChoose={() => onChoose(each.id)} />
              <SectionCells each={each} edit={edit} />
              <MadeCells frame={frame} each={each} edit={edit} />
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** What it is called, what it carries, where it lies. */
function PlaceCells({
  frame,
  each,
  edit,
  onChoose,
}: {
  frame: Frame;
  each: Member;
  edit: FrameEdit;
  onChoose: () => void;
}) {
  const { system } = useReader();
  const set = (to: Partial<Member>) => edit.setMember(each.id, to);
  return (
    <>
      <td className="min-w-[150px] pl-2 pr-1">
        <input
          aria-label="Member name"
          className="field"
          value={each.name}
          maxLength={60}
          onFocus={onChoose}
          onChange={(event) => set({ name: event.target.value })}
        />
        {carriedByMember(frame, each).length > 0 && (
          <span className="caption block">carries {carriedByMember(frame, each).join(', ')}</span>
        )}
      </td>
      <td className="min-w-[100px] pr-1">
        {each.role === 'rail' ? (
          <span className="caption">
            {lengthDigits(each.startMm ?? 0, system, 'length')} to{' '}
            {lengthDigits((each.startMm ?? 0) + each.lengthMm, system, 'length')}
          </span>
        ) : (
          <LengthCell
            label={`${each.name} station`}
            valueMm={stationOf(frame, each)}
            kind="length"
            onLength={(mm) => edit.set(moveMember(frame, each.id, mm, edit.inStep))}
          />
        )}
      </td>
    </>
  );
}

/** Its section, as it was made. */
function SectionCells({ each, edit }: { each: Member; edit: FrameEdit }) {
  const set = (to: Partial<Member>) => edit.setMember(each.id, to);
  return (
    <>
      <td className="min-w-[104px] pr-1">
        <PickCell
          label={`${each.name} section`}
          value={each.shape.kind}
          options={SHAPE_KINDS}
          onPick={(chosen) => set({ shape: asKind(each.shape, chosen) })}
        />
      </td>
      <td className="min-w-[76px] pr-1">
        <LengthCell
          label={`${each.name} depth`}
          valueMm={each.shape.depthMm}
          kind="length"
          onLength={(depthMm) => set({ shape: { ...each.shape, depthMm } })}
        />
      </td>
      <td className="min-w-[76px] pr-1">
        {each.shape.kind !== 'tube' && each.shape.kind !== 'flat' && (
          <LengthCell
            label={`${each.name} breadth`}
            valueMm={breadthMm(each.shape)}
            kind="length"
            onLength={(mm) => set({ shape: withBreadth(each.shape, mm) })}
          />
        )}
      </td>
      <td className="min-w-[76px] pr-1">
        <LengthCell
          label={`${each.name} wall`}
          valueMm={each.shape.thicknessMm}
          kind="thickness"
          onLength={(thicknessMm) => set({ shape: { ...each.shape, thicknessMm } })}
        />
      </td>
    </>
  );
}

/** How its ends are joined, of which steel; and off with it. */
function MadeCells({ frame, each, edit }: { frame: Frame; each: Member; edit: FrameEdit }) {
  const set = (to: Partial<Member>) => edit.setMember(each.id, to);
  return (
    <>
      <td className="min-w-[128px] pr-1">
        {each.role !== 'rail' && (
          <PickCell
            label={`${each.name} joint`}
            value={each.joint ?? 'web'}
            options={JOINT_KINDS}
            words={(kind) => JOINT_WORDS[kind]}
            onPick={(chosen) => set({ joint: chosen })}
          />
        )}
      </td>
      <td className="w-[210px] min-w-[150px] pr-1">
        <PickCell
          label={`${each.name} steel`}
          value={each.steel}
          options={STEEL_IDS}
          words={(id) => steel(id).name}
          onPick={(chosen) => set({ steel: chosen })}
        />
      </td>
      <td>
        {each.role !== 'rail' && (
          <button
            type="button"
            className="hit inline-flex items-center justify-center"
            aria-label={`Remove ${each.name}`}
            onClick={() =>
              edit.set({ ...frame, members: frame.members.filter((other) => other.id !== each.id) })
            }
          >
            <X size={18} aria-hidden />
          </button>
        )}
      </td>
    </>
  );
}
