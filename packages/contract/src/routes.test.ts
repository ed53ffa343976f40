import { pathOf, routeOf, ROUTES } from './routes';
import type { ParamsOf, RouteName } from './routes';

const NAMES = Object.keys(ROUTES) as RouteName[];

test('a write answers as a read of the same athlete that answers the same, and renews nothing that only a read knows', () => {
  for (const name of NAMES) {
    const { answersAs, answer, method, renews, shows } = routeOf(name);
    if (method === 'get') expect([name, answersAs, renews]).toEqual([name, undefined, undefined]);
    else expect([name, shows]).toEqual([name, undefined]);
    if (answersAs === undefined) continue;
    const read = routeOf(answersAs as RouteName);
    expect([name, read.method]).toEqual([name, 'get']);
    expect(read.answer.name.split(' | ')).toContain(answer.name);
    for (const key of read.path.match(/:\w+/g) ?? []) expect(routeOf(name).path).toContain(key);
  }
});

test('what a write renews is shown by some read', () => {
  const shown = new Set(NAMES.map((name) => routeOf(name).shows));
  for (const name of NAMES)
    for (const topic of routeOf(name).renews ?? []) expect([name, topic, shown.has(topic)]).toEqual([name, topic, true]);
});

test('no two endpoints stand at one address with one method', () => {
  const places = NAMES.map((name) => `${routeOf(name).method} ${routeOf(name).path}`);
  expect(new Set(places).size).toBe(places.length);
});

test('an address is filled in, and what is put into it stays one part of it', () => {
  const params: Record<ParamsOf<'clip'>, string> = { athlete: 'a b', id: '../x?y' };
  expect(pathOf('clip', params)).toBe('/athletes/a%20b/clips/..%2Fx%3Fy');
  expect(pathOf('today')).toBe('/today');
});
