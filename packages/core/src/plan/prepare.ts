import { libraryOf } from '../drills/library';
import type { Drill, Rung } from '../drills/types';
import { findingById } from '../findings/catalogue';
import type { FindingId } from '../findings/ids';
import { HARD_EFFORT } from '../load/tables';
import { sum } from '../shared/maths';
import { behindFoci, heldBack } from './behind';
import { directOn, generalFor, whyNot } from './choose';
import { calmTop, effortCeiling, itemOf } from './dose';
import { FLAGGED_EFFORT } from './ledger';
import type { Draft } from './draft';
import { PLACE_TOP } from './places';
import type { Standing } from './standing';
import type { SessionTask } from './task';
import type { PlanItem } from './types';
import { quoted } from './words';

const WARM_UP = {
  child: { least: 8, most: 12, beforeTest: 12 },
  usual: { least: 12, most: 25, beforeTest: 18 },
} as const;
const WARM_UP_EFFORT = { usual: 70, eve: 65, beforeTest: 85 } as const;
/** Minutes of preparation: at most a fifth of the session and ten; fifteen where a limit is the focus. */
const PREPARE = { share: 0.2, most: 10, limit: 15, pulse: 3 } as const;
/** Throws of a test, by age. */
const TEST = { child: 4, older: 6 } as const;

/** Preparation: the pulse, and what makes room for the focus or for a limit behind it. */
export function prepare(draft: Draft, foci: readonly Standing[]): void {
  const { context } = draft;
  const { day, request } = context;
  const limits = foci.filter((f) => findingById(f.finding).kind === 'limit');
  const room =
    limits.length > 0 ? Math.min(PREPARE.limit, Math.ceil(day.useful * 0.5)) : Math.min(PREPARE.most, day.useful * PREPARE.share);
  const pulse = generalFor('pulse', context)[0];
  if (pulse) {
    const minutes = Math.max(
      1,
      Math.min(PREPARE.pulse + (day.useful >= 30 ? 1 : 0), Math.floor(Math.max(2, day.useful * PREPARE.share))),
    );
    const reps = Math.max(10, 10 * (minutes - 1));
    draft.add(
      itemOf(
        { drill: pulse, role: 'prepare', focus: null, rung: 0, sets: 1, reps, why: 'Raises the pulse before anything else.' },
        context,
      ),
    );
  }
  const used = () => sum(draft.items.filter((i) => i.role === 'prepare').map((i) => i.minutes));
  for (const { finding, rung } of limits) {
    const both = [...directOn(finding, rung, context), ...directOn(finding, (1 - Math.min(1, rung)) as Rung, context)];
    // Those done least lately first, so that no work of weeks is three drills only.
    const turn = (id: string) => (context.used.get(id) ?? 0) + (context.before.has(id) ? 1 : 0);
    const held = heldBack(finding, request);
    const weight = (d: Drill, f: FindingId | null) => d.treats.find((t) => t.finding === f)?.weight ?? 0;
    // What treats the movement that was held back more than the limit is kept for the main part.
    const choices = both
      .filter((d, i) => both.indexOf(d) === i && weight(d, held) <= weight(d, finding))
      .sort((a, b) => turn(a.id) - turn(b.id));
    for (const drill of choices.slice(0, 3)) {
      const at = drill.rungs.includes(rung) ? rung : drill.rungs[0]!;
      const why = `Makes ${kindOfLimit(finding)} for ${quoted(finding)}, the focus; the re-test moves it, not the reps.`;
      for (let sets = drill.dose.sets; sets >= 1; sets--) {
        const item = itemOf({ drill, role: 'prepare', focus: null, rung: at, sets, reps: drill.dose.reps, why }, context);
        if (used() + item.minutes <= room && draft.add(item)) break;
      }
    }
  }
  for (const { finding, probability, of } of behindFoci(request)) {
    if (findingById(finding).kind !== 'limit') continue;
    const drill = directOn(finding, 0, context).find((d) => d.strain === 'none' && !draft.has(d.id));
    if (!drill) continue;
    const why = `Makes room: ${quoted(finding)} stands at ${Math.round(100 * probability)} % behind ${quoted(of)}.`;
    const item = itemOf({ drill, role: 'prepare', focus: null, rung: 0, sets: 1, reps: drill.dose.reps, why }, context);
    if (used() + item.minutes <= room && draft.add(item)) break;
  }
}

/** Sessions of so many useful minutes have time to look after the shoulder blades when the throwing is done. */
const LONG_SESSION = 35;

