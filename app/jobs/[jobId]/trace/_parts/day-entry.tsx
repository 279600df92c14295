'use client';

import { z } from 'zod';
import { TypedEntry } from '@/ui/controls';

/** Whether a day said has not come yet. */
const isAhead = (day: string): boolean => day !== '' && new Date(`${day}T00:00`) > new Date();

/** Noon of the day said, on this device's clock, or now. */
const atOf = (day: string): string => {
  const now = new Date();
  const noon = new Date(`${day}T12:00`);
  return (day === '' || noon > now ? now : noon).toISOString();
};

/** When somebody looked, of the day typed. */
export const dayTyped = z
  .string()
  .refine((day) => !isAhead(day), 'a look lies in the past')
  .transform(atOf);

/** The day of a look made earlier. */
export const DayEntry = () => <TypedEntry name="day" label="day, if not today" type="date" />;
