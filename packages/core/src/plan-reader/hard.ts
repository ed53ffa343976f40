/** The rules that no plan may break, read from the rules alone. */
import { libraryOf } from '../drills/library';
import type { Reading } from './types';
import { meanBefore } from './calendar';
import { dateOf, hardAt, restAt, time, weekdayAt } from './tables';

const ARM = new Set(['elbow', 'shoulder', 'upper-arm', 'forearm', 'wrist', 'hand']);
const kitAlwaysThere = new Set(['tape', 'towel']);

export function readHardRules(reading: Reading): void {
  const { request, plan, calendar } = reading;
  const broken = (at: string, what: string) => reading.say('hard rules', false, at, what);
  const before = reading.plan.sessions.length;
  const hurt = request.pain.filter((p) => ARM.has(p.site));
  const locks = hurt.some((p) => p.score >= 3 && ['elbow', 'shoulder'].includes(p.site));
  const clearances = (request.clearances ?? []).filter((c) => hurt.every((p) => p.date < c.date));
  const drills = new Map(libraryOf(request).drills.map((d) => [d.id, d]));
  const dates = new Set<string>();
  for (const session of plan.sessions) {
    const at = session.date;
    const day = time(at);
    const age = calendar.age(day);
    const budget = calendar.budget(day);
    const slot = request.availability.find((a) => a.weekday === weekdayAt(at));
    if (dates.has(at)) broken(at, 'two sessions on one day');
    dates.add(at);
    if (!slot || slot.place !== session.place || session.minutes > slot.minutes) broken(at, 'not in the day, place or minutes');
    if (day < calendar.start || day >= calendar.start + 7 * request.weeks) broken(at, 'outside the weeks');
    const kit = slot?.equipment ?? request.equipment;
    let [throws, hard, minutes] = [0, 0, 0];
    for (const item of session.items) {
      const drill = drills.get(item.drill);
      if (!drill) {
        broken(at, `unknown drill ${item.drill}`);
        continue;
      }
      const fits =
        drill.disciplines.includes(request.athlete.discipline) &&
        drill.place.includes(session.place) &&
        drill.equipment.every((e) => kit.includes(e) || kitAlwaysThere.has(e)) &&
        (!drill.partner || request.partner) &&
        age >= drill.minAge &&
        drill.rungs.includes(item.rung);
      if (!fits) broken(at, `${item.drill} does not fit place, kit, partner, age or rung ${item.rung}`);
      const likely = (finding: keyof NonNullable<NonNullable<typeof request.judgement>['present']>) =>
        request.flags.includes(finding) ||
        request.focus.some((f) => f.finding === finding) ||
        (request.judgement?.present?.[finding] ?? 0) >= 0.35;
      if (drill.notWhile.some(likely)) broken(at, `${item.drill} is not for now`);
      if (item.throws !== (drill.throws === 'none' ? 0 : item.sets * item.reps))
        broken(at, `${item.drill}: throws are not sets × reps`);
      throws += item.throws;
      minutes += item.minutes;
      if (item.effort[1] >= 90) hard += item.throws;
    }
    if (throws !== session.throws || hard !== session.highEffort || Math.abs(minutes - session.minutes) > 0.51)
      broken(at, 'sums do not match the items');
    const most = budget * (age < 13 || request.season === 'in' ? 0.6 : 0.8);
    if (throws > Math.floor(most)) broken(at, `${throws} throws, a day holds ${Math.floor(most)}`);
    let largest = 0;
    for (let back = 1; back <= 14; back++) largest = Math.max(largest, calendar.on(day - back).throws);
    if (throws > Math.floor(Math.max(1.3 * largest, 0.4 * budget) + 1e-9))
      broken(at, `${throws} throws after a largest day of ${largest}`);
    if (hard > hardAt(age)) broken(at, 'too many hard throws');
    if (hard > 0 && request.flags.length > 0) broken(at, 'hard throws with a health flag');
    const open = clearances.find((c) => c.date <= at && (!c.until || at <= c.until));
    if (throws > 0 && locks && !open) broken(at, 'throws while locked, or past the end of a clearance');
    if (throws > 0 && open?.mostThrows !== undefined && throws > open.mostThrows) broken(at, 'more than the clearance allows');
    if (open?.highestEffort !== undefined && session.items.some((i) => i.throws > 0 && i.effort[1] > open.highestEffort!))
      broken(at, 'harder than the clearance allows');
    const sore = hurt.filter((p) => p.score >= 1 && p.date <= at).map((p) => time(p.date));
    if (throws > 0 && !open && sore.some((d) => day - d <= 1)) broken(at, 'throws on the day of pain or the one after');
    if (request.leagueDailyLimit !== null && throws > request.leagueDailyLimit) broken(at, 'more than the league allows');
    if (throws === 0) continue;
    if (calendar.on(day).pitches > 0) broken(at, 'practice throws on a game day');
    for (let back = 1; back <= 14; back++) {
      const pitches = calendar.on(day - back).pitches;
      if (pitches === 0) continue;
      const owed = request.athlete.discipline === 'overhand' ? restAt(calendar.age(day - back), pitches) : 0;
      if (back <= owed && session.items.some((i) => i.throws > 0 && i.effort[1] >= 70)) broken(at, 'hard work on a rest day');
      if (back === 1 && pitches > 35) broken(at, 'throws on the day after a long outing');
    }
    if (hard >= 10)
      for (let gap = 1; gap < (age < 13 ? 3 : 2); gap++)
        for (const other of [calendar.on(day - gap), calendar.on(day + gap)])
          if (other.hard >= 10 || other.pitches > 0) broken(at, 'hard days too close');
    readWeek(reading, day);
  }
  reading.say('hard rules', true, request.on, `${before} sessions looked at`);
}

