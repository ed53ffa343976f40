/** One session, as a coach would read it before handing it over. */
import { libraryOf } from '../drills/library';
import { ARROWS } from '../findings/arrows';
import { FINDINGS } from '../findings/catalogue';
import type { FindingId } from '../findings/ids';
import type { PlanItem, PlanSession } from '../plan/types';
import { time, weekdayAt } from './tables';
import type { Reading } from './types';

const ATTENTION = (age: number) => (age <= 9 ? 25 : age <= 12 ? 35 : age <= 15 ? 50 : 70);
const UNCOUNTED = new Set(['prepare', 'warm-throws', 'test']);
const LIKELY = 0.35;

const kindOf = (finding: FindingId) => FINDINGS.find((f) => f.id === finding)!.kind;

/** Everything that leads to a finding, however far back. */
function causesBehind(finding: FindingId, seen = new Set<FindingId>()): Set<FindingId> {
  for (const arrow of ARROWS)
    if (arrow.consequence === finding && !seen.has(arrow.cause)) {
      seen.add(arrow.cause);
      causesBehind(arrow.cause, seen);
    }
  return seen;
}

/** What may be worked on for this athlete: the foci, the limits and cues behind them that stand, and what a limit held back. */
function worthTreating({ request }: Reading): { direct: Set<FindingId>; behind: Set<FindingId> } {
  const direct = new Set<FindingId>();
  const behind = new Set<FindingId>();
  const present = (finding: FindingId) => request.judgement?.present?.[finding] ?? 0;
  const cleared = new Set(request.judgement?.cleared ?? []);
  for (const { finding } of request.focus) {
    direct.add(finding);
    for (const cause of causesBehind(finding))
      if (kindOf(cause) !== 'habit' && present(cause) >= LIKELY && !cleared.has(cause)) behind.add(cause);
    if (kindOf(finding) === 'limit') for (const arrow of ARROWS) if (arrow.cause === finding) direct.add(arrow.consequence);
  }
  return { direct, behind };
}

