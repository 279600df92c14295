'use client';

import { useCallback, useState, type KeyboardEvent } from 'react';
import { toast } from 'sonner';
import { standing, type Spot } from '@/core/frame';
import { recorded, stands } from '@/core/job';
import { percent, printLength } from '@/core/quantity';
import {
  crackedShare,
  crackFamilies,
  crackLengthMm,
  cracksAsSeen,
  familyLengthMm,
  looksAt,
  type Crack,
} from '@/core/trace';
import { When } from '@/ui/controls';
import { DraftLayer, faceWords, type StripScale } from '@/ui/strip';
import { CAUTIONS } from '../../../../_words/cautions';
import { useDraft } from '../../../../_parts/remembered';
import { printStation, stationDigits } from '../../../../_words/station';
import {
  ArrestPanel,
  Bench,
  MemberStrip,
  StrikeSheet,
  useMember,
  useOnMember,
  usePlace,
  useReader,
  useRecords,
} from '../../../_desk';
import { AlignmentPanel } from './alignment-panel';
import { CrackPhotos } from './crack-photos';
import { CrackForm, draftSchema, NEW_CRACK } from './crack-form';
import { Elsewhere } from './elsewhere';
import { GrowthPanel } from './growth-panel';
import { LoadTestPanel } from './load-test-panel';
import { LookForm } from './look-form';
import { LooksTable } from './looks-table';
import { MayMovePanel } from './may-move';
import { TemporaryPanel } from './temporary-panel';
import { TwinPrompt } from './twin-prompt';
import { usePutRight } from './use-put-right';

/** A crack while it is traced along the Strip: kept through a reload, each point by touch or by key. */
function useTracing() {
  const { file } = useRecords();
  const { member } = useMember();
  const { cursor } = usePlace();
  const [draft, setDraft] = useDraft(`ossatura-crack-${file.job.id}-${member.id}`, draftSchema);
  const addHere = useCallback(
    (spot: Spot) =>
      draft &&
      setDraft({
        ...draft,
        path: [...draft.path, { stationMm: spot.stationMm, face: spot.face, heightMm: spot.heightMm }],
      }),
    [draft, setDraft],
  );
  /** A crack with points is thrown away only by whoever says so twice. */
  const leave = useCallback(() => {
    if (!draft || draft.path.length === 0) return setDraft(undefined);
    toast.warning(`${draft.path.length} points of this crack are not kept yet`, {
      action: { label: 'Throw them away', onClick: () => setDraft(undefined) },
      duration: 10_000,
    });
  }, [draft, setDraft]);
  const onKey = useCallback(
    (event: KeyboardEvent) => {
      if (!draft) {
        if (event.key !== 'k') return false;
        setDraft(NEW_CRACK);
        return true;
      }
      if (event.key === 'Enter') addHere(cursor);
      else if (event.key === 'Backspace') setDraft({ ...draft, path: draft.path.slice(0, -1) });
      else if (event.key === 'Escape') leave();
      else return false;
      return true;
    },
    [draft, setDraft, cursor, addHere, leave],
  );
  const over = useCallback(
    (scale: StripScale) => (draft ? <DraftLayer member={member} path={draft.path} scale={scale} /> : null),
    [draft, member],
  );
  return { draft, setDraft, addHere, onKey, over };
}

/** The member's cracks, in their families, and which of them is open: the first, until somebody closes it. */
function useShownCrack() {
  const { file } = useRecords();
  const { member } = useMember();
  const { cracks: seen } = useOnMember();
  const [chosen, setChosen] = useState<string>();
  const cracks = recorded(file, 'crack').filter((crack) => crack.memberId === member.id);
  const upright = standing(cracks, file.strikes);
  const families = crackFamilies(member.shape, seen);
  const shown = chosen === undefined ? upright[0] : upright.find(({ id }) => id === chosen);
  const familyOf = (id: string | undefined) =>
    families.find((family) => family.some((each) => each.id === id));
  const turn = (id: string) => setChosen(id === shown?.id ? '' : id);
  return { cracks, upright, families, familyOf, shown, turn };
}
type ShownCrack = ReturnType<typeof useShownCrack>;

