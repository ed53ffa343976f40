import type { OutingKind, TimelineEntry } from '@wrightonic/contract';
import { findingById } from '@wrightonic/core';
import type { Evidence, FindingId, IsoDate } from '@wrightonic/core';
import type { Context } from '../common/context';
import type { RepDays } from '../work/rep-days';
import type { OutingDbRow } from '../db/tables';

const MOST = 40;
const quoted = (finding: FindingId): string => findingById(finding).title;

/** @param named whether what was seen is named: to coaches it is, to the family it is a day of looking */
function summary(items: readonly Evidence[], named: boolean): string {
  const seen = (named ? items : []).flatMap((e) => (e.kind === 'eye' && e.answer === 'yes' ? [quoted(e.finding)] : []));
  const rest = items.length - items.filter((e) => e.kind === 'eye').length;
  const looks = items.filter((e) => e.kind === 'eye').length;
  const parts = [
    looks > 0 ? `${looks} ${looks === 1 ? 'look' : 'looks'}` : '',
    rest > 0 ? `${rest} ${rest === 1 ? 'test or reading' : 'tests and readings'}` : '',
  ].filter(Boolean);
  return `${parts.join(', ')}${seen.length > 0 ? `. Seen: ${seen.slice(0, 3).join('; ')}` : ''}`;
}

const OUTING_WORDS: Record<OutingKind, string> = {
  game: 'in a game',
  catch: 'playing catch',
  lesson: 'in another lesson',
  other: 'elsewhere',
};
const outingText = ({ kind, pitches, throws, caught, removed }: OutingDbRow): string =>
  `${pitches > 0 ? `${pitches} pitches` : `${throws} throws`} ${OUTING_WORDS[kind]}${caught ? ', and caught' : ''}${removed ? ' (taken out of the load)' : ''}`;

/** Tables whose rows are of a day. */
type Dated =
  | 'observations'
  | 'verdicts'
  | 'pain_reports'
  | 'outings'
  | 'clearances'
  | 'plans'
  | 'body_checks'
  | 'consents'
  | 'rulings'
  | 'session_notes';

/** What happened with an athlete, newest first, a line each. */
export async function timelineOf(ctx: Context, athlete: string, reps: Promise<RepDays>): Promise<TimelineEntry[]> {
  const newest = <N extends Dated>(table: N, most = MOST) =>
    ctx.tenant.from(table).where('athlete_id', athlete).orderBy('on_date', 'desc').limit(most);
  const [observations, verdicts, pains, outings, clearances, plans, foci, checks, consents, rulings, notes, { days }] =
    await Promise.all([
      newest('observations', 200).select('on_date', 'evidence'),
      newest('verdicts'),
      newest('pain_reports'),
      newest('outings'),
      newest('clearances'),
      // Without the plans themselves: they are long.
      newest('plans', 10).select('on_date', 'weeks', 'assigned'),
      ctx.tenant.from('foci').where('athlete_id', athlete).orderBy('started_on', 'desc').limit(10),
      newest('body_checks', 20),
      newest('consents', 20),
      newest('rulings', 20),
      newest('session_notes', 20),
      reps,
    ]);
  // What coaches write for coaches, and what they hold to be wrong, is not for the family’s page.
  const family = ctx.reach === 'own';
  const byDay = new Map<IsoDate, Evidence[]>();
  for (const o of observations) byDay.set(o.on_date, [...(byDay.get(o.on_date) ?? []), o.evidence]);
  const entries: TimelineEntry[] = [
    ...[...byDay].map(([on, items]): TimelineEntry => ({ on, kind: 'observation', text: summary(items, !family) })),
    ...(family ? [] : rulings).map((r): TimelineEntry => ({
      on: r.on_date,
      kind: 'observation',
      text: `${r.author} overruled “${quoted(r.finding).toLowerCase()}” (${r.ruling === 'absent' ? 'not there' : r.ruling === 'root' ? 'the root' : 'there'}): ${r.reason}`,
    })),
    ...(family ? [] : notes).map((n): TimelineEntry => ({ on: n.on_date, kind: 'note', text: `Noted: ${n.text}` })),
    ...verdicts.map((v): TimelineEntry => ({
      on: v.on_date,
      kind: 'move',
      text:
        v.from_rung === v.to_rung ? `Stays on rung ${v.to_rung}. ${v.reason}` : `Rung ${v.from_rung} → ${v.to_rung}. ${v.reason}`,
    })),
    ...days
      .slice(0, MOST)
      .map(({ on, reps, good }): TimelineEntry => ({ on, kind: 'session', text: `${reps} reps, ${good} good` })),
    ...pains.map((p): TimelineEntry => ({
      on: p.on_date,
      kind: 'pain',
      text: `Pain ${p.score} at the ${p.site}, ${p.moment} the session`,
    })),
    ...outings.map((o): TimelineEntry => ({
      on: o.on_date,
      kind: 'outing',
      text: outingText(o),
    })),
    ...clearances.map((c): TimelineEntry => ({ on: c.on_date, kind: 'clearance', text: `Cleared by ${c.by_clinician}` })),
    ...plans.map((p): TimelineEntry => ({
      on: p.on_date,
      kind: 'plan',
      text: `Plan for ${p.weeks} weeks${p.assigned ? ', assigned' : ''}`,
    })),
    ...checks.map((c): TimelineEntry => ({
      on: c.on_date,
      kind: 'body',
      text: `${c.kind === 'short' ? 'Short body check' : 'Body check'}, ${c.steps.length} tests and sides${c.finished_at ? '' : ', not finished'}`,
    })),
    ...consents.map((c): TimelineEntry => ({
      on: c.on_date,
      kind: 'consent',
      text: `${c.by_whom} ${c.given ? 'gave' : 'took back'} consent to ${c.kind === 'film' ? 'film' : 'share'}`,
    })),
    ...foci.map((f): TimelineEntry => ({
      on: f.started_on,
      kind: 'focus',
      text: `Focus: ${family ? findingById(f.finding).forAthlete : quoted(f.finding)}`,
    })),
  ];
  return entries.sort((a, b) => (a.on < b.on ? 1 : a.on > b.on ? -1 : 0)).slice(0, MOST);
}
