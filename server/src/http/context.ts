/** The setting of a request. */
import type { Knex } from 'knex';
import { v7 as uuidv7 } from 'uuid';
import type { User } from '../auth/sign-ins';
import { Tenant } from '../db/tenant';
import type { Academy, Context } from '../common/context';
import { dayIn } from '../common/time';
import { thinkHere } from '../thinking';

/** The setting of a request: the user's academy and the academy's own day. */
export async function contextFor(
  db: Knex,
  user: User,
  now: Date,
  token = '',
  { program = '', think = thinkHere }: Partial<Pick<Context, 'program' | 'think'>> = {},
): Promise<Context> {
  const row = await db('academies').where('id', user.academyId).first();
  if (!row) throw new Error('Somebody is signed in whose academy is gone.');
  const academy: Academy = {
    id: row.id,
    name: row.name,
    speedUnit: row.speed_unit,
    lengthUnit: row.length_unit,
    timeZone: row.time_zone,
    leagueDailyLimit: row.league_daily_limit,
    league: row.league,
    leagueAges: row.league_ages,
    schools: row.schools,
    words: row.words,
    weightedBalls: Boolean(row.weighted_balls),
    numbers: row.numbers,
  };
  return {
    tenant: new Tenant(db, user.academyId),
    user,
    reach: 'academy',
    token,
    academy,
    now,
    today: dayIn(academy.timeZone, now),
    program,
    think,
    later: (work) => void work().catch(() => undefined),
    newId: () => uuidv7(),
  };
}
