import type { DiagnosisRequest } from '../diagnosis/request';
import { graphFindings } from '../diagnosis/model';
import type { Evidence } from '../evidence/evidence';
import type { FindingId } from '../findings/ids';
import type { MeasuredValue, MeasureRequest, View } from '../measure/types';
import { measureThrow } from '../measure/measure';
import type { TrendRequest } from '../progress/trend';
import { expectedGrowthMph } from '../progress/growth';
import { BODY_TESTS } from '../body/catalogue';
import type { AthleteProfile } from '../athlete/athlete';
import { addDays, ageOn } from '../shared/dates';
import type { IsoDate } from '../shared/dates';
import { round } from '../shared/maths';
import { drawFindings, lookAt, readSpeed, readTest } from './athlete';
import type { Truth } from './athlete';
import type { Build } from '../delivery/body';
import { simulateDelivery } from './delivery';
import { SIMULATED_FAULTS } from './faults';
import type { Delivery, DeliveryRequest, Faults, SimulatedFault } from './faults';
import { filmDelivery } from './film';
import { randomFrom } from '../shared/random';
import type { Random } from '../shared/random';

export interface DeliveryWanted {
  readonly seed: number;
  readonly kind: 'delivery';
  readonly athlete: AthleteProfile;
  /** Each from 0 to 1; null draws some. */
  readonly faults: Faults | null;
  readonly view?: View;
  readonly fps?: number;
  readonly markSd?: number;
}
export interface CaseWanted {
  readonly seed: number;
  readonly kind: 'case';
  readonly on: IsoDate;
  readonly athlete: AthleteProfile;
}
export interface SeasonWanted {
  readonly seed: number;
  readonly kind: 'season';
  readonly on: IsoDate;
  readonly athlete: AthleteProfile;
  readonly weeks?: number;
}

export interface SimulatedDelivery {
  readonly data: MeasureRequest;
  readonly truth: {
    readonly faults: Faults;
    /** Seconds from the set. */
    readonly events: Readonly<Record<string, number>>;
    readonly measures: readonly Pick<MeasuredValue, 'measure' | 'event' | 'value' | 'unit'>[];
  };
}
export interface SimulatedCase {
  readonly data: DiagnosisRequest;
  readonly truth: { readonly present: readonly FindingId[]; readonly roots: readonly FindingId[] };
}
export interface SimulatedSeason {
  readonly data: TrendRequest;
  readonly truth: { readonly gainMph: number; readonly growthMph: number };
}

/** Rate at which the truth about a delivery is read, frames a second. */
const TRUTH_FPS = 480;
const DECIMALS = 6;

/** Faults drawn for somebody: none, one or two, each from half to plain. */
export function drawFaults(random: Random, discipline: AthleteProfile['discipline']): Faults {
  const all: readonly SimulatedFault[] = SIMULATED_FAULTS[discipline];
  const count = random.pick([0, 1, 1, 2]);
  const chosen = new Set<SimulatedFault>();
  while (chosen.size < count) chosen.add(random.pick(all));
  return Object.fromEntries([...chosen].map((fault) => [fault, round(0.5 + 0.5 * random.uniform(), 2)]));
}

/** What makes one made-up body throw: the same gives the same delivery. */
export interface ThrowWanted extends Pick<DeliveryWanted, 'athlete' | 'seed' | 'faults'> {
  /** Years; left out: grown, 17. */
  readonly age?: number;
  readonly build?: Build;
}

/** The delivery that a request stands for, at any time. */
export function deliveryFor({ athlete, seed, faults: given, age = 17, build }: ThrowWanted): {
  readonly delivery: Delivery;
  readonly request: DeliveryRequest;
} {
  const random = randomFrom(seed);
  const faults = given ?? drawFaults(random, athlete.discipline);
  const request: DeliveryRequest = {
    discipline: athlete.discipline,
    heightM: athlete.heightM,
    age,
    ...(build && { build }),
    faults,
    tempo: round(1 + random.normal(0, 0.03), 4),
  };
  return { delivery: simulateDelivery(request), request };
}

