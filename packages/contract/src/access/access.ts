/**
 * Who may do what: the one table from which the server's checks, the app's places and the tests' matrix are derived.
 */

export const ROLES = ['owner', 'instructor', 'station', 'athlete', 'guardian'] as const;
export type Role = (typeof ROLES)[number];

/**
 * How far a right goes. `academy`: everybody of the academy · `groups`: athletes of the groups that a station coach was given ·
 * `own`: the athlete themselves, or the children of a guardian · `self`: nobody but the person signed in.
 */
export type Reach = 'academy' | 'groups' | 'own' | 'self';

export interface Right {
  /** What it lets a person do, as it is shown in Desk. */
  readonly does: string;
  readonly reach: Readonly<Partial<Record<Role, Reach>>>;
  /** Ages of the athlete at which a role has it, in completed years; where a role is not named, at every age. */
  readonly ages?: Readonly<Partial<Record<Role, { readonly from?: number; readonly under?: number }>>>;
}

/** From this age a person speaks for themselves. */
export const ADULT_FROM = 18;

const coaches = { owner: 'academy', instructor: 'academy' } as const;
const family = { athlete: 'own', guardian: 'own' } as const;
const everybody = { owner: 'self', instructor: 'self', station: 'self', athlete: 'self', guardian: 'self' } as const;

const rights = <T extends Record<string, Right>>(table: T): { readonly [K in keyof T]: Right } => table;

export const RIGHTS = rights({
  account: { does: 'Use one’s own account', reach: everybody },
  seeDrills: { does: 'Read the drill library', reach: everybody },
  changeSettings: { does: 'Change the academy’s settings', reach: { owner: 'academy' } },
  seePeople: { does: 'See who belongs to the academy', reach: coaches },
  changePeople: { does: 'Change roles and remove people', reach: { owner: 'academy' } },
  invite: { does: 'Invite people', reach: coaches },
  seeAudit: { does: 'Read who did what', reach: coaches },
  seeToday: { does: 'See the day’s lessons', reach: coaches },
  seeRoster: { does: 'Search the roster', reach: { ...coaches, station: 'groups' } },
  changeGroups: { does: 'Make and fill groups', reach: coaches },
  importAthletes: { does: 'Import a list of athletes', reach: coaches },
  changeAthlete: { does: 'Add athletes and change what is known of them', reach: coaches },
  eraseAthlete: { does: 'Erase an athlete for good', reach: { owner: 'academy' } },
  exportAthlete: { does: 'Take out everything about an athlete', reach: { ...coaches, ...family } },
  exportAcademy: { does: 'Take the whole academy out, or in', reach: { owner: 'academy' } },
  takeBundles: { does: 'Take an athlete’s tables out as files', reach: coaches },
  seeAthlete: { does: 'Read an athlete’s page', reach: { ...coaches, ...family } },
  seeIntake: { does: 'Read history, contacts and consents', reach: { ...coaches, ...family } },
  seeWork: { does: 'See an athlete’s work of the day and what limits it', reach: { ...coaches, station: 'groups', ...family } },
  runSessions: { does: 'Log reps, speeds and pain', reach: { ...coaches, station: 'groups', ...family } },
  logOutings: { does: 'Enter throwing done elsewhere', reach: { ...coaches, ...family } },
  giveConsent: { does: 'Give or take back consent', reach: { ...coaches, ...family } },
  removeLoad: { does: 'Take a throw out of the load, with a reason', reach: coaches },
  recordClearance: {
    does: 'Record a clinician’s clearance',
    reach: { ...coaches, ...family },
    ages: { guardian: { under: ADULT_FROM }, athlete: { from: ADULT_FROM } },
  },
  judge: { does: 'Look, test, diagnose and choose the focus', reach: coaches },
  seeClips: { does: 'See an athlete’s clips', reach: { ...coaches, ...family } },
  film: { does: 'Bring in, mark and remove clips', reach: coaches },
  seePlan: { does: 'Read the plan', reach: { ...coaches, ...family } },
  changePlan: { does: 'Make and assign plans', reach: coaches },
  seeProgress: { does: 'Read speeds, gates and load', reach: { ...coaches, ...family } },
  seeCamps: { does: 'See camps, and who is where', reach: { ...coaches, station: 'groups' } },
  runCamps: { does: 'Build and run camps', reach: coaches },
  share: { does: 'Make links for the family', reach: coaches },
  useDevices: { does: 'Connect measuring devices', reach: { ...coaches, station: 'groups' } },
});

export type RightName = keyof typeof RIGHTS;

export const reachOf = (right: RightName, role: Role): Reach | null => RIGHTS[right].reach[role] ?? null;
export const may = (role: Role, right: RightName): boolean => reachOf(right, role) !== null;
/** Ages of the athlete at which a role has a right; null where it does not hang on age. */
export const agesOf = (right: RightName, role: Role): { readonly from?: number; readonly under?: number } | null =>
  (RIGHTS[right] as Right).ages?.[role] ?? null;

/** Whether a role has a right over an athlete of an age. */
export function mayAtAge(role: Role, right: RightName, age: number): boolean {
  const { from = 0, under = Infinity } = agesOf(right, role) ?? {};
  return may(role, right) && age >= from && age < under;
}
export const rolesWith = (right: RightName): Role[] => ROLES.filter((role) => may(role, right));

/** Roles that a role may invite: nobody hands on more than they have. */
export const INVITES: Readonly<Record<Role, readonly Role[]>> = {
  owner: ROLES,
  instructor: ['station', 'athlete', 'guardian'],
  station: [],
  athlete: [],
  guardian: [],
};

export const ROLE_NAMES: Readonly<Record<Role, string>> = {
  owner: 'owner',
  instructor: 'instructor',
  station: 'station coach',
  athlete: 'athlete',
  guardian: 'guardian',
};
