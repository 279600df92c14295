'use client';

import { useState } from 'react';
import { printLength } from '@/core/quantity';
import {
  checkRepair,
  faceOfPiece,
  formOf,
  isInside,
  pieceKindsFor,
  type Notch,
  type Piece,
} from '@/core/shape';
import { Pick } from '@/ui/controls';
import { useMember, usePlace, useReader, useRecords } from '../../../_desk';
import { isBranched, startsAtMm, type Member } from '@/core/frame';
import { FORM_WORDS } from '../../../../_words/shape';
import { asForm } from './add-piece';
import { LengthEntry } from './length-entry';

type LengthField = 'startMm' | 'endMm' | 'upperEdgeMm' | 'lowerEdgeMm' | 'taperMm';

/** Told as a change to the piece as it stands: the one drawn here may be a moment older. */
type OnPiece = (to: (piece: Piece) => Piece) => void;

/** Offers a length of the piece: kept if the piece can lie there, else left as it was, and why. */
function useLengths(piece: Piece, onChange: OnPiece) {
  const { member } = useMember();
  const [problem, setProblem] = useState<{ field: LengthField; words: string }>();
  const offer = (field: LengthField, mm: number) => {
    const check = checkRepair(member, { pieces: [{ ...piece, [field]: mm }] });
    if (!check.ok) return setProblem({ field, words: `${check.reason}; left as it was` });
    setProblem(undefined);
    if (Math.abs(piece[field] - mm) > 0.01) onChange((standing) => ({ ...standing, [field]: mm }));
  };
  return { problem, setProblem, offer };
}
type Lengths = ReturnType<typeof useLengths>;

/** A piece's figures. A length is kept on Enter or on leaving its field, if the piece can lie there. */
export function PieceForm({
  piece,
  isBolted,
  onChange,
  onRemove,
}: {
  piece: Piece;
  /** Held by bolts: it is of one length then. */
  isBolted: boolean;
  /** Takes it out of the repair, where it is not the only one. */
  onRemove?: (() => void) | undefined;
  onChange: OnPiece;
}) {
  const { member } = useMember();
  const { cursor } = usePlace();
  const lengths = useLengths(piece, onChange);
  const notched = (notches: readonly Notch[]) => {
    const check = checkRepair(member, { pieces: [{ ...piece, notches: [...notches] }] });
    if (!check.ok) return `${check.reason}; left as it was`;
    onChange((standing) => ({ ...standing, notches: [...notches] }));
    return undefined;
  };
  return (
    <div className="mt-3 border-t border-rule pt-2">
      <p className="caption">{FORM_WORDS[piece.kind]}</p>
      <div className="grid grid-cols-2 items-start gap-2 sm:grid-cols-3">
        <WhatItIs piece={piece} onChange={onChange} />
        <LengthFields piece={piece} lengths={lengths} />
      </div>
      <div className="mt-2 flex flex-wrap gap-2">
        <button type="button" className="plain" onClick={() => lengths.offer('startMm', cursor.stationMm)}>
          Front end to the cursor
        </button>
        <button type="button" className="plain" onClick={() => lengths.offer('endMm', cursor.stationMm)}>
          Rear end to the cursor
        </button>
        {onRemove && (
          <button type="button" className="plain" onClick={onRemove}>
            Take this piece out
          </button>
        )}
      </div>
      <Notches piece={piece} onChange={notched} />
      {!formOf(piece.kind).wraps && !isBolted && <Joints piece={piece} onChange={onChange} />}
    </div>
  );
}

/** Its form, the face it lies on, on which side of the wall, and of what plate. */
function WhatItIs({ piece, onChange }: { piece: Piece; onChange: OnPiece }) {
  const { file } = useRecords();
  const { system } = useReader();
  const { member } = useMember();
  const form = formOf(piece.kind);
  const faces = form.facesOn(member.shape).map(({ id }) => id);
  const stock = [...new Set([...file.practice.stockThicknessesMm, piece.thicknessMm])].sort((a, b) => a - b);
  return (
    <>
      <Pick
        label="piece"
        value={piece.kind}
        options={pieceKindsFor(member.shape)}
        onPick={(kind) => onChange((standing) => asForm(member, standing, kind))}
      />
      {faces.length > 1 && (
        <Pick
          label="on its"
          value={faceOfPiece(member.shape, piece)!.id}
          options={faces}
          onPick={(face) => onChange((standing) => asForm(member, standing, standing.kind, face))}
        />
      )}
      {form.inside(member.shape) && (
        <label className="plain self-end">
          <input
            type="checkbox"
            className="size-5 accent-[var(--ink)]"
            checked={isInside(piece)}
            onChange={({ target }) => onChange((standing) => ({ ...standing, inside: target.checked }))}
          />{' '}
          inside the wall
        </label>
      )}
      <Pick
        label="plate, from stock"
        value={String(piece.thicknessMm)}
        options={stock.map(String)}
        words={(mm) => printLength(Number(mm), system, 'thickness')}
        onPick={(mm) => onChange((standing) => ({ ...standing, thicknessMm: Number(mm) }))}
      />
    </>
  );
}

/** What the lower and the upper edge of a piece are called on the face it lies on. */
function edgesOf({ shape }: Member, piece: Piece): readonly [lower: string, upper: string] {
  if (faceOfPiece(shape, piece)?.upright) return ['lower edge, up from corner', 'upper edge, up from corner'];
  return isBranched(shape)
    ? ['near edge, from the outer tip', 'far edge, from the outer tip']
    : ['near edge, out from the side', 'far edge, out from the side'];
}

