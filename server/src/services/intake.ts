import { EMPTY_INTAKE } from '@wrightonic/contract';
import type { ConsentKind, ConsentRow, IntakeAnswer, IntakeRecord, NewConsent } from '@wrightonic/contract';
import { ageOn, intakeEvidence, thoughtById } from '@wrightonic/core';
import type { IsoDate } from '@wrightonic/core';
import { v5 as uuidv5 } from 'uuid';
import { notFound, ProblemError, wrongField } from '../problems';
import { athleteRecord, holdAthlete } from './athletes';
import { renewGlance } from './glance';
import type { Context } from './context';
import { replan } from './replan';

const ADULT = 18;

export const isMinor = (birthDate: IsoDate, today: IsoDate): boolean => ageOn(birthDate, today) < ADULT;

/** The newest word on each kind of consent. */
export async function consentsOf(ctx: Context, athlete: string): Promise<ConsentRow[]> {
  const rows = await ctx.tenant.from('consents').where('athlete_id', athlete).orderBy('created_at').orderBy('id');
  const newest = new Map(rows.map((row) => [row.kind, row]));
  return [...newest.values()].map((row) => ({
    kind: row.kind,
    given: Boolean(row.given),
    by: row.by_whom,
    recordedBy: row.recorded_by,
    on: row.on_date,
  }));
}

/** @throws ProblemError 403 when consent was not given, or was taken back */
export async function requireConsent(ctx: Context, athlete: string, kind: ConsentKind): Promise<void> {
  const consent = (await consentsOf(ctx, athlete)).find((c) => c.kind === kind);
  if (!consent?.given)
    throw new ProblemError(
      403,
      'Consent is missing',
      `There is no consent ${kind === 'film' ? 'to film' : 'to share'} for this athlete. ${consent ? `${consent.by} took it back on ${consent.on}.` : 'Ask for it first.'}`,
    );
}

export async function intakeOf(ctx: Context, athlete: string): Promise<IntakeAnswer> {
  const row = await ctx.tenant.from('athletes').where('id', athlete).first('intake', 'birth_date');
  if (!row) throw notFound('athlete');
  return {
    intake: row.intake ?? { ...EMPTY_INTAKE, next: null },
    consents: await consentsOf(ctx, athlete),
    minor: isMinor(row.birth_date, ctx.today),
  };
}

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
