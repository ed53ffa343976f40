/**
 * How good the judgement is on made-up cases that nothing was built with: cases drawn from the model itself, and cases that break
 * what it takes for granted; how sure it may be when it says so; and what following “check this next” saves.
 */
import {
  BODY_TESTS,
  bodyTestById,
  beliefHistory,
  diagnose,
  graphFindings,
  LINKS,
  MEASURES,
  randomFrom,
  SIGNS,
} from '@wrightonic/core';
import { Answerer, brokenWorld, drawTruth } from '@wrightonic/core/simulate';
import type { AthleteProfile, Check, DiagnosisRequest, Evidence, FindingId, Random } from '@wrightonic/core';
import type { HiddenTruth } from '@wrightonic/core/simulate';

const FIRST_SEED = Number(process.env.ACCURACY_SEED ?? 700_000);
const CASES = Number(process.env.ACCURACY_CASES ?? 1000);
const WALKS = Number(process.env.ACCURACY_WALKS ?? 60);
const ON = '2026-05-04';
const percent = (share: number): string => `${(100 * share).toFixed(1)} %`;
const mean = (list: readonly number[]): number => (list.length === 0 ? 0 : list.reduce((a, b) => a + b, 0) / list.length);
const median = (list: readonly number[]): number => list.slice().sort((a, b) => a - b)[list.length >> 1] ?? 0;

function athleteOf(random: Random, n: number): AthleteProfile {
  return {
    discipline: n % 3 === 2 ? 'windmill' : 'overhand',
    throws: random.chance(0.3) ? 'L' : 'R',
    birthDate: random.pick(['2009-01-01', '2012-06-01', '2003-03-03']),
    heightM: 1.7,
    massKg: 65,
    level: random.pick(['youth', 'high-school', 'college'] as const),
  };
}

/** Everything that can be asked, in the order of a form: look along the chain, then the bench, then the film. */
function everyCheck(athlete: AthleteProfile): { check: Check; minutes: number }[] {
  const findings = graphFindings(athlete.discipline).filter((f) => f.kind !== 'limit');
  const rank = (phase: string | null) => (phase === null ? LINKS.length : LINKS.findIndex((link) => link === phase));
  const tests = BODY_TESTS.filter((t) => !t.adultsOnly && t.id !== 'trunk-rotation-slouched');
  return [
    ...findings
      .slice()
      .sort((a, b) => rank(a.phase) - rank(b.phase))
      .map((f) => ({ check: { kind: 'eye', finding: f.id } as const, minutes: 1 })),
    ...tests.flatMap((t) =>
      t.sides.map((side) => ({ check: { kind: 'screen', test: t.id, side } as const, minutes: t.minutes })),
    ),
    ...MEASURES.map((m) => ({ check: { kind: 'measure', measure: m.id } as const, minutes: 3 })),
  ];
}

/**
 * Whether the answer to a check is read just as it is drawn: one value for one finding. A hip tested on both sides, or a measure that
 * two findings share, is read with less trust than the model's own densities would allow.
 */
function asModelled({ check }: { check: Check }): boolean {
  if (check.kind === 'screen') {
    const { speaksOf, sides } = bodyTestById(check.test);
    return sides.filter((side) => speaksOf[side] === speaksOf[check.side]).length === 1 && check.test !== 'squat-strength';
  }
  return check.kind !== 'measure' || SIGNS.filter((s) => s.measure === check.measure).length === 1;
}

interface Bin {
  claimed: number;
  came: number;
  n: number;
}
const EDGES = [0.02, 0.05, 0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9, 1.0001];

