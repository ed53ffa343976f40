import { RUNG_NAMES } from '../drills/types';
import type { Drill, Rung } from '../drills/types';
import { findingById } from '../findings/catalogue';
import { SURE_OF_MORE } from '../drills/library';
import type { FindingId } from '../findings/ids';
import { heldBack } from './behind';
import { directOn, generalFor, helpedBy, workRung } from './choose';
import type { Context } from './choose';
import { calmTop, effortCeiling, fullDistance, itemOf, sessionCue } from './dose';
import type { Wanted } from './dose';
import { mostItems } from './draft';
import type { Draft } from './draft';
import type { Standing } from './standing';
import type { PlanItem } from './types';
import { quoted } from './words';

const SET_OF_THROWS = 5;
/** Sets of five that one drill, or the whole throws with it, take at most. */
export const MOST_SETS = 4;
/** Sets of a dry drill, at most. */
export const MOST_DRY_SETS = 3;
/** Throws of the arm’s own work that are split over two drills. */
const MUCH_CATCH = 34;
/** Throws that are kept for the young’s game. */
const GAME_THROWS = 10;
/** Highest effort of whole throws that carry a drill, percent: with part throws, and in blocks in turn. */
const CARRY_EFFORT = { part: 75, blocks: 85 } as const;
/** Whole throws beside part throws go over this share of the distance. */
const PART_DISTANCE = 0.7;

/** What a focus is worked with today: the finding, its rung, and the drills, best first. */
export interface Work {
  readonly finding: FindingId;
  readonly rung: Rung;
  readonly drills: readonly Drill[];
}

export function workOf(context: Context, standing: Standing, throwing: boolean): Work | null {
  const { request, day } = context;
  const { finding } = standing;
  const on = (what: FindingId, upTo: number): Work | null => {
    const rung = workRung(what, upTo as Rung, context);
    return rung === null ? null : { finding: what, rung, drills: directOn(what, rung, context) };
  };
  if (findingById(finding).kind === 'limit') {
    const held = heldBack(finding, request);
    // From hold to dry to the first easy throws, as sessions go by.
    return held === null ? null : on(held, Math.min(throwing ? 3 : 2, 1 + Math.floor(standing.sessions / 3)));
  }
  const reach: Rung = throwing ? standing.rung : (Math.min(standing.rung, 2) as Rung);
  if (reach >= 7 && day.place === 'mound') {
    const shared = generalFor(reach === 7 ? 'mound' : 'game-like', context).filter((d) => d.rungs.includes(reach));
    if (shared.length > 0) return { finding, rung: reach, drills: shared };
  }
  return on(finding, reach);
}

/** What the academy has seen of a drill, as a sentence after one that names the finding; empty where it cannot tell. */
function seenHere(drill: Drill, finding: FindingId, { request }: Context): string {
  const helped = helpedBy(drill, finding, request);
  if (!helped || Math.max(helped.better, 1 - helped.better) < SURE_OF_MORE) return '';
  const how = helped.better >= SURE_OF_MORE ? 'more' : 'less';
  return ` In this academy this drill has helped with it ${how} than the others (${helped.athletes} athletes, ${helped.days} days of work).`;
}

const whyMain = (standing: Standing, today: Work, drill: Drill, context: Context): string =>
  whyHere(standing, today, drill) + seenHere(drill, today.finding, context);

function whyHere(standing: Standing, { finding, rung }: Work, drill: Drill): string {
  const where = `rung ${rung} (${RUNG_NAMES[rung].toLowerCase()})`;
  if (finding !== standing.finding)
    return `${quoted(finding)} is the movement that the limit held back: within what there is, at ${where}.`;
  if (drill.part !== null) return `The gate stands at ${where}: these throws carry ${quoted(finding)} and count for it.`;
  return rung === standing.rung
    ? `Works straight on ${quoted(finding)} at the gate’s ${where}.`
    : `Works straight on ${quoted(finding)} at ${where}, the highest that can be done here today.`;
}

/** Main work, second focus, whole throws and the arm’s own work, each taking what the one before leaves. */
export function work(draft: Draft, foci: readonly Standing[], throwing: boolean): void {
  const { context } = draft;
  const [first, second] = foci;
  const today = workOf(context, first!, throwing);
  const main = today ? addMain(draft, first!, today, 0) : null;
  const thrown = main !== null && main.throws > 0;
  const whole = thrown && context.day.age >= 10 ? addWhole(draft, first!, main) : null;
  if (second) addSecond(draft, second, throwing);
  // For the young the game comes before more of the same.
  if (throwing && context.day.age < 13) {
    growTogether(draft, [main, whole], 3, draft.share - GAME_THROWS);
    armWork(draft);
    return;
  }
  if (throwing && main?.throws === 0) armWork(draft);
  // Five and five: the drill and its whole throws grow together.
  growTogether(draft, [main, whole], 3);
  const other = today && main ? addMain(draft, first!, today, 1) : null;
  if (main?.throws === 0) growTogether(draft, [main, other], MOST_DRY_SETS);
  else growTogether(draft, [main, whole], MOST_SETS);
  if (throwing && !draft.items.some((i) => i.role === 'arm-work')) armWork(draft);
}

/** A drill of the focus as main work, but for its sets. */
export function mainWanted(standing: Standing, today: Work, drill: Drill, context: Context): Omit<Wanted, 'sets'> {
  return {
    drill,
    role: 'main',
    focus: standing.finding,
    rung: today.rung,
    reps: drill.throws !== 'none' ? SET_OF_THROWS : drill.dose.reps,
    why: whyMain(standing, today, drill, context),
    cue: sessionCue(today.finding, context),
  };
}

