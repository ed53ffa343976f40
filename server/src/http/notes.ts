import type { RequestHandler } from 'express';
import { ProblemError } from '../problems';

/** Faults whose message the engine makes from names in the program, never from what somebody entered. */
const PLAIN: ReadonlySet<string> = new Set(['TypeError', 'ReferenceError', 'SyntaxError']);

/**
 * A fault as the log keeps it: what kind, and where in the program. Messages of a database or a parser quote what was being written:
 * names, and what is said of a body. They are left out.
 */
export function faultNote(error: unknown): string {
  if (!(error instanceof Error)) return `A ${typeof error} was thrown`;
  const { code, errno, sqlState } = error as Error & { code?: string; errno?: number; sqlState?: string };
  const frames = (error.stack ?? '').split('\n').filter((line) => /^\s+at /.test(line));
  // A parser’s SyntaxError quotes its text; the engine’s own comes before anything runs.
  const title = error instanceof ProblemError ? `: ${error.title}` : '';
  const says = PLAIN.has(error.name) && !/JSON/.test(error.message) ? `: ${error.message}` : '';
  const known = [code, errno, sqlState].filter((part) => part !== undefined).join(' ');
  return [`${error.name}${known ? ` (${known})` : ''}${says}${title}`, ...frames].join('\n');
}

/** One line of JSON for each request of the API: when, which endpoint, how it ended, how long it took. No ids, no names, no text. */
export const noteRequests =
  (note: (line: string) => void, clock: () => Date): RequestHandler =>
  (req, res, next) => {
    const began = performance.now();
    res.once('close', () => {
      const route = (req.route as { path?: string } | undefined)?.path ?? 'none';
      const ms = Math.round(performance.now() - began);
      note(
        JSON.stringify({
          at: clock().toISOString(),
          method: req.method,
          route,
          status: res.statusCode,
          ms,
          cut: !res.writableFinished,
        }),
      );
    });
    next();
  };
