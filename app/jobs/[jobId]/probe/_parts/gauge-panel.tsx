'use client';

import { stands } from '@/core/job';
import { useEffect, useImperativeHandle, useState, type Ref } from 'react';
import { toast } from 'sonner';
import {
  doubtfulReadings,
  driftMm,
  hasDrifted,
  POOR_QUALITY,
  STEEL_VELOCITY_MPS,
  temperatureCorrectedMm,
  type Calibration,
} from '@/core/probe';
import type { Problem } from '@/core/exchange';
import { lengthDigits, printLength } from '@/core/quantity';
import { Choice, Entry, useOneByOne, When } from '@/ui/controls';
import { useMember, usePlace, useReader, useRecords, useStamp } from '../../../_desk';
import { useGauge } from './use-gauge';
import { printStation } from '../../../../_words/station';

export interface GaugeHandle {
  readonly take: () => void;
}

/** Steps of the block the gauge is set on, mm. */
const STEPS_MM = [2, 5, 10] as const;
const WORDS = {
  off: 'not connected',
  connecting: 'connecting…',
  on: 'connected',
  gone: 'gone: unplugged or switched off',
} as const;

type Gauge = ReturnType<typeof useGauge>;

/** How the gauge is set, as typed; what it can be told is told it at once. */
function useSettings({ ask }: Gauge) {
  const [mode, setMode] = useState<'single' | 'echo'>('single');
  const [velocity, setVelocity] = useState(String(STEEL_VELOCITY_MPS));
  const [temperature, setTemperature] = useState('20');
  const chooseMode = (next: 'single' | 'echo') => {
    setMode(next);
    void ask({ does: 'mode', mode: next });
  };
  const typeVelocity = (text: string) => {
    setVelocity(text);
    const mps = Number(text);
    if (mps >= 3000 && mps <= 8000) void ask({ does: 'velocity', mps });
  };
  return { mode, chooseMode, velocity, typeVelocity, temperature, setTemperature };
}
type Settings = ReturnType<typeof useSettings>;

/** The simulated gauge is told where it is held; a real one stands there. */
function usePlacing({ state, ask }: Gauge, onBlock: boolean) {
  const { file } = useRecords();
  const { member } = useMember();
  const { cursor } = usePlace();
  useEffect(() => {
    if (state !== 'on' || onBlock) return;
    const { stationMm, face, heightMm } = cursor;
    const at = { jobId: file.job.id, memberId: member.id, stationMm, face, heightMm };
    const timer = setTimeout(() => void ask({ does: 'place', ...at }), 120);
    return () => clearTimeout(timer);
  }, [state, onBlock, ask, file.job.id, member.id, cursor]);
}

/** Takes what the gauge says as a reading at the cursor, corrected for how warm the steel is. */
function useTaking(gauge: Gauge, temperatureC: number, onTaken: (thicknessMm: number) => void) {
  const { file, keep } = useRecords();
  const { member } = useMember();
  const { cursor } = usePlace();
  const stamp = useStamp();
  return async () => {
    if (gauge.state !== 'on')
      return void toast.info('No gauge is connected', {
        description: 'Connect it below, or type the thickness.',
      });
    const { stationMm, face, heightMm } = cursor;
    const said = await gauge.read();
    if (!said)
      return void toast.error('The gauge did not answer', {
        description: 'Nothing was recorded; what was recorded before stands.',
      });
    if (said.says !== 'reading')
      return void toast.warning('No echo here', {
        description:
          'Nothing was recorded. More couplant, another angle; or it is rusted through: x records a hole.',
      });
    const thicknessMm = temperatureCorrectedMm(said.thicknessMm, temperatureC);
    const isPoor = said.quality < POOR_QUALITY;
    const calibration = stands(file, 'calibration').at(-1);
    keep({
      kind: 'reading',
      ...stamp(),
      ...{ memberId: member.id, stationMm, face, heightMm, thicknessMm },
      method: 'ultrasonic',
      note: isPoor ? `poor echo, quality ${said.quality.toFixed(2)}` : '',
      ...(calibration && { calibrationId: calibration.id }),
      ...(gauge.isSimulated && { simulated: true as const }),
    });
    if (isPoor)
      toast.warning('The echo is poor', {
        description: 'A pitted back or a doubled echo: read beside it too.',
      });
    onTaken(thicknessMm);
  };
}

