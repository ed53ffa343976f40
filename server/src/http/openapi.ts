import { ROLE_NAMES, rolesOf, ROUTES, withoutGlances } from '@wrightonic/contract';
import type { Route, RouteName } from '@wrightonic/contract';
import parse from 'joi-to-json';
import { BODY_EXAMPLES, EXAMPLE_ID, QUERY_EXAMPLES } from './examples';

const openApiPath = (path: string): string => path.replace(/:(\w+)/g, '{$1}');

const forWhom = (route: Route): string => {
  const roles = rolesOf(route).map((role) => ROLE_NAMES[role]);
  return roles.length > 0 ? `For ${roles.join(', ')}.` : 'For everybody who has what it asks for.';
};

/** What an answer is written in: a file says it itself. */
function mediaOf({ stream, bytes, answer }: Route): string {
  if (stream) return 'text/event-stream';
  if (bytes !== 'out') return 'application/json';
  return answer.name.includes('/') ? answer.name : 'application/octet-stream';
}

function operation(name: RouteName, route: Route): object {
  const example = BODY_EXAMPLES[name]?.(EXAMPLE_ID);
  const parameters: { name: string; in: string; required: boolean; schema: object; example?: string }[] = [
    ...route.path.matchAll(/:(\w+)/g),
  ].map(([, parameter]) => ({
    name: parameter!,
    in: 'path',
    required: true,
    schema: { type: 'string', format: 'uuid' },
  }));
  const query = route.query
    ? (parse(route.query, 'open-api-3.1') as { properties?: Record<string, object>; required?: string[] })
    : null;
  for (const [key, schema] of Object.entries(query?.properties ?? {}))
    parameters.push({
      name: key,
      in: 'query',
      required: query?.required?.includes(key) ?? false,
      schema,
      ...(QUERY_EXAMPLES[name]?.[key] === undefined ? {} : { example: QUERY_EXAMPLES[name][key] }),
    });
  const problem = {
    description: 'Refused: what, where and what to do',
    content: { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } },
  };
  return {
    operationId: name,
    summary: route.summary,
    description: forWhom(route),
    ...(parameters.length > 0 ? { parameters } : {}),
    ...(route.bytes === 'in'
      ? {
          requestBody: {
            required: true,
            content: { 'application/octet-stream': { schema: { type: 'string', format: 'binary' } } },
          },
        }
      : {}),
    ...(route.body
      ? {
          requestBody: {
            required: true,
            content: {
              'application/json': {
                schema: withoutGlances(parse(route.body, 'open-api-3.1')),
                ...(example === undefined ? {} : { example }),
              },
            },
          },
        }
      : {}),
    responses: {
      [route.answer.name === 'nothing' ? '204' : '200']: {
        description: route.answer.name,
        ...(route.answer.name === 'nothing' ? {} : { content: { [mediaOf(route)]: {} } }),
      },
      '4XX': problem,
    },
    ...(route.needs === null ? {} : { security: [{ session: [] }] }),
  };
}

/** The OpenAPI 3.1 document, made from the table that the server is mounted from. */
export function openApiDocument(): object {
  const paths: Record<string, Record<string, object>> = {};
  for (const [name, route] of Object.entries(ROUTES) as [RouteName, Route][])
    (paths[openApiPath(route.path)] ??= {})[route.method] = operation(name, route);
  return {
    openapi: '3.1.0',
    info: {
      title: 'Wrightonic',
      version: '1',
      description: 'Ids are made by the caller (UUID version 7); the same write sent twice is one record.',
    },
    servers: [{ url: '/api' }],
    paths,
    components: {
      securitySchemes: { session: { type: 'apiKey', in: 'cookie', name: 'wrightonic' } },
      schemas: {
        Problem: {
          type: 'object',
          required: ['title', 'status', 'detail', 'errors'],
          properties: {
            title: { type: 'string' },
            status: { type: 'integer' },
            detail: { type: 'string' },
            errors: {
              type: 'array',
              items: { type: 'object', properties: { path: { type: 'string' }, message: { type: 'string' } } },
            },
          },
        },
      },
    },
  };
}

const escape = (text: string): string =>
  text.replace(/[&<>"]/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[c]!);

/** A page that lists the endpoints; plain HTML, no script. */
export function openApiPage(): string {
  const rows = (Object.entries(ROUTES) as [RouteName, Route][])
    .map(([name, route]) => {
      const example = BODY_EXAMPLES[name]?.(EXAMPLE_ID);
      const told = example
        ? `<details><summary>Example</summary><pre>${escape(JSON.stringify(example, null, 2))}</pre></details>`
        : '';
      const body = route.body
        ? `<details><summary>Body</summary><pre>${escape(JSON.stringify(parse(route.body, 'open-api-3.1'), null, 2))}</pre></details>`
        : '';
      return `<article><h2><code>${route.method.toUpperCase()} /api${escape(route.path)}</code></h2><p>${escape(route.summary)}. Answers <code>${escape(route.answer.name)}</code>. ${forWhom(route)}</p>${told}${body}</article>`;
    })
    .join('\n');
  return `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>Wrightonic API</title><link rel="stylesheet" href="/base.css"></head><body class="docs"><main><h1>Wrightonic API</h1><p>Machine-readable: <a href="/api/openapi.json">openapi.json</a>. Ids are UUIDs that the caller makes; the same write sent twice is one record. Refusals are <code>application/problem+json</code>.</p>${rows}</main></body></html>`;
}
