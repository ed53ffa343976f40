/** An athlete’s first day: intake, body check, first speeds, first look. */
import { EMPTY_INTAKE } from '@wrightonic/contract';
import type { LogEntry } from '@wrightonic/contract';
import { bodyTestById, gradeFor, inTurningOrder, randomFrom } from '@wrightonic/core';
import type { AthleteProfile, Evidence, IsoDate, Random } from '@wrightonic/core';
import { drawFindings, lookAt, readSpeed, readTest } from '@wrightonic/core/simulate';
import type { Truth } from '@wrightonic/core/simulate';
import { contextFor } from '@wrightonic/server';
import { v7 as uuidv7 } from 'uuid';
import {
  finishBodyCheck,
  finishSession,
  logEntries,
  putBodyCheck,
  putBodyReading,
  putConsent,
  putIntake,
  putSession,
  workOf,
} from './services';
import { TOLD } from './people';
import type { Character } from './scenario';
import { noon, on } from './stage';
import type { Stage } from './stage';

/** What was said when they came. */
export async function intake(stage: Stage, character: Character, athlete: string, date: IsoDate): Promise<void> {
  const ctx = await on(stage, date);
  const told = TOLD[character.key] ?? {};
  await putIntake(ctx, athlete, { ...EMPTY_INTAKE, next: null, ...told });
  // The grown say it for themselves.
  const by = told.guardians?.[0]?.name ?? (character.record.age >= 18 ? character.record.name : undefined);
  if (by) await putConsent(ctx, athlete, uuidv7(), { kind: 'film', given: true, by });
}

/**
 * The body tests of a day, each read twice.
 * @param better by how much a limited range has grown since the first day, in reading errors
 */
export async function bodyCheck(
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
export async function firstSpeeds(stage: Stage, athlete: string, truth: Truth, random: Random, date: IsoDate): Promise<void> {
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
