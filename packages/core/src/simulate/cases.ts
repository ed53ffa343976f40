/**
 * Made-up cases for the judgement: a hidden truth, and every question that could be asked of it. One kind of case is drawn from
 * the model itself; the other breaks what the model takes for granted.
 */
import type { TestSide } from '../delivery/sides';
import type { MeasureId } from '../delivery/measures';
import { measureById } from '../delivery/measures';
import type { Check } from '../diagnosis/checks';
import type { Evidence } from '../evidence/evidence';
import { eyeWith } from '../settings/numbers';
import { visibilityOf } from '../eyes/eye';
import { MISTAKEN } from '../evidence/densities';
import { mainSignOf, signDensities } from '../evidence/measured';
import { isYouth } from '../evidence/situation';
import { SLOW } from '../evidence/kinds/slow';
import { screenDensities } from '../evidence/screened';
import type { TwoDensities } from '../evidence/densities';
import type { Situation } from '../evidence/situation';
import { graphFor, leakOf } from '../diagnosis/model';
import { situationOf } from '../diagnosis/request';
import { ARROWS, STRENGTH } from '../findings/arrows';
import { findingById } from '../findings/catalogue';
import type { FindingId } from '../findings/ids';
import { bodyTestById } from '../body/catalogue';
import type { TestId } from '../body/catalogue';
import type { AthleteProfile } from '../athlete/athlete';
import type { IsoDate } from '../shared/dates';
import { clamp, round } from '../shared/maths';
import type { Random } from '../shared/random';

export interface HiddenTruth {
  readonly present: ReadonlySet<FindingId>;
  /** Own leak fired; limits and cues also did something. */
  readonly roots: ReadonlySet<FindingId>;
}

/** How a world differs from the model. */
export interface World {
  readonly weight: (cause: FindingId, consequence: FindingId, usual: number) => number;
  readonly leak: (finding: FindingId, usual: number) => number;
  /** Findings that something outside the model has brought about. */
  readonly fromOutside: readonly FindingId[];
  /** How much an eye that has said yes to a neighbour leans to yes. */
  readonly halo: number;
}

/** How much commoner than its leak a finding is that something outside the model brings about. */
const OUTSIDE_TIMES = 1.4;
const AS_MODELLED: World = { weight: (_, __, usual) => usual, leak: (_, usual) => usual, fromOutside: [], halo: 0 };

/** A world with other weights and leaks, a cause that the model does not know, and looks that lean on one another. */
export function brokenWorld(random: Random, athlete: AthleteProfile, on: IsoDate): World {
  const { findings } = graphFor(athlete.discipline);
  const factor = new Map<string, number>();
  const factorOf = (key: string, low: number, high: number) => {
    let found = factor.get(key);
    if (found === undefined) factor.set(key, (found = low + (high - low) * random.uniform()));
    return found;
  };
  const habits = findings.filter((f) => f.kind === 'habit');
  // What comes from outside is so much more common than what comes of itself, in three cases of ten.
  const outside = random.chance(0.3)
    ? habits.filter((f) => random.chance(OUTSIDE_TIMES * leakOf(f, athlete, on))).map((f) => f.id)
    : [];
  return {
    weight: (cause, consequence, usual) => clamp(usual * factorOf(`${cause}>${consequence}`, 0.5, 1.5), 0, 0.95),
    leak: (finding, usual) => clamp(usual * factorOf(finding, 0.4, 1.8), 0, 0.5),
    fromOutside: outside,
    halo: 0.25,
  };
}

/** Draws a truth forward through the causes. */
export function drawTruth(random: Random, athlete: AthleteProfile, on: IsoDate, world: World = AS_MODELLED): HiddenTruth {
  const { findings, ids } = graphFor(athlete.discipline);
  const present = new Set<FindingId>();
  const fired = new Set<FindingId>();
  const acted = new Set<FindingId>();
  const done = new Set<FindingId>();
  const visit = (id: FindingId): void => {
    if (done.has(id)) return;
    done.add(id);
    const causes = ARROWS.filter((a) => a.consequence === id && ids.has(a.cause));
    causes.forEach((a) => visit(a.cause));
    if (random.chance(world.leak(id, leakOf(findingById(id), athlete, on)))) fired.add(id);
    let here = fired.has(id) || world.fromOutside.includes(id);
    for (const { cause, strength } of causes)
      if (present.has(cause) && random.chance(world.weight(cause, id, STRENGTH[strength]))) {
        here = true;
        acted.add(cause);
      }
    if (here) present.add(id);
  };
  findings.forEach((finding) => visit(finding.id));
  return { present, roots: new Set([...fired].filter((id) => findingById(id).kind === 'habit' || acted.has(id))) };
}

