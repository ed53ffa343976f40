/** What whoever runs the server does beside it: bring the tables up to date, open an academy. */
import { v7 as uuidv7 } from 'uuid';
import { readDatabase } from './config';
import { connect, migrate, stepBack } from './db/connect';
import { Tenant } from './db/tenant';
import { inviteOwner } from './people/people';

const [what, ...given] = process.argv.slice(2);

/** @throws Error when a word is missing or the time zone is none */
function wordsOf([name, owner, timeZone = 'UTC']: readonly string[]) {
  if (!name?.trim() || !owner?.trim() || name.length > 120 || owner.length > 120)
    throw new Error('Give the academy’s name, its owner’s name and its time zone: npm run academy -- "Name" "Owner" Area/City');
  if (!Intl.supportedValuesOf('timeZone').includes(timeZone) && timeZone !== 'UTC')
    throw new Error(`“${timeZone}” is not a time zone. Write it as Area/City, or UTC.`);
  return { name: name.trim(), owner: owner.trim(), timeZone };
}

const db = connect(readDatabase());
try {
  if (what === 'migrate' && given[0] === '--back') await stepBack(db);
  else await migrate(db);
  if (what === 'academy') {
    const { name, owner, timeZone } = wordsOf(given);
    const id = uuidv7();
    const { token, expiresAt } = await db.transaction(async (trx) => {
      await trx('academies').insert({ id, name, time_zone: timeZone, league: '{}', schools: '{}' });
      const inviter = { tenant: new Tenant(trx, id), now: new Date(), user: { name: 'whoever runs the server' } };
      return inviteOwner(inviter, uuidv7(), owner);
    });
    process.stdout.write(`“${name}” is open. Its owner signs up at /join#${token} (works once, until ${expiresAt}).\n`);
  } else process.stdout.write(given[0] === '--back' ? 'The database is one step back.\n' : 'The database is up to date.\n');
} catch (error) {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  process.exitCode = 1;
} finally {
  await db.destroy();
}
