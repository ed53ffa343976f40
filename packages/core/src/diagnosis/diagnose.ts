import { FINDINGS } from '../findings/catalogue';
import { ARROWS } from '../findings/arrows';
import type { FindingId, FindingKind } from '../findings/ids';
import type { AthleteProfile } from '../shared/athlete';
import { ageOn } from '../shared/dates';
import type { IsoDate } from '../shared/dates';
import { logOdds, round } from '../shared/maths';
import { resolveSchools } from '../shared/schools';
import type { Schools } from '../shared/schools';
import type { AcademyNumbers } from '../settings/numbers';
import { slowTriesWorthAsking, weighChecks } from './checks';
import type { WeighedCheck } from './checks';
import type { Evidence, StyleItem } from './evidence';
import { chooseFocus, LIKELY_ENOUGH } from './focus';
import type { Focus, Worth } from './focus';
import { contributionsOf } from './likelihoods';
import type { Contribution, Situation } from './likelihoods';
import { buildModel, graphFor } from './model';
import type { Model } from './model';
import { easingIfAbsent, infer } from './network';
import type { Likelihood } from './network';
import { beliefs, priorRoots } from './roots';
import type { Inference } from './roots';

export interface DiagnosisRequest {
  readonly on: IsoDate;
  readonly athlete: AthleteProfile;
  readonly schools?: Partial<Schools>;
  /** The academy's own thresholds; without them the catalogue's count. */
  readonly numbers?: AcademyNumbers;
  readonly evidence: readonly Evidence[];
}

export interface Pull {
  /** Index into the evidence. */
  readonly evidence: number;
  /** Change of the root's log-odds when the item is left out; positive speaks for the root. */
  readonly weight: number;
}

export interface Root {
  readonly finding: FindingId;
  readonly kind: FindingKind;
  readonly probability: number;
  readonly because: readonly Pull[];
  readonly against: readonly Pull[];
  /** Other possible causes of the same picture that the evidence cleared, with what cleared them. */
  readonly cleared: readonly { readonly finding: FindingId; readonly evidence: readonly number[] }[];
  /** What repairing it may give, mph; null where it was not worth computing. */
  readonly worthMph: Worth | null;
  readonly sentence: string;
}

export interface Diagnosis {
  readonly roots: readonly Root[];
  /** P(present), per finding of the discipline. */
  readonly posterior: Readonly<Partial<Record<FindingId, number>>>;
  readonly expectedToEase: readonly { readonly finding: FindingId; readonly probability: number }[];
  readonly leaveAlone: readonly { readonly item: StyleItem | FindingId; readonly why: string }[];
  readonly split: { readonly body: number; readonly timing: number; readonly cue: number };
  readonly nextChecks: readonly WeighedCheck[];
  readonly flags: readonly FindingId[];
  readonly focus: Focus;
}

const RAISED_BY = 0.02;
const EASE_FROM = 0.1;
const SPLIT_FROM = 0.1;
const PULL_FROM = 0.05;
const CHECKS_SHOWN = 8;
/** A rival below this has been ruled out. */
const CLEARED_BELOW = 0.04;
const SPLIT_OF: Record<FindingKind, keyof Diagnosis['split']> = { limit: 'body', habit: 'timing', cue: 'cue' };

export function howSure(probability: number): string {
  if (probability >= 0.8) return 'Very likely';
  if (probability >= 0.55) return 'Likely';
  if (probability >= LIKELY_ENOUGH) return 'Could well be';
  return 'Possible';
}

const lowerFirst = (text: string): string => (/^[A-Z][a-z]/.test(text) ? text[0]!.toLowerCase() + text.slice(1) : text);

/** The setting of a request: what applies to this athlete on this day. */
function situationOf({ on, athlete, schools, numbers }: DiagnosisRequest): Situation {
  const { ids, limitsBehind } = graphFor(athlete.discipline);
  const resolved = resolveSchools(schools, athlete.discipline, ageOn(athlete.birthDate, on));
  return { athlete, on, schools: resolved, inPlay: ids, limitsBehind, ...(numbers ? { numbers } : {}) };
}

/**
 * P(present) of every finding, and nothing else: what a glance needs.
 * @throws EvidenceError for an item that cannot be about this athlete
 */
