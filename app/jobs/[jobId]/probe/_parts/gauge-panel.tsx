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
import { Choice, Entry, When } from '@/ui/controls';
import { useMember, usePlace, useReader, useRecords } from '../../../_desk';
import { useGauge } from './use-gauge';
import { newId } from '../../../../_client';
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

/** The thickness gauge: what it shows now, its block readings, and `g` to take a reading at the cursor. */
export function GaugePanel({
  ref,
  onTaken,
}: {
  ref: Ref<GaugeHandle>;
  onTaken: (thicknessMm: number) => void;
}) {
  const { file, keep } = useRecords();
  const { system, by } = useReader();
  const { member } = useMember();
  const { cursor } = usePlace();
  const gauge = useGauge(file.job.id);
  const { state, shown, ask } = gauge;
  const [mode, setMode] = useState<'single' | 'echo'>('single');
  const [velocity, setVelocity] = useState(String(STEEL_VELOCITY_MPS));
  const [temperature, setTemperature] = useState('20');
  const [steps, setSteps] = useState<Calibration['steps']>([]);
  const [onBlock, setOnBlock] = useState(false);
  const calibrations = stands(file, 'calibration');
  const calibration = calibrations.at(-1);
  const doubtful = doubtfulReadings(stands(file, 'reading'), calibrations).size;
  const temperatureC = Number(temperature);

  useEffect(() => {
    if (state !== 'on' || onBlock) return;
    const timer = setTimeout(
      () =>
        void ask({
          does: 'place',
          jobId: file.job.id,
          memberId: member.id,
          stationMm: cursor.stationMm,
          face: cursor.face,
          heightMm: cursor.heightMm,
        }),
      120,
    );
    return () => clearTimeout(timer);
  }, [state, onBlock, ask, file.job.id, member.id, cursor]);

  const take = async () => {
    if (state !== 'on')
      return void toast.info('No gauge is connected', {
        description: 'Connect it below, or type the thickness.',
      });
    const spot = {
      memberId: member.id,
      stationMm: cursor.stationMm,
      face: cursor.face,
      heightMm: cursor.heightMm,
    };
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
    keep({
      kind: 'reading',
      id: newId(),
      ...spot,
      thicknessMm,
      method: 'ultrasonic',
      note: said.quality < POOR_QUALITY ? `poor echo, quality ${said.quality.toFixed(2)}` : '',
      by: by.trim() || 'unnamed',
      at: new Date().toISOString(),
      ...(calibration && { calibrationId: calibration.id }),
      ...(gauge.isSimulated && { simulated: true as const }),
    });
    if (said.quality < POOR_QUALITY)
      toast.warning('The echo is poor', {
        description: 'A pitted back or a doubled echo: read beside it too.',
      });
    onTaken(thicknessMm);
  };
  useImperativeHandle(ref, () => ({ take: () => void take() }));

  const block = async (madeMm: number) => {
    setOnBlock(true);
    await ask({ does: 'block', stepMm: madeMm });
    const said = await gauge.read();
    if (said?.says !== 'reading')
      return void toast.warning('No echo from the block', { description: 'Nothing was recorded.' });
    setSteps((before) =>
      [...before.filter((step) => step.madeMm !== madeMm), { madeMm, readMm: said.thicknessMm }].sort(
        (a, b) => a.madeMm - b.madeMm,
      ),
    );
  };
  const keepCalibration = () => {
    const record: Calibration = {
      kind: 'calibration',
      id: newId(),
      gauge: gauge.isSimulated ? 'simulated gauge' : 'gauge',
      ...(gauge.isSimulated && { simulated: true as const }),
      mode: mode === 'single' ? 'single echo' : 'echo to echo',
      steps,
      velocityMps: Number(velocity),
      temperatureC,
      note: '',
      by: by.trim() || 'unnamed',
      at: new Date().toISOString(),
    };
    keep(record);
    setSteps([]);
    setOnBlock(false);
    if (hasDrifted(record))
      toast.warning('The gauge is off on its block', {
        description: `by ${printLength(driftMm(record), system, 'thickness')}. Set it anew; readings since the block before are marked.`,
      });
  };
  const settings = (next: { velocity?: string; mode?: 'single' | 'echo' }) => {
    if (next.mode) {
      setMode(next.mode);
      void ask({ does: 'mode', mode: next.mode });
    }
    if (next.velocity !== undefined) {
      setVelocity(next.velocity);
      const mps = Number(next.velocity);
      if (mps >= 3000 && mps <= 8000) void ask({ does: 'velocity', mps });
    }
  };

  return (
    <section className="mt-3 border-t border-rule pt-2" aria-label="Gauge">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <h3 className="text-lg font-semibold">Gauge</h3>
        <span role="status" className={state === 'gone' ? 'font-semibold text-oxide' : 'caption'}>
          {WORDS[state]}
        </span>
        {state === 'on' ? (
          <>
            <button type="button" className="solid" onClick={() => void take()}>
              Take it here <kbd className="border border-current px-1 text-sm">g</kbd>
            </button>
            <button type="button" className="plain" onClick={gauge.disconnect}>
              Disconnect
            </button>
          </>
        ) : (
          <button
            type="button"
            className="plain"
            disabled={state === 'connecting'}
            onClick={() => void gauge.connect(false)}
          >
            Connect the gauge
          </button>
        )}
        {state === 'on' && gauge.isSimulated && (
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
      {gauge.refused && <NoGauge problem={gauge.refused} onSimulate={() => void gauge.connect(true)} />}
      {doubtful > 0 && (
        <p className="font-semibold text-oxide">
          {doubtful} {doubtful === 1 ? 'reading was' : 'readings were'} taken with a gauge that had drifted:
          read them again, or strike them.
        </p>
      )}
      {gauge.nonsense && state === 'on' && (
        <p className="caption" role="alert">
          {gauge.nonsense}; passed over.
        </p>
      )}
      {state === 'on' && (
        <div className="mt-1 grid gap-3 sm:grid-cols-[190px_minmax(0,1fr)]">
          <div>
            <p className="text-4xl font-bold tabular-nums" aria-label="Live thickness">
              {shown.hasEcho && shown.thicknessMm !== undefined
                ? printLength(temperatureCorrectedMm(shown.thicknessMm, temperatureC), system, 'thickness')
                : 'no echo'}
            </p>
            <div
              className="unseen h-3 border border-edge"
              role="img"
              aria-label={`Echo quality ${Math.round(100 * (shown.quality ?? 0))} percent`}
            >
              <div
                className={`h-full ${shown.hasEcho && (shown.quality ?? 0) < POOR_QUALITY ? 'bg-oxide' : 'bg-ink'}`}
                style={{ width: `${100 * (shown.hasEcho ? (shown.quality ?? 0) : 0)}%` }}
              />
            </div>
            <p className="caption">
              {onBlock
                ? 'on the block'
                : `at ${printStation(member, cursor.stationMm, system)}, ${printLength(cursor.heightMm, system, 'length')}`}
            </p>
          </div>
          <Scan heights={shown.scan} />
          <div className="flex flex-wrap items-end gap-2 sm:col-span-2">
            <Choice
              label="Echo mode"
              value={mode}
              options={['single', 'echo'] as const}
              onChange={(next) => settings({ mode: next })}
              words={(each) => (each === 'single' ? 'single echo' : 'echo to echo, through paint')}
            />
            <Entry
              label="velocity"
              unit="m/s"
              className="w-24"
              inputMode="numeric"
              value={velocity}
              onChange={(event) => settings({ velocity: event.target.value })}
            />
            <Entry
              label="steel is at"
              unit="°C"
              className="w-24"
              inputMode="decimal"
              value={temperature}
              onChange={(event) => setTemperature(event.target.value)}
            />
            <span className="flex flex-wrap gap-1.5">
              {STEPS_MM.map((madeMm) => (
                <button key={madeMm} type="button" className="plain" onClick={() => void block(madeMm)}>
                  block {lengthDigits(madeMm, system, 'thickness')}
                  {steps.find((step) => step.madeMm === madeMm) && (
                    <span className="caption">
                      reads{' '}
                      {lengthDigits(
                        steps.find((step) => step.madeMm === madeMm)!.readMm,
                        system,
                        'thickness',
                      )}
                    </span>
                  )}
                </button>
              ))}
              {onBlock && (
                <button type="button" className="plain" disabled={steps.length < 2} onClick={keepCalibration}>
                  Keep the calibration
                </button>
              )}
              {onBlock && (
                <button
                  type="button"
                  className="plain"
                  onClick={() => {
                    setOnBlock(false);
                    setSteps([]);
                  }}
                >
                  Back to the rail
                </button>
              )}
            </span>
          </div>
        </div>
      )}
    </section>
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
