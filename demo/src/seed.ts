/** Seeds the demo through the services that the app uses, day by day, as if the months had been lived. */
import {
  addDays,
  bodyTestById,
  daysBetween,
  drillById,
  gradeFor,
  HARD_EFFORT,
  inTurningOrder,
  isThrowingDrill,
  randomFrom,
  WEEKDAYS,
  weekdayOf,
} from '@wrightonic/core';
import { doRep, drawFindings, lookAt, readSpeed, readTest } from '@wrightonic/core/simulate';
import type { AthleteProfile, Evidence, IsoDate, PlanItem, Random } from '@wrightonic/core';
import type { Truth } from '@wrightonic/core/simulate';
import { EMPTY_INTAKE, STARTING_WORDS } from '@wrightonic/contract';
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
  finishBodyCheck,
  putAthlete,
  putBodyCheck,
  putBodyReading,
  putConsent,
  putFocus,
  putGroup,
  putIntake,
  putObservation,
  putOuting,
  putPlan,
  putRuling,
  putSession,
} from '@wrightonic/server';
import type { connect as Connect, Context, User } from '@wrightonic/server';
import { v7 as uuidv7 } from 'uuid';
import { bringInClips } from './film';
import type { DemoClip, FilmFolders } from './film';
import { COACH, GROUPS, PEOPLE, TOLD } from './people';
import { ACADEMY, CHARACTERS, daysFrom } from './scenario';
import type { Character } from './scenario';

type Db = ReturnType<typeof Connect>;

const PLAN_WEEKS = 12;
/** Speeds read in a session, at most. */
const READ_A_SESSION = 8;

/** Midday of a day, so that no time zone moves it. */
const noon = (date: IsoDate, secondsAfter = 0): Date => new Date(Date.parse(`${date}T12:00:00Z`) + 1000 * secondsAfter);

interface Stage {
  readonly db: Db;
  readonly coach: User;
  readonly assistant: User;
  readonly today: IsoDate;
}

const on = (stage: Stage, date: IsoDate, user = stage.coach): Promise<Context> => contextFor(stage.db, user, noon(date));

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
    const reps = repsOf(item, focus?.id ?? null, truth, random, practised, stamp);
    entries.push(...reps);
    const thrown = reps.flatMap((entry) => (entry.type === 'rep' ? [entry.id] : []));
    const measured = item.role === 'test' || item.rung >= 6;
    if (measured && item.throws > 0) {
      const repaired = Math.min(1, daysBetween(started, date) / (7 * Math.max(character.weeksAgo, 1)));
      for (const [throwNumber, rep] of thrown.slice(0, READ_A_SESSION).entries()) {
        const effort = throwNumber < 3 ? Math.min(80, item.effort[1]) : item.effort[1] >= HARD_EFFORT ? 100 : item.effort[1];
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
          rep,
        });
      }
    }
  }
  if (character.painDaysAgo !== undefined && addDays(stage.today, -character.painDaysAgo) === date)
    entries.push({ ...stamp(), type: 'pain', moment: 'after', pain: { site: 'elbow', score: 3, signs: [] } });
  const over = await contextFor(stage.db, stage.coach, noon(date, second + 60));
  if (entries.length > 0) await logEntries(over, athlete, session, entries);
  await finishSession(over, athlete, session);
}

function repsOf(
  item: PlanItem,
  focus: string | null,
  truth: Truth,
  random: Random,
  practised: number,
  stamp: () => { id: string; at: string },
): LogEntry[] {
  const throwing = isThrowingDrill(drillById(item.drill));
  const entries: LogEntry[] = [];
  for (let n = 0; n < item.sets * item.reps; n++) {
    const rep = doRep(random, truth, item, practised);
    const base = stamp();
    const effort = throwing ? Math.min(item.effort[1], item.effort[0] + 10 * Math.floor((3 * n) / (item.sets * item.reps))) : 0;
    entries.push({ ...base, type: 'rep', drill: item.drill, rung: item.rung, focus, judged: rep.judged, effort });
    if (rep.cheat) entries.push({ ...stamp(), type: 'cheat', rep: base.id, cheat: rep.cheat });
  }
  return entries;
}

/** What was said when they came. */
async function intake(stage: Stage, character: Character, athlete: string, date: IsoDate): Promise<void> {
  const ctx = await on(stage, date);
  const told = TOLD[character.key] ?? {};
  await putIntake(ctx, athlete, { ...EMPTY_INTAKE, next: null, ...told });
  const by = told.guardians?.[0]?.name;
  if (by) await putConsent(ctx, athlete, uuidv7(), { kind: 'film', given: true, by });
}

