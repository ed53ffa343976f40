/** A day as it stands while it is searched: who is where, by numbers, with its score kept as places change. */
import { mayVisit, owedTo, placesAt, readingDays, tooHardInARow, treatsFocus } from './camp';
import { thrownBefore } from './day';
import type { DayTask } from './day';
import type { Assignment, CampAthlete, StationKind } from './types';
import { againAt, COST, groupsOf, RESTS, timelyWorth, visitWorth, wishedPairs, WORTH } from './worth';

const NOWHERE = -1;
const FORBIDDEN = -Infinity;

interface Slot {
  readonly athlete: number;
  readonly rotation: number;
}

/** What an athlete's day is reckoned with. */
interface Line {
  readonly athlete: CampAthlete;
  readonly allowed: readonly boolean[];
  /** Worth of a station in a rotation, at rotation × stations + station. */
  readonly worth: Float64Array;
  readonly forFocus: readonly boolean[];
  readonly owedRadar: boolean;
  readonly owedFilm: boolean;
  readonly young: boolean;
  /** Throws of the day; what is past may have been more. */
  readonly budget: number;
  /** Number of the group; none is -1. */
  readonly group: number;
  readonly friends: readonly number[];
  /** Friends, and the others of the group. */
  readonly company: readonly number[];
}

const KIND = { rest: 1, radar: 2, film: 3 } as const;
const kindNumber = (kind: StationKind): number => (kind in KIND ? KIND[kind as keyof typeof KIND] : 0);

/** What readings of a kind come to where one is owed. */
const readWorth = (readings: number): number => (readings === 0 ? COST.unread : WORTH.readAgain * (readings - 1));

/** What was changed last, to be taken back. */
interface Change {
  readonly at: number;
  readonly was: number;
}

export class DayBoard {
  readonly stations: number;
  readonly rotations: number;
  /** Station of each athlete and rotation, at athlete × rotations + rotation; -1 is nowhere. */
  readonly places: Int8Array;
  /** Where somebody is to be sent: who is here, in a rotation that is to come. */
  readonly slots: readonly Slot[];
  private readonly lines: readonly Line[];
  /** 1 where somebody is to be sent somewhere. */
  private readonly wanted: Uint8Array;
  private readonly room: Int16Array;
  private readonly there: Int16Array;
  private readonly ofGroup: Int16Array;
  private readonly rowScores: Float64Array;
  private readonly visits: Int8Array;
  private readonly throwsAt: Int32Array;
  private readonly hardAt: Uint8Array;
  private readonly kindAt: Uint8Array;
  private readonly freeAt: Uint8Array;
  private readonly againAt: Float64Array;
  private together = 0;
  private rows = 0;
  private last: Change[] = [];

  constructor(private readonly task: DayTask) {
    const { camp, day, from, past, current, only } = task;
    const { request } = camp;
    const staysAt = new Map((current ?? []).map((a) => [`${a.athlete}\n${a.rotation}`, a.station]));
    this.stations = request.stations.length;
    this.rotations = request.days[day]!.rotations;
    const groups = [...groupsOf(request).values()];
    const numberOf = new Map(request.athletes.map((a, n) => [a.id, n]));
    const friends = request.athletes.map((): number[] => []);
    for (const [a, b] of wishedPairs(request)) {
      friends[numberOf.get(a)!]!.push(numberOf.get(b)!);
      friends[numberOf.get(b)!]!.push(numberOf.get(a)!);
    }
    const reading = readingDays(request).includes(day);
    this.lines = request.athletes.map((athlete, n): Line => {
      const owed = reading ? owedTo(athlete, request.stations) : [];
      const worth = new Float64Array(this.rotations * this.stations);
      for (let rotation = 0; rotation < this.rotations; rotation++)
        request.stations.forEach((station, s) => {
          worth[rotation * this.stations + s] =
            visitWorth(athlete, station) +
            timelyWorth(request, athlete, station, day, rotation) -
            (staysAt.get(`${athlete.id}\n${rotation}`) === station.id ? COST.movedVisit : 0);
        });
      return {
        athlete,
        allowed: request.stations.map((s) => mayVisit(athlete, s)),
        worth,
        forFocus: request.stations.map((s) => treatsFocus(athlete, s)),
        owedRadar: owed.includes('radar'),
        owedFilm: owed.includes('film'),
        young: request.stations.some((s) => s.hard && tooHardInARow(athlete, s, s)),
        budget: Math.max(athlete.throwBudget, thrownBefore(task, athlete.id)),
        group: groups.findIndex((members) => members.includes(athlete.id)),
        friends: friends[n]!,
        company: [
          ...friends[n]!,
          ...request.athletes.flatMap((other, m) =>
            m !== n && athlete.group !== undefined && other.group === athlete.group ? [m] : [],
          ),
        ],
      };
    });
    this.room = Int16Array.from(
      Array.from({ length: this.rotations }, (_, r) =>
        request.stations.map((s) => (camp.isOpen(s.id, day, r) ? placesAt(s) : 0)),
      ).flat(),
    );
    this.there = new Int16Array(this.room.length);
    this.ofGroup = new Int16Array(groups.length * this.room.length);
    this.places = new Int8Array(this.lines.length * this.rotations).fill(NOWHERE);
    this.rowScores = new Float64Array(this.lines.length);
    this.visits = new Int8Array(this.stations);
    this.throwsAt = Int32Array.from(request.stations, (s) => s.throwsPerVisit);
    this.hardAt = Uint8Array.from(request.stations, (s) => (s.hard ? 1 : 0));
    this.kindAt = Uint8Array.from(request.stations, (s) => kindNumber(s.kind));
    const again = request.stations.map(againAt);
    this.freeAt = Uint8Array.from(again, (a) => a?.free ?? 0);
    this.againAt = Float64Array.from(again, (a) => a?.worth ?? 0);
    this.slots = this.lines.flatMap(({ athlete }, n) =>
      Array.from({ length: this.rotations }, (_, rotation) => ({ athlete: n, rotation })).filter(
        ({ rotation }) => rotation >= from && camp.isHere(athlete.id, day, rotation) && (!only || only.free.has(athlete.id)),
      ),
    );
    this.wanted = new Uint8Array(this.places.length);
    for (const { athlete, rotation } of this.slots) this.wanted[athlete * this.rotations + rotation] = 1;
    // Whoever stays where they are takes room there, and is company.
    const stay = (only?.others ?? []).filter((a) => !only!.free.has(a.athlete) && camp.isHere(a.athlete, day, a.rotation));
    this.take([...past, ...stay.filter((a) => a.rotation >= from)]);
    this.last = [];
  }

