/** What is read of a request, each part as its schema wants it. */
import { check, PART_MOST } from '@wrightonic/contract';
import type { Route, Schema } from '@wrightonic/contract';
import { parse as parseCookies, serialize } from 'cookie';
import express from 'express';
import type { Request, RequestHandler, Response } from 'express';
import { validate as isUuid } from 'uuid';
import type { User } from '../auth/sign-ins';
import { ProblemError } from '../problems';

export const COOKIE = 'wrightonic';

export const DEVICE_COOKIE = 'wrightonic-device';

export const cookieOf = (req: Request, name: string): string | undefined => parseCookies(req.headers.cookie ?? '')[name];

export function setCookies(
  req: Request,
  res: Response,
  cookies: readonly (readonly [name: string, value: string, maxAge: number])[],
): void {
  res.setHeader(
    'Set-Cookie',
    cookies.map(([name, value, maxAge]) =>
      serialize(name, value, { httpOnly: true, sameSite: 'strict', path: '/', maxAge, secure: req.secure }),
    ),
  );
}

export const signInRequired = () => new ProblemError(401, 'Sign in first', 'You are not signed in, or the sign-in has expired.');

/** Work that waited on a device names whose it is: under another's sign-in it is not taken, and goes on waiting. */
export function requireActing(req: Request, user: User): void {
  const acting = req.headers['x-acting-user'];
  if (acting !== undefined && acting !== user.id)
    throw new ProblemError(
      401,
      'Somebody else is signed in',
      `This was done under another name than ${user.name}’s. It waits on the device until that person signs in again.`,
    );
}

export function pathId(req: Request, name: 'athlete' | 'id'): string {
  const value = req.params[name];
  if (value === undefined) return '';
  const id = String(value);
  if (!isUuid(id))
    throw new ProblemError(422, 'The address is not right', `“${id}” is not an id`, [{ path: name, message: 'must be a UUID' }]);
  return id.toLowerCase();
}

/** A part of the request as its schema wants it; undefined where the endpoint takes none. */
export function checked<T>(schema: Schema<T> | undefined, value: unknown): T {
  if (!schema) return undefined as T;
  const result = check(schema, value ?? {});
  if (!result.ok) throw new ProblemError(422, result.problem.title, result.problem.detail, result.problem.errors);
  return result.value;
}

const isFrom = (origin: string, host: string | undefined): boolean => URL.canParse(origin) && new URL(origin).host === host;

/** A write from another site's page is refused, cookie or not. */
export const sameOrigin: RequestHandler = (req, _res, next) => {
  const { origin } = req.headers;
  if (req.method !== 'GET' && req.method !== 'HEAD' && origin && !isFrom(origin, req.headers.host))
    throw new ProblemError(403, 'Not allowed', 'Writes are accepted from the application’s own pages only.');
  next();
};

const LIMIT_KB = 1024;

/** What reads a route's body: bytes, or JSON of at most its own size. */
export const bodyOf = (route: Route): RequestHandler =>
  route.bytes === 'in'
    ? express.raw({ type: 'application/octet-stream', limit: route.limitKb ? `${route.limitKb}kb` : PART_MOST })
    : express.json({ limit: `${route.limitKb ?? LIMIT_KB}kb` });

/** Reads a body in the middle of a handler. Others have their turn between the reading of a large one and its check. */
export const read = (reader: RequestHandler, req: Request, res: Response): Promise<void> =>
  new Promise((resolve, reject) => {
    void reader(req, res, (error?: unknown) => (error ? reject(error as Error) : setImmediate(resolve)));
  });
