'use client';

import { stands } from '@/core/job';
import { useMemo, useState } from 'react';
import { memberOf, twinOf } from '@/core/frame';
import { significant } from '@/core/quantity';
import { compareTaps, listen as listenTo, type HeardTap, type TapTest } from '@/core/walk';
import { METALS, SAMPLE_RATE, tapRecording, type Metal } from '@/stand-ins/tap-sound';
import { Pick, When } from '@/ui/controls';
import { faceWords, type Cursor } from '@/ui/strip';
import { CAUTIONS } from '../../../../_words/cautions';
import { tapWords } from '../../../../_words/walk';
import {
  MemberStrip,
  StrikeSheet,
  useMember,
  usePlace,
  useReader,
  useRecords,
  useStamp,
} from '../../../_desk';
import { recorded, samplesOf, type Recording } from './recorder';
import { printStation, stationDigits } from '../../../../_words/station';

interface Spot extends Cursor {
  readonly memberId: string;
}
interface Side {
  readonly spot?: Spot;
  readonly taps: readonly HeardTap[];
  readonly wave?: Float32Array;
}
const EMPTY: Side = { taps: [] };

/** What could not be used of a recording; nothing where all of it was. */
function unheardWords(taps: number, drowned: number): string | undefined {
  if (taps === 0 && drowned === 0)
    return 'No tap was heard in it. Tap harder, or nearer to the microphone; nothing was kept.';
  if (drowned === 0) return undefined;
  const noise = `Too noisy to say of ${drowned} of ${taps + drowned} taps: they sink into the noise before they have rung out.`;
  return `${noise} Tap harder, nearer to the microphone, or when it is quieter${taps ? '; the others count.' : '; nothing was kept.'}`;
}

type Source = 'microphone' | 'file' | Metal;

/** Both sides as they were heard, what holding one against the other says, and how the test is kept. */
function useTapTest() {
  const { keep } = useRecords();
  const stamp = useStamp();
  const [good, setGood] = useState<Side>(EMPTY);
  const [doubtful, setDoubtful] = useState<Side>(EMPTY);
  const [heardBy, setHeardBy] = useState<TapTest['heardBy']>('microphone');
  const comparison = useMemo(() => compareTaps(good.taps, doubtful.taps), [good, doubtful]);
  const ready = good.spot && doubtful.spot && good.taps.length > 0 && doubtful.taps.length > 0;
  const submit = () => {
    if (!ready) return;
    keep({
      kind: 'tap',
      ...stamp(),
      good: good.spot!,
      doubtful: doubtful.spot!,
      goodTaps: [...good.taps],
      doubtfulTaps: [...doubtful.taps],
      answer: comparison.answer,
      heardBy,
      note: '',
    });
    setDoubtful(EMPTY);
  };
  return { good, setGood, doubtful, setDoubtful, setHeardBy, comparison, ready, submit };
}

/** Taps on good metal and on a doubtful spot, listened to and compared. A hint. */
export function TapPart() {
  const { file } = useRecords();
  const { member } = useMember();
  const { cursor } = usePlace();
  const { good, setGood, doubtful, setDoubtful, setHeardBy, ...test } = useTapTest();
  const twin = twinOf(file.frame, member);
  const here = (): Spot => ({ memberId: member.id, ...cursor });
  return (
    <div>
      <MemberStrip height={206} />
      <p className="mt-2">
        Tap three times or more on metal known to be good, then on the doubtful spot, with the same hammer.
        {twin
          ? ` Best on the same station of ${twin.name.toLowerCase()}: brackets and shape change the note.`
          : ''}
      </p>
      {(good.taps.length > 0 || doubtful.taps.length > 0) && <Compared comparison={test.comparison} />}
      {test.ready && (
        <p className="mt-2">
          <button type="button" className="solid" onClick={test.submit}>
            Keep this test
          </button>
        </p>
      )}
      <div className="mt-3 grid gap-4 md:grid-cols-2">
        <Listen
          title="Good metal"
          side={good}
          onHeard={(taps, wave, by) => {
            setGood({ spot: good.spot ?? (twin ? { ...here(), memberId: twin.id } : here()), taps, wave });
            setHeardBy(by);
          }}
          onPlace={(spot) => setGood({ ...good, spot })}
        />
        <Listen
          title="Doubtful spot"
          side={doubtful}
          onHeard={(taps, wave, by) => {
            setDoubtful({ spot: doubtful.spot ?? here(), taps, wave });
            setHeardBy(by);
          }}
          onPlace={(spot) => setDoubtful({ ...doubtful, spot })}
        />
      </div>
      <KeptTests />
      <p className="caution mt-4">{CAUTIONS.tap}</p>
    </div>
  );
}

