import Joi from 'joi';
import { innerOf, stateOf } from './boundary';
import type { Path } from './boundary';

/** What checks a value and gives it its type. */
export type Schema<T> = Joi.Schema<T>;

type Present<T> = Exclude<T, undefined | null>;

/** The kind of schema that a value of type T needs: a wrong kind, a missing or a surplus key does not compile. */
export type SchemaFor<T> = 0 extends 1 & T
  ? Joi.Schema
  : [Present<T>] extends [string]
    ? Joi.StringSchema<any>
    : [Present<T>] extends [number]
      ? Joi.NumberSchema<any>
      : [Present<T>] extends [boolean]
        ? Joi.BooleanSchema<any>
        : [Present<T>] extends [readonly unknown[]]
          ? Joi.ArraySchema<any>
          : [Present<T>] extends [object]
            ? Joi.ObjectSchema<Present<T>> | Joi.ObjectSchema<any> | Joi.AlternativesSchema<any>
            : Joi.AlternativesSchema<any> | Joi.AnySchema<any>;

/** An object schema with exactly the keys of T. Unknown keys are refused. */
export const objectOf = <T>(keys: { [K in keyof T]-?: SchemaFor<T[K]> }): Joi.ObjectSchema<T> =>
  Joi.object<T>(keys as Joi.PartialSchemaMap<T>);

export const oneOf = <T extends string>(values: readonly T[]): Joi.StringSchema<T> => Joi.string<T>().valid(...values);
/** A list of so many at most. `check` looks at its length before anything in it. */
export const listOf = (schema: Joi.Schema, most = 2000): Joi.ArraySchema => Joi.array().items(schema).max(most);

/** Days of people who are alive, and of their plans. */
const [FIRST_DAY, LAST_DAY] = ['1900-01-01', '2199-12-31'];

/** A calendar day; nothing is read from the text but the day itself. */
export const isoDate = (): Joi.StringSchema =>
  Joi.string()
    .pattern(/^\d{4}-\d{2}-\d{2}$/)
    .custom((value: string, helpers) => {
      const day = new Date(`${value}T00:00:00Z`);
      if (Number.isNaN(day.getTime()) || day.toISOString().slice(0, 10) !== value) return helpers.error('date.day');
      return value < FIRST_DAY || value > LAST_DAY ? helpers.error('date.range') : value;
    })
    .messages({
      'string.pattern.base': '{{#label}} must be a day written as YYYY-MM-DD',
      'date.day': '{{#label}} is not a day of the calendar',
      'date.range': `{{#label}} must lie between ${FIRST_DAY} and ${LAST_DAY}`,
    });

/** An instant, ISO 8601 with its zone, in a year that is one. */
export const instant = (): Joi.StringSchema =>
  Joi.string()
    .isoDate()
    .custom((value: string, helpers) => {
      const time = Date.parse(value);
      return Number.isNaN(time) || time < 0 || time > Date.UTC(9999, 0) ? helpers.error('instant.range') : value;
    })
    .messages({ 'instant.range': '{{#label}} must be an instant between 1970 and 9999, like 2026-05-04T15:00:00Z' });

/** A fault of a value inside the one that is looked at, under its own path. */
export function errorAt(helpers: Joi.CustomHelpers, code: string, local: object, inside: Path): Joi.ErrorReport {
  const state = stateOf(helpers);
  return helpers.error(code, local, state.localize([...state.path, ...inside]));
}

export const uuid = (): Joi.StringSchema => Joi.string().guid({ version: ['uuidv4', 'uuidv7'] });
/** Text of a person. Half of a letter made of two (a lone surrogate) cannot be kept, and stands for nothing. */
export const text = (most: number): Joi.StringSchema =>
  Joi.string()
    .trim()
    .min(1)
    .max(most)
    .prefs({ convert: true })
    .custom((value: string, helpers) => (LONE_SURROGATE.test(value) ? helpers.error('text.broken') : value))
    .messages({ 'text.broken': '{{#label}} holds half a letter: type it again, or leave the picture out' });
