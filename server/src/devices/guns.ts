/** Radar guns of the academy. */
import type { Gun, NewGun } from '@wrightonic/contract';
import { conflict, wrongField } from '../problems';
import type { Context } from '../common/context';
import type { GunDbRow } from '../db/tables';

const toGun = (row: GunDbRow): Gun => ({
  id: row.id,
  name: row.name,
  place: row.place,
  sideDeg: row.side_deg,
  upDeg: row.up_deg,
  unit: row.unit,
  offset: row.offset_by,
  retired: Boolean(row.retired),
});

export async function guns(ctx: Context): Promise<Gun[]> {
  const rows = await ctx.tenant.from('guns').orderBy(['retired', 'name']);
  return rows.map(toGun);
}

/** @throws ProblemError 422 for a name that another gun has, 409 when a known gun is called otherwise */
export async function putGun(ctx: Context, id: string, given: NewGun): Promise<Gun[]> {
  await ctx.tenant.transaction(async (tenant) => {
    const known = await tenant.from('guns').where({ id }).first();
    if (known && known.name !== given.name)
      throw conflict(
        'A gun keeps its name',
        `This one is “${known.name}”, and its readings say so. Retire it and add “${given.name}” as another.`,
      );
    const same = await tenant.from('guns').where('name', given.name).whereNot('id', id).first('id');
    if (same) throw wrongField('name', `“${given.name}” is a gun already`);
    await tenant.upsert('guns', {
      id,
      name: given.name,
      place: given.place,
      side_deg: given.sideDeg,
      up_deg: given.upDeg,
      unit: given.unit,
      offset_by: given.offset,
      retired: given.retired,
    });
  });
  return guns(ctx);
}

const RAD = Math.PI / 180;

/** What a gun does to a reading. */
export interface GunError {
  /** By how much it looks past the ball, degrees: cos(angle) = cos(side) · cos(up). */
  readonly angleDeg: number;
  /** How much more it shows than a right one, in its own unit; 0 where nobody knows. */
  readonly offset: number;
  readonly unit: Gun['unit'];
}

/** By the names that stand in readings. */
export async function gunErrorsOf(ctx: Context): Promise<ReadonlyMap<string, GunError>> {
  const rows = await ctx.tenant.from('guns').select('name', 'side_deg', 'up_deg', 'unit', 'offset_by');
  return new Map(
    rows.map((row) => [
      row.name,
      {
        angleDeg: Math.acos(Math.cos(row.side_deg * RAD) * Math.cos(row.up_deg * RAD)) / RAD,
        offset: row.offset_by ?? 0,
        unit: row.unit,
      },
    ]),
  );
}
