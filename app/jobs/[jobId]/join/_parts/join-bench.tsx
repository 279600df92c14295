'use client';

import { useCallback, useMemo } from 'react';
import { heldSeams, stands } from '@/core/job';
import { stretchOf } from '@/core/shape';
import type { Cursor, StripScale } from '@/ui/strip';
import { repairName } from '../../../../_words/shape';
import { printStation } from '../../../../_words/station';
import { CAUTIONS } from '../../../../_words/cautions';
import { Bench, MemberStrip, PartsNav, useMember, usePart, useReader } from '../../../_desk';
import { BoltsPart } from './bolts-part';
import { CracksPart } from './cracks-part';
import { LogPart } from './log-part';
import { RunLayer, SeamLayer } from './seam-layer';
import { seamUnder } from './seam-choice';
import { SeamsPart } from './seams-part';
import { SequencePart } from './sequence-part';
import { SettingsPart } from './settings-part';
import { runsDrawn } from './runs-drawn';
import { useJoin, type JoinDesk } from './use-join';

const PARTS = ['seams', 'order', 'cracks', 'bolts', 'settings', 'log'] as const;
type Part = (typeof PARTS)[number];
const PART_WORDS: Readonly<Record<Part, string>> = {
  seams: 'Seams',
  order: 'Order of runs',
  cracks: 'Cracks',
  bolts: 'Bolts and rivets',
  settings: 'Settings',
  log: 'Log',
};

/** What joins a repair: its seams, the order they are laid in, cracks welded first, bolts, settings, and what was done. */
export function JoinBench() {
  const join = useJoin();
  const part = usePart(PARTS);
  const { work, current, plates, ledger, member, seam, setSeam } = join;
  const lines = useMemo(() => current?.joined.lines ?? [], [current]);
  const over = useJoinLayers(join, part);
  const onSpot = useCallback(
    (cursor: Cursor) => {
      const under = seamUnder(member.shape, lines, cursor);
      if (under) setSeam(under.id);
    },
    [member, lines, setSeam],
  );
  const counts = useMemo(
    (): Partial<Record<Part, number>> => ({
      seams: lines.length,
      cracks: ledger.filter(({ of }) => of === 'crack').length,
      bolts: current?.joined.bolts.length ?? 0,
      settings: stands(join.file, 'scrap test').length,
      log: heldSeams(ledger).length,
    }),
    [lines, ledger, current, join.file],
  );
  return (
    <Bench slice={part === 'seams' ? 'as repaired' : false}>
      <PartsNav label="Parts of Join" parts={PARTS} words={PART_WORDS} counts={counts} open={part} />
      {part !== 'settings' && (
        <MemberStrip plates={plates} readings={false} height={300} over={over} onSpot={onSpot} />
      )}
      {part !== 'settings' && part !== 'cracks' && <RepairPicker join={join} />}
      {work && !current && (part === 'seams' || part === 'order') && (
        <p className="mt-4 text-xl">
          No plate on {member.name.toLowerCase()} to weld on. Repairs are made in Shape.
        </p>
      )}
      {part === 'seams' && <SeamsPart join={join} chosen={seam} />}
      {part === 'order' && <SequencePart join={join} />}
      {part === 'cracks' && <CracksPart join={join} />}
      {part === 'bolts' && <BoltsPart join={join} />}
      {part === 'settings' && <SettingsPart join={join} />}
      {part === 'log' && <LogPart join={join} />}
      <p className="caution mt-3">{CAUTIONS.join}</p>
    </Bench>
  );
}

/** Marks of the seams; or the runs by their numbers, where the order is looked at. */
function useJoinLayers({ current, member, seam, plan, done }: JoinDesk, part: Part) {
  return useCallback(
    (scale: StripScale) => {
      if (!current) return null;
      if (part === 'order' && plan)
        return <RunLayer member={member} runs={runsDrawn(plan, done, current.joined.lines)} scale={scale} />;
      return <SeamLayer member={member} lines={current.joined.lines} chosen={seam} scale={scale} />;
    },
    [current, member, seam, plan, done, part],
  );
}

function RepairPicker({ join: { repairs, at, choose, member } }: { join: JoinDesk }) {
  const { system } = useReader();
  const { setStretch } = useMember();
  if (repairs.length < 2) return null;
  return (
    <div className="mt-2 flex flex-wrap" role="group" aria-label="Repairs">
      {repairs.map((worked, k) => (
        <button
          key={worked.repair.id}
          type="button"
          className="plain -ml-px first:ml-0"
          aria-pressed={k === at}
          onClick={() => {
            choose(k);
            const [fromMm, toMm] = stretchOf(member, worked.repair);
            setStretch({ fromMm, toMm });
          }}
        >
          {worked.target
            ? `${printStation(member, worked.target.fromMm, system)} to ${printStation(member, worked.target.toMm, system)}`
            : repairName(worked.repair)}
        </button>
      ))}
    </div>
  );
}
