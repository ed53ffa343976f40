/** One day of a camp, or the rest of one, as a mixed-integer model: a choice for each athlete, rotation and station. */
import { groupBy } from '../shared/group-by';
import { LinearBuilder } from '../shared/linear';
import type { Entry, LinearModel } from '../shared/linear';
import { isHereAllDay, mayVisit, owedTo, placesAt, readingDays, tooHardInARow, treatsFocus } from './camp';
import { entriesOf, thrownBefore } from './day';
import type { Choice, DayTask, Reading } from './day';
import type { Assignment } from './types';
import { wholeVisits } from './whole-visits';
import { againAt, COST, RESTS, timelyWorth, visitWorth, WORTH } from './worth';

interface Unread {
  readonly all: number[];
  readonly wholeDay: number[];
  readonly readings: Reading[];
}

export interface DayModel {
  readonly model: LinearModel;
  /** Nobody anywhere: a solution, if the worst. */
  readonly start: readonly number[];
  /** The assignments of a solution, those of the rotations that are past not among them. */
  readonly read: (values: readonly number[]) => Assignment[];
  /** What a solution lacks: rotations without a place, and readings missed by who is here all day. */
  readonly lacks: (values: readonly number[]) => { readonly nowhere: number; readonly unread: number };
}

export function modelOfDay(task: DayTask): DayModel {
  const builder = new LinearBuilder();
  const choices = choicesOf(task, builder);
  const nowhere = placeEverybody(task, builder, choices);
  const unread = readOnce(task, builder, choices);
  keepWithin(task, builder, choices);
  spareYoungArms(task, builder, choices);
  if (!task.wishless) wishOfEach(task, builder, choices);
  const moves = keepInPlace(task, builder, choices);
  if (task.bound) wholeVisits(task, builder, choices, unread.readings);
  const lacking = new Set([...nowhere, ...unread.all, ...moves]);
  const count = (columns: readonly number[], values: readonly number[]) =>
    columns.reduce((total, column) => total + Math.round(values[column] ?? 0), 0);
  return {
    model: builder.model(),
    start: builder.columns.map((_, column) => (lacking.has(column) ? 1 : 0)),
    read: (values) =>
      choices.flatMap(({ column, athlete, station, rotation }) =>
        (values[column] ?? 0) > 0.5 ? [{ athlete: athlete.id, day: task.day, rotation, station: station.id }] : [],
      ),
    lacks: (values) => ({ nowhere: count(nowhere, values), unread: count(unread.wholeDay, values) }),
  };
}

function choicesOf({ camp, day, from, only, wishless }: DayTask, builder: LinearBuilder): Choice[] {
  const { request } = camp;
  const known = only && new Map(only.others.map((a) => [`${a.athlete}\n${a.rotation}`, a.station]));
  const choices: Choice[] = [];
  for (const athlete of request.athletes)
    for (let rotation = from; rotation < request.days[day]!.rotations; rotation++) {
      if (!camp.isHere(athlete.id, day, rotation)) continue;
      for (const station of request.stations) {
        if (!mayVisit(athlete, station) || !camp.isOpen(station.id, day, rotation)) continue;
        if (known && !only.free.has(athlete.id) && known.get(`${athlete.id}\n${rotation}`) !== station.id) continue;
        const wished = visitWorth(athlete, station) + timelyWorth(request, athlete, station, day, rotation);
        const worth = wishless ? 0 : wished;
        choices.push({ column: builder.choice(worth), athlete, station, rotation });
      }
    }
  return choices;
}

/** Everybody who is here is at one station. @returns columns that say who is nowhere instead */
function placeEverybody({ camp, day, from }: DayTask, builder: LinearBuilder, choices: readonly Choice[]): number[] {
  const nowhere: number[] = [];
  const byPlace = groupBy(choices, ({ athlete, rotation }) => `${athlete.id}\n${rotation}`);
  for (const { id } of camp.request.athletes)
    for (let rotation = from; rotation < camp.request.days[day]!.rotations; rotation++) {
      if (!camp.isHere(id, day, rotation)) continue;
      const column = builder.choice(COST.nowhere);
      nowhere.push(column);
      builder.exactly([...entriesOf(byPlace.get(`${id}\n${rotation}`) ?? []), [column, 1]], 1);
    }
  return nowhere;
}

/**
 * Who is owed a reading has it on the day, whatever is past counted; who comes late or leaves early, where it can be.
 * @returns columns that say who misses one
 */
