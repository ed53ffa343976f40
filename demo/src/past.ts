/** Weeks of sessions, played through the services. */
import type { LogEntry } from '@wrightonic/contract';
import { addDays, daysBetween, drillById, HARD_EFFORT, isThrowingDrill, randomFrom, zoneFor } from '@wrightonic/core';
import type { AthleteProfile, IsoDate, PlanItem, Random } from '@wrightonic/core';
import { doRep, lookAt, readSpeed } from '@wrightonic/core/simulate';
import type { Truth } from '@wrightonic/core/simulate';
import { contextFor } from '@wrightonic/server';
import { v7 as uuidv7 } from 'uuid';
import {
  assignPlan,
  changeFocus,
  finishSession,
  keepDiagnosis,
  logEntries,
  putAthlete,
  putFocus,
  putObservation,
  putOuting,
  putPlan,
  putRuling,
  putSession,
  workOf,
} from './services';
import type { DemoClip } from './film';
import { bodyCheck, firstDay, firstSpeeds, intake } from './first-day';
import type { Character } from './scenario';
import { noon, on, PLAN_WEEKS, READ_A_SESSION, recordOf } from './stage';
import type { Stage } from './stage';

/** Change-ups of a session, by whoever aims. */
const CHANGE_UPS = 4;

/** A throw at one of the two low corners: at first the misses go high to the arm side, and they come nearer as the work goes on. */
function aimed(
  random: Random,
  { throws, heightM }: AthleteProfile,
  { effort, repaired, pitch, rep }: { effort: number; repaired: number; pitch: 'change' | null; rep: string },
  stamp: { id: string; at: string },
): LogEntry {
  const zone = zoneFor(heightM);
  const side = throws === 'R' ? 1 : -1;
  const target = { x: random.chance(0.7) ? -side * 16 : side * 16, y: zone[0] + 8 };
  const spread = (pitch === 'change' ? 1.35 : 1) * (24 - 8 * repaired);
  const actual = {
    x: Math.round(target.x + random.normal(side * (10 - 7 * repaired), 0.8 * spread)),
    y: Math.round(target.y + random.normal(14 - 9 * repaired, spread)),
  };
  return { ...stamp, type: 'spot', target, actual, zone, effort, pitch, rep };
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
  // Of its own, so that whoever aims has the same past as before.
  const aim = randomFrom(6000 + daysBetween(started, date));
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
        if (character.aims) entries.push(aimed(aim, seen.athlete, { effort, repaired, pitch: null, rep }, stamp()));
      }
      if (character.aims) {
        // A few change-ups at the end, slower and less near.
        for (const rep of thrown.slice(READ_A_SESSION, READ_A_SESSION + CHANGE_UPS)) {
          const [speed, effort] = [Math.round(10 * aim.normal(66 + repaired, 0.8)) / 10, 90];
          const how = { unit: 'mph', gun: 'gun 1', setting: item.rung >= 7 ? 'mound' : 'flat', pitch: 'change' } as const;
          entries.push({ ...stamp(), type: 'reading', speed, effort, rep, ...how });
          entries.push(aimed(aim, seen.athlete, { effort, repaired, pitch: 'change', rep }, stamp()));
        }
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

/** Whoever has come for a few weeks only has a plan of some weeks. */
const [LONG_WEEKS, SHORT_PLAN_WEEKS] = [4, 4];
/** Weeks after which there has been time to look again. */
const LOOKED_AGAIN_FROM = 4;

export async function livePast(
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
  const filmed = (date: IsoDate) =>
    film((clip) => clip.athlete === character.key && addDays(stage.today, -clip.daysAgo) === date);
  await filmed(started);
  const diagnosis = uuidv7();
  await keepDiagnosis(first, athlete, diagnosis);
  const focus = uuidv7();
  await putFocus(first, athlete, focus, { finding: character.focus, rung: 1, diagnosis });
  const plan = uuidv7();
  await putPlan(first, athlete, plan, {
    weeks: character.weeksAgo < LONG_WEEKS ? SHORT_PLAN_WEEKS : PLAN_WEEKS,
    games: [],
    pinned: [],
  });
  await assignPlan(first, athlete, plan);
  const sessionsAtRung = new Map<string, number>();
  const recheck = addDays(started, Math.round(3.5 * character.weeksAgo));
  for (let date = addDays(started, 1); date < stage.today; date = addDays(date, 1)) {
    if (date === recheck) await bodyCheck(stage, athlete, record, date, evidence, randomFrom(4000 + index), 2);
    for (const share of LOOKS_AGAIN)
      if (character.weeksAgo >= LOOKED_AGAIN_FROM && date === dayOfShare(stage, character, share))
        await lookAgain(stage, character, athlete, truth, record, randomFrom(5000 + 10 * index + Math.round(10 * share)), share);
    for (const { finding, as, reason, daysAgo } of character.rulings ?? [])
      if (date === addDays(stage.today, -daysAgo))
        await putRuling(await on(stage, date), athlete, uuidv7(), { finding, as, reason });
    await filmed(date);
    if (character.ownedDaysAgo !== undefined && addDays(stage.today, -character.ownedDaysAgo) === date)
      await changeFocus(await on(stage, date), athlete, focus, { end: 'owned', reason: 'In band on two dates at game effort' });
    const [awayFrom = -1, awayTo = 0] = character.away ?? [];
    const daysAgo = daysBetween(date, stage.today);
    if (daysAgo <= awayFrom && daysAgo >= awayTo) continue;
    if (random.chance(0.08)) continue; // a lesson missed
    await liveSession(stage, athlete, character, truth, random, date, started, sessionsAtRung);
  }
}
