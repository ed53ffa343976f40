import type { BodyNoteRow, BodyPicture, BodyReadingRow } from '@wrightonic/contract';
import type { TestStep } from '@wrightonic/core';
import type { Operation } from '../../data/operations';

/** A body check as it stands on this device: what the server has, and what is still on its way to it. */
export interface CheckState {
  /** null: none is under way. */
  readonly check: string | null;
  readonly kind: 'short' | 'full';
  readonly on: string;
  readonly steps: readonly TestStep[];
  readonly readings: readonly BodyReadingRow[];
  readonly notes: readonly BodyNoteRow[];
  readonly finished: boolean;
  /** Reasons why the server would not have something. */
  readonly refused: readonly string[];
}

const NONE: CheckState = { check: null, kind: 'short', on: '', steps: [], readings: [], notes: [], finished: false, refused: [] };

/** The newest check begun on this device and not yet with the server, or the server's newest. */
export function checkState(
  operations: readonly Operation[],
  athlete: string,
  user: string,
  picture: BodyPicture | undefined,
): CheckState {
  const mine = operations.filter((o) => o.athlete === athlete && o.user === user);
  const begun = mine.filter((o) => o.work.kind === 'check' && o.status !== 'refused');
  const check = begun[begun.length - 1]?.session ?? picture?.check?.id ?? null;
  if (check === null) return NONE;
  const server = picture?.check?.id === check ? picture.check : null;
  const work = mine.filter((o) => o.session === check);
  const readings = new Map(server?.readings.map((r) => [r.id, r]) ?? []);
  const notes = new Map(server?.notes.map((n) => [n.id, n]) ?? []);
  let finished = server?.finished ?? false;
  let start: Pick<CheckState, 'kind' | 'on' | 'steps'> = server ?? NONE;
  for (const { work: w, status } of work) {
    if (status === 'refused') continue;
    if (w.kind === 'check') start = w.body;
    if (w.kind === 'reading') readings.set(w.id, { ...w.body, id: w.id });
    if (w.kind === 'drop-reading') readings.delete(w.id);
    if (w.kind === 'note') notes.set(w.id, { ...w.body, id: w.id });
    if (w.kind === 'end-check') finished = true;
  }
  return {
    check,
    kind: start.kind,
    on: start.on,
    steps: start.steps,
    readings: [...readings.values()],
    notes: [...notes.values()],
    finished,
    refused: work.flatMap((o) => (o.status === 'refused' && o.reason ? [o.reason] : [])),
  };
}

export const isAt =
  ({ test, side }: TestStep) =>
  (other: TestStep): boolean =>
    other.test === test && other.side === side;

/** Whether a step needs nothing more: read as often as wanted, or ended because it hurt. */
export function isDone(state: CheckState, step: TestStep, wanted: number): boolean {
  const here = isAt(step);
  return (
    state.readings.filter((r) => here(r) && r.moment === 'first').length >= wanted ||
    state.notes.some((n) => here(n) && n.pain !== null)
  );
}