/**
 * The body tests of a day, each read twice.
 * @param better by how much a limited range has grown since the first day, in reading errors
 */
async function bodyCheck(
  stage: Stage,
  athlete: string,
  profile: AthleteProfile,
  date: IsoDate,
  evidence: readonly Evidence[],
  random: Random,
  better: number,
): Promise<void> {
  const tests = evidence.flatMap((e) => (e.kind === 'screen' ? [e] : []));
  if (tests.length === 0) return;
  const ctx = await on(stage, date);
  const check = uuidv7();
  const steps = inTurningOrder(tests.map(({ test, side }) => ({ test, side })));
  await putBodyCheck(ctx, athlete, check, { on: date, kind: 'short', steps });
  for (const { test, side, value } of tests) {
    const { readingSd, unit } = bodyTestById(test);
    const grown = gradeFor(test, value, profile, date) === 'pass' ? 0 : better * readingSd;
    for (const _ of [1, 2]) {
      const drawn = Math.max(0, value + grown + random.normal(0, 0.5 * readingSd));
      const read = unit === 'score' ? value : unit === 'cm' ? Math.round(10 * drawn) / 10 : Math.round(drawn);
      await putBodyReading(ctx, athlete, uuidv7(), { check, test, side, value: read, readBy: 'tilt', moment: 'first' });
    }
  }
  await finishBodyCheck(ctx, athlete, check);
}

/** First speeds, read before any work: a short flat session without a plan. */
async function firstSpeeds(stage: Stage, athlete: string, truth: Truth, random: Random, date: IsoDate): Promise<void> {
  const ctx = await on(stage, date);
  const { athlete: record } = await workOf(ctx, athlete);
  const session = uuidv7();
  await putSession(ctx, athlete, session, { on: date, assignment: null, painBefore: [] });
  const sessionEffect = random.normal(0, 0.4);
  const thrown = Array.from({ length: 10 }, () => uuidv7());
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
      rep: thrown[n]!,
    };
  });
  const throws = thrown.map((id, n): LogEntry => ({
    id,
    at: noon(date, 61 + 30 * n).toISOString(),
    type: 'rep',
    drill: 'measured-bullpen',
    rung: 6,
    focus: null,
    judged: 'close',
    effort: n < 4 ? 80 : 100,
  }));
  // The last of them is thrown some minutes after noon.
  const after = await contextFor(stage.db, stage.coach, noon(date, 600));
  await logEntries(after, athlete, session, [...throws, ...entries]);
  await finishSession(after, athlete, session);
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
      ...character.looks.map((finding) => seenAtFirst(character, lookAt(random, truth, finding))),
      ...character.tests.map(([test, side]) => readTest(random, truth, profile, date, test, side)),
    ],
  };
}

/** What an athlete came for is what the coach sees on the first day; all else as an eye sees it. */
const seenAtFirst = (character: Character, seen: Evidence): Evidence =>
  seen.kind === 'eye' && seen.finding === character.focus ? { ...seen, answer: 'yes' } : seen;

/** Shares of the weeks lived after which the coaches look again; the last time it is the assistant. */
const LOOKS_AGAIN = [0.4, 0.75] as const;
const LOOKED_AT_AGAIN = 4;

const dayOfShare = (stage: Stage, character: Character, share: number): IsoDate =>
  addDays(stage.today, -Math.round(7 * character.weeksAgo * (1 - share)));

/** A second and a third look at what was seen first: by then what is worked on may be gone. */
async function lookAgain(
  stage: Stage,
  character: Character,
  athlete: string,
  truth: Truth,
  profile: AthleteProfile,
  random: Random,
  share: number,
): Promise<void> {
  const date = dayOfShare(stage, character, share);
  const ctx = await on(stage, date, share > 0.5 ? stage.assistant : stage.coach);
  const gone = random.chance(share * character.learning * 2);
  const then: Truth = {
    ...truth,
    present: new Set([...truth.present].filter((f) => !(gone && f === character.focus))),
  };
  for (const finding of character.looks.slice(0, LOOKED_AT_AGAIN))
    await putObservation(ctx, athlete, uuidv7(), { on: date, evidence: lookAt(random, then, finding) });
}

