// The server: looks at every request, sets the headers, and hands it on to the framework.
//   node --import tsx src/server/front/main.ts [--dev] [--hostname 127.0.0.1] [--port 4180] [--lan 1|ADDRESS]
import { randomBytes } from 'node:crypto';
import http from 'node:http';
import { parseArgs } from 'node:util';
import next from 'next';
import { dataFolder } from '../dataFolder';
import { Access, openAccess } from './access';
import { addressesFor, isAtHome, namesFor, networkHost } from './door';
import { turnedAway } from './gate';
import { headersOf } from './headers';
import { PHONE_HEADER } from './phoneHeader';
import { answerStranger, tokenIn } from './strangers';

const { values } = parseArgs({
  options: {
    dev: { type: 'boolean', default: false },
    hostname: { type: 'string', default: '127.0.0.1' },
    port: { type: 'string', default: '4180' },
    /** Listens for the network at home too: everywhere, or at one address. */
    lan: { type: 'string' },
  },
});
const { dev, hostname } = values;
const port = Number(values.port);

/** A client that is slower than this to say what it wants is not served (RFC 9110, 408). */
const HEADERS_WITHIN_MS = 20_000;
/** Longer than clients keep an idle connection: one that is closed just as a request is on its way loses that request. */
const KEEP_ALIVE_MS = 75_000;

type Handle = (request: http.IncomingMessage, response: http.ServerResponse) => unknown;

function newServer(): http.Server {
  return http.createServer({
    headersTimeout: HEADERS_WITHIN_MS,
    requestTimeout: 0,
    keepAliveTimeout: KEEP_ALIVE_MS,
  });
}

/** @param access who may come in from the network; null while nobody can */
function serve(server: http.Server, handle: Handle, access: Access | null): void {
  server.on('request', (request, response) => {
    const { localAddress } = request.socket;
    const nonce = randomBytes(16).toString('base64');
    const headers = headersOf(nonce, dev, isAtHome(localAddress));
    for (const [name, value] of Object.entries(headers)) response.setHeader(name, value);
    // Only we say who comes from a phone.
    delete request.headers[PHONE_HEADER];
    const turned = turnedAway(
      { method: request.method ?? '', url: request.url ?? '', headers: request.headers },
      namesFor(localAddress),
    );
    if (turned) return turnAway(request, response, turned);
    if (!isAtHome(localAddress)) {
      const phone = access?.phoneWith(tokenIn(request.headers.cookie, port)) ?? null;
      if (!access) return turnAway(request, response, { status: 403, message: 'Nobody is let in here.' });
      if (!phone) return answerStranger(request, response, access, { nonce, port });
      access.hold(phone.id, request.socket);
      request.headers[PHONE_HEADER] = phone.id;
    }
    // By these the framework marks the scripts of the page as its own.
    request.headers['content-security-policy'] = headers['content-security-policy'];
    request.headers['x-nonce'] = nonce;
    void handle(request, response);
  });
  // Nothing of ours is spoken beyond HTTP, but by the framework's own development server.
  server.on('upgrade', (request, socket) => {
    if (!dev || !isAtHome(request.socket.localAddress)) socket.destroy();
  });
  server.on('clientError', (_error, socket) => socket.end('HTTP/1.1 400 Bad Request\r\n\r\n'));
}

function turnAway(
  request: http.IncomingMessage,
  response: http.ServerResponse,
  { status, message, headers }: { status: number; message: string; headers?: Record<string, string> },
): void {
  response.writeHead(status, { 'content-type': 'application/json', ...headers });
  // The body is not read.
  request.resume();
  response.end(JSON.stringify({ error: message, problems: [] }));
}

function listen(server: http.Server, host: string): void {
  server.on('error', (error: NodeJS.ErrnoException) => {
    console.error(`The server cannot listen on ${host}:${port} (${error.code ?? error.message}).`);
    process.exit(1);
  });
  server.listen(port, host);
}

async function main(): Promise<void> {
  const lan = values.lan === undefined ? null : networkHost(values.lan);
  const access =
    lan === null
      ? null
      : new Access(
          dataFolder(),
          addressesFor(lan).map((address) => `${address}:${port}`),
        );
  if (access) openAccess(access);
  const server = newServer();
  const app = next({ dev, hostname, port, httpServer: server });
  await app.prepare();
  const handle = app.getRequestHandler();
  serve(server, handle, access);
  // Everywhere is this machine itself too.
  listen(server, lan === '0.0.0.0' ? lan : hostname);
  if (lan !== null && lan !== '0.0.0.0') {
    const outside = newServer();
    serve(outside, handle, access);
    listen(outside, lan);
  }
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) process.on(signal, () => process.exit(0));
}

main().catch((error: Error) => {
  console.error(error.message);
  process.exit(1);
});
