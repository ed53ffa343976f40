import { reachOf, RIGHTS, ROLE_NAMES, rolesWith } from '@wrightonic/contract';
import type { Reach, RightName, Route } from '@wrightonic/contract';
import type { User } from '../auth/sign-ins';
import type { Tenant } from '../db/tenant';
import { notFound, ProblemError } from '../problems';

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
    const member = (await tenant
      .from('group_members')
      .where('athlete_id', athlete)
      .whereIn('group_id', user.groups)
      .first('athlete_id')) as object | undefined;
    if (member) return;
  }
  throw notFound('athlete');
}

/** @throws ProblemError 403 without the right, 404 for an athlete beyond its reach */
export async function permit(tenant: Tenant, route: Route, user: User, athlete: string): Promise<Reach> {
  if (route.needs === null) return 'self';
  const reach = requireRight(user, route.needs);
  if (athlete) await requireWithin(tenant, user, reach, athlete);
  return reach;
}
