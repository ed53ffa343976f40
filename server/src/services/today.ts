import type { Need, TodayList, TodayRow } from '@wrightonic/contract';
import { addDays, drillById, findingById } from '@wrightonic/core';
import type { IsoDate, PlanSession } from '@wrightonic/core';
import { toAssignment, toAthleteRow } from './athletes';
import type { AssignmentRow } from './athletes';
import type { Context } from './context';

const DAYS_OF_NEWS = 7;
/** Verdicts in a row without a move that make a focus stuck. */
const STUCK_AFTER = 4;

function oneLine(session: PlanSession): string {
  const main = session.items.find((i) => i.role === 'main') ?? session.items[0];
  const throws = session.throws > 0 ? `${session.throws} throws` : 'dry';
  return main
    ? `${drillById(main.drill).name}, ${session.minutes} min, ${throws}${session.testDay ? ', test day' : ''}`
    : 'Nothing planned';
}

interface Joined extends AssignmentRow {
  athlete_id: string;
}

/** Today's lessons, and what needs the coach's eye. */
export async function todayList(ctx: Context): Promise<TodayList> {
  const since = addDays(ctx.today, -DAYS_OF_NEWS);
  const assignments = (await ctx.tenant.from('assignments').where('on_date', ctx.today).orderBy('id')) as Joined[];
  const athletes = (await ctx.tenant.from('athletes').orderBy('name').limit(5000)) as Parameters<typeof toAthleteRow>[0][];
  const byId = new Map(athletes.map((row) => [row.id, toAthleteRow(row, ctx.today)]));
  const rows = assignments.flatMap((a): TodayRow[] => {
    const athlete = byId.get(a.athlete_id);
    return athlete ? [{ athlete, assignment: toAssignment(a), line: oneLine(a.session) }] : [];
  });
  const verdicts = (await ctx.tenant
    .from('verdicts')
    .where('on_date', '>=', addDays(ctx.today, -60))
    .orderBy('created_at', 'desc')) as {
    athlete_id: string;
    focus_id: string;
    on_date: IsoDate;
    from_rung: number;
    to_rung: number;
    finding: Parameters<typeof findingById>[0];
    by_whom: string;
  }[];
  const planned = new Set(
    (
      (await ctx.tenant.from('assignments').where('on_date', '>=', ctx.today).distinct('athlete_id')) as { athlete_id: string }[]
    ).map((r) => r.athlete_id),
  );
  const needs: Need[] = [];
  for (const athlete of byId.values()) {
    const need = (kind: Need['kind'], text: string) => needs.push({ athlete: athlete.id, name: athlete.name, kind, text });
    if (athlete.locked) need('pain', 'Throwing is locked after a pain report.');
    const mine = verdicts.filter((v) => v.athlete_id === athlete.id);
    const newest = mine[0];
    if (newest && newest.on_date >= since && newest.from_rung !== newest.to_rung && newest.by_whom === 'gate')
      need(
        'move',
        `The gate moved “${findingById(newest.finding).title.toLowerCase()}” from rung ${newest.from_rung} to ${newest.to_rung}.`,
      );
    const sameFocus = mine.filter((v) => v.focus_id === newest?.focus_id).slice(0, STUCK_AFTER);
    if (sameFocus.length === STUCK_AFTER && sameFocus.every((v) => v.from_rung === v.to_rung))
      need('stuck', `No move in ${STUCK_AFTER} sessions: another drill, another school, or look again.`);
    if (!athlete.focus) need('no-focus', 'No focus yet: look at the delivery.');
    else if (!planned.has(athlete.id)) need('no-plan', 'A focus but no work planned.');
  }
  const urgency: Record<Need['kind'], number> = { pain: 0, stuck: 1, move: 2, 'no-plan': 3, 'no-focus': 4 };
  return { today: ctx.today, rows, needs: needs.sort((a, b) => urgency[a.kind] - urgency[b.kind] || (a.name < b.name ? -1 : 1)) };
}
