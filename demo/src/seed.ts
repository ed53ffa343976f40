/** Seeds the demo through the services that the app uses, day by day, as if the months had been lived. */
import {
  addDays,
  daysBetween,
  doRep,
  drawFindings,
  drillById,
  lookAt,
  randomFrom,
  readSpeed,
  readTest,
  WEEKDAYS,
  weekdayOf,
} from '@wrightonic/core';
import type { AthleteProfile, Evidence, IsoDate, PlanItem, Random, Truth } from '@wrightonic/core';
import type { LogEntry } from '@wrightonic/contract';
import {
  assignPlan,
  contextFor,
  finishSession,
  hashPassword,
  keepDiagnosis,
  logEntries,
  migrate,
  workOf,
  putAthlete,
  putFocus,
  putObservation,
  putOuting,
  putPlan,
  putSession,
} from '@wrightonic/server';
import type { connect as Connect, Context, User } from '@wrightonic/server';
import { v7 as uuidv7 } from 'uuid';
import { ACADEMY, ATHLETE_SIGN_IN, CHARACTERS, COACH, daysFrom } from './scenario';
import type { Character } from './scenario';

type Db = ReturnType<typeof Connect>;

const PLAN_WEEKS = 12;

/** Midday of a day, so that no time zone moves it. */
const noon = (date: IsoDate, secondsAfter = 0): Date => new Date(Date.parse(`${date}T12:00:00Z`) + 1000 * secondsAfter);

interface Stage {
  readonly db: Db;
  readonly coach: User;
  readonly today: IsoDate;
}

const on = (stage: Stage, date: IsoDate): Promise<Context> => contextFor(stage.db, stage.coach, noon(date));

export function recordOf(character: Character, today: IsoDate, start: IsoDate) {
  const { age, ...record } = character.record;
  const birthDate = addDays(today, -Math.round((age + 0.45) * 365.25));
  const minutes = age < 11 ? 30 : 45;
  const anchor = WEEKDAYS.indexOf(
    weekdayOf(character.painDaysAgo === undefined ? today : addDays(today, -character.painDaysAgo)),
  );
  return { record: { ...record, birthDate, availability: daysFrom(anchor, minutes) }, start };
}

/** One planned session, lived: reps as they come, speeds where balls fly fast enough, and what hurts. */
async function liveSession(
  stage: Stage,
  athlete: string,
  character: Character,
  truth: Truth,
  random: Random,
  date: IsoDate,
  started: IsoDate,
  sessionsAtRung: Map<string, number>,
): Promise<void> {
  const ctx = await on(stage, date);
  const seen = await workOf(ctx, athlete);
  if (!seen.today || seen.today.done) return;
  const session = uuidv7();
  await putSession(ctx, athlete, session, { on: date, assignment: seen.today.id, painBefore: [] });
  const entries: LogEntry[] = [];
  let second = 60;
  const stamp = () => ({ id: uuidv7(), at: noon(date, (second += 20)).toISOString() });
  const sessionEffect = random.normal(0, 0.5);
  for (const item of seen.today.session.items) {
    const focus = seen.foci.find((f) => f.finding === item.focus) ?? null;
    const key = `${item.focus}:${item.rung}`;
    const practised = sessionsAtRung.get(key) ?? 0;
    sessionsAtRung.set(key, practised + 1);
    entries.push(...repsOf(item, focus?.id ?? null, truth, random, practised, stamp));
    const measured = item.role === 'test' || item.rung >= 6;
    if (measured && item.throws > 0) {
      const repaired = Math.min(1, daysBetween(started, date) / (7 * Math.max(character.weeksAgo, 1)));
      for (let throwNumber = 0; throwNumber < 8; throwNumber++) {
        const effort = throwNumber < 3 ? 80 : item.effort[1] >= 90 || item.role === 'test' ? 100 : item.effort[1];
        const speed = readSpeed(random, truth, seen.athlete, {
          on: date,
          since: started,
          repaired,
          effort,
          setting: item.rung >= 7 ? 'mound' : 'flat',
          sessionEffect,
        });
        entries.push({
          ...stamp(),
          type: 'reading',
          speed,
          unit: 'mph',
          effort,
          gun: 'gun 1',
          setting: item.rung >= 7 ? 'mound' : 'flat',
        });
      }
    }
  }
  if (character.painDaysAgo !== undefined && addDays(stage.today, -character.painDaysAgo) === date)
    entries.push({ ...stamp(), type: 'pain', moment: 'after', pain: { site: 'elbow', score: 3, signs: [] } });
  if (entries.length > 0) await logEntries(ctx, athlete, session, entries);
  await finishSession(await contextFor(stage.db, stage.coach, noon(date, second + 60)), athlete, session);
}

function repsOf(
  item: PlanItem,
  focus: string | null,
  truth: Truth,
  random: Random,
  practised: number,
  stamp: () => { id: string; at: string },
): LogEntry[] {
  const isThrow = drillById(item.drill).throws !== 'none';
  const entries: LogEntry[] = [];
  for (let n = 0; n < item.sets * item.reps; n++) {
    const rep = doRep(random, truth, item, practised);
    const base = stamp();
    const effort = isThrow ? Math.min(item.effort[1], item.effort[0] + 10 * Math.floor((3 * n) / (item.sets * item.reps))) : 0;
    entries.push({ ...base, type: 'rep', drill: item.drill, rung: item.rung, focus, judged: rep.judged, effort, isThrow });
    if (rep.cheat) entries.push({ ...stamp(), type: 'cheat', rep: base.id, cheat: rep.cheat });
  }
  return entries;
}

