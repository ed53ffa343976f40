/** A day's schedule found by trying exchanges: good ones are kept, poor ones ever less often (simulated annealing, Kirkpatrick 1983). */
import { randomFrom } from '../shared/random';
import { DayBoard } from './board';
import type { DayTask } from './day';
import type { Assignment } from './types';

/** By how much worse an exchange may make it to pass one time in three, at the start and at the end. */
const WARM = 3;
const COLD = 0.03;

/** Share of the exchanges that bring somebody to a friend or to the group. */
const COMPANY = 0.2;

export interface Searched {
  /** Whoever has no place is in none of them. */
  readonly assignments: readonly Assignment[];
  /** What they are worth, with all that they lack. */
  readonly score: number;
}

/**
 * @param steps exchanges that are tried
 * @returns the best schedule met
 */
export function searchDay(task: DayTask, seed: number, steps: number): Searched {
  const board = new DayBoard(task);
  board.fill();
  return tryExchanges(board, seed, steps, (step) => WARM * (COLD / WARM) ** (step / steps));
}

/**
 * Brings friends and groups together in a schedule that was made without them: no exchange is kept that makes it worse.
 * @returns the schedule, and what company comes to beyond that schedule's score
 */
export function withCompany(
  task: DayTask,
  schedule: readonly Assignment[],
  seed: number,
  steps: number,
): { readonly assignments: readonly Assignment[]; readonly gain: number } {
  const board = new DayBoard(task);
  board.settle(schedule);
  const alone = board.score - board.company;
  const { assignments, score } = tryExchanges(board, seed, steps, () => 0);
  return { assignments, gain: score - alone };
}

/** @param heatAt by how much worse an exchange may make it to pass one time in three; at 0 none passes */
function tryExchanges(board: DayBoard, seed: number, steps: number, heatAt: (step: number) => number): Searched {
  const random = randomFrom(seed);
  const { slots } = board;
  if (slots.length === 0) return { assignments: [], score: board.score };
  const below = (many: number) => Math.floor(random.uniform() * many);
  let best = board.score;
  let kept = board.places.slice();
  for (let step = 0; step < steps; step++) {
    const heat = heatAt(step);
    const before = board.score;
    const slot = slots[below(slots.length)]!;
    const station = random.chance(COMPANY) ? board.companyOf(slot.athlete, slot.rotation, below) : below(board.stations);
    const tried = random.chance(0.6)
      ? board.send(slot.athlete, slot.rotation, station, below)
      : board.exchange(slot.athlete, slots[below(slots.length)]!.athlete, slot.rotation, slots[below(slots.length)]!.rotation);
    if (!tried) continue;
    if (board.score < before && random.uniform() >= Math.exp((board.score - before) / heat)) board.undo();
    else if (board.score > best + 1e-9) {
      best = board.score;
      kept = board.places.slice();
    }
  }
  return { assignments: board.assignmentsOf(kept), score: best };
}
