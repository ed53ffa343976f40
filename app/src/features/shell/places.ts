import { may, reachOf } from '@wrightonic/contract';
import type { Reach, RightName, Role } from '@wrightonic/contract';

/** Every screen and the right that it needs. What is not here cannot be opened. */
export const SCREENS: readonly { readonly path: string; readonly needs: RightName }[] = [
  { path: '/', needs: 'account' },
  { path: '/athletes', needs: 'seeRoster' },
  { path: '/athletes/new', needs: 'changeAthlete' },
  { path: '/athletes/:id', needs: 'seeAthlete' },
  { path: '/athletes/:id/intake', needs: 'changeAthlete' },
  { path: '/athletes/:id/family', needs: 'seeIntake' },
  { path: '/athletes/:id/record', needs: 'exportAthlete' },
  { path: '/athletes/:id/body', needs: 'judge' },
  { path: '/athletes/:id/check', needs: 'judge' },
  { path: '/athletes/:id/film', needs: 'seeClips' },
  { path: '/athletes/:id/clip', needs: 'seeClips' },
  { path: '/athletes/:id/compare', needs: 'seeClips' },
  { path: '/athletes/:id/look', needs: 'judge' },
  { path: '/athletes/:id/what', needs: 'judge' },
  { path: '/athletes/:id/causes', needs: 'judge' },
  { path: '/athletes/:id/what-if', needs: 'judge' },
  { path: '/athletes/:id/plan', needs: 'seePlan' },
  { path: '/athletes/:id/run', needs: 'runSessions' },
  { path: '/athletes/:id/numbers', needs: 'seeProgress' },
  { path: '/group-run', needs: 'seeRoster' },
  { path: '/my-delivery', needs: 'seeAthlete' },
  { path: '/my-numbers', needs: 'seeProgress' },
  { path: '/my-run', needs: 'runSessions' },
  { path: '/drills', needs: 'seeDrills' },
  { path: '/drills/ladder', needs: 'seeDrills' },
  { path: '/desk', needs: 'account' },
  { path: '/desk/account', needs: 'account' },
  { path: '/desk/settings', needs: 'changeSettings' },
  { path: '/desk/bands', needs: 'changeSettings' },
  { path: '/desk/findings', needs: 'judge' },
  { path: '/desk/people', needs: 'seePeople' },
  { path: '/desk/groups', needs: 'changeGroups' },
  { path: '/desk/import', needs: 'importAthletes' },
  { path: '/desk/audit', needs: 'seeAudit' },
];

/** Screens that open without a sign-in: each carries its own proof in the part of the address that is never sent. */
export const OPEN_SCREENS: readonly string[] = ['/join', '/instrument', '/radar'];

const fits = (pattern: string, path: string): boolean => {
  const a = pattern.split('/');
  const b = path.split('/');
  return a.length === b.length && a.every((part, i) => part.startsWith(':') || part === b[i]);
};

/** The right that an address needs; null for an address that is none of ours. Named screens come before those with an id. */
export function rightFor(path: string): RightName | null {
  const clean = path.length > 1 ? path.replace(/\/$/, '') : path;
  const screen = SCREENS.find((s) => s.path === clean) ?? SCREENS.find((s) => fits(s.path, clean));
  return screen?.needs ?? null;
}

export interface Place {
  readonly path: string;
  readonly name: string;
  readonly icon: string;
}

interface PlaceRule extends Place {
  readonly needs: RightName;
  /** Only for those whose right goes so far; left out: for all who have it. */
  readonly reach?: Reach;
}

const RULES: readonly PlaceRule[] = [
  { path: '/', name: 'Today', icon: 'today', needs: 'seeToday' },
  { path: '/', name: 'My station', icon: 'account-group', needs: 'seeRoster', reach: 'groups' },
  { path: '/', name: 'My day', icon: 'today', needs: 'seeWork', reach: 'own' },
  { path: '/athletes', name: 'Athletes', icon: 'account-group', needs: 'seeRoster', reach: 'academy' },
  { path: '/my-delivery', name: 'My delivery', icon: 'delivery', needs: 'seeAthlete', reach: 'own' },
  { path: '/my-numbers', name: 'My numbers', icon: 'numbers', needs: 'seeProgress', reach: 'own' },
  { path: '/drills', name: 'Drills', icon: 'drills', needs: 'judge' },
  { path: '/drills', name: 'Drills', icon: 'drills', needs: 'runSessions', reach: 'groups' },
  { path: '/desk', name: 'Desk', icon: 'desk', needs: 'account' },
];

/** Places of the bar and the rail for a role, from the same table of rights that the server checks. */
export const placesFor = (role: Role): readonly Place[] =>
  RULES.filter(({ needs, reach }) => (reach === undefined ? may(role, needs) : reachOf(needs, role) === reach));

export interface WayUp {
  readonly path: string;
  readonly name: string;
}

/** What a screen that others lie under is called when one goes up to it. */
const NAMES: readonly (readonly [pattern: string, name: string])[] = [
  ['/athletes', 'Athletes'],
  ['/athletes/:id', 'The athlete'],
  ['/athletes/:id/film', 'All clips'],
  ['/athletes/:id/what', 'What is it?'],
  ['/athletes/:id/body', 'Body'],
  ['/drills', 'Drills'],
  ['/desk', 'Desk'],
];
/** Screens that belong under another than the one their address says. */
const UNDER: Readonly<Record<string, string>> = {
  clip: 'film',
  compare: 'film',
  causes: 'what',
  'what-if': 'what',
  check: 'body',
};

/**
 * Where up is from a screen, by its address and not by how one came: the nearest screen above that this role may open. Null on the
 * screens of the bar themselves.
 */
export function wayUp(here: string, role: Role): WayUp | null {
  const places = placesFor(role);
  const start = places[0];
  const path = here.length > 1 ? here.replace(/\/$/, '') : here;
  if (path === '/' || !start || places.some((place) => place.path === path)) return null;
  const parts = path.split('/');
  const under = UNDER[parts.at(-1) ?? ''];
  const above = under === undefined ? [] : [[...parts.slice(0, -1), under]];
  for (let depth = parts.length - 1; depth > 1; depth--) above.push(parts.slice(0, depth));
  for (const candidate of above) {
    const address = candidate.join('/');
    const right = rightFor(address);
    const name = (NAMES.find(([pattern]) => pattern === address) ?? NAMES.find(([pattern]) => fits(pattern, address)))?.[1];
    // A first screen that is not in the role's bar is not theirs to go up to.
    const inBar = candidate.length > 2 || places.some((place) => place.path === address);
    if (name !== undefined && right !== null && may(role, right) && inBar) return { path: address, name };
  }
  return { path: start.path, name: start.name };
}
