import Ajv from 'ajv';
import parse from 'joi-to-json';
import { COMMANDS } from './commands';
import { commandsPage } from './docs';
import { EXAMPLES } from './examples';

/** The schemas as they are printed, read by a validator of its own. */
const printed = Object.entries(COMMANDS).flatMap(([name, { schema }]) =>
  schema ? [[name, parse(schema, 'json')] as const] : [],
);

describe('the JSON Schemas of docs/cli.md', () => {
  it.each(printed)('%s accepts its own example', (name, schema) => {
    const ajv = new Ajv({ allErrors: true });
    const accepts = ajv.compile(schema as object);
    const fine = accepts(EXAMPLES[name]);
    expect([name, fine, accepts.errors]).toEqual([name, true, null]);
    // And not just anything: the same fields with nothing in them are refused.
    expect(accepts(Object.fromEntries(Object.keys(EXAMPLES[name]!).map((key) => [key, {}])))).toBe(false);
  });

  it('are those of the page', async () => {
    const page = await commandsPage();
    for (const [, schema] of printed) expect(page).toContain(JSON.stringify(schema, null, 2).slice(0, 400));
  });
});
