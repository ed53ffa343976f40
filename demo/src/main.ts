import { connect, readDatabase } from '@wrightonic/server';
import { seed } from './seed';

const db = connect(readDatabase(), 'read committed');
try {
  const now = new Date();
  const folders = {
    from: process.env.FILM_FOLDER ?? 'demo/clips',
    to: process.env.CLIPS_FOLDER ?? '.data/clips',
  };
  const made = await seed(db, now.toISOString().slice(0, 10), folders, now.getUTCHours());
  process.stdout.write(`${made} athletes made\n`);
} finally {
  await db.destroy();
}
