import type { AthleteRecord } from '@wrightonic/contract';
import type { AthleteProfile } from '@wrightonic/core';
import { notFound } from '../problems';
import type { Context } from '../common/context';
import type { AthleteDbRow } from '../db/tables';

export const toRecord = (row: AthleteDbRow): AthleteRecord => ({
  name: row.name,
  discipline: row.discipline,
  throws: row.throws,
  birthDate: row.birth_date,
  heightM: row.height_m,
  massKg: row.mass_kg,
  level: row.level,
  ...(row.jump_norms ? { jumpNorms: row.jump_norms } : {}),
  season: row.season,
  availability: row.availability,
  equipment: row.equipment,
  partner: Boolean(row.partner),
  schools: row.schools,
});

export const profileOf = (athlete: AthleteRecord): AthleteProfile => ({
  discipline: athlete.discipline,
  throws: athlete.throws,
  birthDate: athlete.birthDate,
  heightM: athlete.heightM,
  massKg: athlete.massKg,
  level: athlete.level,
  ...(athlete.jumpNorms ? { jumpNorms: athlete.jumpNorms } : {}),
});

export async function rowOf(ctx: Context, id: string): Promise<AthleteDbRow> {
  const row = await ctx.tenant.from('athletes').where('id', id).first();
  if (!row) throw notFound('athlete');
  return row;
}

/** The athlete, held until the end of the transaction: of two who write about the same athlete one waits. */
export async function holdAthlete(ctx: Context, id: string): Promise<AthleteRecord> {
  const row = await ctx.tenant.hold(id);
  if (!row) throw notFound('athlete');
  return toRecord(row);
}

/** @throws ProblemError 404 when the academy has no such athlete */
export const athleteRecord = async (ctx: Context, id: string): Promise<AthleteRecord> => toRecord(await rowOf(ctx, id));