/** A value drawn as the model takes readings to be. */
function drawReading(random: Random, densities: TwoDensities, there: boolean): number {
  const asIf = random.chance(densities.mistaken ?? MISTAKEN) ? !there : there;
  return random.normal(asIf ? densities.presentMean : densities.absentMean, densities.sd);
}

/** One who answers every check from a hidden truth. The same check gets the same answer. */
export class Answerer {
  private readonly given = new Map<string, Evidence | null>();
  private readonly situation: Situation;
  private readonly saidYes = new Set<FindingId>();

  constructor(
    private readonly random: Random,
    athlete: AthleteProfile,
    on: IsoDate,
    private readonly truth: HiddenTruth,
    private readonly world: World = AS_MODELLED,
  ) {
    this.situation = situationOf({ on, athlete, evidence: [] });
  }

  /** Null where the check tells nothing here. */
  answer(check: Check): Evidence | null {
    const key = JSON.stringify(check);
    let found = this.given.get(key);
    if (found === undefined) {
      found = this.draw(check);
      this.given.set(key, found);
    }
    return found;
  }

  private draw(check: Check): Evidence | null {
    switch (check.kind) {
      case 'eye':
        return this.look(check.finding);
      case 'screen':
        return this.test(check.test, check.side);
      case 'measure':
        return this.measure(check.measure);
      case 'slow': {
        const limits = this.situation.limitsBehind(check.finding);
        if (limits.length === 0) return null;
        const limited = limits.some((l) => this.truth.present.has(l));
        const cannot = this.random.chance(limited ? SLOW.cannotIfLimited : SLOW.cannotOtherwise);
        return { kind: 'slow', finding: check.finding, canDoSlowly: cannot ? 'no' : 'yes' };
      }
    }
  }

  private look(finding: FindingId): Evidence {
    const eye = eyeWith(undefined, visibilityOf(findingById(finding)));
    const near = ARROWS.some(
      (a) => (a.cause === finding && this.saidYes.has(a.consequence)) || (a.consequence === finding && this.saidYes.has(a.cause)),
    );
    const said = this.random.chance(this.truth.present.has(finding) ? eye.sensitivity : 1 - eye.specificity);
    const yes = said || (near && this.random.chance(this.world.halo));
    if (yes) this.saidYes.add(finding);
    return { kind: 'eye', finding, answer: yes ? 'yes' : 'no' };
  }

  private test(id: TestId, side: TestSide): Evidence | null {
    const test = bodyTestById(id);
    const finding = test.speaksOf[side];
    if (!finding || !this.situation.inPlay.has(finding)) return null;
    const value = drawReading(this.random, screenDensities(test, this.situation), this.truth.present.has(finding));
    // Not cut off at nought: a cut value would be one that the model never expects.
    return { kind: 'screen', test: id, side, value: round(value, 2), unit: test.unit };
  }

  private measure(id: MeasureId): Evidence | null {
    const measure = measureById(id);
    const sign = mainSignOf(id, this.situation);
    if (!sign) return null;
    const event = sign.events?.[0] ?? measure.bands[this.situation.athlete.discipline]?.[0]?.event ?? 'contact';
    const drawn = drawReading(
      this.random,
      signDensities(sign, isYouth(this.situation), measure.typicalSd),
      this.truth.present.has(sign.finding),
    );
    // Outside two edges: so far beyond the upper one.
    const value = sign.side === 'outside' ? sign.upTo! + (drawn - sign.at) : drawn;
    return { kind: 'measure', measure: id, event, value: round(value, 2), unit: measure.unit, sd: measure.typicalSd };
  }
}
