'use client';

import { Entry } from '@/ui/controls';

/** The day of a look made earlier. */
export function DayEntry({
  value,
  problem,
  onChange,
}: {
  value: string;
  problem?: string | undefined;
  onChange: (day: string) => void;
}) {
  return (
    <Entry
      label="day, if not today"
      type="date"
      value={value}
      {...(problem !== undefined && { problem })}
      onChange={(event) => onChange(event.target.value)}
    />
  );
}

/** Whether a day said has not come yet. */
export const isAhead = (day: string): boolean => day !== '' && new Date(`${day}T00:00`) > new Date();

/** Noon of the day said, on this device's clock, or now. */
export function atOf(day: string): string {
  const now = new Date();
  const noon = new Date(`${day}T12:00`);
  return (day === '' || noon > now ? now : noon).toISOString();
}
