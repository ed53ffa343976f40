import { DRILLS } from '../drills/catalogue';
import { RUNG_NAMES } from '../drills/types';
import type { Equipment } from '../drills/types';
import { findingById } from '../findings/catalogue';
import { ageOn } from '../shared/dates';
import { sum } from '../shared/maths';
import { treatmentOf } from './choose';
import { outlineClimb } from './climb';
import { fitInOrder } from './fit';
import type { Fit } from './fit';
import { openLedger } from './ledger';
import type { Plan, PlanRequest } from './types';

/**
 * A plan from the athlete's state under every hard rule: the climb says which rung is expected when, the fit chooses drills and
 * doses. Nothing is thrown that the ledger does not allow.
 */
export function makePlan(request: PlanRequest, fit: Fit = fitInOrder): Plan {
  const outlines = outlineClimb(request);
  const { sessions, violations } = fit(request, outlines);
  const infeasible = sessions.length === 0 ? whyNothing(request, outlines.length) : null;
  return {
    sessions,
    violations,
    infeasible,
    summary: infeasible ? infeasible.reason : summarise(request, { sessions, violations }),
  };
}

/** Which rules clash and what to relax, the smallest change first. */
function whyNothing(request: PlanRequest, days: number): Plan['infeasible'] {
  if (request.focus.length === 0)
    return { reason: 'There is no focus to plan for.', relax: ['Choose a focus from the diagnosis.'] };
  if (request.availability.length === 0)
    return { reason: 'No day of the week is available.', relax: ['Give at least one weekday with minutes and a place.'] };
  if (days === 0) return { reason: 'Every available day is a game day.', relax: ['Add one weekday without a game.'] };
  const finding = request.focus[0]!.finding;
  const age = ageOn(request.athlete.birthDate, request.on);
  const fitting = DRILLS.filter(
    (d) => d.disciplines.includes(request.athlete.discipline) && treatmentOf(d, finding) && age >= d.minAge,
  );
  const places = new Set(request.availability.map((a) => a.place));
  const relax: string[] = [];
  const minutes = Math.max(...request.availability.map((a) => a.minutes));
  if (minutes < 5) relax.push('Give the session at least 5 minutes.');
  const kit = new Set<Equipment>(fitting.filter((d) => d.place.some((p) => places.has(p))).flatMap((d) => d.equipment));
  for (const piece of kit) if (!request.equipment.includes(piece)) relax.push(`Get a ${piece}.`);
  if (!fitting.some((d) => d.place.some((p) => places.has(p)))) relax.push('Add a session at the cage or field.');
  if (!request.partner && fitting.some((d) => d.partner)) relax.push('Find a partner.');
  const lock = openLedger(request).lockOn(request.on);
  return {
    reason: lock
      ? `${lock.reason} Nothing without a ball fits either.`
      : `No drill for “${findingById(finding).title.toLowerCase()}” fits the place, kit, age and minutes given.`,
    relax: relax.slice(0, 4),
  };
}

function summarise(request: PlanRequest, plan: Pick<Plan, 'sessions' | 'violations'>): string {
  const { sessions } = plan;
  const throws = sum(sessions.map((s) => s.throws));
  const heights = request.focus.map(({ finding, rung }) => {
    const reached = Math.max(...sessions.flatMap((s) => s.items.filter((i) => i.role === 'main').map((i) => i.rung)));
    return `“${findingById(finding).title.toLowerCase()}” from rung ${rung} (${RUNG_NAMES[rung].toLowerCase()})${reached > rung ? ` toward ${reached}` : ''}`;
  });
  const tests = sessions.filter((s) => s.testDay).length;
  const lock = openLedger(request).lockOn(request.on);
  return [
    `${sessions.length} sessions in ${request.weeks} weeks for ${heights.join(' and ')}; ${throws} throws in all`,
    tests > 0 ? `${tests} test ${tests === 1 ? 'day' : 'days'}` : '',
    lock ? 'dry work only until throwing is cleared' : '',
  ]
    .filter(Boolean)
    .join(', ')
    .concat('.');
}