/** The gauge on its block: steps read one by one, kept as its calibration. */
function useCalibrating(gauge: Gauge, { mode, velocity, temperature }: Settings) {
  const { keep } = useRecords();
  const { system } = useReader();
  const stamp = useStamp();
  const [steps, setSteps] = useState<Calibration['steps']>([]);
  const [onBlock, setOnBlock] = useState(false);
  const leave = () => {
    setSteps([]);
    setOnBlock(false);
  };
  const block = async (madeMm: number) => {
    setOnBlock(true);
    await gauge.ask({ does: 'block', stepMm: madeMm });
    const said = await gauge.read();
    if (said?.says !== 'reading')
      return void toast.warning('No echo from the block', { description: 'Nothing was recorded.' });
    const read = { madeMm, readMm: said.thicknessMm };
    setSteps((before) =>
      [...before.filter((step) => step.madeMm !== madeMm), read].sort((a, b) => a.madeMm - b.madeMm),
    );
  };
  const keepIt = () => {
    const record: Calibration = {
      kind: 'calibration',
      ...stamp(),
      gauge: gauge.isSimulated ? 'simulated gauge' : 'gauge',
      ...(gauge.isSimulated && { simulated: true as const }),
      mode: mode === 'single' ? 'single echo' : 'echo to echo',
      steps,
      velocityMps: Number(velocity),
      temperatureC: Number(temperature),
      note: '',
    };
    keep(record);
    leave();
    if (hasDrifted(record))
      toast.warning('The gauge is off on its block', {
        description: `by ${printLength(driftMm(record), system, 'thickness')}. Set it anew; readings since the block before are marked.`,
      });
  };
  return { steps, onBlock, block, keepIt, leave };
}
type Calibrating = ReturnType<typeof useCalibrating>;

/** The thickness gauge: what it shows now, its block readings, and `g` to take a reading at the cursor. */
export function GaugePanel({
  ref,
  onTaken,
}: {
  ref: Ref<GaugeHandle>;
  onTaken: (thicknessMm: number) => void;
}) {
  const { file } = useRecords();
  const gauge = useGauge(file.job.id);
  const settings = useSettings(gauge);
  const calibrating = useCalibrating(gauge, settings);
  usePlacing(gauge, calibrating.onBlock);
  // By a second touch the cursor is where nobody holds the gauge.
  const take = useOneByOne(useTaking(gauge, Number(settings.temperature), onTaken));
  useImperativeHandle(ref, () => ({ take: () => void take() }));
  const calibrations = stands(file, 'calibration');
  const doubtful = doubtfulReadings(stands(file, 'reading'), calibrations).size;
  return (
    <section className="mt-3 border-t border-rule pt-2" aria-label="Gauge">
      <GaugeHead gauge={gauge} calibration={calibrations.at(-1)} onTake={() => void take()} />
      {gauge.refused && <NoGauge problem={gauge.refused} onSimulate={() => void gauge.connect(true)} />}
      {doubtful > 0 && (
        <p className="font-semibold text-oxide">
          {doubtful} {doubtful === 1 ? 'reading was' : 'readings were'} taken with a gauge that had drifted:
          read them again, or strike them.
        </p>
      )}
      {gauge.state === 'on' && (
        <>
          {gauge.nonsense && (
            <p className="caption" role="alert">
              {gauge.nonsense}; passed over.
            </p>
          )}
          <div className="mt-1 grid gap-3 sm:grid-cols-[190px_minmax(0,1fr)]">
            <Live
              shown={gauge.shown}
              temperatureC={Number(settings.temperature)}
              onBlock={calibrating.onBlock}
            />
            <Scan heights={gauge.shown.scan} />
            <div className="flex flex-wrap items-end gap-2 sm:col-span-2">
              <SettingsFields settings={settings} />
              <Block calibrating={calibrating} />
            </div>
          </div>
        </>
      )}
    </section>
  );
}

function GaugeHead({
  gauge: { state, isSimulated, connect, disconnect },
  calibration,
  onTake,
}: {
  gauge: Gauge;
  calibration: Calibration | undefined;
  onTake: () => void;
}) {
  const { system } = useReader();
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
      <h3 className="text-lg font-semibold">Gauge</h3>
      <span role="status" className={state === 'gone' ? 'font-semibold text-oxide' : 'caption'}>
        {WORDS[state]}
      </span>
      {state === 'on' ? (
        <>
          <button type="button" className="solid" onClick={onTake}>
            Take it here <kbd className="border border-current px-1 text-sm">g</kbd>
          </button>
          <button type="button" className="plain" onClick={disconnect}>
            Disconnect
          </button>
        </>
      ) : (
        <button
          type="button"
          className="plain"
          disabled={state === 'connecting'}
          onClick={() => void connect(false)}
        >
          Connect the gauge
        </button>
      )}
      {state === 'on' && isSimulated && (
        <span className="border-2 border-oxide bg-oxide-wash px-2 font-semibold">
          simulated: its readings are invented
        </span>
      )}
      {calibration && (
        <span className="caption">
          set on its block <When at={calibration.at} /> by {calibration.by}, off by{' '}
          {printLength(driftMm(calibration), system, 'thickness')}
        </span>
      )}
    </div>
  );
}

