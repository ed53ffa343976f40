import { Agent, get } from 'node:http';
import type { AddressInfo } from 'node:net';
import express from 'express';
import { problemHandler } from '../src/http/faults';

/** Asks over the connection that is kept. @returns the text that came, or how it failed */
async function ask(url: string, agent: Agent): Promise<string> {
  return new Promise((resolve) => {
    get(url, { agent }, (answer) => {
      let text = '';
      answer.on('data', (part: Buffer) => (text += part.toString()));
      answer.on('error', () => resolve('cut'));
      answer.on('end', () => resolve(text));
    }).on('error', (error: NodeJS.ErrnoException) => resolve(`lost: ${error.code}`));
  });
}

test('a stream that ended before its fault keeps its connection for the next request; one half-way is cut', async () => {
  const app = express();
  app.get('/ended', async (_req, res) => {
    res.write('so far');
    res.end();
    // As a stream whose database goes: it has ended, and only then is the fault told.
    await new Promise((resolve) => setTimeout(resolve, 30));
    throw Object.assign(new Error('gone'), { code: 'ECONNREFUSED' });
  });
  app.get('/half', async (_req, res) => {
    res.write('so far');
    await new Promise((resolve) => setTimeout(resolve, 5));
    throw new Error('broken');
  });
  app.get('/slow', async (_req, res) => {
    await new Promise((resolve) => setTimeout(resolve, 60));
    res.send('whole');
  });
  app.use(problemHandler(() => undefined));
  const server = app.listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  const agent = new Agent({ keepAlive: true, maxSockets: 1 });
  const at = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  try {
    expect(await ask(`${at}/ended`, agent)).toBe('so far');
    expect(await ask(`${at}/slow`, agent)).toBe('whole');
    expect(await ask(`${at}/half`, agent)).toBe('cut');
  } finally {
    agent.destroy();
    server.close();
  }
});
