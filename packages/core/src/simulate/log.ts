/** Random logs of made-up athletes, as their phones stamp them, and random ways in which they reach the log. */
import type { Rung } from '../drills/types';
import type { LogState } from '../log/state';
import type { AthleteLog, LoggedFocus, LoggedMark, LoggedPain, LoggedReading, LoggedRep, LoggedSession } from '../log/entries';
import { instantOf } from '../log/instants';
import { addDays } from '../shared/dates';
import type { IsoDate } from '../shared/dates';
import type { Random } from '../shared/random';
import type { PainSite } from '../load/pain';

/** One thing that a device sends: what it is, and when by its clock. */
export type Sent =
  | { readonly kind: 'session'; readonly device: number; readonly row: LoggedSession }
  | { readonly kind: 'rep'; readonly device: number; readonly row: LoggedRep }
  | { readonly kind: 'reading'; readonly device: number; readonly row: LoggedReading }
  | { readonly kind: 'mark'; readonly device: number; readonly row: LoggedMark }
  | { readonly kind: 'pain'; readonly device: number; readonly row: LoggedPain }
  | { readonly kind: 'end'; readonly device: number; readonly session: string };

const below = (random: Random, n: number): number => Math.floor(n * random.uniform());

const COACH = 'coach';
const CHILD = 'child';
const DRILLS = [
  ['crossover-tap', 2],
  ['hinge-start-throw', 3],
  ['side-slope-throw', 3],
  ['measured-bullpen', 6],
] as const;

/** Everything sent about one athlete in some weeks, in the order in which it was done. */
export function sentBy(random: Random, start: IsoDate, focus: LoggedFocus): Sent[] {
  const sent: Sent[] = [];
  let n = 0;
  const id = (kind: string) => `${kind}-${String(n++).padStart(5, '0')}`;
  const days = 2 + below(random, 6);
  let date = start;
  for (let d = 0; d < days; d++) {
    date = addDays(date, 1 + below(random, 4));
    const sessions = random.chance(0.2) ? 2 : 1;
    let clock = Date.parse(`${date}T09:00:00Z`);
    for (let s = 0; s < sessions; s++) {
      const session = id('session');
      const alone = random.chance(0.3);
      const author = alone ? CHILD : COACH;
      const stamp = (seconds: number) => (clock += 1000 * seconds);
      const base = (kind: string) => {
        const device = stamp(5 + below(random, 40));
        return { device, entry: { id: id(kind), session, date, at: new Date(device).toISOString(), author, alone } };
      };
      sent.push({
        kind: 'session',
        device: stamp(60),
        row: { id: session, date, startedAt: new Date(clock).toISOString(), ended: false },
      });
      const [drill, rung] = random.pick(DRILLS);
      const count = below(random, 26);
      for (let i = 0; i < count; i++) {
        const { device, entry } = base('rep');
        const judged = random.chance(0.7) ? 'good' : random.chance(0.5) ? 'close' : 'off';
        const effort = random.pick([40, 60, 89.9, 95]);
        sent.push({
          kind: 'rep',
          device,
          row: { ...entry, drill, rung: rung as Rung, focus: focus.id, judged, effort, receivedOn: date },
        });
        if (random.chance(0.15)) {
          const mark = base('mark');
          const undo = random.chance(0.5);
          const say = { id: mark.entry.id, at: mark.entry.at, author, alone, rep: entry.id };
          sent.push({
            kind: 'mark',
            device: mark.device,
            row: undo
              ? { ...say, kind: 'undo' }
              : { ...say, kind: 'cheat', cheat: random.pick(['swing-around', 'knee-forward']) },
          });
        }
        if (random.chance(0.1)) {
          const reading = base('reading');
          sent.push({
            kind: 'reading',
            device: reading.device,
            row: { ...reading.entry, effort: random.pick([80, 100]), gun: 'gun 1', rep: random.chance(0.5) ? entry.id : null },
          });
        }
      }
      if (random.chance(0.15)) {
        const { device, entry } = base('pain');
        const site: PainSite = random.pick(['elbow', 'shoulder', 'knee', 'wrist']);
        sent.push({
          kind: 'pain',
          device,
          row: { id: entry.id, session, date, at: entry.at, site, score: 1 + below(random, 5) },
        });
      }
      if (random.chance(0.9)) sent.push({ kind: 'end', device: stamp(30), session });
      stamp(3600);
    }
  }
  return sent;
}

/** A way in which the same things arrive: late, doubled, in another order. Times of receipt rise and lie after the tap. */
export function delivery(random: Random, sent: readonly Sent[]): { readonly what: Sent; readonly received: number }[] {
  const arriving = sent.flatMap((what) => {
    const late = () => (random.chance(0.5) ? below(random, 40) : below(random, 9 * 3600)) * 1000;
    const once = { what, received: what.device + late() };
    return random.chance(0.3) ? [once, { what, received: what.device + late() }] : [once];
  });
  return arriving.sort((a, b) => a.received - b.received);
}

/** The log as it stands once everything has arrived, entry by entry, each under its instant and once. */
export function arrived(arriving: readonly { readonly what: Sent; readonly received: number }[], focus: LoggedFocus): AthleteLog {
  const sessions = new Map<string, LoggedSession>();
  const ended = new Set<string>();
  const kept = {
    rep: new Map<string, LoggedRep>(),
    reading: new Map<string, LoggedReading>(),
    mark: new Map<string, LoggedMark>(),
    pain: new Map<string, LoggedPain>(),
  };
  for (const { what, received } of arriving) {
    const day = (date: IsoDate) => Date.parse(`${date}T00:00:00Z`);
    const at = (date: IsoDate) => new Date(instantOf(what.device, received, day(date))).toISOString();
    if (what.kind === 'end') ended.add(what.session);
    else if (what.kind === 'session') {
      if (!sessions.has(what.row.id)) sessions.set(what.row.id, { ...what.row, startedAt: at(what.row.date) });
    } else if (what.kind === 'mark') {
      if (!kept.mark.has(what.row.id))
        kept.mark.set(what.row.id, { ...what.row, at: new Date(Math.min(what.device, received)).toISOString() });
    } else {
      const receivedOn = new Date(received).toISOString().slice(0, 10);
      const once = <Row extends { id: string; date: IsoDate }>(known: Map<string, Row>, row: Row, also?: Partial<Row>) => {
        if (!known.has(row.id)) known.set(row.id, { ...row, at: at(row.date), ...also });
      };
      if (what.kind === 'rep') once(kept.rep, what.row, { receivedOn });
      else if (what.kind === 'reading') once(kept.reading, what.row);
      else once(kept.pain, what.row);
    }
  }
  return {
    sessions: [...sessions.values()].map((s) => ({ ...s, ended: ended.has(s.id) })),
    reps: [...kept.rep.values()],
    readings: [...kept.reading.values()],
    marks: [...kept.mark.values()],
    removed: [],
    pains: [...kept.pain.values()],
    foci: [focus],
    outings: [],
    clearances: [],
  };
}

const byId = (a: { readonly id: string }, b: { readonly id: string }) => (a.id < b.id ? -1 : 1);

/** A state as text, to be compared: everything that anybody is shown of it. */
export const stateText = ({ days, foci }: LogState): string =>
  JSON.stringify([
    [...days].map(([date, day]) => [
      date,
      day.throws,
      day.highEffort,
      [...day.reps.values()].sort(byId),
      [...day.readings.values()].sort(byId),
    ]),
    [...foci],
  ]);