function LengthFields({
  piece,
  lengths: { problem, setProblem, offer },
}: {
  piece: Piece;
  lengths: Lengths;
}) {
  const { member } = useMember();
  const { sets } = formOf(piece.kind);
  const [lower, upper] = edgesOf(member, piece);
  const fields: readonly (readonly [LengthField, string])[] = [
    ['taperMm', 'taper of the ends'],
    ['startMm', 'from station'],
    ['endMm', 'to station'],
    ...(sets.lower ? [['lowerEdgeMm', lower] as const] : []),
    ...(sets.upper ? [['upperEdgeMm', upper] as const] : []),
  ];
  return fields.map(([field, label]) => (
    <LengthEntry
      key={field}
      label={label}
      valueMm={piece[field]}
      kind="length"
      fromMm={field === 'startMm' || field === 'endMm' ? startsAtMm(member) : 0}
      {...(problem?.field === field && { problem: problem.words })}
      onWrong={(words) => setProblem({ field, words })}
      onLength={(mm) => offer(field, mm)}
    />
  ));
}

/** Where the piece is made of two lengths: a joint at the cursor, each by its station, or as the shop's longest plate asks. */
function Joints({ piece, onChange }: { piece: Piece; onChange: OnPiece }) {
  const { member } = useMember();
  const { cursor } = usePlace();
  const [problem, setProblem] = useState<string>();
  const { joints = [] } = piece;
  const offer = (next: readonly number[]) => {
    const sorted = [...next].sort((a, b) => a - b);
    const check = checkRepair(member, { pieces: [{ ...piece, joints: sorted }] });
    setProblem(check.ok ? undefined : `${check.reason}; left as it was`);
    if (check.ok) onChange((standing) => ({ ...standing, joints: sorted }));
  };
  return (
    <div className="mt-2">
      {joints.map((stationMm, k) => (
        <fieldset
          key={k}
          className="mt-2 flex flex-wrap items-end gap-2 border-l-4 border-rule pl-2"
          aria-label={`joint ${k + 1}`}
        >
          <LengthEntry
            label={`joint ${k + 1}, at station`}
            valueMm={stationMm}
            kind="length"
            fromMm={startsAtMm(member)}
            onWrong={setProblem}
            onLength={(mm) => offer(joints.map((each, n) => (n === k ? mm : each)))}
          />
          <button type="button" className="plain" onClick={() => offer(joints.filter((_, n) => n !== k))}>
            Make these two lengths one
          </button>
        </fieldset>
      ))}
      <p className="mt-2 flex flex-wrap items-center gap-2">
        <button type="button" className="plain" onClick={() => offer([...joints, cursor.stationMm])}>
          A joint at the cursor
        </button>
        {problem && (
          <span className="caution" role="alert">
            {problem}
          </span>
        )}
      </p>
    </div>
  );
}

/** Recesses in the piece's edges: where, how deep, from which edge. */
function Notches({
  piece,
  onChange,
}: {
  piece: Piece;
  onChange: (notches: readonly Notch[]) => string | undefined;
}) {
  const { system } = useReader();
  const { member } = useMember();
  const [problem, setProblem] = useState<{ at: number; words: string }>();
  const { notches = [] } = piece;
  const offer = (k: number, part: Partial<Notch>) => {
    const words = onChange(notches.map((each, n) => (n === k ? { ...each, ...part } : each)));
    setProblem(words === undefined ? undefined : { at: k, words });
  };
  return notches.map((notch, k) => (
    <fieldset
      key={k}
      className="mt-2 grid grid-cols-2 items-start gap-2 border-l-4 border-rule pl-2 sm:grid-cols-5"
    >
      <legend className="caption">notch {k + 1}</legend>
      {(['fromMm', 'toMm', 'deepMm'] as const).map((field) => (
        <LengthEntry
          key={field}
          label={{ fromMm: 'notch from', toMm: 'notch to', deepMm: 'how deep' }[field]}
          valueMm={notch[field]}
          kind="length"
          fromMm={field === 'deepMm' ? 0 : startsAtMm(member)}
          {...(problem?.at === k && field === 'deepMm' && { problem: problem.words })}
          onWrong={(words) => setProblem({ at: k, words })}
          onLength={(mm) => offer(k, { [field]: mm })}
        />
      ))}
      <Pick
        label="from its"
        value={notch.edge}
        options={['first', 'last'] as const}
        words={(edge) => edgeWords(piece, edge)}
        onPick={(edge) => offer(k, { edge })}
      />
      <button
        type="button"
        className="plain self-end"
        onClick={() => void onChange(notches.filter((_, n) => n !== k))}
        aria-label={`Close notch ${k + 1}, ${printLength(notch.deepMm, system, 'length')} deep`}
      >
        Close it
      </button>
    </fieldset>
  ));
}

/** A lengthwise edge by where it lies. */
function edgeWords({ kind }: Piece, edge: Notch['edge']): string {
  if (kind === 'bottom U' || kind === 'top U')
    return edge === 'first' ? 'edge on the outer side' : 'edge on the inner side';
  if (kind === 'cover plate') return edge === 'first' ? 'one edge' : 'other edge';
  if (kind === 'full C') return edge === 'first' ? 'top flange’s tip' : 'bottom flange’s tip';
  if (kind === 'top L') return edge === 'first' ? 'flange tip' : 'lower edge';
  return edge === 'first' ? 'upper edge' : kind === 'side plate' ? 'lower edge' : 'flange tip';
}