function judgeCases(name: string, broken: boolean): void {
  const bins: Bin[] = EDGES.map(() => ({ claimed: 0, came: 0, n: 0 }));
  let top1 = 0;
  let top3 = 0;
  let claimed = 0;
  let named = 0;
  let presentError = 0;
  let presentCount = 0;
  for (let n = 0; n < CASES; n++) {
    const random = randomFrom(FIRST_SEED + n + (broken ? 50_000 : 0));
    const athlete = athleteOf(random, n);
    const world = broken ? brokenWorld(random, athlete, ON) : undefined;
    const truth = drawTruth(random, athlete, ON, world);
    const answerer = new Answerer(random, athlete, ON, truth, world);
    const checks = everyCheck(athlete).filter((c) => random.chance(0.35) && (broken || asModelled(c)));
    const evidence = checks.flatMap(({ check }) => answerer.answer(check) ?? []);
    const result = diagnose({ on: ON, athlete, evidence });
    for (const { finding, probability } of result.roots) {
      const bin = bins[EDGES.findIndex((edge) => probability < edge)]!;
      bin.n += 1;
      bin.claimed += probability;
      bin.came += truth.roots.has(finding) ? 1 : 0;
    }
    for (const [finding, p] of Object.entries(result.posterior)) {
      presentError += p - (truth.present.has(finding as FindingId) ? 1 : 0);
      presentCount += 1;
    }
    const [first] = result.roots;
    if (!first) continue;
    named += 1;
    claimed += first.probability;
    top1 += truth.roots.has(first.finding) ? 1 : 0;
    top3 += result.roots.slice(0, 3).some((r) => truth.roots.has(r.finding)) ? 1 : 0;
  }
  const all = bins.reduce((total, b) => total + b.n, 0);
  const calibration = bins.reduce((total, b) => total + Math.abs(b.claimed - b.came), 0) / all;
  console.log(`\n${name}: ${CASES} cases, seeds from ${FIRST_SEED + (broken ? 50_000 : 0)}`);
  console.log(
    `  first root is one: ${percent(top1 / named)}, one of the first three: ${percent(top3 / named)}; the posterior itself expects ${percent(claimed / named)}; share of that reached: ${(top1 / claimed).toFixed(3)}`,
  );
  console.log(
    `  calibration error of root probabilities: ${calibration.toFixed(3)}; mean of P(present) less what was: ${(presentError / presentCount).toFixed(4)}`,
  );
  console.log('  said          came true   of');
  bins.forEach((b, i) => {
    if (b.n > 0)
      console.log(
        `  ${percent(b.claimed / b.n).padStart(7)} (<${EDGES[i]!.toFixed(2)}) ${percent(b.came / b.n).padStart(8)} ${String(b.n).padStart(6)}`,
      );
  });
}

const SURE = 0.7;
const MOST_MINUTES = 90;

interface Walk {
  readonly minutes: number;
  readonly checks: number;
  readonly sure: boolean;
  readonly right: boolean;
}

/** Asks until the first root is sure, by some way of choosing. */
function walk(
  request: Omit<DiagnosisRequest, 'evidence'>,
  start: readonly Evidence[],
  truth: HiddenTruth,
  answerer: Answerer,
  next: (evidence: readonly Evidence[]) => { check: Check; minutes: number } | undefined,
): Walk {
  const evidence = [...start];
  let minutes = 0;
  let checks = 0;
  for (;;) {
    const { findings, days } = beliefHistory({ ...request, evidence });
    const roots = days[days.length - 1]!.roots;
    const best = roots.reduce((at, p, i) => (p > roots[at]! ? i : at), 0);
    const sure = roots[best]! >= SURE;
    const asked = sure || minutes >= MOST_MINUTES ? undefined : next(evidence);
    if (!asked) return { minutes, checks, sure, right: sure && truth.roots.has(findings[best]!) };
    const said = answerer.answer(asked.check);
    if (said) evidence.push(said);
    minutes += asked.minutes;
    checks += 1;
  }
}

