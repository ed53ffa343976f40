/** Who is where when: a camp planned day by day, and what is left of a day planned anew when something happens. */
import { randomFrom } from '../shared/random';
import type { LinearModel, Solver } from '../shared/linear';
import { round, sum } from '../shared/maths';
import { campOf, mayVisit, readingDays } from './camp';
import type { Camp } from './camp';
import { violationsOf } from './check';
import { companyAtMost } from './company';
import type { DayTask } from './day';
import { modelOfDay } from './model';
import { relaxationOf } from './relax';
import { searchDay, withCompany } from './search';
import { roundedParts, scoreOf, scorePartsOf } from './score';
import type { Assignment, CampAthlete, CampChange, CampRequest, CampSchedule } from './types';

/** Exchanges that are tried in a second; two kinds of day share the time. */
const STEPS_A_SECOND = 160_000;
/** No camp needs more exchanges than this. */
const STEPS_AN_ATHLETE = 10_000;
/** A model of so many columns is solved as it is: its bound is nearer than that of shares of athletes. */
const COLUMNS_A_SECOND = 600;
/** Exchanges by which friends are brought together in a day that is mended. */
const COMPANY_STEPS = 40_000;

interface DayPlan {
  readonly assignments: readonly Assignment[];
  /** By how much the best schedule of the day could score more. */
  readonly short: number;
  readonly nowhere: number;
  readonly unread: number;
}

/**
 * The best schedule that the solver finds. Days hang on each other by nothing, so each is a model of its own. Where a camp is running,
 * what is past stays, days on which nothing happens stay, and of the rest as few athletes as possible are sent elsewhere.
 * @param solve any solver of mixed-integer models; the same one gives the same schedule for the same request
 * @throws RangeError where an id is of nobody at the camp
 */
export async function scheduleCamp(request: CampRequest, solve: Solver): Promise<CampSchedule> {
  const camp = campOf(inSomeOrder(request));
  const alike = new Map<string, DayPlan>();
  const days: DayPlan[] = [];
  for (const day of request.days.keys()) {
    const key = likenessOf(request, day);
    const known = key === null ? undefined : alike.get(key);
    const plan = known ? sameOn(known, request, day) : await planDay(camp, day, solve);
    if (key !== null && !known) alike.set(key, plan);
    days.push(plan);
  }
  const assignments = inOrder(
    request,
    days.flatMap((d) => d.assignments),
  );
  const scoreParts = scorePartsOf(request, assignments);
  const score = scoreOf(scoreParts);
  return {
    assignments,
    score: round(score, 3),
    scoreParts: roundedParts(scoreParts),
    bound: round(score + sum(days.map((d) => d.short)), 3),
    moved: movedBetween(request, assignments),
    violations: violationsOf(request, assignments),
    infeasible: relaxationOf(camp, assignments, days),
  };
}

/** The seed picks among schedules that are as good as each other; in what order a camp is told does not. */
function inSomeOrder(request: CampRequest): CampRequest {
  const random = randomFrom(request.seed);
  const byId = <T extends { readonly id: string }>(list: readonly T[]): T[] => [...list].sort((a, b) => (a.id < b.id ? -1 : 1));
  const athletes = byId(request.athletes)
    .map((athlete) => ({ athlete, key: random.uniform() }))
    .sort((a, b) => a.key - b.key)
    .map(({ athlete }) => athlete);
  return { ...request, athletes, stations: byId(request.stations) };
}

/**
 * What makes two days of a new camp the same problem. The last day is the first one turned round: readings are early on the one and
 * late on the other, and nothing else knows which way time runs.
 */
function likenessOf(request: CampRequest, day: number): string | null {
  if (request.current || request.changes?.length) return null;
  return `${request.days[day]!.rotations} ${readingDays(request).includes(day) ? 'readings' : ''}`;
}

function sameOn({ assignments, ...plan }: DayPlan, request: CampRequest, day: number): DayPlan {
  const turned = day > 0 && readingDays(request).includes(day);
  const last = request.days[day]!.rotations - 1;
  return {
    ...plan,
    assignments: assignments.map((a) => ({ ...a, day, rotation: turned ? last - a.rotation : a.rotation })),
  };
}

async function planDay(camp: Camp, day: number, solve: Solver): Promise<DayPlan> {
  const { request } = camp;
  const current = request.current?.filter((a) => a.day === day) ?? null;
  const changes = (request.changes ?? []).filter((c) => c.day === day);
  const { now } = request;
  if (current && now && day < now.day) return asItWas(current);
  if (current && changes.length === 0 && violationsOf(request, current).every((v) => v.day !== day)) return asItWas(current);
  const from = current ? beginsAnew(request, day, changes) : 0;
  const past = (current ?? []).filter((a) => a.rotation < from && camp.isHere(a.athlete, day, a.rotation));
  const task: DayTask = { camp, day, from, past, current };
  if (!current) return makeDay(task, solve);
  // Whoever has lost a place must go elsewhere: where no others need to, no schedule moves fewer, and the rest can stay out of it.
  const displaced = displacedBy(task);
  const few = await mendDay({ ...task, only: { free: displaced, others: current } }, solve);
  if (few.nowhere + few.unread === 0) return few;
  // Others make room. Who they are is asked without any wish, which takes a fraction of the time; then where all of these go is.
  const fewest = await mendDay({ ...task, wishless: true }, solve);
  const free = new Set([...displaced, ...movedFrom(current, fewest.assignments)]);
  const mended = await mendDay({ ...task, only: { free, others: current } }, solve);
  return mended.nowhere + mended.unread < few.nowhere + few.unread ? mended : few;
}

