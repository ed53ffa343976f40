import { ROUTES } from '@wrightonic/contract';
import type { Route, RouteName } from '@wrightonic/contract';
import request from 'supertest';
import { BODY_EXAMPLES, EXAMPLE_ID, QUERY_EXAMPLES } from '../src/http/examples';
import { addAthlete, signedIn, startHarness } from './harness';
import type { Client, Harness } from './harness';

interface Operation {
  readonly operationId: string;
  readonly parameters?: readonly { name: string; in: string; required: boolean; example?: string }[];
  readonly requestBody?: { content: Record<string, { example?: object }> };
  readonly responses: Record<string, { content?: Record<string, unknown> }>;
}
type Document = { readonly paths: Record<string, Record<string, Operation>> };

let harness: Harness;
let owner: Client;
let document: Document;
let athlete: string;
beforeAll(async () => {
  harness = await startHarness();
  owner = await signedIn(harness);
  athlete = await addAthlete(owner);
  document = (await request(harness.server).get('/api/openapi.json').expect(200)).body as Document;
});
afterAll(() => harness.close());

const routes = Object.entries(ROUTES) as [RouteName, Route][];
const operationOf = (name: RouteName): Operation =>
  Object.values(document.paths)
    .flatMap((path) => Object.values(path))
    .find((operation) => operation.operationId === name)!;

it.each(routes.filter(([, route]) => route.body))('%s has an example that it would take', (name, route) => {
  const example = operationOf(name).requestBody?.content['application/json']?.example;
  expect(example).toEqual(JSON.parse(JSON.stringify(BODY_EXAMPLES[name]?.(EXAMPLE_ID) ?? null)));
  expect(route.body!.validate(example).error).toBeUndefined();
});

it.each(routes.filter(([, route]) => route.query))('%s says in its example what its address needs', (name, route) => {
  for (const { required, example, in: where } of operationOf(name).parameters ?? [])
    if (where === 'query' && required) expect(example).toBeDefined();
  expect(route.query!.validate(QUERY_EXAMPLES[name] ?? {}).error).toBeUndefined();
});

it.each(routes.filter(([, route]) => route.method === 'get' && !route.stream && !/:(id|secret)/.test(route.path)))(
  '%s answers as the document says',
  async (name) => {
    const path = Object.keys(document.paths).find((p) => document.paths[p]!.get?.operationId === name)!;
    const query = new URLSearchParams(QUERY_EXAMPLES[name]).toString();
    const { status, type } = await owner.get(`${path.replace('{athlete}', athlete)}${query ? `?${query}` : ''}`);
    // Nothing to show is said as such, too.
    if (status === 404) expect(type).toBe('application/problem+json');
    else {
      expect(String(status)).toBe(Object.keys(operationOf(name).responses)[0]);
      expect([type]).toEqual([Object.keys(operationOf(name).responses['200']?.content ?? {})[0]]);
    }
  },
);