async function livePast(
  stage: Stage,
  character: Character,
  index: number,
  athlete: string,
  film: (picked: (clip: DemoClip) => boolean) => Promise<void>,
): Promise<void> {
  const random = randomFrom(1000 + index);
  const started = addDays(stage.today, -7 * character.weeksAgo);
  const { record } = recordOf(character, stage.today, started);
  const first = await on(stage, started);
  await putAthlete(first, athlete, record);
  await intake(stage, character, athlete, started);
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
  for (const item of evidence)
    if (item.kind !== 'screen') await putObservation(first, athlete, uuidv7(), { on: started, evidence: item });
  await bodyCheck(stage, athlete, record, started, evidence, randomFrom(3000 + index), 0);
  await film((clip) => clip.athlete === character.key && clip.daysAgo === 7 * character.weeksAgo);
  const diagnosis = uuidv7();
  await keepDiagnosis(first, athlete, diagnosis);
  await putFocus(first, athlete, uuidv7(), { finding: character.focus, rung: 1, diagnosis });
  const plan = uuidv7();
  await putPlan(first, athlete, plan, { weeks: PLAN_WEEKS, games: [], pinned: [] });
  await assignPlan(first, athlete, plan);
  const sessionsAtRung = new Map<string, number>();
  const recheck = addDays(started, Math.round(3.5 * character.weeksAgo));
  for (let date = addDays(started, 1); date < stage.today; date = addDays(date, 1)) {
    if (date === recheck) await bodyCheck(stage, athlete, record, date, evidence, randomFrom(4000 + index), 2);
    for (const share of LOOKS_AGAIN)
      if (date === dayOfShare(stage, character, share))
        await lookAgain(stage, character, athlete, truth, record, randomFrom(5000 + 10 * index + Math.round(10 * share)), share);
    for (const { finding, as, reason, daysAgo } of character.rulings ?? [])
      if (date === addDays(stage.today, -daysAgo))
        await putRuling(await on(stage, date), athlete, uuidv7(), { finding, as, reason });
    if (random.chance(0.08)) continue; // a lesson missed
    await liveSession(stage, athlete, character, truth, random, date, started, sessionsAtRung);
  }
}

/** Makes the demo's academy from nothing. @returns how many athletes were made */
export async function seed(db: Db, today: IsoDate, folders: FilmFolders): Promise<number> {
  await migrate(db);
  const academy = uuidv7();
  await db('academies').insert({
    id: academy,
    name: ACADEMY,
    speed_unit: 'mph',
    time_zone: 'UTC',
    league: '{}',
    schools: '{}',
    words: JSON.stringify(STARTING_WORDS),
  });
  const coach: User = {
    id: uuidv7(),
    academyId: academy,
    role: 'owner',
    name: COACH.name,
    signIn: COACH.signIn,
    athletes: [],
    groups: [],
  };
  const users = new Map<(typeof PEOPLE)[number], string>();
  for (const person of PEOPLE) {
    const id = person.signIn === COACH.signIn ? coach.id : uuidv7();
    users.set(person, id);
    await db('users').insert({
      id,
      academy_id: academy,
      role: person.role,
      name: person.name,
      sign_in: person.signIn,
      password_hash: await hashPassword(person.password),
    });
  }
  const helper = PEOPLE.find((p) => p.role === 'instructor')!;
  const assistant: User = { ...coach, id: users.get(helper)!, role: 'instructor', name: helper.name, signIn: helper.signIn };
  const stage: Stage = { db, coach, assistant, today };
  const athletes = new Map<string, string>();
  const film = (picked: (clip: DemoClip) => boolean) => bringInClips((date) => on(stage, date), today, athletes, folders, picked);
  for (const [index, character] of CHARACTERS.entries()) {
    const athlete = uuidv7();
    athletes.set(character.key, athlete);
    await livePast(stage, character, index, athlete, film);
  }
  // The clips of a first day came in on it.
  await film((clip) => clip.daysAgo !== 7 * CHARACTERS.find((c) => c.key === clip.athlete)!.weeksAgo);
  const groups = new Map<string, string>();
  for (const [name, members] of Object.entries(GROUPS)) {
    const group = uuidv7();
    groups.set(name, group);
    await putGroup(await on(stage, today), group, { name, athletes: members.map((key) => athletes.get(key)!) });
  }
  for (const [person, id] of users) {
    for (const key of person.athletes)
      await db('user_athletes').insert({ academy_id: academy, user_id: id, athlete_id: athletes.get(key)! });
    for (const name of person.groups)
      await db('user_groups').insert({ academy_id: academy, user_id: id, group_id: groups.get(name)! });
  }
  return CHARACTERS.length;
}
