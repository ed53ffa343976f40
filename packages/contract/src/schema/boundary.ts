/** Where Joi’s types say less than is so: each of these casts, with its reason. */
import type Joi from 'joi';

export type Path = (string | number)[];

/** What Joi’s types leave out of a schema: its keys, its items, and the limit of a rule. */
interface Inner {
  readonly $_terms: {
    readonly keys?: readonly { readonly key: string; readonly schema: Joi.Schema }[] | null;
    readonly items?: readonly Joi.Schema[];
  };
  readonly $_getRule: (name: string) => { readonly args?: { readonly limit?: unknown } } | undefined;
}
export const innerOf = (schema: Joi.Schema): Inner => schema as unknown as Inner;

/** The state of a check, with what Joi’s types leave out of it: how it is moved to another place. */
export const stateOf = ({ state }: Joi.CustomHelpers) =>
  state as unknown as { readonly path: Path; readonly localize: (path: Path) => typeof state };

/** A schema of alternatives: Joi knows the type of none of them. */
export const schemaOf = <T>(schema: Joi.Schema): Joi.Schema<T> => schema as unknown as Joi.Schema<T>;
