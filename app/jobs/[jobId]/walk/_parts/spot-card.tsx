'use client';

import { memberOf } from '@/core/frame';
import {
  isDoubtful,
  isFailed,
  isOnlyTold,
  LOOK_ON,
  WAYS,
  type Look,
  type LookOn,
  type SpotState,
  type Way,
} from '@/core/walk';
import { When } from '@/ui/controls';
import { ToggleGroup } from 'radix-ui';
import { TOUR_WORDS, unseenWords } from '../../../../_words/walk';
import { useReader, useRecords } from '../../../_desk';
import { AsBuiltHere } from './as-built-here';
import { ComesInHere } from './comes-in-here';
import { FailedHere } from './failed-here';
import { printStation } from '../../../../_words/station';

export function Spot({
  state,
  number,
  of,
  onStep,
  onStrike,
}: {
  state: SpotState;
  number: number;
  of: number;
  onStep: (by: number) => void;
  onStrike: () => void;
}) {
  return (
    <section className="border-y-2 border-ink bg-sheet px-3 py-2" aria-label="This spot">
      <div className="flex items-start gap-2">
        <Step label="The spot before" sign="‹" onStep={() => onStep(-1)} />
        <Card spot={state.spot} count={`${number} of ${of}`} />
        <Step label="The next spot" sign="›" onStep={() => onStep(1)} />
      </div>
      <p className="flex min-h-[44px] flex-wrap items-center gap-x-3 border-t border-rule" aria-live="polite">
        <Said state={state} onStrike={onStrike} />
      </p>
    </section>
  );
}

const Step = ({ label, sign, onStep }: { label: string; sign: string; onStep: () => void }) => (
  <button
    type="button"
    className="plain min-h-[64px]! w-12 shrink-0 px-0! text-2xl"
    aria-label={label}
    onClick={onStep}
  >
    {sign}
  </button>
);

/** What is looked at there and where it is, with all that is known of such a place. */
function Card({ spot, count }: { spot: SpotState['spot']; count: string }) {
  const { file } = useRecords();
  const mended = file.mendedBefore?.find(
    ({ memberId, fromMm, toMm }) =>
      memberId === spot.memberId && fromMm <= spot.fromMm! && toMm >= spot.toMm!,
  );
  return (
    <div className="min-h-[112px] min-w-0 flex-1">
      <p className="caption">
        {count}, {TOUR_WORDS[spot.tour].toLowerCase()}
        {spot.critical && ', critical'}
        {spot.from !== 'trade' && `, ${spot.from === 'shop' ? 'the shop’s own' : 'learned here'}`}
      </p>
      <h2 className="letters-23 font-bold leading-tight">{spot.title}</h2>
      <p>
        {spot.look}
        <Stations spot={spot} />
      </p>
      <FailedHere spot={spot} />
      <ComesInHere spot={spot} />
      <AsBuiltHere memberId={spot.memberId} fromMm={spot.fromMm} toMm={spot.toMm} />
      {mended && (
        <p className="font-semibold">
          Renewed here by an earlier job, <When at={mended.at} only="day" />: its patch is as made.
        </p>
      )}
      {spot.needs.length > 0 && (
        <p className="caption">From outside it cannot be seen: {spot.needs.join(', ')}.</p>
      )}
    </div>
  );
}

function Stations({ spot: { memberId, fromMm, toMm } }: { spot: SpotState['spot'] }) {
  const { system } = useReader();
  const { file } = useRecords();
  if (fromMm === undefined) return null;
  const member = memberId === undefined ? undefined : memberOf(file.frame, memberId);
  const at = (mm: number) => printStation(member ?? {}, mm, system);
  return (
    <span className="caption">
      {' '}
      {toMm! - fromMm > 200 ? `stations ${at(fromMm)} to ${at(toMm!)}` : `station ${at(fromMm)}`}
    </span>
  );
}

/** What was said of it last, and whether that counts as seen. */
function Said({
  state: { look, since, seen, why, measured, ofMember, ofFitting },
  onStrike,
}: {
  state: SpotState;
  onStrike: () => void;
}) {
  if (!look)
    return measured ? (
      <span>Read here with a gauge; not looked at yet.</span>
    ) : (
      <span className="text-soft">Not looked at yet.</span>
    );
  const besides = ofMember ?? ofFitting;
  const isBad = look.result !== 'not seen' && isDoubtful(look.result);
  return (
    <>
      <span className={`text-lg font-bold ${isBad ? 'text-oxide' : ''}`}>
        {look.result}
        {look.on && `, ${ON_WORDS[look.on]}`}
      </span>
      <span className="caption">
        {look.why ? unseenWords(look.why) : look.ways.join(', ')}
        {look.note && `; ${look.note}`}
        {look.cause && `; ${look.cause}`}; {look.by} <When at={look.at} only="day" />
      </span>
      {!seen && look.result !== 'not seen' && (
        <span className="font-semibold text-oxide">does not count as seen: {unseenWords(why!)}</span>
      )}
      <button type="button" className="hit ml-auto px-2 underline" onClick={onStrike}>
        strike
      </button>
      {besides?.look && (
        <span className="basis-full pb-1">
          And {besides === ofMember ? ON_WORDS.member : ON_WORDS.fitting}: <b>{besides.look.result}</b>.
        </span>
      )}
      {isBad && since && (
        <span className="basis-full pb-1">
          Said since: <b>{since.at(-1)!.result}</b>. That does not answer it: it stands until {endOf(look)}.
        </span>
      )}
    </>
  );
}

/** What takes a bad result away again. */
function endOf({ result, ways }: Look): string {
  if (isOnlyTold(ways)) return 'somebody looks';
  const byWork = 'it is put right, or struck through with a reason';
  return isFailed(result) ? byWork : `it is struck or felt again, or ${byWork}`;
}

export function Ways({ ways, onChange }: { ways: readonly Way[]; onChange: (ways: readonly Way[]) => void }) {
  return (
    <div className="mt-2">
      <p className="caption" id="ways">
        by
      </p>
      <ToggleGroup.Root
        type="multiple"
        aria-labelledby="ways"
        value={[...ways]}
        onValueChange={(next) => onChange(next as Way[])}
        className="flex flex-wrap"
      >
        {WAYS.map((way) => (
          <ToggleGroup.Item key={way} value={way} className="plain -ml-px px-2.5! first:ml-0">
            {way}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
    </div>
  );
}

const ON_WORDS: Readonly<Record<LookOn | 'both', string>> = {
  both: 'both',
  fitting: 'the bracket, mount or joint',
  member: 'the rail or member',
};

/** Whether a result is of the bracket, of what it hangs on, or of both: a cracked hanger does not condemn a sound rail. */
export function FoundOn({
  on,
  onChange,
}: {
  on: LookOn | undefined;
  onChange: (on: LookOn | undefined) => void;
}) {
  return (
    <div className="mt-2">
      <p className="caption" id="found-on">
        found on
      </p>
      <ToggleGroup.Root
        type="single"
        aria-labelledby="found-on"
        value={on ?? 'both'}
        onValueChange={(next) => next && onChange(next === 'both' ? undefined : (next as LookOn))}
        className="flex flex-wrap"
      >
        {(['both', ...LOOK_ON] as const).map((each) => (
          <ToggleGroup.Item key={each} value={each} className="plain -ml-px px-2.5! first:ml-0">
            {ON_WORDS[each]}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
    </div>
  );
}
