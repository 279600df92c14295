import 'server-only';
import { cookies } from 'next/headers';
import type { UnitSystem } from '@/core/quantity';

/** The unit system this browser last chose. */
export const chosenSystem = async (): Promise<UnitSystem> =>
  (await cookies()).get('ossatura-unit')?.value === 'mm' ? 'mm' : 'in';
