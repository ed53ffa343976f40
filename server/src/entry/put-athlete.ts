import type { AthleteChange, AthleteOverview } from '@wrightonic/contract';
import { ageOn } from '@wrightonic/core';
import { EMPTY_INTAKE } from '@wrightonic/contract';
import { wrongField } from '../problems';
import { within } from '../common/context';
import type { Context } from '../common/context';
import { correctDiscipline } from './discipline';
import { replan } from '../plan/replan';
import { keepWords } from '../roster/roster';
import { keepSize } from '../athlete/sizes';
import { blankFlags, renewGlance, UNSEEN } from '../judgement/glance';
import { overview } from '../overview/overview';

/** Weighted balls are locked under this age, whatever the academy allows. */
export const WEIGHTED_BALLS_FROM = 16;

export async function putAthlete(ctx: Context, id: string, given: AthleteChange): Promise<AthleteOverview> {
  const age = ageOn(given.birthDate, ctx.today);
  if (age < 4 || age > 90) throw wrongField('birthDate', `makes the athlete ${age} years old; check the year`);
  if (given.equipment.includes('weighted-ball') && (!ctx.academy.weightedBalls || age < WEIGHTED_BALLS_FROM))
    throw wrongField(
      'equipment',
      ctx.academy.weightedBalls
        ? `weighted balls are locked under ${WEIGHTED_BALLS_FROM}`
        : 'weighted balls are off in this academy; an owner can allow them in Desk',
    );
  const { heightM, massKg, birthDate, availability, equipment, schools, jumpNorms, setForeignAside = false, ...same } = given;
  await ctx.tenant.transaction(async (tenant) => {
    const inside = within(ctx, tenant);
    const known = await tenant.hold(id);
    const intake =
      known && known.discipline !== given.discipline
        ? await correctDiscipline(inside, id, known.discipline, given.discipline, known.intake, setForeignAside)
        : known?.intake;
    await tenant.upsert('athletes', {
      ...same,
      id,
      birth_date: birthDate,
      height_m: heightM,
      mass_kg: massKg,
      jump_norms: jumpNorms ?? null,
      availability: JSON.stringify(availability),
      equipment: JSON.stringify(equipment),
      schools: JSON.stringify(schools),
      ...(known
        ? { intake: intake ? JSON.stringify(intake) : null }
        : {
            chain: JSON.stringify(UNSEEN),
            ...blankFlags(),
            intake: JSON.stringify(EMPTY_INTAKE),
            intake_next: EMPTY_INTAKE.next,
          }),
    });
    await keepSize(inside, id, { heightM, massKg });
    await keepWords(tenant, id, given.name);
    await renewGlance(inside, id);
    // Age, days, place, kit and season are what a plan is made of.
    if (known) await replan(inside, id);
  });
  return overview(ctx, id);
}
