'use client';

import { useMemo, useState } from 'react';
import { foundUnder, openRenewals, plannedTube, renewalsOf } from '@/core/job';
import { percent, printLength, printMass } from '@/core/quantity';
import { renewalTubes, type Renewal, type RenewalTube } from '@/core/shape';
import { When } from '@/ui/controls';
import { TUBE_WHY_WORDS, tubeWords } from '../../../../_words/shape';
import { StrikeSheet, useMember, useReader, useRecords, useStamp, useWork } from '../../../_desk';
import { WorkFindings } from './judged-part';

/** Tubes shown that will do; the rest behind a touch. */
const IN_SIGHT = 4;

/** A crossmember made anew: which stock tubes are as strong, and leave space beneath. */
export function RenewalPart() {
  const { file, keep } = useRecords();
  const stamp = useStamp();
  const { member } = useMember();
  const { system } = useReader();
  const [striking, setStriking] = useState<Renewal>();
  const tubes = useMemo(() => renewalTubes(file.frame, member), [file.frame, member]);
  if (member.role !== 'crossmember' || tubes.length === 0) return null;
  const planned = renewalsOf(file).get(member.id);
  const whyNot = planned ? (plannedTube(file, planned)?.whyNot ?? (['weaker'] as const)) : [];
  const good = tubes.filter(({ whyNot }) => whyNot.length === 0);
  const rest = [...good.slice(IN_SIGHT), ...tubes.filter(({ whyNot }) => whyNot.length > 0)];
  const take = ({ tube: { depthMm, widthMm, nominalMm } }: RenewalTube) =>
    keep({
      kind: 'renewal',
      ...stamp(),
      memberId: member.id,
      tube: { depthMm, widthMm, nominalMm },
      note: '',
    });
  return (
    <section aria-label="Renewed" className="mt-4 border-t border-rule pt-2">
      <h2 className="text-xl font-semibold">
        {planned ? `To be renewed: ${tubeWords(planned.tube, system)}` : 'Renewed, of a stock tube'}
      </h2>
      {planned && (
        <p className="caption flex flex-wrap items-center gap-x-3">
          {planned.by}, <When at={planned.at} />
          <button type="button" className="hit px-2 underline" onClick={() => setStriking(planned)}>
            strike
          </button>
        </p>
      )}
      {planned && whyNot.length > 0 && (
        <p className="font-semibold text-oxide">
          {whyNot.map((why) => TUBE_WHY_WORDS[why]).join('; ')}: choose another; it is not counted on.
        </p>
      )}
      {planned && <UnderIt planned={planned} />}
      <p className="caption">
        At least the old one’s S and J as made, counted with 0.93 of the wall it is sold by; set against the
        upper flange, with space beneath so that dirt gets out.
      </p>
      {good.length === 0 && <p>No tube of the list is as strong and leaves space: it is made to measure.</p>}
      <Tubes tubes={good.slice(0, IN_SIGHT)} onTake={take} />
      {rest.length > 0 && (
        <details>
          <summary className="flex min-h-11 cursor-pointer items-center text-soft">
            {rest.length} others, and why not
          </summary>
          <Tubes tubes={rest} onTake={take} />
        </details>
      )}
      <StrikeSheet
        struck={striking && { id: striking.id, words: `The renewal of ${striking.at.slice(0, 10)}` }}
        onClose={() => setStriking(undefined)}
      />
    </section>
  );
}

/** What the rails’ metal says where the planned one is welded in; once it is in, nothing. */
function UnderIt({ planned }: { planned: Renewal }) {
  const { file } = useRecords();
  const { system } = useReader();
  const { summaries } = useWork();
  const plans = [...summaries.values()].map(({ plan }) => plan);
  const isOpen = openRenewals(file).some(({ id }) => id === planned.id);
  return isOpen && <WorkFindings findings={foundUnder(plans, planned.id)} system={system} />;
}

function Tubes({ tubes, onTake }: { tubes: readonly RenewalTube[]; onTake: (tube: RenewalTube) => void }) {
  const { system } = useReader();
  if (tubes.length === 0) return null;
  return (
    <table
      className="ruled w-full letters-16 [&_td]:py-1 [&_td]:pr-3 [&_td:not(:last-child)]:whitespace-nowrap"
      aria-label="Stock tubes"
    >
      <thead>
        <tr className="caption text-left">
          <th scope="col">tube</th>
          <th scope="col">S</th>
          <th scope="col">J</th>
          <th scope="col">space beneath</th>
          <th scope="col">mass</th>
          <th scope="col" />
        </tr>
      </thead>
      <tbody>
        {tubes.map((each) => (
          <tr key={`${each.tube.depthMm} ${each.tube.widthMm} ${each.tube.nominalMm}`}>
            <th scope="row" className="py-1 pr-3 text-left font-semibold">
              {tubeWords(each.tube, system)}
            </th>
            <td>{percent(each.modulus)}</td>
            <td>{each.torsion > 10 ? 'over 10 times' : percent(each.torsion)}</td>
            <td>{each.beneathMm > 0 ? printLength(each.beneathMm, system, 'length') : 'none'}</td>
            <td>{printMass(each.massKg, system)}</td>
            <td>
              {each.whyNot.length > 0 ? (
                each.whyNot.map((why) => TUBE_WHY_WORDS[why]).join('; ')
              ) : (
                <button type="button" className="plain" onClick={() => onTake(each)}>
                  Take it
                </button>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