const Compared = ({ comparison }: { comparison: ReturnType<typeof compareTaps> }) => (
  <p className="mt-2 border-y-2 border-ink bg-sheet px-3 py-2" role="status">
    <span className={`text-2xl font-bold ${comparison.answer === 'duller' ? 'text-oxide' : ''}`}>
      {comparison.answer}
    </span>{' '}
    <span>{tapWords(comparison)}</span>
  </p>
);

const SOURCES: readonly Source[] = ['microphone', 'file', ...METALS];
const SOURCE_WORDS = (source: Source): string =>
  source === 'microphone'
    ? 'this device’s microphone'
    : source === 'file'
      ? 'a sound file'
      : `stand-in: ${source} metal`;
const LISTEN_S = 4;

interface ListenProps {
  readonly title: string;
  readonly side: Side;
  readonly onHeard: (taps: HeardTap[], wave: Float32Array, by: TapTest['heardBy']) => void;
  readonly onPlace: (spot: Spot) => void;
}

/** Hears taps from whichever source is chosen, and says why none were heard. */
function useListening({ title, side, onHeard }: ListenProps) {
  const [source, setSource] = useState<Source>('microphone');
  const [problem, setProblem] = useState<string>();
  const [left, setLeft] = useState<number>();
  const hear = (recording: Recording, by: TapTest['heardBy']) => {
    const { taps, drowned } = listenTo(recording.samples, recording.sampleRate);
    setProblem(unheardWords(taps.length, drowned));
    if (taps.length) onHeard(taps, recording.samples, by);
  };
  return {
    source,
    setSource,
    problem,
    left,
    listen: async () => {
      setProblem(undefined);
      if (source !== 'microphone' && source !== 'file')
        return hear(
          { samples: tapRecording(source, 1 + side.taps.length + title.length), sampleRate: SAMPLE_RATE },
          'stand-in',
        );
      const outcome = await recorded(LISTEN_S, setLeft);
      setLeft(undefined);
      if (outcome.ok) hear(outcome.value, 'microphone');
      else setProblem(outcome.reason);
    },
    fromFile: async (chosen: File | undefined) => {
      const outcome = chosen && (await samplesOf(chosen));
      if (outcome?.ok) hear(outcome.value, 'file');
      else if (outcome) setProblem(outcome.reason);
    },
  };
}

function Listen(props: ListenProps) {
  const { title, side, onPlace } = props;
  const listening = useListening(props);
  return (
    <section className="border border-rule bg-sheet p-3" aria-label={title}>
      <h3 className="text-lg font-semibold">{title}</h3>
      <Where spot={side.spot} onPlace={onPlace} />
      <From {...listening} />
      {listening.problem && (
        <p role="alert" className="mt-1 font-semibold text-oxide">
          {listening.problem}
        </p>
      )}
      {side.wave && <Wave samples={side.wave} />}
      {side.taps.length > 0 && <Heard taps={side.taps} />}
    </section>
  );
}

function Where({ spot, onPlace }: { spot: Spot | undefined; onPlace: (spot: Spot) => void }) {
  const { file } = useRecords();
  const { system } = useReader();
  const { member } = useMember();
  const { cursor } = usePlace();
  const on = (spot && memberOf(file.frame, spot.memberId)) ?? member;
  return (
    <p className="flex min-h-[44px] flex-wrap items-center gap-x-3">
      <span>
        {spot
          ? `${on.name}, ${printStation(on, spot.stationMm, system)}, ${faceWords(on, spot.face)}`
          : 'no place yet'}
      </span>
      <button
        type="button"
        className="hit px-2 underline"
        onClick={() => onPlace({ memberId: member.id, ...cursor })}
      >
        at the cursor
      </button>
    </p>
  );
}

