'use client';

import { useState } from 'react';
import { printLength, type LengthKind } from '@/core/quantity';
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
import { isBranched, startsAtMm } from '@/core/frame';
import { FORM_WORDS } from '../../../../_words/shape';
import { asForm } from './add-piece';
import { LengthEntry } from './length-entry';

type LengthField = 'startMm' | 'endMm' | 'upperEdgeMm' | 'lowerEdgeMm' | 'taperMm';

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
  /** Told as a change to the piece as it stands: the one drawn here may be a moment older. */
  onChange: (to: (piece: Piece) => Piece) => void;
}) {
  const { file } = useRecords();
  const { system } = useReader();
  const { member } = useMember();
  const { cursor } = usePlace();
  const [problem, setProblem] = useState<{ field: LengthField; words: string }>();
  const offer = (field: LengthField, mm: number) => {
    const next = { ...piece, [field]: mm };
    const check = checkRepair(member, { pieces: [next] });
    if (!check.ok) return setProblem({ field, words: `${check.reason}; left as it was` });
    setProblem(undefined);
    if (Math.abs(piece[field] - mm) > 0.01) onChange((standing) => ({ ...standing, [field]: mm }));
  };
  const length = (field: LengthField, label: string, kind: LengthKind = 'length') => (
    <LengthEntry
      key={field}
      label={label}
      valueMm={piece[field]}
      kind={kind}
      fromMm={field === 'startMm' || field === 'endMm' ? startsAtMm(member) : 0}
      {...(problem?.field === field && { problem: problem.words })}
      onWrong={(words) => setProblem({ field, words })}
      onLength={(mm) => offer(field, mm)}
    />
  );
  const form = formOf(piece.kind);
  const faces = form.facesOn(member.shape).map(({ id }) => id);
  const edges = faceOfPiece(member.shape, piece)?.upright
    ? (['lower edge, up from corner', 'upper edge, up from corner'] as const)
    : isBranched(member.shape)
      ? (['near edge, from the outer tip', 'far edge, from the outer tip'] as const)
      : (['near edge, out from the side', 'far edge, out from the side'] as const);
  const notched = (notches: readonly Notch[]) => {
    const check = checkRepair(member, { pieces: [{ ...piece, notches: [...notches] }] });
    if (!check.ok) return `${check.reason}; left as it was`;
    onChange((standing) => ({ ...standing, notches: [...notches] }));
    return undefined;
  };
  const stock = [...new Set([...file.practice.stockThicknessesMm, piece.thicknessMm])].sort((a, b) => a - b);
  return (
    <div className="mt-3 border-t border-rule pt-2">
      <p className="caption">{FORM_WORDS[piece.kind]}</p>
      <div className="grid grid-cols-2 items-start gap-2 sm:grid-cols-3">
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
        {length('taperMm', 'taper of the ends')}
        {length('startMm', 'from station')}
        {length('endMm', 'to station')}
        {form.sets.lower && length('lowerEdgeMm', edges[0])}
        {form.sets.upper && length('upperEdgeMm', edges[1])}
      </div>
      <div className="mt-2 flex flex-wrap gap-2">
        <button type="button" className="plain" onClick={() => offer('startMm', cursor.stationMm)}>
          Front end to the cursor
        </button>
        <button type="button" className="plain" onClick={() => offer('endMm', cursor.stationMm)}>
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

/** Where the piece is made of two lengths: a joint at the cursor, each by its station, or as the shop's longest plate asks. */
function Joints({ piece, onChange }: { piece: Piece; onChange: (to: (piece: Piece) => Piece) => void }) {
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