function deliver(wanted: DeliveryWanted): SimulatedDelivery {
  const { athlete, seed, view = '3d', fps = 240 } = wanted;
  const { delivery, request } = deliveryFor(wanted);
  const film = { throws: athlete.throws, seed };
  const exact = filmDelivery(delivery, request, { ...film, view: '3d', fps: TRUTH_FPS, markSd: 0, exact: true });
  const data = filmDelivery(delivery, request, { ...film, view, fps, markSd: wanted.markSd ?? (view === '3d' ? 0 : 2) });
  return {
    data,
    truth: {
      faults: request.faults ?? {},
      events: Object.fromEntries(Object.entries(delivery.events).map(([event, t]) => [event, round(t, DECIMALS)])),
      measures: measureThrow(exact).measures.flatMap(({ measure, event, value, unit }) =>
        value === null ? [] : [{ measure, event, value, unit }],
      ),
    },
  };
}

const LOOKS = 14;

function drawCase({ seed, on, athlete }: CaseWanted): SimulatedCase {
  const random = randomFrom(seed);
  const drawn = drawFindings(random, athlete, on, []);
  const truth: Truth = { ...drawn, speedMph: 70, repairMph: 2, learning: 0.3, flatEffort: false, spike: false };
  const habits = graphFindings(athlete.discipline).filter((f) => f.kind !== 'limit');
  const looked = new Set<FindingId>();
  while (looked.size < Math.min(LOOKS, habits.length)) looked.add(random.pick(habits).id);
  const adult = ageOn(athlete.birthDate, on) >= 18;
  const tests = BODY_TESTS.filter((t) => (adult || !t.adultsOnly) && t.speaksOf[t.firstSide] && random.chance(0.25));
  const evidence: Evidence[] = [
    ...[...looked].map((finding) => lookAt(random, truth, finding)),
    ...tests.map((test) => readTest(random, truth, athlete, on, test.id, test.firstSide)),
  ];
  return { data: { on, athlete, evidence }, truth: { present: [...drawn.present].sort(), roots: [...drawn.roots].sort() } };
}

const A_SESSION = 8;

function drawSeason({ seed, on, athlete, weeks = 16 }: SeasonWanted): SimulatedSeason {
  const random = randomFrom(seed);
  const since = addDays(on, -7 * weeks);
  const truth: Truth = {
    present: new Set(),
    roots: new Set(),
    speedMph: round(random.normal(athlete.discipline === 'overhand' ? 72 : 52, 5), 1),
    repairMph: round(Math.max(0, random.normal(2, 1.5)), 2),
    learning: 0.3,
    flatEffort: false,
    spike: false,
  };
  const readings = Array.from({ length: weeks }, (_, week) => addDays(since, 7 * week + 3)).flatMap((date, week) => {
    const sessionEffect = random.normal(0, 0.5);
    return Array.from({ length: A_SESSION }, (_, n) => {
      const effort = n < 2 ? 80 : 100;
      const repaired = (week + 0.5) / weeks;
      const speed = readSpeed(random, truth, athlete, { on: date, since, repaired, effort, setting: 'mound', sessionEffect });
      return { date, speed, unit: 'mph' as const, effort, gun: 'gun 1', angleDeg: 0, setting: 'mound' as const };
    });
  });
  const growthMph = expectedGrowthMph(athlete.discipline, athlete.birthDate, since, on);
  return {
    data: { on, athlete, readings },
    truth: { gainMph: round(truth.repairMph + growthMph, 2), growthMph: round(growthMph, 2) },
  };
}

/** Made-up data with its truth; the same request gives the same data. */
export function simulate(
  wanted: DeliveryWanted | CaseWanted | SeasonWanted,
): SimulatedDelivery | SimulatedCase | SimulatedSeason {
  switch (wanted.kind) {
    case 'delivery':
      return deliver(wanted);
    case 'case':
      return drawCase(wanted);
    case 'season':
      return drawSeason(wanted);
  }
}
