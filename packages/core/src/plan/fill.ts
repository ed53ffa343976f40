/** What stands beside the main work: support for what is behind the focus, and dry work where throws are short. */
import { RUNG_NAMES } from '../drills/types';
import type { Drill } from '../drills/types';
import { findingById } from '../findings/catalogue';
import { sum } from '../shared/maths';
import { behindFoci, heldBack } from './behind';
import { directOn } from './choose';
import type { Context } from './choose';
import { itemOf, minutesFor, sessionCue } from './dose';
import type { Wanted } from './dose';
import type { Draft } from './draft';
import type { Standing } from './standing';
import { quoted } from './words';
import { growTogether, MOST_DRY_SETS } from './work';

/** Minutes of dry work that fill up a session that is short of throws. */
const DRY_FILL = 15;
/** Share of the worked reps that support may take. */
export const SUPPORT_SHARE = 0.35;
/** A session at this share of its useful minutes is full. */
const FULL = 0.92;

/** Drills for a thought or a limit behind the focus that stands in this athlete, the first choice first. */
export function supportChoices(
  context: Context,
): { readonly drill: Drill; readonly why: string; readonly probability: number }[] {
  const behind = behindFoci(context.request);
  const kind = (wanted: string) => behind.filter((b) => findingById(b.finding).kind === wanted);
  return [...kind('cue').slice(0, 1), ...kind('limit')].flatMap(({ finding, probability, of }) => {
    const why = `Supports ${quoted(of)}: ${quoted(finding)} stands at ${Math.round(100 * probability)} % in this athlete.`;
    return ([1, 2, 0] as const)
      .flatMap((rung) => directOn(finding, rung, context))
      .filter((d) => d.throws === 'none')
      .map((drill) => ({ drill, why, probability }));
  });
}

/** Reps of support that so many reps of direct work leave room for. */
export const supportReps = (drill: Drill, worked: number): number =>
  Math.min(drill.dose.reps, Math.floor((SUPPORT_SHARE / (1 - SUPPORT_SHARE)) * worked));

export const supportWanted = (choice: { readonly drill: Drill; readonly why: string }): Omit<Wanted, 'sets' | 'reps'> => ({
  drill: choice.drill,
  role: 'support',
  focus: null,
  rung: choice.drill.rungs[0]!,
  why: choice.why,
});

/** Reps below which support is not worth its minutes. */
export const LEAST_SUPPORT = 4;

export function support(draft: Draft): void {
  const { context } = draft;
  const worked = sum(draft.items.filter((i) => i.role === 'main' || i.role === 'pinned').map((i) => i.sets * i.reps));
  for (const choice of supportChoices(context)) {
    const reps = supportReps(choice.drill, worked);
    if (draft.has(choice.drill.id) || reps < LEAST_SUPPORT) continue;
    if (draft.add(itemOf({ ...supportWanted(choice), sets: 1, reps }, context))) return;
  }
}

/** Dry direct work, up to a quarter of an hour, where throws are short. */
export function fillDry(draft: Draft, first: Standing): void {
  const { context } = draft;
  const { day } = context;
  const finding = findingById(first.finding).kind === 'limit' ? heldBack(first.finding, context.request) : first.finding;
  if (finding === null) return;
  const dry = () => sum(draft.items.filter((i) => i.role === 'main' && i.throws === 0).map((i) => i.minutes));
  const thrown = draft.throws > 0;
  for (const rung of [2, 1] as const) {
    if (rung > Math.max(first.rung, 1)) continue;
    for (const drill of directOn(finding, rung, context)) {
      if (draft.minutes >= FULL * day.useful) return;
      if (draft.has(drill.id) || drill.throws !== 'none') continue;
      const minutes = minutesFor(drill, drill.dose.sets, drill.dose.reps, day.place);
      if (dry() + minutes > DRY_FILL) continue;
      const why = thrown
        ? `Without a ball, for ${quoted(finding)}: the day’s throws end before its minutes do.`
        : `Works on ${quoted(finding)} at rung ${rung} (${RUNG_NAMES[rung].toLowerCase()}) without a ball.`;
      const dose = { sets: drill.dose.sets, reps: drill.dose.reps };
      const item = itemOf(
        { drill, role: 'main', focus: first.finding, rung, ...dose, why, cue: sessionCue(finding, context) },
        context,
      );
      if (!draft.add(item)) continue;
      growTogether(draft, [item], MOST_DRY_SETS);
      // One dry drill beside throws; a dry session may hold several.
      if (thrown) return;
    }
  }
}
