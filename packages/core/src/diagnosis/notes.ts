import { findingById } from '../findings/catalogue';
import type { FindingId } from '../findings/ids';
import { daysBetween } from '../shared/dates';
import type { DatedEvidence } from '../evidence/evidence';
import type { Situation } from '../evidence/situation';
import type { Contribution } from '../evidence/kind';
import { kindOf, thingsOf } from '../evidence/registry';
import { standingOf } from '../evidence/standing';
import type { Standing } from '../evidence/standing';

/** Something about the evidence itself that a careful person would say. */
export interface Note {
  /** Items that it is about. */
  readonly evidence: readonly number[];
  readonly note: string;
}

/** A likelihood ratio from which one item speaks clearly. */
const CLEAR = 2;
const OLD_AFTER_HALF_LIVES = 2;
/** Remarks beyond these nobody reads. */
const MOST_REMARKS = 3;

const titleOf = (finding: FindingId): string => findingById(finding).title.toLowerCase();

/** Which way an item speaks about a finding, when it speaks clearly: 1 for, −1 against, 0 neither. */
function direction(contribution: Contribution, finding: FindingId): number {
  const said = contribution.on.find((o) => o.finding === finding);
  if (!said) return 0;
  const ratio = said.likelihood[1] / said.likelihood[0];
  return ratio >= CLEAR ? 1 : ratio <= 1 / CLEAR ? -1 : 0;
}

/** Yes and no about one thing, by the same eye on the same day. */
function selfContradictions(evidence: readonly DatedEvidence[], standing: Standing): Note[] {
  return evidence.flatMap((item, index) => {
    if (item.kind !== 'eye' && item.kind !== 'slow') return [];
    const answer = item.kind === 'eye' ? item.answer : item.canDoSlowly;
    const earlier = evidence.findIndex(
      (other, at) =>
        at < index &&
        other.kind === item.kind &&
        standing.dayOf(at) === standing.dayOf(index) &&
        thingsOf(other)[0] !== undefined &&
        thingsOf(other)[0] === thingsOf(item)[0] &&
        (other.kind === 'eye' ? other.answer : other.kind === 'slow' ? other.canDoSlowly : answer) !== answer,
    );
    if (earlier < 0 || answer === 'unsure') return [];
    return [
      {
        evidence: [earlier, index],
        note: `Both yes and no about “${titleOf(item.finding)}”: on one day they cancel each other out. If you are not sure, say “can’t tell” or measure it.`,
      },
    ];
  });
}

/** An eye and a measure, or two eyes, that say opposite things about one finding. */
function disagreements(evidence: readonly DatedEvidence[], contributions: readonly Contribution[], standing: Standing): Note[] {
  const eyes = [...evidence.keys()].filter((i) => evidence[i]!.kind === 'eye' && standing.isNewest(i));
  return eyes.flatMap((eye, at) => {
    const item = evidence[eye]!;
    if (item.kind !== 'eye') return [];
    const { finding } = item;
    const says = direction(contributions[eye]!, finding);
    const against = (i: number) => says !== 0 && direction(contributions[i]!, finding) === -says;
    const measured = [...evidence.keys()].filter((i) => evidence[i]!.kind === 'measure' && against(i));
    const others = eyes.slice(at + 1).filter(against);
    const notes: Note[] = [];
    if (measured.length > 0)
      notes.push({
        evidence: [eye, ...measured],
        note: `The eye and the measure disagree about “${titleOf(finding)}”: the measure counts more.`,
      });
    if (others.length > 0)
      notes.push({
        evidence: [eye, ...others],
        note: `Two eyes disagree about “${titleOf(finding)}”: measure it, or look together.`,
      });
    return notes;
  });
}

/** Items that tell nothing here, with the reason. */
function unused(
  item: DatedEvidence,
  index: number,
  evidence: readonly DatedEvidence[],
  said: Contribution,
  situation: Situation,
  standing: Standing,
): Note[] {
  const note = (text: string): Note[] => [{ evidence: [index], note: text }];
  const silent = said.on.length === 0 && !said.observation;
  if (item.on !== undefined && daysBetween(item.on, situation.on) > OLD_AFTER_HALF_LIVES * kindOf(item).halfLifeDays)
    return note('So long ago that it hardly counts: look or test again.');
  const kind = kindOf(item);
  const odd = kind.odd?.(item);
  if (odd) return note(odd);
  if (!silent || (item.kind === 'eye' && item.answer === 'unsure')) return [];
  if (thingsOf(item).length > 0 && !standing.isNewest(index)) return note('An older reading: the newest counts.');
  const why = kind.whySilent?.(item, { index, evidence, standing, situation, ...NOTHING_REQUIRED }, said.about);
  return why ? note(why) : [];
}
/** What was said was taken: nothing is refused any more. */
const NOTHING_REQUIRED = { require: () => undefined, requireHere: () => undefined };

/** What a careful person would remark about the evidence: contradictions, what tells nothing, what is out of date. */
export function notesOn(
  evidence: readonly DatedEvidence[],
  contributions: readonly Contribution[],
  situation: Situation,
): Note[] {
  const standing = standingOf(evidence, situation.on);
  const all = [
    ...selfContradictions(evidence, standing),
    ...disagreements(evidence, contributions, standing),
    ...evidence.flatMap((item, index) => unused(item, index, evidence, contributions[index]!, situation, standing)),
  ];
  // What several items have in common is one remark; the first kinds matter most.
  const said = new Map<string, Note>();
  for (const { note, evidence: items } of all)
    said.set(note, { note, evidence: [...(said.get(note)?.evidence ?? []), ...items] });
  return [...said.values()].slice(0, MOST_REMARKS);
}
