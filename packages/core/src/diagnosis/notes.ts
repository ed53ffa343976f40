import { findingById } from '../findings/catalogue';
import type { FindingId } from '../findings/ids';
import { measureById } from '../delivery/measures';
import { bodyTestById } from '../body/catalogue';
import { daysBetween } from '../shared/dates';
import type { DatedEvidence } from '../evidence/evidence';
import { HALF_LIFE_DAYS } from './fading';
import type { Situation } from './situation';
import type { Contribution } from './likelihoods';
import { standingOf, thingsOf } from './standing';
import type { Standing } from './standing';

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

const pairedWithTall = (
  item: Extract<DatedEvidence, { kind: 'screen' }>,
  index: number,
  evidence: readonly DatedEvidence[],
  standing: Standing,
): boolean =>
  evidence.some(
    (other, at) =>
      other.kind === 'screen' &&
      other.test === 'trunk-rotation' &&
      other.side === item.side &&
      standing.dayOf(at) === standing.dayOf(index),
  );

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
  if (item.on !== undefined && daysBetween(item.on, situation.on) > OLD_AFTER_HALF_LIVES * HALF_LIFE_DAYS[item.kind])
    return note('So long ago that it hardly counts: look or test again.');
  if (item.kind === 'transfer' && item.cleanInDrill === 'no' && item.cleanOnMound === 'yes')
    return note('Clean on the mound and not in the drill is unusual: check that it was not entered the wrong way round.');
  if (!silent) return [];
  if (item.kind === 'eye' && item.answer === 'unsure') return [];
  if (thingsOf(item).length > 0 && !standing.isNewest(index)) return note('An older reading: the newest counts.');
  switch (item.kind) {
    case 'screen':
      if (item.test === 'trunk-rotation-slouched' && !pairedWithTall(item, index, evidence, standing))
        return note('The slouched turn is held against the tall one of the same day, which is not there.');
      return bodyTestById(item.test).adultsOnly && said.about.length === 0
        ? note(`${bodyTestById(item.test).name} counts from 18 on; it is kept and says nothing yet.`)
        : [];
    case 'measure':
      return note(
        `No finding hangs on ${measureById(item.measure).name.toLowerCase()} at this event in the ${situation.athlete.discipline} delivery.`,
      );
    case 'slow':
      return note(`No limit of the body stands behind “${titleOf(item.finding)}”, so a slow try tells nothing.`);
    case 'miss':
      return note(`This miss says nothing particular in the ${situation.athlete.discipline} delivery.`);
    default:
      return [];
  }
}

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
