'use client';

import { laidAndHeld, recorded, seamLedger } from '@/core/job';
import { useState } from 'react';
import { facesOf, memberOf } from '@/core/frame';
import {
  fail,
  lengthDigits,
  newtonsToLbf,
  ok,
  parseLengthMm,
  printStress,
  significant,
} from '@/core/quantity';
import { boltGrade, proofLoadN } from '@/core/reference';
import {
  CAUSES,
  checkSign,
  SIGN_KINDS,
  signWeight,
  type Cause,
  type Sign,
  type SignDetail,
  type SignKind,
} from '@/core/walk';
import { Entry, Pick, When } from '@/ui/controls';
import { faceWords, SignMark } from '@/ui/strip';
import { heldWords } from '../../../../_words/rail';
import { SIGN_WORDS, signWords } from '../../../../_words/walk';
import {
  MemberStrip,
  StrikeSheet,
  useMember,
  usePlace,
  useReader,
  useRecords,
  useStamp,
  useWork,
} from '../../../_desk';
import { AtTheSpot } from './at-the-spot';
import { ASKED, readSign, SIGN_FIELDS, type SignTyped, turnedSign } from './sign-fields';
import { printStation, stationDigits, parseStationMm } from '../../../../_words/station';
import { useUnitTurn, eachText } from '../../../../_parts/turned';

/** Evidence beyond thickness, hung where it was found and drawn on Strip and Skeleton. */
export function SignsPart() {
  const { file } = useRecords();
  const { system } = useReader();
  const { member, setCursor } = useMember();
  const [striking, setStriking] = useState<Sign>();
  const strikes = new Map(file.strikes.map((strike) => [strike.evidenceId, strike]));
  const all = recorded(file, 'sign');
  const own = all.filter((sign) => sign.memberId === member.id);
  const elsewhere = all.filter((sign) => sign.memberId !== member.id && !strikes.has(sign.id));
  return (
    <div>
      <MemberStrip height={300} />
      <AtTheSpot />
      <SignForm />
      <section className="mt-4" aria-label="Signs">
        <h3 className="text-lg font-semibold">
          Signs on {member.name.toLowerCase()}: {own.filter((sign) => !strikes.has(sign.id)).length}
        </h3>
        {own.length === 0 && <p>None yet. Touch the Strip where something is, say what, keep it.</p>}
        <ul className="ruled">
          {own.map((sign) => (
            <SignLine
              key={sign.id}
              sign={sign}
              struck={strikes.get(sign.id)}
              onStrike={setStriking}
              onShow={() =>
                setCursor({ stationMm: sign.stationMm, face: sign.face, heightMm: sign.heightMm })
              }
            />
          ))}
        </ul>
        {elsewhere.length > 0 && <Elsewhere signs={elsewhere} />}
        <Legend />
      </section>
      <StrikeSheet
        struck={
          striking && {
            id: striking.id,
            words: `${SIGN_WORDS[striking.detail.sign]}: ${signWords(striking.detail, system)}`,
          }
        }
        onClose={() => setStriking(undefined)}
      />
    </div>
  );
}

/** Signs on members that are not in sight; a press goes there. */
function Elsewhere({ signs }: { signs: readonly Sign[] }) {
  const { file } = useRecords();
  const { system } = useReader();
  const { selectMember } = useMember();
  return (
    <details className="mt-2">
      <summary className="hit flex items-center font-semibold">On other members: {signs.length}</summary>
      <ul className="ruled">
        {signs.map((sign) => (
          <li key={sign.id} className="flex min-h-[44px] flex-wrap items-center gap-x-3">
            <button type="button" className="hit underline" onClick={() => selectMember(sign.memberId)}>
              {memberOf(file.frame, sign.memberId)?.name ?? sign.memberId}
            </button>
            <span>
              {SIGN_WORDS[sign.detail.sign]}: {signWords(sign.detail, system)}
            </span>
          </li>
        ))}
      </ul>
    </details>
  );
}

const mark = (weight: ReturnType<typeof signWeight>) => (
  <svg width="22" height="22" viewBox="-11 -11 22 22" aria-hidden className="inline-block shrink-0">
    <SignMark weight={weight} />
  </svg>
);
const LEGEND = {
  failed: 'failed',
  doubtful: 'doubtful',
  hides: 'hides metal',
  holds: 'holds it together',
  note: 'noted',
  sound: 'sound',
} as const;
const Legend = () => (
  <p className="caption mt-2 flex flex-wrap items-center gap-x-3">
    {(Object.keys(LEGEND) as (keyof typeof LEGEND)[]).map((weight) => (
      <span key={weight} className="inline-flex items-center gap-1">
        {mark(weight)} {LEGEND[weight]}
      </span>
    ))}
  </p>
);

