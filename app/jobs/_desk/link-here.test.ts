import { addressOf } from './link-here';

test('a place’s address names member and station, keeps the part of the screen and drops what was there before', () => {
  expect(
    addressOf('http://shop.test/jobs/a/walk?part=signs&member=rail-left&station=3#x', 'rail-right', '104'),
  ).toBe('http://shop.test/jobs/a/walk?member=rail-right&station=104&part=signs');
  expect(addressOf('http://shop.test/jobs/a/probe', 'cross-2', '12 1/2')).toBe(
    'http://shop.test/jobs/a/probe?member=cross-2&station=12+1%2F2',
  );
});
