'use client';

import { useCallback } from 'react';
import { startsAtMm } from '@/core/frame';
import { mmToInches, type UnitSystem } from '@/core/quantity';
import { useMember } from '../../../_desk';

/** A member's own station as a chart draws it: from the datum, in the reader's units. */
export function useStationAxis(system: UnitSystem): (ownMm: number) => number {
  const { member } = useMember();
  return useCallback(
    (ownMm: number) => {
      const mm = startsAtMm(member) + ownMm;
      return system === 'in' ? mmToInches(mm) : mm;
    },
    [member, system],
  );
}
