import { connect } from '@wrightonic/server';
import { seed } from './seed';

const url = new URL(process.env.DATABASE_URL ?? '');
const db = connect({
  host: url.hostname,
  port: Number(url.port),
  user: url.username,
  password: url.password,
  database: url.pathname.slice(1),
});
try {
  const made = await seed(db, new Date().toISOString().slice(0, 10), {
    from: process.env.FILM_FOLDER ?? 'demo/clips',
    to: process.env.CLIPS_FOLDER ?? '.data/clips',
  });
  process.stdout.write(`${made} athletes made\n`);
} finally {
  await db.destroy();
}