export function presence(request: DiagnosisRequest): Diagnosis['posterior'] {
  const situation = situationOf(request);
  const model = buildModel(situation, contributionsOf(request.evidence, situation), []);
  const { present } = infer(model.network, model.likelihoods());
  return Object.fromEntries(model.findings.map((finding, i) => [finding.id, round(present[i]!)]));
}

/** Health-flagged findings that are likely enough to be taken care of. */
export const flagsOf = (present: Diagnosis['posterior']): FindingId[] =>
  FINDINGS.filter((f) => f.healthFlag && (present[f.id] ?? 0) >= LIKELY_ENOUGH).map((f) => f.id);

/** What a limit of the body is doing in this athlete's delivery, and which tests would still tell something. */
export interface BodyInsight {
  /** Per limit: findings that would ease were it not there, P(present) now minus P(present) without it, largest first. */
  readonly limits: readonly {
    readonly finding: FindingId;
    readonly probability: number;
    readonly eases: readonly { readonly finding: FindingId; readonly probability: number }[];
  }[];
  /** Tests not yet done, best first by what they would tell per minute, bits. */
  readonly worthDoing: readonly WeighedCheck[];
}

const LIMITS_SHOWN_FROM = 0.2;
const LIMIT_EASES_FROM = 0.03;

/**
 * The body's part of the judgement: what limits what, through the causal model, and what each test not yet done would tell.
 * @throws EvidenceError for an item that cannot be about this athlete
 */
export function bodyInsight(request: DiagnosisRequest): BodyInsight {
  const situation = situationOf(request);
  const model = buildModel(situation, contributionsOf(request.evidence, situation), []);
  const likelihoods = model.likelihoods();
  const now = beliefs(model, likelihoods);
  const limits = model.findings.flatMap((finding, i) => {
    if (finding.kind !== 'limit' || now.present[i]! < LIMITS_SHOWN_FROM) return [];
    const drops = easingIfAbsent(model.network, likelihoods, i, model.count);
    const eases = model.findings
      .map((other, j) => ({ finding: other.id, probability: round(drops[j]!) }))
      .filter((e) => e.probability >= LIMIT_EASES_FROM)
      .sort((a, b) => b.probability - a.probability);
    return [{ finding: finding.id, probability: round(now.present[i]!), eases }];
  });
  const worthDoing = weighChecks(model, now, priorRoots(model), request.evidence, situation, {
    wanted: (check) => check.kind === 'screen',
    refined: Infinity,
  }).map((check) => ({ ...check, expectedGain: round(check.expectedGain) }));
  return { limits: limits.sort((a, b) => b.probability - a.probability), worthDoing };
}

/**
 * The whole judgement over everything observed: exact posterior of a noisy-OR network over the findings.
 * @throws EvidenceError for an item that cannot be about this athlete
 */
