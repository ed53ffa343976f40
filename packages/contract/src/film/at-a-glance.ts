/** Tens of thousands of small parts, each read by Joi, hold a server up for everybody: most are plainly right, and told so by a look. */
import Joi from 'joi';

/**
 * What a plain look vouches for passes at once; whatever it does not, the schema decides and says why.
 * @param vouches whether a value is right beyond doubt; it may know less than the schema, never more
 */
export const atAGlance = (vouches: (value: unknown) => boolean, schema: Joi.Schema): Joi.AlternativesSchema =>
  Joi.alternatives().conditional(
    Joi.any().custom((value: unknown, helpers) => (vouches(value) ? value : helpers.error('any.invalid'))),
    { then: Joi.any(), otherwise: schema },
  );

/** A JSON Schema made from Joi's, for reading: where a look may vouch for a value, what the schema behind it says. */
export function withoutGlances(node: unknown): unknown {
  if (Array.isArray(node)) return node.map(withoutGlances);
  if (typeof node !== 'object' || node === null) return node;
  const { if: looked, else: behind } = node as Record<string, unknown>;
  if (looked !== undefined && behind !== undefined && sameText(looked, (node as { then?: unknown }).then))
    return withoutGlances(behind);
  return Object.fromEntries(Object.entries(node).map(([key, value]) => [key, withoutGlances(value)]));
}
const sameText = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);
