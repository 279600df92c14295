import { answer, download, guarded } from '../_door';
import { calendarOf } from './_dates';

/** Every planned job of the shop as iCalendar. */
export const GET = (request: Request) =>
  guarded(request, () => {
    const text = calendarOf();
    return text.ok ? download(text.value, 'text/calendar; charset=utf-8', 'shop.ics') : answer(text);
  });
