/** The people round the demo's athletes, and what was said at their intakes. Everything here is made up. */
import type { IntakeRecord, Role } from '@wrightonic/contract';

export interface DemoPerson {
  readonly name: string;
  readonly signIn: string;
  readonly password: string;
  readonly role: Role;
  /** Keys of their athletes. */
  readonly athletes: readonly string[];
  readonly groups: readonly string[];
}

export const COACH = { name: 'Ada Wrenfield', signIn: 'coach', password: 'bench-and-chalk' } as const;
/** The athlete who has a sign-in of their own. */
export const ATHLETE_SIGN_IN = { signIn: 'tavi', password: 'net-in-the-yard' } as const;

export const PEOPLE: readonly DemoPerson[] = [
  { name: COACH.name, signIn: COACH.signIn, password: COACH.password, role: 'owner', athletes: [], groups: [] },
  { name: 'Rolf Tannery', signIn: 'assistant', password: 'second-pair-of-eyes', role: 'instructor', athletes: [], groups: [] },
  {
    name: 'Mina Oxcroft',
    signIn: 'station',
    password: 'one-station-only',
    role: 'station',
    athletes: [],
    groups: ['Windmill squad'],
  },
  {
    name: 'Tavi Orrellin',
    signIn: ATHLETE_SIGN_IN.signIn,
    password: ATHLETE_SIGN_IN.password,
    role: 'athlete',
    athletes: ['tavi'],
    groups: [],
  },
  {
    name: 'Isa Orrellin',
    signIn: 'guardian',
    password: 'two-at-the-table',
    role: 'guardian',
    athletes: ['tavi', 'pipa'],
    groups: [],
  },
];

export const GROUPS: Readonly<Record<string, readonly string[]>> = {
  'Evening barn': ['tavi', 'bram', 'osk', 'lio', 'kasper', 'matti', 'anders', 'gideon', 'ansa'],
  'Windmill squad': ['juna', 'mirel', 'noor', 'wilma', 'linnea', 'oona', 'maud'],
  'Saturday young': ['pipa', 'pell', 'rufus', 'etta', 'bree', 'sunniva', 'ylva'],
};

type Told = Partial<Pick<IntakeRecord, 'thoughts' | 'words' | 'told' | 'goals' | 'history' | 'guardians' | 'next' | 'explain'>>;

const guardian = (name: string, relation: string): IntakeRecord['guardians'] => [
  { name, relation, contact: `${name.toLowerCase().replace(/[^a-z]+/g, '.')}@post.invalid` },
];

/** What each athlete told, by key. */
export const TOLD: Readonly<Record<string, Told>> = {
  tavi: {
    guardians: guardian('Isa Orrellin', 'mother'),
    thoughts: ['lift-high', 'move-long'],
    words: { lift: 'Get the knee up and look at the glove' },
    told: 'An earlier coach wanted a high leg.',
    goals: 'Throw strikes late in games.',
  },
  juna: { guardians: guardian('Sorrel Castelmoor', 'father'), thoughts: ['lift-swing'], goals: 'Pitch a whole game.' },
  bram: { guardians: guardian('Ute Ekholtey', 'mother'), goals: 'The same speed with less strain.', explain: 'reason' },
  pipa: { guardians: guardian('Isa Orrellin', 'aunt'), goals: 'Have fun and throw far.' },
  osk: { thoughts: ['turn-hard'], words: { turn: 'As hard as I can, every time' }, goals: 'One number on the gun.' },
  lio: {
    guardians: guardian('Wanda Marrow', 'mother'),
    history: { armPain: true, elbowSurgery: false, timeAway: false, otherSurgery: '', clinicianLimits: '', monthsOff: 2 },
    goals: 'Throw without thinking of the elbow.',
  },
  mirel: { guardians: guardian('Petra Sandholm', 'mother'), goals: 'Come back from the winter.' },
  noor: { next: 'history' },
  ansa: { goals: 'Keep it when it counts.' },
  wilma: { guardians: guardian('Bodil Tarnbeck', 'mother'), goals: 'Be back before the season.' },
  rufus: { guardians: guardian('Hanno Oldacre', 'father'), goals: 'Throw like the older ones.' },
  etta: { guardians: guardian('Merete Hollinshaw', 'mother'), goals: 'Pitch in a real game.' },
  kasper: { thoughts: ['turn-hard'], goals: 'Find the one throw again and again.' },
  linnea: { guardians: guardian('Jorun Foxgrove', 'mother'), goals: 'Two games in a weekend.' },
  pell: { guardians: guardian('Una Anselwood', 'aunt'), goals: 'Hit the net.' },
  sunniva: { guardians: guardian('Eskil Barrowdel', 'father') },
  matti: { guardians: guardian('Riikka Quernholm', 'mother'), explain: 'reason' },
  bree: { guardians: guardian('Dorit Wychcombe', 'mother') },
  anders: { guardians: guardian('Sylvi Selwick', 'mother'), goals: 'Start games.' },
  maud: { guardians: guardian('Ragna Elverstone', 'mother') },
  tomas: { guardians: guardian('Ove Greyhurst', 'father') },
  ylva: { guardians: guardian('Signe Pennard', 'mother'), next: 'thoughts' },
};