export function TraceBench() {
  const { draft, setDraft, addHere, onKey, over } = useTracing();
  const of = useShownCrack();
  const { shown, familyOf } = of;
  const [kept, setKept] = useState<Crack>();
  const shownFamily = familyOf(shown?.id)?.map(({ id }) => id);
  return (
    <Bench>
      <MayMovePanel />
      <MemberStrip
        readings={false}
        over={over}
        onKey={onKey}
        {...(shownFamily && { chosenCracks: shownFamily })}
        {...(draft && { onPlace: addHere })}
      />
      {draft ? (
        <CrackForm draft={draft} setDraft={setDraft} addHere={addHere} onKept={setKept} />
      ) : (
        <div className="mt-3 flex flex-wrap items-center gap-3">
          <button type="button" className="solid" onClick={() => setDraft(NEW_CRACK)}>
            Record a crack
          </button>
          <span className="caption">
            then touch the Strip along it, end to end; or move with the arrows and press Enter at each point
          </span>
        </div>
      )}
      {kept && !draft && <TwinPrompt crack={kept} onDone={() => setKept(undefined)} />}
      <Cracks of={of} />
      {shown && <CrackPanel key={shown.id} crack={shown} />}
      <AlignmentPanel />
      <Elsewhere />
      <LoadTestPanel />
      <TemporaryPanel />
    </Bench>
  );
}

function Cracks({ of: { cracks, upright, families, familyOf, shown, turn } }: { of: ShownCrack }) {
  const { member, setCursor } = useMember();
  return (
    <section className="mt-4 border-t border-rule pt-2" aria-label="Cracks">
      <h3 className="text-lg font-semibold">
        Cracks on {member.name.toLowerCase()}: {upright.length}
        {families.length < upright.length &&
          ` in ${families.length} ${families.length === 1 ? 'family' : 'families'}`}
      </h3>
      {cracks.length === 0 && (
        <p className="text-xl">
          None recorded. Clean to bare metal at old welds, hangers and sharp plate ends, dye, and look on the
          diagonal twin too.
        </p>
      )}
      <ul className="ruled">
        {inFamilies(cracks, families).map((crack) => (
          <CrackLine
            key={crack.id}
            crack={crack}
            family={familyOf(crack.id)}
            isShown={crack.id === shown?.id}
            onShow={() => {
              const { stationMm, face, heightMm } = crack.path[0]!;
              turn(crack.id);
              setCursor({ stationMm, face, heightMm });
            }}
          />
        ))}
      </ul>
      {upright.length > 0 && <p className="caution mt-3">{CAUTIONS.crack}</p>}
    </section>
  );
}

/** A family's cracks beside one another, struck ones last. */
function inFamilies(cracks: readonly Crack[], families: readonly (readonly Crack[])[]): Crack[] {
  const order = families.flat().map(({ id }) => id);
  const rank = ({ id }: Crack) => (order.includes(id) ? order.indexOf(id) : order.length);
  return [...cracks].sort((a, b) => rank(a) - rank(b));
}

