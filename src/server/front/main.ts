// The server: looks at every request, sets the headers, and hands it on to the framework.
//   node --import tsx src/server/front/main.ts [--dev] [--hostname 127.0.0.1] [--port 4180]
import { randomBytes } from 'node:crypto';
import http from 'node:http';
import { parseArgs } from 'node:util';
import next from 'next';
import { turnedAway } from './gate';
import { headersOf } from './headers';

const { values } = parseArgs({
  options: {
    dev: { type: 'boolean', default: false },
    hostname: { type: 'string', default: '127.0.0.1' },
    port: { type: 'string', default: '4180' },
  },
});
const { dev, hostname } = values;
const port = Number(values.port);

/** A client that is slower than this to say what it wants is not served (RFC 9110, 408). */
const HEADERS_WITHIN_MS = 20_000;
/** Longer than clients keep an idle connection: one that is closed just as a request is on its way loses that request. */
const KEEP_ALIVE_MS = 75_000;

async function main(): Promise<void> {
  const server = http.createServer({
    headersTimeout: HEADERS_WITHIN_MS,
    requestTimeout: 0,
    keepAliveTimeout: KEEP_ALIVE_MS,
  });
  const app = next({ dev, hostname, port, httpServer: server });
  await app.prepare();
  const handle = app.getRequestHandler();
  server.on('request', (request, response) => {
    const nonce = randomBytes(16).toString('base64');
    const headers = headersOf(nonce, dev);
    for (const [name, value] of Object.entries(headers)) response.setHeader(name, value);
    const turned = turnedAway({
      method: request.method ?? '',
      url: request.url ?? '',
      headers: request.headers,
    });
    if (turned) {
      response.writeHead(turned.status, { 'content-type': 'application/json', ...turned.headers });
      // What was sent along is not read.
      request.resume();
      return response.end(JSON.stringify({ error: turned.message, problems: [] }));
    }
    // By these the framework marks the scripts of the page as its own.
    request.headers['content-security-policy'] = headers['content-security-policy'];
    request.headers['x-nonce'] = nonce;
    void handle(request, response);
  });
  server.on('clientError', (_error, socket) => socket.end('HTTP/1.1 400 Bad Request\r\n\r\n'));
  server.on('error', (error: NodeJS.ErrnoException) => {
    console.error(`The server cannot listen on ${hostname}:${port} (${error.code ?? error.message}).`);
    process.exit(1);
  });
  server.listen(port, hostname);
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) process.on(signal, () => process.exit(0));
}

void main();
