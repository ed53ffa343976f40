/** Looks at entries as they come in: what is kept, under which instant and day, and what is refused one by one. */
import type { AthleteRecord, EntryResult, LogEntry } from '@wrightonic/contract';
import {
  drillById,
  hasDrill,
  instantOf,
  isCheat,
  isCopy,
  isFromFuture,
  isRungFor,
  isThrowingDrill,
  NO_CHEAT,
} from '@wrightonic/core';
import type { IsoDate, Judgement, Rung } from '@wrightonic/core';
import type { Context } from '../common/context';
import { dayIn, instantIn, spanOf } from '../common/time';
import { isAlone } from './known';
import type { Known, KnownEntries } from './known';
import type { SessionDbRow } from '../db/tables';

type Row = Record<string, unknown>;

/** A rep as it is to be written, before it is judged. */
export interface NewRep {
  readonly id: string;
  readonly athlete_id: string;
  readonly session_id: string;
  readonly on_date: IsoDate;
  readonly received_on: IsoDate;
  readonly at: Date;
  readonly device_at: Date;
  readonly received_at: Date;
  readonly author_id: string;
  readonly alone: boolean;
  readonly focus_id: string | null;
  readonly drill: string;
  readonly rung: Rung;
  readonly judged: Judgement;
  readonly said_effort: number;
  readonly aids: string | null;
  readonly effort: number;
  readonly is_throw: boolean;
  readonly refused: null;
}

/** What a batch comes to, before it is judged. */
export interface Received {
  readonly reps: readonly NewRep[];
  readonly readings: readonly Row[];
  readonly marks: readonly Row[];
  readonly pains: readonly Row[];
  readonly notes: readonly Row[];
  readonly spots: readonly Row[];
  /** Entries that are not kept, with the reason. */
  readonly refused: ReadonlyMap<string, EntryResult>;
  /** Days whose entries are to be judged anew. */
  readonly days: ReadonlySet<IsoDate>;
  /** Ids of reps and readings that marks speak of. */
  readonly marked: readonly string[];
}

interface Setting {
  readonly ctx: Context;
  readonly athleteId: string;
  readonly athlete: AthleteRecord;
  readonly session: SessionDbRow;
  /** Foci of the athlete. */
  readonly foci: ReadonlySet<string>;
  readonly known: KnownEntries;
  /** Copies of drills that the academy has made, among those that are named. */
  readonly copies: ReadonlySet<string>;
}

const taken = 'That id belongs to another entry. Make a new id and send it again.';

/** Whether an id is this athlete's, this session's and this person's own. */
function isOwn({ ctx, athleteId, session }: Setting, known: Known): boolean {
  const sameAuthor = known.author_id === null || known.author_id === ctx.user.id;
  return known.athlete_id === athleteId && known.session_id === session.id && sameAuthor;
}

/** Why a mark cannot be about what it names; null when it can, or when that is still to come. */
function wrongTarget({ ctx, athleteId, known }: Setting, id: string): string | null {
  const target = known.rep.get(id) ?? known.reading.get(id) ?? known.spot.get(id);
  if (!target) return null;
  if (target.athlete_id !== athleteId) return 'There is no such rep of this athlete.';
  if (isAlone(ctx) && target.author_id !== null && target.author_id !== ctx.user.id)
    return 'Somebody else logged this rep; whoever did can take it back.';
  return null;
}

/** Why an entry cannot be kept; null when it can. Pain is never turned away. */
function whyNot(setting: Setting, entry: LogEntry, device: number, bornAt: number): string | null {
  const { ctx, athlete } = setting;
  if (isFromFuture(device, ctx.now.getTime()))
    return `${entry.at} is still to come: this device’s clock runs ahead. Set it right; what is tapped from now on counts.`;
  if (device < bornAt) return `${entry.at} lies before the athlete was born.`;
  if (entry.type === 'rep') {
    const copy = isCopy(entry.drill);
    if (!hasDrill(entry.drill) || (copy && !setting.copies.has(entry.drill)))
      return `“${entry.drill}” is neither a drill of the catalogue nor one of your own.`;
    const drill = drillById(entry.drill);
    if (!drill.disciplines.includes(athlete.discipline))
      return `${drill.name} is not a drill of the ${athlete.discipline} delivery.`;
    // A copy’s rungs may have changed since its rep was planned.
    const rungFits = copy ? isRungFor(drill, entry.rung) : drill.rungs.includes(entry.rung);
    if (!rungFits) return `${drill.name} is not done on rung ${entry.rung}.`;
  }
  if (entry.type === 'cheat' && entry.cheat !== NO_CHEAT && !isCheat(entry.cheat))
    return `“${entry.cheat}” is not a way round that any drill lists.`;
  if (entry.type === 'cheat' || entry.type === 'undo') return wrongTarget(setting, entry.rep);
  if ((entry.type === 'reading' || entry.type === 'spot') && typeof entry.rep === 'string') {
    const target = setting.known.rep.get(entry.rep);
    if (target && target.athlete_id !== setting.athleteId) return 'There is no such rep of this athlete.';
  }
  return null;
}

