/** Whether film tells the truth: made-up throws of one athlete, filmed, marked, measured and judged as a coach's would be. */
import type { Hand } from '../delivery/sides';
import { diagnose } from '../diagnosis/diagnose';
import type { DatedEvidence } from '../evidence/evidence';
import type { FindingId } from '../findings/ids';
import { dayValues, measureThrow } from '../measure/measure';
import type { MeasureRequest, View } from '../measure/types';
import type { AthleteProfile, Level } from '../athlete/athlete';
import type { Discipline } from '../delivery/links';
import { addDays } from '../shared/dates';
import { round } from '../shared/maths';
import { simulateDelivery } from './delivery';
import { SIMULATED_FAULTS } from './faults';
import type { Faults, SimulatedFault } from './faults';
import { filmDelivery } from './film';
import { randomFrom } from '../shared/random';

export interface FilmTrial {
  readonly seed: number;
  readonly discipline: Discipline;
  readonly hand: Hand;
  readonly age: number;
  readonly level: Level;
  readonly heightM: number;
  /** Share by which everything is slower or faster. */
  readonly tempo: number;
  readonly view: View;
  readonly fps: number;
  readonly throws: number;
  /** 1 SD of a mark: pixels in a view, metres in 3d. */
  readonly markSd: number;
  readonly faults: Faults;
}

export interface FilmVerdict {
  /** P(present) with the film, and with nothing at all. */
  readonly posterior: Readonly<Partial<Record<FindingId, number>>>;
  readonly prior: Readonly<Partial<Record<FindingId, number>>>;
  readonly evidence: readonly DatedEvidence[];
}

const ON = '2026-06-01';
/** Throws of one athlete differ in tempo by so much, 1 SD. */
const THROW_TEMPO = 0.015;

const athleteOf = ({ discipline, hand, age, level, heightM }: FilmTrial): AthleteProfile => ({
  discipline,
  throws: hand,
  birthDate: addDays(ON, -Math.round(365.25 * age) - 40),
  heightM,
  massKg: round(22 * heightM ** 2, 1),
  level,
});

/** The throws of a trial as they are filmed and marked. */
export function filmedThrows(trial: FilmTrial): MeasureRequest[] {
  const { discipline, heightM, age, faults, tempo, hand, seed, view, fps, markSd, throws } = trial;
  const random = randomFrom(seed);
  return Array.from({ length: throws }, (_, n) => {
    const request = { discipline, heightM, age, faults, tempo: tempo * (1 + random.normal(0, THROW_TEMPO)) };
    return filmDelivery(simulateDelivery(request), request, { view, throws: hand, fps, markSd, seed: seed * 31 + n });
  });
}

/** What the film of some throws says, as the day's evidence: one value a measure and event. */
export function filmEvidence(trial: FilmTrial): DatedEvidence[] {
  return dayValues(filmedThrows(trial).map((film) => measureThrow(film).measures)).map(({ measure, event, value, unit, sd }) => ({
    kind: 'measure',
    measure,
    event,
    value,
    unit,
    sd,
    on: ON,
  }));
}

/** What a judgement makes of the film alone. */
export function judgeFilm(trial: FilmTrial): FilmVerdict {
  const athlete = athleteOf(trial);
  const evidence = filmEvidence(trial);
  return {
    posterior: diagnose({ on: ON, athlete, evidence }).posterior,
    prior: diagnose({ on: ON, athlete, evidence: [] }).posterior,
    evidence,
  };
}

/**
 * Faults that film can show. Early hands have no band: they are compared with the athlete's own best, and one clip says nothing.
 */
export const FILM_FAULTS: Readonly<Record<Discipline, readonly SimulatedFault[]>> = {
  overhand: SIMULATED_FAULTS.overhand.filter((fault) => fault !== 'early-hands'),
  windmill: SIMULATED_FAULTS.windmill,
};

/** An athlete, a tempo and a camera's rate drawn for somebody; what is given stands. */
export function drawFilmTrial(seed: number, given: Partial<FilmTrial> & Pick<FilmTrial, 'discipline' | 'view'>): FilmTrial {
  const random = randomFrom(seed);
  const age = 9 + Math.floor(14 * random.uniform());
  const level: Level = age < 13 ? random.pick(['beginner', 'youth'] as const) : age < 18 ? 'high-school' : 'college';
  // Of the usual height for the age, about.
  const heightM = round(Math.min(1.84, 1.33 + 0.055 * (age - 9)) + random.normal(0, 0.06), 2);
  return {
    seed,
    hand: random.chance(0.35) ? 'L' : 'R',
    age,
    level,
    heightM,
    tempo: round(1 + random.normal(0, 0.04), 3),
    fps: random.pick([60, 120, 240]),
    throws: 1,
    markSd: given.view === '3d' ? 0 : 2,
    faults: {},
    ...given,
  };
}

/** Findings that rose above their prior, the one that rose most first. */
export const filmRises = ({ posterior, prior }: FilmVerdict): { readonly finding: FindingId; readonly rise: number }[] =>
  (Object.keys(posterior) as FindingId[])
    .map((finding) => ({ finding, rise: posterior[finding]! - (prior[finding] ?? 0) }))
    .filter(({ rise }) => rise > 0)
    .sort((a, b) => b.rise - a.rise);
