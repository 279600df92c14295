'use client';

import { useState } from 'react';
import { toast } from 'sonner';
import type { WorkedRepair } from '@/core/job';
import { WELD_ACCESS, WELD_POSITIONS, type SeamSaid, type WeldLine } from '@/core/join';
import { GAP_IGNORED_MM, gapLimitMm } from '@/core/reference';
import { lengthDigits, parseMeasuredMm, printLength } from '@/core/quantity';
import { Choice, Entry } from '@/ui/controls';
import { useUnitTurn } from '../../../../_parts/turned';
import { useReader, useRecords, useStamp } from '../../../_desk';
import { TakeOver } from './take-over';
import type { JoinDesk } from './use-join';

type Said = Partial<Pick<SeamSaid, 'gapMm' | 'access' | 'position' | 'leftOpen'>>;

/** What is found and chosen at one seam: the gap, how it is come at, whether it stays open. */
export function SeamForm({ join, worked, line }: { join: JoinDesk; worked: WorkedRepair; line: WeldLine }) {
  const { keep } = useRecords();
  const { system } = useReader();
  const stamp = useStamp();
  const [problem, setProblem] = useState<string>();
  const say = (said: Said) => {
    const ofId = worked.repair.id;
    keep({ kind: 'seam', ...stamp(), memberId: join.member.id, ofId, seam: line.key, note: '', ...said });
    setProblem(undefined);
  };
  if (worked.isProposal) return <TakeOver join={join} worked={worked} what="gaps and access are recorded" />;
  return (
    <section className="mt-3 border-t-2 border-ink pt-2" aria-label={`Seam ${line.id}`}>
      <h3 className="text-lg font-semibold">
        {line.id}: {line.place}
      </h3>
      <div className="mt-1 flex flex-wrap items-end gap-x-5 gap-y-2">
        <GapEntry
          key={`${line.gapMm}`}
          line={line}
          problem={problem}
          onWrong={setProblem}
          onGap={(gapMm) => {
            say({ gapMm });
            toast.success(`Gap at ${line.id} noted`);
          }}
        />
        <div>
          <p className="caption">come at</p>
          <Choice
            label="Access"
            value={line.access}
            options={WELD_ACCESS}
            onChange={(access) => say({ access })}
          />
        </div>
        <div>
          <p className="caption">position</p>
          <Choice
            label="Position"
            value={line.position}
            options={WELD_POSITIONS}
            onChange={(position) => say({ position })}
          />
        </div>
        <LeftOpen line={line} onSay={(leftOpen) => say({ leftOpen })} />
      </div>
      <p className="caption mt-1">
        Over {printLength(GAP_IGNORED_MM, system, 'thickness')} the leg grows by the gap; over{' '}
        {printLength(gapLimitMm(line.thinnerMm), system, 'thickness')} here it is fitted again (AWS D1.1 and
        D1.3, from memory).
      </p>
    </section>
  );
}

function GapEntry({
  line,
  problem,
  onGap,
  onWrong,
}: {
  line: WeldLine;
  problem: string | undefined;
  onGap: (mm: number) => void;
  onWrong: (words: string) => void;
}) {
  const { system } = useReader();
  const [text, setText] = useState(
    line.gapMm === undefined ? '' : lengthDigits(line.gapMm, system, 'thickness'),
  );
  const [taken, setTaken] = useState(text);
  useUnitTurn(system, (as) => {
    setText(as(text));
    setTaken(as(taken));
  });
  const take = () => {
    setTaken(text);
    const read = parseMeasuredMm(text, system);
    if (!read.ok) return onWrong(read.reason);
    const gapMm = read.value;
    if (gapMm === undefined) return;
    if (gapMm > 25) return onWrong('a gap over 1 in (25 mm) is no joint; left as it was');
    if (line.gapMm === undefined || Math.abs(gapMm - line.gapMm) > 0.01) onGap(gapMm);
  };
  return (
    <Entry
      label="gap when tacked"
      unit={system}
      className="w-40"
      value={text}
      onChange={(event) => setText(event.target.value)}
      onBlur={() => text !== taken && take()}
      onKeyDown={(event) => event.key === 'Enter' && take()}
      {...(problem && { problem })}
    />
  );
}

function LeftOpen({ line, onSay }: { line: WeldLine; onSay: (why: string) => void }) {
  const [why, setWhy] = useState('');
  if (line.leftOpen !== undefined)
    return (
      <p className="self-center">
        Left open: {line.leftOpen}.{' '}
        <button type="button" className="plain" onClick={() => onSay('')}>
          Weld it after all
        </button>
      </p>
    );
  return (
    <form
      className="flex items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (why.trim()) onSay(why.trim());
      }}
    >
      <Entry
        label="stays open, because"
        className="w-44"
        maxLength={200}
        value={why}
        onChange={(event) => setWhy(event.target.value)}
      />
      <button type="submit" className="plain" disabled={!why.trim()}>
        Leave it open
      </button>
    </form>
  );
}
