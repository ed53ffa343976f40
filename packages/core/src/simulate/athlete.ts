/**
 * A made-up athlete with a hidden truth: which findings are there and why, how fast, how quickly it is learned. Everything that
 * is observed (looks, tests, reps, speeds) is drawn from the truth with realistic noise.
 */
import { graphFor, leakOf } from '../diagnosis/model';
import type { Evidence } from '../evidence/evidence';
import { EYE, visibilityOf } from '../eyes/eye';
import { screenDensities } from '../evidence/screened';
import { ARROWS, STRENGTH } from '../findings/arrows';
import { findingById } from '../findings/catalogue';
import type { FindingId } from '../findings/ids';
import type { PlanItem } from '../plan/types';
import { expectedGrowthMph } from '../progress/growth';
import { bodyTestById } from '../body/catalogue';
import type { TestId } from '../body/catalogue';
import type { AthleteProfile } from '../athlete/athlete';
import type { IsoDate } from '../shared/dates';
import { clamp, round } from '../shared/maths';
import { drillById } from '../drills/catalogue';
import type { TestSide } from '../delivery/sides';
import type { Random } from '../shared/random';

export interface Truth {
  readonly present: ReadonlySet<FindingId>;
  /** Findings whose own leak fired, and that did something if they are limits or cues. */
  readonly roots: ReadonlySet<FindingId>;
  /** Full-effort speed at the start, mph. */
  readonly speedMph: number;
  /** Speed that repairing brings over the season, mph. */
  readonly repairMph: number;
  /** How fast success rises with practice at a rung, logits a session. */
  readonly learning: number;
  /** Full effort is no faster than four fifths. */
  readonly flatEffort: boolean;
  /** One throw in a session comes off far better than the rest. */
  readonly spike: boolean;
}

/**
 * Draws findings forward through the causal network.
 * @param roots findings that are there by themselves; all others come by leak or by cause
 */
export function drawFindings(
  random: Random,
  athlete: AthleteProfile,
  on: IsoDate,
  roots: readonly FindingId[],
): Pick<Truth, 'present' | 'roots'> {
  const { findings, ids } = graphFor(athlete.discipline);
  const present = new Set<FindingId>();
  const fired = new Set<FindingId>(roots);
  const acted = new Set<FindingId>();
  const done = new Set<FindingId>();
  const visit = (id: FindingId): void => {
    if (done.has(id)) return;
    done.add(id);
    const causes = ARROWS.filter((a) => a.consequence === id && ids.has(a.cause));
    causes.forEach((a) => visit(a.cause));
    if (!fired.has(id) && random.chance(leakOf(findingById(id), athlete, on))) fired.add(id);
    let here = fired.has(id);
    for (const arrow of causes)
      if (present.has(arrow.cause) && random.chance(STRENGTH[arrow.strength])) {
        here = true;
        acted.add(arrow.cause);
      }
    if (here) present.add(id);
  };
  findings.forEach((finding) => visit(finding.id));
  return {
    present,
    roots: new Set([...fired].filter((id) => findingById(id).kind === 'habit' || acted.has(id))),
  };
}

/** A look by an eye of the usual sensitivity and specificity. */
export function lookAt(random: Random, truth: Truth, finding: FindingId): Evidence {
  const eye = EYE[visibilityOf(findingById(finding))];
  const yes = random.chance(truth.present.has(finding) ? eye.sensitivity : 1 - eye.specificity);
  return { kind: 'eye', finding, answer: yes ? 'yes' : 'no' };
}

/** A body test's reading, drawn from the densities of limited and free. */
export function readTest(
  random: Random,
  truth: Truth,
  athlete: AthleteProfile,
  on: IsoDate,
  test: TestId,
  side: TestSide,
): Evidence {
  const found = bodyTestById(test);
  const finding = found.speaksOf[side];
  const model = screenDensities(found, { athlete, on });
  const limited = finding !== undefined && truth.present.has(finding);
  const drawn = random.normal(limited ? model.presentMean : model.absentMean, 0.5 * model.sd);
  const digits = found.unit === 'xBW' || found.unit === 'cm' ? 1 : 0;
  const top = found.unit === 'score' ? 3 : Infinity;
  return { kind: 'screen', test, side, value: round(clamp(drawn, 0, top), digits), unit: found.unit };
}

const logistic = (x: number): number => 1 / (1 + Math.exp(-x));

/** True success rate of an item: harder on higher rungs, better with each session at the rung. */
export function successRate(truth: Truth, item: Pick<PlanItem, 'rung'>, sessionsAtRung: number): number {
  return logistic(0.75 - 0.08 * item.rung + truth.learning * sessionsAtRung);
}

export interface SimulatedRep {
  readonly judged: 'good' | 'close' | 'off';
  readonly cheat: string | null;
}

/** One rep, judged as a coach would: misses by a little are close. */
export function doRep(
  random: Random,
  truth: Truth,
  item: Pick<PlanItem, 'drill' | 'rung'>,
  sessionsAtRung: number,
): SimulatedRep {
  const rate = successRate(truth, item, sessionsAtRung);
  if (random.chance(rate)) return { judged: 'good', cheat: null };
  if (random.chance(0.5)) return { judged: 'close', cheat: null };
  const { cheats } = drillById(item.drill);
  return { judged: 'off', cheat: cheats.length > 0 && random.chance(0.5) ? random.pick(cheats).cheat : null };
}

export interface SpeedSetting {
  readonly on: IsoDate;
  readonly since: IsoDate;
  /** Share of the repair that has been done, 0 to 1. */
  readonly repaired: number;
  readonly effort: number;
  readonly setting: 'mound' | 'flat' | 'drill';
  /** Drawn once a session. */
  readonly sessionEffect: number;
}

/** A radar reading, mph, to a tenth. */
export function readSpeed(random: Random, truth: Truth, athlete: AthleteProfile, s: SpeedSetting): number {
  const level =
    truth.speedMph +
    expectedGrowthMph(athlete.discipline, athlete.birthDate, s.since, s.on) +
    truth.repairMph * s.repaired +
    s.sessionEffect;
  const slope = truth.flatEffort ? 0 : 0.006;
  const effort = 1 + slope * (Math.max(s.effort, 80) - 100) + 0.006 * Math.min(0, s.effort - 80);
  const setting = { mound: 0, flat: -1, drill: -4 }[s.setting];
  const burst = truth.spike && s.effort >= 90 && random.chance(0.12) ? 3.4 : 0;
  return round(level * effort + setting + burst + random.normal(0, truth.spike ? 0.5 : 0.8), 1);
}
