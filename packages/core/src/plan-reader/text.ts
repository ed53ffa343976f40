/** A plan as a coach would read it on paper. */
import { libraryOf } from '../drills/library';
import { findingById } from '../findings/catalogue';
import type { Plan, PlanItem, PlanRequest } from '../plan/types';
import { ageOn, weekdayOf } from '../shared/dates';

const dose = (item: PlanItem): string =>
  `${item.sets} × ${item.reps}${item.holdS === undefined ? '' : ` × ${item.holdS} s`}${item.throws > 0 ? `, ${item.effort.join('–')} %, ${item.distanceM} m` : ''}`;

export function planText(request: PlanRequest, plan: Plan): string {
  const { athlete } = request;
  const library = libraryOf(request);
  const lines = [
    `${athlete.discipline}, ${ageOn(athlete.birthDate, request.on)} years, ${request.season} season, partner ${request.partner ? 'yes' : 'no'}, kit ${request.equipment.join(' ') || 'none'}`,
    `focus: ${request.focus.map((f) => `${findingById(f.finding).title} (${f.finding}) rung ${f.rung}`).join(' + ')}; flags ${request.flags.join() || 'none'}`,
    `present ${JSON.stringify(request.judgement?.present ?? {})} cleared ${(request.judgement?.cleared ?? []).join() || 'none'}`,
    `days ${request.availability.map((a) => `${a.weekday} ${a.minutes} min ${a.place}`).join(', ')}`,
    plan.summary,
  ];
  if (plan.infeasible) lines.push(`cannot: ${plan.infeasible.reason} ${plan.infeasible.relax.join(' ')}`);
  for (const week of plan.weeks)
    lines.push(
      `week from ${week.from}: ${week.throws} of ${week.target}${week.light ? ', light' : ''}${week.games > 0 ? `, games ${week.games}` : ''}`,
    );
  for (const s of plan.sessions) {
    lines.push(
      '',
      `${weekdayOf(s.date)} ${s.date} · ${s.place} · ${s.minutes} min · ${s.throws} throws${s.highEffort > 0 ? `, ${s.highEffort} hard` : ''}${s.testDay ? ' · test' : ''}`,
    );
    if (s.new) lines.push(`  ${s.new}`);
    if (s.note) lines.push(`  Note: ${s.note}`);
    for (const i of s.items) {
      const { name } = library.drill(i.drill);
      lines.push(
        `  ${i.role.padEnd(11)} r${i.rung} ${name} · ${dose(i)} · ${i.minutes} min · “${i.cue}”${i.aids.length > 0 ? ` · with ${i.aids.join(', ')}` : ''}${i.constraints.remove.length > 0 ? ` · off: ${i.constraints.remove.join()}` : ''}`,
        `              ${i.why}`,
      );
    }
  }
  return lines.join('\n');
}
