// Read before the server by the bench: on SIGUSR2 it writes how long its event loop was held up at most since the last time, ms.
import { writeFileSync } from 'node:fs';
import { monitorEventLoopDelay } from 'node:perf_hooks';
import { isMainThread } from 'node:worker_threads';

if (isMainThread && process.env.LOOP_FILE) {
  const delay = monitorEventLoopDelay({ resolution: 1 });
  delay.enable();
  process.on('SIGUSR2', () => {
    writeFileSync(process.env.LOOP_FILE, String(delay.max / 1e6));
    delay.reset();
  });
}
