/** A made-up academy whose athletes work on one finding with drills of known effect. */
import { DRILLS } from '../drills/catalogue';
import { treatsDirectly } from '../drills/types';
import { SIGNS } from '../findings/signs';
import type { DrillEffectsRequest, DrillHistory } from '../progress/drill-effects';
import type { CourseValue } from '../progress/course';
import { addDays } from '../shared/dates';
import type { IsoDate } from '../shared/dates';
import { randomFrom } from '../shared/random';

export interface DrillWorkRequest {
  readonly seed: number;
  readonly athletes: number;
  /** Spread of the drills’ true effects about their mean, in spreads of the sign per day of work. */
  readonly spread: number;
  /** True mean effect. */
  readonly mean: number;
  readonly weeks: number;
}

export interface DrillWork {
  readonly request: DrillEffectsRequest;
  /** True move per day of work, in the unit of the measure, by drill. */
  readonly truth: ReadonlyMap<string, number>;
}

/** What is measured, and how well, in spreads of the sign. */
const READ = { error: 0.35, dayToDay: 0.1, every: 16 } as const;
const WEEK = { drift: 0.01, walk: 0.05 } as const;
const OWN_WAY = 0.008;
const START: IsoDate = '2031-02-03';

/** Sessions thrice a week with two drills that change every few weeks, a clip every two to three weeks, and a finding that is chosen by a measured value. */
export function simulateDrillWork({ seed, athletes, spread, mean, weeks }: DrillWorkRequest): DrillWork {
  const random = randomFrom(seed);
  const finding = 'no-brace' as const;
  const discipline = 'overhand' as const;
  const sign = SIGNS.find((s) => s.finding === finding && (!s.disciplines || s.disciplines.includes(discipline)))!;
  const drills = DRILLS.filter((d) => d.disciplines.includes(discipline) && treatsDirectly(d, finding)).map((d) => d.id);
  const truth = new Map(drills.map((drill) => [drill, random.normal(mean, spread)]));
  const histories: DrillHistory[] = [];
  for (let tried = 0; histories.length < athletes; tried++) {
    // In spreads from where the sign says nothing, what is good upwards.
    let level = random.normal(-0.6, 0.7);
    const values: CourseValue[] = [];
    const measured = (on: IsoDate): number => {
      const seen = level + random.normal(0, READ.dayToDay) + random.normal(0, READ.error);
      const way = sign.side === 'above' ? -1 : 1;
      values.push({
        on,
        measure: sign.measure,
        event: sign.events?.[0] ?? 'contact',
        value: sign.at + way * sign.spread * seen,
        sd: sign.spread * READ.error,
        effort: null,
      });
      return seen;
    };
    // Only who is measured badly is worked with: their first value is worse than they are.
    if (measured(START) > -0.5) continue;
    const own = new Map(drills.map((drill) => [drill, random.normal(truth.get(drill)!, OWN_WAY)]));
    const work: { drill: string; on: IsoDate; reps: number }[] = [];
    let pair: string[] = [];
    let next = READ.every;
    for (let day = 1; day <= 7 * weeks; day++) {
      const on = addDays(START, day);
      if (day % 7 === 1) level += random.normal(WEEK.drift, WEEK.walk);
      if (day >= next) {
        measured(on);
        next = day + READ.every + Math.floor(8 * random.uniform());
      }
      if (pair.length === 0 || day % 21 === 1) pair = [random.pick(drills), random.pick(drills)];
      if (![1, 3, 5].includes(day % 7) || random.chance(0.2)) continue;
      for (const drill of new Set(pair)) {
        work.push({ drill, on, reps: 10 + Math.floor(15 * random.uniform()) });
        level += own.get(drill)!;
      }
    }
    histories.push({ athlete: `athlete-${tried}`, discipline, values, work, chosenOn: [START] });
  }
  const scale = sign.spread;
  return {
    request: { finding, discipline, drills, athletes: histories },
    truth: new Map([...truth].map(([drill, effect]) => [drill, scale * effect])),
  };
}
