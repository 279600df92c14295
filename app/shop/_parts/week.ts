import { fail, ok, schemaWords, type Outcome } from '@/core/quantity';
import { shopWeekSchema, type ShopWeek } from '@/core/reference';

export const DAY_NAMES = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;

/** The shop's week as it is typed: days by their number, hours, shut days apart by commas or spaces. */
export interface WeekTyped {
  readonly days: readonly number[];
  readonly fromHour: string;
  readonly hoursADay: string;
  readonly shut: string;
}

export const typedWeek = ({ days, fromHour, hoursADay, shut }: ShopWeek): WeekTyped => ({
  days,
  fromHour: String(fromHour),
  hoursADay: String(hoursADay),
  shut: shut.join(', '),
});

export function readWeek({ days, fromHour, hoursADay, shut }: WeekTyped): Outcome<ShopWeek> {
  const number = (text: string) => (text.trim() === '' ? NaN : Number(text.replace(',', '.')));
  const checked = shopWeekSchema.safeParse(
    {
      days: [...days].sort((a, b) => a - b),
      fromHour: number(fromHour),
      hoursADay: number(hoursADay),
      shut: shut.split(/[\s,;]+/).filter((each) => each !== ''),
    },
    { error: schemaWords },
  );
  if (checked.success) return ok(checked.data);
  const [issue] = checked.error.issues;
  const what = { days: 'days', fromHour: 'from', hoursADay: 'hours a day', shut: 'shut on' }[
    issue!.path[0] as keyof WeekTyped
  ];
  return fail(`${what ?? 'the week'}: ${issue!.message}`);
}
