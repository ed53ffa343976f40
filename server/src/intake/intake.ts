import type { IntakeAnswer, IntakeRecord, NewConsent } from '@wrightonic/contract';
import { intakeEvidence, thoughtById } from '@wrightonic/core';
import { v5 as uuidv5 } from 'uuid';
import { ProblemError, wrongField } from '../problems';
import { athleteRecord, holdAthlete } from '../athlete/athletes';
import { renewGlance } from '../judgement/glance';
import type { Context } from '../common/context';
import { replan } from '../plan/replan';

import { isMinor } from '../athlete/consents';
import { intakeOf } from '../athlete/intake-record';

/** Keeps an intake as far as it has come. Thoughts and history become evidence of their own, and go with what is taken back. */
export async function putIntake(ctx: Context, id: string, given: IntakeRecord): Promise<IntakeAnswer> {
  const athlete = await holdAthlete(ctx, id);
  const misplaced = given.thoughts.findIndex((t) => !thoughtById(t).disciplines.includes(athlete.discipline));
  if (misplaced >= 0) throw wrongField(`thoughts[${misplaced}]`, `is not a thought of the ${athlete.discipline} delivery`);
  await ctx.tenant
    .from('athletes')
    .where('id', id)
    .update({ intake: JSON.stringify(given), intake_next: given.next });
  const wanted = intakeEvidence(given.thoughts, given.history);
  const idOf = (key: string) => uuidv5(key, id);
  await ctx.tenant
    .from('observations')
    .where({ athlete_id: id, source: 'intake' })
    .whereNotIn('id', [...wanted.keys()].map(idOf))
    .delete();
  await ctx.tenant.insertOnce(
    'observations',
    [...wanted].map(([key, evidence]) => ({
      author_id: ctx.user.id,
      id: idOf(key),
      athlete_id: id,
      on_date: ctx.today,
      author: 'intake',
      source: 'intake',
      evidence: JSON.stringify(evidence),
    })),
  );
  await renewGlance(ctx, id);
  // Games to come are what a plan keeps room for.
  await replan(ctx, id);
  return intakeOf(ctx, id);
}

/**
 * Notes a consent given or taken back. For a minor an adult speaks: a guardian with their own sign-in, or a coach who names whose
 * word it was. Nothing is overwritten: the newest counts, the rest is history.
 */
export async function putConsent(ctx: Context, id: string, consentId: string, given: NewConsent): Promise<IntakeAnswer> {
  const athlete = await athleteRecord(ctx, id);
  const minor = isMinor(athlete.birthDate, ctx.today);
  const { role, name } = ctx.user;
  const coach = role === 'owner' || role === 'instructor';
  if (role === 'athlete' && minor)
    throw new ProblemError(
      403,
      'Not allowed',
      'Under 18, a guardian gives and takes back consent. They can do it with their own sign-in.',
    );
  if (!coach && given.by !== undefined && given.by !== name) throw wrongField('by', 'is left out: you give your own word');
  if (coach && given.by === undefined)
    throw wrongField('by', `must name whose word it is${minor ? ', an adult who may give it' : ''}`);
  if (coach && minor && given.by !== undefined && given.by.toLowerCase() === athlete.name.toLowerCase())
    throw wrongField('by', 'is the athlete, who is under 18; name the guardian');
  await ctx.tenant.insertOnce('consents', {
    id: consentId,
    athlete_id: id,
    kind: given.kind,
    given: given.given,
    by_whom: coach ? given.by : name,
    recorded_by: name,
    on_date: ctx.today,
  });
  return intakeOf(ctx, id);
}