/** What the gauge shows now, and how good its echo is. */
function Live({
  shown: { hasEcho, thicknessMm, quality = 0 },
  temperatureC,
  onBlock,
}: {
  shown: Gauge['shown'];
  temperatureC: number;
  onBlock: boolean;
}) {
  const { system } = useReader();
  const { member } = useMember();
  const { cursor } = usePlace();
  return (
    <div>
      <p className="text-4xl font-bold tabular-nums" aria-label="Live thickness">
        {hasEcho && thicknessMm !== undefined
          ? printLength(temperatureCorrectedMm(thicknessMm, temperatureC), system, 'thickness')
          : 'no echo'}
      </p>
      <div
        className="unseen h-3 border border-edge"
        role="img"
        aria-label={`Echo quality ${Math.round(100 * quality)} percent`}
      >
        <div
          className={`h-full ${hasEcho && quality < POOR_QUALITY ? 'bg-oxide' : 'bg-ink'}`}
          style={{ width: `${100 * (hasEcho ? quality : 0)}%` }}
        />
      </div>
      <p className="caption">
        {onBlock
          ? 'on the block'
          : `at ${printStation(member, cursor.stationMm, system)}, ${printLength(cursor.heightMm, system, 'length')}`}
      </p>
    </div>
  );
}

const SettingsFields = ({ settings }: { settings: Settings }) => (
  <>
    <Choice
      label="Echo mode"
      value={settings.mode}
      options={['single', 'echo'] as const}
      onChange={settings.chooseMode}
      words={(each) => (each === 'single' ? 'single echo' : 'echo to echo, through paint')}
    />
    <Entry
      label="velocity"
      unit="m/s"
      className="w-24"
      inputMode="numeric"
      value={settings.velocity}
      onChange={(event) => settings.typeVelocity(event.target.value)}
    />
    <Entry
      label="steel is at"
      unit="°C"
      className="w-24"
      inputMode="decimal"
      value={settings.temperature}
      onChange={(event) => settings.setTemperature(event.target.value)}
    />
  </>
);

function Block({ calibrating: { steps, onBlock, block, keepIt, leave } }: { calibrating: Calibrating }) {
  const { system } = useReader();
  const readOn = (madeMm: number) => steps.find((step) => step.madeMm === madeMm)?.readMm;
  const digits = (mm: number) => lengthDigits(mm, system, 'thickness');
  return (
    <span className="flex flex-wrap gap-1.5">
      {STEPS_MM.map((madeMm) => (
        <button key={madeMm} type="button" className="plain" onClick={() => void block(madeMm)}>
          block {digits(madeMm)}
          {readOn(madeMm) !== undefined && <span className="caption">reads {digits(readOn(madeMm)!)}</span>}
        </button>
      ))}
      {onBlock && (
        <>
          <button type="button" className="plain" disabled={steps.length < 2} onClick={keepIt}>
            Keep the calibration
          </button>
          <button type="button" className="plain" onClick={leave}>
            Back to the rail
          </button>
        </>
      )}
    </span>
  );
}

/** Why no gauge was opened; and where only the simulated one is to be had, the way to it by hand. */
function NoGauge({ problem, onSimulate }: { problem: Problem; onSimulate: () => void }) {
  return (
    <div className="my-1 border-l-[6px] border-oxide pl-3" role="alert">
      <p className="font-semibold">{problem.message}.</p>
      {problem.at === 'simulated' && (
        <>
          <p>
            The simulated gauge is for trying things out: what it reads is invented, and is marked so wherever
            it is shown or printed. A real one is set up where the server is started (OSSATURA_GAUGE).
          </p>
          <button type="button" className="plain" onClick={onSimulate}>
            Switch on the simulated gauge
          </button>
        </>
      )}
    </div>
  );
}

/** Echo heights over depth: where the back wall answers. */
function Scan({ heights }: { heights: readonly number[] }) {
  const path = heights
    .map(
      (height, k) =>
        `${k === 0 ? 'M' : 'L'}${(k * 300) / Math.max(1, heights.length - 1)} ${60 - 0.58 * height}`,
    )
    .join('');
  return (
    <svg
      viewBox="0 0 300 62"
      className="h-20 w-full border border-rule bg-sheet"
      preserveAspectRatio="none"
      role="img"
      aria-label="A-scan: echo heights over 16 mm of steel"
    >
      <path d={path} fill="none" stroke="var(--slate)" strokeWidth="1.6" vectorEffect="non-scaling-stroke" />
    </svg>
  );
}
