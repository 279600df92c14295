'use client';

import { useRouter } from 'next/navigation';
import type { UnitSystem } from '@/core/quantity';
import { UnitSwitch } from './switches';

/** Inches or millimetres, for this page and those after it. */
export function UnitsHere({ system }: { system: UnitSystem }) {
  const router = useRouter();
  return <UnitSwitch system={system} onChange={() => router.refresh()} />;
}