/** The one drill of a second focus, but for its sets. */
export function secondWanted(standing: Standing, today: Work, drill: Drill): Omit<Wanted, 'sets'> {
  return {
    drill,
    role: 'main',
    focus: standing.finding,
    rung: today.rung,
    reps: drill.throws !== 'none' ? SET_OF_THROWS : drill.dose.reps,
    why: `Second focus, ${quoted(standing.finding)}: one drill at rung ${today.rung}, by its surroundings rather than by words.`,
  };
}

/** One of the drills of the focus, the best that is not there yet, in as many sets as fit. */
function addMain(draft: Draft, standing: Standing, today: Work, nth: number): PlanItem | null {
  const { context } = draft;
  const drill = today.drills.filter((d) => !draft.has(d.id))[0];
  if (!drill || (nth > 0 && draft.counted >= mostItems(context.day.age) - 1)) return null;
  const thrown = drill.throws !== 'none';
  const wanted = mainWanted(standing, today, drill, context);
  for (const sets of thrown ? [2, 1] : [drill.dose.sets, 1]) {
    const item = itemOf({ ...wanted, sets }, context);
    if (draft.add(item)) return item;
  }
  return null;
}

function addSecond(draft: Draft, standing: Standing, throwing: boolean): void {
  const today = secondWork(draft.context, standing, throwing);
  const drill = today?.drills.find((d) => !draft.has(d.id));
  if (today && drill) draft.add(itemOf({ ...secondWanted(standing, today, drill), sets: 2 }, draft.context));
}

/** What a second focus is worked with today; a limit has its part in preparation only. */
export const secondWork = (context: Context, standing: Standing, throwing: boolean): Work | null =>
  findingById(standing.finding).kind === 'limit'
    ? null
    : workOf(context, { ...standing, rung: Math.min(standing.rung, 6) as Rung }, throwing);

/** Whole throws with the first focus’s cue: beside part throws, in blocks in turn, on the mound. */
function addWhole(draft: Draft, first: Standing, main: PlanItem): PlanItem | null {
  const { context } = draft;
  if (findingById(first.finding).kind === 'limit') return null;
  const mound = main.rung >= 6 && first.rung >= 7 ? generalFor('mound', context) : [];
  const drill = [...mound, ...generalFor(main.rung >= 6 ? 'blocks' : 'whole', context)].find((d) => !draft.has(d.id));
  if (!drill) return null;
  const cue = sessionCue(first.finding, context);
  const part = main.rung < 6;
  const top = calmTop(Math.min(effortCeiling(drill, first.finding, context), part ? CARRY_EFFORT.part : CARRY_EFFORT.blocks));
  if (top < drill.effort[0]) return null;
  const full = fullDistance(context.request.athlete.discipline, context.day.age);
  const item = itemOf(
    {
      drill,
      role: 'carry-over',
      focus: first.finding,
      rung: drill.rungs[0]!,
      sets: 2,
      reps: SET_OF_THROWS,
      effort: [Math.min(top, Math.max(drill.effort[0], top - 15)), top],
      distanceM: part ? Math.round(PART_DISTANCE * full) : full,
      cue,
      success: main.success,
      why: `In turn with the drill, five and five: shows whether it goes along into the whole throw.`,
    },
    context,
  );
  return draft.add(item) ? item : null;
}

/** Gives each of the items another set in turn while they fit, up to so many. */
export function growTogether(draft: Draft, items: readonly (PlanItem | null)[], most: number, throws = Infinity): void {
  const drills = items.flatMap((item) => (item === null ? [] : [item.drill]));
  for (let grew = true; grew;) {
    grew = false;
    for (const drill of drills) {
      if (draft.throws + SET_OF_THROWS > throws) return;
      const item = draft.items.find((i) => i.drill === drill);
      if (item && item.sets < most && draft.grow(item, item.sets + 1)) grew = true;
    }
  }
}

/** What is left of the day’s share: easy, without a thought; for the young a game. Much of it is split over two drills. */
function armWork(draft: Draft): void {
  const { age } = draft.context.day;
  const left = draft.share - draft.throws;
  const split = left > MUCH_CATCH && draft.counted + 2 <= mostItems(age);
  armItem(draft, split ? Math.ceil(left / 2) : left);
  if (split) armItem(draft, draft.share - draft.throws);
}

function armItem(draft: Draft, most: number): void {
  const { context } = draft;
  if (most < SET_OF_THROWS) return;
  const game = context.day.age < 13 ? generalFor('game', context) : [];
  const drill = [...game, ...generalFor('catch', context)].find((d) => !draft.has(d.id));
  if (!drill) return;
  const top = calmTop(effortCeiling(drill, null, context));
  const why =
    drill.part === 'game'
      ? 'The arm’s own work as a game: throws that are only thrown.'
      : 'What is left of the day’s throws, easily and without a thought about the focus.';
  for (let throws = most; throws >= SET_OF_THROWS; throws--) {
    const sets = throws > 24 ? Math.ceil(throws / 15) : throws > 12 ? 2 : 1;
    if (throws % sets !== 0) continue;
    const effort = [Math.min(50, top), top] as const;
    if (draft.add(itemOf({ drill, role: 'arm-work', focus: null, rung: 3, sets, reps: throws / sets, effort, why }, context)))
      return;
  }
}
