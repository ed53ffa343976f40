import { may, reachOf } from '@wrightonic/contract';
import type { Reach, RightName, Role } from '@wrightonic/contract';

/** Every screen and the right that it needs. What is not here cannot be opened. */
export const SCREENS: readonly { readonly path: string; readonly title: string; readonly needs: RightName }[] = [
  { path: '/', title: 'Today', needs: 'account' },
  { path: '/athletes', title: 'Athletes', needs: 'seeRoster' },
  { path: '/athletes/new', title: 'A new athlete', needs: 'changeAthlete' },
  { path: '/athletes/:id', title: 'The athlete', needs: 'seeAthlete' },
  { path: '/athletes/:id/intake', title: 'Intake', needs: 'changeAthlete' },
  { path: '/athletes/:id/family', title: 'Family and consent', needs: 'seeIntake' },
  { path: '/athletes/:id/record', title: 'The record', needs: 'exportAthlete' },
  { path: '/athletes/:id/body', title: 'Body', needs: 'judge' },
  { path: '/athletes/:id/check', title: 'Body check', needs: 'judge' },
  { path: '/athletes/:id/film', title: 'Film', needs: 'seeClips' },
  { path: '/athletes/:id/clip', title: 'Clip', needs: 'seeClips' },
  { path: '/athletes/:id/compare', title: 'Compare', needs: 'seeClips' },
  { path: '/athletes/:id/look', title: 'Look', needs: 'judge' },
  { path: '/athletes/:id/what', title: 'What is it?', needs: 'judge' },
  { path: '/athletes/:id/causes', title: 'Causes', needs: 'judge' },
  { path: '/athletes/:id/what-if', title: 'What if', needs: 'judge' },
  { path: '/athletes/:id/plan', title: 'Plan', needs: 'seePlan' },
  { path: '/athletes/:id/run', title: 'Work', needs: 'runSessions' },
  { path: '/athletes/:id/numbers', title: 'Numbers', needs: 'seeProgress' },
  { path: '/athletes/:id/sheet', title: 'Then and now', needs: 'seeProgress' },
  { path: '/my-camps', title: 'My camps', needs: 'seeProgress' },
  { path: '/my-sheet', title: 'My then and now', needs: 'seeProgress' },
  { path: '/week', title: 'The week', needs: 'seeToday' },
  { path: '/group-run', title: 'A group', needs: 'seeRoster' },
  { path: '/camps', title: 'Camps', needs: 'seeCamps' },
  { path: '/camps/:id', title: 'The camp', needs: 'seeCamps' },
  { path: '/camps/:id/build', title: 'Build a camp', needs: 'runCamps' },
  { path: '/camps/:id/board', title: 'The board', needs: 'seeCamps' },
  { path: '/camps/:id/look', title: 'A first look', needs: 'judge' },
  { path: '/camps/:id/reports', title: 'Camp reports', needs: 'runCamps' },
  { path: '/hand-outs', title: 'Handed out', needs: 'changePlan' },
  { path: '/my-delivery', title: 'My delivery', needs: 'seeAthlete' },
  { path: '/my-numbers', title: 'My numbers', needs: 'seeProgress' },
  { path: '/my-run', title: 'My work', needs: 'runSessions' },
  { path: '/drills', title: 'Drills', needs: 'seeDrills' },
  { path: '/drills/ladder', title: 'Ladder', needs: 'seeDrills' },
  { path: '/desk', title: 'Desk', needs: 'account' },
  { path: '/desk/account', title: 'Account', needs: 'account' },
  { path: '/desk/settings', title: 'Settings', needs: 'changeSettings' },
  { path: '/desk/bands', title: 'Numbers of the academy', needs: 'changeSettings' },
  { path: '/desk/findings', title: 'Findings', needs: 'judge' },
  { path: '/desk/people', title: 'People', needs: 'seePeople' },
  { path: '/desk/groups', title: 'Groups', needs: 'changeGroups' },
  { path: '/desk/files', title: 'Files', needs: 'exportAcademy' },
  { path: '/desk/guns', title: 'Radar guns', needs: 'changeGroups' },
  { path: '/desk/import', title: 'Import', needs: 'importAthletes' },
  { path: '/desk/audit', title: 'Who did what', needs: 'seeAudit' },
];

/** Screens that open without a sign-in: each carries its own proof in the part of the address that is never sent. */
export const OPEN_SCREENS: readonly string[] = ['/join', '/shared', '/instrument', '/radar'];

const fits = (pattern: string, path: string): boolean => {
  const a = pattern.split('/');
  const b = path.split('/');
  return a.length === b.length && a.every((part, i) => part.startsWith(':') || part === b[i]);
};

/** The right that an address needs; null for an address that is none of ours. Named screens come before those with an id. */
export const rightFor = (path: string): RightName | null => screenAt(path)?.needs ?? null;

function screenAt(path: string) {
  const clean = path.length > 1 ? path.replace(/\/$/, '') : path;
  return SCREENS.find((s) => s.path === clean) ?? SCREENS.find((s) => fits(s.path, clean)) ?? null;
}

/** What a page is called in the browser’s tab and by a screen reader. The first screen is called as its place in the bar is. */
export function titleOf(path: string, role: Role): string {
  const name = path === '/' ? placesFor(role)[0]?.name : screenAt(path)?.title;
  return `${name ?? 'Nothing here'} · Wrightonic`;
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
  { path: '/camps', name: 'Camps', icon: 'camp', needs: 'runCamps' },
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
  ['/camps', 'Camps'],
  ['/camps/:id', 'The camp'],
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