function readOnce({ camp, day, past }: DayTask, builder: LinearBuilder, choices: readonly Choice[]): Unread {
  const unread: Unread = { all: [], wholeDay: [], readings: [] };
  if (!readingDays(camp.request).includes(day)) return unread;
  const byAthlete = groupBy(choices, ({ athlete }) => athlete.id);
  for (const athlete of camp.request.athletes)
    for (const kind of owedTo(athlete, camp.request.stations)) {
      const had = past.filter((a) => a.athlete === athlete.id && camp.station(a.station).kind === kind).length;
      const visits = entriesOf((byAthlete.get(athlete.id) ?? []).filter((c) => c.station.kind === kind));
      const more = builder.share(WORTH.readAgain, camp.request.days[day]!.rotations);
      builder.atMost([...visits, [more, -1]], had > 0 ? 0 : 1);
      if (had > 0) continue;
      const column = builder.choice(COST.unread);
      unread.all.push(column);
      unread.readings.push({ athlete: athlete.id, kind, missed: column, again: more });
      if (isHereAllDay(camp, athlete.id, day)) unread.wholeDay.push(column);
      builder.atLeast([...visits, [column, 1]], 1);
    }
  return unread;
}

/** Places, kit, and the throws of each athlete's day. */
function keepWithin(task: DayTask, builder: LinearBuilder, choices: readonly Choice[]): void {
  for (const there of groupBy(choices, ({ station, rotation }) => `${station.id}\n${rotation}`).values())
    builder.atMost(entriesOf(there), placesAt(there[0]!.station));
  for (const own of groupBy(choices, ({ athlete }) => athlete.id).values()) {
    const { athlete } = own[0]!;
    const throwing = own.filter((c) => c.station.throwsPerVisit > 0);
    builder.atMost(
      throwing.map(({ column, station }): Entry => [column, station.throwsPerVisit]),
      Math.max(0, athlete.throwBudget - thrownBefore(task, athlete.id)),
    );
  }
}

function spareYoungArms({ camp, day, from, past }: DayTask, builder: LinearBuilder, choices: readonly Choice[]): void {
  for (const own of groupBy(choices, ({ athlete }) => athlete.id).values()) {
    const { athlete } = own[0]!;
    const hard = groupBy(
      own.filter(({ station }) => tooHardInARow(athlete, station, station)),
      ({ rotation }) => rotation,
    );
    for (const [rotation, first] of hard)
      if (hard.has(rotation + 1)) builder.atMost(entriesOf([...first, ...hard.get(rotation + 1)!]), 1);
    const before = past.find((a) => a.athlete === athlete.id && a.day === day && a.rotation === from - 1);
    if (before && camp.station(before.station).hard) builder.atMost(entriesOf(hard.get(from) ?? []), 0);
  }
}

/** What each athlete's day is worth beside its visits: the first drill for a focus, rests, and one station over and over. */
function wishOfEach({ camp, past }: DayTask, builder: LinearBuilder, choices: readonly Choice[]): void {
  for (const own of groupBy(choices, ({ athlete }) => athlete.id).values()) {
    const { athlete } = own[0]!;
    const had = past.filter((a) => a.athlete === athlete.id).map((a) => camp.station(a.station));
    const forFocus = own.filter(({ station }) => treatsFocus(athlete, station));
    if (forFocus.length > 0 && !had.some((station) => treatsFocus(athlete, station))) {
      const first = builder.share(WORTH.firstFocus, 1);
      builder.atMost([[first, 1], ...forFocus.map(({ column }): Entry => [column, -1])], 0);
    }
    const rests = own.filter(({ station }) => station.kind === 'rest');
    const rested = had.filter((station) => station.kind === 'rest').length;
    for (const free of RESTS) more(builder, rests, WORTH.waiting, free - rested);
    for (const at of groupBy(own, ({ station }) => station.id).values()) {
      const { station } = at[0]!;
      const again = againAt(station);
      if (again) more(builder, at, again.worth, again.free - had.filter((s) => s === station).length);
    }
  }
}

/** Charges what visits come to beyond those that are free. */
function more(builder: LinearBuilder, visits: readonly Choice[], cost: number, free: number): void {
  if (visits.length <= free) return;
  const beyond = builder.share(cost, visits.length);
  builder.atMost([...entriesOf(visits), [beyond, -1]], Math.max(0, free));
}

/** Who was to be somewhere stays there where that can be. @returns columns that say who and what is moved */
function keepInPlace({ current, camp, day, from }: DayTask, builder: LinearBuilder, choices: readonly Choice[]): number[] {
  if (!current) return [];
  const moves: number[] = [];
  const byPlace = groupBy(choices, ({ athlete, rotation }) => `${athlete.id}\n${rotation}`);
  const known = new Map(current.map((a) => [`${a.athlete}\n${a.rotation}`, a.station]));
  for (const { id } of camp.request.athletes) {
    const athleteMoves = builder.choice(COST.movedAthlete);
    moves.push(athleteMoves);
    for (let rotation = from; rotation < camp.request.days[day]!.rotations; rotation++) {
      const station = known.get(`${id}\n${rotation}`);
      if (station === undefined || !camp.isHere(id, day, rotation)) continue;
      const stays = (byPlace.get(`${id}\n${rotation}`) ?? []).filter((c) => c.station.id === station);
      const moved = builder.share(COST.movedVisit, 1);
      moves.push(moved);
      builder.atLeast([...entriesOf(stays), [moved, 1]], 1);
      builder.atMost(
        [
          [moved, 1],
          [athleteMoves, -1],
        ],
        0,
      );
    }
  }
  return moves;
}
