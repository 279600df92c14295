'use client';

import type { UnitSystem } from '@/core/quantity';
import { LEGAL_SOURCES, legalOf, printSource, type Legal, type Practice } from '@/core/reference';
import { Entry, Pick } from '@/ui/controls';
import { withCopy, withLegal } from './changes';
import { MeantFor, meantFor } from './meant-for';
import { DEFERENCE } from '../_words/cautions';
import { LEGAL_WORDS, legalLine } from '../_words/practice';

const SWITCHES = Object.keys(LEGAL_WORDS) as (keyof typeof LEGAL_WORDS)[];

/** Those that ship stand as they are; the shop's own are copies. */
const isOwn = ({ basis, id }: Legal): boolean => basis === 'own' && id !== 'none';

/** Which legal profile holds, what it asks, and how to make one's own. */
export function LegalForm({
  practice,
  system,
  onChange,
}: {
  practice: Practice;
  system: UnitSystem;
  onChange: (practice: Practice) => void;
}) {
  const { profiles } = practice.legal;
  const legal = legalOf(practice.legal);
  return (
    <section aria-label="Legal profile" className="border-b border-rule py-3">
      <div className="flex flex-wrap items-end gap-3">
        <Pick
          label="legal profile"
          className="min-fit-64"
          value={legal.id}
          options={profiles.map(({ id }) => id)}
          onPick={(chosen) => onChange({ ...practice, legal: { ...practice.legal, chosen } })}
          words={(id) => profiles.find((each) => each.id === id)?.name ?? id}
        />
        <button
          type="button"
          className="plain"
          disabled={profiles.length >= 20}
          onClick={() => onChange(withCopy(practice, legal))}
        >
          Copy it to make one of our own
        </button>
      </div>
      {isOwn(legal) ? (
        <OwnProfile
          legal={legal}
          system={system}
          onChange={(change) => onChange(withLegal(practice, legal.id, change))}
        />
      ) : (
        <p className="caption mt-1">
          Asks: {legalLine(legal)}. {printSource(LEGAL_SOURCES[legal.basis])}. Meant for:{' '}
          {meantFor(legal, system)}.
        </p>
      )}
      <p className="caption">{DEFERENCE}</p>
    </section>
  );
}

/** A profile of the shop's own: what it is called, what it asks, what it is meant for. */
const OwnProfile = ({
  legal,
  system,
  onChange,
}: {
  legal: Legal;
  system: UnitSystem;
  onChange: (change: Partial<Legal>) => void;
}) => (
  <div className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-2">
    <Entry
      label="its name"
      className="min-fit-64"
      value={legal.name}
      maxLength={80}
      onChange={(event) => onChange({ name: event.target.value })}
    />
    {SWITCHES.map((key) => (
      <label key={key} className="plain">
        <input
          type="checkbox"
          className="size-5 accent-[var(--ink)]"
          checked={legal[key] ?? false}
          onChange={(event) => onChange({ [key]: event.target.checked })}
        />{' '}
        {LEGAL_WORDS[key]}
      </label>
    ))}
    <MeantFor legal={legal} system={system} onChange={onChange} />
  </div>
);
