import { OWN_RUNGS, treatsDirectly } from '@wrightonic/core';
import type { Drill, Ladder, OwnLadder, Rung } from '@wrightonic/core';

/** A ladder while it is changed: drills of each rung, the first choice first. */
export type LadderDraft = Readonly<Partial<Record<Rung, readonly string[]>>>;

export const ladderDraftOf = ({ rungs }: Ladder): LadderDraft =>
  Object.fromEntries(rungs.map((r) => [r.rung, 'drills' in r ? r.drills : []]));

const on = (draft: LadderDraft, rung: Rung): readonly string[] => draft[rung] ?? [];

/** One place up. The first stays where it is. */
export function raised(draft: LadderDraft, rung: Rung, drill: string): LadderDraft {
  const list = on(draft, rung);
  const at = list.indexOf(drill);
  if (at < 1) return draft;
  return { ...draft, [rung]: [...list.slice(0, at - 1), drill, list[at - 1]!, ...list.slice(at + 1)] };
}

export const without = (draft: LadderDraft, rung: Rung, drill: string): LadderDraft => ({
  ...draft,
  [rung]: on(draft, rung).filter((id) => id !== drill),
});

export const withDrill = (draft: LadderDraft, rung: Rung, drill: string): LadderDraft =>
  on(draft, rung).includes(drill) ? draft : { ...draft, [rung]: [...on(draft, rung), drill] };

/** Rungs as they are sent; those without a drill are skipped. */
export const rungsFrom = (draft: LadderDraft): NonNullable<OwnLadder['rungs']> =>
  OWN_RUNGS.filter((rung) => on(draft, rung).length > 0).map((rung) => ({ rung, drills: [...on(draft, rung)] }));

/** Drills that could stand on a rung and do not. */
export const couldStand = (drills: readonly Drill[], { finding, discipline }: Ladder, draft: LadderDraft, rung: Rung): Drill[] =>
  drills.filter(
    (d) =>
      d.disciplines.includes(discipline) &&
      d.rungs.includes(rung) &&
      treatsDirectly(d, finding) &&
      !on(draft, rung).includes(d.id),
  );
