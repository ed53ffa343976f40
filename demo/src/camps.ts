/** The demo’s camps: one that was, with what it sent home, and one that runs today. */
import type { LogEntry, NewCamp } from '@wrightonic/contract';
import { addDays, clockOf, drillById, randomFrom } from '@wrightonic/core';
import type { IsoDate } from '@wrightonic/core';
import { doRep, readSpeed } from '@wrightonic/core/simulate';
import { v7 as uuidv7 } from 'uuid';
import { firstDay } from './first-day';
import { CHARACTERS } from './scenario';
import type { Character } from './scenario';
import {
  checkIn,
  finishSession,
  handOutReports,
  logEntries,
  publishCamp,
  putCamp,
  putGun,
  putSession,
  scheduleCamp,
  workOf,
} from './services';
import { noon, on, recordOf } from './stage';
import type { Stage } from './stage';

type Station = NewCamp['stations'][number];

const GUN = 'Barn gun';
/** Days before today on which the camp that was began. */
const PAST_DAYS_AGO = 9;
const READINGS = 3;
const REPS = 8;

/** Who was there, and who is there today. Nobody whose arm rests, and nobody who is away. */
const WAS = ['juna', 'bram', 'pipa', 'osk', 'ansa', 'kasper', 'matti', 'gideon', 'rufus'] as const;
const IS = ['juna', 'mirel', 'lio', 'linnea', 'oona', 'bree', 'maud', 'etta', 'pell', 'rufus', 'sunniva', 'anders'] as const;
const [OVERHAND_DRILL, WINDMILL_DRILL, THROWN_DRILL] = ['march-and-reach', 'strap-held-start', 'easy-catch'] as const;

const station = (name: string, more: Partial<Station> & Pick<Station, 'kind'>): Station => ({
  id: uuidv7(),
  name,
  place: null,
  coach: null,
  drill: null,
  capacity: 4,
  kit: null,
  throwsPerVisit: 0,
  hard: false,
  ...more,
});

const stationsOf = ({ coach, assistant }: Stage, helper: string): Station[] => [
  station('Radar lane', {
    kind: 'radar',
    place: 'Long lane, south end',
    coach: coach.id,
    throwsPerVisit: 8,
    hard: true,
    capacity: 3,
  }),
  station('Film corner', { kind: 'film', place: 'By the big door', coach: assistant.id, throwsPerVisit: 4, capacity: 3 }),
  station('March and reach', { kind: 'drill', drill: OVERHAND_DRILL, place: 'Mats', coach: helper, capacity: 4 }),
  station('Strap start', { kind: 'drill', drill: WINDMILL_DRILL, place: 'North wall', capacity: 3, kit: 3 }),
  station('Easy catch', { kind: 'drill', drill: THROWN_DRILL, place: 'Outside, west', capacity: 4, throwsPerVisit: 10 }),
  station('Body check', { kind: 'screen', place: 'Office', capacity: 3 }),
  station('Shade and water', { kind: 'rest', place: 'Under the ash', capacity: 12 }),
];

const comers = (keys: readonly string[], athletes: ReadonlyMap<string, string>): NewCamp['athletes'] =>
  keys.map((key, n) => ({
    athlete: athletes.get(key)!,
    group: n < keys.length / 2 ? 'First' : 'Second',
    with: n === 0 ? [athletes.get(keys[1]!)!] : n === 1 ? [athletes.get(keys[0]!)!] : [],
    visitor: key === 'rufus',
  }));

const dayOf = (date: IsoDate, start: string): NewCamp['days'][number] => ({
  date,
  start,
  rotations: 6,
  minutes: 25,
  breaks: [{ after: 3, minutes: 15 }],
});

/** What one athlete does on a day of a camp: some reps of the drills there, and what the gun read. */
async function campDay(stage: Stage, character: Character, athlete: string, date: IsoDate, day: number): Promise<void> {
  const random = randomFrom(8000 + 10 * character.seed + day);
  const start = addDays(stage.today, -7 * character.weeksAgo);
  const { record } = recordOf(character, stage.today, start);
  const { truth } = firstDay(character, record, start);
  const ctx = await on(stage, date);
  const { foci } = await workOf(ctx, athlete);
  const session = uuidv7();
  let second = 4000;
  const stamp = () => ({ id: uuidv7(), at: noon(date, (second += 15)).toISOString() });
  await putSession(ctx, athlete, session, { on: date, assignment: null, painBefore: [] });
  const entries: LogEntry[] = [];
  for (const drill of [OVERHAND_DRILL, THROWN_DRILL]) {
    const { rungs, effort, throws } = drillById(drill);
    for (let n = 0; n < REPS; n++) {
      const { judged } = doRep(random, truth, { drill, rung: rungs[0]! }, day + 1);
      entries.push({
        ...stamp(),
        type: 'rep',
        drill,
        rung: rungs[0]!,
        focus: foci[0]?.id ?? null,
        judged,
        effort: throws === 'none' ? 0 : effort[0],
      });
    }
  }
  for (let n = 0; n < READINGS; n++) {
    const speed = readSpeed(random, truth, record, {
      on: date,
      since: start,
      repaired: 0.7 + 0.03 * day,
      effort: 95,
      setting: 'flat',
      sessionEffect: 0,
    });
    entries.push({ ...stamp(), type: 'reading', speed, unit: 'mph', effort: 95, gun: GUN, setting: 'flat' });
  }
  const over = await on(stage, date);
  await logEntries({ ...over, now: noon(date, second + 60) }, athlete, session, entries);
  await finishSession({ ...over, now: noon(date, second + 120) }, athlete, session);
}

/** @param helper the station coach @param hour of the clock at the academy, so that the camp of today is on while one looks at it */
export async function liveCamps(
  stage: Stage,
  athletes: ReadonlyMap<string, string>,
  helper: string,
  hour: number,
): Promise<void> {
  const { today } = stage;
  const byKey = new Map(CHARACTERS.map((c) => [c.key, c]));
  const began = addDays(today, -PAST_DAYS_AGO);
  const before = await on(stage, addDays(began, -1));
  await putGun(before, uuidv7(), {
    name: GUN,
    place: 'behind the plate',
    sideDeg: 0,
    upDeg: 4,
    unit: 'mph',
    offset: null,
    retired: false,
  });
  const past = uuidv7();
  const camp = { stations: stationsOf(stage, helper), forgetAfterDays: 60, revision: 0 };
  await putCamp(before, past, {
    ...camp,
    name: 'Two days at the long barn',
    place: 'The long barn',
    days: [dayOf(began, '09:00'), dayOf(addDays(began, 1), '09:00')],
    athletes: comers(WAS, athletes),
  });
  await scheduleCamp(before, past);
  await publishCamp(before, past);
  for (const day of [0, 1])
    for (const key of WAS) await campDay(stage, byKey.get(key)!, athletes.get(key)!, addDays(began, day), day);
  await handOutReports(await on(stage, addDays(began, 2)), past);
  const [eve, now] = [await on(stage, addDays(today, -1)), await on(stage, today)];
  const running = uuidv7();
  const start = clockOf(60 * Math.max(0, Math.min(19, hour - 1)));
  await putCamp(eve, running, {
    ...camp,
    stations: stationsOf(stage, helper),
    name: 'Barn weekend',
    place: 'The long barn',
    days: [dayOf(today, start), dayOf(addDays(today, 1), '09:00')],
    athletes: comers(IS, athletes),
  });
  await scheduleCamp(eve, running);
  await publishCamp(eve, running);
  for (const key of IS.slice(0, -2)) await checkIn(now, running, { day: 0, athlete: athletes.get(key)!, here: true });
}
