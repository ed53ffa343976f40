/** What the drills of each finding did in the academy's athletes: worked out at most once a day, when a coach asks or makes a plan. */
import type { DrillEffectsAnswer } from '@wrightonic/contract';
import { addDays, DISCIPLINES, groupBy, helpedOf, treatsDirectly } from '@wrightonic/core';
import type { Discipline, DrillEffects, DrillHistory, FindingId, HelpedDrill, IsoDate } from '@wrightonic/core';
import type { Context } from '../common/context';
import type { FocusDbRow } from '../db/tables';
import { academyLibrary } from '../library/library';
import { measuredOf } from '../work/course';

/** What lies further back is not read. */
const SINCE_DAYS = 730;

type FocusOf = Pick<FocusDbRow, 'athlete_id' | 'finding' | 'started_on'> & { readonly discipline: Discipline };
type Worked = Omit<DrillHistory, 'chosenOn'> & {
  /** Days on which each finding was made a focus. */
  readonly chosen: ReadonlyMap<FindingId, readonly IsoDate[]>;
};

/** Athletes who have had a focus, each read for itself, so that nothing else waits for all of them. */
async function workedOf(ctx: Context): Promise<Worked[]> {
  const foci = await ctx.tenant
    .from('foci')
    .join('athletes', 'athletes.id', 'foci.athlete_id')
    .select<FocusOf[]>('foci.athlete_id', 'foci.finding', 'foci.started_on', 'athletes.discipline');
  const since = addDays(ctx.today, -SINCE_DAYS);
  const found: Worked[] = [];
  for (const athlete of [...new Set(foci.map((f) => f.athlete_id))].sort()) {
    const values = (await measuredOf(ctx, athlete)).filter((v) => v.on >= since);
    // Who was not measured tells nothing, and their reps need not be read.
    const rows =
      values.length === 0
        ? []
        : await ctx.tenant
            .from('reps')
            .where({ athlete_id: athlete, undone: false, gone: false })
            .where('on_date', '>=', since)
            .groupBy('drill', 'on_date')
            .select('drill', 'on_date')
            .count({ reps: '*' });
    const own = foci.filter((f) => f.athlete_id === athlete);
    found.push({
      athlete,
      discipline: own[0]!.discipline,
      values,
      work: rows.map(({ drill, on_date: on, reps }) => ({ drill, on, reps: Number(reps) })),
      chosen: new Map([...groupBy(own, (f) => f.finding)].map(([finding, list]) => [finding, list.map((f) => f.started_on)])),
    });
  }
  return found;
}

async function renewed(ctx: Context): Promise<DrillEffects[]> {
  const [athletes, library] = await Promise.all([workedOf(ctx), academyLibrary(ctx)]);
  const told: { finding: FindingId; discipline: Discipline; answer: DrillEffects | null }[] = [];
  for (const discipline of DISCIPLINES) {
    const own = athletes.filter((a) => a.discipline === discipline);
    for (const finding of [...new Set(own.flatMap((a) => [...a.chosen.keys()]))].sort())
      told.push({
        finding,
        discipline,
        answer: await ctx.think.effects({
          finding,
          discipline,
          drills: library.drills.filter((d) => treatsDirectly(d, finding)).map((d) => d.id),
          athletes: own.map(({ chosen, ...history }) => ({ ...history, chosenOn: chosen.get(finding) ?? [] })),
          ...(ctx.academy.numbers === undefined ? {} : { numbers: ctx.academy.numbers }),
        }),
      });
  }
  await ctx.tenant.transaction(async (tenant) => {
    // Two who ask at once write one after the other.
    await tenant.academyRow().forUpdate().first('id');
    await tenant.from('drill_effects').where('on_date', '<', ctx.today).delete();
    await tenant.write(
      'drill_effects',
      told.map(({ finding, discipline, answer }) => ({
        finding,
        discipline,
        on_date: ctx.today,
        answer: answer && JSON.stringify(answer),
      })),
      ['on_date', 'answer'],
    );
  });
  return told.flatMap(({ answer }) => answer ?? []);
}

/** The effects as they came out today, worked out now where nobody has asked yet. */
export async function effectsOf(ctx: Context): Promise<DrillEffectsAnswer> {
  const rows = await ctx.tenant
    .from('drill_effects')
    .where('on_date', ctx.today)
    .orderBy(['finding', 'discipline'])
    .select('answer');
  return { on: ctx.today, effects: rows.length > 0 ? rows.flatMap(({ answer }) => answer ?? []) : await renewed(ctx) };
}

/** What a planner is told of them, as they came out last: a tap that makes a plan anew waits for no sum over all athletes. */
export async function helpedHere(ctx: Context): Promise<readonly HelpedDrill[]> {
  const rows = await ctx.tenant.from('drill_effects').orderBy(['finding', 'discipline']).select('answer');
  return helpedOf(rows.flatMap(({ answer }) => answer ?? []));
}