export function readSession(reading: Reading, session: PlanSession): void {
  const { request, calendar } = reading;
  const at = session.date;
  const day = time(at);
  const age = calendar.age(day);
  const say = (check: Parameters<Reading['say']>[0], ok: boolean, what: string) => reading.say(check, ok, at, what);
  const items = session.items;
  const library = libraryOf(request);
  const drillOf = (item: PlanItem) => library.drill(item.drill);
  const treats = (item: PlanItem, finding: FindingId) =>
    drillOf(item).treats.some((t) => t.finding === finding && t.weight >= 0.5);
  const slot = request.availability.find((a) => a.weekday === weekdayAt(at))!;
  const kit: readonly string[] = slot.equipment ?? request.equipment;
  const alone = session.place === 'home' && !request.partner;

  const cap = alone ? (age < 13 ? 12 : 20) : Infinity;
  const wanted = Math.min(0.8 * Math.min(slot.minutes, ATTENTION(age)), cap);
  say('minutes', session.minutes <= Math.min(slot.minutes, cap, 1.12 * wanted + 1), `${session.minutes} minutes of ${wanted}`);
  say(
    'minutes',
    session.minutes >= 0.85 * wanted - 1 || session.note !== null,
    `${session.minutes} minutes of ${wanted}, and no word why`,
  );

  const counted = items.filter((i) => !UNCOUNTED.has(i.role));
  say('items', counted.length <= (age < 10 ? 3 : age < 13 ? 4 : 5) && counted.length > 0, `${counted.length} items`);

  for (const { finding } of request.focus) {
    const cues = new Set(items.filter((i) => i.focus === finding && i.cue !== '').map((i) => i.cue));
    say('cues', cues.size <= 1, `${cues.size} cues for ${finding}`);
  }
  const whole = items.filter((i) => i.role === 'carry-over');
  const first = request.focus[0]!.finding;
  for (const item of whole)
    say('cues', item.focus === first && item.cue === session.cues[first], `${item.drill} does not carry the first cue`);

  const worked = items.filter((i) => i.role === 'main' || i.role === 'support' || i.role === 'pinned');
  const { direct, behind } = worthTreating(reading);
  const isDirect = (item: PlanItem) =>
    [...direct].some((f) => treats(item, f)) || (item.rung >= 7 && drillOf(item).general && item.focus !== null);
  const reps = (list: readonly PlanItem[]) => list.reduce((n, i) => n + i.sets * i.reps, 0);
  if (worked.length > 0)
    say('direct share', reps(worked.filter(isDirect)) >= 0.6 * reps(worked), 'less than 60 % of the reps are direct');
  for (const item of items.filter((i) => i.role !== 'pinned')) {
    const drill = drillOf(item);
    if (drill.general && !drill.treats.some((t) => direct.has(t.finding))) continue;
    const right = isDirect(item) || [...behind].some((f) => treats(item, f));
    say('what is treated', right, `${item.drill} (${item.role}) treats nothing that stands in this athlete`);
  }

  const firstThrow = items.findIndex((i) => i.throws > 0);
  if (firstThrow >= 0) {
    const warm = items[firstThrow]!;
    say('cold throws', warm.role === 'warm-throws', `starts throwing with ${warm.drill}`);
    const test = items.findIndex((i) => i.role === 'test');
    const usual = test >= 0 ? (age < 10 ? 12 : 18) : age < 10 ? 8 : 12;
    // Under a clearance a day may hold fewer throws than a warm-up.
    const least = (request.clearances ?? []).length > 0 ? Math.min(usual, session.throws) : usual;
    const most = age < 10 ? 12 : 25;
    say('warm-up', warm.throws >= least && warm.throws <= most, `${warm.throws} warm-up throws`);
    say('warm-up', warm.effort[0] <= 50 && warm.effort[1] <= (test >= 0 ? 90 : 70), `warm-up at ${warm.effort.join('–')} %`);
    if (test >= 0) say('tests', test === firstThrow + 1, 'the test does not follow the warm-up');
  }
  for (const item of items.filter((i) => i.role === 'test')) {
    say('tests', item.throws >= (age < 13 ? 3 : 5) && item.throws <= (age < 13 ? 5 : 8), `${item.throws} test throws`);
    const high = request.focus[0]!.rung >= 6 && age >= 13 && request.flags.length === 0;
    say('tests', item.effort[1] <= (item.rung >= 6 && (high || age >= 13) ? 100 : 90), `a test at ${item.effort.join('–')} %`);
    if (age < 13) say('tests', item.effort[1] <= 90, `a test at ${item.effort.join('–')} % under 13`);
  }

  if (session.place === 'home' && session.throws > 0)
    say('home throws', kit.includes('net') || request.partner, 'throws at home with neither net nor partner');
  if (alone) say('home throws', age >= 10 || session.throws === 0, 'a child throws alone at home');

  const tomorrow = calendar.on(day + 1);
  if (tomorrow.pitches > 0) {
    say(
      'eve of a game',
      items.every((i) => i.throws === 0 || i.effort[1] < 70),
      'hard throws the day before a game',
    );
    say(
      'eve of a game',
      items.every((i) => drillOf(i).strain === 'none'),
      'leg work or jumps the day before a game',
    );
  }

  const top = { home: 5, cage: 6, field: 6, mound: 8 }[session.place];
  say(
    'rung and place',
    items.every((i) => i.rung <= top),
    `rung ${Math.max(...items.map((i) => i.rung))} at the ${session.place}`,
  );

  for (const item of items) {
    const drill = drillOf(item);
    for (const aid of item.aids)
      say(
        'aids in words',
        drill.aids.some((a) => a.kit === aid && a.without.length > 10),
        `${item.drill}: ${aid} without a word`,
      );
    say('words', item.why.length > 15 && item.success.length > 5, `${item.drill}: no why or no sign of success`);
  }
}