const asItWas = (assignments: readonly Assignment[]): DayPlan => ({ assignments, short: 0, nowhere: 0, unread: 0 });

/** The first rotation of a running camp’s day that may be planned anew. */
function beginsAnew({ now }: CampRequest, day: number, changes: readonly CampChange[]): number {
  if (now) return day === now.day ? now.rotation : 0;
  return changes.length > 0 ? Math.min(...changes.map((c) => c.fromRotation)) : 0;
}

/** A day made anew: searched, and bounded by its model, that of a large camp without whole numbers. What cannot be found so is solved. */
async function makeDay(task: DayTask, solve: Solver): Promise<DayPlan> {
  const { camp, day } = task;
  const { request } = camp;
  const searched = searchDay(task, request.seed, stepsOf(request));
  if (violationsOf(request, searched.assignments).some((v) => v.day === day)) return mendDay(task, solve);
  // Company is no part of a model, which is solved in a fraction of the time so; nobody has more of it than all.
  const company = companyAtMost(task);
  const { model, start, read } = modelOfDay(task);
  const small = model.columns.length <= COLUMNS_A_SECOND * request.secondsLimit;
  const bounding = () => withoutWholes(modelOfDay({ ...task, bound: true }).model);
  const solved = small ? await solve(model, start) : await solve(bounding(), []);
  const { assignments, score } =
    small && company === 0 && solved.score > searched.score
      ? { assignments: read(solved.values), score: solved.score }
      : searched;
  return { assignments, short: Math.max(0, solved.best + company - score), nowhere: 0, unread: 0 };
}

/** A day by its model as it is, and company afterwards: with it a model of fifty athletes takes a hundred times as long. */
async function mendDay(task: DayTask, solve: Solver): Promise<DayPlan> {
  const model = modelOfDay(task);
  const found = await solve(model.model, model.start);
  const values = found.values.length > 0 ? found.values : model.start;
  const { nowhere, unread } = model.lacks(values);
  const placed = model.read(values);
  const most = task.wishless ? 0 : companyAtMost(task);
  if (most === 0)
    return { assignments: [...task.past, ...placed], short: Math.max(0, found.best - found.score), nowhere, unread };
  const { assignments, gain } = withCompany(task, placed, task.camp.request.seed, COMPANY_STEPS);
  const stay = placed.filter((a) => task.only && !task.only.free.has(a.athlete));
  return {
    assignments: [...task.past, ...stay, ...assignments],
    short: Math.max(0, found.best + most - found.score - gain),
    nowhere,
    unread,
  };
}

/** Athletes who cannot stay where they were to be for all of the day that is left. */
function displacedBy({ camp, day, from, current }: DayTask): ReadonlySet<string> {
  const stays = (athlete: CampAthlete, rotation: number): boolean => {
    if (!camp.isHere(athlete.id, day, rotation)) return true;
    const known = (current ?? []).find((a) => a.athlete === athlete.id && a.rotation === rotation);
    return known !== undefined && camp.isOpen(known.station, day, rotation) && mayVisit(athlete, camp.station(known.station));
  };
  const rotations = Array.from({ length: camp.request.days[day]!.rotations - from }, (_, n) => from + n);
  return new Set(camp.request.athletes.filter((a) => !rotations.every((r) => stays(a, r))).map((a) => a.id));
}

const stepsOf = ({ secondsLimit, athletes }: CampRequest): number =>
  Math.round(Math.min(STEPS_A_SECOND * secondsLimit, STEPS_AN_ATHLETE * athletes.length));

const withoutWholes = ({ columns, rows }: LinearModel): LinearModel => ({
  columns: columns.map((column) => ({ ...column, whole: false })),
  rows,
});

const movedBetween = ({ current }: CampRequest, assignments: readonly Assignment[]): number =>
  movedFrom(current ?? [], assignments).size;

/** Athletes with a station other than the one they were to be at. */
function movedFrom(current: readonly Assignment[], assignments: readonly Assignment[]): ReadonlySet<string> {
  const keyOf = (a: Assignment) => `${a.athlete}\n${a.day}\n${a.rotation}`;
  const before = new Map(current.map((a) => [keyOf(a), a.station]));
  const moved = assignments.filter((a) => before.has(keyOf(a)) && before.get(keyOf(a)) !== a.station);
  return new Set(moved.map((a) => a.athlete));
}

/** By day, rotation and the athletes as they were given. */
function inOrder({ athletes }: CampRequest, assignments: readonly Assignment[]): Assignment[] {
  const place = new Map(athletes.map(({ id }, n) => [id, n]));
  return [...assignments].sort(
    (a, b) => a.day - b.day || a.rotation - b.rotation || place.get(a.athlete)! - place.get(b.athlete)!,
  );
}