/** Sorts a batch: rows to be written, and what is refused one by one. */
export function receive(setting: Setting, entries: readonly LogEntry[]): Received {
  const { ctx, athleteId, athlete, session, known } = setting;
  const zone = ctx.academy.timeZone;
  const { start, end } = spanOf(zone, session.on_date);
  const bornAt = instantIn(zone, athlete.birthDate).getTime();
  const now = ctx.now.getTime();
  const received: { reps: NewRep[] } & { [K in 'readings' | 'marks' | 'pains' | 'notes' | 'spots']: Row[] } = {
    reps: [],
    readings: [],
    marks: [],
    pains: [],
    notes: [],
    spots: [],
  };
  const refused = new Map<string, EntryResult>();
  const days = new Set<IsoDate>();
  const marked: string[] = [];
  const seen = new Set<string>();
  for (const entry of entries) {
    if (seen.has(entry.id)) continue;
    seen.add(entry.id);
    const kind = entry.type === 'cheat' || entry.type === 'undo' ? 'mark' : entry.type;
    const there = known[kind].get(entry.id);
    if (there) {
      if (!isOwn(setting, there)) refused.set(entry.id, { id: entry.id, status: 'refused', reason: taken, kept: false });
      continue;
    }
    const device = Date.parse(entry.at);
    const reason = entry.type === 'pain' ? null : whyNot(setting, entry, device, bornAt);
    if (reason !== null) {
      refused.set(entry.id, { id: entry.id, status: 'refused', reason, kept: false });
      continue;
    }
    const instant = instantOf(device, now, start);
    const on = instant < end ? session.on_date : dayIn(zone, new Date(instant));
    const base = {
      id: entry.id,
      athlete_id: athleteId,
      session_id: session.id,
      at: new Date(instant),
      device_at: new Date(device),
      received_at: ctx.now,
      author_id: ctx.user.id,
      alone: isAlone(ctx),
    };
    if (entry.type === 'rep') {
      days.add(on);
      const throwing = isThrowingDrill(drillById(entry.drill));
      received.reps.push({
        ...base,
        on_date: on,
        received_on: ctx.today,
        focus_id: entry.focus !== null && setting.foci.has(entry.focus) ? entry.focus : null,
        drill: entry.drill,
        rung: entry.rung,
        judged: entry.judged,
        said_effort: Math.ceil(entry.effort),
        aids: entry.aids ? entry.aids.join(',').slice(0, 200) : null,
        // Judged straight after; these are what it mostly comes to.
        effort: throwing ? Math.max(Math.ceil(entry.effort), drillById(entry.drill).effort[0]) : 0,
        is_throw: throwing,
        refused: null,
      });
    } else if (entry.type === 'reading') {
      days.add(on);
      received.readings.push({
        ...base,
        on_date: on,
        speed: entry.speed,
        unit: entry.unit,
        effort: Math.ceil(entry.effort),
        gun: entry.gun,
        setting: entry.setting,
        rep_id: entry.rep ?? null,
        pitch: entry.pitch ?? null,
        ball_g: entry.ballG ?? null,
        distance_m: entry.distanceM ?? null,
        surface: entry.surface ?? null,
      });
    } else if (entry.type === 'pain') {
      days.add(on);
      const { site, score, signs } = entry.pain;
      received.pains.push({ ...base, on_date: on, moment: entry.moment, site, score, signs: JSON.stringify(signs ?? []) });
    } else if (entry.type === 'spot') {
      received.spots.push({
        ...base,
        on_date: on,
        target_x: entry.target.x,
        target_y: entry.target.y,
        actual_x: entry.actual.x,
        actual_y: entry.actual.y,
        zone_low: entry.zone[0],
        zone_high: entry.zone[1],
        effort: Math.ceil(entry.effort),
        pitch: entry.pitch ?? null,
        rep_id: entry.rep,
      });
    } else if (entry.type === 'note') received.notes.push({ ...base, on_date: on, text: entry.text });
    else {
      marked.push(entry.rep);
      received.marks.push({ ...base, kind: entry.type, rep_id: entry.rep, cheat: entry.type === 'cheat' ? entry.cheat : null });
    }
  }
  return { ...received, refused, days, marked };
}
