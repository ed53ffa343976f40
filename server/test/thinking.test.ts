import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { PlanRequest, TrendRequest } from '@wrightonic/core';
import { thinkBeside } from '../src/thinking';

const folder = mkdtempSync(join(tmpdir(), 'thinking-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** A program that answers with what it was asked, says that it cannot, dies, or takes its time. */
const entry = join(folder, 'echo.mjs');
writeFileSync(
  entry,
  `import { parentPort } from 'node:worker_threads';
parentPort.on('message', ({ ask, task, request }) => {
  if (request.die) process.exit(3);
  if (request.fail) return parentPort.postMessage({ ask, error: 'It cannot be done.' });
  setTimeout(() => parentPort.postMessage({ ask, answer: { task, ...request } }), request.wait ?? 0);
});`,
);
// The program only passes on what it was asked.
const plan = (what: object) => what as PlanRequest;
const trend = (what: object) => what as TrendRequest;

describe('thinking beside the event loop', () => {
  const think = thinkBeside(entry);

  it('gives each their own answer, in whatever order they come', async () => {
    const answers = await Promise.all([
      think.plan(plan({ n: 1, wait: 80 })),
      think.plan(plan({ n: 2 })),
      think.trend(trend({ n: 3, wait: 20 })),
    ]);
    expect(answers).toMatchObject([
      { task: 'plan', n: 1 },
      { task: 'plan', n: 2 },
      { task: 'trend', n: 3 },
    ]);
  });

  it('lets nothing quick wait for an improvement', async () => {
    const done: string[] = [];
    await Promise.all([
      think.improve(plan({ wait: 300 })).then(() => done.push('improved')),
      think.plan(plan({})).then(() => done.push('planned')),
    ]);
    expect(done).toEqual(['planned', 'improved']);
  });

  it('tells what cannot be done to whoever asked, and to nobody else', async () => {
    const [failed, fine] = await Promise.allSettled([think.plan(plan({ fail: true })), think.plan(plan({ n: 4, wait: 20 }))]);
    expect(failed).toMatchObject({ status: 'rejected', reason: { message: 'It cannot be done.' } });
    expect(fine).toMatchObject({ status: 'fulfilled', value: { n: 4 } });
  });

  it('fails what waits when the thread dies, and begins anew with the next', async () => {
    const [waiting, dying] = await Promise.allSettled([think.plan(plan({ wait: 5000 })), think.plan(plan({ die: true }))]);
    expect([waiting.status, dying.status]).toEqual(['rejected', 'rejected']);
    expect(await think.plan(plan({ n: 5 }))).toMatchObject({ n: 5 });
  });
});
