/** What goes home with each athlete of a camp. */
import type { CampHomeDay, CampMember, CampReport, CampReports, NamedId, SheetPicture } from '@wrightonic/contract';
import { addDays, ageOn, fromMph, spared, SPARED_UNDER, toMph, usualSpeeds, VIEW_NAMES, WEEKDAYS } from '@wrightonic/core';
import type { IsoDate, Library, PlanRequest, PlanSession, Vocabulary } from '@wrightonic/core';
import { campGain } from '@wrightonic/core/camp';
import { consentsOf, isGiven } from '../athlete/consents';
import type { Context } from '../common/context';
import type { CampDbRow } from '../db/tables';
import { allSpeedsOf } from '../devices/speeds';
import { academyLibrary, academyWords } from '../library/library';
import { planRequest } from '../plan/plan-request';
import { doseInWords } from '../report/dose';
import { ProblemError } from '../problems';
import { membersOf } from './members';
import type { KnownMember } from './members';
import { campRow } from './rows';

const WEEKS = 4;
/** Drills that a report asks to be remembered. */
const DRILLS = 2;
/** Days a week and minutes of home work, where the record has no days at home. `house` */
const AT_HOME = { days: ['mon', 'wed', 'fri', 'sun'], minutes: 20 } as const;
/** Kit that is at the cage and not at home, where nobody has said otherwise. `house` */
const NOT_AT_HOME: ReadonlySet<string> = new Set(['radar', 'hurdle', 'slope-board', 'box', 'bag', 'weighted-ball']);

/** Reports of a camp: as they were handed out, or, of whom nothing was, as they are now. */
export async function campReports(ctx: Context, id: string): Promise<CampReports> {
  return freshReports(ctx, await campRow(ctx, id), await handedOf(ctx, id));
}

/** A report with when it was handed out. */
interface Handed {
  readonly report: CampReport;
  readonly at: Date;
}

/** What was handed out at a camp, by athlete, with the names of today. @param athlete of one alone; left out, of all */
export async function handedOf(ctx: Context, camp: string, athlete?: string): Promise<ReadonlyMap<string, Handed>> {
  const query = ctx.tenant
    .from('camp_reports')
    .join('athletes', 'athletes.id', 'camp_reports.athlete_id')
    .where('camp_reports.camp_id', camp);
  if (athlete !== undefined) void query.where('camp_reports.athlete_id', athlete);
  const rows = await query.select<(NamedId & { report: CampReport; made_at: Date })[]>(
    'athletes.id',
    'athletes.name',
    'camp_reports.report',
    'camp_reports.made_at',
  );
  const handed = new Map<string, Handed>();
  for (const { id, name, report, made_at: at } of rows) {
    // Consent may have been taken back since.
    const pictures = report.pictures.length > 0 && (await mayBeFilmed(ctx, id)) ? report.pictures : [];
    handed.set(id, { report: { ...report, athlete: { id, name }, pictures }, at });
  }
  return handed;
}

/** @param handed reports that stay as they are */
export async function freshReports(
  ctx: Context,
  row: CampDbRow,
  handed: ReadonlyMap<string, Handed> = new Map(),
): Promise<CampReports> {
  const [members, library, words] = await Promise.all([
    membersOf(ctx, row.id, { first: row.first_on, days: [] }),
    academyLibrary(ctx),
    academyWords(ctx),
  ]);
  const reports: CampReport[] = [];
  for (const member of members)
    reports.push(handed.get(member.athlete)?.report ?? (await reportOf(ctx, row, member, library, words)));
  const [first] = handed.values();
  const total = (of: (report: CampReport) => number) => reports.reduce((sum, report) => sum + of(report), 0);
  return {
    camp: row.name,
    from: row.first_on,
    to: row.last_on,
    handedOutAt: first?.at.toISOString() ?? null,
    unit: ctx.academy.speedUnit,
    reports,
    totals: {
      athletes: reports.length,
      throws: total((r) => r.throws),
      reps: total((r) => r.reps),
      readTwice: total((r) => (r.speed.change === null ? 0 : 1)),
      locked: members.filter((m) => m.locked !== null).length,
    },
  };
}

async function reportOf(
  ctx: Context,
  { first_on: from, last_on: to, days, stations }: CampDbRow,
  member: KnownMember,
  library: Library,
  words: Vocabulary,
): Promise<CampReport> {
  const { athlete: id, name, row } = member;
  const [speeds, reps, home, pictures] = await Promise.all([
    allSpeedsOf(ctx, id),
    ctx.tenant
      .from('reps')
      .where({ athlete_id: id, undone: false, gone: false })
      .whereBetween('on_date', [from, to])
      .groupBy('drill', 'judged', 'is_throw')
      .select('drill', 'judged', 'is_throw')
      .count({ n: '*' }),
    homeWork(ctx, member, to, library),
    picturesOf(ctx, id, from, to),
  ]);
  const unit = ctx.academy.speedUnit;
  const readings = usualSpeeds(speeds, row.discipline)
    .filter((r) => r.date >= from && r.date <= to)
    .map((r) => ({ date: r.date, speed: fromMph(toMph(r), unit), effort: r.effort, gun: r.gun ?? '' }));
  const counted = reps.map((r) => ({ drill: r.drill, good: r.judged === 'good', isThrow: Boolean(r.is_throw), n: Number(r.n) }));
  const young = ageOn(row.birth_date, ctx.today) < SPARED_UNDER;
  const say = (phrase: string) => spared(phrase, young ? ctx.academy.words : []);
  const [focus] = member.focus;
  return {
    athlete: { id, name },
    age: member.age,
    speed: campGain(readings, days.length, unit),
    throws: counted.reduce((sum, r) => sum + (r.isThrow ? r.n : 0), 0),
    reps: counted.reduce((sum, r) => sum + r.n, 0),
    focus: focus && member.chosen ? say(words.forAthlete(focus.finding)) : null,
    drills: learned(counted, member, library, stations).map((d) => ({ ...d, cue: say(d.cue) })),
    ...home,
    pictures,
  };
}

