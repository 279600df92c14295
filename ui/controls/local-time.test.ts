import { format } from 'date-fns';
import { localTime, today } from './local-time';

const AT = '2026-03-01T12:34:56.000Z';
const clock = format(new Date(AT), 'yyyy-MM-dd HH:mm');

afterEach(() => jest.restoreAllMocks());

test('an instant is told to the minute in the reader’s own zone, and names it; a day names none', () => {
  expect(localTime(AT)).toMatch(new RegExp(`^${clock} [A-Z]+[+-]?[0-9:]*$`));
  expect(localTime(AT, 'day')).toBe(clock.slice(0, 10));
  expect(today()).toBe(format(new Date(), 'yyyy-MM-dd'));
});

test('the zone is named by one namer for many rows, and by another once the device is elsewhere', () => {
  const making = jest.spyOn(Intl, 'DateTimeFormat');
  const offset = jest.spyOn(Date.prototype, 'getTimezoneOffset');
  const made = (minutes: number) => {
    offset.mockReturnValue(minutes);
    for (let row = 0; row < 100; row++) localTime(AT);
    return making.mock.calls.length;
  };
  expect(made(-345)).toBe(1);
  expect(made(-345)).toBe(1);
  expect(made(210)).toBe(2);
});
