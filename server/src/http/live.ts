import type { Request, Response } from 'express';
import type { Knex } from 'knex';
import { endOfChannel, messagesAfter } from '../services/devices';

const LOOK_EVERY_MS = 120;
const STILL_HERE_EVERY_MS = 15_000;

/**
 * Sends everything that is written to a channel from now on as server-sent events. The database is the meeting place, so that
 * the device may talk to one copy of the server and the page to another.
 */
export async function liveChannel(db: Knex, channel: string, req: Request, res: Response): Promise<void> {
  const resumed = Number(req.headers['last-event-id']);
  let seq = Number.isSafeInteger(resumed) && resumed > 0 ? resumed : await endOfChannel(db, channel);
  // “no-transform” keeps the compression from holding small messages back.
  res.writeHead(200, {
    'Content-Type': 'text/event-stream',
    'Cache-Control': 'no-store, no-transform',
    'X-Accel-Buffering': 'no',
  });
  res.write('retry: 1000\n\n');
  let open = true;
  req.on('close', () => {
    open = false;
  });
  let quietSince = Date.now();
  try {
    while (open) {
      const found = await messagesAfter(db, channel, seq);
      for (const { seq: at, message } of found) {
        seq = at;
        res.write(`id: ${at}\ndata: ${JSON.stringify(message)}\n\n`);
      }
      if (found.length > 0) quietSince = Date.now();
      else if (Date.now() - quietSince > STILL_HERE_EVERY_MS) {
        res.write(': still here\n\n');
        quietSince = Date.now();
      }
      await new Promise((resolve) => setTimeout(resolve, LOOK_EVERY_MS));
    }
  } finally {
    // The listener comes back by itself and goes on after the last message it had.
    res.end();
  }
}