/** The seven days that end on a day of the plan. */
function readWeek({ request, calendar, say }: Reading, day: number): void {
  const at = dateOf(day);
  const age = calendar.age(day);
  const budget = calendar.budget(day);
  const week = calendar.sum(day - 6, day);
  const mean = meanBefore(calendar, day - 6);
  const threw = calendar.sum(day - 7, day - 1) > 0;
  const most = Math.max(1.3 * (mean ?? 0), threw ? budget : 0, 0.5 * budget);
  if (calendar.first !== null && week > Math.floor(most + 1e-9))
    say('hard rules', false, at, `${week} throws in seven days, at most ${Math.floor(most)}`);
  const free = (end: number) => [0, 1, 2, 3, 4, 5, 6].filter((back) => calendar.on(end - back).throws === 0).length;
  for (let end = day; end <= day + 6; end++) {
    const planned = [0, 1, 2, 3, 4, 5, 6].some((back) => calendar.on(end - back).planned > 0);
    if (planned && free(end) < (age < 13 ? 2 : 1)) {
      const without = [0, 1, 2, 3, 4, 5, 6].filter((b) => calendar.on(end - b).throws - calendar.on(end - b).planned > 0).length;
      if (7 - without >= (age < 13 ? 2 : 1)) say('hard rules', false, dateOf(end), 'no throw-free day in seven');
    }
  }
  const weekly = request.league?.weekly;
  if (weekly !== undefined && week > weekly) say('hard rules', false, at, 'over the league’s week');
  if (request.athlete.discipline !== 'windmill') return;
  let run = 0;
  const counts = (d: number) => calendar.on(d).pitches > 0 || calendar.on(d).throws > 0.3 * calendar.budget(d);
  while (counts(day - run - 1)) run++;
  const table = run < 2 ? Infinity : run === 2 ? (age < 13 ? 0 : age < 15 ? 80 : 100) : 0;
  if (counts(day) && calendar.on(day).throws > table) say('hard rules', false, at, `day ${run + 1} in a row`);
}