const From = ({ source, setSource, left, listen, fromFile }: ReturnType<typeof useListening>) => (
  <div className="flex flex-wrap items-end gap-2">
    <Pick label="listen to" value={source} options={SOURCES} words={SOURCE_WORDS} onPick={setSource} />
    {source === 'file' ? (
      <label className="plain cursor-pointer focus-within:outline-3 focus-within:outline-here">
        Choose
        <input
          type="file"
          accept="audio/*"
          className="sr-only"
          onChange={(event) => void fromFile(event.target.files?.[0])}
        />
      </label>
    ) : (
      <button type="button" className="solid" disabled={left !== undefined} onClick={() => void listen()}>
        {left === undefined ? 'Listen' : `tap now: ${left} s`}
      </button>
    )}
  </div>
);

const HEARD_HEADS = ['tap', 'rings, ms to a tenth', 'note, Hz'] as const;

const Heard = ({ taps }: { taps: readonly HeardTap[] }) => (
  <table className="w-full letters-15">
    <thead>
      <tr className="caption text-left">
        {HEARD_HEADS.map((head) => (
          <th key={head} scope="col" className="font-normal">
            {head}
          </th>
        ))}
      </tr>
    </thead>
    <tbody className="ruled">
      {taps.map((tap, k) => (
        <tr key={k}>
          <td className="py-0.5">{k + 1}</td>
          <td>{significant(tap.ringMs, 3)}</td>
          <td>{significant(tap.toneHz, 3)}</td>
        </tr>
      ))}
    </tbody>
  </table>
);

/** The recording’s loudness from start to end. */
function Wave({ samples }: { samples: Float32Array }) {
  const path = useMemo(() => {
    const columns = 300;
    const per = Math.max(1, Math.floor(samples.length / columns));
    return Array.from({ length: columns }, (_, k) => {
      let peak = 0;
      for (let i = k * per; i < Math.min(samples.length, (k + 1) * per); i++)
        peak = Math.max(peak, Math.abs(samples[i]!));
      return `M${k} ${30 - 28 * peak}V${30 + 28 * peak}`;
    }).join('');
  }, [samples]);
  return (
    <svg viewBox="0 0 300 60" className="my-1 h-14 w-full" preserveAspectRatio="none" aria-hidden>
      <path d={path} stroke="var(--slate)" strokeWidth="1" />
    </svg>
  );
}

function KeptTests() {
  const { file } = useRecords();
  const { system } = useReader();
  const [striking, setStriking] = useState<TapTest>();
  const tests = stands(file, 'tap');
  if (tests.length === 0) return null;
  const where = ({ memberId, stationMm }: TapTest['good']) =>
    `${memberOf(file.frame, memberId)?.name.toLowerCase()} ${stationDigits(memberOf(file.frame, memberId) ?? {}, stationMm, system)} ${system}`;
  return (
    <section className="mt-4 border-t border-rule pt-2" aria-label="Tests kept">
      <h3 className="font-semibold">Tests kept: {tests.length}</h3>
      <ul className="ruled">
        {[...tests].reverse().map((test) => (
          <li key={test.id} className="flex flex-wrap items-center gap-x-3">
            <span className="font-bold">{test.answer}</span>
            <span>
              {where(test.doubtful)} against {where(test.good)}
            </span>
            <span className="caption">
              {test.heardBy}; {test.by} <When at={test.at} only="day" />
            </span>
            <button type="button" className="hit ml-auto px-2 underline" onClick={() => setStriking(test)}>
              strike
            </button>
          </li>
        ))}
      </ul>
      <StrikeSheet
        struck={striking && { id: striking.id, words: `The tap test at ${where(striking.doubtful)}` }}
        onClose={() => setStriking(undefined)}
      />
    </section>
  );
}
