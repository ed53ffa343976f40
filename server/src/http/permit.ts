import { ADULT_FROM, agesOf, mayAtAge, reachOf, RIGHTS, ROLE_NAMES, rolesWith } from '@wrightonic/contract';
import type { Reach, RightName, Route } from '@wrightonic/contract';
import { ageOn } from '@wrightonic/core';
import type { IsoDate } from '@wrightonic/core';
import type { User } from '../auth/sign-ins';
import type { Tenant } from '../db/tenant';
import { conflict, notFound, ProblemError } from '../problems';

const listOf = (names: readonly string[]): string =>
  names.length < 2 ? names.join() : `${names.slice(0, -1).join(', ')} or ${names[names.length - 1]!}`;

/** How far the person's right goes. @throws ProblemError 403 when they have none */
export function requireRight(user: User, right: RightName): Reach {
  const reach = reachOf(right, user.role);
  if (reach === null) {
    const does = RIGHTS[right].does;
    throw new ProblemError(
      403,
      'Not allowed',
      `“${does}” is for ${listOf(rolesWith(right).map((role) => ROLE_NAMES[role]))}; you are signed in as ${ROLE_NAMES[user.role]}.`,
    );
  }
  return reach;
}

/** Whether an athlete is among those the right goes to. Outside of them there is no such athlete, as far as one is told. */
export async function requireWithin(tenant: Tenant, user: User, reach: Reach, athlete: string): Promise<void> {
  if (reach === 'academy') return;
  if (reach === 'own' && user.athletes.includes(athlete)) return;
  if (reach === 'groups' && user.groups.length > 0) {
    const member = await tenant
      .from('group_members')
      .where('athlete_id', athlete)
      .whereIn('group_id', user.groups)
      .first('athlete_id');
    if (member) return;
  }
  throw notFound('athlete');
}

/** Rights that hang on the athlete’s age. @throws ProblemError 403 where the person does not have it at that age */
async function requireAge(tenant: Tenant, user: User, right: RightName, athlete: string, today: IsoDate): Promise<void> {
  if (agesOf(right, user.role) === null) return;
  const row = await tenant.from('athletes').where('id', athlete).first('birth_date');
  if (!row) throw notFound('athlete');
  if (mayAtAge(user.role, right, ageOn(row.birth_date, today))) return;
  const does = RIGHTS[right].does;
  throw new ProblemError(
    403,
    'Not allowed',
    user.role === 'guardian'
      ? `“${does}”: from ${ADULT_FROM} on the athlete does that, or a coach.`
      : `“${does}”: under ${ADULT_FROM} a guardian does that, or a coach.`,
  );
}

/** What is known of an athlete who was put away is read; nothing is added to it. @throws ProblemError 409 */
async function requireActive(tenant: Tenant, route: Route, athlete: string): Promise<void> {
  if (route.method === 'get' || route.evenArchived) return;
  if (await tenant.has('athletes', { id: athlete, archived: true }))
    throw conflict(
      'The athlete was put away',
      'Nothing is recorded for an athlete who was put away. Bring the athlete back on the page “Record” first, then send it again.',
    );
}

/** @throws ProblemError 403 without the right, 404 for an athlete beyond its reach, 409 for a write about one who was put away */
export async function permit(tenant: Tenant, route: Route, user: User, athlete: string, today: IsoDate): Promise<Reach> {
  if (route.needs === null) return 'self';
  const reach = requireRight(user, route.needs);
  if (athlete) {
    await requireWithin(tenant, user, reach, athlete);
    await requireAge(tenant, user, route.needs, athlete, today);
    await requireActive(tenant, route, athlete);
  }
  return reach;
}
