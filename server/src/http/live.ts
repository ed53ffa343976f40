import type { Request, Response } from 'express';
import type { Knex } from 'knex';
import { channelIsOpen, endOfChannel, messagesAfter } from '../devices/devices';

const LOOK_EVERY_MS = 120;
const STILL_HERE_EVERY_MS = 15_000;
/** How long a channel that has closed is still listened to. */
const ASKED_EVERY_MS = 2_000;

export interface Listening {
  readonly db: Knex;
  readonly clock: () => Date;
  /** The server is about to end. */
  readonly ends?: AbortSignal | undefined;
}

/**
 * Sends everything that is written to a channel from now on as server-sent events. The database is the meeting place, so that
 * the device may talk to one copy of the server and the page to another. Ends when the channel does: then it says so.
 */
export async function liveChannel({ db, clock, ends }: Listening, channel: string, req: Request, res: Response): Promise<void> {
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
  let askedAt = Date.now();
  try {
    while (open && !ends?.aborted) {
      if (Date.now() - askedAt > ASKED_EVERY_MS) {
        askedAt = Date.now();
        if (!(await channelIsOpen(db, channel, clock()))) {
          res.write('event: closed\ndata: {}\n\n');
          break;
        }
      }
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
