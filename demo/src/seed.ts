/** Seeds the demo through the services that the app uses, day by day, as if the months had been lived. */
import { STARTING_WORDS } from '@wrightonic/contract';
import type { IsoDate } from '@wrightonic/core';
import { hashPassword, migrate, putGroup } from '@wrightonic/server';
import type { User } from '@wrightonic/server';
import { v7 as uuidv7 } from 'uuid';
import { liveCamps } from './camps';
import { bringInClips } from './film';
import type { DemoClip, FilmFolders } from './film';
import { livePast } from './past';
import { COACH, GROUPS, PEOPLE } from './people';
import { ACADEMY, CHARACTERS } from './scenario';
import { on } from './stage';
import type { Db, Stage } from './stage';

/** Pasts that are lived at once. */
const AT_ONCE = 3;

/** Makes the demo's academy from nothing. @param hour of the academy's clock, from 0 @returns how many athletes were made */
export async function seed(db: Db, today: IsoDate, folders: FilmFolders, hour: number): Promise<number> {
  await migrate(db);
  const academy = uuidv7();
  await db('academies').insert({
    id: academy,
    name: ACADEMY,
    speed_unit: 'mph',
    time_zone: 'UTC',
    league: '{}',
    schools: '{}',
    words: JSON.stringify(STARTING_WORDS),
  });
  const coach: User = {
    id: uuidv7(),
    academyId: academy,
    role: 'owner',
    name: COACH.name,
    signIn: COACH.signIn,
    athletes: [],
    groups: [],
  };
  const users = new Map<(typeof PEOPLE)[number], string>();
  for (const person of PEOPLE) {
    const id = person.signIn === COACH.signIn ? coach.id : uuidv7();
    users.set(person, id);
    await db('users').insert({
      id,
      academy_id: academy,
      role: person.role,
      name: person.name,
      sign_in: person.signIn,
      password_hash: await hashPassword(person.password),
    });
  }
  const helper = PEOPLE.find((p) => p.role === 'instructor')!;
  const assistant: User = { ...coach, id: users.get(helper)!, role: 'instructor', name: helper.name, signIn: helper.signIn };
  const stage: Stage = { db, coach, assistant, today };
  const athletes = new Map<string, string>();
  const film = (picked: (clip: DemoClip) => boolean) => bringInClips((date) => on(stage, date), today, athletes, folders, picked);
  for (const { key } of CHARACTERS) athletes.set(key, uuidv7());
  // Nobody's past hangs on another's: while one waits for the database, another lives. Those with the longest first.
  const coming = [...CHARACTERS.entries()].sort(([, a], [, b]) => b.weeksAgo - a.weeksAgo);
  const live = async (): Promise<void> => {
    for (let next = coming.shift(); next; next = coming.shift()) {
      const [index, character] = next;
      await livePast(stage, character, index, athletes.get(character.key)!, film);
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, live));
  const groups = new Map<string, string>();
  for (const [name, members] of Object.entries(GROUPS)) {
    const group = uuidv7();
    groups.set(name, group);
    await putGroup(await on(stage, today), group, { name, athletes: members.map((key) => athletes.get(key)!) });
  }
  for (const [person, id] of users) {
    for (const key of person.athletes)
      await db('user_athletes').insert({ academy_id: academy, user_id: id, athlete_id: athletes.get(key)! });
    for (const name of person.groups)
      await db('user_groups').insert({ academy_id: academy, user_id: id, group_id: groups.get(name)! });
  }
  const station = PEOPLE.find((p) => p.role === 'station')!;
  await liveCamps(stage, athletes, users.get(station)!, hour);
  return CHARACTERS.length;
}
