'use client';

import { useMemo, type ReactNode } from 'react';
import { jobHosts } from '@/core/job';
import {
  severity,
  unitVerdict,
  VERDICTS,
  type Firmness,
  type HostVerdict,
  type JudgedMember,
} from '@/core/weigh';
import { useMember, useRecords, useWork } from '../../../_desk';

/** The unit first: what it comes to, and its members by what they ask for. */
export function UnitPanel({ firm }: { firm: ReadonlyMap<string, Firmness> | undefined }) {
  const { file } = useRecords();
  const { summaries } = useWork();
  const unit = useMemo(
    () =>
      unitVerdict(
        file.frame.members.flatMap((member) => {
          const summary = summaries.get(member.id);
          return summary ? [{ member, verdict: summary.verdict }] : [];
        }),
      ),
    [file.frame, summaries],
  );
  const hosts = useMemo(() => jobHosts(file), [file]);
  if (unit.ranked.length === 0) return null;
  const words = [...VERDICTS].reverse().map((word) => ({
    word,
    members: unit.ranked.filter(({ verdict }) => verdict.verdict === word),
    hosts: hosts.filter(({ verdict }) => verdict === word),
  }));
  return (
    <section aria-label="The unit" className="mb-4 border-b border-rule pb-3">
      <h2 className="text-lg font-semibold">
        {unit.verdict === 'Retire'
          ? `The unit: Retire. ${unit.nothingToLandOn.join(', ')} ${unit.nothingToLandOn.length === 1 ? 'leaves' : 'leave'} nothing to land on`
          : `The unit, ${file.unit.tag}`}
      </h2>
      <dl className="grid grid-cols-[110px_1fr] gap-x-3 gap-y-1">
        {words.map(({ word, members, hosts: bad }) =>
          members.length + bad.length === 0 ? null : (
            <MembersOf
              key={word}
              word={word}
              heavy={severity(word) >= severity('Mend')}
              members={members}
              firm={firm}
            >
              {bad.length > 0 && (
                <ul aria-label={`Fittings: ${word}`} className="basis-full">
                  {bad.map((host) => (
                    <BadHost key={`${host.on} ${host.id}`} host={host} />
                  ))}
                </ul>
              )}
            </MembersOf>
          ),
        )}
      </dl>
    </section>
  );
}

/** A bracket, joint, panel or closed space among what asks the same: what was found of it, how sure that is, what hangs on it. */
function BadHost({
  host: { name, found, carriesNothing, carries, firmness, isAgain },
}: {
  host: HostVerdict;
}) {
  return (
    <li className="px-1 py-1">
      <span className={carriesNothing ? 'text-oxide' : ''}>{name}</span>: {found.join(', ')}
      {carries.length > 0 && <span className="caption">; carries {carries.join(', ')}</span>}
      {firmness !== 'firm' && (
        <span className="caption">; {firmness === 'open' ? 'open' : 'could flip'}</span>
      )}
      {isAgain && <span className="text-oxide">; put right once already: look at what loads it</span>}
    </li>
  );
}

/** Beyond this many of one word only their number is shown, until asked. */
const IN_SIGHT = 6;

function MembersOf({
  word,
  heavy,
  members,
  firm,
  children,
}: {
  children: ReactNode;
  firm: ReadonlyMap<string, Firmness> | undefined;
  word: string;
  heavy: boolean;
  members: readonly JudgedMember[];
}) {
  const { member: current, selectMember } = useMember();
  const button = ({ member }: JudgedMember) => (
    <button
      key={member.id}
      type="button"
      aria-pressed={member.id === current.id}
      className={`min-h-9 px-1 underline ${member.id === current.id ? 'font-bold' : ''}`}
      onClick={() => selectMember(member.id)}
    >
      {member.name}
      {firm?.get(member.id)?.is === 'could flip with one more reading' && (
        <span className="caption"> could flip</span>
      )}
    </button>
  );
  return (
    <>
      <dt className={`pt-1.5 font-semibold ${heavy ? 'text-oxide' : ''}`}>{word}</dt>
      <dd className="flex flex-wrap gap-x-2">
        {members.slice(0, IN_SIGHT).map(button)}
        {members.length > IN_SIGHT && (
          <details className="basis-full">
            <summary className="flex min-h-9 cursor-pointer items-center px-1 text-soft">
              and {members.length - IN_SIGHT} more
            </summary>
            {members.slice(IN_SIGHT).map(button)}
          </details>
        )}
        {children}
      </dd>
    </>
  );
}
