'use client';

import { useRouter } from 'next/navigation';
import { useCallback, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { facesOf } from '@/core/frame';
import { lengthDigits, printLength } from '@/core/quantity';
import { SCHOOL_IDS, schoolMarginMm } from '@/core/reference';
import { FIRST_CUT_UP_MM, finalCut, firstCut, type Reading } from '@/core/probe';
import type { NextReading } from '@/core/weigh';
import { Choice } from '@/ui/controls';
import { CutLayer, faceWords, following, NextLayer, type StripScale } from '@/ui/strip';
import { toast } from 'sonner';
import { CAUTIONS } from '../../../../_words/cautions';
import { Bench, MemberStrip, StrikeSheet, useDesk } from '../../../_desk';
import { KeyList } from './key-list';
import { ReadingEntry, type EntryHandle } from './reading-entry';
import { ReadingTable } from './reading-table';
import { CsvIn } from './csv-in';
import { ComparePanel } from './compare-panel';
import { lastToTakeBack } from './entry';
import { FeltForm } from './felt-form';
import { GaugePanel, type GaugeHandle } from './gauge-panel';
import { MarginLane } from './margin-lane';
import { NextPanel, useNext } from './next-panel';

export function ProbeBench() {
  const desk = useDesk();
  const { file, member, cursor, system, work } = desk;
  const router = useRouter();
  const entry = useRef<EntryHandle>(null);
  const gauge = useRef<GaugeHandle>(null);
  const [keysOpen, setKeysOpen] = useState(false);
  const [marginsOpen, setMarginsOpen] = useState(false);
  const [striking, setStriking] = useState<Reading>();

  const own = file.readings.filter((reading) => reading.memberId === member.id);
  const strikeNearest = useCallback(() => {
    const struck = new Set(file.strikes.map((strike) => strike.evidenceId));
    const standing = file.readings.filter(
      (reading) => reading.memberId === member.id && !struck.has(reading.id) && reading.face === cursor.face,
    );
    const away = (reading: Reading) =>
      Math.hypot((reading.stationMm - cursor.stationMm) / 4, reading.heightMm - cursor.heightMm);
    setStriking([...standing].sort((a, b) => away(a) - away(b))[0]);
  }, [file, member, cursor]);

  /** Takes back the last reading somebody on this page just kept: it is struck, not erased. */
  const undoLast = useCallback(() => {
    const struck = new Set(file.strikes.map((strike) => strike.evidenceId));
    const by = desk.by.trim() || 'unnamed';
    const last = lastToTakeBack(file.readings, struck, member.id, by, Date.now());
    if (!last)
      return void toast.info('No reading of yours was kept just now', {
        description: 'An older one, or another’s, is struck with its reason: s, or the list below.',
      });
    desk.strike({
      id: crypto.randomUUID(),
      evidenceId: last.id,
      why: 'undone at once',
      by,
      at: new Date().toISOString(),
    });
    desk.setCursor({ stationMm: last.stationMm, face: last.face, heightMm: last.heightMm });
    toast.info(
      `Taken back: ${printLength(last.thicknessMm, system, 'thickness')} at ${printLength(last.stationMm, system, 'length')}`,
      { description: 'Struck through; it stays on record.' },
    );
  }, [file, member, desk, system]);
  const { next } = useNext();
  const goTo = useCallback(
    (place: NextReading | undefined) => {
      if (!place) return void toast.info('No reading would change the decision');
      desk.setCursor({ stationMm: place.stationMm, face: place.face, heightMm: place.heightMm });
      desk.setStretch(following(member, desk.stretch, place.stationMm));
      entry.current?.follow();
    },
    [desk, member],
  );
  const onKey = useCallback(
    (event: KeyboardEvent) => {
      if (/^[\d.]$/.test(event.key)) entry.current?.start(event.key);
      else if (event.key === 'x') entry.current?.start('0');
      else if (event.key === 'k') router.push(`/jobs/${file.job.id}/trace?member=${member.id}`);
      else if (event.key === 's') strikeNearest();
      else if (event.key === 'n') goTo(next[0]);
      else if (event.key === 'g') gauge.current?.take();
      else if (event.key === 'u') undoLast();
      else if (event.key === '?') setKeysOpen(true);
      else if (event.key === 'Enter') entry.current?.start('');
      else return false;
      return true;
    },
    [router, file.job.id, member.id, strikeNearest, goTo, next, undoLast],
  );
  const picture = work?.picture.member.id === member.id ? work.picture : undefined;
  const cuts = useMemo(
    () =>
      picture
        ? {
            first: firstCut(picture.edges, picture.zones),
            final: finalCut(picture.edges, picture.zones, file.practice.school),
          }
        : undefined,
    [picture, file.practice.school],
  );
  const over = useCallback(
    (scale: StripScale) => (
      <>
        {cuts && <CutLayer member={member} first={cuts.first} final={cuts.final} scale={scale} />}
        <NextLayer member={member} next={next.slice(0, 3)} scale={scale} />
      </>
    ),
    [cuts, member, next],
  );

  const chooseSchool = async (school: (typeof SCHOOL_IDS)[number]) => {
    const problem = await desk.keepSetup(file.frame, { ...file.practice, school });
    if (problem) toast.error(problem.message, { description: problem.kept });
  };

  return (
    <Bench>
      <MemberStrip over={over} onKey={onKey} onSpot={() => entry.current?.follow()} />
      <MarginLane />
      <ReadingEntry ref={entry} onKeys={() => setKeysOpen(true)} />
      <GaugePanel ref={gauge} onTaken={() => entry.current?.step()} />
      <NextPanel onGo={goTo} />
      <div className="mt-4 flex flex-wrap items-end justify-between gap-x-6 gap-y-3 border-t border-rule pt-3">
        <div>
          <p className="caption">Sound metal wanted below the top corner; school</p>
          <Choice
            label="School of where to cut and land"
            value={file.practice.school}
            options={SCHOOL_IDS}
            onChange={(school) => void chooseSchool(school)}
            words={(school) =>
              school === 'where rust ends'
                ? 'where rust ends'
                : school === 'half-inch band'
                  ? `${printLength(schoolMarginMm(school), system, 'length')} band`
                  : `${printLength(schoolMarginMm(school), system, 'length')} left`
            }
          />
        </div>
        <button type="button" className="plain" onClick={undoLast}>
          Take back the last reading <kbd className="border border-edge px-1 text-sm">u</kbd>
        </button>
        <CsvIn />
      </div>
      {work && work.picture.edges.some((edge) => edge.columns.length > 0) && (
        <details
          className="mt-3 border-t border-rule pt-1"
          onToggle={(event) => setMarginsOpen(event.currentTarget.open)}
        >
          <summary className="hit flex items-center font-semibold">Margin, station by station</summary>
          {marginsOpen && <MarginTable />}
        </details>
      )}
      <FeltForm />
      <ComparePanel key={member.id} />
      {cuts && cuts.final.length > 0 && (
        <p className="caption mt-2">
          Dotted: the opening cut, {printLength(FIRST_CUT_UP_MM, system, 'length')} up, to look inside.
          Dashed: the final cut, in good metal above the edge’s bound. {CAUTIONS.shape}
        </p>
      )}
      <ReadingTable readings={own} onStrike={setStriking} />
      <StrikeSheet
        struck={
          striking && {
            id: striking.id,
            words: `${printLength(striking.thicknessMm, system, 'thickness')} at station ${printLength(striking.stationMm, system, 'length')}, ${faceWords(member, striking.face)}`,
          }
        }
        onClose={() => setStriking(undefined)}
      />
      <KeyList open={keysOpen} onOpenChange={setKeysOpen} />
      <p
        className="sr-only"
        role="status"
      >{`Station ${lengthDigits(cursor.stationMm, system, 'length')} ${system}, ${facesOf(member.shape).find((face) => face.id === cursor.face)?.id}`}</p>
    </Bench>
  );
}

const KIND_WORDS = {
  bracketed: 'between two readings',
  felt: 'felt by hand',
  'sound to the corner': 'sound to the corner',
  'not read further down': 'not read further down',
  'no sound metal read': 'no sound metal read',
} as const;

function MarginTable() {
  const { work, system } = useDesk();
  return (
    <table className="w-full text-[15px]">
      <thead>
        <tr className="caption text-left">
          <th scope="col" className="font-normal">
            station, {system}
          </th>
          <th scope="col" className="font-normal">
            side
          </th>
          <th scope="col" className="font-normal">
            edge lies between, {system} up
          </th>
          <th scope="col" className="font-normal">
            sound below top corner, {system}
          </th>
          <th scope="col" className="font-normal">
            how known
          </th>
        </tr>
      </thead>
      <tbody className="ruled">
        {work!.picture.edges.flatMap((edge) =>
          edge.columns.map((column) => (
            <tr key={`${edge.face}-${column.stationMm}`}>
              <td className="py-1">{lengthDigits(column.stationMm, system, 'length')}</td>
              <td>{edge.face}</td>
              <td>
                {lengthDigits(column.lowerMm, system, 'length')} and{' '}
                {lengthDigits(column.upperMm, system, 'length')}
              </td>
              <td className="font-semibold">
                {lengthDigits(edge.faceHeightMm - column.upperMm, system, 'length')}
              </td>
              <td className="caption">{KIND_WORDS[column.kind]}</td>
            </tr>
          )),
        )}
      </tbody>
    </table>
  );
}
