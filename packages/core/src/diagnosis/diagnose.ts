import { EvidenceError } from '../evidence/evidence';
import type { Situation } from '../evidence/situation';
import { canonicalOrder } from '../evidence/standing';
import { ARROWS } from '../findings/arrows';
import { FINDINGS } from '../findings/catalogue';
import type { FindingId } from '../findings/ids';
import { isBehind } from '../findings/paths';
import { costOf } from '../settings/numbers';
import { ageOn } from '../shared/dates';
import { round } from '../shared/maths';
import { weighChecks } from './checks';
import type { Diagnosis, Root } from './diagnosis';
import { whatIsSaid } from './facts';
import { flagsOf } from './flags';
import { chooseFocus, LIKELY_ENOUGH, REPAIR_ORDERS } from './focus';
import type { Candidate, Focus, Worth } from './focus';
import { howSure, lowerFirst, measuresFocus, splitOf } from './how-sure';
import { whatToLeave } from './leave-alone';
import { buildModel } from './model';
import type { Model } from './model';
import { easingIfAbsent, infer } from './network';
import { notesOn } from './notes';
import { holdAgainst } from './overruled';
import type { Overruled } from './overruled';
import { clearedRivals, pullsOn } from './pulls';
import type { Pull } from './pulls';
import { situationOf } from './request';
import type { DiagnosisRequest } from './request';
import { beliefs, priorBeliefs } from './roots';
import { rankedIn, styleIn } from './schools-say';
import { lookingSettled } from './settled';
import { ownSpeedMph, WORTH_FROM_AGE, worthOf } from './worth';

/** Roots that are explained item by item: the likeliest. */
const ROOTS_EXPLAINED = 5;

const UNEXPLAINED = { because: [], against: [] };

const RAISED_BY = 0.02;

const EASE_FROM = 0.1;

const CHECKS_SHOWN = 8;

const posteriorOf = (model: Model, present: ArrayLike<number>): Diagnosis['posterior'] =>
  Object.fromEntries(model.findings.map((finding, i) => [finding.id, round(present[i]!)]));

/**
 * P(present) of every finding, and those flagged for health: what a glance needs.
 * @throws EvidenceError for an item that cannot be about this athlete
 */
export function glanceOf(
  request: DiagnosisRequest,
): Pick<Diagnosis, 'posterior' | 'flags'> & { readonly before: Diagnosis['posterior'] } {
  return inOrder(request, (ordered) => {
    const situation = situationOf(ordered);
    const model = buildModel(situation, whatIsSaid(ordered.evidence, situation));
    const { present } = infer(model.network, model.likelihoods());
    const posterior = posteriorOf(model, present);
    const before = posteriorOf(model, priorBeliefs(model).present);
    return { posterior, before, flags: flagsOf(posterior, before) };
  });
}

/** Roots that were raised above their prior, likeliest first; what the coach has called a root comes before all. */
function raisedRoots(model: Model, root: Float64Array, prior: Float64Array, byWord: ReadonlySet<FindingId>) {
  return model.findings
    .map((finding, i) => {
      const said = byWord.has(finding.id);
      return { finding, i, said, probability: said ? 1 : root[i]!, excess: root[i]! - prior[i]! };
    })
    .filter((r) => r.said || r.excess >= RAISED_BY)
    .sort((a, b) => Number(b.said) - Number(a.said) || b.probability - a.probability);
}

type Raised = ReturnType<typeof raisedRoots>[number];

/** What the focus is chosen from. */
function candidatesFrom(raised: readonly Raised[], situation: Situation, worth: (r: Raised) => Worth): Candidate[] {
  // What the school that is set takes for style is nobody's focus, but for the coach's own word.
  const faults = raised.filter((r) => r.said || styleIn(r.finding.id, situation) === null);
  return faults.map((r) => ({
    finding: r.finding,
    probability: r.probability,
    worth: worth(r),
    worthTold: mayTellWorth(situation),
    byWord: r.said,
    ranked: rankedIn(r.finding.id, situation),
    hasRootBehind: raised.some(
      (other) => other.i !== r.i && other.probability >= LIKELY_ENOUGH && isBehind(other.finding.id, r.finding.id),
    ),
  }));
}

/** Every word of the coach against what the evidence alone would say. */
function overruledIn(request: DiagnosisRequest, situation: Situation): Overruled[] {
  const overrules = situation.overrules ?? [];
  if (overrules.length === 0) return [];
  const { overrules: _, ...free } = situation;
  const model = buildModel(free, whatIsSaid(request.evidence, free));
  const without = beliefs(model, model.likelihoods());
  const before = priorBeliefs(model);
  const at = (from: { present: Float64Array; root: Float64Array }, i: number) => ({
    present: from.present[i]!,
    root: from.root[i]!,
  });
  return overrules.map((overrule) => {
    const i = model.indexOf(overrule.finding);
    return holdAgainst(overrule, at(without, i), at(before, i));
  });
}

/**
 * The whole judgement over everything observed: exact posterior of a noisy-OR network over the findings. The order in which the
 * evidence is listed says nothing.
 * @throws EvidenceError for an item that cannot be about this athlete, or lies in the future
 */
export const diagnose = (request: DiagnosisRequest): Diagnosis =>
  inOrder(request, (ordered, places) => withPlaces(judged(ordered), places));

/** Judges with the evidence in an order that hangs on what it says alone; a refusal names the item as it was listed. */
function inOrder<T>(request: DiagnosisRequest, judge: (ordered: DiagnosisRequest, places: readonly number[]) => T): T {
  const places = canonicalOrder(request.evidence, request.on);
  try {
    return judge({ ...request, evidence: places.map((place) => request.evidence[place]!) }, places);
  } catch (error) {
    if (!(error instanceof EvidenceError) || error.list !== 'evidence') throw error;
    throw new EvidenceError(places[error.index]!, error.field, error.message);
  }
}

