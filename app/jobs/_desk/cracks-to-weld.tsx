'use client';

import { toWeldShut } from '@/core/job';
import { crackWeldWords, NOT_READY_WORDS } from '../../_words/crack-weld';
import { useMember } from './place-context';
import { useReader } from './reader-context';
import { useOnMember } from './use-on-member';
import { useRepairs } from './use-repairs';

/** The member's cracks as grooves to grind and fill before a plate goes over them; those that are cut out with the metal are not. */
export function CracksToWeld() {
  const { system } = useReader();
  const { member } = useMember();
  const { cracks } = useOnMember();
  const { work } = useRepairs();
  if (cracks.length === 0 || !work) return null;
  if (work.picture.steel.weldRepair !== 'yes')
    return (
      <p className="caution mt-3">
        Cracks here are not welded: {work.picture.steel.name.toLowerCase()}, and no weld on it but as its
        maker says.
      </p>
    );
  const left = toWeldShut(work);
  return (
    <section className="mt-3 border-t border-rule pt-2" aria-label="Cracks to weld first">
      <h3 className="text-lg font-semibold">Cracks to weld first, before a plate goes over: {left.length}</h3>
      <ul className="ruled">
        {left.map((weld) => (
          <li key={weld.crackId} className="py-1 letters-16">
            {crackWeldWords(weld, member, system)}
            {!weld.isReady && <span className="block font-semibold text-oxide">{NOT_READY_WORDS}</span>}
          </li>
        ))}
      </ul>
      {left.length < cracks.length && (
        <p className="caption">{cracks.length - left.length} cut out with the metal.</p>
      )}
      <p className="caption">
        A hole at each end first, then the groove, both sides where they are reached. Walls as made: read them
        again after grinding. AWS D1.1 grooves from memory; passes are common practice, no source.
      </p>
    </section>
  );
}
