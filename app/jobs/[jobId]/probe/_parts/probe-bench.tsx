'use client';

import { useRouter } from 'next/navigation';
import { memo, useCallback, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { toast } from 'sonner';
import { facesOf } from '@/core/frame';
import { printLength } from '@/core/quantity';
import { SCHOOL_IDS, schoolMarginMm, type School } from '@/core/reference';
import { FIRST_CUT_UP_MM, finalCut, firstCut, type Reading } from '@/core/probe';
import type { NextReading } from '@/core/weigh';
import { Choice, Settling } from '@/ui/controls';
import { CutLayer, faceWords, following, NextLayer, type StripScale } from '@/ui/strip';
import { CAUTIONS } from '../../../../_words/cautions';
import {
  Bench,
  MemberStrip,
  StrikeSheet,
  useMember,
  usePlace,
  useReader,
  useRecords,
  useWork,
} from '../../../_desk';
import { KeyList } from '../../_parts/key-list';
import { MarginTable } from './margin-table';
import { ReadingEntry, type EntryHandle } from './reading-entry';
import { ReadingTable } from './reading-table';
import { CsvIn } from './csv-in';
import { ComparePanel } from './compare-panel';
import { FeltForm } from './felt-form';
import { GaugePanel, type GaugeHandle } from './gauge-panel';
import { MarginLane } from './margin-lane';
import { NextPanel, useNext, type Next } from './next-panel';
import { useNearest, useTakeBack } from './take-back';
import { printStation, stationDigits } from '../../../../_words/station';

export function ProbeBench() {
  const { member } = useMember();
  const entry = useRef<EntryHandle>(null);
  const gauge = useRef<GaugeHandle>(null);
  const [keysOpen, setKeysOpen] = useState(false);
  const [striking, setStriking] = useState<Reading>();
  const takeBack = useTakeBack();
  const asked = useNext();
  const { next } = asked;
  const goTo = useGoTo(entry);
  const cuts = useCuts();
  const onKey = useProbeKeys({
    entry,
    gauge,
    takeBack,
    strike: setStriking,
    goNext: () => goTo(next[0]),
    showKeys: () => setKeysOpen(true),
  });
  const over = useCallback(
    (scale: StripScale) => (
      <>
        {cuts && <CutLayer member={member} first={cuts.first} final={cuts.final} scale={scale} />}
        <NextLayer member={member} next={next.slice(0, 3)} scale={scale} />
      </>
    ),
    [cuts, member, next],
  );
  return (
    <Bench>
      <MemberStrip over={over} onKey={onKey} onSpot={() => entry.current?.follow()} />
      <MarginLane />
      <ReadingEntry ref={entry} onKeys={() => setKeysOpen(true)} />
      <GaugePanel ref={gauge} onTaken={() => entry.current?.step()} />
      <AboutMember asked={asked} hasCut={(cuts?.final.length ?? 0) > 0} onGo={goTo} onStrike={setStriking} />
      <StrikeReading reading={striking} onClose={() => setStriking(undefined)} />
      <KeyList verb="probe" open={keysOpen} onOpenChange={setKeysOpen} />
      <WhereAmI />
    </Bench>
  );
}

/** What is told of the member as a whole: the cursor moves without it. */
const AboutMember = memo(function AboutMember({
  asked,
  hasCut,
  onGo,
  onStrike,
}: {
  asked: Next;
  hasCut: boolean;
  onGo: (place: NextReading) => void;
  onStrike: (reading: Reading) => void;
}) {
  const { member } = useMember();
  return (
    <>
      <NextPanel asked={asked} onGo={onGo} />
      <SurveyRow />
      <Margins />
      <FeltForm />
      <ComparePanel key={member.id} />
      {hasCut && <CutNote />}
      <ReadingTable onStrike={onStrike} />
    </>
  );
});

/** To the place where the next reading tells most, the entry with it. */
function useGoTo(entry: { readonly current: EntryHandle | null }): (place: NextReading | undefined) => void {
  const { member, setCursor, setStretch } = useMember();
  return useCallback(
    (place) => {
      if (!place) return void toast.info('No reading would change the decision');
      setCursor({ stationMm: place.stationMm, face: place.face, heightMm: place.heightMm });
      setStretch((stretch) => following(member, stretch, place.stationMm));
      entry.current?.follow();
    },
    [entry, member, setCursor, setStretch],
  );
}

/** Where to cut first, to look inside, and where in the end. */
function useCuts() {
  const picture = useWork().work?.picture;
  return useMemo(
    () =>
      picture && {
        first: firstCut(picture.edges, picture.zones),
        final: finalCut(picture.edges, picture.zones, picture.ways.margin),
      },
    [picture],
  );
}

interface ProbeActs {
  readonly entry: { readonly current: EntryHandle | null };
  readonly gauge: { readonly current: GaugeHandle | null };
  readonly takeBack: () => void;
  readonly strike: (reading: Reading | undefined) => void;
  readonly goNext: () => void;
  readonly showKeys: () => void;
}

/** The keys of Probe; digits start a reading. */
function useProbeKeys({ entry, gauge, takeBack, strike, goNext, showKeys }: ProbeActs) {
  const router = useRouter();
  const { file } = useRecords();
  const { member } = useMember();
  const nearest = useNearest();
  return (event: KeyboardEvent): boolean => {
    if (/^[\d.]$/.test(event.key)) entry.current?.start(event.key);
    const acts: Record<string, () => void> = {
      x: () => entry.current?.start('0'),
      k: () => router.push(`/jobs/${file.job.id}/trace?member=${member.id}`),
      s: () => strike(nearest()),
      n: goNext,
      g: () => gauge.current?.take(),
      u: takeBack,
      '?': showKeys,
      Enter: () => entry.current?.start(''),
    };
    // Held down, a key is one: each time it would strike, take or go on from one more.
    if (!event.repeat) acts[event.key]?.();
    return event.key in acts || /^[\d.]$/.test(event.key);
  };
}

/** School, taking back, and readings from a file. */
function SurveyRow() {
  const { file, changePractice } = useRecords();
  const takeBack = useTakeBack();
  const { system } = useReader();
  const margin = (school: School) => printLength(schoolMarginMm(school), system, 'length');
  const choose = async (school: School) => {
    const problem = await changePractice({ ...file.practice, school });
    if (problem) toast.error(problem.message, { description: problem.kept });
  };
  return (
    <div className="mt-4 flex flex-wrap items-end justify-between gap-x-6 gap-y-3 border-t border-rule pt-3">
      <div>
        <p className="caption">Sound metal wanted below the top corner; school</p>
        <Choice
          label="School of where to cut and land"
          value={file.practice.school}
          options={SCHOOL_IDS}
          onChange={(school) => void choose(school)}
          words={(school) =>
            school === 'where rust ends'
              ? school
              : `${margin(school)} ${school === 'half-inch band' ? 'band' : 'left'}`
          }
        />
      </div>
      <Settling of={String(file.strikes.length)}>
        <button type="button" className="plain" onClick={takeBack}>
          Take back the last reading <kbd className="border border-edge px-1 text-sm">u</kbd>
        </button>
      </Settling>
      <CsvIn />
    </div>
  );
}

function Margins() {
  const { work } = useWork();
  const [open, setOpen] = useState(false);
  if (!work?.picture.edges.some((edge) => edge.columns.length > 0)) return null;
  return (
    <details
      className="mt-3 border-t border-rule pt-1"
      onToggle={(event) => setOpen(event.currentTarget.open)}
    >
      <summary className="hit flex items-center font-semibold">Margin, station by station</summary>
      {open && <MarginTable />}
    </details>
  );
}

function CutNote() {
  const { system } = useReader();
  return (
    <p className="caption mt-2">
      Dotted: the opening cut, {printLength(FIRST_CUT_UP_MM, system, 'length')} up, to look inside. Dashed:
      the final cut, in good metal above the edge’s bound. {CAUTIONS.shape}
    </p>
  );
}

function StrikeReading({ reading, onClose }: { reading: Reading | undefined; onClose: () => void }) {
  const { system } = useReader();
  const { member } = useMember();
  const words =
    reading &&
    `${printLength(reading.thicknessMm, system, 'thickness')} at station ${printStation(member, reading.stationMm, system)}, ${faceWords(member, reading.face)}`;
  return <StrikeSheet struck={reading && { id: reading.id, words: words! }} onClose={onClose} />;
}

/** The cursor said aloud, for who does not see it. */
function WhereAmI() {
  const { system } = useReader();
  const { member } = useMember();
  const { cursor } = usePlace();
  const face = facesOf(member.shape).find((each) => each.id === cursor.face);
  return (
    <p className="sr-only" role="status">
      {`Station ${stationDigits(member, cursor.stationMm, system)} ${system}, ${face?.id}`}
    </p>
  );
}
