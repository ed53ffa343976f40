// Keeps count of the tests of Node's runner, at once: a runner that is made to end leaves other reports half written.
import { writeFileSync } from 'node:fs';

export default async function* count(source) {
  const counts = { passed: 0, failed: 0 };
  for await (const { type, data } of source) {
    if ((type !== 'test:pass' && type !== 'test:fail') || data.details?.type === 'suite' || data.skip !== undefined) continue;
    counts[type === 'test:pass' ? 'passed' : 'failed'] += 1;
    writeFileSync(process.env.TEST_COUNTS, JSON.stringify(counts));
  }
  yield '';
}