  get score(): number {
    return this.rows + this.together;
  }

  /** What company comes to, of the score. */
  get company(): number {
    return this.together;
  }

  /** Sends everybody where a schedule says. */
  settle(assignments: readonly Assignment[]): void {
    this.take(assignments);
    this.last = [];
  }

  /** Sends everybody to the best free place there is, who may go to the fewest stations first. */
  fill(): void {
    const few = this.lines.map((line) => line.allowed.filter(Boolean).length);
    for (const { athlete, rotation } of [...this.slots].sort(
      (a, b) => few[a.athlete]! - few[b.athlete]! || a.rotation - b.rotation,
    )) {
      let [best, most] = [NOWHERE, this.score];
      for (let station = 0; station < this.stations; station++) {
        if (this.isFull(rotation, station) || !this.send(athlete, rotation, station, () => 0)) continue;
        if (this.score > most) [best, most] = [station, this.score];
        this.undo();
      }
      if (best !== NOWHERE) this.send(athlete, rotation, best, () => 0);
    }
  }

  /** Sends somebody to a station; where it is full, one who is there changes places. @returns false where that is not allowed */
  send(athlete: number, rotation: number, station: number, below: (many: number) => number): boolean {
    const at = athlete * this.rotations + rotation;
    const was = this.places[at]!;
    if (was === station || !this.lines[athlete]!.allowed[station]) return false;
    if (!this.isFull(rotation, station)) return this.change([[at, station]], [athlete]);
    const other = this.someoneAt(rotation, station, below);
    if (other === null) return false;
    if (was !== NOWHERE && !this.lines[other]!.allowed[was]) return false;
    return this.change(
      [
        [at, station],
        [other * this.rotations + rotation, was],
      ],
      [athlete, other],
    );
  }

  /** A station where somebody is whom an athlete is to be with; any where there is nobody. */
  companyOf(athlete: number, rotation: number, below: (many: number) => number): number {
    const { company } = this.lines[athlete]!;
    const place = company.length === 0 ? NOWHERE : this.places[company[below(company.length)]! * this.rotations + rotation]!;
    return place === NOWHERE ? below(this.stations) : place;
  }

  /** Two athletes change places in two rotations at once. @returns false where that is not allowed */
  exchange(a: number, b: number, first: number, second: number): boolean {
    if (a === b || first === second) return false;
    const changes: (readonly [number, number])[] = [];
    for (const rotation of [first, second]) {
      const [atA, atB] = [a * this.rotations + rotation, b * this.rotations + rotation];
      const [placeA, placeB] = [this.places[atA]!, this.places[atB]!];
      if (placeA === NOWHERE || placeB === NOWHERE) return false;
      if (!this.lines[a]!.allowed[placeB] || !this.lines[b]!.allowed[placeA]) return false;
      changes.push([atA, placeB], [atB, placeA]);
    }
    return this.change(changes, [a, b]);
  }

  /** Places everybody as told. */
  private take(assignments: readonly Assignment[]): void {
    const { athletes, stations } = this.task.camp.request;
    const athleteAt = new Map(athletes.map((a, n) => [a.id, n]));
    const stationAt = new Map(stations.map((s, n) => [s.id, n]));
    for (const { athlete, rotation, station } of assignments)
      this.put(athleteAt.get(athlete)! * this.rotations + rotation, stationAt.get(station)!);
    this.lines.forEach((_, n) => this.renewRow(n));
  }

