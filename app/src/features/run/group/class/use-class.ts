import type { AthleteWork, Judgement, Me } from '@wrightonic/contract';
import { findingById } from '@wrightonic/core';
import type { Discipline, FindingId, Link } from '@wrightonic/core';
import { newId } from '../../../../data/ids';
import { record } from '../../../../data/outbox';
import { useAppDispatch, useAppSelector } from '../../../../data/store';
import { useToday } from '../../../../data/use-today';
import { tick } from '../../tick';
import { inFront, nextUp, toTheEnd, toTheFront } from '../line';
import type { Line } from '../line';
import { useWorks } from '../use-group';
import { ANSWER, atLink, marked, markOf, unmarked } from '../../../../parts/class';
import type { ClassWork } from '../../../../parts/class';

/** One of the class: whether their turn is to come, and what must be known of them. */
export interface Pupil {
  readonly id: string;
  readonly name: string;
  readonly overview: AthleteWork;
  readonly mark: Judgement | null;
  /** Why they are not called, or null. */
  readonly passed: string | null;
  /** What holds while they show it: no ball where throwing is locked. */
  readonly mind: string | null;
}

const MARKS: Record<Judgement, string> = { good: 'Shown well.', close: 'Nearly.', off: 'Not yet.' };

function pupilOf(overview: AthleteWork, work: ClassWork): Pupil {
  const { discipline } = overview.athlete;
  const mark = markOf(work, overview.id);
  const locked = overview.workload.today.locked;
  return {
    id: overview.id,
    name: overview.athlete.name,
    overview,
    mark,
    passed: findingById(work.finding).disciplines.includes(discipline)
      ? mark && MARKS[mark]
      : `Not a question of the ${discipline} delivery.`,
    mind: locked ? `No ball. ${locked.reason}` : null,
  };
}

/** A class as it is run: who is called, and what a tap does. Marks are looks of the one who taps, noted on the device first. */
export function useClass(me: Me, line: Line, work: ClassWork, change: (to: Line) => void) {
  const dispatch = useAppDispatch();
  const today = useToday(me);
  const ticks = useAppSelector((s) => s.device.tick);
  const works = useWorks(line.athletes);
  const pupils = line.athletes.flatMap((id) => {
    const overview = works.get(id);
    return overview ? [pupilOf(overview, work)] : [];
  });
  const known = new Map(pupils.map((p) => [p.id, p]));
  const passed = new Set(line.athletes.filter((id) => !known.has(id) || known.get(id)!.passed !== null));
  const frontId = inFront(line, passed);
  const nextId = nextUp(line, passed);
  const disciplines = new Set<Discipline>(pupils.map((p) => p.overview.athlete.discipline));
  return {
    pupils,
    disciplines,
    missing: line.athletes.length - pupils.length,
    front: frontId === null ? null : known.get(frontId)!,
    next: nextId === null ? null : known.get(nextId)!,
    mark: (judged: Judgement) => {
      if (frontId === null) return;
      const observation = newId();
      const evidence = { kind: 'eye', finding: work.finding, answer: ANSWER[judged] } as const;
      dispatch(record(me.id, frontId, observation, { kind: 'observe', id: observation, body: { on: today, evidence } }));
      if (ticks) tick();
      const taught = marked(work, { athlete: frontId, finding: work.finding, observation, judged });
      change({ ...toTheEnd(line, frontId), taught });
    },
    /** The newest mark, taken back: whoever it was is in front again, at that question. */
    takeBack: () => {
      const back = unmarked(work);
      if (!back) return;
      const { athlete, observation } = back.taken;
      dispatch(record(me.id, athlete, observation, { kind: 'take-back', id: observation }));
      change({ ...toTheFront(line, athlete), taught: { ...back.work, link: linkOf(back.taken.finding, work.link) } });
    },
    teach: (link: Link) => {
      const taught = atLink(link, disciplines, work.shown);
      if (taught) change({ ...line, taught });
    },
    ask: (finding: FindingId) => change({ ...line, taught: { ...work, finding } }),
  };
}

/** The link of a question; thoughts and limits have none and leave it where it is. */
const linkOf = (finding: FindingId, otherwise: Link): Link => {
  const { phase } = findingById(finding);
  return phase ?? otherwise;
};

export type Class = ReturnType<typeof useClass>;
