'use client';

import { useState } from 'react';
import { lengthDigits, parseLengthMm, printLength, type LengthKind } from '@/core/quantity';
import { checkRepair, pieceKindsFor, type Piece, type PieceKind } from '@/core/shape';
import { Entry, Pick } from '@/ui/controls';
import { useMember, usePlace, useReader, useRecords } from '../../../_desk';
import { startsAtMm } from '@/core/frame';
import { useUnitTurn } from '../../../../_parts/turned';

type LengthField = 'startMm' | 'endMm' | 'upperEdgeMm' | 'lowerEdgeMm' | 'taperMm';

const usesUpper = (kind: PieceKind): boolean =>
  kind === 'bottom L' || kind === 'bottom U' || kind === 'side plate';
const usesLower = (kind: PieceKind): boolean => kind === 'top L' || kind === 'top U' || kind === 'side plate';

/** A piece's figures. A length is kept on Enter or on leaving its field, if the piece can lie there. */
export function PieceForm({
  piece,
  onChange,
}: {
  piece: Piece;
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
  const stock = [...new Set([...file.practice.stockThicknessesMm, piece.thicknessMm])].sort((a, b) => a - b);
  return (
    <div className="mt-3 border-t border-rule pt-2">
      <div className="grid grid-cols-2 items-start gap-2 sm:grid-cols-3">
        <Pick
          label="piece"
          value={piece.kind}
          options={pieceKindsFor(member.shape)}
          onPick={(kind) => onChange((standing) => withKind(standing, kind, member.shape.depthMm))}
        />
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
        {usesUpper(piece.kind) && length('upperEdgeMm', 'upper edge, up from corner')}
        {usesLower(piece.kind) && length('lowerEdgeMm', 'lower edge, up from corner')}
      </div>
      <div className="mt-2 flex flex-wrap gap-2">
        <button type="button" className="plain" onClick={() => offer('startMm', cursor.stationMm)}>
          Front end to the cursor
        </button>
        <button type="button" className="plain" onClick={() => offer('endMm', cursor.stationMm)}>
          Rear end to the cursor
        </button>
      </div>
    </div>
  );
}

function withKind(piece: Piece, kind: PieceKind, depthMm: number): Piece {
  if (kind === 'full C') return { ...piece, kind, lowerEdgeMm: 0, upperEdgeMm: depthMm };
  if (kind === 'top L' || kind === 'top U')
    return { ...piece, kind, lowerEdgeMm: depthMm / 2, upperEdgeMm: depthMm };
  if (kind === 'side plate')
    return { ...piece, kind, lowerEdgeMm: depthMm / 4, upperEdgeMm: (3 * depthMm) / 4 };
  return { ...piece, kind, lowerEdgeMm: 0, upperEdgeMm: Math.min(piece.upperEdgeMm, depthMm / 2) };
}

function LengthEntry({
  label,
  valueMm,
  kind,
  problem,
  fromMm = 0,
  onLength,
  onWrong,
}: {
  label: string;
  valueMm: number;
  kind: LengthKind;
  /** Where the field's zero lies: stations are read from the datum. */
  fromMm?: number;
  problem?: string;
  onLength: (mm: number) => void;
  onWrong: (words: string) => void;
}) {
  const { system } = useReader();
  const shown = lengthDigits(fromMm + valueMm, system, kind);
  // What is typed stands until what it asks for has been worked out: neither an older result nor a slow one takes it out of the field.
  const [typed, setTyped] = useState<{ readonly text: string; readonly instead?: string }>();
  useUnitTurn(system, (as) => setTyped(typed && { text: as(typed.text) }));
  const isTyped = typed && (typed.instead === undefined || typed.instead === shown);
  const text = isTyped ? typed.text : shown;
  const commit = () => {
    if (text === shown) return setTyped(undefined);
    const parsed = parseLengthMm(text, system);
    if (!parsed.ok) return onWrong(parsed.reason);
    const isSame = Math.abs(parsed.value - fromMm - valueMm) <= 0.01;
    setTyped(isSame ? undefined : { text, instead: shown });
    onLength(parsed.value - fromMm);
  };
  return (
    <Entry
      label={label}
      unit={system}
      value={text}
      onChange={(event) => setTyped({ text: event.target.value })}
      onBlur={commit}
      onKeyDown={(event) => event.key === 'Enter' && commit()}
      {...(problem && { problem })}
    />
  );
}
