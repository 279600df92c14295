import { workCalendar, type ShopDates, type Slot } from '@/core/order';
import type { ShopWeek } from '@/core/reference';
import type { PlannedJob } from '@/data';

export type GoodDates = Extract<ShopDates, { ok: true }>;
/** Moves a job: not before which day, in which bay; any, where none is said. */
export type Move = (
  job: PlannedJob,
  to: { readonly startOn: string; readonly bay?: string | undefined },
) => void;

/** A day so many working days on from another, or back; never before `today`. */
export function movedDay(day: string, by: number, week: ShopWeek, today: string): string {
  const { days } = workCalendar(today, week);
  const at = Math.max(
    0,
    days.findIndex((each) => each >= day),
  );
  return days[Math.min(days.length - 1, Math.max(0, at + by))]!;
}

/** The bay next to it in the list, up or down; it stays where there is none. */
export function movedBay(bay: string | undefined, by: number, bays: readonly string[]): string | undefined {
  if (bays.length === 0) return undefined;
  const at = bay === undefined ? 0 : Math.max(0, bays.indexOf(bay));
  return bays[Math.min(bays.length - 1, Math.max(0, at + by))];
}

/** What of a slot is kept when a job is moved: all but who, when, where to. */
export const movedSlot = (
  slot: Slot | undefined,
  to: { readonly startOn: string; readonly bay?: string | undefined },
): Omit<Slot, 'id' | 'by' | 'at'> => ({
  kind: 'slot',
  note: '',
  chance: slot?.chance ?? 0.8,
  startOn: to.startOn,
  ...(to.bay !== undefined && !slot?.away && { bay: to.bay }),
  ...(slot?.onLift && { onLift: slot.onLift }),
  ...(slot?.away && { away: slot.away }),
  ...(slot?.downtimePerDay !== undefined && { downtimePerDay: slot.downtimePerDay }),
  ...(slot?.transitAfter !== undefined && { transitAfter: slot.transitAfter }),
});
