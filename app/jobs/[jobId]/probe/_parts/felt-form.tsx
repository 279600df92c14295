'use client';

import { useState } from 'react';
import { z } from 'zod';
import { recorded } from '@/core/job';
import { faceIdSchema, facesOf, type FaceId, type Member, type Strike } from '@/core/frame';
import { feltEdgeKind, type FeltEdge } from '@/core/probe';
import { lengthDigits, parseLengthMm, printLength, type UnitSystem } from '@/core/quantity';
import { TypedEntry, TypedForm, TypedPick, TypedProblem, useTypedForm, When } from '@/ui/controls';
import { faceWords } from '@/ui/strip';
import {
  StrikeSheet,
  useMember,
  usePlace,
  useReader,
  useRecords,
  useRecordsLater,
  useStamp,
} from '../../../_desk';
import { readBy, useFieldsTurn } from '../../../../_parts/typed';
import { parseStationMm, printStation, stationDigits } from '../../../../_words/station';

/** An edge as it is typed on a member: its station on the frame's tape, both heights up from the corner. */
const typedEdge = (member: Member, system: UnitSystem) =>
  z.object({
    station: readBy((text) => parseStationMm(text, member, system)),
    face: faceIdSchema,
    lower: readBy((text) => parseLengthMm(text, system)),
    upper: readBy((text) => parseLengthMm(text, system)),
  });

function EdgeForm({ faces }: { faces: readonly FaceId[] }) {
  const { file, keep } = useRecords();
  const { system } = useReader();
  const { member } = useMember();
  const { cursor } = usePlace();
  const stamp = useStamp();
  const schema = typedEdge(member, system);
  const atCursor = stationDigits(member, cursor.stationMm, system);
  const form = useTypedForm(schema, { station: atCursor, face: faces[0]!, lower: '', upper: '' });
  const lengths = { station: 'length', lower: 'length', upper: 'length' } as const;
  useFieldsTurn(form, system, lengths, { station: atCursor });
  const pin = ({ station, face, lower, upper }: z.infer<typeof schema>) => {
    const record: FeltEdge = {
      kind: 'felt edge',
      ...stamp(),
      memberId: member.id,
      stationMm: station,
      face,
      lowerMm: lower,
      upperMm: upper,
      note: '',
    };
    const check = feltEdgeKind.fits(file.frame, record);
    if (!check.ok) return { message: check.reason };
    keep(record);
    form.reset({ station: atCursor, face, lower: '', upper: '' });
  };
  return (
    <TypedForm form={form} onKeep={pin} label="Felt edge">
      <div className="grid grid-cols-2 items-start gap-2 sm:grid-cols-5">
        <TypedEntry name="station" label="station" unit={system} />
        <TypedPick name="face" label="face" options={faces} words={(id) => faceWords(member, id)} />
        <TypedEntry name="lower" label="thin up to" unit={system} />
        <TypedEntry name="upper" label="full from" unit={system} />
        <button type="submit" className="plain mt-[1.3rem]">
          Pin the edge
        </button>
      </div>
      <TypedProblem className="mt-1" />
    </TypedForm>
  );
}

/** The edge as a finger found it: a bracket of its own beside the gauge's. */
export function FeltForm() {
  const { file } = useRecordsLater();
  const [wasOpened, setOpened] = useState(false);
  const { system } = useReader();
  const { member } = useMember();
  const [striking, setStriking] = useState<FeltEdge>();
  const strikes = new Map(file.strikes.map((strike) => [strike.evidenceId, strike]));
  const felt = recorded(file, 'felt edge').filter((each) => each.memberId === member.id);
  const uprights = facesOf(member.shape).filter((face) => face.upright);
  if (uprights.length === 0) return null;

  return (
    <details className="mt-3 border-t border-rule pt-1" onToggle={() => setOpened(true)}>
      <summary className="hit flex items-center font-semibold">
        Edge felt by hand{felt.length > 0 && `: ${felt.filter((each) => !strikes.has(each.id)).length}`}
      </summary>
      {wasOpened && <EdgeForm key={member.id} faces={uprights.map((each) => each.id)} />}
      <ul className="ruled">
        {felt.map((each) => (
          <FeltRow key={each.id} felt={each} strike={strikes.get(each.id)} onStrike={setStriking} />
        ))}
      </ul>
      <StrikeSheet
        struck={
          striking && {
            id: striking.id,
            words: `The edge felt at ${printStation(member, striking.stationMm, system)}`,
          }
        }
        onClose={() => setStriking(undefined)}
      />
    </details>
  );
}

/** An edge that was felt; a struck one stays, with who and why. */
function FeltRow({
  felt,
  strike,
  onStrike,
}: {
  felt: FeltEdge;
  strike: Strike | undefined;
  onStrike: (felt: FeltEdge) => void;
}) {
  const { system } = useReader();
  const { member } = useMember();
  return (
    <li className={`flex flex-wrap items-center gap-x-3 ${strike ? 'text-soft line-through' : ''}`}>
      <span>
        {printStation(member, felt.stationMm, system)}, {faceWords(member, felt.face)}: between{' '}
        {lengthDigits(felt.lowerMm, system, 'length')} and {printLength(felt.upperMm, system, 'length')} up
      </span>
      <span className="caption">
        {felt.by} <When at={felt.at} only="day" />
      </span>
      {strike ? (
        <span className="caption no-underline">
          struck by {strike.by}: {strike.why}
        </span>
      ) : (
        <button type="button" className="hit ml-auto px-2 underline" onClick={() => onStrike(felt)}>
          strike
        </button>
      )}
    </li>
  );
}
