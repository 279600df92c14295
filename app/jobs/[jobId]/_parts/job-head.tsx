'use client';

import { ChevronLeft } from 'lucide-react';
import { Link } from '@/app/_parts/link';
import { usePathname } from 'next/navigation';
import { useEffect, useMemo, useRef } from 'react';
import { memberOf } from '@/core/frame';
import { distrustOf, jobSpots, jobTimeLeft, stands } from '@/core/job';
import { releaseOf } from '@/core/trace';
import { distrustWords } from '../../../_words/distrust';
import { RELEASE_WORDS, timeLeftWords } from '../../../_words/trace';
import { progressOf } from '@/core/walk';
import { ThemeSwitch, UnitSwitch } from '../../../_parts/switches';
import { today, When } from '@/ui/controls';
import { KeepingLight } from '../../../_outbox/keeping-light';
import { useMember, useReader, useRecordsLater, useWork } from '../../_desk';
import { openInVerbs } from './open-in-verbs';
import { Keys } from './keys';
import { TakeAway } from './take-away';

/** Tells the page how high the head stands, for what stays in sight beneath it: it has a line more for every notice. */
function useHeadHeight() {
  const head = useRef<HTMLElement>(null);
  useEffect(() => {
    const { style } = document.documentElement;
    const observer = new ResizeObserver(() =>
      style.setProperty('--head', `${head.current?.offsetHeight ?? 0}px`),
    );
    observer.observe(head.current!);
    return () => {
      observer.disconnect();
      style.removeProperty('--head');
    };
  }, []);
  return head;
}

/** Unit, verbs with what is open in each, and whether everything is kept. */
export function JobHead() {
  const { system, setSystem } = useReader();
  const head = useHeadHeight();
  const verb = usePathname().split('/')[3] ?? 'walk';
  return (
    <header ref={head} className="sticky top-0 z-30 border-b-2 border-ink bg-paper">
      <div className="flex flex-wrap items-stretch lg:flex-nowrap">
        <UnitAndAnswers />
        <Verbs />
        <div className="flex flex-wrap items-center gap-1 px-2 lg:flex-nowrap">
          <By />
          <UnitSwitch system={system} onChange={setSystem} />
          <ThemeSwitch />
          <TakeAway />
          <Keys verb={verb} />
          <KeepingLight system={system} />
        </div>
      </div>
      <WorkedOut />
      <Notices />
      <Temporary />
      <Distrusted />
    </header>
  );
}

/** Back to the yard; and the unit, whose four answers open the job. */
function UnitAndAnswers() {
  const { file } = useRecordsLater();
  const { member } = useMember();
  const here = usePathname().split('/')[3];
  return (
    <div className="flex min-w-0 basis-full border-b border-rule lg:min-h-14 lg:w-[206px] lg:flex-none lg:border-b-0">
      <Link
        href="/"
        className="flex min-h-11 w-11 shrink-0 items-center justify-center border-r border-rule"
        aria-label="Back to the yard"
      >
        <ChevronLeft size={22} aria-hidden />
      </Link>
      <Link
        href={`/jobs/${file.job.id}/answers?member=${member.id}`}
        aria-current={here === 'answers' ? 'page' : undefined}
        className="group relative flex min-w-0 flex-1 flex-wrap items-baseline gap-x-3 self-stretch px-3 py-2 leading-tight aria-[current=page]:bg-sheet lg:flex-col lg:flex-nowrap lg:items-stretch lg:justify-center lg:py-0"
        aria-label={`Answers for ${file.unit.tag}`}
      >
        <span className="max-w-full wrap-anywhere text-xl font-bold">{file.unit.tag}</span>
        <span className="caption min-w-0 truncate" title={file.job.title}>
          {file.job.title}
        </span>
        <span aria-hidden className="absolute inset-x-0 bottom-0 h-[5px] group-aria-[current=page]:bg-here" />
      </Link>
    </div>
  );
}