export function diagnose(request: DiagnosisRequest): Diagnosis {
  const { athlete, evidence } = request;
  const situation = situationOf(request);
  const { schools } = situation;
  const contributions = contributionsOf(evidence, situation);
  const model = buildModel(situation, contributions, slowTriesWorthAsking(evidence, situation));
  const likelihoods = model.likelihoods();
  const now = beliefs(model, likelihoods);
  const prior = priorRoots(model);

  const raised = model.findings
    .map((finding, i) => ({ finding, i, probability: now.root[i]!, excess: now.root[i]! - prior[i]! }))
    .filter((r) => r.excess >= RAISED_BY)
    .sort((a, b) => b.probability - a.probability);

  const groups = leaveOutGroups(contributions);
  const without = withoutEach(model, now, contributions, groups);
  const worthKnowing = raised.filter((r, rank) => rank === 0 || r.probability >= LIKELY_ENOUGH);
  const easing = new Map(worthKnowing.map((r) => [r.i, easingIfAbsent(model.network, likelihoods, r.i, model.count)]));
  const worth = new Map(worthKnowing.map((r) => [r.i, worthOf(model, r.i, r.probability, easing.get(r.i)!)]));

  const roots = raised.map(({ finding, i, probability }): Root => {
    const pulls = [...groups].flatMap(([key, items]) => {
      const weight = round(logOdds(probability) - logOdds(without(key, i)));
      return items.map((item) => ({ evidence: item, weight }));
    });
    const strongestFirst = (a: Pull, b: Pull) => Math.abs(b.weight) - Math.abs(a.weight) || a.evidence - b.evidence;
    return {
      finding: finding.id,
      kind: finding.kind,
      probability: round(probability),
      because: pulls.filter((p) => p.weight >= PULL_FROM).sort(strongestFirst),
      against: pulls.filter((p) => p.weight <= -PULL_FROM).sort(strongestFirst),
      cleared: clearedRivals(model, i, now.present, contributions),
      worthMph: worth.get(i) ?? null,
      sentence: `${howSure(probability)}: ${lowerFirst(finding.title)}.`,
    };
  });

  const first = raised[0];
  const expectedToEase = first
    ? model.findings
        .map((finding, i) => ({ finding: finding.id, probability: round(easing.get(first.i)![i]!) }))
        .filter((e) => e.probability >= EASE_FROM)
        .sort((a, b) => b.probability - a.probability)
    : [];

  const excess = { body: 0, timing: 0, cue: 0 };
  model.findings.forEach((finding, i) => {
    excess[SPLIT_OF[finding.kind]] += Math.max(0, now.root[i]! - prior[i]!);
  });
  const total = excess.body + excess.timing + excess.cue;
  const share = (part: number) => (total < SPLIT_FROM ? 0 : round(part / total));

  const focus = chooseFocus(
    raised.map((r) => ({
      finding: r.finding,
      probability: r.probability,
      worth: worth.get(r.i) ?? { low: 0, expected: 0, high: 0 },
      hasRootBehind: raised.some(
        (other) => other.i !== r.i && other.probability >= LIKELY_ENOUGH && isBehind(other.finding.id, r.finding.id),
      ),
    })),
    schools.repairOrder,
  );

  const posterior: Diagnosis['posterior'] = Object.fromEntries(
    model.findings.map((finding, i) => [finding.id, round(now.present[i]!)]),
  );
  return {
    roots,
    posterior,
    expectedToEase,
    leaveAlone: whatToLeave(evidence, athlete, now.present[model.indexOf('lead-hip-ir')]!, expectedToEase, roots),
    split: { body: share(excess.body), timing: share(excess.timing), cue: share(excess.cue) },
    nextChecks: weighChecks(model, now, prior, evidence, situation)
      .slice(0, CHECKS_SHOWN)
      .filter((c) => c.expectedGain > 0.001)
      .map((c) => ({ ...c, expectedGain: round(c.expectedGain) })),
    flags: flagsOf(posterior),
    focus: { ...focus, open: focus.open && { ...focus.open, probability: round(focus.open.probability) } },
  };
}

/** Items about one and the same finding are left out together; an item about several findings is left out alone. */
function leaveOutGroups(contributions: readonly Contribution[]): Map<string, number[]> {
  const groups = new Map<string, number[]>();
  contributions.forEach(({ about }, item) => {
    if (about.length === 0) return;
    const key = about.length === 1 ? about[0]! : `item:${item}`;
    groups.set(key, [...(groups.get(key) ?? []), item]);
  });
  return groups;
}

/** P(root) without a group of items: from what is known already where the group sits on one node, else by another evaluation. */
function withoutEach(
  model: Model,
  now: Inference,
  contributions: readonly Contribution[],
  groups: ReadonlyMap<string, number[]>,
): (key: string, root: number) => number {
  const evaluated = new Map<string, Float64Array>();
  return (key, root) => {
    const items = groups.get(key)!;
    const single = onOneNode(
      model,
      items.map((item) => contributions[item]!),
    );
    if (single) return now.rootWithout(root, single.node, single.likelihood);
    let roots = evaluated.get(key);
    if (!roots) {
      roots = beliefs(
        model,
        model.likelihoods((item) => items.includes(item)),
      ).root;
      evaluated.set(key, roots);
    }
    return roots[root]!;
  };
}

/** The one node that some contributions speak of, with their joint likelihood; null when they speak of several. */
function onOneNode(model: Model, group: readonly Contribution[]): { node: number; likelihood: Likelihood } | null {
  const parts = group.flatMap((c) => [
    ...c.on.map((o) => ({ node: model.indexOf(o.finding), likelihood: o.likelihood })),
    ...(c.observation ? [{ node: model.observationIndex.get(c.observation.id)!, likelihood: c.observation.likelihood }] : []),
  ]);
  const first = parts[0];
  if (!first || parts.some((p) => p.node !== first.node) || group.some((c) => c.arrow)) return null;
  return {
    node: first.node,
    likelihood: parts.reduce<Likelihood>(([a, p], { likelihood }) => [a * likelihood[0], p * likelihood[1]], [1, 1]),
  };
}

