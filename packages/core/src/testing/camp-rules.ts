/** The hard rules of a camp once more, from their words alone: shares nothing with the rooms that it is to try. */

interface Camp {
  readonly days: readonly { readonly rotations: number }[];
  readonly athletes: readonly {
    readonly id: string;
    readonly age: number;
    readonly throwBudget: number;
    readonly locked: boolean;
    readonly notAt?: readonly string[];
  }[];
  readonly stations: readonly {
    readonly id: string;
    readonly kind: string;
    readonly capacity: number;
    readonly kit?: number;
    readonly throwsPerVisit: number;
    readonly hard: boolean;
  }[];
  readonly changes?: readonly {
    readonly day: number;
    readonly fromRotation: number;
    readonly type: string;
    readonly id: string;
  }[];
}
interface Sent {
  readonly athlete: string;
  readonly day: number;
  readonly rotation: number;
  readonly station: string;
}

/** @returns what is broken, a line each */
export function brokenRules(camp: Camp, sent: readonly Sent[]): string[] {
  const broken: string[] = [];
  const grid: Record<string, string[]> = {};
  for (const s of sent) (grid[`${s.day}/${s.rotation}/${s.athlete}`] ??= []).push(s.station);
  const station = Object.fromEntries(camp.stations.map((s) => [s.id, s]));
  const change = (type: string, day: number, id: string) =>
    (camp.changes ?? []).filter((c) => c.type === type && c.day === day && c.id === id).map((c) => c.fromRotation);
  for (let day = 0; day < camp.days.length; day++) {
    const last = camp.days[day]!.rotations;
    for (let r = 0; r < last; r++)
      for (const s of camp.stations) {
        const there = sent.filter((x) => x.day === day && x.rotation === r && x.station === s.id).length;
        if (there > s.capacity || (s.kit !== undefined && there > s.kit)) broken.push(`${s.id} is too full on ${day}/${r}`);
        if (there > 0 && change('station-closed', day, s.id).some((from) => r >= from))
          broken.push(`${s.id} is shut on ${day}/${r}`);
      }
    for (const a of camp.athletes) {
      const gone = change('athlete-absent', day, a.id);
      const late = change('athlete-late', day, a.id);
      let throws = 0;
      let hardBefore = false;
      const kinds: string[] = [];
      for (let r = 0; r < last; r++) {
        const places = grid[`${day}/${r}/${a.id}`] ?? [];
        const here = !gone.some((from) => r >= from) && !late.some((from) => r < from);
        if (places.length !== (here ? 1 : 0)) broken.push(`${a.id} is in ${places.length} places on ${day}/${r}`);
        const at = places[0] === undefined ? null : station[places[0]]!;
        throws += at?.throwsPerVisit ?? 0;
        if (at && (a.notAt ?? []).includes(at.id)) broken.push(`${a.id} is at ${at.id}, which is not for them, on ${day}/${r}`);
        if (at && a.locked && (at.throwsPerVisit > 0 || at.hard || at.kind === 'radar'))
          broken.push(`${a.id} is locked and throws on ${day}/${r}`);
        if (at?.hard && hardBefore && a.age < 15) broken.push(`${a.id} throws hard twice in a row on ${day}/${r}`);
        hardBefore = at?.hard ?? false;
        if (at) kinds.push(at.kind);
      }
      if (throws > a.throwBudget) broken.push(`${a.id} throws ${throws} of ${a.throwBudget} on ${day}`);
      const ends = day === 0 || day === camp.days.length - 1;
      if (!ends || a.locked || gone.length + late.length > 0) continue;
      const least = (kind: string) =>
        Math.min(
          ...camp.stations.filter((s) => s.kind === kind && !(a.notAt ?? []).includes(s.id)).map((s) => s.throwsPerVisit),
          Infinity,
        );
      const [radar, film] = [least('radar'), least('film')];
      if (radar <= a.throwBudget && !kinds.includes('radar')) broken.push(`${a.id} is not at the radar on ${day}`);
      if (film <= a.throwBudget - (radar <= a.throwBudget ? radar : 0) && !kinds.includes('film'))
        broken.push(`${a.id} is not filmed on ${day}`);
    }
  }
  return broken;
}