function Verbs() {
  const { file } = useRecordsLater();
  const { member } = useMember();
  const { summaries, isWorking } = useWork();
  const here = usePathname().split('/')[3];
  const counted = useMemo(
    () => ({
      walked: progressOf(jobSpots(file, file.job.purpose === 'pre-purchase look')),
      members: file.frame.members.length,
      readings: stands(file, 'reading').length,
      cracks: stands(file, 'crack').length,
      isSigned: stands(file, 'sign off').length > 0,
      done: new Set(stands(file, 'task').flatMap(({ is, taskId }) => (is === 'done' ? [taskId] : []))).size,
    }),
    [file],
  );
  const all = [...summaries.values()];
  const verbs = openInVerbs({
    ...counted,
    summaries: all,
    isWorked: !isWorking && all.length >= counted.members,
  });
  return (
    <nav
      aria-label="Verbs"
      className="order-last flex w-full overflow-x-auto border-t border-rule lg:order-none lg:w-auto lg:flex-1 lg:border-t-0"
    >
      {verbs.map(([verb, word, open]) => (
        <Link
          key={verb}
          href={`/jobs/${file.job.id}/${verb}?member=${member.id}`}
          aria-current={verb === here ? 'page' : undefined}
          className="group relative flex min-h-14 min-w-[76px] lg:min-w-[64px] flex-1 flex-col justify-center border-l border-rule pl-1.5 leading-tight aria-[current=page]:bg-sheet"
        >
          <span className="letters-17 font-semibold">{word}</span>
          <span className="caption truncate letters-12! tracking-tight">{open}</span>
          <span
            aria-hidden
            className="absolute inset-x-0 bottom-0 h-[5px] group-aria-[current=page]:bg-here"
          />
        </Link>
      ))}
    </nav>
  );
}

/** How far the working-out has come, when it takes long; and a way to end it. */
function WorkedOut() {
  const { isWorking, progress, stopWork } = useWork();
  if (!isWorking || progress.of === 0) return null;
  return (
    <p className="late absolute right-2 top-full z-40 flex items-center border border-edge bg-sheet px-3">
      worked out: {progress.done} of {progress.of}{' '}
      <button type="button" className="hit px-3 underline" onClick={stopWork}>
        stop
      </button>
    </p>
  );
}

/** Whole, on a phone too: the end of one may be the speed. */
function Notices() {
  const { notices } = useRecordsLater().file;
  if (notices.length === 0) return null;
  return (
    <ul
      className="flex max-h-[25dvh] flex-wrap gap-x-6 overflow-y-auto bg-here px-4 py-0.5 text-on-here"
      aria-label="Standing notices"
      tabIndex={0}
    >
      {notices.map((notice) => (
        <li key={notice.id} className="letters-14 font-semibold">
          {notice.words}{' '}
          <span className="font-normal">
            ({notice.by} <When at={notice.at} only="day" />)
          </span>
        </li>
      ))}
    </ul>
  );
}

/** Temporary repairs with what is left of them: on every screen of the job. */
function Temporary() {
  const { file } = useRecordsLater();
  const { system } = useReader();
  const left = jobTimeLeft(file, today());
  if (left.length === 0) return null;
  const tests = stands(file, 'load test');
  return (
    <ul
      className={`flex flex-wrap gap-x-6 px-4 py-0.5 ${left[0]!.isOver ? 'bg-oxide text-paper' : 'border-b border-rule bg-sheet'}`}
      aria-label="Temporary repairs"
    >
      {left.map((each) => (
        <li key={each.repair.id} className="letters-14 font-semibold">
          {each.isOver && 'Do not move it. '}
          Temporary {timeLeftWords(each, system)}
          <span className="font-normal">
            {' '}
            ({memberOf(file.frame, each.repair.memberId)?.name.toLowerCase()}, {each.repair.by}{' '}
            <When at={each.repair.at} only="day" />)
          </span>
          {releaseOf(tests, each.repair) === 'moves' && (
            <span className={left[0]!.isOver ? '' : 'text-oxide'}>; {RELEASE_WORDS.moves}</span>
          )}
        </li>
      ))}
    </ul>
  );
}

/** What no metal stands behind, or what could not be read. */
function Distrusted() {
  const { file, asOf } = useRecordsLater();
  const words = useMemo(() => distrustWords(distrustOf(file)), [file]);
  if (words.length === 0 && asOf === undefined) return null;
  return (
    <ul className="border-l-[6px] border-oxide bg-oxide-wash px-4 py-0.5" aria-label="Not to be relied on">
      {asOf !== undefined && (
        <li className="letters-14 font-semibold">
          The server does not answer: the job is shown as this device had it at <When at={asOf} /> and with
          what it holds of its own since. What was recorded elsewhere may be missing.
        </li>
      )}
      {words.map((sentence) => (
        <li key={sentence} className="letters-14 font-semibold">
          {sentence}
        </li>
      ))}
    </ul>
  );
}

function By() {
  const { by, setBy } = useReader();
  return (
    <label className="caption flex items-center gap-1">
      by
      <input
        value={by}
        maxLength={40}
        onChange={(event) => setBy(event.target.value)}
        aria-label="Who is recording: role or initials"
        className="field w-14! px-1! text-center"
      />
    </label>
  );
}
