'use client';

import { useState } from 'react';
import { toast } from 'sonner';
import { faceOf, facesOf } from '@/core/frame';
import { inchesToMm, printLength } from '@/core/quantity';
import { checkFeltEdge } from '@/core/probe';
import { checkSign, type SignDetail } from '@/core/walk';
import { faceWords, type Cursor } from '@/ui/strip';
import { printStation } from '../../../../_words/station';
import { signWords } from '../../../../_words/walk';
import { useMember, usePlace, useReader, useRecords, useStamp } from '../../../_desk';
import { quickFinds } from './quick-finds';

/** What is found by hand, kept at the place in hand by one touch; the place stays for the next. */
export function AtTheSpot() {
  const { keep } = useRecords();
  const { system } = useReader();
  const { member } = useMember();
  const { cursor } = usePlace();
  const stamp = useStamp();
  const take = (detail: SignDetail) => {
    const sign = { ...cursor, detail };
    const fits = checkSign(member, sign);
    if (!fits.ok) return void toast.error(fits.reason);
    keep({ kind: 'sign', ...stamp(), memberId: member.id, ...sign, note: '' });
    toast(`${signWords(detail, system)}, at ${printStation(member, cursor.stationMm, system)}`);
  };
  return (
    <section className="mt-3 border-y border-rule py-2" aria-label="At the spot">
      <Place />
      <div className="mt-1 grid grid-cols-3 gap-1.5 sm:grid-cols-6">
        {quickFinds(system).map(({ id, words, detail, bad }) => (
          <button
            key={id}
            type="button"
            className={`plain min-h-[52px]! px-1! letters-15 leading-tight ${bad ? 'border-l-[6px]! border-oxide! font-semibold' : ''}`}
            onClick={() => take(detail)}
          >
            {words}
          </button>
        ))}
        <FeltEdgeTaps />
      </div>
    </section>
  );
}

/** Where the next touch keeps what it finds: moved along by an inch or a hand, or by a touch on the Strip where there is one. */
function Place() {
  const { system } = useReader();
  const { member, setCursor } = useMember();
  const { cursor } = usePlace();
  const along = (mm: number) =>
    setCursor({
      ...cursor,
      stationMm: Math.min(member.lengthMm, Math.max(0, cursor.stationMm + mm)),
    });
  const steps =
    system === 'in'
      ? [-6, -1, 1, 6].map(
          (inches) => [`${inches > 0 ? '+' : '−'}${Math.abs(inches)} in`, inchesToMm(inches)] as const,
        )
      : [-150, -25, 25, 150].map((mm) => [`${mm > 0 ? '+' : '−'}${Math.abs(mm)} mm`, mm] as const);
  return (
    <div className="flex flex-wrap items-center gap-1.5">
      <p className="basis-full">
        <span className="caption">one touch keeps it at</span>{' '}
        <span className="font-semibold">
          {printStation(member, cursor.stationMm, system)}, {faceWords(member, cursor.face)},{' '}
          {printLength(cursor.heightMm, system, 'length')} up
        </span>
      </p>
      {steps.map(([words, mm]) => (
        <button key={words} type="button" className="plain px-2!" onClick={() => along(mm)}>
          {words}
        </button>
      ))}
      {facesOf(member.shape).map(({ id, widthMm }) => (
        <button
          key={id}
          type="button"
          className="plain px-2!"
          aria-pressed={id === cursor.face}
          onClick={() => setCursor({ ...cursor, face: id, heightMm: widthMm / 2 })}
        >
          {faceWords(member, id)}
        </button>
      ))}
    </div>
  );
}

/** A second touch farther along than this, a hand, is of another place, mm (ours). */
const BESIDE_MM = 160;

/** A sound edge in two touches: gone up to here, then full from here, on one side face at one station. */
function FeltEdgeTaps() {
  const { keep } = useRecords();
  const { system } = useReader();
  const { member } = useMember();
  const { cursor } = usePlace();
  const stamp = useStamp();
  const [lower, setLower] = useState<Cursor & { readonly memberId: string }>();
  if (!faceOf(member.shape, cursor.face)?.upright) return null;
  const isHere =
    lower?.memberId === member.id &&
    lower.face === cursor.face &&
    Math.abs(lower.stationMm - cursor.stationMm) <= BESIDE_MM;
  const finish = ({ stationMm, heightMm }: Cursor) => {
    if (heightMm === cursor.heightMm)
      return void toast.info('Touch where it is full again, further up, then here');
    const felt = {
      face: cursor.face,
      stationMm,
      lowerMm: Math.min(heightMm, cursor.heightMm),
      upperMm: Math.max(heightMm, cursor.heightMm),
    };
    const fits = checkFeltEdge(member, felt);
    if (!fits.ok) return void toast.error(fits.reason);
    keep({ kind: 'felt edge', ...stamp(), note: '', memberId: member.id, ...felt });
    setLower(undefined);
  };
  return (
    <button
      type="button"
      className="plain min-h-[52px]! px-1! letters-15 leading-tight"
      onClick={() => (isHere ? finish(lower) : setLower({ ...cursor, memberId: member.id }))}
    >
      {isHere
        ? `Full from here (gone to ${printLength(lower.heightMm, system, 'length')})`
        : 'Felt: gone up to here'}
    </button>
  );
}