function SignLine({
  sign,
  struck,
  onStrike,
  onShow,
}: {
  sign: Sign;
  struck: { by: string; why: string } | undefined;
  onStrike: (sign: Sign) => void;
  onShow: () => void;
}) {
  const { system } = useReader();
  const { member } = useMember();
  return (
    <li className={`flex flex-wrap items-center gap-x-3 py-1 ${struck ? 'text-soft line-through' : ''}`}>
      {mark(signWeight(sign.detail))}
      <span className="font-semibold">{SIGN_WORDS[sign.detail.sign]}</span>
      <span>{signWords(sign.detail, system)}</span>
      <span className="caption">
        {stationDigits(member, sign.stationMm, system)}
        {sign.toMm !== undefined && ` to ${stationDigits(member, sign.toMm, system)}`} {system},{' '}
        {faceWords(member, sign.face)}
        {sign.cause && `; ${sign.cause}`}
        {sign.note && `; ${sign.note}`}; {sign.by} <When at={sign.at} only="day" />
      </span>
      <BoltSays detail={sign.detail} />
      {struck ? (
        <span className="caption no-underline">
          struck by {struck.by}: {struck.why}
        </span>
      ) : (
        <span className="ml-auto whitespace-nowrap">
          <button type="button" className="hit px-2 underline" onClick={onShow}>
            show
          </button>
          <button type="button" className="hit px-2 underline" onClick={() => onStrike(sign)}>
            strike
          </button>
        </span>
      )}
    </li>
  );
}

/** What a bolt's head marks say it is good for. */
function BoltSays({ detail }: { detail: SignDetail }) {
  const { system } = useReader();
  if (
    detail.sign !== 'fastener' ||
    detail.is !== 'bolt' ||
    detail.marks === undefined ||
    detail.sizeMm === undefined
  )
    return null;
  const grade = boltGrade(detail.marks, detail.sizeMm);
  if (!grade) return <span className="caption">head marks of no inch grade</span>;
  const proof = proofLoadN(detail.marks, detail.sizeMm);
  return (
    <span className="caption">
      grade {grade.grade}, tensile {printStress(grade.tensileMpa, system)}
      {proof !== undefined &&
        `, proof load ${system === 'in' ? `${significant(newtonsToLbf(proof), 3)} lbf` : `${significant(proof / 1000, 3)} kN`}`}{' '}
      (SAE J429, from memory)
    </span>
  );
}

/** What is typed of a sign, beside its own fields. */
interface SignAbout {
  readonly to: string;
  readonly note: string;
  readonly cause: Cause;
}
type PlaceTyped = { readonly station?: string; readonly height?: string };

/** A sign as its form says it, on the member in sight; or why it is none. */
function useReadSign() {
  const { system } = useReader();
  const { member } = useMember();
  const { cursor } = usePlace();
  return (kind: SignKind, typed: SignTyped, place: PlaceTyped, about: SignAbout) => {
    const station =
      place.station === undefined ? ok(cursor.stationMm) : parseStationMm(place.station, member, system);
    if (!station.ok) return fail(`station: ${station.reason}`);
    const height = place.height === undefined ? ok(cursor.heightMm) : parseLengthMm(place.height, system);
    if (!height.ok) return fail(`height: ${height.reason}`);
    const to = about.to.trim() === '' ? undefined : parseStationMm(about.to, member, system);
    if (to && !to.ok) return fail(`reaches to: ${to.reason}`);
    const detail = readSign(kind, typed, system);
    if (!detail.ok) return fail(detail.reason);
    const sign = {
      stationMm: station.value,
      face: cursor.face,
      heightMm: height.value,
      detail: detail.value,
      ...(to && { toMm: to.value }),
    };
    const check = checkSign(member, sign);
    return check.ok ? ok(sign) : fail(check.reason);
  };
}

/** A sign as it is typed, and what keeps it: refused with the reason, or kept and the fields emptied for the next. */
function useSignForm() {
  const { file, keep } = useRecords();
  const { work } = useWork();
  const { system } = useReader();
  const { member, setCursor } = useMember();
  const stamp = useStamp();
  const read = useReadSign();
  const [kind, setKind] = useState<SignKind>('struck');
  const [typed, setTyped] = useState<SignTyped>({});
  const [about, setAbout] = useState<SignAbout>({ to: '', note: '', cause: 'unknown' });
  const [place, setPlace] = useState<PlaceTyped>({});
  useUnitTurn(system, (as) => {
    setTyped(turnedSign(kind, typed, as));
    setAbout({ ...about, to: as(about.to) });
    setPlace(eachText(place, as));
  });
  const [problem, setProblem] = useState<string>();
  const choose = (next: SignKind) => {
    setKind(next);
    setTyped({});
    setProblem(undefined);
  };
  const submit = () => {
    const sign = read(kind, typed, place, about);
    if (!sign.ok) return setProblem(sign.reason);
    const { stationMm, heightMm, face, toMm = stationMm, detail } = sign.value;
    const held =
      detail.sign === 'put right' && work
        ? laidAndHeld(seamLedger(file, work), { fromMm: stationMm, toMm })
        : [];
    if (held.length > 0) return setProblem(heldWords(held));
    keep({
      kind: 'sign',
      ...stamp(),
      memberId: member.id,
      ...sign.value,
      note: about.note.trim(),
      ...(about.cause !== 'unknown' && { cause: about.cause }),
    });
    setCursor({ stationMm, face, heightMm });
    setTyped({});
    setPlace({});
    setAbout({ to: '', note: '', cause: about.cause });
    setProblem(undefined);
  };
  return { kind, choose, typed, setTyped, about, setAbout, place, setPlace, problem, submit };
}