/** Own cost by the root’s probability, and the cost of all that eases with it. */
function worthOf(model: Model, root: number, probability: number, drops: Float64Array): Worth {
  const total = (bound: (range: readonly [number, number]) => number) =>
    model.findings.reduce((mph, finding, i) => mph + bound(finding.costMph) * (i === root ? probability : drops[i]!), 0);
  return {
    low: round(
      total(([low]) => low),
      2,
    ),
    expected: round(
      total(([low, high]) => (low + high) / 2),
      2,
    ),
    high: round(
      total(([, high]) => high),
      2,
    ),
  };
}

const consequencesOf = (id: FindingId): FindingId[] => ARROWS.filter((a) => a.cause === id).map((a) => a.consequence);

/** Whether a path of arrows leads from `cause` to `finding`. */
export function isBehind(cause: FindingId, finding: FindingId): boolean {
  const queue = [cause];
  const seen = new Set(queue);
  for (let next = queue.pop(); next; next = queue.pop())
    for (const consequence of consequencesOf(next)) {
      if (consequence === finding) return true;
      if (!seen.has(consequence)) {
        seen.add(consequence);
        queue.push(consequence);
      }
    }
  return false;
}

function clearedRivals(
  model: Model,
  root: number,
  present: Float64Array,
  contributions: readonly Contribution[],
): Root['cleared'] {
  const mine = new Set(consequencesOf(model.findings[root]!.id));
  return model.findings.flatMap((rival, i) => {
    if (i === root || present[i]! > CLEARED_BELOW) return [];
    if (!consequencesOf(rival.id).some((c) => mine.has(c))) return [];
    const by = contributions.flatMap((c, item) =>
      c.on.some((o) => o.finding === rival.id && o.likelihood[1] < o.likelihood[0]) ? [item] : [],
    );
    return by.length > 0 ? [{ finding: rival.id, evidence: by }] : [];
  });
}

const STYLE_WORDS: Record<StyleItem, string> = {
  'high-leg-kick': 'How high the leg goes is style',
  'hands-overhead': 'Where the hands start is style',
  'hands-still': 'Quiet hands are style',
  'finish-off-line': 'Which way the finish falls is style',
  'rubber-side': 'The side of the rubber is a choice',
};

function whatToLeave(
  evidence: readonly Evidence[],
  athlete: AthleteProfile,
  leadHipLimited: number,
  easing: Diagnosis['expectedToEase'],
  roots: readonly Root[],
): Diagnosis['leaveAlone'] {
  const outcomes = evidence.flatMap((e) => (e.kind === 'outcome' ? [e] : []));
  const poor = outcomes.some((o) => [o.strikes, o.movement, o.velocity].includes('poor'));
  const beginner = athlete.level === 'beginner';
  const fine = outcomes.length > 0 ? 'strikes, movement and velocity are fine' : 'nothing speaks against it so far';
  const styles = [...new Set(evidence.flatMap((e) => (e.kind === 'style' ? [e.item] : [])))].flatMap((item) => {
    if (poor && !beginner) return [];
    if (item === 'finish-off-line' && leadHipLimited >= LIKELY_ENOUGH) return [];
    return [{ item, why: `${STYLE_WORDS[item]}; ${beginner ? 'a beginner is left to find their own' : fine}.` }];
  });
  const likelyRoots = new Set(roots.filter((r) => r.probability >= LIKELY_ENOUGH).map((r) => r.finding));
  const consequences = easing
    .filter((e) => e.probability >= LIKELY_ENOUGH && !likelyRoots.has(e.finding))
    .map((e) => ({
      item: e.finding,
      why: 'Usually a consequence; it should ease once the cause is mended.',
    }));
  return [...styles, ...consequences];
}

/** What the catalogue looked like when a diagnosis was made. */
export const CATALOGUE_VERSION = `1.${FINDINGS.length}.${ARROWS.length}`;