/** The first and the last clip of the camp; none without consent to film. */
async function picturesOf(ctx: Context, athlete: string, from: IsoDate, to: IsoDate): Promise<readonly SheetPicture[]> {
  if (!(await mayBeFilmed(ctx, athlete))) return [];
  const clips = await ctx.tenant
    .from('clips')
    .where('athlete_id', athlete)
    .whereBetween('on_date', [from, to])
    .whereNotNull('poster')
    .orderBy(['on_date', 'created_at', 'id'])
    .select('on_date', 'setup', 'poster');
  return [...new Set([clips[0], clips.at(-1)])].flatMap((clip) =>
    clip?.poster ? [{ on: clip.on_date, of: `from ${VIEW_NAMES[clip.setup.view]}`, url: clip.poster }] : [],
  );
}

const mayBeFilmed = async (ctx: Context, athlete: string): Promise<boolean> => isGiven(await consentsOf(ctx, athlete), 'film');

/** The drills to remember: of those that stations had, if any was done; those for a focus first, then those with the most good reps. */
function learned(
  counted: readonly { readonly drill: string; readonly good: boolean; readonly n: number }[],
  { focus }: CampMember,
  library: Library,
  stations: CampDbRow['stations'],
): CampReport['drills'] {
  const byDrill = new Map<string, { reps: number; good: number }>();
  for (const { drill, good, n } of counted) {
    const known = byDrill.get(drill) ?? { reps: 0, good: 0 };
    byDrill.set(drill, { reps: known.reps + n, good: known.good + (good ? n : 0) });
  }
  const there = new Set(stations.map((s) => s.drill));
  const ofCamp = [...byDrill].filter(([drill]) => there.has(drill));
  const worked = new Set(focus.map((f) => f.finding));
  return (ofCamp.length > 0 ? ofCamp : [...byDrill])
    .filter(([drill]) => library.has(drill))
    .map(([id, done]) => ({
      id,
      drill: library.drill(id),
      ...done,
      treats: library.drill(id).treats.some((t) => worked.has(t.finding)),
    }))
    .sort((a, b) => Number(b.treats) - Number(a.treats) || b.good - a.good || b.reps - a.reps || (a.id < b.id ? -1 : 1))
    .slice(0, DRILLS)
    .map(({ drill, reps, good }) => ({ name: drill.name, cue: drill.cue.external, reps, good }));
}

/** Four weeks at home from the day after the camp, or from today where that has gone. */
async function homeWork(
  ctx: Context,
  { athlete: id, locked, chosen }: KnownMember,
  to: IsoDate,
  library: Library,
): Promise<Pick<CampReport, 'home' | 'homeWhy'>> {
  if (!chosen) return { home: null, homeWhy: 'No focus was chosen at the camp; home work is made for one.' };
  const after = addDays(to, 1);
  const on = after > ctx.today ? after : ctx.today;
  try {
    const plan = await ctx.think.plan(atHome(await planRequest(ctx, id, on, { weeks: WEEKS, games: [], pinned: [] })));
    const sessions = plan.sessions.filter((s) => s.items.length > 0);
    if (sessions.length === 0)
      return { home: null, homeWhy: locked ?? 'Nothing can be done at home with the kit that is there.' };
    return { home: sessions.map((s) => homeDay(s, library)), homeWhy: null };
  } catch (error) {
    if (error instanceof ProblemError) return { home: null, homeWhy: error.detail };
    throw error;
  }
}

/** The same athlete at home, alone, with what is there. */
const atHome = (request: PlanRequest): PlanRequest => {
  const own = request.availability.filter((slot) => slot.place === 'home');
  return {
    ...request,
    partner: false,
    equipment: request.equipment.filter((kit) => !NOT_AT_HOME.has(kit)),
    availability:
      own.length > 0
        ? own
        : WEEKDAYS.filter((day) => (AT_HOME.days as readonly string[]).includes(day)).map((weekday) => ({
            weekday,
            minutes: AT_HOME.minutes,
            place: 'home' as const,
          })),
  };
};

const homeDay = ({ date, minutes, throws, items }: PlanSession, library: Library): CampHomeDay => ({
  date,
  minutes,
  throws,
  items: items.map((item) => ({ drill: library.drill(item.drill).name, dose: doseInWords(item), cue: item.cue })),
});