/** First speeds, read before any work: a short flat session without a plan. */
async function firstSpeeds(stage: Stage, athlete: string, truth: Truth, random: Random, date: IsoDate): Promise<void> {
  const ctx = await on(stage, date);
  const { athlete: record } = await workOf(ctx, athlete);
  const session = uuidv7();
  await putSession(ctx, athlete, session, { on: date, assignment: null, painBefore: [] });
  const sessionEffect = random.normal(0, 0.4);
  const entries = Array.from({ length: 10 }, (_, n): LogEntry => {
    const effort = n < 4 ? 80 : 100;
    const speed = readSpeed(random, truth, record, {
      on: date,
      since: date,
      repaired: 0,
      effort,
      setting: 'mound',
      sessionEffect,
    });
    return {
      id: uuidv7(),
      at: noon(date, 60 + 30 * n).toISOString(),
      type: 'reading',
      speed,
      unit: 'mph',
      effort,
      gun: 'gun 1',
      setting: 'mound',
    };
  });
  const throws = entries.map((e, n): LogEntry => ({
    id: uuidv7(),
    at: noon(date, 61 + 30 * n).toISOString(),
    type: 'rep',
    drill: 'measured-bullpen',
    rung: 6,
    focus: null,
    judged: 'close',
    effort: n < 4 ? 80 : 100,
    isThrow: true,
  }));
  await logEntries(ctx, athlete, session, [...entries, ...throws]);
  await finishSession(ctx, athlete, session);
}

/** The truth of a character and what the coach saw of it on the first day; a stream of its own, so that sessions do not shift it. */
export function firstDay(character: Character, profile: AthleteProfile, date: IsoDate): { truth: Truth; evidence: Evidence[] } {
  const random = randomFrom(character.seed);
  const truth: Truth = {
    ...drawFindings(random, profile, date, character.roots),
    speedMph: character.speedMph,
    repairMph: character.repairMph,
    learning: character.learning,
    flatEffort: character.flatEffort ?? false,
    spike: character.spike ?? false,
  };
  return {
    truth,
    evidence: [
      ...character.looks.map((finding) => lookAt(random, truth, profile, date, finding)),
      ...character.tests.map(([test, side]) => readTest(random, truth, profile, date, test, side)),
    ],
  };
}

async function livePast(stage: Stage, character: Character, index: number, athlete: string): Promise<void> {
  const random = randomFrom(1000 + index);
  const started = addDays(stage.today, -7 * character.weeksAgo);
  const { record } = recordOf(character, stage.today, started);
  const first = await on(stage, started);
  await putAthlete(first, athlete, record);
  const { truth, evidence } = firstDay(character, record, started);
  for (const [daysAgo, pitches] of character.games ?? [])
    await putOuting(await on(stage, addDays(stage.today, -daysAgo)), athlete, uuidv7(), {
      on: addDays(stage.today, -daysAgo),
      pitches,
      throws: pitches,
      highEffort: 0,
      innings: 2,
    });
  if (character.focus === null) return;
  for (const week of [3, 2, 1]) {
    // What was thrown before the academy knew them, as told at the first visit.
    const date = addDays(started, -7 * week);
    await putOuting(first, athlete, uuidv7(), { on: date, pitches: 0, throws: 50, highEffort: 0, innings: 0 });
    await putOuting(first, athlete, uuidv7(), { on: addDays(date, 3), pitches: 0, throws: 45, highEffort: 0, innings: 0 });
  }
  await firstSpeeds(stage, athlete, truth, random, started);
  for (const item of evidence) await putObservation(first, athlete, uuidv7(), { on: started, evidence: item });
  const diagnosis = uuidv7();
  await keepDiagnosis(first, athlete, diagnosis);
  await putFocus(first, athlete, uuidv7(), { finding: character.focus, rung: 1, diagnosis });
  const plan = uuidv7();
  await putPlan(first, athlete, plan, { weeks: PLAN_WEEKS, games: [], pinned: [] });
  await assignPlan(first, athlete, plan);
  const sessionsAtRung = new Map<string, number>();
  for (let date = addDays(started, 1); date < stage.today; date = addDays(date, 1)) {
    if (random.chance(0.08)) continue; // a lesson missed
    await liveSession(stage, athlete, character, truth, random, date, started, sessionsAtRung);
  }
}

/** Makes the demo's academy from nothing. @returns how many athletes were made */
export async function seed(db: Db, today: IsoDate): Promise<number> {
  await migrate(db);
  const academy = uuidv7();
  await db('academies').insert({ id: academy, name: ACADEMY, speed_unit: 'mph', time_zone: 'UTC', league: '{}', schools: '{}' });
  const coach: User = { id: uuidv7(), academyId: academy, athleteId: null, role: 'instructor', name: COACH.name };
  await db('users').insert({
    id: coach.id,
    academy_id: academy,
    role: 'instructor',
    name: COACH.name,
    sign_in: COACH.signIn,
    password_hash: await hashPassword(COACH.password),
  });
  for (const [index, character] of CHARACTERS.entries()) {
    const athlete = uuidv7();
    await livePast({ db, coach, today }, character, index, athlete);
    if (character.key === 'tavi')
      await db('users').insert({
        id: uuidv7(),
        academy_id: academy,
        athlete_id: athlete,
        role: 'athlete',
        name: character.record.name,
        sign_in: ATHLETE_SIGN_IN.signIn,
        password_hash: await hashPassword(ATHLETE_SIGN_IN.password),
      });
  }
  return CHARACTERS.length;
}
