import { detailById, findingsOfDetail, glanceSays } from '../glances';
import type { GlanceAnswer, GlanceId } from '../glances';
import { timesBehind, timesEach } from '../kind';
import type { EvidenceKind } from '../kind';

/** A look at one telling detail. */
export interface GlanceEvidence {
  readonly kind: 'glance';
  readonly detail: GlanceId;
  readonly answer: GlanceAnswer;
}

export const GLANCE_KIND: EvidenceKind<GlanceEvidence> = {
  kind: 'glance',
  halfLifeDays: 120,
  lingers: true,
  thingsOf: (item) => [`glance:${item.detail}:${item.by ?? ''}`],
  looksAt: (item) => [...findingsOfDetail(item.detail)],
  says(item, { situation, require, requireHere }) {
    const detail = detailById(item.detail);
    requireHere(detail.disciplines.includes(situation.athlete.discipline), 'detail', item.detail);
    const says = glanceSays(item.detail, item.answer, situation.schools);
    require(says !== null, 'answer', `is one of ${detail.answers.map((a) => a.id).join(', ')} for “${item.detail}”`);
    return timesEach(says ?? [], situation);
  },
  numbers: (item, situation) => timesBehind(glanceSays(item.detail, item.answer, situation.schools) ?? [], situation),
  words(item) {
    const { question, answers } = detailById(item.detail);
    return `${question} ${answers.find((a) => a.id === item.answer)?.label ?? item.answer}`;
  },
};