const LONE_SURROGATE = /\p{Surrogate}/u;
/** Text that may be left empty. */
export const maybeText = (most: number): Joi.StringSchema => text(most).allow('');
export const count = (most: number): Joi.NumberSchema => Joi.number().integer().min(0).max(most);

/** One value that was refused: where, and what to do about it. */
export interface FieldProblem {
  readonly path: string;
  readonly message: string;
}

/** RFC 9457 problem details, with the fields that were wrong. */
export interface Problem {
  readonly title: string;
  readonly status?: number;
  readonly detail: string;
  readonly errors: readonly FieldProblem[];
}

export type Checked<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problem: Problem };

const pathText = (path: readonly (string | number)[]): string =>
  path.reduce<string>(
    (text, part) => (typeof part === 'number' ? `${text}[${part}]` : text ? `${text}.${part}` : String(part)),
    '',
  );

/** Of a value with more parts than this the first fault is told, and no others are looked for. */
const MANY_PARTS = 5000;
const FAULTS_TOLD = 50;

/** Whether a value has more than so many parts; no more of them are counted. */
function isLarge(value: unknown): boolean {
  let parts = 0;
  const open = [value];
  while (open.length > 0 && parts <= MANY_PARTS) {
    const next = open.pop();
    if (next === null || typeof next !== 'object') continue;
    for (const key in next) {
      if (++parts > MANY_PARTS) break;
      open.push((next as Record<string, unknown>)[key]);
    }
  }
  return parts > MANY_PARTS;
}

const listed = new WeakMap<Joi.Schema, boolean>();
/** Whether there is a list anywhere in a schema. */
function holdsLists(schema: Joi.Schema): boolean {
  const known = listed.get(schema);
  if (known !== undefined) return known;
  listed.set(schema, false);
  const { keys, items } = innerOf(schema).$_terms;
  const found = schema.type === 'array' || (keys ?? []).some((k) => holdsLists(k.schema)) || (items ?? []).some(holdsLists);
  listed.set(schema, found);
  return found;
}

/** The first list of a value that is longer than it may be: Joi itself would look at every item before. */
function tooLong(schema: Joi.Schema, value: unknown, path: readonly (string | number)[] = []): FieldProblem | null {
  if (value === null || typeof value !== 'object' || !holdsLists(schema)) return null;
  const { $_terms: terms } = innerOf(schema);
  if (Array.isArray(value)) {
    const most = innerOf(schema).$_getRule('max')?.args?.limit;
    if (schema.type === 'array' && typeof most === 'number' && value.length > most)
      return {
        path: pathText(path),
        message: `${pathText(path)} must contain less than or equal to ${most} items; there are ${value.length}`,
      };
    const [item] = terms.items ?? [];
    if (!item || !holdsLists(item)) return null;
    for (const [n, part] of value.entries()) {
      const found = tooLong(item, part, [...path, n]);
      if (found) return found;
    }
    return null;
  }
  for (const { key, schema: inside } of terms.keys ?? []) {
    const found = tooLong(inside, (value as Record<string, unknown>)[key], [...path, key]);
    if (found) return found;
  }
  return null;
}

/**
 * Checks a value against a schema: all faults at once, nothing converted but surrounding blanks. What has more parts than anybody
 * would mend by hand is told its first fault alone, so that no junk takes longer to refuse than good input takes to read.
 */
export function check<T>(schema: Joi.Schema<T>, value: unknown, title = 'The input is not right'): Checked<T> {
  const long = tooLong(schema, value);
  if (long) return { ok: false, problem: { title, detail: `${long.path}: ${long.message}`, errors: [long] } };
  const validated = (abortEarly: boolean) =>
    schema.validate(value, { abortEarly, convert: false, errors: { wrap: { label: false }, label: 'path' } });
  const once = validated(true);
  if (!once.error) return { ok: true, value: once.value as T };
  const { details } = (isLarge(value) ? once.error : validated(false).error) ?? once.error;
  const errors = details.slice(0, FAULTS_TOLD).map((detail) => ({
    path: pathText(detail.path),
    message: detail.message,
  }));
  const first = errors[0]!;
  return { ok: false, problem: { title, detail: `${first.path || 'input'}: ${first.message}`, errors } };
}