  undo(): void {
    const taken = this.last;
    this.last = [];
    for (const { at, was } of [...taken].reverse()) this.put(at, was);
    for (const { at } of taken) this.renewRow(Math.floor(at / this.rotations));
    this.last = [];
  }

  assignmentsOf(places: Int8Array): Assignment[] {
    const { camp, day } = this.task;
    return this.slots.flatMap(({ athlete, rotation }) => {
      const station = places[athlete * this.rotations + rotation]!;
      if (station === NOWHERE) return [];
      return [{ athlete: this.lines[athlete]!.athlete.id, day, rotation, station: camp.request.stations[station]!.id }];
    });
  }

  private someoneAt(rotation: number, station: number, below: (many: number) => number): number | null {
    const many = this.lines.length;
    const first = below(many);
    for (let k = 0; k < many; k++) {
      const athlete = (first + k) % many;
      const at = athlete * this.rotations + rotation;
      if (this.wanted[at] === 1 && this.places[at] === station) return athlete;
    }
    return null;
  }

  private isFull(rotation: number, station: number): boolean {
    const k = rotation * this.stations + station;
    return this.there[k]! >= this.room[k]!;
  }

  /** Changes places where every day stays allowed. */
  private change(changes: readonly (readonly [at: number, to: number])[], athletes: readonly number[]): boolean {
    this.last = [];
    for (const [at, to] of changes) this.put(at, to);
    let allowed = true;
    for (const athlete of athletes) allowed = this.renewRow(athlete) && allowed;
    if (!allowed) this.undo();
    return allowed;
  }

  /** Puts somebody somewhere, and keeps count of who is where and who is together. */
  private put(at: number, to: number): void {
    const was = this.places[at]!;
    this.last.push({ at, was });
    const athlete = Math.floor(at / this.rotations);
    const rotation = at - athlete * this.rotations;
    const { group, friends } = this.lines[athlete]!;
    const base = rotation * this.stations;
    if (group >= 0) this.together -= this.groupWorth(group, base);
    if (was !== NOWHERE) this.count(was, -1, base, group, friends, rotation);
    if (to !== NOWHERE) this.count(to, 1, base, group, friends, rotation);
    this.places[at] = to;
    if (group >= 0) this.together += this.groupWorth(group, base);
  }

  private count(place: number, by: 1 | -1, base: number, group: number, friends: readonly number[], rotation: number): void {
    this.there[base + place]! += by;
    if (group >= 0) this.ofGroup[group * this.room.length + base + place]! += by;
    for (const friend of friends) if (this.places[friend * this.rotations + rotation] === place) this.together += by * WORTH.wish;
  }

  private groupWorth(group: number, base: number): number {
    const first = group * this.room.length + base;
    let most = 1;
    for (let s = 0; s < this.stations; s++) if (this.ofGroup[first + s]! > most) most = this.ofGroup[first + s]!;
    return WORTH.group * (most - 1);
  }

  /** Works out what an athlete's day is worth. @returns false where it is not allowed */
  private renewRow(athlete: number): boolean {
    const score = this.rowScore(athlete);
    if (score === FORBIDDEN) return false;
    this.rows += score - this.rowScores[athlete]!;
    this.rowScores[athlete] = score;
    return true;
  }

  private rowScore(athlete: number): number {
    const line = this.lines[athlete]!;
    const { throwsAt, hardAt, kindAt, visits } = this;
    const first = athlete * this.rotations;
    visits.fill(0);
    let score = 0;
    let throws = 0;
    let rests = 0;
    let radars = 0;
    let films = 0;
    let focus = false;
    let hardBefore = false;
    for (let rotation = 0; rotation < this.rotations; rotation++) {
      const place = this.places[first + rotation]!;
      if (place === NOWHERE) {
        score += this.wanted[first + rotation]! * COST.nowhere;
        hardBefore = false;
        continue;
      }
      score += line.worth[rotation * this.stations + place]!;
      throws += throwsAt[place]!;
      const hard = hardAt[place] === 1;
      if (line.young && hard && hardBefore && rotation >= this.task.from) return FORBIDDEN;
      hardBefore = hard;
      focus ||= line.forFocus[place]!;
      const kind = kindAt[place]!;
      if (kind === KIND.rest) rests++;
      else if (++visits[place]! > this.freeAt[place]!) score += this.againAt[place]!;
      if (kind === KIND.radar) radars++;
      else if (kind === KIND.film) films++;
    }
    if (throws > line.budget) return FORBIDDEN;
    if (focus) score += WORTH.firstFocus;
    for (const free of RESTS) if (rests > free) score += WORTH.waiting * (rests - free);
    if (line.owedRadar) score += readWorth(radars);
    if (line.owedFilm) score += readWorth(films);
    return score;
  }
}