function walks(): void {
  const found: Record<'check next' | 'fixed order' | 'at random', Walk[]> = {
    'check next': [],
    'fixed order': [],
    'at random': [],
  };
  let cases = 0;
  for (let n = 0; cases < WALKS && n < 40 * WALKS; n++) {
    const random = randomFrom(FIRST_SEED + 100_000 + n);
    const athlete = athleteOf(random, n);
    const truth = drawTruth(random, athlete, ON);
    const answerer = new Answerer(random, athlete, ON, truth);
    // What brought them here: two things that the coach noticed.
    const noticed = [...truth.present].filter((f) =>
      graphFindings(athlete.discipline).some((g) => g.id === f && g.kind === 'habit'),
    );
    const start = noticed.flatMap((finding) => {
      const seen = answerer.answer({ kind: 'eye', finding });
      return seen?.kind === 'eye' && seen.answer === 'yes' ? [seen] : [];
    });
    if (start.length < 2) continue;
    start.length = 2;
    cases += 1;
    const request = { on: ON, athlete };
    const all = everyCheck(athlete);
    const shuffled = all
      .map((c) => ({ c, at: random.uniform() }))
      .sort((a, b) => a.at - b.at)
      .map(({ c }) => c);
    const inOrder = (list: typeof all) => {
      let at = 0;
      return () => list[at++];
    };
    found['check next'].push(
      walk(request, start, truth, answerer, (evidence) => diagnose({ ...request, evidence }).nextChecks[0]),
    );
    found['fixed order'].push(walk(request, start, truth, answerer, inOrder(all)));
    found['at random'].push(walk(request, start, truth, answerer, inOrder(shuffled)));
  }
  console.log(
    `\nUntil a root is ${percent(SURE)} sure, from two findings noticed: ${cases} cases, seeds from ${FIRST_SEED + 100_000}, at most ${MOST_MINUTES} minutes`,
  );
  for (const [name, list] of Object.entries(found)) {
    const sure = list.filter((w) => w.sure);
    console.log(
      `  ${name.padEnd(12)} sure in ${percent(sure.length / list.length)} of cases; minutes until then: mean ${mean(sure.map((w) => w.minutes)).toFixed(1)}, median ${median(sure.map((w) => w.minutes))}; minutes in all cases, given up or not: mean ${mean(list.map((w) => w.minutes)).toFixed(1)}; checks until then: mean ${mean(sure.map((w) => w.checks)).toFixed(1)}; right when sure ${percent(mean(sure.map((w) => Number(w.right))))}`,
    );
  }
}

/** How often the focus that stands when looking says “enough” is the one that all looks would have given. */
function settling(): void {
  let stopped = 0;
  let same = 0;
  let saved = 0;
  for (let n = 0; n < WALKS; n++) {
    const random = randomFrom(FIRST_SEED + 200_000 + n);
    const athlete = athleteOf(random, n);
    const truth = drawTruth(random, athlete, ON);
    const answerer = new Answerer(random, athlete, ON, truth);
    const looks = everyCheck(athlete).filter((c) => c.check.kind === 'eye');
    const evidence: Evidence[] = [];
    let at = 0;
    let result = diagnose({ on: ON, athlete, evidence });
    while (at < looks.length && !result.lookingSettled) {
      for (let k = 0; k < 3 && at < looks.length; k++) evidence.push(answerer.answer(looks[at++]!.check)!);
      result = diagnose({ on: ON, athlete, evidence });
    }
    if (at >= looks.length) continue;
    stopped += 1;
    saved += looks.length - at;
    const whole = diagnose({ on: ON, athlete, evidence: looks.map((c) => answerer.answer(c.check)!) });
    const of = (d: typeof result) => [d.focus.lowerHalf, d.focus.arm].join();
    same += of(whole) === of(result) ? 1 : 0;
  }
  console.log(
    `\nLooking says “enough” before the end in ${stopped} of ${WALKS} cases, sparing ${(saved / Math.max(1, stopped)).toFixed(1)} looks; the focus is then the one that all looks give in ${percent(same / Math.max(1, stopped))}`,
  );
}

judgeCases('Cases of the model itself', false);
judgeCases('Cases that break the model (other weights, looks that lean on one another, causes it does not know)', true);
walks();
settling();
