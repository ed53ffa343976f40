/** A class link by link: the coach calls one after the other, each shows the delivery up to a link, one tap marks it. */
import type { Judgement } from '@wrightonic/contract';
import { FINDINGS, LINKS } from '@wrightonic/core';
import type { Discipline, Finding, FindingId, Link } from '@wrightonic/core';

/** What somebody has shown, as it was marked; kept as an observation of that id. */
export interface Shown {
  readonly athlete: string;
  readonly finding: FindingId;
  readonly observation: string;
  readonly judged: Judgement;
}

/** What is taught now, and what has been shown so far today, in its order. */
export interface ClassWork {
  readonly link: Link;
  readonly finding: FindingId;
  readonly shown: readonly Shown[];
}

/** What the eye looks for at a link, of those deliveries that are in line. */
export const questionsOf = (link: Link, disciplines: ReadonlySet<Discipline>): readonly Finding[] =>
  FINDINGS.filter((f) => f.kind === 'habit' && f.phase === link && f.disciplines.some((d) => disciplines.has(d)));

/** Links at which there is something to look for. */
export const linksOf = (disciplines: ReadonlySet<Discipline>): readonly Link[] =>
  LINKS.filter((link) => questionsOf(link, disciplines).length > 0);

/** The class at a link: at its first question, with what was shown before. */
export function atLink(link: Link, disciplines: ReadonlySet<Discipline>, before: readonly Shown[] = []): ClassWork | null {
  const [first] = questionsOf(link, disciplines);
  return first ? { link, finding: first.id, shown: before } : null;
}

/** Every class begins at the set; both deliveries have its first question. */
export const BEGINS: ClassWork = atLink('set', new Set(['overhand']))!;

/** The question asks for the fault: shown well, it is not there; nearly, it cannot be told. */
export const ANSWER: Record<Judgement, 'no' | 'unsure' | 'yes'> = { good: 'no', close: 'unsure', off: 'yes' };

/** How somebody was marked at the question asked now, the newest mark; null when they have not shown it. */
export const markOf = ({ finding, shown }: ClassWork, athlete: string): Judgement | null =>
  shown.filter((s) => s.athlete === athlete && s.finding === finding).pop()?.judged ?? null;

export const marked = (work: ClassWork, one: Shown): ClassWork => ({ ...work, shown: [...work.shown, one] });

/** Without the newest mark of all; null when there is none. */
export function unmarked(work: ClassWork): { readonly work: ClassWork; readonly taken: Shown } | null {
  const taken = work.shown[work.shown.length - 1];
  return taken ? { work: { ...work, finding: taken.finding, shown: work.shown.slice(0, -1) }, taken } : null;
}

export interface Outcome {
  readonly finding: FindingId;
  readonly by: Readonly<Record<Judgement, readonly string[]>>;
}

/** What came of each question, in the order in which they were first asked: who showed it how, by their newest mark. */
export function outcomes({ shown }: ClassWork): readonly Outcome[] {
  const asked = [...new Set(shown.map((s) => s.finding))];
  return asked.map((finding) => {
    const newest = new Map(shown.filter((s) => s.finding === finding).map((s) => [s.athlete, s.judged]));
    const of = (judged: Judgement) => [...newest].filter(([, how]) => how === judged).map(([athlete]) => athlete);
    return { finding, by: { good: of('good'), close: of('close'), off: of('off') } };
  });
}