function SignForm() {
  const { system } = useReader();
  const { member } = useMember();
  const { cursor } = usePlace();
  const { kind, choose, typed, setTyped, about, setAbout, place, setPlace, problem, submit } = useSignForm();
  return (
    <form
      className="mt-2 border-y-2 border-ink bg-sheet px-3 py-3"
      aria-label="New sign"
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <div className="grid grid-cols-2 items-end gap-2 sm:grid-cols-4">
        <Pick
          label="sign"
          value={kind}
          options={SIGN_KINDS}
          words={(each) => SIGN_WORDS[each]}
          onPick={choose}
        />
        <PlaceFields place={place} onPlace={setPlace} />
        <OwnFields kind={kind} typed={typed} onTyped={setTyped} />
        <AboutFields about={about} onAbout={setAbout} />
      </div>
      {problem && (
        <p role="alert" className="mt-2 font-semibold text-oxide">
          {problem}
        </p>
      )}
      <p className="mt-3">
        <button type="submit" className="solid">
          Keep the sign at {printStation(member, cursor.stationMm, system)}
        </button>
      </p>
    </form>
  );
}

function PlaceFields({ place, onPlace }: { place: PlaceTyped; onPlace: (place: PlaceTyped) => void }) {
  const { system } = useReader();
  const { member, setCursor } = useMember();
  const { cursor } = usePlace();
  return (
    <>
      <Entry
        label="station"
        unit={system}
        value={place.station ?? stationDigits(member, cursor.stationMm, system)}
        onChange={(event) => onPlace({ ...place, station: event.target.value })}
      />
      <Pick
        label="face"
        value={cursor.face}
        options={facesOf(member.shape).map((face) => face.id)}
        words={(face) => faceWords(member, face)}
        onPick={(face) =>
          setCursor({
            ...cursor,
            face,
            heightMm: facesOf(member.shape).find((each) => each.id === face)!.widthMm / 2,
          })
        }
      />
      <Entry
        label="height on face"
        unit={system}
        value={place.height ?? lengthDigits(cursor.heightMm, system, 'length')}
        onChange={(event) => onPlace({ ...place, height: event.target.value })}
      />
    </>
  );
}

/** What a sign of its kind is asked. */
function OwnFields({
  kind,
  typed,
  onTyped,
}: {
  kind: SignKind;
  typed: SignTyped;
  onTyped: (typed: SignTyped) => void;
}) {
  const { system } = useReader();
  return (
    <>
      {SIGN_FIELDS[kind].map((field) =>
        field.as === 'choice' ? (
          <Pick
            key={field.name}
            label={field.label}
            value={typed[field.name] ?? (field.ask ? ASKED : field.options[0]!)}
            options={field.ask ? [ASKED, ...field.options] : field.options}
            onPick={(value) => onTyped({ ...typed, [field.name]: value })}
          />
        ) : (
          <Entry
            key={field.name}
            label={field.label}
            {...(field.as === 'length'
              ? { unit: system }
              : field.as === 'mass'
                ? { unit: system === 'in' ? 'lb' : 'kg' }
                : {})}
            className={field.as === 'words' ? 'col-span-2' : ''}
            value={typed[field.name] ?? field.start ?? ''}
            placeholder={field.may ? 'may stay open' : ''}
            onChange={(event) => onTyped({ ...typed, [field.name]: event.target.value })}
          />
        ),
      )}
    </>
  );
}

function AboutFields({ about, onAbout }: { about: SignAbout; onAbout: (about: SignAbout) => void }) {
  const { system } = useReader();
  return (
    <>
      <Entry
        label="reaches to"
        unit={system}
        value={about.to}
        placeholder="may stay open"
        onChange={(event) => onAbout({ ...about, to: event.target.value })}
      />
      <Pick
        label="cause"
        value={about.cause}
        options={CAUSES}
        onPick={(cause) => onAbout({ ...about, cause })}
      />
      <Entry
        label="note"
        className="col-span-2"
        value={about.note}
        maxLength={300}
        onChange={(event) => onAbout({ ...about, note: event.target.value })}
      />
    </>
  );
}
