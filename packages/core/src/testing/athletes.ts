import type { AthleteProfile } from '../athlete/athlete';

/** A made-up overhand thrower of sixteen, for tests. */
export const THROWER: AthleteProfile = {
  discipline: 'overhand',
  throws: 'R',
  birthDate: '2010-02-11',
  heightM: 1.8,
  massKg: 74,
  level: 'high-school',
};
