import type { FieldProblem, Problem } from '@wrightonic/contract';

/** A refusal that the caller can do something about. Everything else that is thrown is a fault of ours. */
export class ProblemError extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    readonly detail: string,
    readonly errors: readonly FieldProblem[] = [],
  ) {
    super(detail);
    this.name = 'ProblemError';
  }

  toJSON(): Problem {
    return { title: this.title, status: this.status, detail: this.detail, errors: this.errors };
  }
}

export const notFound = (what: string) => new ProblemError(404, 'Not found', `There is no such ${what} in this academy.`);
export const conflict = (title: string, detail: string) => new ProblemError(409, title, detail);
export const wrongField = (path: string, message: string) =>
  new ProblemError(422, 'The input is not right', `${path}: ${message}`, [{ path, message }]);
