import type { AthleteRecord, IntakeRecord } from '@wrightonic/contract';
import type { AthleteProfile, FindingId, IsoDate, LinkState } from '@wrightonic/core';
import { notFound } from '../problems';
import type { Context } from './context';

export interface AthleteDbRow {
  id: string;
  name: string;
  discipline: AthleteProfile['discipline'];
  throws: AthleteProfile['throws'];
  birth_date: IsoDate;
  height_m: number;
  mass_kg: number;
  level: AthleteProfile['level'];
  jump_norms: AthleteProfile['jumpNorms'] | null;
  season: AthleteRecord['season'];
  availability: AthleteRecord['availability'];
  equipment: AthleteRecord['equipment'];
  partner: number;
  schools: AthleteRecord['schools'];
  chain: LinkState[];
  focus: FindingId | null;
  focus_chance: number | null;
  focus_chance_on: IsoDate | null;
  lock_until: string | null;
  flags: FindingId[];
  archived: number;
  intake: IntakeRecord | null;
  intake_next: IntakeRecord['next'];
}

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
  const row = (await ctx.tenant.from('athletes').where('id', id).first()) as AthleteDbRow | undefined;
  if (!row) throw notFound('athlete');
  return row;
}

/** The athlete, held until the end of the transaction: of two who write about the same athlete one waits. */
export async function holdAthlete(ctx: Context, id: string): Promise<AthleteRecord> {
  const row = await ctx.tenant.hold<AthleteDbRow>(id);
  if (!row) throw notFound('athlete');
  return toRecord(row);
}

/** @throws ProblemError 404 when the academy has no such athlete */
export const athleteRecord = async (ctx: Context, id: string): Promise<AthleteRecord> => toRecord(await rowOf(ctx, id));
