/** API latency at 1×, 10× and 100× the demo's rows, reads and writes, over real HTTP on loopback. */
import { v7 as uuid } from 'uuid';
import { databaseName, db } from './database';
import { line, timed } from './figures';

const base = process.env.BASE_URL!;

const signedIn = await fetch(`${base}/api/sign-in`, {
  method: 'POST',
  headers: { 'Content-Type': 'application/json' },
  body: JSON.stringify({ signIn: 'coach', password: 'bench-and-chalk' }),
});
const cookie = signedIn.headers.getSetCookie()[0]!.split(';')[0]!;
async function call<Answer>(method: string, path: string, body?: object): Promise<Answer> {
  const answer = await fetch(`${base}/api${path}`, {
    method,
    headers: { cookie, 'Content-Type': 'application/json' },
    ...(body ? { body: JSON.stringify(body) } : {}),
  });
  if (!answer.ok) throw new Error(`${method} ${path}: ${answer.status} ${await answer.text()}`);
  return (await answer.json()) as Answer;
}

const me = await call<{ academy: { today: string } }>('GET', '/me');
const { rows } = await call<{ rows: readonly { id: string; name: string }[] }>('GET', '/athletes');
const tavi = rows.find((a) => a.name.startsWith('Tavi'))!.id;

/** Copies every athlete, with sessions and reps, until the academy holds `factor` times the demo. */
async function grow(factor: number): Promise<void> {
  const athletes = (await db('athletes').where('name', 'not like', 'Copy%')) as { id: string; name: string }[];
  const have = Number(((await db('athletes').count({ n: '*' }).first()) as { n: number }).n) / athletes.length;
  for (let copy = have; copy < factor; copy++)
    for (const athlete of athletes) {
      const id = uuid();
      const columns = (await db('information_schema.columns')
        .where({ table_schema: databaseName, table_name: 'athletes' })
        .select('column_name as c')) as { c: string }[];
      const others = columns
        .map((c) => c.c)
        .filter((c) => !['id', 'name'].includes(c))
        .join(', ');
      await db.raw(
        `insert into athletes (id, name, ${others}) select ?, concat('Copy ${copy} of ', name), ${others} from athletes where id = ?`,
        [id, athlete.id],
      );
      await db.raw(
        `create temporary table new_sessions as select id as old_id, uuid() as new_id from work_sessions where athlete_id = ?`,
        [athlete.id],
      );
      await db.raw(
        `insert into work_sessions (id, academy_id, athlete_id, on_date, started_at, finished_at) select n.new_id, s.academy_id, ?, s.on_date, s.started_at, s.finished_at from work_sessions s join new_sessions n on n.old_id = s.id`,
        [id],
      );
      await db.raw(
        `insert into reps (id, academy_id, athlete_id, session_id, on_date, at, received_on, drill, rung, judged, cheat, said_effort, effort, is_throw, undone, gone) select uuid(), r.academy_id, ?, n.new_id, r.on_date, r.at, r.received_on, r.drill, r.rung, r.judged, r.cheat, r.said_effort, r.effort, r.is_throw, r.undone, r.gone from reps r join new_sessions n on n.old_id = r.session_id`,
        [id],
      );
      await db.raw('drop temporary table new_sessions');
    }
}

const runs = 20;
for (const factor of [1, 10, 100]) {
  await grow(factor);
  const reps = ((await db('reps').count({ n: '*' }).first()) as { n: number }).n;
  const people = ((await db('athletes').count({ n: '*' }).first()) as { n: number }).n;
  console.log(`\nAPI with ${people} athletes, ${reps} reps (${factor}×)`);
  const session = uuid();
  await call('PUT', `/athletes/${tavi}/sessions/${session}`, { on: me.academy.today, assignment: null, painBefore: [] });
  const rep = (n: number) => ({
    type: 'rep',
    id: uuid(),
    at: new Date(Date.now() + n).toISOString(),
    drill: 'strap-lower',
    rung: 2,
    focus: null,
    judged: 'good',
    effort: 0,
  });
  console.log(line('GET /today', await timed(runs, () => call('GET', '/today'))));
  console.log(line('GET /athletes (roster)', await timed(runs, () => call('GET', '/athletes'))));
  console.log(line('GET /athletes/:id (overview)', await timed(runs, () => call('GET', `/athletes/${tavi}`))));
  console.log(line('GET /athletes/:id/diagnosis', await timed(runs, () => call('GET', `/athletes/${tavi}/diagnosis`))));
  // One row and the line of who did what, through the same sign-in, rights, checks and transaction.
  const consent = { kind: 'share', given: true, by: 'Somebody Made-Up' };
  const bare = () => call('PUT', `/athletes/${tavi}/consents/${uuid()}`, consent);
  const oneRep = (n: number) => call('POST', `/athletes/${tavi}/sessions/${session}/log`, { entries: [rep(n)] });
  await timed(5, bare);
  await timed(5, oneRep);
  const [bareTimes, repTimes]: [number[], number[]] = [[], []];
  // In turn, so that whatever else the machine does falls on both.
  for (let n = 0; n < 2 * runs; n++) {
    bareTimes.push(...(await timed(1, bare)));
    repTimes.push(...(await timed(1, () => oneRep(n))));
  }
  const middle = (times: number[]) => [...times].sort((a, b) => a - b)[times.length >> 1]!;
  console.log(line('PUT consent, a bare insert', bareTimes));
  console.log(line('POST log, one rep', repTimes, `${(middle(repTimes) / middle(bareTimes)).toFixed(2)} × a bare insert`));
  console.log(
    line(
      'POST log, 100 reps',
      await timed(5, (n) =>
        call('POST', `/athletes/${tavi}/sessions/${session}/log`, {
          entries: Array.from({ length: 100 }, (_, k) => rep(n * 100 + k)),
        }),
      ),
    ),
  );
}
await db.destroy();
