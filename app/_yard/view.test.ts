import { addressOf, viewFrom } from './view';

test('an address says how the yard is looked at; what is not known is passed over', () => {
  expect(viewFrom({})).toEqual({ search: '', sort: 'latest', closedToo: false, page: 1 });
  expect(
    viewFrom({ search: ' gr ', sort: 'tag', verdict: 'Renew', verb: 'probe', closed: '1', page: '3' }),
  ).toEqual({
    search: 'gr',
    sort: 'tag',
    verdict: 'Renew',
    verb: 'probe',
    steps: ['first readings', 'a rail not measured'],
    closedToo: true,
    page: 3,
  });
  expect(viewFrom({ sort: 'money', verdict: 'Leave', verb: 'fly', page: '-2' })).toEqual(viewFrom({}));
  expect(viewFrom({ search: ['a', 'b'], page: '1.5' })).toMatchObject({ search: 'a', page: 1 });
  expect(viewFrom({ search: 'x'.repeat(500) }).search).toHaveLength(80);
});

test('another choice starts at the first page and keeps the rest', () => {
  expect(addressOf({}, {})).toBe('/');
  expect(addressOf({ search: 'gr', page: '4' }, { verdict: 'Mend' })).toBe('/?search=gr&verdict=Mend');
  expect(addressOf({ verdict: 'Mend' }, { verdict: '' })).toBe('/');
  expect(addressOf({ search: 'a&b' }, { page: '2' })).toBe('/?search=a%26b&page=2');
});