/** One crack in the list, as it was seen last; a family is said once, at its longest. */
function CrackLine({
  crack,
  family,
  isShown,
  onShow,
}: {
  crack: Crack;
  family: readonly Crack[] | undefined;
  isShown: boolean;
  onShow: () => void;
}) {
  const { file } = useRecords();
  const { system } = useReader();
  const { member } = useMember();
  const { cracks } = useOnMember();
  const [striking, setStriking] = useState(false);
  const strike = file.strikes.find(({ evidenceId }) => evidenceId === crack.id);
  const [seen] = cracksAsSeen(file.frame, [crack], strike ? [] : stands(file, 'crack look'));
  const first = crack.path[0]!;
  const where = `${printStation(member, first.stationMm, system)}, ${faceWords(member, first.face)}`;
  const share = strike ? 0 : crackedShare(member.shape, seen!, cracks);
  return (
    <li className={`flex flex-wrap items-center gap-x-5 py-1 ${strike ? 'text-soft line-through' : ''}`}>
      <span className="text-xl font-semibold">
        {printLength(crackLengthMm(member.shape, seen!.path), system, 'length')}
      </span>
      <span>
        from station {stationDigits(member, first.stationMm, system)},{' '}
        {[...new Set(seen!.path.map((spot) => faceWords(member, spot.face)))].join(' and ')}
        {family && family.length > 1 && family[0]!.id === crack.id && <FamilyWords family={family} />}
        {share > 0 && <span className="caption"> parts {percent(share)} of the outline there</span>}
      </span>
      <span className={seen!.startFound && seen!.finishFound ? '' : 'font-semibold text-oxide'}>
        {endsWords(seen!)}
      </span>
      {!strike && <PutRight crack={crack} />}
      <SeenWords crack={crack} looks={looksAt(stands(file, 'crack look'), crack.id).length} />
      {strike ? (
        <span className="caption no-underline">
          struck by {strike.by}: {strike.why}
        </span>
      ) : (
        <CrackActs isShown={isShown} onShow={onShow} onStrike={() => setStriking(true)} />
      )}
      <StrikeSheet
        struck={striking ? { id: crack.id, words: `The crack at station ${where}` } : undefined}
        onClose={() => setStriking(false)}
      />
    </li>
  );
}

const PutRight = ({ crack }: { crack: Crack }) =>
  usePutRight(crack) ? <span className="font-semibold text-good">put right since</span> : null;

function FamilyWords({ family }: { family: readonly Crack[] }) {
  const { system } = useReader();
  const { member } = useMember();
  return (
    <span className="font-semibold">
      ; a family of {family.length}, {printLength(familyLengthMm(member.shape, family), system, 'length')} in
      all
    </span>
  );
}

/** What was noted of a crack, how and by whom, and how often it was looked at since. */
const SeenWords = ({ crack, looks }: { crack: Crack; looks: number }) => (
  <span className="caption">
    {[crack.startsAt, crack.depth, ...(crack.signs ?? []), crack.branchOf && 'a branch']
      .filter(Boolean)
      .join(', ')}{' '}
    {crack.seenBy}; {crack.by}, <When at={crack.at} only="day" />
    {looks > 0 && `; ${looks + 1} looks`}
    {crack.note && `; ${crack.note}`}
  </span>
);

const CrackActs = ({
  isShown,
  onShow,
  onStrike,
}: {
  isShown: boolean;
  onShow: () => void;
  onStrike: () => void;
}) => (
  <span className="ml-auto whitespace-nowrap">
    <button type="button" className="hit px-2 underline" aria-expanded={isShown} onClick={onShow}>
      {isShown ? 'close' : 'show'}
    </button>
    <button type="button" className="hit px-2 underline" onClick={onStrike}>
      strike
    </button>
  </span>
);

function endsWords({ startFound, finishFound, startUnder, finishUnder }: Crack): string {
  if (startFound && finishFound) return 'both ends found';
  const under = (!startFound && startUnder) || (!finishFound && finishUnder);
  const open = startFound || finishFound ? 'one end not found' : 'neither end found';
  return under ? `${open}, runs under something` : open;
}

/** Everything known of one crack: its looks, how it goes on, what would stop it. */
function CrackPanel({ crack }: { crack: Crack }) {
  const { file } = useRecords();
  const [isLooking, setLooking] = useState(false);
  const all = looksAt(recorded(file, 'crack look'), crack.id);
  const looks = standing(all, file.strikes);
  const [seen] = cracksAsSeen(file.frame, [crack], looks);
  return (
    <section className="mt-4 border-t-2 border-ink pt-2" aria-label="This crack">
      <div className="flex flex-wrap items-center gap-3">
        <h3 className="text-xl font-semibold">Looks at this crack</h3>
        {!isLooking && (
          <button type="button" className="solid" onClick={() => setLooking(true)}>
            Look again
          </button>
        )}
      </div>
      {isLooking && <LookForm crack={crack} looks={looks} onDone={() => setLooking(false)} />}
      <LooksTable crack={crack} looks={all} />
      <CrackPhotos crack={crack} />
      <GrowthPanel crack={crack} looks={looks} />
      <ArrestPanel crack={seen!} />
    </section>
  );
}
