import type { StandingClearance } from '@wrightonic/contract';
import type { DayRoom } from '@wrightonic/core';
import { Caution } from '../ui/controls';
import { plainDay } from '../ui/words';

/** What standing clearances leave in numbers: the stricter of each. */
function inNumbers({ clearance }: DayRoom): string {
  if (!clearance) return '';
  const { mostThrows, highestEffort } = clearance;
  const parts = [
    mostThrows === null ? null : `at most ${mostThrows} throws a day`,
    highestEffort === null ? null : `effort up to ${highestEffort} %`,
  ].filter((part) => part !== null);
  return parts.length === 0 ? '' : ` Kept to: ${parts.join(', ')}.`;
}

/** A clinician's clearance while it holds, with its limits as they were typed in: for everybody who lets the athlete throw. */
export function ClearanceLine({ clearance, today }: { readonly clearance: StandingClearance | null; readonly today: DayRoom }) {
  if (!clearance) return null;
  const until = clearance.until ? ` until ${plainDay(clearance.until)}` : '';
  const limits = clearance.limits ? ` Limits: ${clearance.limits.replace(/[.\s]*$/, '')}.` : ' No limits were written down.';
  const back = today.lockComesBack ? ` Throwing is locked again from ${plainDay(today.lockComesBack)} without a new one.` : '';
  return (
    <Caution testID="clearance">
      {`Cleared by ${clearance.by} on ${plainDay(clearance.date)}${until}, recorded by ${clearance.recordedBy}.${limits}${inNumbers(today)}${back}`}
    </Caution>
  );
}
