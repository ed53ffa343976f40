// A small proxy as it stands before several copies of the server: TLS outside, plain inside, one copy after the other.
import { Agent, request as plainRequest } from 'node:http';
import { createServer, request as tlsRequest } from 'node:https';
import { generate } from 'selfsigned';

/**
 * @param {string[]} copies addresses of the copies; may be changed while it runs
 * @returns what asks through it; `from` is the address a phone seems to come from
 */
export async function startProxy(copies) {
  const { cert, private: key } = generate([{ name: 'commonName', value: 'yard.test' }], { days: 2, keySize: 2048 });
  const inside = new Agent({ keepAlive: true });
  let turn = 0;
  const server = createServer({ key, cert }, (req, res) => {
    const copy = new URL(copies[turn++ % copies.length]);
    const passed = plainRequest(
      {
        agent: inside,
        host: copy.hostname,
        port: copy.port,
        method: req.method,
        path: req.url,
        headers: {
          ...req.headers,
          // What a phone claims of itself is written over, as a proxy does.
          'x-forwarded-for': req.headers['x-test-from'] ?? '198.51.100.7',
          'x-forwarded-proto': 'https',
          'x-forwarded-host': req.headers.host,
        },
      },
      (answer) => {
        res.writeHead(answer.statusCode, answer.headers);
        answer.pipe(res);
      },
    );
    passed.on('error', () => (res.headersSent ? res.destroy() : res.writeHead(502).end()));
    res.on('close', () => passed.destroy());
    req.pipe(passed);
  });
  // A test that works for a while without asking finds its connection open.
  server.keepAliveTimeout = 0;
  await new Promise((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.address();

  /** Sends one request. @returns {Promise<{ status: number, headers: object, text: string, json: any }>} */
  const send = (method, path, { body, bytes, cookie, from, headers = {} } = {}) =>
    new Promise((resolve, reject) => {
      const data = bytes ?? (body === undefined ? null : Buffer.from(JSON.stringify(body)));
      const sent = tlsRequest(
        {
          host: '127.0.0.1',
          port,
          ca: cert,
          servername: 'yard.test',
          method,
          path: `/api${path}`,
          headers: {
            ...(data
              ? { 'content-type': bytes ? 'application/octet-stream' : 'application/json', 'content-length': data.length }
              : {}),
            ...(cookie ? { cookie } : {}),
            ...(from ? { 'x-test-from': from } : {}),
            host: 'yard.test',
            origin: 'https://yard.test',
            ...headers,
          },
        },
        (answer) => {
          const parts = [];
          answer.on('data', (part) => parts.push(part));
          answer.on('error', reject);
          answer.on('end', () => {
            const all = Buffer.concat(parts);
            const text = all.toString('utf8');
            const json = /json/.test(answer.headers['content-type'] ?? '') ? JSON.parse(text) : null;
            resolve({ status: answer.statusCode, headers: answer.headers, text, json, bytes: all });
          });
        },
      );
      sent.on('error', reject);
      sent.end(data);
    });

  /** Listens to a stream of events. @returns its text so far, and when it ended */
  const listen = (path, cookie) => {
    const heard = { text: '', ended: false, open: null };
    const sent = tlsRequest(
      {
        host: '127.0.0.1',
        port,
        ca: cert,
        servername: 'yard.test',
        path: `/api${path}`,
        headers: { host: 'yard.test', ...(cookie ? { cookie } : {}) },
      },
      (answer) => {
        heard.open = answer.statusCode;
        answer.on('data', (part) => (heard.text += part));
        answer.on('close', () => (heard.ended = true));
      },
    );
    sent.on('error', () => (heard.ended = true));
    sent.end();
    return heard;
  };

  return {
    send,
    listen,
    close: async () => {
      inside.destroy();
      server.closeAllConnections();
      await new Promise((resolve) => server.close(resolve));
    },
  };
}
