/** Every refusal is problem+json; a fault of ours says so without telling how. */
import type { ErrorRequestHandler } from 'express';
import { ProblemError } from '../problems';
import { faultNote } from './notes';

/** Every refusal is problem+json; a fault of ours says so without telling how. */
export function problemHandler(log: (message: string) => void): ErrorRequestHandler {
  return (error: unknown, _req, res, _next) => {
    const problem = toProblem(error);
    if (problem.status >= 500) log(faultNote(error));
    // An answer that has come to its end stands, and its connection may already carry another's request.
    if (res.writableEnded) return;
    // A clip that breaks off half-way is cut: whoever reads it sees that, and comes back.
    if (res.headersSent) return void res.destroy();
    res.status(problem.status).type('application/problem+json').send(JSON.stringify(problem));
  };
}

const sizeText = (bytes: number | undefined): string =>
  bytes === undefined ? 'more' : bytes < 1024 * 1024 ? `${Math.ceil(bytes / 1024)} KB` : `${(bytes / 1024 / 1024).toFixed(1)} MB`;

/** Whether the database cannot be reached: it is starting, or gone. */
export function isAway(error: unknown): boolean {
  const { code, name, message = '' } = error as { code?: string; name?: string; message?: string };
  return (
    (code !== undefined && AWAY.has(code)) ||
    name === 'KnexTimeoutError' ||
    /Connection lost|closed state|Pool is (closed|destroyed)|server has gone away/i.test(message)
  );
}

const AWAY: ReadonlySet<string> = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ETIMEDOUT',
  'PROTOCOL_CONNECTION_LOST',
  'ER_SERVER_SHUTDOWN',
  'ER_CON_COUNT_ERROR',
]);

const away = () =>
  new ProblemError(
    503,
    'The records cannot be reached',
    'The database is away for the moment. Nothing was saved; try again shortly.',
  );

function toProblem(error: unknown): ProblemError {
  if (error instanceof ProblemError) return error;
  const { type, status, code, length, limit } = error as {
    type?: string;
    status?: number;
    code?: string;
    length?: number;
    limit?: number;
  };
  if (isAway(error)) return away();
  if (type === 'entity.parse.failed')
    return new ProblemError(400, 'The input is not JSON', 'The body could not be read as JSON.');
  if (type === 'entity.too.large')
    return new ProblemError(
      413,
      'Too much at once',
      `The body is too large: it has ${sizeText(length)}, and ${sizeText(limit)} are taken here. Send it in smaller parts.`,
    );
  if (status && status >= 400 && status < 500)
    return new ProblemError(status, 'The request is not right', (error as Error).message);
  if (code === 'ER_LOCK_DEADLOCK' || code === 'ER_LOCK_WAIT_TIMEOUT')
    return new ProblemError(503, 'Busy', 'Somebody else was writing the same thing. Nothing was saved; send it again.');
  return new ProblemError(
    500,
    'Something went wrong here',
    'Nothing was saved. Try again; if it happens again, tell whoever runs this server.',
  );
}
