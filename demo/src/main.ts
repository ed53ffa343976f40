import { connect, readDatabase } from '@wrightonic/server';
import { seed } from './seed';

const db = connect(readDatabase(), 'read committed');
try {
  const made = await seed(db, new Date().toISOString().slice(0, 10), {
    from: process.env.FILM_FOLDER ?? 'demo/clips',
    to: process.env.CLIPS_FOLDER ?? '.data/clips',
  });
  process.stdout.write(`${made} athletes made\n`);
} finally {
  await db.destroy();
}