/** The same judgement, with the items named by their places in the list as it was given. */
function withPlaces(judgement: Diagnosis, places: readonly number[]): Diagnosis {
  const there = (items: readonly number[]) => items.map((item) => places[item]!).sort((a, b) => a - b);
  const pulls = (list: readonly Pull[]) => list.map((pull) => ({ ...pull, evidence: places[pull.evidence]! }));
  return {
    ...judgement,
    roots: judgement.roots.map((root) => ({
      ...root,
      because: pulls(root.because),
      against: pulls(root.against),
      cleared: root.cleared.map((c) => ({ ...c, evidence: there(c.evidence) })),
    })),
    notes: judgement.notes.map((n) => ({ ...n, evidence: there(n.evidence) })),
  };
}

function judged(request: DiagnosisRequest): Diagnosis {
  const { athlete, evidence, numbers } = request;
  const situation = situationOf(request);
  const contributions = whatIsSaid(evidence, situation);
  const model = buildModel(situation, contributions);
  const likelihoods = model.likelihoods();
  const now = beliefs(model, likelihoods);
  const { root: prior, present: before } = priorBeliefs(model);
  const byWord = new Set((situation.overrules ?? []).flatMap((o) => (o.as === 'root' ? [o.finding] : [])));
  const raised = raisedRoots(model, now.root, prior, byWord);

  const worthKnowing = raised.filter((r, rank) => rank === 0 || r.probability >= LIKELY_ENOUGH);
  const easing = new Map(
    worthKnowing.map((r) => [r.i, easingIfAbsent(model.network, likelihoods, r.i, now.present[r.i]!, model.count)]),
  );
  const worth = new Map(worthKnowing.map((r) => [r.i, worthOf(model, numbers, r.i, r.probability, easing.get(r.i)!)]));
  const pulls = pullsOn(model, now, contributions);

  const roots = raised.map(({ finding, i, probability, said }, rank): Root => {
    const { because, against } = rank < ROOTS_EXPLAINED ? pulls(i) : UNEXPLAINED;
    return {
      finding: finding.id,
      kind: finding.kind,
      probability: round(probability),
      because,
      against,
      cleared: clearedRivals(model, i, now.present, contributions),
      worth: mayTellWorth(situation) ? (worth.get(i) ?? null) : null,
      sentence: said
        ? `The coach’s word: ${lowerFirst(finding.title)}.`
        : `${howSure(probability)}: ${lowerFirst(finding.title)}.`,
      byWord: said,
    };
  });

  const first = raised[0];
  const expectedToEase = first
    ? model.findings
        .map((finding, i) => ({ finding: finding.id, probability: round(easing.get(first.i)![i]!) }))
        .filter((e) => e.probability >= EASE_FROM)
        .sort((a, b) => b.probability - a.probability)
    : [];

  const order = situation.schools.repairOrder;
  const candidates = candidatesFrom(raised, situation, (r) => worth.get(r.i) ?? NO_WORTH);
  const focusBy = Object.fromEntries(
    REPAIR_ORDERS.map((o) => [o, rounded(chooseFocus(candidates, o, athlete.discipline))]),
  ) as Diagnosis['focusBy'];
  const { checks, glances } = weighChecks(model, now, prior, evidence, situation);
  /** The focus if the roots were these; what repairing gives is taken to grow with the probability. */
  const focusIf = (root: Float64Array): Focus =>
    chooseFocus(
      candidatesFrom(raisedRoots(model, root, prior, byWord), situation, (r) => {
        const known = worth.get(r.i);
        const own = costOf(r.finding, numbers);
        if (!known) return { low: 0, expected: (r.probability * (own[0] + own[1])) / 2, high: 0 };
        const scale = r.probability / Math.max(1e-9, now.root[r.i]!);
        return { low: known.low * scale, expected: known.expected * scale, high: known.high * scale };
      }),
      order,
      athlete.discipline,
    );

  const posterior = posteriorOf(model, now.present);
  return {
    roots,
    posterior,
    expectedToEase,
    leaveAlone: whatToLeave({
      evidence,
      situation,
      posterior,
      easing: expectedToEase,
      roots,
      focus: focusBy[order],
    }),
    split: splitOf(model, now.root, prior),
    nextChecks: checks
      .slice(0, CHECKS_SHOWN)
      .filter((c) => c.expectedGain > 0.001 || measuresFocus(c.check, focusBy[order], situation))
      .map((c) => ({ ...c, expectedGain: round(c.expectedGain) })),
    flags: flagsOf(posterior, posteriorOf(model, before)),
    ownSpeedMph: ownSpeedMph(evidence, request.on),
    focus: focusBy[order],
    focusBy,
    overruled: overruledIn(request, situation),
    notes: notesOn(evidence, contributions, situation),
    lookNext: glances.map((g) => g.finding),
    lookingSettled: evidence.length > 0 && lookingSettled(glances, focusIf(now.root), focusIf),
  };
}

const mayTellWorth = ({ athlete, on }: Situation): boolean => ageOn(athlete.birthDate, on) >= WORTH_FROM_AGE;

const NO_WORTH: Worth = { low: 0, expected: 0, high: 0 };

const rounded = (focus: Focus): Focus => ({
  ...focus,
  open: focus.open && { ...focus.open, probability: round(focus.open.probability) },
});

/** What the catalogue looked like when a diagnosis was made. */
export const CATALOGUE_VERSION = `1.${FINDINGS.length}.${ARROWS.length}`;
