import type http from 'node:http';
import type { Access } from './access';
import { LET_IN_DAYS } from './access';
import { CODE_PAGE } from './codePage';

/** A code is eight letters; whoever sends more means something else. */
const MOST_BYTES = 1000;

/** Name of the cookie of a phone; two programs on one machine have one each. */
function cookieName(port: number): string {
  return `rapid-lantern-${port}`;
}

/** The token in the cookies of a request; null where there is none. */
export function tokenIn(header: string | undefined, port: number): string | null {
  const name = `${cookieName(port)}=`;
  const cookie = (header ?? '').split(/;\s*/).find((each) => each.startsWith(name));
  return cookie === undefined ? null : cookie.slice(name.length);
}

/**
 * Answers whoever has not entered the code: the page that takes it, and nothing else.
 *
 * @param nonce by which the script of the page may run
 */
export function answerStranger(
  request: http.IncomingMessage,
  response: http.ServerResponse,
  access: Access,
  { nonce, port }: { nonce: string; port: number },
): void {
  const path = (request.url ?? '/').split('?')[0];
  if (path === '/enter' && request.method === 'POST') {
    void readText(request).then((text) => enter(request, response, access, text, port));
    return;
  }
  request.resume();
  const isPage =
    ['GET', 'HEAD'].includes(request.method ?? '') && (request.headers.accept ?? '').includes('text/html');
  response.setHeader('cache-control', 'no-store');
  if (!isPage) return json(response, 401, { error: 'This phone has not entered the access code.' });
  response.writeHead(200, { 'content-type': 'text/html; charset=utf-8' });
  response.end(CODE_PAGE.replaceAll('NONCE', nonce));
}

function enter(
  request: http.IncomingMessage,
  response: http.ServerResponse,
  access: Access,
  text: string | null,
  port: number,
): void {
  response.setHeader('cache-control', 'no-store');
  const typed = codeIn(text);
  if (typed === null) return json(response, 400, { error: 'The body has to be {"code": "…"}.' });
  const entered = access.enter(
    typed,
    request.socket.remoteAddress ?? '',
    String(request.headers['user-agent'] ?? ''),
  );
  if (entered.is === 'slowed') {
    const seconds = Math.ceil(entered.waitMs / 1000);
    response.setHeader('retry-after', String(seconds));
    return json(response, 429, {
      error: `Too many wrong codes: wait ${seconds} s. This one was not looked at.`,
      waitS: seconds,
    });
  }
  if (entered.is === 'wrong')
    return json(response, 403, { error: 'That is not the code: it stands on the laptop’s screen.' });
  response.setHeader(
    'set-cookie',
    // Lax, not Strict: a label that is scanned opens its page from outside of the browser.
    `${cookieName(port)}=${entered.token}; Path=/; HttpOnly; SameSite=Lax; Max-Age=${LET_IN_DAYS * 86_400}`,
  );
  json(response, 200, { is: 'let in' });
}

function codeIn(text: string | null): string | null {
  try {
    const { code } = JSON.parse(text ?? '') as { code?: unknown };
    return typeof code === 'string' ? code : null;
  } catch {
    return null;
  }
}

function readText(request: http.IncomingMessage): Promise<string | null> {
  return new Promise((resolve) => {
    let text = '';
    request.setEncoding('utf8');
    request.on('data', (piece: string) => {
      text += piece;
      if (text.length <= MOST_BYTES) return;
      request.removeAllListeners('data');
      request.resume();
      resolve(null);
    });
    request.on('end', () => resolve(text));
    request.on('error', () => resolve(null));
  });
}

function json(response: http.ServerResponse, status: number, body: object): void {
  response.writeHead(status, { 'content-type': 'application/json' });
  response.end(JSON.stringify({ problems: [], ...body }));
}
