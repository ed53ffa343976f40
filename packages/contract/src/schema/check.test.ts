import Joi from 'joi';
import { check, listOf, objectOf, text } from './schema';

interface Item {
  readonly name: string;
  readonly n: number;
}
const item = objectOf<Item>({ name: text(20).required(), n: Joi.number().required() });
const list = objectOf<{ readonly items: readonly Item[] }>({ items: listOf(item, 3).required() });
const many = objectOf<{ readonly items: readonly Item[] }>({ items: listOf(item, 1_000_000).required() });
const good = (n: number): Item => ({ name: `item ${n}`, n });

function faultsOf(schema: Joi.Schema, value: unknown): readonly string[] {
  const found = check(schema, value);
  return found.ok ? [] : found.problem.errors.map((e) => `${e.path}: ${e.message}`);
}

describe('a value that is checked', () => {
  it('is given back as it was when it is right', () => {
    const value = { items: [good(1), good(2)] };
    expect(check(list, value)).toEqual({ ok: true, value });
  });

  it('is told all its faults at once, each with its place', () => {
    const faults = faultsOf(list, { items: [{ name: 4, n: 'x' }, good(2), { name: 'c', n: 1, more: true }], other: 1 });
    expect(faults).toHaveLength(4);
    for (const path of ['items[0].name', 'items[0].n', 'items[2].more', 'other'])
      expect(faults.some((fault) => fault.startsWith(`${path}:`))).toBe(true);
  });

  it('says first that a list is too long, before anything that is in it', () => {
    const faults = faultsOf(list, { items: [null, null, null, null] });
    expect(faults).toEqual(['items: items must contain less than or equal to 3 items; there are 4']);
    // Inside of others, too, and without reading what is before it.
    const rows = objectOf<{ readonly rows: readonly { readonly items: readonly Item[] }[] }>({
      rows: listOf(list, 5).required(),
    });
    const read: string[] = [];
    const first = {
      get items() {
        read.push('items');
        return [];
      },
    };
    expect(faultsOf(rows, { rows: [first, { items: Array.from({ length: 9 }, () => null) }] })).toEqual([
      'rows[1].items: rows[1].items must contain less than or equal to 3 items; there are 9',
    ]);
    expect(read.length).toBeLessThanOrEqual(1);
  });

  it('of more parts than anybody would mend is told one fault, wherever it stands', () => {
    const long = Array.from({ length: 20_000 }, (_, n) => good(n));
    expect(check(many, { items: long }).ok).toBe(true);
    expect(faultsOf(many, { items: [...long, { name: '', n: 1 }, { name: '', n: 2 }] })).toHaveLength(1);
    expect(faultsOf(many, { items: Array.from({ length: 20_000 }, () => null) })).toHaveLength(1);
    const keys = Object.fromEntries(Array.from({ length: 20_000 }, (_, n) => [`key${n}`, n]));
    expect(faultsOf(list, keys)).toHaveLength(1);
  });

  it('is never changed: no text becomes a number, no day an instant', () => {
    expect(faultsOf(list, { items: [{ name: 'a', n: '3' }] })).toHaveLength(1);
    const value = { items: [{ name: 'a', n: 3 }] };
    const copy = JSON.stringify(value);
    check(list, value);
    expect(JSON.stringify(value)).toBe(copy);
  });

  it('may be anything at all', () => {
    for (const value of [null, 3, 'text', [], [[[]]], () => 1, Symbol('s'), NaN, new Date(), Object.create(null)])
      expect(check(list, value).ok).toBe(false);
  });

  it('that holds itself is refused and not followed for ever', () => {
    const round: Record<string, unknown> = { items: [] };
    round.items = [round];
    expect(check(list, round).ok).toBe(false);
  });
});
