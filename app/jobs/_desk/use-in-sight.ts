'use client';

import { useEffect } from 'react';
import { useMember } from './place-context';

/** So much of the member is in sight about a place, mm. */
const SIGHT_MM = 600;

/** A place of the member in hand comes into sight by itself. */
export function useInSight(stationMm: number | undefined): void {
  const { member, setStretch } = useMember();
  useEffect(() => {
    if (stationMm === undefined) return;
    setStretch({
      fromMm: Math.max(0, stationMm - SIGHT_MM / 2),
      toMm: Math.min(member.lengthMm, stationMm + SIGHT_MM / 2),
    });
  }, [stationMm, member, setStretch]);
}