/** Light work for the shoulder blades after the last throw. */
export function afterThrowing(draft: Draft): void {
  const { context } = draft;
  if (draft.throws === 0 || context.day.useful < LONG_SESSION || context.day.age < 13 || context.allowance.armClosed) return;
  const [drill] = generalFor('after-throwing', context);
  if (!drill) return;
  const why = 'Light work for the shoulder blades, when the throwing is done.';
  draft.add(itemOf({ drill, role: 'prepare', focus: null, rung: 0, sets: 1, reps: drill.dose.reps, why }, context));
}

const kindOfLimit = (finding: FindingId): string => (/strength|stability|power/.test(finding) ? 'strength' : 'room');

export function warmUp(draft: Draft, task: SessionTask): PlanItem | null {
  const { context } = draft;
  const { age } = context.day;
  const drill = generalFor('warm-throws', context)[0];
  const rule = age < 10 ? WARM_UP.child : WARM_UP.usual;
  // Where a clearance leaves only a few, they are all of this kind.
  const fewest = context.allowance.cleared ? Math.min(rule.least, draft.share) : rule.least;
  if (!drill || draft.share < fewest || fewest === 0) return null;
  const wanted = Math.max(fewest, Math.min(rule.most, Math.round(draft.share / 4)));
  const reps = task.testDue ? Math.max(rule.beforeTest, wanted) : wanted;
  const top = context.allowance.strainClosed
    ? WARM_UP_EFFORT.eve
    : task.testDue
      ? WARM_UP_EFFORT.beforeTest
      : WARM_UP_EFFORT.usual;
  const highest = calmTop(Math.min(top, context.allowance.highestEffort));
  const effort = [Math.min(50, highest), highest] as const;
  const why = task.testDue
    ? 'Warms the arm for the test: short to longer, the last four nearly as hard as the test.'
    : 'Warms the arm right before the first throw: short to longer.';
  for (const n of [reps, fewest]) {
    const item = itemOf({ drill, role: 'warm-throws', focus: null, rung: 3, sets: 1, reps: n, why, effort }, context);
    if (draft.add(item)) return item;
  }
  return null;
}

export function test(draft: Draft, first: Standing): boolean {
  const { context } = draft;
  const { age, place } = context.day;
  const { allowance } = context;
  const speed = age >= 13 && !allowance.noSpeedTest;
  const drill = libraryOf(context.request).drill(speed ? 'measured-bullpen' : 'filmed-throws');
  const full = speed && first.rung >= 6 && allowance.highEffort >= TEST.older;
  const ceiling = full ? 100 : calmTop(Math.min(effortCeiling(drill, null, context), HARD_EFFORT - 1));
  if (whyNot(drill, context) !== null || ceiling < drill.effort[0]) return false;
  const rung = Math.max(6, Math.min(first.rung, PLACE_TOP[place])) as Rung;
  const view = 'Ask for a clip from the view that shows it.';
  const flag = context.request.flags[0];
  const byFlag = flag !== undefined && allowance.highestEffort >= FLAGGED_EFFORT;
  const held = byFlag && age >= 13 ? ` At most ${ceiling} % while ${quoted(flag)} is flagged.` : '';
  return draft.add(
    itemOf(
      {
        drill,
        role: 'test',
        focus: null,
        rung,
        sets: 1,
        reps: age < 13 ? TEST.child : TEST.older,
        effort: [full ? 95 : Math.min(ceiling, Math.max(drill.effort[0], ceiling - 10)), ceiling],
        why: `Shows what stays of ${quoted(first.finding)} without help, before any drill or cue. ${view}${held}`,
      },
      context,
    ),
  );
}

export function pin(draft: Draft, task: SessionTask): { drill: string; why: string }[] {
  const { context, foci } = task;
  const library = libraryOf(context.request);
  const refused: { drill: string; why: string }[] = [];
  for (const id of task.pinned) {
    const why = library.has(id) ? whyNot(library.drill(id), context) : 'no such drill';
    if (why !== null) {
      refused.push({ drill: id, why });
      continue;
    }
    const drill = library.drill(id);
    const focus = foci.find((f) => drill.treats.some((t) => t.finding === f.finding))?.finding ?? null;
    const near = drill.rungs.filter((r) => r <= PLACE_TOP[context.day.place]);
    const rung =
      near.length > 0 ? near.reduce((a, b) => (Math.abs(b - foci[0]!.rung) < Math.abs(a - foci[0]!.rung) ? b : a)) : null;
    const done =
      rung !== null &&
      [drill.dose.sets, 1].some((sets) =>
        draft.add(
          itemOf(
            { drill, role: 'pinned', focus, rung, sets, reps: drill.dose.reps, why: 'Pinned to this day by the coach.' },
            context,
          ),
        ),
      );
    if (!done) refused.push({ drill: id, why: 'it does not fit into the minutes or throws left' });
  }
  return refused;
}
