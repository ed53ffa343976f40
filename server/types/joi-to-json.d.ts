declare module 'joi-to-json' {
  import type Joi from 'joi';
  export default function parse(schema: Joi.Schema, kind: 'open-api-3.1' | 'json'): Record<string, unknown>;
}
